using Nokko.Core.Evidence;
using Nokko.Core.Finding;
using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Core.Week;

namespace Nokko.Core.Jobs;

/// <summary>Computes everything from a job. Pure: no clock, no store, no chance.</summary>
public static partial class JobEvaluator
{
    /// <summary>Version of the core, as kept with frozen predictions.</summary>
    public static string CoreVersion { get; } =
        typeof(JobEvaluator).Assembly.GetName().Version!.ToString(3);

    /// <summary>Rows that what is computed does not look at: a ledger's entry moves no height.</summary>
    private static readonly HashSet<Type> Ledgers =
    [
        typeof(Person),
        typeof(Kit),
        typeof(Joint),
        typeof(TorqueEntry),
        typeof(OffLine),
        typeof(StepEntry),
        typeof(SupportEntry),
        typeof(Mark),
        typeof(Orientation),
        typeof(Deviation),
        typeof(Promised),
        typeof(FollowUp),
        typeof(SchoolChoice),
        typeof(RoadTest),
        typeof(Quote),
        typeof(Booking),
        typeof(Signature),
        typeof(Attachment),
        typeof(HistoryEntry),
        typeof(Part),
    ];

    /// <summary>Whether changes can move anything that is computed.</summary>
    public static bool Moves(IEnumerable<RowChange> changes) =>
        changes.Any(c => !Ledgers.Contains(c.Row.GetType()));

    /// <summary>Results after changes that <see cref="Moves">move</see> nothing.</summary>
    /// <param name="before">Results before.</param>
    /// <param name="d">The job as it is now.</param>
    /// <param name="others">What is known beside it.</param>
    public static JobResults Kept(JobResults before, JobDocument d, PlatformEvidence others) =>
        before with
        {
            // What a wrench is doubted for concerns what was tightened with it.
            Instruments = InstrumentMark.Of(d, others.Instruments),
        };

    /// <summary>What a job has proved itself.</summary>
    /// <param name="d">The job.</param>
    /// <param name="stances">Its stances.</param>
    public static IReadOnlyList<JobTrial> TrialsOf(
        JobDocument d,
        IReadOnlyList<WalkRoundStance> stances
    ) =>
        [
            .. JobTrials.Of(
                d,
                AsItLeft(d, stances, ProofsOf(d, stances, PlatformEvidence.None.Confirmed)),
                stances
            ),
        ];

    /// <summary>Evaluates a job.</summary>
    /// <param name="d">The job.</param>
    /// <param name="others">What other jobs of the shop have proved; null where only this job is at hand.</param>
    public static JobResults Evaluate(JobDocument d, PlatformEvidence? others = null)
    {
        var stances = StancesOf(d);
        var proofs = ProofsOf(d, stances, (others ?? PlatformEvidence.None).Confirmed);
        JobTrial[] trials = [.. JobTrials.Of(d, AsItLeft(d, stances, proofs), stances)];
        var all = (others ?? PlatformEvidence.None).With(trials);
        var since = SinceFirst(d, stances);
        return new JobResults
        {
            Format = JobResults.FormatName,
            Version = 1,
            Core = CoreVersion,
            JobId = d.Job.Id,
            WalkRounds = stances,
            Sharper = d.CurrentStage() is { } now
                ? Plans.Sharper.Of(d.DraftPlan(), SituationOf(d, now, stances, all))
                : [],
            Needed = d.CurrentStage() is { } at
                ? NeededRise.Of(SituationOf(d, at, stances, all))
                : [],
            Predictions =
            [
                .. d.Plans.Select(p => Predict(d, p, stances, all)).OfType<Prediction>(),
            ],
            Moved =
                (d.DraftPlan() ?? d.BegunPlan()) is { } looked && d.StartOf(looked) is { } stage
                    ? MovedLine.Of(PlanGeometry.Of(looked, SituationOf(d, stage, stances, all)))
                    : [],
            Proofs = proofs,
            Trials = trials,
            Chain = [.. Chain(d, stances)],
            SinceFirst = since,
            Instruments = InstrumentMark.Of(d, all.Instruments),
            Settling = Settling.Of(d, stances, all.Settled),
            Settled = JobSettled.Shown(d, stances),
            Told = [.. d.Job.ToldGains.Select(t => ToldCompared.Of(t, since))],
        };
    }

