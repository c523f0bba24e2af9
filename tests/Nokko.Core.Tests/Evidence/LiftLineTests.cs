using Nokko.Core.Evidence;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Evidence;

public class LiftLineTests
{
    /// <summary>The worked numbers of docs/computation/learning.md: one spread, thickness exact.</summary>
    private static readonly LiftBelief OneVehicle = new(
        new(3, 6),
        new(1.9, Math.Sqrt((0.3 * 0.3) + (0.095 * 0.095))),
        0
    );

    private static readonly LiftPrior Strut = LiftPrior.OfPlatform(new(3, 6), new(1.9, 0.3));

    [Fact]
    public void One_job_moves_offset_and_ratio_as_worked_out()
    {
        var after = OneVehicle.After(1, 30, 66, 4);
        Assert.Equal(4.67283, after.OffsetMm.Mean, 5);
        AssertNear(45.434, 2.259, after.Rise(1, 20));
    }

    [Fact]
    public void The_same_job_moves_the_platform_as_worked_out()
    {
        // The platform alone and its vehicle are one Gaussian of three: the vehicle's share is left with it.
        var gain = 0.09 / ((0.09 + (0.095 * 0.095)) * 1);
        var after = OneVehicle.After(1, 30, 66, 4);
        Assert.Equal(2.02546, 1.9 + (gain * (after.Ratio.Mean - 1.9)), 5);
    }

    [Fact]
    public void Before_any_job_the_prior_speaks()
    {
        var belief = new LiftLine(Strut, LiftSums.None).Belief(default);
        Assert.Equal(Strut.Belief().Ratio.Sd, belief.Ratio.Sd, 12);
        var h = belief.Rise(1, 25.4);
        Assert.Equal(3 + (1.9 * 25.4), h.Mean, 9);
        Assert.Equal(
            Math.Sqrt(36 + (25.4 * 25.4 * (0.09 + SpreadGrid.MeanSquare(0.06 * 1.9)))),
            h.Sd,
            9
        );
        Assert.Equal((0, 0), (belief.Jobs, belief.OfThisVehicle));
    }

    [Fact]
    public void A_change_between_two_stacks_needs_no_offset_and_none_changes_nothing()
    {
        Assert.Equal(1.9 * -10, OneVehicle.Rise(0, -10).Mean, 9);
        Assert.Equal(-OneVehicle.Rise(1, 30).Mean, OneVehicle.Rise(-1, -30).Mean, 9);
        Assert.Equal(new Estimate(0, 0), OneVehicle.Rise(0, 0));
    }

    [Fact]
    public void The_update_equals_a_numerically_integrated_posterior()
    {
        // Second way: sum prior × likelihood over a fine grid of offset and total ratio of one vehicle.
        var (t, h, u) = (30.0, 66.0, 2.0);
        var (weight, o, r) = (0.0, 0.0, 0.0);
        for (var i = -400; i <= 400; i++)
        {
            for (var j = -400; j <= 400; j++)
            {
                var (a, b) = (3 + (6 * i / 80.0), 1.9 + (OneVehicle.Ratio.Sd * j / 80.0));
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
        var after = OneVehicle.After(1, t, h, u * u);
        Assert.Equal(o / weight, after.OffsetMm.Mean, 3);
        Assert.Equal((o / weight) + (r / weight * 20), after.Rise(1, 20).Mean, 2);
    }

    [Fact]
    public void A_reading_without_noise_says_nothing_that_can_be_weighed() =>
        Assert.Throws<ArgumentOutOfRangeException>(() => OneVehicle.After(1, 30, 66, 0));

    [Fact]
    public void A_trial_is_as_uncertain_as_its_readings_and_its_thickness()
    {
        // 2 mm of the tape, and 0.2 mm of thickness through a ratio of 1.5.
        Assert.Equal(4 + 0.09, new LiftTrial(25, 50, 2, 1.5).Variance, 12);
    }

    [Theory]
    [InlineData(0, 50, 2, 1.9)]
    [InlineData(-5, 50, 2, 1.9)]
    [InlineData(25, 50, 0, 1.9)]
    [InlineData(25, 50, double.PositiveInfinity, 1.9)]
    [InlineData(25, double.NaN, 2, 1.9)]
    [InlineData(25, 50, 2, double.NaN)]
    public void An_impossible_job_teaches_nothing(double t, double h, double u, double ratio) =>
        Assert.Throws<ArgumentException>(() => VehicleSums.Of([new(t, h, u, ratio)]));

    private static void AssertNear(double mean, double sd, Estimate found)
    {
        Assert.Equal(mean, found.Mean, 3);
        Assert.Equal(sd, found.Sd, 3);
    }
}
