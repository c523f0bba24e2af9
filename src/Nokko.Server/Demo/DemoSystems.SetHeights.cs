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
    public static DemoVehicle AirBuilt { get; } =
        new()
        {
            Kind = VehicleKind.Wagon,
            Front = WagonBuilt.Front,
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
            Sizes = DemoVehicle.Built(2880, 1620, 1080, 1010, 510),
            Wish = "An inch and a half at both ends, the levelling kept",
        };

    /// <summary>Coils on a live axle behind; a pair with two rates shall carry it.</summary>
    public static DemoVehicle DualRateBuilt { get; } =
        new()
        {
            Kind = VehicleKind.Wagon,
            Front = WagonBuilt.Front,
            Rear = DemoVehicle.Of(
                SuspensionKind.CoilFourLink,
                (SuspensionSizes.SpringLean, 4),
                (SuspensionSizes.SpringLength, 290),
                (SuspensionSizes.SpringRate, 30),
                (SuspensionSizes.SpringFreeLength, 432),
                (SuspensionSizes.ShockLength, 505),
                (SuspensionSizes.ShockExtended, 600),
                (SuspensionSizes.ShockCollapsed, 360)
            ),
            Sizes = DemoVehicle.Built(2780, 1600, 1020, 980, 505, springs: 1000),
            Wish = "Soft when empty, firm with the camp on",
        };
}
