using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Tests.Jobs;
using Nokko.Core.Year;
using Xunit;

namespace Nokko.Core.Tests.Year;

/// <summary>What one job adds to the shop's year.</summary>
public class YearFactsTests
{
    private readonly Workshop _shop = new();

    private YearFacts? Facts() =>
        YearFacts.Of(_shop.Document, JobEvaluator.StancesOf(_shop.Document));

    private void Fitted()
    {
        _shop.Begun();
        _shop.DoTheWork();
    }

    private void Leave(string? reason = "open lines are known")
    {
        _shop.Now = _shop.Now.AddHours(1);
        _shop.Do(new HandOver(_shop.Key(), 0, null, null, [], reason));
    }

    /// <summary>Reads both ends so that the rake is level or off by two inches.</summary>
    private void Read(bool level)
    {
        _shop.Now = _shop.Now.AddHours(1);
        var front = level ? "22 7/8" : "20 7/8";
        _shop.ReadAll(("LF", front), ("LR", "22 7/8"), ("RR", "22 7/8"), ("RF", front));
    }

    private Verdict? Verdict() =>
        JobEvaluator
            .Evaluate(_shop.Document)
            .Proofs.SingleOrDefault(p => p.PlanId == _shop.Document.BegunPlan()!.Id)
            ?.Overall;

    [Fact]
    public void Only_what_left_is_counted_and_only_what_was_done_here()
    {
        Assert.Null(Facts());
        Leave();
        Assert.Equal((FirstTime.NotFitted, 0), (Facts()!.First, Facts()!.Passes));
        var d = _shop.Document;
        _shop.Document = d with { Job = d.Job with { CopiedAt = _shop.Now } };
        Assert.Null(Facts());
        _shop.Document = d with { Job = d.Job with { BinnedAt = _shop.Now } };
        Assert.Null(Facts());
        _shop.Document = d;
        _shop.Walk();
        _shop.Document = _shop.Document with
        {
            WalkRounds = [.. _shop.Document.WalkRounds.Select(w => w with { Told = true })],
        };
        Assert.Null(Facts());
    }

    [Fact]
    public void It_was_right_when_the_first_plan_sat_as_wanted_before_it_left()
    {
        Fitted();
        Read(level: true);
        Assert.Equal(Nokko.Core.Proof.Verdict.Reached, Verdict());
        Leave();
        Assert.Equal((FirstTime.Right, 1), (Facts()!.First, Facts()!.Passes));
        // What it settled afterwards is another question.
        _shop.Now = _shop.Now.AddDays(20);
        Read(level: false);
        Assert.Equal(Nokko.Core.Proof.Verdict.NotReached, Verdict());
        Assert.Equal(FirstTime.Right, Facts()!.First);
    }

    [Fact]
    public void It_missed_when_it_did_not_and_nobody_can_tell_what_was_not_read()
    {
        Fitted();
        var unread = _shop.Document;
        Leave();
        Assert.Equal(FirstTime.Untold, Facts()!.First);
        _shop.Document = unread;
        Read(level: false);
        Leave();
        Assert.Equal(FirstTime.Missed, Facts()!.First);
    }

    [Fact]
    public void What_was_timed_found_and_said_is_in_it()
    {
        Fitted();
        Leave();
        var d = _shop.Document;
        var plan = d.BegunPlan()!.Id;
        StepEntry Step(int id, double? minutes, double? usual) =>
            new()
            {
                Id = Sample.Id(id),
                PlanId = plan,
                Step = $"s{id}",
                Minutes = minutes,
                Usual = usual,
                PersonId = Sample.Id(5),
                At = _shop.Now,
            };
        CheckedCause Cause(int id, CauseKind kind, bool wasIt) =>
            new()
            {
                Id = Sample.Id(id),
                PlanId = plan,
                WalkRoundId = Sample.Id(1),
                Kind = kind,
                Where = "LF",
                WasIt = wasIt,
                PersonId = Sample.Id(5),
                At = _shop.Now,
            };
        _shop.Document = d with
        {
            Steps = [Step(900, 30, 20), Step(901, null, 45), Step(902, 12, null), Step(903, 8, 10)],
            CheckedCauses =
            [
                Cause(910, CauseKind.TyreLow, true),
                Cause(911, CauseKind.Slip, false),
                Cause(912, CauseKind.TyreLow, true),
            ],
            Job = d.Job with
            {
                Comeback = new()
                {
                    For = ComebackFor.Lean,
                    Words = "nobody's words are kept",
                    Cause = ComebackCause.Part,
                },
            },
        };
        var facts = Facts()!;
        Assert.Equal((30, 38, 2), (facts.UsualMinutes, facts.TakenMinutes, facts.Steps));
        Assert.Equal([CauseKind.TyreLow], facts.Causes);
        Assert.Equal(new YearComeback(ComebackFor.Lean, ComebackCause.Part), facts.Comeback);
    }
}