    /// <summary>The prediction of one plan, or null when its first stage is not in the job.</summary>
    /// <param name="d">The job.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="stances">Its stances.</param>
    /// <param name="known">What this and other jobs have proved.</param>
    public static Prediction? Predict(
        JobDocument d,
        Plan plan,
        IReadOnlyList<WalkRoundStance> stances,
        PlatformEvidence known
    ) =>
        d.Stages.FirstOrDefault(s => s.Id == plan.FromStageId) is { } from
            ? Predictor.Predict(plan, SituationOf(d, from, stances, known))
            : null;

    /// <summary>The vehicle as it stands at a stage, with all that is known by then.</summary>
    /// <param name="d">The job.</param>
    /// <param name="from">The stage.</param>
    /// <param name="stances">Its stances.</param>
    /// <param name="known">What this and other jobs have proved; of the vehicle only what was measured up to the stage counts.</param>
    public static Situation SituationOf(
        JobDocument d,
        Stage from,
        IReadOnlyList<WalkRoundStance> stances,
        PlatformEvidence known
    )
    {
        var achieved = Achieved(d, from, stances);
        return new Situation(
            from,
            ReadSizes.On(d.VehicleAt(from), d, stances),
            Speaks(stances, from.Id)
        )
        {
            Platform = d.Platform.Name,
            Kits = d.Kits,
            Loads = d.Job.Loads,
            Standard = Standard(d, stances),
            Weighed = Weighed(stances, from.Id),
            Limits = LimitsOf(d),
            OdometerKm = d.Job.OdometerIn?.In(Unit.Km),
            Target = d.Job.Target,
            Learned = known
                .Learned(d.VehicleAt(from), from.Ordinal)
                .Where(l => from.SuspensionOf(l.Key.Axle).Sheet is null)
                .ToDictionary(l => l.Key, l => l.Value),
            Settled = known.Settled,
            FrontAchieved = Lift(achieved, Axle.Front),
            RearAchieved = Lift(achieved, Axle.Rear),
        };
    }

    private static GeometryLimits LimitsOf(JobDocument d) =>
        d.Job.Limits is { } own ? new(own) : GeometryLimits.Usual;

    /// <summary>The vehicle as it stands now, whatever is planned.</summary>
    /// <param name="d">The job.</param>
    /// <param name="known">What this and other jobs have proved.</param>
    /// <exception cref="InvalidOperationException">The job has no stage.</exception>
    public static Situation SituationNow(JobDocument d, PlatformEvidence known) =>
        SituationAt(
            d,
            d.CurrentStage() ?? throw new InvalidOperationException("A job has a stage."),
            known
        );

    /// <summary>The vehicle as it stands at a stage, whatever is planned.</summary>
    public static Situation SituationAt(JobDocument d, Stage from, PlatformEvidence known) =>
        SituationOf(d, from, StancesOf(d), known);

    /// <summary>Stances of every walk-round, in the order of time.</summary>
    public static IReadOnlyList<WalkRoundStance> StancesOf(JobDocument d) =>
        [
            .. d
                .WalkRounds.OrderBy(w => w.At)
                .ThenBy(w => w.Id)
                .Select(w => StanceOf.Compute(w, d.Readings, d.VehicleAt(w.StageId))),
        ];

    /// <summary>What earlier passes of the job did, up to a stage; null when there were none.</summary>
    private static Comparison? Achieved(
        JobDocument d,
        Stage from,
        IReadOnlyList<WalkRoundStance> stances
    ) =>
        d
            .Plans.Where(p => p.ToStageId is not null)
            .Select(p => d.Stages.FirstOrDefault(s => s.Id == p.FromStageId))
            .OfType<Stage>()
            .MinBy(s => s.Ordinal)
            is { } first
        && first.Ordinal < from.Ordinal
        && Speaks(stances, first.Id) is { } before
        && Speaks(stances, from.Id) is { } now
            ? Compare(d, before, now)
            : null;

    private static AchievedLift? Lift(Comparison? comparison, Axle axle) =>
        comparison?.Lips(axle) is [var left, var right]
            ? new AchievedLift(comparison.MeanRise(axle), left.AfterU, right.AfterU, left.SharedU)
            : null;

    /// <summary>The stance at standard height, when it is known.</summary>
    private static WalkRoundStance? Standard(
        JobDocument d,
        IReadOnlyList<WalkRoundStance> stances
    ) =>
        d.Stages.FirstOrDefault(s => s.Ordinal < 0) is { } works ? Speaks(stances, works.Id) : null;

