using System.Globalization;
using Nokko.Core.Bench;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Xunit;
using static Nokko.Core.Tests.Bench.BenchSheetsTests;

namespace Nokko.Core.Tests.Bench;

/// <summary>The sheets of weights, slope, hoses and camber, by their worked numbers.</summary>
public class VehicleSheetsTests
{
    private static string Text(double value) => value.ToString(CultureInfo.InvariantCulture);

    [Fact]
    public void A_load_goes_to_both_axles_by_its_lever_and_leaves_what_their_plates_allow()
    {
        var a = Usual("axleLoads");
        Assert.Equal(2, a.Numbers.Count);
        Assert.Equal(1095.4545, Value(a, 0), 1e-4);
        Assert.Equal(1204.5455, Value(a, 1), 1e-4);
        // A load over the rear axle leaves the front one as it was weighed, to a hundredth; what lies over it is not as well known as both.
        var over = Usual(
            "axleLoads",
            ("front", "1000"),
            ("rear", "600"),
            ("load", "300"),
            ("behind", "3300")
        );
        Assert.Equal((1000, 900), (Value(over, 0), Value(over, 1)));
        // Each is weighed to 1 in 100; both lengths, of 1 and 3 mm, take as much from the one as they give to the other.
        var lever = 300 * double.Hypot(3, 1) / 3300;
        Assert.Equal(double.Hypot(10, lever), over.Numbers[0].Result.U!.Value, 1e-6);
        Assert.Equal(
            Math.Sqrt((6 * 6) + (3 * 3) + (lever * lever)),
            over.Numbers[1].Result.U!.Value,
            1e-6
        );
        var rated = Usual("axleLoads", ("frontRating", "1200"), ("rearRating", "1180"));
        Assert.Equal(104.5455, Value(rated, 2), 1e-4);
        Assert.Equal(-24.5455, Value(rated, 3), 1e-4);
        Assert.Contains(
            rated.Says,
            s => s.StartsWith("The rear axle carries more", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(
            rated.Says,
            s => s.StartsWith("The front axle", StringComparison.Ordinal)
        );
        Assert.Contains(
            Usual("axleLoads", ("load", "7000")).Says,
            s => s.Contains("lifted off", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Four_scales_tell_shares_and_what_brings_the_cross_weight_to_half()
    {
        var a = Usual("cornerScales", ("frontRate", "30"), ("rearRate", "25"));
        Assert.Equal(48.25, Value(a, 0), 1e-9);
        Assert.Equal(2000, Value(a, 1), 1e-9);
        Assert.Equal(49.25, Value(a, 2), 1e-9);
        Assert.Equal(45, Value(a, 3), 1e-9);
        Assert.Equal(17.5, Value(a, 4), 1e-9);
        // Moved as it says, the diagonals are alike.
        Assert.Equal(
            50,
            Value(
                Usual(
                    "cornerScales",
                    ("lf", "542.5"),
                    ("rf", "557.5"),
                    ("lr", "442.5"),
                    ("rr", "457.5")
                ),
                0
            ),
            1e-9
        );
        Assert.Equal(5, Usual("cornerScales").Numbers.Count);
        // Each scale is wrong by 1 kg: by hand, the cross-weight by 100·√(2·(1 − c)² + 2·c²)/all.
        Assert.Equal(
            100 * Math.Sqrt((2 * Math.Pow(1 - 0.4825, 2)) + (2 * Math.Pow(0.4825, 2))) / 2000,
            a.Numbers[0].Result.U!.Value,
            1e-6
        );
        // The plate that it names, put under a rigid body on four springs.
        var plate = Value(a, 5);
        foreach (var at in new[] { 1, 2 })
        {
            var body = new BodyOnSprings([
                .. new[] { (0, 500), (0, -500), (-3300, 500), (-3300, -500) }.Select(
                    (p, i) => new Support(p.Item1, p.Item2, i < 2 ? 30 : 25, i == at ? plate : 0)
                ),
            ]);
            var changes = body.LoadChanges(body.Solve());
            Assert.Equal(17.5 * Gravity.NPerKg, changes[1], 1e-6);
            Assert.Equal(17.5 * Gravity.NPerKg, changes[2], 1e-6);
            Assert.Equal(-17.5 * Gravity.NPerKg, changes[0], 1e-6);
        }
    }

    [Fact]
    public void A_higher_centre_of_gravity_tips_sooner_and_one_in_the_floor_is_refused()
    {
        var a = Usual("sideSlope", ("rise", "42.3"));
        Assert.Equal(47.143, Value(a, 0), 0.001);
        Assert.Equal(48.814, Value(a, 1), 0.001);
        Assert.Equal(48.814 - 47.143, Value(a, 2), 0.001);
        // What both share makes the difference known better than either.
        Assert.True(a.Numbers[2].Result.U < a.Numbers[0].Result.U / 4);
        Assert.Equal(
            "rise",
            Assert.Throws<BenchException>(() => Usual("sideSlope", ("rise", "-700"))).Field
        );
    }

    [Fact]
    public void A_hose_keeps_what_droop_leaves_of_its_slack()
    {
        var a = Usual("hoses");
        Assert.Equal(5, Value(a, 0), 1e-9);
        Assert.Equal(35, Value(a, 1), 1e-9);
        Assert.Equal(7, Value(a, 2), 1e-9);
        var bracket = Usual("hoses", ("reach", "25"));
        Assert.Equal(30, Value(bracket, 0), 1e-9);
        Assert.Equal(2, bracket.Numbers.Count);
        // A wheel that hangs higher than it did takes nothing.
        Assert.Equal(40, Value(Usual("hoses", ("then", "70")), 0), 1e-9);
    }

    [Fact]
    public void A_gap_at_the_upper_edge_is_camber_below_zero_and_the_wanted_gap_gives_the_wanted_camber()
    {
        Assert.Equal(-0.7725, Value(Usual("camber"), 0), 1e-4);
        Assert.Single(Usual("camber").Numbers);
        var wanted = Usual("camber", ("wanted", "-0.5"));
        Assert.Equal(-0.5 + 0.7725, Value(wanted, 1), 1e-4);
        Assert.Equal(-0.5, Value(Usual("camber", ("gap", Text(Value(wanted, 2)))), 0), 1e-9);
    }
}
