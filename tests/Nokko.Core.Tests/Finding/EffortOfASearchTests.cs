using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Finding;

/// <summary>How little a search works out: no more than what could come before what it answers.</summary>
public class EffortOfASearchTests
{
    /// <summary>Two live axles on coils, on which a ring lifts by its thickness, on any of them.</summary>
    private static Situation Here(Target target, Stage? from = null)
    {
        var vehicle = Plans.StacksTests.On(
            Plans.StacksTests.Of(SuspensionKind.CoilFourLink),
            Plans.StacksTests.Of(SuspensionKind.CoilFourLink)
        );
        return new(
            (from ?? Sample.AsFound) with
            {
                Front = vehicle.Front,
                Rear = vehicle.Rear,
            },
            vehicle,
            Sample.Stance(vehicle)
        )
        {
            Target = target,
        };
    }

    /// <summary>Both ends up by 50 at least: one-sided, whatever the rake.</summary>
    private static readonly Target Up = new()
    {
        Datum = Sample.Level.Datum,
        Tolerance = Sample.Level.Tolerance,
        LeastFrontLift = Sample.Mm(50),
        LeastRearLift = Sample.Mm(50),
    };

    /// <summary>Rings of one thickness: hours up and price down from one to the next, or both up.</summary>
    private static Part[] Rings(double thickness, bool priceFalls, int count = 4) =>
        [
            .. Enumerable
                .Range(1, 8)
                .Select(i => new Part
                {
                    Id = Sample.Id(900 + i + (int)(100 * thickness)),
                    Number = $"R-{i}",
                    Name = $"ring {i}",
                    Kind = PartKind.CoilSpacer,
                    Thickness = Sample.Mm(thickness),
                    Count = count,
                    Hours = Sample.Of(i, Unit.Hour),
                    Price = 10 * (priceFalls ? 9 - i : i),
                }),
        ];

    private static (FoundStack First, long Looked) First(
        Situation situation,
        Part[] shelf,
        SearchOrder order
    )
    {
        var search = new StackSearch(
            situation,
            shelf,
            new SearchRules { Order = order, LeastChance = 0.05 }
        );
        var first = search.Run().First(n => n is { Proved: true, Found.Stopped: null }).Found!;
        return (first, search.Looked);
    }

    [Theory]
    [InlineData(SearchOrder.LeastWork, 4, 320)]
    [InlineData(SearchOrder.LeastMoney, 32, 40)]
    public void The_least_of_stacks_that_land_alike_is_seen_without_working_out_the_others(
        SearchOrder order,
        double hours,
        double money
    )
    {
        var (first, looked) = First(Here(Up), Rings(60, priceFalls: true), order);
        Assert.Equal(hours, first.Hours, 1e-9);
        Assert.Equal(money, first.Rank.Cost, 1e-9);
        // The least of hours lifts each corner by the ring of one hour; of 81 stacks what lands and takes as little is one.
        Assert.InRange(looked, 1, 3);
    }

    [Theory]
    [InlineData(SearchOrder.LeastWork)]
    [InlineData(SearchOrder.LeastMoney)]
    public void What_hardly_lands_is_not_worked_out_however_little_it_takes(SearchOrder order)
    {
        // Thin rings take less than any thick one, and do not lift enough.
        Part[] shelf =
        [
            .. Rings(20, priceFalls: false)
                .Select(p => p with { Hours = Sample.Of(0.1, Unit.Hour), Price = 1 }),
            .. Rings(60, priceFalls: false),
        ];
        var (first, looked) = First(Here(Up), shelf, order);
        Assert.Equal(4, first.Hours, 1e-9);
        Assert.InRange(looked, 1, 3);
    }

    [Fact]
    public void One_axle_is_opened_where_one_is_enough_and_no_stack_of_two_is_worked_out()
    {
        var target = Sample.Level with { Tolerance = Sample.Mm(12) };
        var (first, looked) = First(
            Here(target),
            [.. Rings(60, priceFalls: false), .. Rings(61, priceFalls: false)],
            SearchOrder.FewestAxles
        );
        Assert.Equal(1, first.Rank.Opened);
        Assert.Equal(2, first.Plan.Stacks.Count);
        // Sixteen rings in front, none behind, and to leave it as it is.
        Assert.InRange(looked, 1, 17);
    }

