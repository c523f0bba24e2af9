using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Finding;

public class WishTests
{
    // Front 518/522, rear 576/584: 60 mm nose down, leaning to the left.
    private static readonly WalkRoundStance Now = StanceOf.Compute(
        Sample.Round(40, Sample.AsFound.Id),
        Sample.Readings(100, 40, 518, 1040, 576, 584, 1040, 522),
        Sample.Pickup
    );

    private static readonly Target Nothing = new()
    {
        Datum = Datum.Hub,
        Tolerance = Sample.Mm(6.35),
    };

    private static Situation Here(Target? target = null) =>
        new(Sample.AsFound, Sample.Pickup, Now) { Target = target ?? Nothing };

    private static readonly StatedLoad Trailer = new()
    {
        Id = Sample.Id(60),
        Name = "trailer",
        Mass = new()
        {
            Value = 90,
            Unit = Unit.Kg,
            Known = Known.Told,
        },
        Behind = Sample.Mm(4800),
    };

    [Fact]
    public void Each_wish_becomes_its_numbers()
    {
        Assert.Equal(0, On(new Wish(WishKind.Level)).Rake!.Value);
        Assert.Equal(60, On(new Wish(WishKind.KeepRake)).Rake!.In(Unit.Mm), 1);
        Assert.Equal(25.4, On(new Wish(WishKind.KeepRake, Inch(1))).Rake!.In(Unit.Mm), 9);
        var both = On(new Wish(WishKind.RaiseBoth, Inch(2)));
        Assert.Equal(
            (50.8, 50.8),
            (both.LeastFrontLift!.In(Unit.Mm), both.LeastRearLift!.In(Unit.Mm))
        );
        var most = On(new Wish(WishKind.NotMoreThan, Inch(3)));
        Assert.Equal(
            (76.2, 76.2),
            (
                Math.Round(most.MostFrontLift!.In(Unit.Mm), 6),
                Math.Round(most.MostRearLift!.In(Unit.Mm), 6)
            )
        );
        Assert.True(On(new Wish(WishKind.NoLean)).NoLean);
        var under = On(new Wish(WishKind.NotAbove, Sample.Mm(2000), Sample.Mm(1930)));
        Assert.Equal(70, under.MostFrontLift!.In(Unit.Mm), 9);
        // Wishes add up; starting over keeps only how it is judged.
        var two = On(new Wish(WishKind.Level), On(new Wish(WishKind.NoLean)));
        Assert.True(two is { NoLean: true, Rake.Value: 0 });
        Assert.Equal(Nothing, On(new Wish(WishKind.Nothing), two));
    }

    [Fact]
    public void Level_with_the_load_on_asks_for_the_load_first()
    {
        Assert.Contains(
            "State the load",
            Why(new Wish(WishKind.LevelLoaded)),
            StringComparison.Ordinal
        );
        var with = Here() with { Loads = [Trailer] };
        var (target, _, _) = new Wish(WishKind.LevelLoaded).On(with);
        Assert.True(target is { Loaded: true, Rake.Value: 0 });
    }

    [Theory]
    [InlineData(WishKind.RaiseBoth, "By how much")]
    [InlineData(WishKind.NotMoreThan, "How much at most")]
    [InlineData(WishKind.NotAbove, "How high may it be")]
    [InlineData(WishKind.RoomForTyre, "no tyre size")]
    public void What_a_wish_needs_is_asked_for(WishKind kind, string asks) =>
        Assert.Contains(asks, Why(new Wish(kind)), StringComparison.Ordinal);

