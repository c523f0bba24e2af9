namespace Nokko.Core.Suspension;

/// <summary>The spreads between vehicles of one platform that are thought possible: a fixed geometric grid, the same for every line, so that what was summed for one belief serves another.</summary>
/// <remarks>
/// Source: docs/computation/learning.md#spread-between-vehicles. τ is lognormal with a factor of 1.8 (one standard deviation of its logarithm); the grid has two points to it,
/// so that sums over it are integrals to about 1e-9.
/// </remarks>
public static class SpreadGrid
{
    /// <summary>One standard deviation of ln τ, as a factor.</summary>
    public const double Factor = 1.8;

    private const double Least = 0.001;

    private static readonly double[] Values =
    [
        .. Enumerable.Range(0, 32).Select(k => Least * Math.Pow(Factor, k / 2.0)),
    ];

    /// <summary>Values of τ, rise per thickness, ascending.</summary>
    public static ReadOnlySpan<double> Spreads => Values;

    private static readonly double[] LogSpreads = [.. Values.Select(s => Math.Log(s))];

    /// <summary>Logarithm of the weight of one spread about a median, up to a constant.</summary>
    /// <param name="k">Place in <see cref="Spreads"/>.</param>
    /// <param name="logMedian">Logarithm of the median of τ.</param>
    public static double LogWeight(int k, double logMedian)
    {
        var z = (LogSpreads[k] - logMedian) / Math.Log(Factor);
        return -0.5 * z * z;
    }

    /// <summary>Weights of the values about a median; together 1.</summary>
    /// <param name="median">Median of τ, rise per thickness; above zero.</param>
    public static double[] Weights(double median)
    {
        if (!(median > 0))
        {
            throw new ArgumentOutOfRangeException(nameof(median), median, "Above zero.");
        }
        var weights = new double[Values.Length];
        for (var k = 0; k < weights.Length; k++)
        {
            weights[k] = Math.Exp(LogWeight(k, Math.Log(median)));
        }
        var sum = weights.Sum();
        for (var k = 0; k < weights.Length; k++)
        {
            weights[k] /= sum;
        }
        return weights;
    }

    /// <summary>Mean of τ², what an unseen vehicle adds to the variance of the ratio.</summary>
    /// <param name="median">Median of τ, rise per thickness; above zero.</param>
    public static double MeanSquare(double median) =>
        Weights(median).Zip(Values, (w, s) => w * s * s).Sum();
}
