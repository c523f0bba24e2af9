using Nokko.Core.Evidence;
using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
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
    [InlineData(6.35, 1.8, true, Verdict.Reached)]
    [InlineData(-6.35, 1.8, true, Verdict.Reached)]
    // A tape good to 6.4 mm cannot tell what lies within 6.35.
    [InlineData(0, 3.175, true, Verdict.Reached)]
    [InlineData(0, 3.2, true, Verdict.MeasureAgain)]
    [InlineData(6.4, 1.8, true, Verdict.MeasureAgain)]
    [InlineData(9.95, 1.8, true, Verdict.MeasureAgain)]
    [InlineData(10, 1.8, true, Verdict.NotReached)]
    [InlineData(0, 1.8, false, Verdict.MeasureAgain)]
    public void A_verdict_leaves_room_for_the_tape(
        double d,
        double u,
        bool decides,
        Verdict expected
    ) => Assert.Equal(expected, Prove.Judge(d, 6.35, u, decides));

    [Fact]
    public void As_wanted_and_as_foretold_when_it_rose_so()
    {
        var proof = Of(Lifted(51.26));
        Assert.Equal((Verdict.Reached, Verdict.Reached), (proof.AsWanted, proof.AsForetold));
        Assert.All(proof.Stations, s => Assert.True(s.PredictionRight));
        Assert.All(proof.Stations, s => Assert.True(s.Near));
        Assert.Equal(51.26 / 25.4, proof.Lifts[0].Ratio.Value!.Value, 6);
        Assert.Equal(50, proof.Lifts[0].Claim.Value!.Value, 9);
        Assert.Equal(RigidVerdict.Fits, proof.Comparison!.Rigid!.Verdict);
    }

    [Fact]
    public void A_nose_an_inch_high_is_not_as_wanted_though_it_landed_where_it_was_foretold()
    {
        var proof = Of(Lifted(51.26 + 20));
        Assert.Equal((Verdict.NotReached, Verdict.Reached), (proof.AsWanted, proof.AsForetold));
        Assert.Contains("that is not as wanted", proof.Says, StringComparison.Ordinal);
        Assert.False(proof.Stations.First(s => s.Station == "LF").Near);
        Assert.True(proof.Stations.First(s => s.Station == "LF").PredictionRight);
        Assert.Equal(Verdict.NotReached, proof.Target[0].Reached);
    }

    [Fact]
    public void What_lies_beside_a_plate_and_does_not_lift_changes_neither_thickness_nor_claim_nor_ratio()
    {
        var job = Sample.Job(Before, Lifted(51.26));
        PlacedPart[] beside =
        [
            Sample.Plate(60, 30, PartKind.BumpStopExtension, claim: 30),
            Sample.Plate(61, null, PartKind.Shock),
            Sample.Plate(62, 40, PartKind.SwayBarLink),
            Sample.Plate(63, 25, PartKind.DiffDrop),
            Sample.Plate(64, null, PartKind.Tyre),
        ];
        IReadOnlyList<CornerStack> With(IReadOnlyList<CornerStack> stacks) =>
            [
                .. stacks.Select(s =>
                    s with
                    {
                        Parts = [.. s.Parts, .. s.Corner == Corner.LF ? beside : []],
                    }
                ),
            ];
        var more = job with
        {
            Plans = [job.Plans[0] with { Stacks = With(job.Plans[0].Stacks) }],
            Stages = [job.Stages[0], job.Stages[1] with { Stacks = With(job.Stages[1].Stacks) }],
        };
        var (bare, with) = (
            JobEvaluator.Evaluate(job).Proofs[0].Lifts[0],
            JobEvaluator.Evaluate(more).Proofs[0].Lifts[0]
        );
        Assert.Equal(bare.Thickness.Value, with.Thickness.Value);
        Assert.Equal(bare.Claim.Value, with.Claim.Value);
        Assert.Equal(bare.Ratio.Value, with.Ratio.Value);
        Assert.Equal(bare.Parts, with.Parts);
        Assert.Equal(
            JobEvaluator.Evaluate(job).Trials[0].Claim.Value,
            JobEvaluator.Evaluate(more).Trials[0].Claim.Value
        );
        // What nobody knows may lift: then there is no thickness to tell.
        var unknown = more with
        {
            Plans =
            [
                job.Plans[0] with
                {
                    Stacks =
                    [
                        .. job.Plans[0]
                            .Stacks.Select(s =>
                                s with
                                {
                                    Parts = [.. s.Parts, Sample.Plate(65, null, PartKind.Unknown)],
                                }
                            ),
                    ],
                },
            ],
        };
        Assert.NotNull(JobEvaluator.Evaluate(unknown).Proofs[0].Lifts[0].Thickness.Cannot);
    }

    [Fact]
    public void A_plate_that_moves_across_the_axle_changes_no_thickness_there()
    {
        var job = Sample.Job(Before, Lifted(0));
        var plate = job.Plans[0].Stacks[0].Parts[0];
        var there = new[]
        {
            new CornerStack { Corner = Corner.LF, Parts = [plate] },
        };
        var moved = job with
        {
            Stages = [job.Stages[0] with { Stacks = there }, job.Stages[1]],
            Plans =
            [
                job.Plans[0] with
                {
                    Stacks = [new CornerStack { Corner = Corner.RF, Parts = [plate] }],
                },
            ],
        };
        var lift = Assert.Single(JobEvaluator.Evaluate(moved).Proofs[0].Lifts);
        Assert.Equal(0, lift.Thickness.Value!.Value, 9);
        Assert.Equal([plate.Name, $"out: {plate.Name}"], lift.Parts);
        Assert.NotNull(lift.Ratio.Cannot);
    }

    /// <summary>Every step of the card, done.</summary>
    private static StepEntry[] AllDone(JobDocument job) =>
        [
            .. Progress
                .CardOf(job)
                .Steps.Select(
                    (s, i) =>
                        new StepEntry
                        {
                            Id = Sample.Id(8000 + i),
                            PlanId = job.Plans[0].Id,
                            Step = s.Key,
                            PersonId = Sample.Id(5),
                            At = Sample.At(61),
                        }
                ),
        ];

    [Theory]
    // Left 20 high by the tape, u about 1.8 a lip.
    [InlineData(20, Looks.LeftLow, true)]
    [InlineData(20, Looks.RightLow, false)]
    [InlineData(-20, Looks.RightLow, true)]
    [InlineData(-20, Looks.LeftLow, false)]
    // Half an inch beyond what the tape can be wrong by nobody misses.
    [InlineData(20, Looks.Level, true)]
    [InlineData(15, Looks.Level, false)]
    [InlineData(0, Looks.LeftLow, false)]
    [InlineData(20, null, false)]
    public void Eye_and_tape_that_disagree_are_settled_before_anything_is_judged(
        double lean,
        Looks? looks,
        bool against
    )
    {
        var after = Lifted(51.26);
        after[0] += lean / 2;
        after[5] -= lean / 2;
        var job = Sample.Job(Before, after);
        job = job with
        {
            WalkRounds =
            [
                .. job.WalkRounds.Select(w =>
                    w.Id == Sample.Id(41) ? w with { LooksFront = looks } : w
                ),
            ],
        };
        var results = JobEvaluator.Evaluate(job);
        var stance = results.WalkRounds.Single(w => w.WalkRoundId == Sample.Id(41));
        Assert.Equal(against ? [Axle.Front] : Array.Empty<Axle>(), stance.AgainstEye);
        var proof = results.Proofs[0];
        Assert.Equal(
            against,
            proof.WhyNot.Any(w => w.Contains("the eye sees another lean", StringComparison.Ordinal))
        );
        Assert.Equal(!against, proof.Decides);
        if (against)
        {
            Assert.Equal(Verdict.MeasureAgain, proof.AsWanted);
            Assert.All(results.Trials, t => Assert.Null(t.Trial));
            // What comes next is to settle that, not to roll it once more.
            var need = Need.Of(job with { Steps = AllDone(job) }, results);
            Assert.Equal((NeedKind.EyeAndTape, Phase.WalkRound), (need.Kind, need.Phase));
            Assert.Contains(
                "At the front the eye sees another lean",
                need.Say(LengthStyle.Inches),
                StringComparison.Ordinal
            );
        }
    }

    [Theory]
    [InlineData(2.0, true)]
    [InlineData(3.0, false)]
    [InlineData(2.5, true)]
    public void What_people_say_is_compared_with_what_was_measured_and_decides_nothing(
        double inches,
        bool agrees
    )
    {
        ToldGain told = new()
        {
            Id = Sample.Id(77),
            Axle = Axle.Front,
            By = ToldBy.Owner,
            Gain = new Quantity
            {
                Value = inches,
                Unit = Unit.Inch,
                Known = Known.Told,
            },
        };
        JobDocument With(JobDocument job) => job with { Job = job.Job with { ToldGains = [told] } };
        var job = Sample.Job(Before, Lifted(51.26));
        var (bare, with) = (JobEvaluator.Evaluate(job), JobEvaluator.Evaluate(With(job)));
        var compared = Assert.Single(with.Told);
        // 51.26 measured, u about 2.6; said to half an inch, u 6: 2·√(2.6² + 6²) is 13.
        Assert.Equal(51.26, compared.Measured.Value!.Value, 6);
        Assert.Equal(agrees, compared.Agrees);
        Assert.Equal(bare.Proofs[0].Overall, with.Proofs[0].Overall);
        Assert.Equal(bare.Trials[0].Trial, with.Trials[0].Trial);
        // Before anything was fitted nobody can tell.
        var early = Assert.Single(JobEvaluator.Evaluate(With(Sample.Job(Before))).Told);
        Assert.Null(early.Agrees);
        Assert.NotNull(early.Measured.Cannot);
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
        after[4] += 25.4;
        var proof = Of(after);
        Assert.Equal(RigidVerdict.Slipped, proof.Comparison!.Rigid!.Verdict);
        Assert.Equal(["RM"], proof.Comparison.Rigid.Suspects);
        Assert.Null(proof.Stations.First(s => s.Station == "RM").PredictionRight);
        Assert.Equal(Verdict.MeasureAgain, proof.Overall);

        // Half an inch at a mid mark may be the tape: read once more, and the corners carry their verdict.
        after = Lifted(51.26);
        after[4] += 12.7;
        proof = Of(after);
        Assert.Equal(
            (RigidVerdict.Doubtful, "RM"),
            (proof.Comparison!.Rigid!.Verdict, proof.Comparison.Rigid.ReadAgain)
        );
        Assert.Null(proof.Stations.First(s => s.Station == "RM").PredictionRight);
        Assert.Equal(Verdict.Reached, proof.Overall);
    }

    [Fact]
    public void A_corner_that_is_only_doubted_does_not_condemn_the_work()
    {
        // The nose stands an inch high, or one corner was read so.
        var after = Lifted(51.26);
        after[0] += 11;
        after[1] += 4;
        after[5] += 11;
        after[4] += 4;
        var honest = Of(after);
        Assert.Equal(RigidVerdict.Fits, honest.Comparison!.Rigid!.Verdict);
        Assert.Equal(Verdict.NotReached, honest.Target[0].Reached);
        after[0] += 12;
        var doubted = Of(after);
        Assert.Equal("LF", doubted.Comparison!.Rigid!.ReadAgain);
        Assert.Equal(RigidVerdict.Doubtful, doubted.Comparison.Rigid.Verdict);
        Assert.Equal(Verdict.MeasureAgain, doubted.Target[0].Reached);
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
        Assert.Equal(Verdict.Reached, JobEvaluator.Evaluate(With(30)).Proofs[0].Target[0].Reached);
        Assert.Equal(
            Verdict.NotReached,
            JobEvaluator.Evaluate(With(80)).Proofs[0].Target[0].Reached
        );
    }

    [Fact]
    public void A_corner_that_is_not_read_is_named_and_there_is_no_verdict_without_it()
    {
        var job = Sample.Job(Before, Lifted(51.26));
        var proof = JobEvaluator
            .Evaluate(job with { Readings = [.. job.Readings.Where(r => r.Id != Sample.Id(205))] })
            .Proofs[0];
        var rf = proof.Stations.First(s => s.Station == "RF");
        Assert.Equal((null, "Not read in this walk-round."), (rf.Near, rf.Now.Cannot));
        Assert.Equal((Verdict.CannotTell, Verdict.CannotTell), (proof.AsWanted, proof.AsForetold));
        Assert.Contains(proof.WhyNot, w => w.Contains("right front", StringComparison.Ordinal));
    }

    [Fact]
    public void Off_the_plan_but_as_wanted_is_accepted()
    {
        // A wish for 30 mm at least is met although it rose by far more than was foretold.
        var job = Sample.Job(Before, Lifted(51.26));
        var frozen = job.FrozenPredictions[0];
        var proof = JobEvaluator
            .Evaluate(
                job with
                {
                    FrozenPredictions =
                    [
                        frozen with
                        {
                            Target = Sample.Level with
                            {
                                Rake = null,
                                LeastFrontLift = Sample.Mm(30),
                            },
                            Prediction = frozen.Prediction with
                            {
                                Stations =
                                [
                                    .. frozen.Prediction.Stations.Select(s =>
                                        s with
                                        {
                                            Height = Result.Of(
                                                s.Height.Value!.Value - 40,
                                                Unit.Mm,
                                                2,
                                                []
                                            ),
                                        }
                                    ),
                                ],
                            },
                        },
                    ],
                }
            )
            .Proofs[0];
        Assert.Equal((Verdict.Reached, Verdict.NotReached), (proof.AsWanted, proof.AsForetold));
        Assert.Equal(Verdict.Reached, proof.Overall);
        Assert.Contains("has learnt", proof.Says, StringComparison.Ordinal);
    }

    [Fact]
    public void Without_a_wish_in_numbers_the_plan_decides()
    {
        var job = Sample.Job(Before, Lifted(51.26));
        var proof = JobEvaluator
            .Evaluate(
                job with
                {
                    FrozenPredictions =
                    [
                        job.FrozenPredictions[0] with
                        {
                            Target = Sample.Level with { Rake = null },
                        },
                    ],
                }
            )
            .Proofs[0];
        Assert.Null(proof.AsWanted);
        Assert.Equal(Verdict.Reached, proof.Overall);
    }

    [Fact]
    public void What_moved_is_told_from_the_rounds_of_both_stages_and_the_wall_that_was_noted_with_the_lamps()
    {
        var job = Sample.Job(Before, Lifted(51.26));
        var (first, last) = (job.Plans[0].FromStageId, job.Plans[0].ToStageId);
        var n = 900;
        Reading Lamp(Guid? stage, string lamp, double mm, double? wall) =>
            new()
            {
                Id = Sample.Id(++n),
                WalkRoundId = job.WalkRounds.First(w => w.StageId == stage).Id,
                Kind = ReadingKind.Length,
                Measure = Measures.LampCutOff,
                Place = new Place { Kind = PlaceKind.Point, Name = lamp },
                Value = Sample.Mm(mm),
                Over = wall is { } w ? Sample.Mm(w) : null,
                PersonId = Sample.Id(5),
                TakenAt = Sample.At(41),
                StoredAt = Sample.At(41),
            };
        MovedProof Moved(params Reading[] more) =>
            JobEvaluator
                .Evaluate(
                    job with
                    {
                        Readings = [.. job.Readings, .. more],
                        FrozenPredictions =
                        [
                            job.FrozenPredictions[0] with
                            {
                                Prediction = job.FrozenPredictions[0].Prediction with
                                {
                                    Moves =
                                    [
                                        new(
                                            MechanismKind.Headlights,
                                            "vehicle",
                                            Result.Of(80, Unit.Mm, 2, []),
                                            Result.Of(44, Unit.Mm, 1, [])
                                        ),
                                    ],
                                },
                            },
                        ],
                    }
                )
                .Proofs[0]
                .Moved.Single();
        Reading[] pair =
        [
            Lamp(first, "left lamp", 700, 3810),
            Lamp(first, "right lamp", 702, null),
            Lamp(last, "left lamp", 760, null),
            Lamp(last, "right lamp", 762, null),
        ];
        var told = Moved(pair);
        Assert.Equal(60, told.Measured.Value!.Value, 1e-9);
        // Half of the usual distance: half of the tilt's 80.
        Assert.Equal(44 + 40, told.Foretold.Value!.Value, 1e-3);
        // Another measure over another length says nothing of the wall.
        var over = Lamp(first, "LF", 10, 1000) with
        {
            Measure = Measures.HoseSlack,
        };
        Assert.Equal(told.Foretold.Value, Moved([.. pair, over]).Foretold.Value);
    }

    [Fact]
    public void There_is_no_verdict_while_rubber_of_the_changed_axle_is_open()
    {
        var shop = Fitted();
        var open = shop.Results.Proofs[0];
        Assert.Equal((Verdict.CannotTell, Verdict.CannotTell), (open.AsWanted, open.AsForetold));
        Assert.All(open.Target, t => Assert.Equal(Verdict.CannotTell, t.Reached));
        Assert.NotEmpty(open.HeldBack);
        Assert.All(
            open.HeldBack,
            h => Assert.Contains("rubber and still open", h, StringComparison.Ordinal)
        );
        Assert.False(open.Decides);
        Assert.Equal(NeedKind.CloseRubber, Need.Of(shop.Document, shop.Results).Kind);
        // What is not settled teaches no line either.
        Assert.All(
            JobTrials
                .Of(shop.Document, shop.Results.Proofs, shop.Results.WalkRounds)
                .Where(t => t.Axle == Axle.Front),
            t => Assert.Null(t.Trial)
        );

        var closed = Fitted(WheelPosition.OnWheels).Results.Proofs[0];
        Assert.Empty(closed.HeldBack);
        Assert.Empty(closed.Marks);
        Assert.Equal(Verdict.Reached, closed.AsForetold);
    }

    [Fact]
    public void Rubber_that_was_made_final_hanging_leaves_its_mark_on_the_verdict()
    {
        var proof = Fitted(WheelPosition.Hanging).Results.Proofs[0];
        Assert.Equal(Verdict.Reached, proof.AsForetold);
        Assert.All(proof.Marks, m => Assert.Contains("final hanging", m, StringComparison.Ordinal));
        Assert.NotEmpty(proof.Marks);
    }

    [Fact]
    public void Rubber_that_was_left_open_in_writing_lets_the_verdict_stand_with_its_mark()
    {
        var (job, _) = Fitted();
        Deviation Left(Joint j, int i, string did) =>
            new()
            {
                Id = Sample.Id(980 + i),
                Where = j.Place,
                SheetSays = "It is closed: not touched yet.",
                Did = did,
                Why = "this one has a ball there",
                PersonId = Sample.Id(5),
                At = job.Plans[0].BegunAt!.Value,
            };
        var rubber = job.Joints.Where(j => j.Kind == JointKind.BondedRubber).ToArray();
        PlanProof With(string did) =>
            JobEvaluator
                .Evaluate(job with { Deviations = [.. rubber.Select((j, i) => Left(j, i, did))] })
                .Proofs[0];
        var proof = With(FittingRules.LeftOpen);
        Assert.Empty(proof.HeldBack);
        Assert.Equal(Verdict.Reached, proof.AsForetold);
        Assert.All(
            proof.Marks,
            m => Assert.Contains("this one has a ball there", m, StringComparison.Ordinal)
        );
        Assert.Equal(rubber.Length, proof.Marks.Count);
        // Any other note on the joint does not close it.
        Assert.Equal(rubber.Length, With("Recorded snug all the same.").HeldBack.Count);
    }

    [Fact]
    public void Every_pair_of_verdicts_has_a_sentence_that_fits_it()
    {
        var proof = Of(Lifted(51.26));
        string Says(Verdict? wanted, Verdict foretold) =>
            (proof with { AsWanted = wanted, AsForetold = foretold }).Says;
        Assert.StartsWith(
            "Not as wanted",
            Says(Verdict.NotReached, Verdict.CannotTell),
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "As wanted",
            Says(Verdict.Reached, Verdict.MeasureAgain),
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "Read what is missing",
            Says(Verdict.MeasureAgain, Verdict.MeasureAgain),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_card_that_was_begun_is_done_before_anything_is_judged()
    {
        var job = Begun(WheelPosition.OnWheels);
        var first = Progress.CardOf(job).Steps[0];
        var begun = job with
        {
            Steps =
            [
                new StepEntry
                {
                    Id = Sample.Id(950),
                    PlanId = job.Plans[0].Id,
                    Step = first.Key,
                    PersonId = Sample.Id(5),
                    At = Sample.At(50),
                },
            ],
        };
        var proof = JobEvaluator.Evaluate(begun).Proofs[0];
        Assert.Contains(proof.HeldBack, h => h.Contains("on the card", StringComparison.Ordinal));
        Assert.Equal(Verdict.CannotTell, proof.AsForetold);
    }

    /// <summary>The sample's job with the joints of its card; their rubber made final where it is said, else left open.</summary>
    private static JobDocument Begun(WheelPosition? final = null)
    {
        var job = Sample.Job(Before, Lifted(51.26));
        Joint[] joints =
        [
            .. Progress
                .CardOf(job)
                .Joints.Select(
                    (j, i) =>
                        new Joint
                        {
                            Id = Sample.Id(900 + i),
                            Where = j.Where,
                            Place = j.Place,
                            Kind = j.Kind,
                            Fasteners = j.Fasteners,
                        }
                ),
        ];
        return job with
        {
            Joints = joints,
            TorqueEntries = final is { } position
                ?
                [
                    .. joints.Select(
                        (j, i) =>
                            new TorqueEntry
                            {
                                Id = Sample.Id(930 + i),
                                JointId = j.Id,
                                PlanId = job.Plans[0].Id,
                                Pass = Pass.Final,
                                Position = position,
                                PersonId = Sample.Id(5),
                                At = Sample.At(50),
                            }
                    ),
                ]
                : [],
        };
    }

    private static (JobDocument Document, JobResults Results) Fitted(WheelPosition? final = null)
    {
        var job = Begun(final);
        job = job with
        {
            Steps =
            [
                .. Progress
                    .CardOf(job)
                    .Steps.Select(
                        (s, i) =>
                            new StepEntry
                            {
                                Id = Sample.Id(960 + i),
                                PlanId = job.Plans[0].Id,
                                Step = s.Key,
                                PersonId = Sample.Id(5),
                                At = Sample.At(50),
                            }
                    ),
            ],
        };
        return (job, JobEvaluator.Evaluate(job));
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
            [600, 1094.4, 595, 565, 1061.4, 570]
        );
        Verdict Of(string what) => proof.Target.Single(t => t.What == what).Reached;
        // The front rose by 65 on the mean: by less than tolerance too much. It leans 30 at both ends, as a stiff body does.
        Assert.Equal(Verdict.Reached, Of("frontMost"));
        Assert.Equal(Verdict.Reached, Of("rearMost"));
        Assert.Equal(Verdict.NotReached, Of("leanFront"));
        Assert.Equal(Verdict.NotReached, Of("leanRear"));
        Assert.DoesNotContain(proof.Target, t => t.What == "rake");
    }

    [Fact]
    public void A_rake_that_is_wanted_with_the_load_on_is_judged_with_what_the_load_does()
    {
        // What a load does is known to a share of it only: a finer wish could not be told.
        var target = Sample.Level with
        {
            Loaded = true,
            Tolerance = Sample.Mm(25),
        };
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
        Assert.Equal(Verdict.Reached, loaded.Reached);
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
