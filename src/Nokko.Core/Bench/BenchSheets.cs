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
                new("lf", "Left front", "mm", "520"),
                new("rf", "Right front", "mm", "520"),
                new("lr", "Left rear", "mm", "580"),
                new("rr", "Right rear", "mm", "580"),
                new("wheelbase", "Wheelbase", "mm", "3600", Optional: true),
            ]
        ),
        new(
            "spacer",
            "Lift from a spacer",
            [
                new("suspension", "It stands on", "suspension", "coilOverArm"),
                new("thickness", "Thickness", "mm", "25"),
                new("armLength", "Lower arm, pivot to ball joint", "mm", "", Optional: true),
                new("footDistance", "Pivot to strut foot", "mm", "", Optional: true),
                new(
                    "springLean",
                    "Lean of the strut or coil",
                    "°",
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
                new("rate", "Rate", "N/mm", "100"),
                new("free", "Free length", "mm", "400"),
                new("load", "Load along it", "kg", "600"),
                new("oldRate", "Rate of the old one", "N/mm", "", Optional: true),
                new("oldFree", "Free length of the old one", "mm", "", Optional: true),
            ]
        ),
        new(
            "leaf",
            "A leaf pack",
            [
                new("leaves", "Leaves", "1", "4"),
                new("length", "Main leaf, eye to eye along it", "mm", "1300"),
                new("shorter", "Each next one shorter by", "mm", "220"),
                new("width", "Width", "mm", "60"),
                new("thick", "Thickness of each", "mm", "8"),
                new("arch", "Free arch of the main leaf", "mm", "120", Positive: false),
                new("load", "Load on the axle seat", "kg", "400"),
            ]
        ),
        new(
            "shackle",
            "A longer shackle",
            [
                new("chord", "Eye to eye, now", "mm", "1300"),
                new("arch", "Arch now", "mm", "60", Positive: false),
                new("shackle", "Shackle, eye to eye", "mm", "90"),
                new("angle", "Its lean, away from the fixed eye", "°", "15", Positive: false),
                new("longer", "Longer by", "mm", "25"),
            ]
        ),
        new(
            "block",
            "A block",
            [
                new("thickness", "Thickness", "mm", "50"),
                new(
                    "taper",
                    "Taper, thick end to the rear",
                    "°",
                    "",
                    Optional: true,
                    Positive: false
                ),
                new("pack", "Thickness of the pack", "mm", "40"),
            ]
        ),
        new(
            "tyre",
            "Another tyre",
            [
                new("now", "Size now", "tyre", "265/70R17"),
                new("next", "Size then", "tyre", "285/75R17"),
                new("shown", "Speed shown", "1", "60"),
                new("ratio", "Axle ratio", "1", "", Optional: true),
            ]
        ),
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
            "leaf" => Leaves(number),
            "shackle" => Shackle(number),
            "block" => Block(number),
            "tyre" => Tyre(number, text),
            _ => throw new ArgumentOutOfRangeException(nameof(sheet), sheet, null),
        };
}
