using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Practice;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>What a score says of what was done: a learner who does everything right gets everything, a careless one is told each carelessness.</summary>
public sealed class PracticeScoreTests
{
    private static readonly string[] Stations = ["LF", "LM", "LR", "RR", "RM", "RF"];

    /// <summary>Somebody who practises, by the same commands as a person's.</summary>
    private sealed class Learner
    {
        private readonly List<PracticeAct> _acts = [];
        private readonly Part[] _shelf;

        public Learner(HiddenTruth truth)
        {
            Truth = truth;
            Shop.Document = Shop.Document with
            {
                Job = Shop.Document.Job with
                {
                    Target = new Target
                    {
                        Datum = Datum.Hub,
                        Rake = Sample.Mm(0),
                        Tolerance = Sample.Mm(Target.UsualToleranceMm),
                    },
                },
            };
            _shelf =
            [
                Plate("plate 1", 1, 35),
                Plate("plate 1 1/4", 1.25, 35),
                Plate("plate 1 1/2", 1.5, 35),
                Plate("dear plate", 1.02, 300),
            ];
        }

        public Workshop Shop { get; } = new();
        public HiddenTruth Truth { get; }
        public IReadOnlyList<Part> Shelf => _shelf;

        /// <summary>When the exercise began: what was done before, others did.</summary>
        public DateTimeOffset Since { get; set; } = Sample.At(0);

        public PracticeRun Run => new(Truth, Shop.Document, _acts, _shelf, Since);

        public PracticeScore Score => PracticeScore.Of(Run);

        private Part Plate(string name, double inches, decimal price)
        {
            var part = Shop.Plates(2) with
            {
                Name = name,
                Thickness = Sample.Of(inches, Unit.Inch, Known.Measured),
                Claim = null,
                Price = price,
            };
            Shop.Shelf[part.Id] = part;
            return part;
        }

        public void Look(LookAt at, bool mend = false)
        {
            _acts.Add(new PracticeAct(Shop.Key(), at, mend, Shop.Now));
            Shop.Now = Shop.Now.AddMinutes(1);
        }

        public void FindAll()
        {
            foreach (var rule in Truth.Faults.Select(f => LookRule.For(f.Of)))
            {
                Look(rule.At);
                if (rule.Mend is not null)
                {
                    Look(rule.At, true);
                }
            }
        }

        /// <summary>Reads each station as it stands, or as somebody reads it who errs.</summary>
        public void Walk(
            Settled settled = Settled.Rolled,
            Func<string, double>? errs = null,
            string? but = null
        )
        {
            var round = Shop.Key();
            Shop.Do(
                new BeginWalkRound(
                    Shop.Key(),
                    round,
                    Shop.Document.CurrentStage()!.Id,
                    Workshop.Conditions(settled)
                )
            );
            foreach (var station in Stations.Where(s => s != but))
            {
                ReadAgain(station, errs?.Invoke(station) ?? 0);
            }
        }

        /// <summary>Reads a station of the last round once more, by so much too high, mm.</summary>
        public void ReadAgain(string station, double err)
        {
            var round = Shop.Document.WalkRounds[^1];
            var from = station is "LM" or "RM" ? Datum.Floor : Datum.Hub;
            var mm = Run
                .Vehicle.TrueMm(round.StageId, station, from, round.Settled, Shop.Now)!
                .Value;
            Shop.Do(
                new StoreReading(
                    Shop.Key(),
                    Shop.Key(),
                    round.Id,
                    station,
                    from,
                    LengthText
                        .Show(mm + err, LengthStyle.Inches)
                        .Replace(" in", "", StringComparison.Ordinal),
                    [HeightReader.AsRead],
                    Shop.Now,
                    null,
                    null
                )
            );
        }

        public void Plan(Part part) => Shop.Do(Shop.PlanWith(part));

        public void PlanTheBest()
        {
            var best = Run.Best()!;
            Shop.Do(
                new SavePlan(
                    Shop.Key(),
                    Shop.Key(),
                    null,
                    Shop.Document.CurrentStage()!.Id,
                    "Plan A",
                    [
                        .. best
                            .Stacks.Where(s => s.Parts.Count > 0)
                            .Select(s => new CornerPlacingsInput(
                                s.Corner,
                                [.. s.Parts.Select(p => new PlacingInput(Shop.Key(), p.PartId))]
                            )),
                    ]
                )
            );
        }

