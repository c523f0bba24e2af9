using System.Text.Json;
using System.Text.Json.Serialization;
using UnitsNet;
using UnitsNet.Units;

namespace Nokko.Core.Units;

/// <summary>A unit that Nokko reads and writes. There are only those below; each is one object, so that two are the same unit exactly when they are equal.</summary>
[JsonConverter(typeof(UnitJson))]
public sealed class Unit
{
    private static readonly Dictionary<string, Unit> Symbols = new(StringComparer.Ordinal);

    /// <summary>Millimetres: the length in which the core computes.</summary>
    public static Unit Mm { get; } = new("mm", LengthUnit.Millimeter);

    /// <summary>Centimetres.</summary>
    public static Unit Cm { get; } = new("cm", LengthUnit.Centimeter);

    /// <summary>Inches.</summary>
    public static Unit Inch { get; } = new("in", LengthUnit.Inch);

    /// <summary>Miles.</summary>
    public static Unit Mile { get; } = new("mi", LengthUnit.Mile);

    /// <summary>Kilometres.</summary>
    public static Unit Km { get; } = new("km", LengthUnit.Kilometer);

    /// <summary>Kilograms.</summary>
    public static Unit Kg { get; } = new("kg", MassUnit.Kilogram);

    /// <summary>Pounds of mass.</summary>
    public static Unit Lb { get; } = new("lb", MassUnit.Pound);

    /// <summary>Newtons.</summary>
    public static Unit Newton { get; } = new("N", ForceUnit.Newton);

    /// <summary>Newtons for each millimetre: a spring's rate.</summary>
    public static Unit NewtonPerMm { get; } = new("N/mm", ForcePerLengthUnit.NewtonPerMillimeter);

    /// <summary>Pounds of force for each inch: a spring's rate.</summary>
    public static Unit PoundPerInch { get; } = new("lb/in", ForcePerLengthUnit.PoundForcePerInch);

    /// <summary>Newton metres.</summary>
    public static Unit NewtonMetre { get; } = new("N·m", TorqueUnit.NewtonMeter);

    /// <summary>Pound feet.</summary>
    public static Unit PoundFoot { get; } = new("lb·ft", TorqueUnit.PoundForceFoot);

    /// <summary>Newton metres for each degree: how stiffly a bar twists.</summary>
    public static Unit NewtonMetrePerDegree { get; } =
        new("N·m/°", RotationalStiffnessUnit.NewtonMeterPerDegree);

    /// <summary>Pounds of force on a square inch.</summary>
    public static Unit Psi { get; } = new("psi", PressureUnit.PoundForcePerSquareInch);

    /// <summary>Kilopascals.</summary>
    public static Unit KPa { get; } = new("kPa", PressureUnit.Kilopascal);

    /// <summary>Bar.</summary>
    public static Unit Bar { get; } = new("bar", PressureUnit.Bar);

    /// <summary>Degrees of angle.</summary>
    public static Unit Degree { get; } = new("°", AngleUnit.Degree);

    /// <summary>Minutes.</summary>
    public static Unit Minute { get; } = new("min", DurationUnit.Minute);

    /// <summary>Hours.</summary>
    public static Unit Hour { get; } = new("h", DurationUnit.Hour);

    /// <summary>A plain number: a ratio, a count, a chance.</summary>
    public static Unit One { get; } = new("1", RatioUnit.DecimalFraction);

    /// <summary>All units, in the order in which they are documented.</summary>
    public static IReadOnlyCollection<Unit> All { get; } = [.. Symbols.Values];

    /// <summary>How many of one unit go into another of its kind: none of them has an offset, so that once is enough.</summary>
    private static readonly Dictionary<(Unit From, Unit To), double> Factors = All.SelectMany(
            _ => All,
            (a, b) => (From: a, To: b)
        )
        .Where(p => p.From.SameKind(p.To))
        .ToDictionary(p => p, p => UnitConverter.Convert(1, p.From._of, p.To._of));

    private static readonly Dictionary<string, Unit> Words = new (string Word, Unit Of)[]
    {
        ("kgs", Kg),
        ("lbs", Lb),
        ("lbs/in", PoundPerInch),
        ("mile", Mile),
        ("miles", Mile),
        ("ft·lb", PoundFoot),
        ("ft·lbs", PoundFoot),
        ("lbs·ft", PoundFoot),
        ("deg", Degree),
        ("degrees", Degree),
        ("hour", Hour),
        ("hours", Hour),
        ("mins", Minute),
        ("minutes", Minute),
    }
        .Concat(All.Where(u => u != One).Select(u => (u.Symbol, u)))
        .ToDictionary(w => Plain(w.Item1), w => w.Item2);

    private readonly Enum _of;

    private Unit(string symbol, Enum of)
    {
        (Symbol, _of) = (symbol, of);
        Symbols.Add(symbol, this);
    }

    /// <summary>As it is written and stored.</summary>
    public string Symbol { get; }

    /// <summary>The unit with this symbol; null when Nokko knows none.</summary>
    public static Unit? Of(string? symbol) => Symbols.GetValueOrDefault(symbol ?? "");

    /// <summary>The unit that somebody means who types it: "kgs", "Nm", "ft-lb", "miles"; null when it is none of these.</summary>
    /// <param name="typed">The unit alone.</param>
    public static Unit? Said(string typed) => Words.GetValueOrDefault(Plain(typed));

    private static string Plain(string typed) =>
        string.Concat(
                typed.Where(c => !char.IsWhiteSpace(c) && c is not ('·' or '-' or '.' or '*'))
            )
            .ToUpperInvariant();

    /// <summary>Whether both measure the same kind of quantity.</summary>
    public bool SameKind(Unit other) => _of.GetType() == other._of.GetType();

    /// <summary>A value of this unit, in another of its kind.</summary>
    /// <exception cref="ArgumentException">The two measure different things.</exception>
    public double To(Unit other, double value)
    {
        if (!Factors.TryGetValue((this, other), out var factor))
        {
            throw new ArgumentException($"Cannot turn {this} into {other}.");
        }
        // Multiplied by the greater of the two factors or divided by it: 25.4 is exact, its inverse is not.
        return factor >= 1 ? value * factor : value / Factors[(other, this)];
    }

    /// <summary>The symbol.</summary>
    public override string ToString() => Symbol;
}

/// <summary>Reads and writes a unit as its symbol.</summary>
public sealed class UnitJson : JsonConverter<Unit>
{
    /// <inheritdoc/>
    public override Unit Read(
        ref Utf8JsonReader reader,
        Type typeToConvert,
        JsonSerializerOptions options
    ) =>
        reader.TokenType == JsonTokenType.String && Unit.Of(reader.GetString()) is { } unit
            ? unit
            : throw new JsonException();

    /// <inheritdoc/>
    public override void Write(Utf8JsonWriter writer, Unit value, JsonSerializerOptions options) =>
        writer.WriteStringValue(value.Symbol);
}
