using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Proof;

/// <summary>What a plan moved besides the height: foretold, then measured.</summary>
public class MovedProofTests
{
    private static MeasureValue Read(
        string measure,
        string place,
        double value,
        Unit? unit = null
    ) =>
        new(
            measure,
            place,
            Result.Of(value, unit ?? Unit.Mm, unit == Unit.Degree ? 0.15 : 1, [], Known.Measured),
            1
        );

    private static WalkRoundStance Round(params MeasureValue[] values) =>
        Sample.Stance() with
        {
            Measures = values,
        };

    private static MovedProof? Of(
        MechanismKind kind,
        double foretold,
        Unit unit,
        WalkRoundStance[] before,
        WalkRoundStance[] after,
        Side? side = null,
        double? wall = null,
        Known known = Known.Computed,
        string where = "front",
        IReadOnlyList<Axle>? converted = null,
        params (string, double)[] sizes
    )
    {
        var vehicle = StacksTests.On(
            StacksTests.Of(SuspensionKind.CoilFourLink, sizes) with
            {
                BarBodyEnd = side,
            }
        );
        var prediction = StacksTests.Predict(
            Sample.Plan(
                (Corner.LF, StacksTests.Part(1, PartKind.CoilSpacer, 40)),
                (Corner.RF, StacksTests.Part(2, PartKind.CoilSpacer, 40))
            ),
            vehicle
        ) with
        {
            Moves =
            [
                new(
                    kind,
                    where,
                    Result.Of(foretold, unit, 0.5, [], known),
                    kind == MechanismKind.Headlights ? Result.Of(44, Unit.Mm, 2, []) : null
                ),
            ],
        };
        return MovedProof
            .Of(prediction, vehicle, before, after, converted ?? [], wall)
            .SingleOrDefault();
    }

    [Theory]
    [InlineData(Side.Left, 6, true)]
    [InlineData(Side.Right, -6, false)]
    public void An_axle_s_move_is_half_of_what_its_tyres_stand_out_by_toward_the_bar_s_end(
        Side side,
        double toward,
        bool right
    )
    {
        // It went 6 mm to the left: the left tyre stands out 6 more, the right one 6 less.
        var proof = Of(
            MechanismKind.TrackBar,
            5,
            Unit.Mm,
            [Round(Read(Measures.Overhang, "LF", 12), Read(Measures.Overhang, "RF", 10))],
            [Round(Read(Measures.Overhang, "LF", 18), Read(Measures.Overhang, "RF", 4))],
            side
        )!;
        Assert.Equal(toward, proof.Measured.Value!.Value, 9);
        // Four readings of 1 mm, each by half.
        Assert.Equal(1, proof.Measured.U!.Value, 9);
        Assert.Equal(right, proof.AsForetold);
    }

    [Fact]
    public void A_hose_loses_what_the_shorter_side_loses_and_only_where_no_lead_may_be_shorter()
    {
        WalkRoundStance[] before =
        [
            Round(Read(Measures.HoseSlack, "LF", 40), Read(Measures.HoseSlack, "RF", 44)),
        ];
        WalkRoundStance[] after =
        [
            Round(Read(Measures.HoseSlack, "LF", 16), Read(Measures.HoseSlack, "RF", 13)),
        ];
        var proof = Of(MechanismKind.Hoses, -26.5, Unit.Mm, before, after)!;
        Assert.Equal(13 - 40, proof.Measured.Value!.Value, 9);
        Assert.True(proof.AsForetold);
        Assert.False(Of(MechanismKind.Hoses, -10, Unit.Mm, before, after)!.AsForetold);
        var unread = Of(MechanismKind.Hoses, -26.5, Unit.Mm, before, [Round()])!;
        Assert.Equal("Not read before and after.", unread.Measured.Cannot);
        Assert.Null(unread.AsForetold);
        Assert.Null(
            Of(
                MechanismKind.Hoses,
                -26.5,
                Unit.Mm,
                before,
                after,
                sizes: (SuspensionSizes.LeadSlack, 30)
            )
        );
    }

