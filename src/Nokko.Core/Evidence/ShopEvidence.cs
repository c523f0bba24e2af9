using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Evidence;

/// <summary>How one job moved a lift line.</summary>
/// <param name="Job">The job's trial.</param>
/// <param name="Expected">Free rise that the line expected before it, mm.</param>
/// <param name="Off">Difference in standard deviations of the difference: beyond 2.5 look at the job again.</param>
/// <param name="OffsetMm">Offset after it, mm.</param>
/// <param name="Ratio">Ratio after it.</param>
public sealed record LineStep(
    JobTrial Job,
    Estimate Expected,
    double Off,
    Estimate OffsetMm,
    Estimate Ratio
)
{
    /// <summary>Beyond this a job is looked at again.</summary>
    public const double Outlier = 2.5;
}

/// <summary>A lift line of one platform, axle and family of parts.</summary>
/// <param name="PlatformId">The platform.</param>
/// <param name="Axle">front or rear.</param>
/// <param name="Family">The family.</param>
/// <param name="Prior">Ratio as it was believed before any job.</param>
/// <param name="PriorOffsetMm">Offset as it was believed before any job, mm.</param>
/// <param name="OffsetMm">Offset now, mm.</param>
/// <param name="Ratio">Ratio now: loaded, as vehicles really settled; the prior's is kinematic.</param>
/// <param name="Covariance">Between offset and ratio, mm: the band at a thickness t is offset.sd² + 2·covariance·t + ratio.sd²·t².</param>
/// <param name="Vehicles">Vehicles that were seen.</param>
/// <param name="VehicleSd">Standard deviation of one vehicle's own ratio.</param>
/// <param name="Steps">Jobs in the order of their readings.</param>
public sealed record EvidenceLine(
    Guid PlatformId,
    string Axle,
    LiftFamily Family,
    Estimate Prior,
    Estimate PriorOffsetMm,
    Estimate OffsetMm,
    Estimate Ratio,
    double Covariance,
    int Vehicles,
    double VehicleSd,
    IReadOnlyList<LineStep> Steps
);

/// <summary>What the shop's own jobs have proved.</summary>
/// <remarks>Source: docs/computation/learning.md#lift-line. Claims are recorded and compared, never trusted.</remarks>
public static class ShopEvidence
{
    /// <summary>What is believed of a vehicle's lift lines after trials on its platform.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="trials">Trials of its platform; others and those that teach nothing are passed over.</param>
    public static IReadOnlyDictionary<(string Axle, LiftFamily Family), LiftBelief> Learned(
        Vehicle vehicle,
        IReadOnlyList<JobTrial> trials
    ) =>
        Once(trials)
            .Where(t => t.Trial is not null && t.PlatformId == vehicle.PlatformId)
            .Where(t => t.Suspension == vehicle.SuspensionOf(t.Axle).Kind)
            .GroupBy(t => (t.Axle, t.Family))
            .ToDictionary(
                g => g.Key,
                g =>
                {
                    var (line, _) = Line(Prior(vehicle, g.Key.Axle, g.Key.Family), [.. g]);
                    return line.Belief(vehicle.Id.ToString()) with
                    {
                        Jobs = g.Count(),
                        OfThisVehicle = g.Count(t => t.VehicleId == vehicle.Id),
                    };
                }
            );

    /// <summary>The lift lines that trials speak of.</summary>
    /// <param name="trials">All trials of the shop.</param>
    /// <param name="vehicles">A vehicle of each platform and what is known of it: it gives the prior.</param>
    public static IReadOnlyList<EvidenceLine> Lines(
        IReadOnlyList<JobTrial> trials,
        Func<Guid, Vehicle> vehicles
    ) =>
        [
            .. Once(trials)
                .Where(t => t.Trial is not null)
                .GroupBy(t => (t.PlatformId, t.Axle, t.Family))
                .Select(g =>
                {
                    JobTrial[] jobs = [.. g.OrderBy(t => t.At).ThenBy(t => t.PlanId)];
                    var prior = Prior(vehicles(jobs[0].VehicleId), g.Key.Axle, g.Key.Family);
                    var (line, spread) = Line(prior, jobs);
                    return new EvidenceLine(
                        g.Key.PlatformId,
                        g.Key.Axle,
                        g.Key.Family,
                        prior.Ratio,
                        prior.OffsetMm,
                        line.OffsetMm,
                        line.RatioEstimate,
                        line.Covariance,
                        jobs.Select(j => j.VehicleId).Distinct().Count(),
                        spread.VehicleSd,
                        [.. Steps(spread, jobs)]
                    );
                })
                .OrderByDescending(l => l.Steps.Count),
        ];

    /// <summary>Trials without copies of one job: what one walk-round of one vehicle proved counts once, the first that is given.</summary>
    public static IEnumerable<JobTrial> Once(IEnumerable<JobTrial> trials) =>
        trials.DistinctBy(t => (t.Said, t.Axle, t.At));

    private static IEnumerable<LineStep> Steps(LiftPrior prior, JobTrial[] jobs)
    {
        var line = new LiftLine(prior);
        foreach (var job in jobs)
        {
            var t = job.Trial!;
            var from = t.IsNew ? 0 : 1;
            var expected = line.Change(t.Vehicle, from, from + t.ThicknessMm);
            var noise =
                (t.FreeRiseUMm * t.FreeRiseUMm) + line.ThicknessVariance(prior.ThicknessUMm);
            var off =
                (t.FreeRiseMm - expected.Mean) / Math.Sqrt((expected.Sd * expected.Sd) + noise);
            line = line.Learn(t);
            yield return new LineStep(job, expected, off, line.OffsetMm, line.RatioEstimate);
        }
    }

    private static (LiftLine Line, LiftPrior Prior) Line(
        LiftPrior prior,
        IReadOnlyList<JobTrial> jobs
    )
    {
        LiftTrial[] trials = [.. jobs.Select(j => j.Trial!)];
        var spread = VehicleSpread.Estimated(prior, trials);
        return (trials.Aggregate(new LiftLine(spread), (line, t) => line.Learn(t)), spread);
    }

    /// <summary>The prior of a platform: of what is known of one vehicle, its own share is set apart, so that others teach the platform only.</summary>
    private static LiftPrior Prior(Vehicle vehicle, string axle, LiftFamily family)
    {
        var prior = LiftLaw.Prior(family, AxleState.Of(vehicle, axle));
        if (prior.VehicleSd > 0 || family != LiftFamily.Spring)
        {
            return prior;
        }
        var own = LiftLaw.VehicleShare * prior.Ratio.Mean;
        var left = Math.Pow(prior.Ratio.Sd, 2) - (own * own);
        var least = Math.Pow(0.01 * prior.Ratio.Mean, 2);
        return prior with
        {
            VehicleSd = Math.Min(own, prior.Ratio.Sd),
            Ratio = new Estimate(prior.Ratio.Mean, Math.Sqrt(Math.Max(left, least))),
        };
    }
}
