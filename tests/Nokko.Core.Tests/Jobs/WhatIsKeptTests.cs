using System.Text.Json.Nodes;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What a command keeps and what it leaves out, and what results tell of what was kept.</summary>
public class WhatIsKeptTests
{
    private static readonly double[] Before = [520, 1040, 570, 570, 1040, 520];
    private static readonly double[] OnPlan = [571, 1070, 570, 570, 1070, 571];

    private readonly Workshop _shop = new();

    // --- readings -----------------------------------------------------------------------------------

    [Fact]
    public void A_mark_of_one_s_own_is_kept_with_a_reading_from_it_and_with_no_other()
    {
        _shop.Walk();
        Reading Kept(StoreReading with) =>
            _shop.Document.Readings.Concat(_shop.Do(with).On(_shop.Document).Readings).Last();
        var own = Kept(
            _shop.Reading("LF", "20 1/2") with
            {
                From = Datum.Own,
                OwnMark = "punch mark under the sill",
            }
        );
        Assert.Equal((Datum.Own, "punch mark under the sill"), (own.From, own.OwnMark));
        var hub = Kept(
            _shop.Reading("RF", "20 1/2") with
            {
                OwnMark = "punch mark under the sill",
            }
        );
        Assert.Equal((Datum.Hub, null), (hub.From, hub.OwnMark));
    }

