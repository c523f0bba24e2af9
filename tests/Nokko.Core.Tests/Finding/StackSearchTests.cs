using CsCheck;
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

public class StackSearchTests
{
    private static CancellationToken Cancel => CancellationToken.None;

    private static readonly PartKind[] Kinds =
    [
        PartKind.StrutTopSpacer,
        PartKind.PreloadSpacer,
        PartKind.Block,
        PartKind.Shackle,
        PartKind.CoilSpacer,
    ];

    /// <summary>Every stack that can be put together, each predicted by itself, ranked by the words of the rule.</summary>
    [Fact]
    public void The_first_ten_are_those_of_brute_force_in_the_same_order() =>
        Gen.Int[0, 1_000_000]
            .Sample(
                seed =>
                {
                    var random = new Random(seed);
                    var (situation, shelf, rules) = Case(random);
                    var search = new StackSearch(situation, shelf, rules);
                    Assert.Null(search.Cannot);
                    var found = search
                        .Run(Cancel)
                        .Where(n => n is { Proved: true, Found.Stopped: null })
                        .Select(n => n.Found!)
                        .Take(10)
                        .ToArray();
                    var every = All(situation, shelf, rules).ToArray();
                    // Where one that is known to fit lands in three of four, what nobody knows stands behind.
                    var knownLands = every.Any(e =>
                        e.Rank is { Unsure: 0, Missing: <= 5 } && e.Chance >= rules.LeastChance
                    );
                    // What it takes to get there by trying: the least over all stacks, by looking at each.
                    var rate = rules.HourRate;
                    double Doing(Rank r) => r.Cost + (r.Hours * rate);
                    double Try((Rank Rank, double Chance) e) =>
                        (Doing(e.Rank) + ((1 - e.Chance) * 1.5 * rate)) / e.Chance;
                    // What hardly ever lands is no answer, and no other try.
                    var least = every
                        .Where(e => e.Chance >= rules.LeastChance && e.Rank.Touched > 0)
                        .DefaultIfEmpty((every[0].Rank, 0))
                        .MinBy(Try);
                    // Beyond a thousand hours nothing here gets there.
                    var again = Math.Min(1_000 * rate, (1.5 * rate) + Try(least));
                    // A chance is good to 1e-4, and what rests on it.
                    var fine = again * (3e-4 + (3e-4 / Math.Max(least.Chance, 1e-3)));
                    var all = every
                        .Select(e =>
                            e.Rank with
                            {
                                Expected = Doing(e.Rank) + ((1 - e.Chance) * again),
                            }
                        )
                        .Zip(every, (rank, e) => (Rank: rank, e.Chance))
                        .Where(e => e.Chance >= rules.LeastChance)
                        .Select(e => e.Rank)
                        .Order(Rank.By(rules.Order, knownLands))
                        .Take(10)
                        .ToArray();
                    Assert.Equal(all.Length, found.Length);
                    for (var i = 0; i < all.Length; i++)
                    {
                        if (Rank.BySteps(rules.Order))
                        {
                            Assert.Equal(all[i].Parts, found[i].Rank.Parts);
                            Assert.Equal(all[i], found[i].Rank with { Expected = all[i].Expected });
                            // By steps a chance is worked out to 0.01 only; a second look asks for no other try.
                            if (rules.Order != SearchOrder.FewestTouched)
                            {
                                Assert.Equal(
                                    all[i].Expected,
                                    found[i].Rank.Expected,
                                    fine + (0.01 * again)
                                );
                            }
                        }
                        else
                        {
                            Assert.Equal(all[i].Expected, found[i].Rank.Expected, fine);
                            Assert.Equal(again, found[i].Again.Cost(rate), fine);
                        }
                    }
                },
                iter: Math.Max(16, Sample.Tries(40))
            );

    [Fact]
    public void A_search_of_a_small_shelf_names_the_one_stack_that_lands()
    {
        // The nose is 60 mm low; a plate of 30 mm lifts it by 3 + 1.9 × 30.
        Part[] shelf = [Shelf(1, 30, 2), Shelf(2, 10, 4), Shelf(3, 50, 2)];
        var first = Proved(Measured(Sample.Level), shelf)[0];
        Assert.Equal("LF: part 1 · RF: part 1", Said(first));
        Assert.Equal(1, first.Rank.Opened);
        Assert.Empty(first.ToBuy);
    }

