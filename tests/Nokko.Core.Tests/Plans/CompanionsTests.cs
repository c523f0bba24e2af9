using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Plans;

/// <summary>What a plan needs beside it, in numbers where something was taped.</summary>
public class CompanionsTests
{
    private static Prediction Turned(double mmPerTurn, params PlacedPart[] more) =>
        StacksTests.Predict(
            StacksTests.Both(Axle.Front, [Sample.Adjuster(80, 1), .. more]),
            StacksTests.On(
                front: StacksTests.Of(
                    SuspensionKind.TorsionBarArm,
                    (SuspensionSizes.LiftPerTurn, mmPerTurn)
                )
            )
        );

    [Theory]
    [InlineData(11.9, false, false)]
    [InlineData(12.1, true, false)]
    [InlineData(37.9, true, false)]
    [InlineData(38.1, true, true)]
    public void Companions_come_with_the_height(double lift, bool links, bool differential)
    {
        var companions = Turned(lift).Companions;
        Assert.Equal(
            links,
            companions.Any(c => c.What.StartsWith("Sway-bar links", StringComparison.Ordinal))
        );
        Assert.Equal(
            differential,
            companions.Any(c => c.What.StartsWith("Differential drop", StringComparison.Ordinal))
        );
    }

    [Theory]
    [InlineData(null, Consequence.Check)]
    [InlineData(200.0, Consequence.Check)]
    [InlineData(900.0, Consequence.May)]
    public void Shafts_that_were_taped_say_whether_the_differential_comes_down(
        double? run,
        Consequence word
    )
    {
        var sizes = run is { } mm
            ? new Dictionary<string, Quantity>
            {
                [SuspensionSizes.CvDrop] = Sample.Mm(10),
                [SuspensionSizes.CvRun] = Sample.Mm(mm),
            }
            : [];
        var prediction = StacksTests.Predict(
            Sample.Plan([
                .. Corners
                    .Of(Axle.Front)
                    .Select(c =>
                        (
                            c,
                            StacksTests.Part(1, PartKind.StrutTopSpacer, 40) with
                            {
                                Id = Guid.NewGuid(),
                            }
                        )
                    ),
            ]),
            Sample.Pickup with
            {
                Front = Sample.Pickup.Front with { Dimensions = sizes },
            }
        );
        var drop = prediction.Companions.Single(c =>
            c.What.StartsWith("Differential drop", StringComparison.Ordinal)
        );
        Assert.Equal(
            (word, run is null),
            (drop.Word, drop.What.EndsWith(", if this axle is driven", StringComparison.Ordinal))
        );
        if (run is { } length)
        {
            // By hand: the shaft's drop and the rise of its wheel over its run.
            var rise = prediction.Corners[0].Rise.Value!.Value;
            var angle = Math.Atan((10 + rise) / length) * 180 / Math.PI;
            Assert.StartsWith(
                FormattableString.Invariant($"CV joints run at {angle:0.0}° at ride height"),
                drop.Why,
                StringComparison.Ordinal
            );
        }
    }

    private static string[] Told(Vehicle vehicle, params (Corner, PlacedPart)[] parts) =>
        [
            .. StacksTests
                .Predict(Sample.Plan(parts), vehicle)
                .Companions.Select(c => $"{c.Where}: {c.What}; {c.Why}"),
        ];

    private static (Corner, PlacedPart)[] Rings(double front, double rear) =>
        [
            .. Corners.All.Select(
                (c, i) =>
                    (
                        c,
                        StacksTests.Part(1, PartKind.CoilSpacer, i < 2 ? front : rear) with
                        {
                            Id = Sample.Id(70 + i),
                        }
                    )
            ),
        ];

