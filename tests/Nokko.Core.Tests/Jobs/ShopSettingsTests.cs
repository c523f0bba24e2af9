using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What a shop settles once: taken as typed, or refused at its field.</summary>
public class ShopSettingsTests
{
    private static readonly ShopSettingsInput Good = new(
        Unit.Mm,
        1,
        Datum.Floor,
        new QuantityInput("5", Unit.Mm, Known.Told),
        84.5,
        [" pit ", null, "", "two-post 1"],
        "de-DE"
    );

    [Fact]
    public void What_is_settled_is_taken_as_typed()
    {
        var settings = Good.Read();
        Assert.Equal(
            (Unit.Mm, 1, Datum.Floor, 84.5, "de-DE"),
            (
                settings.LengthUnit,
                settings.Denominator,
                settings.Datum,
                settings.HourRate,
                settings.Dates
            )
        );
        Assert.Equal(5, settings.Tolerance!.In(Unit.Mm));
        Assert.Equal(["pit", "two-post 1"], settings.Bays);
        // Left empty, the rules of thumb stand.
        var empty = (Good with { Tolerance = null, HourRate = null, Bays = null }).Read();
        Assert.Equal((null, null), (empty.Tolerance, empty.HourRate));
        Assert.Empty(empty.Bays);
    }

    [Fact]
    public void The_ends_of_what_can_be_are_taken_and_what_lies_beyond_is_refused_at_its_field()
    {
        foreach (var denominator in (int[])[1, 8, 16, 32])
        {
            Assert.Equal(denominator, (Good with { Denominator = denominator }).Read().Denominator);
        }
        foreach (var rate in (double[])[0, 100_000])
        {
            Assert.Equal(rate, (Good with { HourRate = rate }).Read().HourRate);
        }
        Assert.Equal(
            50,
            (Good with { Tolerance = new QuantityInput("50", Unit.Mm, Known.Told) })
                .Read()
                .Tolerance!.In(Unit.Mm)
        );
        var forty = Enumerable.Range(1, 40).Select(i => $"bay {i}").ToArray();
        Assert.Equal(40, (Good with { Bays = forty }).Read().Bays.Count);
        Assert.Single((Good with { Bays = [new string('b', 40)] }).Read().Bays);

        Refused("lengthUnit", Good with { LengthUnit = Unit.Kg });
        Refused("denominator", Good with { Denominator = 2 });
        Refused("denominator", Good with { Denominator = 64 });
        Refused("datum", Good with { Datum = Datum.Own });
        Refused("datum", Good with { Datum = (Datum)99 });
        Refused("hourRate", Good with { HourRate = -1 });
        Refused("hourRate", Good with { HourRate = 100_001 });
        Refused("hourRate", Good with { HourRate = double.NaN });
        Refused("dates", Good with { Dates = "xx" });
        Refused("bays", Good with { Bays = [.. forty, "one more"] });
        Refused("bays", Good with { Bays = [new string('b', 41)] });
        Refused("bays", Good with { Bays = ["Pit", "pit "] });
        Refused(
            "tolerance",
            Good with
            {
                Tolerance = new QuantityInput("50.5", Unit.Mm, Known.Told),
            }
        );
        Refused(
            "tolerance",
            Good with
            {
                Tolerance = new QuantityInput("wide", Unit.Mm, Known.Told),
            }
        );
        Refused("tolerance", Good with { Tolerance = new QuantityInput("5", Unit.Kg, Known.Told) });
    }

    [Fact]
    public void Every_language_of_dates_is_there_once_and_the_usual_one_is_among_them()
    {
        var tags = ShopSettings.DateLanguages.Select(l => l.Tag).ToArray();
        Assert.Equal(tags.Length, tags.Distinct().Count());
        Assert.Contains(ShopSettings.Usual.Dates, tags);
        Assert.All(tags, t => Assert.Equal(t, (Good with { Dates = t }).Read().Dates));
    }

    private static void Refused(string field, ShopSettingsInput input) =>
        Assert.Equal(field, Assert.Throws<RefusedException>(input.Read).Refusal.Field);
}
