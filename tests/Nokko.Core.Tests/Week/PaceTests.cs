using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Week;
using Xunit;

namespace Nokko.Core.Tests.Week;

/// <summary>How long work takes, from the card and from what such steps took here.</summary>
public class PaceTests
{
    private static WorkLeft Left(string work, double usual, int people = 1, bool second = false) =>
        new(work, second, usual, people);

    private static TimedStep Timed(int fitting, string work, double minutes, double usual = 30) =>
        new(Sample.Id(fitting), work, false, minutes, usual);

    /// <summary>Made-up times of some fittings: a pace of 1.4, kinds and vehicles off it by a fixed pattern.</summary>
    private static TimedStep[] Past(int fittings = 6, int kinds = 5) =>
        [
            .. from f in Enumerable.Range(0, fittings)
            from k in Enumerable.Range(0, kinds)
            let off = (0.2 * Math.Sin(k * 2.1))
                + (0.1 * Math.Cos(f * 1.7))
                + (0.15 * Math.Sin((f * 7) + (k * 3)))
            select Timed(100 + f, $"kind {k}", 20 * (k + 1) * 1.4 * Math.Exp(off), 20 * (k + 1)),
        ];

    [Fact]
    public void Without_any_time_the_rule_of_thumb_is_the_median()
    {
        var time = Pace.Of([]).Of(null, [Left("strut", 60)]);
        Assert.Equal(60, time.Median, 9);
        // 0.4² + 0.4² + 0.25² + 0.35² = 0.505
        Assert.Equal(Math.Sqrt(0.505), time.LogSd, 9);
        Assert.Equal(0.4, time.SharedLogSd, 9);
        Assert.Equal((1, 0, 0), (time.Steps, time.Timed, time.TwoSteps));
    }

    [Fact]
    public void Nothing_left_takes_no_time()
    {
        var time = Pace.Of(Past()).Of(null, []);
        Assert.Equal(0, time.Median);
        Assert.Equal(0, time.At(1.28));
    }

    [Theory]
    [InlineData(6, 5)]
    [InlineData(4, 9)]
    [InlineData(5, 5)]
    public void What_is_foretold_is_what_a_dense_solution_of_the_same_model_says(
        int fittings,
        int kinds
    )
    {
        var past = Past(fittings, kinds);
        var pace = Pace.Of(past);
        // Marginal: every time is normal, with what it shares with each other one; nothing is solved for but the answer.
        double Shared(TimedStep a, TimedStep b) =>
            (0.4 * 0.4)
            + (a.Work == b.Work ? 0.4 * 0.4 : 0)
            + (a.Fitting == b.Fitting ? 0.25 * 0.25 : 0);
        var v = Matrix<double>.Build.Dense(
            past.Length,
            past.Length,
            (i, j) => Shared(past[i], past[j]) + (i == j ? 0.35 * 0.35 : 0)
        );
        var y = Vector<double>.Build.Dense(
            past.Length,
            i => Math.Log(past[i].Minutes / past[i].Usual)
        );
        var spread = (Pace.Weight + (y * v.Inverse() * y)) / (Pace.Weight + past.Length);
        Assert.Equal(spread, pace.Spread, 9);
        foreach (var work in new[] { "kind 2", "never done" })
        {
            foreach (var fitting in new[] { 103, 999 })
            {
                var next = Timed(fitting, work, 30);
                var k = Vector<double>.Build.Dense(past.Length, i => Shared(next, past[i]));
                var mean = k * v.Inverse() * y;
                var variance =
                    spread * (Shared(next, next) + (0.35 * 0.35) - (k * v.Inverse() * k));
                var time = pace.Of(Sample.Id(fitting), [Left(work, 30)]);
                Assert.Equal(30 * Math.Exp(mean), time.Median, 6);
                Assert.Equal(Math.Sqrt(variance), time.LogSd, 6);
                Assert.Equal(work == "kind 2" ? 1 : 0, time.Timed);
            }
        }
    }

    [Fact]
    public void Steps_hang_together_as_in_a_dense_solution()
    {
        foreach (var (fittings, kinds) in new[] { (6, 5), (4, 9) })
        {
            var past = Past(fittings, kinds);
            WorkLeft[] left = [Left("kind 2", 30), Left("kind 3", 50), Left("new", 20)];
            double Shared(TimedStep a, TimedStep b) =>
                (0.4 * 0.4)
                + (a.Work == b.Work ? 0.4 * 0.4 : 0)
                + (a.Fitting == b.Fitting ? 0.25 * 0.25 : 0);
            var next = left.Select(l => Timed(102, l.Work, l.Usual, l.Usual)).ToArray();
            var v = Matrix<double>.Build.Dense(
                past.Length,
                past.Length,
                (i, j) => Shared(past[i], past[j]) + (i == j ? 0.35 * 0.35 : 0)
            );
            var k = Matrix<double>.Build.Dense(3, past.Length, (i, j) => Shared(next[i], past[j]));
            var y = Vector<double>.Build.Dense(
                past.Length,
                i => Math.Log(past[i].Minutes / past[i].Usual)
            );
            var pace = Pace.Of(past);
            var mean = k * v.Inverse() * y;
            var c =
                pace.Spread
                * (
                    Matrix<double>.Build.Dense(
                        3,
                        3,
                        (i, j) => Shared(next[i], next[j]) + (i == j ? 0.35 * 0.35 : 0)
                    ) - (k * v.Inverse() * k.Transpose())
                );
            var e = Enumerable
                .Range(0, 3)
                .Select(i => left[i].Usual * Math.Exp(mean[i] + (c[i, i] / 2)))
                .ToArray();
            var variance = Enumerable
                .Range(0, 3)
                .Sum(i => Enumerable.Range(0, 3).Sum(j => e[i] * e[j] * (Math.Exp(c[i, j]) - 1)));
            var time = pace.Of(Sample.Id(102), left);
            Assert.Equal(Math.Sqrt(Math.Log(1 + (variance / Math.Pow(e.Sum(), 2)))), time.LogSd, 9);
            Assert.Equal(e.Sum(), time.Median * Math.Exp(time.LogSd * time.LogSd / 2), 6);
        }
    }

