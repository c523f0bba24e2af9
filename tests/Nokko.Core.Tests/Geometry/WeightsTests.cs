using CsCheck;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Geometry.Moved;

namespace Nokko.Core.Tests.Geometry;

/// <summary>What the axles carry, and on which side slope it tips.</summary>
public class WeightsTests
{
    private static Quantity Kg(double kg, Known known = Known.Document) =>
        Sample.Of(kg, Unit.Kg, known);

    /// <summary>3300 between the axles, 1600 between the tyres, 1150 and 850 kg, 12 and 20 in 100 of them not sprung.</summary>
    private static VehicleDimensions Round { get; } =
        Sample.Sizes with
        {
            Wheelbase = Sample.Mm(3300),
            FrontTrack = Sample.Mm(1600),
            FrontSpringBase = Sample.Mm(1000),
            RearTrack = Sample.Mm(1600),
            FrontAxleMass = Kg(1150),
            RearAxleMass = Kg(850),
            FrontUnsprungShare = Sample.Of(0.12, Unit.One),
            RearUnsprungShare = Sample.Of(0.2, Unit.One),
        };

    private static Vehicle With(VehicleDimensions sizes) => FourLinks with { Dimensions = sizes };

    private static StatedLoad Load(double kg, double behind, bool stays = false) =>
        new()
        {
            Id = Sample.Id(77),
            Name = stays ? "winch" : "trailer on the bar",
            Mass = Kg(kg),
            Behind = Sample.Mm(behind),
            Stays = stays,
        };

    private static Mechanism? Loads(VehicleDimensions sizes, params StatedLoad[] loads) =>
        PlanGeometry
            .Of(Sample.Plan(), new Situation(Sample.AsFound, With(sizes), null) { Loads = loads })
            .Mechanisms.FirstOrDefault(m => m.Kind == MechanismKind.AxleLoads);

    private static Mechanism Slope(VehicleDimensions sizes, (Corner, PlacedPart)[] parts) =>
        One(Of(With(sizes), parts), MechanismKind.SideSlope, "vehicle");

    [Fact]
    public void A_load_behind_the_rear_axle_takes_weight_off_the_front()
    {
        var with = new AxleLoads(1150, 850).With(300, 3900, 3300);
        Assert.Equal(1095.4545, with.FrontKg, 1e-4);
        Assert.Equal(1204.5455, with.RearKg, 1e-4);
    }

    [Fact]
    public void A_load_moves_neither_the_sum_nor_the_moment_of_what_stands_there() =>
        Gen.Select(Gen.Double[-500, 900], Gen.Double[-1000, 5000], Gen.Double[1500, 4500])
            .Sample(
                (kg, behind, wheelbase) =>
                {
                    var with = new AxleLoads(1000, 800).With(kg, behind, wheelbase);
                    Assert.Equal(1800 + kg, with.FrontKg + with.RearKg, 1e-6);
                    // About the front axle.
                    Assert.Equal((800 * wheelbase) + (kg * behind), with.RearKg * wheelbase, 1e-3);
                }
            );

    [Fact]
    public void Each_axle_is_held_against_its_plate_with_all_loads_on()
    {
        var rated = Round with { FrontAxleRating = Kg(1300), RearAxleRating = Kg(1200) };
        var loads = Loads(rated, Load(300, 3900), Load(60, -500, stays: true))!;
        Assert.Equal(
            [
                "As it was weighed",
                "With what stays: winch",
                "With all of it on: trailer on the bar, winch",
            ],
            loads.Ways.Select(w => w.Said)
        );
        Assert.Equal(
            [150.0, 80.909, 4.545],
            loads.Ways.Select(w => Math.Round(w.Figure.Value!.Value, 3))
        );
        // By hand: the winch 500 ahead takes 9.09 off the rear and puts 69.09 on the front.
        Assert.Equal(1164.545, Also(loads.Ways[2], "On the front"), 1e-3);
        Assert.Equal(1195.455, Also(loads.Ways[2], "On the rear"), 1e-3);
        Assert.False(loads.Beyond);
        Assert.Null(loads.Ways[2].Care);
    }

    [Fact]
    public void Beyond_the_plate_it_stops_and_says_by_how_much()
    {
        var loads = Loads(Round with { RearAxleRating = Kg(1150) }, Load(300, 3900))!;
        Assert.True(loads.Beyond);
        Assert.Equal(
            "With its loads the front axle carries 1,095 kg (2,415 lb), the rear 1,205 kg (2,656 lb): 55 kg (120 lb) too much for the rear axle.",
            loads.Says
        );
        Assert.Equal(Heed.Stop, loads.Ways[1].Care!.Heed);
        Assert.StartsWith(
            "The rear axle carries 55 kg (120 lb) more than its plate allows",
            loads.Ways[1].Care!.Says,
            StringComparison.Ordinal
        );
        // What is a rule of thumb asks for a weighbridge and stops nobody.
        var guessed = Loads(
            Round with
            {
                RearAxleMass = Kg(850, Known.Estimated),
                RearAxleRating = Kg(1150),
            },
            Load(300, 3900)
        )!;
        Assert.False(guessed.Beyond);
        Assert.Equal(Heed.Look, guessed.Ways[1].Care!.Heed);
        Assert.Equal(Known.Archetype, guessed.Ways[1].Figure.Known);
        Assert.Contains(guessed.Checks, c => c.Contains("weighed", StringComparison.Ordinal));
    }

