namespace Nokko.Core.Bench;

/// <summary>Draws one template: what stands on every sheet, and room for what this one shows.</summary>
/// <remarks>The sheet is as large as A4 and Letter both hold within margins of 12 mm when it is drawn larger by 3 %. Source: docs/computation/templates.md#the-sheet.</remarks>
internal sealed class TemplateSheet
{
    /// <summary>Width of the sheet, mm.</summary>
    public const double Width = 180;

    /// <summary>Height of the sheet, mm.</summary>
    public const double Height = 244;

    /// <summary>Where the room for the drawing lies: left, upper, right, lower edge, mm.</summary>
    private static readonly (double Left, double Top, double Right, double Bottom) Room = (
        0,
        24,
        156,
        222
    );

    private const double Foot = 2.6;

    private readonly List<TemplateLine> _lines = [];
    private readonly List<TemplateCircle> _circles = [];
    private readonly List<TemplateText> _texts = [];
    private readonly double _x;
    private readonly double _y;

    /// <summary>Room for the drawing, mm.</summary>
    public static (double Width, double Height) Has =>
        (Room.Right - Room.Left, Room.Bottom - Room.Top);

    /// <summary>Makes room for a drawing.</summary>
    /// <param name="width">Its width, mm.</param>
    /// <param name="height">Its height, mm.</param>
    /// <param name="widest">Field that makes it wide.</param>
    /// <param name="highest">Field that makes it high.</param>
    /// <exception cref="BenchException">One sheet does not hold it.</exception>
    public TemplateSheet(double width, double height, string widest, string highest)
    {
        if (width > Has.Width)
        {
            throw TooLarge(widest, width, "wide", Has.Width);
        }
        if (height > Has.Height)
        {
            throw TooLarge(highest, height, "high", Has.Height);
        }
        (_x, _y) = (Room.Left + ((Has.Width - width) / 2), Room.Top + ((Has.Height - height) / 2));
    }

    private static BenchException TooLarge(string field, double is_, string way, double has) =>
        new(
            field,
            FormattableString.Invariant(
                $"The template would be {is_:0} mm ({is_ / 25.4:0.0} in) {way}; one sheet holds {has:0} mm ({has / 25.4:0.0} in)."
            )
        );

    /// <summary>A straight line, or several end to end, from the upper left corner of the drawing.</summary>
    public void Line(TemplatePen pen, params (double X, double Y)[] points) =>
        _lines.Add(new([.. points.Select(p => At(p.X, p.Y))], pen));

    /// <summary>A circle with its centre marked, by lines that reach beyond it as far as the least wall does.</summary>
    public void Circle(double x, double y, double diameter, double beyond = 2)
    {
        _circles.Add(new(At(x, y), diameter / 2, TemplatePen.Cut));
        Cross(x, y, (diameter / 2) + beyond);
    }

    /// <summary>A centre: two lines that cross.</summary>
    public void Cross(double x, double y, double reach)
    {
        Line(TemplatePen.Mark, (x - reach, y), (x + reach, y));
        Line(TemplatePen.Mark, (x, y - reach), (x, y + reach));
    }

    /// <summary>Words in the drawing.</summary>
    public void Text(double x, double y, string says, double size = 3.2) =>
        _texts.Add(new(At(x, y), says, size));

    /// <summary>The finished sheet: its title, the proof bars, and how it is to be printed.</summary>
    /// <param name="title">What it is.</param>
    /// <param name="sizes">Its sizes in words.</param>
    /// <param name="print">What its bars told.</param>
    public Template Done(string title, string sizes, PrintScale print)
    {
        TemplateText[] head =
        [
            new(new(0, 6), title, 5.5),
            new(new(0, 12), sizes, 3.2),
            new(
                new(0, 18),
                print.Proved
                        ? "A print of it was proved. Printed again, its bars are measured again before anything is cut."
                    : print is { Across: 1, Down: 1 }
                        ? "NOT PROVED. Measure a bar across and a bar down before anything is cut."
                    : FormattableString.Invariant(
                        $"NOT PROVED. Drawn at {print.Across:0.0 %} across and {print.Down:0.0 %} down for one printer: measure the bars of this print."
                    ),
                3.2
            ),
        ];
        return new(
            title,
            Width,
            Height,
            [.. _lines, .. PrintScale.Bars.SelectMany((b, i) => Bars(b.Mm, i))],
            _circles,
            [.. head, .. _texts, .. PrintScale.Bars.SelectMany((b, i) => Named(b.Said, i))],
            print
        );
    }

    /// <summary>Left ends of the bars across and upper ends of those down, by their place in <see cref="PrintScale.Bars"/>.</summary>
    private static (SheetPoint Across, SheetPoint Down) End(int bar) =>
        (new(0, 230 + (9 * bar)), new(162 + (11 * bar), 110));

    private static IEnumerable<TemplateLine> Bars(double mm, int bar)
    {
        var (across, down) = End(bar);
        SheetPoint[][] lines =
        [
            [across, across with { X = across.X + mm }],
            [new(across.X, across.Y - Foot), new(across.X, across.Y + Foot)],
            [new(across.X + mm, across.Y - Foot), new(across.X + mm, across.Y + Foot)],
            [down, down with { Y = down.Y + mm }],
            [new(down.X - Foot, down.Y), new(down.X + Foot, down.Y)],
            [new(down.X - Foot, down.Y + mm), new(down.X + Foot, down.Y + mm)],
        ];
        return lines.Select(l => new TemplateLine(l, TemplatePen.Cut));
    }

    private static IEnumerable<TemplateText> Named(string said, int bar)
    {
        var (across, down) = End(bar);
        yield return new(new(across.X + 4, across.Y - 1.6), $"This bar is {said} long", 2.8);
        yield return new(new(down.X - 4, down.Y - 4), said, 2.8);
    }

    private SheetPoint At(double x, double y) => new(_x + x, _y + y);
}
