using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Practice;
using Nokko.Core.Shelf;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>What a score says of a plan, of the card, of the proof and of hours and money.</summary>
public sealed class WorkScoreTests
{
    [Fact]
    public void A_plan_is_judged_by_where_it_lands_against_the_best_of_its_shelf()
    {
        var best = Learner.Levelling().Run.Best()!;
        // By hand: of the four plates the one whose lift comes nearest to the 49 mm of rake.
        var tried = Learner.Levelling();
        var misses = tried.Shelf.Select(part =>
        {
            var learner = Learner.Levelling();
            learner.Shop.Do(
                new SavePlan(
                    learner.Shop.Key(),
                    learner.Shop.Key(),
                    null,
                    learner.Shop.Document.CurrentStage()!.Id,
                    "Plan A",
                    [
                        .. Corners
                            .Of(Axle.Front)
                            .Select(c => new CornerPlacingsInput(
                                c,
                                [
                                    new PlacingInput(
                                        learner.Shop.Key(),
                                        learner.Shelf.First(p => p.Name == part.Name).Id
                                    ),
                                ]
                            )),
                    ]
                )
            );
            return learner.Run.Now()!.MissMm;
        });
        Assert.InRange(best.MissMm, 0, misses.Min() + 1.6);
        var poor = Learner.Levelling();
        poor.Plan(poor.Shelf[2]);
        var line = poor.Score.Lines.Single(l => l.Area == ScoreArea.Plan);
        Assert.True(line.Got < line.Of && line.Learn is not null, line.Said);
        var none = Learner.Levelling();
        Assert.Equal(0, none.Score.Lines.Single(l => l.Area == ScoreArea.Plan).Got);
        Assert.Null(none.Run.Now());
    }

    [Fact]
    public void The_dear_part_that_lands_as_well_costs_points()
    {
        var learner = Learner.Levelling();
        learner.Plan(learner.Shelf[3]);
        var line = learner.Score.Lines.Single(l => l.Area == ScoreArea.Cost);
        Assert.Equal(0, line.Got);
        Assert.NotNull(line.Learn);
    }

    [Fact]
    public void A_hold_point_that_was_passed_over_says_what_would_have_happened()
    {
        var learner = Learner.Levelling();
        learner.PlanTheBest();
        var hold = default(CardStep);
        learner.Fit(skip: s =>
        {
            if (hold is null && s.HoldFor is not null)
            {
                hold = s;
                return true;
            }
            return false;
        });
        var passed = Assert.Single(learner.Run.PassedOver());
        Assert.Equal(hold!.Key, passed.Key);
        var line = learner.Score.Lines.Single(l => l.Area == ScoreArea.Fitting);
        // A third for the hold, a third for the step that is missing.
        Assert.Equal(5, line.Got, 1e-9);
        Assert.Equal(WouldHaveHappened.Of(passed).Said, line.Learn);
        // Confirmed afterwards it was passed over all the same.
        learner.Shop.Do(
            new DoStep(learner.Shop.Key(), learner.Shop.Key(), hold.Key, null, "late", [])
        );
        Assert.Single(learner.Run.PassedOver());
        Assert.Equal(10, learner.Score.Lines.Single(l => l.Area == ScoreArea.Fitting).Got, 1e-9);
    }

    [Fact]
    public void Rubber_that_is_closed_hanging_holds_its_axle_high_and_costs_a_third()
    {
        var learner = Learner.Levelling();
        learner.PlanTheBest();
        learner.Fit();
        double Stands(string lip) =>
            learner
                .Run.Vehicle.TrueMm(
                    learner.Shop.Document.CurrentStage()!.Id,
                    lip,
                    Datum.Hub,
                    Settled.Driven,
                    DateTimeOffset.MaxValue
                )!
                .Value;
        double Got() => learner.Score.Lines.Single(l => l.Area == ScoreArea.Fitting).Got;
        var (left, right, rear, got) = (Stands("LF"), Stands("RF"), Stands("LR"), Got());
        Assert.Equal(15, got, 1e-9);
        var rubber = learner.Shop.Document.Joints.First(j =>
            j.Kind == JointKind.BondedRubber && j.Where == "LF"
        );
        learner.Shop.Do(
            new TightenJoint(
                learner.Shop.Key(),
                learner.Shop.Key(),
                rubber.Id,
                Pass.Final,
                Workshop.Typed("101", Unit.PoundFoot),
                false,
                "wrench",
                WheelPosition.Hanging,
                "the ramp was needed"
            )
        );
        Assert.Equal(PracticeVehicle.HangingMm, Stands("LF") - left, 1e-6);
        Assert.Equal(PracticeVehicle.HangingMm, Stands("RF") - right, 1e-6);
        Assert.Equal(rear, Stands("LR"), 1e-6);
        Assert.Equal(10, Got(), 1e-9);
    }

    [Fact]
    public void What_a_plan_costs_is_its_parts_and_its_hours()
    {
        var learner = Learner.Levelling();
        learner.Plan(learner.Shelf[0]);
        var now = learner.Run.Now()!;
        Assert.True(now.Hours > 0);
        // Two plates of 35, and 80 an hour.
        Assert.Equal(70 + (now.Hours * 80), now.Money, 1e-9);
        // What is being fitted is judged, whatever is drawn up beside it.
        learner.Fit();
        learner.Shop.Do(learner.Shop.PlanWith(learner.Shelf[3], name: "Plan B"));
        Assert.Equal(now.Money, learner.Run.Now()!.Money, 1e-9);
    }

