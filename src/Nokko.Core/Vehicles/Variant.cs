using Nokko.Core.Units;

namespace Nokko.Core.Vehicles;

/// <summary>What tells vehicles of one platform apart. The shop keeps a list of values of each for a platform.</summary>
public enum VariantAspect
{
    /// <summary>Engine.</summary>
    Engine,

    /// <summary>Driven wheels.</summary>
    Drive,

    /// <summary>Body or cab.</summary>
    Body,

    /// <summary>Bed.</summary>
    Bed,

    /// <summary>Trim.</summary>
    Trim,

    /// <summary>Suspension option.</summary>
    SuspensionOption,
}

/// <summary>Values of a platform's variants.</summary>
/// <param name="Aspect">Of what.</param>
/// <param name="Values">The values, each once.</param>
public sealed record VariantList(VariantAspect Aspect, IReadOnlyList<string> Values);

/// <summary>What a part must meet on a vehicle.</summary>
public enum MateKind
{
    /// <summary>Studs of a strut's top: count, thread and circle.</summary>
    StrutStuds,

    /// <summary>Bore of an upright's strut clamp.</summary>
    StrutClamp,

    /// <summary>Wheel studs: count and circle.</summary>
    WheelStuds,

    /// <summary>Bore in the middle of a wheel, or what it sits on.</summary>
    HubBore,

    /// <summary>How a coil ends.</summary>
    CoilEnds,

    /// <summary>Inner diameter of a coil at its seat.</summary>
    CoilBore,

    /// <summary>Diameter of a sway bar.</summary>
    BarDiameter,

    /// <summary>Width of a leaf.</summary>
    LeafWidth,
}

/// <summary>How a part meets a vehicle at a place: a length, or how it is written.</summary>
/// <param name="Kind">What meets.</param>
/// <param name="Size">The length, of those that are lengths.</param>
/// <param name="Written">As written, of the others: 3 × M10 on 120, pigtail.</param>
public sealed record Mate(MateKind Kind, Quantity? Size = null, string? Written = null)
{
    /// <summary>Two lengths meet within this, mm: what a caliper and a coat of paint take.</summary>
    public const double MeetsWithinMm = 0.5;

    /// <summary>Whether it is the same as another one.</summary>
    /// <param name="other">The other, of the same kind.</param>
    public bool Meets(Mate other) =>
        Size is { } a && other.Size is { } b
            ? Math.Abs(a.In(Unit.Mm) - b.In(Unit.Mm)) <= MeetsWithinMm
            : Written is not null && Variant.Same(Written, other.Written);

    /// <summary>As said in a bay.</summary>
    public string Said() => Size is { } size ? LengthText.Both(size.In(Unit.Mm)) : Written ?? "";
}

/// <summary>A place of a vehicle at which parts must meet it.</summary>
/// <param name="Axle">The axle.</param>
/// <param name="Is">What is there.</param>
public sealed record MatePlace(Axle Axle, Mate Is);

/// <summary>Words and comparisons of variants.</summary>
public static class Variant
{
    /// <summary>Whether two values are one: case and spaces do not count, nor which × or comma is written.</summary>
    /// <param name="a">One.</param>
    /// <param name="b">The other.</param>
    public static bool Same(string? a, string? b) => Plain(a) == Plain(b);

    /// <summary>A value without what does not count.</summary>
    private static string Plain(string? value) =>
        string.Concat(
            (value ?? "")
                .Where(c => !char.IsWhiteSpace(c))
                .Select(c =>
                    c switch
                    {
                        '×' or '*' => 'x',
                        ',' => '.',
                        _ => char.ToLowerInvariant(c),
                    }
                )
        );

    /// <summary>An aspect as said in a bay.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no aspect.</exception>
    public static string Said(this VariantAspect aspect) =>
        aspect switch
        {
            VariantAspect.Engine => "engine",
            VariantAspect.Drive => "drive",
            VariantAspect.Body => "body or cab",
            VariantAspect.Bed => "bed",
            VariantAspect.Trim => "trim",
            VariantAspect.SuspensionOption => "suspension option",
            _ => throw new ArgumentOutOfRangeException(nameof(aspect), aspect, "No aspect."),
        };

    /// <summary>What meets, as said in a bay.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is none.</exception>
    public static string Said(this MateKind kind) =>
        kind switch
        {
            MateKind.StrutStuds => "strut studs",
            MateKind.StrutClamp => "strut clamp",
            MateKind.WheelStuds => "wheel studs",
            MateKind.HubBore => "hub bore",
            MateKind.CoilEnds => "coil ends",
            MateKind.CoilBore => "coil bore",
            MateKind.BarDiameter => "sway-bar diameter",
            MateKind.LeafWidth => "leaf width",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "Nothing that meets."),
        };

    /// <summary>Whether it is a length; the others are written as a fitter writes them.</summary>
    public static bool IsLength(this MateKind kind) =>
        kind
            is MateKind.StrutClamp
                or MateKind.HubBore
                or MateKind.CoilBore
                or MateKind.BarDiameter
                or MateKind.LeafWidth;

    /// <summary>
    /// Whether an axle of a kind has it: nobody is asked for strut studs of an axle that has none. Wheels and a bar
    /// may be on any.
    /// </summary>
    /// <param name="kind">What meets.</param>
    /// <param name="suspension">The axle's suspension.</param>
    public static bool IsOn(this MateKind kind, SuspensionKind suspension) =>
        kind switch
        {
            MateKind.StrutStuds => suspension.HasCoilOver(),
            MateKind.StrutClamp => suspension == SuspensionKind.Strut,
            MateKind.CoilEnds or MateKind.CoilBore => suspension.HasCoil(),
            MateKind.LeafWidth => suspension.Rubs(),
            _ => true,
        };
}
