using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Finding;

/// <summary>What stops a stack, what there is enough of, and what a wish asks for at least.</summary>
public class EdgesOfASearchTests
{
    private static Vehicle WithShafts(double drop) =>
        Plans.StacksTests.On(
            front: Plans.StacksTests.Of(
                SuspensionKind.CoilOverArm,
                (SuspensionSizes.CvDrop, drop),
                (SuspensionSizes.CvRun, 440)
            )
        );

    internal static Situation Here(Vehicle vehicle, Stage? from = null, Target? target = null) =>
        new(
            from ?? Sample.AsFound with { Front = vehicle.Front, Rear = vehicle.Rear },
            vehicle,
            Sample.Stance(vehicle)
        )
        {
            Target = target ?? Sample.Level,
        };

    internal static Part Piece(
        int n,
        double thickness,
        int count,
        PartKind kind = PartKind.StrutTopSpacer
    ) =>
        new()
        {
            Id = Sample.Id(900 + n),
            Number = $"P-{n}",
            Name = $"part {n}",
            Kind = kind,
            Thickness = Sample.Mm(thickness),
            Count = count,
        };

    internal static FoundStack[] All(Situation situation, Part[] shelf, SearchRules rules) =>
        [
            .. new StackSearch(situation, shelf, rules)
                .Run(CancellationToken.None)
                .Where(n => n.Proved)
                .Select(n => n.Found!),
        ];

    [Fact]
    public void A_limit_that_is_a_rule_of_thumb_stops_only_who_holds_every_limit()
    {
        // The nose is 60 mm low. Joints 30 mm apart in height over 440: 3.9°; lifted by 60, about 11.6° against 8.
        var situation = Here(WithShafts(30));
        Part[] shelf = [Piece(1, 30, 2)];
        var lands = All(situation, shelf, new()).First(s => s.Plan.Stacks.Count > 0);
        Assert.Null(lands.Stopped);
        Assert.Equal("CV joint at ride height", lands.Most!.Value.Use.What);
        Assert.True(lands.Most.Value.Use.Share > 1.2);
        var held = All(situation, shelf, new() { HoldEveryLimit = true })
            .Where(s => s.Plan.Stacks.Count > 0)
            .ToArray();
        Assert.All(held, s => Assert.NotNull(s.Stopped));
        Assert.Contains(
            held,
            s =>
                s.Stopped
                == string.Create(
                    System.Globalization.CultureInfo.InvariantCulture,
                    $"left front: CV joint at ride height, {lands.Most.Value.Use.Share * 100:0} % used"
                )
        );
    }

    [Fact]
    public void A_limit_that_is_not_reached_stops_nobody()
    {
        // Well above the inner joint, the lift straightens the shaft.
        var held = All(Here(WithShafts(-40)), [Piece(1, 30, 2)], new() { HoldEveryLimit = true });
        Assert.Contains(held, s => s.Stopped is null && s.Plan.Stacks.Count > 0);
    }

    [Fact]
    public void Pieces_are_enough_for_both_axles_or_for_one()
    {
        var vehicle = Plans.StacksTests.On(
            Plans.StacksTests.Of(SuspensionKind.CoilFourLink),
            Plans.StacksTests.Of(SuspensionKind.CoilFourLink)
        );
        var target = Sample.Level with
        {
            Rake = Sample.Mm(60),
            LeastFrontLift = Sample.Mm(15),
            LeastRearLift = Sample.Mm(15),
        };
        FoundStack? Lands(int count) =>
            All(Here(vehicle, target: target), [Piece(1, 20, count, PartKind.CoilSpacer)], new())
                .FirstOrDefault(s => s.Chance > 0.5);
        Assert.Null(Lands(2));
        Assert.Null(Lands(3));
        Assert.Equal(4, Lands(4)!.Plan.Stacks.Count);
    }