    [Fact]
    public void The_worst_of_its_states_is_told_not_the_last()
    {
        // The winch puts 69.09 on the front; the trailer on the bar takes 54.55 off it again.
        var loads = Loads(
            Round with
            {
                FrontAxleRating = Kg(1215),
                RearAxleRating = Kg(2000),
            },
            Load(300, 3900),
            Load(60, -500, stays: true)
        )!;
        Assert.Equal(-4.091, loads.Ways[1].Figure.Value!.Value, 1e-3);
        Assert.Equal(50.455, loads.Ways[2].Figure.Value!.Value, 1e-3);
        Assert.True(loads.Beyond);
        Assert.EndsWith(
            "4 kg (9 lb) too much for the front axle.",
            loads.Says,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_load_that_somebody_said_makes_the_axles_known_the_worse_as_they_carry_it()
    {
        var said = Load(300, 3900) with { Mass = Kg(300, Known.Told) };
        var rear = Loads(Round, said)!.Ways[1].Also[1].Result;
        // A tenth of 300, by the lever, beside a hundredth of 850.
        Assert.Equal(double.Hypot(8.5, 30 * 3900 / 3300.0), rear.U!.Value, 1e-9);
        var weighed = Loads(Round, Load(300, 3900))!.Ways[1].Also[1].Result;
        Assert.Equal(double.Hypot(8.5, 3 * 3900 / 3300.0), weighed.U!.Value, 1e-9);
    }

    [Fact]
    public void A_load_that_lifts_an_axle_off_the_ground_stops_with_or_without_a_plate()
    {
        var loads = Loads(Round, Load(3000, 5000))!;
        Assert.True(loads.Beyond);
        Assert.Equal(
            "The loads lift the front axle off the ground: check where they sit.",
            loads.Says
        );
        Assert.Equal(Heed.Stop, loads.Ways[1].Care!.Heed);
        Assert.Equal(loads.Says, loads.Ways[1].Care!.Says);
    }

    [Fact]
    public void Without_loads_and_plates_nothing_is_told_and_without_plates_they_are_asked_for()
    {
        Assert.Null(Loads(Round));
        var unrated = Loads(Round, Load(300, 3900))!;
        Assert.Null(unrated.Ways[1].Figure.Value);
        Assert.EndsWith(
            "what their plates allow was not entered.",
            unrated.Says,
            StringComparison.Ordinal
        );
        Assert.False(unrated.Beyond);
        Assert.Single(Loads(Round with { RearAxleRating = Kg(900) })!.Ways);
    }

    [Fact]
    public void A_lift_raises_what_is_sprung_and_it_tips_the_sooner()
    {
        var slope = Slope(Round with { CgHeight = Sample.Mm(700) }, Rings(50, 50));
        Assert.Equal(48.814, slope.Ways[0].Figure.Value!.Value, 1e-3);
        Assert.Equal(42.3, Also(slope.Ways[1], "It rises by"), 1e-6);
        Assert.Equal(47.1425, slope.Ways[1].Figure.Value!.Value, 1e-3);
        Assert.Equal(1.6713, Also(slope.Ways[1], "It tips sooner"), 1e-3);
        Assert.Equal(742.3, Also(slope.Ways[1], "Its centre of gravity"), 1e-6);
        Assert.Equal(Known.Computed, slope.Ways[1].Figure.Known);
        Assert.Equal("It tips at 47.1° to its side, 1.7° sooner than it did.", slope.Says);
        Assert.False(slope.Beyond);
        // Both share the height that is not known well: the change is known better than either.
        var sooner = slope.Ways[1].Also.Single(a => a.Label == "It tips sooner by").Result;
        Assert.True(sooner.U < 0.3 * slope.Ways[1].Figure.U);
    }

    [Fact]
    public void One_end_alone_raises_it_by_what_that_end_carries()
    {
        var sizes = Round with { CgHeight = Sample.Mm(700) };
        // By the lever: the sprung mass's middle lies over the axles as their sprung masses do.
        Assert.Equal(
            50 * 1012 / 2000.0,
            Also(Slope(sizes, Rings(50, 0)).Ways[1], "It rises"),
            1e-6
        );
        Assert.Equal(50 * 680 / 2000.0, Also(Slope(sizes, Rings(0, 50)).Ways[1], "It rises"), 1e-6);
    }

    [Fact]
    public void Tyres_raise_all_of_it_what_is_not_sprung_too()
    {
        var sizes = Round with { CgHeight = Sample.Mm(700) };
        (Corner, PlacedPart)[] On(Axle[] axles, double diameter) =>
            [
                .. axles
                    .SelectMany(Corners.Of)
                    .Select(
                        (c, i) =>
                            (
                                c,
                                StacksTests.Part(
                                    60 + i,
                                    PartKind.Tyre,
                                    null,
                                    (PartSizes.Diameter, diameter)
                                )
                            )
                    ),
            ];
        double Rise(Axle[] axles) =>
            // Against tyres of another size, so that what a tyre gives under its load goes out.
            Also(Slope(sizes, On(axles, 920)).Ways[1], "It rises")
            - Also(Slope(sizes, On(axles, 860)).Ways[1], "It rises");
        var (front, rear) = (Rise([Axle.Front]), Rise([Axle.Rear]));
        // Half of 60 more, on what each axle carries; the loaded radius is a share of the free one.
        Assert.Equal(1150.0 / 850, front / rear, 1e-9);
        Assert.Equal(Rise([Axle.Front, Axle.Rear]), front + rear, 1e-9);
        Assert.InRange(front + rear, 0.9 * 30, 30);
    }

    [Fact]
    public void Mounts_raise_what_sits_on_them_and_are_known_the_worse_for_it()
    {
        var sizes = Round with { CgHeight = Sample.Mm(700) };
        Result Rise((Corner, PlacedPart)[] parts) =>
            Slope(sizes, parts).Ways[1].Also.Single(a => a.Label == "It rises by").Result;
        (Corner, PlacedPart)[] Pucks(double mm) =>
            [.. Corners.All.Select((c, i) => (c, StacksTests.Part(80 + i, PartKind.BodyPuck, mm)))];
        var (low, high) = (Rise(Pucks(20)), Rise(Pucks(50)));
        // 0.4 of what is sprung; what old mounts were crushed by is in both.
        Assert.Equal(0.4 * 30 * 1692 / 2000, high.Value!.Value - low.Value!.Value, 1e-6);
        // 0.1 of 0.4 alone is a quarter of it.
        Assert.True(high.U > 0.25 * high.Value);
        Assert.True(Rise(Rings(50, 50)).U < 0.25 * high.Value);
    }

    [Fact]
    public void A_share_that_is_not_known_well_makes_the_rise_known_the_worse()
    {
        Result Rise(double u) =>
            Slope(
                Round with
                {
                    CgHeight = Sample.Mm(700),
                    FrontUnsprungShare = Sample.Of(0.12, Unit.One) with { U = u },
                },
                Rings(50, 0)
            )
                .Ways[1]
                .Also.Single(a => a.Label == "It rises by")
                .Result;
        // d rise / d share = −50 · 1150 / 2000.
        Assert.Equal(
            0.1 * 50 * 1150 / 2000,
            Math.Sqrt(Math.Pow(Rise(0.1).U!.Value, 2) - Math.Pow(Rise(0).U!.Value, 2)),
            1e-3
        );
    }

    [Fact]
    public void A_height_that_nobody_knows_is_an_invented_one_of_the_sort()
    {
        var pickup = Slope(Round, Rings(50, 50));
        Assert.Equal(Known.Archetype, pickup.Ways[0].Figure.Known);
        Assert.Equal(Math.Atan(1.18) * 180 / Math.PI, pickup.Ways[0].Figure.Value!.Value, 1e-6);
        // d atan(r) = dr / (1 + r²): 0.08 of the ratio.
        Assert.Equal(
            0.08 / (1 + (1.18 * 1.18)) * 180 / Math.PI,
            pickup.Ways[0].Figure.U!.Value,
            0.02
        );
        Assert.StartsWith("It tips at about ", pickup.Says, StringComparison.Ordinal);
        Assert.Contains(pickup.Checks, c => c.Contains("invented", StringComparison.Ordinal));
        var bare = Slope(Round, []);
        Assert.Single(bare.Ways);
        Assert.StartsWith("Nothing lifts it", bare.Says, StringComparison.Ordinal);
        var low = One(
            Of(FourLinks with { Dimensions = Round, Kind = VehicleKind.Estate }, []),
            MechanismKind.SideSlope,
            "vehicle"
        );
        Assert.Equal(Math.Atan(1.38) * 180 / Math.PI, low.Ways[0].Figure.Value!.Value, 1e-6);
    }

    [Fact]
    public void It_tips_where_its_weight_passes_its_lower_wheels() =>
        Gen.Select(Gen.Double[500, 3000], Gen.Double[200, 2000])
            .Sample(
                (track, height) =>
                {
                    var slope = SideSlope.Rad(track, height);
                    // The centre of gravity turned with the ground: it stands straight over the lower tyre's middle.
                    var across = (-track / 2 * Math.Cos(slope)) + (height * Math.Sin(slope));
                    Assert.Equal(0, across, 1e-9 * (track + height));
                }
            );

    [Fact]
    public void Weights_from_a_paper_or_a_bridge_are_computed_with_and_estimated_ones_are_marked()
    {
        Known Of(VehicleDimensions sizes) =>
            Assert
                .Single(
                    Loads(sizes, Load(300, 3900))!.Stands.Also,
                    a => a.Label == "On the front axle"
                )
                .Result.Known;
        Assert.Equal(Known.Computed, Of(Round));
        Assert.Equal(Known.Archetype, Of(Round with { FrontAxleMass = Kg(1150, Known.Estimated) }));
    }
}
