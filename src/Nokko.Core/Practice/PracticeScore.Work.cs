using Nokko.Core.Jobs;
using Nokko.Core.Units;

namespace Nokko.Core.Practice;

/// <content>The parts of a score that judge the work: where it lands, what it took, how the card was worked through, what was proved.</content>
public sealed partial record PracticeScore
{
    private static ScoreLine Lands(PracticeRun run, Lazy<PracticeOutcome?> best, double of)
    {
        if (run.Now() is not { } now)
        {
            return new(
                ScoreArea.Plan,
                0,
                of,
                "Nothing was planned.",
                "Put a stack on a corner and look where it is foretold to land.",
                "plan"
            );
        }
        var tolerance = run.Job.Job.Target.Tolerance.In(Unit.Mm);
        var least = best.Value?.MissMm ?? 0;
        // What the shelf can do at best, or what is asked for, whichever is easier.
        var enough = Math.Max(least + 1.6, tolerance);
        var got = of * Math.Clamp(1 - ((now.MissMm - enough) / (3 * tolerance)), 0, 1);
        var said =
            $"It {(run.Job.BegunPlan() is null ? "would land" : "lands")} {LengthText.Both(now.MissMm)} off what is wanted; the best of this shelf is {LengthText.Both(least)} off.";
        return got >= of
            ? new(ScoreArea.Plan, of, of, said, null, null)
            : new(
                ScoreArea.Plan,
                got,
                of,
                said,
                "Let the search rank the shelf by its chance of landing, on readings that are settled: a claim on a box is no rise.",
                "what-a-spacer-really-lifts"
            );
    }

    private static ScoreLine Cost(PracticeRun run, Lazy<PracticeOutcome?> best, double of)
    {
        if (run.Now() is not { } now || best.Value is not { } least)
        {
            return new(ScoreArea.Cost, 0, of, "Nothing was planned.", "Plan it first.", "plan");
        }
        var share = least.Money > 0 ? now.Money / least.Money : 1;
        var said = FormattableString.Invariant(
            $"Parts and hours of the plan: {now.Money:0}; of the best one {least.Money:0}."
        );
        return share <= 1.1
            ? new(ScoreArea.Cost, of, of, said, null, null)
            : new(
                ScoreArea.Cost,
                of * Math.Clamp(2 - share, 0, 1),
                of,
                said,
                "Look at what a plan touches: each axle that is opened costs hours that no part shows.",
                "choosing-a-stack"
            );
    }

    private static IEnumerable<ScoreLine> Card(PracticeRun run, double of)
    {
        if (run.Job.BegunPlan() is null)
        {
            yield return new(
                ScoreArea.Fitting,
                0,
                of,
                "Nothing was fitted.",
                "Agree a plan and work through its card.",
                "fit"
            );
            yield break;
        }
        var passed = run.PassedOver();
        var hanging = Progress.StillOpen(run.Job, run.Job.BegunPlan()!).Hanging.Count > 0;
        var left = Progress.CardOf(run.Job).Steps.Count(s => !Progress.IsDone(run.Job, s.Key));
        var got = of - (passed.Count * of / 3) - (hanging ? of / 3 : 0) - (left > 0 ? of / 3 : 0);
        if (passed.Count == 0 && !hanging && left == 0)
        {
            yield return new(
                ScoreArea.Fitting,
                of,
                of,
                "Every step done, no hold point passed over, no rubber closed hanging.",
                null,
                null
            );
            yield break;
        }
        yield return new(
            ScoreArea.Fitting,
            Math.Max(0, got),
            of,
            string.Join(
                " ",
                passed
                    .Select(p => $"Passed over: {p.Title}.")
                    .Concat(hanging ? ["Rubber was closed hanging."] : [])
                    .Concat(
                        left > 0
                            ? [left == 1 ? "1 step was not done." : $"{left} steps were not done."]
                            : []
                    )
            ),
            passed.Count > 0 ? WouldHaveHappened.Of(passed[0]).Said
                : hanging ? WouldHaveHappened.Rubber
                : "A card that is not finished proves nothing: the last steps are where weight comes back.",
            "fit"
        );
    }

