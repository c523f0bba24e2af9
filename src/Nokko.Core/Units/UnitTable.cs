using UnitsNet;
using UnitsNet.Units;

namespace Nokko.Core.Units;

/// <summary>The unit symbols that Nokko reads and writes, each with its UnitsNet unit.</summary>
public static class UnitTable
{
    private static readonly Dictionary<string, Enum> Symbols = new(StringComparer.Ordinal)
    {
        ["mm"] = LengthUnit.Millimeter,
        ["cm"] = LengthUnit.Centimeter,
        ["in"] = LengthUnit.Inch,
        ["mi"] = LengthUnit.Mile,
        ["km"] = LengthUnit.Kilometer,
        ["kg"] = MassUnit.Kilogram,
        ["lb"] = MassUnit.Pound,
        ["N"] = ForceUnit.Newton,
        ["N/mm"] = ForcePerLengthUnit.NewtonPerMillimeter,
        ["lb/in"] = ForcePerLengthUnit.PoundForcePerInch,
        ["N·m"] = TorqueUnit.NewtonMeter,
        ["lb·ft"] = TorqueUnit.PoundForceFoot,
        ["psi"] = PressureUnit.PoundForcePerSquareInch,
        ["kPa"] = PressureUnit.Kilopascal,
        ["bar"] = PressureUnit.Bar,
        ["°"] = AngleUnit.Degree,
        ["min"] = DurationUnit.Minute,
        ["h"] = DurationUnit.Hour,
        ["1"] = RatioUnit.DecimalFraction,
    };

    /// <summary>How many of one unit go into another of its kind: none of them has an offset, so that once is enough.</summary>
    private static readonly Dictionary<(string From, string To), double> Factors = Symbols
        .SelectMany(_ => Symbols, (a, b) => (From: a, To: b))
        .Where(p => p.From.Value.GetType() == p.To.Value.GetType())
        .ToDictionary(
            p => (p.From.Key, p.To.Key),
            p => UnitConverter.Convert(1, p.From.Value, p.To.Value)
        );

    /// <summary>All symbols, in the order in which they are documented.</summary>
    public static IReadOnlyCollection<string> All => Symbols.Keys;

    /// <summary>Whether <paramref name="symbol"/> is a unit that Nokko knows.</summary>
    public static bool Knows(string symbol) => Symbols.ContainsKey(symbol);

    /// <summary>Whether both symbols measure the same kind of quantity.</summary>
    public static bool SameKind(string a, string b) =>
        Symbols.TryGetValue(a, out var x)
        && Symbols.TryGetValue(b, out var y)
        && x.GetType() == y.GetType();

    /// <summary>Converts a value between two symbols of one kind.</summary>
    /// <exception cref="ArgumentException">A symbol is unknown, or the two measure different things.</exception>
    public static double Convert(double value, string from, string to)
    {
        if (!Factors.TryGetValue((from, to), out var factor))
        {
            throw new ArgumentException($"Cannot turn {from} into {to}.");
        }
        // Multiplied by the greater of the two factors or divided by it: 25.4 is exact, its inverse is not.
        return factor >= 1 ? value * factor : value / Factors[(to, from)];
    }
}