    [Fact]
    public void One_piece_does_not_serve_two_corners_unless_it_may_be_bought()
    {
        Part[] shelf = [Shelf(1, 30, 1)];
        Assert.All(Proved(Measured(Sample.Level), shelf), s => Assert.Equal("", Said(s)));
        var bought = Proved(Measured(Sample.Level), shelf, new() { MayBuy = true })[0];
        Assert.Equal("LF: part 1 · RF: part 1", Said(bought));
        Assert.Equal(["1 × part 1"], bought.ToBuy);
    }

    [Fact]
    public void A_plate_can_go_from_the_front_to_the_rear()
    {
        var shelf = Shelf(1, 50, 0) with { Kind = PartKind.CoilSpacer };
        var there = PlacedPart.Of(shelf, Sample.Id(70));
        var wagon = Sample.Pickup with
        {
            Front = new() { Kind = SuspensionKind.CoilFourLink },
            Rear = new() { Kind = SuspensionKind.CoilFourLink },
            Dimensions = Sample.Sizes with { FrontSpringBase = Sample.Mm(900) },
        };
        var from = Sample.AsFound with
        {
            Stacks =
            [
                new() { Corner = Corner.LF, Parts = [there] },
                new() { Corner = Corner.RF, Parts = [there with { Id = Sample.Id(71) }] },
            ],
        };
        // 100 mm nose high: both plates behind instead of in front make it level.
        var situation = new Situation(
            from,
            wagon,
            StanceOf.Compute(
                Sample.Round(40, from.Id),
                Sample.Readings(100, 40, 620, 1040, 520, 520, 1040, 620),
                wagon
            )
        )
        {
            Target = Sample.Level,
        };
        var first = Proved(situation, [shelf])[0];
        Assert.Equal("LR: part 1 · RR: part 1", Said(first));
        Assert.Empty(first.ToBuy);
        Assert.Equal(2, first.Rank.Opened);
    }

    [Fact]
    public void What_a_school_rules_out_is_left_out_with_its_reason()
    {
        Part[] shelf = [Shelf(1, 30, 2), Shelf(2, 30, 2) with { Kind = PartKind.PreloadSpacer }];
        var only = new StackSearch(
            Measured(Sample.Level),
            shelf,
            new SearchRules { PreloadOnly = true }
        );
        Assert.Contains(("part 1", "preload only, by choice"), only.LeftOut);
        Assert.Equal(
            "LF: part 2 · RF: part 2",
            Said(Proved(Measured(Sample.Level), shelf, new() { PreloadOnly = true })[0])
        );
        Assert.All(
            Proved(Measured(Sample.Level), shelf, new() { NoSpacers = true }),
            s => Assert.Equal("", Said(s))
        );
    }

    [Fact]
    public void Studs_that_must_be_cut_count_as_work_that_cannot_be_undone()
    {
        var situation = Measured(Sample.Level);
        situation = situation with
        {
            Vehicle = situation.Vehicle with
            {
                Front = situation.Vehicle.Front with
                {
                    Dimensions = new Dictionary<string, Quantity>
                    {
                        [SuspensionSizes.StudLength] = Sample.Mm(30),
                    },
                },
            },
        };
        Part[] shelf =
        [
            Shelf(1, 30, 2) with
            {
                Dimensions = new Dictionary<string, Quantity>
                {
                    [PartSizes.Recess] = Sample.Mm(20),
                },
            },
            Shelf(2, 30, 2) with
            {
                Dimensions = new Dictionary<string, Quantity>
                {
                    [PartSizes.Recess] = Sample.Mm(35),
                },
            },
        ];
        var order = Proved(situation, shelf);
        Assert.Equal("LF: part 2 · RF: part 2", Said(order[0]));
        Assert.Equal("LF: part 1 · RF: part 1", Said(order[1]));
        Assert.Contains("studs are cut to", order[1].Irreversible[0], StringComparison.Ordinal);
        var stopped = new StackSearch(situation, shelf, new SearchRules { NoCutting = true })
            .Run(Cancel)
            .First(n => n.Proved && Said(n.Found!) == "LF: part 1 · RF: part 1");
        Assert.Contains("studs are cut", stopped.Found!.Stopped, StringComparison.Ordinal);
    }

