using Nokko.Core.Jobs;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Practice;

/// <content>The parts of a score, each from what is true and what was done.</content>
public sealed partial record PracticeScore
{
    /// <summary>Off by no more, a reading is right, mm: a sixteenth, and what a hand adds.</summary>
    private const double RightMm = 2;

    /// <summary>Off by no more, it is worth half, mm: an eighth.</summary>
    private const double NearMm = 3.7;

    private static readonly LengthStyle Fine = new(Unit.Inch, 16);

    /// <summary>The walk-round that counts: the last one.</summary>
    private static WalkRound? Last(PracticeRun run) =>
        run.Job.OwnRounds().Where(w => !w.FromDocument).MaxBy(w => w.At);

    private static IEnumerable<ScoreLine> Readings(PracticeRun run, double of)
    {
        var stations = VehicleDefaults.Stations(run.Job.Vehicle.Dimensions, run.Job.Vehicle.Kind);
        var round = Last(run);
        var stance = round is null
            ? null
            : StanceOf.Compute(round, run.Job.Readings, run.Job.VehicleAt(round.StageId));
        foreach (var station in stations)
        {
            yield return ReadingOf(run, station.Name, round, stance, of / stations.Count);
        }
    }

    private static ScoreLine ReadingOf(
        PracticeRun run,
        string station,
        WalkRound? round,
        WalkRoundStance? stance,
        double of
    )
    {
        var said = Corners.Said(station);
        var name = $"{char.ToUpperInvariant(said[0])}{said[1..]}";
        if (round is null || stance?.At(station) is not { } height)
        {
            return new(
                ScoreArea.Reading,
                0,
                of,
                $"{name}: not read.",
                "Every station is read, also those that nobody will touch: they are what the others are judged by.",
                "walk-round"
            );
        }
        var mine = run
            .Job.Readings.Where(r =>
                r.WalkRoundId == round.Id
                && r.Place.Name == station
                && (r.From ?? round.Datum) == height.Datum
                && r.Value is not null
            )
            .OrderBy(r => r.TakenAt)
            .ToArray();
        var at = mine[^1].TakenAt;
        if (
            run.Vehicle.TrueMm(round.StageId, station, height.Datum, round.Settled, at)
            is not { } truth
        )
        {
            return new(
                ScoreArea.Reading,
                0,
                of,
                $"{name}: read from a mark that nobody here knows.",
                "Read from the hub, the floor or the rim: those can be compared with another day.",
                "from-where"
            );
        }
        var off = height.Height.Value!.Value - truth;
        var got = Math.Abs(off) switch
        {
            <= RightMm => of,
            <= NearMm => of / 2,
            _ => 0,
        };
        var stated = LengthText.Show(height.Height.Value.Value, Fine);
        if (got == of)
        {
            return new(
                ScoreArea.Reading,
                got,
                of,
                $"{name}: {stated}, right to a sixteenth.",
                null,
                null
            );
        }
        var flaw = mine.Length == 1 ? run.Vehicle.FlawAt(station, 0) : null;
        var (learn, guide) = Why(off, flaw, height.Datum);
        return new(
            ScoreArea.Reading,
            got,
            of,
            $"{name}: {stated}, and it stood at {LengthText.Show(truth, Fine)}.",
            learn,
            guide
        );
    }