    [Fact]
    public void Only_a_station_of_the_vehicle_is_passed_over()
    {
        _shop.Walk();
        PassOver Over(string? station) =>
            new(
                _shop.Key(),
                _shop.Key(),
                _shop.Round,
                station,
                null,
                null,
                "a jack is in the way",
                _shop.Now
            );
        foreach (var unknown in (string?[])["XX", null])
        {
            var why = _shop.Refused(Over(unknown));
            Assert.Equal((RefusalKind.BadValue, "station"), (why.Kind, why.Field));
        }
        _shop.Do(Over("LF"));
        var d = _shop.Document;
        Assert.Equal(
            ("LF", true, "a jack is in the way"),
            (d.Readings[0].Place.Name, d.Readings[0].Skipped, d.Readings[0].Note)
        );
        Assert.Equal(
            (ReadingKind.Height, PlaceKind.Station),
            (d.Readings[0].Kind, d.Readings[0].Place.Kind)
        );
        // The record tells both: that it was passed over, and what nobody came to.
        var told = Progress.NotMeasuredOf(d, JobEvaluator.Evaluate(d));
        Assert.Contains("as found: left front passed over, a jack is in the way", told);
        Assert.Contains(
            told,
            t =>
                t.EndsWith("not read", StringComparison.Ordinal)
                && !t.Contains("left front", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_measure_that_is_passed_over_is_kept_as_that_measure_at_its_place()
    {
        _shop.Walk();
        _shop.Do(
            new PassOver(
                _shop.Key(),
                _shop.Key(),
                _shop.Round,
                "LF",
                Measures.CamberAngle,
                "RF",
                "no gauge here",
                _shop.Now
            )
        );
        var read = Assert.Single(_shop.Document.Readings);
        Assert.Equal(
            (Measures.CamberAngle, ReadingKind.Angle, "RF"),
            (read.Measure, read.Kind, read.Place.Name)
        );
        Assert.Equal(Measures.PlaceKindOf(Measures.Find(Measures.CamberAngle)!), read.Place.Kind);
    }

    [Fact]
    public void A_round_is_walked_in_the_order_that_was_given_or_in_that_of_the_round_before()
    {
        void Begin(params string[]? order)
        {
            _shop.Do(
                new BeginWalkRound(
                    _shop.Key(),
                    _shop.Key(),
                    _shop.Document.CurrentStage()!.Id,
                    Workshop.Conditions() with
                    {
                        Order = order,
                    }
                )
            );
            _shop.Now = _shop.Now.AddMinutes(1);
        }
        IReadOnlyList<string> Last() => _shop.Document.WalkRounds.MaxBy(w => w.At)!.Order;
        Begin("RF", "LF", "RR", "LR");
        Assert.Equal(["RF", "LF", "RR", "LR"], Last());
        Begin(null);
        Assert.Equal(["RF", "LF", "RR", "LR"], Last());
        Begin("LF", "RF");
        Assert.Equal(["LF", "RF"], Last());
    }

    [Fact]
    public void A_new_station_comes_last_in_the_round_that_is_walked_and_only_once()
    {
        _shop.Walk();
        IReadOnlyList<string> Order() =>
            _shop.Document.WalkRounds.Single(w => w.Id == _shop.Round).Order;
        var before = Order();
        PlaceStation Eye(double x) =>
            new(_shop.Key(), 0, "tow eye", x, 0, Carrier.Frame, null, _shop.Round);
        _shop.Do(Eye(-4800));
        Assert.Equal([.. before, "tow eye"], Order());
        _shop.Do(Eye(-4700));
        Assert.Equal([.. before, "tow eye"], Order());
        Assert.Equal(-4700, _shop.Document.Vehicle.Stations[^1].X.In(Unit.Mm));
    }

    [Fact]
    public void A_station_that_is_placed_again_is_that_station()
    {
        _shop.Walk();
        PlaceStation At(double x) =>
            new(_shop.Key(), 0, "LF", x, 900, Carrier.Body, null, _shop.Round);
        var before = _shop.Document.Vehicle.Stations;
        _shop.Do(At(120));
        var after = _shop.Document.Vehicle.Stations;
        Assert.Equal(before.Select(s => s.Name), after.Select(s => s.Name));
        Assert.Equal(120, after.Single(s => s.Name == "LF").X.In(Unit.Mm));
        Assert.Equal(before.Where(s => s.Name != "LF"), after.Where(s => s.Name != "LF"));
    }

    [Fact]
    public void Standard_heights_are_of_stations_that_the_vehicle_has()
    {
        var why = _shop.Refused(
            new NoteStandard(
                _shop.Key(),
                _shop.Key(),
                _shop.Key(),
                Datum.Hub,
                [
                    new StandardHeightInput(_shop.Key(), "LF", Workshop.Typed("21", Unit.Inch)),
                    new StandardHeightInput(_shop.Key(), "XX", Workshop.Typed("21", Unit.Inch)),
                ],
                "the maker's sheet"
            )
        );
        Assert.Equal(RefusalKind.BadValue, why.Kind);
    }

    [Fact]
    public void Standard_heights_stand_before_all_stages_with_the_suspension_of_the_first()
    {
        _shop.Begun();
        var first = _shop.Document.Stages.Single(s => s.Ordinal == 0);
        _shop.Document = _shop.Document with
        {
            Stages =
            [
                .. _shop.Document.Stages.Select(s =>
                    s.Ordinal == 0
                        ? s
                        : s with
                        {
                            Rear = new() { Kind = SuspensionKind.CoilFourLink },
                        }
                ),
            ],
        };
        NoteStandard Standard(params (string Station, string Typed)[] heights) =>
            new(
                _shop.Key(),
                _shop.Key(),
                _shop.Key(),
                Datum.Hub,
                [
                    .. heights.Select(h => new StandardHeightInput(
                        _shop.Key(),
                        h.Station,
                        Workshop.Typed(h.Typed, Unit.Inch)
                    )),
                ],
                "the maker's sheet"
            );
        foreach (var none in (NoteStandard[])[Standard(), Standard(("LF", " "))])
        {
            var why = _shop.Refused(none);
            Assert.Equal((RefusalKind.BadValue, "heights"), (why.Kind, why.Field));
        }
        _shop.Do(Standard(("LF", "21")));
        var works = _shop.Document.Stages.Single(s => s.Ordinal < 0);
        Assert.Equal((first.Front.Kind, first.Rear.Kind), (works.Front.Kind, works.Rear.Kind));
    }

    // --- the card -----------------------------------------------------------------------------------

    [Fact]
    public void A_reason_is_kept_with_a_torque_that_is_off_and_with_none_that_is_on_its_spec()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "LF/snug");
        var ball = _shop.Document.Joints.Single(j => j.Place == "LF upper ball joint to upright");
        _shop.Do(
            new SetSpec(
                _shop.Key(),
                ball.Id,
                0,
                Workshop.Typed("100", Unit.PoundFoot),
                null,
                null,
                "sheet 7"
            )
        );
        TorqueEntry Kept(string typed)
        {
            var made = _shop.Do(
                new TightenJoint(
                    _shop.Key(),
                    _shop.Key(),
                    ball.Id,
                    Pass.Final,
                    Workshop.Typed(typed, Unit.PoundFoot),
                    false,
                    "wrench",
                    WheelPosition.Hanging,
                    "the wrench slipped"
                )
            );
            return made.Changes.Select(c => c.Row).OfType<TorqueEntry>().Single();
        }
        Assert.Null(Kept("100").Why);
        Assert.Equal("the wrench slipped", Kept("70").Why);
    }

    [Fact]
    public void A_cut_counts_for_its_own_place_and_its_own_plan()
    {
        _shop.BegunWithBracket();
        var card = Progress.CardOf(_shop.Document);
        var drill = card.Steps.Single(s => s.HoldFor == HoldReason.Irreversible);
        var plan = _shop.Document.BegunPlan()!;
        var noted = new Cut
        {
            Id = Sample.Id(950),
            PlanId = plan.Id,
            Where = drill.Where,
            What = "bracket holes",
            Kind = CutKind.Drill,
            From = "the edge",
            Distance = Sample.Mm(35),
            Count = 4,
            PersonId = Sample.Id(5),
            At = _shop.Now,
        };
        RefusalKind? Held(Cut cut)
        {
            _shop.Document = _shop.Document with { Cuts = [cut] };
            return
                _shop.Try(
                    new DoStep(
                        _shop.Key(),
                        _shop.Key(),
                        drill.Key,
                        null,
                        null,
                        _shop.Reached(drill),
                        "Orchard"
                    )
                )
                    is Decision.Refused refused
                ? refused.Why.Kind
                : null;
        }
        Assert.Equal(RefusalKind.Gate, Held(noted with { Where = "front" }));
        Assert.Equal(RefusalKind.Gate, Held(noted with { PlanId = Sample.Id(951) }));
        Assert.Null(Held(noted));
    }

    [Fact]
    public void Steps_that_are_done_are_counted_off()
    {
        _shop.Begun();
        string Says() =>
            Progress
                .Of(_shop.Document, JobEvaluator.Evaluate(_shop.Document), LengthStyle.Inches)
                .Says;
        var steps = Progress.CardOf(_shop.Document).Steps;
        Assert.EndsWith($"{steps.Count} steps to go.", Says(), StringComparison.Ordinal);
        _shop.DoUntil(s => s.Key == steps[1].Key);
        Assert.EndsWith($"{steps.Count - 2} steps to go.", Says(), StringComparison.Ordinal);
        var fit = Progress
            .Of(_shop.Document, JobEvaluator.Evaluate(_shop.Document), LengthStyle.Inches)
            .Phases.Single(p => p.Phase == Phase.Fit);
        Assert.True(fit.Open >= steps.Count - 2);
    }

    [Fact]
    public void Rubber_left_open_in_writing_excuses_its_own_joint_only()
    {
        _shop.Begun();
        var plan = _shop.Document.BegunPlan()!;
        var rubber = _shop
            .Document.Joints.Where(j => j.Kind.Twists())
            .Select(j => j.Place)
            .ToArray();
        Assert.True(rubber.Length > 1);
        _shop.Document = _shop.Document with
        {
            Deviations =
            [
                new()
                {
                    Id = Sample.Id(960),
                    Where = rubber[1],
                    SheetSays = "final on its wheels",
                    Did = FittingRules.LeftOpen,
                    Why = "the owner does it",
                    PersonId = Sample.Id(5),
                    At = _shop.Now,
                },
            ],
        };
        var d = _shop.Document;
        var proof = Assert.Single(
            JobEvaluator
                .Evaluate(
                    d with
                    {
                        WalkRounds = [.. d.WalkRounds, Sample.Round(41, d.CurrentStage()!.Id)],
                        Readings = [.. d.Readings, .. Sample.Readings(200, 41, OnPlan)],
                    }
                )
                .Proofs
        );
        Assert.Contains(
            $"{rubber[1]} is rubber and was left open, in writing: the owner does it",
            proof.Marks
        );
        Assert.Equal(
            rubber.Where(p => p != rubber[1]).Order(),
            proof
                .HeldBack.Where(h =>
                    h.Contains("is rubber and still open", StringComparison.Ordinal)
                )
                .Select(h => h[..h.IndexOf(" is rubber", StringComparison.Ordinal)])
                .Order()
        );
    }

    // --- plans --------------------------------------------------------------------------------------

    [Fact]
    public void A_plan_that_cannot_be_is_not_begun_whatever_the_reason()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        // The vehicle turns out to stand on something else in front.
        var leaf = new Core.Vehicles.Suspension
        {
            Kind = SuspensionKind.LeafOverslung,
            ShacklePivot = ShacklePivot.AboveEye,
        };
        _shop.Document = _shop.Document with
        {
            Vehicle = _shop.Document.Vehicle with { Front = leaf },
            Stages = [.. _shop.Document.Stages.Select(s => s with { Front = leaf })],
        };
        foreach (var reason in (string?[])[null, "it is wanted"])
        {
            var why = _shop.Refused(_shop.Begin(reason));
            Assert.Equal((RefusalKind.BadValue, "plan"), (why.Kind, why.Field));
        }
    }

