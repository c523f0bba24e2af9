using CsCheck;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.WalkRounds;

/// <summary>What two walk-rounds did not have in common, and what that is worth.</summary>
public class ConditionDifferencesTests
{
    private static readonly WalkRound Plain = Sample.Round(40, Sample.AsFound.Id) with
    {
        Fuel = "half",
        Load = "empty",
        PeopleIn = 0,
        SteeringStraight = true,
        Shut = true,
        BrakeHeld = false,
    };

    [Fact]
    public void Two_rounds_alike_differ_in_nothing() =>
        Assert.Empty(ConditionDifferences.Between(Plain, Plain, Sample.Pickup));

    [Theory]
    [InlineData("Half", true)]
    [InlineData(" half ", true)]
    [InlineData("full", false)]
    [InlineData(null, false)]
    public void Fuel_is_compared_as_people_write_it(string? fuel, bool alike)
    {
        var found = ConditionDifferences.Between(Plain, Plain with { Fuel = fuel }, Sample.Pickup);
        Assert.Equal(alike, found.Count == 0);
        if (!alike)
        {
            var one = Assert.Single(found);
            Assert.Equal(("fuel", 2.0, true), (one.Key, one.UMm, one.Decides));
            Assert.Contains("“half” before", one.Says, StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData(0, 1, 2)]
    [InlineData(0, 2, 4)]
    [InlineData(3, 1, 4)]
    public void Every_person_more_or_less_weighs_the_same(int before, int after, double u)
    {
        var one = Assert.Single(
            ConditionDifferences.Between(
                Plain with
                {
                    PeopleIn = before,
                },
                Plain with
                {
                    PeopleIn = after,
                },
                Sample.Pickup
            )
        );
        Assert.Equal(("peopleIn", u), (one.Key, one.UMm));
    }

    [Fact]
    public void What_nobody_noted_is_no_difference_but_an_unknown_spot_is()
    {
        var silent = Plain with
        {
            PeopleIn = null,
            SteeringStraight = null,
            Shut = null,
            BrakeHeld = null,
        };
        Assert.Empty(ConditionDifferences.Between(Plain, silent, Sample.Pickup));
        var nowhere = Plain with { Spot = null };
        var one = Assert.Single(ConditionDifferences.Between(nowhere, nowhere, Sample.Pickup));
        Assert.Equal("spot", one.Key);
        Assert.Contains("Nobody noted", one.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_held_wheel_an_open_door_and_a_ride_mode_are_told_apart()
    {
        ConditionDifference Only(WalkRound before, WalkRound after) =>
            Assert.Single(ConditionDifferences.Between(before, after, Sample.Pickup));
        var held = Only(Plain, Plain with { BrakeHeld = true });
        Assert.Equal(("brakeHeld", 3.0, true), (held.Key, held.UMm, held.Decides));
        Assert.Contains(
            "held the wheels after and not before",
            held.Says,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "held the wheels before and not after",
            Only(Plain with { BrakeHeld = true }, Plain).Says,
            StringComparison.Ordinal
        );
        var open = Only(Plain with { Shut = false }, Plain);
        Assert.Equal(("shut", 2.0, true), (open.Key, open.UMm, open.Decides));
        Assert.Contains("stood open before", open.Says, StringComparison.Ordinal);
        Assert.Contains(
            "stood open after",
            Only(Plain, Plain with { Shut = false }).Says,
            StringComparison.Ordinal
        );
        foreach (var mode in new[] { VehicleMode.RideHigh, VehicleMode.RideLow, VehicleMode.Aero })
        {
            var on = Only(Plain, Plain with { Modes = [mode] });
            // It moves the body of its own accord: nothing is judged across it.
            Assert.Equal(("modes", false, false), (on.Key, on.Decides, on.FloorDecides));
        }
    }

    [Theory]
    [InlineData(200, 215, 0)]
    [InlineData(200, 216, 1)]
    [InlineData(216, 200, 1)]
    public void Pressures_count_beyond_fifteen_kilopascals(double before, double after, int found)
    {
        var differences = ConditionDifferences.Between(
            Plain with
            {
                Tyres = [Pumped(Corner.LR, before, Unit.KPa)],
            },
            Plain with
            {
                Tyres = [Pumped(Corner.LR, after, Unit.KPa)],
            },
            Sample.Pickup
        );
        Assert.Equal(found, differences.Count);
        Assert.All(differences, d => Assert.Equal((true, false), (d.Decides, d.FloorDecides)));
    }

    [Fact]
    public void Pressures_in_different_units_are_compared_as_pressures()
    {
        // 32 psi are 220.6 kPa.
        var found = ConditionDifferences.Between(
            Plain with
            {
                Tyres = [Pumped(Corner.LF, 32, Unit.Psi)],
            },
            Plain with
            {
                Tyres = [Pumped(Corner.LF, 2.2, Unit.Bar)],
            },
            Sample.Pickup
        );
        Assert.Empty(found);
    }

    [Fact]
    public void A_tyre_that_was_not_noted_is_the_vehicles_own()
    {
        var own = Plain with { Tyres = [new WheelTyre { Wheel = Corner.RF, Size = "265/70R17" }] };
        Assert.Empty(ConditionDifferences.Between(Plain, own, Sample.Pickup));
        var other = Plain with
        {
            Tyres = [new WheelTyre { Wheel = Corner.RF, Size = "285/70R17" }],
        };
        var one = Assert.Single(ConditionDifferences.Between(Plain, other, Sample.Pickup));
        Assert.Equal("tyres.RF", one.Key);
        Assert.StartsWith("Right front tyre", one.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void What_stops_a_verdict_stands_first()
    {
        var after = Plain with
        {
            Fuel = "full",
            Load = "trailer",
            Modes = [VehicleMode.SelfLevelling],
            Tyres = [new WheelTyre { Wheel = Corner.LF, Size = "33x12.50R15" }],
            SteeringStraight = false,
        };
        var found = ConditionDifferences.Between(Plain, after, Sample.Pickup);
        Assert.Equal(
            ["modes", "tyres.LF", "load", "fuel", "steeringStraight"],
            found.Select(f => f.Key)
        );
        Assert.False(found[0].Decides);
    }

    [Fact]
    public void Which_round_came_first_changes_the_words_and_no_number() =>
        Gen.Select(Rounds, Rounds)
            .Sample(
                (a, b) =>
                    Assert.Equal(
                        Numbers(ConditionDifferences.Between(a, b, Sample.Pickup)),
                        Numbers(ConditionDifferences.Between(b, a, Sample.Pickup))
                    )
            );

    private static Gen<WalkRound> Rounds { get; } =
        Gen.Select(
            OneOf("half", "full", "empty", null),
            OneOf("empty", "tools", null),
            Gen.Int[0, 3],
            OneOf("bay 1", "bay 2"),
            Gen.Bool,
            Gen.Bool,
            (fuel, load, people, spot, straight, tow) =>
                Plain with
                {
                    Fuel = fuel,
                    Load = load,
                    PeopleIn = people,
                    Spot = spot,
                    SteeringStraight = straight,
                    Modes = tow ? [VehicleMode.Tow] : [],
                }
        );

    private static Gen<string?> OneOf(params string?[] texts) =>
        Gen.Int[0, texts.Length - 1].Select(i => texts[i]);

    private static (string, double, bool, bool)[] Numbers(
        IReadOnlyList<ConditionDifference> found
    ) => [.. found.Select(f => (f.Key, f.UMm, f.Decides, f.FloorDecides))];

    private static WheelTyre Pumped(Corner wheel, double value, Unit unit) =>
        new()
        {
            Wheel = wheel,
            Pressure = new Quantity
            {
                Value = value,
                Unit = unit,
                Known = Known.Measured,
            },
        };
}
