using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Week;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What is left of a job, and what is said of it in the week.</summary>
public class WeekPlanTests
{
    private static readonly Guid Odd = Sample.Id(31);
    private static readonly Guid Linde = Sample.Id(32);
    private static readonly ShopHours Hours = new();
    private static readonly Pace NoTimes = Pace.Of([]);

    private static readonly ShopRoster Roster = new(
        ["Lift", "Floor"],
        [new(Odd, "Odd", PersonRole.Fitter), new(Linde, "Linde", PersonRole.Apprentice)]
    );

    private readonly Workshop _shop = new();

    private Workload Load() => Workload.Of(_shop.Document, JobEvaluator.Evaluate(_shop.Document));

    private static double Minutes(Workload load) => load.Left.Sum(l => l.Usual);

    /// <summary>A job of so many minutes, in the week of Monday 2 March 2026.</summary>
    private static WeekJob Job(
        int id,
        double minutes = 120,
        int people = 1,
        int hour = 8,
        string bay = "Lift",
        params Guid[] hands
    ) =>
        new(
            Sample.Id(id),
            $"PL {id}",
            new Booking
            {
                Id = Sample.Id(500 + id),
                Bay = bay,
                Day = new DateOnly(2026, 3, 2),
                From = hour * 60,
                People = hands.Length == 0 ? [Odd] : hands,
                PersonId = Odd,
                At = Sample.At(0),
            },
            new Workload
            {
                Rules = Workload.CurrentRules,
                Left = [new WorkLeft("strut", false, minutes, people)],
                Share = 1,
            },
            null,
            null
        );

    private static IReadOnlyList<PlannedJob> Plan(params WeekJob[] jobs) =>
        WeekPlan.Of(
            jobs,
            Roster,
            NoTimes,
            Hours,
            new DateTime(2026, 3, 2, 8, 0, 0),
            at => at.UtcDateTime
        );

