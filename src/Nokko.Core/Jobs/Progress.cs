using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Stance;
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
        var stage = d.CurrentStage();
        var begun = d.BegunPlan();
        var stance = stage is null ? null : JobEvaluator.Speaks(results.WalkRounds, stage.Id);
        var passedOver = results
            .WalkRounds.Where(w => w.StageId == stage?.Id)
            .SelectMany(w => w.Skipped)
            .Select(k => k.Station)
            .ToHashSet();
        var unread = Corners.All.Count(c => stance?.At(c) is null && !passedOver.Contains(c));
        var card = CardOf(d);
        var stepsLeft = card.Steps.Count(s => !IsDone(d, s.Key));
        var lines = OpenLinesOf(d);
        var proof = begun is null ? null : results.Proofs.FirstOrDefault(p => p.PlanId == begun.Id);
        var guesses = d
            .Vehicle.Dimensions.Named()
            .Count(n => n.Value is not { Known: Known.Measured or Known.Document });
        var followUps = d.FollowUps.Count(f => f.DoneAt is null);
        var phases = new PhaseState[]
        {
            new(Phase.TakeIn, guesses),
            new(Phase.WalkRound, unread),
            new(Phase.Plan, begun is null && DraftChanges(d) == 0 ? 1 : 0),
            new(Phase.Fit, stepsLeft + lines.Count),
            new(
                Phase.Prove,
                begun is null ? 0
                    : proof?.Overall is Verdict.OnPlan ? 0
                    : 1
            ),
            new(Phase.HandOver, d.Job.HandedOverAt is null ? 0 : followUps),
        };
        var (next, says) = NextOf(
            d,
            stance,
            unread,
            stepsLeft,
            lines.Count,
            proof,
            followUps,
            style
        );
        return new Progress(phases, next, says, lines);
    }

    /// <summary>The job card of the plan that is being fitted; empty when none is.</summary>
    public static JobCard CardOf(JobDocument d) =>
        d.BegunPlan() is { } plan
        && d.Stages.FirstOrDefault(s => s.Id == plan.FromStageId) is { } from
            ? JobCard.Derive(from, plan, d.Vehicle, d.Job.Equipment)
            : new JobCard([], []);

    /// <summary>Open lines of fasteners, of what came off, and of promises.</summary>
    public static IReadOnlyList<string> OpenLinesOf(JobDocument d)
    {
        var lines = new List<string>();
        if (d.BegunPlan() is { } plan)
        {
            var places = CardOf(d).Joints.Select(j => j.Place).ToHashSet();
            foreach (var joint in d.Joints.Where(j => places.Contains(j.Place)))
            {
                var entries = d
                    .TorqueEntries.Where(t => t.JointId == joint.Id && t.PlanId == plan.Id)
                    .OrderBy(t => t.At)
                    .ThenBy(t => t.Id)
                    .ToArray();
                if (FittingRules.Open(joint, entries) is { } why)
                {
                    lines.Add($"{joint.Place}: {why}");
                }
            }
        }
        lines.AddRange(
            d.OffLines.Where(o => o.Fate is null).Select(o => $"{o.What}: off, not back")
        );
        lines.AddRange(d.Promises.Where(p => p.KeptAt is null).Select(p => $"Promised: {p.What}"));
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
        missing.AddRange(
            Unmeasured.Where(u => !u.Measures.Any(taken.Contains)).Select(u => u.What)
        );
        return missing;
    }

    /// <summary>What a record says was not measured, unless one of its measures was.</summary>
    private static readonly (string What, string[] Measures)[] Unmeasured =
    [
        ("Camber", ["camber", "camberAngle"]),
        ("Caster", [WalkRounds.Measures.Caster]),
        ("Toe", ["toe", "toeAngle"]),
        ("Headlight cut-off on a wall", [WalkRounds.Measures.LampCutOff]),
        ("Bump and droop travel", ["bump", "droop"]),
        ("Pinion and propshaft angles", [WalkRounds.Measures.PinionAngle]),
        ("Hose slack at full droop", [WalkRounds.Measures.HoseSlack]),
    ];

    private static bool IsDone(JobDocument d, string step) =>
        d.BegunPlan() is { } plan && d.Steps.Any(s => s.PlanId == plan.Id && s.Step == step);

    private static int DraftChanges(JobDocument d)
    {
        if (d.DraftPlan() is not { } draft || d.CurrentStage() is not { } stage)
        {
            return 0;
        }
        var now = stage.Stacks.SelectMany(s => s.Parts).Select(p => p.Id).ToHashSet();
        var then = draft.Stacks.SelectMany(s => s.Parts).Select(p => p.Id).ToHashSet();
        now.SymmetricExceptWith(then);
        return now.Count;
    }

    private static (Phase, string) NextOf(
        JobDocument d,
        WalkRoundStance? stance,
        int unread,
        int stepsLeft,
        int openLines,
        PlanProof? proof,
        int followUps,
        LengthStyle style
    )
    {
        var sits = stance?.Rake.Value is null
            ? ""
            : StanceWords.SayRake(stance.Rake, stance.Datum, style) + " ";
        if (d.Job.HandedOverAt is not null)
        {
            return (
                Phase.HandOver,
                followUps > 0
                    ? $"Handed over; {Count(followUps, "follow-up")} to come."
                    : "Handed over; nothing is left to do."
            );
        }
        if (d.BegunPlan() is null)
        {
            if (unread > 0)
            {
                return (
                    Phase.WalkRound,
                    $"{sits}Walk round it before anything is undone: {Count(unread, "corner")} to read."
                );
            }
            return DraftChanges(d) == 0
                ? (Phase.Plan, $"{sits}Choose the parts that make it sit right.")
                : (Phase.Plan, $"{sits}The plan stands: begin the fitting when it is agreed.");
        }
        if (DraftChanges(d) > 0)
        {
            return (
                Phase.Plan,
                $"{sits}A second pass is planned: begin the fitting when it is agreed."
            );
        }
        if (stepsLeft > 0)
        {
            var step = CardOf(d).Steps.First(s => !IsDone(d, s.Key));
            var where = step.Where == "vehicle" ? "" : $"{step.Where}: ";
            return (
                Phase.Fit,
                $"Next on the card: {where}{step.Title}. {Count(stepsLeft, "step")} to go."
            );
        }
        if (unread > 0)
        {
            return (
                Phase.WalkRound,
                $"Fitted. Settle it and walk round: {Count(unread, "corner")} to read."
            );
        }
        return proof?.Overall switch
        {
            Verdict.Miss => (
                Phase.Prove,
                $"{sits}That is a miss: see what is off, then change the stack or accept it."
            ),
            Verdict.OnPlan when openLines > 0 => (
                Phase.Fit,
                $"{sits}On plan; {Count(openLines, "open line")} left in the ledgers."
            ),
            Verdict.OnPlan => (Phase.HandOver, $"{sits}On plan: hand it over."),
            Verdict.MeasureAgain when proof.Comparison?.Rigid is { Suspects: [var suspect] } => (
                Phase.WalkRound,
                $"{sits}The {Corners.Said(suspect)} reading does not fit the others: read it again."
            ),
            Verdict.MeasureAgain => (
                Phase.WalkRound,
                $"{sits}Too near to tell: settle it and measure again."
            ),
            _ => (Phase.Prove, $"{sits}See what can be told of the result."),
        };
    }

    private static string Count(int n, string what) => n == 1 ? $"1 {what}" : $"{n} {what}s";
}
