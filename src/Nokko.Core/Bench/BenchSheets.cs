using Nokko.Core.Units;

namespace Nokko.Core.Bench;

/// <summary>The single calculations of a job, without one.</summary>
/// <remarks>Each is the very arithmetic that plans and proofs use; source: docs/computation/rigid-body.md#residuals-and-leave-one-out, docs/computation/body-on-springs.md#equilibrium, docs/computation/lifts.md#laws, docs/computation/geometry.md#taped-geometry.</remarks>
public static partial class BenchSheets
{
    /// <summary>Every calculation.</summary>
    public static IReadOnlyList<BenchSheet> All { get; } =
    [
        new(
            "rake",
            "Rake and lean from four heights",
            [
                new("lf", "Left front", Unit.Mm, "520"),
                new("rf", "Right front", Unit.Mm, "520"),
                new("lr", "Left rear", Unit.Mm, "580"),
                new("rr", "Right rear", Unit.Mm, "580"),
                new("wheelbase", "Wheelbase", Unit.Mm, "3600", Optional: true),
            ]
        ),
        new(
            "spacer",
            "Lift from a spacer",
            [
                new("suspension", "It stands on", null, "coilOverArm", Asks: BenchAsks.Suspension),
                new("thickness", "Thickness", Unit.Mm, "25"),
                new("armLength", "Lower arm, pivot to ball joint", Unit.Mm, "", Optional: true),
                new("footDistance", "Pivot to strut foot", Unit.Mm, "", Optional: true),
                new(
                    "springLean",
                    "Lean of the strut or coil",
                    Unit.Degree,
                    "",
                    Optional: true,
                    Positive: false
                ),
            ]
        ),
        new(
            "spring",
            "A coil under its load",
            [
                new("rate", "Rate", Unit.NewtonPerMm, "100"),
                new("free", "Free length", Unit.Mm, "400"),
                new("load", "Load along it", Unit.Kg, "600"),
                new("second", "Second rate, of two", Unit.NewtonPerMm, "", Optional: true),
                new("crossover", "Load at which it begins", Unit.Kg, "", Optional: true),
                new("oldRate", "Rate of the old one", Unit.NewtonPerMm, "", Optional: true),
                new("oldFree", "Free length of the old one", Unit.Mm, "", Optional: true),
            ]
        ),
        new(
            "torsion",
            "Turns of a torsion bar",
            [
                new("turns", "Turns, tightening", Unit.One, "3", Positive: false),
                new("before", "Height before some turns", Unit.Mm, "", Optional: true),
                new("after", "Height after them, rolled", Unit.Mm, "", Optional: true),
                new("between", "Turns between them", Unit.One, "", Optional: true, Positive: false),
                new("load", "Load on the wheel", Unit.Kg, "560"),
                new("arm", "Arm, pivot to ball joint", Unit.Mm, "400"),
                new("drop", "It slopes down by", Unit.Degree, "5", Positive: false),
                new("rate", "The bar twists at", Unit.NewtonMetrePerDegree, "40"),
                new("lever", "Bar's middle to adjuster bolt", Unit.Mm, "60"),
                new("pitch", "Thread pitch of the bolt", Unit.Mm, "2"),
            ]
        ),
        new(
            "leaf",
            "A leaf pack",
            [
                new("leaves", "Leaves", Unit.One, "4"),
                new("length", "Main leaf, eye to eye along it", Unit.Mm, "1300"),
                new("shorter", "Each next one shorter by", Unit.Mm, "220"),
                new("width", "Width", Unit.Mm, "60"),
                new("thick", "Thickness of each", Unit.Mm, "8"),
                new("arch", "Free arch of the main leaf", Unit.Mm, "120", Positive: false),
                new("clamp", "Clamped between the U-bolts", Unit.Mm, "", Optional: true),
                new("load", "Load on the axle seat", Unit.Kg, "400"),
            ]
        ),
        new(
            "shackle",
            "A longer shackle",
            [
                new("chord", "Eye to eye, now", Unit.Mm, "1300"),
                new("arch", "Arch now", Unit.Mm, "60", Positive: false),
                new("shackle", "Shackle, eye to eye", Unit.Mm, "90"),
                new(
                    "angle",
                    "Its lean, away from the fixed eye",
                    Unit.Degree,
                    "15",
                    Positive: false
                ),
                new("longer", "Longer by", Unit.Mm, "25"),
                new(
                    "pivot",
                    "Its pivot on the frame stands",
                    null,
                    "aboveEye",
                    Asks: BenchAsks.ShacklePivot
                ),
            ]
        ),
        new(
            "block",
            "A block",
            [
                new("thickness", "Thickness", Unit.Mm, "50"),
                new(
                    "taper",
                    "Taper, thick end to the rear",
                    Unit.Degree,
                    "",
                    Optional: true,
                    Positive: false
                ),
                new("pack", "Thickness of the pack", Unit.Mm, "40"),
            ]
        ),
        new(
            "tyre",
            "Another tyre",
            [
                new("now", "Size now", null, "265/70R17", Asks: BenchAsks.TyreSize),
                new("next", "Size then", null, "285/75R17", Asks: BenchAsks.TyreSize),
                new("shown", "Speed shown", Unit.One, "60"),
                new("ratio", "Axle ratio", Unit.One, "", Optional: true),
            ]
        ),
        .. GeometrySheets.All,
        .. FrontSheets.All,
        .. VehicleSheets.All,
        .. TemplateSheets.All,
    ];

    /// <summary>The sheet of a name, or null.</summary>
    public static BenchSheet? Find(string name) => All.FirstOrDefault(s => s.Name == name);

    /// <summary>Works a sheet out.</summary>
    /// <param name="sheet">Its name.</param>
    /// <param name="number">Values of its fields in their units; null where nothing was typed.</param>
    /// <param name="text">Texts of fields that are no numbers.</param>
    /// <exception cref="BenchException">A value cannot be.</exception>
    public static BenchAnswer Work(
        string sheet,
        Func<string, double?> number,
        Func<string, string?> text
    ) =>
        sheet switch
        {
            "rake" => Rake(number),
            "spacer" => Spacer(number, text),
            "spring" => Spring(number),
            "torsion" => Torsion(number),
            "leaf" => Leaves(number),
            "shackle" => Shackle(number, text),
            "block" => Block(number),
            "tyre" => Tyre(number, text),
            "trackBar" => Bar(number),
            "steering" => Steering(number),
            "caster" => CasterOf(number),
            "driveline" => Shaft(number),
            "slipYoke" => Yoke(number),
            "swayBar" => Links(number),
            "wheel" => Rim(number),
            "headlights" => Lamps(number),
            "toe" => ToeOf(number),
            "axleLoads" => Carried(number),
            "cornerScales" => Scales(number),
            "sideSlope" => Slope(number),
            "hoses" => Slack(number),
            "camber" => Square(number),
            "front" => Front(number),
            "cvShaft" => HalfShaft(number),
            "bodyOrSprings" => BodyOrSprings(number),
            "holes" => Holes(number),
            "ring" => Ring(number),
            "studs" => Studs(number),
            "bush" => Bush(number),
            "wedge" => Wedge(number),
            "room" => Room(number),
            _ => throw new ArgumentOutOfRangeException(nameof(sheet), sheet, null),
        };
}
