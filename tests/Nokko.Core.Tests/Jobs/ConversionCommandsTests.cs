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

/// <summary>Another suspension by commands: planned, begun, taken back.</summary>
public class ConversionCommandsTests
{
    private readonly Workshop _shop = new();

    private static SizeInput Mm(string name, string value) =>
        new(name, Workshop.Typed(value, SuspensionSizes.Find(name)!.Unit));

    private static readonly SizeInput[] Coils =
    [
        Mm(SuspensionSizes.SpringLength, "380"),
        Mm(SuspensionSizes.SpringFreeLength, "450"),
        Mm(SuspensionSizes.SpringRate, "48"),
    ];

    private ConvertAxle Links(Guid plan, uint? version = null) =>
        new(
            _shop.Key(),
            plan,
            version,
            Axle.Rear,
            SuspensionKind.CoilFourLink,
            Coils,
            "Alder sheet 12",
            Workshop.Typed("600", Unit.Mm),
            Datum.Hub,
            Workshop.Typed("1700", Unit.Mm)
        );

    private Plan Planned()
    {
        _shop.Do(Links(_shop.Key()));
        return _shop.Document.DraftPlan()!;
    }

    private BeginFitting Begin(string? reason = null) => _shop.Begin(reason);

    [Fact]
    public void Where_nothing_is_planned_a_plan_begins_with_it_and_keeps_what_it_was_told()
    {
        var plan = Planned();
        Assert.Equal(("Plan A", true), (plan.Name, plan.Chosen));
        var conversion = Assert.Single(plan.Conversions!);
        Assert.Equal(
            (Axle.Rear, SuspensionKind.CoilFourLink, "Alder sheet 12", Datum.Hub),
            (conversion.Axle, conversion.To.Kind, conversion.To.Sheet, conversion.From)
        );
        Assert.Equal(600, conversion.SetUpAt!.In(Unit.Mm));
        Assert.Equal(1700, conversion.To.Track!.In(Unit.Mm));
        Assert.Equal(48, conversion.To.Get(SuspensionSizes.SpringRate));
        // Said again it is corrected, not doubled; the other axle is another line.
        _shop.Do(Links(plan.Id, 0) with { Sheet = "Alder sheet 13" });
        _shop.Do(
            Links(plan.Id, 0) with
            {
                CommandId = _shop.Key(),
                Axle = Axle.Front,
                Suspension = SuspensionKind.Strut,
                Sizes = [],
            }
        );
        plan = _shop.Document.DraftPlan()!;
        Assert.Equal([Axle.Front, Axle.Rear], plan.Conversions!.Select(c => c.Axle));
        Assert.Equal("Alder sheet 13", plan.Of(Axle.Rear)!.To.Sheet);
        _shop.Do(new KeepSuspension(_shop.Key(), plan.Id, 0, Axle.Rear));
        _shop.Do(new KeepSuspension(_shop.Key(), plan.Id, 0, Axle.Front));
        Assert.Null(_shop.Document.DraftPlan()!.Conversions);
        Assert.Equal(
            RefusalKind.Gone,
            _shop.Refused(new KeepSuspension(_shop.Key(), plan.Id, 0, Axle.Rear)).Kind
        );
    }

    [Fact]
    public void What_cannot_be_is_refused_at_its_field_in_a_fitter_s_words()
    {
        void Refused(ConvertAxle command, string field, string says)
        {
            var why = _shop.Refused(command);
            Assert.Equal((RefusalKind.BadValue, field), (why.Kind, why.Field));
            Assert.Contains(says, why.Message, StringComparison.Ordinal);
        }
        var good = Links(_shop.Key());
        Refused(good with { Sheet = " " }, "sheet", "whose sheet");
        Refused(good with { From = Datum.Frame }, "from", "hub or from the floor");
        Refused(good with { Track = Workshop.Typed("17", Unit.Mm) }, "track", "check the unit");
        Refused(good with { SetUpAt = Workshop.Typed("600", Unit.Kg) }, "setUpAt", "no unit");
        Refused(
            good with
            {
                Sizes = [Mm(SuspensionSizes.ShackleLength, "90")],
            },
            SuspensionSizes.ShackleLength,
            "no such size"
        );
        Refused(
            good with
            {
                Sizes = [new("length of a leg", Workshop.Typed("1", Unit.Mm))],
            },
            "sizes",
            "There is no size"
        );
        Refused(
            good with
            {
                Suspension = SuspensionKind.CoilOverArm,
                Sizes = [],
                Points = [new("lowerPivot", Workshop.Typed("400", Unit.Mm), null)],
            },
            "lowerPivot.up",
            "Both are needed"
        );
        Assert.Empty(_shop.Document.DraftPlans());
    }