        /// <summary>Does the card, all but some steps; with a reason where a gate asks for one.</summary>
        public void Fit(Func<CardStep, bool>? skip = null)
        {
            Shop.Do(Shop.Begin());
            foreach (var step in Progress.CardOf(Shop.Document).Steps)
            {
                if (skip?.Invoke(step) != true)
                {
                    Shop.Do(
                        new DoStep(
                            Shop.Key(),
                            Shop.Key(),
                            step.Key,
                            null,
                            "practice",
                            Shop.Reached(step)
                        )
                    );
                }
            }
        }

        public void SayItWas(CauseKind kind, string where) =>
            Shop.Do(
                new NoteCheck(
                    Shop.Key(),
                    Shop.Key(),
                    Shop.Document.WalkRounds.MaxBy(w => w.At)!.Id,
                    kind,
                    where,
                    true,
                    "seen",
                    null
                )
            );
    }

    private static string All(PracticeScore score) =>
        string.Join("\n", score.Lines.Select(l => $"{l.Got}/{l.Of} {l.Said} {l.Learn}"));

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Who_measures_perfectly_gets_everything(int level)
    {
        for (var seed = 0; seed < 3; seed++)
        {
            var learner = new Learner(HiddenTruth.Draw(seed, level, Course.Measure));
            learner.FindAll();
            learner.Walk();
            Assert.True(learner.Score.Points == 100, All(learner.Score));
            Assert.True(learner.Score.Passed);
            Assert.Null(learner.Score.First);
            Assert.All(learner.Score.Lines, l => Assert.Null(l.Learn));
        }
    }

    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    public void Who_levels_perfectly_gets_everything(int level)
    {
        for (var seed = 0; seed < 1; seed++)
        {
            var learner = new Learner(HiddenTruth.Draw(seed, level, Course.Level));
            learner.FindAll();
            learner.Walk();
            learner.PlanTheBest();
            learner.Fit();
            learner.Walk(Settled.Driven);
            Assert.True(learner.Score.Points == 100, All(learner.Score));
        }
    }

    private static Learner Wronged(Fault fault, string where, double mm, params HiddenFault[] more)
    {
        var learner = new Learner(
            PracticeVehicleTests.Truth([new HiddenFault(fault, where, mm), .. more]) with
            {
                Course = Course.WentWrong,
            }
        );
        learner.Walk();
        if (fault == Fault.SidesSwapped)
        {
            learner.Shop.Do(
                new SavePlan(
                    learner.Shop.Key(),
                    learner.Shop.Key(),
                    null,
                    learner.Shop.Document.CurrentStage()!.Id,
                    "Plan A",
                    [
                        new CornerPlacingsInput(
                            Corner.LF,
                            [new PlacingInput(learner.Shop.Key(), learner.Shelf[0].Id)]
                        ),
                        new CornerPlacingsInput(
                            Corner.RF,
                            [new PlacingInput(learner.Shop.Key(), learner.Shelf[1].Id)]
                        ),
                    ]
                )
            );
        }
        else
        {
            learner.Plan(learner.Shelf[0]);
        }
        learner.Fit();
        learner.Since = learner.Shop.Now = learner.Shop.Now.AddMinutes(1);
        return learner;
    }

    [Fact]
    public void Who_hands_in_what_others_did_gets_nothing()
    {
        var learner = Wronged(Fault.NotSeated, "LF", 20);
        Assert.All(learner.Score.Lines, l => Assert.Equal((0, true), (l.Got, l.Learn is not null)));
        Assert.Equal(0, learner.Run.Spent().Hours);
    }

    [Theory]
    [InlineData(Fault.NotSeated, "LF", 20, CauseKind.NotSeated)]
    [InlineData(Fault.TightenedHanging, "front", 15, CauseKind.TightenedHanging)]
    [InlineData(Fault.SidesSwapped, "front", 0, CauseKind.SidesSwapped)]
    public void Who_finds_the_cause_by_its_check_and_puts_it_right_gets_everything(
        Fault fault,
        string where,
        double mm,
        CauseKind cause
    )
    {
        var learner = Wronged(fault, where, mm);
        learner.Walk();
        learner.Look(LookRule.For(fault).At);
        learner.SayItWas(cause, where);
        learner.Look(LookRule.For(fault).At, true);
        learner.Walk();
        Assert.True(learner.Score.Points == 100, All(learner.Score));
    }

