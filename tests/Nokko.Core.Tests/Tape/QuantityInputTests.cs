using Nokko.Core.Tape;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Tape;

/// <summary>Numbers as they are typed: with a unit or without, with a comma where one is clear.</summary>
public class QuantityInputTests
{
    private static Quantity Read(string typed, Unit unit, bool positive = true) =>
        QuantityInput.Read(new(typed, unit, Known.Measured), "field", unit, positive)!;

    private static string Refused(string typed, Unit unit)
    {
        var refused = Assert.Throws<RefusedException>(() => Read(typed, unit));
        Assert.Equal("field", refused.Refusal.Field);
        return refused.Refusal.Message;
    }

    [Fact]
    public void Below_ten_million_it_is_a_number_and_from_there_on_a_slip()
    {
        Assert.Equal(9_999_999, Read("9999999", Unit.Km).Value);
        Assert.Contains("is no number", Refused("10000000", Unit.Km), StringComparison.Ordinal);
        Assert.Contains("is no number", Refused("10000001", Unit.Km), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("1150", "lb", 1150, "lb")]
    [InlineData("1150 kg", "lb", 1150, "kg")]
    [InlineData("1150KGS", "lb", 1150, "kg")]
    [InlineData("2500 lbs", "kg", 2500, "lb")]
    [InlineData("101 ft-lb", "N·m", 101, "lb·ft")]
    [InlineData("137 Nm", "lb·ft", 137, "N·m")]
    [InlineData("550 lbs/in", "N/mm", 550, "lb/in")]
    [InlineData("61204 miles", "km", 61_204, "mi")]
    [InlineData("1,048,200 km", "mi", 1_048_200, "km")]
    [InlineData("48,200.5", "mi", 48_200.5, "mi")]
    [InlineData("2,5", "h", 2.5, "h")]
    [InlineData("0,125", "h", 0.125, "h")]
    [InlineData("90 min", "h", 90, "min")]
    public void A_unit_that_is_typed_goes_before_the_field_s(
        string typed,
        string field,
        double value,
        string unit
    )
    {
        var read = Read(typed, Unit.Of(field)!);
        Assert.Equal((value, Unit.Of(unit)), (read.Value, read.Unit));
        // As it was typed it is read again, whatever the field shows by then.
        Assert.Equal(read, Read(read.Typed!, Unit.Of(field)!));
    }

    [Theory]
    [InlineData("−2,5", -2.5)]
    [InlineData("-2.5 deg", -2.5)]
    public void A_value_below_zero_is_one_where_the_field_has_such(string typed, double value) =>
        Assert.Equal(value, Read(typed, Unit.Degree, positive: false).Value);

    [Theory]
    [InlineData("48,200", "mi", "may be 48200 or 48.200")]
    [InlineData("1,150 kg", "lb", "may be 1150 or 1.150")]
    [InlineData("1150 stone", "kg", "with its unit: 118 kg")]
    [InlineData("1150 mm", "kg", "with its unit: 118 kg")]
    [InlineData("many", "kg", "Write it like 118 or 118.5")]
    [InlineData("1.2.3", "kg", "is no number")]
    [InlineData("12345678901", "kg", "is no number")]
    [InlineData("0 kg", "lb", "above zero")]
    public void What_may_be_two_things_or_none_is_asked_for_anew(
        string typed,
        string unit,
        string says
    ) => Assert.Contains(says, Refused(typed, Unit.Of(unit)!), StringComparison.Ordinal);
}
