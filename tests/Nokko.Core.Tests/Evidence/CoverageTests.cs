using MathNet.Numerics.Distributions;
using Nokko.Core.Evidence;
using Nokko.Core.Plans;
using Nokko.Core.Suspension;
using Xunit;

namespace Nokko.Core.Tests.Evidence;

public class CoverageTests
{
    private static readonly LiftPrior Strut = new(new(3, 6), new(1.9, 0.3), 0.05 * 1.9, 0.2);

    /// <summary>Platforms, vehicles and readings are drawn from what is believed; the band of the next vehicle must hold as often as it says.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    [InlineData(10)]
    [InlineData(30)]
    public void The_95_band_covers_93_to_97_in_100_of_the_next_vehicles(int jobs)
    {
        var random = new Random(20_261 + jobs);
        double Draw(double mean, double sd) => Normal.Sample(random, mean, sd);
        const int Platforms = 2_000;
        var covered = 0;
        for (var p = 0; p < Platforms; p++)
        {
            var (o, rho) = (Draw(3, 6), Draw(1.9, 0.3));
            LiftTrial Job(string vehicle)
            {
                var t = 10 + (random.NextDouble() * 40);
                var real = t + Draw(0, 0.2);
                var v = Draw(0, Strut.VehicleSd);
                return new LiftTrial(vehicle, t, o + ((rho + v) * real) + Draw(0, 2), 2);
            }
            LiftTrial[] seen = [.. Enumerable.Range(0, jobs).Select(i => Job($"{i}"))];
            // Every tenth platform with its spread estimated: the band must not suffer from it.
            var prior = p % 10 == 0 ? VehicleSpread.Estimated(Strut, seen) : Strut;
            var line = seen.Aggregate(new LiftLine(prior), (l, t) => l.Learn(t));
            var next = Job("next");
            var expected = line.Predict("next", next.ThicknessMm);
            var sd = Math.Sqrt((expected.Sd * expected.Sd) + 4 + line.ThicknessVariance(0.2));
            covered += Math.Abs(next.FreeRiseMm - expected.Mean) <= 1.96 * sd ? 1 : 0;
        }
        Assert.InRange((double)covered / Platforms, 0.93, 0.97);
    }

    [Fact]
    public void Four_vehicles_leave_the_usual_spread_and_many_that_differ_move_it()
    {
        LiftTrial Of(int i, double ratio) => new($"{i}", 40, 3 + (ratio * 40), 1);
        LiftTrial[] apart = [.. Enumerable.Range(0, 12).Select(i => Of(i, i % 2 == 0 ? 1.6 : 2.2))];
        LiftTrial[] alike = [.. Enumerable.Range(0, 12).Select(i => Of(i, 1.9))];
        Assert.Equal(Strut, VehicleSpread.Estimated(Strut, apart[..4]));
        Assert.True(VehicleSpread.Estimated(Strut, apart).VehicleSd > 0.15);
        Assert.True(VehicleSpread.Estimated(Strut, alike).VehicleSd < Strut.VehicleSd);
    }
}
