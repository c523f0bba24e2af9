using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Evidence;

/// <summary>What is known of a vehicle's lift lines beside the job at hand.</summary>
/// <param name="OfOthers">What other vehicles of its platform have taught.</param>
/// <param name="OfVehicle">What was tried on the vehicle itself.</param>
public sealed record PlatformEvidence(
    IReadOnlyDictionary<LineKey, LiftSums> OfOthers,
    IReadOnlyList<TaughtTrial> OfVehicle
)
{
    /// <summary>How often the shop found each kind of cause by its check.</summary>
    public IReadOnlyDictionary<CauseKind, int> Confirmed { get; init; } =
        new Dictionary<CauseKind, int>();

    /// <summary>Instruments of the shop with which the job's readings and torques were taken, and that a command names, as they are known now.</summary>
    public IReadOnlyList<Instrument> Instruments { get; init; } = [];

    /// <summary>How far vehicles came down on springs that a plan of the job has.</summary>
    public IReadOnlyList<SettledSums> Settled { get; init; } = [];

    /// <summary>Nothing is known.</summary>
    public static PlatformEvidence None { get; } = new(new Dictionary<LineKey, LiftSums>(), []);

    /// <summary>With what a job on the vehicle has proved.</summary>
    public PlatformEvidence With(IEnumerable<JobTrial> trials) =>
        this with
        {
            OfVehicle = [.. OfVehicle, .. trials.Select(t => t.Taught).OfType<TaughtTrial>()],
        };

    /// <summary>What is known beside one job, from what is kept.</summary>
    /// <param name="kept">Sums of the platform, this vehicle's trials in them.</param>
    /// <param name="mine">The vehicle's trials that are in them.</param>
    /// <param name="ofVehicle">Those of them that other jobs have made.</param>
    public static PlatformEvidence Beside(
        IReadOnlyDictionary<LineKey, LiftSums> kept,
        IReadOnlyList<TaughtTrial> mine,
        IReadOnlyList<TaughtTrial> ofVehicle
    )
    {
        var others = kept.ToDictionary();
        foreach (var line in mine.GroupBy(t => t.Line))
        {
            if (others.TryGetValue(line.Key, out var sums))
            {
                others[line.Key] = sums.Minus(VehicleSums.Of(line.Select(t => t.Trial)));
            }
        }
        return new PlatformEvidence(others, ofVehicle);
    }

    /// <summary>Sums of the platform with the vehicle's trials in them.</summary>
    public IReadOnlyDictionary<LineKey, LiftSums> Sums()
    {
        var all = OfOthers.ToDictionary();
        foreach (var line in OfVehicle.GroupBy(t => t.Line))
        {
            all[line.Key] = all.GetValueOrDefault(line.Key, LiftSums.None)
                .Plus(VehicleSums.Of(line.Select(t => t.Trial)));
        }
        return all;
    }

    /// <summary>What is believed of the vehicle's lift lines at a stage; a line of which nothing is known is not named.</summary>
    /// <param name="vehicle">The vehicle at the stage.</param>
    /// <param name="ordinal">Place of the stage: of the vehicle itself only what was measured up to it counts.</param>
    public IReadOnlyDictionary<(Axle Axle, LiftFamily Family), LiftBelief> Learned(
        Vehicle vehicle,
        int ordinal
    )
    {
        var own = OfVehicle
            .Where(t => t.Ordinal <= ordinal)
            .GroupBy(t => t.Line)
            .ToDictionary(g => g.Key, g => VehicleSums.Of(g.Select(t => t.Trial)));
        return OfOthers
            .Where(l => l.Value.Trials > 0)
            .Select(l => l.Key)
            .Union(own.Keys)
            .Where(l => l.PlatformId == vehicle.PlatformId)
            .Where(l => l.Suspension == vehicle.SuspensionOf(l.Axle).Kind)
            .ToDictionary(
                l => (l.Axle, l.Family),
                l =>
                {
                    var mine = own.GetValueOrDefault(l);
                    var sums = OfOthers.GetValueOrDefault(l, LiftSums.None).Plus(mine);
                    return new LiftLine(
                        LiftLaw.Prior(l.Family, AxleState.Of(vehicle, l.Axle)),
                        sums
                    ).Belief(mine);
                }
            );
    }
}

/// <summary>A trial as the line's story looks at it.</summary>
/// <param name="Key">Plan and axle that it belongs to.</param>
/// <param name="VehicleId">The vehicle.</param>
/// <param name="Trial">The trial.</param>
public sealed record LineTrial((Guid PlanId, Axle Axle) Key, Guid VehicleId, LiftTrial Trial);

/// <summary>How one job moved a lift line.</summary>
/// <param name="Of">The job's trial.</param>
/// <param name="Expected">Free rise that the line expected before it, mm.</param>
/// <param name="Off">Difference in standard deviations of the difference: beyond 2.5 look at the job again.</param>
/// <param name="OffsetMm">Offset after it, mm.</param>
/// <param name="Ratio">Ratio after it.</param>
public sealed record LineStep(
    LineTrial Of,
    Estimate Expected,
    double Off,
    Estimate OffsetMm,
    Estimate Ratio
)
{
    /// <summary>Beyond this a job is looked at again.</summary>
    public const double Outlier = 2.5;

    /// <summary>How each trial moved a line, in their order.</summary>
    /// <param name="prior">What was believed before any.</param>
    /// <param name="trials">Trials that can teach, in the order in which they were measured.</param>
    public static IEnumerable<LineStep> Story(LiftPrior prior, IEnumerable<LineTrial> trials)
    {
        var sums = LiftSums.None;
        var line = new LiftLine(prior, sums);
        var vehicles = new Dictionary<Guid, VehicleSums>();
        foreach (var trial in trials)
        {
            var t = trial.Trial;
            var own = vehicles.GetValueOrDefault(trial.VehicleId);
            var expected = line.Belief(own).Rise(t.IsNew ? 1 : 0, t.ThicknessMm);
            var off =
                (t.FreeRiseMm - expected.Mean)
                / Math.Sqrt((expected.Sd * expected.Sd) + t.Variance);
            var now = own.With(t);
            sums = (own.Trials == 0 ? sums : sums.Minus(own)).Plus(now);
            vehicles[trial.VehicleId] = now;
            line = new LiftLine(prior, sums);
            yield return new LineStep(trial, expected, off, line.OffsetMm, line.RatioEstimate);
        }
    }
}
