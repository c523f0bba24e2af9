using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Practice;

/// <summary>A finished job of the shop as an exercise: without owner, plate and names, as it was found, with what really came as the truth.</summary>
/// <remarks>Source: docs/computation/practice.md#from-own-jobs.</remarks>
/// <param name="Job">The job as it was found: vehicle, wish and target, its first readings, nothing planned.</param>
/// <param name="Truth">What was measured before, and how much of what was foretold really came.</param>
/// <param name="Shelf">The parts that were fitted, and those that lay beside them.</param>
public sealed record OwnJob(JobDocument Job, HiddenTruth Truth, IReadOnlyList<Part> Shelf)
{
    /// <summary>Most parts that lie beside those that were fitted.</summary>
    private const int MostBeside = 12;

    /// <summary>Where less than this was foretold, nothing is learned of the axle's share, mm.</summary>
    private const double LeastForetoldMm = 5;

    /// <summary>Makes an exercise of a job.</summary>
    /// <param name="done">The finished job.</param>
    /// <param name="key">Key of the exercise.</param>
    /// <param name="shelf">What lies on the shop's shelf.</param>
    /// <param name="newKey">Makes keys.</param>
    /// <param name="now">When.</param>
    /// <returns>The exercise, or why there is none, in a fitter's words.</returns>
    public static (OwnJob? Made, string? WhyNot) Of(
        JobDocument done,
        Guid key,
        IReadOnlyList<Part> shelf,
        Func<Guid> newKey,
        DateTimeOffset now
    )
    {
        if (
            done.Job.HandedOverAt is null
            || done.CurrentStage() is not { } last
            || done.Stages.FirstOrDefault(s => s.Id == done.Job.StageId) is not { } first
            || last.Id == first.Id
        )
        {
            return (null, "Only a job that was fitted and handed over can be practised.");
        }
        var stances = JobEvaluator.StancesOf(done);
        if (
            JobEvaluator.Speaks(stances, first.Id) is not { Decides: true } before
            || JobEvaluator.Speaks(stances, last.Id) is not { Decides: true } after
            || Lips(before, before.Datum) is not { } was
            || Lips(after, before.Datum) is not { } became
            || before.Datum is not (Datum.Hub or Datum.Floor or Datum.Rim)
        )
        {
            return (
                null,
                "It needs settled readings of all four corners before and after, from the same datum."
            );
        }
        var truth = TruthOf(done, before, was);
        truth = truth with
        {
            FrontShare = ShareOf(done, truth, first, last, before.Datum, (was, became), 0),
            RearShare = ShareOf(done, truth, first, last, before.Datum, (was, became), 2),
            Came = Came(done, first, last, after),
        };
        return (
            new OwnJob(
                AsFound(done, first, before, key, newKey, now),
                truth,
                Parts(done, first, last, shelf, newKey)
            ),
            null
        );
    }

    private static double[]? Lips(WalkRoundStance stance, Datum datum)
    {
        var lips = Corners
            .All.Select(c =>
                stance
                    .Stations.FirstOrDefault(s => s.Station == c.Name() && s.Datum == datum)
                    ?.Height.Value
            )
            .ToArray();
        return lips.Any(l => l is null) ? null : [.. lips.Select(l => l!.Value)];
    }

    /// <summary>Heights above the hub as it was found, every part doing what is foretold.</summary>
    private static HiddenTruth TruthOf(JobDocument done, WalkRoundStance before, double[] was)
    {
        var radii = before.Wheels.Count > 0 ? before.Wheels[0] : null;
        var radius = radii?.LoadedRadius.Value ?? 370;
        var down = before.Datum switch
        {
            Datum.Floor => radius,
            Datum.Rim => radii?.RimRadius.Value ?? 233,
            _ => 0,
        };
        var heights = Corners
            .All.Select((c, i) => (c.Name(), Mm: was[i] - down))
            .ToDictionary(h => h.Item1, h => h.Mm);
        foreach (var mid in (string[])["LM", "RM"])
        {
            heights[mid] =
                before
                    .Stations.FirstOrDefault(s => s.Station == mid && s.Datum == Datum.Floor)
                    ?.Height.Value - radius
                ?? heights.Values.Take(4).Average() + 120;
        }
        return new HiddenTruth
        {
            Seed = 0,
            Level = 1,
            Course = Course.OwnJob,
            Healthy = heights,
            RadiusMm = radius,
            FrontShare = 1,
            RearShare = 1,
            Faults = [],
            Flaws = [],
        };
    }

