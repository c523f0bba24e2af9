using System.Globalization;
using Nokko.Core.Shelf;

namespace Nokko.Core.Bench;

/// <content>Templates that are held against a part: stud gauge, caster bush, block, tyre room.</content>
/// <remarks>Source: docs/computation/templates.md#the-templates.</remarks>
public static partial class BenchSheets
{
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
        var steps = Math.Max(8, Math.Ceiling(least / step) + 3);
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
}
