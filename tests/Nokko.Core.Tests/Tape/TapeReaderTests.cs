using CsCheck;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Tape;

public class TapeReaderTests
{
    private static readonly TapeField Inches = new(Unit.Inch, 25.4 / 16, []);
    private static readonly TapeField Millimetres = new(Unit.Mm, 1, []);
    private static readonly TapeField HubInches = new(
        Unit.Inch,
        25.4 / 16,
        [new Band(16 * 25.4, 30 * 25.4)]
    );

    [Theory]
    [InlineData("35 1/2", 35.5)]
    [InlineData("35-1/2", 35.5)]
    [InlineData("35½", 35.5)]
    [InlineData("35 ½", 35.5)]
    [InlineData("35.5", 35.5)]
    [InlineData("35,5", 35.5)]
    [InlineData("35 1/2\"", 35.5)]
    [InlineData("35.5 in", 35.5)]
    [InlineData("2' 11 1/2\"", 35.5)]
    [InlineData("2'", 24)]
    [InlineData("2' 11 63/64", 35 + (63 / 64.0))]
    [InlineData("36.625", 36.625)]
    [InlineData("9/16", 0.5625)]
    [InlineData("  35  1/2 ", 35.5)]
    [InlineData("35 1⁄2″", 35.5)]
    public void Reads_inches_however_they_are_written(string text, double inches) =>
        Assert.Equal(inches * 25.4, Understood(text, Inches).Mm, 9);

    [Theory]
    [InlineData("902", 902)]
    [InlineData("902 mm", 902)]
    [InlineData("90.2 cm", 902)]
    [InlineData("902,5", 902.5)]
    public void Reads_millimetres(string text, double mm) =>
        Assert.Equal(mm, Understood(text, Millimetres).Mm, 9);

    [Theory]
    [InlineData("35 1/2")]
    [InlineData("35 1/2\"")]
    [InlineData("35.5\"")]
    public void A_fraction_or_an_inch_mark_means_inches_in_a_field_of_millimetres(string text) =>
        Assert.Equal(35.5 * 25.4, Understood(text, Millimetres).Mm, 9);

    [Theory]
    [InlineData("35 1/2+", 0.25)]
    [InlineData("35 1/2 strong", 0.25)]
    [InlineData("35 1/2-", -0.25)]
    [InlineData("35 1/2 shy", -0.25)]
    public void Strong_and_shy_move_by_a_quarter_of_the_division(string text, double quarter)
    {
        var read = Understood(text, Inches);
        Assert.Equal((35.5 * 25.4) + (quarter * 25.4 / 16), read.Mm, 9);
        Assert.True(read.Nudged);
    }

    [Theory]
    [InlineData("5.8", "slash", 0.625)]
    [InlineData("9.16", "slash", 0.5625)]
    [InlineData("7.8", "slash", 0.875)]
    [InlineData("36 5.8", "slash", 36.625)]
    [InlineData("36-5.8", "slash", 36.625)]
    [InlineData("5.8", "asTyped", 5.8)]
    public void A_decimal_that_looks_like_a_lost_slash_is_asked_about_and_can_be_answered(
        string text,
        string answer,
        double inches
    )
    {
        var asked = Assert.IsType<TapeReading.Asked>(TapeReader.Read(text, Inches));
        Assert.Contains(asked.Choices, c => c.Key == answer);
        var read = Assert.IsType<TapeReading.Understood>(TapeReader.Read(text, Inches, [answer]));
        Assert.Equal(inches * 25.4, read.Mm, 9);
    }

    [Theory]
    [InlineData("35.5")]
    [InlineData("36.625")]
    [InlineData("8.5")]
    [InlineData("4.8")]
    [InlineData("5.08")]
    public void Other_decimals_are_not_asked_about(string text) =>
        Assert.IsType<TapeReading.Understood>(TapeReader.Read(text, Inches));

