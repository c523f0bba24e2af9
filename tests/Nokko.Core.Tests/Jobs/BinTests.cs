using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What is thrown away, what may not be, and how it comes back.</summary>
public class BinTests
{
    private readonly Workshop _shop = new();

    private static string Rows(JobDocument d) => JobJson.Canonical(d with { History = [] });

    [Fact]
    public void A_job_lies_in_the_bin_untouched_until_it_is_brought_back()
    {
        _shop.ReadBefore();
        _shop.Roster = new ShopRoster(["bay 1"], []);
        var before = Rows(_shop.Document);
        _shop.Do(
            new BookWork(
                _shop.Key(),
                _shop.Key(),
                "bay 1",
                DateOnly.FromDateTime(_shop.Now.UtcDateTime.AddDays(1)),
                480,
                []
            )
        );
        _shop.Do(new BinJob(_shop.Key(), 0));

        // It leaves the week, and the yard unless somebody looks for it.
        Assert.Null(_shop.Document.Booked());
        var results = JobEvaluator.Evaluate(_shop.Document);
        var facts = YardFacts.Of(_shop.Document, results);
        Assert.Equal(NeedKind.Binned, facts.Need.Kind);
        Assert.True(facts.IsClosed());

        // Nobody works on it meanwhile, by no command but those that bring it back.
        foreach (
            var command in (JobCommand[])
                [
                    _shop.Reading("LF", "20 3/4"),
                    new BinJob(_shop.Key(), 0),
                    new CancelBooking(_shop.Key(), 0),
                    new BinWalkRound(_shop.Key(), _shop.Round, 0),
                ]
        )
        {
            Assert.Contains(
                "lies in the bin",
                _shop.Refused(command).Message,
                StringComparison.Ordinal
            );
        }
        _shop.Do(new RestoreJob(_shop.Key()));
        Assert.Equal(before, Rows(_shop.Document));
        Assert.Equal(RefusalKind.Gone, _shop.Refused(new RestoreJob(_shop.Key())).Kind);
    }

    [Fact]
    public void Two_jobs_of_a_vehicle_are_never_open_at_once()
    {
        _shop.Do(new BinJob(_shop.Key(), 0));
        var decision = Decision.Of(
            _shop.Document,
            new RestoreJob(_shop.Key()),
            _shop.Context() with
            {
                OtherOpenJob = Sample.Id(900),
            }
        );
        Assert.Contains(
            "Another job of this vehicle is open",
            Assert.IsType<Decision.Refused>(decision).Why.Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_was_done_to_a_vehicle_is_not_thrown_away()
    {
        _shop.Begun();
        Assert.Contains(
            "was begun",
            _shop.Refused(new BinJob(_shop.Key(), 0)).Message,
            StringComparison.Ordinal
        );
        // The round on which the plan was agreed stays with it.
        Assert.Contains(
            "rests on it",
            _shop.Refused(new BinWalkRound(_shop.Key(), _shop.Round, 0)).Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Throwing_a_job_away_is_not_taken_back_past_the_question_for_other_jobs()
    {
        var thrown = new BinJob(_shop.Key(), 0);
        _shop.Do(thrown);
        Assert.Contains(
            "out of the bin",
            _shop.Refused(new TakeBack(_shop.Key(), thrown.CommandId)).Message,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData(89, true)]
    [InlineData(91, false)]
    public void A_walk_round_goes_with_all_that_was_read_and_comes_back_for_ninety_days(
        int days,
        bool comes
    )
    {
        _shop.ReadBefore();
        var before = Rows(_shop.Document);
        var thrown = new BinWalkRound(_shop.Key(), _shop.Round, 0);
        _shop.Do(thrown);
        Assert.Empty(_shop.Document.WalkRounds);
        Assert.Empty(_shop.Document.Readings);
        _shop.Now = _shop.Now.AddDays(days);
        var back = new TakeBack(_shop.Key(), thrown.CommandId);
        if (comes)
        {
            _shop.Do(back);
            Assert.Equal(before, Rows(_shop.Document));
        }
        else
        {
            Assert.Equal(RefusalKind.Gate, _shop.Refused(back).Kind);
        }
    }

    [Fact]
    public void A_plan_comes_back_after_weeks_but_not_once_the_work_went_on_without_it()
    {
        _shop.ReadBefore();
        var plan = _shop.PlanWith(_shop.Plates());
        _shop.Do(plan);
        var dropped = plan.Id;
        var drop = new DropPlan(_shop.Key(), dropped, 0);
        _shop.Do(drop);
        _shop.Now = _shop.Now.AddDays(30);
        _shop.Do(new TakeBack(_shop.Key(), drop.CommandId));
        Assert.Contains(_shop.Document.Plans, p => p.Id == dropped);

        var again = new DropPlan(_shop.Key(), dropped, 0);
        _shop.Do(again);
        _shop.Do(_shop.PlanWith(_shop.Plates(), name: "Plan B"));
        _shop.Do(_shop.Begin());
        Assert.Contains(
            "gone on since",
            _shop.Refused(new TakeBack(_shop.Key(), again.CommandId)).Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Of_a_job_that_was_handed_over_nothing_is_thrown_away_or_brought_back()
    {
        _shop.ReadBefore();
        var round = _shop.Round;
        _shop.ReadBefore();
        var thrown = new BinWalkRound(_shop.Key(), round, 0);
        _shop.Do(thrown);
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with { HandedOverAt = _shop.Now, HandedOverBy = Sample.Id(5) },
        };
        _shop.Now = _shop.Now.AddDays(1);
        Assert.Equal(RefusalKind.Gate, _shop.Refused(new BinJob(_shop.Key(), 0)).Kind);
        Assert.Equal(
            RefusalKind.Gate,
            _shop.Refused(new BinWalkRound(_shop.Key(), _shop.Round, 0)).Kind
        );
        Assert.Contains(
            "handed over",
            _shop.Refused(new TakeBack(_shop.Key(), thrown.CommandId)).Message,
            StringComparison.Ordinal
        );
    }
}