    [Fact]
    public void Who_names_another_cause_and_leaves_it_is_told()
    {
        var learner = Wronged(Fault.NotSeated, "LF", 20);
        learner.Walk();
        learner.SayItWas(CauseKind.TightenedHanging, "front");
        foreach (var look in (LookAt[])[LookAt.Rubber, LookAt.Mounts, LookAt.Marks])
        {
            learner.Look(look);
        }
        var lines = learner.Score.Lines.Where(l => l.Area != ScoreArea.Reading).ToArray();
        Assert.Contains(
            lines,
            l =>
                l.Got == 0
                && l.Said.StartsWith(
                    "Not said under Prove: The left front spring’s end",
                    StringComparison.Ordinal
                )
        );
        Assert.Contains(lines, l => l.Got == 0 && l.Said == "It was left as it was.");
        // 35 + 15 + 5 minutes in vain: 20 are free, 40 more cost all of it.
        var spared = Assert.Single(lines, l => l.Area == ScoreArea.Cost);
        Assert.Equal(
            (10.0 * 5 / 40, "55 minutes of looks that found nothing."),
            (spared.Got, spared.Said)
        );
        Assert.Contains(lines, l => l.Said == "The last readings still have the fault in them.");
        Assert.False(learner.Score.Passed);
    }

    [Fact]
    public void What_is_to_be_learned_first_is_where_most_was_lost()
    {
        Assert.Null(new PracticeScore([Line(10, null, 10)]).First);
        Assert.Equal(
            "b",
            new PracticeScore([
                Line(0, "a", 5),
                Line(10, "b", 20),
                Line(0, null, 50),
                Line(30, "c", 36),
            ]).First
        );

        static ScoreLine Line(double got, string? learn, double of) =>
            new(ScoreArea.Reading, got, of, "said", learn, null);
    }

    [Fact]
    public void Found_after_another_was_said_to_be_it_is_worth_half()
    {
        var learner = Wronged(Fault.NotSeated, "LF", 20);
        learner.Walk();
        learner.SayItWas(CauseKind.TightenedHanging, "front");
        learner.SayItWas(CauseKind.NotSeated, "LF");
        var line = learner.Score.Lines.Single(l =>
            l.Said.StartsWith("Found, after 1 other", StringComparison.Ordinal)
        );
        Assert.Equal(line.Of / 2, line.Got, 1e-9);
        Assert.Equal("Say that it was it only when the check showed it.", line.Learn);
        // Looked and not said: half of it.
        var silent = Wronged(Fault.NotSeated, "LF", 20);
        silent.Look(LookAt.Rubber);
        silent.Look(LookAt.Pockets);
        var half = silent.Score.Lines.Single(l =>
            l.Said.StartsWith("Not said", StringComparison.Ordinal)
        );
        Assert.Equal(half.Of / 2, half.Got, 1e-9);
    }

    private static Learner Measuring(HiddenTruth truth) =>
        new(truth with { Course = Course.Measure });

    [Fact]
    public void Each_wrong_reading_says_what_made_it_wrong()
    {
        var learner = Measuring(
            PracticeVehicleTests.Truth() with
            {
                Flaws = [new TapeFlaw("LF", 0, 1), new TapeFlaw("RF", 8, 0)],
            }
        );
        learner.Walk(errs: s =>
            s switch
            {
                "LF" => -6.32,
                "RF" => -8,
                "LR" => 25.4,
                "RR" => 3.2,
                "LM" => 9,
                _ => 0,
            }
        );
        var learn = learner.Score.Lines.Where(l => l.Area == ScoreArea.Reading).ToArray();
        string Of(string said) =>
            learn.Single(l => l.Said.StartsWith(said, StringComparison.Ordinal)).Learn ?? "";
        Assert.StartsWith("The eye was not level", Of("Left front"), StringComparison.Ordinal);
        Assert.StartsWith("The hook hung", Of("Right front"), StringComparison.Ordinal);
        Assert.StartsWith("An inch off", Of("Left rear"), StringComparison.Ordinal);
        Assert.StartsWith("Count the lines", Of("Left middle"), StringComparison.Ordinal);
        Assert.Equal("", Of("Right middle"));
        // Ten points a station: right to a sixteenth all, to an eighth half.
        Assert.Equal([0, 0, 0, 5, 10, 0], learn.Select(l => l.Got));
        Assert.Equal("Right middle: 41 1/16 in, right to a sixteenth.", learn[4].Said);
    }