    /// <summary>The walk-round that speaks for a stage: the latest that decides, else the latest with readings.</summary>
    public static WalkRoundStance? Speaks(IReadOnlyList<WalkRoundStance> stances, Guid stage)
    {
        var mine = stances.Where(s => s.StageId == stage && s.Stations.Count > 0).ToArray();
        return mine.LastOrDefault(s => s.Decides) ?? mine.LastOrDefault();
    }

    /// <summary>The wheels' weights of the last walk-round of a stage in which all four were read.</summary>
    private static Estimate[]? Weighed(IReadOnlyList<WalkRoundStance> stances, Guid stage) =>
        stances
            .Where(s =>
                s.StageId == stage && s.Measures.Any(m => m.Measure == MeasureValues.CrossWeight)
            )
            .Select(s =>
                Corners
                    .All.Select(c =>
                        s.Measures.First(m =>
                                m.Measure == WalkRounds.Measures.WheelWeight && m.Place == c.Name()
                            )
                            .Value.Have()
                    )
                    .ToArray()
            )
            .LastOrDefault();

    private static Comparison? SinceFirst(JobDocument d, IReadOnlyList<WalkRoundStance> stances) =>
        d.FirstStage() is { } first
        && d.CurrentStage() is { } now
        && first.Id != now.Id
        && Speaks(stances, first.Id) is { } before
        && Speaks(stances, now.Id) is { } after
            ? Compare(d, before, after)
            : null;

    private static IEnumerable<Comparison> Chain(
        JobDocument d,
        IReadOnlyList<WalkRoundStance> stances
    )
    {
        var spoken = d
            .Stages.OrderBy(s => s.Ordinal)
            .Select(s => Speaks(stances, s.Id))
            .OfType<WalkRoundStance>()
            .ToArray();
        return spoken.Zip(spoken.Skip(1), (before, after) => Compare(d, before, after));
    }

    /// <summary>Any two walk-rounds of a job compared, with the axles that nobody touched between their stages as a control.</summary>
    /// <param name="d">The job.</param>
    /// <param name="before">The earlier stance.</param>
    /// <param name="after">The later stance.</param>
    public static Comparison Compare(
        JobDocument d,
        WalkRoundStance before,
        WalkRoundStance after
    ) =>
        Rises.Compare(
            before,
            d.WalkRounds.First(w => w.Id == before.WalkRoundId),
            after,
            d.WalkRounds.First(w => w.Id == after.WalkRoundId),
            d.VehicleAt(after.StageId),
            Untouched(d, before.StageId, after.StageId),
            Mounts(d, before.StageId, after.StageId)
        );

    /// <summary>What changed between body and frame raises there, by corner.</summary>
    private static Dictionary<Corner, Estimate?> Mounts(JobDocument d, Guid before, Guid after)
    {
        var (from, to) = (d.Stages.First(s => s.Id == before), d.Stages.First(s => s.Id == after));
        var vehicle = d.VehicleAt(before);
        return Corners
            .All.Where(c =>
                !OnMounts(from, c)
                    .Select(p => p.Id)
                    .ToHashSet()
                    .SetEquals(OnMounts(to, c).Select(p => p.Id))
            )
            .ToDictionary(
                c => c,
                c =>
                    CornerRise
                        .Of(
                            c,
                            [.. OnMounts(from, c)],
                            [.. OnMounts(to, c)],
                            vehicle,
                            AxleState.Of(vehicle, Corners.AxleOf(c))
                        )
                        .Rise
                        is { Puck: var (mm, variance, common) }
                        ? new Estimate(mm, Math.Sqrt(variance + (common * common)))
                        : (Estimate?)null
            );

        static IEnumerable<PlacedPart> OnMounts(Stage stage, Corner corner) =>
            CornerStack
                .At(stage.Stacks, corner)
                .Where(p => PartRule.Of(p.Kind).Family == LiftFamily.Puck);
    }

    /// <summary>Axles with the same parts on the same suspension in both stages while the other axle's differ.</summary>
    private static Axle[] Untouched(JobDocument d, Guid before, Guid after)
    {
        Axle[] same =
        [
            .. Corners.Axles.Where(axle =>
                Corners.Of(axle).All(c => Parts(before, c).SetEquals(Parts(after, c)))
                && !d.Converted(before, after, axle)
            ),
        ];
        return same.Length == 1 ? same : [];

        HashSet<Guid> Parts(Guid stage, Corner corner) =>
            d
                .Stages.First(s => s.Id == stage)
                .Stacks.Where(s => s.Corner == corner)
                .SelectMany(s => s.Parts)
                .Select(p => p.Id)
                .ToHashSet();
    }
}
