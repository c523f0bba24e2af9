using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>Heights that are turned at torsion bars, and coils of two rates.</summary>
public class TurnedBarsTests
{
    private static Plan Turned(double left, double? right = null) =>
        Sample.Plan(
            (Corner.LF, Sample.Adjuster(70, left)),
            (Corner.RF, Sample.Adjuster(71, right ?? left))
        );

    private static Vehicle OnBars(params (string, double)[] sizes) =>
        StacksTests.On(front: StacksTests.Of(SuspensionKind.TorsionBarArm, sizes));

    [Fact]
    public void Turns_lift_by_what_one_of_them_was_read_to_lift()
    {
        var rise = StacksTests
            .Predict(Turned(3), OnBars((SuspensionSizes.LiftPerTurn, 12)))
            .FrontRise;
        Assert.Equal(36, rise.Value!.Value, 9);
        // 6 in 100 of 36 and an offset of 2 that both sides have in common; a sixth of a turn each side's own.
        var own = 12 / (6 * Math.Sqrt(3)) / Math.Sqrt(2);
        Assert.Equal(Math.Sqrt((2.16 * 2.16) + 4 + (own * own)), rise.U!.Value, 9);
        Assert.Equal(
            -18,
            StacksTests
                .Predict(Turned(-1.5), OnBars((SuspensionSizes.LiftPerTurn, 12)))
                .FrontRise.Value!.Value,
            9
        );
    }

    [Fact]
    public void Without_a_reading_the_bar_s_figures_tell_and_without_either_it_is_asked()
    {
        var vehicle = OnBars(
            (SuspensionSizes.ArmLength, 400),
            (SuspensionSizes.ArmDrop, 5),
            (SuspensionSizes.TorsionRate, 40),
            (SuspensionSizes.AdjusterLever, 60),
            (SuspensionSizes.AdjusterPitch, 2)
        );
        var load = AxleState.Of(vehicle, Axle.Front).WheelLoadN!.Value;
        var bar = new TorsionBar(load, 400, Math.PI / 36, 40 * 1000 * 180 / Math.PI);
        var by = StacksTests.Predict(Turned(5), vehicle);
        Assert.Equal(bar.LiftMm(Math.Atan(10.0 / 60))!.Value, by.FrontRise.Value!.Value, 6);
        Assert.Contains(by.Basis, b => b.Contains("15 in 100", StringComparison.Ordinal));
        var asked = StacksTests.Predict(Turned(5), OnBars());
        Assert.Contains(
            "rise for each turn",
            asked.Cannot ?? asked.FrontRise.Cannot,
            StringComparison.Ordinal
        );
        // A reading would sharpen it, and says so.
        Assert.Contains(
            Sharper.Of(
                Turned(5),
                new Situation(
                    Sample.AsFound with
                    {
                        Front = vehicle.Front,
                    },
                    vehicle,
                    Sample.Stance(vehicle)
                )
            ),
            s =>
                s.What == "Rise for each turn of the adjusters, read by turning them"
                && s.ThenMm < 0.6 * s.NowMm
        );
        // Its own rate, where nobody tested it with ballast.
        Assert.Equal(bar.RateNPerMm, AxleState.Of(vehicle, Axle.Front).WheelRate!.Value, 9);
    }

