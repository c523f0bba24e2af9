using CsCheck;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Xunit;

namespace Nokko.Core.Tests.Stance;

public class BodyOnSpringsTests
{
    private static readonly AntiRollBar[] FrontBar = [new(0, 1, 9)];

    [Fact]
    public void Ground_that_only_slopes_carries_the_body_along_whatever_the_bars_are_and_one_bump_twists_it()
    {
        Support[] supports =
        [
            new(0, 820, 28, 0),
            new(0, -820, 28, 0),
            new(-3600, 540, 34, 0),
            new(-3600, -540, 34, 0),
        ];
        var body = new BodyOnSprings(supports, [new(0, 1, 9), new(2, 3, 4)]);
        double[] slope = [.. supports.Select(s => 7 + (0.01 * s.XMm) + (0.02 * s.YMm))];
        var motion = body.Follow(slope);
        Assert.All(
            supports.Zip(slope),
            s => Assert.Equal(s.Second, motion.RiseAt(s.First.XMm, s.First.YMm), 9)
        );
        // A longer spring is another thing: there the bar holds the body back.
        Assert.NotEqual(motion.RollRad, body.Solve(slope).RollRad, 1e-4);
        // One wheel on a bump of 10: the bar in front, at k + 2·k_b, takes the body along more than the springs alone.
        var (front, rear) = ((28 + 18) * 820.0 * 820, (34 + 8) * 540.0 * 540);
        Assert.Equal(
            10 / 1640.0 * front / (front + rear),
            body.Follow([10, 0, 0, 0]).RollRad,
            1e-12
        );
    }

    [Fact]
    public void Equal_sides_give_heave_and_pitch_whatever_the_rates()
    {
        var motion = Body([55, 55, 25, 25]).Solve();
        Assert.Equal(55, motion.ZMm, 9);
        Assert.Equal(-0.0083333, motion.PitchRad, 7);
        Assert.Equal(0, motion.RollRad, 12);
        Assert.Equal(42.5, motion.RiseAt(-1500, 880), 9);
    }

    [Fact]
    public void One_front_spring_rolls_the_body()
    {
        var motion = Body([6, 0, 0, 0], FrontBar).Solve();
        Assert.Equal(3, motion.ZMm, 9);
        Assert.Equal(-0.00083333, motion.PitchRad, 8);
        // By hand: 28·820·6 / (2·28·820² + 2·34·540² + 9·1640²) = 137,760 / 81,689,600.
        Assert.Equal(137_760.0 / 81_689_600, motion.RollRad, 12);
        AssertLips(motion, 4.349, 1.651, 1.349, -1.349);
    }

    [Fact]
    public void A_load_behind_the_axle_lifts_the_nose()
    {
        var motion = Body([0, 0, 0, 0]).Solve([new BodyLoad(-4800, 0, 2000)]);
        AssertLips(motion, 11.905, 11.905, -39.216, -39.216);
    }

    [Fact]
    public void One_rear_spring_tilts_less_than_its_height()
    {
        AssertLips(Body([0, 0, 10, 0], FrontBar).Solve(), 1.798, -1.798, 6.798, 3.202);
        AssertLips(Body([0, 0, 10, 0], FrontBar, 820).Solve(), 2.073, -2.073, 7.073, 2.927);
    }

    [Fact]
    public void One_sided_tilt_agrees_with_the_closed_form()
    {
        // k·s·h / (K_other + 2·k·s²), s half the base.
        const double kr = 34,
            s = 540,
            kf = 28,
            sf = 820,
            h = 10;
        var other = 2 * kf * sf * sf;
        Assert.Equal(
            kr * s * h / (other + (2 * kr * s * s)),
            Body([0, 0, h, 0]).Solve().RollRad,
            12
        );
    }

    [Fact]
    public void Scaling_all_rates_changes_nothing_without_loads() =>
        Rises
            .Select(Gen.Double[0.1, 10])
            .Sample(
                (h, scale) =>
                    Near(
                        Body(h, FrontBar).Solve(),
                        Body(h, [new AntiRollBar(0, 1, 9 * scale)], scale: scale).Solve()
                    )
            );

    [Fact]
    public void A_mirrored_stack_gives_the_mirrored_motion() =>
        Rises.Sample(h =>
        {
            var (a, b) = (
                Body(h, FrontBar).Solve(),
                Body([h[1], h[0], h[3], h[2]], FrontBar).Solve()
            );
            return Near(a, b with { RollRad = -b.RollRad });
        });

