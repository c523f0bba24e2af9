using CsCheck;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.WalkRounds;

public class MeasuresTests
{
    private static readonly Measure Camber = Measures.Find(Measures.CamberSquare)!;
    private static readonly Measure Gap = Measures.Find(Measures.BumpStopGap)!;
    private static readonly Measure Caster = Measures.Find(Measures.Caster)!;

    [Fact]
    public void A_sign_is_read_where_a_measure_has_two_sides()
    {
        Assert.Equal(-3.175, Read("-1/8", Camber).Value!.In(Unit.Mm), 9);
        Assert.Equal(3.175, Read("1/8", Camber).Value!.In(Unit.Mm), 9);
        Assert.IsType<TapeReading.Refused>(Read("-1/8", Gap).Trouble);
    }

    [Theory]
    [InlineData("3.5", 3.5)]
    [InlineData("-0,5°", -0.5)]
    [InlineData("−1.2 °", -1.2)]
    public void Angles_are_read_in_degrees(string text, double degrees) =>
        Assert.Equal(degrees, Read(text, Caster).Value!.Value, 9);

    [Fact]
    public void A_shaft_and_a_pinion_may_point_either_way()
    {
        foreach (var key in new[] { Measures.ShaftAngle, Measures.PinionAngle })
        {
            var read = Read("-9.5", Measures.Find(key)!);
            Assert.Equal((-9.5, null, false), (read.Value!.Value, read.Trouble, read.Nudged));
        }
    }

    [Theory]
    [InlineData("")]
    [InlineData("steep")]
    [InlineData("91")]
    [InlineData("1e2")]
    public void What_is_no_angle_is_refused(string text) =>
        Assert.IsType<TapeReading.Refused>(Read(text, Caster).Trouble);

    [Theory]
    [InlineData("90")]
    [InlineData("-90")]
    public void A_right_angle_is_the_last_that_can_be(string text) =>
        Assert.IsType<TapeReading.Asked>(Read(text, Caster).Trouble);

    [Fact]
    public void An_unusual_value_is_asked_about_and_can_be_right()
    {
        var asked = Assert.IsType<TapeReading.Asked>(Read("22", Caster).Trouble);
        Assert.Equal(22, Read("22", Caster, asked.Choices[0].Key).Value!.Value);
        Assert.IsType<TapeReading.Asked>(Read("5.8", Gap).Trouble);
    }

    [Fact]
    public void No_text_makes_the_reader_throw() =>
        Gen.Select(
                Gen.OneOf(Gen.String, Gen.String[Gen.Char["0123456789 ./,-−+'\"°½inm"], 0, 12]),
                Gen.OneOf(Camber, Gap, Caster)
            )
            .Sample((text, measure) => Read(text, measure) is not null);

    [Fact]
    public void Every_measure_has_places_and_words_and_a_key_of_its_own()
    {
        Assert.Equal(Measures.All.Count, Measures.All.DistinctBy(m => m.Key).Count());
        Assert.All(
            Measures.All,
            m =>
            {
                Assert.NotEmpty(Measures.PlacesOf(m));
                Assert.EndsWith(".", m.How, StringComparison.Ordinal);
                Assert.True(m.High >= m.Low);
            }
        );
    }

    [Fact]
    public void A_plan_in_front_asks_for_its_hoses_and_what_cannot_be_had_later_comes_first()
    {
        var asked = AskedMeasures.Of(Sample.Job([520, 1040, 580, 580, 1040, 520]));
        Assert.Contains(asked, a => a is { Measure: Measures.HoseSlack, Place: "LF" });
        Assert.DoesNotContain(asked, a => a is { Measure: Measures.HoseSlack, Place: "LR" });
        Assert.Contains(asked, a => a is { Measure: Measures.LampCutOff, NowOrNever: true });
        var later = asked.TakeWhile(a => a.NowOrNever).Count();
        Assert.All(asked.Skip(later), a => Assert.False(a.NowOrNever));
    }

    [Fact]
    public void What_was_read_before_is_asked_for_after()
    {
        var job = Sample.Job([520, 1040, 580, 580, 1040, 520], [570, 1069, 580, 580, 1069, 570]);
        var caster = Sample.Reading(300, 40, null, 3) with
        {
            Kind = ReadingKind.Angle,
            Measure = Measures.Caster,
            Place = new Place { Kind = PlaceKind.Wheel, Name = "LF" },
            Value = new Quantity
            {
                Value = 3,
                Unit = Unit.Degree,
                Known = Known.Measured,
            },
        };
        var open = AskedMeasures.Of(job with { Readings = [.. job.Readings, caster] });
        Assert.Equal((Measures.Caster, "LF", false), Of(Assert.Single(open)));
        var again = caster with { Id = Sample.Id(301), WalkRoundId = Sample.Id(41) };
        var done = AskedMeasures.Of(job with { Readings = [.. job.Readings, caster, again] });
        Assert.Equal((Measures.Caster, "LF", true), Of(Assert.Single(done)));
    }

    [Theory]
    [InlineData(WalkingOrder.LeftSideBack, "LF LM LR RR RM RF")]
    [InlineData(WalkingOrder.LeftSideForward, "LR LM LF RF RM RR")]
    [InlineData(WalkingOrder.RightSideBack, "RF RM RR LR LM LF")]
    [InlineData(WalkingOrder.AxleByAxle, "LF RF LM RM LR RR")]
    public void Stations_are_walked_in_the_order_of_the_school(
        WalkingOrder order,
        string expected
    ) =>
        Assert.Equal(
            expected.Split(' '),
            WalkingOrders.Sort(Sample.Pickup.Stations, order).Select(s => s.Name)
        );

    [Fact]
    public void Sills_and_bumper_corners_lie_where_the_sizes_put_them()
    {
        var more = VehicleDefaults.MoreStations(Sample.Sizes, VehicleKind.Pickup);
        Assert.Equal(8, more.Count);
        // Left and right mirror each other, and the rear bumper hangs behind the rear axle.
        Assert.All(
            more.Chunk(2),
            pair =>
            {
                Assert.Equal(pair[0].X, pair[1].X);
                Assert.Equal(pair[0].Y.Value, -pair[1].Y.Value);
            }
        );
        Assert.True(more.First(s => s.Name == "bumper LR").X.In(Unit.Mm) < -3600);
        Assert.Equal(Carrier.Bed, more.First(s => s.Name == "bumper LR").Carrier);
    }

    private static (string, string, bool) Of(AskedMeasure a) => (a.Measure, a.Place, a.Done);

    private static MeasuredText Read(string text, Measure measure, params string[] answers) =>
        MeasureReader.Read(text, measure, LengthStyle.Inches, 25.4 / 16, answers);
}