    [Fact]
    public void A_copy_of_a_plan_has_its_other_suspension_and_any_other_plan_has_not()
    {
        var plan = Planned();
        var part = _shop.Plates();
        _shop.Do(_shop.PlanWith(part, name: "Plan B") with { LikePlanId = plan.Id });
        _shop.Do(_shop.PlanWith(part, name: "Plan C"));
        Plan Of(string name) => _shop.Document.Plans.Single(p => p.Name == name);
        Assert.Equal("Alder sheet 12", Of("Plan B").Of(Axle.Rear)!.To.Sheet);
        Assert.Null(Of("Plan C").Conversions);
        // What is changed in the copy leaves the other as it was.
        _shop.Do(Links(Of("Plan B").Id, 0) with { Sheet = "Rowan drawing" });
        Assert.Equal("Alder sheet 12", Of("Plan A").Of(Axle.Rear)!.To.Sheet);
        // Kept again by whoever likes another one, a plan keeps its own.
        _shop.Do(
            _shop.PlanWith(part, Of("Plan C").Id, "Plan C") with
            {
                Version = 0,
                LikePlanId = plan.Id,
            }
        );
        Assert.Null(Of("Plan C").Conversions);
    }

    [Fact]
    public void What_stands_on_the_old_suspension_and_fits_the_new_one_not_leaves_the_plan()
    {
        var stands = new[]
        {
            Sample.Plate(60, 50, PartKind.Block),
            Sample.Plate(61, null, PartKind.Tyre),
            Sample.Plate(62, null, PartKind.Shock),
        };
        _shop.Document = _shop.Document with
        {
            Stages =
            [
                Sample.AsFound with
                {
                    Stacks = [new CornerStack { Corner = Corner.LR, Parts = stands }],
                },
            ],
        };
        var plan = Planned();
        Assert.Equal(
            [PartKind.Tyre, PartKind.Shock],
            Assert.Single(plan.Stacks).Parts.Select(p => p.Kind)
        );
    }

    [Fact]
    public void Begun_the_vehicle_stands_on_it_and_taken_back_on_the_old_one()
    {
        _shop.ReadBefore();
        var plan = Planned();
        var spec = new JointSpec { Torque = Sample.Of(80, Unit.NewtonMetre), Source = "old sheet" };
        Joint Kept(int id, string place) =>
            new()
            {
                Id = Sample.Id(id),
                Where = "LR",
                Place = place,
                Kind = JointKind.PlainBolt,
                Fasteners = [],
                Spec = spec,
            };
        // One of the old suspension's shocks, and one that has nothing to do with it.
        _shop.Document = _shop.Document with
        {
            Joints = [Kept(80, "LR lower shock mount"), Kept(81, "LR wheel to hub")],
        };
        var begin = Begin();
        _shop.Do(begin);
        var d = _shop.Document;
        var now = d.CurrentStage()!;
        Assert.Equal(SuspensionKind.CoilFourLink, now.Rear.Kind);
        Assert.Equal(SuspensionKind.CoilOverArm, now.Front.Kind);
        Assert.Equal(1700, d.VehicleNow().Dimensions.RearTrack!.In(Unit.Mm));
        // The old torque holds nothing of the new shocks; the wheel's is as it was.
        Assert.Null(d.Joints.Single(j => j.Id == Sample.Id(80)).Spec);
        Assert.Equal(JointKind.BondedRubber, d.Joints.Single(j => j.Id == Sample.Id(80)).Kind);
        Assert.Equal(spec, d.Joints.Single(j => j.Id == Sample.Id(81)).Spec);
        Assert.Contains(d.Joints, j => j.Place == "RR upper link to frame");
        var card = Progress.CardOf(d);
        Assert.Contains(card.Steps, s => s.Key == "rear/change-suspension");
        // What is taped of it meanwhile is of the new one, and never becomes the start of the plan.
        Assert.Equal(SuspensionKind.LeafOverslung, d.StartOf(d.BegunPlan()!)!.Rear.Kind);
        _shop.Do(new TakeBack(_shop.Key(), begin.CommandId));
        d = _shop.Document;
        Assert.Equal(SuspensionKind.LeafOverslung, d.CurrentStage()!.Rear.Kind);
        Assert.Equal(spec, d.Joints.Single(j => j.Id == Sample.Id(80)).Spec);
        Assert.Equal(plan.Id, d.DraftPlan()!.Id);
    }

