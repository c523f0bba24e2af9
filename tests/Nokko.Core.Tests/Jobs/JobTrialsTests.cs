using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What a job teaches of a lift line, and when it teaches nothing.</summary>
public class JobTrialsTests
{
    private static readonly double[] Before = [520, 1040, 570, 570, 1040, 520];
    private static readonly double[] After = [571, 1070, 570, 570, 1070, 571];

    private static LiftTrial? Front(JobDocument d)
    {
        var results = JobEvaluator.Evaluate(d);
        return JobTrials
            .Of(d, results.Proofs, results.WalkRounds)
            .Where(t => t.Axle == Axle.Front)
            .Select(t => t.Trial)
            .SingleOrDefault();
    }

    [Fact]
    public void A_plate_whose_lips_were_all_read_before_and_after_teaches_what_it_lifted() =>
        // Between what the lips rose and what the springs gave them for it lies the body; half a plate of an inch is well off.
        Assert.InRange(Front(Sample.Job(Before, After))!.FreeRiseMm, 40, 65);

    [Theory]
    [InlineData("LF")]
    [InlineData("RR")]
    public void With_one_lip_unread_it_teaches_nothing(string lip)
    {
        var d = Sample.Job(Before, After);
        foreach (var round in new[] { d.WalkRounds[0].Id, d.WalkRounds[^1].Id })
        {
            Assert.Null(
                Front(
                    d with
                    {
                        Readings =
                        [
                            .. d.Readings.Where(r => r.WalkRoundId != round || r.Place.Name != lip),
                        ],
                    }
                )
            );
        }
    }

    [Fact]
    public void Of_two_sides_with_unequal_plates_the_mean_is_tried_and_of_one_that_came_and_one_that_left_nothing()
    {
        var d = Sample.Job(Before, After);
        JobDocument With(params (Corner, PlacedPart)[] to)
        {
            var plan = d.Plans[0] with { Stacks = Sample.Plan(to).Stacks };
            return d with
            {
                Plans = [plan],
                Stages =
                [
                    .. d.Stages.Select(s =>
                        s.Id == plan.ToStageId ? s with { Stacks = plan.Stacks } : s
                    ),
                ],
            };
        }
        var unequal = Front(
            With((Corner.LF, Sample.Plate(20, 20)), (Corner.RF, Sample.Plate(21, 30)))
        )!;
        Assert.Equal(25, unequal.ThicknessMm, 1e-9);
        var one = Front(With((Corner.LF, Sample.Plate(20, 20))))!;
        Assert.Equal(20, one.ThicknessMm, 1e-9);
    }

    [Fact]
    public void A_lip_that_the_vehicle_has_no_more_teaches_nothing()
    {
        var d = Sample.Job(Before, After);
        Assert.Null(
            Front(
                d with
                {
                    Vehicle = d.Vehicle with
                    {
                        Stations = [.. d.Vehicle.Stations.Where(s => s.Name != "LR")],
                    },
                }
            )
        );
    }
}
