using System.Text.Json;
using System.Text.Json.Nodes;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What each command does to a job, and what it refuses: without a server, without a database.</summary>
public class DecisionTests
{
    private readonly Workshop _shop = new();

    // --- the vehicle and what is wanted -------------------------------------------------------------

    [Fact]
    public void Sizes_are_read_and_what_was_placed_by_hand_stays()
    {
        _shop.Do(new PlaceStation(_shop.Key(), 0, "tow eye", -4800, 0, Carrier.Frame, null, null));
        var sizes = new VehicleSizesInput(
            Workshop.Typed("3300", Unit.Mm),
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            null,
            "285/70R17"
        );
        _shop.Do(new SetSizes(_shop.Key(), 0, sizes));
        var vehicle = _shop.Document.Vehicle;
        Assert.Equal(3300, vehicle.Dimensions.Wheelbase!.In(Unit.Mm), 9);
        Assert.Equal(("285/70R17", Known.Document), (vehicle.TyreSize, vehicle.TyreKnown));
        Assert.Contains(vehicle.Stations, s => s.Name == "tow eye");
        Assert.Equal(-3300, vehicle.Stations.First(s => s.Name == "LR").X.In(Unit.Mm), 9);
        _shop.AssertRefused(
            new SetSizes(_shop.Key(), 0, sizes with { Wheelbase = Workshop.Typed("33", Unit.Mm) }),
            RefusalKind.BadValue,
            "sizes.wheelbase"
        );
        _shop.AssertRefused(
            new SetSizes(
                _shop.Key(),
                0,
                sizes with
                {
                    RearAxleRating = Workshop.Typed("25", Unit.Lb),
                }
            ),
            RefusalKind.BadValue,
            "sizes.rearAxleRating"
        );
        _shop.Do(
            new SetSizes(
                _shop.Key(),
                0,
                sizes with
                {
                    RearAxleRating = Workshop.Typed("2600", Unit.Lb),
                    CgHeight = Workshop.Typed("700", Unit.Mm),
                }
            )
        );
        var papers = _shop.Document.Vehicle.Dimensions;
        Assert.Equal(2600 * 0.45359237, papers.RearAxleRating!.In(Unit.Kg), 1e-6);
        Assert.Equal(700, papers.CgHeight!.In(Unit.Mm), 1e-9);
        Assert.Null(papers.FrontAxleRating);
        _shop.AssertRefused(
            new SetSizes(_shop.Key(), 0, sizes with { TyreSize = "round" }),
            RefusalKind.BadValue,
            "sizes.tyreSize"
        );
    }

    [Fact]
    public void An_edit_of_what_somebody_else_changed_is_refused_with_what_is_there()
    {
        var target = new TargetInput(Datum.Hub, true, null, null, null, null);
        _shop.Versions[_shop.Document.Job.Id] = 8;
        var why = _shop.Refused(new SetTarget(_shop.Key(), 7, target, "level", null));
        Assert.Equal(RefusalKind.Conflict, why.Kind);
        Assert.Equal((_shop.Document.Job.Id, _shop.Document.Job), (why.Row, why.Theirs));
        _shop.Do(new SetTarget(_shop.Key(), 8, target, "level", null));
        Assert.Equal("level", _shop.Document.Job.Wish);
    }

    [Fact]
    public void Commands_on_different_things_both_succeed_whatever_the_other_version()
    {
        _shop.Versions[_shop.Document.Job.Id] = 8;
        _shop.Versions[_shop.Document.Vehicle.Id] = 3;
        _shop.Do(new SetLoads(_shop.Key(), 8, []));
        _shop.Do(new PlaceStation(_shop.Key(), 3, "tow eye", 0, 0, Carrier.Frame, null, null));
    }

    [Fact]
    public void Loads_need_a_mass_and_a_place_and_are_kept_as_typed()
    {
        LoadInput Load(string mass, string behind) =>
            new(
                Guid.Empty,
                "winch",
                Workshop.Typed(mass, Unit.Kg),
                Workshop.Typed(behind, Unit.Mm),
                null,
                true
            );
        _shop.AssertRefused(
            new SetLoads(_shop.Key(), 0, [Load("", "0")]),
            RefusalKind.BadValue,
            "loads[0].mass"
        );
        _shop.AssertRefused(
            new SetLoads(_shop.Key(), 0, [Load("45", "")]),
            RefusalKind.BadValue,
            "loads[0].behind"
        );
        _shop.AssertRefused(
            new SetLoads(_shop.Key(), 0, [Load("45", "-30000")]),
            RefusalKind.BadValue,
            "loads[0].behind"
        );
        _shop.Do(new SetLoads(_shop.Key(), 0, [Load("45", "400")]));
        var load = Assert.Single(_shop.Document.Job.Loads);
        Assert.Equal((45, 400), (load.Mass.In(Unit.Kg), load.Behind.In(Unit.Mm)));
    }

    [Fact]
    public void A_suspension_belongs_to_the_stage_and_another_kind_forgets_points()
    {
        _shop.AssertRefused(
            new SetPoints(_shop.Key(), 0, Axle.Rear, []),
            RefusalKind.BadValue,
            "axle"
        );
        _shop.Do(
            new SetPoints(
                _shop.Key(),
                0,
                Axle.Front,
                [
                    new PointInput(
                        Archetype.Of(SuspensionKind.CoilOverArm)!.Points[0].Name,
                        Workshop.Typed("230", Unit.Mm),
                        Workshop.Typed("250", Unit.Mm)
                    ),
                ]
            )
        );
        Assert.Single(_shop.Document.CurrentStage()!.Front.Points);
        _shop.Do(new SetSuspension(_shop.Key(), 0, Axle.Front, SuspensionKind.Strut, []));
        Assert.Equal(SuspensionKind.Strut, _shop.Document.VehicleNow().Front.Kind);
        Assert.Empty(_shop.Document.CurrentStage()!.Front.Points);
        _shop.AssertRefused(
            new SetSuspension(
                _shop.Key(),
                0,
                Axle.Front,
                SuspensionKind.Strut,
                [new SizeInput("colour", null)]
            ),
            RefusalKind.BadValue,
            "sizes"
        );
    }

