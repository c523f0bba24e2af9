using MathNet.Numerics;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.Integration;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Plans;

/// <summary>The probability that a normal vector lies in a box.</summary>
/// <remarks>
/// Source: docs/computation/finding.md#chance-and-order. With the Cholesky factor L and independent standard normal z, x = m + L z, each side of the box bounds the next z;
/// up to three sides that hang together are integrated in panels between the places where a bound bends, more of them over a lattice (Genz's transformation).
/// Sides that cannot be missed are left out, and sides that do not hang together are multiplied. Good to 1e-4.
/// </remarks>
public static class NormalBox
{
    private const double Certain = 1e-5;
    private const double Far = 8;
    private const double Panel = 1.5;

    private static readonly GaussLegendreRule Rule = new(-1, 1, 10);
    private static readonly double[] Generators =
    [
        Math.Sqrt(2),
        Math.Sqrt(3),
        Math.Sqrt(5),
        Math.Sqrt(7),
        Math.Sqrt(11),
        Math.Sqrt(13),
    ];

    /// <summary>Levels of fineness with the greatest error of each; the last is good to 1e-4.</summary>
    public static IReadOnlyList<(int Points, double Error)> Levels { get; } =
    [(509, 8e-3), (2_039, 2e-3), (16_381, 1e-4)];

    /// <summary>The probability.</summary>
    /// <param name="mean">Means; length n.</param>
    /// <param name="covariance">Covariance, n × n, positive semidefinite.</param>
    /// <param name="low">Lower sides; may be −∞.</param>
    /// <param name="high">Upper sides; may be +∞.</param>
    /// <param name="level">Place in <see cref="Levels"/>; null is the finest.</param>
    /// <returns>0 … 1.</returns>
    public static double Probability(
        IReadOnlyList<double> mean,
        double[,] covariance,
        IReadOnlyList<double> low,
        IReadOnlyList<double> high,
        int? level = null
    )
    {
        var open = new List<int>();
        for (var i = 0; i < mean.Count; i++)
        {
            var alone = Side(mean[i], Math.Sqrt(covariance[i, i]), low[i], high[i]);
            if (alone < 1e-12)
            {
                return 0;
            }
            if (alone < 1 - Certain)
            {
                open.Add(i);
            }
        }
        var product = 1.0;
        while (open.Count > 0)
        {
            var group = Group(open, covariance);
            open.RemoveAll(group.Contains);
            product *= Together(group, mean, covariance, low, high, level);
        }
        return product;
    }

    /// <summary>The probability that one normal value lies between two sides.</summary>
    /// <param name="mean">Mean.</param>
    /// <param name="sd">Standard deviation; zero is a value that is known.</param>
    /// <param name="low">Lower side; may be −∞.</param>
    /// <param name="high">Upper side; may be +∞.</param>
    public static double Side(double mean, double sd, double low, double high) =>
        sd > 1e-12
            ? Math.Max(0, Between((low - mean) / sd, (high - mean) / sd))
            : (mean >= low && mean <= high ? 1 : 0);

    /// <summary>Indices that hang together with the first one, itself included.</summary>
    private static List<int> Group(List<int> open, double[,] covariance)
    {
        var group = new List<int> { open[0] };
        for (var k = 0; k < group.Count; k++)
        {
            foreach (var j in open)
            {
                var i = group[k];
                if (
                    !group.Contains(j)
                    && Math.Abs(covariance[i, j])
                        > 1e-9 * Math.Sqrt(covariance[i, i] * covariance[j, j])
                )
                {
                    group.Add(j);
                }
            }
        }
        return group;
    }

    private static double Together(
        List<int> group,
        IReadOnlyList<double> mean,
        double[,] covariance,
        IReadOnlyList<double> low,
        IReadOnlyList<double> high,
        int? level
    )
    {
        var n = group.Count;
        var (a, b) = (new double[n], new double[n]);
        var l = new double[n, n];
        for (var i = 0; i < n; i++)
        {
            (a[i], b[i]) = (low[group[i]] - mean[group[i]], high[group[i]] - mean[group[i]]);
            for (var j = 0; j <= i; j++)
            {
                var sum = covariance[group[i], group[j]];
                for (var k = 0; k < j; k++)
                {
                    sum -= l[i, k] * l[j, k];
                }
                l[i, j] =
                    i == j ? Math.Sqrt(Math.Max(0, sum))
                    : l[j, j] > 1e-9 ? sum / l[j, j]
                    : 0;
            }
        }
        var box = new Box(l, a, b);
        return n <= (level is null ? 3 : 2)
            ? box.Panels(0)
            : box.Lattice(Levels[level ?? (Levels.Count - 1)].Points);
    }

