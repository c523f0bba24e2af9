using Nokko.Core.Bench;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Bench;

public sealed class TemplatesTests
{
    private static readonly (string, double)[] Proved = [("acrossMm", 100), ("downMm", 100)];

    internal static BenchAnswer Work(string sheet, params (string Name, double Value)[] fields) =>
        BenchSheets.Work(
            sheet,
            name =>
                fields.Where(f => f.Name == name).Select(f => (double?)f.Value).FirstOrDefault(),
            _ => null
        );

    internal static Template Drawn(string sheet, params (string Name, double Value)[] fields) =>
        Work(sheet, fields).Template!;

    internal static string Refused(
        string field,
        string sheet,
        params (string Name, double Value)[] fields
    )
    {
        var e = Assert.Throws<BenchException>(() => Work(sheet, fields));
        Assert.Equal(field, e.Field);
        return e.Message;
    }

    internal static double Between(SheetPoint a, SheetPoint b) =>
        Math.Sqrt(Math.Pow(a.X - b.X, 2) + Math.Pow(a.Y - b.Y, 2));

    internal static readonly (string, double)[] AnyHoles =
    [
        ("side", 60),
        ("hole", 12),
        ("edge", 20),
    ];

    internal static double Number(BenchAnswer answer, string label) =>
        answer
            .Numbers.Single(n => n.Label.StartsWith(label, StringComparison.Ordinal))
            .Result.Value!.Value;

    [Fact]
    public void Every_sheet_draws_its_example_within_the_paper_and_warns_until_it_is_proved()
    {
        var sheets = BenchSheets.All.Where(s => s.Paper).ToArray();
        Assert.Equal(6, sheets.Length);
        foreach (var sheet in sheets)
        {
            var example = sheet
                .Fields.Where(f => f.Example.Length > 0)
                .Select(f =>
                    (
                        f.Name,
                        double.Parse(f.Example, System.Globalization.CultureInfo.InvariantCulture)
                    )
                )
                .ToArray();
            var t = Drawn(sheet.Name, example);
            Within(t);
            Assert.Contains(
                t.Texts,
                x => x.Says.StartsWith("NOT PROVED", StringComparison.Ordinal)
            );
            Assert.All(Work(sheet.Name, example).Numbers, n => Assert.Null(n.Result.U));
            var proved = Work(sheet.Name, [.. example, .. Proved]);
            Assert.DoesNotContain(
                proved.Template!.Texts,
                x => x.Says.Contains("NOT PROVED", StringComparison.Ordinal)
            );
            Assert.All(
                proved.Numbers,
                n => Assert.Equal(0.0025 * n.Result.Value!.Value, n.Result.U!.Value, 9)
            );
        }
    }

    internal static void Within(Template t)
    {
        void In(double x, double y)
        {
            Assert.InRange(x, 0, t.Width);
            Assert.InRange(y, 0, t.Height);
        }
        foreach (var p in t.Lines.SelectMany(l => l.Points).Concat(t.Texts.Select(x => x.At)))
        {
            In(p.X, p.Y);
        }
        foreach (var c in t.Circles)
        {
            In(c.At.X - c.Radius, c.At.Y - c.Radius);
            In(c.At.X + c.Radius, c.At.Y + c.Radius);
        }
    }

    [Fact]
    public void Both_papers_hold_the_sheet_also_when_it_is_drawn_larger_by_as_much_as_is_allowed()
    {
        var t = Drawn("holes", [.. AnyHoles, ("acrossMm", 97.01), ("downMm", 97.01)]);
        Assert.True((t.Width * t.Print.Across) + 24 <= 210);
        Assert.True((t.Height * t.Print.Down) + 24 <= 279.4);
    }

    [Fact]
    public void A_bar_of_100_mm_and_one_of_4_in_stand_in_each_direction()
    {
        var t = Drawn("holes", AnyHoles);
        // Each has its length beside its own beginning.
        foreach (var (length, said) in new[] { (100.0, "100 mm"), (101.6, "4 in") })
        {
            var across = t
                .Lines.Single(l =>
                    l.Points.Count == 2 && Math.Abs(l.Points[1].X - l.Points[0].X - length) < 1e-9
                )
                .Points[0];
            var over = t.Texts.Single(x => x.Says == $"This bar is {said} long").At;
            Assert.Equal(
                (4, -1.6),
                (Math.Round(over.X - across.X, 9), Math.Round(over.Y - across.Y, 9))
            );
            var down = t
                .Lines.Single(l =>
                    l.Points.Count == 2 && Math.Abs(l.Points[1].Y - l.Points[0].Y - length) < 1e-9
                )
                .Points[0];
            var beside = t.Texts.Single(x => x.Says == said).At;
            Assert.Equal(
                (-4, -4),
                (Math.Round(beside.X - down.X, 9), Math.Round(beside.Y - down.Y, 9))
            );
        }
        foreach (var length in (double[])[100, 101.6])
        {
            Assert.Single(
                t.Lines,
                l =>
                    l.Points.Count == 2
                    && l.Points[0].Y == l.Points[1].Y
                    && Math.Abs(l.Points[1].X - l.Points[0].X - length) < 1e-9
            );
            Assert.Single(
                t.Lines,
                l =>
                    l.Points.Count == 2
                    && l.Points[0].X == l.Points[1].X
                    && Math.Abs(l.Points[1].Y - l.Points[0].Y - length) < 1e-9
            );
        }
    }

