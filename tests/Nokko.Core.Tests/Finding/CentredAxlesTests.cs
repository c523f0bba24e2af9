using CsCheck;
using Nokko.Core.Finding;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Tests.Geometry.Moved;

namespace Nokko.Core.Tests.Finding;

/// <summary>What must come beside a stack so that no axle on a track bar sits aside by more than is allowed.</summary>
public class CentredAxlesTests
{
    private const double Quarter = 6.35;

    /// <summary>The nose of a measured vehicle is 60 mm low; both axles hang on bars of 860 across and 60 high, whose end at the body is on the right in front.</summary>
    private static Vehicle OnBars { get; } =
        Plans.StacksTests.On(
            Plans.StacksTests.Of(SuspensionKind.CoilFourLink, Bar) with
            {
                BarBodyEnd = Side.Right,
            },
            Plans.StacksTests.Of(SuspensionKind.CoilFourLink, Bar)
        );

    internal static Situation Here(Vehicle? vehicle = null, Target? target = null)
    {
        var v = vehicle ?? OnBars;
        return new(Sample.AsFound with { Front = v.Front, Rear = v.Rear }, v, Sample.Stance(v))
        {
            Target = target ?? Sample.Level,
        };
    }

    internal static Part AtHand(
        int n,
        PartKind kind,
        double? thickness,
        int count = 4,
        double hours = 1,
        decimal? price = null
    ) =>
        new()
        {
            Id = Sample.Id(900 + n),
            Number = $"P-{n}",
            Name = $"part {n}",
            Kind = kind,
            Thickness = thickness is { } mm ? Sample.Mm(mm) : null,
            Count = count,
            Hours = Sample.Of(hours, Unit.Hour),
            Price = price,
        };

    private static readonly Part Ring = AtHand(1, PartKind.CoilSpacer, 60);
    private static readonly Part LongBar = AtHand(2, PartKind.TrackBar, null, 1, 1.5, 180);
    private static readonly Part Bracket = AtHand(3, PartKind.TrackBarBracket, 60, 1, 1, 60);

    internal static FoundStack[] All(Situation situation, Part[] shelf, SearchRules rules)
    {
        var search = new StackSearch(situation, shelf, rules);
        Assert.Null(search.Cannot);
        return [.. search.Run(CancellationToken.None).Where(n => n.Proved).Select(n => n.Found!)];
    }

    internal static FoundStack Raised(FoundStack[] found, params Corner[] corners) =>
        found.First(s =>
            s.Plan.Stacks.Where(c => c.Parts.Any(p => p.Kind == PartKind.CoilSpacer))
                .Select(c => c.Corner)
                .SequenceEqual(corners)
        );

    private static PlacedPart[] Bars(FoundStack s, Corner corner) =>
        [
            .. CornerStack
                .At(s.Plan.Stacks, corner)
                .Where(p => p.Kind is PartKind.TrackBar or PartKind.TrackBarBracket),
        ];

    [Fact]
    public void Who_holds_no_axle_gets_no_bar_and_is_told_by_geometry_alone()
    {
        var s = Raised(All(Here(), [Ring, LongBar, Bracket], new()), Corner.LF, Corner.RF);
        Assert.All(Corners.All, c => Assert.Empty(Bars(s, c)));
    }

    [Fact]
    public void A_steered_axle_gets_a_bar_at_its_end_on_the_body_and_hours_and_price_count_it()
    {
        Part[] shelf = [Ring, LongBar, Bracket];
        var without = Raised(All(Here(), shelf, new()), Corner.LF, Corner.RF);
        var held = Raised(
            All(Here(), shelf, new() { MostAsideMm = Quarter }),
            Corner.LF,
            Corner.RF
        );
        // A bracket takes less, but moves the bar alone and leaves the drag link.
        var bar = Assert.Single(Bars(held, Corner.RF));
        Assert.Equal(LongBar.Id, bar.PartId);
        Assert.Empty(Bars(held, Corner.LF));
        Assert.Null(held.Stopped);
        Assert.Equal(without.Hours + 1.5, held.Hours, 1e-9);
        Assert.Equal(without.Rank.Cost + 180, held.Rank.Cost, 1e-9);
        Assert.Equal(without.Rank.Touched + 1, held.Rank.Touched);
        Assert.Equal(without.Rank.Opened, held.Rank.Opened);
        Assert.Equal(without.Chance, held.Chance, 1e-4);
        Assert.False(held.HoursGuessed);
        Assert.Empty(held.ToBuy);
    }