    // --- walk-rounds -----------------------------------------------------------------------------

    [Fact]
    public void A_round_walks_as_the_last_one_did_and_a_way_of_walking_is_chosen_once()
    {
        var conditions = Workshop.Conditions() with { Walk = WalkingOrder.RightSideBack };
        var made = _shop.Do(
            new BeginWalkRound(_shop.Key(), _shop.Key(), Sample.AsFound.Id, conditions)
        );
        Assert.Single(made.Changes, c => c.Row is SchoolChoice);
        var again = _shop.Do(
            new BeginWalkRound(_shop.Key(), _shop.Key(), Sample.AsFound.Id, conditions)
        );
        Assert.DoesNotContain(again.Changes, c => c.Row is SchoolChoice);
        _shop.Walk();
        Assert.Single(_shop.Document.WalkRounds.Select(w => string.Join(' ', w.Order)).Distinct());
        _shop.AssertRefused(
            new BeginWalkRound(_shop.Key(), _shop.Key(), Sample.Id(77), Workshop.Conditions()),
            RefusalKind.BadValue,
            "stageId"
        );
    }

    [Fact]
    public void How_an_axle_looks_is_noted_and_taken_out_again()
    {
        _shop.ReadBefore();
        var round = _shop.Document.WalkRounds[^1].Id;
        _shop.Do(new NoteLook(_shop.Key(), round, Axle.Front, Looks.LeftLow));
        _shop.Do(new NoteLook(_shop.Key(), round, Axle.Rear, Looks.Level));
        var noted = _shop.Document.WalkRounds[^1];
        Assert.Equal((Looks.LeftLow, Looks.Level), (noted.LooksFront, noted.LooksRear));
        _shop.Do(new NoteLook(_shop.Key(), round, Axle.Front, null));
        Assert.Null(_shop.Document.WalkRounds[^1].LooksFront);
        _shop.AssertRefused(
            new NoteLook(_shop.Key(), _shop.Key(), Axle.Rear, Looks.Level),
            RefusalKind.Gone,
            ""
        );
    }

    [Fact]
    public void A_told_gain_is_kept_as_told_with_who_said_it()
    {
        NoteToldGain Told(string typed, Guid? id = null) =>
            new(
                _shop.Key(),
                id ?? _shop.Key(),
                Axle.Front,
                new QuantityInput(typed, Unit.Inch, Known.Measured),
                ToldBy.Owner
            );
        var id = _shop.Key();
        _shop.Do(Told("3", id));
        _shop.Do(Told("2 1/2"));
        Assert.Equal(2, _shop.Document.Job.ToldGains.Count);
        var kept = _shop.Document.Job.ToldGains[0];
        Assert.Equal((Axle.Front, ToldBy.Owner), (kept.Axle, kept.By));
        // Whoever says that it is measured: it was told.
        Assert.Equal(76.2, kept.Gain.In(Unit.Mm), 9);
        Assert.Equal((Unit.Inch, Known.Told), (kept.Gain.Unit, kept.Gain.Known));
        _shop.AssertRefused(Told("", null), RefusalKind.BadValue, "gain");
        _shop.AssertRefused(Told("40"), RefusalKind.BadValue, "gain");
        _shop.AssertRefused(Told("3", id), RefusalKind.BadValue, "id");
    }

    [Fact]
    public void A_reading_is_corrected_once_with_a_reason_and_both_stay()
    {
        _shop.Walk();
        var first = _shop.Reading("LF", "20 1/2");
        _shop.Do(first);
        _shop.AssertRefused(
            _shop.Reading("LF", "21", first.Id, " "),
            RefusalKind.BadValue,
            "reason"
        );
        _shop.AssertRefused(
            _shop.Reading("LF", "21", Sample.Id(77), "slip"),
            RefusalKind.BadValue,
            "supersedes"
        );
        _shop.Do(_shop.Reading("LF", "21", first.Id, "hooked the liner"));
        Assert.Equal(2, _shop.Document.Readings.Count);
        var second = _shop.Refused(_shop.Reading("LF", "22", first.Id, "no, so"));
        Assert.Equal(RefusalKind.Conflict, second.Kind);
        Assert.Equal(21, Assert.IsType<Reading>(second.Theirs).Value!.Value, 9);
    }

    [Fact]
    public void What_cannot_be_read_is_asked_about_or_refused_at_its_field()
    {
        _shop.Walk();
        _shop.AssertRefused(_shop.Reading("XX", "20"), RefusalKind.BadValue, "station");
        _shop.AssertRefused(_shop.Reading("LF", "tall"), RefusalKind.BadValue, "typed");
        var asked = _shop.Refused(_shop.Reading("LF", "20 5.8") with { Answers = [] });
        Assert.NotEmpty(asked.Choices);
        _shop.AssertRefused(
            _shop.Reading("LF", "20") with
            {
                WalkRoundId = Sample.Id(77),
            },
            RefusalKind.Gone,
            ""
        );
        _shop.AssertRefused(
            _shop.Reading("LF", "20") with
            {
                From = Datum.Own,
            },
            RefusalKind.BadValue,
            "ownMark"
        );
        _shop.AssertRefused(
            new PassOver(_shop.Key(), _shop.Key(), _shop.Round, "LF", null, null, " ", _shop.Now),
            RefusalKind.BadValue,
            "why"
        );
    }