    [Fact]
    public void One_side_gets_its_own_stack_only_when_the_sides_may_differ()
    {
        // The whole body leans 10 mm to the left; a level rake is not asked.
        var situation = Measured(
            Sample.Level with
            {
                Rake = null,
                NoLean = true,
            },
            515,
            1035,
            575,
            585,
            1045,
            525
        );
        Part[] shelf = [Shelf(1, 8, 2), Shelf(2, 18, 2)];
        Assert.All(
            Proved(situation, shelf).Where(s => s.Rank.Missing < 20),
            s => Assert.Equal(0, s.Plan.Stacks.Count % 2)
        );
        var apart = Proved(situation, shelf, new() { SidesDiffer = true })[0];
        Assert.NotEqual(
            PartsAt(apart, Corner.LF).FirstOrDefault(),
            PartsAt(apart, Corner.RF).FirstOrDefault()
        );
    }

    [Fact]
    public void Brackets_that_lower_pivots_come_to_both_sides_or_to_none()
    {
        // It leans 40 mm: one bracket on one side would answer that, and set the wheels askew.
        var situation = Measured(
            Sample.Level with
            {
                Rake = null,
                NoLean = true,
            },
            500,
            1035,
            560,
            600,
            1045,
            540
        );
        Part[] shelf = [Shelf(1, 20, 4) with { Kind = PartKind.DropBracket }, Shelf(2, 12, 4)];
        var found = Proved(situation, shelf, new() { SidesDiffer = true });
        bool Bracket(FoundStack s, Corner corner) =>
            CornerStack.At(s.Plan.Stacks, corner).Any(p => p.Kind == PartKind.DropBracket);
        Assert.Contains(found, s => Bracket(s, Corner.LF));
        Assert.All(found, s => Assert.Equal(Bracket(s, Corner.LF), Bracket(s, Corner.RF)));
        // A plate may come to one side.
        Assert.Contains(found, s => PartsAt(s, Corner.LF).Length != PartsAt(s, Corner.RF).Length);
    }

    [Fact]
    public void What_is_left_out_at_either_end_or_before_is_told_once()
    {
        Part[] shelf =
        [
            // In front a plate without a thickness, behind a block; and a part that no stack is made of.
            Shelf(1, 0, 2) with
            {
                Thickness = null,
                Claim = Sample.Mm(50, Known.Box),
            },
            Shelf(2, 0, 2) with
            {
                Kind = PartKind.Block,
                Thickness = null,
            },
            Shelf(3, 20, 2) with
            {
                Kind = PartKind.PreloadSpacer,
            },
        ];
        var search = new StackSearch(
            Measured(Sample.Level),
            shelf,
            new SearchRules { NoSpacers = true }
        );
        Assert.Equal(
            ["part 1", "part 2", "part 3"],
            search.LeftOut.Select(l => l.Part).Distinct().Order()
        );
        Assert.Equal(search.LeftOut.Count, search.LeftOut.Distinct().Count());
        var plain = new StackSearch(Measured(Sample.Level), shelf, new SearchRules());
        Assert.Equal(["part 1", "part 2"], plain.LeftOut.Select(l => l.Part).Distinct().Order());
    }

    [Fact]
    public void What_is_found_before_it_is_proved_only_gets_better()
    {
        var situation = Measured(Sample.Level);
        Part[] shelf = [.. Enumerable.Range(1, 7).Select(n => Shelf(n, 6 * n, 4))];
        var order = Rank.By(new SearchRules().Order);
        var news = new StackSearch(situation, shelf, new SearchRules())
            .Run(Cancel)
            .Where(n => n.Found is not null)
            .ToArray();
        var first = Array.FindIndex(news, n => n.Proved);
        Assert.True(first > 0, "something is seen before anything is proved");
        var seen = news[..first].Where(n => n.Found!.Stopped is null).ToArray();
        Assert.All(seen, n => Assert.False(n.Proved));
        var proved = news.First(n => n is { Proved: true, Found.Stopped: null });
        Assert.All(seen, n => Assert.True(order.Compare(proved.Found!.Rank, n.Found!.Rank) <= 0));
        // What was looked at is counted, and no more than there is.
        Assert.True(news[^1].Looked > 0);
    }

