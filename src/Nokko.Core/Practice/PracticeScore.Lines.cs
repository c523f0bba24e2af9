using Nokko.Core.Jobs;
using Nokko.Core.Papers;
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

    /// <summary>The walk-round that counts: the learner's last one. What others read before is no work of theirs.</summary>
    private static WalkRound? Last(PracticeRun run) =>
        run.Job.OwnRounds().Where(w => !w.FromDocument && w.At >= run.Since).MaxBy(w => w.At);

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
        var name = RecordPaper.Sentence(Corners.Said(station));
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
        var off = height.Height.Have().Mean - truth;
        var got = Math.Abs(off) switch
        {
            <= RightMm => of,
            <= NearMm => of / 2,
            _ => 0,
        };
        var stated = LengthText.Show(height.Height.Have().Mean, LengthStyle.Inches);
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
            $"{name}: {stated}, and it stood at {LengthText.Show(truth, LengthStyle.Inches)}.",
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
}
