using System.Globalization;
using Nokko.Core.Bench;
using Xunit;
using static Nokko.Core.Tests.Bench.BenchSheetsTests;

namespace Nokko.Core.Tests.Bench;

/// <summary>The sheets of geometry, by their worked numbers.</summary>
public class GeometrySheetsTests
{
    [Fact]
    public void A_track_bar_tells_shift_check_cures_and_roll_centre()
    {
        var a = Usual("trackBar", ("pitch", "1.5"));
        Assert.Equal(4.956, Value(a, 0), 0.001);
        Assert.Equal(9.912, Value(a, 1), 0.002);
        Assert.Equal(867.006 - 862.090, Value(a, 2), 0.001);
        Assert.Equal((867.006 - 862.090) / 1.5, Value(a, 3), 0.001);
        Assert.Equal(13.150, Value(a, 4), 0.001);
        Assert.Equal(22.592, Value(a, 5), 0.001);
        Assert.Equal(22.460, Value(a, 6), 0.001);
        Assert.Equal(13.150, Value(a, 7), 0.001);
        Assert.Equal((0, 0, 50), (Math.Round(Value(a, 8), 9), Value(a, 9), Value(a, 10)));
        // By hand, S = H − √(H² + V² − V₁²) with 855.044 left across: by V (V₁ − V)/across, by δ V₁/across, by H 1 − H/across.
        var perDrop = (110 / 855.044) - (60 / 855.044);
        var perLift = 110 / 855.044;
        var perRun = 1 - (860 / 855.044);
        Assert.Equal(
            Math.Sqrt(Math.Pow(3 * perDrop, 2) + Math.Pow(perLift, 2) + Math.Pow(3 * perRun, 2)),
            a.Numbers[0].Result.U!.Value,
            0.002
        );
        Assert.Equal(
            "drop",
            Assert.Throws<BenchException>(() => Usual("trackBar", ("lift", "900"))).Field
        );
        // Without a bracket only what the lift itself does to the roll centre is told.
        Assert.Equal(25, Value(Usual("trackBar", ("moved", "")), 6), 9);
    }

    [Fact]
    public void Drag_link_and_bar_are_told_at_rest_and_through_the_travel()
    {
        var a = Usual("steering");
        Assert.Equal(-1.947, Value(a, 1), 0.001);
        Assert.Equal(-0.991, Value(a, 3), 0.001);
        Assert.Equal(0.013, Value(a, 4), 0.001);
    }

    [Fact]
    public void Radius_arms_a_shaft_a_yoke_a_rim_lamps_and_toe_are_told()
    {
        // Rises alike: the pivot's place does not count.
        Assert.Equal(-3.198, Value(Usual("caster", ("apart", "100")), 0), 0.001);
        Assert.Equal(
            Math.Tan(3.198 / 180 * Math.PI) * 50,
            Value(Usual("caster", ("apart", "100")), 1),
            0.01
        );
        Assert.Equal(
            "drop",
            Assert.Throws<BenchException>(() => Usual("caster", ("drop", "890"))).Field
        );
        var slope = Math.Atan(190.0 / 1200) * 180 / Math.PI;
        var shaft = Usual("driveline", ("ratio", "4"), ("tyre", "800"));
        Assert.Equal(slope - 4, Value(shaft, 1), 9);
        Assert.Equal(slope - 2, Value(shaft, 2), 9);
        Assert.Equal(
            Math.Sqrt(Math.Pow(slope - 2, 2) - Math.Pow(slope - 4, 2)),
            Value(shaft, 0),
            9
        );
        Assert.Equal(2, Value(shaft, 3), 9);
        Assert.Equal(Value(shaft, 4) / 4 * Math.PI * 0.8 * 60 / 1000, Value(shaft, 5), 6);
        Assert.Equal(0.369, Value(Usual("slipYoke"), 0), 0.001);
        Assert.Equal(59.631, Value(Usual("slipYoke", ("in", "60")), 1), 0.001);
        var rim = Usual("wheel");
        Assert.Equal(
            (44.05, -5.95, 25),
            (Math.Round(Value(rim, 0), 9), Math.Round(Value(rim, 1), 9), Value(rim, 2))
        );
        var turning = Usual(
            "wheel",
            ("width", "265"),
            ("nextWidth", "285"),
            ("diameter", "802.8"),
            ("nextDiameter", "853"),
            ("lock", "33")
        );
        Assert.Equal(35.51, Value(turning, 3), 0.01);
        Assert.Equal(1.09, Value(turning, 4), 0.01);
        Assert.Equal(3, Usual("wheel", ("lock", "33")).Numbers.Count);
        var lamps = Usual("headlights");
        Assert.Equal(63.5, Value(lamps, 0), 9);
        Assert.Equal(55 + (700.0 / 120) + 63.5, Value(lamps, 1), 9);
        Assert.Equal(0.4775, Value(lamps, 3), 0.0001);
        var toe = Usual("toe", ("pitch", "1.5"), ("arm", "150"));
        Assert.Equal(2, Value(toe, 0), 9);
        Assert.Equal(2.0 / 800 * 150 / 1.5, Value(toe, 2), 9);
        Assert.Equal(
            "total",
            Assert.Throws<BenchException>(() => Usual("toe", ("total", "1700"))).Field
        );
    }