    [Fact]
    public void A_second_read_is_not_explained_by_how_the_tape_hung_at_first()
    {
        var learner = Measuring(
            PracticeVehicleTests.Truth() with
            {
                Flaws = [new TapeFlaw("LF", 0, 1)],
            }
        );
        learner.Walk(errs: s => s == "LF" ? -6.32 : 0);
        ScoreLine Line() =>
            learner.Score.Lines.Single(l =>
                l.Said.StartsWith("Left front", StringComparison.Ordinal)
            );
        Assert.StartsWith("The eye was not level", Line().Learn, StringComparison.Ordinal);
        learner.ReadAgain("LF", -6.32);
        Assert.Contains("looks from above", Line().Learn, StringComparison.Ordinal);
    }

    [Fact]
    public void Who_moves_the_eye_off_a_tape_that_hung_right_is_told_so()
    {
        var learner = Measuring(PracticeVehicleTests.Truth());
        learner.Walk(errs: s =>
            s == "LR" ? -6.32
            : s == "RF" ? 6.32
            : s == "LM" ? 6.32
            : 0
        );
        string Of(string said) =>
            learner
                .Score.Lines.Single(l => l.Said.StartsWith(said, StringComparison.Ordinal))
                .Learn!;
        Assert.Contains("looks from above", Of("Left rear"), StringComparison.Ordinal);
        Assert.Contains("looks from below", Of("Right front"), StringComparison.Ordinal);
        // At the floor it does not matter where the eye is.
        Assert.StartsWith("Count the lines", Of("Left middle"), StringComparison.Ordinal);
    }

    [Fact]
    public void Another_datum_than_it_says_and_a_station_left_out_are_told()
    {
        var learner = Measuring(PracticeVehicleTests.Truth());
        learner.Walk(errs: s => s == "LR" ? 372 : 0, but: "RM");
        var lines = learner.Score.Lines;
        Assert.Contains(lines, l => l.Said == "Right middle: not read." && l.Got == 0);
        Assert.Contains(
            lines,
            l => l.Learn?.StartsWith("That is another datum", StringComparison.Ordinal) == true
        );
    }

    [Fact]
    public void Nothing_read_is_nothing_got()
    {
        var learner = Measuring(PracticeVehicleTests.Truth());
        Assert.Equal(0, learner.Score.Points);
        // Nor for a round that was begun.
        learner.Shop.Walk();
        Assert.Equal(0, learner.Score.Points);
        Assert.All(learner.Score.Lines, l => Assert.NotNull(l.Guide));
        Assert.Equal(
            60,
            learner.Score.Lines.Where(l => l.Area == ScoreArea.Reading).Sum(l => l.Of),
            1e-9
        );
    }

    [Theory]
    [InlineData(Settled.No, 0)]
    [InlineData(Settled.Bounced, 10)]
    [InlineData(Settled.Rolled, 20)]
    [InlineData(Settled.Driven, 20)]
    public void Who_does_not_roll_it_is_told(Settled settled, double got)
    {
        var learner = Measuring(PracticeVehicleTests.Truth());
        learner.Walk(settled);
        var line = learner.Score.Lines.Single(l => l.Area == ScoreArea.Conditions);
        Assert.Equal((got, got == 20), (line.Got, line.Learn is null));
        // What he read is right all the same: it stood so.
        Assert.Equal(
            60,
            learner.Score.Lines.Where(l => l.Area == ScoreArea.Reading).Sum(l => l.Got),
            1e-9
        );
    }

