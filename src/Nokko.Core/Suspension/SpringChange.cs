namespace Nokko.Core.Suspension;

/// <summary>A coil's rate and free length.</summary>
/// <param name="RateNPerMm">k, N/mm; above zero.</param>
/// <param name="FreeLengthMm">F, mm; above zero.</param>
public readonly record struct CoilSpring(double RateNPerMm, double FreeLengthMm)
{
    /// <summary>Length under an axial load, F − N/k, mm.</summary>
    /// <param name="axialN">N along the coil.</param>
    public double LengthMm(double axialN) => FreeLengthMm - (axialN / RateNPerMm);
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
