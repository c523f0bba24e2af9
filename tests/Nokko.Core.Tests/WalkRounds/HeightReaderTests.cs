using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.WalkRounds;

public class HeightReaderTests
{
    private static HeightReading Read(
        string text,
        string station = "LF",
        Datum from = Datum.Hub,
        double[]? neighbours = null,
        string[]? answers = null,
        Vehicle? vehicle = null
    ) =>
        HeightReader.Read(
            text,
            station,
            from,
            LengthStyle.Inches,
            25.4 / 16,
            vehicle ?? Sample.Pickup,
            neighbours ?? [],
            answers ?? []
        );

    [Fact]
    public void A_usual_height_is_taken_without_a_word() =>
        Assert.Equal(
            20.5 * 25.4,
            Assert.IsType<TapeReading.Understood>(Read("20 1/2").Reading).Mm,
            9
        );

    [Theory]
    [InlineData("0")]
    [InlineData("200")]
    public void What_cannot_be_a_height_is_refused(string text) =>
        Assert.IsType<TapeReading.Refused>(Read(text, from: Datum.Own).Reading);

    [Fact]
    public void Outside_the_band_is_asked_and_never_blocked()
    {
        var asked = Assert.IsType<TapeReading.Asked>(Read("32 1/2").Reading);
        Assert.Contains("16 in to 30 in", asked.Question, StringComparison.Ordinal);
        Assert.IsType<TapeReading.Understood>(
            Read("32 1/2", answers: [HeightReader.AsRead]).Reading
        );
    }

    [Fact]
    public void A_cart_has_lower_bands()
    {
        var cart = Sample.Pickup with { Kind = VehicleKind.Utv };
        Assert.IsType<TapeReading.Understood>(Read("12 1/2", vehicle: cart).Reading);
        Assert.IsType<TapeReading.Asked>(Read("12 1/2").Reading);
    }

    [Fact]
    public void Another_datum_is_named_and_taken_when_the_person_says_so()
    {
        double[] hubs = [520, 521];
        Assert.Contains(
            "floor to lip",
            Assert.IsType<TapeReading.Asked>(Read("35 1/2", neighbours: hubs).Reading).Question,
            StringComparison.Ordinal
        );
        var told = Read("35 1/2", neighbours: hubs, answers: ["floor"]);
        Assert.Equal(Datum.Floor, told.From);
        Assert.IsType<TapeReading.Understood>(told.Reading);
    }

    [Fact]
    public void A_mid_station_has_no_band() =>
        Assert.IsType<TapeReading.Understood>(Read("61", "LM", Datum.Floor).Reading);
}