    [Fact]
    public void The_best_that_is_told_first_is_not_one_that_is_stopped()
    {
        // No bar and no bracket is at hand to take back what the rings do.
        var vehicle = Plans.StacksTests.On(
            Plans.StacksTests.Of(SuspensionKind.CoilFourLink, Geometry.Moved.Bar),
            Plans.StacksTests.Of(SuspensionKind.CoilFourLink, Geometry.Moved.Bar)
        );
        var situation = Here(Up) with { Vehicle = vehicle };
        var news = new StackSearch(
            situation,
            Rings(60, priceFalls: false),
            new SearchRules { MostAsideMm = 2, LeastChance = 0.05 }
        )
            .Run(CancellationToken.None)
            .Select(n => n.Found)
            .OfType<FoundStack>()
            .ToArray();
        Assert.NotEmpty(news);
        Assert.All(news, s => Assert.NotNull(s.Stopped));
    }

    [Fact]
    public void A_piece_that_goes_to_the_other_axle_is_the_piece_that_came_off()
    {
        // Rings stand in front, none is on the shelf; the rear shall come up by 60 and the front down.
        PlacedPart At(int id) =>
            Plans.StacksTests.Part(1, PartKind.CoilSpacer, 60) with
            {
                Id = Sample.Id(id),
                PartId = Sample.Id(901),
            };
        var from = Sample.AsFound with
        {
            Stacks = Sample.Plan((Corner.LF, At(71)), (Corner.RF, At(72))).Stacks,
        };
        var target = Sample.Level with { Rake = Sample.Mm(180) };
        Part[] shelf = [Rings(60, priceFalls: false, count: 0)[0] with { Id = Sample.Id(901) }];
        var (moved, _) = First(Here(target, from), shelf, SearchOrder.Surest);
        Assert.Equal([Corner.LR, Corner.RR], moved.Plan.Stacks.Select(s => s.Corner));
        Assert.Equal(
            [Sample.Id(71), Sample.Id(72)],
            moved.Plan.Stacks.SelectMany(s => s.Parts).Select(p => p.Id).Order()
        );
        Assert.Empty(moved.ToBuy);
        // What stays where it is keeps its name too, and what is new has one of its own.
        var stays = Sample.Level with
        {
            Rake = Sample.Mm(120),
            LeastRearLift = Sample.Mm(40),
        };
        var (both, _) = First(Here(stays, from), [shelf[0] with { Count = 2 }], SearchOrder.Surest);
        Assert.Equal(
            [Sample.Id(71), Sample.Id(72)],
            new[] { Corner.LF, Corner.RF }.Select(c =>
                Assert.Single(CornerStack.At(both.Plan.Stacks, c)).Id
            )
        );
        Assert.Equal(
            4,
            both.Plan.Stacks.SelectMany(s => s.Parts).Select(p => p.Id).Distinct().Count()
        );
    }

    [Fact]
    public void A_share_counts_in_steps_of_a_twentieth()
    {
        Assert.Equal(0, Rank.StepsOf(0.049));
        Assert.Equal(1, Rank.StepsOf(0.05));
        Assert.Equal(5, Rank.StepsOf(0.26));
        Assert.Equal(20, Rank.StepsOf(1));
    }

    [Fact]
    public void Under_a_roof_that_it_just_clears_nothing_may_rise_and_one_that_is_too_low_says_by_how_much()
    {
        var (target, _, _) = new Wish(WishKind.NotAbove, Sample.Mm(1930), Sample.Mm(1930)).On(
            Here(Up with { LeastFrontLift = null, LeastRearLift = null })
        );
        Assert.Equal(0, target!.MostFrontLift!.Value, 1e-9);
        Assert.Equal(
            $"It stands {LengthText.Both(30)} above that already.",
            new Wish(WishKind.NotAbove, Sample.Mm(1900), Sample.Mm(1930)).On(Here(Up)).Why
        );
    }
}
