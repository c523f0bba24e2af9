namespace Nokko.Core.Suspension;

/// <summary>Front-view points of double wishbones or links with the spring on the lower one, at ride height, mm.</summary>
/// <param name="LowerPivot">Inner pivot of the lower arm.</param>
/// <param name="LowerBallJoint">Lower ball joint.</param>
/// <param name="UpperPivot">Inner pivot of the upper arm.</param>
/// <param name="UpperBallJoint">Upper ball joint.</param>
/// <param name="StrutFoot">Strut on the lower arm.</param>
/// <param name="StrutTop">Strut on the frame.</param>
/// <param name="WheelCentre">Wheel centre; z is its height above the ground, the loaded radius.</param>
public sealed record WishbonePoints(
    PlanePoint LowerPivot,
    PlanePoint LowerBallJoint,
    PlanePoint UpperPivot,
    PlanePoint UpperBallJoint,
    PlanePoint StrutFoot,
    PlanePoint StrutTop,
    PlanePoint WheelCentre
);

/// <summary>One position of the linkage in the frame's view.</summary>
/// <param name="LowerBallJoint">Lower ball joint, mm.</param>
/// <param name="UpperBallJoint">Upper ball joint, mm.</param>
/// <param name="StrutFoot">Strut foot, mm.</param>
/// <param name="WheelCentre">Wheel centre, mm.</param>
/// <param name="StrutLengthMm">Foot to top, mm.</param>
/// <param name="MotionRatio">−d(strut length)/d(wheel height); positive.</param>
/// <param name="CamberChangeRad">Against ride height; below zero is top inward.</param>
/// <param name="TrackChangeMm">Move of the contact patch outboard against ride height, mm a side.</param>
public readonly record struct WishbonePosition(
    PlanePoint LowerBallJoint,
    PlanePoint UpperBallJoint,
    PlanePoint StrutFoot,
    PlanePoint WheelCentre,
    double StrutLengthMm,
    double MotionRatio,
    double CamberChangeRad,
    double TrackChangeMm
);

/// <summary>Double wishbones with a coil-over on the lower arm, in front view.</summary>
/// <remarks>
/// Source: docs/computation/linkages.md#linkages, docs/computation/lifts.md#coil-over-on-a-lower-arm. The strut's length gives the strut foot (one circle about the lower pivot, one about the strut top), that the lower arm, that the upright.
/// Velocities come from the two arms and the rigid upright, so the motion ratio needs no differences.
/// </remarks>
public sealed class DoubleWishbone : ILinkage
{
    private readonly double _foot;
    private readonly double _upperArm;
    private readonly double _upright;

    /// <summary>Makes the linkage from its points at ride height.</summary>
    public DoubleWishbone(WishbonePoints ride)
    {
        Points = ride;
        _foot = (ride.StrutFoot - ride.LowerPivot).Length;
        _upperArm = (ride.UpperBallJoint - ride.UpperPivot).Length;
        _upright = (ride.UpperBallJoint - ride.LowerBallJoint).Length;
        RideLengthMm = (ride.StrutTop - ride.StrutFoot).Length;
    }

    /// <summary>The points at ride height.</summary>
    public WishbonePoints Points { get; }

    /// <summary>Strut length at ride height, mm.</summary>
    public double RideLengthMm { get; }

    /// <summary>The position at a strut length, or null: the arms cannot reach it.</summary>
    /// <param name="lengthMm">Foot to top, mm.</param>
    public WishbonePosition? At(double lengthMm)
    {
        if (
            PlanePoint.Meeting(
                Points.LowerPivot,
                _foot,
                Points.StrutTop,
                lengthMm,
                Points.StrutFoot
            )
            is not { } foot
        )
        {
            return null;
        }
        var lower =
            Points.LowerPivot
            + (Points.LowerBallJoint - Points.LowerPivot).TurnedAs(
                Points.StrutFoot - Points.LowerPivot,
                foot - Points.LowerPivot
            );
        // Near: the upright carried along without turning, so that it stays on its branch.
        if (
            PlanePoint.Meeting(
                lower,
                _upright,
                Points.UpperPivot,
                _upperArm,
                lower + (Points.UpperBallJoint - Points.LowerBallJoint)
            )
            is not { } upper
        )
        {
            return null;
        }
        var (was, now) = (Points.UpperBallJoint - Points.LowerBallJoint, upper - lower);
        var lean = PlanePoint.Between(was, now);
        var wheel = lower + (Points.WheelCentre - Points.LowerBallJoint).TurnedAs(was, now);
        // The lower arm turns at 1 rad/s; the upright at the rate that keeps the upper arm's length.
        var vLower = (lower - Points.LowerPivot).Quarter();
        var arm = upper - Points.UpperPivot;
        var rate = -PlanePoint.Dot(arm, vLower) / PlanePoint.Dot(arm, (upper - lower).Quarter());
        var vWheel = vLower + (rate * (wheel - lower).Quarter());
        var vLength =
            PlanePoint.Dot(foot - Points.StrutTop, (foot - Points.LowerPivot).Quarter()) / lengthMm;
        var ratio = -vLength / vWheel.Z;
        return double.IsFinite(ratio)
            ? new WishbonePosition(
                lower,
                upper,
                foot,
                wheel,
                lengthMm,
                ratio,
                -lean,
                wheel.Y - Points.WheelCentre.Y + (Points.WheelCentre.Z * Math.Sin(lean))
            )
            : null;
    }

    /// <inheritdoc/>
    public WheelPlace? WheelAt(double lengthMm) =>
        At(lengthMm) is { } p ? new WheelPlace(p.WheelCentre.Z, p.MotionRatio) : null;
}