    private static double Between(double low, double high) =>
        low > 0 ? Upper(low) - Upper(high) : Upper(-high) - Upper(-low);

    private static double Upper(double z) => 0.5 * SpecialFunctions.Erfc(z / 1.4142135623730951);

    /// <summary>One group of sides over independent z.</summary>
    private sealed class Box(double[,] l, double[] a, double[] b)
    {
        private readonly int _n = a.Length;
        private readonly double[] _z = new double[a.Length];

        /// <summary>Bounds of z at a level, given those before it.</summary>
        private (double Low, double High) Bounds(int level)
        {
            var sum = Sum(level, level);
            var pivot = l[level, level];
            return pivot > 1e-9
                ? ((a[level] - sum) / pivot, (b[level] - sum) / pivot)
                : (a[level] <= sum && sum <= b[level] ? (-Far, Far) : (Far, -Far));
        }

        private double Sum(int row, int before)
        {
            var sum = 0.0;
            for (var k = 0; k < before; k++)
            {
                sum += l[row, k] * _z[k];
            }
            return sum;
        }

        public double Panels(int level)
        {
            var (low, high) = Bounds(level);
            if (low >= high)
            {
                return 0;
            }
            if (level == _n - 1)
            {
                return Between(low, high);
            }
            (low, high) = (Math.Max(low, -Far), Math.Min(high, Far));
            var cuts = Cuts(level, low, high);
            var total = 0.0;
            for (var c = 1; c < cuts.Count; c++)
            {
                var (from, to) = (cuts[c - 1], cuts[c]);
                var pieces = (int)Math.Ceiling((to - from) / Panel);
                for (var p = 0; p < pieces; p++)
                {
                    var half = (to - from) / pieces / 2;
                    var middle = from + (half * ((2 * p) + 1));
                    for (var k = 0; k < Rule.Order; k++)
                    {
                        var z = middle + (half * Rule.Abscissas[k]);
                        _z[level] = z;
                        total +=
                            half
                            * Rule.Weights[k]
                            * Math.Exp(-z * z / 2)
                            / 2.5066282746310002
                            * Panels(level + 1);
                    }
                }
            }
            return total;
        }

        /// <summary>Where the bounds of a later side come or go.</summary>
        private List<double> Cuts(int level, double low, double high)
        {
            var cuts = new List<double> { low, high };
            for (var j = level + 1; j < _n; j++)
            {
                var slope = l[j, level];
                if (Math.Abs(slope) < 1e-9)
                {
                    continue;
                }
                var rest = 0.0;
                for (var k = level + 1; k <= j; k++)
                {
                    rest += l[j, k] * l[j, k];
                }
                var width = Math.Sqrt(rest) / Math.Abs(slope);
                var sum = Sum(j, level);
                foreach (var side in (double[])[a[j], b[j]])
                {
                    var centre = (side - sum) / slope;
                    foreach (var k in (double[])[-5, -1.5, 0, 1.5, 5])
                    {
                        var cut = centre + (k * width);
                        if (cut > low && cut < high)
                        {
                            cuts.Add(cut);
                        }
                    }
                }
            }
            cuts.Sort();
            return cuts;
        }

        public double Lattice(int points)
        {
            var total = 0.0;
            for (var i = 1; i <= points; i++)
            {
                var weight = 1.0;
                for (var level = 0; level < _n && weight > 0; level++)
                {
                    var (low, high) = Bounds(level);
                    var side = low < high ? Between(low, high) : 0;
                    weight *= side;
                    if (level < _n - 1 && side > 0)
                    {
                        var u = i * Generators[level] % 1;
                        // Folded over, the integrand has no jump at its ends.
                        u = Math.Abs((2 * u) - 1);
                        // Taken from the nearer tail, so that nothing is lost to rounding.
                        _z[level] =
                            low > 0
                                ? -Normal.InvCDF(0, 1, Clamp(Upper(low) - (u * side)))
                                : Normal.InvCDF(0, 1, Clamp(Upper(-low) + (u * side)));
                    }
                }
                total += weight;
            }
            return total / points;
        }

        private static double Clamp(double p) => Math.Clamp(p, 1e-300, 1 - 1e-16);
    }
}
