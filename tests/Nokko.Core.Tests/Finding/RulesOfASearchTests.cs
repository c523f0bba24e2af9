using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Finding;

/// <summary>What wishes, choices and orders say, each by itself.</summary>
public class RulesOfASearchTests
{
    private static readonly Target Nothing = new()
    {
        Datum = Datum.Hub,
        Tolerance = Sample.Mm(6.35),
    };

    private static Situation Here(Target? target = null) =>
        new(Sample.AsFound, Sample.Pickup, Sample.Stance()) { Target = target ?? Nothing };

    [Fact]
    public void What_a_wish_needs_is_asked_for_at_its_field()
    {
        string? At(Wish wish, Situation? on = null)
        {
            var (target, field, why) = wish.On(on ?? Here());
            Assert.Equal(target is null, why is not null);
            return field;
        }
        Assert.Equal("amount", At(new(WishKind.RaiseBoth)));
        Assert.Equal("amount", At(new(WishKind.NotMoreThan)));
        Assert.Equal("amount", At(new(WishKind.NotAbove)));
        Assert.Equal("roof", At(new(WishKind.NotAbove, Sample.Mm(2000))));
        Assert.Equal("kind", At(new(WishKind.LevelLoaded)));
        Assert.Equal("kind", At(new(WishKind.EvenDiagonals)));
        Assert.Equal("tyre", At(new(WishKind.RoomForTyre, Tyre: "large")));
        Assert.Equal("amount", At(new(WishKind.KeepRake), Here() with { Baseline = null }));
        Assert.Null(At(new(WishKind.KeepRake)));
        Assert.Null(At(new(WishKind.KeepRake, Sample.Mm(20)), Here() with { Baseline = null }));
    }

    [Fact]
    public void A_rake_is_wished_as_it_stands_and_only_level_with_the_load_on_is_with_it()
    {
        var loaded = Nothing with { Rake = Sample.Mm(5), Loaded = true };
        foreach (
            var wish in new[]
            {
                new Wish(WishKind.Level),
                new Wish(WishKind.KeepRake),
                new Wish(WishKind.KeepRake, Sample.Mm(9)),
            }
        )
        {
            Assert.False(wish.On(Here(loaded)).Target!.Loaded);
        }
        Assert.True(new Wish(WishKind.NoLean).On(Here(loaded)).Target!.Loaded);
        // Loads that stay on are no loads to be level with.
        var stays = new StatedLoad
        {
            Id = Sample.Id(60),
            Name = "bed box",
            Mass = Sample.Of(60, Unit.Kg),
            Behind = Sample.Mm(3000),
            Stays = true,
        };
        Assert.Equal(
            "kind",
            new Wish(WishKind.LevelLoaded).On(Here() with { Loads = [stays] }).Field
        );
        Assert.True(
            new Wish(WishKind.LevelLoaded)
                .On(Here() with { Loads = [stays, stays with { Stays = false }] })
                .Target!.Loaded
        );
    }

    [Fact]
    public void The_least_lift_of_either_end_may_be_its_greatest_and_no_more()
    {
        Assert.NotNull(
            new Wish(WishKind.RaiseBoth, Sample.Mm(50))
                .On(
                    Here(
                        Nothing with
                        {
                            MostFrontLift = Sample.Mm(50),
                            MostRearLift = Sample.Mm(50),
                        }
                    )
                )
                .Target
        );
        foreach (
            var most in new[]
            {
                Nothing with
                {
                    MostFrontLift = Sample.Mm(49),
                },
                Nothing with
                {
                    MostRearLift = Sample.Mm(49),
                },
            }
        )
        {
            Assert.Equal(
                "amount",
                new Wish(WishKind.RaiseBoth, Sample.Mm(50)).On(Here(most)).Field
            );
        }
        // What one end asks at least does not meet what the other may at most.
        Assert.NotNull(
            new Wish(WishKind.NoLean)
                .On(
                    Here(
                        Nothing with
                        {
                            LeastFrontLift = Sample.Mm(50),
                            MostRearLift = Sample.Mm(10),
                        }
                    )
                )
                .Target
        );
        var both = new Wish(WishKind.NotMoreThan, Sample.Mm(40)).On(Here()).Target!;
        Assert.Equal((40, 40), (both.MostFrontLift!.In(Unit.Mm), both.MostRearLift!.In(Unit.Mm)));
        var under = new Wish(WishKind.NotAbove, Sample.Mm(2000), Sample.Mm(1930))
            .On(Here())
            .Target!;
        Assert.Equal((70, 70), (under.MostFrontLift!.In(Unit.Mm), under.MostRearLift!.In(Unit.Mm)));
    }

