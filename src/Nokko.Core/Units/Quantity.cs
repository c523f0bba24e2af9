using System.Globalization;

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

    /// <summary>A symbol of <see cref="Unit"/>.</summary>
    public required Unit Unit { get; init; }

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
    public double In(Unit unit) => Unit.To(unit, Value);

    /// <summary>As it was typed, with its unit where that was not typed, too.</summary>
    public string AsTyped()
    {
        var said = Typed ?? Value.ToString("0.##", CultureInfo.InvariantCulture);
        return said.Any(c => char.IsLetter(c) || "°\"″'′".Contains(c, StringComparison.Ordinal))
            ? said
            : $"{said} {Unit.Symbol}".Replace(" °", "°", StringComparison.Ordinal);
    }

    /// <summary>The standard uncertainty in another unit, or <paramref name="otherwise"/> (in that unit) when none is stated.</summary>
    public double UIn(Unit unit, double otherwise = 0) => U is { } u ? Unit.To(unit, u) : otherwise;

    private static double Finite(double value) =>
        double.IsFinite(value)
            ? value
            : throw new ArgumentOutOfRangeException(nameof(value), "A quantity must be finite.");

    /// <summary>A measured or otherwise known length in mm.</summary>
    public static Quantity Mm(double value, Known known, double? u = null) =>
        new()
        {
            Value = value,
            Unit = Unit.Mm,
            Known = known,
            U = u,
        };
}
