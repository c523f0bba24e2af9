using MathNet.Numerics.Distributions;
using Nokko.Core.Plans;
using Xunit;

namespace Nokko.Core.Tests.Plans;

public class NormalBoxTests
{
    private const double Inf = double.PositiveInfinity;

    [Fact]
    public void One_side_is_the_normal_integral()
    {
        Assert.Equal(0.6827, One(0, 1, -1, 1), 4);
        Assert.Equal(0.9772, One(2, 1, 0, Inf), 4);
        Assert.Equal(0.5, One(0, 3, -Inf, 0), 9);
        // A value that is known lies inside, or it does not.
        Assert.Equal(1, One(4, 0, 3, 5));
        Assert.Equal(0, One(6, 0, 3, 5));
    }

    [Theory]
    [InlineData(-0.9)]
    [InlineData(0)]
    [InlineData(0.5)]
    [InlineData(0.999)]
    public void Two_above_zero_is_a_quarter_and_the_arc_of_their_correlation(double r) =>
        Assert.Equal(
            0.25 + (Math.Asin(r) / (2 * Math.PI)),
            NormalBox.Probability([0, 0], Equal(2, r), [0, 0], [Inf, Inf]),
            6
        );

    [Theory]
    [InlineData(0.2)]
    [InlineData(0.7)]
    public void Three_above_zero_is_an_eighth_and_three_arcs(double r) =>
        Assert.Equal(
            0.125 + (3 * Math.Asin(r) / (4 * Math.PI)),
            NormalBox.Probability([0, 0, 0], Equal(3, r), [0, 0, 0], [Inf, Inf, Inf]),
            5
        );

    /// <summary>Second way: figures with one thing in common are apart once it is fixed, so that one integral is enough.</summary>
    [Theory]
    [InlineData(2, 0.3)]
    [InlineData(3, 0.8)]
    [InlineData(4, 0.5)]
    [InlineData(5, 0.5)]
    [InlineData(5, 0.9)]
    public void Any_number_with_one_thing_in_common_equals_a_single_integral(int n, double r)
    {
        double[] low = [-1, -0.5, -2, -Inf, 0.1],
            high = [0.8, 1.5, Inf, 0.7, 1.9];
        var sum = 0.0;
        const double Step = 0.002;
        for (var z = -8.0; z <= 8; z += Step)
        {
            var product = Normal.PDF(0, 1, z) * Step;
            for (var i = 0; i < n; i++)
            {
                var s = Math.Sqrt(1 - r);
                product *=
                    Normal.CDF(0, 1, (high[i] - (Math.Sqrt(r) * z)) / s)
                    - Normal.CDF(0, 1, (low[i] - (Math.Sqrt(r) * z)) / s);
            }
            sum += product;
        }
        Assert.Equal(
            sum,
            NormalBox.Probability(new double[n], Equal(n, r), low[..n], high[..n]),
            1e-4
        );
    }

    [Fact]
    public void A_rake_that_is_the_difference_of_two_rises_equals_what_chance_gives()
    {
        // Rake = rear − front and a tape of 1 mm; the front at least 40, the rear at most 30.
        var random = new Random(7);
        var (hits, all) = (0, 400_000);
        for (var i = 0; i < all; i++)
        {
            var (f, r) = (Normal.Sample(random, 45, 8), Normal.Sample(random, 25, 4));
            var rake = 22 + r - f + Normal.Sample(random, 0, 1);
            hits += Math.Abs(rake) <= 6.35 && f >= 40 && r <= 30 ? 1 : 0;
        }
        var p = NormalBox.Probability(
            [2, 45, 25],
            new double[,]
            {
                { 81, -64, 16 },
                { -64, 64, 0 },
                { 16, 0, 16 },
            },
            [-6.35, 40, -Inf],
            [6.35, Inf, 30]
        );
        var share = (double)hits / all;
        Assert.Equal(share, p, 4 * Math.Sqrt(share * (1 - share) / all));
    }

    private static double One(double mean, double sd, double low, double high) =>
        NormalBox.Probability(
            [mean],
            new[,]
            {
                { sd * sd },
            },
            [low],
            [high]
        );

    private static double[,] Equal(int n, double r)
    {
        var c = new double[n, n];
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j < n; j++)
            {
                c[i, j] = i == j ? 1 : r;
            }
        }
        return c;
    }
}
