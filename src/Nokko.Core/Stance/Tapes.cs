using Nokko.Core.WalkRounds;

namespace Nokko.Core.Stance;

/// <summary>With what two rounds were read: the same tape under the same check errs alike in both, and goes out of their difference; another one does not.</summary>
/// <remarks>Source: docs/computation/uncertainty.md#instruments.</remarks>
internal static class Tapes
{
    /// <summary>What a difference of tapes is called among the conditions.</summary>
    public const string Key = "tape";

    /// <summary>In what the tapes differ, where all stations were read with one before and with one after; and whether they are mixed, so that each station must be looked at by itself.</summary>
    /// <param name="before">The earlier stance.</param>
    /// <param name="after">The later stance.</param>
    public static (ConditionDifference? Differ, bool Mixed) Between(
        WalkRoundStance before,
        WalkRoundStance after
    )
    {
        (StationHeight Before, StationHeight After)[] both =
        [
            .. before
                .Stations.Select(a =>
                    (a, after.Stations.FirstOrDefault(b => b.Station == a.Station))
                )
                .Where(p => p.Item2 is not null)
                .Select(p => (p.a, p.Item2!)),
        ];
        if (both.All(p => p.Before.Tape.Of is null && p.After.Tape.Of is null))
        {
            // Nobody names tapes here: it is taken to be the same one, as ever.
            return (null, both.Any(p => p.Before.Tape.U + p.After.Tape.U > 0));
        }
        var (first, then) = both[0];
        if (!both.All(p => Like(p.Before, first) && Like(p.After, then)))
        {
            return (null, true);
        }
        return U(first, then) is var u and > 0
            ? (
                new ConditionDifference(
                    Key,
                    $"Read with {Said(first)} before and with {Said(then)} after: what is not known of their errors shifts all heights alike.",
                    u
                ),
                false
            )
            : (null, false);
    }

    /// <summary>What the tapes leave open in the difference of two heights, mm, standard uncertainty.</summary>
    public static double U(StationHeight before, StationHeight after) =>
        before.Tape.IsThatOf(after.Tape) ? 0 : Rises.Root(Left(before), Left(after));

    private static double Left(StationHeight height) =>
        height.Tape is { Of: null, U: 0 } ? InstrumentRules.UncheckedTapeUMm : height.Tape.U;

    private static bool Like(StationHeight one, StationHeight other) =>
        one.Tape.IsThatOf(other.Tape)
        || (one.Tape.Of is null && other.Tape.Of is null && one.Tape.U == other.Tape.U);

    private static string Said(StationHeight height) =>
        height.Tape.Of?.Name ?? "a tape that nobody named";
}
