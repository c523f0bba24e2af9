using System.Diagnostics;
using Nokko.Core.Finding;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;

namespace Nokko.Bench;

/// <summary>The search of a shelf with all four corners free: 60 parts, or 2,000 of which 200 fit the vehicle.</summary>
internal static class FindingBench
{
    private static readonly PartKind[] Kinds =
    [
        PartKind.StrutTopSpacer,
        PartKind.Block,
        PartKind.PreloadSpacer,
        PartKind.Shackle,
        PartKind.StrutLowerSpacer,
    ];

    /// <summary>A pickup that shall be level without a lean, and a shelf.</summary>
    /// <param name="parts">Parts on the shelf.</param>
    /// <param name="fit">How many of them are noted for this vehicle; the others are for another one.</param>
    public static (Situation Situation, Part[] Shelf) Case(int parts, int fit)
    {
        var file = Path.Combine(
            Environment.GetEnvironmentVariable("NOKKO_ROOT")!,
            "docs",
            "formats",
            "level-pickup.job.json"
        );
        var job = JobFileReader.Read(File.ReadAllText(file)).Document!;
        var from = job.Stages.MinBy(s => s.Ordinal)!;
        return (
            new Situation(
                from,
                job.VehicleAt(from) with
                {
                    Front = from.Front with { Dimensions = Taped(from.Front.Kind) },
                },
                JobEvaluator.Speaks(JobEvaluator.Evaluate(job).WalkRounds, from.Id)
            )
            {
                Platform = job.Platform.Name,
                Target = job.Job.Target with
                {
                    NoLean = true,
                    LeastFrontLift = Quantity.Mm(20, Known.Told),
                    LeastRearLift = Quantity.Mm(0, Known.Told),
                },
            },
            Shelf(parts, fit, job.Platform.Name)
        );
    }

    /// <summary>Seconds to the first answer and to the proved best, stacks there are and stacks that were worked out.</summary>
    public static (double First, double Best, double Ten, double Stacks, long Looked) Run(
        int parts = 60,
        int fit = 60,
        bool sidesDiffer = true
    )
    {
        var (situation, shelf) = Case(parts, fit);
        var watch = Stopwatch.StartNew();
        var search = new StackSearch(
            situation,
            shelf,
            new SearchRules { SidesDiffer = sidesDiffer }
        );
        var (first, best) = (0.0, 0.0);
        var ranked = 0;
        foreach (var news in search.Run())
        {
            first = first == 0 && news.Found is not null ? watch.Elapsed.TotalSeconds : first;
            if (news is { Proved: true, Found.Stopped: null })
            {
                best = best == 0 ? watch.Elapsed.TotalSeconds : best;
                if (++ranked == 10)
                {
                    break;
                }
            }
        }
        return (first, best, watch.Elapsed.TotalSeconds, search.Combinations, search.Looked);
    }

    private static Part[] Shelf(int parts, int fit, string platform)
    {
        var random = new Random(11);
        return
        [
            .. Enumerable
                .Range(0, parts)
                .Select(i => new Part
                {
                    Id = new Guid(i + 1, 0, 0, new byte[8]),
                    Number = $"B-{i}",
                    Name = $"part {i}",
                    Kind = Kinds[i % Kinds.Length],
                    Thickness = Quantity.Mm(5 + random.Next(0, 46), Known.Measured),
                    Count = random.Next(1, 5),
                    Fit = new PartFit
                    {
                        Platforms = [new(i < fit ? platform : "another platform")],
                    },
                    Price = random.Next(10, 90),
                    Hours = new Quantity
                    {
                        Value = random.Next(1, 6) / 2.0,
                        Unit = Unit.Hour,
                        Known = Known.Told,
                    },
                }),
        ];
    }

    private static Dictionary<string, Quantity> Taped(Core.Vehicles.SuspensionKind kind) =>
        SuspensionSizes
            .Of(kind)
            .Where(s => s.Name is not SuspensionSizes.WheelRate)
            .ToDictionary(
                s => s.Name,
                s => new Quantity
                {
                    Value = s.Low + (0.25 * (s.High - s.Low)),
                    Unit = s.Unit,
                    Known = Known.Measured,
                }
            );
}