    [Fact]
    public void Room_for_a_tyre_never_takes_back_a_lift_that_was_wished()
    {
        var vehicle = Sample.Pickup with
        {
            TyreSize = "265/70R17",
            Front = Sample.Pickup.Front with
            {
                Dimensions = new Dictionary<string, Quantity>
                {
                    [Core.Suspension.SuspensionSizes.TyreGap] = Sample.Mm(40),
                },
            },
            Rear = Sample.Pickup.Rear with
            {
                Dimensions = new Dictionary<string, Quantity>
                {
                    [Core.Suspension.SuspensionSizes.TyreGap] = Sample.Mm(40),
                },
            },
        };
        Target On(Target target) =>
            new Wish(WishKind.RoomForTyre, Tyre: "285/75R17")
                .On(
                    new Situation(Sample.AsFound, vehicle, Sample.Stance(vehicle))
                    {
                        Target = target,
                    }
                )
                .Target!;
        // 13.25 mm are wanting at either end, rounded up.
        var more = On(
            Nothing with
            {
                LeastFrontLift = Sample.Mm(30),
                LeastRearLift = Sample.Mm(13),
            }
        );
        Assert.Equal(30, more.LeastFrontLift!.In(Unit.Mm));
        Assert.Equal(14, more.LeastRearLift!.In(Unit.Mm));
        Assert.Equal(Known.Computed, more.LeastRearLift.Known);
    }

    [Fact]
    public void An_order_compares_its_first_thing_first_and_ends_with_the_parts()
    {
        var rank = new Rank(4, 300, 2, 4, 0, 1, 3, 20, "b");
        bool Before(SearchOrder order, Rank a, Rank b) =>
            Rank.By(order).Compare(a, b) < 0 && Rank.By(order).Compare(b, a) > 0;
        // Each pair: the first is better in what the order asks first, worse in everything else.
        var worse = new Rank(5, 999, 9, 9, 9, 2, 9, 99, "z");
        foreach (
            var (order, better) in new (SearchOrder, Rank)[]
            {
                (SearchOrder.LeastCost, worse with { Expected = 299 }),
                (SearchOrder.Surest, worse with { Missing = 3 }),
                (SearchOrder.LeastWork, worse with { Hours = 2.9 }),
                (SearchOrder.LeastMoney, worse with { Cost = 19 }),
                (SearchOrder.FewestAxles, worse with { Opened = 0 }),
                (SearchOrder.NothingCut, worse with { Irreversible = -1 }),
                (SearchOrder.FewestTouched, worse with { Touched = 1 }),
            }
        )
        {
            Assert.True(Before(order, better, rank), $"{order}");
            Assert.True(Before(order, rank, rank with { Parts = "c" }), $"{order}");
            // Not sure enough stands behind, but where only the cost counts.
            Assert.Equal(
                order is SearchOrder.LeastCost,
                Before(order, better with { Missing = 6 }, rank)
            );
        }
        // What nobody knows parts equals only, or stands behind all, as it is asked.
        var unsure = rank with
        {
            Unsure = 1,
            Expected = 200,
            Parts = "a",
        };
        Assert.True(Rank.By(SearchOrder.LeastCost).Compare(unsure, rank) < 0);
        Assert.True(Rank.By(SearchOrder.LeastCost, knownFirst: true).Compare(unsure, rank) > 0);
        Assert.True(
            Rank.By(SearchOrder.LeastCost).Compare(rank, rank with { Unsure = 1, Parts = "a" }) < 0
        );
        Assert.Throws<ArgumentOutOfRangeException>(() => Rank.By((SearchOrder)99));
        // 0.75 is five steps short of certain; rounding does not make it six.
        Assert.Equal(5, Rank.MissingOf(0.75));
        Assert.Equal(6, Rank.MissingOf(0.749));
        Assert.Equal(0, Rank.MissingOf(1));
        Assert.Equal(20, Rank.MissingOf(0));
    }