    [Fact]
    public void A_dropped_plan_comes_back_chosen_when_no_other_is()
    {
        _shop.ReadBefore();
        var part = _shop.Plates(8);
        var a = _shop.PlanWith(part);
        _shop.Do(a);
        var drop = new DropPlan(_shop.Key(), a.Id, 0);
        _shop.Do(drop);
        _shop.Do(new TakeBack(_shop.Key(), drop.CommandId));
        Assert.True(_shop.Document.Plans.Single().Chosen);
    }

    // --- results ------------------------------------------------------------------------------------

    private static JobDocument Begun(double[]? after = null) => Sample.Job(Before, after ?? OnPlan);

    [Fact]
    public void What_the_first_pass_achieved_counts_from_the_second_stage_on()
    {
        var d = Begun();
        Situation At(int ordinal) =>
            JobEvaluator.SituationAt(
                d,
                d.Stages.Single(s => s.Ordinal == ordinal),
                Core.Evidence.PlatformEvidence.None
            );
        Assert.Null(At(0).FrontAchieved);
        Assert.Equal(51, At(1).FrontAchieved!.Rise.Value!.Value, 9);
        Assert.Equal(0, At(1).RearAchieved!.Rise.Value!.Value, 9);
    }

    [Fact]
    public void An_axle_that_nobody_touched_is_a_control_only_beside_one_that_was()
    {
        var d = Begun();
        var stances = JobEvaluator.StancesOf(d);
        Assert.Equal(
            Axle.Rear,
            Assert.Single(JobEvaluator.Compare(d, stances[0], stances[1]).Controls).Axle
        );
        // Measured twice at one stage: nothing was touched, and nothing is a control.
        var twice = Sample.Job(Before);
        twice = twice with
        {
            WalkRounds = [.. twice.WalkRounds, Sample.Round(42, Sample.AsFound.Id)],
            Readings = [.. twice.Readings, .. Sample.Readings(300, 42, Before)],
        };
        var same = JobEvaluator.StancesOf(twice);
        Assert.Empty(JobEvaluator.Compare(twice, same[0], same[1]).Controls);
    }