    [Fact]
    public void Camber_of_a_rack_goes_before_that_of_a_square_where_it_was_read_both_times()
    {
        MeasureValue Camber(string measure, string place, double degrees) =>
            Read(measure, place, degrees, Unit.Degree);
        WalkRoundStance[] Both(double rack, double square) =>
            [
                Round(
                    Camber(Measures.CamberAngle, "LF", rack),
                    Camber(Measures.CamberAngle, "RF", rack),
                    Camber("camber", "LF", square),
                    Camber("camber", "RF", square)
                ),
            ];
        Assert.Equal(
            -0.7,
            Of(
                MechanismKind.Arms,
                -0.7,
                Unit.Degree,
                Both(-0.2, 0),
                Both(-0.9, -0.3)
            )!.Measured.Value!.Value,
            9
        );
        Assert.Equal(
            -0.3,
            Of(
                MechanismKind.Arms,
                -0.3,
                Unit.Degree,
                Both(-0.2, 0),
                [Round(Camber("camber", "LF", -0.3), Camber("camber", "RF", -0.3))]
            )!.Measured.Value!.Value,
            9
        );
    }

    [Fact]
    public void Without_the_bar_s_side_or_a_reading_nothing_is_judged()
    {
        WalkRoundStance[] read =
        [
            Round(Read(Measures.Overhang, "LF", 12), Read(Measures.Overhang, "RF", 10)),
        ];
        var side = Of(MechanismKind.TrackBar, 5, Unit.Mm, read, read)!;
        Assert.Contains("which side", side.Measured.Cannot!, StringComparison.Ordinal);
        Assert.Null(side.AsForetold);
        var half = Of(
            MechanismKind.TrackBar,
            5,
            Unit.Mm,
            read,
            [Round(Read(Measures.Overhang, "LF", 12))],
            Side.Left
        )!;
        Assert.Equal("Not read before and after.", half.Measured.Cannot);
        // What rests on an invented axle was no foretelling.
        Assert.Null(
            Of(
                MechanismKind.TrackBar,
                5,
                Unit.Mm,
                read,
                read,
                Side.Left,
                known: Known.Archetype
            )!.AsForetold
        );
        Assert.Null(Of(MechanismKind.SideSlope, 5, Unit.Degree, read, read));
    }

    [Fact]
    public void Angles_are_the_mean_change_of_both_wheels_from_the_last_readings()
    {
        var caster = Of(
            MechanismKind.Caster,
            -2.4,
            Unit.Degree,
            [
                Round(
                    Read(Measures.Caster, "LF", 9, Unit.Degree),
                    Read(Measures.Caster, "RF", 9, Unit.Degree)
                ),
                Round(
                    Read(Measures.Caster, "LF", 5, Unit.Degree),
                    Read(Measures.Caster, "RF", 5.4, Unit.Degree)
                ),
            ],
            [
                Round(
                    Read(Measures.Caster, "LF", 2.6, Unit.Degree),
                    Read(Measures.Caster, "RF", 3.2, Unit.Degree)
                ),
            ]
        )!;
        Assert.Equal(-2.3, caster.Measured.Value!.Value, 9);
        Assert.Equal(0.15, caster.Measured.U!.Value, 9);
        Assert.True(caster.AsForetold);
        var camber = Of(
            MechanismKind.Arms,
            -0.4,
            Unit.Degree,
            [Round(Read("camber", "LF", 0, Unit.Degree), Read("camber", "RF", 0.2, Unit.Degree))],
            [Round(Read("camber", "LF", -2, Unit.Degree), Read("camber", "RF", -2, Unit.Degree))]
        )!;
        Assert.Equal(-2.1, camber.Measured.Value!.Value, 9);
        Assert.False(camber.AsForetold);
        var pinion = Of(
            MechanismKind.Pinion,
            1,
            Unit.Degree,
            [Round(Read(Measures.PinionAngle, "rear", 3, Unit.Degree))],
            [Round(Read(Measures.PinionAngle, "rear", 4.1, Unit.Degree))],
            where: "rear"
        )!;
        Assert.Equal(1.1, pinion.Measured.Value!.Value, 9);
    }

