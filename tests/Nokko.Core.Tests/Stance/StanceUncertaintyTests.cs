using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Stance;

/// <summary>What readings are wrong by reaches every figure that is made of them: √Σ (∂figure/∂reading · u)², the slopes by central differences.</summary>
public class StanceUncertaintyTests
{
    private static readonly Vehicle Vehicle = Sample.Pickup with
    {
        Stations =
        [
            .. Sample.Pickup.Stations,
            .. VehicleDefaults.MoreStations(Sample.Sizes, VehicleKind.Pickup),
        ],
    };

    private static readonly IReadOnlyList<Reading> Readings =
    [
        .. Sample.Readings(100, 40, 521, 1040, 583, 579, 1040, 518),
        Sample.Reading(110, 40, "sill LF", 500, Datum.Floor),
        Sample.Reading(111, 40, "sill LR", 522, Datum.Floor),
        Sample.Reading(112, 40, "sill RF", 496, Datum.Floor),
        Sample.Reading(113, 40, "sill RR", 531, Datum.Floor),
        Taken(120, Measures.CamberSquare, "LF") with
        {
            Value = Sample.Mm(40),
            Over = Sample.Mm(430),
        },
        Taken(121, Measures.ToeFront, "rear") with
        {
            Value = Sample.Mm(1500),
        },
        Taken(122, Measures.ToeRear, "rear") with
        {
            Value = Sample.Mm(1580),
            Over = Sample.Mm(100),
        },
        Taken(123, Measures.PanhardBody, "front") with
        {
            Value = Sample.Mm(420),
        },
        Taken(124, Measures.PanhardAxle, "front") with
        {
            Value = Sample.Mm(360),
        },
    ];

    public static TheoryData<string> Figures =>
        [
            "rake",
            "left",
            "right",
            "front",
            "rear",
            "warp",
            "body",
            "sill",
            "camber",
            "toe",
            "panhardDrop",
        ];

    [Theory]
    [MemberData(nameof(Figures))]
    public void A_figure_is_as_uncertain_as_its_readings_make_it(string figure)
    {
        const double h = 1e-3;
        var stance = Stance(Readings);
        var sum = 0.0;
        foreach (var reading in Readings)
        {
            double With(double step) =>
                Of(
                    Stance([
                        .. Readings.Select(r =>
                            r == reading ? r with { Value = Sample.Mm(r.Value!.Value + step) } : r
                        ),
                    ]),
                    figure
                ).Value!.Value;
            sum += Math.Pow((With(h) - With(-h)) / (2 * h) * UOf(stance, reading), 2);
        }
        Assert.Equal(1, Of(stance, figure).U!.Value / Math.Sqrt(sum), 0.02);
    }

    [Fact]
    public void Both_sills_are_averaged_each_over_its_own_length()
    {
        var stance = Stance(Readings);
        double Run(string side) =>
            At($"sill {side}F").X.In(Unit.Mm) - At($"sill {side}R").X.In(Unit.Mm);
        Assert.Equal(
            180 / Math.PI * (Math.Atan(22 / Run("L")) + Math.Atan(35 / Run("R"))) / 2,
            stance.SillAngle.Value!.Value,
            9
        );
        var left = Stance([.. Readings.Where(r => r.Place.Name?.StartsWith("sill R") != true)]);
        Assert.Equal(180 / Math.PI * Math.Atan(22 / Run("L")), left.SillAngle.Value!.Value, 9);
        // One end of each is no sill.
        Assert.Contains(
            "Neither sill was read at both ends",
            Stance([
                .. Readings.Where(r => r.Place.Name is not ("sill LF" or "sill RR")),
            ]).SillAngle.Cannot,
            StringComparison.Ordinal
        );
        // Nor are two ends from different places.
        var mixed = Stance([
            .. Readings
                .Where(r => r.Place.Name?.StartsWith("sill R") != true)
                .Select(r => r.Place.Name == "sill LR" ? r with { From = Datum.Hub } : r),
        ]);
        Assert.NotNull(mixed.SillAngle.Cannot);
    }

    [Fact]
    public void Toe_beyond_any_wheel_and_a_square_of_no_length_are_no_angle()
    {
        var absurd = Stance([
            .. Readings.Select(r =>
                r.Measure == Measures.ToeRear ? r with { Over = Sample.Mm(30) }
                : r.Measure == Measures.CamberSquare ? r with { Over = Sample.Mm(0) }
                : r
            ),
        ]);
        Assert.DoesNotContain(absurd.Measures, m => m.Measure is "toe" or "camber");
        // Asked exactly at the end: twice the length is the difference.
        Assert.DoesNotContain(
            Stance([
                .. Readings.Select(r =>
                    r.Measure == Measures.ToeRear ? r with { Over = Sample.Mm(40) } : r
                ),
            ]).Measures,
            m => m.Measure == "toe"
        );
    }

    [Theory]
    [InlineData(1580, 1500, "each wheel out", "axle end higher")]
    [InlineData(1500, 1580, "each wheel in", "body end higher")]
    [InlineData(1500, 1500, "parallel", "body end higher")]
    public void Signs_are_said_in_words(double front, double rear, string toe, string panhard)
    {
        var stance = Stance([
            .. Readings.Select(r =>
                r.Measure switch
                {
                    Measures.ToeFront or Measures.PanhardAxle => r with
                    {
                        Value = Sample.Mm(front),
                    },
                    Measures.ToeRear or Measures.PanhardBody => r with { Value = Sample.Mm(rear) },
                    _ => r,
                }
            ),
        ]);
        string? Said(string key) => stance.Measures.Single(m => m.Measure == key).Says;
        Assert.Equal((toe, panhard), (Said("toe"), Said("panhardDrop")));
    }

