using Nokko.Core.Finding;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Storage;

namespace Nokko.Server.Demo;

/// <content>How the vehicles are built.</content>
internal static partial class DemoSystems
{
    /// <summary>Coil-overs on arms, taped and with their travel; a live axle on coils with a panhard behind, a trailer to tow. Two plans side by side.</summary>
    public static DemoVehicle WagonBuilt { get; } =
        new()
        {
            Kind = VehicleKind.Wagon,
            Front = DemoVehicle.Of(
                SuspensionKind.CoilOverArm,
                (SuspensionSizes.SpringLength, 527),
                (SuspensionSizes.StrutExtended, 572),
                (SuspensionSizes.StrutCollapsed, 452),
                (SuspensionSizes.CoilBind, 446),
                (SuspensionSizes.BumpStopGap, 48),
                (SuspensionSizes.BumpStopHeight, 50),
                (SuspensionSizes.HoseSlack, 38),
                (SuspensionSizes.CvDrop, 22),
                (SuspensionSizes.CvRun, 440),
                (SuspensionSizes.StudLength, 24),
                (SuspensionSizes.ArmLength, 392),
                (SuspensionSizes.FootDistance, 228),
                (SuspensionSizes.SpringLean, 5.5),
                (SuspensionSizes.CamRange, 2),
                (SuspensionSizes.CamberLeast, -0.6),
                (SuspensionSizes.CamberMost, 0.4),
                (SuspensionSizes.CasterLeast, 2.6),
                (SuspensionSizes.CasterMost, 4.2)
            ) with
            {
                SpacePoints = InSpace(
                    (152, 242, 258),
                    (-188, 238, 249),
                    (9, 624, 226),
                    (92, 346, 588),
                    (-158, 335, 574),
                    (-24, 592, 548),
                    (-122, 252, 302),
                    (-137, 612, 274),
                    (0, 692, 383)
                ),
            },
            Rear = DemoVehicle.Of(
                SuspensionKind.CoilFourLink,
                (SuspensionSizes.SpringLean, 4),
                (SuspensionSizes.SpringLength, 290),
                (SuspensionSizes.SpringRate, 30),
                (SuspensionSizes.SpringFreeLength, 432),
                (SuspensionSizes.CoilBind, 180),
                (SuspensionSizes.TrackBarRun, 868),
                (SuspensionSizes.TrackBarDrop, 58),
                (SuspensionSizes.ShockLength, 505),
                (SuspensionSizes.ShockExtended, 600),
                (SuspensionSizes.ShockCollapsed, 372),
                (SuspensionSizes.BumpStopGap, 74),
                (SuspensionSizes.BumpStopHeight, 70),
                (SuspensionSizes.HoseSlack, 45)
            ),
            Sizes = DemoVehicle.Built(2790, 1610, 1240, 1020, 470, springs: 1060) with
            {
                FrontAxleRating = DemoVehicle.Kg(1400),
                RearAxleRating = DemoVehicle.Kg(1200),
            },
            Wish = "Level with the trailer on",
            LevelLoaded = true,
            Carries = "stretcher, radios; tows a boat",
            Loads =
            [
                new StatedLoad
                {
                    Id = Guid.CreateVersion7(),
                    Name = "boat on the bar",
                    Mass = DemoVehicle.Kg(110),
                    Behind = DemoVehicle.Mm(3880),
                },
            ],
        };

    private static IReadOnlyList<SuspensionPoint> InSpace(
        params (double Forward, double Outward, double Up)[] points
    ) =>
        [
            .. SpaceArms.Names.Zip(
                points,
                (name, p) =>
                    new SuspensionPoint
                    {
                        Name = name.Name,
                        X = DemoVehicle.Mm(p.Forward),
                        Y = DemoVehicle.Mm(p.Outward),
                        Z = DemoVehicle.Mm(p.Up),
                    }
            ),
        ];

    /// <summary>The pickup, weighed: its leaves shall make room for links and coils.</summary>
    public static DemoVehicle LinksToCome { get; } =
        DemoVehicle.Pickup with
        {
            Sizes = DemoVehicle.Pickup.Sizes with
            {
                FrontAxleMass = DemoVehicle.Kg(1120),
                RearAxleMass = DemoVehicle.Kg(820),
            },
            Wish = "Links and coils for the old leaf springs, level",
        };

