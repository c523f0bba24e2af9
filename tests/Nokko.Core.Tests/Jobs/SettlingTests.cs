using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>How far this vehicle is foretold to come down on these springs, and what it shows.</summary>
public class SettlingTests
{
    private readonly Workshop _shop = new();

    private void Fitted()
    {
        _shop.Begun();
        _shop.DoTheWork();
    }

    private void Read(string front, DateTimeOffset at, double km)
    {
        _shop.Now = at;
        _shop.ReadAll(("LF", front), ("LR", "22 7/8"), ("RR", "22 7/8"), ("RF", front));
        _shop.Document = _shop.Document with
        {
            WalkRounds =
            [
                .. _shop.Document.WalkRounds.Select(w =>
                    w.Id == _shop.Round ? w with { Odometer = Sample.Of(km, Unit.Km) } : w
                ),
            ],
        };
    }

    private static PlacedPart Placed(int id, PartKind kind, int? part = null) =>
        new()
        {
            Id = Sample.Id(id),
            PartId = part is { } p ? Sample.Id(p) : null,
            Name = $"{kind}",
            Kind = kind,
        };

    private static IReadOnlyList<SettlingAxle> Of(
        params (Corner Corner, PlacedPart Part)[] parts
    ) =>
        SettlingAxle.Of(
            Sample.Pickup,
            Sample.AsFound,
            new Plan
            {
                Id = Sample.Id(60),
                Name = "A",
                FromStageId = Sample.AsFound.Id,
                Stacks =
                [
                    .. parts
                        .GroupBy(p => p.Corner)
                        .Select(g => new CornerStack
                        {
                            Corner = g.Key,
                            Parts = [.. g.Select(p => p.Part)],
                        }),
                ],
            }
        );

    [Fact]
    public void A_new_spring_is_known_by_its_part_and_the_old_one_by_its_platform()
    {
        var coil = Assert.Single(
            Of(
                (Corner.LF, Placed(71, PartKind.CoilOver, 700)),
                (Corner.RF, Placed(72, PartKind.CoilOver, 700))
            )
        );
        Assert.Equal(
            (Axle.Front, true, new SpringKey(Sample.Id(700), Axle.Front, LiftFamily.Spring)),
            (coil.Axle, coil.IsNew, coil.Spring!.Value)
        );
        var block = Assert.Single(
            Of(
                (Corner.LR, Placed(73, PartKind.Block, 701)),
                (Corner.RR, Placed(74, PartKind.Block, 701))
            )
        );
        Assert.Equal(
            (
                Axle.Rear,
                false,
                new SpringKey(Sample.Pickup.PlatformId, Axle.Rear, LiftFamily.Block)
            ),
            (block.Axle, block.IsNew, block.Spring!.Value)
        );
        // A new spring with a plate on it is a new spring.
        Assert.True(
            Assert
                .Single(
                    Of(
                        (Corner.LF, Placed(75, PartKind.StrutTopSpacer, 702)),
                        (Corner.LF, Placed(76, PartKind.CoilOver, 700))
                    )
                )
                .IsNew
        );
    }

    [Fact]
    public void What_touches_no_spring_lets_nothing_settle()
    {
        Assert.Empty(Of());
        Assert.Empty(Of((Corner.LF, Placed(71, PartKind.BodyPuck, 700))));
        Assert.Empty(Of((Corner.LF, Placed(71, PartKind.Tyre, 700))));
        Assert.Empty(Of((Corner.LF, Placed(71, PartKind.TrackBar, 700))));
        // Nobody could find a spring again that is none of the shelf's.
        var own = Assert.Single(Of((Corner.LF, Placed(71, PartKind.CoilOver))));
        Assert.Null(own.Spring);
        Assert.Equal(-SpringSettling.Usual(true).Mean, own.Foretold([]).Rise.Value!.Value, 1e-12);
    }

    [Fact]
    public void A_controller_holds_its_axle_whatever_lies_under_it()
    {
        var held = Sample.AsFound with
        {
            Rear = Sample.AsFound.Rear with { HeightControl = HeightControl.OneSensor },
        };
        var plan = new Plan
        {
            Id = Sample.Id(60),
            Name = "A",
            FromStageId = held.Id,
            Stacks = [new() { Corner = Corner.LR, Parts = [Placed(73, PartKind.Block, 701)] }],
        };
        Assert.Empty(SettlingAxle.Of(Sample.Pickup, held, plan));
    }

