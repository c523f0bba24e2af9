using Nokko.Core.Bench;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Bench;

public class BenchSheetsTests
{
    private static readonly (string, string)[] Bar =
    [
        ("turns", "5"),
        // 5,500 N.
        ("load", "560.8439"),
        ("arm", "400"),
        ("drop", "5"),
        ("rate", "40"),
        ("lever", "60"),
        ("pitch", "2"),
    ];

    [Fact]
    public void Turns_of_a_torsion_bar_lift_by_its_figures_or_by_what_was_read()
    {
        var figures = Work("torsion", Bar);
        Assert.Equal(78.909, Value(figures, 0), 0.01);
        Assert.Equal(0.15 * 78.909, figures.Numbers[0].Result.U!.Value, 0.01);
        Assert.Equal(0.15 * Value(figures, 1), figures.Numbers[1].Result.U!.Value, 9);
        var read = Work(
            "torsion",
            [.. Bar, ("before", "520"), ("after", "541"), ("between", "1.5")]
        );
        Assert.Equal((70, 14), (Value(read, 0), Value(read, 1)));
        // 14 mm a turn from two readings of 1 mm over 1.5 turns: 0.94 mm, 6.7 in 100.
        Assert.Equal(70 * Math.Sqrt(2) / 1.5 / 14, read.Numbers[0].Result.U!.Value, 6);
        Assert.Contains(read.Says, s => s.StartsWith("By what was read", StringComparison.Ordinal));
    }

    [Fact]
    public void Half_a_reading_of_a_torsion_bar_and_too_many_turns_are_named_at_their_field()
    {
        Assert.Equal(
            "after",
            Assert.Throws<BenchException>(() => Work("torsion", [.. Bar, ("before", "520")])).Field
        );
        Assert.Equal(
            "after",
            Assert
                .Throws<BenchException>(() =>
                    Work("torsion", [.. Bar, ("before", "520"), ("after", "520"), ("between", "2")])
                )
                .Field
        );
        Assert.Equal(
            "between",
            Assert
                .Throws<BenchException>(() =>
                    Work("torsion", [.. Bar, ("before", "520"), ("after", "530"), ("between", "0")])
                )
                .Field
        );
        (string, string)[] soft = [.. Bar.Where(b => b.Item1 is not ("turns" or "rate"))];
        Assert.Equal(
            "turns",
            Assert
                .Throws<BenchException>(() =>
                    Work("torsion", [.. soft, ("turns", "39"), ("rate", "12")])
                )
                .Field
        );
        Assert.Equal(
            "suspension",
            Assert
                .Throws<BenchException>(() =>
                    Work("spacer", ("suspension", "torsionBarArm"), ("thickness", "20"))
                )
                .Field
        );
    }

    [Fact]
    public void A_coil_of_two_rates_says_on_which_it_rides_and_needs_both()
    {
        // 5,200 N and 3,000 N.
        (string, string)[] coil =
        [
            ("rate", "20"),
            ("free", "400"),
            ("load", "530.2524"),
            ("second", "45"),
        ];
        var a = Work("spring", [.. coil, ("crossover", "305.9149")]);
        Assert.Equal(201.111, Value(a, 0), 0.01);
        Assert.Equal(0.03 * (400 - 201.111), a.Numbers[0].Result.U!.Value, 0.01);
        Assert.Contains(a.Says, s => s.Contains("second rate", StringComparison.Ordinal));
        Assert.Equal("crossover", Assert.Throws<BenchException>(() => Work("spring", coil)).Field);
    }