    [Theory]
    // Shaft 9° down, pinion 5° up: 4° at the joint; then 13 and 7: 6.
    [InlineData(9, 5, 13, 7, 2)]
    // The pinion stands steeper than the shaft before, flatter after: 1° either time.
    [InlineData(5, 6, 8, 7, 0)]
    [InlineData(6, 6, 6, 8.5, 2.5)]
    public void The_shaft_s_joint_at_the_axle_is_shaft_against_pinion_whichever_is_steeper(
        double shaft,
        double pinion,
        double shaftThen,
        double pinionThen,
        double change
    )
    {
        WalkRoundStance[] At(double ofShaft, double ofPinion) =>
            [
                Round(
                    Read(Measures.ShaftAngle, "rear", ofShaft, Unit.Degree),
                    Read(Measures.PinionAngle, "rear", ofPinion, Unit.Degree)
                ),
            ];
        var proof = Of(
            MechanismKind.Propshaft,
            change + 0.4,
            Unit.Degree,
            At(shaft, pinion),
            At(shaftThen, pinionThen),
            where: "rear"
        )!;
        Assert.Equal(change, proof.Measured.Value!.Value, 1e-9);
        // Four gauges of 0.15° each.
        Assert.Equal(0.3, proof.Measured.U!.Value, 1e-9);
        Assert.True(proof.AsForetold);
        var half = Of(
            MechanismKind.Propshaft,
            change,
            Unit.Degree,
            At(shaft, pinion),
            [Round(Read(Measures.ShaftAngle, "rear", shaftThen, Unit.Degree))],
            where: "rear"
        )!;
        Assert.Equal("Not read before and after.", half.Measured.Cannot);
        Assert.Null(half.AsForetold);
    }

    [Fact]
    public void An_anti_roll_bar_is_judged_by_the_slope_of_its_arm()
    {
        MovedProof Bar(double foretold) =>
            Of(
                MechanismKind.SwayBar,
                foretold,
                Unit.Degree,
                [Round(Read(Measures.BarArmSlope, "front", 4, Unit.Degree))],
                [Round(Read(Measures.BarArmSlope, "front", 11, Unit.Degree))]
            )!;
        Assert.Equal(7, Bar(7).Measured.Value!.Value, 1e-9);
        Assert.True(Bar(7.9).AsForetold);
        Assert.False(Bar(0).AsForetold);
    }

    [Fact]
    public void Steering_is_judged_by_the_slope_of_its_link_and_a_half_shaft_by_the_mean_of_both()
    {
        var link = Of(
            MechanismKind.Steering,
            3.2,
            Unit.Degree,
            [Round(Read(Measures.DragLinkSlope, "front", 4, Unit.Degree))],
            [Round(Read(Measures.DragLinkSlope, "front", 7.5, Unit.Degree))]
        )!;
        Assert.Equal((3.5, true), (link.Measured.Value!.Value, link.AsForetold!.Value));
        WalkRoundStance[] Shafts(double left, double right) =>
            [
                Round(
                    Read(Measures.HalfShaftSlope, "LF", left, Unit.Degree),
                    Read(Measures.HalfShaftSlope, "RF", right, Unit.Degree)
                ),
            ];
        MovedProof Shaft(double foretold) =>
            Of(MechanismKind.CvShaft, foretold, Unit.Degree, Shafts(2, 3), Shafts(8, 11))!;
        Assert.Equal(7, Shaft(7).Measured.Value!.Value, 1e-9);
        Assert.True(Shaft(7.8).AsForetold);
        Assert.False(Shaft(4).AsForetold);
    }