    [Fact]
    public void A_load_that_was_left_in_is_worth_what_was_done_about_it()
    {
        var truth = PracticeVehicleTests.Truth(new HiddenFault(Fault.LoadLeftIn, "rear", 20));
        ScoreLine After(Action<Learner> does)
        {
            var learner = Measuring(truth);
            does(learner);
            return learner.Score.Lines.Single(l => l.Area == ScoreArea.Finding);
        }
        Assert.Equal(0, After(l => l.Walk()).Got);
        Assert.Equal(
            10,
            After(l =>
            {
                l.Look(LookAt.Bed);
                l.Walk();
            }).Got
        );
        Assert.Equal(
            10,
            After(l =>
            {
                l.Walk();
                l.Look(LookAt.Bed);
                l.Look(LookAt.Bed, true);
            }).Got
        );
        Assert.Equal(
            20,
            After(l =>
            {
                l.Look(LookAt.Bed);
                l.Look(LookAt.Bed, true);
                l.Walk();
            }).Got
        );
        Assert.Equal(
            20,
            After(l =>
            {
                l.Walk();
                l.Look(LookAt.Bed);
                l.Look(LookAt.Bed, true);
                l.Walk();
            }).Got
        );
        // Read at the very instant at which it was out, it was out.
        Assert.Equal(
            20,
            After(l =>
            {
                l.Look(LookAt.Bed);
                l.Look(LookAt.Bed, true);
                l.Shop.Now = l.Shop.Now.AddMinutes(-1);
                l.Walk();
            }).Got
        );
        // What nothing puts right is found by looking.
        var tired = Measuring(
            PracticeVehicleTests.Truth(new HiddenFault(Fault.TiredSpring, "LR", 20))
        );
        tired.Look(LookAt.Standard);
        Assert.Equal(20, tired.Score.Lines.Single(l => l.Area == ScoreArea.Finding).Got);
    }

    private static Learner Levelling()
    {
        var learner = new Learner(PracticeVehicleTests.Truth());
        learner.Walk();
        return learner;
    }

    [Fact]
    public void A_plan_is_judged_by_where_it_lands_against_the_best_of_its_shelf()
    {
        var best = Levelling().Run.Best()!;
        // By hand: of the four plates the one whose lift comes nearest to the 49 mm of rake.
        var tried = Levelling();
        var misses = tried.Shelf.Select(part =>
        {
            var learner = Levelling();
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
        var poor = Levelling();
        poor.Plan(poor.Shelf[2]);
        var line = poor.Score.Lines.Single(l => l.Area == ScoreArea.Plan);
        Assert.True(line.Got < line.Of && line.Learn is not null, line.Said);
        var none = Levelling();
        Assert.Equal(0, none.Score.Lines.Single(l => l.Area == ScoreArea.Plan).Got);
        Assert.Null(none.Run.Now());
    }

    [Fact]
    public void The_dear_part_that_lands_as_well_costs_points()
    {
        var learner = Levelling();
        learner.Plan(learner.Shelf[3]);
        var line = learner.Score.Lines.Single(l => l.Area == ScoreArea.Cost);
        Assert.Equal(0, line.Got);
        Assert.NotNull(line.Learn);
    }

    [Fact]
    public void A_hold_point_that_was_passed_over_says_what_would_have_happened()
    {
        var learner = Levelling();
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
    public void Every_reason_to_stop_has_its_story_and_a_step_that_is_none_has_not()
    {
        var step = Levelling() is var learner && Start(learner) is var card ? card.Steps[0] : null!;
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
        var learner = Levelling();
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
        var learner = Levelling();
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
    public void The_best_run_looks_where_something_is_and_lands_as_the_best_plan_does()
    {
        var learner = new Learner(
            PracticeVehicleTests.Truth(new HiddenFault(Fault.LoadLeftIn, "rear", 20))
        );
        var steps = BestRun.Of(learner.Run);
        Assert.Equal("Look into bed and cab.", steps[0].Said);
        Assert.Equal("Take it out.", steps[1].Said);
        Assert.Equal(550, steps[0].Lips[2], 1e-6);
        Assert.Equal(570, steps[1].Lips[2], 1e-6);
        var last = steps[^1];
        var rake = (last.Lips[2] + last.Lips[3] - last.Lips[0] - last.Lips[1]) / 2;
        Assert.Equal(learner.Run.Best()!.MissMm, Math.Abs(rake), 1e-6);
        // Of a lift that went wrong it begins with the fault in.
        var wronged = Wronged(Fault.TightenedHanging, "front", 15);
        var found = BestRun.Of(wronged.Run);
        Assert.StartsWith("Roll it, read all six", found[0].Said, StringComparison.Ordinal);
        Assert.Equal(15, found[0].Lips[0] - found[^1].Lips[0], 1e-6);
        Assert.Equal(570, found[^1].Lips[2], 1e-6);
    }
}
