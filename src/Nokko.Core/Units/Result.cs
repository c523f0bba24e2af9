using System.Text.Json.Serialization;

namespace Nokko.Core.Units;

/// <summary>A computed number with its unit, its uncertainty and what it rests on; or the reason why there is none.</summary>
public sealed record Result
{
    /// <summary>The unrounded value; null exactly when <see cref="Cannot"/> is set.</summary>
    public double? Value { get; }

    /// <summary>The unit of <see cref="Value"/> and <see cref="U"/>.</summary>
    public Unit Unit { get; }

    /// <summary>Standard uncertainty (k = 1).</summary>
    public double? U { get; }

    /// <summary>The weakest way of knowing among the inputs; <see cref="Known.Measured"/> only if all that decides was measured.</summary>
    public Known Known { get; }

    /// <summary>Ids of the readings and parts on which the value rests.</summary>
    public IReadOnlyList<Guid> RestsOn { get; }

    /// <summary>Why the value cannot be computed, in a fitter's words.</summary>
    public string? Cannot { get; }

    /// <summary>The value with its uncertainty, where there is one; without a stated uncertainty it counts as exact.</summary>
    [JsonIgnore]
    public Estimate? Found => Value is { } value ? new Estimate(value, U ?? 0) : null;

    /// <summary>The value with its uncertainty, where the caller has seen that there is one.</summary>
    /// <exception cref="InvalidOperationException">There is none; the message is the reason.</exception>
    public Estimate Have() => Found ?? throw new InvalidOperationException(Cannot);

    /// <summary>Rebuilds a result from its stored parts: a value or a reason, never both and never neither.</summary>
    /// <exception cref="ArgumentException">It has both, or neither; or an uncertainty without a value, below zero or not finite.</exception>
    [JsonConstructor]
    public Result(
        double? value,
        Unit unit,
        double? u,
        Known known,
        IReadOnlyList<Guid> restsOn,
        string? cannot
    )
    {
        if ((value is null) == (cannot is null) || (value is null && u is not null))
        {
            throw new ArgumentException("A result has a value, or the reason why it has none.");
        }
        if (!double.IsFinite(value ?? 0) || !double.IsFinite(u ?? 0) || u < 0)
        {
            throw new ArgumentOutOfRangeException(
                nameof(value),
                "A result is finite, and its uncertainty not below zero."
            );
        }
        (Value, Unit, U, Known, RestsOn, Cannot) = (value, unit, u, known, restsOn, cannot);
    }

    /// <summary>A computed value.</summary>
    /// <exception cref="ArgumentOutOfRangeException">The value or its uncertainty is not finite, or the uncertainty below zero.</exception>
    public static Result Of(
        double value,
        Unit unit,
        double? u,
        IEnumerable<Guid> restsOn,
        Known known = Known.Computed
    ) => new(value, unit, u, known, [.. restsOn.Distinct().Order()], null);

    /// <summary>A weighted sum of values whose errors have nothing in common: variances add with the squares of the factors. The first that cannot be had says why the sum cannot.</summary>
    /// <remarks>Source: docs/computation/uncertainty.md#sums.</remarks>
    /// <param name="unit">Unit of every term.</param>
    /// <param name="terms">Factors with what they weigh.</param>
    /// <param name="known">How the sum is known.</param>
    public static Result Sum(
        Unit unit,
        IReadOnlyCollection<(double Factor, Result Of)> terms,
        Known known = Known.Computed
    ) =>
        terms.Select(t => t.Of.Cannot).FirstOrDefault(why => why is not null) is { } why
            ? No(unit, why)
            : Of(
                terms.Sum(t => t.Factor * t.Of.Have().Mean),
                unit,
                Math.Sqrt(terms.Sum(t => Math.Pow(t.Factor * t.Of.Have().Sd, 2))),
                terms.SelectMany(t => t.Of.RestsOn),
                known
            );

    /// <summary>The mean of values whose errors have nothing in common.</summary>
    /// <param name="unit">Unit of every one.</param>
    /// <param name="values">At least one.</param>
    /// <param name="known">How the mean is known.</param>
    public static Result Mean(
        Unit unit,
        IReadOnlyCollection<Result> values,
        Known known = Known.Computed
    ) => Sum(unit, [.. values.Select(v => (1.0 / values.Count, v))], known);

    /// <summary>A value that cannot be had, with the reason.</summary>
    public static Result No(Unit unit, string why) =>
        new(null, unit, null, Known.Computed, [], why);
}
