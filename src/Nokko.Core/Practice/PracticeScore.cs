namespace Nokko.Core.Practice;

/// <summary>What a part of the score is about.</summary>
public enum ScoreArea
{
    /// <summary>What was read off the tape.</summary>
    Reading,

    /// <summary>How the vehicle stood when it was read.</summary>
    Conditions,

    /// <summary>What was wrong with it and nobody said.</summary>
    Finding,

    /// <summary>Where the plan lands.</summary>
    Plan,

    /// <summary>What it took.</summary>
    Cost,

    /// <summary>How the card was worked through.</summary>
    Fitting,

    /// <summary>What was proved at the end.</summary>
    Proof,
}

/// <summary>A part of the score.</summary>
/// <param name="Area">What it is about.</param>
/// <param name="Got">Points.</param>
/// <param name="Of">Points that could be had.</param>
/// <param name="Said">What was done, and what was true.</param>
/// <param name="Learn">The one thing to learn from it; null where nothing was lost.</param>
/// <param name="Guide">Heading of the guide that tells more, as its anchor; null where nothing was lost.</param>
public sealed record ScoreLine(
    ScoreArea Area,
    double Got,
    double Of,
    string Said,
    string? Learn,
    string? Guide
);

/// <summary>What an exercise came to.</summary>
/// <remarks>Source: docs/computation/practice.md#score. A function of what is true and what was done, nothing else.</remarks>
/// <param name="Lines">Its parts, in the order of the work.</param>
public sealed partial record PracticeScore(IReadOnlyList<ScoreLine> Lines)
{
    /// <summary>Points of 100.</summary>
    public double Points =>
        Lines.Sum(l => l.Of) is > 0 and var all ? Math.Round(100 * Lines.Sum(l => l.Got) / all) : 0;

    /// <summary>Whether the level is passed.</summary>
    public bool Passed => Points >= CourseRule.Passes;

    /// <summary>The one thing to learn first: of the part in which most was lost; null where nothing was.</summary>
    public string? First => Lines.Where(l => l.Learn is not null).MaxBy(l => l.Of - l.Got)?.Learn;

    /// <summary>The score of an exercise as it was handed in.</summary>
    /// <param name="run">The exercise.</param>
    public static PracticeScore Of(PracticeRun run)
    {
        var best = new Lazy<PracticeOutcome?>(run.Best);
        return new([
            .. run.Truth.Course switch
            {
                Course.Measure => [.. Readings(run, 60), Conditions(run, 20), .. Found(run, 20)],
                Course.Level =>
                [
                    .. Readings(run, 24),
                    Conditions(run, 8),
                    .. Found(run, 8),
                    Lands(run, best, 25),
                    Cost(run, best, 10),
                    .. Card(run, 15),
                    Proved(run, 10),
                ],
                Course.WentWrong =>
                [
                    .. Readings(run, 18),
                    Conditions(run, 8),
                    .. CauseFound(run, 44),
                    .. Found(run, 8),
                    Spared(run, 10),
                    Proved(run, 12),
                ],
                _ => (ScoreLine[])[Lands(run, best, 70), Cost(run, best, 30)],
            },
        ]);
    }
}
