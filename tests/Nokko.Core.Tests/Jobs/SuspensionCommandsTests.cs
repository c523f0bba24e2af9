using Nokko.Core.Jobs;
using Nokko.Core.Suspension;
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
}