    [Fact]
    public void A_job_without_a_plan_is_a_guess_that_says_so()
    {
        var load = Load();
        Assert.Equal(
            Workload.WalkBefore + Workload.NoPlan + Workload.WalkAfter + Workload.HandingOver,
            Minutes(load)
        );
        Assert.Equal((1, null), (load.Share, load.Fitting));
        Assert.Single(load.Left, l => l.Guess);
        Assert.StartsWith(
            "No parts are chosen yet",
            WeekWords.From(NoTimes.Of(null, load.Left), load, false),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_is_left_is_what_the_card_has_left()
    {
        _shop.ReadBefore();
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        var planned = Load();
        var card = Progress.CardOf(_shop.Document, _shop.Document.DraftPlan()!);
        var whole = card.Steps.Sum(s => s.Minutes);
        Assert.Equal(whole + Workload.WalkAfter + Workload.HandingOver, Minutes(planned));
        Assert.Null(planned.BegunAt);

        _shop.Do(_shop.Begin());
        var begun = Load();
        Assert.Equal(Minutes(planned), Minutes(begun));
        Assert.Equal(_shop.Document.BegunPlan()!.Id, begun.Fitting);
        Assert.Equal(_shop.Document.BegunPlan()!.BegunAt, begun.BegunAt);

        var first = card.Steps[0];
        _shop.Do(new DoStep(_shop.Key(), _shop.Key(), first.Key, 12, null, null));
        var after = Load();
        Assert.Equal(Minutes(begun) - first.Minutes, Minutes(after));
        var all = whole + Workload.WalkBefore + Workload.WalkAfter + Workload.HandingOver;
        Assert.Equal(Minutes(after) / all, after.Share, 9);
        // What was done says what stood on the card for it.
        Assert.Equal(first.Minutes, _shop.Document.Steps.Single().Usual);

        foreach (var step in card.Steps.Skip(1))
        {
            _shop.Do(
                new DoStep(
                    _shop.Key(),
                    _shop.Key(),
                    step.Key,
                    null,
                    "it is so",
                    _shop.Reached(step)
                )
            );
        }
        Assert.Equal([Workload.WalkAfter, Workload.HandingOver], Load().Left.Select(l => l.Usual));
    }

    [Fact]
    public void The_second_side_is_work_of_its_own_kind()
    {
        _shop.Begun();
        var left = Load().Left;
        var twice = left.GroupBy(l => l.Work).Where(g => g.Count() == 2).ToArray();
        Assert.NotEmpty(twice);
        Assert.All(twice, g => Assert.Equal([false, true], g.Select(l => l.Second).Order()));
    }

    [Fact]
    public void Nothing_is_left_of_what_is_handed_over()
    {
        _shop.Begun();
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with { HandedOverAt = _shop.Now },
        };
        Assert.Empty(Load().Left);
        Assert.Equal("nothing is left", WeekWords.Said(NoTimes.Of(null, Load().Left)));
    }

    [Fact]
    public void A_slip_says_whom_it_pushes_and_why_the_other_waits()
    {
        var plan = Plan(Job(1, 240), Job(2, hour: 10, hands: [Linde, Odd]));
        Assert.Equal("Pushes PL 2 by 2 h.", plan[0].Slip);
        Assert.Empty(plan[0].Says);
        Assert.Null(plan[1].Slip);
        Assert.Equal(["Begins 2 h later than booked: PL 1 still stands in the bay."], plan[1].Says);
        Assert.Equal((Sample.Id(2), 120), (plan[0].Pushes[0].Job, plan[0].Pushes[0].Minutes));
        var hands = Plan(Job(1, 240), Job(2, hour: 10, bay: "Floor"));
        Assert.Equal(["Begins 2 h later than booked: Odd is still at PL 1."], hands[1].Says);
    }

    [Fact]
    public void Work_for_two_is_held_until_somebody_lends_a_hand()
    {
        var alone = Plan(Job(1, 120, people: 2), Job(2, hour: 9, bay: "Floor"));
        Assert.False(alone[0].When.Foretold);
        Assert.Equal(
            ["A step of it needs two people, about 2 h: say who lends a hand."],
            alone[0].Says
        );
        // What is held pushes nobody.
        Assert.Empty(alone[1].Says);
        var two = Plan(Job(1, 120, people: 2, hands: [Odd, Linde]));
        Assert.True(two[0].When.Foretold);
        Assert.Empty(two[0].Says);
    }

    [Theory]
    [InlineData(1, "A part that it needs is ordered by nobody: no beginning can be foretold.")]
    [InlineData(3, "3 parts that it needs are ordered by nobody: no beginning can be foretold.")]
    public void Parts_that_nobody_ordered_hold_it(int parts, string says)
    {
        var plan = Plan(Job(1) with { Parts = new(parts, null) });
        Assert.Equal([says], plan[0].Says);
        Assert.False(plan[0].When.Foretold);
        // On the stands already it waits for none of them.
        var begun = Job(1) with
        {
            Parts = new(parts, null),
        };
        begun = begun with { Load = begun.Load with { BegunAt = Sample.At(0) } };
        Assert.Empty(Plan(begun)[0].Says);
    }

    [Fact]
    public void Parts_that_come_put_it_off_and_parts_that_should_have_come_hold_it()
    {
        var comes = Plan(Job(1) with { Parts = new(0, new DateOnly(2026, 3, 3)) })[0];
        Assert.Equal(new DateTime(2026, 3, 4, 8, 0, 0), comes.When.From);
        Assert.Equal(
            ["Begins 17 h later than booked, the morning after its parts come."],
            comes.Says
        );
        var late = Plan(Job(1) with { Parts = new(0, new DateOnly(2026, 3, 1)) })[0];
        Assert.Equal(["Its parts should have come by now: ask where they are."], late.Says);
        Assert.False(late.When.Foretold);
    }

    [Fact]
    public void Whoever_is_gone_or_nobody_holds_it_and_an_apprentice_alone_is_told()
    {
        var nobody = Job(1);
        nobody = nobody with { Booking = nobody.Booking with { People = [] } };
        Assert.Equal(["Nobody is down for it."], Plan(nobody)[0].Says);
        Assert.Equal(
            ["Somebody who is down for it is not in the shop any more."],
            Plan(Job(1, hands: [Sample.Id(77)]))[0].Says
        );
        Assert.Equal(
            ["Only an apprentice is down for it: a fitter looks over it and hands it over."],
            Plan(Job(1, hands: [Linde]))[0].Says
        );
    }

    [Fact]
    public void A_promise_in_danger_is_told_and_one_that_stands_is_not()
    {
        var sure = Job(1, 120) with { PromisedOn = new DateOnly(2026, 3, 2) };
        Assert.Empty(Plan(sure)[0].Says);
        var tight = Job(1, 500) with { PromisedOn = new DateOnly(2026, 3, 2) };
        var plan = Plan(tight)[0];
        Assert.InRange(plan.When.OnTime!.Value, 0.45, 0.55);
        Assert.Equal(
            [$"Done by the day it is promised: {ResultText.Odds(plan.When.OnTime.Value)}."],
            plan.Says
        );
    }

    [Fact]
    public void A_closed_day_and_a_bay_that_is_gone_are_told()
    {
        var job = Job(1, bay: "Shed");
        job = job with { Booking = job.Booking with { Day = new DateOnly(2026, 3, 7) } };
        var plan = Plan(job)[0];
        Assert.Equal(new DateTime(2026, 3, 9, 8, 0, 0), plan.When.From);
        Assert.Equal(
            [
                "The shop is closed on the day for which it is booked: it begins on the next one.",
                "Shed is no bay of the shop any more.",
            ],
            plan.Says
        );
    }

    [Fact]
    public void What_is_begun_goes_on_now_and_its_rest_can_be_booked_for_later()
    {
        var begun = Job(1, hour: 13);
        begun = begun with { Load = begun.Load with { BegunAt = Sample.At(-90) } };
        // Booked before it was begun: it is being worked on.
        var early = begun with
        {
            Booking = begun.Booking with { At = Sample.At(-300) },
        };
        Assert.Equal(
            (true, new DateTime(2026, 3, 2, 6, 30, 0)),
            (Plan(early)[0].GoesOn, Plan(early)[0].When.From)
        );
        Assert.Equal(new DateTime(2026, 3, 2, 10, 0, 0), Plan(early)[0].When.Until);
        // Booked since: the rest of it is meant, for this afternoon.
        Assert.Equal(
            (false, new DateTime(2026, 3, 2, 13, 0, 0)),
            (Plan(begun)[0].GoesOn, Plan(begun)[0].When.From)
        );
        // The hour has come.
        var come = begun with
        {
            Booking = begun.Booking with { From = 8 * 60 },
        };
        Assert.True(Plan(come)[0].GoesOn);
    }

    [Fact]
    public void A_fitters_own_word_takes_the_place_of_the_card()
    {
        var job = Job(1, 120);
        job = job with
        {
            Booking = job.Booking with { Hours = Sample.Of(5, Unit.Hour) },
            Load = job.Load with { Share = 0.5 },
        };
        Assert.Equal(150, Plan(job)[0].Time.Median);
    }

    [Theory]
    [InlineData(1, "5 min")]
    [InlineData(57, "55 min")]
    [InlineData(58, "1 h")]
    [InlineData(127, "2 h 05 min")]
    [InlineData(480, "8 h")]
    public void Working_time_is_said_in_hours_and_fives(double minutes, string says) =>
        Assert.Equal(says, WeekWords.Minutes(minutes));

    [Fact]
    public void The_pace_is_said_with_how_far_it_is_known()
    {
        Assert.StartsWith(
            "No step was timed here yet",
            WeekWords.Said(NoTimes),
            StringComparison.Ordinal
        );
        var pace = Pace.Of(
            from f in Enumerable.Range(0, 20)
            from k in Enumerable.Range(0, 10)
            select new TimedStep(Sample.Id(100 + f), $"kind {k}", false, 45, 30)
        );
        Assert.Matches(
            @"^Steps take 1\.[45] times the rules of thumb here \(1\.\d to 1\.\d\), by 200 that were timed\.$",
            WeekWords.Said(pace)
        );
        var load = new Workload
        {
            Rules = 1,
            Left = [new("kind 1", false, 30), new("other", false, 30)],
            Share = 1,
        };
        Assert.Equal(
            "From the card, 2 steps; 1 of them timed here before.",
            WeekWords.From(pace.Of(null, load.Left), load, false)
        );
        Assert.Equal(
            "By the card’s rules of thumb, 2 steps: none like it was timed here yet.",
            WeekWords.From(NoTimes.Of(null, load.Left), load, false)
        );
        Assert.Equal(
            "A fitter’s own word, less what is done.",
            WeekWords.From(NoTimes.Of(null, load.Left), load, true)
        );
    }
}