    [Fact]
    public void What_is_on_the_vehicle_may_go_elsewhere_if_the_rules_let_it()
    {
        // A plate stands on the left only; there is one more on the shelf.
        var there = Sample.Plate(77, 30) with
        {
            PartId = Sample.Id(901),
        };
        var vehicle = Plans.StacksTests.On();
        var from = Sample.AsFound with { Stacks = Sample.Plan((Corner.LF, there)).Stacks };
        Part[] shelf = [Piece(1, 30, 1)];
        var situation = Here(vehicle, from);
        // Both sides alike: the one that is in stays, its like comes beside it.
        Assert.Contains(
            All(situation, shelf, new()),
            s =>
                CornerStack.At(s.Plan.Stacks, Corner.LF).Any(p => p.PartId == Sample.Id(901))
                && CornerStack.At(s.Plan.Stacks, Corner.RF).Any(p => p.PartId == Sample.Id(901))
        );
        Assert.DoesNotContain(
            All(situation, shelf, new() { NoSpacers = true }),
            s => CornerStack.At(s.Plan.Stacks, Corner.RF).Count > 0
        );
    }

    [Fact]
    public void What_came_with_the_vehicle_may_stay_under_what_comes_on_both_sides()
    {
        // Typed when it was taken in: no part of the shelf, a piece of its own on each side.
        Situation With(params (Corner, PlacedPart)[] there) =>
            Here(Sample.Pickup, Sample.AsFound with { Stacks = Sample.Plan(there).Stacks });
        string[] Sides(Situation situation, bool differ = false) =>
            [
                .. All(
                        situation,
                        [Piece(1, 30, 2, PartKind.PreloadSpacer)],
                        new() { SidesDiffer = differ }
                    )
                    .Select(s =>
                        string.Join(
                            " | ",
                            Corners
                                .Of(Axle.Front)
                                .Select(c =>
                                    string.Join(
                                        " + ",
                                        CornerStack
                                            .At(s.Plan.Stacks, c)
                                            .Select(p => p.Name)
                                            .Order(StringComparer.Ordinal)
                                    )
                                )
                        )
                    )
                    .Order(StringComparer.Ordinal),
            ];
        var left = Sample.Plate(950, 12);
        var right = left with { Id = Sample.Id(951) };
        Assert.Equal(
            [
                " | ",
                "part 1 + plate 12 | part 1 + plate 12",
                "part 1 | part 1",
                "plate 12 | plate 12",
            ],
            Sides(With((Corner.LF, left), (Corner.RF, right)))
        );
        // Another plate is not its like: both stay or both go.
        var other = Sample.Plate(951, 9);
        Assert.Equal(
            [
                " | ",
                "part 1 + plate 12 | part 1 + plate 9",
                "part 1 | part 1",
                "plate 12 | plate 9",
            ],
            Sides(With((Corner.LF, left), (Corner.RF, other)))
        );
        // One that stands against a lean stays so, or goes.
        Assert.Equal(
            [" | ", "part 1 + plate 12 | part 1", "part 1 | part 1", "plate 12 | "],
            Sides(With((Corner.LF, left)))
        );
        var both = Sides(With((Corner.LF, left)), differ: true);
        Assert.Equal(both.Distinct(), both);
        Assert.Contains("plate 12 | part 1", both);
    }

    [Fact]
    public void At_most_two_pieces_come_new_to_a_corner_and_what_is_in_counts_for_none()
    {
        var there = Sample.Plate(950, 6);
        var found = All(
                Here(
                    Sample.Pickup,
                    Sample.AsFound with
                    {
                        Stacks = Sample
                            .Plan(
                                (Corner.LF, there),
                                (Corner.RF, there with { Id = Sample.Id(951) })
                            )
                            .Stacks,
                    },
                    Sample.Level with
                    {
                        Tolerance = Sample.Mm(25),
                    }
                ),
                [
                    Piece(1, 12, 2),
                    Piece(2, 12, 2, PartKind.PreloadSpacer),
                    Piece(3, 12, 2, PartKind.StrutLowerSpacer),
                ],
                new()
            )
            .Select(s => CornerStack.At(s.Plan.Stacks, Corner.LF))
            .Select(c =>
                (New: c.Count(p => p.PartId is not null), Old: c.Count(p => p.PartId is null))
            )
            .ToHashSet();
        Assert.Contains((2, 1), found);
        Assert.Contains((2, 0), found);
        Assert.DoesNotContain(found, c => c.New > 2);
    }

