using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Evidence;

public class JobTrialTests
{
    private static readonly double[] Before = [520, 1040, 580, 580, 1040, 520];

    [Fact]
    public void Plates_on_both_sides_prove_the_mean_rise_of_their_lips()
    {
        var trial = Assert.Single(Trials(Sample.Job(Before, [571, 1070, 580, 580, 1070, 569])));
        Assert.Null(trial.WhyNot);
        Assert.Equal((Corners.Front, LiftFamily.Spring), (trial.Axle, trial.Family));
        Assert.Equal(25.4, trial.Trial!.ThicknessMm, 9);
        Assert.Equal(50, trial.Trial.FreeRiseMm, 9);
        Assert.True(trial.Trial.IsNew);
        Assert.Equal(50, trial.Claim.Value!.Value, 9);
        Assert.Equal(50, trial.Measured.Value!.Value, 9);
    }

    [Fact]
    public void A_plate_on_one_side_gives_back_the_free_rise_that_the_body_hid()
    {
        // Forward by the body on its springs: 60 mm free at the left front alone.
        var supports = VehicleSupports.Of(Sample.Pickup).Supports!;
        var body = new BodyOnSprings([
            .. supports.Select((s, i) => s with { FreeRiseMm = i == 0 ? 60 : 0 }),
        ]).Solve();
        double Lip(string name) =>
            Sample
                .Pickup.Stations.Where(s => s.Name == name)
                .Select(s => body.RiseAt(s.X.In("mm"), s.Y.In("mm")))
                .Single();
        var job = Sample.Job(
            Before,
            [
                520 + Lip("LF"),
                1040 + Lip("LM"),
                580 + Lip("LR"),
                580 + Lip("RR"),
                1040 + Lip("RM"),
                520 + Lip("RF"),
            ]
        );
        var left = job.Plans[0].Stacks.Where(s => s.Corner == Corners.LF).ToArray();
        job = job with
        {
            Plans = [job.Plans[0] with { Stacks = left }],
            Stages = [.. job.Stages.Select(s => s.Ordinal == 1 ? s with { Stacks = left } : s)],
        };
        var trial = Assert.Single(Trials(job));
        Assert.Null(trial.WhyNot);
        Assert.Equal(60, trial.Trial!.FreeRiseMm, 6);
        Assert.Equal(25.4, trial.Trial.ThicknessMm, 9);
    }

    [Fact]
    public void Readings_that_did_not_settle_teach_nothing() =>
        Assert.Contains(
            "not settled",
            Assert
                .Single(
                    Trials(
                        Sample.Job(
                            Before,
                            [571, 1070, 580, 580, 1070, 569],
                            settledAfter: Settled.No
                        )
                    )
                )
                .WhyNot,
            StringComparison.Ordinal
        );

    [Fact]
    public void A_part_that_nobody_measured_teaches_nothing()
    {
        var job = Sample.Job(Before, [571, 1070, 580, 580, 1070, 569]);
        IReadOnlyList<CornerStack> unknown =
        [
            .. job.Plans[0]
                .Stacks.Select(s =>
                    s with
                    {
                        Parts = [.. s.Parts.Select(p => p with { Thickness = null })],
                    }
                ),
        ];
        var trial = Assert.Single(
            Trials(job with { Plans = [job.Plans[0] with { Stacks = unknown }] })
        );
        Assert.Null(trial.Trial);
        Assert.Contains("no thickness", trial.WhyNot, StringComparison.Ordinal);
    }

    [Fact]
    public void Without_readings_before_there_is_nothing_to_learn_from()
    {
        var job = Sample.Job(Before, [571, 1070, 580, 580, 1070, 569]);
        var trials = Trials(
            job with
            {
                Readings = [.. job.Readings.Where(r => r.WalkRoundId != job.WalkRounds[0].Id)],
            }
        );
        Assert.All(trials, t => Assert.NotNull(t.WhyNot));
    }

