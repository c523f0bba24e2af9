using MathNet.Numerics.Distributions;
using Nokko.Core.Evidence;
using Nokko.Core.Suspension;
using Xunit;

namespace Nokko.Core.Tests.Evidence;

public class CoverageTests
{
    private static readonly LiftPrior Strut = LiftPrior.OfPlatform(new(3, 6), new(1.9, 0.3));

    /// <summary>Platforms, vehicles and readings are drawn; vehicles really differ by a tenth, which nobody told.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(3)]
    [InlineData(10)]
    [InlineData(30)]
    public void The_95_band_covers_90_to_98_in_100_where_vehicles_differ_by_a_tenth(int jobs) =>
        Assert.InRange(Covered(jobs, _ => 0.10 * 1.9), 0.90, 0.98);

    /// <summary>Where they differ by less than usual the band may be too wide at first, never too narrow.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(3)]
    [InlineData(10)]
    [InlineData(30)]
    public void The_95_band_holds_where_vehicles_differ_by_three_in_a_hundred(int jobs) =>
        Assert.InRange(Covered(jobs, _ => 0.03 * 1.9), 0.94, 1);

    /// <summary>Where the spread is drawn from what is believed, the band is right.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    [InlineData(10)]
    [InlineData(30)]
    public void The_95_band_covers_93_to_97_in_100_where_spreads_are_as_believed(int jobs) =>
        Assert.InRange(
            Covered(
                jobs,
                random =>
                    Strut.MedianSpread
                    * Math.Exp(Math.Log(SpreadGrid.Factor) * Normal.Sample(random, 0, 1))
            ),
            0.93,
            0.97
        );

    private static double Covered(int jobs, Func<Random, double> spread)
    {
        var random = new Random(20_261 + jobs);
        double Draw(double mean, double sd) => Normal.Sample(random, mean, sd);
        const int Platforms = 2_000;
        var covered = 0;
        for (var p = 0; p < Platforms; p++)
        {
            var (o, rho, sd) = (Draw(3, 6), Draw(1.9, 0.3), spread(random));
            LiftTrial Job()
            {
                var t = 10 + (random.NextDouble() * 40);
                var real = t + Draw(0, 0.2);
                return new LiftTrial(t, o + ((rho + Draw(0, sd)) * real) + Draw(0, 2), 2, 1.9);
            }
            var sums = LiftSums.None;
            for (var i = 0; i < jobs; i++)
            {
                sums = sums.Plus(VehicleSums.Of([Job()]));
            }
            var next = Job();
            var expected = new LiftLine(Strut, sums).Belief(default).Rise(1, next.ThicknessMm);
            var all = Math.Sqrt((expected.Sd * expected.Sd) + next.Variance);
            covered += Math.Abs(next.FreeRiseMm - expected.Mean) <= 1.96 * all ? 1 : 0;
        }
        return (double)covered / Platforms;
    }
}