    [Fact]
    public void A_taped_track_bar_tells_how_far_the_axle_goes_aside_and_what_brings_it_back()
    {
        var vehicle = StacksTests.On(
            rear: StacksTests.Of(
                SuspensionKind.CoilFourLink,
                (SuspensionSizes.TrackBarRun, 860),
                (SuspensionSizes.TrackBarDrop, 60)
            )
        );
        // 50 one to one: 4.956 aside, 4.916 longer.
        Assert.Contains(
            "rear: Track bar 3/16 in (5 mm) longer, or one end relocated by 1 15/16 in (50 mm); else the axle sits 3/16 in (5 mm) toward the bar's end at the body, and the gaps beside its tyres differ by 3/8 in (10 mm): the check",
            Told(vehicle, [.. Rings(0.5, 50).Where(r => Corners.AxleOf(r.Item1) == Axle.Rear)])
        );
        Assert.Contains(
            Told(
                StacksTests.On(rear: StacksTests.Of(SuspensionKind.CoilFourLink)),
                [.. Rings(0.5, 50).Where(r => Corners.AxleOf(r.Item1) == Axle.Rear)]
            ),
            c => c.Contains("tape the bar's run and drop", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Caster_on_taped_radius_arms_counts_the_body_s_pitch()
    {
        var vehicle = StacksTests.On(
            StacksTests.Of(
                SuspensionKind.CoilRadiusArm,
                (SuspensionSizes.ArmLength, 900),
                (SuspensionSizes.FootDistance, 900),
                (SuspensionSizes.SpringLean, 0),
                (SuspensionSizes.RadiusArmDrop, 60)
            ),
            StacksTests.Of(SuspensionKind.CoilFourLink)
        );
        var prediction = StacksTests.Predict(Sample.Plan(Rings(50, 50)), vehicle);
        double Mean(Corner a, Corner b) =>
            prediction
                .Corners.Where(c => c.Corner == a || c.Corner == b)
                .Average(c => c.Rise.Value!.Value);
        var (front, rear) = (Mean(Corner.LF, Corner.RF), Mean(Corner.LR, Corner.RR));
        var pivot = front + ((rear - front) * Math.Sqrt((900 * 900) - 3600) / 3600);
        var lost = (Math.Asin((60 + pivot) / 900) - Math.Asin(60.0 / 900)) * 180 / Math.PI;
        Assert.InRange(lost, 2.5, 4);
        Assert.Contains(
            prediction.Companions,
            c =>
                c.What
                == string.Create(
                    System.Globalization.CultureInfo.InvariantCulture,
                    $"Caster: {lost:0.0}° less, to the ground"
                )
        );
    }

    [Theory]
    [InlineData(30, 0, "Headlights, down by")]
    [InlineData(0, 30, "Headlights, up by")]
    [InlineData(30, 30, null)]
    public void Headlights_are_turned_by_what_the_body_tilts(
        double front,
        double rear,
        string? says
    )
    {
        var coils = StacksTests.Of(SuspensionKind.CoilFourLink);
        var rings = Rings(front, rear).Where(r => r.Item2.Thickness!.Value > 0).ToArray();
        var prediction = StacksTests.Predict(Sample.Plan(rings), StacksTests.On(coils, coils));
        var lamps = prediction.Companions.SingleOrDefault(c =>
            c.What.StartsWith("Headlights", StringComparison.Ordinal)
        );
        if (says is null)
        {
            Assert.Null(lamps);
            return;
        }
        var tilt =
            (prediction.FrontRise.Value!.Value - prediction.RearRise.Value!.Value) / 3600 * 7620;
        Assert.Equal(
            $"{says} {LengthText.Both(Math.Abs(tilt))} on a wall at 25 ft (7.6 m)",
            lamps!.What
        );
    }

    [Fact]
    public void Body_bolts_are_as_much_longer_as_the_tallest_puck()
    {
        var prediction = StacksTests.Predict(
            Sample.Plan(
                (Corner.LF, Sample.Plate(1, 20, PartKind.BodyPuck)),
                (Corner.LR, Sample.Plate(2, 50.8, PartKind.BodyPuck))
            ),
            StacksTests.On()
        );
        Assert.Contains(prediction.Companions, c => c.What == "Body bolts 2 in (51 mm) longer");
    }

    /// <summary>A bar that is moved alone steers with every bump: in front its cure is told with the drag link's.</summary>
    [Fact]
    public void In_front_a_moved_track_bar_takes_the_drag_link_along()
    {
        foreach (var taped in new[] { true, false })
        {
            (string, double)[] sizes = taped
                ? [(SuspensionSizes.TrackBarRun, 860), (SuspensionSizes.TrackBarDrop, 60)]
                : [];
            var coils = StacksTests.Of(SuspensionKind.CoilFourLink, sizes);
            var told = Told(StacksTests.On(coils, coils), Rings(50, 50))
                .Where(c => c.Contains("Track bar", StringComparison.Ordinal))
                .ToArray();
            Assert.Contains("the drag link's by as much", told[0], StringComparison.Ordinal);
            Assert.Contains("drag link is centred again", told[0], StringComparison.Ordinal);
            Assert.DoesNotContain("drag link", told[1], StringComparison.Ordinal);
        }
    }
}
