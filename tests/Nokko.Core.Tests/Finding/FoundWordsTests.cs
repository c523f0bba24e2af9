using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Finding;

/// <summary>Why a found stack stands behind the one above it, in words.</summary>
public class FoundWordsTests
{
    private static readonly Rank First = new(8, 300, 2, 4, 0, 1, 3, 20, "a");

    private static FoundStack Stack(double chance, Rank rank, (Corner, LimitUse)? most = null) =>
        new(
            Sample.Plan(),
            chance,
            rank,
            most,
            [],
            rank.Hours,
            false,
            false,
            default,
            default,
            [],
            null
        );

    [Fact]
    public void Each_says_in_one_sentence_why_it_stands_behind_the_one_above()
    {
        var first = Stack(0.62, First);
        string Says(FoundStack below, SearchOrder order) =>
            FoundWords.Behind(
                first,
                below,
                new SearchRules { Order = order, HourRate = 50 },
                "GBP"
            );
        Assert.Equal(
            "355 GBP on the whole against 300 GBP: it takes 50 GBP less and is less sure, 41 in 100 against 62 in 100",
            Says(Stack(0.41, First with { Expected = 355, Hours = 2 }), SearchOrder.LeastCost)
        );
        Assert.Equal(
            "310 GBP on the whole against 300 GBP: it takes 70 GBP more and is surer, 70 in 100 against 62 in 100",
            Says(
                Stack(0.7, First with { Expected = 310, Hours = 4, Cost = 40 }),
                SearchOrder.LeastCost
            )
        );
        Assert.Equal(
            "opens another axle",
            Says(Stack(0.62, First with { Opened = 2 }), SearchOrder.LeastCost)
        );
        Assert.Equal(
            "less likely to land, 58 in 100 against 62 in 100",
            Says(Stack(0.58, First with { Missing = 9 }), SearchOrder.Surest)
        );
        Assert.Equal(
            "takes 4 h against 3 h",
            Says(Stack(0.62, First with { Hours = 4 }), SearchOrder.Surest)
        );
        Assert.Equal(
            "costs 15 GBP more",
            Says(Stack(0.62, First with { Cost = 35 }), SearchOrder.LeastMoney)
        );
        // Among the sure enough a surer one does not count.
        Assert.Equal(
            "takes 3.5 h against 3 h",
            FoundWords.Behind(
                Stack(0.8, First with { Missing = 4 }),
                Stack(0.9, First with { Missing = 2, Hours = 3.5 }),
                new SearchRules { Order = SearchOrder.LeastWork },
                null
            )
        );
        Assert.Equal(
            "as good; ordered by part",
            Says(Stack(0.62, First with { Parts = "b" }), SearchOrder.Surest)
        );
    }

    [Fact]
    public void A_stack_says_in_what_it_falls_behind_whatever_the_order()
    {
        string Says(FoundStack below, SearchOrder order, string? currency = "GBP") =>
            FoundWords.Behind(
                Stack(0.62, First),
                below,
                new SearchRules { Order = order, HourRate = 50 },
                currency
            );
        Assert.Equal(
            "301 on the whole against 300: it takes as much and is as sure",
            Says(Stack(0.6201, First with { Expected = 301 }), SearchOrder.LeastCost, null)
        );
        Assert.Equal(
            "more work that cannot be undone",
            Says(Stack(0.62, First with { Irreversible = 1 }), SearchOrder.LeastCost)
        );
        Assert.Equal(
            "touches 4 pieces against 2",
            Says(Stack(0.62, First with { Touched = 4 }), SearchOrder.FewestTouched)
        );
        Assert.Equal(
            "uses more of a limit: CV joint at ride height, right front",
            Says(
                Stack(
                    0.62,
                    First with
                    {
                        Share = 5,
                    },
                    (Corner.RF, new LimitUse("CV joint at ride height", 0.25, true))
                ),
                SearchOrder.Surest
            )
        );
        Assert.Equal(
            "nobody noted whether each of its parts fits this vehicle",
            Says(Stack(0.7, First with { Unsure = 1, Expected = 250 }), SearchOrder.LeastCost)
        );
        // One that is worse by all else says that instead.
        Assert.StartsWith(
            "355 GBP on the whole",
            Says(Stack(0.41, First with { Unsure = 1, Expected = 355 }), SearchOrder.LeastCost),
            StringComparison.Ordinal
        );
    }
}
