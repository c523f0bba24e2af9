using Nokko.Core.Evidence;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Tests.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>How far mechanisms of a job are foretold to move.</summary>
public class JobGeometryTests
{
    /// <summary>What the scales were wrong by before is in what is foretold after, too, and goes out of the change.</summary>
    [Fact]
    public void What_a_plan_moves_across_is_known_better_than_where_it_comes_to()
    {
        var job = Sample.Job([520, 1040, 580, 580, 1040, 520]);
        job = job with
        {
            Readings =
            [
                .. job.Readings,
                .. Corners.All.Select(
                    (c, i) => WheelWeightsTests.Weight(400 + i, 40, c, CrossWeightTests.Weights[i])
                ),
            ],
        };
        var plan = Sample.Plan((Corner.LF, Sample.Plate(30, 20))) with
        {
            FromStageId = job.CurrentStage()!.Id,
        };
        var change = JobGeometry
            .MovesOf(job, plan, PlatformEvidence.None)
            .Single(m => m.Kind == MechanismKind.CornerScales)
            .Change;
        var ways = JobGeometry
            .Of(job, plan, PlatformEvidence.None)
            .Mechanisms.Single(m => m.Kind == MechanismKind.CornerScales)
            .Ways;
        Estimate Figure(WayKind kind) => ways.Single(w => w.Kind == kind).Figure.Have();
        var (before, then) = (Figure(WayKind.Before), Figure(WayKind.Lifted));
        Assert.Equal(then.Mean - before.Mean, change.Have().Mean, 1e-9);
        Assert.True(before.Sd > 0);
        Assert.Equal(
            Math.Pow(then.Sd, 2) - Math.Pow(before.Sd, 2),
            Math.Pow(change.Have().Sd, 2),
            1e-9
        );
    }
}
