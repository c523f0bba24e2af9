using System.Globalization;
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

    private static BenchAnswer Studs(Func<string, double?> number)
    {
        var (thread, pitch) = (number("thread")!.Value, number("pitch")!.Value);
        if (pitch >= thread / 2)
        {
            throw new BenchException(
                "pitch",
                "No thread is as coarse as that: check diameter and pitch."
            );
        }
        var washer = number("washer") ?? 0;
        var nut = number("nut") ?? (NutOfThread * thread);
        var least = number("grip")!.Value + number(Amount)!.Value + washer + nut + (2 * pitch);
        const double step = 5;
        var longest = Math.Ceiling((least + 20) / step) * step;
        const double slot = 34;
        var sheet = new TemplateSheet(slot + thread + 30, longest + 10, "thread", Amount);
        // A comb: its foot stands on the face that the stud comes out of, the stud in its slot.
        sheet.Line(
            TemplatePen.Cut,
            (0, 0),
            (slot + thread + 30, 0),
            (slot + thread + 30, longest),
            (slot + thread, longest),
            (slot + thread, 6),
            (slot, 6),
            (slot, longest),
            (0, longest),
            (0, 0)
        );
        for (var up = step; up < longest - 6; up += step)
        {
            sheet.Line(
                TemplatePen.Mark,
                (slot - (up % 10 == 0 ? 9 : 5), longest - up),
                (slot, longest - up)
            );
            if (up % 10 == 0)
            {
                sheet.Text(
                    slot - 18,
                    longest - up + 1,
                    up.ToString("0", CultureInfo.InvariantCulture),
                    2.8
                );
            }
        }
        sheet.Line(
            TemplatePen.Cut,
            (slot + thread, longest - least),
            (slot + thread + 30, longest - least)
        );
        sheet.Text(slot + thread + 3, longest - least - 1.5, "least");
        sheet.Text(
            0,
            longest + 7,
            "This edge on the face that the stud comes out of, mm from it.",
            2.8
        );
        return Drawn(
            sheet,
            "Stud length",
            FormattableString.Invariant(
                $"Thread {thread:0.##} × {pitch:0.##}, least {least:0.0} mm from its face"
            ),
            number,
            [("The stud must stand out of its face by", least), ("Of that, the nut", nut)],
            [
                "Clamped, spacer, washer, nut, and two turns of thread beyond it: a rule of thumb.",
                .. number("nut") is null
                    ? (string[])
                        [
                            $"The nut is taken as {NutOfThread.ToString(CultureInfo.InvariantCulture)} of its thread: a rule of thumb. Measure a lock nut.",
                        ]
                    : [],
            ]
        );
    }

    /// <summary>Height of a plain hexagon nut for its thread's diameter: a rule of thumb.</summary>
    private const double NutOfThread = 0.8;

    private static BenchAnswer Bush(Func<string, double?> number)
    {
        var (outer, bore) = (number("outer")!.Value, number("bore")!.Value);
        var (given, bolts, turn) = (number("offset"), number("bolts"), number(PartSizes.Turn));
        // Both bushes of an arm: one end of its mount goes up by the offset, the other goes down.
        var offset =
            given
            ?? (
                bolts is { } b && turn is { } t
                    ? b / 2 * Math.Sin(t / Degrees)
                    : throw new BenchException(
                        "offset",
                        "Enter how far the bore is off, or the caster that is wanted and bolt to bolt on the arm."
                    )
            );
        Wall("offset", ((outer - bore) / 2) - offset, "between bore and edge");
        var reach = outer + 16;
        var sheet = new TemplateSheet(reach, reach, "outer", "outer");
        var middle = reach / 2;
        sheet.Circle(middle, middle, outer);
        sheet.Circle(middle, middle - offset, bore);
        for (var angle = 0; angle < 360; angle += 15)
        {
            var (sin, cos) = Math.SinCos(angle / Degrees);
            var from = outer / 2;
            var to =
                from
                + (
                    angle % 90 == 0 ? 7
                    : angle % 45 == 0 ? 5
                    : 3
                );
            sheet.Line(
                TemplatePen.Mark,
                (middle + (from * sin), middle - (from * cos)),
                (middle + (to * sin), middle - (to * cos))
            );
        }
        sheet.Text(middle + 2, 3, "thin side", 2.8);
        List<(string, double)> numbers =
        [
            ("Bore off the middle by", offset),
            ("Thinnest wall", ((outer - bore) / 2) - offset),
        ];
        List<string> says =
        [
            "Mark the thin side on the bush before it is pressed in; the wrong way round takes caster away twice.",
        ];
        if (bolts is { } apart)
        {
            if (2 * offset >= apart)
            {
                throw new BenchException("bolts", "The bolts stand nearer than the bores are off.");
            }
            says.Insert(
                0,
                FormattableString.Invariant(
                    $"Two such bushes, one turned up and one down, {apart:0} mm apart turn the axle by {Math.Asin(2 * offset / apart) * Degrees:0.0}°."
                )
            );
        }
        return Drawn(
            sheet,
            "Caster bush",
            Sizes(("outer", outer), ("bore", bore), ("off by", offset)),
            number,
            numbers,
            says
        );
    }

    private static BenchAnswer Wedge(Func<string, double?> number)
    {
        var (thick, length, width) = (
            number(Amount)!.Value,
            number("long")!.Value,
            number("wide")!.Value
        );
        var slope = Math.Tan((number(PartSizes.Taper) ?? 0) / Degrees);
        var (front, rear) = (thick - (length / 2 * slope), thick + (length / 2 * slope));
        if (Math.Min(front, rear) < LeastWallMm)
        {
            throw new BenchException(
                PartSizes.Taper,
                FormattableString.Invariant(
                    $"The thin end would be {Math.Min(front, rear):0.0} mm thick."
                )
            );
        }
        var (pin, bore) = (number(PartSizes.PinDiameter), number(PartSizes.SeatBore));
        foreach (
            var (field, across) in new[]
            {
                (PartSizes.PinDiameter, pin),
                (PartSizes.SeatBore, bore),
            }
        )
        {
            if (across is { } is_)
            {
                Wall(field, (Math.Min(width, length) - is_) / 2, "beside the pin");
            }
        }
        const double gap = 14;
        var high = Math.Max(front, rear);
        var sheet = new TemplateSheet(length, high + gap + width, "long", "wide");
        // From the side, front to the left, its face to the axle below; then from above.
        sheet.Line(
            TemplatePen.Cut,
            (0, high),
            (length, high),
            (length, high - rear),
            (0, high - front),
            (0, high)
        );
        sheet.Line(
            TemplatePen.Mark,
            (length / 2, high - thick - 4),
            (length / 2, high + gap + width)
        );
        sheet.Text(2, high + 5, "front", 2.8);
        sheet.Text(length - 10, high + 5, "rear", 2.8);
        var top = high + gap;
        sheet.Line(
            TemplatePen.Cut,
            (0, top),
            (length, top),
            (length, top + width),
            (0, top + width),
            (0, top)
        );
        foreach (var across in ((double?[])[pin, bore]).OfType<double>().Distinct())
        {
            sheet.Circle(length / 2, top + (width / 2), across);
        }
        return Drawn(
            sheet,
            "Block and taper",
            Sizes(
                ("at the pin", thick),
                ("front", front),
                ("rear", rear),
                ("long", length),
                ("wide", width)
            ),
            number,
            [("Thickness in front", front), ("Thickness behind", rear)],
            ["Hold it against the block beside its pin: the thick end points as the card says."]
        );
    }

    private static BenchAnswer Room(Func<string, double?> number)
    {
        var least = number("least")!.Value;
        const double step = 5;
        const double high = 14;
        var steps = Math.Max(8, (int)Math.Ceiling(least / step) + 3);
        var sheet = new TemplateSheet(steps * step, (steps * high) + 6, "least", "least");
        List<(double, double)> edge = [(0, 0)];
        for (var i = 0; i < steps; i++)
        {
            var wide = (i + 1) * step;
            edge.Add((wide, i * high));
            edge.Add((wide, (i + 1) * high));
            sheet.Text(1, (i * high) + 9, wide.ToString("0", CultureInfo.InvariantCulture), 2.8);
        }
        edge.Add((0, steps * high));
        edge.Add((0, 0));
        sheet.Line(TemplatePen.Cut, [.. edge]);
        sheet.Line(TemplatePen.Cut, (least, 0), (least, steps * high));
        sheet.Text(Math.Min(least + 1, (steps * step) - 8), (steps * high) + 5, "least", 2.8);
        return Drawn(
            sheet,
            "Tyre room at full lock",
            FormattableString.Invariant($"Steps of {step:0} mm; least {least:0.#} mm"),
            number,
            [("Least room between tyre and what is nearest", least)],
            [
                "Glue it on card, cut along its steps. At full lock both ways, on the floor and with the wheel up by its bump travel: the widest step that passes is the room.",
                "Engine off, nobody at the wheel while a hand is in the arch.",
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
