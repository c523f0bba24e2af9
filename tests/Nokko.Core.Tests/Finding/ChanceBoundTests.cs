using CsCheck;
using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Xunit;

namespace Nokko.Core.Tests.Finding;

/// <summary>The greatest chance of one figure whose mean and spread lie between bounds.</summary>
public class ChanceBoundTests
{
    private const double Inf = double.PositiveInfinity;

    [Fact]
    public void No_mean_and_spread_within_their_bounds_beats_the_bound() =>
        Gen.Select(
                Gen.Double[-20, 20].Array[2],
                Gen.Double[0.01, 60].Array[2],
                Gen.Double[0, 1].Array[2]
            )
            .Sample(
                (m, v, t) =>
                {
                    Array.Sort(m);
                    Array.Sort(v);
                    var (mean, variance) = (
                        m[0] + (t[0] * (m[1] - m[0])),
                        v[0] + (t[1] * (v[1] - v[0]))
                    );
                    foreach (var (low, high) in ((double, double)[])[(-6, 6), (-Inf, 3), (5, Inf)])
                    {
                        var bound = ChanceBound.Of(m[0], m[1], v[0], v[1], low, high);
                        var real = NormalBox.Side(mean, Math.Sqrt(variance), low, high);
                        if (real > bound + 1e-12)
                        {
                            return false;
                        }
                    }
                    return true;
                }
            );

    [Fact]
    public void Some_mean_and_spread_within_their_bounds_reach_the_bound() =>
        Gen.Select(Gen.Double[-20, 20].Array[2], Gen.Double[0.01, 60].Array[2])
            .Sample(
                (m, v) =>
                {
                    Array.Sort(m);
                    Array.Sort(v);
                    foreach (var (low, high) in ((double, double)[])[(-6, 6), (-Inf, 3), (5, Inf)])
                    {
                        var bound = ChanceBound.Of(m[0], m[1], v[0], v[1], low, high);
                        var best = 0.0;
                        for (var i = 0; i <= 40; i++)
                        {
                            for (var j = 0; j <= 40; j++)
                            {
                                best = Math.Max(
                                    best,
                                    NormalBox.Side(
                                        m[0] + ((m[1] - m[0]) * i / 40),
                                        Math.Sqrt(v[0] + ((v[1] - v[0]) * j / 40)),
                                        low,
                                        high
                                    )
                                );
                            }
                        }
                        // The best lies between two places of the grid, and is flat there.
                        Assert.InRange(bound, best - 1e-12, best + 0.03);
                    }
                },
                iter: Sample.Tries(30)
            );
}