    [Fact]
    public void A_begun_plan_without_what_was_foretold_or_where_it_began_is_no_evidence()
    {
        Assert.NotEmpty(JobEvaluator.Evaluate(Begun()).Trials);
        Assert.Empty(JobEvaluator.Evaluate(Begun() with { FrozenPredictions = [] }).Trials);
        var d = Begun();
        Assert.Empty(
            JobEvaluator
                .Evaluate(d with { Plans = [d.Plans[0] with { FromStageId = Sample.Id(990) }] })
                .Trials
        );
    }

    [Fact]
    public void A_job_file_ranks_with_the_pieces_that_are_not_on_the_vehicle()
    {
        // The plan has one plate a side; both are in by now, so that none is left to add.
        var ranked = JobRanking.Of(Begun());
        Assert.All(ranked, r => Assert.True(r.Stacks.SelectMany(s => s.Parts).Count() <= 2));
        Assert.Contains(ranked, r => r.Stacks.SelectMany(s => s.Parts).Count() == 2);
    }

    // --- instants and schemas -----------------------------------------------------------------------

    [Theory]
    [InlineData(0, 0)]
    [InlineData(9, 0)]
    [InlineData(10, 10)]
    [InlineData(10_019, 10_010)]
    public void Instants_are_kept_in_UTC_and_to_the_microsecond(long ticks, long kept)
    {
        var at = new DateTimeOffset(2026, 3, 2, 8, 0, 0, TimeSpan.FromHours(2));
        var cut = Instants.ToMicroseconds(at.AddTicks(ticks));
        Assert.Equal((at.UtcTicks + kept, TimeSpan.Zero), (cut.UtcTicks, cut.Offset));
    }

