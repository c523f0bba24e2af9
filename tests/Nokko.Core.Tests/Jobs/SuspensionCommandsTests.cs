using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Tests.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What is said of an axle: at its own end, with what its kind has.</summary>
public class SuspensionCommandsTests
{
    private readonly Workshop _shop = new();

    [Fact]
    public void A_suspension_is_described_at_its_own_end_with_what_that_kind_has()
    {
        var before = _shop.Document.CurrentStage()!;
        SetSuspension Set(
            Axle axle,
            SuspensionKind kind,
            HeightControl? held = null,
            SpringMedium? medium = null
        ) => new(_shop.Key(), 0, axle, kind, [], ShacklePivot.BelowEye, held, medium);
        _shop.Do(
            Set(Axle.Rear, SuspensionKind.LeafUnderslung, HeightControl.OneSensor, SpringMedium.Air)
        );
        var now = _shop.Document.CurrentStage()!;
        Assert.Equal(before.Front, now.Front);
        Assert.Equal(
            (SuspensionKind.LeafUnderslung, ShacklePivot.BelowEye),
            (now.Rear.Kind, now.Rear.ShacklePivot)
        );
        // Leaves are steel, whatever holds their height.
        Assert.Equal((HeightControl.OneSensor, null), (now.Rear.HeightControl, now.Rear.Medium));
        _shop.Do(Set(Axle.Front, SuspensionKind.CoilOverArm, medium: SpringMedium.Air));
        now = _shop.Document.CurrentStage()!;
        Assert.Equal((null, SpringMedium.Air), (now.Front.ShacklePivot, now.Front.Medium));
        Assert.Equal(SuspensionKind.LeafUnderslung, now.Rear.Kind);
    }

    [Fact]
    public void Points_stay_with_their_kind()
    {
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
        _shop.Do(new SetSuspension(_shop.Key(), 0, Axle.Front, SuspensionKind.CoilOverArm, []));
        Assert.Single(_shop.Document.CurrentStage()!.Front.Points);
    }

    [Theory]
    [InlineData(SuspensionKind.CoilOverArm, false)]
    [InlineData(SuspensionKind.CoilFourLink, true)]
    public void A_point_lies_across_or_along_as_its_kind_is_seen(SuspensionKind kind, bool along)
    {
        _shop.Do(new SetSuspension(_shop.Key(), 0, Axle.Front, kind, []));
        _shop.Do(
            new SetPoints(
                _shop.Key(),
                0,
                Axle.Front,
                [
                    new PointInput(
                        Archetype.Of(kind)!.Points[0].Name,
                        Workshop.Typed("230", Unit.Mm),
                        Workshop.Typed("250", Unit.Mm)
                    ),
                ]
            )
        );
        var point = Assert.Single(_shop.Document.CurrentStage()!.Front.Points);
        Assert.Equal(
            along ? (230, null) : ((double?)null, 230),
            (point.X?.In(Unit.Mm), point.Y?.In(Unit.Mm))
        );
        Assert.Equal(250, point.Z!.In(Unit.Mm));
    }

