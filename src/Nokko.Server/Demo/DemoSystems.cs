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
        DemoInstruments tapes,
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
        var estate = On(grower, brenna, "Tindra", "Lark", "LG 9 T", 27, EstateBuilt);
        estate.Tape = tapes.FallenTape;
        yield return Estate(estate, shelf);
        yield return Buggy(On(grower, odd, "Pukko", "Ren", "LG 70 U", 26, BuggyBuilt), shelf);
        yield return Cart(On(grower, brenna, "Pukko", "Vole", "LG 71 U", 25, CartBuilt), shelf);
        yield return LeafTruck(
            On(rescue, brenna, "Skeld", "Hauler", "TM 60 S", 24, LeafTruckBuilt),
            shelf
        );
    }

    private static JobDocument Wagon(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Rolled, [19.94, 19.88, 21.38, 21.31], [39.5, 39.44]);
        // The sheet of the alignment shop: the left one was out before anything was fitted.
        job.MeasureAngle(Measures.CamberAngle, "LF", -0.8);
        job.MeasureAngle(Measures.CamberAngle, "RF", -0.3);
        job.MeasureAngle(Measures.Caster, "LF", 3.1);
        job.MeasureAngle(Measures.Caster, "RF", 3.4);
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
        job.Offer(95);
        return job.Document;
    }

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

    private static JobDocument OldOpenTop(DemoJob job, DemoShelf shelf)
    {
        job.Round(Settled.Bounced, [19.38, 19.31, 20.06, 20.0], [39.0, 38.94]);
        job.Plan("Body lift", [.. Corners.All.Select(c => (c, shelf.Puck))]);
        job.Bolts(
            "Body lift",
            "M12 × 1.75",
            "10.9",
            ("LF body mount to frame, front one", 70),
            ("RF body mount to frame, front one", 70),
            ("LF body mount to frame, rear one", 96),
            ("RF body mount to frame, rear one", 96),
            ("LR body mount to frame, front one", 96),
            ("RR body mount to frame, front one", 96)
        );
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
        job.Weigh(172, 158, 201, 209);
        job.Wish(WishKind.EvenDiagonals);
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
