using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>How far a value may go, at the border and just beyond it, and what a value is held against.</summary>
public class BordersTests
{
    private readonly Workshop _shop = new();

    private PlaceStation Place(string name = "tow eye", double x = 0, double y = 0) =>
        new(_shop.Key(), 0, name, x, y, Carrier.Frame, null, null);

    [Theory]
    [InlineData(20_000, 5_000, true)]
    [InlineData(-20_000, -5_000, true)]
    [InlineData(20_000.5, 0, false)]
    [InlineData(-20_000.5, 0, false)]
    [InlineData(0, 5_000.5, false)]
    [InlineData(0, -5_000.5, false)]
    [InlineData(double.NaN, 0, false)]
    [InlineData(0, double.NaN, false)]
    public void A_station_lies_on_the_vehicle(double x, double y, bool can)
    {
        if (can)
        {
            _shop.Do(Place(x: x, y: y));
            var at = _shop.Document.Vehicle.Stations.Single(s => s.Name == "tow eye");
            Assert.Equal((x, y), (at.X.In(Unit.Mm), at.Y.In(Unit.Mm)));
        }
        else
        {
            Assert.Equal("place", _shop.Refused(Place(x: x, y: y)).Field);
        }
    }

    [Fact]
    public void Tyres_of_a_round_are_those_of_which_something_was_typed()
    {
        var begin = new BeginWalkRound(
            _shop.Key(),
            _shop.Key(),
            _shop.Document.CurrentStage()!.Id,
            Workshop.Conditions() with
            {
                Tyres =
                [
                    new(Corner.LF, "285/70R17", null),
                    new(Corner.RF, null, Workshop.Typed("240", Unit.KPa)),
                    new(Corner.LR, " ", Workshop.Typed(" ", Unit.KPa)),
                    new(Corner.RR, null, null),
                ],
            }
        );
        _shop.Do(begin);
        Assert.Equal(
            [(Corner.LF, "285/70R17", (double?)null), (Corner.RF, null, 240)],
            _shop
                .Document.WalkRounds.Single()
                .Tyres.Select(t => (t.Wheel, t.Size, t.Pressure?.In(Unit.KPa)))
        );
        var wrong = begin with
        {
            CommandId = _shop.Key(),
            Id = _shop.Key(),
            Conditions = begin.Conditions with { Tyres = [new(Corner.RR, "big ones", null)] },
        };
        Assert.Equal("conditions.tyres.RR", _shop.Refused(wrong).Field);
    }

    [Fact]
    public void To_choose_a_plan_touches_it_and_the_one_that_was_chosen_and_no_other()
    {
        _shop.ReadBefore();
        var part = _shop.Plates();
        var keys = Enumerable.Range(0, 3).Select(_ => _shop.Key()).ToArray();
        foreach (var key in keys)
        {
            _shop.Do(_shop.PlanWith(part, key, $"Plan {key}"));
        }
        _shop.Do(new ChoosePlan(_shop.Key(), keys[1], 0));
        var made = _shop.Do(new ChoosePlan(_shop.Key(), keys[2], 0));
        Assert.Equal(
            [keys[1], keys[2]],
            made.Changes.OfType<RowChange.Replaced>().Select(c => c.Row.Id).Order()
        );
        Assert.Equal(2, made.Changes.Count);
        Assert.Equal([keys[2]], _shop.Document.Plans.Where(p => p.Chosen).Select(p => p.Id));
    }

