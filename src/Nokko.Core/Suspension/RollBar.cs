using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>The anti-roll bar of an axle.</summary>
/// <remarks>Source: docs/computation/body-on-springs.md#anti-roll-bars.</remarks>
public static class RollBar
{
    /// <summary>Shear modulus of spring steel, N/mm².</summary>
    public const double ShearModulus = 79_300;

    /// <summary>Share of a rate worked out from a bar's sizes that is its standard uncertainty: its arms bend too, its bushes give.</summary>
    public const double SizesShare = 0.15;

    /// <summary>How far a bar's end goes for each mm of the wheel, where nobody taped it: a rule of thumb.</summary>
    private static readonly Estimate UsualEnd = new(0.7, 0.15);

    /// <summary>Rate at the wheels, N/mm: the force on each for each mm by which one stands higher than the other, with its standard uncertainty.</summary>
    /// <param name="vehicle">The vehicle, taken at a stage.</param>
    /// <param name="axle">front or rear.</param>
    /// <param name="wheelRate">Rate of one spring of the axle, at the wheel or at the spring of a live axle, N/mm.</param>
    public static Estimate AtWheels(Vehicle vehicle, Axle axle, double wheelRate)
    {
        var s = vehicle.SuspensionOf(axle);
        if (s.Dimensions.TryGetValue(SuspensionSizes.BarRate, out var typed))
        {
            var rate = typed.In(Unit.NewtonPerMm);
            return new Estimate(rate, typed.UIn(Unit.NewtonPerMm, 0.05 * rate));
        }
        if (OfSizes(s) is { } sizes)
        {
            return sizes;
        }
        var (share, u) = UsualShare(vehicle.Kind, axle);
        return new Estimate(share * wheelRate, u * wheelRate);
    }

    /// <summary>Whether it is known better than by a rule of thumb.</summary>
    /// <param name="suspension">The suspension of the axle.</param>
    public static bool IsKnown(Vehicles.Suspension suspension) =>
        suspension.Dimensions.ContainsKey(SuspensionSizes.BarRate)
        || OfSizes(suspension) is not null;

    /// <summary>G·(πd⁴/32)/(L·a²) at the bar's ends, by the square of their share of the wheel's way at the wheels.</summary>
    private static Estimate? OfSizes(Vehicles.Suspension s)
    {
        if (
            s.Get(SuspensionSizes.BarDiameter) is not { } d
            || s.Get(SuspensionSizes.BarSpan) is not { } span
            || s.Get(SuspensionSizes.BarArm) is not { } arm
        )
        {
            return null;
        }
        var end = s.Get(SuspensionSizes.BarEndShare) is { } taped
            ? new Estimate(taped, 0.02)
            : UsualEnd;
        var atEnds = ShearModulus * Math.PI * Math.Pow(d, 4) / 32 / (span * arm * arm);
        var rate = atEnds * end.Mean * end.Mean;
        return new Estimate(
            rate,
            rate * Math.Sqrt(Math.Pow(SizesShare, 2) + Math.Pow(2 * end.Sd / end.Mean, 2))
        );
    }

    /// <summary>A bar's usual rate as a share of its axle's wheel rate: rules of thumb.</summary>
    private static (double Share, double U) UsualShare(VehicleKind kind, Axle axle) =>
        kind == VehicleKind.Utv ? (0.1, 0.1)
        : axle == Axle.Front ? (0.4, 0.25)
        : (0.15, 0.15);
}
