using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Practice;
using Nokko.Core.Shelf;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Practice;

/// <summary>What a score says of readings: each that is wrong is told what made it so.</summary>
public sealed class ReadingScoreTests
{
    [Fact]
    public void Each_wrong_reading_says_what_made_it_wrong()
    {
        var learner = Learner.Measuring(
            PracticeVehicleTests.Truth() with
            {
                Flaws = [new TapeFlaw("LF", 0, 1), new TapeFlaw("RF", 8, 0)],
            }
        );
        learner.Walk(errs: s =>
            s switch
            {
                "LF" => -6.32,
                "RF" => -8,
                "LR" => 25.4,
                "RR" => 3.2,
                "LM" => 9,
                _ => 0,
            }
        );
        var learn = learner.Score.Lines.Where(l => l.Area == ScoreArea.Reading).ToArray();
        string Of(string said) =>
            learn.Single(l => l.Said.StartsWith(said, StringComparison.Ordinal)).Learn ?? "";
        Assert.StartsWith("The eye was not level", Of("Left front"), StringComparison.Ordinal);
        Assert.StartsWith("The hook hung", Of("Right front"), StringComparison.Ordinal);
        Assert.StartsWith("An inch off", Of("Left rear"), StringComparison.Ordinal);
        Assert.StartsWith("Count the lines", Of("Left middle"), StringComparison.Ordinal);
        Assert.Equal("", Of("Right middle"));
        // Ten points a station: right to a sixteenth all, to an eighth half.
        Assert.Equal([0, 0, 0, 5, 10, 0], learn.Select(l => l.Got));
        Assert.Equal("Right middle: 41 1/16 in, right to a sixteenth.", learn[4].Said);
    }

    [Fact]
    public void A_second_read_is_not_explained_by_how_the_tape_hung_at_first()
    {
        var learner = Learner.Measuring(
            PracticeVehicleTests.Truth() with
            {
                Flaws = [new TapeFlaw("LF", 0, 1)],
            }
        );
        learner.Walk(errs: s => s == "LF" ? -6.32 : 0);
        ScoreLine Line() =>
            learner.Score.Lines.Single(l =>
                l.Said.StartsWith("Left front", StringComparison.Ordinal)
            );
        Assert.StartsWith("The eye was not level", Line().Learn, StringComparison.Ordinal);
        learner.ReadAgain("LF", -6.32);
        Assert.Contains("looks from above", Line().Learn, StringComparison.Ordinal);
    }

    [Fact]
    public void Who_moves_the_eye_off_a_tape_that_hung_right_is_told_so()
    {
        var learner = Learner.Measuring(PracticeVehicleTests.Truth());
        learner.Walk(errs: s =>
            s == "LR" ? -6.32
            : s == "RF" ? 6.32
            : s == "LM" ? 6.32
            : 0
        );
        string Of(string said) =>
            learner
                .Score.Lines.Single(l => l.Said.StartsWith(said, StringComparison.Ordinal))
                .Learn!;
        Assert.Contains("looks from above", Of("Left rear"), StringComparison.Ordinal);
        Assert.Contains("looks from below", Of("Right front"), StringComparison.Ordinal);
        // At the floor it does not matter where the eye is.
        Assert.StartsWith("Count the lines", Of("Left middle"), StringComparison.Ordinal);
    }

    [Fact]
    public void Another_datum_than_it_says_and_a_station_left_out_are_told()
    {
        var learner = Learner.Measuring(PracticeVehicleTests.Truth());
        learner.Walk(errs: s => s == "LR" ? 372 : 0, but: "RM");
        var lines = learner.Score.Lines;
        Assert.Contains(lines, l => l.Said == "Right middle: not read." && l.Got == 0);
        Assert.Contains(
            lines,
            l => l.Learn?.StartsWith("That is another datum", StringComparison.Ordinal) == true
        );
    }

