using Nokko.Core.Units;

namespace Nokko.Core.Suspension;

/// <summary>Front-view points of double wishbones with the strut on the lower arm, at ride height, mm.</summary>
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
)
{
    /// <summary>Names of the points in files, in the order of the parameters.</summary>
    public static IReadOnlyList<string> Names { get; } =
    [
        "lowerPivot",
        "lowerBallJoint",
        "upperPivot",
        "upperBallJoint",
        "strutFoot",
        "strutTop",
        "wheelCentre",
    ];

    /// <summary>The points of a suspension, or null when one of them was not measured or the arms cannot be put together so.</summary>
    /// <param name="suspension">A coil-over on a lower arm; y may be of either side.</param>
    public static WishbonePoints? Of(Vehicles.Suspension suspension)
    {
        var points = Names
            .Select(name =>
                suspension.Points.FirstOrDefault(p => p.Name == name)
                    is { Y: { Known: Known.Measured } y, Z: { Known: Known.Measured } z }
                    ? new PlanePoint(Math.Abs(y.In("mm")), z.In("mm"))
                    : (PlanePoint?)null
            )
            .OfType<PlanePoint>()
            .ToArray();
        if (points.Length < Names.Count)
        {
            return null;
        }
        var made = new WishbonePoints(
            points[0],
            points[1],
            points[2],
            points[3],
            points[4],
            points[5],
            points[6]
        );
        var linkage = new DoubleWishbone(made);
        return linkage.At(linkage.RideLengthMm) is { MotionRatio: > 0.2 and < 1.2 } ? made : null;
    }
}

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
/// Source: computation.md, sections 7.1 and 7.2. The strut's length gives the strut foot (one circle about the lower pivot, one about the strut top), that the lower arm, that the upright.
/// Velocities come from the two arms and the rigid upright, so the motion ratio needs no differences.
/// </remarks>
public sealed class DoubleWishbone
{
    private readonly WishbonePoints _ride;
    private readonly double _foot;
    private readonly double _upperArm;
    private readonly double _upright;
    private readonly double _camberAngle;

    /// <summary>Makes the linkage from its points at ride height.</summary>
    public DoubleWishbone(WishbonePoints ride)
    {
        _ride = ride;
        _foot = (ride.StrutFoot - ride.LowerPivot).Length;
        _upperArm = (ride.UpperBallJoint - ride.UpperPivot).Length;
        _upright = (ride.UpperBallJoint - ride.LowerBallJoint).Length;
        _camberAngle = (ride.UpperBallJoint - ride.LowerBallJoint).Angle;
        RideLengthMm = (ride.StrutTop - ride.StrutFoot).Length;
    }

    /// <summary>Strut length at ride height, mm.</summary>
    public double RideLengthMm { get; }

    /// <summary>The position at a strut length, or null: the arms cannot reach it.</summary>
    /// <param name="lengthMm">Foot to top, mm.</param>
    public WishbonePosition? At(double lengthMm)
    {
        if (
            PlanePoint.Meeting(_ride.LowerPivot, _foot, _ride.StrutTop, lengthMm, _ride.StrutFoot)
            is not { } foot
        )
        {
            return null;
        }
        var turn = (foot - _ride.LowerPivot).Angle - (_ride.StrutFoot - _ride.LowerPivot).Angle;
        var lower = _ride.LowerPivot + (_ride.LowerBallJoint - _ride.LowerPivot).Turned(turn);
        // Near: the upright carried along without turning, so that it stays on its branch.
        if (
            PlanePoint.Meeting(
                lower,
                _upright,
                _ride.UpperPivot,
                _upperArm,
                lower + (_ride.UpperBallJoint - _ride.LowerBallJoint)
            )
            is not { } upper
        )
        {
            return null;
        }
        var lean = (upper - lower).Angle - _camberAngle;
        var wheel = lower + (_ride.WheelCentre - _ride.LowerBallJoint).Turned(lean);
        // The lower arm turns at 1 rad/s; the upright at the rate that keeps the upper arm's length.
        var vLower = (lower - _ride.LowerPivot).Quarter();
        var arm = upper - _ride.UpperPivot;
        var rate = -PlanePoint.Dot(arm, vLower) / PlanePoint.Dot(arm, (upper - lower).Quarter());
        var vWheel = vLower + (rate * (wheel - lower).Quarter());
        var vLength =
            PlanePoint.Dot(foot - _ride.StrutTop, (foot - _ride.LowerPivot).Quarter()) / lengthMm;
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
                wheel.Y - _ride.WheelCentre.Y + (_ride.WheelCentre.Z * Math.Sin(lean))
            )
            : null;
    }

    /// <summary>How far the body rises over the wheel when the strut is longer at ride height, or null: the arms cannot reach it.</summary>
    /// <param name="longerMm">By how much the strut is longer; below zero is shorter, mm.</param>
    /// <param name="springRate">Rate of the strut's spring, N/mm; null leaves its change of load out (a few per cent).</param>
    /// <param name="wheelLoadN">Sprung load on the wheel, N; used with the rate only.</param>
    /// <remarks>Source: computation.md, section 7.2: ℓ₁ = ℓ₀ + t − (W/MR₁ − W/MR₀)/k.</remarks>
    public double? LiftMm(double longerMm, double? springRate = null, double wheelLoadN = 0)
    {
        var length = RideLengthMm + longerMm;
        if (springRate is { } k && At(RideLengthMm) is { } ride)
        {
            // The spring's share is small against the change of length: the iteration closes in fast.
            for (var i = 0; i < 50; i++)
            {
                if (At(length) is not { } now)
                {
                    return null;
                }
                var next =
                    RideLengthMm
                    + longerMm
                    - (((wheelLoadN / now.MotionRatio) - (wheelLoadN / ride.MotionRatio)) / k);
                if (Math.Abs(next - length) < 1e-10)
                {
                    break;
                }
                length = next;
            }
        }
        return _ride.WheelCentre.Z - At(length)?.WheelCentre.Z;
    }
}
