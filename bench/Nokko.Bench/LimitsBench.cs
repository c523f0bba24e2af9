using BenchmarkDotNet.Attributes;
using Nokko.Core.Evidence;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Bench;

/// <summary>One prediction with every limit: taped points, struts, stops, shafts, hoses and loads all known.</summary>
public class LimitsBench
{
    private readonly JobDocument _job;
    private readonly IReadOnlyList<WalkRoundStance> _stances;

    public LimitsBench()
    {
        var file = Path.Combine(
            Environment.GetEnvironmentVariable("NOKKO_ROOT")!,
            "docs",
            "formats",
            "level-pickup.job.json"
        );
        var job = JobFileReader.Read(File.ReadAllText(file)).Document!;
        var archetype = Archetype.Of(SuspensionKind.CoilOverArm)!;
        Quantity Of(double value, Unit unit) =>
            new()
            {
                Value = value,
                Unit = unit,
                Known = Known.Measured,
            };
        var front = new Suspension
        {
            Kind = SuspensionKind.CoilOverArm,
            Points =
            [
                .. archetype.Points.Select(p => new SuspensionPoint
                {
                    Name = p.Name,
                    Y = Of(p.At.Y, Unit.Mm),
                    Z = Of(p.At.Z, Unit.Mm),
                }),
            ],
            Dimensions = SuspensionSizes
                .Of(SuspensionKind.CoilOverArm)
                .Where(s => s.Name is not SuspensionSizes.WheelRate)
                .ToDictionary(s => s.Name, s => Of(s.Low + (0.25 * (s.High - s.Low)), s.Unit)),
        };
        _job = job with
        {
            Stages = [.. job.Stages.Select(s => s with { Front = front })],
            Job = job.Job with
            {
                Loads =
                [
                    new StatedLoad
                    {
                        Id = Guid.Empty,
                        Name = "trailer",
                        Mass = Of(90, Unit.Kg),
                        Behind = Of(4300, Unit.Mm),
                    },
                ],
            },
        };
        _stances = JobEvaluator.Evaluate(job).WalkRounds;
    }

    [Benchmark]
    public Prediction AllLimits() =>
        JobEvaluator.Predict(_job, _job.Plans[0], _stances, PlatformEvidence.None)!;
}
