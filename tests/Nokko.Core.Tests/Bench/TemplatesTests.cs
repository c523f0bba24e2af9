using CsCheck;
using Nokko.Core.Bench;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Bench;

public sealed class TemplatesTests
{
    private static readonly (string, double)[] Proved = [("acrossMm", 100), ("downMm", 100)];

    private static BenchAnswer Work(string sheet, params (string Name, double Value)[] fields) =>
        BenchSheets.Work(
            sheet,
            name =>
                fields.Where(f => f.Name == name).Select(f => (double?)f.Value).FirstOrDefault(),
            _ => null
        );

    private static Template Drawn(string sheet, params (string Name, double Value)[] fields) =>
        Work(sheet, fields).Template!;

    private static string Refused(
        string field,
        string sheet,
        params (string Name, double Value)[] fields
    )
    {
        var e = Assert.Throws<BenchException>(() => Work(sheet, fields));
        Assert.Equal(field, e.Field);
        return e.Message;
    }

    private static double Between(SheetPoint a, SheetPoint b) =>
        Math.Sqrt(Math.Pow(a.X - b.X, 2) + Math.Pow(a.Y - b.Y, 2));

    private static readonly (string, double)[] AnyHoles =
    [
        ("side", 60),
        ("hole", 12),
        ("edge", 20),
    ];

    private static double Number(BenchAnswer answer, string label) =>
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

    private static void Within(Template t)
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
    public void What_any_ring_draws_lies_on_the_sheet_and_its_walls_are_as_told_or_it_is_refused() =>
        Gen.Select(
                Gen.Double[20, 200],
                Gen.Double[5, 150],
                Gen.Double[10, 190],
                Gen.Int[1, 14],
                Gen.Double[3, 40]
            )
            .Sample(
                (outer, bore, circle, bolts, hole) =>
                {
                    BenchAnswer answer;
                    try
                    {
                        answer = Work(
                            "ring",
                            ("outer", outer),
                            ("bore", bore),
                            ("circle", circle),
                            ("bolts", bolts),
                            ("hole", hole)
                        );
                    }
                    catch (BenchException)
                    {
                        return;
                    }
                    Within(answer.Template!);
                    var (edge, middle, holes) = (
                        answer.Template!.Circles[0],
                        answer.Template.Circles[1],
                        answer.Template.Circles.Skip(2).ToArray()
                    );
                    Assert.Equal(bolts, holes.Length);
                    // Walls by the drawing itself: no two edges come nearer than two millimetres.
                    foreach (var h in holes)
                    {
                        Assert.True(edge.Radius - Between(edge.At, h.At) - h.Radius >= 2 - 1e-9);
                        Assert.True(
                            Between(middle.At, h.At) - middle.Radius - h.Radius >= 2 - 1e-9
                        );
                        Assert.All(
                            holes.Where(o => o != h),
                            o => Assert.True(Between(o.At, h.At) - (2 * h.Radius) >= 2 - 1e-9)
                        );
                    }
                    Assert.Equal(
                        holes.Skip(1).Min(h => Between(h.At, holes[0].At)),
                        Number(answer, "Centre to centre"),
                        6
                    );
                }
            );

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
    public void Holes_lie_as_far_apart_as_they_were_asked_for()
    {
        var answer = Work("holes", [.. AnyHoles, ("down", 80)]);
        Assert.Equal(100, Number(answer, "Diagonal"), 9);
        var c = answer.Template!.Circles;
        Assert.Equal(4, c.Count);
        Assert.All(c, x => Assert.Equal(6, x.Radius));
        Assert.Equal(
            [60, 60, 80, 80, 100, 100],
            c.SelectMany((a, i) => c.Skip(i + 1).Select(b => Math.Round(Between(a.At, b.At), 9)))
                .Order()
        );
        // A bracket's new holes lie lower by its drop.
        var lower = Work("holes", [.. AnyHoles, ("drop", 45)]).Template!.Circles;
        Assert.Equal(
            [45.0],
            lower.Select(x => x.At.Y - lower[0].At.Y).Where(y => y > 0).Distinct()
        );
        Assert.Contains(
            "would be left",
            Refused("edge", "holes", ("side", 60), ("hole", 12), ("edge", 7))
        );
        Refused("side", "holes", ("side", 13), ("hole", 12), ("edge", 20));
        Refused("drop", "holes", [.. AnyHoles, ("down", 50), ("drop", 55)]);
        Assert.Contains(
            "one sheet holds 156",
            Refused("side", "holes", ("side", 120), ("hole", 12), ("edge", 20))
        );
        Assert.Contains("198", Refused("down", "holes", [.. AnyHoles, ("down", 170)]));
    }

    [Fact]
    public void Six_bolts_lie_a_radius_apart_and_half_a_bolt_pattern_is_refused()
    {
        var answer = Work(
            "ring",
            ("outer", 150),
            ("bore", 80),
            ("circle", 120),
            ("bolts", 6),
            ("hole", 12)
        );
        Assert.Equal(60, Number(answer, "Centre to centre"), 9);
        Assert.Equal(9, Number(answer, "Wall outside"), 9);
        Assert.Equal(14, Number(answer, "Wall inside"), 9);
        Assert.Equal(35, Number(answer, "Wall between bore"), 9);
        var plain = Work("ring", ("outer", 150), ("bore", 80));
        Assert.Equal(2, plain.Template!.Circles.Count);
        Refused("hole", "ring", ("outer", 150), ("bore", 80), ("circle", 120), ("bolts", 6));
        Refused(
            "bolts",
            "ring",
            ("outer", 150),
            ("bore", 80),
            ("circle", 120),
            ("bolts", 2.5),
            ("hole", 8)
        );
        Refused(
            "bolts",
            "ring",
            ("outer", 150),
            ("bore", 80),
            ("circle", 120),
            ("bolts", 13),
            ("hole", 8)
        );
        Refused(
            "circle",
            "ring",
            ("outer", 150),
            ("bore", 80),
            ("circle", 140),
            ("bolts", 6),
            ("hole", 12)
        );
        Refused(
            "circle",
            "ring",
            ("outer", 150),
            ("bore", 80),
            ("circle", 90),
            ("bolts", 6),
            ("hole", 12)
        );
        Refused(
            "bolts",
            "ring",
            ("outer", 150),
            ("bore", 20),
            ("circle", 100),
            ("bolts", 12),
            ("hole", 24)
        );
        Refused("bore", "ring", ("outer", 150), ("bore", 148));
    }

