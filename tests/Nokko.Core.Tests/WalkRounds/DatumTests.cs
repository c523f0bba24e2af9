using CsCheck;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.WalkRounds;

public class DatumTests
{
    private static readonly WheelRadii Radii = Datums.Estimate(TyreSize.Parse("265/70R17")!);

    [Theory]
    [InlineData("265/70R17", (17 * 25.4) + (2 * 185.5), 265, 17)]
    [InlineData("LT285/70R17", (17 * 25.4) + (2 * 199.5), 285, 17)]
    [InlineData("33x12.50R15", 33 * 25.4, 12.5 * 25.4, 15)]
    [InlineData("25x10-12", 25 * 25.4, 254, 12)]
    public void Reads_a_tyre_as_printed(string text, double diameter, double width, double rim)
    {
        var tyre = TyreSize.Parse(text)!;
        Assert.Equal((diameter, width, rim), (tyre.DiameterMm, tyre.WidthMm, tyre.RimInches));
    }

    [Theory]
    [InlineData("big ones")]
    [InlineData("265/70")]
    [InlineData("10x10-12")]
    public void Refuses_what_is_no_tyre(string text) => Assert.Null(TyreSize.Parse(text));

    [Fact]
    public void Floor_is_hub_and_loaded_radius_and_rim_is_hub_and_rim_radius()
    {
        Assert.Equal(0.945 * 802.8 / 2, Radii.LoadedRadiusMm, 9);
        Assert.Equal(((17 * 25.4) + 35) / 2, Radii.RimRadiusMm, 9);
        Assert.Equal(
            500 + Radii.LoadedRadiusMm,
            Datums.Convert(500, 1, Datum.Hub, Datum.Floor, Radii)!.Value.Mm,
            9
        );
        Assert.Equal(
            500 + Radii.RimRadiusMm,
            Datums.Convert(500, 1, Datum.Hub, Datum.Rim, Radii)!.Value.Mm,
            9
        );
        Assert.Equal(
            (802.8 / 2) - (5200 / 260.0),
            Datums.Estimate(TyreSize.Parse("265/70R17")!, 5200).LoadedRadiusMm,
            9
        );
    }

    [Fact]
    public void There_and_back_is_the_same_height_with_more_doubt() =>
        Gen.Select(Gen.Double[300, 1000], Gen.Enum<Datum>(), Gen.Enum<Datum>())
            .Where((_, a, b) => a <= Datum.Rim && b <= Datum.Rim && a != b)
            .Sample(
                (mm, a, b) =>
                {
                    var there = Datums.Convert(mm, 1.8, a, b, Radii)!.Value;
                    var back = Datums.Convert(there.Mm, there.UMm, b, a, Radii)!.Value;
                    return Math.Abs(back.Mm - mm) < 1e-9 && back.UMm > 1.8 && !there.Decides;
                }
            );

    [Theory]
    [InlineData(Datum.Frame)]
    [InlineData(Datum.Own)]
    public void Frame_and_own_marks_stand_alone(Datum datum)
    {
        Assert.Null(Datums.Convert(500, 1, datum, Datum.Hub, Radii));
        // What is not carried anywhere decides as it was read.
        Assert.Equal(
            new ConvertedHeight(500, 1, true),
            Datums.Convert(500, 1, datum, datum, Radii)!.Value
        );
    }

    [Fact]
    public void A_conversion_decides_only_with_measured_radii()
    {
        var measured = Radii with { LoadedRadiusUMm = 1.5, RadiusMeasured = true };
        Assert.True(Datums.Convert(500, 1.8, Datum.Hub, Datum.Floor, measured)!.Value.Decides);
    }

    [Fact]
    public void A_reading_that_stands_apart_by_a_loaded_radius_is_named()
    {
        double[] hubs = [520, 524, 515];
        Assert.Equal(
            Datum.Floor,
            Datums.LooksLike(520 + Radii.LoadedRadiusMm, Datum.Hub, hubs, Radii)
        );
        Assert.Equal(Datum.Rim, Datums.LooksLike(520 + Radii.RimRadiusMm, Datum.Hub, hubs, Radii));
        Assert.Null(Datums.LooksLike(560, Datum.Hub, hubs, Radii));
        // Apart by less than it can be told, near enough by 70 mm, and against the mean of all, not the lowest.
        var floor = 520 + Radii.LoadedRadiusMm;
        Assert.Equal(Datum.Floor, Datums.LooksLike(floor - 69.9, Datum.Hub, [520], Radii));
        Assert.Equal(Datum.Floor, Datums.LooksLike(floor + 69.9, Datum.Hub, [520], Radii));
        Assert.Null(Datums.LooksLike(floor + 70.1, Datum.Hub, [520], Radii));
        Assert.Null(Datums.LooksLike(floor + 60, Datum.Hub, [500, 520], Radii));
        Assert.Equal(Datum.Floor, Datums.LooksLike(floor + 60, Datum.Hub, [520, 520], Radii));
        // Floor and rim lie too near one another to be told apart.
        var alike = Radii with
        {
            LoadedRadiusMm = Radii.RimRadiusMm + 140,
        };
        Assert.Null(Datums.LooksLike(700 + 140, Datum.Rim, [700], alike));
        var apart = Radii with { LoadedRadiusMm = Radii.RimRadiusMm + 141 };
        Assert.Equal(Datum.Floor, Datums.LooksLike(700 + 141, Datum.Rim, [700], apart));
    }

    [Fact]
    public void A_wheel_with_another_tyre_than_the_vehicles_is_reckoned_with_its_own()
    {
        var vehicle = Sample.Pickup with { TyreSize = "265/70R17" };
        var round = Sample.Round(40, Sample.AsFound.Id) with
        {
            Tyres = [new WheelTyre { Wheel = Corner.RF, Size = "285/75R17" }],
        };
        double Radius(Corner wheel) =>
            WheelMeasures.Of(wheel, round, [], vehicle).LoadedRadius.Value!.Value;
        Assert.Equal(
            Datums
                .Estimate(TyreSize.Parse("265/70R17")!, vehicle.WheelLoadN(Axle.Front))
                .LoadedRadiusMm,
            Radius(Corner.LF),
            9
        );
        Assert.Equal(
            Datums
                .Estimate(TyreSize.Parse("285/75R17")!, vehicle.WheelLoadN(Axle.Front))
                .LoadedRadiusMm,
            Radius(Corner.RF),
            9
        );
    }

    [Fact]
    public void One_reading_that_was_between_two_marks_makes_a_wheel_less_sure()
    {
        double U(params bool[] nudged)
        {
            var round = Sample.Round(40, Sample.AsFound.Id);
            Reading[] readings =
            [
                .. nudged.Select(
                    (n, i) =>
                        Sample.Readings(100 + i, 40, [380, 380, 380, 380, 380, 380])[0] with
                        {
                            Kind = ReadingKind.Length,
                            Measure = Measures.HubHeight,
                            Place = new() { Kind = PlaceKind.Wheel, Name = "LF" },
                            Nudged = n,
                        }
                ),
            ];
            var wheel = WheelMeasures.Of(Corner.LF, round, readings, Sample.Pickup);
            Assert.Equal(
                (380, Known.Measured),
                (wheel.LoadedRadius.Value!.Value, wheel.LoadedRadius.Known)
            );
            return wheel.LoadedRadius.U!.Value;
        }
        Assert.True(U(false, false) < U(false, true));
        Assert.Equal(U(true, true), U(false, true), 9);
    }
}