    [Fact]
    public void Wishes_that_cannot_both_be_met_are_refused_where_they_are_made()
    {
        var most = On(new Wish(WishKind.NotMoreThan, Inch(1)));
        var (target, field, why) = new Wish(WishKind.RaiseBoth, Inch(2)).On(Here(most));
        Assert.Null(target);
        Assert.Equal("amount", field);
        Assert.Contains("more than the greatest", why, StringComparison.Ordinal);
        Assert.Contains(
            "above that already",
            new Wish(WishKind.NotAbove, Sample.Mm(1900), Sample.Mm(1930)).On(Here()).Why,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Each_corner_needs_what_makes_it_level_and_takes_out_the_lean_and_no_more()
    {
        // By hand: front 60 up on the mean; its sides 2 up and 2 down, the rear's 4.
        var needed = NeededRise.Of(Here(Nothing with { Rake = Sample.Mm(0), NoLean = true }));
        double[] expected = [62, 58, 4, -4];
        for (var i = 0; i < 4; i++)
        {
            Assert.Equal(expected[i], needed[i].Rise.Value!.Value, 6);
            Assert.True(needed[i].Rise.U > 0);
            Assert.Null(needed[i].Loaded);
        }
        // A least lift lifts both ends: the rear by it, the front by it and the rake.
        var raised = NeededRise.Of(
            Here(Nothing with { Rake = Sample.Mm(0), LeastRearLift = Sample.Mm(30) })
        );
        Assert.Equal([90, 90, 30, 30], raised.Select(n => Math.Round(n.Rise.Value!.Value, 6)));
    }

    [Fact]
    public void With_a_load_on_the_tail_the_rear_is_what_must_rise()
    {
        var heavy = Trailer with { Mass = Trailer.Mass with { Value = 900 } };
        var needed = NeededRise.Of(
            Here(Nothing with { Rake = Sample.Mm(0) }) with
            {
                Loads = [heavy],
            }
        );
        var body = new BodyOnSprings(VehicleSupports.Of(Sample.Pickup).Supports!).Solve([
            heavy.OnBody(),
        ]);
        var rake = 60 + body.RiseAt(-3600, 0) - body.RiseAt(0, 0);
        Assert.True(rake < 0);
        Assert.Equal(-rake, needed[2].Loaded!.Value!.Value, 6);
        Assert.Equal(0, needed[0].Loaded!.Value!.Value, 6);
        Assert.Equal(60, needed[0].Rise.Value!.Value, 6);
    }

    [Fact]
    public void A_taller_tyre_is_told_its_room_parked_and_flexed()
    {
        var vehicle = Sample.Pickup with
        {
            TyreSize = "265/70R17",
            Front = Sample.Pickup.Front with
            {
                Dimensions = new Dictionary<string, Quantity>
                {
                    [SuspensionSizes.TyreGap] = Sample.Mm(80),
                    [SuspensionSizes.BumpStopGap] = Sample.Mm(26),
                    [SuspensionSizes.BumpStopHeight] = Sample.Mm(40),
                },
            },
        };
        // 285/75R17 against 265/70R17: 859.3 − 802.8 mm, half of it.
        var growth = ((2 * 0.75 * 285) - (2 * 0.7 * 265)) / 2;
        var room = TyreRoom.Of(vehicle, "285/75R17")!;
        Assert.Equal(growth, room[0].Growth, 6);
        Assert.Equal(25 + growth - 80, room[0].Parked.Value!.Value, 6);
        // On an arm the stop moves 0.65 of the wheel: solid at (26 + 0.4 · 40)/0.65 = 64.6 of wheel travel; the tyre touches at 80 − growth.
        Assert.Equal(
            Math.Max(0, (((26 + 16) / 0.65) - (80 - growth)) * 0.65),
            room[0].Flexed.Value!.Value,
            6
        );
        Assert.Contains("full lock", room[0].AtLock.Cannot, StringComparison.Ordinal);
        Assert.Contains("Tape the gap", room[1].Parked.Cannot, StringComparison.Ordinal);
        Assert.Null(TyreRoom.Of(vehicle, "big"));
    }

    private static Quantity Inch(double value) =>
        new()
        {
            Value = value,
            Unit = Unit.Inch,
            Known = Known.Told,
        };

    private static Target On(Wish wish, Target? target = null)
    {
        var (found, _, why) = wish.On(Here(target));
        Assert.Null(why);
        return found!;
    }

    private static string Why(Wish wish) => wish.On(Here()).Why!;

    [Fact]
    public void Room_for_a_tyre_becomes_the_least_lift_of_either_axle()
    {
        Dictionary<string, Quantity> Gap(double mm) =>
            new() { [SuspensionSizes.TyreGap] = Sample.Mm(mm) };
        var vehicle = Sample.Pickup with
        {
            TyreSize = "265/70R17",
            Front = Sample.Pickup.Front with { Dimensions = Gap(40) },
            Rear = Sample.Pickup.Rear with { Dimensions = Gap(200) },
        };
        var situation = new Situation(Sample.AsFound, vehicle, Sample.Stance(vehicle))
        {
            Target = Sample.Level,
        };
        var (target, _, why) = new Wish(WishKind.RoomForTyre, Tyre: "285/75R17").On(situation);
        Assert.Null(why);
        // 28.25 more radius and 25 of room against 40: 13.25 are wanting, rounded up; behind is room.
        Assert.Equal(14, target!.LeastFrontLift!.In(Unit.Mm));
        Assert.Equal(0, target.LeastRearLift!.In(Unit.Mm));
    }
}