    [Fact]
    public void A_part_with_a_claim_and_no_thickness_is_left_out_and_says_why()
    {
        var claimed = Shelf(1, 0, 2) with { Thickness = null, Claim = Sample.Mm(50, Known.Box) };
        var search = new StackSearch(Measured(Sample.Level), [claimed], new SearchRules());
        var (part, why) = Assert.Single(search.LeftOut);
        Assert.Equal("part 1", part);
        Assert.Contains("has a claim but no thickness", why, StringComparison.Ordinal);
    }

    [Fact]
    public void A_piece_that_nobody_measured_stays_where_it_is_and_the_other_axle_is_searched()
    {
        var unknown = Sample.Plate(70, null, PartKind.Block, claim: 50);
        var from = Sample.AsFound with
        {
            Stacks =
            [
                new() { Corner = Corner.LR, Parts = [unknown] },
                new() { Corner = Corner.RR, Parts = [unknown with { Id = Sample.Id(71) }] },
            ],
        };
        Part[] shelf = [Shelf(1, 30, 2), Shelf(2, 40, 2) with { Kind = PartKind.Block }];
        var found = Proved(Measured(Sample.Level) with { From = from }, shelf);
        Assert.Contains("LF: part 1 · RF: part 1", Said(found[0]), StringComparison.Ordinal);
        // What it would do to take it out cannot be told, so that no stack does.
        Assert.All(found, s => Assert.Equal([unknown.Name], PartsAt(s, Corner.LR)));
    }

    [Fact]
    public void Without_a_wish_or_without_readings_it_says_what_is_wanting()
    {
        var none = Sample.Level with { Rake = null };
        Assert.Contains(
            "Say first",
            new StackSearch(Measured(none), [], new SearchRules()).Cannot,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "walk round",
            new StackSearch(
                Measured(Sample.Level) with
                {
                    Baseline = null,
                },
                [],
                new SearchRules()
            ).Cannot,
            StringComparison.Ordinal
        );
    }

    private static Situation Measured(Target target, params double[] heights) =>
        new(
            Sample.AsFound,
            Sample.Pickup,
            StanceOf.Compute(
                Sample.Round(40, Sample.AsFound.Id),
                Sample.Readings(
                    100,
                    40,
                    heights.Length > 0 ? heights : [520, 1040, 580, 580, 1040, 520]
                ),
                Sample.Pickup
            )
        )
        {
            Target = target,
        };

    private static Part Shelf(int n, double thickness, int count) =>
        new()
        {
            Id = Sample.Id(900 + n),
            Number = $"P-{n}",
            Name = $"part {n}",
            Kind = PartKind.StrutTopSpacer,
            Thickness = Sample.Mm(thickness),
            Count = count,
        };

    private static FoundStack[] Proved(
        Situation situation,
        Part[] shelf,
        SearchRules? rules = null
    ) =>
        [
            .. new StackSearch(situation, shelf, rules ?? new SearchRules())
                .Run(Cancel)
                .Where(n => n is { Proved: true, Found.Stopped: null })
                .Select(n => n.Found!),
        ];

    private static string Said(FoundStack s) =>
        string.Join(
            " · ",
            s.Plan.Stacks.Select(c =>
                $"{c.Corner}: {string.Join(" + ", c.Parts.Select(p => p.Name))}"
            )
        );

    private static string[] PartsAt(FoundStack s, Corner corner) =>
        [.. CornerStack.At(s.Plan.Stacks, corner).Select(p => p.Name)];