    [Fact]
    public void A_comma_before_three_digits_is_asked_about()
    {
        // Each answer says what it comes to, in the field's own unit or in the one that was typed.
        foreach (var (text, mm, unit) in new[] { ("1,020", 1.0, "mm"), ("1,020 in", 25.4, "in") })
        {
            var asked = Assert.IsType<TapeReading.Asked>(TapeReader.Read(text, Millimetres));
            Assert.Equal(
                [
                    ($"1.020 {unit}", Math.Round(1.02 * mm, 9)),
                    ($"1020 {unit}", Math.Round(1020 * mm, 9)),
                ],
                asked.Choices.Select(c => (c.Label, Math.Round(c.Mm, 9)))
            );
        }
        var read = Assert.IsType<TapeReading.Understood>(
            TapeReader.Read("1,020", Millimetres, ["thousand"])
        );
        Assert.Equal(1020, read.Mm, 9);
    }

    [Theory]
    // The limit itself is usual, a hair beyond it is not.
    [InlineData("16", true)]
    [InlineData("30", true)]
    [InlineData("15.999", true)]
    [InlineData("406.4", false)]
    [InlineData("762", false)]
    public void A_band_holds_its_own_ends(string text, bool taken)
    {
        var read = TapeReader.Read(text, HubInches);
        Assert.Equal(taken, read is TapeReading.Understood);
    }

    [Fact]
    public void The_band_of_a_field_in_millimetres_asks_for_inches_and_one_without_bands_never_asks()
    {
        var hub = new TapeField(Unit.Mm, 1, [new Band(16 * 25.4, 30 * 25.4)]);
        var asked = Assert.IsType<TapeReading.Asked>(TapeReader.Read("20", hub));
        Assert.Equal(["in", "mm"], asked.Choices.Select(c => c.Key));
        var read = Assert.IsType<TapeReading.Understood>(TapeReader.Read("20", hub, ["in"]));
        Assert.Equal((Unit.Inch, 508), (read.Unit, Math.Round(read.Mm, 9)));
        // As typed, after all.
        Assert.Equal(20, Understood("20", Millimetres).Mm, 9);
        Assert.Equal(
            20,
            Assert.IsType<TapeReading.Understood>(TapeReader.Read("20", hub, ["mm"])).Mm,
            9
        );
        // A unit that is written is no question, and neither is one of another kind of field.
        Assert.Equal(508, Understood("20 in", hub).Mm, 9);
        var cm = new TapeField(Unit.Cm, 1, [new Band(16 * 25.4, 30 * 25.4)]);
        Assert.Equal(200, Understood("20", cm).Mm, 9);
    }

    [Theory]
    [InlineData("1,020", "decimal", 1.02)]
    [InlineData("1,020", "thousand", 1020)]
    [InlineData("2' 1,020", "decimal", 609.6 + (1.02 * 25.4))]
    public void A_comma_before_three_digits_keeps_what_stands_before_it(
        string text,
        string answer,
        double mm
    )
    {
        var field = text.Contains('\'', StringComparison.Ordinal) ? Inches : Millimetres;
        var read = Assert.IsType<TapeReading.Understood>(TapeReader.Read(text, field, [answer]));
        Assert.Equal(mm, read.Mm, 9);
        Assert.Equal(field.Unit, read.Unit);
    }

    [Theory]
    [InlineData("10000 1/2", true)]
    [InlineData("10001 1/2", false)]
    public void Ten_thousand_inches_are_the_most_that_a_tape_has(string text, bool taken)
    {
        var read = TapeReader.Read(text, Inches);
        Assert.Equal(taken, read is TapeReading.Understood);
        if (read is TapeReading.Refused refused)
        {
            Assert.Equal(0, refused.Position);
        }
    }

    [Fact]
    public void Nothing_of_feet_is_a_reading_of_its_own()
    {
        Assert.IsType<TapeReading.Refused>(TapeReader.Read("0'", Inches));
        Assert.Equal(6 * 25.4, Understood("0' 6", Inches).Mm, 9);
    }

    [Fact]
    public void A_bare_number_far_outside_the_band_is_asked_about_when_the_other_unit_fits()
    {
        var asked = Assert.IsType<TapeReading.Asked>(TapeReader.Read("520", HubInches));
        Assert.Equal(["mm", "in"], asked.Choices.Select(c => c.Key));
        var read = Assert.IsType<TapeReading.Understood>(TapeReader.Read("520", HubInches, ["mm"]));
        Assert.Equal((Unit.Mm, 520), (read.Unit, Math.Round(read.Mm, 9)));
        Assert.IsType<TapeReading.Understood>(TapeReader.Read("20 1/2", HubInches));
    }

