using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>A vehicle over its years: stages, rounds, and how its springs went down.</summary>
public class VehicleYearsTests
{
    private readonly Workshop _shop = new();

    private VehicleYears Years => VehicleYears.Of(_shop.Document);

    private void Read(string front, string rear) =>
        _shop.ReadAll(("LF", front), ("LR", rear), ("RR", rear), ("RF", front));

    private YearAxle Last(Axle axle) => Years.Stages[^1].Axles.Single(a => a.Axle == axle);

    [Fact]
    public void Every_round_stands_on_its_stage_with_the_mean_of_its_lips()
    {
        _shop.Begun();
        Read("22 1/2", "22 7/8");
        var years = Years;
        Assert.Equal(Datum.Hub, years.Datum);
        Assert.Equal(["as found", "after stack 1"], years.Stages.Select(s => s.Name));
        Assert.Equal(2, years.Rounds.Count);
        Assert.Equal(years.Stages.Select(s => s.StageId), years.Rounds.Select(r => r.StageId));
        Assert.Equal(20.5 * 25.4, years.Rounds[0].Front.Value!.Value, 6);
        Assert.Equal(22.875 * 25.4, years.Rounds[1].Rear.Value!.Value, 6);
        Assert.Equal(["plate"], years.Stages[1].Axles[0].Came);
        Assert.Empty(years.Stages[1].Axles[0].Gone);
        Assert.Empty(years.Stages[1].Axles[1].Came);
    }

    [Fact]
    public void Springs_that_went_down_are_told_after_a_month_and_not_before()
    {
        _shop.Begun();
        Read("22 1/2", "22 7/8");
        _shop.Now = _shop.Now.AddDays(20);
        Read("22 1/4", "22 7/8");
        Assert.Null(Last(Axle.Front).Moved);
        _shop.Now = _shop.Now.AddDays(400);
        Read("22", "22 7/8");
        var front = Last(Axle.Front);
        Assert.Equal(-12.7, front.Moved!.Value!.Value, 6);
        Assert.True(front.Moved.U > 0.5);
        Assert.InRange(front.Days!.Value, 419, 421);
        Assert.Equal(0, Last(Axle.Rear).Moved!.Value!.Value, 6);
        // Nothing of it is laid to the stage before.
        Assert.All(Years.Stages[0].Axles, a => Assert.Null(a.Moved));
    }

    [Fact]
    public void What_decides_nothing_tells_nothing_of_springs()
    {
        _shop.Begun();
        Read("22 1/2", "22 7/8");
        _shop.Now = _shop.Now.AddDays(400);
        var key = _shop.Key();
        _shop.Do(
            new BeginWalkRound(
                _shop.Key(),
                key,
                _shop.Document.CurrentStage()!.Id,
                Workshop.Conditions(Settled.No)
            )
        );
        foreach (var station in new[] { "LF", "RF", "LR", "RR" })
        {
            _shop.Do(_shop.Reading(station, "21") with { WalkRoundId = key });
        }
        Assert.Null(Last(Axle.Front).Moved);
        Assert.False(Years.Rounds[^1].Decides);
    }

    [Fact]
    public void The_mean_of_two_lips_is_never_told_surer_than_one_tape_allows()
    {
        _shop.ReadBefore();
        var stance = JobEvaluator.Evaluate(_shop.Document).WalkRounds.Single();
        var (left, right) = (stance.At("LF")!.Height, stance.At("RF")!.Height);
        var mean = Years.Rounds.Single().Front;
        Assert.InRange(
            mean.U!.Value,
            Math.Sqrt((left.U!.Value * left.U.Value) + (right.U!.Value * right.U.Value)) / 2,
            Math.Max(left.U.Value, right.U.Value)
        );
    }

    [Fact]
    public void An_axle_of_which_one_lip_was_read_has_no_mean()
    {
        _shop.ReadAll(("LF", "20 1/2"), ("LR", "22 7/8"), ("RR", "22 7/8"));
        var round = Years.Rounds.Single();
        Assert.Null(round.Front.Value);
        Assert.StartsWith("Both front lips", round.Front.Cannot, StringComparison.Ordinal);
        Assert.NotNull(round.Rear.Value);
    }
}
