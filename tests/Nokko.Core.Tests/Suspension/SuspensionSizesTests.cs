using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;
using static Nokko.Core.Suspension.SuspensionSizes;
using static Nokko.Core.Vehicles.SuspensionKind;

namespace Nokko.Core.Tests.Suspension;

/// <summary>Which sizes are asked for on which suspension, and what cannot be one.</summary>
public class SuspensionSizesTests
{
    private static readonly SuspensionKind[] Arms =
    [
        CoilOverArm,
        Strut,
        MultiLink,
        TransverseLeaf,
        TorsionBarArm,
        TrailingArm,
    ];
    private static readonly SuspensionKind[] Leaves = [LeafOverslung, LeafUnderslung];
    private static readonly SuspensionKind[] Links = [CoilFourLink, CoilRadiusArm, CoilOverAxle];
    private static readonly SuspensionKind[] Live = [.. Links, .. Leaves];
    private static readonly SuspensionKind[] Coils =
    [
        CoilOverArm,
        Strut,
        MultiLink,
        TrailingArm,
        .. Links,
    ];

    public static TheoryData<string, SuspensionKind[]> Asked =>
        new()
        {
            { LeafChord, Leaves },
            { LeafArch, Leaves },
            { ShackleLength, Leaves },
            { ShackleAngle, Leaves },
            { AxleFraction, Leaves },
            { LeavesUnderMain, [LeafOverslung] },
            { CoilBind, Coils },
            { SpringFreeLength, Coils },
            { SpringLength, Coils },
            { SpringLean, Coils },
            { SecondRate, Coils },
            { CrossoverLoad, Coils },
            { SpringRate, [.. Enum.GetValues<SuspensionKind>().Except([TorsionBarArm])] },
            { Sag, [.. Enum.GetValues<SuspensionKind>().Except([TorsionBarArm])] },
            { ArmDrop, [TorsionBarArm] },
            { TorsionRate, [TorsionBarArm] },
            { AdjusterLever, [TorsionBarArm] },
            { AdjusterPitch, [TorsionBarArm] },
            { LiftPerTurn, [TorsionBarArm] },
            { RadiusArmDrop, [CoilRadiusArm] },
            { BushApart, [CoilRadiusArm] },
            { TrackBarRun, Links },
            { TrackBarDrop, Links },
            { DragLinkRun, Links },
            { DragLinkDrop, Links },
            { SteeringArm, Links },
            { ShaftRun, Live },
            { ShaftDrop, Live },
            { OutputSlope, Live },
            { PinionUp, Live },
            { BreatherSlack, Live },
            { CvDrop, Arms },
            { CvRun, Arms },
            { CvRideLimit, Arms },
            { CvDroopLimit, Arms },
            { CamRange, [CoilOverArm, TorsionBarArm, TransverseLeaf] },
            { CamberLeast, [CoilOverArm, TorsionBarArm, TransverseLeaf] },
            { CasterMost, [CoilOverArm, TorsionBarArm, TransverseLeaf] },
            { BallJointLimit, [CoilOverArm, TransverseLeaf, Strut] },
            { StudLength, [CoilOverArm, Strut] },
            { TyreGap, Enum.GetValues<SuspensionKind>() },
            { HoseSlack, Enum.GetValues<SuspensionKind>() },
        };

    [Theory]
    [MemberData(nameof(Asked))]
    public void A_size_is_asked_for_where_a_suspension_has_it(string name, SuspensionKind[] on) =>
        Assert.Equal(
            on.Order(),
            Enum.GetValues<SuspensionKind>().Where(k => Of(k).Any(s => s.Name == name))
        );

    [Fact]
    public void A_strut_that_carries_the_spring_or_the_upright_has_its_own_two_lengths_instead_of_the_shocks()
    {
        foreach (var kind in Enum.GetValues<SuspensionKind>())
        {
            Assert.NotEqual(
                Of(kind).Any(s => s.Name == StrutExtended),
                Of(kind).Any(s => s.Name == ShockExtended)
            );
        }
    }

    /// <summary>Ends that may stand on either side of each other, angles that may lean either way, springs that may stand over standard.</summary>
    [Fact]
    public void What_may_lie_either_way_may_be_below_zero_and_nothing_else()
    {
        string[] either =
        [
            LiftPerTurn,
            ArmDrop,
            SensorArmShare,
            Sag,
            CvDrop,
            LeafArch,
            ShackleAngle,
            TrackBarDrop,
            RadiusArmDrop,
            CamberLeast,
            CamberMost,
            CasterLeast,
            CasterMost,
            ShaftDrop,
            OutputSlope,
            PinionUp,
            DragLinkDrop,
            RimOffset,
        ];
        var all = Enum.GetValues<SuspensionKind>().SelectMany(Of).DistinctBy(s => s.Name).ToArray();
        foreach (var size in all)
        {
            Assert.True(size.Low < size.High, size.Name);
            Assert.Equal(either.Contains(size.Name), WhyNot(size.Name, -1) is null);
            Assert.Null(WhyNot(size.Name, size.Low));
            Assert.Null(WhyNot(size.Name, size.High));
            Assert.NotNull(WhyNot(size.Name, size.High + 1e-6));
            Assert.NotNull(WhyNot(size.Name, size.Low - 1e-6));
        }
    }

    [Fact]
    public void What_steers_is_asked_for_at_the_steered_axle_alone()
    {
        string[] steered =
        [
            CamRange,
            CamberLeast,
            CamberMost,
            CasterLeast,
            CasterMost,
            DragLinkRun,
            DragLinkDrop,
            SteeringArm,
            AheadAtLock,
            BehindAtLock,
            InsideAtLock,
            AheadFlexed,
            BehindFlexed,
            InsideFlexed,
            LockAngle,
        ];
        var all = Enum.GetValues<SuspensionKind>().SelectMany(Of).DistinctBy(s => s.Name);
        Assert.Equal(steered.Order(), all.Where(s => s.Steered).Select(s => s.Name).Order());
    }

    [Fact]
    public void A_value_that_cannot_be_names_its_bounds_with_their_unit()
    {
        Assert.Equal("That lies between -6 and 6 °: check the unit.", WhyNot(CamberLeast, 7));
        Assert.Equal("That lies between 0.2 and 0.8 : check the unit.", WhyNot(AxleFraction, 2));
    }
}
