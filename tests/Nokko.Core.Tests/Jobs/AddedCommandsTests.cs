using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What people add to a card, and the gates that stand on it beside torque.</summary>
public class AddedCommandsTests
{
    private static readonly Guid Second = Sample.Id(6);
    private readonly Workshop _shop = new();

    private void AssertRefused(JobCommand command, RefusalKind kind, string field)
    {
        var why = _shop.Refused(command);
        Assert.Equal((kind, field), (why.Kind, why.Field));
    }

    private JobCard Card => Progress.CardOf(_shop.Document);

    private DoStep Done(string step, string? reason = null, string? agreed = null) =>
        new(
            _shop.Key(),
            _shop.Key(),
            step,
            null,
            reason,
            _shop.Reached(Card.Steps.Single(s => s.Key == step)),
            agreed
        );

    // --- joints, lines and steps of one's own -------------------------------------------------------

    private AddJoint Skid(string where = "front", string name = "skid plate to frame") =>
        new(
            _shop.Key(),
            _shop.Key(),
            where,
            name,
            JointKind.Clamped,
            [new FastenerInput("plate bolts", 4, "M10", null, null, "17", false, null)]
        );

    [Fact]
    public void An_added_joint_is_a_line_that_must_close_and_holds_the_weight_back_until_it_is_snug()
    {
        AssertRefused(Skid(), RefusalKind.Gate, "plan");
        _shop.Begun();
        AssertRefused(Skid("roof"), RefusalKind.BadValue, "where");
        AssertRefused(Skid(name: " "), RefusalKind.BadValue, "name");
        _shop.Do(Skid());
        AssertRefused(Skid(name: "Skid plate to FRAME"), RefusalKind.BadValue, "name");
        AssertRefused(Skid("LF", "upper ball joint to upright"), RefusalKind.BadValue, "name");
        var joint = _shop.Document.Joints.Single(j => j.Place == "front skid plate to frame");
        Assert.Contains(Card.Joints, j => j.Place == joint.Place);
        Assert.Contains(
            "front skid plate to frame: not touched yet",
            Progress.OpenLinesOf(_shop.Document)
        );
        _shop.DoUntil(s => s.Key == "vehicle/wheels-snug");
        Assert.Contains(
            "front skid plate to frame",
            _shop.Refused(Done("vehicle/weight-back")).Message,
            StringComparison.Ordinal
        );
        foreach (var pass in (Pass[])[Pass.Hand, Pass.Snug])
        {
            _shop.Do(
                new TightenJoint(
                    _shop.Key(),
                    _shop.Key(),
                    joint.Id,
                    pass,
                    null,
                    false,
                    null,
                    WheelPosition.Hanging,
                    null
                )
            );
        }
        _shop.Do(Done("vehicle/weight-back"));
    }

    [Fact]
    public void A_joint_of_an_earlier_plan_is_taken_up_again_with_its_spec_and_is_no_line_before()
    {
        _shop.Begun();
        _shop.Do(Skid());
        var joint = _shop.Document.Joints.Single(j => j.AddedUnder is not null);
        var spec = new JointSpec { Torque = Torque(50), Source = "sheet 3" };
        _shop.Document = _shop.Document with
        {
            Joints =
            [
                .. _shop.Document.Joints.Select(j =>
                    j.Id == joint.Id ? j with { AddedUnder = Sample.Id(99), Spec = spec } : j
                ),
            ],
        };
        Assert.DoesNotContain(Card.Joints, j => j.Place == joint.Place);
        _shop.Do(Skid());
        var again = _shop.Document.Joints.Single(j => j.Place == joint.Place);
        Assert.Equal((joint.Id, spec), (again.Id, again.Spec));
        Assert.Contains(Card.Joints, j => j.Place == joint.Place);
    }

    private static Quantity Torque(double nm) =>
        new()
        {
            Value = nm,
            Unit = Unit.NewtonMetre,
            Known = Known.Document,
        };