    [Fact]
    public void A_tyre_is_judged_in_front_by_the_gap_at_the_fender_on_the_side_that_has_less()
    {
        WalkRoundStance[] Gaps(double left, double right) =>
            [
                Round(
                    Read(Measures.FenderAtLock, "LF", left),
                    Read(Measures.FenderAtLock, "RF", right)
                ),
            ];
        MovedProof? Tyre(string where) =>
            Of(MechanismKind.Contacts, -26, Unit.Mm, Gaps(40, 44), Gaps(20, 13), where: where);
        Assert.Equal(13 - 40, Tyre("front")!.Measured.Value!.Value, 1e-9);
        Assert.True(Tyre("front")!.AsForetold);
        Assert.Null(Tyre("rear"));
    }

    [Fact]
    public void Of_a_tyre_the_least_gap_at_the_fender_is_foretold_and_of_steering_the_link()
    {
        var shop = new Workshop();
        shop.Do(
            new SetSuspension(
                shop.Key(),
                0,
                Axle.Front,
                SuspensionKind.CoilFourLink,
                [
                    new(SuspensionSizes.DragLinkRun, Workshop.Typed("860", Unit.Mm)),
                    new(SuspensionSizes.DragLinkDrop, Workshop.Typed("74", Unit.Mm)),
                    new(SuspensionSizes.AheadAtLock, Workshop.Typed("60", Unit.Mm)),
                    new(SuspensionSizes.BehindAtLock, Workshop.Typed("45", Unit.Mm)),
                    // Least of all, but nobody reads it at the fender.
                    new(SuspensionSizes.InsideAtLock, Workshop.Typed("14", Unit.Mm)),
                    new(SuspensionSizes.LockAngle, Workshop.Typed("33", Unit.Degree)),
                ]
            )
        );
        var d = shop.Document;
        d = d with
        {
            Vehicle = d.Vehicle with
            {
                TyreSize = "265/70R17",
                Dimensions = d.Vehicle.Dimensions with { FrontSpringBase = Sample.Mm(1000) },
            },
        };
        var tyre = StacksTests.Part(
            61,
            PartKind.Tyre,
            null,
            [(PartSizes.Diameter, 853), (PartSizes.Width, 285)]
        );
        var plan = Sample.Plan(
            (Corner.LF, StacksTests.Part(700, PartKind.CoilSpacer, 30)),
            (Corner.RF, StacksTests.Part(701, PartKind.CoilSpacer, 30)),
            (Corner.LF, tyre with { Id = Sample.Id(80) }),
            (Corner.RF, tyre with { Id = Sample.Id(81) })
        ) with
        {
            FromStageId = d.CurrentStage()!.Id,
        };
        var moves = JobGeometry.MovesOf(d, plan, Nokko.Core.Evidence.PlatformEvidence.None);
        Result Of(MechanismKind kind) =>
            moves.Single(m => m.Kind == kind && m.Where == "front").Change;
        // docs/computation/geometry.md#tyre-contacts: 26.97 less ahead and behind.
        Assert.Equal(-26.97, Of(MechanismKind.Contacts).Value!.Value, 0.01);
        Assert.Equal(
            (Math.Atan2(74 + 30, 860) - Math.Atan2(74, 860)) * 180 / Math.PI,
            Of(MechanismKind.Steering).Value!.Value,
            1e-6
        );
    }

