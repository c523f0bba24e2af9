using Nokko.Core.Fitting;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Fitting;

/// <summary>Which place of a vehicle waits for which: a place is the set of its corners, and concerns those that hold it or are held by it.</summary>
public class PlacesOfACardTests
{
    private static readonly Dictionary<string, string[]> Places = new()
    {
        ["LF"] = ["LF"],
        ["RF"] = ["RF"],
        ["LR"] = ["LR"],
        ["RR"] = ["RR"],
        ["front"] = ["LF", "RF"],
        ["rear"] = ["LR", "RR"],
        ["vehicle"] = ["LF", "RF", "LR", "RR"],
    };

    private static CardStep Step(string where, string name, bool hold = false) =>
        new()
        {
            Key = $"{where}/{name}",
            Where = where,
            Title = name,
            Do = "",
            Minutes = 5,
            Caution = hold ? "look" : null,
            HoldFor = hold ? HoldReason.LastHold : null,
        };

    private static JobCard Card(params CardStep[] steps) => JobCard.Empty with { Steps = steps };

    [Fact]
    public void A_hold_stops_what_lies_within_its_place_or_around_it()
    {
        foreach (var (hold, its) in Places)
        {
            foreach (var (step, mine) in Places)
            {
                var card = Card(Step(hold, "look", hold: true), Step(step, "work"));
                var concerns = its.All(mine.Contains) || mine.All(its.Contains);
                Assert.Equal(
                    concerns ? $"{hold}/look" : null,
                    FittingRules.HoldBefore(card, new HashSet<string>(), $"{step}/work")?.Key
                );
                Assert.Null(
                    FittingRules.HoldBefore(
                        card,
                        new HashSet<string> { $"{hold}/look" },
                        $"{step}/work"
                    )
                );
            }
        }
    }

    [Fact]
    public void Only_what_comes_before_stops_the_hand()
    {
        var card = Card(
            Step("LF", "a"),
            Step("LF", "b"),
            Step("LF", "look", hold: true),
            Step("LF", "c"),
            Step("RF", "d")
        );
        var none = new HashSet<string>();
        Assert.Null(FittingRules.HoldBefore(card, none, "LF/b"));
        Assert.Null(FittingRules.HoldBefore(card, none, "LF/look"));
        Assert.Equal("LF/look", FittingRules.HoldBefore(card, none, "LF/c")!.Key);
        // Out of turn at its own place; a hold is no turn, another place waits for nobody.
        Assert.Null(FittingRules.Skipped(card, none, card.Steps[0]));
        Assert.Equal("LF/a", FittingRules.Skipped(card, none, card.Steps[1])!.Key);
        Assert.Equal(
            "LF/b",
            FittingRules.Skipped(card, new HashSet<string> { "LF/a" }, card.Steps[3])!.Key
        );
        Assert.Null(
            FittingRules.Skipped(card, new HashSet<string> { "LF/a", "LF/b" }, card.Steps[3])
        );
        Assert.Null(FittingRules.Skipped(card, none, card.Steps[4]));
    }

    [Theory]
    [InlineData("LF", "RF")]
    [InlineData("RF", "LF")]
    [InlineData("LR", "RR")]
    [InlineData("RR", "LR")]
    [InlineData("front", null)]
    [InlineData("rear", null)]
    [InlineData("vehicle", null)]
    public void The_other_side_of_a_corner_is_across_the_axle(string place, string? other)
    {
        Assert.Equal(
            other is null ? null : $"{other} lower shock mount",
            FittingRules.Twin($"{place} lower shock mount")
        );
        Assert.Equal(
            other is null ? null : $"{other}/snug",
            FittingRules.TwinOfStep($"{place}/snug")
        );
    }

    [Theory]
    [InlineData(7.99, WheelPosition.Hanging, false)]
    [InlineData(8, WheelPosition.Hanging, true)]
    [InlineData(60, WheelPosition.Hanging, true)]
    [InlineData(60, WheelPosition.OnWheels, false)]
    public void What_hangs_overnight_may_have_been_moved(
        double hours,
        WheelPosition position,
        bool moved
    )
    {
        var said = new SupportEntry
        {
            Id = Sample.Id(70),
            Where = "rear",
            Position = position,
            On = "stands",
            PersonId = Sample.Id(5),
            At = Sample.At(0),
        };
        Assert.Equal(
            moved,
            FittingRules.MayHaveBeenMoved([said], Sample.At(0), Sample.At(0).AddHours(hours))
        );
        Assert.False(FittingRules.MayHaveBeenMoved([said], null, Sample.At(0).AddHours(hours)));
        // One end in the air is in the air; a place is where its own axle is.
        Assert.Equal(position == WheelPosition.Hanging, FittingRules.Hangs([said]));
        foreach (var (place, corners) in Places)
        {
            Assert.Equal(
                corners.Any(c => c[1] == 'R') ? position : WheelPosition.OnWheels,
                FittingRules.Position([said], place)
            );
        }
    }

    [Theory]
    [InlineData(JointKind.CentreNut, 1, true)]
    [InlineData(JointKind.CentreNut, 2, false)]
    [InlineData(JointKind.CentreNut, 0, false)]
    [InlineData(JointKind.Ball, 1, false)]
    [InlineData(JointKind.Bracket, 1, true)]
    public void One_nut_that_is_only_final_and_what_is_looked_at_need_no_pass_before(
        JointKind kind,
        int count,
        bool atOnce
    )
    {
        var joint = new Joint
        {
            Id = Sample.Id(60),
            Where = "LF",
            Place = "LF joint",
            Kind = kind,
            Fasteners = count == 0 ? [] : [new Fastener { Position = "nut", Count = count }],
        };
        Assert.Equal(
            atOnce,
            FittingRules.Refusal(joint, [], Pass.Final, WheelPosition.Hanging) is null
        );
    }

    [Theory]
    [InlineData(null, null, false)]
    [InlineData(100.0, null, true)]
    [InlineData(null, 100.0, true)]
    [InlineData(100.0, 100.5, false)]
    [InlineData(100.0, 100.6, true)]
    [InlineData(100.6, 100.0, true)]
    public void Two_specs_differ_by_more_than_half_a_newton_metre_or_by_being_none(
        double? one,
        double? other,
        bool differ
    )
    {
        static Joint With(double? nm) =>
            new()
            {
                Id = Sample.Id(60),
                Where = "LF",
                Place = "LF joint",
                Kind = JointKind.Ball,
                Fasteners = [],
                Spec = new()
                {
                    Source = "sheet",
                    Criterion = nm is null ? "until it seats" : null,
                    Torque = nm is { } v
                        ? new Quantity
                        {
                            Value = v,
                            Unit = Unit.NewtonMetre,
                            Known = Known.Document,
                        }
                        : null,
                },
            };
        Assert.Equal(differ ? "spec" : null, FittingRules.Differs(With(one), With(other)));
    }
}
