using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>An axle as the arithmetic of stacks sees it: its linkage, its loads and its springs, each as well as it is known.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="Suspension">The suspension.</param>
/// <param name="Corner">Its linkage.</param>
/// <param name="WheelLoadN">Sprung load on one wheel, N; null when the axle's mass is not known.</param>
/// <param name="Leaf">Shape of its leaf springs; null when it has none or it was not taped.</param>
/// <param name="Sag">How far its springs stand below standard height, mm, with the standard uncertainty; null is not known.</param>
public sealed record AxleState(
    string Axle,
    Vehicles.Suspension Suspension,
    CornerLinkage Corner,
    double? WheelLoadN,
    LeafGeometry? Leaf,
    (double Mm, double U)? Sag
)
{
    private const double Gravity = 9.80665;

    /// <summary>The state of an axle.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="axle">front or rear.</param>
    /// <param name="sag">Sag by the readings, when standard height was measured; what is entered at the axle goes before it.</param>
    public static AxleState Of(Vehicle vehicle, string axle, (double Mm, double U)? sag = null)
    {
        var suspension = vehicle.SuspensionOf(axle);
        var front = axle == Corners.Front;
        var d = vehicle.Dimensions;
        var load =
            (front ? d.FrontAxleMass : d.RearAxleMass)?.In("kg")
            * (1 - (front ? d.FrontUnsprungShare : d.RearUnsprungShare)?.In("1") ?? 0.15)
            * Gravity
            / 2;
        return new AxleState(
            axle,
            suspension,
            CornerLinkage.Of(suspension),
            load,
            LeafOf(suspension),
            suspension.Dimensions.TryGetValue(SuspensionSizes.Sag, out var told)
                ? (told.In("mm"), told.UIn("mm", told.Known == Known.Measured ? 2 : 5))
                : sag
        );
    }

    /// <summary>Motion ratio at ride height.</summary>
    public double MotionRatio => 1 / Corner.Ratio.Mean;

    /// <summary>Load along the spring, N; null when the wheel's is not known.</summary>
    public double? SpringLoadN => WheelLoadN * Corner.Ratio.Mean;

    /// <summary>Rate of the spring that is in, at the wheel, N/mm: entered, or estimated from the mass that it carries.</summary>
    public double? WheelRate =>
        Suspension.Get(SuspensionSizes.WheelRate)
        ?? (
            Suspension.Get(SuspensionSizes.SpringRate)
                * (Suspension.Kind.IsLeaf() ? 1 : MotionRatio * MotionRatio)
            ?? (
                WheelLoadN is { } load
                    ? RateEstimate.NPerMm(
                        load / Gravity,
                        RateEstimate.UsualHertz(Suspension.Kind, Axle)
                    )
                    : null
            )
        );

    private static LeafGeometry? LeafOf(Vehicles.Suspension s) =>
        s.Kind.IsLeaf()
        && s.Get(SuspensionSizes.LeafChord) is { } chord
        && s.Get(SuspensionSizes.ShackleLength) is { } shackle
            ? new LeafGeometry(
                chord,
                s.Get(SuspensionSizes.LeafArch) ?? 0,
                shackle,
                double.DegreesToRadians(s.Get(SuspensionSizes.ShackleAngle) ?? 0),
                s.Get(SuspensionSizes.AxleFraction) ?? 0.5
            )
            : null;
}