    [Fact]
    public void A_stud_goes_through_all_of_it_and_two_turns_beyond_the_nut()
    {
        (string, double)[] stud =
        [
            ("thread", 10),
            ("pitch", 1.5),
            ("grip", 6),
            ("thickness", 25),
            ("washer", 2),
        ];
        var answer = Work("studs", stud);
        Assert.Equal(44, Number(answer, "The stud"), 9);
        Assert.Contains(
            answer.Says,
            s => s.Contains("Measure a lock nut", StringComparison.Ordinal)
        );
        var lockNut = Work("studs", [.. stud, ("nut", 12)]);
        Assert.Equal(48, Number(lockNut, "The stud"), 9);
        Assert.DoesNotContain(lockNut.Says, s => s.Contains("lock nut", StringComparison.Ordinal));
        // On the gauge the line lies that far from the edge that stands on the face.
        var t = answer.Template!;
        var foot = t.Lines[0].Points.Max(p => p.Y);
        var least = t.Texts.Single(x => x.Says == "least").At.Y + 1.5;
        Assert.Equal(44, foot - least, 9);
        Assert.Contains(
            t.Lines,
            l => l.Points.Count == 2 && l.Points.All(p => Math.Abs(p.Y - least) < 1e-9)
        );
        Refused("pitch", "studs", ("thread", 10), ("pitch", 5), ("grip", 6), ("thickness", 25));
    }

    [Fact]
    public void Two_bushes_turn_their_arm_by_as_much_as_is_wanted()
    {
        var answer = Work("bush", ("outer", 60), ("bore", 14), ("bolts", 200), ("turn", 3));
        var offset = Number(answer, "Bore off");
        Assert.Equal(5.2336, offset, 4);
        // A second way: two points 200 mm apart along the arm, one up and one down by the offset.
        var along = Math.Sqrt((200 * 200) - (4 * offset * offset));
        Assert.Equal(3, Math.Atan2(2 * offset, along) * 180 / Math.PI, 9);
        Assert.Contains(
            answer.Says,
            s => s.Contains("turn the axle by 3.0°", StringComparison.Ordinal)
        );
        var c = answer.Template!.Circles;
        Assert.Equal(offset, Between(c[0].At, c[1].At), 9);
        Assert.Equal(c[0].At.X, c[1].At.X);
        Refused("offset", "bush", ("outer", 60), ("bore", 14));
        Refused("offset", "bush", ("outer", 60), ("bore", 14), ("turn", 3));
        Refused("offset", "bush", ("outer", 60), ("bore", 14), ("offset", 22));
        Refused("bolts", "bush", ("outer", 60), ("bore", 14), ("offset", 5), ("bolts", 10));
    }

    [Fact]
    public void A_taper_makes_one_end_as_much_thicker_as_the_other_is_thinner()
    {
        var answer = Work("wedge", ("thickness", 50), ("long", 140), ("wide", 60), ("taper", 4));
        Assert.Equal(45.105, Number(answer, "Thickness in front"), 3);
        Assert.Equal(54.895, Number(answer, "Thickness behind"), 3);
        var side = answer.Template!.Lines[0].Points;
        Assert.Equal(
            4,
            Math.Atan2(side[3].Y - side[2].Y, side[2].X - side[3].X) * 180 / Math.PI,
            9
        );
        var flat = Work("wedge", ("thickness", 50), ("long", 140), ("wide", 60));
        Assert.Equal(50, Number(flat, "Thickness behind"), 9);
        Refused("taper", "wedge", ("thickness", 8), ("long", 140), ("wide", 60), ("taper", -6));
        Refused(
            "pinDiameter",
            "wedge",
            ("thickness", 50),
            ("long", 140),
            ("wide", 60),
            ("pinDiameter", 58)
        );
        Refused("long", "wedge", ("thickness", 50), ("long", 160), ("wide", 60));
    }

    [Fact]
    public void The_lock_gauge_grows_by_five_and_has_its_least_as_a_line()
    {
        var t = Drawn("room", ("least", 23));
        var left = t.Lines[0].Points.Min(p => p.X);
        var steps = t.Lines[0]
            .Points.Select(p => Math.Round(p.X - left, 9))
            .Distinct()
            .Order()
            .ToArray();
        Assert.Equal([0, 5, 10, 15, 20, 25, 30, 35, 40], steps);
        Assert.Contains(
            t.Lines,
            l => l.Points.Count == 2 && l.Points.All(p => Math.Abs(p.X - left - 23) < 1e-9)
        );
        Refused("least", "room", ("least", 90));
        // A slip of the finger is refused as well as an inch too much.
        Refused("least", "room", ("least", 1e12));
        Refused(
            "thickness",
            "studs",
            ("thread", 10),
            ("pitch", 1.5),
            ("grip", 6),
            ("thickness", 1e12)
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
