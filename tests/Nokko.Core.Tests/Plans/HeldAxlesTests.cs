using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>Axles whose height a controller holds, and air.</summary>
public class HeldAxlesTests
{
    private static Vehicle Held(
        HeightControl control,
        SuspensionKind kind = SuspensionKind.CoilFourLink,
        params (string, double)[] sizes
    ) => StacksTests.On(rear: StacksTests.Of(kind, sizes) with { HeightControl = control });

    [Fact]
    public void Nothing_on_the_springs_lifts_an_axle_whose_height_is_held()
    {
        foreach (var control in Enum.GetValues<HeightControl>())
        {
            var plan = StacksTests.Both(Axle.Rear, StacksTests.Part(1, PartKind.CoilSpacer, 30));
            var prediction = StacksTests.Predict(plan, Held(control));
            Assert.Equal(0, prediction.RearRise.Value!.Value, 1e-3);
            Assert.Contains(
                prediction.Basis,
                b => b.Contains("until the sensor's link is moved", StringComparison.Ordinal)
            );
            Assert.Contains(
                prediction.Companions,
                c =>
                    c is { Placed: false }
                    && c.What.StartsWith("Level-sensor link", StringComparison.Ordinal)
            );
        }
    }

    [Theory]
    [InlineData(0.5, 25)]
    [InlineData(1, 12.5)]
    [InlineData(-0.5, -25)]
    public void Another_link_lifts_by_its_length_over_the_share_of_the_sensor_s_arm(
        double share,
        double rise
    )
    {
        var vehicle = Held(HeightControl.OneSensor, sizes: (SuspensionSizes.SensorArmShare, share));
        var plan = Sample.Plan((Corner.LR, StacksTests.Part(1, PartKind.LevelSensorLink, 12.5)));
        var prediction = StacksTests.Predict(plan, vehicle);
        Assert.Equal(rise, prediction.RearRise.Value!.Value, 1e-3);
        // One sensor: both sides alike, though the link was placed at one.
        double At(string station) =>
            prediction.Stations.Single(s => s.Station == station).Rise.Value!.Value;
        Assert.Equal(At("LR"), At("RR"), 1e-3);
        // A sensor only tells the lamps where no controller holds the height.
        Assert.Equal(
            0,
            StacksTests
                .Predict(plan, StacksTests.On(rear: vehicle.Rear with { HeightControl = null }))
                .RearRise.Value!.Value,
            9
        );
    }

    [Fact]
    public void The_dead_band_is_one_for_the_axle_or_one_for_each_side()
    {
        var plan = Sample.Plan((Corner.LF, Sample.Plate(1, 30)), (Corner.RF, Sample.Plate(2, 30)));
        var free = StacksTests.Predict(
            plan,
            StacksTests.On(rear: StacksTests.Of(SuspensionKind.CoilFourLink))
        );
        var one = StacksTests.Predict(plan, Held(HeightControl.OneSensor));
        var two = StacksTests.Predict(plan, Held(HeightControl.TwoSensors));
        static double Square(Result r) => r.U!.Value * r.U.Value;
        Assert.Equal(Square(free.RearRise) + 16, Square(one.RearRise), 0.05);
        Assert.Equal(Square(free.RearRise) + 8, Square(two.RearRise), 0.05);
    }

