using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Storage;

namespace Nokko.Server.Demo;

/// <summary>A hire fleet in the middle of its fitting: a job card of every kind of work.</summary>
internal static class DemoFittings
{
    private static readonly Corner[] Front = [Corner.LF, Corner.RF];
    private static readonly Corner[] Rear = [Corner.LR, Corner.RR];

    /// <summary>One vehicle of the fleet.</summary>
    /// <param name="Plate">Its plate.</param>
    /// <param name="Make">Make.</param>
    /// <param name="Name">Name.</param>
    /// <param name="Built">How it is built; null is the pickup.</param>
    /// <param name="Work">Plans it, begins and fits it as far as it has come.</param>
    private sealed record Hired(
        string Plate,
        string Make,
        string Name,
        DemoVehicle? Built,
        Action<DemoJob, DemoShelf> Work
    );

    public static IEnumerable<JobDocument> Jobs(
        NokkoDb db,
        DemoShelf shelf,
        Person brenna,
        Person odd,
        Func<string, Platform> platform,
        DateTimeOffset now
    )
    {
        var fleet = db.Put(new Owner { Id = Guid.CreateVersion7(), Name = "Fernhill hire" });
        foreach (var (hired, i) in Fleet.Select((h, i) => (h, i)))
        {
            var by = i % 2 == 0 ? brenna : odd;
            var job = new DemoJob(
                fleet,
                platform(
                    hired.Built is null
                        ? $"{hired.Make} {hired.Name}, second shape"
                        : $"{hired.Make} {hired.Name}"
                ),
                by,
                hired.Make,
                hired.Name,
                hired.Plate,
                now.AddHours(-6),
                hired.Built
            )
            {
                Eyes = by == odd ? brenna : odd,
            };
            job.Promise(14);
            job.Round(Settled.Rolled, [20.5, 20.44, 22.06, 22.0], [41.0, 40.94]);
            hired.Work(job, shelf);
            yield return job.Document;
        }
    }

    private static (Corner, Part)[] At(Corner[] corners, params Part[] parts) =>
        [.. corners.SelectMany(c => parts.Select(p => (c, p)))];

    private static void Fit(DemoJob job, string last, (Corner, Part)[] parts)
    {
        job.Plan("Plan A", parts);
        job.Begin();
        job.FitTo(last);
    }

    /// <summary>Coil-overs at both ends: what stood in front can stand behind.</summary>
    private static DemoVehicle Roller { get; } =
        new()
        {
            Kind = VehicleKind.OpenTop,
            Front = DemoVehicle.Of(SuspensionKind.CoilOverArm),
            Rear = DemoVehicle.Of(SuspensionKind.CoilOverAxle),
            Sizes = DemoVehicle.Built(2450, 1500, 880, 820, 500, springs: 980),
        };