    /// <summary>How much of what is foretold for an axle was measured.</summary>
    private static double ShareOf(
        JobDocument done,
        HiddenTruth truth,
        Stage first,
        Stage last,
        Datum datum,
        (double[] Was, double[] Became) lips,
        int left
    )
    {
        var vehicle = new PracticeVehicle(done, truth, []);
        double Stands(Stage stage) =>
            Enumerable
                .Range(left, 2)
                .Average(i =>
                    vehicle.TrueMm(
                        stage.Id,
                        Corners.All[i].Name(),
                        datum,
                        Settled.Driven,
                        DateTimeOffset.MaxValue
                    ) ?? 0
                );
        // What an earlier visit fitted is in both.
        var foretold = Stands(last) - Stands(first);
        var measured =
            (lips.Became[left] + lips.Became[left + 1] - lips.Was[left] - lips.Was[left + 1]) / 2;
        return Math.Abs(foretold) < LeastForetoldMm ? 1 : Math.Clamp(measured / foretold, 0.3, 2);
    }

    private static string Came(JobDocument done, Stage first, Stage last, WalkRoundStance after)
    {
        var come = Corners
            .All.SelectMany(c =>
                CornerStack
                    .Change(c, first.Stacks, last.Stacks)
                    .Come.Select(p => (p.Name, At: Corners.Said(c)))
            )
            .GroupBy(p => p.Name)
            .Select(g => $"{g.Key} ({string.Join(", ", g.Select(p => p.At))})");
        var rake = after.Rake.Value is { } mm
            ? $" It came to a rake of {LengthText.Both(mm)}."
            : "";
        return $"What was fitted: {string.Join("; ", come)}.{rake}";
    }

    private static JobDocument AsFound(
        JobDocument done,
        Stage first,
        WalkRoundStance before,
        Guid key,
        Func<Guid> newKey,
        DateTimeOffset now
    )
    {
        var bare = WithoutNames.Of(done);
        var (vehicle, owner, platform, stage, round, person) = (
            newKey(),
            newKey(),
            newKey(),
            newKey(),
            newKey(),
            newKey()
        );
        return new JobDocument
        {
            Format = JobDocument.FormatName,
            Version = JobDocument.CurrentVersion,
            Owner = new Owner { Id = owner, Name = WithoutNames.Owner },
            Platform = new Platform { Id = platform, Name = done.Platform.Name },
            Vehicle = bare.Vehicle with
            {
                Id = vehicle,
                OwnerId = owner,
                PlatformId = platform,
                Plate = "PRACTICE",
            },
            People = [new Person { Id = person, Name = "Whoever measured it" }],
            Job = new Job
            {
                Id = key,
                VehicleId = vehicle,
                StageId = stage,
                Wish = done.Job.Wish,
                Target = done.Job.Target,
                Loads = done.Job.Loads,
                Equipment = done.Job.Equipment,
                TakenInAt = now,
            },
            Stages =
            [
                first with
                {
                    Id = stage,
                    VehicleId = vehicle,
                    JobId = key,
                    Ordinal = 0,
                    Name = "as found",
                    OpenedAt = now,
                    Stacks =
                    [
                        .. first.Stacks.Select(s =>
                            s with
                            {
                                Parts =
                                [
                                    .. s.Parts.Select(p => p with { Id = newKey(), PartId = null }),
                                ],
                            }
                        ),
                    ],
                },
            ],
            WalkRounds =
            [
                done.WalkRounds.First(w => w.Id == before.WalkRoundId) with
                {
                    Id = round,
                    StageId = stage,
                    JobId = key,
                    PersonId = person,
                    Notes = null,
                    Spot = null,
                },
            ],
            Readings =
            [
                .. done
                    .Readings.Where(r =>
                        r.WalkRoundId == before.WalkRoundId
                        && r.Kind == ReadingKind.Height
                        && r is { Skipped: false, Value: not null }
                        && done.Readings.All(o => o.Supersedes != r.Id)
                    )
                    .Select(r =>
                        r with
                        {
                            Id = newKey(),
                            WalkRoundId = round,
                            PersonId = person,
                            By = null,
                            Note = null,
                            Supersedes = null,
                            Reason = null,
                        }
                    ),
            ],
        };
    }

    /// <summary>What was fitted, as often as it was, and some of what lies on the shelf beside it and lifts.</summary>
    private static Part[] Parts(
        JobDocument done,
        Stage first,
        Stage last,
        IReadOnlyList<Part> shelf,
        Func<Guid> newKey
    )
    {
        var fitted = Corners
            .All.SelectMany(c => CornerStack.Change(c, first.Stacks, last.Stacks).Come)
            .GroupBy(p => (p.Number, p.Name))
            .Select(g => (Part: g.First(), Count: g.Count()))
            .ToArray();
        return
        [
            .. fitted.Select(f => JobRanking.Shelved(f.Part, newKey(), Math.Max(2, f.Count))),
            .. shelf
                .Where(p =>
                    p is { Count: > 1, BinnedAt: null, Contents: null }
                    && PartRule.Of(p.Kind).MayLift
                    && fitted.All(f => f.Part.Name != p.Name)
                )
                .OrderBy(p => p.Name, StringComparer.Ordinal)
                .Take(MostBeside)
                .Select(p => p with { Id = newKey(), Count = Math.Min(p.Count, 2) }),
        ];
    }
}
