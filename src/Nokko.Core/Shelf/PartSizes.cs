using Nokko.Core.Units;

namespace Nokko.Core.Shelf;

/// <summary>A further size of a part.</summary>
/// <param name="Name">Its name in files.</param>
/// <param name="Unit">A unit of its kind; the limits are in it.</param>
/// <param name="Low">Least that can be.</param>
/// <param name="High">Most that can be.</param>
/// <param name="Label">As said in a bay.</param>
public sealed record PartSize(string Name, Unit Unit, double Low, double High, string Label);

/// <summary>The further sizes of parts; each may be unknown.</summary>
public static class PartSizes
{
    /// <summary>Rate of a spring.</summary>
    public const string Rate = "rate";

    /// <summary>Rate of a dual-rate coil beyond its crossover.</summary>
    public const string SecondRate = "secondRate";

    /// <summary>Load along a dual-rate coil at which its second rate begins.</summary>
    public const string CrossoverLoad = "crossoverLoad";

    /// <summary>Turns of a torsion bar's adjuster, tightening above zero.</summary>
    public const string Turns = "turns";

    /// <summary>Free length of a coil.</summary>
    public const string FreeLength = "freeLength";

    /// <summary>Length at which a coil binds.</summary>
    public const string BindLength = "bindLength";

    /// <summary>What the maker says that a spring lifts at its design load, at the wheel.</summary>
    public const string DesignLift = "designLift";

    /// <summary>Load on one wheel for which a spring was made.</summary>
    public const string DesignLoad = "designLoad";

    /// <summary>Extended length of a shock or strut.</summary>
    public const string ExtendedLength = "extendedLength";

    /// <summary>Collapsed length of a shock or strut.</summary>
    public const string CollapsedLength = "collapsedLength";

    /// <summary>Depth of the room in a plate for the strut's own studs.</summary>
    public const string Recess = "recess";

    /// <summary>Angle between a coil spacer's faces and square to the coil.</summary>
    public const string FaceLean = "faceLean";

    /// <summary>Taper of a block or shim.</summary>
    public const string Taper = "taper";

    /// <summary>How far a caster bush turns its axle, caster gained above zero.</summary>
    public const string Turn = "turn";

    /// <summary>How much longer a link is than the old one; below zero shorter.</summary>
    public const string LinkLonger = "linkLonger";

    /// <summary>By how much less a wheel turns before it meets its stop.</summary>
    public const string StopsEarlier = "stopsEarlier";

    /// <summary>Centre pin of a leaf pack, diameter of its head.</summary>
    public const string PinDiameter = "pinDiameter";

    /// <summary>Spring-seat bore that takes the pin.</summary>
    public const string SeatBore = "seatBore";

    /// <summary>Length of a leaf pack between its U-bolts, which does not bend.</summary>
    public const string ClampLength = "clampLength";

    /// <summary>How much longer the bolts are that go through a part, where its thickness does not say it.</summary>
    public const string BoltsLonger = "boltsLonger";

    /// <summary>Outer diameter of a tyre.</summary>
    public const string Diameter = "diameter";

    /// <summary>Width of a tyre, side wall to side wall.</summary>
    public const string Width = "width";

    /// <summary>Width of the rim that comes with a tyre, bead to bead.</summary>
    public const string RimWidth = "rimWidth";

    /// <summary>Offset (ET) of the rim that comes with a tyre.</summary>
    public const string RimOffset = "rimOffset";

    /// <summary>Most that may stand at one corner, all plates together, by the maker.</summary>
    public const string MaxStack = "maxStack";

    /// <summary>Every further size.</summary>
    public static IReadOnlyList<PartSize> All { get; } =
    [
        new(Rate, Unit.NewtonPerMm, 1, 2_000, "Rate"),
        new(SecondRate, Unit.NewtonPerMm, 1, 2_000, "Second rate, of two"),
        new(CrossoverLoad, Unit.Newton, 50, 60_000, "Load at which it begins"),
        new(Turns, Unit.One, -40, 40, "Turns, tightening"),
        new(FreeLength, Unit.Mm, 40, 1_500, "Free length"),
        new(BindLength, Unit.Mm, 20, 1_000, "Binds at"),
        new(DesignLift, Unit.Mm, -150, 300, "Lifts, at its design load"),
        new(DesignLoad, Unit.Newton, 100, 60_000, "Design load, one wheel"),
        new(ExtendedLength, Unit.Mm, 50, 2_000, "Extended"),
        new(CollapsedLength, Unit.Mm, 30, 1_800, "Collapsed"),
        new(Recess, Unit.Mm, 0, 150, "Room for the strut's studs"),
        new(FaceLean, Unit.Degree, 0, 45, "Faces lean against the coil by"),
        new(Taper, Unit.Degree, -15, 15, "Taper, thick end to the rear"),
        new(Turn, Unit.Degree, -10, 10, "Caster that it gives back"),
        new(LinkLonger, Unit.Mm, -80, 80, "Longer than the old one by (minus: shorter)"),
        new(StopsEarlier, Unit.Degree, 1, 20, "Stops earlier by"),
        new(PinDiameter, Unit.Mm, 4, 40, "Centre pin, head"),
        new(SeatBore, Unit.Mm, 4, 60, "Spring-seat bore"),
        new(ClampLength, Unit.Mm, 10, 400, "Clamped between its U-bolts"),
        new(BoltsLonger, Unit.Mm, -50, 200, "Bolts through it are longer by"),
        new(Diameter, Unit.Mm, 300, 1_400, "Outer diameter"),
        new(Width, Unit.Mm, 60, 600, "Width, side wall to side wall"),
        new(RimWidth, Unit.Mm, 60, 500, "Width of its rim"),
        new(RimOffset, Unit.Mm, -150, 150, "Offset (ET) of its rim"),
        new(MaxStack, Unit.Mm, 1, 300, "Most at one corner, by its maker"),
    ];

    private static readonly Dictionary<string, PartSize> ByName = All.ToDictionary(s => s.Name);

    /// <summary>The size of a name, or null.</summary>
    public static PartSize? Find(string name) => ByName.GetValueOrDefault(name);

    /// <summary>Why a value cannot be, or null.</summary>
    /// <param name="name">A name of the list.</param>
    /// <param name="value">The value in its unit.</param>
    public static string? WhyNot(string name, double value)
    {
        var size = ByName[name];
        return value >= size.Low && value <= size.High
            ? null
            : FormattableString.Invariant(
                $"That lies between {size.Low:#,0.##} and {size.High:#,0.##}{(size.Unit == Unit.One ? "" : $" {size.Unit}")}: check the unit."
            );
    }
}
