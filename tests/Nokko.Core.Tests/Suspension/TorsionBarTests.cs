using CsCheck;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Suspension;

public class TorsionBarTests
{
    private const double PerDegree = 180 / Math.PI;

    private static TorsionBar Bar(double drop = 5, double rate = 40) =>
        new(5500, 400, drop / PerDegree, rate * 1000 * PerDegree);

    private static readonly TorsionAdjuster ByFigures = new(Bar(), 60, 2, null);

    [Fact]
    public void A_turned_anchor_lets_the_arm_down_by_what_the_load_leaves()
    {
        Assert.Equal(31.525, Bar().LiftMm(4 / PerDegree)!.Value, 0.001);
        // 5 turns of 2 mm on a lever of 60: atan(10/60) = 9.4623°.
        Assert.Equal(78.909, ByFigures.LiftMm(5)!.Value, 0.001);
        Assert.Equal(0, Bar().LiftMm(0)!.Value, 1e-9);
    }

    /// <summary>Found a second way: where the energy of twisted bar and lowered load is least, by looking at every slope.</summary>
    [Fact]
    public void It_rests_where_bar_and_load_together_have_least_energy() =>
        Gen.Select(Gen.Double[-20, 20], Gen.Double[25, 90], Gen.Double[-6, 8])
            .Sample(
                (drop, rate, anchor) =>
                {
                    var bar = Bar(drop, rate);
                    var lift = bar.LiftMm(anchor / PerDegree);
                    if (lift is null)
                    {
                        return;
                    }
                    // At ride height the bar holds W·L·cos β: its twist there.
                    var k = rate * 1000 * PerDegree;
                    var twist = 5500 * 400 * Math.Cos(drop / PerDegree) / k;
                    double Energy(double b)
                    {
                        var now = twist + (anchor / PerDegree) - (b - (drop / PerDegree));
                        return (k * now * now / 2) + (5500 * 400 * Math.Sin(b));
                    }
                    var slope = Math.Asin((lift.Value / 400) + Math.Sin(drop / PerDegree));
                    var here = Energy(slope);
                    Assert.All(
                        Enumerable.Range(1, 40).Select(i => i * 0.001),
                        step =>
                        {
                            Assert.True(Energy(slope + step) > here - 1e-6 * Math.Abs(here));
                            Assert.True(Energy(slope - step) > here - 1e-6 * Math.Abs(here));
                        }
                    );
                }
            );

    [Fact]
    public void Tightening_lifts_slackening_lowers_and_more_turns_do_more() =>
        Gen.Select(Gen.Double[-3, 3], Gen.Double[0.1, 2])
            .Sample(
                (turns, more) =>
                    Assert.True(ByFigures.LiftMm(turns + more) > ByFigures.LiftMm(turns))
            );

    [Fact]
    public void A_bar_that_carries_its_load_at_no_height_gives_no_answer()
    {
        // k_t 15 N·m/° = 859,437 N·mm/rad against W·L = 2,200,000: nothing is stable beyond asin(0.39) = 23°.
        Assert.Null(Bar(drop: 25, rate: 15).LiftMm(1 / PerDegree));
        Assert.Null(Bar(drop: 20, rate: 15).LiftMm(20 / PerDegree));
        Assert.True(Bar(drop: 25, rate: 15).RateNPerMm < 0);
    }

    [Fact]
    public void Its_rate_is_the_slope_of_load_over_height()
    {
        // A load that is greater by 1 N sinks by 1/k: solved with the anchor left and the load changed.
        var bar = Bar();
        var (low, high) = (Sinks(5499), Sinks(5501));
        Assert.Equal(2 / (high - low), bar.RateNPerMm, 0.01);

        double Sinks(double load)
        {
            var k = bar.RateNmmPerRad;
            var twist = 5500 * 400 * Math.Cos(bar.DropRad) / k;
            var b = bar.DropRad;
            for (var i = 0; i < 200; i++)
            {
                b = bar.DropRad + twist - (load * 400 * Math.Cos(b) / k);
            }
            return -400 * (Math.Sin(b) - Math.Sin(bar.DropRad));
        }
    }

    [Fact]
    public void What_was_read_by_turning_goes_before_figures_and_is_surer()
    {
        var read = ByFigures with { PerTurnMm = new Estimate(14, 0) };
        Assert.Equal(42, read.LiftMm(3)!.Value, 9);
        Assert.Equal(0.06, read.Share, 9);
        Assert.Equal(0.15, ByFigures.Share, 9);
        Assert.Equal(0.25, (read with { PerTurnMm = new Estimate(-8, 2) }).Share, 9);
        var nothing = new TorsionAdjuster(null, 60, 2, null);
        Assert.False(nothing.Tells);
        Assert.Throws<InvalidOperationException>(() => nothing.LiftMm(1));
    }

    [Fact]
    public void Only_an_axle_on_torsion_bars_has_an_adjuster()
    {
        Assert.Null(TorsionAdjuster.Of(new() { Kind = SuspensionKind.CoilOverArm }, 5500));
        Assert.False(
            TorsionAdjuster.Of(new() { Kind = SuspensionKind.TorsionBarArm }, 5500)!.Tells
        );
    }

    [Fact]
    public void A_dual_rate_coil_gives_by_both_rates_and_has_that_of_its_side()
    {
        var coil = new CoilSpring(20, 400, (3000, 45));
        Assert.Equal(201.111, coil.LengthMm(5200), 0.001);
        Assert.Equal(400 - 125, coil.LengthMm(2500), 9);
        Assert.Equal(250, coil.LengthMm(3000), 9);
        Assert.Equal((20, 20, 45), (coil.RateAt(2999), coil.RateAt(3000), coil.RateAt(3001)));
        // The slope of its length is one over its rate, on either side.
        Gen.Double[10, 6000]
            .Where(n => Math.Abs(n - 3000) > 1)
            .Sample(n =>
                Assert.Equal(
                    1 / coil.RateAt(n),
                    (coil.LengthMm(n - 0.5) - coil.LengthMm(n + 0.5)) / 1,
                    1e-9
                )
            );
    }
}
