using CsCheck;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Suspension;

public class SpringsTests
{
    [Fact]
    public void A_makers_lift_at_another_load_is_the_worked_number_over_standard_and_over_today()
    {
        Assert.Equal(34.17, SpringChange.OverStandardMm(46.67, 5000, 5500, 40), 2);
        Assert.Equal(50.84, SpringChange.OverTodayMm(46.67, 5000, 5500, 40, 30, 0), 2);
    }

    [Fact]
    public void Free_lengths_and_a_makers_lift_are_two_ways_to_one_number() =>
        Gen.Select(
                Gen.Double[20, 60],
                Gen.Double[20, 60],
                Gen.Double[3000, 7000],
                Gen.Double[3000, 7000]
            )
            .Sample(
                (oldRate, newRate, design, load) =>
                {
                    CoilSpring old = new(oldRate, 480);
                    CoilSpring next = new(newRate, 500);
                    // What its maker would print: the difference at the design load.
                    var printed = next.LengthMm(design) - old.LengthMm(design);
                    Assert.Equal(
                        SpringChange.LongerMm(old, next, load),
                        SpringChange.OverTodayMm(printed, design, load, newRate, oldRate, 0),
                        1e-9
                    );
                }
            );

    [Fact]
    public void A_heavier_engine_eats_a_lift_and_sag_flatters_one()
    {
        Assert.True(
            SpringChange.OverStandardMm(40, 5000, 5600, 35)
                < SpringChange.OverStandardMm(40, 5000, 5000, 35)
        );
        Assert.Equal(
            12,
            SpringChange.OverTodayMm(40, 5000, 5000, 35, 30, 12)
                - SpringChange.OverTodayMm(40, 5000, 5000, 35, 30, 0),
            9
        );
    }

    [Fact]
    public void A_ballast_test_finds_the_rate_that_moved_it() =>
        Gen.Select(Gen.Double[15, 60], Gen.Double[80, 300], Gen.Double[0, 3])
            .Where((k, kg, _) => kg * 9.80665 / 2 / k > 12)
            .Sample(
                (k, kg, friction) =>
                {
                    // Over the rear axle all of it is there; friction holds back half each way.
                    var drop = kg * 9.80665 / 2 / k;
                    var (rate, why) = BallastTest.Rate(
                        Axle.Rear,
                        kg,
                        3000,
                        3000,
                        520 + friction,
                        520 - drop,
                        520 - friction
                    );
                    Assert.Null(why);
                    Assert.Equal(k, rate!.Value, 1e-9 * k);
                    Assert.Equal(Known.Measured, rate.Known);
                    // Two readings count by half, the one with the weight by a whole: 1.5 mm² of the tape's 1 mm;
                    // a quarter of what it did not come back by; the weight to 2 %.
                    var share = Math.Sqrt(1.5 + (friction * friction / 4)) / drop;
                    Assert.Equal(
                        Math.Sqrt((share * share) + 0.0004),
                        rate.U!.Value / rate.Value,
                        1e-9
                    );
                }
            );

    [Theory]
    // Behind the front axle, of 3,000; what of it each axle carries.
    [InlineData(Axle.Front, 600, 0.8)]
    [InlineData(Axle.Rear, 600, 0.2)]
    [InlineData(Axle.Front, -300, 1.1)]
    [InlineData(Axle.Rear, 3300, 1.1)]
    public void A_weight_counts_for_an_axle_by_what_it_carries_of_it(
        Axle axle,
        double behind,
        double share
    )
    {
        var drop = 250 * 9.80665 * share / 2 / 25;
        var rate = BallastTest.Rate(axle, 250, behind, 3000, 520, 520 - drop, 520).Rate;
        Assert.Equal(25, rate!.Value, 1e-9);
    }

    [Theory]
    [InlineData(100, 100, 520, 510, 519, "behind")]
    [InlineData(100, 2900, 520, 517, 520, "with")]
    [InlineData(100, 2900, 520, 490, 500, "after")]
    public void A_test_that_tells_nothing_is_refused_where_it_went_wrong(
        double kg,
        double behind,
        double without,
        double with,
        double after,
        string field
    ) =>
        Assert.Equal(
            field,
            BallastTest.Rate(Axle.Rear, kg, behind, 3000, without, with, after).Why!.Value.Field
        );
}
