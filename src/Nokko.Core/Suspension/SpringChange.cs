using Nokko.Core.Shelf;

namespace Nokko.Core.Suspension;

/// <summary>A coil's rate and free length; a dual-rate coil has a second rate beyond its crossover.</summary>
/// <remarks>Source: docs/computation/lifts.md#dual-rate-coils.</remarks>
/// <param name="RateNPerMm">k₁, N/mm; above zero.</param>
/// <param name="FreeLengthMm">F, mm; above zero.</param>
/// <param name="Beyond">Load along the coil at which the second rate begins, N, and that rate, N/mm; null where there is one rate.</param>
public readonly record struct CoilSpring(
    double RateNPerMm,
    double FreeLengthMm,
    (double CrossoverN, double RateNPerMm)? Beyond = null
)
{
    /// <summary>Length under an axial load, F − N/k; beyond a crossover F − N_x/k₁ − (N − N_x)/k₂; mm.</summary>
    /// <param name="axialN">N along the coil.</param>
    public double LengthMm(double axialN) =>
        Beyond is var (crossover, second) && axialN > crossover
            ? FreeLengthMm - (crossover / RateNPerMm) - ((axialN - crossover) / second)
            : FreeLengthMm - (axialN / RateNPerMm);

    /// <summary>Rate under an axial load, N/mm.</summary>
    /// <param name="axialN">N along the coil.</param>
    public double RateAt(double axialN) => RateAt(RateNPerMm, Beyond, axialN);

    /// <summary>The same of a coil whose free length nobody knows, N/mm.</summary>
    /// <param name="rateNPerMm">k₁, N/mm.</param>
    /// <param name="beyond">Crossover and second rate; null where there is one rate.</param>
    /// <param name="axialN">N along the coil; null is not known, then the first rate counts.</param>
    public static double RateAt(
        double rateNPerMm,
        (double CrossoverN, double RateNPerMm)? beyond,
        double? axialN
    ) => beyond is var (crossover, second) && axialN > crossover ? second : rateNPerMm;

    /// <summary>The coil of a suspension, where its rate and free length are known.</summary>
    public static CoilSpring? Of(Vehicles.Suspension suspension) =>
        suspension.Get(SuspensionSizes.SpringRate) is { } rate
        && suspension.Get(SuspensionSizes.SpringFreeLength) is { } free
            ? new CoilSpring(rate, free, BeyondOf(suspension))
            : null;

    /// <summary>The coil of a part, where its rate and free length are known.</summary>
    public static CoilSpring? Of(PlacedPart part) =>
        part.Get(PartSizes.Rate) is { } rate && part.Get(PartSizes.FreeLength) is { } free
            ? new CoilSpring(rate, free, BeyondOf(part))
            : null;

    /// <summary>Crossover and second rate of the coil that is in; null where it has one rate, or only half of it is known.</summary>
    public static (double CrossoverN, double RateNPerMm)? BeyondOf(
        Vehicles.Suspension suspension
    ) =>
        Pair(
            suspension.Get(SuspensionSizes.CrossoverLoad),
            suspension.Get(SuspensionSizes.SecondRate)
        );

    /// <summary>The same of a part.</summary>
    public static (double CrossoverN, double RateNPerMm)? BeyondOf(PlacedPart part) =>
        Pair(part.Get(PartSizes.CrossoverLoad), part.Get(PartSizes.SecondRate));

    private static (double, double)? Pair(double? crossover, double? second) =>
        (crossover, second) is ({ } n, { } k) ? (n, k) : null;
}

/// <summary>What another spring does.</summary>
/// <remarks>Source: docs/computation/lifts.md#coils-on-a-solid-axle.</remarks>
public static class SpringChange
{
    /// <summary>How much longer the new coil stands under the same load, mm along the coil.</summary>
    /// <param name="old">The spring that comes out.</param>
    /// <param name="next">The spring that goes in.</param>
    /// <param name="axialN">Load along the coil, the wheel's sprung load over the motion ratio, N.</param>
    public static double LongerMm(CoilSpring old, CoilSpring next, double axialN) =>
        next.LengthMm(axialN) - old.LengthMm(axialN);

    /// <summary>A maker's lift at his design load, brought to this load: the rise over standard height, mm at the wheel.</summary>
    /// <param name="designLiftMm">L_d: lift over the standard spring at the design load, mm.</param>
    /// <param name="designLoadN">Q_d, N on one wheel.</param>
    /// <param name="loadN">Q, N on this wheel.</param>
    /// <param name="newRate">k_new at the wheel, N/mm.</param>
    public static double OverStandardMm(
        double designLiftMm,
        double designLoadN,
        double loadN,
        double newRate
    ) => designLiftMm - ((loadN - designLoadN) / newRate);

    /// <summary>The same over today's height: the old spring gives way by its own rate, and what it has sagged comes back.</summary>
    /// <param name="designLiftMm">L_d, mm.</param>
    /// <param name="designLoadN">Q_d, N.</param>
    /// <param name="loadN">Q, N.</param>
    /// <param name="newRate">k_new at the wheel, N/mm.</param>
    /// <param name="oldRate">k_old at the wheel, N/mm.</param>
    /// <param name="sagMm">How far the old springs stand below standard height, mm.</param>
    public static double OverTodayMm(
        double designLiftMm,
        double designLoadN,
        double loadN,
        double newRate,
        double oldRate,
        double sagMm
    ) => designLiftMm - ((loadN - designLoadN) * ((1 / newRate) - (1 / oldRate))) + sagMm;
}
