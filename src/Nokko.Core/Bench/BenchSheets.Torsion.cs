using Nokko.Core.Suspension;
using Nokko.Core.Units;

namespace Nokko.Core.Bench;

/// <content>Turns of a torsion bar.</content>
public static partial class BenchSheets
{
    private static BenchAnswer Torsion(Func<string, double?> number)
    {
        var (before, after, between) = (number("before"), number("after"), number("between"));
        var given = new[] { before, after, between }.Count(n => n is not null);
        if (given is 1 or 2 || between is 0)
        {
            throw new BenchException(
                before is null ? "before"
                    : after is null ? "after"
                    : "between",
                "Height before, height after, and the turns between them: all three tell what a turn does."
            );
        }
        if (given == 3 && after == before)
        {
            throw new BenchException(
                "after",
                "Nothing rose: was the bolt still slack, or was it not rolled? Turn on, roll, read again."
            );
        }
        var adjuster = new TorsionAdjuster(
            new TorsionBar(
                number("load")!.Value * Gravity.NPerKg,
                number("arm")!.Value,
                number("drop")!.Value / Degrees,
                number("rate")!.Value * 1000 * Degrees
            ),
            number("lever"),
            number("pitch"),
            given == 3
                ? new Estimate(
                    (after - before)!.Value / between!.Value,
                    TapeUMm * Math.Sqrt(2) / Math.Abs(between.Value)
                )
                : null
        );
        var turns = number("turns")!.Value;
        if (adjuster.LiftMm(turns) is not { } lift || adjuster.LiftMm(1) is not { } turn)
        {
            throw new BenchException("turns", TorsionAdjuster.NoHeight());
        }
        return new BenchAnswer(
            [
                Length("The lip rises by", lift, adjuster.Share * Math.Abs(lift)),
                Length("A turn lifts", turn, adjuster.Share * Math.Abs(turn)),
                new LabelledResult(
                    "Rate at the ball joint",
                    Result.Of(adjuster.Bar!.RateNPerMm, Unit.NewtonPerMm, null, [])
                ),
            ],
            [
                given == 3
                    ? "By what was read: both adjusters turned alike."
                    : "By the bar's figures, to about 15 %: turn once, roll and read for a better one.",
                "The travel stays where it was: what it lifts is taken from the droop.",
            ]
        );
    }
}