    [Fact]
    public void The_mark_on_the_wall_climbs_with_the_lamp_and_by_its_tilt_over_the_distance()
    {
        WalkRoundStance[] At(double mm) =>
            [
                Round(
                    Read(Measures.LampCutOff, "left lamp", mm),
                    Read(Measures.LampCutOff, "right lamp", mm + 2)
                ),
            ];
        MovedProof Lamps(double? wall) =>
            Of(
                MechanismKind.Headlights,
                80,
                Unit.Mm,
                At(700),
                At(760),
                wall: wall,
                where: "vehicle"
            )!;
        Assert.Equal(60, Lamps(null).Measured.Value!.Value, 9);
        Assert.Equal(44, Lamps(1e-9).Foretold.Value!.Value, 1e-6);
        // Both rest on the same rises: their ± are added.
        Assert.Equal(2.5, Lamps(null).Foretold.U!.Value, 1e-9);
        Assert.Equal(
            80,
            Lamps(Headlights.UsualWallMm).Foretold.Value!.Value - Lamps(1e-9).Foretold.Value!.Value,
            1e-6
        );
        Assert.Equal(
            40,
            Lamps(Headlights.UsualWallMm / 2).Foretold.Value!.Value
                - Lamps(1e-9).Foretold.Value!.Value,
            1e-6
        );
    }

    [Fact]
    public void What_a_plan_moves_is_kept_when_the_fitting_begins_as_a_change_from_what_was_in()
    {
        var shop = new Workshop();
        shop.Do(
            new SetSuspension(
                shop.Key(),
                0,
                Axle.Front,
                SuspensionKind.CoilFourLink,
                [
                    new(SuspensionSizes.TrackBarRun, Workshop.Typed("860", Unit.Mm)),
                    new(SuspensionSizes.TrackBarDrop, Workshop.Typed("60", Unit.Mm)),
                    new(SuspensionSizes.ShaftRun, Workshop.Typed("800", Unit.Mm)),
                    new(SuspensionSizes.ShaftDrop, Workshop.Typed("100", Unit.Mm)),
                    new(SuspensionSizes.OutputSlope, Workshop.Typed("4", Unit.Degree)),
                    new(SuspensionSizes.PinionUp, Workshop.Typed("3", Unit.Degree)),
                ]
            )
        );
        var d = shop.Document;
        d = d with
        {
            Vehicle = d.Vehicle with
            {
                Dimensions = d.Vehicle.Dimensions with { FrontSpringBase = Sample.Mm(1000) },
            },
        };
        var from = d.CurrentStage()!;
        Plan Rings(Guid stage, double mm, int id) =>
            Sample.Plan(
                (Corner.LF, StacksTests.Part(id, PartKind.CoilSpacer, mm)),
                (Corner.RF, StacksTests.Part(id + 1, PartKind.CoilSpacer, mm))
            ) with
            {
                FromStageId = stage,
            };
        double Shift(JobDocument job, Plan plan) =>
            JobGeometry
                .MovesOf(job, plan, Nokko.Core.Evidence.PlatformEvidence.None)
                .Single(m => m.Kind == MechanismKind.TrackBar && m.Where == "front")
                .Change.Value!.Value;
        var first = Shift(d, Rings(from.Id, 30, 700));
        Assert.Equal(new TrackBar(860, 60).Lifted(30)!.ShiftMm, first, 1e-9);
        // Of the shaft the joint at the axle is foretold: the gearbox rises by its share of 30, the pinion stays.
        var shaft = JobGeometry
            .MovesOf(d, Rings(from.Id, 30, 700), Nokko.Core.Evidence.PlatformEvidence.None)
            .Single(m => m.Kind == MechanismKind.Propshaft)
            .Change;
        var rise = 30 * (1 - (800 / d.Vehicle.Dimensions.Wheelbase!.In(Unit.Mm)));
        Assert.Equal(
            (Math.Atan2(100 + rise, 800) - Math.Atan2(100, 800)) * 180 / Math.PI,
            shaft.Value!.Value,
            0.01
        );
        // From thirty to fifty: the difference of both.
        var fitted = @from with
        {
            Stacks = Rings(from.Id, 30, 700).Stacks,
        };
        Assert.Equal(
            new TrackBar(860, 60).Lifted(50)!.ShiftMm - first,
            Shift(d with { Stages = [fitted] }, Rings(from.Id, 50, 710)),
            1e-9
        );
    }
}
