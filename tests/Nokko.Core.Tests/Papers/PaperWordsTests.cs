using Nokko.Core.Papers;
using Nokko.Core.Proof;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Papers;

/// <summary>Words and quantities as they stand on every paper.</summary>
public class PaperWordsTests
{
    [Fact]
    public void Only_what_nobody_can_say_has_no_word()
    {
        foreach (var verdict in Enum.GetValues<Verdict>())
        {
            Assert.Equal(
                3,
                new[] { verdict.AsWanted(), verdict.AsForetold(), verdict.OfWish() }
                    .Distinct()
                    .Count()
            );
        }
        Assert.Throws<ArgumentOutOfRangeException>(() => ((Verdict)99).AsWanted());
        Assert.Throws<ArgumentOutOfRangeException>(() => ((Verdict)99).AsForetold());
        Assert.Throws<ArgumentOutOfRangeException>(() => ((Verdict)99).OfWish());
        Assert.Throws<ArgumentOutOfRangeException>(() => ((Core.Fitting.Fate)99).Said());
        Assert.Throws<ArgumentOutOfRangeException>(() => ((Core.Fitting.CutKind)99).Said());
        Assert.Throws<ArgumentOutOfRangeException>(() => ((Core.Fitting.WheelPosition)99).Said());
        Assert.Throws<ArgumentOutOfRangeException>(() => ((Known)99).Said());
    }

    [Fact]
    public void A_quantity_stands_in_the_reader_s_lengths_and_all_else_as_it_was_typed()
    {
        Assert.Equal("1 in", PaperReader.In(LengthStyle.Inches, null).Says(Sample.Mm(25.4)));
        Assert.Equal(
            "1 in",
            PaperReader.In(LengthStyle.Inches, null).Says(Sample.Of(2.54, Unit.Cm))
        );
        Assert.Equal(
            "1/2 in",
            PaperReader.In(LengthStyle.Inches, null).Says(Sample.Of(0.5, Unit.Inch))
        );
        Assert.Equal(
            "12,345 mi",
            PaperReader.In(LengthStyle.Inches, null).Says(Sample.Of(12_345, Unit.Mile))
        );
        Assert.Equal(
            "500 km",
            PaperReader.In(LengthStyle.Inches, null).Says(Sample.Of(500, Unit.Km))
        );
        Assert.Equal(
            "35 psi",
            PaperReader.In(LengthStyle.Inches, null).Says(Sample.Of(35, Unit.Psi))
        );
    }
}
