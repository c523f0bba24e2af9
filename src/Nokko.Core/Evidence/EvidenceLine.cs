using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Evidence;

/// <summary>A lift line of one platform, axle and family of parts, with enough of its jobs to draw it: its size does not grow with them.</summary>
/// <param name="Line">What it is the line of.</param>
/// <param name="Prior">Ratio as it was believed before any job.</param>
/// <param name="PriorOffsetMm">Offset as it was believed before any job, mm.</param>
/// <param name="OffsetMm">Offset now, mm.</param>
/// <param name="Ratio">Ratio now: loaded, as vehicles really settled; the prior's is kinematic.</param>
/// <param name="Covariance">Between offset and ratio, mm: the band at a thickness t is offset.sd² + 2·covariance·t + ratio.sd²·t².</param>
/// <param name="Jobs">Trials that it rests on.</param>
/// <param name="Vehicles">Vehicles that were seen.</param>
/// <param name="VehicleSd">Standard deviation of one vehicle's own ratio.</param>
/// <param name="Drawn">Trials of a new stack, evenly out of all.</param>
/// <param name="Steps">The latest jobs, and those that stand out most, in the order of their readings.</param>
public sealed record EvidenceLine(
    LineKey Line,
    Estimate Prior,
    Estimate PriorOffsetMm,
    Estimate OffsetMm,
    Estimate Ratio,
    double Covariance,
    int Jobs,
    int Vehicles,
    double VehicleSd,
    IReadOnlyList<LiftTrial> Drawn,
    IReadOnlyList<LineStep> Steps
)
{
    private const int MostDrawn = 200;
    private const int Latest = 15;
    private const int Standing = 15;

    /// <summary>The line that trials speak of.</summary>
    /// <param name="key">What it is the line of.</param>
    /// <param name="prior">What was believed before any.</param>
    /// <param name="trials">Its trials in the order of their readings; at least one.</param>
    /// <exception cref="ArgumentException">There is no trial.</exception>
    public static EvidenceLine Of(LineKey key, LiftPrior prior, IReadOnlyList<LineTrial> trials)
    {
        if (trials.Count == 0)
        {
            throw new ArgumentException("At least one trial.", nameof(trials));
        }
        LineStep[] steps = [.. LineStep.Story(prior, trials)];
        var sums = trials
            .GroupBy(t => t.VehicleId)
            .Aggregate(LiftSums.None, (all, v) => all.Plus(VehicleSums.Of(v.Select(t => t.Trial))));
        var line = new LiftLine(prior, sums);
        var shown = Enumerable
            .Range(Math.Max(0, steps.Length - Latest), Math.Min(steps.Length, Latest))
            .Union(
                Enumerable
                    .Range(0, steps.Length)
                    .Where(i => Math.Abs(steps[i].Off) > LineStep.Outlier)
                    .OrderByDescending(i => Math.Abs(steps[i].Off))
                    .Take(Standing)
            )
            .Order();
        return new EvidenceLine(
            key,
            prior.Ratio,
            prior.OffsetMm,
            line.OffsetMm,
            line.RatioEstimate,
            line.Covariance,
            sums.Trials,
            sums.Vehicles,
            line.VehicleSd,
            Evenly([.. trials.Select(t => t.Trial).Where(t => t.IsNew)], MostDrawn),
            [.. shown.Select(i => steps[i])]
        );
    }

    /// <summary>At most so many of a list, evenly out of all, in their order.</summary>
    internal static IReadOnlyList<T> Evenly<T>(IReadOnlyList<T> all, int most) =>
        all.Count <= most
            ? all
            : [.. Enumerable.Range(0, most).Select(i => all[(int)((long)i * all.Count / most)])];
}

/// <summary>A claim beside what was measured.</summary>
/// <param name="Key">Plan and axle.</param>
/// <param name="ClaimMm">What the makers claim, mm.</param>
/// <param name="MeasuredMm">Rise of the axle's lips, mm.</param>
/// <param name="MeasuredUMm">Its standard uncertainty, mm.</param>
public sealed record ClaimPoint(
    (Guid PlanId, Axle Axle) Key,
    double ClaimMm,
    double MeasuredMm,
    double MeasuredUMm
);

/// <summary>How makers' claims do, all together.</summary>
/// <param name="Count">Claims of a lift that were measured.</param>
/// <param name="Within">Those that came true within a quarter inch and the tape (k = 2).</param>
/// <param name="MeanShare">Mean of measured over claimed; null when there is none.</param>
/// <param name="Drawn">Some of them, evenly out of all.</param>
public sealed record ClaimSummary(
    int Count,
    int Within,
    double? MeanShare,
    IReadOnlyList<ClaimPoint> Drawn
)
{
    private const double QuarterInchMm = 6.35;
    private const int MostDrawn = 300;

    /// <summary>The summary of claims; those of no lift say nothing.</summary>
    public static ClaimSummary Of(IEnumerable<ClaimPoint> claims)
    {
        ClaimPoint[] all = [.. claims.Where(c => c.ClaimMm > 0)];
        return new ClaimSummary(
            all.Length,
            all.Count(c =>
                Math.Abs(c.MeasuredMm - c.ClaimMm) <= QuarterInchMm + (2 * c.MeasuredUMm)
            ),
            all.Length == 0 ? null : all.Average(c => c.MeasuredMm / c.ClaimMm),
            EvidenceLine.Evenly(all, MostDrawn)
        );
    }
}