    [Fact]
    public void A_wish_for_bigger_tyres_says_at_which_end_the_room_is_not_known()
    {
        foreach (var axle in Corners.Axles)
        {
            var taped = Plans.StacksTests.Of(
                SuspensionKind.CoilFourLink,
                (SuspensionSizes.TyreGap, 80),
                (SuspensionSizes.ShockLength, 470),
                (SuspensionSizes.ShockCollapsed, 400)
            );
            var unknown = Plans.StacksTests.Of(SuspensionKind.CoilFourLink);
            var vehicle = Plans.StacksTests.On(
                axle == Axle.Front ? unknown : taped,
                axle == Axle.Rear ? unknown : taped
            );
            var (_, field, why) = new Wish(WishKind.RoomForTyre, Tyre: "285/75R17").On(
                Here(vehicle)
            );
            Assert.Equal("tyre", field);
            Assert.StartsWith(
                axle == Axle.Front ? "Front: " : "Rear: ",
                why,
                StringComparison.Ordinal
            );
        }
    }

    [Fact]
    public void Each_end_must_rise_at_least_by_what_was_asked_and_never_fall()
    {
        double[] Needed(Target target) =>
            [
                .. NeededRise
                    .Of(Here(Sample.Pickup, target: target))
                    .Select(n => n.Rise.Value!.Value),
            ];
        var free = Sample.Level with { Rake = null };
        Assert.Equal(
            [30, 30, 0, 0],
            Needed(free with { LeastFrontLift = Sample.Mm(30) }).Select(n => Math.Round(n, 6))
        );
        Assert.Equal(
            [0, 0, 25, 25],
            Needed(free with { LeastRearLift = Sample.Mm(25) }).Select(n => Math.Round(n, 6))
        );
        // 60 mm nose down: level asks 60 of the front; 25 more behind ask 25 more in front.
        Assert.Equal(
            [85, 85, 25, 25],
            Needed(Sample.Level with { LeastRearLift = Sample.Mm(25) })
                .Select(n => Math.Round(n, 6))
        );
        // More rake than today is had behind.
        Assert.Equal(
            [0, 0, 15, 15],
            Needed(Sample.Level with { Rake = Sample.Mm(75) }).Select(n => Math.Round(n, 6))
        );
    }

    /// <summary>One side of a figure is a wish too: no rake need be named.</summary>
    [Fact]
    public void One_bound_is_enough_to_look_for_stacks_and_none_is_not()
    {
        var none = new Target { Datum = Datum.Hub, Tolerance = Sample.Mm(6.35) };
        Target[] wishes =
        [
            none with
            {
                Rake = Sample.Mm(0),
            },
            none with
            {
                LeastFrontLift = Sample.Mm(30),
            },
            none with
            {
                MostRearLift = Sample.Mm(30),
            },
            none with
            {
                NoLean = true,
            },
        ];
        StackSearch For(Target target) => new(Here(Sample.Pickup, target: target), [], new());
        Assert.All(wishes, w => Assert.Null(For(w).Cannot));
        Assert.NotNull(For(none).Cannot);
        Assert.Empty(For(none).Run(CancellationToken.None));
    }

