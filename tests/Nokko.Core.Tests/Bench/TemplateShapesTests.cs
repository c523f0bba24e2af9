using CsCheck;
using Nokko.Core.Bench;
using Xunit;
using static Nokko.Core.Tests.Bench.TemplatesTests;

namespace Nokko.Core.Tests.Bench;

/// <summary>Each template has the shape of the part that it is held against.</summary>
public sealed class TemplateShapesTests
{
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
    public void Bolts_of_a_ring_lie_evenly_on_their_circle_the_first_on_top()
    {
        var circles = Drawn(
            "ring",
            ("outer", 150),
            ("bore", 80),
            ("circle", 115),
            ("bolts", 5),
            ("hole", 12)
        ).Circles;
        var middle = circles[0].At;
        Assert.Equal((75, 40), (circles[0].Radius, circles[1].Radius));
        Assert.Equal(middle, circles[1].At);
        var holes = circles.Skip(2).ToArray();
        Assert.Equal(5, holes.Length);
        foreach (var (hole, i) in holes.Select((h, i) => (h, i)))
        {
            Assert.Equal(6, hole.Radius);
            // Clockwise from the top, by complex numbers.
            var at = System.Numerics.Complex.FromPolarCoordinates(
                57.5,
                (72 * i - 90) * Math.PI / 180
            );
            Assert.Equal(at.Real, hole.At.X - middle.X, 1e-9);
            Assert.Equal(at.Imaginary, hole.At.Y - middle.Y, 1e-9);
        }
    }

    [Fact]
    public void A_row_of_holes_that_would_run_into_the_next_is_refused()
    {
        Refused("down", "holes", [.. AnyHoles, ("down", 13)]);
        Refused("drop", "holes", [.. AnyHoles, ("drop", 13)]);
        Assert.Equal(4, Drawn("holes", [.. AnyHoles, ("down", 14)]).Circles.Count);
        // A second pattern of two rows each is eight holes.
        Assert.Equal(8, Drawn("holes", [.. AnyHoles, ("down", 40), ("drop", 60)]).Circles.Count);
    }

    [Fact]
    public void A_stud_stands_in_a_slot_as_wide_as_itself_between_two_legs()
    {
        var t = Drawn("studs", ("thread", 12), ("pitch", 1.5), ("grip", 6), ("thickness", 25));
        var comb = t.Lines[0].Points;
        Assert.Equal(comb[0], comb[^1]);
        var left = comb.Min(p => p.X);
        // Left leg 34, slot 12, right leg 30.
        Assert.Equal(
            [0, 34, 46, 76],
            comb.Select(p => Math.Round(p.X - left, 9)).Distinct().Order()
        );
        // The slot is open on the face and closed 6 from the other end.
        var (foot, top) = (comb.Max(p => p.Y), comb.Min(p => p.Y));
        Assert.Equal(
            [34, 46],
            comb.Where(p => Math.Abs(p.Y - top - 6) < 1e-9)
                .Select(p => Math.Round(p.X - left, 9))
                .Order()
        );
        Assert.All(
            comb.Where(p => p.X - left is > 1 and < 75),
            p => Assert.True(p.Y == foot || Math.Abs(p.Y - top - 6) < 1e-9)
        );
        // The least is a line across the right leg, from the slot to its outer edge; its word stands on it.
        var word = t.Texts.Single(x => x.Says == "least").At;
        var least = t.Lines.Single(l =>
            l.Points.Count == 2 && l.Points.All(p => Math.Abs(p.Y - word.Y - 1.5) < 1e-9)
        );
        Assert.Equal([46, 76], least.Points.Select(p => Math.Round(p.X - left, 9)));
        Assert.Equal(49, word.X - left, 1e-9);
        // The scale lies on the left leg and ends at the slot, a line for each 5 mm.
        var scale = t
            .Lines.Where(l =>
                l.Pen == TemplatePen.Mark
                && l.Points.Count == 2
                && Math.Abs(l.Points[1].X - left - 34) < 1e-9
            )
            .ToArray();
        Assert.Equal(
            scale.Select((_, i) => 5.0 * (i + 1)),
            scale.Select(l => Math.Round(foot - l.Points[0].Y, 9))
        );
        Assert.True(scale.Length >= 10);
    }

    [Fact]
    public void A_block_from_above_has_its_pin_in_the_middle()
    {
        var t = Drawn(
            "wedge",
            ("thickness", 50),
            ("long", 140),
            ("wide", 60),
            ("taper", 4),
            ("pinDiameter", 14),
            ("seatBore", 18)
        );
        var above = t.Lines.Last(l => l.Pen == TemplatePen.Cut && l.Points.Count == 5).Points;
        Assert.Equal(above[0], above[^1]);
        var (x, y) = (above.Select(p => p.X).ToArray(), above.Select(p => p.Y).ToArray());
        Assert.Equal((140, 60), (x.Max() - x.Min(), Math.Round(y.Max() - y.Min(), 9)));
        Assert.Equal([7, 9], t.Circles.Select(c => c.Radius).Order());
        Assert.All(
            t.Circles,
            c =>
            {
                Assert.Equal((x.Max() + x.Min()) / 2, c.At.X, 1e-9);
                Assert.Equal((y.Max() + y.Min()) / 2, c.At.Y, 1e-9);
            }
        );
        // Below the view from the side, not over it.
        Assert.True(y.Min() > t.Lines[0].Points.Max(p => p.Y));
    }
}
