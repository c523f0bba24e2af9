namespace Nokko.Core.Units;

/// <summary>A value with its unit, its standard uncertainty and how it is known.</summary>
/// <remarks>The unit is the one in which the value was typed; it is converted only where it is used.</remarks>
public sealed record Quantity
{
    /// <summary>The value, in <see cref="Unit"/>; always finite.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is not finite.</exception>
    public required double Value
    {
        get;
        init => field = Finite(value);
    }

    /// <summary>A symbol of <see cref="UnitTable"/>.</summary>
    public required string Unit { get; init; }

    /// <summary>Standard uncertainty (k = 1) in <see cref="Unit"/>; null when nothing is stated.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is not finite.</exception>
    public double? U
    {
        get;
        init => field = value is { } u ? Finite(u) : null;
    }

    /// <summary>How the value is known.</summary>
    public required Known Known { get; init; }

    /// <summary>The text as typed, when a person typed it.</summary>
    public string? Typed { get; init; }

    /// <summary>The value in another unit of the same kind.</summary>
    /// <exception cref="ArgumentException">The units measure different things.</exception>
    public double In(string unit) => UnitTable.Convert(Value, Unit, unit);

    /// <summary>The standard uncertainty in another unit, or <paramref name="otherwise"/> (in that unit) when none is stated.</summary>
    public double UIn(string unit, double otherwise = 0) =>
        U is { } u ? UnitTable.Convert(u, Unit, unit) : otherwise;

    private static double Finite(double value) =>
        double.IsFinite(value)
            ? value
            : throw new ArgumentOutOfRangeException(nameof(value), "A quantity must be finite.");

    /// <summary>A measured or otherwise known length in mm.</summary>
    public static Quantity Mm(double value, Known known, double? u = null) =>
        new()
        {
            Value = value,
            Unit = "mm",
            Known = known,
            U = u,
        };
}
