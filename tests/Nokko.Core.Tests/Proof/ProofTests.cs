using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Proof;

public class ProofTests
{
    private static readonly double[] Before = [520, 1040, 570, 570, 1040, 520];

    /// <summary>Before, with the front lifted by <paramref name="front"/> as a rigid body.</summary>
    private static double[] Lifted(double front) =>
        [
            520 + front,
            1040 + (front * 2100 / 3600),
            570,
            570,
            1040 + (front * 2100 / 3600),
            520 + front,
        ];

    [Theory]
    [InlineData(6.35, 1.8, true, Verdict.OnPlan)]
    [InlineData(-6.35, 1.8, true, Verdict.OnPlan)]
    [InlineData(6.4, 1.8, true, Verdict.MeasureAgain)]
    [InlineData(9.95, 1.8, true, Verdict.MeasureAgain)]
    [InlineData(10, 1.8, true, Verdict.Miss)]
    [InlineData(0, 1.8, false, Verdict.MeasureAgain)]
    public void A_verdict_leaves_room_for_the_tape(
        double d,
        double u,
        bool decides,
        Verdict expected
    ) => Assert.Equal(expected, Prove.Judge(d, 6.35, u, decides));

    [Fact]
    public void On_plan_when_it_rose_as_foretold()
    {
        var proof = Of(Lifted(51.26));
        Assert.Equal(Verdict.OnPlan, proof.Overall);
        Assert.All(proof.Stations, s => Assert.True(s.PredictionRight));
        Assert.Equal(51.26 / 25.4, proof.Lifts[0].Ratio.Value!.Value, 6);
        Assert.Equal(50, proof.Lifts[0].Claim.Value!.Value, 9);
        Assert.Equal(RigidVerdict.Fits, proof.Comparison!.Rigid!.Verdict);
    }

    [Fact]
    public void A_nose_an_inch_high_is_a_miss_though_the_prediction_may_have_been_right()
    {
        var proof = Of(Lifted(51.26 + 20));
        Assert.Equal(Verdict.Miss, proof.Overall);
        Assert.Equal(Verdict.Miss, proof.Stations.First(s => s.Station == "LF").Verdict);
        Assert.True(proof.Stations.First(s => s.Station == "LF").PredictionRight);
        Assert.Equal(Verdict.Miss, proof.Target[0].Reached);
    }

    [Fact]
    public void An_unsettled_round_gives_no_verdict()
    {
        var proof = Of(Lifted(51.26), Settled.No);
        Assert.Equal(Verdict.MeasureAgain, proof.Overall);
        Assert.Contains("Roll it", proof.WhyNot[0], StringComparison.Ordinal);
        Assert.All(proof.Stations, s => Assert.Null(s.PredictionRight));
    }

    [Fact]
    public void A_reading_that_does_not_fit_the_body_asks_for_another_read_before_it_condemns_the_work()
    {
        var after = Lifted(51.26);
        after[4] += 12.7;
        var proof = Of(after);
        Assert.Equal(["RM"], proof.Comparison!.Rigid!.Suspects);
        Assert.Equal(Verdict.MeasureAgain, proof.Stations.First(s => s.Station == "RM").Verdict);
        Assert.Equal(Verdict.MeasureAgain, proof.Overall);
    }

    [Fact]
    public void Proof_compares_with_the_frozen_prediction_not_with_one_made_later()
    {
        var job = Sample.Job(Before, Lifted(51.26));
        var moved = job with
        {
            Vehicle = job.Vehicle with
            {
                Dimensions = Sample.Sizes with { Wheelbase = Sample.Mm(2500) },
            },
        };
        Assert.Equal(Planned(JobEvaluator.Evaluate(job)), Planned(JobEvaluator.Evaluate(moved)));
        static double[] Planned(JobResults r) =>
            [.. r.Proofs[0].Stations.Select(s => s.Planned.Value!.Value)];
    }

    [Fact]
    public void All_passes_together_are_the_current_stage_against_the_first()
    {
        var job = Sample.Job(Before, Lifted(51.26));
        var since = JobEvaluator.Evaluate(job).SinceFirst!;
        Assert.Equal(51.26, since.Rises.First(r => r.Station == "LF").Rise.Value!.Value, 9);
        Assert.Null(JobEvaluator.Evaluate(Sample.Job(Before)).SinceFirst);
    }

    [Fact]
    public void A_target_in_another_datum_cannot_be_told()
    {
        var job = Sample.Job(Before, Lifted(51.26));
        var floor = job with
        {
            FrozenPredictions =
            [
                job.FrozenPredictions[0] with
                {
                    Target = Sample.Level with { Datum = Datum.Floor },
                },
            ],
        };
        var target = JobEvaluator.Evaluate(floor).Proofs[0].Target[0];
        Assert.Equal(Verdict.CannotTell, target.Reached);
        Assert.Contains("another datum", target.Now.Cannot, StringComparison.Ordinal);
    }

