using Nokko.Core.Finding;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Storage;

namespace Nokko.Server.Demo;

/// <summary>A made-up vehicle for every system, each measured and with a plan on the table.</summary>
internal static partial class DemoSystems
{
    public static IEnumerable<JobDocument> Jobs(
        NokkoDb db,
        DemoShelf shelf,
        Person brenna,
        Person odd,
        Func<string, Platform> platform,
        DateTimeOffset now
    )
    {
        var rescue = db.Put(
            new Owner { Id = Guid.CreateVersion7(), Name = "Tarnside mountain post" }
        );
        var grower = db.Put(new Owner { Id = Guid.CreateVersion7(), Name = "Low Garth growers" });
        DemoJob On(
            Owner owner,
            Person by,
            string make,
            string name,
            string plate,
            double hours,
            DemoVehicle built
        ) =>
            new(
                owner,
                platform($"{make} {name}"),
                by,
                make,
                name,
                plate,
                now.AddHours(-hours),
                built
            )
            {
                Eyes = by == odd ? brenna : odd,
            };

        yield return Wagon(On(rescue, brenna, "Maruna", "Fell", "TM 41 F", 30, WagonBuilt), shelf);
        yield return OpenTop(On(rescue, odd, "Kelda", "Tor", "TM 12 K", 29, OpenTopBuilt), shelf);
        yield return OldOpenTop(
            On(grower, odd, "Kelda", "Tor, first shape", "LG 5 K", 28, OldOpenTopBuilt),
            shelf
        );
        yield return Estate(On(grower, brenna, "Tindra", "Lark", "LG 9 T", 27, EstateBuilt), shelf);
        yield return Buggy(On(grower, odd, "Pukko", "Ren", "LG 70 U", 26, BuggyBuilt), shelf);
        yield return Cart(On(grower, brenna, "Pukko", "Vole", "LG 71 U", 25, CartBuilt), shelf);
        yield return LeafTruck(
            On(rescue, brenna, "Skeld", "Hauler", "TM 60 S", 24, LeafTruckBuilt),
            shelf
        );
    }

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
                (SuspensionSizes.CamRange, 2)
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
            Sizes = DemoVehicle.Built(2790, 1610, 1240, 1020, 470, springs: 1060),
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

