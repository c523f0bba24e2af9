using Nokko.Core.Evidence;
using Nokko.Core.Finding;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Practice;

/// <summary>What an exercise has taken so far.</summary>
/// <param name="Hours">Hours: of readings, looks and steps done, by their rules of thumb.</param>
/// <param name="Money">Money: of the parts of every plan that was begun, and of the hours.</param>
public sealed record PracticeSpent(double Hours, double Money);

/// <summary>A stack of the practice shelf, and where it lands on this vehicle.</summary>
/// <param name="Stacks">What stands at every corner.</param>
/// <param name="MissMm">How far rake, and lean where it is wanted away, are off the target, mm; the greatest of them.</param>
/// <param name="Hours">Hours to fit what comes.</param>
/// <param name="Money">What it costs, hours and parts.</param>
public sealed record PracticeOutcome(
    IReadOnlyList<CornerStack> Stacks,
    double MissMm,
    double Hours,
    double Money
);

/// <summary>An exercise as it stands: the truth, the learner's job, and what was looked at.</summary>
/// <param name="Truth">What is true of the vehicle.</param>
/// <param name="Job">Its job as the learner has worked on it.</param>
/// <param name="Acts">Where the learner looked, and what was put right, in order.</param>
/// <param name="Shelf">The practice shelf as it was at first.</param>
/// <param name="Since">When it was begun: what was done on the vehicle before took the learner nothing.</param>
public sealed record PracticeRun(
    HiddenTruth Truth,
    JobDocument Job,
    IReadOnlyList<PracticeAct> Acts,
    IReadOnlyList<Part> Shelf,
    DateTimeOffset Since
)
{
    /// <summary>Minutes of one reading: a rule of thumb.</summary>
    public const double ReadingMinutes = 1.5;

    /// <summary>What an hour costs in the practice bay.</summary>
    public const double HourRate = 80;

    /// <summary>Stacks that are tried for the best of a shelf.</summary>
    private const int MostTried = 40;

    private static readonly string[] Lips = ["LF", "RF", "LR", "RR"];

    /// <summary>Its vehicle.</summary>
    public PracticeVehicle Vehicle => new(Job, Truth, Acts);

    /// <summary>What it has taken so far.</summary>
    public PracticeSpent Spent()
    {
        var looked = Acts.Sum(a =>
            LookRule.Of(a.At) is var rule && a.Mends ? rule.MendMinutes : rule.Minutes
        );
        var hours =
            (
                (
                    Job.Readings.Count(r => r.Value is not null && r.StoredAt >= Since)
                    * ReadingMinutes
                )
                + looked
                + Job.Steps.Where(s => s.At >= Since).Sum(s => s.Usual ?? s.Minutes ?? 0)
            ) / 60;
        var parts = Job
            .Plans.Where(p => p.BegunAt >= Since)
            .SelectMany(Come)
            .Sum(p => (double)(p.Price ?? 0));
        return new PracticeSpent(hours, parts + (hours * HourRate));
    }

    /// <summary>Where the vehicle stands now, or would with the learner's draft where nothing was begun; null where there is no plan.</summary>
    public PracticeOutcome? Now() =>
        (Job.BegunPlan() ?? Job.DraftPlan()) is { } plan ? OutcomeOf(plan.Stacks, Acts) : null;

    /// <summary>The best that this shelf can do on this vehicle, with everything put right that can be: the one that lands nearest, and of those alike the cheapest.</summary>
    /// <returns>Null where nothing of the shelf can be fitted.</returns>
    public PracticeOutcome? Best()
    {
        var first = Job.FirstStage()!;
        var acts = AllMended();
        var search = new StackSearch(
            JobEvaluator.SituationAt(AsItStands(first, acts), first, PlatformEvidence.None),
            Shelf,
            new SearchRules
            {
                Order = SearchOrder.Surest,
                HourRate = HourRate,
                SidesDiffer = Job.Job.Target.NoLean,
            }
        );
        return search
            .Run()
            .Where(n => n is { Proved: true, Found.Stopped: null })
            .Take(MostTried)
            .Select(n => OutcomeOf(n.Found!.Plan.Stacks, acts))
            .OfType<PracticeOutcome>()
            // A sixteenth nearer is not worth another part.
            .OrderBy(o => Math.Ceiling(o.MissMm / 1.6))
            .ThenBy(o => o.Money)
            .FirstOrDefault();
    }

    /// <summary>Acts that put everything right that can be, before anything else.</summary>
    public IReadOnlyList<PracticeAct> AllMended() =>
        [
            .. Truth
                .Faults.Select(f => LookRule.For(f.Of))
                .Where(r => r.Mend is not null)
                .Select(r => new PracticeAct(Guid.Empty, r.At, true, DateTimeOffset.MinValue)),
        ];

    /// <summary>Where a stack lands.</summary>
    private PracticeOutcome? OutcomeOf(
        IReadOnlyList<CornerStack> stacks,
        IReadOnlyList<PracticeAct> acts
    )
    {
        var first = Job.FirstStage()!;
        var stage = first with
        {
            Id = Guid.Empty,
            Ordinal = first.Ordinal + 1,
            Name = "as planned",
            Stacks = stacks,
        };
        var vehicle = new PracticeVehicle(Job with { Stages = [first, stage] }, Truth, acts);
        var lips = Lips.Select(s =>
                vehicle.TrueMm(stage.Id, s, Datum.Hub, Settled.Driven, DateTimeOffset.MaxValue)
            )
            .ToArray();
        if (lips.Any(l => l is null))
        {
            return null;
        }
        var (lf, rf, lr, rr) = (lips[0]!.Value, lips[1]!.Value, lips[2]!.Value, lips[3]!.Value);
        var rake = (lr + rr - lf - rf) / 2;
        var target = Job.Job.Target;
        double[] off =
        [
            target.Rake is { } wanted ? Math.Abs(rake - wanted.In(Unit.Mm)) : 0,
            target.NoLean ? Math.Abs(lf - rf) : 0,
            target.NoLean ? Math.Abs(lr - rr) : 0,
        ];
        var come = Corners
            .All.SelectMany(c => CornerStack.Change(c, first.Stacks, stacks).Come)
            .ToArray();
        var hours = come.Sum(p => p.WorkHours());
        return new PracticeOutcome(
            stacks,
            off.Max(),
            hours,
            come.Sum(p => (double)(p.Price ?? 0)) + (hours * HourRate)
        );
    }

    /// <summary>The job with one walk-round at a stage that reads what is true.</summary>
    internal JobDocument AsItStands(Stage stage, IReadOnlyList<PracticeAct> acts)
    {
        var vehicle = new PracticeVehicle(Job, Truth, acts);
        var at = DateTimeOffset.MaxValue;
        var round = new WalkRound
        {
            Id = Guid.Empty,
            StageId = stage.Id,
            JobId = Job.Job.Id,
            Datum = Datum.Hub,
            Division = Quantity.Mm(1, Known.Document),
            Settled = Settled.Driven,
            HubMarked = true,
            FloorSurveyed = true,
            PersonId = Guid.Empty,
            At = at,
        };
        return Job with
        {
            WalkRounds = [round],
            Readings =
            [
                .. Truth
                    .Healthy.Keys.Select(
                        (s, i) =>
                            (
                                Key: new Guid(i + 1, 0, 0, [0, 0, 0, 0, 0, 0, 0, 0]),
                                Station: s,
                                From: Corners.Named(s) is null ? Datum.Floor : Datum.Hub
                            )
                    )
                    .Select(r => new Reading
                    {
                        Id = r.Key,
                        WalkRoundId = round.Id,
                        Kind = ReadingKind.Height,
                        Place = new Place { Kind = PlaceKind.Station, Name = r.Station },
                        From = r.From,
                        Value = Quantity.Mm(
                            vehicle.TrueMm(stage.Id, r.Station, r.From, Settled.Driven, at) ?? 0,
                            Known.Measured
                        ),
                        PersonId = Guid.Empty,
                        TakenAt = at,
                        StoredAt = at,
                    }),
            ],
        };
    }

    /// <summary>Pieces that a plan brings.</summary>
    private IEnumerable<PlacedPart> Come(Plan plan) =>
        Job.Stages.FirstOrDefault(s => s.Id == plan.FromStageId) is { } from
            ? Corners.All.SelectMany(c => CornerStack.Change(c, from.Stacks, plan.Stacks).Come)
            : [];

    /// <summary>Hold points of the card behind which something was done before they were confirmed.</summary>
    public IReadOnlyList<CardStep> PassedOver()
    {
        if (Job.BegunPlan() is not { } plan)
        {
            return [];
        }
        var when = Job
            .Steps.Where(s => s.PlanId == plan.Id)
            .GroupBy(s => s.Step)
            .ToDictionary(g => g.Key, g => g.Min(s => s.At));
        var steps = Progress.CardOf(Job).Steps;
        return
        [
            .. steps.Where(
                (s, i) =>
                    s.HoldFor is not null
                    && steps
                        .Skip(i + 1)
                        .Any(later =>
                            when.TryGetValue(later.Key, out var done)
                            && (!when.TryGetValue(s.Key, out var held) || done < held)
                        )
            ),
        ];
    }
}