    [Fact]
    public void A_least_lift_counts_only_when_it_falls_short()
    {
        var job = Sample.Job(Before, Lifted(51.26));
        JobDocument With(double least) =>
            job with
            {
                FrozenPredictions =
                [
                    job.FrozenPredictions[0] with
                    {
                        Target = Sample.Level with
                        {
                            Rake = null,
                            LeastFrontLift = Quantity.Mm(least, Known.Told),
                        },
                    },
                ],
            };
        Assert.Equal(Verdict.OnPlan, JobEvaluator.Evaluate(With(30)).Proofs[0].Target[0].Reached);
        Assert.Equal(Verdict.Miss, JobEvaluator.Evaluate(With(80)).Proofs[0].Target[0].Reached);
    }

    [Fact]
    public void A_missing_station_is_told_and_judges_nothing()
    {
        var job = Sample.Job(Before, Lifted(51.26));
        var proof = JobEvaluator
            .Evaluate(job with { Readings = [.. job.Readings.Where(r => r.Id != Sample.Id(205))] })
            .Proofs[0];
        var rf = proof.Stations.First(s => s.Station == "RF");
        Assert.Equal(
            (Verdict.CannotTell, "Not read in this walk-round."),
            (rf.Verdict, rf.Now.Cannot)
        );
    }

    private static PlanProof Of(double[] after, Settled settled = Settled.Rolled) =>
        JobEvaluator.Evaluate(Sample.Job(Before, after, settledAfter: settled)).Proofs[0];

    [Fact]
    public void Greatest_lifts_and_leans_are_judged_like_the_rest()
    {
        var proof = Proved(
            new Target
            {
                Datum = Datum.Hub,
                Tolerance = Sample.Mm(6.35),
                MostFrontLift = Sample.Mm(60),
                MostRearLift = Sample.Mm(20),
                NoLean = true,
            },
            [600, 1087, 580, 580, 1087, 570]
        );
        Verdict Of(string what) => proof.Target.Single(t => t.What == what).Reached;
        // The front rose by 65 on the mean: by less than tolerance too much. It leans 30.
        Assert.Equal(Verdict.OnPlan, Of("frontMost"));
        Assert.Equal(Verdict.OnPlan, Of("rearMost"));
        Assert.Equal(Verdict.Miss, Of("leanFront"));
        Assert.Equal(Verdict.OnPlan, Of("leanRear"));
        Assert.DoesNotContain(proof.Target, t => t.What == "rake");
    }

    [Fact]
    public void A_rake_that_is_wanted_with_the_load_on_is_judged_with_what_the_load_does()
    {
        var target = Sample.Level with { Loaded = true };
        StatedLoad trailer = new()
        {
            Id = Sample.Id(61),
            Name = "trailer",
            Mass = new()
            {
                Value = 200,
                Unit = Unit.Kg,
                Known = Known.Told,
            },
            Behind = Sample.Mm(4800),
        };
        var body = new BodyOnSprings(VehicleSupports.Of(Sample.Pickup).Supports!).Solve([
            trailer.OnBody(),
        ]);
        var effect = body.RiseAt(-3600, 0) - body.RiseAt(0, 0);
        // As far nose down without the load as the load presses the tail.
        var rear = 580.0;
        var front = rear + effect;
        var proof = Proved(target, [front, 1070, rear, rear, 1070, front], [trailer]);
        var loaded = proof.Target.Single(t => t.What == "rakeLoaded");
        Assert.Equal(0, loaded.Now.Value!.Value, 6);
        Assert.Equal(Verdict.OnPlan, loaded.Reached);
        // Without a load that is known it cannot be told.
        Assert.Equal(
            Verdict.CannotTell,
            Proved(target, [front, 1070, rear, rear, 1070, front])
                .Target.Single(t => t.What == "rakeLoaded")
                .Reached
        );
    }

    /// <summary>The job of the sample with another target and loads, its prediction stored before the work.</summary>
    private static PlanProof Proved(Target target, double[] after, params StatedLoad[] loads)
    {
        var d = Sample.Job([520, 1040, 580, 580, 1040, 520], after);
        d = d with { Job = d.Job with { Target = target, Loads = loads } };
        var stances = JobEvaluator.Evaluate(d).WalkRounds;
        d = d with
        {
            FrozenPredictions =
            [
                d.FrozenPredictions[0] with
                {
                    Target = target,
                    Prediction = JobEvaluator.Predict(
                        d,
                        d.Plans[0],
                        stances,
                        PlatformEvidence.None
                    )!,
                },
            ],
        };
        return JobEvaluator.Evaluate(d).Proofs.Single();
    }
}
