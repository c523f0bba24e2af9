using CsCheck;
using Nokko.Core.Evidence;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Evidence;

public class LiftLineTests
{
    private static readonly LiftPrior Strut = new(new(3, 6), new(1.9, 0.3), 0.05 * 1.9, 0);

    [Fact]
    public void One_job_moves_offset_and_ratio_as_worked_out()
    {
        var line = new LiftLine(Strut).Learn(new("a", 30, 66, 2));
        Assert.Equal(4.67283, line.OffsetMm.Mean, 5);
        Assert.Equal(2.02546, line.RatioEstimate.Mean, 5);
        AssertNear(45.434, 2.259, line.Predict("a", 20));
        AssertNear(45.182, 3.589, line.Predict("another", 20));
    }

    [Fact]
    public void Before_any_job_the_prior_speaks()
    {
        var h = new LiftLine(Strut).Predict("a", 25.4);
        Assert.Equal(3 + (1.9 * 25.4), h.Mean, 9);
        Assert.Equal(Math.Sqrt(36 + (25.4 * 25.4 * (0.09 + (0.095 * 0.095)))), h.Sd, 9);
    }

    [Fact]
    public void A_change_between_two_stacks_needs_no_offset_and_none_changes_nothing()
    {
        var line = new LiftLine(Strut);
        Assert.Equal(1.9 * -10, line.Change("a", 30, 20).Mean, 9);
        Assert.Equal(-line.Predict("a", 30).Mean, line.Change("a", 30, 0).Mean, 9);
        Assert.Equal(new Estimate(0, 0), line.Change("a", 0, 0));
        Assert.Equal(0, line.Change("a", 25, 25).Sd, 9);
    }

    [Fact]
    public void The_order_of_jobs_does_not_matter() =>
        Gen.Select(Gen.Double[10, 60], Gen.Double[20, 130], Gen.Double[10, 60], Gen.Double[20, 130])
            .Sample(
                (t1, h1, t2, h2) =>
                {
                    LiftTrial a = new("a", t1, h1, 2),
                        b = new("b", t2, h2, 3);
                    var (x, y) = (
                        new LiftLine(Strut).Learn(a).Learn(b),
                        new LiftLine(Strut).Learn(b).Learn(a)
                    );
                    return Near(x.OffsetMm, y.OffsetMm)
                        && Near(x.RatioEstimate, y.RatioEstimate)
                        && Near(x.Predict("b", 20), y.Predict("b", 20));
                }
            );

    [Fact]
    public void The_update_equals_a_numerically_integrated_posterior()
    {
        // Second way: sum prior × likelihood over a fine grid of offset and total ratio of one vehicle.
        var (t, h, u) = (30.0, 66.0, 2.0);
        var sdTotal = Math.Sqrt((0.3 * 0.3) + (0.095 * 0.095));
        var (weight, o, r) = (0.0, 0.0, 0.0);
        for (var i = -400; i <= 400; i++)
        {
            for (var j = -400; j <= 400; j++)
            {
                var (a, b) = (3 + (6 * i / 80.0), 1.9 + (sdTotal * j / 80.0));
                var p = Math.Exp(
                    -0.5
                        * (
                            Math.Pow(i / 80.0, 2)
                            + Math.Pow(j / 80.0, 2)
                            + Math.Pow((h - a - (b * t)) / u, 2)
                        )
                );
                (weight, o, r) = (weight + p, o + (p * a), r + (p * b));
            }
        }
        var line = new LiftLine(Strut).Learn(new("a", t, h, u));
        Assert.Equal(o / weight, line.OffsetMm.Mean, 3);
        Assert.Equal((o / weight) + (r / weight * 20), line.Predict("a", 20).Mean, 2);
    }

    [Theory]
    [InlineData(0, 50, 2)]
    [InlineData(-5, 50, 2)]
    [InlineData(25, 50, 0)]
    [InlineData(25, double.NaN, 2)]
    public void An_impossible_job_teaches_nothing(double t, double h, double u) =>
        Assert.Throws<ArgumentException>(() => new LiftLine(Strut).Learn(new("a", t, h, u)));

    private static void AssertNear(double mean, double sd, Estimate found)
    {
        Assert.Equal(mean, found.Mean, 3);
        Assert.Equal(sd, found.Sd, 3);
    }

    private static bool Near(Estimate a, Estimate b) =>
        Math.Abs(a.Mean - b.Mean) < 1e-8 && Math.Abs(a.Sd - b.Sd) < 1e-8;
}
