using CsCheck;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Units;

/// <summary>Uncertainty of what is worked out, with what its values share.</summary>
public class FirstOrderTests
{
    [Fact]
    public void Of_a_weighted_sum_it_is_the_sum_s_own_with_the_covariance() =>
        Gen.Select(Gen.Double[-3, 3], Gen.Double[-3, 3], Gen.Double[0, 2], Gen.Double[0, 2])
            .Select(Gen.Double[-1, 1])
            .Sample(
                (given, correlation) =>
                {
                    var (a, b, ua, ub) = given;
                    var u = FirstOrder.U(
                        x => (a * x[0]) + (b * x[1]),
                        [(7, ua), (-4, ub)],
                        [(0, 1, correlation * ua * ub)]
                    );
                    var variance =
                        (a * a * ua * ua) + (b * b * ub * ub) + (2 * a * b * correlation * ua * ub);
                    Assert.Equal(Math.Sqrt(Math.Max(0, variance)), u, 1e-7);
                }
            );

    [Fact]
    public void It_agrees_with_draws_of_a_curved_function()
    {
        // √(x² + y²) of two lengths with a shared error: against twenty thousand draws.
        var random = new Random(11);
        double Normal() =>
            Math.Sqrt(-2 * Math.Log(1 - random.NextDouble()))
            * Math.Cos(2 * Math.PI * random.NextDouble());
        var drawn = Enumerable
            .Range(0, 20_000)
            .Select(_ =>
            {
                var shared = Normal();
                return double.Hypot(
                    800 + (3 * Normal()) + (2 * shared),
                    300 + Normal() + (2 * shared)
                );
            })
            .ToArray();
        var mean = drawn.Average();
        var sd = Math.Sqrt(drawn.Average(d => Math.Pow(d - mean, 2)));
        var u = FirstOrder.U(
            x => double.Hypot(x[0], x[1]),
            [(800, Math.Sqrt(13)), (300, Math.Sqrt(5))],
            [(0, 1, 4)]
        );
        Assert.Equal(sd, u, 0.04 * sd);
    }

    [Fact]
    public void What_has_no_value_beside_its_place_adds_nothing() =>
        Assert.Equal(
            2,
            FirstOrder.U(x => x[1] > 3.5 ? null : (2 * x[0]) + x[1], (5, 1), (3, 1)),
            9
        );
}
