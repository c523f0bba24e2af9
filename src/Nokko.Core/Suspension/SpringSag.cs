using Nokko.Core.Units;

namespace Nokko.Core.Suspension;

/// <summary>How far the springs that are in stand below what they were when new, under the same load, mm at the wheel. A new spring gives it back.</summary>
/// <remarks>Source: docs/computation/lifts.md#springs-over-today-and-over-standard.</remarks>
public static class SpringSag
{
    private const double NewMm = 5;
    private const double MmPerKm = 3.0 / 100_000;
    private const double MostMm = 25;

    /// <summary>A standard height was measured at some load near the vehicle's own: within a tenth.</summary>
    private const double StandardLoadShare = 0.1;

    /// <summary>Sag that nobody measured: 5 mm, growing by 3 mm in 100,000 km up to 25 mm; the mean is half of it. A rule of thumb.</summary>
    /// <param name="odometerKm">Odometer, km; null counts as new.</param>
    public static Estimate Unmeasured(double? odometerKm)
    {
        var u = Math.Min(MostMm, NewMm + (MmPerKm * Math.Max(0, odometerKm ?? 0)));
        return new Estimate(u / 2, u);
    }

    /// <summary>Sag out of standard height less today's, which holds what the load does to the old spring as well.</summary>
    /// <param name="belowStandard">Standard height less today's, mm.</param>
    /// <param name="loadN">Q, sprung load on the wheel, N.</param>
    /// <param name="designLoadN">Q_d, load at which standard height was meant, N; null is not known.</param>
    /// <param name="oldRate">k_old at the wheel, N/mm.</param>
    public static Estimate ByStandardHeight(
        Estimate belowStandard,
        double loadN,
        double? designLoadN,
        double oldRate
    ) =>
        designLoadN is { } design
            ? belowStandard with
            {
                Mean = belowStandard.Mean - ((loadN - design) / oldRate),
            }
            : belowStandard with
            {
                Sd = Math.Sqrt(
                    Math.Pow(belowStandard.Sd, 2) + Math.Pow(StandardLoadShare * loadN / oldRate, 2)
                ),
            };

    /// <summary>Sag of an axle: as entered, else by standard height, else a rule of thumb.</summary>
    /// <param name="axle">The axle.</param>
    /// <param name="designLoadN">Load at which standard height was meant, N; null is not known.</param>
    public static Estimate Of(AxleState axle, double? designLoadN) =>
        axle.Sag is { } told ? told
        : axle is { BelowStandard: { } below, WheelLoadN: { } load, WheelRate: { } rate }
            ? ByStandardHeight(below, load, designLoadN, rate)
        : Unmeasured(axle.OdometerKm);
}