    [Fact]
    public void An_added_line_is_open_until_it_has_a_fate()
    {
        _shop.Begun();
        AddOffLine Liner(string what) => new(_shop.Key(), _shop.Key(), "LF", what);
        AssertRefused(Liner(" "), RefusalKind.BadValue, "what");
        _shop.Do(Liner("wheel liner clips"));
        Assert.Contains("wheel liner clips: off, not back", Progress.OpenLinesOf(_shop.Document));
    }

    [Fact]
    public void An_added_step_stands_behind_its_step_is_done_like_any_and_goes_only_undone()
    {
        _shop.Begun();
        AddStep Own(string after, string title) =>
            new(_shop.Key(), _shop.Key(), after, "LF", title, "with the long bar");
        AssertRefused(Own("no/such", "Liner back"), RefusalKind.BadValue, "after");
        AssertRefused(Own("LF/strut", " "), RefusalKind.BadValue, "title");
        _shop.Do(Own("LF/strut", "Liner back"));
        var at = Card.Steps.ToList().FindIndex(s => s.Key == "LF/strut");
        var own = Card.Steps[at + 1];
        Assert.Equal(("Liner back", "with the long bar", "LF"), (own.Title, own.Do, own.Where));
        var id = _shop.Document.OwnSteps.Single().Id;
        // A school that takes the step away leaves the own one on the card, at its end.
        var moved = _shop.Document with
        {
            OwnSteps = [.. _shop.Document.OwnSteps.Select(s => s with { After = "gone/step" })],
        };
        Assert.Equal(own.Key, Progress.CardOf(moved).Steps[^1].Key);
        _shop.DoUntil(s => s.Key == own.Key);
        Assert.Contains(
            _shop.Document.Steps,
            s => s.Step == own.Key && s.Work == "own: Liner back"
        );
        AssertRefused(new DropStep(_shop.Key(), id), RefusalKind.Conflict, "id");
        _shop.Do(Own("LF/home", "Look at the liner"));
        var undone = _shop.Document.OwnSteps.Single(s => s.Title == "Look at the liner");
        _shop.Do(new DropStep(_shop.Key(), undone.Id));
        Assert.DoesNotContain(Card.Steps, s => s.Title == "Look at the liner");
        Assert.Equal(RefusalKind.Gone, _shop.Refused(new DropStep(_shop.Key(), undone.Id)).Kind);
    }

    // --- order, breaks, second eyes -----------------------------------------------------------------