    private static ScoreLine Proved(PracticeRun run, double of)
    {
        var stage = run.Job.CurrentStage()!;
        var round = Last(run);
        if (stage.Ordinal == 0 || round?.StageId != stage.Id)
        {
            return new(
                ScoreArea.Proof,
                0,
                of,
                "Nothing was read after the work.",
                "A lift that nobody measured is a claim. Settle it and walk round once more.",
                "prove"
            );
        }
        if (run.Vehicle.FaultsAt(stage, round.At).Any(f => LookRule.CauseOf(f.Of) is not null))
        {
            return new(
                ScoreArea.Proof,
                of / 3,
                of,
                "The last readings still have the fault in them.",
                "Put it right, roll it, and read again: only those readings prove anything.",
                "prove"
            );
        }
        var proof = JobEvaluator.Evaluate(run.Job).Proofs is [.., var last] ? last : null;
        return proof is { Decides: true }
            ? new(
                ScoreArea.Proof,
                of,
                of,
                "Settled readings of all corners after the work: they may judge.",
                null,
                null
            )
            : new(
                ScoreArea.Proof,
                of / 2,
                of,
                $"The readings after the work may not judge: {(proof is { WhyNot: [var why, ..] } ? why : "not all corners were read")}",
                "Settled, all four corners, rubber closed on its wheels: then the readings may judge.",
                "prove"
            );
    }

    private static IEnumerable<ScoreLine> CauseFound(PracticeRun run, double of)
    {
        var fault = run.Truth.Faults.First(f => LookRule.CauseOf(f.Of) is not null);
        var rule = LookRule.For(fault.Of);
        var kind = LookRule.CauseOf(fault.Of)!.Value;
        var named = run.Job.CheckedCauses.Where(c => c.WasIt).ToArray();
        var right = named.Any(c => c.Kind == kind && c.Where == fault.Where);
        var wrong = named.Count(c => c.Kind != kind || c.Where != fault.Where);
        var mended = run.Acts.Any(a => a.Mends && a.At == rule.At);
        var what = LookRule.Found(fault);
        yield return right
            ? new(
                ScoreArea.Finding,
                of * 0.7 * (wrong == 0 ? 1 : 0.5),
                of * 0.7,
                wrong == 0
                    ? $"The cause is found and said: {what}"
                    : $"Found, after {wrong} other said to be it: {what}",
                wrong == 0 ? null : "Say that it was it only when the check showed it.",
                wrong == 0 ? null : "prove"
            )
            : new(
                ScoreArea.Finding,
                run.Acts.Any(a => a.At == rule.At && !a.Mends) ? of * 0.35 : 0,
                of * 0.7,
                $"Not said under Prove: {what}",
                "Take the check that tells most for its minutes, then say under Prove whether it was that.",
                "prove"
            );
        yield return mended
            ? new(
                ScoreArea.Fitting,
                of * 0.3,
                of * 0.3,
                $"Put right: {rule.Mend!.ToLowerInvariant()}.",
                null,
                null
            )
            : new(
                ScoreArea.Fitting,
                0,
                of * 0.3,
                "It was left as it was.",
                "A second stack on top of a fault that was left is the day’s work done twice.",
                "prove"
            );
    }

    /// <summary>Hours spent on looking where nothing was.</summary>
    private static ScoreLine Spared(PracticeRun run, double of)
    {
        if (run.Acts.Count == 0)
        {
            return new(
                ScoreArea.Cost,
                0,
                of,
                "Nothing was looked at.",
                "Hours are spared by looking first where the pattern of the miss points, not by looking nowhere.",
                "prove"
            );
        }
        var there = run.Truth.Faults.Select(f => LookRule.For(f.Of).At).ToHashSet();
        var vain = run
            .Acts.Where(a => !a.Mends && !there.Contains(a.At))
            .Select(a => LookRule.Of(a.At))
            .ToArray();
        var minutes = vain.Sum(v => v.Minutes);
        // Two cheap looks in vain are how it is found out.
        return minutes <= 20
            ? new(
                ScoreArea.Cost,
                of,
                of,
                $"{minutes} minutes of looks that found nothing.",
                null,
                null
            )
            : new(
                ScoreArea.Cost,
                of * Math.Clamp(1 - ((minutes - 20) / 40.0), 0, 1),
                of,
                $"{minutes} minutes of looks that found nothing.",
                "Look first where the pattern of the miss points: both sides alike is not one spring.",
                "prove"
            );
    }
}