    [Fact]
    public void Torsion_bars_and_leaves_take_no_points_each_with_its_own_word()
    {
        SetPoints Points(Axle axle) => new(_shop.Key(), 0, axle, []);
        _shop.Do(new SetSuspension(_shop.Key(), 0, Axle.Front, SuspensionKind.TorsionBarArm, []));
        Assert.Contains(
            "a turn of the adjuster",
            _shop.Refused(Points(Axle.Front)).Message,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "chord, arch and shackle",
            _shop.Refused(Points(Axle.Rear)).Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_is_taped_for_one_mechanism_stays_beside_what_is_known()
    {
        _shop.Do(
            new SetSuspension(
                _shop.Key(),
                0,
                Axle.Front,
                SuspensionKind.CoilFourLink,
                [new SizeInput(SuspensionSizes.SpringLean, Workshop.Typed("4", Unit.Degree))]
            )
        );
        TapeSizes Tape(string size, string? typed, Side? side = null, Axle axle = Axle.Front) =>
            new(
                _shop.Key(),
                0,
                axle,
                [new SizeInput(size, typed is null ? null : Workshop.Typed(typed, Unit.Mm))],
                side
            );
        Nokko.Core.Vehicles.Suspension Now() => _shop.Document.CurrentStage()!.Front;
        _shop.Do(Tape(SuspensionSizes.TrackBarRun, "860", Side.Right));
        _shop.Do(Tape(SuspensionSizes.TrackBarDrop, "-12"));
        Assert.Equal(
            (4, 860, -12, Side.Right),
            (
                Now().Get(SuspensionSizes.SpringLean),
                Now().Get(SuspensionSizes.TrackBarRun),
                Now().Get(SuspensionSizes.TrackBarDrop),
                Now().BarBodyEnd
            )
        );
        // The whole form kept again leaves the side; another kind has no bar.
        _shop.Do(new SetSuspension(_shop.Key(), 0, Axle.Front, SuspensionKind.CoilFourLink, []));
        Assert.Equal(Side.Right, Now().BarBodyEnd);
        _shop.Do(Tape(SuspensionSizes.TrackBarRun, "860"));
        _shop.Do(Tape(SuspensionSizes.TrackBarRun, null));
        Assert.Null(Now().Get(SuspensionSizes.TrackBarRun));
        Assert.Equal(
            SuspensionSizes.CvDrop,
            _shop.Refused(Tape(SuspensionSizes.CvDrop, "20")).Field
        );
        Assert.Equal(
            SuspensionSizes.TrackBarRun,
            _shop.Refused(Tape(SuspensionSizes.TrackBarRun, "9")).Field
        );
        Assert.Equal("sizes", _shop.Refused(Tape("noSuchSize", "9")).Field);
        _shop.Do(new SetSuspension(_shop.Key(), 0, Axle.Front, SuspensionKind.Strut, []));
        Assert.Null(Now().BarBodyEnd);
        // Leaves locate their axle themselves.
        _shop.Do(
            new TapeSizes(
                _shop.Key(),
                0,
                Axle.Rear,
                [new SizeInput(SuspensionSizes.ShackleLength, Workshop.Typed("110", Unit.Mm))],
                Side.Left
            )
        );
        Assert.Null(_shop.Document.CurrentStage()!.Rear.BarBodyEnd);
    }

    [Fact]
    public void A_ballast_test_that_a_controller_undoes_says_so()
    {
        _shop.Do(
            new SetSuspension(
                _shop.Key(),
                0,
                Axle.Rear,
                SuspensionKind.CoilFourLink,
                [],
                HeightControl: HeightControl.TwoSensors
            )
        );
        var refused = _shop.Refused(
            new NoteBallast(
                _shop.Key(),
                0,
                Axle.Rear,
                Workshop.Typed("100", Unit.Kg),
                Workshop.Typed("3600", Unit.Mm),
                Workshop.Typed("560", Unit.Mm),
                Workshop.Typed("559", Unit.Mm),
                Workshop.Typed("560", Unit.Mm)
            )
        );
        Assert.Equal("with", refused.Field);
        Assert.Contains("levelling off", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_weight_over_springs_that_came_does_not_tell_the_rate_of_those_that_were_in()
    {
        NoteBallast Test(Axle axle) =>
            new(
                _shop.Key(),
                0,
                axle,
                Workshop.Typed("300", Unit.Kg),
                Workshop.Typed(axle == Axle.Front ? "0" : "3600", Unit.Mm),
                Workshop.Typed("560", Unit.Mm),
                Workshop.Typed("540", Unit.Mm),
                Workshop.Typed("560", Unit.Mm)
            );
        var stage = _shop.Document.CurrentStage()!;
        _shop.Document = _shop.Document with
        {
            Stages =
            [
                stage with
                {
                    Ordinal = stage.Ordinal + 1,
                    Stacks =
                    [
                        new CornerStack
                        {
                            Corner = Corner.LF,
                            Parts = [StacksTests.Part(1, PartKind.Coil, 20)],
                        },
                        new CornerStack
                        {
                            Corner = Corner.LR,
                            Parts = [StacksTests.Part(2, PartKind.CoilSpacer, 20)],
                        },
                    ],
                },
            ],
        };
        var refused = _shop.Refused(Test(Axle.Front));
        Assert.Equal("weight", refused.Field);
        Assert.Contains("stands on this axle", refused.Message, StringComparison.Ordinal);
        // Spacers leave the spring what it is.
        _shop.Do(Test(Axle.Rear));
        Assert.Equal(
            300 * 9.80665 / 2 / 20,
            _shop.Document.CurrentStage()!.Rear.Get(SuspensionSizes.WheelRate)!.Value,
            6
        );
    }
}