    [Fact]
    public void A_measure_is_taken_where_it_can_be_and_over_what_it_needs()
    {
        _shop.Walk();
        StoreMeasure Of(string measure, string place, string typed, QuantityInput? over = null) =>
            new(
                _shop.Key(),
                _shop.Key(),
                _shop.Round,
                measure,
                place,
                typed,
                over,
                [],
                _shop.Now,
                null,
                null
            );
        _shop.AssertRefused(Of("smell", "LF", "1"), RefusalKind.BadValue, "measure");
        _shop.AssertRefused(Of(Measures.CamberSquare, "roof", "1"), RefusalKind.BadValue, "place");
        _shop.AssertRefused(Of(Measures.CamberSquare, "LF", "1/8"), RefusalKind.BadValue, "over");
        _shop.Do(Of(Measures.CamberSquare, "LF", "1/8", Workshop.Typed("17", Unit.Inch)));
        Assert.Equal(17, Assert.Single(_shop.Document.Readings).Over!.Value);
    }

    [Fact]
    public void Many_readings_come_in_together_or_not_at_all()
    {
        _shop.Walk();
        _shop.AssertRefused(new BringInReadings(_shop.Key(), [], []), RefusalKind.BadValue, "csv");
        _shop.AssertRefused(
            new BringInReadings(
                _shop.Key(),
                [_shop.Reading("LF", "20"), _shop.Reading("RF", "tall")],
                []
            ),
            RefusalKind.BadValue,
            "typed"
        );
        _shop.Do(
            new BringInReadings(
                _shop.Key(),
                [_shop.Reading("LF", "20"), _shop.Reading("RF", "20")],
                []
            )
        );
        Assert.Equal(2, _shop.Document.Readings.Count);
    }

    [Fact]
    public void Standard_heights_make_a_stage_before_all_others_once()
    {
        NoteStandard Standard(string source = "the maker's sheet") =>
            new(
                _shop.Key(),
                _shop.Key(),
                _shop.Key(),
                Datum.Hub,
                [new StandardHeightInput(_shop.Key(), "LF", Workshop.Typed("21", Unit.Inch))],
                source
            );
        _shop.AssertRefused(Standard(" "), RefusalKind.BadValue, "source");
        _shop.Do(Standard());
        Assert.Equal(-1, _shop.Document.Stages.Min(s => s.Ordinal));
        Assert.Equal(Known.Document, Assert.Single(_shop.Document.Readings).Value!.Known);
        Assert.Equal(RefusalKind.Conflict, _shop.Refused(Standard()).Kind);
    }

    // --- plans -----------------------------------------------------------------------------------

    [Fact]
    public void The_first_plan_is_the_chosen_one_until_another_is()
    {
        var part = _shop.Plates();
        var (a, b) = (_shop.Key(), _shop.Key());
        _shop.Do(_shop.PlanWith(part, a));
        _shop.Do(_shop.PlanWith(part, b, "Plan B"));
        Assert.Equal(a, _shop.Document.DraftPlan()!.Id);
        _shop.Do(new ChoosePlan(_shop.Key(), b, 0));
        Assert.Equal(b, Assert.Single(_shop.Document.Plans, p => p.Chosen).Id);
        _shop.Do(new DropPlan(_shop.Key(), b, 0));
        _shop.AssertRefused(new ChoosePlan(_shop.Key(), b, 0), RefusalKind.Gone, "");
        _shop.AssertRefused(_shop.PlanWith(part, b) with { Version = 3 }, RefusalKind.Gone, "");
        _shop.AssertRefused(
            _shop.PlanWith(part, a) with
            {
                Name = " ",
            },
            RefusalKind.BadValue,
            "name"
        );
        // What would be looked for once stands once.
        _shop.AssertRefused(
            _shop.PlanWith(part, corners: [Corner.LF, Corner.LF]),
            RefusalKind.BadValue,
            "stacks"
        );
        var one = new PlacingInput(_shop.Key(), part.Id);
        _shop.AssertRefused(
            _shop.PlanWith(part) with
            {
                Stacks = [new(Corner.LF, [one]), new(Corner.RF, [one])],
            },
            RefusalKind.BadValue,
            "stacks"
        );
    }

    [Fact]
    public void Beginning_opens_a_stage_keeps_the_prediction_takes_from_the_shelf_and_names_the_joints()
    {
        _shop.ReadBefore();
        var part = _shop.Plates(2);
        _shop.Do(_shop.PlanWith(part));
        var begin = _shop.Begin();
        _shop.Do(begin);
        var d = _shop.Document;
        Assert.Equal((begin.StageId, 1), (d.CurrentStage()!.Id, d.CurrentStage()!.Ordinal));
        Assert.Equal(begin.StageId, d.BegunPlan()!.ToStageId);
        Assert.Null(Assert.Single(d.FrozenPredictions).Prediction.Cannot);
        Assert.Equal(0, _shop.Shelf[part.Id].Count);
        Assert.NotEmpty(d.Joints);
        Assert.Equal(d.Joints.Count, d.Joints.Select(j => j.Place).Distinct().Count());
        Assert.Equal(
            RefusalKind.Conflict,
            _shop.Refused(begin with { CommandId = _shop.Key() }).Kind
        );
        Assert.Equal(RefusalKind.Conflict, _shop.Refused(_shop.PlanWith(part, begin.Id)).Kind);
    }