    [Fact]
    public void What_the_gaps_lose_is_what_the_corners_of_the_turned_tyre_reach()
    {
        var a = Usual(
            "wheel",
            ("diameter", "780"),
            ("width", "220"),
            ("offset", "30"),
            ("nextDiameter", "840"),
            ("nextWidth", "260"),
            ("nextOffset", "-14"),
            ("lock", "32")
        );
        // Less offset stands farther out: its middle lies 44 outboard of the kingpin where the old one's lay over it.
        var farther = Enumerable.Range(0, 3_201).Select(i => i / 100.0).ToArray();
        double Ahead(double r, double w, double o) =>
            farther.Max(deg =>
                new[] { deg, -deg }.Max(x => Corners(r, w, o, x).Max(c => c.Imaginary))
            );
        Assert.Equal(Ahead(420, 130, 44) - Ahead(390, 110, 0), Value(a, 3), 0.01);
        double Inside(double r, double w, double o) =>
            new[] { 32.0, -32.0 }.Max(x => Corners(r, w, o, x).Max(c => -c.Real));
        Assert.Equal(Inside(420, 130, 44) - Inside(390, 110, 0), Value(a, 4), 1e-6);

        // Outboard and ahead of the kingpin, turned by so many degrees.
        static IEnumerable<System.Numerics.Complex> Corners(
            double r,
            double w,
            double o,
            double degrees
        ) =>
            new[] { (1, 1), (1, -1), (-1, 1), (-1, -1) }.Select(c =>
                new System.Numerics.Complex(o + (c.Item1 * w), c.Item2 * r)
                * System.Numerics.Complex.FromPolarCoordinates(1, degrees * Math.PI / 180)
            );
    }

    [Fact]
    public void Links_of_a_sway_bar_are_longer_by_their_share_of_the_lift()
    {
        var a = Usual("swayBar", ("droop", "80"));
        Assert.Equal(35, Value(a, 1), 9);
        Assert.Equal(185, Value(a, 2), 9);
        // Both lengths are kept: the link's end lies 240 from the pivots and 150 from its foot, 35 lower than it was.
        var slope = Value(a, 0) * Math.PI / 180;
        Assert.Equal(
            150,
            double.Hypot(240 - (240 * Math.Cos(slope)), 185 - (240 * Math.Sin(slope))),
            1e-9
        );
        // At full droop 0.7 of 50 + 80 mm lower, the angle of its arm by the cosine rule in the triangle of pivots, end and foot.
        var foot = 150 + (0.7 * 130);
        var far = double.Hypot(240, foot);
        var drooped =
            Math.Atan2(foot, 240)
            - Math.Acos(((240 * 240) + (far * far) - (150 * 150)) / (2 * 240 * far));
        Assert.Equal(drooped * 180 / Math.PI, Value(a, 3), 1e-6);
        Assert.InRange(Value(a, 4), 20, 90);
        Assert.Equal(3, Usual("swayBar").Numbers.Count);
        Assert.Equal(
            "lift",
            Assert.Throws<BenchException>(() => Usual("swayBar", ("lift", "400"))).Field
        );
    }

