using CsCheck;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Plans.Moved;

namespace Nokko.Core.Tests.Plans;

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
    public void Tyres_raise_all_of_it_and_mounts_what_sits_on_them()
    {
        var sizes = Round with { CgHeight = Sample.Mm(700) };
        (Corner, PlacedPart)[] pucks =
        [
            .. Corners.All.Select(
                (c, i) =>
                    (c, StacksTests.Part(1, PartKind.BodyPuck, 50) with { Id = Sample.Id(80 + i) })
            ),
        ];
        var mounts = Slope(sizes, pucks).Ways[1];
        var springs = Slope(sizes, Rings(50, 50)).Ways[1];
        var rise = Also(mounts, "It rises");
        // 0.4 of what is sprung, and renewed mounts stand a little higher than crushed ones.
        Assert.InRange(rise, 0.4 * 42.3, 0.4 * 42.3 * 1.15);
        Assert.True(
            mounts.Also.Single(a => a.Label == "It rises by").Result.U
                > springs.Also.Single(a => a.Label == "It rises by").Result.U
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
}
