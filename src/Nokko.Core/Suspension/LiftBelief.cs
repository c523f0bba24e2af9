using Nokko.Core.Units;

namespace Nokko.Core.Suspension;

/// <summary>What is believed about a lift line before any job has been seen.</summary>
/// <param name="OffsetMm">o: bushings that let go and settle at the new height, mm.</param>
/// <param name="Ratio">ρ of the platform: free rise per thickness.</param>
/// <param name="MedianSpread">Median of τ, the standard deviation of one vehicle's own ratio about ρ; above zero.</param>
public sealed record LiftPrior(Estimate OffsetMm, Estimate Ratio, double MedianSpread)
{
    /// <summary>Share of the ratio by which vehicles of one platform usually differ.</summary>
    public const double UsualShare = 0.06;

    /// <summary>The prior where the ± is about the platform, and vehicles differ as usual about it.</summary>
    /// <param name="offset">o, mm.</param>
    /// <param name="ratio">ρ.</param>
    public static LiftPrior OfPlatform(Estimate offset, Estimate ratio) =>
        new(offset, ratio, UsualShare * Math.Abs(ratio.Mean));

    /// <summary>The prior where the ± is about one vehicle: its own share is set apart, so that others teach the platform only, and the whole stays as it was.</summary>
    /// <param name="offset">o, mm.</param>
    /// <param name="ratio">The vehicle's own ratio.</param>
    /// <remarks>Source: docs/computation/learning.md#spread-between-vehicles.</remarks>
    public static LiftPrior OfVehicle(Estimate offset, Estimate ratio)
    {
        // No linkage that was taped is known better than to 1 %: a ± of nothing would let no trial speak.
        var sd = Math.Max(ratio.Sd, Math.Max(0.01 * Math.Abs(ratio.Mean), 0.005));
        var usual = UsualShare * Math.Abs(ratio.Mean);
        var median = usual > 0 ? Math.Min(usual, sd / 2) : sd / 2;
        return new(
            offset,
            ratio with
            {
                Sd = Math.Sqrt((sd * sd) - SpreadGrid.MeanSquare(median)),
            },
            median
        );
    }

    /// <summary>What it says of a vehicle that was never seen.</summary>
    public LiftBelief Belief() =>
        new(
            OffsetMm,
            Ratio with
            {
                Sd = Math.Sqrt((Ratio.Sd * Ratio.Sd) + SpreadGrid.MeanSquare(MedianSpread)),
            },
            0
        );
}

/// <summary>What is believed of one vehicle's lift line, h = offset + ratio·t.</summary>
/// <param name="OffsetMm">o, mm.</param>
/// <param name="Ratio">ρ + v: the vehicle's own ratio.</param>
/// <param name="Covariance">Between the two, mm.</param>
public sealed record LiftBelief(Estimate OffsetMm, Estimate Ratio, double Covariance)
{
    /// <summary>Jobs on this platform that it rests on.</summary>
    public int Jobs { get; init; }

    /// <summary>Those of them on this very vehicle.</summary>
    public int OfThisVehicle { get; init; }

    /// <summary>Free rise that is added, thickness exact.</summary>
    /// <param name="offset">1 where a stack appears, −1 where it goes, else 0.</param>
    /// <param name="thicknessMm">Thickness added, mm; negative when taken away.</param>
    public Estimate Rise(int offset, double thicknessMm) =>
        new(
            (OffsetMm.Mean * offset) + (Ratio.Mean * thicknessMm),
            Math.Sqrt(
                Math.Max(
                    0,
                    (OffsetMm.Sd * OffsetMm.Sd * offset * offset)
                        + (2 * Covariance * offset * thicknessMm)
                        + (Ratio.Sd * Ratio.Sd * thicknessMm * thicknessMm)
                )
            )
        );

    /// <summary>The belief after a trial on this very vehicle.</summary>
    /// <param name="offset">1 where the stack appeared, else 0.</param>
    /// <param name="thicknessMm">Thickness that was added, mm.</param>
    /// <param name="freeRiseMm">Free rise that was found, mm.</param>
    /// <param name="variance">Its variance about the line, mm²; above zero.</param>
    /// <remarks>Source: docs/computation/learning.md#lift-line, the Gaussian update of two numbers by one reading.</remarks>
    public LiftBelief After(int offset, double thicknessMm, double freeRiseMm, double variance)
    {
        if (!(variance > 0))
        {
            throw new ArgumentOutOfRangeException(nameof(variance), variance, "Above zero.");
        }
        var (oo, or, rr) = (OffsetMm.Sd * OffsetMm.Sd, Covariance, Ratio.Sd * Ratio.Sd);
        var (ho, hr) = ((oo * offset) + (or * thicknessMm), (or * offset) + (rr * thicknessMm));
        var all = (offset * ho) + (thicknessMm * hr) + variance;
        var off = freeRiseMm - Rise(offset, thicknessMm).Mean;
        return this with
        {
            OffsetMm = new Estimate(
                OffsetMm.Mean + (ho / all * off),
                Math.Sqrt(Math.Max(0, oo - (ho * ho / all)))
            ),
            Ratio = new Estimate(
                Ratio.Mean + (hr / all * off),
                Math.Sqrt(Math.Max(0, rr - (hr * hr / all)))
            ),
            Covariance = or - (ho * hr / all),
        };
    }
}