    /// <summary>Two live axles on coils with links and track bars.</summary>
    public static DemoVehicle OpenTopBuilt { get; } =
        new()
        {
            Kind = VehicleKind.OpenTop,
            Engine = "2.0 petrol",
            Tyre = "235/75R16",
            Front = DemoVehicle.Of(
                SuspensionKind.CoilFourLink,
                (SuspensionSizes.SpringLean, 3),
                (SuspensionSizes.SpringLength, 318),
                (SuspensionSizes.SpringFreeLength, 470),
                (SuspensionSizes.SpringRate, 29),
                (SuspensionSizes.ShockLength, 470),
                (SuspensionSizes.ShockExtended, 560),
                (SuspensionSizes.ShockCollapsed, 345),
                (SuspensionSizes.BumpStopGap, 82),
                (SuspensionSizes.BumpStopHeight, 60),
                (SuspensionSizes.TrackBarRun, 724),
                (SuspensionSizes.TrackBarDrop, 122),
                (SuspensionSizes.DragLinkRun, 756),
                (SuspensionSizes.DragLinkDrop, 129),
                (SuspensionSizes.SteeringArm, 166),
                (SuspensionSizes.BarArm, 300),
                (SuspensionSizes.BarLink, 240),
                (SuspensionSizes.TyreGap, 118),
                (SuspensionSizes.TyreToFrame, 74),
                (SuspensionSizes.TyreToArm, 41),
                (SuspensionSizes.AheadAtLock, 52),
                (SuspensionSizes.BehindAtLock, 38),
                (SuspensionSizes.RimOffset, 25),
                (SuspensionSizes.InsideAtLock, 24),
                (SuspensionSizes.LockAngle, 31)
            ) with
            {
                BarBodyEnd = Side.Left,
            },
            Rear = DemoVehicle.Of(
                SuspensionKind.CoilFourLink,
                (SuspensionSizes.SpringLean, 2),
                (SuspensionSizes.ShockLength, 490),
                (SuspensionSizes.ShockExtended, 575),
                (SuspensionSizes.ShockCollapsed, 362),
                (SuspensionSizes.ShaftRun, 742),
                (SuspensionSizes.ShaftDrop, 128),
                (SuspensionSizes.OutputSlope, 6),
                (SuspensionSizes.PinionUp, 7)
            ),
            Sizes = DemoVehicle.Built(2560, 1600, 930, 860, 520, springs: 1010),
            Wish = "Room for taller tyres, keep half an inch of rake",
        };

    /// <summary>Radius arms in front, coil-overs on the live axle behind; a body lift on the table.</summary>
    public static DemoVehicle OldOpenTopBuilt { get; } =
        new()
        {
            Kind = VehicleKind.OpenTop,
            Engine = "2.2 diesel",
            Front = DemoVehicle.Of(
                SuspensionKind.CoilRadiusArm,
                (SuspensionSizes.ArmLength, 905),
                (SuspensionSizes.FootDistance, 872),
                (SuspensionSizes.SpringLean, 1),
                (SuspensionSizes.RadiusArmDrop, 62),
                (SuspensionSizes.BushApart, 112),
                (SuspensionSizes.TrackBarRun, 842),
                (SuspensionSizes.TrackBarDrop, 66),
                (SuspensionSizes.DragLinkRun, 864),
                (SuspensionSizes.DragLinkDrop, 92),
                (SuspensionSizes.SteeringArm, 172)
            ) with
            {
                BarBodyEnd = Side.Right,
            },
            Rear = DemoVehicle.Of(
                SuspensionKind.CoilOverAxle,
                (SuspensionSizes.SpringLean, 12),
                (SuspensionSizes.SpringLength, 418),
                (SuspensionSizes.StrutExtended, 480),
                (SuspensionSizes.StrutCollapsed, 330)
            ),
            Sizes = DemoVehicle.Built(2360, 1480, 860, 790, 500, springs: 960),
            Wish = "An inch for the tyres, springs stay",
        };

    /// <summary>Strut-type front, links on a subframe behind: blocks and plates that match.</summary>
    public static DemoVehicle EstateBuilt { get; } =
        new()
        {
            Kind = VehicleKind.Estate,
            Body = BodyKind.Unibody,
            Engine = "1.8 petrol",
            Drive = "all four",
            Front = DemoVehicle.Of(
                SuspensionKind.Strut,
                (SuspensionSizes.SpringLean, 7),
                (SuspensionSizes.StudLength, 24),
                (SuspensionSizes.HoseSlack, 26),
                (SuspensionSizes.CvDrop, 12),
                (SuspensionSizes.CvRun, 390)
            ),
            Rear = DemoVehicle.Of(
                SuspensionKind.MultiLink,
                (SuspensionSizes.ArmLength, 455),
                (SuspensionSizes.FootDistance, 318),
                (SuspensionSizes.SpringLean, 3)
            ),
            Sizes = DemoVehicle.Built(2740, 1575, 960, 790, 320),
            Tyre = "215/65R16",
            Wish = "Up by an inch and a bit at both ends, for the farm track",
        };

    /// <summary>Leaves all round, the rear axle above its springs: shackles in front, a rebuilt pack behind.</summary>
    public static DemoVehicle LeafTruckBuilt { get; } =
        new()
        {
            Front = DemoVehicle.Of(
                SuspensionKind.LeafOverslung,
                (SuspensionSizes.LeafChord, 1140),
                (SuspensionSizes.LeafArch, 70),
                (SuspensionSizes.ShackleLength, 98),
                (SuspensionSizes.ShackleAngle, 18),
                (SuspensionSizes.AxleFraction, 0.5),
                (SuspensionSizes.ShockLength, 430),
                (SuspensionSizes.ShockExtended, 510),
                (SuspensionSizes.ShockCollapsed, 330)
            ),
            Rear = DemoVehicle.Of(
                SuspensionKind.LeafUnderslung,
                (SuspensionSizes.LeafChord, 1225),
                (SuspensionSizes.LeafArch, 62),
                (SuspensionSizes.ShackleLength, 105),
                (SuspensionSizes.ShackleAngle, 12),
                (SuspensionSizes.AxleFraction, 0.48)
            ),
            Sizes = DemoVehicle.Built(2950, 1500, 1050, 780, 560, springs: 900),
            Wish = "Springs have gone flat: bring it back and an inch more",
            Carries = "hay, a calf crate",
        };
}
