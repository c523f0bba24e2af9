using CsCheck;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Stance;

public class MeasureValuesTests
{
    [Fact]
    public void Camber_is_the_gap_over_the_square_and_top_inward_is_negative()
    {
        var camber = Value(
            "camber",
            Taken(1, Measures.CamberSquare, "LF", 4) with
            {
                Over = Sample.Mm(430),
            }
        );
        Assert.Equal(-Math.Atan(4 / 430.0) * 180 / Math.PI, camber.Value.Value!.Value, 9);
        Assert.Equal("top inward", camber.Says);
    }

    [Fact]
    public void Toe_of_a_wheel_is_half_the_difference_over_the_diameter()
    {
        // Front edges 6 narrower over 760: asin(6/1520) a wheel.
        var toe = Value(
            "toe",
            Taken(1, Measures.ToeFront, "front", 1600),
            Taken(2, Measures.ToeRear, "front", 1606) with
            {
                Over = Sample.Mm(760),
            }
        );
        Assert.Equal(Math.Asin(6 / 1520.0) * 180 / Math.PI, toe.Value.Value!.Value, 9);
        Assert.Equal("each wheel in", toe.Says);
        Assert.True(toe.Value.U > 0);
    }

    [Fact]
    public void The_panhards_drop_is_body_end_above_axle_end()
    {
        var drop = Value(
            "panhardDrop",
            Taken(1, Measures.PanhardBody, "rear", 420),
            Taken(2, Measures.PanhardAxle, "rear", 360)
        );
        Assert.Equal((60, "body end higher"), (drop.Value.Value!.Value, drop.Says));
    }

    [Fact]
    public void A_hubs_height_is_the_loaded_radius_and_carries_lips_to_the_floor_to_decide()
    {
        var stance = Stance([
            Sample.Reading(1, 40, "LF", 520),
            Taken(2, Measures.HubHeight, "LF", 371),
            Sample.Reading(3, 40, "RF", 521),
        ]);
        var lf = stance.Carried.First(c => c is { Station: "LF", To: Datum.Floor });
        Assert.Equal((891, true), (lf.Height.Value!.Value, lf.Decides));
        Assert.False(stance.Carried.First(c => c is { Station: "RF", To: Datum.Floor }).Decides);
    }

