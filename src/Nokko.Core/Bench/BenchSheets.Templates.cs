using Nokko.Core.Shelf;
using Nokko.Core.Units;

namespace Nokko.Core.Bench;

/// <content>Templates at full size: what is drilled, cut and held against a part by paper.</content>
/// <remarks>Fields that mean a part's own size have its name in <see cref="PartSizes"/>, so that a part on the shelf fills them. Source: docs/computation/templates.md#the-templates.</remarks>
public static partial class BenchSheets
{
    private static class TemplateSheets
    {
        public static BenchSheet[] All { get; } =
        [
            Sheet(
                "holes",
                "Bracket holes",
                new("side", "Centre to centre, across", Unit.Mm, "60"),
                new("down", "Centre to centre, down", Unit.Mm, "", Optional: true),
                new("hole", "Holes", Unit.Mm, "12"),
                new("edge", "Centre to edge", Unit.Mm, "20"),
                new("drop", "A second pattern lower by", Unit.Mm, "", Optional: true)
            ),
            Sheet(
                "ring",
                "Spacer ring",
                new("outer", "Outer diameter", Unit.Mm, "130"),
                new("bore", "Bore", Unit.Mm, "70"),
                new("circle", "Bolt circle", Unit.Mm, "", Optional: true),
                new("bolts", "Bolts on it", Unit.One, "", Optional: true),
                new("hole", "Their holes", Unit.Mm, "", Optional: true)
            ),
            Sheet(
                "studs",
                "Stud length",
                new("thread", "Thread, diameter", Unit.Mm, "10"),
                new("pitch", "Pitch", Unit.Mm, "1.5"),
                new("grip", "What was clamped already", Unit.Mm, "6"),
                new(Amount, "Spacer between", Unit.Mm, "25"),
                new("washer", "Washer", Unit.Mm, "", Optional: true),
                new("nut", "Height of the nut", Unit.Mm, "", Optional: true)
            ),
            Sheet(
                "bush",
                "Caster bush",
                new("outer", "Outer diameter", Unit.Mm, "60"),
                new("bore", "Bore", Unit.Mm, "14"),
                new("offset", "Bore off the middle by", Unit.Mm, "", Optional: true),
                new("bolts", "Bolt to bolt on the arm", Unit.Mm, "200", Optional: true),
                new(PartSizes.Turn, "Caster that it gives back", Unit.Degree, "3", Optional: true)
            ),
            Sheet(
                "wedge",
                "Block and taper",
                new(Amount, "Thickness at the pin", Unit.Mm, "50"),
                new("long", "Length", Unit.Mm, "140"),
                new("wide", "Width", Unit.Mm, "60"),
                new(
                    PartSizes.Taper,
                    "Taper, thick end to the rear",
                    Unit.Degree,
                    "",
                    Optional: true,
                    Positive: false
                ),
                new(PartSizes.PinDiameter, "Centre pin, head", Unit.Mm, "", Optional: true),
                new(PartSizes.SeatBore, "Spring-seat bore", Unit.Mm, "", Optional: true)
            ),
            Sheet(
                "room",
                "Tyre room at full lock",
                new BenchField("least", "Least room", Unit.Mm, "25")
            ),
        ];

        private static BenchSheet Sheet(string name, string said, params BenchField[] fields) =>
            new(name, said, [.. fields, .. PrintScale.Fields], Paper: true);
    }

    /// <summary>Field that means <see cref="Part.Thickness"/>.</summary>
    private const string Amount = "thickness";

    /// <summary>Least wall between two edges of a drilled part, mm: a rule of thumb under which nothing is drawn.</summary>
    private const double LeastWallMm = 2;

    private static BenchAnswer Holes(Func<string, double?> number)
    {
        var (side, hole, edge) = (
            number("side")!.Value,
            number("hole")!.Value,
            number("edge")!.Value
        );
        var (down, drop) = (number("down") ?? 0, number("drop") ?? 0);
        Wall("edge", edge - (hole / 2), "between hole and edge");
        Wall("side", side - hole, "between two holes");
        foreach (
            var (field, apart) in new[] { ("down", down), ("drop", drop) }.Where(a => a.Item2 > 0)
        )
        {
            Wall(field, apart - hole, "between two holes");
        }
        if (down > 0 && drop > 0)
        {
            Wall("drop", Math.Abs(drop - down) - hole, "between an old and a new hole");
        }
        var sheet = new TemplateSheet(
            side + (2 * edge),
            down + drop + (2 * edge),
            "side",
            drop > down ? "drop" : "down"
        );
        var (w, h) = (side + (2 * edge), down + drop + (2 * edge));
        sheet.Line(TemplatePen.Cut, (0, 0), (w, 0), (w, h), (0, h), (0, 0));
        foreach (var top in drop > 0 ? (double[])[0, drop] : [0])
        {
            foreach (var y in down > 0 ? (double[])[0, down] : [0])
            {
                sheet.Circle(edge, edge + top + y, hole);
                sheet.Circle(edge + side, edge + top + y, hole);
            }
        }
        var farthest = Math.Sqrt((side * side) + Math.Pow(down + drop, 2));
        return Drawn(
            sheet,
            "Bracket holes",
            Sizes(
                ("across", side),
                ("down", down),
                ("lower by", drop),
                ("holes", hole),
                ("to edge", edge)
            ),
            number,
            [
                ("Diagonal, hole to hole: measure it on the part", farthest),
                ("Wall between hole and edge", edge - (hole / 2)),
            ],
            [
                "Punch the centres through the paper, then take it off: a drill follows a punch mark, not a line.",
            ]
        );
    }

