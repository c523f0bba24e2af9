using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Practice;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Server.Demo;

namespace Nokko.Server.Practice;

/// <summary>What an exercise begins with: its job, and the shelf of the practice bay.</summary>
internal static class PracticeStart
{
    private static readonly string[] Lips = ["LF", "RF", "LR", "RR"];
    private static readonly string[] Mids = ["LM", "RM"];

    /// <summary>The practice shelf of a course: a few parts that lift, one of them with a claim that lies.</summary>
    public static IReadOnlyList<Part> Shelf(int level)
    {
        var all = new DemoShelf();
        return
        [
            all.Thin with
            {
                Count = 2,
            },
            all.Middle with
            {
                Count = 2,
                // From the second level on a box says more than it holds.
                Claim = level > 1 ? Inch(3) : all.Middle.Claim,
            },
            all.Thick with
            {
                Count = 2,
                Claim = Inch(level > 1 ? 2 : 2.5),
            },
            all.Preload with
            {
                Count = 2,
            },
            all.Block with
            {
                Count = 2,
            },
            all.TallBlock with
            {
                Count = 2,
            },
            all.Unmeasured with
            {
                Count = 2,
            },
        ];
    }

    /// <summary>The job of an exercise as the learner finds it.</summary>
    /// <param name="key">Key of the exercise.</param>
    /// <param name="truth">What is true of the vehicle.</param>
    /// <param name="shelf">The practice shelf.</param>
    /// <param name="now">When.</param>
    public static JobDocument Job(
        Guid key,
        HiddenTruth truth,
        IReadOnlyList<Part> shelf,
        DateTimeOffset now
    )
    {
        var hand = new Person { Id = Guid.CreateVersion7(now), Name = "Whoever brought it in" };
        var wrong = truth.Course == Course.WentWrong;
        var job = new DemoJob(
            new Owner { Id = Guid.CreateVersion7(now), Name = "Practice bay" },
            new Platform { Id = Guid.CreateVersion7(now), Name = "Ostrel Drover, second shape" },
            hand,
            "Ostrel",
            "Drover",
            "PRACTICE",
            now.AddHours(wrong ? -8 : 0),
            DemoVehicle.Pickup with
            {
                Carries = null,
            },
            key
        )
        {
            Eyes = new Person { Id = Guid.CreateVersion7(now), Name = "The second hand" },
        };
        if (!wrong)
        {
            return job.Document;
        }
        // As it was found, by somebody who read it well; what went wrong since is on the learner.
        var vehicle = new PracticeVehicle(job.Document, truth, []);
        var stage = job.Document.CurrentStage()!.Id;
        double Read(string station, Datum from) =>
            vehicle.TrueMm(stage, station, from, Settled.Rolled, now)!.Value / 25.4;
        job.Round(
            Settled.Rolled,
            [.. Lips.Select(s => Read(s, Datum.Hub))],
            [.. Mids.Select(s => Read(s, Datum.Floor))]
        );
        // Two plates of different thickness, where a lean was to be taken out.
        var (left, right) = truth.Faults.Any(f => f.Of == Fault.SidesSwapped)
            ? (shelf[0], shelf[2])
            : (shelf[0], shelf[0]);
        job.Proved = Proved(job.Document);
        job.Plan("As it was fitted", [(Corner.LF, left), (Corner.RF, right)]);
        // Its owner was promised what was foretold, closely: what comes otherwise is not as wanted.
        var foretold = JobEvaluator
            .Evaluate(job.Document, PlatformEvidence.None with { OfOthers = job.Proved })
            .Predictions[^1]
            .Rake!.Value!.Value;
        job.Wants(t =>
            t with
            {
                Rake = Inch(Math.Round(foretold / 25.4 * 8) / 8, Known.Told),
                NoLean = true,
                Tolerance = Inch(0.125, Known.Told),
            }
        );
        job.Begin();
        job.FitAll();
        return job.Document;
    }

    /// <summary>What five pickups like it have proved in front: what was foretold, so that one that does not come so stands out.</summary>
    private static Dictionary<LineKey, LiftSums> Proved(JobDocument d)
    {
        var vehicle = d.VehicleAt(d.FirstStage()!);
        var prior = LiftLaw.Prior(LiftFamily.Spring, AxleState.Of(vehicle, Axle.Front));
        var one = VehicleSums.Of(
            ((double[])[25.4, 31.75]).Select(mm => new LiftTrial(
                mm,
                prior.OffsetMm.Mean + (prior.Ratio.Mean * mm),
                2,
                prior.Ratio.Mean
            ))
        );
        return new()
        {
            [
                new LineKey(
                    vehicle.PlatformId,
                    Axle.Front,
                    vehicle.SuspensionOf(Axle.Front).Kind,
                    LiftFamily.Spring
                )
            ] = Enumerable.Range(0, 5).Aggregate(LiftSums.None, (sums, _) => sums.Plus(one)),
        };
    }

    private static Quantity Inch(double value, Known known = Known.Box) =>
        new()
        {
            Value = value,
            Unit = Unit.Inch,
            Known = known,
        };
}