    [Fact]
    public void A_link_of_which_nobody_knows_what_it_does_is_asked_about()
    {
        var plan = Sample.Plan((Corner.LR, StacksTests.Part(1, PartKind.LevelSensorLink, 12.5)));
        var why = StacksTests.Predict(plan, Held(HeightControl.TwoSensors));
        Assert.Contains(
            "share of the rear sensor's arm",
            why.Cannot ?? why.RearRise.Cannot,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_squeezes_a_coil_has_no_place_on_air()
    {
        var vehicle = StacksTests.On(
            rear: StacksTests.Of(SuspensionKind.CoilFourLink) with
            {
                Medium = SpringMedium.Air,
                HeightControl = HeightControl.TwoSensors,
            }
        );
        foreach (var kind in new[] { PartKind.Coil, PartKind.CoilSpacer })
        {
            Assert.Contains(
                StacksTests
                    .Predict(StacksTests.Both(Axle.Rear, StacksTests.Part(1, kind, 20)), vehicle)
                    .Refusals,
                r => r.Contains("no place on an air spring", StringComparison.Ordinal)
            );
        }
    }

    [Theory]
    [InlineData(HeightControl.OneSensor, 1)]
    [InlineData(HeightControl.TwoSensors, 2)]
    public void The_search_moves_the_sensor_s_link_and_puts_nothing_on_springs_that_are_held(
        HeightControl control,
        int links
    )
    {
        var vehicle = Held(control, sizes: (SuspensionSizes.SensorArmShare, 0.5));
        Part Shelved(int n, PartKind kind, double mm) =>
            new()
            {
                Id = Sample.Id(900 + n),
                Number = $"P-{n}",
                Name = $"part {n}",
                Kind = kind,
                Thickness = Sample.Mm(mm),
                Count = 4,
            };
        var found = new StackSearch(
            new Situation(
                Sample.AsFound with
                {
                    Rear = vehicle.Rear,
                },
                vehicle,
                Sample.Stance(vehicle)
            )
            {
                // 60 mm nose down today; 100 wanted: 40 more behind, a link of 20 over a share of a half.
                Target = Sample.Level with
                {
                    Rake = Sample.Mm(100),
                    Tolerance = Sample.Mm(12),
                },
            },
            [Shelved(1, PartKind.LevelSensorLink, 20), Shelved(2, PartKind.CoilSpacer, 40)],
            new SearchRules()
        ).Run(CancellationToken.None).Where(n => n is { Proved: true, Found.Stopped: null }).Select(n => n.Found!).ToArray();
        var first = found[0];
        Assert.True(first.Chance > 0.7);
        PlacedPart[] behind =
        [
            .. first
                .Plan.Stacks.Where(s => Corners.AxleOf(s.Corner) == Axle.Rear)
                .SelectMany(s => s.Parts),
        ];
        Assert.Equal(links, behind.Count(p => p.Kind == PartKind.LevelSensorLink));
        Assert.DoesNotContain(
            found.SelectMany(f => f.Plan.Stacks).Where(s => Corners.AxleOf(s.Corner) == Axle.Rear),
            s => s.Parts.Any(p => p.Kind == PartKind.CoilSpacer)
        );
    }

    [Fact]
    public void One_sensor_takes_one_link()
    {
        var link = StacksTests.Part(1, PartKind.LevelSensorLink, 12.5);
        var two = StacksTests.Both(Axle.Rear, link);
        bool Refused(HeightControl control) =>
            StacksTests
                .Predict(two, Held(control, sizes: (SuspensionSizes.SensorArmShare, 0.5)))
                .Refusals.Any(r =>
                    r.StartsWith("One sensor has one link", StringComparison.Ordinal)
                );
        Assert.True(Refused(HeightControl.OneSensor));
        Assert.False(Refused(HeightControl.TwoSensors));
    }

    [Fact]
    public void An_air_spring_goes_where_air_is_and_lifts_nothing()
    {
        var plan = StacksTests.Both(Axle.Rear, StacksTests.Part(1, PartKind.AirSpring));
        Assert.Contains(
            StacksTests
                .Predict(plan, StacksTests.On(rear: StacksTests.Of(SuspensionKind.CoilFourLink)))
                .Refusals,
            r => r.Contains("where air springs the axle", StringComparison.Ordinal)
        );
        var onAir = StacksTests.Predict(
            plan,
            StacksTests.On(
                rear: StacksTests.Of(SuspensionKind.CoilFourLink) with
                {
                    Medium = SpringMedium.Air,
                    HeightControl = HeightControl.TwoSensors,
                }
            )
        );
        Assert.Empty(onAir.Refusals);
        Assert.Equal(0, onAir.RearRise.Value!.Value, 1e-3);
    }

    [Fact]
    public void Pucks_lift_the_body_also_over_an_axle_that_is_held()
    {
        var prediction = StacksTests.Predict(
            Sample.Plan([
                .. Corners.All.Select((c, i) => (c, Sample.Plate(70 + i, 25, PartKind.BodyPuck))),
            ]),
            Held(HeightControl.TwoSensors)
        );
        Assert.Equal(25, prediction.RearRise.Value!.Value, 1e-3);
        Assert.Contains(
            prediction.Basis,
            b => b.StartsWith("Body pucks raise the body", StringComparison.Ordinal)
        );
    }
}
