using Nokko.Core.Evidence;
using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

public class ProgressTests
{
    private static readonly double[] Before = [520, 1040, 570, 570, 1040, 520];
    private static readonly double[] OnPlan = [571, 1070, 570, 570, 1070, 571];

    private static Progress Of(JobDocument d) =>
        Progress.Of(d, JobEvaluator.Evaluate(d), LengthStyle.Millimetres);

    /// <summary>Every step of the card done, every joint final to its spec.</summary>
    private static JobDocument Fitted(JobDocument d)
    {
        var card = Progress.CardOf(d);
        var spec = new JointSpec
        {
            Torque = new()
            {
                Value = 100,
                Unit = Unit.NewtonMetre,
                Known = Known.Document,
            },
            Source = "sheet 7",
        };
        var joints = card
            .Joints.Select(
                (j, i) =>
                    new Joint
                    {
                        Id = Sample.Id(600 + i),
                        Where = j.Where,
                        Place = j.Place,
                        Kind = j.Kind,
                        Fasteners = j.Fasteners,
                        Spec = spec,
                    }
            )
            .ToArray();
        return d with
        {
            Steps =
            [
                .. card.Steps.Select(
                    (s, i) =>
                        new StepEntry
                        {
                            Id = Sample.Id(500 + i),
                            PlanId = d.Plans[0].Id,
                            Step = s.Key,
                            PersonId = Sample.Id(5),
                            At = Sample.At(i),
                        }
                ),
            ],
            Joints = joints,
            TorqueEntries =
            [
                .. joints.Select(
                    (j, i) =>
                        new TorqueEntry
                        {
                            Id = Sample.Id(700 + i),
                            JointId = j.Id,
                            PlanId = d.Plans[0].Id,
                            Pass = Pass.Final,
                            Value = spec.Torque,
                            CriterionSeen = j.Kind.IsLookedAt(),
                            Position = WheelPosition.OnWheels,
                            PersonId = Sample.Id(5),
                            At = Sample.At(i),
                        }
                ),
            ],
        };
    }

    [Fact]
    public void Before_anything_is_read_the_need_is_to_walk_round()
    {
        var d = Sample.Job(Before) with { Readings = [], Plans = [] };
        var progress = Of(d);
        Assert.Equal(
            (Phase.WalkRound, 4),
            (progress.Next, progress.Phases.First(p => p.Phase == Phase.WalkRound).Open)
        );
    }

    [Fact]
    public void Measured_and_not_planned_asks_for_parts_planned_asks_to_begin()
    {
        Assert.Contains(
            "Choose the parts",
            Of(Sample.Job(Before) with { Plans = [] }).Says,
            StringComparison.Ordinal
        );
        Assert.Contains("begin the fitting", Of(Sample.Job(Before)).Says, StringComparison.Ordinal);
    }