    [Fact]
    public void A_piece_that_moves_to_another_corner_is_a_change_and_is_not_taken_from_the_shelf_again()
    {
        _shop.ReadBefore();
        var part = _shop.Plates(2);
        _shop.Do(_shop.PlanWith(part));
        _shop.Do(_shop.Begin());
        var (stage, stacks) = (
            _shop.Document.CurrentStage()!.Id,
            _shop.Document.CurrentStage()!.Stacks
        );
        var plate = CornerStack.At(stacks, Corner.LF)[0];
        CornerPlacingsInput[] Placed(Corner corner) =>
            [
                .. Corners.All.Select(c => new CornerPlacingsInput(
                    c,
                    [
                        .. CornerStack
                            .At(stacks, c)
                            .Where(p => p.Id != plate.Id)
                            .Concat(c == corner ? new[] { plate } : [])
                            .Select(p => new PlacingInput(p.Id, null, null)),
                    ]
                )),
            ];
        var id = _shop.Key();
        _shop.Do(new SavePlan(_shop.Key(), id, null, stage, "Plan B", Placed(Corner.LF)));
        _shop.AssertRefused(_shop.Begin("nobody read it"), RefusalKind.BadValue, "plan");
        _shop.Do(new SavePlan(_shop.Key(), id, 0, stage, "Plan B", Placed(Corner.RF)));
        Assert.Equal(
            NeedKind.BeginSecondPass,
            Need.Of(_shop.Document, JobEvaluator.Evaluate(_shop.Document)).Kind
        );
        _shop.Do(_shop.Begin("nobody read it"));
        Assert.Equal(0, _shop.Shelf[part.Id].Count);
        Assert.Equal(2, CornerStack.At(_shop.Document.CurrentStage()!.Stacks, Corner.RF).Count);
        Assert.Contains(Progress.CardOf(_shop.Document).Steps, s => s.Where == "LF");
        Assert.Contains(Progress.CardOf(_shop.Document).Steps, s => s.Where == "RF");
    }