    [Fact]
    public void Four_heights_give_rake_leans_warp_and_the_body_s_angle()
    {
        var a = Work(
            "rake",
            ("lf", "518"),
            ("rf", "522"),
            ("lr", "576"),
            ("rr", "584"),
            ("wheelbase", "3600")
        );
        Assert.Equal(60, Value(a, 0), 9);
        Assert.Equal((-4, -8, 4), (Value(a, 1), Value(a, 2), Value(a, 3)));
        Assert.Equal(Math.Atan(60.0 / 3600) * 180 / Math.PI, Value(a, 4), 9);
        // Two readings on each end, each its own: their ± adds up by squares.
        Assert.Equal(1, a.Numbers[0].Result.U!.Value, 9);
        Assert.Contains(
            Work("rake", ("lf", "518"), ("rf", "540"), ("lr", "580"), ("rr", "580")).Says,
            s => s.Contains("no warp", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void The_body_s_angle_has_the_tape_s_share_of_the_wheelbase()
    {
        var a = Work(
            "rake",
            ("lf", "518"),
            ("rf", "522"),
            ("lr", "576"),
            ("rr", "584"),
            ("wheelbase", "3600")
        );
        // One millimetre over the wheelbase, as an angle: two readings on each end share the tape's own.
        Assert.Equal(
            a.Numbers[0].Result.U!.Value / 3600 * 180 / Math.PI,
            a.Numbers[4].Result.U!.Value,
            12
        );
    }

    [Fact]
    public void A_coil_s_length_is_as_good_as_its_rate()
    {
        var a = Work("spring", ("rate", "100"), ("free", "400"), ("load", "600"));
        var load = 600 * 9.80665;
        Assert.Equal(0.03 * load / 100, a.Numbers[0].Result.U!.Value, 9);
        Assert.Equal(load / 100, Value(a, 2), 9);
        Assert.Equal(
            "load",
            Refused("spring", ("rate", "100"), ("free", "58.8"), ("load", "600")).Field
        );
        Work("spring", ("rate", "100"), ("free", "58.9"), ("load", "600"));
    }

    [Fact]
    public void A_load_that_leaves_a_coil_no_length_is_refused()
    {
        (string, string)[] Loaded(string kg) =>
            [("rate", "9.80665"), ("free", "100"), ("load", kg)];
        Assert.Equal("load", Refused("spring", Loaded("100")).Field);
        Assert.Equal("load", Refused("spring", Loaded("101")).Field);
        Assert.Equal(1, Value(Work("spring", Loaded("99")), 0), 1e-9);
    }

    [Fact]
    public void What_a_spacer_stands_on_must_be_named()
    {
        foreach (var stands in (string[])["", "on its nose"])
        {
            Assert.Equal(
                "suspension",
                Assert
                    .Throws<BenchException>(() =>
                        BenchSheets.Work("spacer", _ => 25, n => n == "suspension" ? stands : null)
                    )
                    .Field
            );
        }
    }

    [Theory]
    [InlineData("aboveEye", false)]
    [InlineData("belowEye", true)]
    public void A_pulled_shackle_says_that_a_longer_one_lowers(string pivot, bool lowers) =>
        Assert.Equal(
            lowers,
            Work(
                "shackle",
                ("chord", "1300"),
                ("arch", "60"),
                ("shackle", "90"),
                ("angle", "15"),
                ("longer", "25"),
                ("pivot", pivot)
            )
                .Says.Any(s => s.Contains("a longer one lowers", StringComparison.Ordinal))
        );

    [Fact]
    public void A_spacer_says_what_a_plan_would_say_of_it()
    {
        // The rule of thumb: offset 3, ratio 1.9 ± 0.3 and about 6 % of it between vehicles, known to a factor of 1.8.
        var a = Work("spacer", ("suspension", "coilOverArm"), ("thickness", "25.4"));
        Assert.Equal(3 + (1.9 * 25.4), Value(a, 0), 9);
        var spread = Math.Pow(0.06 * 1.9, 2) * Math.Exp(2 * Math.Pow(Math.Log(1.8), 2));
        var u = Math.Sqrt(36 + (25.4 * 25.4 * ((0.3 * 0.3) + spread)));
        Assert.Equal(u, a.Numbers[0].Result.U!.Value, 6);
        // With lengths it is another grade, with another band.
        var taped = Work(
            "spacer",
            ("suspension", "coilOverArm"),
            ("thickness", "25.4"),
            ("armLength", "400"),
            ("footDistance", "230")
        );
        Assert.True(taped.Numbers[0].Result.U < a.Numbers[0].Result.U);
        Assert.Contains("fitted to what was taped", taped.Says[0], StringComparison.Ordinal);
        // Bushings let go under a strut; a coil by itself on a beam has none that do.
        bool Settles(BenchAnswer of) =>
            of.Says.Any(s => s.Contains("bushings", StringComparison.Ordinal));
        Assert.True(Settles(a));
        Assert.False(
            Settles(Work("spacer", ("suspension", "coilFourLink"), ("thickness", "25.4")))
        );
        Assert.Equal(
            "suspension",
            Refused("spacer", ("suspension", "leafOverslung"), ("thickness", "25")).Field
        );
    }

    [Fact]
    public void A_coil_is_its_free_length_less_load_over_rate()
    {
        var a = Work(
            "spring",
            ("rate", "100"),
            ("free", "400"),
            ("load", "600"),
            ("oldRate", "80"),
            ("oldFree", "410")
        );
        var load = 600 * 9.80665;
        Assert.Equal(400 - (load / 100), Value(a, 0), 9);
        Assert.Equal(400 - (load / 100) - (410 - (load / 80)), Value(a, 1), 9);
        Assert.Equal(400, Value(a, 0) + Value(a, 2), 9);
        Assert.Equal(
            "load",
            Refused("spring", ("rate", "10"), ("free", "100"), ("load", "600")).Field
        );
    }

    [Fact]
    public void A_longer_shackle_lifts_about_half_and_one_beyond_reach_says_so()
    {
        (string, string)[] leaf =
        [
            ("chord", "1300"),
            ("arch", "60"),
            ("shackle", "90"),
            ("angle", "0"),
            ("longer", "10"),
        ];
        Assert.Equal(5, Value(Work("shackle", [.. leaf, ("pivot", "aboveEye")]), 0), 0.1);
        // Pulled instead of pushed, it lowers.
        Assert.Equal(-5, Value(Work("shackle", [.. leaf, ("pivot", "belowEye")]), 0), 0.1);
        Assert.Equal("pivot", Refused("shackle", leaf).Field);
        Assert.Equal(
            "longer",
            Refused(
                "shackle",
                [.. leaf.SkipLast(1), ("pivot", "aboveEye"), ("longer", "4000")]
            ).Field
        );
    }

    [Fact]
    public void A_block_lifts_by_itself_and_asks_for_longer_bolts()
    {
        var a = Work("block", ("thickness", "50"), ("pack", "40"), ("taper", "2"));
        Assert.Equal(50, Value(a, 0));
        Assert.Equal(50 + 40 + 12 + 13 + 4.5, Value(a, 1), 9);
        // 2 mm, and 2 % of what is 100 mm thick.
        Assert.Equal(
            Math.Sqrt(8),
            Work("block", ("thickness", "100"), ("pack", "40")).Numbers[0].Result.U!.Value,
            9
        );
        Assert.Equal(2, Value(a, 2));
        Assert.NotNull(Work("block", ("thickness", "50"), ("pack", "40")).Numbers[2].Result.Cannot);
    }

    [Fact]
    public void A_taller_tyre_makes_the_speedometer_read_low()
    {
        var a = Work(
            "tyre",
            ("now", "265/70R17"),
            ("next", "285/75R17"),
            ("shown", "60"),
            ("ratio", "3.7")
        );
        var (now, next) = ((17 * 25.4) + (2 * 0.7 * 265), (17 * 25.4) + (2 * 0.75 * 285));
        Assert.Equal((next - now) / 2, Value(a, 0), 9);
        Assert.Equal(60 * next / now, Value(a, 1), 9);
        // A size is good to one in a hundred, so half its rise to one in two hundred of the diameter.
        Assert.Equal(0.005 * next, a.Numbers[0].Result.U!.Value, 9);
        Assert.Equal(0.01 * Value(a, 1), a.Numbers[1].Result.U!.Value, 9);
        Assert.Equal(3.7 * next / now, Value(a, 5), 9);
        Assert.Equal(
            "next",
            Refused("tyre", ("now", "265/70R17"), ("next", "big"), ("shown", "60")).Field
        );
    }

    [Fact]
    public void Every_sheet_works_with_its_own_examples_and_names_fields_once()
    {
        foreach (var sheet in BenchSheets.All)
        {
            Assert.Distinct(sheet.Fields.Select(f => f.Name));
            var answer = Work(
                sheet.Name,
                [.. sheet.Fields.Where(f => f.Example != "").Select(f => (f.Name, f.Example))]
            );
            Assert.NotNull(answer.Numbers[0].Result.Value);
            Assert.All(sheet.Fields, f => Assert.True(f.Optional || f.Example != ""));
        }
        Assert.Null(BenchSheets.Find("flux"));
    }

    internal static BenchAnswer Work(string sheet, params (string Name, string Typed)[] typed)
    {
        // A point is three numbers, each with its axis behind the name.
        var texts = typed
            .SelectMany(t =>
                t.Typed.Split(';') is [var x, var y, var z]
                    ? [($"{t.Name}.x", x), ($"{t.Name}.y", y), ($"{t.Name}.z", z)]
                    : ((string Name, string Typed)[])[t]
            )
            .ToDictionary(t => t.Name, t => t.Typed);
        return BenchSheets.Work(
            sheet,
            name =>
                texts.TryGetValue(name, out var t) && double.TryParse(t, out var value)
                    ? value
                    : null,
            texts.GetValueOrDefault
        );
    }

    internal static BenchException Refused(string sheet, params (string, string)[] typed) =>
        Assert.Throws<BenchException>(() => Work(sheet, typed));

    /// <summary>A sheet with what stands in its fields, but for some.</summary>
    internal static BenchAnswer Usual(string sheet, params (string, string)[] other)
    {
        var fields = BenchSheets.Find(sheet)!.Fields;
        return Work(
            sheet,
            [
                .. fields
                    .Where(f => f.Example != "" && other.All(o => o.Item1 != f.Name))
                    .Select(f => (f.Name, f.Example)),
                .. other,
            ]
        );
    }

    internal static double Value(BenchAnswer a, int i) => a.Numbers[i].Result.Value!.Value;
}
