using CsCheck;
using Nokko.Core.Finding;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Finding.CentredAxlesTests;
using static Nokko.Core.Tests.Geometry.Moved;

namespace Nokko.Core.Tests.Finding;

/// <summary>What must come beside a stack so that nothing it moves is beyond its limit.</summary>
public class HeldGeometryTests
{
    private static readonly SearchRules Held = new() { HoldGeometry = true };
    private static readonly Part Ring = AtHand(1, PartKind.CoilSpacer, 60);
    private static readonly Part LongBar = AtHand(2, PartKind.TrackBar, null, 1, 1.5, 180);
    private static readonly Part Bracket = AtHand(3, PartKind.TrackBarBracket, 60, 1, 1, 60);
    private static readonly Part Pitman = AtHand(4, PartKind.PitmanArm, 60, 1, 0.5, 50);
    private static readonly Part Links = AtHand(5, PartKind.SwayBarLink, 60, 2, 0.5, 20);

    /// <summary>A steered axle on a bar and a drag link that lie alike, and an anti-roll bar.</summary>
    private static Situation Steered(params (string, double)[] more) =>
        Here(
            Plans.StacksTests.On(
                Plans.StacksTests.Of(
                    SuspensionKind.CoilFourLink,
                    [
                        .. Bar,
                        (SuspensionSizes.DragLinkRun, 860),
                        (SuspensionSizes.DragLinkDrop, 60),
                        (SuspensionSizes.SteeringArm, 170),
                        .. more,
                    ]
                ) with
                {
                    BarBodyEnd = Side.Right,
                }
            )
        ) with
        {
            Limits = new([new GeometryLimit(MechanismKind.TrackBar, Sample.Mm(4))]),
        };

    private static string[] Come(FoundStack s) =>
        [
            .. s.Plan.Stacks.SelectMany(c =>
                c.Parts.Where(p => p.Kind != PartKind.CoilSpacer)
                    .Select(p => $"{p.Kind} {c.Corner}")
            ),
        ];

    private static Mechanism[] Beyond(IReadOnlyList<CornerStack> stacks, Situation situation) =>
        [
            .. PlanGeometry
                .Of(Sample.Plan() with { Stacks = stacks }, situation)
                .Mechanisms.Where(m => m.Beyond && CureParts.Of(m.Kind).Count > 0),
        ];

    [Fact]
    public void Every_kind_of_mechanism_says_which_parts_take_it_back()
    {
        foreach (var kind in Enum.GetValues<MechanismKind>())
        {
            Assert.All(CureParts.Of(kind), set => Assert.NotEmpty(set));
        }
        Assert.Throws<ArgumentOutOfRangeException>(() => CureParts.Of((MechanismKind)99));
    }

    [Fact]
    public void Who_holds_nothing_gets_no_cure_but_is_told_what_it_would_take()
    {
        Part[] shelf = [Ring, LongBar, Links];
        var situation = Steered((SuspensionSizes.BarArm, 300), (SuspensionSizes.BarLink, 120));
        var search = new StackSearch(situation, shelf, new());
        var s = Raised(
            [.. search.Run(CancellationToken.None).Where(n => n.Proved).Select(n => n.Found!)],
            Corner.LF,
            Corner.RF
        );
        Assert.Empty(Come(s));
        Assert.Null(s.Stopped);
        var cures = search.CuresOf(s);
        Assert.Equal([MechanismKind.TrackBar, MechanismKind.SwayBar], cures.Select(c => c.Kind));
        Assert.All(cures, c => Assert.Equal("front", c.Where));
        // One bar for the axle, a link for each side.
        Assert.Equal((1.5, 180), (cures[0].Hours, cures[0].Money));
        Assert.Equal((1, 40), (cures[1].Hours, cures[1].Money));
        Assert.Equal([Corner.LF, Corner.RF], cures[1].Parts.Select(p => p.Corner));
    }

    [Fact]
    public void Held_the_cheapest_cures_come_and_hours_price_and_pieces_count_them()
    {
        Part[] shelf = [Ring, LongBar, Links];
        var situation = Steered((SuspensionSizes.BarArm, 300), (SuspensionSizes.BarLink, 120));
        var without = Raised(All(situation, shelf, new()), Corner.LF, Corner.RF);
        var held = Raised(All(situation, shelf, Held), Corner.LF, Corner.RF);
        Assert.Equal(["SwayBarLink LF", "TrackBar RF", "SwayBarLink RF"], Come(held));
        Assert.Null(held.Stopped);
        Assert.Empty(Beyond(held.Plan.Stacks, situation));
        Assert.Equal(without.Hours + 2.5, held.Hours, 1e-9);
        Assert.Equal(without.Rank.Cost + 220, held.Rank.Cost, 1e-9);
        Assert.Equal(without.Rank.Touched + 3, held.Rank.Touched);
    }

    [Fact]
    public void A_bracket_in_front_brings_its_pitman_arm_because_alone_it_would_steer_with_every_bump()
    {
        var situation = Steered();
        var both = Raised(
            All(situation, [Ring, LongBar, Bracket, Pitman], Held),
            Corner.LF,
            Corner.RF
        );
        // 110 and an hour and a half against 180 and an hour and a half.
        Assert.Equal(["TrackBarBracket RF", "PitmanArm RF"], Come(both));
        var alone = Raised(All(situation, [Ring, Bracket], Held), Corner.LF, Corner.RF);
        Assert.Empty(Come(alone));
        Assert.StartsWith("front axle: ", alone.Stopped, StringComparison.Ordinal);
        Assert.EndsWith("Nothing at hand takes it back.", alone.Stopped, StringComparison.Ordinal);
    }