    [Theory]
    [InlineData("")]
    [InlineData("abc")]
    [InlineData("35 1/3")]
    [InlineData("35 9/8")]
    [InlineData("35 8/8")]
    [InlineData("35 1/0")]
    [InlineData("-35")]
    [InlineData("35 1/2 mm")]
    [InlineData("35 36")]
    [InlineData("35/")]
    [InlineData("35.")]
    [InlineData("1/2/4")]
    [InlineData("35 kg")]
    [InlineData("٣٥")]
    [InlineData("99999999999999999999999")]
    public void Everything_else_is_refused_with_a_reason_and_a_place(string text)
    {
        var refused = Assert.IsType<TapeReading.Refused>(TapeReader.Read(text, Inches));
        Assert.EndsWith(".", refused.Reason, StringComparison.Ordinal);
        Assert.InRange(refused.Position, 0, Math.Max(0, text.Length));
    }

    [Theory]
    [InlineData("  35½ 🙂", 6, "🙂")]
    [InlineData("½⅜🙂", 2, "🙂")]
    [InlineData("2' 11 1/3", 8, "3ths")]
    [InlineData("3' kg", 3, "kg")]
    [InlineData("5' 30", 3, "less than 12 inches")]
    [InlineData("2' 902", 3, "less than 12 inches")]
    [InlineData("2' 12", 3, "less than 12 inches")]
    public void A_refusal_points_into_the_text_as_it_was_typed(string text, int at, string names)
    {
        var refused = Assert.IsType<TapeReading.Refused>(TapeReader.Read(text, Inches));
        Assert.Equal(at, refused.Position);
        Assert.Contains(names, refused.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void No_string_makes_the_reader_throw() =>
        Gen.OneOf(Gen.String, Gen.String[Gen.Char["0123456789 ./,-+'\"½⅜⁄inmshy"], 0, 14])
            .Sample(text => TapeReader.Read(text, HubInches) is not null);

    [Fact]
    public void Every_display_text_reads_back_to_the_value_shown() =>
        Gen.Select(Gen.Int[0, 64 * 60], Gen.Int[3, 6])
            .Sample(
                (n, power) =>
                {
                    var style = new LengthStyle(Unit.Inch, 1 << power);
                    var mm = n * style.DivisionMm;
                    var read = TapeReader.Read(LengthText.Show(mm, style), Millimetres);
                    return read is TapeReading.Understood u && Math.Abs(u.Mm - mm) < 1e-9;
                }
            );

    private static TapeReading.Understood Understood(string text, TapeField field) =>
        Assert.IsType<TapeReading.Understood>(TapeReader.Read(text, field));

    [Fact]
    public void What_has_a_direction_is_asked_about_and_refused_at_its_place_with_its_sign()
    {
        var field = new TapeField(Unit.Inch, 25.4 / 16, [], MayBeBelowZero: true);
        Assert.Equal(
            -22.875 * 25.4,
            Assert.IsType<TapeReading.Understood>(TapeReader.Read("– 22 7/8", field)).Mm,
            9
        );
        // A slash that got lost is asked about below zero too.
        var asked = Assert.IsType<TapeReading.Asked>(TapeReader.Read("-22 7.8", field));
        var slash = asked.Choices.Single(c => c.Key == "slash");
        Assert.Equal(-22.875 * 25.4, slash.Mm, 9);
        Assert.StartsWith("−", slash.Label, StringComparison.Ordinal);
        Assert.Equal(
            slash.Mm,
            Assert.IsType<TapeReading.Understood>(TapeReader.Read("-22 7.8", field, ["slash"])).Mm,
            9
        );
        Assert.Equal(
            4,
            Assert.IsType<TapeReading.Refused>(TapeReader.Read("- 22€", field)).Position
        );
        // Strong is further from zero.
        Assert.Equal(
            -(22 * 25.4) - (25.4 / 64),
            Assert.IsType<TapeReading.Understood>(TapeReader.Read("-22+", field)).Mm,
            9
        );
        Assert.IsType<TapeReading.Refused>(
            TapeReader.Read("-22", field with { MayBeBelowZero = false })
        );
    }
}