    /// <summary>A shelf, a vehicle, readings and a wish, all drawn.</summary>
    private static (Situation, Part[], SearchRules) Case(Random random)
    {
        var known = random.Next(2) == 0;
        var front = Sample.Pickup.Front with
        {
            Kind = random.Next(2) == 0 ? SuspensionKind.CoilOverArm : SuspensionKind.CoilFourLink,
            Dimensions = known
                ? new Dictionary<string, Quantity>
                {
                    [SuspensionSizes.SpringLength] = Sample.Mm(450),
                    [SuspensionSizes.StrutExtended] = Sample.Mm(500),
                    [SuspensionSizes.StrutCollapsed] = Sample.Mm(380),
                    [SuspensionSizes.ShockLength] = Sample.Mm(450),
                    [SuspensionSizes.ShockExtended] = Sample.Mm(560),
                    [SuspensionSizes.ShockCollapsed] = Sample.Mm(350),
                    [SuspensionSizes.CvDrop] = Sample.Mm(20),
                    [SuspensionSizes.CvRun] = Sample.Mm(420),
                }
                : [],
        };
        var vehicle = Sample.Pickup with
        {
            Front = front,
            Dimensions = Sample.Sizes with { FrontSpringBase = Sample.Mm(900) },
        };
        double Around(double mm, double by) => mm + ((random.NextDouble() - 0.5) * 2 * by);
        var nose = Around(530, 40);
        double[] heights =
        [
            nose,
            1040,
            Around(570, 10),
            Around(570, 10),
            1040,
            nose + Around(0, 12),
        ];
        var sides = random.Next(3) == 0;
        var shelf = Enumerable
            .Range(1, sides ? 4 : 7)
            .Select(n =>
                Shelf(n, Math.Round(Around(30, 25), 1), random.Next(0, 5)) with
                {
                    Kind = Kinds[random.Next(Kinds.Length)],
                    Price = random.Next(4) == 0 ? null : random.Next(10, 90),
                    Hours =
                        random.Next(2) == 0
                            ? null
                            : new Quantity
                            {
                                Value = random.Next(1, 5) / 2.0,
                                Unit = Unit.Hour,
                                Known = Known.Told,
                            },
                    Fit = Fit(random),
                }
            )
            .ToArray();
        var target = new Target
        {
            Datum = Datum.Hub,
            Tolerance = Sample.Mm(6.35),
            Rake = random.Next(4) == 0 ? null : Sample.Mm(random.Next(0, 20)),
            LeastFrontLift = random.Next(2) == 0 ? Sample.Mm(random.Next(0, 60)) : null,
            MostRearLift = random.Next(3) == 0 ? Sample.Mm(random.Next(5, 60)) : null,
            LeastRearLift = Sample.Mm(0),
            // Lean and diagonals want different things: sometimes both, sometimes either.
            NoLean = sides && random.Next(3) > 0,
            EvenDiagonals = sides && random.Next(2) == 0,
        };
        return (
            Measured(target, heights) with
            {
                Vehicle = vehicle with { Engine = random.Next(2) == 0 ? "V6" : null },
                Platform = "Drover",
                Weighed =
                [
                    .. new[] { 550.0, 550, 400, 400 }.Select(kg => new Estimate(Around(kg, 12), 1)),
                ],
            },
            shelf,
            new SearchRules
            {
                SidesDiffer = sides,
                MayBuy = random.Next(4) == 0,
                // Every order in turn.
                Order = (SearchOrder)random.Next(7),
                HourRate = 20 + random.Next(150),
                LeastChance = random.Next(3) == 0 ? 0.0503 : 0,
            }
        );
    }

    /// <summary>For which vehicles a drawn part is: often for this one.</summary>
    private static PartFit? Fit(Random random) =>
        random.Next(8) switch
        {
            0 => null,
            1 => new PartFit { Platforms = [new("Marsh")] },
            2 => new PartFit { AnyPlatform = true, Rules = [new FitRule.OnlyAt(Axle.Front)] },
            3 => new PartFit
            {
                AnyPlatform = true,
                Rules = [new FitRule.NotBeside(Kinds[random.Next(Kinds.Length)])],
            },
            4 => new PartFit
            {
                Platforms = [new("Drover")],
                Rules = [new FitRule.OnlyWith(VariantAspect.Engine, ["V6", "V8"])],
            },
            _ => new PartFit { Platforms = [new("Marsh"), new("drover")] },
        };

