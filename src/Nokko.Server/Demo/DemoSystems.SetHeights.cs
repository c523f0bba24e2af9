using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;

namespace Nokko.Server.Demo;

/// <content>Vehicles whose height is turned or held, or whose coils have two rates.</content>
internal static partial class DemoSystems
{
    /// <summary>Torsion bars in front, of which a turn was read once; leaves behind.</summary>
    public static DemoVehicle TorsionBuilt { get; } =
        new()
        {
            Engine = "2.8 petrol",
            Front = DemoVehicle.Of(
                SuspensionKind.TorsionBarArm,
                (SuspensionSizes.LiftPerTurn, 9.5),
                (SuspensionSizes.ArmLength, 388),
                (SuspensionSizes.ArmDrop, 6),
                (SuspensionSizes.TorsionRate, 44),
                (SuspensionSizes.AdjusterLever, 62),
                (SuspensionSizes.AdjusterPitch, 2),
                (SuspensionSizes.ShockLength, 372),
                (SuspensionSizes.ShockExtended, 445),
                (SuspensionSizes.ShockCollapsed, 290),
                (SuspensionSizes.BumpStopGap, 44),
                (SuspensionSizes.BumpStopHeight, 40)
            ),
            Rear = DemoVehicle.Of(SuspensionKind.LeafOverslung),
            Sizes = DemoVehicle.Built(3180, 1560, 1040, 820, 505, springs: 1040),
            Wish = "The nose up by an inch, nothing bought",
        };

    /// <summary>Plates in front, air with one sensor behind: there only another link lifts.</summary>
    public static DemoVehicle AirBuilt =>
        WagonBuilt with
        {
            Loads = [],
            LevelLoaded = false,
            Rear = DemoVehicle.Of(
                SuspensionKind.MultiLink,
                (SuspensionSizes.SensorArmShare, 0.45),
                (SuspensionSizes.ShockLength, 480),
                (SuspensionSizes.ShockExtended, 560),
                (SuspensionSizes.ShockCollapsed, 350)
            ) with
            {
                HeightControl = HeightControl.OneSensor,
                Medium = SpringMedium.Air,
            },
            Wish = "An inch and a half at both ends, the levelling kept",
        };

    /// <summary>The wagon, with a pair of coils of two rates to carry a camp.</summary>
    public static DemoVehicle DualRateBuilt =>
        WagonBuilt with
        {
            Loads = [],
            LevelLoaded = false,
            Wish = "Soft when empty, firm with the camp on",
        };
}