    private static IReadOnlyList<Hired> Fleet { get; } =
    [
        new(
            "FH 1",
            "Ostrel",
            "Drover",
            null,
            (job, shelf) =>
            {
                job.Choose("openArm", "lowerBracket", "the upper joint is riveted");
                Fit(job, "LF/part", At(Front, shelf.Thin));
            }
        ),
        new(
            "FH 2",
            "Ostrel",
            "Drover",
            null,
            (job, shelf) =>
            {
                job.Choose("openArm", "innerPivots", "no separator free");
                Fit(job, "LF/links", At(Front, shelf.Thin));
            }
        ),
        new(
            "FH 3",
            "Ostrel",
            "Drover",
            null,
            (job, shelf) =>
            {
                job.Choose("openArm", "none", "long arms");
                Fit(job, "LF/links", At(Front, shelf.Thin));
            }
        ),
        new(
            "FH 4",
            "Maruna",
            "Fell",
            DemoSystems.WagonBuilt,
            (job, shelf) => Fit(job, "LF/strut", At(Front, shelf.Preload))
        ),
        new(
            "FH 5",
            "Tindra",
            "Lark",
            DemoSystems.EstateBuilt,
            (job, shelf) =>
                Fit(
                    job,
                    "vehicle/supported",
                    [.. At(Front, shelf.LowPlate), .. At(Rear, shelf.Subframe)]
                )
        ),
        new(
            "FH 6",
            "Kelda",
            "Tor",
            DemoSystems.OpenTopBuilt,
            (job, shelf) =>
            {
                Fit(
                    job,
                    "front/spring",
                    [.. At([.. Front, .. Rear], shelf.TallRing), (Corner.LF, shelf.BarBracket)]
                );
                job.Cut(
                    "front",
                    "bracket holes",
                    "the frame flange's lower edge",
                    "1 3/8",
                    "1/2",
                    4
                );
            }
        ),
        new(
            "FH 7",
            "Ostrel",
            "Drover",
            null,
            (job, shelf) => Fit(job, "LR/shock", At(Rear, shelf.Block))
        ),
        new(
            "FH 8",
            "Skeld",
            "Hauler",
            DemoSystems.LeafTruckBuilt,
            (job, shelf) => Fit(job, "vehicle/supported", At(Front, shelf.Shackle))
        ),
        new(
            "FH 9",
            "Kelda",
            "Tor",
            DemoSystems.OpenTopBuilt,
            (job, shelf) => Fit(job, "vehicle/wheels-off", At([.. Front, .. Rear], shelf.Tyre))
        ),
        new(
            "FH 10",
            "Kelda",
            "Tor",
            DemoSystems.OpenTopBuilt,
            (job, shelf) => Fit(job, "vehicle/supported", At(Front, shelf.LongShock))
        ),
        new(
            "FH 11",
            "Kelda",
            "Tor, first shape",
            DemoSystems.OldOpenTopBuilt,
            (job, shelf) => Fit(job, "vehicle/chocked", At([.. Front, .. Rear], shelf.Puck))
        ),
        new(
            "FH 12",
            "Ostrel",
            "Drover",
            null,
            (job, shelf) =>
                Fit(job, "front/mark", [.. At(Front, shelf.Bracket), (Corner.LF, shelf.DiffDrop)])
        ),
        new(
            "FH 13",
            "Ostrel",
            "Drover",
            null,
            (job, _) =>
            {
                job.Plan("Collars up", [.. Front.Select(c => (c, job.Raise("1/2")))]);
                job.Begin();
                job.FitTo("LF/mark");
            }
        ),
        new(
            "FH 14",
            "Pukko",
            "Roller",
            Roller,
            (job, shelf) =>
            {
                job.Plan("Plan A", At(Front, shelf.Thick));
                job.Begin();
                job.FitAll();
                job.Round(Settled.Rolled, [23.5, 23.44, 22.06, 22.0], [42.6, 42.5]);
                job.Plan(
                    "Plates behind",
                    [(Corner.LR, job.Moved(Corner.LF)), (Corner.RR, job.Moved(Corner.RF))]
                );
                job.Begin();
                job.FitTo("vehicle/supported");
            }
        ),
        new(
            "FH 15",
            "Ostrel",
            "Stubb",
            DemoSystems.TorsionBuilt,
            (job, _) =>
            {
                job.Plan("Bars up", [.. Front.Select(c => (c, job.Turn("3")))]);
                job.Begin();
                job.FitTo("LF/collar");
            }
        ),
        new(
            "FH 16",
            "Maruna",
            "Fell, on air",
            DemoSystems.AirBuilt,
            (job, shelf) =>
                Fit(
                    job,
                    "vehicle/supported",
                    [.. At(Front, shelf.Thin), (Corner.LR, shelf.SensorLink)]
                )
        ),
        new(
            "FH 17",
            "Maruna",
            "Fell, long",
            DemoSystems.DualRateBuilt,
            (job, shelf) => job.Plan("Two rates behind", At(Rear, shelf.DualCoil))
        ),
        // Parts of another vehicle, and a bracket without what its maker asks for.
        new(
            "FH 18",
            "Ostrel",
            "Drover",
            null,
            (job, shelf) =>
                job.Plan(
                    "The estate's plates",
                    [.. At(Front, shelf.LowPlate), .. At(Front, shelf.Bracket)]
                )
        ),
        // A box with a nut too few.
        new(
            "FH 19",
            "Ostrel",
            "Drover",
            null,
            (job, shelf) => job.Kit(shelf.LevelKit, ("flange nut M10", 5))
        ),
        // Links and coils in the place of tired leaves.
        new(
            "FH 20",
            "Ostrel",
            "Drover, first shape",
            DemoSystems.LinksToCome,
            (job, shelf) =>
            {
                job.Plan("Links behind", At(Front, shelf.Thin));
                job.Convert(
                    Axle.Rear,
                    SuspensionKind.CoilFourLink,
                    "Hollin links sheet HL-4",
                    "22 5/16",
                    (SuspensionSizes.SpringLength, "350 mm"),
                    (SuspensionSizes.SpringFreeLength, "440 mm"),
                    (SuspensionSizes.SpringRate, "38"),
                    (SuspensionSizes.CoilBind, "228 mm"),
                    (SuspensionSizes.SpringLean, "6"),
                    (SuspensionSizes.TrackBarRun, "840 mm"),
                    (SuspensionSizes.TrackBarDrop, "40 mm"),
                    (SuspensionSizes.ShockLength, "480 mm"),
                    (SuspensionSizes.ShockExtended, "592 mm"),
                    (SuspensionSizes.ShockCollapsed, "371 mm"),
                    (SuspensionSizes.BumpStopGap, "82 mm"),
                    (SuspensionSizes.BumpStopHeight, "60 mm"),
                    (SuspensionSizes.HoseSlack, "55 mm")
                );
            }
        ),
        // Two that landed otherwise than foretold: both front lips high alike, and one spring that stands high.
        Missed("FH 21", [23.0, 22.94, 22.06, 22.0], [42.44, 42.38]),
        Missed("FH 22", [23.06, 22.69, 22.25, 21.81], [42.56, 42.19]),
    ];

    private static Hired Missed(string plate, double[] lips, double[] mids) =>
        new(
            plate,
            "Skeld",
            "Packer, long",
            DemoVehicle.Pickup with
            {
                Wish = "Level, no cutting",
            },
            (job, shelf) =>
            {
                job.Plan("Plan A", At(Front, shelf.Thin));
                job.Begin();
                job.FitAll();
                job.Round(Settled.Rolled, lips, mids);
            }
        );
}
