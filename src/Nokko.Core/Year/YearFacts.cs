using System.Text.Json.Serialization;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Stance;

namespace Nokko.Core.Year;

/// <summary>Whether a job was right at the first try.</summary>
public enum FirstTime
{
    /// <summary>The first plan that was fitted on this visit sat as wanted when it was handed over.</summary>
    Right,

    /// <summary>It did not.</summary>
    Missed,

    /// <summary>Nobody can tell: it was not read, not settled, or too near the edge.</summary>
    Untold,

    /// <summary>Nothing was fitted that could be judged.</summary>
    NotFitted,
}

/// <summary>The words of the first try.</summary>
public static class FirstTimeWords
{
    /// <summary>Whether it was right, in a fitter's words.</summary>
    public static string Said(this FirstTime first) =>
        first switch
        {
            FirstTime.Right => "right",
            FirstTime.Missed => "missed",
            FirstTime.Untold => "cannot be told",
            FirstTime.NotFitted => "nothing fitted",
            _ => throw new ArgumentOutOfRangeException(nameof(first)),
        };
}

/// <summary>What a job that is handed over adds to the shop's year: facts, no words, no names.</summary>
/// <remarks>Source: docs/computation/year.md.</remarks>
public sealed record YearFacts
{
    /// <summary>The rules by which it is made; what older ones made is made anew.</summary>
    public const int CurrentRules = 1;

    /// <summary>The rules by which it was made.</summary>
    public required int Rules { get; init; }

    /// <summary>Whether it was right at the first try.</summary>
    public required FirstTime First { get; init; }

    /// <summary>Plans that were fitted on this visit.</summary>
    public required int Passes { get; init; }

    /// <summary>Causes of a miss that somebody found by their check.</summary>
    public IReadOnlyList<CauseKind> Causes { get; init; } = [];

    /// <summary>That it came back for work that was done here; null where it did not.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public YearComeback? Comeback { get; init; }

    /// <summary>Usual minutes of the steps of which somebody noted how long they took.</summary>
    public required double UsualMinutes { get; init; }

    /// <summary>What they took, min.</summary>
    public required double TakenMinutes { get; init; }

    /// <summary>How many such steps.</summary>
    public required int Steps { get; init; }

    /// <summary>Derives the facts of a job; null while it is not handed over, and of one that was told or came in as a copy: its work is another year's, or another shop's.</summary>
    /// <param name="d">The job.</param>
    /// <param name="stances">Its stances.</param>
    public static YearFacts? Of(JobDocument d, IReadOnlyList<WalkRoundStance> stances)
    {
        if (
            d.Job.HandedOverAt is null
            || d.Job.CopiedAt is not null
            || d.Job.BinnedAt is not null
            || d.OwnRounds().Any(w => w.Told)
        )
        {
            return null;
        }
        Plan[] fitted = [.. d.Plans.Where(p => p.BegunAt is not null).OrderBy(p => p.BegunAt)];
        var noted = d.Steps.Where(s => s is { Minutes: > 0, Usual: > 0 }).ToArray();
        return new YearFacts
        {
            Rules = CurrentRules,
            First = FirstOf(d, fitted, JobEvaluator.UntilItLeft(d, stances)),
            Passes = fitted.Length,
            Causes =
            [
                .. d.CheckedCauses.Where(c => c.WasIt).Select(c => c.Kind).Distinct().Order(),
            ],
            Comeback = d.Job.Comeback is { } back ? new(back.For, back.Cause) : null,
            UsualMinutes = noted.Sum(s => s.Usual!.Value),
            TakenMinutes = noted.Sum(s => s.Minutes!.Value),
            Steps = noted.Length,
        };
    }

    /// <summary>By what was read until it was handed over: what it settled afterwards is another question.</summary>
    private static FirstTime FirstOf(
        JobDocument d,
        Plan[] fitted,
        IReadOnlyList<WalkRoundStance> until
    )
    {
        if (fitted is not [{ } first, ..])
        {
            return FirstTime.NotFitted;
        }
        return JobEvaluator.ProofOf(d, first, until)?.Overall switch
        {
            Verdict.Reached => FirstTime.Right,
            Verdict.NotReached => FirstTime.Missed,
            _ => FirstTime.Untold,
        };
    }
}

/// <summary>That a job came back for work that was done here.</summary>
/// <param name="For">What for.</param>
/// <param name="Cause">What it came back by; null where nobody said.</param>
public sealed record YearComeback(ComebackFor For, ComebackCause? Cause);
