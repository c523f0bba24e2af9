using Nokko.Core.Finding;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Finding;

public class PlanBTests
{
    private static readonly Part[] Shelf = [.. new[] { 20, 26, 30, 34, 40 }.Select(Plate)];

    private static readonly Situation Here = new(Sample.AsFound, Sample.Pickup, Sample.Stance())
    {
        Target = Sample.Level,
    };

    private static readonly Plan Thirty = Sample.Plan(
        (Corner.LF, PlacedPart.Of(Plate(30), Sample.Id(801))),
        (Corner.RF, PlacedPart.Of(Plate(30), Sample.Id(802)))
    );

    [Fact]
    public void Landing_high_takes_a_thinner_plate_and_landing_low_a_thicker_one()
    {
        var cases = PlanB.Of(Thirty, Here, Shelf, new SearchRules());
        Assert.Equal([Axle.Front, Axle.Front], cases.Select(c => c.Axle));
        var (high, low) = (cases[0], cases[1]);
        Assert.True(high.OffMm > 0 && low.OffMm < 0);
        Assert.True(Thickness(high) < 30);
        Assert.True(Thickness(low) > 30);
        // Only the axle that missed is opened again: two plates out, two in.
        Assert.Equal((4, 1), (high.Stack!.Rank.Touched, high.Stack.Rank.Opened));
        Assert.True(high.Stack.Chance > 0.75);
    }

    [Fact]
    public void What_the_plan_has_taken_is_not_on_the_shelf_any_more()
    {
        // Nothing else is at hand: there is no plan B, and it says so.
        Part[] only = [Plate(30) with { Count = 2 }];
        var cases = PlanB.Of(Thirty, Here, only, new SearchRules());
        Assert.All(
            cases.Where(c => !c.StaysGood),
            c => Assert.True(c.Stack is null || Thickness(c) == 0)
        );
    }

    [Fact]
    public void A_wide_tolerance_leaves_it_as_it_is()
    {
        var easy = Here with
        {
            Target = Sample.Level with { Tolerance = Sample.Mm(40), LeastFrontLift = Sample.Mm(1) },
        };
        // Off by one and a half tolerances is a miss whatever the tolerance is.
        var cases = PlanB.Of(Thirty, easy, Shelf, new SearchRules());
        Assert.All(cases, c => Assert.True(Math.Abs(c.OffMm) >= 60));
        Assert.All(cases, c => Assert.False(c.StaysGood));
    }

    [Fact]
    public void Without_a_prediction_there_is_no_plan_b() =>
        Assert.Empty(PlanB.Of(Thirty, Here with { Baseline = null }, Shelf, new SearchRules()));

    [Fact]
    public void An_axle_on_another_suspension_that_lands_low_takes_what_stands_on_that()
    {
        // Links and coils behind, set up at today's 580 and resting there; level with the lips at 520 in front is far below: only the front rises.
        const double load = 800 * 9.80665 / 2 * 0.8;
        var plan = Thirty with
        {
            Conversions =
            [
                new AxleConversion
                {
                    Axle = Axle.Rear,
                    To = Plans.StacksTests.Of(
                        SuspensionKind.CoilFourLink,
                        ("springLength", 450 - (load / 48)),
                        ("springFreeLength", 450),
                        ("springRate", 48)
                    ),
                    SetUpAt = Sample.Mm(580),
                },
            ],
        };
        Part[] rings =
        [
            .. new[] { 8, 16, 24, 32 }.Select(mm =>
                Plate(mm) with
                {
                    Kind = PartKind.CoilSpacer,
                    Name = $"ring {mm}",
                }
            ),
            Plate(20) with
            {
                Kind = PartKind.Block,
                Name = "block",
            },
        ];
        var cases = PlanB.Of(
            plan,
            Here with
            {
                Vehicle = Plans.StacksTests.On(),
            },
            rings,
            new SearchRules()
        );
        var low = Assert.Single(cases, c => c is { Axle: Axle.Rear, OffMm: < 0 });
        var comes = low.Stack!.Plan.Stacks.SelectMany(s => s.Parts).Select(p => p.Kind).ToArray();
        Assert.Contains(PartKind.CoilSpacer, comes);
        Assert.DoesNotContain(PartKind.Block, comes);
    }