    private static JobDocument Wagon(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Rolled, [19.94, 19.88, 21.38, 21.31], [39.5, 39.44]);
        job.Plan(
            "Plan A",
            [
                (Corner.LF, shelf.Thin),
                (Corner.RF, shelf.Thin),
                (Corner.LR, shelf.HeavyCoil),
                (Corner.RR, shelf.HeavyCoil),
                (Corner.LR, shelf.StopExtension),
                (Corner.RR, shelf.StopExtension),
            ]
        );
        job.Plan(
            "Plan B",
            [
                (Corner.LF, shelf.Preload),
                (Corner.RF, shelf.Preload),
                (Corner.LR, shelf.CoilRing),
                (Corner.RR, shelf.CoilRing),
            ]
        );
        return job.Document;
    }

    /// <summary>Two live axles on coils with links and track bars.</summary>
    public static DemoVehicle OpenTopBuilt { get; } =
        new()
        {
            Kind = VehicleKind.OpenTop,
            Engine = "2.0 petrol",
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
                (SuspensionSizes.SteeringArm, 166)
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

    private static JobDocument OpenTop(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Rolled, [20.13, 20.13, 20.94, 20.88], [40.5, 40.5]);
        job.TapePoints(
            Axle.Front,
            (762, 402),
            (18, 322),
            (508, 548),
            (-26, 514),
            (0, 462),
            (14, 780),
            (0, 378)
        );
        job.Plan(
            "Plan A",
            [
                (Corner.LF, shelf.TallRing),
                (Corner.RF, shelf.TallRing),
                (Corner.LR, shelf.TallRing),
                (Corner.RR, shelf.TallRing),
                (Corner.LF, shelf.LongShock),
                (Corner.RF, shelf.LongShock),
            ]
        );
        return job.Document;
    }

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

    private static JobDocument OldOpenTop(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Bounced, [19.38, 19.31, 20.06, 20.0], [39.0, 38.94]);
        job.Plan("Body lift", [.. Corners.All.Select(c => (c, shelf.Puck))]);
        job.Plan("Tall rings in front", [(Corner.LF, shelf.TallRing), (Corner.RF, shelf.TallRing)]);
        job.Plan(
            "Rings and plates",
            [
                (Corner.LF, shelf.CoilRing),
                (Corner.RF, shelf.CoilRing),
                (Corner.LR, shelf.Thin),
                (Corner.RR, shelf.Thin),
            ]
        );
        return job.Document;
    }

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

    private static JobDocument Estate(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Driven, [16.06, 16.0, 16.31, 16.25], [29.5, 29.44]);
        job.Plan(
            "Plan A",
            [
                (Corner.LF, shelf.LowPlate),
                (Corner.RF, shelf.LowPlate),
                (Corner.LF, shelf.Subframe),
                (Corner.RF, shelf.Subframe),
                (Corner.LR, shelf.RearRing),
                (Corner.RR, shelf.RearRing),
            ]
        );
        return job.Document;
    }

    /// <summary>A-arms with coil-overs in front, trailing arms behind.</summary>
    private static DemoVehicle BuggyBuilt { get; } =
        new()
        {
            Kind = VehicleKind.Utv,
            Engine = "0.9 twin",
            Drive = "selectable four",
            Front = DemoVehicle.Of(
                SuspensionKind.CoilOverArm,
                (SuspensionSizes.ArmLength, 410),
                (SuspensionSizes.FootDistance, 250),
                (SuspensionSizes.SpringLean, 24),
                (SuspensionSizes.SpringLength, 430),
                (SuspensionSizes.StrutExtended, 505),
                (SuspensionSizes.StrutCollapsed, 340)
            ),
            Rear = DemoVehicle.Of(
                SuspensionKind.TrailingArm,
                (SuspensionSizes.ArmLength, 640),
                (SuspensionSizes.FootDistance, 470),
                (SuspensionSizes.SpringLean, 14)
            ),
            Sizes = DemoVehicle.Built(2210, 1330, 330, 410, 390),
            Tyre = "27x9-14",
            Wish = "Level with two people aboard",
            Carries = "two people, a sprayer tank",
            Loads =
            [
                new StatedLoad
                {
                    Id = Guid.CreateVersion7(),
                    Name = "full sprayer",
                    Mass = DemoVehicle.Kg(140),
                    Behind = DemoVehicle.Mm(2050),
                },
            ],
        };

    private static JobDocument Buggy(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Rolled, [15.5, 15.44, 16.0, 15.94], [30.0, 30.0]);
        job.Plan("Plan A", [(Corner.LR, shelf.Lower), (Corner.RR, shelf.Lower)]);
        return job.Document;
    }

    /// <summary>A leaf across in front, leaves and blocks behind.</summary>
    private static DemoVehicle CartBuilt { get; } =
        new()
        {
            Kind = VehicleKind.Utv,
            Engine = "electric",
            Drive = "rear",
            Front = DemoVehicle.Of(
                SuspensionKind.TransverseLeaf,
                (SuspensionSizes.ArmLength, 318),
                (SuspensionSizes.FootDistance, 196)
            ),
            Rear = DemoVehicle.Of(SuspensionKind.LeafOverslung),
            Sizes = DemoVehicle.Built(1660, 900, 180, 250, 300, springs: 640),
            Tyre = "18x8.5-8",
            Wish = "Room for bigger tyres",
            Carries = null,
        };

    private static JobDocument Cart(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Bounced, [11.5, 11.44, 11.94, 11.88], [21.0, 21.06]);
        job.Plan(
            "Plan A",
            [
                (Corner.LF, shelf.CoilRing),
                (Corner.RF, shelf.CoilRing),
                (Corner.LR, shelf.Block),
                (Corner.RR, shelf.Block),
            ]
        );
        return job.Document;
    }

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

    private static JobDocument LeafTruck(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Rolled, [20.25, 20.06, 21.5, 21.44], [42.0, 41.94]);
        job.Plan(
            "Plan A",
            [
                (Corner.LF, shelf.Shackle),
                (Corner.RF, shelf.Shackle),
                (Corner.LR, shelf.Pack),
                (Corner.RR, shelf.Pack),
            ]
        );
        return job.Document;
    }
}
