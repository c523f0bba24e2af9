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
    )
    {
        var at = new double[values.Length];
        for (var i = 0; i < at.Length; i++)
        {
            at[i] = values[i].Value;
        }
        // What the result changes by when each value is off by its own standard uncertainty.
        var off = new double[at.Length];
        for (var i = 0; i < at.Length; i++)
        {
            var (value, u) = values[i];
            at[i] = value + u;
            var more = of(at);
            at[i] = value - u;
            var less = of(at);
            at[i] = value;
            off[i] = more is { } m && less is { } l ? (m - l) / 2 : 0;
        }
        var variance = off.Sum(o => o * o);
        foreach (var (first, second, covariance) in shared)
        {
            var both = values[first].U * values[second].U;
            variance += both > 0 ? 2 * off[first] * off[second] * covariance / both : 0;
        }
        return Math.Sqrt(Math.Max(0, variance));
    }
}