    [Fact]
    public void Where_no_bar_is_at_hand_the_stack_is_stopped_and_says_how_far_aside_it_would_sit()
    {
        var rules = new SearchRules { MostAsideMm = Quarter };
        var stopped = Raised(All(Here(), [Ring, Bracket], rules), Corner.LF, Corner.RF);
        // By hand: 860 across and 60 high is 862.09 long; 60 mm higher it reaches 853.7, 6.3 aside, and the ± comes on top.
        Assert.StartsWith("front axle: up to ", stopped.Stopped, StringComparison.Ordinal);
        Assert.EndsWith(
            $"aside, and no track bar at hand brings it within {LengthText.Both(Quarter)}",
            stopped.Stopped,
            StringComparison.Ordinal
        );
        var bought = Raised(
            All(Here(), [Ring, LongBar with { Count = 0 }], rules with { MayBuy = true }),
            Corner.LF,
            Corner.RF
        );
        Assert.Null(bought.Stopped);
        Assert.Equal(["1 × part 2"], bought.ToBuy);
        // Nor does a part that was thrown away serve.
        var binned = LongBar with
        {
            BinnedAt = Sample.At(0),
        };
        Assert.NotNull(Raised(All(Here(), [Ring, binned], rules), Corner.LF, Corner.RF).Stopped);
        Assert.NotNull(
            Raised(
                All(Here(), [Ring, binned], rules with { MayBuy = true }),
                Corner.LF,
                Corner.RF
            ).Stopped
        );
        // A wider allowance needs nothing.
        var wide = Raised(All(Here(), [Ring], new() { MostAsideMm = 25 }), Corner.LF, Corner.RF);
        Assert.Null(wide.Stopped);
        Assert.Empty(Bars(wide, Corner.RF));
    }

    [Fact]
    public void Behind_the_cheaper_of_bar_and_bracket_comes_and_one_bar_does_not_serve_both_axles()
    {
        var rules = new SearchRules { MostAsideMm = 4 };
        var target = new Target
        {
            Datum = Sample.Level.Datum,
            Tolerance = Sample.Level.Tolerance,
            LeastFrontLift = Sample.Mm(50),
            LeastRearLift = Sample.Mm(50),
        };
        Corner[] all = [.. Corners.All];
        var both = Raised(All(Here(target: target), [Ring, LongBar, Bracket], rules), all);
        Assert.Equal(LongBar.Id, Assert.Single(Bars(both, Corner.RF)).PartId);
        Assert.Equal(Bracket.Id, Assert.Single(Bars(both, Corner.LR)).PartId);
        var one = Raised(All(Here(target: target), [Ring, LongBar], rules), all);
        Assert.StartsWith("rear axle: up to ", one.Stopped, StringComparison.Ordinal);
        Assert.Contains("no track bar or bracket", one.Stopped, StringComparison.Ordinal);
        // A bracket that is much too tall throws it to the other side.
        var tall = AtHand(4, PartKind.TrackBarBracket, 300);
        Assert.NotNull(
            Raised(All(Here(target: target), [Ring, LongBar, tall], rules), all).Stopped
        );
    }