    private static Part[] Many() =>
        [
            .. Enumerable.Range(1, 12).Select(n => Piece(n, 4 + (3.7 * n), 4)),
            .. Enumerable
                .Range(21, 12)
                .Select(n => Piece(n, 2 + (2.3 * (n - 20)), 4, PartKind.PreloadSpacer)),
            .. Enumerable
                .Range(41, 12)
                .Select(n => Piece(n, 5 + (4.1 * (n - 40)), 4, PartKind.Block)),
            .. Enumerable
                .Range(61, 12)
                .Select(n => Piece(n, 6 + (5.3 * (n - 60)), 4, PartKind.Shackle)),
        ];

    /// <summary>Bounds are worth their name: most stacks are never worked out, and what is told on the way gets better each time.</summary>
    [Theory]
    [InlineData(SearchOrder.LeastCost)]
    [InlineData(SearchOrder.Surest)]
    [InlineData(SearchOrder.LeastWork)]
    [InlineData(SearchOrder.LeastMoney)]
    [InlineData(SearchOrder.FewestAxles)]
    [InlineData(SearchOrder.NothingCut)]
    [InlineData(SearchOrder.FewestTouched)]
    public void A_search_works_out_few_and_tells_only_what_is_better(SearchOrder order)
    {
        var target = Sample.Level with
        {
            Rake = Sample.Mm(12),
            LeastFrontLift = Sample.Mm(25),
            LeastRearLift = Sample.Mm(0),
        };
        var search = new StackSearch(
            Here(WithShafts(-20), target: target),
            Many(),
            new SearchRules
            {
                Order = order,
                LeastChance = 0.1,
                HoldEveryLimit = true,
            }
        );
        var told = new List<FoundStack>();
        var proved = 0;
        foreach (var news in search.Run(CancellationToken.None))
        {
            if (news is { Proved: false, Found: { } better })
            {
                told.Add(better);
            }
            if (news is { Proved: true, Found.Stopped: null } && ++proved == 5)
            {
                break;
            }
        }
        Assert.Equal(5, proved);
        // Of 28,561, as the others lie in groups that cannot come before them.
        Assert.Equal(28_561, search.Combinations);
        Assert.InRange(search.Looked, 5, 40);
        Assert.All(told, t => Assert.Null(t.Stopped));
        // The first is seen at once, before anything is ordered.
        Assert.All(told.Skip(1), t => Assert.True(t.Chance >= 0.099));
        foreach (var (before, after) in told.Skip(1).Zip(told.Skip(2)))
        {
            Assert.True(Rank.By(order).Compare(after.Rank, before.Rank) < 0);
        }
    }

    [Fact]
    public void What_is_needed_is_as_sure_as_the_readings_of_its_own_end()
    {
        var stance = Sample.Stance();
        Result[] Needed(Target target) =>
            [.. NeededRise.Of(Here(Sample.Pickup, target: target)).Select(n => n.Rise)];
        var rake = Needed(Sample.Level);
        Assert.All(rake, r => Assert.Equal(stance.Rake.U!.Value, r.U!.Value, 1e-9));
        // Without a rake only the lean rests on readings: each side is half of its own end's.
        var lean = Needed(Sample.Level with { Rake = null, NoLean = true });
        Assert.All(lean[..2], r => Assert.Equal(stance.LeanFront.U!.Value / 2, r.U!.Value, 1e-9));
        Assert.All(lean[2..], r => Assert.Equal(stance.LeanRear.U!.Value / 2, r.U!.Value, 1e-9));
        var free = Needed(Sample.Level with { Rake = null, LeastFrontLift = Sample.Mm(30) });
        Assert.All(free, r => Assert.Equal(0, r.U!.Value, 1e-12));
        var both = Needed(Sample.Level with { NoLean = true });
        Assert.Equal(
            Math.Sqrt(Math.Pow(rake[0].U!.Value, 2) + Math.Pow(lean[0].U!.Value, 2)),
            both[0].U!.Value,
            1e-9
        );
    }