    [Fact]
    public void One_link_is_not_enough_for_two_sides_unless_another_may_be_bought()
    {
        var situation = Steered((SuspensionSizes.BarArm, 300), (SuspensionSizes.BarLink, 120));
        Part[] shelf = [Ring, LongBar, Links with { Count = 1 }];
        Assert.NotNull(Raised(All(situation, shelf, Held), Corner.LF, Corner.RF).Stopped);
        var bought = Raised(
            All(situation, shelf, Held with { MayBuy = true }),
            Corner.LF,
            Corner.RF
        );
        Assert.Null(bought.Stopped);
        Assert.Equal(["1 × part 5"], bought.ToBuy);
        // What was thrown away is not bought back.
        shelf[2] = shelf[2] with
        {
            BinnedAt = Sample.At(0),
        };
        Assert.NotNull(
            Raised(All(situation, shelf, Held with { MayBuy = true }), Corner.LF, Corner.RF).Stopped
        );
    }

    [Fact]
    public void What_nobody_taped_is_not_held()
    {
        var untaped = Here(Plans.StacksTests.On(Plans.StacksTests.Of(SuspensionKind.CoilFourLink)));
        var s = Raised(All(untaped, [Ring, LongBar], Held), Corner.LF, Corner.RF);
        Assert.Null(s.Stopped);
        Assert.Empty(Come(s));
    }

    [Fact]
    public void What_is_let_through_has_nothing_beyond_and_its_cures_are_the_cheapest_that_do_it() =>
        Gen.Select(
                Gen.Double[20, 90],
                Gen.Double[200, 500],
                Gen.Double[60, 200],
                Gen.Double[10, 90].Array[4],
                Gen.Int[1, 300].Array[8]
            )
            .Sample(
                (ring, arm, link, amounts, prices) =>
                {
                    var situation = Steered(
                        (SuspensionSizes.BarArm, arm),
                        (SuspensionSizes.BarLink, link)
                    );
                    Part[] cures =
                    [
                        AtHand(2, PartKind.TrackBar, null, 1, 1, prices[0]),
                        AtHand(3, PartKind.TrackBarBracket, amounts[0], 1, 1, prices[1]),
                        AtHand(4, PartKind.PitmanArm, amounts[0], 1, 1, prices[2]),
                        AtHand(5, PartKind.SwayBarLink, amounts[1], 2, 1, prices[3]),
                        AtHand(6, PartKind.SwayBarLink, amounts[2], 2, 1, prices[4]),
                    ];
                    Part[] shelf = [AtHand(1, PartKind.CoilSpacer, ring), .. cures];
                    var bare = Raised(All(situation, shelf, new()), Corner.LF, Corner.RF);
                    var held = Raised(All(situation, shelf, Held), Corner.LF, Corner.RF);
                    // By brute force: every choice of pieces, each on the corners where it goes.
                    var least = double.PositiveInfinity;
                    for (var bits = 0; bits < 1 << cures.Length; bits++)
                    {
                        var chosen = cures.Where((_, i) => (bits & (1 << i)) != 0).ToArray();
                        var with = bare
                            .Plan.Stacks.Select(s =>
                                s with
                                {
                                    Parts =
                                    [
                                        .. s.Parts,
                                        .. chosen
                                            .Where(p =>
                                                p.Kind == PartKind.SwayBarLink
                                                || s.Corner == Corner.RF
                                            )
                                            .Select(p => PlacedPart.Of(p, p.Id)),
                                    ],
                                }
                            )
                            .ToArray();
                        if (Beyond(with, situation).Length == 0)
                        {
                            least = Math.Min(
                                least,
                                chosen.Sum(p =>
                                    (p.Kind == PartKind.SwayBarLink ? 2 : 1)
                                    * ((double)p.Price!.Value + Held.HourRate)
                                )
                            );
                        }
                    }
                    Assert.Equal(double.IsPositiveInfinity(least), held.Stopped is not null);
                    if (held.Stopped is null)
                    {
                        Assert.Empty(Beyond(held.Plan.Stacks, situation));
                        Assert.Equal(
                            least,
                            held.Rank.Cost
                                - bare.Rank.Cost
                                + ((held.Hours - bare.Hours) * Held.HourRate),
                            1e-6
                        );
                    }
                },
                iter: Sample.Tries(20)
            );

    [Fact]
    public void Behind_a_bracket_comes_alone_on_the_side_where_the_bar_meets_the_body()
    {
        var behind = Here(
            Plans.StacksTests.On(
                Plans.StacksTests.Of(SuspensionKind.CoilFourLink, Bar),
                Plans.StacksTests.Of(SuspensionKind.CoilFourLink, Bar) with
                {
                    BarBodyEnd = Side.Right,
                }
            ),
            new Target
            {
                Datum = Sample.Level.Datum,
                Tolerance = Sample.Level.Tolerance,
                LeastRearLift = Sample.Mm(50),
            }
        ) with
        {
            Limits = new([new GeometryLimit(MechanismKind.TrackBar, Sample.Mm(4))]),
        };
        var s = Raised(All(behind, [Ring, LongBar, Bracket], Held), Corner.LR, Corner.RR);
        Assert.Equal(["TrackBarBracket RR"], Come(s));
        Assert.Null(s.Stopped);
    }
}