    [Fact]
    public void A_step_before_its_turn_at_its_place_is_asked_about_and_at_another_place_it_is_not()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "LF/mark");
        var skipped = Card.Steps.First(s =>
            s.Where == "LF" && !s.Hold && _shop.Document.Steps.All(d => d.Step != s.Key)
        );
        var next = Card.Steps.First(s =>
            s.Where == "LF"
            && !s.Hold
            && s.Key != skipped.Key
            && _shop.Document.Steps.All(d => d.Step != s.Key)
        );
        Assert.Contains(
            $"“{skipped.Title}” comes first and is not done.",
            _shop.Refused(Done(next.Key)).Message,
            StringComparison.Ordinal
        );
        _shop.Do(Done("RF/mark"));
        Assert.Empty(_shop.Document.Deviations);
    }

    [Theory]
    [InlineData("vehicle/supported", 7.9, false)]
    [InlineData("vehicle/supported", 8.1, true)]
    // On its wheels nothing can have moved from under it.
    [InlineData("vehicle/before-up", 30, false)]
    public void After_a_long_break_a_hanging_vehicle_is_looked_at_before_it_is_worked_on(
        string until,
        double hours,
        bool asked
    )
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == until);
        _shop.Now = _shop.Document.Steps.Max(s => s.At).AddHours(hours);
        var next = Card.Steps.First(s => _shop.Document.Steps.All(d => d.Step != s.Key));
        if (!asked)
        {
            _shop.Do(Done(next.Key));
            return;
        }
        Assert.Contains(
            "has it been moved?",
            _shop.Refused(Done(next.Key)).Message,
            StringComparison.Ordinal
        );
        var before = FittingRules.Position(_shop.Document.Supports, "LF");
        _shop.Do(new LookAtBoard(_shop.Key(), _shop.Key()));
        Assert.Equal(before, FittingRules.Position(_shop.Document.Supports, "LF"));
        _shop.Do(Done(next.Key));
        Assert.Empty(_shop.Document.Deviations);
    }

    [Fact]
    public void A_look_keeps_the_last_word_on_each_axle()
    {
        _shop.Begun();
        AssertRefused(new LookAtBoard(_shop.Key(), _shop.Key()), RefusalKind.Gone, "");
        SupportEntry Said(int id, string where, WheelPosition position) =>
            new()
            {
                Id = Sample.Id(id),
                Where = where,
                Position = position,
                On = "stands",
                PersonId = Sample.Id(5),
                At = Sample.At(id),
            };
        _shop.Document = _shop.Document with
        {
            Supports =
            [
                Said(20, "front", WheelPosition.OnWheels),
                Said(21, "all", WheelPosition.Hanging),
                Said(22, "rear", WheelPosition.OnWheels),
            ],
        };
        _shop.Do(new LookAtBoard(_shop.Key(), _shop.Key()));
        Assert.Equal(WheelPosition.Hanging, FittingRules.Position(_shop.Document.Supports, "LF"));
        Assert.Equal(WheelPosition.OnWheels, FittingRules.Position(_shop.Document.Supports, "LR"));
    }

    [Fact]
    public void Second_eyes_look_joint_by_joint_and_are_another_s()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "vehicle/wheels-final");
        var joints = Progress.Unlooked(_shop.Document, _shop.Document.BegunPlan()!, Card);
        Assert.Equal(Card.Joints.Count, joints.Count);
        LookOver At(string place) =>
            new(_shop.Key(), _shop.Key(), _shop.Document.Joints.Single(j => j.Place == place).Id);
        // The one who tightened it is no second one.
        AssertRefused(At(joints[0]), RefusalKind.BadValue, "jointId");
        AssertRefused(Done(DoStep.SecondEyes), RefusalKind.Gate, "reason");
        _shop.PersonId = Second;
        // Without a spec a line stays open, and what is open was not looked over.
        Assert.Contains(
            "still open",
            _shop.Refused(At("LF upper ball joint to upright")).Message,
            StringComparison.Ordinal
        );
        foreach (var joint in _shop.Document.Joints.Where(j => !j.Kind.IsLookedAt()).ToArray())
        {
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
        }
        foreach (var place in joints.SkipLast(1))
        {
            _shop.Do(At(place));
        }
        Assert.Contains(
            joints[^1],
            _shop.Refused(Done(DoStep.SecondEyes)).Message,
            StringComparison.Ordinal
        );
        _shop.Do(At(joints[^1]));
        _shop.Do(Done(DoStep.SecondEyes));
        Assert.Empty(_shop.Document.Deviations);
    }

    private TightenJoint LookAndTighten(Joint joint) =>
        new(
            _shop.Key(),
            _shop.Key(),
            joint.Id,
            Pass.Final,
            null,
            true,
            null,
            WheelPosition.OnWheels,
            null
        );

    [Fact]
    public void Eyes_that_looked_and_then_tightened_it_themselves_count_no_more()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "vehicle/wheels-final");
        var joint = _shop.Document.Joints.First(j => j.Kind.IsLookedAt());
        _shop.PersonId = Second;
        _shop.Do(new LookOver(_shop.Key(), _shop.Key(), joint.Id));
        var plan = _shop.Document.BegunPlan()!;
        Assert.DoesNotContain(joint.Place, Progress.Unlooked(_shop.Document, plan, Card));
        _shop.Do(LookAndTighten(joint));
        Assert.Contains(joint.Place, Progress.Unlooked(_shop.Document, plan, Card));
    }

    [Fact]
    public void What_is_tightened_after_the_look_is_to_be_looked_at_again()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "vehicle/wheels-final");
        var joint = _shop.Document.Joints.First(j => j.Kind.IsLookedAt());
        var plan = _shop.Document.BegunPlan()!;
        LookOver Look() => new(_shop.Key(), _shop.Key(), joint.Id);
        _shop.PersonId = Second;
        _shop.Do(Look());
        Assert.DoesNotContain(joint.Place, Progress.Unlooked(_shop.Document, plan, Card));
        // The first fitter goes over it once more.
        _shop.PersonId = Sample.Id(5);
        _shop.Do(LookAndTighten(joint));
        Assert.Contains(joint.Place, Progress.Unlooked(_shop.Document, plan, Card));
        _shop.PersonId = Second;
        _shop.Do(Look());
        Assert.DoesNotContain(joint.Place, Progress.Unlooked(_shop.Document, plan, Card));
    }

    // --- what cannot be undone ----------------------------------------------------------------------

    private NoteCut Holes(
        string what = "bracket holes",
        CutKind how = CutKind.Drill,
        string? size = "12",
        string? distance = "35",
        int count = 4,
        string from = "the old bracket's edge"
    ) =>
        new(
            _shop.Key(),
            _shop.Key(),
            "rear",
            what,
            how,
            from,
            distance is null ? null : Workshop.Typed(distance, Unit.Mm),
            size is null ? null : Workshop.Typed(size, Unit.Mm),
            count
        );

    [Fact]
    public void Nothing_is_drilled_without_the_owner_s_word_and_its_dimensions()
    {
        _shop.BegunWithBracket();
        var drill = Card.Steps.Single(s => s.HoldFor == HoldReason.Irreversible);
        AssertRefused(Done(drill.Key), RefusalKind.BadValue, "agreedBy");
        AssertRefused(Done(drill.Key, agreed: " "), RefusalKind.BadValue, "agreedBy");
        // A reason passes what is missing of dimensions, never the owner's word.
        AssertRefused(Done(drill.Key, reason: "in a hurry"), RefusalKind.BadValue, "agreedBy");
        AssertRefused(Done(drill.Key, agreed: "Orchard"), RefusalKind.Gate, "reason");
        _shop.Do(Holes());
        _shop.Do(Done(drill.Key, agreed: "Orchard"));
        var entry = _shop.Document.Steps.Single(s => s.Step == drill.Key);
        Assert.Equal("Orchard", entry.AgreedBy);
        Assert.Empty(_shop.Document.Deviations);
        var undo = Progress.UndoOf(_shop.Document)!;
        Assert.Equal(
            [
                new StaysDone(
                    "rear",
                    "4 × bracket holes, drilled 12 mm 35 mm from the old bracket's edge",
                    "A hole stays."
                ),
            ],
            undo.Stays
        );
        Assert.DoesNotContain(undo.Card.Steps, s => s.HoldFor == HoldReason.Irreversible);
    }

    [Fact]
    public void What_was_drilled_without_a_note_stays_too()
    {
        _shop.BegunWithBracket();
        var drill = Card.Steps.Single(s => s.HoldFor == HoldReason.Irreversible);
        Assert.Empty(Progress.UndoOf(_shop.Document)!.Stays);
        _shop.Do(Done(drill.Key, reason: "the template says it", agreed: "Orchard"));
        Assert.Equal(
            new StaysDone(
                "rear",
                "what was cut or drilled, not noted where",
                "Holes that were drilled stay."
            ),
            Assert.Single(Progress.UndoOf(_shop.Document)!.Stays)
        );
    }

    [Fact]
    public void A_hole_has_a_size_and_everything_a_place_and_a_count()
    {
        _shop.BegunWithBracket();
        AssertRefused(Holes(what: " "), RefusalKind.BadValue, "what");
        AssertRefused(Holes(from: " "), RefusalKind.BadValue, "from");
        AssertRefused(Holes(size: null), RefusalKind.BadValue, "size");
        AssertRefused(Holes(distance: null), RefusalKind.BadValue, "distance");
        AssertRefused(Holes(count: 0), RefusalKind.BadValue, "count");
        AssertRefused(Holes(count: 201), RefusalKind.BadValue, "count");
        AssertRefused(Holes(how: (CutKind)9), RefusalKind.BadValue, "how");
        _shop.Do(Holes(how: CutKind.Cut));
        // A cut has no diameter.
        Assert.Null(_shop.Document.Cuts.Single().Size);
    }

    [Theory]
    [InlineData("0", "35", "size")]
    [InlineData("-12", "35", "size")]
    [InlineData("12", "0", "distance")]
    [InlineData("12", "-1", "distance")]
    public void A_hole_has_a_width_and_is_measured_away_from_its_edge(
        string size,
        string distance,
        string field
    )
    {
        _shop.BegunWithBracket();
        AssertRefused(Holes(size: size, distance: distance), RefusalKind.BadValue, field);
    }

    [Fact]
    public void A_cut_noted_wrong_is_struck_out_until_it_was_made()
    {
        _shop.BegunWithBracket();
        var drill = Card.Steps.Single(s => s.HoldFor == HoldReason.Irreversible);
        var (wrong, right) = (Holes(distance: "53"), Holes());
        _shop.Do(wrong);
        _shop.Do(right);
        _shop.Do(new DropCut(_shop.Key(), wrong.Id));
        Assert.Equal(right.Id, Assert.Single(_shop.Document.Cuts).Id);
        AssertRefused(new DropCut(_shop.Key(), wrong.Id), RefusalKind.Gone, "");
        // With none left the gate stands again.
        _shop.Do(new DropCut(_shop.Key(), right.Id));
        AssertRefused(Done(drill.Key, agreed: "Orchard"), RefusalKind.Gate, "reason");
        var made = Holes();
        _shop.Do(made);
        _shop.Do(Done(drill.Key, agreed: "Orchard"));
        AssertRefused(new DropCut(_shop.Key(), made.Id), RefusalKind.Conflict, "id");
        Assert.Single(_shop.Document.Cuts);
    }

    [Fact]
    public void What_is_trimmed_elsewhere_can_be_struck_out_whatever_was_drilled_here()
    {
        _shop.BegunWithBracket();
        var drill = Card.Steps.Single(s => s.HoldFor == HoldReason.Irreversible);
        var lip = Holes("liner's lip", CutKind.Trim) with { Where = "LF" };
        _shop.Do(Holes());
        _shop.Do(lip);
        _shop.Do(Done(drill.Key, agreed: "Orchard"));
        _shop.Do(new DropCut(_shop.Key(), lip.Id));
        Assert.DoesNotContain(_shop.Document.Cuts, c => c.Where == "LF");
    }

    // --- the shop's ways ----------------------------------------------------------------------------

    [Theory]
    [InlineData(null, "94", false)]
    [InlineData(0.1, "94", true)]
    [InlineData(0.1, "89", false)]
    [InlineData(0.02, "97", false)]
    public void A_torque_is_judged_by_the_job_s_own_band(double? band, string typed, bool closes)
    {
        _shop.Begun();
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with { TorqueBand = band },
        };
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
        var final = new TightenJoint(
            _shop.Key(),
            _shop.Key(),
            ball.Id,
            Pass.Final,
            Workshop.Typed(typed, Unit.PoundFoot),
            false,
            "wrench",
            WheelPosition.Hanging,
            null
        );
        if (!closes)
        {
            AssertRefused(final, RefusalKind.Gate, "reason");
            return;
        }
        _shop.Do(final);
        Assert.DoesNotContain(
            Progress.OpenLinesOf(_shop.Document),
            l => l.StartsWith(ball.Place, StringComparison.Ordinal)
        );
    }
}