    [Fact]
    public void What_leads_to_new_arms_and_uprights_is_asked_anew_and_what_only_goes_along_is_not()
    {
        var spec = new JointSpec { Torque = Sample.Of(60, Unit.NewtonMetre), Source = "old sheet" };
        string[] renewed =
        [
            "LF tie-rod end to upright",
            "LF axle nut",
            "LF sway-bar link to arm",
            "LF lower arm pivots",
            "LF caliper to upright",
        ];
        string[] same = ["LF brake-hose bracket", "RR shackle to frame", "LF wheel to hub"];
        _shop.Document = _shop.Document with
        {
            Joints =
            [
                .. renewed
                    .Concat(same)
                    .Select(
                        (place, i) =>
                            new Joint
                            {
                                Id = Sample.Id(80 + i),
                                Where = place[..2],
                                Place = place,
                                Kind = JointKind.PlainBolt,
                                Fasteners = [],
                                Spec = spec,
                            }
                    ),
            ],
        };
        _shop.ReadBefore();
        // Longer arms and uprights of the same kind.
        _shop.Do(
            Links(_shop.Key()) with
            {
                Axle = Axle.Front,
                Suspension = SuspensionKind.CoilOverArm,
            }
        );
        _shop.Do(Begin());
        JointSpec? Of(string place) => _shop.Document.Joints.Single(j => j.Place == place).Spec;
        Assert.All(renewed, place => Assert.Null(Of(place)));
        Assert.All(same, place => Assert.Equal(spec, Of(place)));
    }

    [Fact]
    public void Where_no_height_can_be_told_it_is_begun_only_with_a_reason()
    {
        _shop.ReadBefore();
        _shop.Do(
            Links(_shop.Key()) with
            {
                Suspension = SuspensionKind.LeafUnderslung,
                Sizes = [],
            }
        );
        var why = _shop.Refused(Begin());
        Assert.Equal((RefusalKind.Gate, "reason"), (why.Kind, why.Field));
        Assert.Contains("seen once the weight is on it", why.Message, StringComparison.Ordinal);
        _shop.Do(Begin("the sheet is enough for us"));
        Assert.Equal(SuspensionKind.LeafUnderslung, _shop.Document.CurrentStage()!.Rear.Kind);
    }

    [Fact]
    public void What_came_is_proved_against_the_frozen_height_and_teaches_nothing_of_parts()
    {
        _shop.ReadBefore();
        Planned();
        _shop.Do(Begin());
        Assert.Contains(
            Progress.UndoOf(_shop.Document)!.Card.Steps,
            s => s.Key == "rear/change-suspension"
        );
        _shop.ReadAll(
            ("LF", "20 1/2"),
            ("LM", "41 1/2"),
            ("LR", "23 13/16"),
            ("RR", "23 13/16"),
            ("RM", "41 1/2"),
            ("RF", "20 1/2")
        );
        var results = JobEvaluator.Evaluate(_shop.Document);
        var proof = Assert.Single(results.Proofs);
        // 604.6 at rest, from 22 7/8 in.
        Assert.Equal(
            604.6 - 581.0,
            results.Trials.First(t => t.Axle == Axle.Rear).Predicted!.Value!.Value,
            0
        );
        Assert.All(results.Trials, t => Assert.Null(t.Trial));
        Assert.Contains(
            "another suspension",
            results.Trials.First(t => t.Axle == Axle.Rear).WhyNot,
            StringComparison.Ordinal
        );
        // What stands on a converted axle tells nothing of others either, in any later pass.
        Assert.Equal("Alder sheet 12", _shop.Document.CurrentStage()!.Rear.Sheet);
        // The front, untouched between both rounds, is the control; the rear is not.
        Assert.NotNull(proof.Comparison);
    }

    [Fact]
    public void An_axle_that_was_converted_is_no_control_though_its_stack_is_the_same()
    {
        _shop.ReadBefore();
        var part = _shop.Plates();
        _shop.Do(_shop.PlanWith(part));
        _shop.Do(Links(_shop.Document.DraftPlan()!.Id, 0));
        _shop.Do(Begin());
        var from = _shop.Document.Stages.MinBy(s => s.Ordinal)!;
        var to = _shop.Document.CurrentStage()!;
        Assert.True(_shop.Document.Converted(from.Id, to.Id, Axle.Rear));
        Assert.True(_shop.Document.Converted(to.Id, from.Id, Axle.Rear));
        Assert.False(_shop.Document.Converted(from.Id, to.Id, Axle.Front));
        Assert.False(_shop.Document.Converted(to.Id, to.Id, Axle.Rear));
    }

    [Fact]
    public void Sizes_that_are_corrected_later_keep_its_sheet_and_its_track()
    {
        _shop.ReadBefore();
        Planned();
        _shop.Do(Begin());
        _shop.Do(
            new SetSuspension(
                _shop.Key(),
                0,
                Axle.Rear,
                SuspensionKind.CoilFourLink,
                [Mm(SuspensionSizes.SpringLength, "386")]
            )
        );
        var rear = _shop.Document.CurrentStage()!.Rear;
        Assert.Equal(("Alder sheet 12", 1700), (rear.Sheet, rear.Track!.In(Unit.Mm)));
        Assert.Equal(386, rear.Get(SuspensionSizes.SpringLength));
    }
}