    [Fact]
    public void Several_kinds_at_once_cannot_be_told_apart()
    {
        var job = Sample.Job(Before, [571, 1070, 580, 580, 1070, 569]);
        IReadOnlyList<CornerStack> two =
        [
            .. job.Plans[0]
                .Stacks.Select(
                    (s, i) =>
                        s with
                        {
                            Parts = [.. s.Parts, Sample.Plate(80 + i, 20, PartKind.DropBracket)],
                        }
                ),
        ];
        Assert.Contains(
            "cannot be told apart",
            Assert.Single(Trials(job with { Plans = [job.Plans[0] with { Stacks = two }] })).WhyNot,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_a_platform_proved_moves_its_next_prediction_and_leaves_others_alone()
    {
        var trial = Assert.Single(Trials(Sample.Job(Before, [591, 1085, 580, 580, 1085, 589])));
        var sister = Sample.Pickup with { Id = Sample.Id(77) };
        var learned = ShopEvidence.Learned(sister, [trial])[(Corners.Front, LiftFamily.Spring)];
        Assert.Equal((1, 0), (learned.Jobs, learned.OfThisVehicle));
        // 70 mm of 25.4 lies above 3 + 1.9 · 25.4: the ratio goes up, its band narrows.
        Assert.True(learned.Ratio.Mean > 1.9);
        Assert.True(learned.Ratio.Sd < 0.3);
        Assert.Empty(ShopEvidence.Learned(sister with { PlatformId = Sample.Id(78) }, [trial]));
        var other = sister with { Front = sister.Front with { Kind = SuspensionKind.Strut } };
        Assert.Empty(ShopEvidence.Learned(other, [trial]));
        // The vehicle that was measured is known better than its sister.
        var own = ShopEvidence.Learned(Sample.Pickup, [trial])[(Corners.Front, LiftFamily.Spring)];
        Assert.Equal(1, own.OfThisVehicle);
        Assert.True(Spread(own, 20) < Spread(learned, 20));

        static double Spread(LiftBelief b, double t) =>
            (b.OffsetMm.Sd * b.OffsetMm.Sd)
            + (2 * b.Covariance * t)
            + (b.Ratio.Sd * b.Ratio.Sd * t * t);
    }

    [Fact]
    public void The_belief_of_a_vehicle_is_the_line_s_own_prediction()
    {
        var prior = new LiftPrior(new(3, 6), new(1.9, 0.3), 0.05 * 1.9, 0.2);
        var line = new LiftLine(prior).Learn(new("a", 30, 66, 2)).Learn(new("b", 20, 40, 3));
        foreach (var vehicle in (string[])["a", "b", "never seen"])
        {
            var belief = line.Belief(vehicle);
            var expected = line.Predict(vehicle, 25);
            Assert.Equal(expected.Mean, belief.OffsetMm.Mean + (25 * belief.Ratio.Mean), 9);
            var variance =
                (belief.OffsetMm.Sd * belief.OffsetMm.Sd)
                + (2 * 25 * belief.Covariance)
                + (25 * 25 * belief.Ratio.Sd * belief.Ratio.Sd);
            Assert.Equal(expected.Sd, Math.Sqrt(variance), 9);
        }
    }

    [Fact]
    public void A_line_that_starts_from_what_trials_taught_goes_on_as_if_it_had_seen_them()
    {
        var prior = new LiftPrior(new(3, 6), new(1.9, 0.3), 0, 0.2);
        LiftTrial first = new("a", 30, 66, 2),
            then = new("a", 20, 44, 2);
        var whole = new LiftLine(prior).Learn(first).Learn(then);
        var belief = new LiftLine(prior).Learn(first).Belief("a");
        var again = new LiftLine(
            prior with
            {
                OffsetMm = belief.OffsetMm,
                Ratio = belief.Ratio,
            },
            belief.Covariance
        ).Learn(then);
        Assert.Equal(whole.OffsetMm.Mean, again.OffsetMm.Mean, 1);
        Assert.Equal(whole.RatioEstimate.Mean, again.RatioEstimate.Mean, 2);
        Assert.Equal(whole.Covariance, again.Covariance, 1);
    }

    [Fact]
    public void A_job_far_from_the_line_stands_out_and_each_step_is_told()
    {
        JobTrial At(int n, double rise) =>
            Assert.Single(
                Trials(Sample.Job(Before, [520 + rise, 1040, 580, 580, 1040, 520 + rise]))
            ) with
            {
                VehicleId = Sample.Id(600 + n),
                At = Sample.At(n),
                Trial = new LiftTrial($"{n}", 25.4, rise, 1.5),
                WhyNot = null,
            };
        JobTrial[] jobs = [At(1, 50), At(2, 52), At(3, 51), At(4, 90)];
        var line = Assert.Single(ShopEvidence.Lines(jobs, _ => Sample.Pickup));
        Assert.Equal((4, 4), (line.Steps.Count, line.Vehicles));
        Assert.All(line.Steps.Take(3), s => Assert.True(Math.Abs(s.Off) < LineStep.Outlier));
        Assert.True(line.Steps[3].Off > LineStep.Outlier);
        // Each step is where the next one starts, and the last one is the line.
        Assert.Equal(line.Ratio, line.Steps[^1].Ratio);
        Assert.True(line.Steps[2].Ratio.Sd < line.Steps[0].Ratio.Sd);
    }

    [Theory]
    [InlineData(
        LiftFamily.Block,
        PartKind.Block,
        "A block lifts 0.98 ± 0.06, as our own jobs proved it: 4 jobs of this platform, 1 of this vehicle."
    )]
    [InlineData(
        LiftFamily.Shackle,
        PartKind.Shackle,
        "A longer shackle lifts 0.98 ± 0.06, as our own jobs proved it"
    )]
    public void A_prediction_says_on_how_many_jobs_it_rests(
        LiftFamily family,
        PartKind kind,
        string says
    )
    {
        var here = new Situation(
            Sample.AsFound,
            Sample.Pickup,
            StanceOf.Compute(
                Sample.Round(40, Sample.AsFound.Id),
                Sample.Readings(100, 40, Before),
                Sample.Pickup
            )
        )
        {
            Learned = new Dictionary<(string, LiftFamily), LiftBelief>
            {
                [(Corners.Rear, family)] = new(new(0, 1), new(0.98, 0.03), 0)
                {
                    Jobs = 4,
                    OfThisVehicle = 1,
                },
            },
        };
        var plan = Sample.Plan(
            (Corners.LR, Sample.Plate(30, 40, kind)),
            (Corners.RR, Sample.Plate(31, 40, kind))
        );
        var prediction = Predictor.Predict(plan, here);
        Assert.Contains(prediction.Basis, b => b.StartsWith(says, StringComparison.Ordinal));
        // And it is what the prediction uses.
        Assert.Equal(0.98 * 40, prediction.RearRise.Value!.Value, 9);
    }

    private static IReadOnlyList<JobTrial> Trials(JobDocument d) => JobEvaluator.Evaluate(d).Trials;
}
