namespace Nokko.Core.Suspension;

/// <summary>Side-view points of an arm that carries the wheel or the axle, at ride height, mm. Y is along the vehicle, from the wheel centre towards the pivot.</summary>
/// <param name="Pivot">The arm's pivot on the frame.</param>
/// <param name="StrutFoot">Spring or coil-over on the arm.</param>
/// <param name="StrutTop">Spring or coil-over on the frame.</param>
/// <param name="WheelCentre">Wheel centre, rigid with the arm.</param>
public sealed record SwingArmPoints(
    PlanePoint Pivot,
    PlanePoint StrutFoot,
    PlanePoint StrutTop,
    PlanePoint WheelCentre
);

/// <summary>One position of an arm.</summary>
/// <param name="WheelCentre">Wheel centre, mm.</param>
/// <param name="MotionRatio">−d(spring length)/d(wheel height); positive.</param>
/// <param name="TurnRad">Turn of the arm against ride height, and of the axle that is rigid with it; positive when the wheel has dropped. On a front axle with its pivots behind, that much caster is lost.</param>
public readonly record struct SwingArmPosition(
    PlanePoint WheelCentre,
    double MotionRatio,
    double TurnRad
);

/// <summary>A trailing arm with its coil-over, or a radius arm with its coil, in side view.</summary>
/// <remarks>Source: docs/computation/linkages.md#linkages, docs/computation/lifts.md#coils-on-a-solid-axle, docs/computation/geometry.md#taped-geometry (caster on radius arms: asin((v₀+δ)/R) − asin(v₀/R)).</remarks>
public sealed class SwingArm : ILinkage
{
    private readonly SwingArmPoints _ride;
    private readonly double _foot;

    /// <summary>Makes the linkage from its points at ride height.</summary>
    public SwingArm(SwingArmPoints ride)
    {
        _ride = ride;
        _foot = (ride.StrutFoot - ride.Pivot).Length;
        RideLengthMm = (ride.StrutTop - ride.StrutFoot).Length;
    }

    /// <inheritdoc/>
    public double RideLengthMm { get; }

    /// <summary>The position at a spring length, or null: the arm cannot reach it.</summary>
    /// <param name="lengthMm">Foot to top, mm.</param>
    public SwingArmPosition? At(double lengthMm)
    {
        if (
            PlanePoint.Meeting(_ride.Pivot, _foot, _ride.StrutTop, lengthMm, _ride.StrutFoot)
            is not { } foot
        )
        {
            return null;
        }
        var turn = Math.IEEERemainder(
            (foot - _ride.Pivot).Angle - (_ride.StrutFoot - _ride.Pivot).Angle,
            2 * Math.PI
        );
        var wheel = _ride.Pivot + (_ride.WheelCentre - _ride.Pivot).Turned(turn);
        var vLength =
            PlanePoint.Dot(foot - _ride.StrutTop, (foot - _ride.Pivot).Quarter()) / lengthMm;
        var ratio = -vLength / (wheel - _ride.Pivot).Quarter().Z;
        return double.IsFinite(ratio) ? new SwingArmPosition(wheel, ratio, turn) : null;
    }

    /// <inheritdoc/>
    public WheelPlace? WheelAt(double lengthMm) =>
        At(lengthMm) is { } p ? new WheelPlace(p.WheelCentre.Z, p.MotionRatio) : null;
}
