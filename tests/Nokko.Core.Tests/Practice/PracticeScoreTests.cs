using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Practice;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>What a score says of what was done: a learner who does everything right gets everything, a careless one is told each carelessness.</summary>
public sealed class PracticeScoreTests
{
    private static string All(PracticeScore score) =>
        string.Join("\n", score.Lines.Select(l => $"{l.Got}/{l.Of} {l.Said} {l.Learn}"));

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Who_measures_perfectly_gets_everything(int level)
    {
        for (var seed = 0; seed < 3; seed++)
        {
            var learner = new Learner(HiddenTruth.Draw(seed, level, Course.Measure));
            learner.FindAll();
            learner.Walk();
            Assert.True(learner.Score.Points == 100, All(learner.Score));
            Assert.True(learner.Score.Passed);
            Assert.Null(learner.Score.First);
            Assert.All(learner.Score.Lines, l => Assert.Null(l.Learn));
        }
    }

    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    public void Who_levels_perfectly_gets_everything(int level)
    {
        for (var seed = 0; seed < 1; seed++)
        {
            var learner = new Learner(HiddenTruth.Draw(seed, level, Course.Level));
            learner.FindAll();
            learner.Walk();
            learner.PlanTheBest();
            learner.Fit();
            learner.Walk(Settled.Driven);
            Assert.True(learner.Score.Points == 100, All(learner.Score));
        }
    }

    [Fact]
    public void Who_hands_in_what_others_did_gets_nothing()
    {
        var learner = Learner.Wronged(Fault.NotSeated, "LF", 20);
        Assert.All(learner.Score.Lines, l => Assert.Equal((0, true), (l.Got, l.Learn is not null)));
        Assert.Equal(0, learner.Run.Spent().Hours);
    }

    [Theory]
    [InlineData(Fault.NotSeated, "LF", 20, CauseKind.NotSeated)]
    [InlineData(Fault.TightenedHanging, "front", 15, CauseKind.TightenedHanging)]
    [InlineData(Fault.SidesSwapped, "front", 0, CauseKind.SidesSwapped)]
    public void Who_finds_the_cause_by_its_check_and_puts_it_right_gets_everything(
        Fault fault,
        string where,
        double mm,
        CauseKind cause
    )
    {
        var learner = Learner.Wronged(fault, where, mm);
        learner.Walk();
        learner.Look(LookRule.For(fault).At);
        learner.SayItWas(cause, where);
        learner.Look(LookRule.For(fault).At, true);
        learner.Walk();
        Assert.True(learner.Score.Points == 100, All(learner.Score));
    }

    [Fact]
    public void Who_names_another_cause_and_leaves_it_is_told()
    {
        var learner = Learner.Wronged(Fault.NotSeated, "LF", 20);
        learner.Walk();
        learner.SayItWas(CauseKind.TightenedHanging, "front");
        foreach (var look in (LookAt[])[LookAt.Rubber, LookAt.Mounts, LookAt.Marks])
        {
            learner.Look(look);
        }
        var lines = learner.Score.Lines.Where(l => l.Area != ScoreArea.Reading).ToArray();
        Assert.Contains(
            lines,
            l =>
                l.Got == 0
                && l.Said.StartsWith(
                    "Not said under Prove: The left front spring’s end",
                    StringComparison.Ordinal
                )
        );
        Assert.Contains(lines, l => l.Got == 0 && l.Said == "It was left as it was.");
        // 35 + 15 + 5 minutes in vain: 20 are free, 40 more cost all of it.
        var spared = Assert.Single(lines, l => l.Area == ScoreArea.Cost);
        Assert.Equal(
            (10.0 * 5 / 40, "55 minutes of looks that found nothing."),
            (spared.Got, spared.Said)
        );
        var still = lines.Single(l => l.Said == "The last readings still have the fault in them.");
        Assert.Equal(still.Of / 3, still.Got, 1e-9);
        Assert.False(learner.Score.Passed);
    }

    [Fact]
    public void What_is_to_be_learned_first_is_where_most_was_lost()
    {
        Assert.Null(new PracticeScore([Line(10, null, 10)]).First);
        Assert.Equal(
            "b",
            new PracticeScore([
                Line(0, "a", 5),
                Line(10, "b", 20),
                Line(0, null, 50),
                Line(30, "c", 36),
            ]).First
        );

        static ScoreLine Line(double got, string? learn, double of) =>
            new(ScoreArea.Reading, got, of, "said", learn, null);
    }

    [Fact]
    public void Found_after_another_was_said_to_be_it_is_worth_half()
    {
        var learner = Learner.Wronged(Fault.NotSeated, "LF", 20);
        learner.Walk();
        learner.SayItWas(CauseKind.TightenedHanging, "front");
        learner.SayItWas(CauseKind.NotSeated, "LF");
        var line = learner.Score.Lines.Single(l =>
            l.Said.StartsWith("Found, after 1 other", StringComparison.Ordinal)
        );
        Assert.Equal(line.Of / 2, line.Got, 1e-9);
        Assert.Equal("Say that it was it only when the check showed it.", line.Learn);
        // Looked and not said: half of it.
        var silent = Learner.Wronged(Fault.NotSeated, "LF", 20);
        silent.Look(LookAt.Rubber);
        silent.Look(LookAt.Pockets);
        var half = silent.Score.Lines.Single(l =>
            l.Said.StartsWith("Not said", StringComparison.Ordinal)
        );
        Assert.Equal(half.Of / 2, half.Got, 1e-9);
    }

    [Theory]
    [InlineData(79.4, false)]
    [InlineData(79.5, true)]
    [InlineData(80, true)]
    [InlineData(100, true)]
    public void Eighty_of_a_hundred_rounded_as_they_are_shown_are_enough(double got, bool passed)
    {
        // Half as many are worth the same: points are of those that could be had.
        foreach (var of in (double[])[100, 50])
        {
            var score = new PracticeScore([
                new ScoreLine(ScoreArea.Reading, got * of / 100, of, "read", null, null),
            ]);
            Assert.Equal(passed, score.Passed);
        }
    }
}
