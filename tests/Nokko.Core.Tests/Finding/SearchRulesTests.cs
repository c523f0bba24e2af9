using Nokko.Core.Finding;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Finding;

/// <summary>What a school or an owner rules out of a search.</summary>
public class SearchRulesTests
{
    [Theory]
    [InlineData(PartKind.StrutTopSpacer, true, true)]
    [InlineData(PartKind.StrutLowerSpacer, true, true)]
    [InlineData(PartKind.PreloadSpacer, true, false)]
    [InlineData(PartKind.CoilSpacer, true, true)]
    [InlineData(PartKind.RaisedCollar, false, false)]
    [InlineData(PartKind.Coil, false, true)]
    [InlineData(PartKind.Block, false, false)]
    [InlineData(PartKind.Shackle, false, false)]
    public void A_school_rules_out_its_own_kinds_and_no_others(
        PartKind kind,
        bool asSpacer,
        bool asNoPreload
    )
    {
        Assert.Equal(
            asSpacer ? "no spacers, by choice" : null,
            new SearchRules { NoSpacers = true }.WhyNot(kind)
        );
        Assert.Equal(
            asNoPreload ? "preload only, by choice" : null,
            new SearchRules { PreloadOnly = true }.WhyNot(kind)
        );
        Assert.Null(new SearchRules().WhyNot(kind));
    }

    [Fact]
    public void How_far_aside_an_axle_may_sit_is_no_less_than_it_can_be_set()
    {
        double? Read(string text) =>
            SearchRules.ReadMostAside(new(text, Unit.Mm, Known.Told), "aside");
        Assert.Null(SearchRules.ReadMostAside(null, "aside"));
        Assert.Equal(6, Read("6"));
        // 1.96 · 0.7 mm: what the gaps beside the tyres tell, in 95 of 100.
        const double finest = 1.96 * 0.7;
        Assert.Equal(
            finest + 0.01,
            Read(FormattableString.Invariant($"{finest + 0.01}"))!.Value,
            9
        );
        var refused = Assert.Throws<RefusedException>(() =>
            Read(FormattableString.Invariant($"{finest - 0.01}"))
        );
        Assert.Equal("aside", refused.Refusal.Field);
    }
}
