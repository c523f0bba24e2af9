using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Vehicles;

/// <summary>What is assumed of a vehicle until somebody tapes it: each guess is marked, has its ±, and gives way to what is known.</summary>
public class VehicleDefaultsTests
{
    [Theory]
    [InlineData(VehicleKind.Pickup, 3300, 1600, 1150, 850, 480)]
    [InlineData(VehicleKind.OpenTop, 2700, 1600, 950, 900, 520)]
    [InlineData(VehicleKind.Wagon, 2800, 1620, 1250, 1100, 460)]
    [InlineData(VehicleKind.Estate, 2750, 1580, 1000, 800, 330)]
    [InlineData(VehicleKind.Utv, 2100, 1250, 330, 400, 380)]
    public void Each_sort_of_vehicle_has_its_usual_sizes(
        VehicleKind kind,
        double wheelbase,
        double track,
        double front,
        double rear,
        double sill
    )
    {
        var filled = VehicleDefaults.Fill(new(), kind);
        (string Name, double Value, double U)[] expected =
        [
            ("wheelbase", wheelbase, 0.045 * wheelbase),
            ("frontTrack", track, 40),
            ("rearTrack", track, 40),
            ("frontSpringBase", 0.62 * track, 60),
            ("rearSpringBase", 0.66 * track, 60),
            ("frontAxleMass", front, 0.1 * front),
            ("rearAxleMass", rear, 0.14 * rear),
            ("frontUnsprungShare", 0.12, 0.03),
            ("rearUnsprungShare", 0.2, 0.05),
            ("sillHeight", sill, 60),
            ("midMark", 0.42 * wheelbase, 100),
        ];
        Assert.All(
            filled.Named().Zip(expected),
            pair =>
            {
                var (got, want) = pair;
                Assert.Equal(want.Name, got.Name);
                Assert.Equal(want.Value, got.Value!.Value, 9);
                Assert.Equal(want.U, got.Value.U!.Value, 9);
                Assert.Equal(Known.Estimated, got.Value.Known);
            }
        );
    }

    [Fact]
    public void What_is_known_stays_and_what_hangs_on_it_follows()
    {
        var known = new VehicleDimensions
        {
            Wheelbase = Sample.Mm(3000),
            FrontTrack = Sample.Mm(1500),
        };
        var filled = VehicleDefaults.Fill(known, VehicleKind.Pickup);
        Assert.Same(known.Wheelbase, filled.Wheelbase);
        Assert.Same(known.FrontTrack, filled.FrontTrack);
        Assert.Equal(1500, filled.RearTrack!.Value);
        Assert.Equal(0.42 * 3000, filled.MidMark!.Value, 9);
        Assert.Equal(0.62 * 1500, filled.FrontSpringBase!.Value, 9);
        Assert.Equal(0.66 * 1500, filled.RearSpringBase!.Value, 9);
        Assert.Equal((60, 60), (filled.FrontSpringBase.U, filled.RearSpringBase.U));
    }

    [Fact]
    public void Six_stations_go_down_the_left_side_and_up_the_right()
    {
        var sizes = VehicleDefaults.Fill(
            new()
            {
                Wheelbase = Sample.Mm(3000),
                FrontTrack = Sample.Mm(1500),
                RearTrack = Sample.Mm(1540),
                MidMark = Sample.Mm(1200),
            },
            VehicleKind.Pickup
        );
        (string, double, double, Carrier)[] expected =
        [
            ("LF", 0, 750, Carrier.Body),
            ("LM", -1200, 830, Carrier.Body),
            ("LR", -3000, 770, Carrier.Bed),
            ("RR", -3000, -770, Carrier.Bed),
            ("RM", -1200, -830, Carrier.Body),
            ("RF", 0, -750, Carrier.Body),
        ];
        Assert.Equal(expected, Places(VehicleDefaults.Stations(sizes, VehicleKind.Pickup)));
        Assert.All(
            VehicleDefaults.Stations(sizes, VehicleKind.Wagon),
            s => Assert.Equal(Carrier.Body, s.Carrier)
        );
        Assert.Throws<ArgumentException>(() => VehicleDefaults.Stations(new(), VehicleKind.Wagon));
    }

    [Fact]
    public void Sills_and_bumper_corners_stand_by_wheelbase_and_the_wider_track()
    {
        var sizes = new VehicleDimensions
        {
            Wheelbase = Sample.Mm(3000),
            FrontTrack = Sample.Mm(1500),
            RearTrack = Sample.Mm(1540),
        };
        (string, double, double, Carrier)[] expected =
        [
            ("sill LF", -510, 730, Carrier.Body),
            ("sill RF", -510, -730, Carrier.Body),
            ("sill LR", -1980, 730, Carrier.Body),
            ("sill RR", -1980, -730, Carrier.Body),
            ("bumper LF", 780, 710, Carrier.Body),
            ("bumper RF", 780, -710, Carrier.Body),
            ("bumper LR", -3960, 710, Carrier.Bed),
            ("bumper RR", -3960, -710, Carrier.Bed),
        ];
        Assert.Equal(expected, Places(VehicleDefaults.MoreStations(sizes, VehicleKind.Pickup)));
        Assert.All(
            VehicleDefaults.MoreStations(sizes, VehicleKind.Wagon),
            s => Assert.Equal(Carrier.Body, s.Carrier)
        );
        Assert.Throws<ArgumentException>(() =>
            VehicleDefaults.MoreStations(new(), VehicleKind.Wagon)
        );
    }

    private static IEnumerable<(string, double, double, Carrier)> Places(
        IReadOnlyList<Station> stations
    ) =>
        stations.Select(s =>
            (s.Name, Math.Round(s.X.In(Unit.Mm), 6), Math.Round(s.Y.In(Unit.Mm), 6), s.Carrier)
        );
}
