using Nokko.Core.Units;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Stance;

/// <summary>What everything that was read with one instrument under one check errs by alike: it goes out of a difference, and stays whole in a mean.</summary>
/// <remarks>Source: docs/computation/uncertainty.md#instruments.</remarks>
/// <param name="Of">The instrument; null where nobody named one, or where the reads of one place were taken with several.</param>
/// <param name="U">Standard uncertainty of what is left of its error, in the unit of the value.</param>
public sealed record SharedError(ReadBy? Of, double U)
{
    /// <summary>Nothing is shared that anybody knows of.</summary>
    public static SharedError None { get; } = new(null, 0);

    /// <summary>What the reads of one place share with others; reads with several instruments share nothing, and keep the greatest of their errors as their own.</summary>
    /// <param name="reads">Reads of one place.</param>
    /// <param name="value">What they come to, in the unit of the instrument.</param>
    public static SharedError In(IReadOnlyCollection<Reading> reads, double value)
    {
        ReadBy[] by = [.. reads.Select(r => r.By).OfType<ReadBy>()];
        return by.Length == 0 ? None
            : by.Length == reads.Count && by.All(by[0].ErrsLike)
                ? new SharedError(by[0], by[0].UOf(value))
            : new SharedError(null, by.Max(b => b.UOf(value)));
    }

    /// <summary>Whether it is the same error as another one.</summary>
    public bool IsThatOf(SharedError other) =>
        Of is { } one && other.Of is { } two && one.ErrsLike(two);

    /// <summary>A value with what is shared in its uncertainty.</summary>
    public Result On(Result own) =>
        U == 0 || own.Found is not { } found
            ? own
            : Result.Of(found.Mean, own.Unit, Rises.Root(found.Sd, U), own.RestsOn, own.Known);

    /// <summary>A weighted sum of heights of one round: each errs for itself, and those of one tape alike.</summary>
    /// <param name="terms">Factors with what they weigh; at least one.</param>
    public static Result Sum(IReadOnlyCollection<(double Factor, StationHeight Of)> terms)
    {
        var own = Result.Sum(Unit.Mm, [.. terms.Select(t => (t.Factor, t.Of.Own))]);
        var alike = terms
            .Where(t => t.Of.Tape.Of is not null)
            .GroupBy(t => (t.Of.Tape.Of!.Id, t.Of.Tape.Of.CheckId))
            .Select(tape => Math.Pow(tape.Sum(t => t.Factor * t.Of.Tape.U), 2))
            .Sum();
        var apart = terms
            .Where(t => t.Of.Tape.Of is null)
            .Sum(t => Math.Pow(t.Factor * t.Of.Tape.U, 2));
        return new SharedError(null, Math.Sqrt(alike + apart)).On(own);
    }
}