    [Fact]
    public void Looks_level_by_the_lips_and_is_not()
    {
        var vehicle = Sample.Pickup with
        {
            Stations =
            [
                .. Sample.Pickup.Stations,
                .. VehicleDefaults.MoreStations(Sample.Sizes, VehicleKind.Pickup),
            ],
        };
        var readings = Sample
            .Readings(100, 40, 550, 1040, 550, 550, 1040, 550)
            .Concat([
                Sample.Reading(120, 40, "sill LF", 470, Datum.Floor),
                Sample.Reading(121, 40, "sill LR", 490, Datum.Floor),
            ])
            .ToArray();
        var stance = StanceOf.Compute(Sample.Round(40, Sample.AsFound.Id), readings, vehicle);
        // The sill runs 0.49 of 3600 from end to end.
        Assert.Equal(Math.Atan2(20, 0.49 * 3600) * 180 / Math.PI, stance.SillAngle.Value!.Value, 9);
        // Its ± is that of both ends over the run; that of the lips the rake's over the wheelbase.
        double U(string name) => stance.Stations.Single(s => s.Station == name).Height.U!.Value;
        Assert.Equal(
            Math.Sqrt(Math.Pow(U("sill LF"), 2) + Math.Pow(U("sill LR"), 2))
                / (0.49 * 3600)
                * 180
                / Math.PI,
            stance.SillAngle.U!.Value,
            9
        );
        Assert.Equal(stance.Rake.U!.Value / 3600 * 180 / Math.PI, stance.BodyAngle.U!.Value, 9);
        Assert.Contains(
            StanceWords.Say(stance, LengthStyle.Inches),
            s => s.StartsWith("Looks level by the lips, is not", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_shared_offset_of_all_floor_readings_changes_no_rake() =>
        Gen.Select(Gen.Double[700, 1100].Array[6], Gen.Double[-200, 200])
            .Sample(
                (mm, offset) =>
                {
                    var a = Floor(mm);
                    var b = Floor([.. mm.Select(x => x + offset)]);
                    return Math.Abs(a.Rake.Value!.Value - b.Rake.Value!.Value) < 1e-9
                        && Math.Abs(a.LeanFront.Value!.Value - b.LeanFront.Value!.Value) < 1e-9
                        && Math.Abs(a.Warp.Value!.Value - b.Warp.Value!.Value) < 1e-9;
                }
            );

    [Fact]
    public void There_and_back_between_datums_is_the_same_height_within_u() =>
        Gen.Select(
                Gen.Double[400, 1200],
                Gen.Double[300, 450],
                Gen.Double[180, 260],
                Gen.Enum<Datum>(),
                Gen.Enum<Datum>()
            )
            .Sample(
                (mm, r, e, from, to) =>
                {
                    var radii = new WheelRadii(r, 1, e, 1);
                    if (Datums.Convert(mm, 1.8, from, to, radii) is not { } there)
                    {
                        return from != to && (from > Datum.Rim || to > Datum.Rim);
                    }
                    var back = Datums.Convert(there.Mm, there.UMm, to, from, radii)!.Value;
                    return Math.Abs(back.Mm - mm) <= 1e-9 && back.UMm >= 1.8 - 1e-12;
                }
            );

    [Fact]
    public void What_is_taken_back_counts_no_more_and_what_it_corrected_counts_again()
    {
        var first = Sample.Reading(1, 40, "LF", 520);
        var second = Sample.Reading(2, 40, "LF", 530, supersedes: first.Id);
        var back = Sample.Reading(3, 40, "LF", 0, supersedes: second.Id) with { Value = null };
        var backAgain = Sample.Reading(4, 40, "LF", 0, supersedes: back.Id) with { Value = null };
        Assert.Equal(530, Stance([first, second]).At("LF")!.Height.Value!.Value, 9);
        Assert.Equal(520, Stance([first, second, back]).At("LF")!.Height.Value!.Value, 9);
        Assert.Equal(
            530,
            Stance([first, second, back, backAgain]).At("LF")!.Height.Value!.Value,
            9
        );
    }

    [Fact]
    public void A_station_passed_over_is_said_with_its_reason_until_it_is_read()
    {
        var skip = Sample.Reading(1, 40, "RR", 0) with
        {
            Value = null,
            Skipped = true,
            Note = "flare missing",
        };
        Assert.Equal(
            new SkippedStation("RR", "flare missing"),
            Assert.Single(Stance([skip]).Skipped)
        );
        Assert.Empty(Stance([skip, Sample.Reading(2, 40, "RR", 580)]).Skipped);
    }

    private static WalkRoundStance Floor(double[] mm) =>
        StanceOf.Compute(
            Sample.Round(40, Sample.AsFound.Id, datum: Datum.Floor),
            [.. Sample.Readings(100, 40, mm).Select(r => r with { From = Datum.Floor })],
            Sample.Pickup
        );

    private static WalkRoundStance Stance(IReadOnlyList<Reading> readings) =>
        StanceOf.Compute(Sample.Round(40, Sample.AsFound.Id), readings, Sample.Pickup);

    private static MeasureValue Value(string key, params Reading[] readings) =>
        Stance(readings).Measures.First(m => m.Measure == key);

    private static Reading Taken(int id, string measure, string place, double mm) =>
        Sample.Reading(id, 40, null, mm) with
        {
            Kind = Measures.Find(measure)!.Kind,
            Measure = measure,
            From = null,
            Place = new Place
            {
                Kind = Measures.PlaceKindOf(Measures.Find(measure)!),
                Name = place,
            },
        };
}
