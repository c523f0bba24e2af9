namespace Nokko.Core.Suspension;

/// <summary>Front-view points of a strut-type suspension at ride height, mm.</summary>
/// <param name="LowerPivot">Inner pivot of the lower arm.</param>
/// <param name="LowerBallJoint">Ball joint under the upright.</param>
/// <param name="StrutFoot">Any point low on the strut's own axis, for example the middle of its clamp.</param>
/// <param name="StrutTop">Strut on the body.</param>
/// <param name="WheelCentre">Wheel centre.</param>
public sealed record StrutPoints(
    PlanePoint LowerPivot,
    PlanePoint LowerBallJoint,
    PlanePoint StrutFoot,
    PlanePoint StrutTop,
    PlanePoint WheelCentre
);

/// <summary>One position of a strut-type suspension in the frame's view.</summary>
/// <param name="LowerBallJoint">Ball joint, mm.</param>
/// <param name="WheelCentre">Wheel centre, mm.</param>
/// <param name="MotionRatio">−d(strut length)/d(wheel height); positive.</param>
/// <param name="CamberChangeRad">Against ride height; below zero is top inward.</param>
public readonly record struct StrutPosition(
    PlanePoint LowerBallJoint,
    PlanePoint WheelCentre,
    double MotionRatio,
    double CamberChangeRad
);

/// <summary>A strut-type suspension in front view: the upright is rigid to the strut's line, which turns about its top.</summary>
/// <remarks>
/// Source: docs/computation/lifts.md#struts-and-links: |TB|² = s² + offset². The strut's length s is measured along its axis from the top to the foot of the perpendicular from the ball joint, so only its changes count.
/// </remarks>
public sealed class StrutLinkage : ILinkage
{
    private readonly double _arm;
    private readonly double _offset;
    private readonly double _along;
    private readonly PlanePoint _axis;

    /// <summary>Makes the linkage from its points at ride height.</summary>
    public StrutLinkage(StrutPoints ride)
    {
        Points = ride;
        _arm = (ride.LowerBallJoint - ride.LowerPivot).Length;
        var axis = ride.StrutFoot - ride.StrutTop;
        RideLengthMm = axis.Length;
        _axis = (1 / RideLengthMm) * axis;
        // The ball joint in the strut's own axes: along it from the top, and beside it.
        var ball = ride.LowerBallJoint - ride.StrutTop;
        (_along, _offset) = (PlanePoint.Dot(ball, _axis), PlanePoint.Dot(ball, _axis.Quarter()));
    }

    /// <summary>The points at ride height.</summary>
    public StrutPoints Points { get; }

    /// <inheritdoc/>
    public double RideLengthMm { get; }

    /// <summary>The position at a strut length, or null: the arm cannot reach it.</summary>
    /// <param name="lengthMm">Foot to top, mm.</param>
    public StrutPosition? At(double lengthMm) =>
        Solve(lengthMm) is { } p
            ? new StrutPosition(p.Ball, p.Wheel, p.MotionRatio, -PlanePoint.Between(_axis, p.Axis))
            : null;

    /// <inheritdoc/>
    public WheelPlace? WheelAt(double lengthMm) =>
        Solve(lengthMm) is { } p ? new WheelPlace(p.Wheel.Z, p.MotionRatio) : null;

    /// <summary>Ball joint, wheel and the strut's own direction (unit length); no angle is needed for them.</summary>
    private (PlanePoint Ball, PlanePoint Wheel, PlanePoint Axis, double MotionRatio)? Solve(
        double lengthMm
    )
    {
        var along = _along + lengthMm - RideLengthMm;
        if (along <= 0)
        {
            return null;
        }
        var square = (along * along) + (_offset * _offset);
        if (
            PlanePoint.Meeting(
                Points.LowerPivot,
                _arm,
                Points.StrutTop,
                Math.Sqrt(square),
                Points.LowerBallJoint
            )
            is not { } ball
        )
        {
            return null;
        }
        var toBall = ball - Points.StrutTop;
        // The ball joint lies at (along, offset) in the strut's axes: turned back by that, it gives them.
        var axis = (1 / square) * ((along * toBall) - (_offset * toBall.Quarter()));
        var wheel = ball + (Points.WheelCentre - Points.LowerBallJoint).TurnedAs(_axis, axis);
        // The arm turns at 1 rad/s: reach·reach' = TB·v_B, s' = reach·reach'/s; the axis turns with TB and with atan(offset/s).
        var v = (ball - Points.LowerPivot).Quarter();
        var vLength = PlanePoint.Dot(toBall, v) / along;
        var rate = (PlanePoint.Dot(toBall.Quarter(), v) + (_offset * vLength)) / square;
        var vWheel = v + (rate * (wheel - ball).Quarter());
        var ratio = -vLength / vWheel.Z;
        return double.IsFinite(ratio) ? (ball, wheel, axis, ratio) : null;
    }
}