    [Fact]
    public void So_many_turns_that_the_bar_carries_no_height_are_refused()
    {
        var soft = OnBars(
            (SuspensionSizes.ArmLength, 400),
            (SuspensionSizes.ArmDrop, 10),
            (SuspensionSizes.TorsionRate, 18),
            (SuspensionSizes.AdjusterLever, 40),
            (SuspensionSizes.AdjusterPitch, 2)
        );
        var prediction = StacksTests.Predict(Turned(30), soft);
        Assert.Contains(
            prediction.Refusals,
            r => r.Contains("at no height", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Turning_takes_from_the_droop_what_it_lifts()
    {
        var vehicle = OnBars(
            (SuspensionSizes.LiftPerTurn, 12),
            (SuspensionSizes.ShockLength, 400),
            (SuspensionSizes.ShockExtended, 470)
        );
        var corner = StacksTests
            .Predict(Turned(3), vehicle)
            .Corners.First(c => c.Corner == Corner.LF);
        Assert.Equal(70 - 36, corner.Droop.Value!.Value, 6);
    }

    [Fact]
    public void The_search_turns_the_adjusters_to_what_is_wanted()
    {
        var vehicle = OnBars((SuspensionSizes.LiftPerTurn, 12));
        var situation = new Situation(
            Sample.AsFound with
            {
                Front = vehicle.Front,
            },
            vehicle,
            Sample.Stance(vehicle)
        )
        {
            Target = Sample.Level,
        };
        // The nose is 60 mm low: five turns of 12.
        var first = new StackSearch(situation, [], new SearchRules())
            .Run(CancellationToken.None)
            .First(n => n is { Proved: true, Found.Stopped: null })
            .Found!;
        Assert.All(
            new[] { Corner.LF, Corner.RF },
            c =>
                Assert.Equal(
                    5,
                    Assert.Single(CornerStack.At(first.Plan.Stacks, c)).Get(PartSizes.Turns)
                )
        );
        Assert.Empty(first.ToBuy);
    }

    [Fact]
    public void A_dual_rate_coil_stands_by_both_rates_and_says_on_which_it_rides()
    {
        var vehicle = StacksTests.On(
            front: StacksTests.Of(
                SuspensionKind.CoilFourLink,
                (SuspensionSizes.SpringRate, 30),
                (SuspensionSizes.SpringFreeLength, 420)
            )
        );
        var load = AxleState.Of(vehicle, Axle.Front).SpringLoadN!.Value;
        var coil = StacksTests.Part(
            1,
            PartKind.Coil,
            null,
            (PartSizes.Rate, 20),
            (PartSizes.FreeLength, 460),
            (PartSizes.SecondRate, 45),
            (PartSizes.CrossoverLoad, 3000)
        );
        var prediction = StacksTests.Predict(StacksTests.Both(Axle.Front, coil), vehicle);
        // By hand: old 420 − N/30, new 460 − 150 − (N − 3000)/45; the ratio of coils on links is 1, and a taped free length holds the sag.
        var longer = 460 - 150 - ((load - 3000) / 45) - (420 - (load / 30));
        Assert.Equal(longer, prediction.FrontRise.Value!.Value, 9);
        Assert.Contains(
            prediction.Basis,
            b => b.Contains("on its second rate, 45 N/mm", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_turn_that_lifted_nothing_tells_nothing()
    {
        var asked = StacksTests.Predict(Turned(3), OnBars((SuspensionSizes.LiftPerTurn, 0)));
        Assert.Contains(
            "rise for each turn",
            asked.Cannot ?? asked.FrontRise.Cannot,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_a_turn_does_is_asked_for_once_and_not_for_each_setting()
    {
        var vehicle = OnBars();
        var search = new StackSearch(
            new Situation(
                Sample.AsFound with
                {
                    Front = vehicle.Front,
                },
                vehicle,
                Sample.Stance(vehicle)
            )
            {
                Target = Sample.Level,
            },
            [],
            new SearchRules()
        );
        Assert.Equal(
            [("front adjusters", "nobody knows yet what a turn of them lifts")],
            search.LeftOut
        );
    }

    [Fact]
    public void A_setting_costs_nothing_and_is_no_part_without_a_price()
    {
        var cost = StacksTests.Predict(Turned(3), OnBars((SuspensionSizes.LiftPerTurn, 12))).Cost!;
        Assert.Equal((2, 0), (cost.Pieces, cost.Unpriced));
    }

    [Fact]
    public void Half_of_two_rates_is_asked_about()
    {
        var coil = StacksTests.Part(
            1,
            PartKind.Coil,
            null,
            (PartSizes.Rate, 20),
            (PartSizes.FreeLength, 460),
            (PartSizes.SecondRate, 45)
        );
        var vehicle = StacksTests.On(
            front: StacksTests.Of(
                SuspensionKind.CoilFourLink,
                (SuspensionSizes.SpringRate, 30),
                (SuspensionSizes.SpringFreeLength, 420)
            )
        );
        var asked = StacksTests.Predict(StacksTests.Both(Axle.Front, coil), vehicle);
        Assert.Contains(
            "the load at which it begins",
            asked.Cannot ?? asked.FrontRise.Cannot,
            StringComparison.Ordinal
        );
    }

    /// <summary>Without free lengths the maker's lift counts, at the rate of the side on which it rides: as a coil of that one rate would.</summary>
    [Fact]
    public void A_dual_rate_coil_by_its_maker_s_lift_has_the_rate_of_its_side()
    {
        var vehicle = StacksTests.On(
            front: StacksTests.Of(SuspensionKind.CoilFourLink, (SuspensionSizes.SpringRate, 30))
        );
        double Rise(params (string, double)[] sizes) =>
            StacksTests
                .Predict(
                    StacksTests.Both(
                        Axle.Front,
                        StacksTests.Part(
                            1,
                            PartKind.Coil,
                            null,
                            [(PartSizes.DesignLift, 46), (PartSizes.DesignLoad, 3200), .. sizes]
                        )
                    ),
                    vehicle
                )
                .FrontRise.Value!.Value;
        Assert.Equal(
            Rise((PartSizes.Rate, 45)),
            Rise((PartSizes.Rate, 20), (PartSizes.SecondRate, 45), (PartSizes.CrossoverLoad, 3000)),
            9
        );
        Assert.Equal(
            Rise((PartSizes.Rate, 20)),
            Rise(
                (PartSizes.Rate, 20),
                (PartSizes.SecondRate, 45),
                (PartSizes.CrossoverLoad, 30_000)
            ),
            9
        );
        // The one that is in, likewise.
        var load = AxleState.Of(vehicle, Axle.Front).SpringLoadN!.Value;
        double? Rate(double crossover) =>
            AxleState
                .Of(
                    StacksTests.On(
                        front: StacksTests.Of(
                            SuspensionKind.CoilFourLink,
                            (SuspensionSizes.SpringRate, 20),
                            (SuspensionSizes.SecondRate, 45),
                            (SuspensionSizes.CrossoverLoad, crossover)
                        )
                    ),
                    Axle.Front
                )
                .WheelRate;
        Assert.Equal(2.25, Rate(load - 1)!.Value / Rate(load + 1)!.Value, 9);
    }
}