    [Fact]
    public void Two_stacks_together_move_the_body_by_the_sum() =>
        Rises
            .Select(Rises)
            .Sample(
                (g, h) =>
                {
                    var (a, b) = (Body(g, FrontBar).Solve(), Body(h, FrontBar).Solve());
                    var sum = Body([.. g.Zip(h, (x, y) => x + y)], FrontBar).Solve();
                    return Near(
                        sum,
                        new BodyMotion(
                            a.ZMm + b.ZMm,
                            a.PitchRad + b.PitchRad,
                            a.RollRad + b.RollRad
                        )
                    );
                }
            );

    [Fact]
    public void It_rests_where_the_springs_hold_the_least_energy() =>
        Rises.Sample(h =>
        {
            var q = Body(h, FrontBar).Solve();
            var best = Energy(h, q);
            return best <= Energy(h, q with { ZMm = q.ZMm + 0.01 })
                && best <= Energy(h, q with { ZMm = q.ZMm - 0.01 })
                && best <= Energy(h, q with { PitchRad = q.PitchRad + 1e-5 })
                && best <= Energy(h, q with { PitchRad = q.PitchRad - 1e-5 })
                && best <= Energy(h, q with { RollRad = q.RollRad + 1e-5 })
                && best <= Energy(h, q with { RollRad = q.RollRad - 1e-5 });
        });

    [Fact]
    public void Cross_weight_balances_without_a_bar()
    {
        var body = Body([0, 0, 10, 0]);
        var loads = body.LoadChanges(body.Solve());
        Assert.Equal(0, loads.Sum(), 8);
        Assert.True(loads[2] > 0 && loads[1] > 0 && loads[0] < 0 && loads[3] < 0);
    }

    [Fact]
    public void A_wheel_rate_follows_from_mass_and_frequency() =>
        Assert.Equal(500 * Math.Pow(2 * Math.PI * 1.3, 2) / 1000, RateEstimate.NPerMm(500, 1.3), 9);

    [Fact]
    public void Nonsense_supports_are_refused()
    {
        Assert.Throws<ArgumentException>(() =>
            new BodyOnSprings([new(0, 800, 28, 0), new(0, -800, 28, 0)])
        );
        Assert.Throws<ArgumentException>(() =>
            new BodyOnSprings([new(0, 0, 28, 0), new(-1, 0, 28, 0), new(-2, 0, 28, 0)])
        );
        Assert.Throws<ArgumentException>(() =>
            new BodyOnSprings([new(0, 800, 0, 0), new(0, -800, 28, 0), new(-3600, 0, 30, 0)])
        );
    }

    private static readonly Gen<double[]> Rises = Gen.Double[-60, 60].Array[4];

    private static BodyOnSprings Body(
        double[] h,
        AntiRollBar[]? bars = null,
        double rearHalf = 540,
        double scale = 1
    ) =>
        new(
            [
                new(0, 820, 28 * scale, h[0]),
                new(0, -820, 28 * scale, h[1]),
                new(-3600, rearHalf, 34 * scale, h[2]),
                new(-3600, -rearHalf, 34 * scale, h[3]),
            ],
            bars
        );

    private static double Energy(double[] h, BodyMotion q)
    {
        double[] k = [28, 28, 34, 34];
        (double X, double Y)[] at = [(0, 820), (0, -820), (-3600, 540), (-3600, -540)];
        var springs = at.Select((p, i) => k[i] * Math.Pow(h[i] - q.RiseAt(p.X, p.Y), 2) / 2).Sum();
        return springs + (9 * Math.Pow(q.RiseAt(0, 820) - q.RiseAt(0, -820), 2) / 2);
    }

    private static bool Near(BodyMotion a, BodyMotion b) =>
        Math.Abs(a.ZMm - b.ZMm) < 1e-8
        && Math.Abs(a.PitchRad - b.PitchRad) < 1e-11
        && Math.Abs(a.RollRad - b.RollRad) < 1e-11;

    private static void AssertLips(BodyMotion motion, params double[] lips)
    {
        (double X, double Y)[] at = [(0, 800), (0, -800), (-3600, 800), (-3600, -800)];
        for (var i = 0; i < 4; i++)
        {
            Assert.Equal(lips[i], motion.RiseAt(at[i].X, at[i].Y), 0.0006);
        }
    }
}