    [Fact]
    public void What_earlier_passes_lifted_counts_toward_the_least_lift()
    {
        double[] Needed(Target target, double front, double rear) =>
            [
                .. NeededRise
                    .Of(
                        Here(target) with
                        {
                            FrontAchieved = new(Result.Of(front, Unit.Mm, 1, [])),
                            RearAchieved = new(Result.Of(rear, Unit.Mm, 1, [])),
                        }
                    )
                    .Select(n => Math.Round(n.Rise.Value!.Value, 6)),
            ];
        var both = Nothing with { LeastFrontLift = Sample.Mm(30), LeastRearLift = Sample.Mm(30) };
        Assert.Equal([30, 30, 30, 30], Needed(both, 0, 0));
        Assert.Equal([10, 10, 25, 25], Needed(both, 20, 5));
        Assert.Equal([0, 0, 0, 0], Needed(both, 40, 31));
        // 60 mm nose down: thirty in front are half of what level asks, and no more comes behind.
        Assert.Equal(
            [60, 60, 0, 0],
            Needed(Sample.Level with { LeastFrontLift = Sample.Mm(30) }, 0, 0)
        );
        Assert.Equal(
            [75, 75, 15, 15],
            Needed(
                Sample.Level with
                {
                    LeastFrontLift = Sample.Mm(30),
                    LeastRearLift = Sample.Mm(15),
                },
                0,
                0
            )
        );
    }

    [Fact]
    public void Sides_that_may_differ_do_so_by_one_piece()
    {
        Part[] shelf =
        [
            PlanBTests.Plate(20),
            PlanBTests.Plate(26),
            PlanBTests.Plate(30) with
            {
                Kind = PartKind.PreloadSpacer,
            },
        ];
        var differ = new StackSearch(
            Here(Sample.Level with { Rake = null, NoLean = true, Tolerance = Sample.Mm(200) }),
            shelf,
            new SearchRules { SidesDiffer = true, Order = SearchOrder.FewestTouched }
        )
            .Run(CancellationToken.None)
            .Where(n => n is { Proved: true, Found.Rank.Touched: > 0 })
            .Select(n => (Left: Names(n.Found!, Corner.LF), Right: Names(n.Found!, Corner.RF)))
            .Where(s => s.Left != s.Right)
            .ToHashSet();
        Assert.Contains(("plate 20", ""), differ);
        Assert.Contains(("", "plate 26"), differ);
        Assert.Contains(("plate 20", "plate 26"), differ);
        Assert.Contains(("plate 20 + plate 30", "plate 20"), differ);
        Assert.Contains(("plate 20 + plate 30", "plate 26 + plate 30"), differ);
        Assert.DoesNotContain(("plate 20 + plate 30", ""), differ);
        Assert.DoesNotContain(("plate 20 + plate 30", "plate 26"), differ);

        static string Names(FoundStack s, Corner corner) =>
            string.Join(
                " + ",
                CornerStack
                    .At(s.Plan.Stacks, corner)
                    .Select(p => p.Name)
                    .Order(StringComparer.Ordinal)
            );
    }
}