    /// <summary>What has a direction may be below zero; what is a size may not, and what may stay empty says so.</summary>
    [Theory]
    [InlineData("trackBar", "drop lift", "moved pitch")]
    [InlineData("steering", "barDrop linkDrop lift", "")]
    [InlineData("caster", "drop front rear", "apart")]
    [InlineData("driveline", "drop aside output pinion", "aside ratio tyre")]
    [InlineData("slipYoke", "drop nextDrop", "in")]
    [InlineData("wheel", "offset nextOffset", "diameter lock nextDiameter")]
    [InlineData("swayBar", "lift", "droop")]
    [InlineData("headlights", "front rear ahead", "")]
    [InlineData("toe", "total wanted", "pitch arm")]
    [InlineData("torsion", "turns between drop", "before after between")]
    [InlineData("shackle", "arch angle", "")]
    [InlineData("block", "taper", "taper")]
    [InlineData("rake", "", "wheelbase")]
    [InlineData("spacer", "springLean", "armLength footDistance springLean")]
    [InlineData("spring", "", "second crossover oldRate oldFree")]
    [InlineData("tyre", "", "ratio")]
    [InlineData("axleLoads", "behind", "frontRating rearRating")]
    [InlineData("cornerScales", "", "frontRate rearRate")]
    [InlineData("sideSlope", "rise", "")]
    [InlineData("hoses", "", "reach")]
    [InlineData("camber", "gap wanted", "wanted")]
    [InlineData("leaf", "arch", "clamp")]
    [InlineData("front", "rises rear", "cams")]
    [InlineData("cvShaft", "drop rises", "lowered droop limit")]
    [InlineData("bodyOrSprings", "drop", "run")]
    public void Fields_with_a_direction_take_a_minus(string sheet, string minus, string optional)
    {
        var fields = BenchSheets
            .Find(sheet)!
            .Fields.Where(f => f.Asks == BenchAsks.Number)
            .ToArray();
        Assert.Equal(
            minus.Split(' ', StringSplitOptions.RemoveEmptyEntries).Order(),
            fields.Where(f => !f.Positive).Select(f => f.Name).Order()
        );
        Assert.Equal(
            optional.Split(' ', StringSplitOptions.RemoveEmptyEntries).Order(),
            fields.Where(f => f.Optional).Select(f => f.Name).Order()
        );
        // What must be typed has an example.
        Assert.All(fields, f => Assert.True(f.Optional || f.Example.Length > 0));
    }

    /// <summary>A second way to each ±: every field typed one ± higher and one lower, what that does to the number added by squares.</summary>
    [Theory]
    [InlineData("steering", "barRun barDrop linkRun linkDrop arm", "")]
    [InlineData("driveline", "run drop", "output pinion")]
    [InlineData("swayBar", "arm link", "", "lift 1 share 0.03")]
    // A narrowing is taped twice.
    [InlineData("toe", "", "", "total 1.4142135623730951")]
    [InlineData("headlights", "", "", "front 1 rear 1")]
    public void What_the_fields_are_unsure_by_makes_the_number_unsure(
        string sheet,
        string taped,
        string gauged,
        string other = ""
    )
    {
        var here = Usual(sheet);
        var fields = BenchSheets.Find(sheet)!.Fields;
        (string Field, double U)[] unsure =
        [
            .. taped.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(f => (f, 3.0)),
            // An angle gauge is good to a fifth of a degree.
            .. gauged.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(f => (f, 0.2)),
            .. other
                .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Chunk(2)
                .Select(o => (o[0], double.Parse(o[1], CultureInfo.InvariantCulture))),
        ];
        Assert.Contains(here.Numbers, n => n.Result.U > 0);
        for (var i = 0; i < here.Numbers.Count; i++)
        {
            if (here.Numbers[i].Result.U is not { } told)
            {
                continue;
            }
            var sum = unsure.Sum(x =>
            {
                var typed = double.Parse(
                    fields.Single(f => f.Name == x.Field).Example,
                    CultureInfo.InvariantCulture
                );
                double At(double by) => Value(Usual(sheet, (x.Field, $"{typed + by:R}")), i);
                return Math.Pow((At(x.U) - At(-x.U)) / 2, 2);
            });
            Assert.Equal(Math.Sqrt(sum), told, told * 0.02);
        }
    }

    [Fact]
    public void A_shaft_is_smooth_up_to_the_rule_of_thumb_s_speed_and_a_straight_one_at_any()
    {
        // 4.7° in the joint at the gearbox, none at the axle: 2,000 turns a minute by the rule.
        var shaft = BenchSheetsTests.Work(
            "driveline",
            ("run", "1200"),
            ("drop", "0"),
            ("output", "-4.7"),
            ("pinion", "0"),
            ("ratio", "4"),
            ("tyre", "800")
        );
        double Of(string label) =>
            Assert
                .Single(shaft.Numbers, n => n.Label.StartsWith(label, StringComparison.Ordinal))
                .Result.Value!.Value;
        Assert.Equal(2000, Of("Smooth up to, turns"), 30.0);
        // 500 turns of the wheel a minute, 2.513 m each.
        Assert.Equal(
            Of("Smooth up to, turns") / 4 * Math.PI * 0.8 * 60 / 1000,
            Of("Smooth up to, km/h"),
            1e-6
        );
        var straight = BenchSheetsTests.Work(
            "driveline",
            ("run", "1200"),
            ("drop", "0"),
            ("output", "0"),
            ("pinion", "0")
        );
        Assert.Equal(
            99_999,
            straight
                .Numbers.Single(n => n.Label.StartsWith("Smooth", StringComparison.Ordinal))
                .Result.Value
        );
    }
}
