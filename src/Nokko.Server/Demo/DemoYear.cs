using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Server.Demo;

/// <summary>A parcel round's vehicles, levelled one after the other over the year: some read again after 500 miles, two that came back.</summary>
internal static class DemoYear
{
    /// <summary>A vehicle of the round.</summary>
    /// <param name="Plate">Plate.</param>
    /// <param name="DaysAgo">When it was taken in.</param>
    /// <param name="WithCoils">Whether it got other coil-overs; else a plate on those that it had.</param>
    /// <param name="Front">Lips in front after the work, inches from the hub.</param>
    /// <param name="Later">The same after 500 miles; null where nobody read it.</param>
    /// <param name="Comeback">What it came back for, and by what; null where it did not.</param>
    private sealed record Courier(
        string Plate,
        double DaysAgo,
        bool WithCoils,
        double Front,
        double? Later = null,
        ComebackInput? Comeback = null
    );

    private static IReadOnlyList<Courier> Round { get; } =
    [
        new("KT 11 P", 300, false, 22.69, 22.63),
        new(
            "KT 12 P",
            262,
            false,
            22.75,
            22.69,
            new(
                ComebackFor.Noise,
                "Clunks over kerbs since a week.",
                ComebackCause.Fitting,
                "Upper nut of the left link at its first pass"
            )
        ),
        new(
            "KT 14 P",
            190,
            true,
            22.81,
            22.44,
            new(ComebackFor.Lean, "Hangs on the left.", ComebackCause.Use, "Parcels on one side")
        ),
        new("KT 15 P", 150, false, 21.88),
        new("KT 18 P", 47, true, 22.81),
    ];

    /// <summary>All of its jobs; those of one vehicle after each other.</summary>
    /// <param name="shelf">The shelf.</param>
    /// <param name="owner">Whose they are.</param>
    /// <param name="platform">Their platform.</param>
    /// <param name="by">Who works on them.</param>
    /// <param name="eyes">Who looks a second time.</param>
    /// <param name="now">This instant.</param>
    public static IEnumerable<JobDocument> Jobs(
        DemoShelf shelf,
        Owner owner,
        Platform platform,
        Person by,
        Person eyes,
        DateTimeOffset now
    )
    {
        foreach (var (courier, n) in Round.Select((c, i) => (c, i)))
        {
            var job = new DemoJob(
                owner,
                platform,
                by,
                "Brack",
                "Courier",
                courier.Plate,
                now.AddDays(-courier.DaysAgo)
            )
            {
                Eyes = eyes,
                Pace = 1.3 - (n * 0.1),
            };
            var part = courier.WithCoils ? shelf.CoilOver : shelf.Thin;
            job.Round(Settled.Rolled, [20.5, 20.5, 22.88, 22.81], [41.06, 41]);
            job.Plan("Plan A", [(Corner.LF, part), (Corner.RF, part)]);
            job.Begin();
            job.FitAll();
            Read(job, courier.Front, 48_204);
            job.HandOver("Level for the round.");
            if (courier.Later is { } later)
            {
                job.After(30);
                Read(job, later, 48_704);
            }
            job.FollowedUp();
            yield return job.Document;
            if (courier.Comeback is { } comeback)
            {
                var again = new DemoJob(
                    job.Document,
                    by,
                    now.AddDays(75 - courier.DaysAgo),
                    50_900,
                    "Look what it is."
                )
                {
                    Eyes = eyes,
                };
                again.CameBack(comeback);
                yield return again.Document;
            }
        }

        static void Read(DemoJob job, double front, double miles) =>
            job.Round(
                Settled.Driven,
                [front, front - 0.06, 22.88, 22.81],
                [41.06 + (0.583 * (front - 20.5)), 41 + (0.583 * (front - 20.56))],
                miles: miles
            );
    }
}
