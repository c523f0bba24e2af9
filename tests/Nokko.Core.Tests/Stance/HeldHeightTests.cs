using CsCheck;
using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Stance;
using Xunit;

namespace Nokko.Core.Tests.Stance;

/// <summary>Axles whose height a controller holds.</summary>
public class HeldHeightTests
{
    private static readonly Support[] Four =
    [
        new(0, 820, 28, 0),
        new(0, -820, 28, 0),
        new(-3600, 540, 34, 0),
        new(-3600, -540, 34, 0),
    ];

    private static readonly AntiRollBar[] Bars = [new(0, 1, 9)];

    private static BodyOnSprings Rear(bool eachSide) =>
        new(Four, Bars, [new HeldHeight(2, 3, eachSide)]);

    private static double[] At(BodyMotion m) => [.. Four.Select(s => m.RiseAt(s.XMm, s.YMm))];

    [Fact]
    public void What_lifts_the_front_leaves_a_held_rear_where_it_was()
    {
        foreach (var eachSide in new[] { true, false })
        {
            var rises = At(Rear(eachSide).Solve([50, 50, 0, 0]));
            Assert.Equal(50, rises[0], 1e-3);
            Assert.Equal(0, rises[2], 1e-3);
            Assert.Equal(0, rises[3], 1e-3);
        }
    }

    [Fact]
    public void One_sensor_lifts_the_mean_by_its_link_and_leaves_a_lean_to_the_springs()
    {
        var body = Rear(false);
        // One link for the axle, wherever it was placed.
        Assert.All(
            new double[][] { [0, 0, 25, 0], [0, 0, 0, 25] },
            link =>
            {
                var r = At(body.Solve(link));
                Assert.Equal(25, r[2], 1e-3);
                Assert.Equal(25, r[3], 1e-3);
                Assert.Equal(0, r[0], 1e-3);
            }
        );
        // One front spring: no pitch at the held axle, roll by springs and bar as ever.
        var one = At(body.Solve([6, 0, 0, 0]));
        Assert.Equal(0, one[2] + one[3], 1e-3);
        Assert.Equal(1640 * 0.0016863838, one[0] - one[1], 1e-3);
    }

    [Fact]
    public void Two_sensors_hold_each_side()
    {
        var r = At(Rear(true).Solve([0, 0, 20, -4]));
        Assert.Equal(20, r[2], 1e-3);
        Assert.Equal(-4, r[3], 1e-3);
    }

    [Fact]
    public void A_load_over_a_held_axle_sinks_nothing_and_on_the_floor_only_its_tyres()
    {
        Assert.All(
            At(Rear(true).Solve([new BodyLoad(-3600, 0, 2000)])),
            r => Assert.Equal(0, r, 1e-3)
        );
        var onTyres = new BodyOnSprings(
            Four,
            Bars,
            [new HeldHeight(2, 3, EachSide: true, RateNPerMm: 260)]
        );
        // 1,000 N on each tyre of 260 N/mm.
        Assert.Equal(-1000.0 / 260, At(onTyres.Solve([new BodyLoad(-3600, 0, 2000)]))[2], 1e-9);
    }

    [Fact]
    public void Loads_balance_with_what_the_controller_adds()
    {
        var body = Rear(false);
        double[] h = [10, -3, 12, 0];
        var motion = body.Solve(h);
        var loads = body.LoadChanges(motion, h);
        // Nothing was put on: the changes balance in force and about both axes, with what the bar carries over.
        var bar = 9 * (motion.RiseAt(0, 820) - motion.RiseAt(0, -820));
        Assert.Equal(0, loads.Sum(), 1e-3);
        Assert.Equal(0, loads.Zip(Four, (n, s) => n * s.XMm).Sum() / 1000, 1e-3);
        Assert.Equal(0, (loads.Zip(Four, (n, s) => n * s.YMm).Sum() - (1640 * bar)) / 1000, 1e-3);
    }

    /// <summary>Found a second way: the least energy of the springs with the held heights as conditions, by multipliers.</summary>
    [Fact]
    public void It_is_the_least_energy_that_keeps_what_is_held() =>
        Gen.Select(
                Gen.Double[-30, 30].Array[4],
                Gen.Double[10, 60].Array[4],
                Gen.Bool,
                Gen.Double[0, 12]
            )
            .Sample(
                (h, k, eachSide, bar) =>
                {
                    Support[] supports =
                    [
                        .. Four.Select((s, i) => s with { RateNPerMm = i < 2 ? k[0] : k[1] }),
                    ];
                    var b = Matrix<double>.Build.DenseOfRows(
                        supports.Select(s => new[] { 1, -s.XMm, s.YMm })
                    );
                    var springs = Matrix<double>.Build.DenseOfDiagonalArray([
                        .. supports.Select(s => s.RateNPerMm),
                    ]);
                    var roll = b.Row(0) - b.Row(1);
                    var all =
                        b.TransposeThisAndMultiply(springs * b) + (bar * roll.OuterProduct(roll));
                    // Free rises of the held axle's springs do not count: it is the controller that is set.
                    var free = Vector<double>.Build.Dense([h[0], h[1], 0, 0]);
                    var c = eachSide
                        ? Matrix<double>.Build.DenseOfRowVectors(b.Row(2), b.Row(3))
                        : Matrix<double>.Build.DenseOfRowVectors((b.Row(2) + b.Row(3)) / 2);
                    var held = eachSide
                        ? Vector<double>.Build.Dense([h[2], h[3]])
                        : Vector<double>.Build.Dense([h[2] + h[3]]);
                    var n = c.RowCount;
                    var kkt = Matrix<double>.Build.Dense(3 + n, 3 + n);
                    kkt.SetSubMatrix(0, 0, all);
                    kkt.SetSubMatrix(3, 0, c);
                    kkt.SetSubMatrix(0, 3, c.Transpose());
                    var right = Vector<double>.Build.Dense(3 + n);
                    right.SetSubVector(0, 3, b.TransposeThisAndMultiply(springs * free));
                    right.SetSubVector(3, n, held);
                    var q = kkt.Solve(right);
                    var motion = new BodyOnSprings(
                        supports,
                        [new AntiRollBar(0, 1, bar)],
                        [new HeldHeight(2, 3, eachSide)]
                    ).Solve(h);
                    foreach (var s in supports)
                    {
                        Assert.Equal(
                            q[0] - (s.XMm * q[1]) + (s.YMm * q[2]),
                            motion.RiseAt(s.XMm, s.YMm),
                            1e-2
                        );
                    }
                }
            );
}