    [Fact]
    public void A_print_that_reads_as_it_should_is_proved_and_keeps_the_error_that_was_read()
    {
        var answer = Work("holes", [.. AnyHoles, ("acrossMm", 100.3), ("downMm", 100)]);
        var print = answer.Template!.Print;
        Assert.Equal((1, 1, true), (print.Across, print.Down, print.Proved));
        Assert.StartsWith(
            "The bars are as long as they should be",
            answer.Says[0],
            StringComparison.Ordinal
        );
        Assert.Equal(Math.Sqrt((0.0025 * 0.0025) + (0.003 * 0.003)), print.U!.Value, 12);
        // Two bars of one direction are read twice.
        var both = Work(
            "holes",
            [
                .. AnyHoles,
                ("acrossMm", 100),
                ("acrossIn", 101.6),
                ("downMm", 100),
                ("downIn", 101.6),
            ]
        );
        Assert.Equal(
            Math.Sqrt(Math.Pow(0.25 / 100, 2) + Math.Pow(0.25 / 101.6, 2)) / 2,
            both.Template!.Print.U!.Value,
            12
        );
    }

    [Fact]
    public void A_printer_that_prints_too_small_gets_a_sheet_that_comes_out_right_and_is_proved_again()
    {
        var print = Drawn("holes", [.. AnyHoles, ("acrossMm", 98.6), ("downIn", 102.2)]).Print;
        Assert.Equal(100, 100 * print.Across * 0.986, 9);
        Assert.Equal(101.6, 101.6 * print.Down * (102.2 / 101.6), 9);
        Assert.False(print.Proved);
        Assert.Null(print.U);
        Assert.StartsWith(
            "This printer prints 98.6 % across and 100.6 % down.",
            print.Says,
            StringComparison.Ordinal
        );
        var t = Drawn("holes", [.. AnyHoles, ("acrossMm", 98.6), ("downMm", 100)]);
        Assert.Contains(
            t.Texts,
            x =>
                x.Says.Contains(
                    "NOT PROVED. Drawn at 101.4 % across and 100.0 % down",
                    StringComparison.Ordinal
                )
        );
    }

    [Theory]
    [InlineData("acrossMm", 94, 94)]
    [InlineData("acrossMm", 96.9, 100)]
    [InlineData("downMm", 100, 103.1)]
    public void A_print_that_was_fitted_to_the_page_is_refused(
        string field,
        double across,
        double down
    ) =>
        Assert.Contains(
            "actual size (100 %)",
            Refused(field, "holes", [.. AnyHoles, ("acrossMm", across), ("downMm", down)])
        );

    [Fact]
    public void One_direction_alone_proves_nothing_and_bars_that_tell_two_sizes_are_read_again()
    {
        Refused("downMm", "holes", [.. AnyHoles, ("acrossMm", 100)]);
        Refused("acrossMm", "holes", [.. AnyHoles, ("downIn", 101.6)]);
        Assert.Contains(
            "Read both again",
            Refused(
                "acrossIn",
                "holes",
                [.. AnyHoles, ("acrossMm", 99), ("acrossIn", 102.6), ("downMm", 100)]
            )
        );
    }

    [Fact]
    public void Every_template_of_a_part_is_a_sheet_that_prints()
    {
        var named = PartRule.All.SelectMany(r => r.Templates).ToArray();
        Assert.All(named, name => Assert.True(BenchSheets.Find(name)!.Paper));
        // Each sheet belongs to some part, and a size that both know fills the field.
        Assert.Equal(
            BenchSheets.All.Where(s => s.Paper).Select(s => s.Name).Order(),
            named.Distinct().Order()
        );
        foreach (
            var field in BenchSheets
                .Find("wedge")!
                .Fields.Where(f => PartSizes.Find(f.Name) is not null)
        )
        {
            Assert.Equal(PartSizes.Find(field.Name)!.Unit, field.Unit);
            Assert.Contains(field.Name, PartRule.Of(PartKind.Block).Sizes);
        }
        Assert.Equal(
            Unit.Degree,
            BenchSheets.Find("bush")!.Fields.Single(f => f.Name == PartSizes.Turn).Unit
        );
    }
}