    [Fact]
    public void Each_end_s_lean_is_its_own()
    {
        // A rear whose lips nobody can read as well: its lean is less sure than the front's.
        var vehicle = Sample.Pickup;
        var round = Sample.Round(40, Sample.AsFound.Id);
        Reading[] twice =
        [
            .. Sample.Readings(100, 40, 520, 1040, 580, 580, 1040, 520),
            .. Sample
                .Readings(200, 40, 520, 1040, 580, 580, 1040, 520)
                .Where(r => r.Place.Name is "LF" or "RF"),
            .. Sample
                .Readings(300, 40, 520, 1040, 580, 580, 1040, 520)
                .Where(r => r.Place.Name is "LF" or "RF"),
        ];
        var stance = StanceOf.Compute(round, twice, vehicle);
        Assert.True(stance.LeanFront.U < stance.LeanRear.U);
        var needed = NeededRise.Of(
            new Situation(Sample.AsFound, vehicle, stance)
            {
                Target = Sample.Level with { Rake = null, NoLean = true },
            }
        );
        Assert.Equal(stance.LeanFront.U!.Value / 2, needed[0].Rise.U!.Value, 1e-9);
        Assert.Equal(stance.LeanRear.U!.Value / 2, needed[3].Rise.U!.Value, 1e-9);
    }

    [Theory]
    [InlineData(true, true)]
    [InlineData(true, false)]
    [InlineData(false, true)]
    [InlineData(false, false)]
    public void Hours_and_money_that_were_guessed_are_marked_for_what_comes(bool hours, bool price)
    {
        var part = Piece(1, 30, 2) with
        {
            Hours = hours ? Sample.Of(1.5, Unit.Hour) : null,
            Price = price ? 40 : null,
        };
        var other = Piece(2, 70, 2) with { Hours = Sample.Of(1, Unit.Hour), Price = 10 };
        var found = All(Here(Sample.Pickup), [part, other], new());
        var lands = found.First(s =>
            s.Plan.Stacks.Count > 0 && s.Plan.Stacks.All(c => c.Parts.All(p => p.PartId == part.Id))
        );
        Assert.Equal((!hours, !price), (lands.HoursGuessed, lands.MoneyGuessed));
        // What stays as it is takes nothing, and nothing is guessed.
        var stays = found.First(s => s.Plan.Stacks.Count == 0);
        Assert.Equal((false, false), (stays.HoursGuessed, stays.MoneyGuessed));
    }

    [Theory]
    [InlineData(1, false)]
    [InlineData(2, true)]
    public void What_is_told_at_once_can_be_built_of_what_is_there(int count, bool lands)
    {
        // One piece is the one that lands, and there must be two.
        var told = new StackSearch(Here(Sample.Pickup), [Piece(1, 30, count)], new())
            .Run(CancellationToken.None)
            .Select(n => n.Found)
            .OfType<FoundStack>()
            .ToArray();
        Assert.Equal(lands, told.Any(s => s.Plan.Stacks.Count > 0));
        Assert.All(told, s => Assert.True(s.Plan.Stacks.SelectMany(c => c.Parts).Count() <= count));
        // What a limit stops is never told at once either.
        var stopped = new StackSearch(
            Here(WithShafts(30)),
            [Piece(1, 30, 2)],
            new() { HoldEveryLimit = true }
        )
            .Run(CancellationToken.None)
            .Where(n => n is { Proved: false, Found: not null })
            .Select(n => n.Found!);
        Assert.All(stopped, s => Assert.Null(s.Stopped));
    }

    [Fact]
    public void Where_nothing_can_be_found_the_parts_that_have_no_place_are_told_all_the_same()
    {
        var search = new StackSearch(
            Here(Sample.Pickup) with
            {
                Target = null,
            },
            [
                new Part
                {
                    Id = Sample.Id(950),
                    Number = "P",
                    Name = "sold-out plate",
                    Kind = PartKind.StrutTopSpacer,
                    Thickness = Sample.Mm(10),
                    Count = 0,
                },
            ],
            new()
        );
        Assert.NotNull(search.Cannot);
        Assert.Equal(("sold-out plate", "none on the shelf"), Assert.Single(search.LeftOut));
        Assert.Equal(0, search.Combinations);
    }