    [Fact]
    public void Nothing_read_is_nothing_got()
    {
        var learner = Learner.Measuring(PracticeVehicleTests.Truth());
        Assert.Equal(0, learner.Score.Points);
        // Nor for a round that was begun.
        learner.Shop.Walk();
        Assert.Equal(0, learner.Score.Points);
        Assert.All(learner.Score.Lines, l => Assert.NotNull(l.Guide));
        Assert.Equal(
            60,
            learner.Score.Lines.Where(l => l.Area == ScoreArea.Reading).Sum(l => l.Of),
            1e-9
        );
    }

    [Theory]
    [InlineData(Settled.No, 0)]
    [InlineData(Settled.Bounced, 10)]
    [InlineData(Settled.Rolled, 20)]
    [InlineData(Settled.Driven, 20)]
    public void Who_does_not_roll_it_is_told(Settled settled, double got)
    {
        var learner = Learner.Measuring(PracticeVehicleTests.Truth());
        learner.Walk(settled);
        var line = learner.Score.Lines.Single(l => l.Area == ScoreArea.Conditions);
        Assert.Equal((got, got == 20), (line.Got, line.Learn is null));
        // What he read is right all the same: it stood so.
        Assert.Equal(
            60,
            learner.Score.Lines.Where(l => l.Area == ScoreArea.Reading).Sum(l => l.Got),
            1e-9
        );
    }

    [Fact]
    public void A_load_that_was_left_in_is_worth_what_was_done_about_it()
    {
        var truth = PracticeVehicleTests.Truth(new HiddenFault(Fault.LoadLeftIn, "rear", 20));
        ScoreLine After(Action<Learner> does)
        {
            var learner = Learner.Measuring(truth);
            does(learner);
            return learner.Score.Lines.Single(l => l.Area == ScoreArea.Finding);
        }
        Assert.Equal(0, After(l => l.Walk()).Got);
        Assert.Equal(
            10,
            After(l =>
            {
                l.Look(LookAt.Bed);
                l.Walk();
            }).Got
        );
        Assert.Equal(
            10,
            After(l =>
            {
                l.Walk();
                l.Look(LookAt.Bed);
                l.Look(LookAt.Bed, true);
            }).Got
        );
        Assert.Equal(
            20,
            After(l =>
            {
                l.Look(LookAt.Bed);
                l.Look(LookAt.Bed, true);
                l.Walk();
            }).Got
        );
        Assert.Equal(
            20,
            After(l =>
            {
                l.Walk();
                l.Look(LookAt.Bed);
                l.Look(LookAt.Bed, true);
                l.Walk();
            }).Got
        );
        // Read at the very instant at which it was out, it was out.
        Assert.Equal(
            20,
            After(l =>
            {
                l.Look(LookAt.Bed);
                l.Look(LookAt.Bed, true);
                l.Shop.Now = l.Shop.Now.AddMinutes(-1);
                l.Walk();
            }).Got
        );
        // What nothing puts right is found by looking.
        var tired = Learner.Measuring(
            PracticeVehicleTests.Truth(new HiddenFault(Fault.TiredSpring, "LR", 20))
        );
        tired.Look(LookAt.Standard);
        Assert.Equal(20, tired.Score.Lines.Single(l => l.Area == ScoreArea.Finding).Got);
    }

    [Fact]
    public void Two_faults_are_worth_half_each()
    {
        var learner = Learner.Measuring(
            PracticeVehicleTests.Truth(
                new HiddenFault(Fault.LoadLeftIn, "rear", 20),
                new HiddenFault(Fault.TiredSpring, "LR", 20)
            )
        );
        learner.Look(LookAt.Standard);
        learner.Walk();
        Assert.Equal(
            [(0.0, 10.0), (10.0, 10.0)],
            learner
                .Score.Lines.Where(l => l.Area == ScoreArea.Finding)
                .Select(l => (l.Got, l.Of))
                .Order()
        );
    }
}