    [Theory]
    [InlineData(4, 7)]
    [InlineData(7, 4)]
    public void Where_no_lean_is_wanted_the_worse_end_s_is_what_it_misses_by(
        double front,
        double rear
    )
    {
        var truth = PracticeVehicleTests.Truth();
        var learner = new Learner(
            truth with
            {
                Healthy = new Dictionary<string, double>(truth.Healthy)
                {
                    ["RF"] = truth.Healthy["LF"] - front,
                    ["RR"] = truth.Healthy["LR"] + rear,
                },
            }
        );
        learner.Walk();
        learner.Plan(learner.Shelf[0]);
        double Misses() => learner.Run.Now()!.MissMm;
        learner.Wants(1000, 6);
        var rake = 1000 - Misses();
        learner.Wants(rake + 2, 6);
        Assert.Equal(2, Misses(), 1e-6);
        var d = learner.Shop.Document;
        learner.Shop.Document = d with
        {
            Job = d.Job with { Target = d.Job.Target with { NoLean = true } },
        };
        Assert.Equal(7, Misses(), 1e-6);
        learner.Wants(rake + 20, 6);
        Assert.Equal(20, Misses(), 1e-6);
    }

    [Fact]
    public void Every_reason_to_stop_has_its_story_and_a_step_that_is_none_has_not()
    {
        var step =
            Learner.Levelling() is var learner && Start(learner) is var card
                ? card.Steps[0]
                : null!;
        var told = Enum.GetValues<HoldReason>()
            .Select(r => WouldHaveHappened.Of(step with { HoldFor = r }).Said)
            .ToArray();
        Assert.Equal(told.Length, told.Distinct().Count());
        Assert.All(told, t => Assert.EndsWith(".", t, StringComparison.Ordinal));
        Assert.Throws<ArgumentException>(() => WouldHaveHappened.Of(step with { HoldFor = null }));

        static JobCard Start(Learner of)
        {
            of.PlanTheBest();
            of.Shop.Do(of.Shop.Begin());
            return Progress.CardOf(of.Shop.Document);
        }
    }

    [Fact]
    public void A_lift_that_nobody_measured_proves_nothing()
    {
        var learner = Learner.Levelling();
        learner.PlanTheBest();
        learner.Fit();
        ScoreLine Proof() => learner.Score.Lines.Single(l => l.Area == ScoreArea.Proof);
        Assert.Equal((0, "Nothing was read after the work."), (Proof().Got, Proof().Said));
        learner.Walk(Settled.No);
        Assert.Equal(5, Proof().Got);
        learner.Walk();
        Assert.Equal(10, Proof().Got);
    }

    [Fact]
    public void Hours_and_money_run_with_what_is_done()
    {
        var learner = Learner.Levelling();
        // Six readings of a minute and a half.
        Assert.Equal(9 / 60.0, learner.Run.Spent().Hours, 1e-9);
        learner.Look(LookAt.Rubber);
        learner.Look(LookAt.Rubber, true);
        Assert.Equal((9 + 35 + 10) / 60.0, learner.Run.Spent().Hours, 1e-9);
        learner.Plan(learner.Shelf[0]);
        Assert.Equal(54 / 60.0 * 80, learner.Run.Spent().Money, 1e-9);
        learner.Shop.Do(learner.Shop.Begin());
        Assert.Equal((54 / 60.0 * 80) + 70, learner.Run.Spent().Money, 1e-9);
        // What was done on it before the learner came took the learner nothing.
        Assert.Equal(0.75, (learner.Run with { Since = learner.Shop.Now }).Spent().Hours, 1e-9);
    }

    [Fact]
    public void A_plan_loses_its_points_over_three_tolerances_beyond_what_is_asked_for()
    {
        var learner = Learner.Levelling();
        learner.Plan(learner.Shelf[2]);
        // It stands as its owner wants it, and is raised all the same.
        const double rake = 49;
        learner.Wants(rake, Target.UsualToleranceMm);
        var miss = learner.Run.Now()!.MissMm;
        foreach (
            var (tolerances, share) in ((double, double)[])
                [(1, 1), (2.5, 0.5), (3.25, 0.25), (4, 0), (5, 0)]
        )
        {
            learner.Wants(rake, miss / tolerances);
            // What is asked for is more than the best of the shelf lands at.
            Assert.True(miss / tolerances > learner.Run.Best()!.MissMm + 1.6);
            var line = learner.Score.Lines.Single(l => l.Area == ScoreArea.Plan);
            Assert.Equal(line.Of * share, line.Got, 1e-6);
            Assert.Equal(share < 1, line.Learn is not null);
            Assert.StartsWith("It would land ", line.Said, StringComparison.Ordinal);
        }
        learner.Fit();
        Assert.StartsWith(
            "It lands ",
            learner.Score.Lines.Single(l => l.Area == ScoreArea.Plan).Said,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_card_that_is_left_unfinished_loses_a_third()
    {
        var learner = Learner.Levelling();
        learner.PlanTheBest();
        var steps = 0;
        learner.Fit(skip: s => s.HoldFor is null && steps++ == 0);
        var line = learner.Score.Lines.Single(l => l.Area == ScoreArea.Fitting);
        Assert.Equal(line.Of * 2 / 3, line.Got, 1e-9);
        Assert.Equal("1 step was not done.", line.Said);
        Assert.StartsWith("A card that is not finished", line.Learn, StringComparison.Ordinal);
    }
}
