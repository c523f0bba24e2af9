using BenchmarkDotNet.Attributes;
using Nokko.Core.Evidence;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Stance;

namespace Nokko.Bench;

/// <summary>The prediction of a whole job beside the bare equilibrium that it rests on.</summary>
public class PredictionBench
{
    private readonly JobDocument _job;
    private readonly Plan _plan;
    private readonly IReadOnlyList<WalkRoundStance> _stances;
    private readonly IReadOnlyList<Support> _supports;

    public PredictionBench()
    {
        var file = Path.Combine(
            Environment.GetEnvironmentVariable("NOKKO_ROOT")!,
            "docs",
            "formats",
            "level-pickup.job.json"
        );
        _job = JobFileReader.Read(File.ReadAllText(file)).Document!;
        _plan = _job.Plans[0];
        _stances = JobEvaluator.Evaluate(_job).WalkRounds;
        _supports = VehicleSupports.Of(_job.VehicleNow()).Supports!;
    }

    [Benchmark(Baseline = true)]
    public BodyMotion Equilibrium() => new BodyOnSprings(_supports).Solve();

    [Benchmark]
    public Prediction Prediction() =>
        JobEvaluator.Predict(_job, _plan, _stances, PlatformEvidence.None)!;

    [Benchmark]
    public JobResults WholeJob() => JobEvaluator.Evaluate(_job);
}
