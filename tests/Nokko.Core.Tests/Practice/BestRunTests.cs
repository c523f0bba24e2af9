using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Practice;
using Nokko.Core.Shelf;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>The run of somebody who knows where to look.</summary>
public sealed class BestRunTests
{
    [Fact]
    public void The_best_run_looks_where_something_is_and_lands_as_the_best_plan_does()
    {
        var learner = new Learner(
            PracticeVehicleTests.Truth(new HiddenFault(Fault.LoadLeftIn, "rear", 20))
        );
        var steps = BestRun.Of(learner.Run);
        Assert.Equal("Look into bed and cab.", steps[0].Said);
        Assert.Equal("Take it out.", steps[1].Said);
        Assert.Equal(550, steps[0].Lips[2], 1e-6);
        Assert.Equal(570, steps[1].Lips[2], 1e-6);
        var last = steps[^1];
        var rake = (last.Lips[2] + last.Lips[3] - last.Lips[0] - last.Lips[1]) / 2;
        var best = learner.Run.Best()!;
        Assert.Equal(best.MissMm, Math.Abs(rake), 1e-6);
        Assert.Equal(best.Hours * 60, steps[^2].Minutes, 1e-9);
        Assert.Equal($"It lands {LengthText.Both(best.MissMm)} off what is wanted.", last.Found);
        // Of a lift that went wrong it begins with the fault in.
        var wronged = Learner.Wronged(Fault.TightenedHanging, "front", 15);
        var found = BestRun.Of(wronged.Run);
        Assert.StartsWith("Roll it, read all six", found[0].Said, StringComparison.Ordinal);
        Assert.Equal(15, found[0].Lips[0] - found[^1].Lips[0], 1e-6);
        Assert.Equal(570, found[^1].Lips[2], 1e-6);
    }

    [Fact]
    public void Of_a_lift_that_went_wrong_it_looks_in_one_place_mends_it_and_reads_again()
    {
        var wronged = Learner.Wronged(Fault.NotSeated, "LF", 20);
        var rule = LookRule.For(Fault.NotSeated);
        Assert.Equal(
            [
                "Roll it, read all six stations: they do not agree with what was foretold.",
                $"{rule.Says}.",
                $"{rule.Mend}.",
                "Roll it forward and back by a wheel’s turn, then read all six stations, hook and eye first.",
            ],
            BestRun.Of(wronged.Run).Select(s => s.Said)
        );
    }

    [Fact]
    public void Where_it_is_to_be_measured_nothing_is_planned()
    {
        var steps = BestRun.Of(Learner.Measuring(PracticeVehicleTests.Truth()).Run);
        var only = Assert.Single(steps);
        Assert.Equal(
            "Roll it forward and back by a wheel’s turn, then read all six stations, hook and eye first.",
            only.Said
        );
        Assert.Equal(9, only.Minutes, 1e-9);
    }
}
