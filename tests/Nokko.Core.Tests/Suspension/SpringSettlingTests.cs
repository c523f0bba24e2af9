using CsCheck;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Suspension;

/// <summary>How far springs come down by 500 miles, and what vehicles teach of it.</summary>
public class SpringSettlingTests
{
    private static readonly SpringKey Spring = new(Sample.Id(1), Axle.Front, LiftFamily.Spring);

    private static SettledSums Sums(params SettledTrial[] trials) =>
        new(
            Spring,
            trials.Length,
            trials.Sum(t => SpringSettling.Weight(t, true)),
            trials.Sum(t => SpringSettling.Weight(t, true) * t.Mm)
        );

    private static SettledTrial Read(double mm, double u) => new(Spring, mm, u);

    /// <summary>Worked by hand in docs/computation/settling.md#learned.</summary>
    [Fact]
    public void Three_vehicles_are_weighed_against_the_rule_of_thumb()
    {
        var sums = Sums(Read(9, 1.5), Read(7, 1.5), Read(8, 1.5));
        var mean = SpringSettling.Mean(true, sums);
        Assert.Equal(7.549, mean.Mean, 0.001);
        Assert.Equal(1.552, mean.Sd, 0.001);
        var next = SpringSettling.Next(true, sums, SpringSettling.Told);
        Assert.Equal(7.549, next.Mean, 0.001);
        Assert.Equal(2.942, next.Sd, 0.001);
    }

    /// <summary>Second way: the joint Gaussian of mean and vehicles, conditioned on a grid.</summary>
    [Fact]
    public void The_mean_is_what_a_grid_of_means_finds()
    {
        SettledTrial[] trials = [Read(11, 0.8), Read(4, 3), Read(6.5, 1.7), Read(-1, 5)];
        var (weight, first, second) = (0.0, 0.0, 0.0);
        for (var m = -20.0; m <= 30; m += 0.01)
        {
            var log = -Math.Pow((m - 5) / 4, 2) / 2;
            foreach (var t in trials)
            {
                log -= Math.Pow(t.Mm - m, 2) / (2 * ((t.U * t.U) + (2.5 * 2.5)));
            }
            var p = Math.Exp(log);
            (weight, first, second) = (weight + p, first + (p * m), second + (p * m * m));
        }
        var mean = SpringSettling.Mean(true, Sums(trials));
        Assert.Equal(first / weight, mean.Mean, 1e-6);
        Assert.Equal(Math.Sqrt((second / weight) - Math.Pow(first / weight, 2)), mean.Sd, 1e-6);
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(80, 0.394)]
    [InlineData(160.934, 0.636)]
    [InlineData(804.672, 1)]
    [InlineData(3000, 1)]
    public void Most_of_it_comes_in_the_first_hundred_miles(double km, double share) =>
        Assert.Equal(share, SpringSettling.Share(km), 0.001);

    [Fact]
    public void Nothing_shown_is_the_rule_of_thumb_with_the_spread_between_vehicles()
    {
        foreach (var isNew in new[] { true, false })
        {
            var usual = SpringSettling.Usual(isNew);
            var next = SpringSettling.Next(isNew, null, SpringSettling.Told);
            Assert.Equal(usual.Mean, next.Mean, 1e-12);
            Assert.Equal(
                Math.Sqrt(Math.Pow(usual.Sd, 2) + Math.Pow(SpringSettling.Spread(isNew), 2)),
                next.Sd,
                1e-12
            );
        }
        Assert.Equal(new Estimate(0, 2.5), SpringSettling.Next(true, null, 0));
    }

    /// <summary>A vehicle that does what is expected of it at any distance shows the same by 500 miles, and less surely the earlier.</summary>
    [Fact]
    public void What_is_read_early_is_carried_on_and_known_less()
    {
        Gen.Double[85, 1600]
            .Select(Gen.Double[85, 1600], Gen.Double[1, 15])
            .Sample(
                (a, b, whole) =>
                {
                    var (near, far) = (Math.Min(a, b), Math.Max(a, b));
                    SettledTrial At(double km) =>
                        SpringSettling.Trial(
                            Spring,
                            true,
                            new Estimate(whole * SpringSettling.Share(km), 1),
                            km
                        );
                    Assert.Equal(whole, At(near).Mm, 1e-9);
                    Assert.True(At(near).U >= At(far).U - 1e-12);
                    Assert.True(At(far).U >= 1 - 1e-12);
                },
                iter: 200
            );
    }

    [Fact]
    public void Many_vehicles_leave_the_spread_between_them()
    {
        var sums = Sums([.. Enumerable.Range(0, 400).Select(_ => Read(9, 1))]);
        var next = SpringSettling.Next(true, sums, SpringSettling.Told);
        Assert.Equal(9, next.Mean, 0.01);
        Assert.Equal(2.5, next.Sd, 0.01);
    }
}