    [Fact]
    public void More_than_the_shelf_holds_nothing_at_all_and_a_stack_that_must_not_be_are_refused()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(_shop.Plates(1)));
        _shop.AssertRefused(_shop.Begin(), RefusalKind.BadValue, "plan");
        _shop.Document = _shop.Document with
        {
            Plans = [.. _shop.Document.Plans.Select(p => p with { Stacks = [] })],
        };
        _shop.AssertRefused(_shop.Begin(), RefusalKind.BadValue, "plan");
    }

    [Fact]
    public void Without_a_walk_round_of_this_job_it_begins_only_with_a_written_reason()
    {
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        _shop.AssertRefused(_shop.Begin(), RefusalKind.Gate, "reason");
        _shop.Do(_shop.Begin("it came on a trailer"));
        Assert.Equal("it came on a trailer", Assert.Single(_shop.Document.Deviations).Why);
    }

    [Fact]
    public void Heights_that_an_earlier_job_read_do_not_stand_for_those_of_this_one()
    {
        _shop.ReadBefore();
        _shop.Document = _shop.Document with
        {
            WalkRounds =
            [
                .. _shop.Document.WalkRounds.Select(w => w with { JobId = Sample.Id(900) }),
            ],
        };
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        _shop.AssertRefused(_shop.Begin(), RefusalKind.Gate, "reason");
        Assert.Equal(
            NeedKind.WalkBefore,
            Need.Of(_shop.Document, JobEvaluator.Evaluate(_shop.Document)).Kind
        );
        _shop.AssertRefused(_shop.Reading("LF", "20 1/2"), RefusalKind.Gone, "");
    }

    // --- fitting ---------------------------------------------------------------------------------

    [Fact]
    public void Nothing_is_fitted_before_the_fitting_has_begun()
    {
        _shop.AssertRefused(
            new DoStep(_shop.Key(), _shop.Key(), "vehicle/raise", null, null),
            RefusalKind.Gate,
            "plan"
        );
    }

    [Fact]
    public void A_hold_point_stops_what_is_behind_it_until_it_is_passed_in_writing_and_a_step_is_done_once()
    {
        _shop.Begun();
        var steps = Progress.CardOf(_shop.Document).Steps;
        var hold = steps.TakeWhile(s => !s.Hold).Count();
        _shop.DoUntil(s => s.Key == steps[hold - 1].Key);
        var behind = steps[hold + 1];
        DoStep Step(string? reason) => new(_shop.Key(), _shop.Key(), behind.Key, 12, reason);
        _shop.AssertRefused(Step(null), RefusalKind.Gate, "reason");
        _shop.AssertRefused(Step(" "), RefusalKind.Gate, "reason");
        _shop.Do(Step("second fitter holds it"));
        Assert.Equal("second fitter holds it", Assert.Single(_shop.Document.Deviations).Why);
        Assert.Equal(RefusalKind.Conflict, _shop.Refused(Step(null)).Kind);
        _shop.AssertRefused(
            new DoStep(_shop.Key(), _shop.Key(), "no/such", null, null),
            RefusalKind.BadValue,
            "step"
        );
        _shop.AssertRefused(
            new DoStep(_shop.Key(), _shop.Key(), steps[0].Key, -1, null),
            RefusalKind.BadValue,
            "minutes"
        );
    }

    [Fact]
    public void What_comes_off_opens_a_line_that_is_closed_once()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.TakesOff.Count > 0);
        var line = _shop.Document.OffLines[0];
        Assert.Contains(
            Progress.OpenLinesOf(_shop.Document),
            l => l.StartsWith(line.What, StringComparison.Ordinal)
        );
        _shop.Do(new CloseOffLine(_shop.Key(), line.Id, Fate.RefitHere, null));
        var twice = _shop.Refused(new CloseOffLine(_shop.Key(), line.Id, Fate.Scrap, null));
        Assert.Equal(RefusalKind.Conflict, twice.Kind);
        Assert.Equal(Fate.RefitHere, Assert.IsType<OffLine>(twice.Theirs).Fate);
        _shop.AssertRefused(
            new CloseOffLine(_shop.Key(), Sample.Id(77), Fate.Scrap, null),
            RefusalKind.Gone,
            ""
        );
    }

    [Fact]
    public void Rubber_is_not_final_while_it_hangs_but_in_writing_and_passes_are_never_overwritten()
    {
        _shop.Begun();
        var joint = _shop.Document.Joints.First(j => j.Kind == JointKind.BondedRubber);
        _shop.AssertRefused(
            new SetSpec(
                _shop.Key(),
                joint.Id,
                0,
                Workshop.Typed("101", Unit.PoundFoot),
                null,
                null,
                " "
            ),
            RefusalKind.BadValue,
            "source"
        );
        _shop.AssertRefused(
            new SetSpec(_shop.Key(), joint.Id, 0, null, null, null, "sheet 7"),
            RefusalKind.BadValue,
            "torque"
        );
        _shop.Do(
            new SetSpec(
                _shop.Key(),
                joint.Id,
                0,
                Workshop.Typed("101", Unit.PoundFoot),
                null,
                null,
                "sheet 7"
            )
        );
        TightenJoint At(Pass pass, WheelPosition position, string? reason = null) =>
            new(
                _shop.Key(),
                _shop.Key(),
                joint.Id,
                pass,
                pass == Pass.Final ? Workshop.Typed("101", Unit.PoundFoot) : null,
                false,
                "wrench",
                position,
                reason
            );
        _shop.Do(At(Pass.Hand, WheelPosition.Hanging));
        _shop.Do(At(Pass.Snug, WheelPosition.Hanging));
        _shop.AssertRefused(At(Pass.Final, WheelPosition.Hanging), RefusalKind.Gate, "reason");
        _shop.Do(At(Pass.Final, WheelPosition.Hanging, "the ramp was needed"));
        Assert.Single(_shop.Document.Deviations);
        _shop.Do(At(Pass.Final, WheelPosition.OnWheels));
        Assert.Equal(4, _shop.Document.TorqueEntries.Count);
    }

    private DoStep Done(string key, string? reason = null, params ReachedInput[] reached) =>
        new(_shop.Key(), _shop.Key(), key, null, reason, reached);

    private Joint JointAt(string place) => _shop.Document.Joints.Single(j => j.Place == place);

    private IReadOnlyList<TorqueEntry> PassesOver(string place) =>
        _shop.Document.PassesOver(JointAt(place).Id, _shop.Document.BegunPlan()!.Id);

    [Fact]
    public void One_press_does_not_close_a_joint_that_nobody_torqued()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "LF/snug");
        Assert.Equal(
            [Pass.Hand, Pass.Snug],
            PassesOver("LF strut top plate to body").Select(e => e.Pass)
        );
        _shop.AssertRefused(Done("LF/final-hanging"), RefusalKind.Gate, "reason");
        Assert.DoesNotContain(_shop.Document.Steps, s => s.Step == "LF/final-hanging");
        // One of the joints is torqued: the others are still asked for.
        var top = JointAt("LF strut top plate to body");
        var reached = new ReachedInput(
            top.Id,
            Workshop.Typed("41", Unit.PoundFoot),
            null,
            false,
            "wrench"
        );
        var refused = _shop.Refused(Done("LF/final-hanging", null, reached));
        Assert.Contains("LF upper ball joint", refused.Message, StringComparison.Ordinal);
        Assert.DoesNotContain("top plate", refused.Message, StringComparison.Ordinal);
        Assert.Equal(2, PassesOver("LF strut top plate to body").Count);
        // With a reason the step is done; what was left is left, and said.
        _shop.Do(Done("LF/final-hanging", "the pin is on its way", reached));
        Assert.Equal(Pass.Final, PassesOver("LF strut top plate to body")[^1].Pass);
        Assert.Equal(Pass.Snug, PassesOver("LF upper ball joint to upright")[^1].Pass);
        Assert.Contains(
            _shop.Document.Deviations,
            x => x.Did == "Left without a final pass." && x.Why == "the pin is on its way"
        );
    }

    [Fact]
    public void A_reason_answers_for_what_was_shown_and_seen_is_no_torque()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "LF/snug");
        var (top, ball) = (
            JointAt("LF strut top plate to body"),
            JointAt("LF upper ball joint to upright")
        );
        _shop.Do(
            new SetSpec(
                _shop.Key(),
                top.Id,
                0,
                Workshop.Typed("41", Unit.PoundFoot),
                Workshop.Typed("90", Unit.Degree),
                null,
                "sheet 7"
            )
        );
        // The torque is right, the angle is short; the ball joint was only looked at.
        ReachedInput[] reached =
        [
            new(
                top.Id,
                Workshop.Typed("41", Unit.PoundFoot),
                Workshop.Typed("60", Unit.Degree),
                false,
                "wrench"
            ),
            new(ball.Id, null, null, true, null),
        ];
        var refused = _shop.Refused(Done("LF/final-hanging", null, reached));
        Assert.Contains("short of its angle", refused.Message, StringComparison.Ordinal);
        Assert.Contains("Not final yet: ", refused.Message, StringComparison.Ordinal);
        Assert.Contains("LF upper ball joint", refused.Message, StringComparison.Ordinal);
        _shop.Do(Done("LF/final-hanging", "no room for the bar", reached));
        Assert.Equal(2, _shop.Document.Deviations.Count);
        Assert.Equal("no room for the bar", PassesOver(top.Place)[^1].Why);
        Assert.Equal(Pass.Snug, PassesOver(ball.Place)[^1].Pass);
    }

    [Fact]
    public void What_only_needs_looking_at_is_closed_by_having_been_seen()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "LF/snug");
        ReachedInput[] reached =
        [
            .. Progress
                .CardOf(_shop.Document)
                .Steps.Single(s => s.Key == "LF/final-hanging")
                .Joints.Select(p => JointAt(p))
                .Select(j => new ReachedInput(
                    j.Id,
                    j.Kind.IsLookedAt() ? null : Workshop.Typed("41", Unit.PoundFoot),
                    null,
                    false,
                    null
                )),
        ];
        var refused = _shop.Refused(Done("LF/final-hanging", null, reached));
        Assert.Contains("LF brake-hose bracket", refused.Message, StringComparison.Ordinal);
        _shop.Do(
            Done(
                "LF/final-hanging",
                null,
                [.. reached.Select(r => r.Value is null ? r with { Seen = true } : r)]
            )
        );
        Assert.DoesNotContain(
            Progress.OpenLinesOf(_shop.Document),
            l => l.StartsWith("LF brake-hose bracket:", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void No_weight_goes_back_before_it_is_snug()
    {
        _shop.Begun();
        var steps = Progress.CardOf(_shop.Document).Steps;
        // Every step up to there but the right side's snug.
        foreach (var step in steps.TakeWhile(s => s.Key != "vehicle/weight-back"))
        {
            if (step.Key is not ("RF/snug" or "RF/final-hanging"))
            {
                _shop.Do(Done(step.Key, null, [.. _shop.Reached(step)]));
            }
        }
        var refused = _shop.Refused(Done("vehicle/weight-back"));
        Assert.Equal(RefusalKind.Gate, refused.Kind);
        Assert.StartsWith("Not snug yet: RF ", refused.Message, StringComparison.Ordinal);
        _shop.Do(Done("RF/snug"));
        _shop.Do(Done("vehicle/weight-back"));
        Assert.Empty(_shop.Document.Deviations);
    }

    [Theory]
    [InlineData("94", "short of")]
    [InlineData("106", "over")]
    public void A_value_off_its_spec_is_asked_about_at_once(string typed, string says)
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "LF/snug");
        var ball = JointAt("LF upper ball joint to upright");
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
        TightenJoint Final(string value, string? reason = null) =>
            new(
                _shop.Key(),
                _shop.Key(),
                ball.Id,
                Pass.Final,
                Workshop.Typed(value, Unit.PoundFoot),
                false,
                "wrench",
                WheelPosition.Hanging,
                reason
            );
        Assert.Contains(says, _shop.Refused(Final(typed)).Message, StringComparison.Ordinal);
        _shop.Do(Final(typed, "the pin's next hole"));
        Assert.Equal("the pin's next hole", PassesOver(ball.Place)[^1].Why);
        Assert.DoesNotContain(
            Progress.OpenLinesOf(_shop.Document),
            l => l.StartsWith(ball.Place, StringComparison.Ordinal)
        );
        _shop.Do(Final("96"));
        Assert.Null(PassesOver(ball.Place)[^1].Why);
    }

    [Fact]
    public void A_second_pair_of_eyes_is_another_person_s()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "vehicle/wheels-final");
        _shop.AssertRefused(Done("vehicle/second-eyes"), RefusalKind.Gate, "reason");
    }

    [Fact]
    public void A_joint_is_put_right_or_not_there_and_the_card_follows()
    {
        _shop.Begun();
        var link = JointAt("LF sway-bar link to arm");
        CorrectJoint Put(int count, bool none = false, uint version = 0) =>
            new(
                _shop.Key(),
                link.Id,
                version,
                JointKind.RodEnd,
                [new FastenerInput("rod end", count, "M12 × 1.25", null, null, "19", true, "")],
                null,
                none
            );
        _shop.AssertRefused(Put(0), RefusalKind.BadValue, "fasteners[0].count");
        _shop.Do(Put(2));
        var card = Progress.CardOf(_shop.Document);
        var now = card.Joints.Single(j => j.Place == link.Place);
        Assert.Equal((JointKind.RodEnd, 2), (now.Kind, now.Fasteners.Single().Count));
        // A rod end may be final hanging, so its final pass has moved there.
        Assert.Contains(link.Place, card.Steps.Single(s => s.Key == "LF/final-hanging").Joints);
        _shop.Do(Put(2, none: true));
        Assert.DoesNotContain(Progress.CardOf(_shop.Document).Joints, j => j.Place == link.Place);
        Assert.DoesNotContain(
            Progress.OpenLinesOf(_shop.Document),
            l => l.StartsWith(link.Place, StringComparison.Ordinal)
        );
    }

    [Fact]
    public void The_card_follows_the_way_that_was_chosen_and_what_was_done_stays_done()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "LF/links");
        ChooseSchool Way(string school, string choice) =>
            new(_shop.Key(), _shop.Key(), school, choice, "ours has no separator");
        _shop.AssertRefused(Way("openArm", "blows"), RefusalKind.BadValue, "choice");
        _shop.AssertRefused(Way("colour", "red"), RefusalKind.BadValue, "school");
        _shop.Do(Way("openArm", "lowerBracket"));
        var card = Progress.CardOf(_shop.Document);
        Assert.Contains(card.Joints, j => j.Place == "LF lower ball-joint bracket to arm");
        // Its joints are kept too, so that each has its line.
        Assert.Contains(
            _shop.Document.Joints,
            j => j.Place == "RF lower ball-joint bracket to arm"
        );
        var done = _shop.Document.Steps.Select(s => s.Step).ToHashSet();
        Assert.Contains("LF/links", done);
        Assert.Equal(done, card.Steps.Select(s => s.Key).Where(done.Contains).ToHashSet());
    }

    [Fact]
    public void Nothing_is_handed_over_open_without_a_word()
    {
        _shop.Begun();
        HandOver Over(string? reason) => new(_shop.Key(), 0, null, null, [], reason);
        _shop.AssertRefused(Over(null), RefusalKind.Gate, "reason");
        _shop.AssertRefused(Over(" "), RefusalKind.Gate, "reason");
        _shop.Do(Over("its owner fetched it"));
        Assert.NotNull(_shop.Document.Job.HandedOverAt);
        Assert.Contains(_shop.Document.Deviations, x => x.Why == "its owner fetched it");
    }

    [Fact]
    public void A_joint_is_left_open_with_a_reason_and_only_while_it_is_open()
    {
        _shop.Begun();
        var joint = _shop.Document.Joints.First(j => j.Kind == JointKind.BondedRubber);
        LeaveJoint Of(string why) => new(_shop.Key(), _shop.Key(), joint.Id, why);
        _shop.AssertRefused(Of(" "), RefusalKind.BadValue, "why");
        _shop.Do(Of("this one has a ball there"));
        var note = Assert.Single(_shop.Document.Deviations);
        Assert.Equal((joint.Place, FittingRules.LeftOpen), (note.Where, note.Did));
        _shop.Do(
            new SetSpec(
                _shop.Key(),
                joint.Id,
                0,
                Workshop.Typed("101", Unit.PoundFoot),
                null,
                null,
                "sheet 7"
            )
        );
        foreach (var pass in Enum.GetValues<Pass>())
        {
            _shop.Do(
                new TightenJoint(
                    _shop.Key(),
                    _shop.Key(),
                    joint.Id,
                    pass,
                    pass == Pass.Final ? Workshop.Typed("101", Unit.PoundFoot) : null,
                    false,
                    "wrench",
                    WheelPosition.OnWheels,
                    null
                )
            );
        }
        _shop.AssertRefused(Of("late"), RefusalKind.Conflict, "jointId");
    }

    [Fact]
    public void A_deviation_says_where_what_and_why()
    {
        NoteDeviation Of(string why) =>
            new(_shop.Key(), _shop.Key(), "LF", "new cotter", "the old one", why, null);
        _shop.AssertRefused(Of(""), RefusalKind.BadValue, "why");
        _shop.Do(Of("none in the shop"));
        Assert.Single(_shop.Document.Deviations);
    }

    // --- photographs and the hand-over ---------------------------------------------------------------

    [Fact]
    public void A_photograph_is_added_only_when_its_content_is_stored()
    {
        var photo = new AddPhotograph(
            _shop.Key(),
            _shop.Key(),
            new string('a', 64),
            "image/png",
            null,
            "nose"
        );
        _shop.AssertRefused(photo, RefusalKind.Gone, "");
        _shop.AssertRefused(
            photo with
            {
                MediaType = "image/svg+xml",
            },
            RefusalKind.BadValue,
            "photograph"
        );
        var context = _shop.Context() with { Files = new HashSet<string> { photo.Sha256 } };
        Assert.IsType<Decision.Made>(Decision.Of(_shop.Document, photo, context));
    }

    [Fact]
    public void It_is_handed_over_once_and_a_follow_up_is_done_once()
    {
        var follow = new FollowUpInput(
            _shop.Key(),
            "Alignment",
            null,
            new DateOnly(2026, 3, 9),
            null
        );
        HandOver Hand(params FollowUpInput[] follows) =>
            new(_shop.Key(), 0, Workshop.Typed("48204", Unit.Mile), null, follows);
        _shop.AssertRefused(
            Hand(follow with { DueOn = null }),
            RefusalKind.BadValue,
            "followUps[0].dueOn"
        );
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with
            {
                OdometerIn = new Quantity
                {
                    Value = 50_000,
                    Unit = Unit.Mile,
                    Known = Known.Measured,
                },
            },
        };
        _shop.AssertRefused(Hand(follow), RefusalKind.BadValue, "odometer");
        _shop.Do(Hand(follow) with { Odometer = null });
        Assert.Equal(RefusalKind.Conflict, _shop.Refused(Hand()).Kind);
        _shop.Do(new FinishFollowUp(_shop.Key(), follow.Id, "done"));
        var twice = _shop.Refused(new FinishFollowUp(_shop.Key(), follow.Id, null));
        Assert.Equal((RefusalKind.Conflict, follow.Id), (twice.Kind, twice.Row));
    }

    // --- the frame ---------------------------------------------------------------------------------

    [Fact]
    public void Whoever_works_on_a_job_is_named_in_it_once()
    {
        _shop.Document = _shop.Document with { People = [] };
        _shop.Walk();
        _shop.Do(_shop.Reading("LF", "20 1/2"));
        Assert.Equal("Brenna", Assert.Single(_shop.Document.People).Name);
    }

    [Fact]
    public void A_row_whose_key_is_there_is_not_stored_a_second_time()
    {
        _shop.Walk();
        var reading = _shop.Reading("LF", "20 1/2");
        _shop.Do(reading);
        Assert.Equal(
            RefusalKind.Conflict,
            _shop.Refused(reading with { CommandId = _shop.Key() }).Kind
        );
    }

    [Fact]
    public void Keys_that_a_decision_makes_are_the_same_each_time_in_order_and_of_version_7()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        var begin = _shop.Begin();
        Guid[] Keys() =>
            [
                .. ((Decision.Made)_shop.Try(begin))
                    .Changes.Select(c => c.Row)
                    .OfType<Joint>()
                    .Select(j => j.Id),
            ];
        var keys = Keys();
        Assert.True(keys.Length > 5);
        Assert.Equal(keys, Keys());
        Assert.Equal(keys, keys.OrderBy(k => k.ToString(), StringComparer.Ordinal));
        Assert.Equal(keys.Length, keys.Distinct().Count());
        var now = Guid.CreateVersion7(_shop.Now).ToString()[..13];
        Assert.All(
            keys,
            k => Assert.Equal((7, 8, now), (k.Version, k.Variant & 0xC, k.ToString()[..13]))
        );
    }

    [Fact]
    public void Changes_of_several_commands_come_to_one_a_row()
    {
        Reading Row(int id, string note) => Sample.Reading(id, 40, "LF", 500) with { Note = note };
        var (a, b, c, d) = (Row(1, "a"), Row(1, "b"), Row(2, "c"), Row(2, "d"));
        Assert.Equal(
            [new RowChange.Added(b)],
            RowChanges.Net([new RowChange.Added(a), new RowChange.Replaced(a, b)])
        );
        Assert.Empty(RowChanges.Net([new RowChange.Added(a), new RowChange.Withdrawn(a)]));
        Assert.Equal(
            [new RowChange.Replaced(c, d)],
            RowChanges.Net([new RowChange.Withdrawn(c), new RowChange.Added(d)])
        );
        Assert.Equal(
            [new RowChange.Withdrawn(c)],
            RowChanges.Net([new RowChange.Replaced(c, d), new RowChange.Withdrawn(d)])
        );
    }

    [Fact]
    public void A_command_is_told_by_its_kind_wherever_that_stands_and_never_without_it()
    {
        JobCommand command = new FinishFollowUp(Sample.Id(1), Sample.Id(2), "done");
        var node = JsonSerializer.SerializeToNode(command, JobJson.Options)!.AsObject();
        Assert.Equal("finishFollowUp", (string?)node["kind"]);
        node.Remove("kind");
        Assert.ThrowsAny<Exception>(() => node.Deserialize<JobCommand>(JobJson.Options));
        node["kind"] = "finishFollowUp";
        Assert.Equal(command, node.Deserialize<JobCommand>(JobJson.Options));
        node["kind"] = "sellIt";
        Assert.Throws<JsonException>(() => node.Deserialize<JobCommand>(JobJson.Options));
        node["kind"] = "finishFollowUp";
        node["personId"] = Sample.Id(9).ToString();
        Assert.Throws<JsonException>(() => node.Deserialize<JobCommand>(JobJson.Options));
    }

    [Fact]
    public void Every_kind_of_command_has_its_words_and_is_on_the_list()
    {
        var listed = typeof(JobCommand)
            .GetCustomAttributes(
                typeof(System.Text.Json.Serialization.JsonDerivedTypeAttribute),
                false
            )
            .Cast<System.Text.Json.Serialization.JsonDerivedTypeAttribute>()
            .ToArray();
        var there = typeof(JobCommand)
            .Assembly.GetTypes()
            .Where(t => t.IsSubclassOf(typeof(JobCommand)) && !t.IsAbstract)
            .ToArray();
        Assert.Equal(
            there.OrderBy(t => t.Name),
            listed.Select(l => l.DerivedType).OrderBy(t => t.Name)
        );
        Assert.All(
            listed,
            l =>
                Assert.Equal(
                    l.DerivedType.Name,
                    char.ToUpperInvariant(((string)l.TypeDiscriminator!)[0])
                        + ((string)l.TypeDiscriminator!)[1..]
                )
        );
    }

    [Fact]
    public void Who_somebody_is_is_never_in_the_log()
    {
        var change = RecordedChange.Of(
            new RowChange.Replaced(Sample.Pickup, Sample.Pickup with { Engine = "two litres" })
        );
        var text = JsonSerializer.Serialize(change, JobJson.Options);
        Assert.DoesNotContain(Sample.Pickup.Plate!, text, StringComparison.Ordinal);
        Assert.Contains("two litres", text, StringComparison.Ordinal);
        var back = (Vehicle)
            change.Before(
                typeof(Vehicle),
                Sample.Pickup with
                {
                    Engine = "two litres",
                    Plate = "NEW 1",
                }
            )!;
        Assert.Equal((null, "NEW 1"), (back.Engine, back.Plate));
        var owner = RecordedChange.Of(
            new RowChange.Added(
                new Owner
                {
                    Id = Sample.Id(2),
                    Name = "A. Nother",
                    Contact = "0123",
                }
            )
        );
        Assert.Equal(
            ["id"],
            JsonNode.Parse(owner.Now!.Value.GetRawText())!.AsObject().Select(p => p.Key)
        );
    }
}