    [Fact]
    public void A_miss_is_two_of_what_is_not_known_or_one_and_a_half_of_what_is_allowed()
    {
        void Off(double tolerance)
        {
            var here = Here with
            {
                Target = Sample.Level with { Tolerance = Sample.Mm(tolerance) },
            };
            var u = Predictor.Predict(Thirty, here).FrontRise.U!.Value;
            var off = Math.Max(2 * u, 1.5 * tolerance);
            var cases = PlanB.Of(Thirty, here, Shelf, new SearchRules());
            Assert.Equal([off, -off], cases.Select(c => c.OffMm));
            Assert.All(cases, c => Assert.Equal(Axle.Front, c.Axle));
        }
        Off(1);
        Off(30);
    }

    [Fact]
    public void Where_a_miss_is_still_within_what_is_wanted_nothing_is_done()
    {
        var here = Here with
        {
            Target = Sample.Level with { Rake = null, LeastFrontLift = Sample.Mm(10) },
        };
        var cases = PlanB.Of(Thirty, here, Shelf, new SearchRules());
        Assert.Equal(2, cases.Count);
        Assert.All(cases, c => Assert.True(c is { StaysGood: true, Stack: null }));
    }

    [Fact]
    public void Landing_low_takes_what_is_left_when_the_plan_has_taken_its_own()
    {
        // A plate lifts the lip by about 1.9 of its thickness: so much thicker takes the miss back.
        PlanB Low(params Part[] shelf) =>
            PlanB.Of(Thirty, Here, shelf, new SearchRules()).Single(c => c.OffMm < 0);
        var off = Low(Plate(30)).OffMm;
        var thicker = Plate((int)Math.Round(30 - (off / 1.9)));
        double[] Come(int count) =>
            [
                .. (
                    Low(
                        Plate(30) with
                        {
                            Count = 2,
                        },
                        thicker with
                        {
                            Count = count,
                        }
                    ).Stack?.Plan.Stacks
                    ?? []
                )
                    .SelectMany(s => s.Parts)
                    .Select(p => p.Thickness!.In(Unit.Mm)),
            ];
        var mm = thicker.Thickness!.In(Unit.Mm);
        Assert.Equal([mm, mm], Come(2));
        // One is not enough for two sides.
        Assert.DoesNotContain(mm, Come(1));
    }

    [Fact]
    public void A_stack_that_lifts_behind_can_miss_behind_and_one_at_both_ends_in_four_ways()
    {
        Part Block() => Plate(25) with { Kind = PartKind.Block, Name = "block" };
        var rear = Sample.Plan(
            (Corner.LR, PlacedPart.Of(Block(), Sample.Id(811))),
            (Corner.RR, PlacedPart.Of(Block(), Sample.Id(812)))
        );
        Axle[] Missed(Plan plan) =>
            [.. PlanB.Of(plan, Here, [.. Shelf, Block()], new SearchRules()).Select(c => c.Axle)];
        Assert.Equal([Axle.Rear, Axle.Rear], Missed(rear));
        Assert.Equal(
            [Axle.Front, Axle.Front, Axle.Rear, Axle.Rear],
            Missed(rear with { Stacks = [.. Thirty.Stacks, .. rear.Stacks] })
        );
    }

    private static double Thickness(PlanB b) =>
        CornerStack.At(b.Stack!.Plan.Stacks, Corner.LF).Sum(p => p.Thickness!.In(Unit.Mm));

    internal static Part Plate(int mm) =>
        new()
        {
            Id = Sample.Id(900 + mm),
            Number = $"P-{mm}",
            Name = $"plate {mm}",
            Kind = PartKind.StrutTopSpacer,
            Thickness = Sample.Mm(mm),
            Count = 4,
        };
}