    [Fact]
    public void The_round_nearest_to_500_miles_shows_it_and_only_the_axle_that_was_lifted()
    {
        Fitted();
        var start = _shop.Now.AddHours(1);
        Read("22 3/4", start, 1000);
        Assert.Empty(JobEvaluator.Evaluate(_shop.Document).Settled);
        // Within 50 miles nobody can tell.
        Read("22 1/2", start.AddDays(1), 1060);
        Assert.Empty(JobEvaluator.Evaluate(_shop.Document).Settled);
        Read("22 1/4", start.AddDays(5), 1161);
        var early = Assert.Single(JobEvaluator.Evaluate(_shop.Document).Settled);
        Assert.Equal(Axle.Front, early.Axle);
        Assert.Equal(12.7 / SpringSettling.Share(161), early.Mm, 0.01);
        Read("22 1/4", start.AddDays(30), 1805);
        var later = Assert.Single(JobEvaluator.Evaluate(_shop.Document).Settled);
        Assert.Equal((12.7, 805), (Math.Round(later.Mm, 2), later.Km));
        Assert.True(later.U < early.U);
        // What is read after years is wear.
        Read("21", start.AddDays(900), 40_000);
        Assert.Equal(12.7, Assert.Single(JobEvaluator.Evaluate(_shop.Document).Settled).Mm, 0.01);
        // Of a copy it counts where it was measured.
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with { CopiedAt = start.AddDays(1000) },
        };
        Assert.Empty(JobEvaluator.Evaluate(_shop.Document).Settled);
    }

    /// <summary>What it settles after it left is told beside the lift; learned in both it would be counted twice.</summary>
    [Fact]
    public void The_lift_line_learns_from_how_it_left_and_from_what_came_later_only_where_there_is_nothing_else()
    {
        Fitted();
        var start = _shop.Now.AddHours(1);
        Read("22 3/4", start, 1000);
        _shop.Do(new HandOver(_shop.Key(), 0, null, null, [], "lines are known"));
        double Lift() => JobEvaluator.Evaluate(_shop.Document).Trials.Single().Measured.Have().Mean;
        var left = Lift();
        Read("22 1/4", start.AddDays(30), 1805);
        Assert.Equal(left, Lift(), 1e-12);
        // The proof speaks of how it stands now.
        Assert.Equal(
            left - 12.7,
            JobEvaluator.Evaluate(_shop.Document).Proofs.Single().Lifts[0].Measured.Have().Mean,
            0.01
        );
        // Handed over before anybody read it: what was read then is all that there is.
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with { HandedOverAt = start.AddMinutes(-1) },
        };
        Assert.Equal(left - 12.7, Lift(), 0.01);
    }

    [Fact]
    public void What_comes_down_further_than_such_springs_do_is_named()
    {
        Fitted();
        var start = _shop.Now.AddHours(1);
        Read("22 3/4", start, 1000);
        Read("22 5/8", start.AddDays(30), 1805);
        var usual = JobEvaluator.Evaluate(_shop.Document).Settling!.Since[^1];
        Assert.Empty(usual.More);
        var foretold = Assert.Single(usual.Foretold);
        Assert.Equal(Axle.Front, foretold.Axle);
        // Plates on the springs that were in: rubber and bushings.
        Assert.Equal(-1.5, foretold.Rise.Value!.Value, 1e-9);
        Read("21 3/4", start.AddDays(40), 1900);
        Assert.Equal([Axle.Front], JobEvaluator.Evaluate(_shop.Document).Settling!.Since[^1].More);
        // Where vehicles on such springs came down like this, it is no wonder.
        var key = new SpringKey(_shop.Document.Vehicle.PlatformId, Axle.Front, LiftFamily.Spring);
        var known = _shop.Context().Others with { Settled = [new(key, 50, 40, 40 * 24.0)] };
        Assert.Empty(JobEvaluator.Evaluate(_shop.Document, known).Settling!.Since[^1].More);
    }

    [Fact]
    public void A_plan_says_how_far_it_will_come_down_and_by_how_many_vehicles()
    {
        Fitted();
        var plan = _shop.Document.BegunPlan()!;
        var bare = JobEvaluator
            .Evaluate(_shop.Document)
            .Predictions.Single(p => p.PlanId == plan.Id);
        Assert.Equal((0, -1.5), (bare.Settles![0].Vehicles, bare.Settles[0].Rise.Value));
        var key = new SpringKey(_shop.Document.Vehicle.PlatformId, Axle.Front, LiftFamily.Spring);
        var other = key with { Axle = Axle.Rear };
        var known = _shop.Context().Others with
        {
            Settled = [new(other, 9, 50, 500), new(key, 4, 4, 12)],
        };
        var taught = JobEvaluator
            .Evaluate(_shop.Document, known)
            .Predictions.Single(p => p.PlanId == plan.Id);
        Assert.Equal(4, Assert.Single(taught.Settles!).Vehicles);
        // (1.5/2.25 + 12) / (1/2.25 + 4)
        Assert.Equal(-2.85, taught.Settles![0].Rise.Value!.Value, 1e-9);
    }
}