    private static IEnumerable<(Rank Rank, double Chance)> All(
        Situation s,
        Part[] shelf,
        SearchRules rules
    )
    {
        Part[][][] per =
        [
            .. Corners.All.Select(c =>
                Subsets(
                        shelf.Where(p =>
                            PartRule
                                .Of(p.Kind)
                                .FitsOn(s.Vehicle.SuspensionOf(Corners.AxleOf(c)).Kind)
                        )
                    )
                    .ToArray()
            ),
        ];
        foreach (var lf in per[0])
        {
            foreach (var rf in rules.SidesDiffer ? per[1].Where(p => ButForOne(lf, p)) : [lf])
            {
                foreach (var lr in per[2])
                {
                    foreach (
                        var rr in rules.SidesDiffer ? per[3].Where(p => ButForOne(lr, p)) : [lr]
                    )
                    {
                        if (RankOf(s, shelf, [lf, rf, lr, rr], rules) is { } rank)
                        {
                            yield return rank;
                        }
                    }
                }
            }
        }
    }

    private static bool ButForOne(Part[] left, Part[] right) =>
        left.Except(right).Count() <= 1 && right.Except(left).Count() <= 1;

    /// <summary>Sets of at most two parts, no two of a kind.</summary>
    private static IEnumerable<Part[]> Subsets(IEnumerable<Part> of)
    {
        Part[] parts = [.. of];
        yield return [];
        for (var i = 0; i < parts.Length; i++)
        {
            yield return [parts[i]];
            for (var j = i + 1; j < parts.Length; j++)
            {
                if (parts[i].Kind != parts[j].Kind)
                {
                    yield return [parts[i], parts[j]];
                }
            }
        }
    }

    private static (Rank Rank, double Chance)? RankOf(
        Situation s,
        Part[] shelf,
        Part[][] corners,
        SearchRules rules
    )
    {
        if (
            corners
                .SelectMany(p => p)
                .GroupBy(p => p)
                .Any(g => !rules.MayBuy && g.Count() > g.Key.Count)
        )
        {
            return null;
        }
        var id = 0;
        var plan = Sample.Plan() with
        {
            Stacks =
            [
                .. corners.Select(
                    (parts, i) =>
                        new CornerStack
                        {
                            Corner = Corners.All[i],
                            Parts =
                            [
                                .. parts
                                    .OrderBy(p => PartRule.Of(p.Kind).Order)
                                    .Select(p => PlacedPart.Of(p, Sample.Id(5000 + id++))),
                            ],
                        }
                ),
            ],
        };
        var p = Predictor.Predict(plan, s);
        var misfits = p.Misfits ?? [];
        if (p.Cannot is not null || p.Refusals.Count > 0 || misfits.Any(m => m.Known))
        {
            return null;
        }
        var uses = p.Corners.SelectMany(c => c.Uses).ToArray();
        if (uses.Any(u => u is { Hard: true, Share: > 1.001 }))
        {
            return null;
        }
        var come = corners.SelectMany(c => c).ToArray();
        var chance = p.Landing!.Value!.Value;
        var rank = new Rank(
            20 - (int)Math.Floor((chance / 0.05) + 1e-6),
            0,
            come.Length,
            (int)Math.Floor((uses.Select(u => u.Share).DefaultIfEmpty(0).Max() / 0.05) + 1e-9),
            0,
            (corners[0].Length + corners[1].Length > 0 ? 1 : 0)
                + (corners[2].Length + corners[3].Length > 0 ? 1 : 0),
            come.Sum(c => c.Hours?.In(Unit.Hour) ?? 1),
            come.Sum(c => (double?)c.Price ?? Median(shelf, c.Kind)),
            string.Join(
                '|',
                corners.Select(c =>
                    string.Join(
                        ',',
                        c.Select(x => x.Id.ToString("N")).Order(StringComparer.Ordinal)
                    )
                )
            ),
            misfits.Count > 0 ? 1 : 0
        );
        return (rank, chance);
    }

    /// <summary>What an unpriced part costs: the middle price of its kind.</summary>
    private static double Median(Part[] shelf, PartKind kind)
    {
        var prices = shelf
            .Where(p => p.Kind == kind && p.Price is not null)
            .Select(p => (double)p.Price!.Value)
            .Order()
            .ToArray();
        return prices.Length == 0
            ? 0
            : (prices[(prices.Length - 1) / 2] + prices[prices.Length / 2]) / 2;
    }
}