    [Fact]
    public void While_it_is_fitted_the_next_step_is_named()
    {
        var progress = Of(Sample.Job(Before, OnPlan));
        Assert.Equal(Phase.Fit, progress.Next);
        Assert.Contains("Before it goes up", progress.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void Geometry_is_open_where_the_draft_is_beyond_a_limit_and_closed_once_it_is_fitted()
    {
        // An inch in front alone tilts the lamps by more than half an inch on the wall.
        int Open(JobDocument d) => Of(d).Phases.Single(p => p.Phase == Phase.Geometry).Open;
        var drafted = Sample.Job(Before);
        Assert.Equal(1, Open(drafted));
        Assert.Equal(
            [(MechanismKind.Headlights, true)],
            JobEvaluator
                .Evaluate(drafted)
                .Moved.Where(m => m.Beyond)
                .Select(m => (m.Kind, m.Beyond))
        );
        Assert.Equal(0, Open(drafted with { Plans = [] }));
        Assert.Equal(0, Open(Sample.Job(Before, OnPlan)));
    }

    [Fact]
    public void Prove_is_open_until_what_was_begun_is_as_wanted()
    {
        int Open(JobDocument d) => Of(d).Phases.Single(p => p.Phase == Phase.Prove).Open;
        Assert.Equal(0, Open(Sample.Job(Before) with { Plans = [] }));
        Assert.Equal(0, Open(Fitted(Sample.Job(Before, OnPlan))));
        Assert.Equal(1, Open(Fitted(Sample.Job(Before, [545, 1055, 570, 570, 1055, 545]))));
    }

    [Fact]
    public void On_plan_with_all_lines_closed_is_ready_to_hand_over()
    {
        var d = Fitted(Sample.Job(Before, OnPlan));
        Assert.Empty(Of(d).OpenLines);
        Assert.Equal(Phase.HandOver, Of(d).Next);
        var open = d with
        {
            OffLines =
            [
                new()
                {
                    Id = Sample.Id(800),
                    PlanId = d.Plans[0].Id,
                    Where = "LF",
                    What = "Wheel LF",
                    OffBy = Sample.Id(5),
                    OffAt = Sample.At(1),
                },
            ],
        };
        Assert.Equal(
            (Phase.Fit, "Wheel LF: off, not back"),
            (Of(open).Next, Of(open).OpenLines.Single())
        );
    }

    [Fact]
    public void A_miss_asks_to_prove_and_a_slip_asks_to_read_again()
    {
        Assert.Equal(
            Phase.Prove,
            Of(Fitted(Sample.Job(Before, [600, 1087, 570, 570, 1087, 600]))).Next
        );
        var slip = Of(Fitted(Sample.Job(Before, [571, 1070, 570, 570, 1098, 571])));
        Assert.Equal(Phase.WalkRound, slip.Next);
        Assert.Contains("right middle reading does not fit", slip.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void A_second_draft_from_the_new_stage_is_a_second_pass()
    {
        var d = Fitted(Sample.Job(Before, [600, 1087, 570, 570, 1087, 600]));
        var second = Sample.Plan(
            (Corner.LF, Sample.Plate(90, 15)),
            (Corner.RF, Sample.Plate(91, 15))
        ) with
        {
            Id = Sample.Id(21),
            FromStageId = Sample.Id(11),
        };
        Assert.Contains(
            "second pass",
            Of(d with { Plans = [.. d.Plans, second] }).Says,
            StringComparison.Ordinal
        );
        // The second pass starts from what stands now, needs no offset, and rests on what the first one did: 80 mm of 25.4.
        var results = JobEvaluator.Evaluate(d with { Plans = [.. d.Plans, second] });
        var trial = results.Trials.Single().Trial!;
        Assert.Equal(25.4, trial.ThicknessMm, 9);
        Assert.Equal(80, trial.FreeRiseMm, 9);
        var own = VehicleSums.Of([trial]);
        var change = new LiftLine(
            LiftPrior.OfPlatform(new(3, 6), CornerLinkage.RuleOfThumb(SuspensionKind.CoilOverArm)),
            LiftSums.None.Plus(own)
        )
            .Belief(own)
            .Rise(0, 15 - 25.4);
        Assert.True(change.Mean < 1.9 * (15 - 25.4) - 5);
        Assert.Equal(change.Mean, results.Predictions[1].FrontRise.Value!.Value, 6);
    }

    [Fact]
    public void What_was_not_measured_is_told()
    {
        var d = Sample.Job(Before);
        var half = d with { Readings = [.. d.Readings.Where(r => r.Place.Name != "RM")] };
        Assert.Contains(
            Progress.NotMeasuredOf(half, JobEvaluator.Evaluate(half)),
            m => m == "as found: right middle not read"
        );
    }

    [Fact]
    public void What_is_to_come_is_open_once_the_vehicle_has_left_until_it_is_done()
    {
        int Open(JobDocument d) => Of(d).Phases.Single(p => p.Phase == Phase.HandOver).Open;
        FollowUp To(int id, bool done) =>
            new()
            {
                Id = Sample.Id(id),
                What = "Torque again",
                DoneAt = done ? Sample.At(90) : null,
            };
        var d = Sample.Job(Before, OnPlan) with
        {
            FollowUps = [To(801, false), To(802, true), To(803, false)],
        };
        Assert.Equal(0, Open(d));
        Assert.Equal(2, Open(d with { Job = d.Job with { HandedOverAt = Sample.At(100) } }));
    }
}
