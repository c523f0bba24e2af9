using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Finding.EdgesOfASearchTests;

namespace Nokko.Core.Tests.Finding;

/// <summary>What of the shelf fits this vehicle, by itself and beside what stands there.</summary>
public class FitsInASearchTests
{
    [Fact]
    public void What_does_not_fit_is_left_out_with_its_reason_and_what_nobody_knows_stands_behind()
    {
        var situation = Here(
            Sample.Pickup,
            target: Sample.Level with
            {
                Tolerance = Sample.Mm(25),
            }
        ) with
        {
            Platform = "Drover",
        };
        PartFit For(string platform) => new() { Platforms = [new(platform)] };
        Part[] shelf =
        [
            // As good as its sister and cheaper, but of unknown fit.
            Piece(1, 30, 2) with
            {
                Price = 10,
            },
            Piece(2, 30, 2) with
            {
                Price = 60,
                Fit = For("Drover"),
            },
            Piece(3, 30, 2) with
            {
                Price = 1,
                Fit = For("Marsh"),
            },
        ];
        var search = new StackSearch(situation, shelf, new());
        Assert.Equal([("part 3", "made for Marsh, not for Drover")], search.LeftOut);
        var found = All(situation, shelf, new()).Where(s => s.Rank.Touched == 2).ToArray();
        Assert.Equal(
            [("part 2", 0), ("part 1", 1)],
            found
                .Where(s => s.Rank.Missing <= Rank.EnoughMissing)
                .Select(s => (s.Plan.Stacks[0].Parts[0].Name, s.Rank.Unsure))
        );
        Assert.Equal(
            "nobody noted whether each of its parts fits this vehicle",
            FoundWords.Behind(found[0], found[1], new(), null)
        );
        // What is known to fit and hardly lands stands before nothing.
        shelf[1] = shelf[1] with
        {
            Thickness = Sample.Mm(3),
        };
        Assert.Equal(
            "part 1",
            All(situation, shelf, new())
                .First(s => s.Rank.Touched == 2)
                .Plan.Stacks[0]
                .Parts[0]
                .Name
        );
    }

    [Theory]
    [InlineData(SearchOrder.LeastCost)]
    [InlineData(SearchOrder.Surest)]
    [InlineData(SearchOrder.LeastMoney)]
    public void That_all_are_known_to_fit_changes_no_order_among_them(SearchOrder order)
    {
        var situation = Here(
            Sample.Pickup,
            target: Sample.Level with
            {
                Tolerance = Sample.Mm(15),
            }
        ) with
        {
            Platform = "Drover",
        };
        string[] Order(PartFit? fit) =>
            [
                .. All(
                        situation,
                        [
                            // Dear and sure, cheap and less sure, and some between.
                            Piece(1, 30, 2) with
                            {
                                Price = 900,
                                Fit = fit,
                            },
                            Piece(2, 24, 2) with
                            {
                                Price = 5,
                                Fit = fit,
                            },
                            Piece(3, 36, 2) with
                            {
                                Price = 40,
                                Fit = fit,
                            },
                            Piece(4, 15, 2) with
                            {
                                Price = 1,
                                Fit = fit,
                            },
                        ],
                        new() { Order = order }
                    )
                    .Where(s => s.Rank.Touched == 2)
                    .Select(s => s.Rank.Parts),
            ];
        var known = Order(new PartFit { Platforms = [new("Drover")] });
        Assert.Equal(4, known.Length);
        Assert.Equal(Order(null), known);
        // The dear one is sure enough, and the cheap one is not: by cost it stands first all the same.
        if (order == SearchOrder.LeastCost)
        {
            Assert.Contains(
                All(situation, [Piece(1, 30, 2)], new()),
                s => s.Rank is { Touched: 2, Missing: <= Rank.EnoughMissing }
            );
            Assert.DoesNotContain(Sample.Id(901).ToString("N"), known[0], StringComparison.Ordinal);
        }
    }

    private static readonly Target Wide = Sample.Level with { Tolerance = Sample.Mm(15) };

    /// <summary>Kinds at the left front in each stack that was found.</summary>
    private static PartKind[][] AtLeftFront(Situation situation, params Part[] shelf) =>
        [
            .. All(situation, shelf, new())
                .Select(s =>
                    CornerStack.At(s.Plan.Stacks, Corner.LF).Select(p => p.Kind).Order().ToArray()
                ),
        ];

    [Fact]
    public void What_stands_there_although_it_does_not_fit_keeps_nothing_else_away()
    {
        var stranger = Sample.Plate(950, 12) with { Fit = new() { Platforms = [new("Marsh")] } };
        var situation = Here(
            Sample.Pickup,
            Sample.AsFound with
            {
                Stacks =
                [
                    new() { Corner = Corner.LF, Parts = [stranger] },
                    new() { Corner = Corner.RF, Parts = [stranger with { Id = Sample.Id(951) }] },
                ],
            },
            Wide
        ) with
        {
            Platform = "Drover",
        };
        // On top of what stands there it lands.
        var ring = Piece(1, 30, 2, PartKind.PreloadSpacer) with
        {
            Fit = new() { Platforms = [new("Drover")] },
        };
        Assert.Contains(
            AtLeftFront(situation, ring),
            k => k.SequenceEqual([PartKind.StrutTopSpacer, PartKind.PreloadSpacer])
        );
    }

    [Fact]
    public void A_part_stands_by_itself_but_not_beside_what_its_maker_forbids()
    {
        var situation = Here(Sample.Pickup, target: Wide) with { Platform = "Drover" };
        var ring = Piece(2, 10, 2, PartKind.PreloadSpacer) with
        {
            Fit = new() { AnyPlatform = true },
        };
        PartKind[] both = [PartKind.StrutTopSpacer, PartKind.PreloadSpacer];
        var free = Piece(1, 20, 2) with { Fit = new() { AnyPlatform = true } };
        Assert.Contains(AtLeftFront(situation, free, ring), k => k.SequenceEqual(both));
        var alone = free with
        {
            Fit = new()
            {
                AnyPlatform = true,
                Rules = [new FitRule.NotBeside(PartKind.PreloadSpacer)],
            },
        };
        var found = AtLeftFront(situation, alone, ring);
        Assert.DoesNotContain(found, k => k.SequenceEqual(both));
        Assert.Contains(found, k => k.SequenceEqual([PartKind.StrutTopSpacer]));
        Assert.Contains(found, k => k.SequenceEqual([PartKind.PreloadSpacer]));
    }
}