    [Fact]
    public void A_document_is_as_uncertain_as_vehicles_differ()
    {
        var round = Sample.Round(40, Sample.AsFound.Id) with { FromDocument = true };
        var stance = StanceOf.Compute(round, Readings, Vehicle);
        Assert.All(stance.Stations, s => Assert.Equal(StanceOf.DocumentUMm, s.Height.U));
        Assert.False(stance.Decides);
    }

    [Theory]
    [InlineData(false, false, false)]
    [InlineData(true, false, false)]
    [InlineData(false, true, false)]
    [InlineData(true, true, true)]
    public void A_hub_that_is_marked_in_both_rounds_is_sighted_once(
        bool before,
        bool after,
        bool cancels
    )
    {
        var rise = Rise("LF", before, after, out var a, out var b);
        double Own(StationValue v) =>
            (v.Resolution * v.Resolution)
            + (v.Repeat * v.Repeat)
            + (v.Settle * v.Settle)
            + (cancels ? 0 : v.Sight * v.Sight);
        // The same spots: the floor is in neither.
        Assert.Equal(Own(a) + Own(b), Math.Pow(rise.Rise.U!.Value, 2), 9);
        Assert.Equal(Own(b), Math.Pow(rise.AfterU, 2), 9);
    }

    [Theory]
    [InlineData("LM", Datum.Floor)]
    [InlineData("LF", Datum.Rim)]
    public void A_mark_on_the_hub_helps_nothing_that_is_not_read_from_it(string station, Datum from)
    {
        var marked = Rise(station, true, true, out var a, out var b, from);
        double Own(StationValue v) => (v.U * v.U) - (v.Floor * v.Floor);
        Assert.Equal(Own(a) + Own(b), Math.Pow(marked.Rise.U!.Value, 2), 9);
    }

    [Theory]
    // Lean of 20 mm, ± under 6: the eye may not see the other side low, nor none at all.
    [InlineData(20, Looks.LeftLow, true)]
    [InlineData(20, Looks.RightLow, false)]
    [InlineData(20, Looks.Level, true)]
    [InlineData(-20, Looks.LeftLow, false)]
    [InlineData(-20, Looks.RightLow, true)]
    [InlineData(-20, Looks.Level, true)]
    // Half an inch and what it may be wrong by is still level to the eye.
    [InlineData(14, Looks.Level, false)]
    [InlineData(-14, Looks.Level, false)]
    // Within its ± it is neither.
    [InlineData(3, Looks.LeftLow, false)]
    [InlineData(-3, Looks.RightLow, false)]
    public void The_eye_is_heard_where_it_sees_the_other_side_low(
        double lean,
        Looks looks,
        bool against
    )
    {
        var round = Sample.Round(40, Sample.AsFound.Id) with { LooksFront = looks };
        var stance = StanceOf.Compute(
            round,
            Sample.Readings(100, 40, 520 + lean, 1040, 580, 580, 1040, 520),
            Vehicle
        );
        Assert.InRange(stance.LeanFront.U!.Value * 2, 3.1, 6);
        Assert.Equal(against ? [Axle.Front] : [], stance.AgainstEye);
    }

    private static MeasuredRise Rise(
        string station,
        bool markedBefore,
        bool markedAfter,
        out StationValue a,
        out StationValue b,
        Datum from = Datum.Hub
    )
    {
        var first = Sample.Round(40, Sample.AsFound.Id) with { HubMarked = markedBefore };
        var second = Sample.Round(41, Sample.Id(11)) with { HubMarked = markedAfter };
        var (x, y) = (
            StanceOf.Compute(first, [Sample.Reading(1, 40, station, 520, from)], Vehicle),
            StanceOf.Compute(second, [Sample.Reading(2, 41, station, 560, from)], Vehicle)
        );
        (a, b) = (x.Stations[0].Uncertainty, y.Stations[0].Uncertainty);
        return Rises.Compare(x, first, y, second, Vehicle).Rises.Single();
    }

    private static WalkRoundStance Stance(IReadOnlyList<Reading> readings) =>
        StanceOf.Compute(Sample.Round(40, Sample.AsFound.Id), readings, Vehicle);

    private static Station At(string name) => Vehicle.Stations.First(s => s.Name == name);

    private static Result Of(WalkRoundStance stance, string figure) =>
        figure switch
        {
            "rake" => stance.Rake,
            "left" => stance.RakeLeft,
            "right" => stance.RakeRight,
            "front" => stance.LeanFront,
            "rear" => stance.LeanRear,
            "warp" => stance.Warp,
            "body" => stance.BodyAngle,
            "sill" => stance.SillAngle,
            _ => stance.Measures.Single(m => m.Measure == figure).Value,
        };

    private static double UOf(WalkRoundStance stance, Reading reading) =>
        reading.Measure is { } key
            ? stance.Measures.Single(m => m.Measure == key).Value.U!.Value
            : stance.Stations.Single(s => s.Station == reading.Place.Name).Height.U!.Value;

    private static Reading Taken(int id, string measure, string place) =>
        Sample.Reading(id, 40, null, 0) with
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