    [Theory]
    [InlineData(3, "")]
    [InlineData(4, "")]
    [InlineData(5, " and 1 more")]
    public void A_gate_names_four_and_counts_the_others(int left, string more)
    {
        _shop.Begun();
        var steps = Progress.CardOf(_shop.Document).Steps;
        foreach (var step in steps.TakeWhile(s => s.Key != "vehicle/weight-back"))
        {
            if (step.Key is not ("RF/snug" or "RF/final-hanging"))
            {
                _shop.Do(Done(step.Key, [.. _shop.Reached(step)]));
            }
        }
        var right = steps.Single(s => s.Key == "RF/snug").Joints;
        string[] loose =
        [
            .. _shop
                .Document.Joints.Where(j => right.Contains(j.Place) && !j.Kind.IsLookedAt())
                .Select(j => j.Place),
        ];
        Assert.True(loose.Length > 5);
        foreach (var place in loose.Skip(left))
        {
            _shop.Do(
                new TightenJoint(
                    _shop.Key(),
                    _shop.Key(),
                    _shop.Document.Joints.Single(j => j.Place == place).Id,
                    Pass.Snug,
                    null,
                    false,
                    null,
                    WheelPosition.Hanging,
                    null
                )
            );
        }
        Assert.Equal(
            $"Not snug yet: {string.Join(", ", loose.Take(4).Take(left))}{more}. Nothing goes back on its wheels before it is.",
            _shop.Refused(Done("vehicle/weight-back")).Message
        );

        DoStep Done(string key, params ReachedInput[] reached) =>
            new(_shop.Key(), _shop.Key(), key, null, null, reached);
    }

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(200, true)]
    [InlineData(201, false)]
    public void Of_holes_there_are_some_and_no_more_than_anybody_drills(int count, bool can)
    {
        _shop.BegunWithBracket();
        var holes = new NoteCut(
            _shop.Key(),
            _shop.Key(),
            "rear",
            "bracket's holes",
            CutKind.Drill,
            "frame's edge",
            Workshop.Typed("52", Unit.Mm),
            Workshop.Typed("13", Unit.Mm),
            count
        );
        if (can)
        {
            _shop.Do(holes);
            Assert.Equal(count, Assert.Single(_shop.Document.Cuts).Count);
        }
        else
        {
            Assert.Equal("count", _shop.Refused(holes).Field);
        }
    }

    [Fact]
    public void What_holds_an_added_joint_together_is_one_of_the_kinds()
    {
        _shop.Begun();
        AddJoint Held(JointKind by) =>
            new(_shop.Key(), _shop.Key(), "LF", "skid plate to frame", by, []);
        Assert.Equal("heldBy", _shop.Refused(Held((JointKind)999)).Field);
        _shop.Do(Held(JointKind.PlainBolt));
        Assert.Equal(
            JointKind.PlainBolt,
            _shop.Document.Joints.Single(j => j.Place == "LF skid plate to frame").Kind
        );
    }

    [Fact]
    public void A_station_has_a_name_of_up_to_forty_letters()
    {
        _shop.Do(Place(new string('t', 40)));
        Assert.Equal("name", _shop.Refused(Place(new string('t', 41))).Field);
        Assert.Equal("name", _shop.Refused(Place("  ")).Field);
    }

    [Theory]
    [InlineData("10000", "20000", null)]
    [InlineData("-100", "-20000", null)]
    [InlineData("−100", "−20000", null)]
    [InlineData("10001", "0", "loads[0].mass")]
    [InlineData("-10001", "0", "loads[0].mass")]
    [InlineData("45", "20001", "loads[0].behind")]
    [InlineData("45", "-20001", "loads[0].behind")]
    public void A_load_is_one_that_an_axle_carries_where_a_vehicle_is(
        string mass,
        string behind,
        string? field
    )
    {
        var loads = new SetLoads(
            _shop.Key(),
            0,
            [
                new LoadInput(
                    _shop.Key(),
                    "box",
                    Workshop.Typed(mass, Unit.Kg),
                    Workshop.Typed(behind, Unit.Mm),
                    null,
                    true
                ),
            ]
        );
        if (field is null)
        {
            _shop.Do(loads);
            Assert.Single(_shop.Document.Job.Loads);
        }
        else
        {
            Assert.Equal(field, _shop.Refused(loads).Field);
        }
    }

    [Theory]
    [InlineData("-900", -900)]
    [InlineData("−900", -900)]
    [InlineData(" - 900 mm", -900)]
    [InlineData("-35 7/16 in", -900.1125)]
    [InlineData("900", 900)]
    public void What_has_a_direction_takes_its_sign(string typed, double mm)
    {
        var read = QuantityInput.Read(
            Workshop.Typed(typed, Unit.Mm),
            "behind",
            Unit.Mm,
            positive: false
        )!;
        Assert.Equal(mm, read.In(Unit.Mm), 4);
        Assert.Equal(typed, read.Typed);
    }

    [Theory]
    [InlineData("-")]
    [InlineData("--900")]
    [InlineData("-+900")]
    public void A_sign_alone_or_twice_is_no_length(string typed) =>
        Assert.Throws<RefusedException>(() =>
            QuantityInput.Read(Workshop.Typed(typed, Unit.Mm), "behind", Unit.Mm, positive: false)
        );

    [Fact]
    public void A_nose_that_shall_stand_high_can_be_wanted() =>
        Assert.Equal(
            -25.4,
            new TargetInput(Datum.Hub, true, Workshop.Typed("-1", Unit.Inch), null, null, null)
                .Read()
                .Rake!.In(Unit.Mm),
            9
        );

    [Theory]
    [InlineData("5000", true)]
    [InlineData("-5000", true)]
    [InlineData("5001", false)]
    [InlineData("-5001", false)]
    public void A_load_is_no_further_to_the_side_than_a_vehicle_is_wide(string left, bool can)
    {
        var loads = new SetLoads(
            _shop.Key(),
            0,
            [
                new LoadInput(
                    _shop.Key(),
                    "box",
                    Workshop.Typed("20", Unit.Kg),
                    Workshop.Typed("900", Unit.Mm),
                    Workshop.Typed(left, Unit.Mm),
                    true
                ),
            ]
        );
        if (can)
        {
            _shop.Do(loads);
        }
        else
        {
            Assert.Equal("loads[0].left", _shop.Refused(loads).Field);
        }
    }

    [Fact]
    public void Pads_are_one_a_wheel_with_their_sign_and_an_empty_one_is_none()
    {
        BeginWalkRound Round(params (Corner Wheel, string Typed)[] pads) =>
            new(
                _shop.Key(),
                _shop.Key(),
                _shop.Document.CurrentStage()!.Id,
                Workshop.Conditions() with
                {
                    Pads =
                    [
                        .. pads.Select(p => new PadInput(
                            p.Wheel,
                            Workshop.Typed(p.Typed, Unit.Mm)
                        )),
                    ],
                }
            );
        Assert.Equal(
            "conditions.pads",
            _shop.Refused(Round((Corner.LF, "3"), (Corner.LF, "4"))).Field
        );
        _shop.Do(Round((Corner.LF, "3"), (Corner.RF, "−4"), (Corner.LR, " ")));
        Assert.Equal(
            [(Corner.LF, 3.0), (Corner.RF, -4.0)],
            _shop.Document.WalkRounds[^1].Pads.Select(p => (p.Wheel, p.Height.In(Unit.Mm)))
        );
    }

    private string Asked(string station, string typed) =>
        _shop.Refused(_shop.Reading(station, typed) with { Answers = [] }).Message;

    [Fact]
    public void A_lip_is_held_against_the_other_lips_of_its_round_from_the_same_place()
    {
        const string floor = "This looks like floor to lip, not hub to lip.";
        _shop.ReadAll(("RF", "20 1/2"));
        // Loaded radius of its tyre above the others.
        Assert.Contains(floor, Asked("LF", "35 1/2"), StringComparison.Ordinal);
        // A lip is not held against itself, nor against what is no lip.
        _shop.ReadAll(("LF", "20 1/2"), ("LM", "41"));
        Assert.Contains("outside what is usual", Asked("LF", "35 1/2"), StringComparison.Ordinal);
        // Nor against another round's, nor one from elsewhere.
        _shop.Walk();
        Assert.Contains("outside what is usual", Asked("LF", "35 1/2"), StringComparison.Ordinal);
        _shop.Do(_shop.Reading("RF", "35 1/2") with { From = Datum.Floor });
        Assert.Contains("outside what is usual", Asked("LF", "35 1/2"), StringComparison.Ordinal);
        _shop.Do(_shop.Reading("RR", "22 1/2"));
        Assert.Contains(floor, Asked("LF", "37"), StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_not_done_yet_is_said_by_its_first_step_and_how_many_follow()
    {
        _shop.Begun();
        var work = Progress
            .CardOf(_shop.Document)
            .Steps.Where(s => s.Joints.Count + s.TakesOff.Count > 0)
            .ToArray();
        _shop.DoUntil(s => s.Key == work[0].Key);
        Assert.Contains(
            $"Not done yet on the card: {work[1].Title}, and {work.Length - 2} more.",
            Held()
        );
        _shop.DoUntil(s => s.Key == work[^2].Key);
        Assert.Contains($"Not done yet on the card: {work[^1].Title}.", Held());
        _shop.DoUntil(s => s.Key == work[^1].Key);
        Assert.DoesNotContain(Held(), h => h.StartsWith("Not done yet", StringComparison.Ordinal));

        IReadOnlyList<string> Held()
        {
            _shop.ReadAll(("LF", "22 1/2"), ("LR", "22 7/8"), ("RR", "22 7/8"), ("RF", "22 1/2"));
            return Assert.Single(JobEvaluator.Evaluate(_shop.Document).Proofs).HeldBack;
        }
    }
}
