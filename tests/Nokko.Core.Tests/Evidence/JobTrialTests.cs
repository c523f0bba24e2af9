using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
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
        Assert.Equal((Axle.Front, LiftFamily.Spring), (trial.Axle, trial.Family));
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
        var body = new BodyOnSprings(
            [.. supports.Select((s, i) => s with { FreeRiseMm = i == 0 ? 60 : 0 })],
            [.. VehicleSupports.Bars(Sample.Pickup, supports).Select(b => b.Bar)]
        ).Solve();
        double Lip(string name) =>
            Sample
                .Pickup.Stations.Where(s => s.Name == name)
                .Select(s => body.RiseAt(s.X.In(Unit.Mm), s.Y.In(Unit.Mm)))
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
        var left = job.Plans[0].Stacks.Where(s => s.Corner == Corner.LF).ToArray();
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
    public void An_axle_whose_height_is_held_teaches_nothing_of_its_springs()
    {
        var job = Sample.Job(Before, [571, 1070, 580, 580, 1070, 569]);
        var trial = Assert.Single(
            Trials(
                job with
                {
                    Stages =
                    [
                        .. job.Stages.Select(s =>
                            s with
                            {
                                Front = s.Front with { HeightControl = HeightControl.TwoSensors },
                            }
                        ),
                    ],
                }
            )
        );
        Assert.Null(trial.Trial);
        Assert.Equal(
            "A controller holds the height there: its springs show nothing.",
            trial.WhyNot
        );
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
        var others = new PlatformEvidence(PlatformEvidence.None.With([trial]).Sums(), []);
        var learned = others.Learned(sister, 0)[(Axle.Front, LiftFamily.Spring)];
        Assert.Equal((1, 0), (learned.Jobs, learned.OfThisVehicle));
        // 70 mm of 25.4 lies above 3 + 1.9 · 25.4: the ratio goes up, its band narrows.
        Assert.True(learned.Ratio.Mean > 1.9);
        Assert.True(learned.Ratio.Sd < 0.3);
        Assert.Empty(others.Learned(sister with { PlatformId = Sample.Id(78) }, 0));
        var other = sister with { Front = sister.Front with { Kind = SuspensionKind.Strut } };
        Assert.Empty(others.Learned(other, 0));
        // The vehicle that was measured is known better than its sister, from the stage on that was measured.
        var mine = PlatformEvidence.None.With([trial]);
        var own = mine.Learned(Sample.Pickup, 1)[(Axle.Front, LiftFamily.Spring)];
        Assert.Equal(1, own.OfThisVehicle);
        Assert.True(Spread(own, 20) < Spread(learned, 20));
        Assert.Empty(mine.Learned(Sample.Pickup, 0));

        static double Spread(LiftBelief b, double t) =>
            (b.OffsetMm.Sd * b.OffsetMm.Sd)
            + (2 * b.Covariance * t)
            + (b.Ratio.Sd * b.Ratio.Sd * t * t);
    }

    [Fact]
    public void What_is_kept_of_a_vehicle_is_taken_out_before_it_is_counted_again()
    {
        var trial = Assert.Single(Trials(Sample.Job(Before, [591, 1085, 580, 580, 1085, 589])));
        var kept = PlatformEvidence.None.With([trial]).Sums();
        var beside = PlatformEvidence.Beside(kept, [trial.Taught!], []);
        Assert.Empty(beside.Learned(Sample.Pickup, 9));
        var again = beside.With([trial]).Learned(Sample.Pickup, 9);
        Assert.Equal(1, again[(Axle.Front, LiftFamily.Spring)].Jobs);
    }

    [Fact]
    public void What_a_copy_brought_with_it_proves_nothing_anew()
    {
        var job = Sample.Job(Before, [591, 1085, 580, 580, 1085, 589]);
        JobDocument Copied(DateTimeOffset at) => job with { Job = job.Job with { CopiedAt = at } };
        var round = job.WalkRounds.Max(w => w.At);
        Assert.Contains(
            "came in as a copy",
            Assert.Single(Trials(Copied(round))).WhyNot,
            StringComparison.Ordinal
        );
        // What is measured after it came is its own.
        Assert.Null(Assert.Single(Trials(Copied(round.AddSeconds(-1)))).WhyNot);
    }

    [Fact]
    public void A_job_far_from_the_line_stands_out_and_each_step_is_told()
    {
        LineTrial At(int n, double rise) =>
            new(
                (Sample.Id(700 + n), Axle.Front),
                Sample.Id(600 + n),
                new LiftTrial(25.4, rise, 1.5, 1.9)
            );
        LineTrial[] trials = [At(1, 50), At(2, 52), At(3, 51), At(4, 90)];
        var key = Assert.Single(Trials(Sample.Job(Before, [591, 1085, 580, 580, 1085, 589]))).Line;
        var prior = LiftLaw.Prior(LiftFamily.Spring, AxleState.Of(Sample.Pickup, Axle.Front));
        var line = EvidenceLine.Of(key, prior, trials);
        Assert.Equal((4, 4, 4), (line.Steps.Count, line.Jobs, line.Vehicles));
        Assert.All(line.Steps.Take(3), s => Assert.True(Math.Abs(s.Off) < LineStep.Outlier));
        Assert.True(line.Steps[3].Off > LineStep.Outlier);
        // Each step is where the next one starts, and the last one is the line.
        Assert.Equal(line.Ratio.Mean, line.Steps[^1].Ratio.Mean, 9);
        Assert.True(line.Steps[2].Ratio.Sd < line.Steps[0].Ratio.Sd);
    }

    [Fact]
    public void A_line_of_many_jobs_is_drawn_with_some_and_its_outliers_are_among_the_told()
    {
        var random = new Random(7);
        LineTrial[] trials =
        [
            .. Enumerable
                .Range(0, 1_000)
                .Select(n => new LineTrial(
                    (Sample.Id(n), Axle.Front),
                    Sample.Id(n / 2),
                    new LiftTrial(
                        20 + (n % 30),
                        3 + (1.9 * (20 + (n % 30))) + random.NextDouble() + (n == 123 ? 40 : 0),
                        1.5,
                        1.9
                    )
                )),
        ];
        var key = new LineKey(
            Sample.Id(1),
            Axle.Front,
            SuspensionKind.CoilOverArm,
            LiftFamily.Spring
        );
        var prior = LiftLaw.Prior(LiftFamily.Spring, AxleState.Of(Sample.Pickup, Axle.Front));
        var line = EvidenceLine.Of(key, prior, trials);
        Assert.Equal((1_000, 500, 200), (line.Jobs, line.Vehicles, line.Drawn.Count));
        Assert.InRange(line.Steps.Count, 15, 30);
        Assert.Equal(trials[^1], line.Steps[^1].Of);
        Assert.Contains(line.Steps, s => s.Of == trials[123]);
        Assert.Equal(trials[0].Trial, line.Drawn[0]);
        Assert.Throws<ArgumentException>(() => EvidenceLine.Of(key, prior, []));
    }

    [Fact]
    public void Claims_are_counted_and_some_of_them_drawn()
    {
        ClaimPoint At(double claim, double measured, double u = 1) =>
            new((Guid.Empty, Axle.Front), claim, measured, u);
        var said = ClaimSummary.Of([At(50, 50), At(50, 58.3), At(50, 58.4), At(40, 20), At(0, 30)]);
        // Within 6.35 mm and twice the tape's own 1 mm; a claim of no lift says nothing.
        Assert.Equal((4, 2), (said.Count, said.Within));
        Assert.Equal((1 + 1.166 + 1.168 + 0.5) / 4, said.MeanShare!.Value, 9);
        Assert.Null(ClaimSummary.Of([]).MeanShare);
        var many = ClaimSummary.Of(Enumerable.Range(1, 1_000).Select(i => At(i, i)));
        Assert.Equal((1_000, 300), (many.Count, many.Drawn.Count));
    }

    [Theory]
    [InlineData(
        LiftFamily.Block,
        PartKind.Block,
        ShacklePivot.AboveEye,
        "A block lifts 0.98 ± 0.06, as our own jobs proved it: 4 jobs of this platform, 1 of this vehicle."
    )]
    [InlineData(
        LiftFamily.Shackle,
        PartKind.Shackle,
        ShacklePivot.AboveEye,
        "A longer shackle lifts 0.98 ± 0.06, as our own jobs proved it"
    )]
    [InlineData(
        LiftFamily.Shackle,
        PartKind.Shackle,
        ShacklePivot.BelowEye,
        "A longer shackle lowers 0.98 ± 0.06, as our own jobs proved it"
    )]
    public void A_prediction_says_on_how_many_jobs_it_rests(
        LiftFamily family,
        PartKind kind,
        ShacklePivot pivot,
        string says
    )
    {
        var here = new Situation(
            Sample.AsFound,
            Sample.Pickup with
            {
                Rear = Sample.Pickup.Rear with { ShacklePivot = pivot },
            },
            StanceOf.Compute(
                Sample.Round(40, Sample.AsFound.Id),
                Sample.Readings(100, 40, Before),
                Sample.Pickup
            )
        )
        {
            Learned = new Dictionary<(Axle, LiftFamily), LiftBelief>
            {
                [(Axle.Rear, family)] = new(new(0, 1), new(0.98, 0.03), 0)
                {
                    Jobs = 4,
                    OfThisVehicle = 1,
                },
            },
        };
        var plan = Sample.Plan(
            (Corner.LR, Sample.Plate(30, 40, kind)),
            (Corner.RR, Sample.Plate(31, 40, kind))
        );
        var prediction = Predictor.Predict(plan, here);
        Assert.Contains(prediction.Basis, b => b.StartsWith(says, StringComparison.Ordinal));
        // And it is what the prediction uses.
        var up = pivot == ShacklePivot.BelowEye ? -1 : 1;
        Assert.Equal(up * 0.98 * 40, prediction.RearRise.Value!.Value, 9);
    }

    private static IReadOnlyList<JobTrial> Trials(JobDocument d) => JobEvaluator.Evaluate(d).Trials;
}