    private static BenchAnswer Ring(Func<string, double?> number)
    {
        var (outer, bore) = (number("outer")!.Value, number("bore")!.Value);
        Wall("bore", (outer - bore) / 2, "between bore and edge");
        var (circle, bolts, hole) = (number("circle"), number("bolts"), number("hole"));
        if (
            (circle ?? bolts ?? hole) is not null
            && (circle is null || bolts is null || hole is null)
        )
        {
            throw new BenchException(
                circle is null ? "circle"
                    : bolts is null ? "bolts"
                    : "hole",
                "Bolt circle, bolts and their holes belong together: enter all three or none."
            );
        }
        var sheet = new TemplateSheet(outer, outer, "outer", "outer");
        var middle = outer / 2;
        sheet.Circle(middle, middle, outer, beyond: 0);
        sheet.Circle(middle, middle, bore);
        List<(string, double)> numbers = [("Wall between bore and edge", (outer - bore) / 2)];
        if (circle is { } pcd && bolts is { } many && hole is { } wide)
        {
            if (many is < 2 or > 12 || many != Math.Round(many))
            {
                throw new BenchException("bolts", "Two to twelve bolts, whole ones.");
            }
            var next = pcd * Math.Sin(Math.PI / many);
            Wall("circle", (outer - pcd - wide) / 2, "between a bolt hole and the edge");
            Wall("circle", (pcd - bore - wide) / 2, "between a bolt hole and the bore");
            Wall("bolts", next - wide, "between two bolt holes");
            for (var i = 0; i < many; i++)
            {
                var (sin, cos) = Math.SinCos(2 * Math.PI * i / many);
                sheet.Circle(middle + (pcd / 2 * sin), middle - (pcd / 2 * cos), wide);
            }
            numbers.Insert(0, ("Centre to centre, one bolt to the next", next));
            numbers.Add(("Wall outside the bolt holes", (outer - pcd - wide) / 2));
            numbers.Add(("Wall inside the bolt holes", (pcd - bore - wide) / 2));
        }
        return Drawn(
            sheet,
            "Spacer ring",
            Sizes(
                ("outer", outer),
                ("bore", bore),
                ("bolt circle", circle ?? 0),
                ("holes", hole ?? 0)
            ),
            number,
            numbers,
            [
                "Lay it on the old studs before anything is drilled: they must stand in the middle of their holes.",
            ]
        );
    }

    /// <summary>Refuses a wall that is too thin to be made.</summary>
    private static void Wall(string field, double mm, string where)
    {
        if (mm < LeastWallMm)
        {
            throw new BenchException(
                field,
                mm <= 0
                    ? $"Nothing would be left {where}."
                    : FormattableString.Invariant($"Only {mm:0.0} mm would be left {where}.")
            );
        }
    }

    private static string Sizes(params (string Said, double Mm)[] sizes) =>
        string.Join(
            ", ",
            sizes
                .Where(s => s.Mm > 0)
                .Select(s => FormattableString.Invariant($"{s.Said} {s.Mm:0.##}"))
        ) + " mm";

    /// <summary>A template with its numbers: how well a proved print has them is told, and of another one nothing is.</summary>
    private static BenchAnswer Drawn(
        TemplateSheet sheet,
        string title,
        string sizes,
        Func<string, double?> number,
        IReadOnlyList<(string Label, double Mm)> numbers,
        IReadOnlyList<string> says
    )
    {
        var print = PrintScale.Of(number);
        return new BenchAnswer(
            [.. numbers.Select(n => Length(n.Label, n.Mm, print.U * n.Mm))],
            [print.Says, .. says]
        )
        {
            Template = sheet.Done(title, sizes, print),
        };
    }
}
