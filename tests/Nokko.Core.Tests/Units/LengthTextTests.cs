using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Units;

public class LengthTextTests
{
    [Theory]
    [InlineData(901.7, "35 1/2 in")]
    [InlineData(902, "35 1/2 in")]
    [InlineData(9.525, "3/8 in")]
    [InlineData(25.4, "1 in")]
    [InlineData(-28.575, "-1 1/8 in")]
    [InlineData(-0.2, "0 in")]
    public void Inches_are_reduced_tape_fractions(double mm, string text) =>
        Assert.Equal(text, LengthText.Show(mm, LengthStyle.Inches));

    [Fact]
    public void Millimetres_are_whole() =>
        Assert.Equal(
            ("902 mm", "0 mm"),
            (
                LengthText.Show(901.7, LengthStyle.Millimetres),
                LengthText.Show(-0.2, LengthStyle.Millimetres)
            )
        );

    [Fact]
    public void An_uncertainty_is_rounded_up_to_the_division()
    {
        Assert.Equal("1/4 in", LengthText.ShowUp(5.18, LengthStyle.Inches));
        Assert.Equal("1/16 in", LengthText.ShowUp(25.4 / 16, LengthStyle.Inches));
    }

    [Fact]
    public void Units_of_different_kinds_do_not_mix()
    {
        Assert.Equal(25.4, Unit.Inch.To(Unit.Mm, 1), 12);
        Assert.Equal(1.3558179483, Unit.PoundFoot.To(Unit.NewtonMetre, 1), 9);
        Assert.Throws<ArgumentException>(() => Unit.Inch.To(Unit.Kg, 1));
        Assert.Null(Unit.Of("furlong"));
    }
}
