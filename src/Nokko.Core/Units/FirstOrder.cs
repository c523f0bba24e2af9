namespace Nokko.Core.Units;

/// <summary>Uncertainty of what is worked out from uncertain values.</summary>
/// <remarks>Source: docs/computation/uncertainty.md#sums (JCGM 100, first order): u² = Σ cᵢ²uᵢ² + 2 Σ cᵢcⱼ u(xᵢ, xⱼ), each sensitivity cᵢ as half the change over ± one standard uncertainty.</remarks>
public static class FirstOrder
{
    /// <summary>Standard uncertainty of a function of values; a value at which it has none adds nothing.</summary>
    /// <param name="of">The function; null where it has no value.</param>
    /// <param name="values">Its values with their standard uncertainties.</param>
    public static double U(
        Func<double[], double?> of,
        params ReadOnlySpan<(double Value, double U)> values
    ) => U(of, values, []);

    /// <summary>The same where some of the values share an error.</summary>
    /// <param name="of">The function; null where it has no value.</param>
    /// <param name="values">Its values with their standard uncertainties.</param>
    /// <param name="shared">Pairs of values by their place in the list, with their covariance.</param>
    public static double U(
        Func<double[], double?> of,
        ReadOnlySpan<(double Value, double U)> values,
        ReadOnlySpan<(int First, int Second, double Covariance)> shared
    ) => Us(x => of(x) is { } y ? [y] : null, 1, values, shared)[0];

    /// <summary>The same of several results that are worked out together.</summary>
    /// <param name="of">The function; null where it has no value.</param>
    /// <param name="results">How many results it has.</param>
    /// <param name="values">Its values with their standard uncertainties.</param>
    /// <param name="shared">Pairs of values by their place in the list, with their covariance.</param>
    public static double[] Us(
        Func<double[], double[]?> of,
        int results,
        ReadOnlySpan<(double Value, double U)> values,
        ReadOnlySpan<(int First, int Second, double Covariance)> shared
    )
    {
        var at = new double[values.Length];
        for (var i = 0; i < at.Length; i++)
        {
            at[i] = values[i].Value;
        }
        // What each result changes by when each value is off by its own standard uncertainty.
        var off = new double[results, at.Length];
        for (var i = 0; i < at.Length; i++)
        {
            var (value, u) = values[i];
            at[i] = value + u;
            var more = of(at);
            at[i] = value - u;
            var less = of(at);
            at[i] = value;
            for (var k = 0; k < results; k++)
            {
                off[k, i] = more is not null && less is not null ? (more[k] - less[k]) / 2 : 0;
            }
        }
        var us = new double[results];
        for (var k = 0; k < results; k++)
        {
            var variance = 0.0;
            for (var i = 0; i < at.Length; i++)
            {
                variance += off[k, i] * off[k, i];
            }
            foreach (var (first, second, covariance) in shared)
            {
                var both = values[first].U * values[second].U;
                variance += both > 0 ? 2 * off[k, first] * off[k, second] * covariance / both : 0;
            }
            us[k] = Math.Sqrt(Math.Max(0, variance));
        }
        return us;
    }
}