    [Fact]
    public void A_stack_on_one_side_has_the_chance_that_its_plan_is_foretold()
    {
        var situation = CentredAxlesTests.Here(target: Sample.Level with { NoLean = true });
        Part[] shelf =
        [
            CentredAxlesTests.AtHand(1, PartKind.CoilSpacer, 45),
            CentredAxlesTests.AtHand(2, PartKind.CoilSpacer, 60),
        ];
        var oneSided = CentredAxlesTests
            .All(situation, shelf, new() { SidesDiffer = true })
            .Where(s => s.Plan.Stacks.Count is 1 or 3)
            .ToArray();
        Assert.Contains(oneSided, s => s.Plan.Stacks.Count(c => c.Corner == Corner.LF) == 1);
        Assert.Contains(oneSided, s => s.Plan.Stacks.All(c => c.Corner != Corner.LF));
        foreach (var s in oneSided)
        {
            Assert.Equal(
                Predictor.Predict(s.Plan, situation).Landing!.Value!.Value,
                s.Chance,
                0.002
            );
        }
    }

    [Theory]
    [InlineData(Axle.Front, "front")]
    [InlineData(Axle.Rear, "rear")]
    public void What_must_not_stay_and_nothing_can_replace_is_said_with_its_end(
        Axle axle,
        string said
    )
    {
        // A block has no place on coils, and nothing lies on the shelf.
        var vehicle = Plans.StacksTests.On(
            Plans.StacksTests.Of(SuspensionKind.CoilFourLink),
            Plans.StacksTests.Of(SuspensionKind.CoilFourLink)
        );
        var from = Sample.AsFound with
        {
            Front = vehicle.Front,
            Rear = vehicle.Rear,
            Stacks = Plans
                .StacksTests.Both(axle, Plans.StacksTests.Part(40, PartKind.Block, 50))
                .Stacks,
        };
        var search = new StackSearch(
            Here(vehicle, from, Sample.Level),
            [],
            new() { NoSpacers = true }
        );
        Assert.StartsWith(
            $"What stands at the {said} now must not stay",
            search.Cannot,
            StringComparison.Ordinal
        );
        Assert.Equal(0, search.Combinations);
    }

    [Fact]
    public void Who_keeps_the_droop_stops_what_takes_more_than_a_quarter_and_is_told_how_much_is_left()
    {
        (string, double)[] shocks =
        [
            (SuspensionSizes.ShockLength, 470),
            (SuspensionSizes.ShockExtended, 560),
            (SuspensionSizes.ShockCollapsed, 345),
        ];
        var axle = Plans.StacksTests.Of(SuspensionKind.CoilFourLink, shocks);
        var situation = CentredAxlesTests.Here(Plans.StacksTests.On(axle, axle));
        Part[] shelf = [CentredAxlesTests.AtHand(1, PartKind.CoilSpacer, 60)];
        var s = CentredAxlesTests.Raised(
            CentredAxlesTests.All(situation, shelf, new() { KeepDroop = true }),
            Corner.LF,
            Corner.RF
        );
        // 90 of droop, the frame about 60 up: a third is left.
        var left = System.Text.RegularExpressions.Regex.Match(
            s.Stopped!,
            "only (\\d+) % of its droop"
        );
        Assert.InRange(
            int.Parse(left.Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture),
            30,
            38
        );
        Assert.StartsWith("left front", s.Stopped, StringComparison.OrdinalIgnoreCase);
        Assert.Null(
            CentredAxlesTests
                .Raised(CentredAxlesTests.All(situation, shelf, new()), Corner.LF, Corner.RF)
                .Stopped
        );
    }
}