    [Theory]
    // 40 and three hours against 120 and one: an hour's money decides.
    [InlineData(10, 6)]
    [InlineData(100, 7)]
    public void Of_two_bars_that_serve_the_one_comes_that_takes_least_on_the_whole(
        double rate,
        int which
    )
    {
        var rules = new SearchRules { MostAsideMm = Quarter, HourRate = rate };
        Part[] shelf =
        [
            Ring,
            AtHand(6, PartKind.TrackBar, null, 1, 3, 40),
            AtHand(7, PartKind.TrackBar, null, 1, 1, 120),
        ];
        var held = Raised(All(Here(), shelf, rules), Corner.LF, Corner.RF);
        Assert.Equal(Sample.Id(900 + which), Assert.Single(Bars(held, Corner.RF)).PartId);
        // One that is sold out waits for somebody who may buy.
        shelf[which - 5] = shelf[which - 5] with
        {
            Count = 0,
        };
        var other = Raised(All(Here(), shelf, rules), Corner.LF, Corner.RF);
        Assert.Equal(Sample.Id(900 + 13 - which), Assert.Single(Bars(other, Corner.RF)).PartId);
        Assert.Empty(other.ToBuy);
    }

    [Fact]
    public void A_bar_that_nobody_taped_stops_only_what_lifts_its_axle()
    {
        var rules = new SearchRules { MostAsideMm = Quarter };
        var untaped = OnBars with { Rear = Plans.StacksTests.Of(SuspensionKind.CoilFourLink) };
        Part[] shelf = [Ring, LongBar, Bracket];
        Assert.Null(Raised(All(Here(untaped), shelf, rules), Corner.LF, Corner.RF).Stopped);
        var both = new Target
        {
            Datum = Sample.Level.Datum,
            Tolerance = Sample.Level.Tolerance,
            LeastRearLift = Sample.Mm(50),
        };
        Assert.Equal(
            $"rear axle: its track bar was not taped, so nobody knows that it stays within {LengthText.Both(Quarter)}: tape run and drop",
            Raised(All(Here(untaped, both), shelf, rules), [.. Corners.All]).Stopped
        );
        // Leaf springs hold their axle themselves.
        var leaf = OnBars with
        {
            Rear = Plans.StacksTests.Of(SuspensionKind.LeafOverslung),
        };
        Assert.DoesNotContain(
            All(Here(leaf, both), [.. shelf, AtHand(5, PartKind.Block, 60)], rules),
            s => s.Stopped?.StartsWith("rear axle", StringComparison.Ordinal) == true
        );
    }

    [Fact]
    public void What_is_let_through_sits_within_it_by_the_geometry_of_its_plan_too() =>
        Gen.Select(
                Gen.Double[300, 1100],
                Gen.Double[-80, 160],
                Gen.Double[3, 14],
                Gen.Double[20, 90],
                Gen.Double[20, 90]
            )
            .Sample(
                (run, drop, most, ring, bracket) =>
                {
                    (string, double)[] bar =
                    [
                        (SuspensionSizes.TrackBarRun, run),
                        (SuspensionSizes.TrackBarDrop, drop),
                    ];
                    var vehicle = Plans.StacksTests.On(
                        Plans.StacksTests.Of(SuspensionKind.CoilFourLink, bar),
                        Plans.StacksTests.Of(SuspensionKind.CoilFourLink, bar)
                    );
                    var situation = Here(vehicle);
                    Part[] shelf =
                    [
                        AtHand(1, PartKind.CoilSpacer, ring),
                        AtHand(2, PartKind.TrackBar, null, 1),
                        AtHand(3, PartKind.TrackBarBracket, bracket, 1),
                    ];
                    foreach (var s in All(situation, shelf, new() { MostAsideMm = most }))
                    {
                        var sides = PlanGeometry
                            .Of(s.Plan, situation)
                            .Mechanisms.Where(m => m.Kind == MechanismKind.TrackBar)
                            .Select(m => m.Stands.Figure)
                            .ToArray();
                        Assert.Equal(2, sides.Length);
                        // Both sides' error together is no less than that of their mean.
                        Assert.True(
                            s.Stopped is not null
                                || sides.All(f =>
                                    Math.Abs(f.Value!.Value) + (1.96 * f.U!.Value) <= most + 1e-6
                                ),
                            $"{run} {drop} {most} {ring} {bracket}: {string.Join(", ", sides.Select(f => f.Value))} {s.Stopped}"
                        );
                    }
                },
                iter: Sample.Tries(20)
            );
}