    [Fact]
    public void The_sum_of_steps_is_what_drawing_them_gives()
    {
        WorkLeft[] left =
        [
            Left("strut", 60, 2),
            Left("strut", 60, 2),
            Left("arm", 40),
            Left("bleed", 25),
        ];
        var time = Pace.Of([]).Of(null, left);
        // Drawn one part after the other, as the words say: the shop, the vehicle, each kind, the rest.
        var chance = new Random(7);
        double Normal() =>
            Math.Sqrt(-2 * Math.Log(1 - chance.NextDouble()))
            * Math.Cos(2 * Math.PI * chance.NextDouble());
        var sums = new double[40_000];
        for (var n = 0; n < sums.Length; n++)
        {
            var (shop, vehicle) = (0.4 * Normal(), 0.25 * Normal());
            var kinds = new Dictionary<string, double>();
            foreach (var step in left)
            {
                kinds.TryAdd(step.Work, 0.4 * Normal());
                sums[n] +=
                    step.Usual * Math.Exp(shop + vehicle + kinds[step.Work] + (0.35 * Normal()));
            }
        }
        var mean = sums.Average();
        Assert.InRange(
            time.Median * Math.Exp(time.LogSd * time.LogSd / 2),
            mean * 0.99,
            mean * 1.01
        );
        Array.Sort(sums);
        Assert.InRange(time.Median, sums[20_000] * 0.97, sums[20_000] * 1.03);
        Assert.InRange(time.At(1.2816), sums[36_000] * 0.95, sums[36_000] * 1.05);
        Assert.InRange(time.At(-1.2816), sums[4_000] * 0.95, sums[4_000] * 1.05);
        Assert.Equal(2, time.TwoSteps);
        Assert.Equal(120.0 / 185, time.TwoShare, 9);
    }

    [Fact]
    public void Steps_of_one_kind_share_how_far_their_rule_of_thumb_is_off()
    {
        var pace = Pace.Of([]);
        var alike = pace.Of(null, [Left("strut", 60), Left("strut", 60)]);
        var apart = pace.Of(null, [Left("strut", 60), Left("arm", 60)]);
        Assert.True(alike.LogSd > apart.LogSd + 0.05);
        // The second side is another kind: it goes faster, and by how much is learned apart.
        var sides = pace.Of(null, [Left("strut", 60), Left("strut", 60, second: true)]);
        Assert.Equal(apart.LogSd, sides.LogSd, 12);
    }

    [Fact]
    public void A_shop_that_takes_longer_is_foretold_longer_also_for_what_it_never_did()
    {
        var pace = Pace.Of(
            from f in Enumerable.Range(0, 40)
            from k in Enumerable.Range(0, 10)
            select Timed(100 + f, $"kind {k}", 45, 30)
        );
        Assert.InRange(pace.Factor, 1.4, 1.5);
        Assert.InRange(pace.Of(null, [Left("never done", 60)]).Median, 84, 90);
        Assert.True(pace.LogSd < 0.1);
        // Every time was the same against its rule of thumb: here they spread less than elsewhere.
        Assert.True(pace.Spread < 0.1);
    }

    [Fact]
    public void A_vehicle_that_goes_slowly_goes_on_slowly()
    {
        TimedStep[] past = [.. Past()];
        TimedStep[] rusty =
        [
            .. Enumerable
                .Range(0, 5)
                .Select(k => Timed(500, $"kind {k}", 20 * (k + 1) * 3.0, 20 * (k + 1))),
        ];
        var pace = Pace.Of([.. past, .. rusty]);
        WorkLeft[] left = [Left("kind 1", 40), Left("other", 60)];
        Assert.True(pace.Of(Sample.Id(500), left).Median > 1.15 * pace.Of(null, left).Median);
    }

    [Fact]
    public void A_clock_that_ran_over_night_is_no_time()
    {
        var past = Past();
        var with = Pace.Of([
            .. past,
            Timed(100, "kind 1", 30 * 8.1),
            Timed(100, "kind 1", 30 / 8.1),
        ]);
        Assert.Equal(Pace.Of(past).Factor, with.Factor, 12);
        Assert.Equal(past.Length, with.Timed);
        Assert.Equal(past.Length + 1, Pace.Of([.. past, Timed(100, "kind 1", 30 * 7.9)]).Timed);
        Assert.Equal(past.Length, Pace.Of([.. past, Timed(1, "a", 0), Timed(1, "a", 5, 0)]).Timed);
    }

    [Fact]
    public void What_nobody_knows_yet_spreads_more()
    {
        var pace = Pace.Of([]);
        var guess = pace.Of(null, [Left("?", 240) with { Guess = true }]);
        Assert.Equal(Math.Sqrt(0.16 + 0.36 + 0.0625 + 0.1225), guess.LogSd, 9);
    }

    [Fact]
    public void A_fitters_own_word_stands_less_what_is_done()
    {
        var byCard = Pace.Of([]).Of(null, [Left("strut", 60, 2)]);
        var word = Pace.ByWord(300, 0.4, byCard);
        Assert.Equal(120, word.Median);
        Assert.Equal((Pace.OwnWordSd, 0), (word.LogSd, word.SharedLogSd));
        Assert.Equal(1, word.TwoSteps);
        Assert.Equal(0, Pace.ByWord(300, 0, byCard).LogSd);
    }
}