    /// <summary>What made a reading wrong: the eye, the hook, another datum, or the lines themselves.</summary>
    private static (string Learn, string Guide) Why(double off, TapeFlaw? flaw, Datum from)
    {
        var eye = flaw is null ? 0 : DrawnTape.ParallaxMm(from, flaw.Eye);
        return flaw is { Eye: not 0 } && eye != 0 && Math.Abs(off - eye) <= RightMm
                ? (
                    "The eye was not level with the mark. Kneel until it is: from above a tape reads too little, from below too much.",
                    "measuring"
                )
            : flaw is { HookMm: > 0 } && Math.Abs(off + flaw.HookMm) <= RightMm
                ? (
                    "The hook hung on the liner, below the edge. Look at the hook before you look at the number.",
                    "measuring"
                )
            : Math.Abs(off) > 100
                ? (
                    "That is another datum than it says: hub and floor lie a tyre’s radius apart.",
                    "from-where"
                )
            : DrawnTape.StandOffMm(from) > 0
            && Math.Abs(Math.Abs(off) - Math.Abs(DrawnTape.ParallaxMm(from, 1))) <= RightMm
                ? (
                    $"It is off as by an eye that looks from {(off < 0 ? "above" : "below")}: look at the line of sight before you count.",
                    "measuring"
                )
            : Math.Abs(Math.Abs(off) - 25.4) <= RightMm
                ? (
                    "An inch off: read the number below the line before you count its lines.",
                    "measuring"
                )
            : (
                "Count the lines from the half: the longest between two numbers is 1/2, then the quarters, eighths, sixteenths.",
                "measuring"
            );
    }

    private static ScoreLine Conditions(PracticeRun run, double of)
    {
        // A round in which nothing was read settled nothing.
        var settled =
            Last(run) is { } last
            && run.Job.Readings.Any(r => r.WalkRoundId == last.Id && r.Value is not null)
                ? last.Settled
                : (Settled?)null;
        return settled is Settled.Rolled or Settled.Driven
            ? new(
                ScoreArea.Conditions,
                of,
                of,
                settled == Settled.Rolled
                    ? "Rolled before it was read."
                    : "Driven before it was read.",
                null,
                null
            )
            : new(
                ScoreArea.Conditions,
                settled == Settled.Bounced ? of / 2 : 0,
                of,
                settled is null ? "Nothing was read."
                    : settled == Settled.Bounced
                        ? "Bounced, not rolled: the tyres still held it up."
                    : "Read as it came down: it stood about 1/4 in (6 mm) high.",
                "Roll it forward and back by a wheel’s turn before the tape comes out.",
                "why-each-condition-matters"
            );
    }

    /// <summary>What was wrong with it before anybody began, and whether it was found.</summary>
    private static IEnumerable<ScoreLine> Found(PracticeRun run, double of)
    {
        HiddenFault[] faults = [.. run.Truth.Faults.Where(f => LookRule.CauseOf(f.Of) is null)];
        foreach (var fault in faults)
        {
            yield return FoundOne(run, fault, of / faults.Length);
        }
    }

    private static ScoreLine FoundOne(PracticeRun run, HiddenFault fault, double of)
    {
        var rule = LookRule.For(fault.Of);
        var what = LookRule.Found(fault);
        var looked = run.Acts.Any(a => a.At == rule.At && !a.Mends);
        if (!looked)
        {
            return new(
                ScoreArea.Finding,
                0,
                of,
                $"Not looked for: {what}",
                $"{rule.Says}: {rule.Minutes} minutes, before a number counts.",
                "why-each-condition-matters"
            );
        }
        var mend = run.Acts.Where(a => a.At == rule.At && a.Mends).ToArray();
        if (rule.Mend is null)
        {
            return new(ScoreArea.Finding, of, of, $"Found: {what}", null, null);
        }
        if (mend.Length == 0)
        {
            return new(
                ScoreArea.Finding,
                of / 2,
                of,
                $"Found and left as it was: {what}",
                $"{rule.Mend}, then read: what was read before counts with it in.",
                "why-each-condition-matters"
            );
        }
        var round = Last(run);
        var stale =
            round is null
            || run.Job.Readings.Any(r =>
                r.WalkRoundId == round.Id && r.Value is not null && r.TakenAt < mend[0].Instant
            );
        return stale
            ? new(
                ScoreArea.Finding,
                of / 2,
                of,
                $"Found and put right, after it was read: {what}",
                "Begin a new walk-round once something was put right: old and new readings do not mix.",
                "walk-round"
            )
            : new(ScoreArea.Finding, of, of, $"Found, put right, then read: {what}", null, null);
    }

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
                    .Concat(left > 0 ? [$"{left} steps were not done."] : [])
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
