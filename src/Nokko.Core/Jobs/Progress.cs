using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>The phases of a job, in the order in which the work goes.</summary>
public enum Phase
{
    /// <summary>Take in.</summary>
    TakeIn,

    /// <summary>Walk round, before or after.</summary>
    WalkRound,

    /// <summary>Plan.</summary>
    Plan,

    /// <summary>Geometry: what the lift moves, and what takes it back.</summary>
    Geometry,

    /// <summary>Fit.</summary>
    Fit,

    /// <summary>Prove.</summary>
    Prove,

    /// <summary>Hand over.</summary>
    HandOver,
}

/// <summary>What is still open in a phase.</summary>
/// <param name="Phase">The phase.</param>
/// <param name="Open">Number of open things.</param>
public sealed record PhaseState(Phase Phase, int Open);

/// <summary>How a job stands and what comes next.</summary>
/// <param name="Phases">Every phase with what is open there.</param>
/// <param name="Next">The phase that needs a person next.</param>
/// <param name="Says">One sentence: how things stand and what comes next.</param>
/// <param name="OpenLines">Every open line of the ledgers, as printed on the record.</param>
public sealed record Progress(
    IReadOnlyList<PhaseState> Phases,
    Phase Next,
    string Says,
    IReadOnlyList<string> OpenLines
)
{
    /// <summary>Derives the progress of a job.</summary>
    public static Progress Of(JobDocument d, JobResults results, LengthStyle style)
    {
        var begun = d.BegunPlan();
        var unread = Unread(d, results);
        var card = CardOf(d);
        var stepsLeft = card.Steps.Count(s => !IsDone(d, s.Key));
        var lines = OpenLinesOf(d);
        var proof = begun is null ? null : results.Proofs.FirstOrDefault(p => p.PlanId == begun.Id);
        var guesses = d
            .Vehicle.Dimensions.Named()
            .Where(n => !VehicleDimensions.OnPapers.Contains(n.Name))
            .Count(n => n.Value is not { Known: Known.Measured or Known.Document });
        var followUps = d.FollowUps.Count(f => f.DoneAt is null);
        var phases = new PhaseState[]
        {
            new(Phase.TakeIn, guesses),
            new(Phase.WalkRound, unread),
            new(Phase.Plan, begun is null && DraftChanges(d) == 0 ? 1 : 0),
            new(Phase.Geometry, begun is null ? results.Moved.Count(m => m.Beyond) : 0),
            new(Phase.Fit, stepsLeft + lines.Count),
            new(
                Phase.Prove,
                begun is null ? 0
                    : proof?.Overall is Verdict.Reached ? 0
                    : 1
            ),
            new(Phase.HandOver, d.Job.HandedOverAt is null ? 0 : followUps),
        };
        var need = Need.Of(d, results);
        return new Progress(phases, need.Phase, need.Say(style), lines);
    }

    /// <summary>How many corners are neither read nor passed over in this job at the present stage.</summary>
    internal static int Unread(JobDocument d, JobResults results)
    {
        var own = d.OwnRounds().Select(w => w.Id).ToHashSet();
        var rounds = results
            .WalkRounds.Where(w => w.StageId == d.CurrentStage()?.Id && own.Contains(w.WalkRoundId))
            .ToArray();
        var stance = d.CurrentStage() is { } now ? JobEvaluator.Speaks(rounds, now.Id) : null;
        var passedOver = rounds.SelectMany(w => w.Skipped).Select(k => k.Station).ToHashSet();
        return Corners.All.Count(c =>
            stance?.At(c.Name()) is null && !passedOver.Contains(c.Name())
        );
    }

    /// <summary>The job card of the plan that is being fitted; empty when none is.</summary>
    public static JobCard CardOf(JobDocument d) =>
        d.BegunPlan() is { } plan ? CardOf(d, plan) : JobCard.Empty;

    /// <summary>The job card of a plan, begun or not.</summary>
    public static JobCard CardOf(JobDocument d, Plan plan) =>
        d.Stages.FirstOrDefault(s => s.Id == plan.FromStageId) is { } from
            ? JobCard.Derive(
                from,
                plan,
                d.VehicleAt(from),
                d.Job.Equipment,
                FittingSchools.Of(d.Schools),
                d.Joints,
                [.. d.OwnSteps.Where(s => s.PlanId == plan.Id)]
            )
            : JobCard.Empty;

    /// <summary>When somebody last worked on a plan or looked at what holds the vehicle; null where nobody has.</summary>
    public static DateTimeOffset? LastWork(JobDocument d, Plan plan)
    {
        DateTimeOffset[] worked =
        [
            .. d.Steps.Where(s => s.PlanId == plan.Id).Select(s => s.At),
            .. d.TorqueEntries.Where(t => t.PlanId == plan.Id).Select(t => t.At),
            .. d.Supports.Select(s => s.At),
        ];
        return worked.Length == 0 ? null : worked.Max();
    }

    /// <summary>Places of the card's joints that nobody but those who worked on them has looked at, in its order.</summary>
    public static IReadOnlyList<string> Unlooked(JobDocument d, Plan plan, JobCard card)
    {
        var joints = d.Joints.Where(j => !j.None).ToLookup(j => j.Place);
        return
        [
            .. card
                .Joints.SelectMany(c => joints[c.Place].Take(1))
                .Where(j =>
                    !d.Looks.Any(l =>
                        l.JointId == j.Id
                        && l.PlanId == plan.Id
                        // What was tightened after the look was not looked at.
                        && d.PassesOver(j.Id, plan.Id)
                            .All(p => p.PersonId != l.PersonId && p.At <= l.At)
                    )
                )
                .Select(j => j.Place),
        ];
    }

    /// <summary>What it takes to undo what is fitted last; null where nothing is.</summary>
    public static UndoCard? UndoOf(JobDocument d) =>
        d.BegunPlan() is { } plan
        && d.CurrentStage() is { } after
        && d.Stages.FirstOrDefault(s => s.Id == plan.FromStageId) is { } before
            ? UndoCard.Of(
                before,
                after,
                CardOf(d, plan),
                d.Steps.Where(s => s.PlanId == plan.Id).Select(s => s.Step).ToHashSet(),
                [.. d.Cuts.Where(c => c.PlanId == plan.Id)],
                [.. d.OffLines.Where(o => o.PlanId == plan.Id)],
                d.VehicleAt(after),
                d.Job.Equipment,
                FittingSchools.Of(d.Schools),
                d.Joints,
                [.. Corners.Axles.Where(a => plan.Of(a) is not null)]
            )
            : null;

    /// <summary>Work of the plan that is being fitted without which its heights cannot be judged, and what marks the verdict: rubber that was made final hanging, or left open in writing.</summary>
    /// <param name="d">The job.</param>
    /// <param name="plan">The plan; of an earlier pass nothing is open any more.</param>
    /// <returns>What holds the verdict back, what marks it, and the axles whose rubber the marks are of.</returns>
    internal static (
        IReadOnlyList<string> HeldBack,
        IReadOnlyList<string> Marks,
        IReadOnlyList<Axle> Hanging
    ) StillOpen(JobDocument d, Plan plan)
    {
        if (d.BegunPlan()?.Id != plan.Id)
        {
            return ([], [], []);
        }
        var card = CardOf(d);
        var (held, marks, hanging) = (new List<string>(), new List<string>(), new List<string>());
        var steps = card
            .Steps.Where(s => s.Joints.Count + s.TakesOff.Count > 0 && !IsDone(d, s.Key))
            .ToArray();
        // Somebody who keeps no card is not held up by it.
        if (steps.Length > 0 && d.Steps.Any(e => e.PlanId == plan.Id))
        {
            held.Add(
                $"Not done yet on the card: {steps[0].Title}{(steps.Length > 1 ? $", and {steps.Length - 1} more" : "")}."
            );
        }
        var places = card.Joints.Select(j => j.Place).ToHashSet();
        foreach (
            var joint in d.Joints.Where(j => j.Kind.Twists() && !j.None && places.Contains(j.Place))
        )
        {
            var final = d.PassesOver(joint.Id, plan.Id) is [.., var last] ? last : null;
            if (
                final is not { Pass: Pass.Final }
                && d.Deviations.LastOrDefault(x =>
                    x.Where == joint.Place && x.Did == FittingRules.LeftOpen && x.At >= plan.BegunAt
                )
                    is { } left
            )
            {
                marks.Add($"{joint.Place} is rubber and was left open, in writing: {left.Why}");
                hanging.Add(joint.Where);
            }
            else if (final is not { Pass: Pass.Final })
            {
                held.Add(
                    $"{joint.Place} is rubber and still open: it is final on its wheels, then the heights are read."
                );
            }
            else if (final.Position == WheelPosition.Hanging)
            {
                marks.Add(
                    $"{joint.Place} is rubber and was made final hanging: it may hold its corner high. Slacken it at ride height, settle and read again before anything else is blamed."
                );
                hanging.Add(joint.Where);
            }
        }
        return (
            held,
            marks,
            [.. Corners.Axles.Where(a => hanging.Any(w => Corners.AxleAt(w) == a))]
        );
    }

    /// <summary>Open lines of fasteners, of what came off, of promises, and of what drives worse than before.</summary>
    public static IReadOnlyList<string> OpenLinesOf(JobDocument d)
    {
        var lines = new List<string>();
        if (d.BegunPlan() is { } plan)
        {
            var places = CardOf(d).Joints.Select(j => j.Place).ToHashSet();
            foreach (var joint in d.Joints.Where(j => places.Contains(j.Place)))
            {
                if (
                    FittingRules.Open(joint, d.PassesOver(joint.Id, plan.Id), d.TorqueBand()) is
                    { } why
                )
                {
                    lines.Add($"{joint.Place}: {why}");
                }
            }
        }
        lines.AddRange(
            from kit in d.Kits
            where d.Plans.Any(p => p.Id == kit.PlanId && p.BegunAt is not null)
            from piece in kit.Pieces
            where piece.End is KitPieceEnd.Open or KitPieceEnd.Missing
            select $"{kit.Name}: {piece.Count} {piece.Name}, neither used nor left out"
        );
        lines.AddRange(
            d.OffLines.Where(o => o.Fate is null).Select(o => $"{o.What}: off, not back")
        );
        lines.AddRange(d.Promises.Where(p => p.KeptAt is null).Select(p => $"Promised: {p.What}"));
        lines.AddRange(
            from q in RoadCompared.Of(d)
            where q.Worse
            select $"Road test: {q.Question.Said()}, {q.Change!.Value.Said()}{(q.After!.Note is { } note ? $" ({note})" : "")}"
        );
        return lines;
    }

    /// <summary>What a good record would hold and this job did not measure.</summary>
    public static IReadOnlyList<string> NotMeasuredOf(JobDocument d, JobResults results)
    {
        var missing = new List<string>();
        foreach (var round in results.WalkRounds)
        {
            var order = d.WalkRounds.First(w => w.Id == round.WalkRoundId).Order;
            var unread = d
                .Vehicle.Stations.Where(s =>
                    round.At(s.Name) is null
                    && (order.Count == 0 || order.Contains(s.Name))
                    && round.Skipped.All(k => k.Station != s.Name)
                )
                .Select(s => Corners.Said(s.Name))
                .ToArray();
            var stage = d.Stages.First(s => s.Id == round.StageId).Name;
            if (unread.Length > 0)
            {
                missing.Add($"{stage}: {string.Join(", ", unread)} not read");
            }
            missing.AddRange(
                round.Skipped.Select(s =>
                    $"{stage}: {Corners.Said(s.Station)} passed over, {s.Why}"
                )
            );
        }
        var taken = results
            .WalkRounds.SelectMany(w => w.Measures)
            .Select(m => m.Measure)
            .ToHashSet();
        if (d.BegunPlan() is not null && d.Drive(after: true) is null)
        {
            missing.Add("How it drives: no road test was noted");
        }
        missing.AddRange(
            Unmeasured.Where(u => !u.Measures.Any(taken.Contains)).Select(u => u.What)
        );
        return missing;
    }

    /// <summary>What a record says was not measured, unless one of its measures was.</summary>
    private static readonly (string What, string[] Measures)[] Unmeasured =
    [
        ("Camber", ["camber", "camberAngle", WalkRounds.Measures.CamberSet]),
        ("Caster", [WalkRounds.Measures.Caster, WalkRounds.Measures.CasterSet]),
        ("Toe", ["toe", "toeAngle", WalkRounds.Measures.ToeSet]),
        ("Headlight cut-off on a wall", [WalkRounds.Measures.LampCutOff]),
        ("Bump and droop travel", ["bump", "droop"]),
        ("Pinion and propshaft angles", [WalkRounds.Measures.PinionAngle]),
        ("Hose slack at full droop", [WalkRounds.Measures.HoseSlack]),
    ];

    internal static bool IsDone(JobDocument d, string step) =>
        d.BegunPlan() is { } plan && d.Steps.Any(s => s.PlanId == plan.Id && s.Step == step);

    internal static int DraftChanges(JobDocument d)
    {
        if (d.DraftPlan() is not { } draft || d.CurrentStage() is not { } stage)
        {
            return 0;
        }
        return Corners.All.Sum(c =>
            {
                var (gone, come) = CornerStack.Change(c, stage.Stacks, draft.Stacks);
                return gone.Count + come.Count;
            }) + (draft.Conversions?.Count ?? 0);
    }
}