    private sealed record Told(DateTimeOffset At, DateTimeOffset? Until, Unit Unit);

    [Fact]
    public void A_schema_tells_instants_and_units()
    {
        var schema = JsonNode.Parse(JobJson.Schema(typeof(Told), "told"))!;
        var of = schema["properties"]!;
        Assert.Equal("told", (string?)schema["title"]);
        Assert.Equal(
            ("string", "date-time"),
            ((string?)of["at"]!["type"], (string?)of["at"]!["format"])
        );
        Assert.Equal(["string", "null"], of["until"]!["type"]!.AsArray().Select(t => (string?)t));
        Assert.Equal("date-time", (string?)of["until"]!["format"]);
        Assert.Equal(
            Unit.All.Select(u => u.Symbol),
            of["unit"]!["enum"]!.AsArray().Select(t => (string)t!)
        );
    }

    [Fact]
    public void Plan_is_open_until_a_draft_changes_something_and_closed_once_it_is_fitted()
    {
        int Open() =>
            Progress
                .Of(_shop.Document, JobEvaluator.Evaluate(_shop.Document), LengthStyle.Inches)
                .Phases.Single(p => p.Phase == Phase.Plan)
                .Open;
        _shop.ReadBefore();
        Assert.Equal(1, Open());
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        Assert.Equal(0, Open());
        _shop.Do(_shop.Begin());
        Assert.Equal(0, Open());
    }

    [Fact]
    public void Corners_that_stand_raised_or_changed_are_kept_with_a_reading_whether_known_or_said()
    {
        _shop.Walk();
        var said = _shop.Do(
            _shop.Reading("LF", "20 1/2") with
            {
                Raised = ["RR"],
                Changed = ["LR", "RF"],
            }
        );
        var reading = said.Changes.Select(c => c.Row).OfType<Reading>().Single();
        Assert.Equal(["RR"], reading.RaisedCorners);
        Assert.Equal(["RF", "LR"], reading.ChangedCorners);
        var none = _shop.Do(_shop.Reading("RF", "20 1/2"));
        Assert.Empty(none.Changes.Select(c => c.Row).OfType<Reading>().Single().RaisedCorners);
    }

    [Fact]
    public void A_block_behind_is_a_trial_of_the_rear_axle()
    {
        var job = Sample.Job(Before, [520, 1040, 600, 600, 1040, 520]);
        CornerStack[] rear =
        [
            new() { Corner = Corner.LR, Parts = [Sample.Plate(30, 30, PartKind.Block)] },
            new() { Corner = Corner.RR, Parts = [Sample.Plate(31, 30, PartKind.Block)] },
        ];
        job = job with
        {
            Plans = [job.Plans[0] with { Stacks = rear }],
            Stages = [.. job.Stages.Select(s => s.Ordinal == 1 ? s with { Stacks = rear } : s)],
        };
        var trial = Assert.Single(JobEvaluator.Evaluate(job).Trials);
        Assert.Equal(Axle.Rear, trial.Axle);
        Assert.Null(trial.WhyNot);
        Assert.Equal(30, trial.Trial!.ThicknessMm, 9);
        Assert.Equal(30, trial.Trial.FreeRiseMm, 6);
    }
}
