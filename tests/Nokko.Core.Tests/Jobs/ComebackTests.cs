using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>A vehicle that comes back for work that was done here.</summary>
public class ComebackTests
{
    private readonly Workshop _shop = new();

    private SayComeback Say(ComebackInput? what) => new(_shop.Key(), 0, what);

    private void WasHere() =>
        _shop.Document = _shop.Document with
        {
            Stages = [.. _shop.Document.Stages.Select(s => s with { JobId = Sample.Id(77) })],
        };

    [Fact]
    public void Only_what_was_here_can_come_back()
    {
        _shop.AssertRefused(
            Say(new(ComebackFor.Noise, null)),
            RefusalKind.BadValue,
            "comeback.for"
        );
        WasHere();
        _shop.Do(Say(new(ComebackFor.Noise, "clunks over kerbs")));
        Assert.Equal(
            new Comeback { For = ComebackFor.Noise, Words = "clunks over kerbs" },
            _shop.Document.Job.Comeback
        );
        _shop.Do(Say(null));
        Assert.Null(_shop.Document.Job.Comeback);
    }

    [Fact]
    public void What_it_comes_for_is_chosen_and_something_else_is_said()
    {
        WasHere();
        _shop.AssertRefused(Say(new(null, "x")), RefusalKind.BadValue, "comeback.for");
        _shop.AssertRefused(Say(new((ComebackFor)99, "x")), RefusalKind.BadValue, "comeback.for");
        _shop.AssertRefused(
            Say(new(ComebackFor.Other, " ")),
            RefusalKind.BadValue,
            "comeback.words"
        );
        _shop.AssertRefused(
            Say(new(ComebackFor.Lean, null, (ComebackCause)99)),
            RefusalKind.BadValue,
            "comeback.cause"
        );
    }

    [Fact]
    public void Whoever_saw_an_older_one_is_told()
    {
        WasHere();
        _shop.Versions[_shop.Document.Job.Id] = 7;
        Assert.Equal(
            RefusalKind.Conflict,
            _shop.Refused(Say(new(ComebackFor.Lean, null)) with { Version = 6 }).Kind
        );
        _shop.Do(Say(new(ComebackFor.Lean, null)) with { Version = 7 });
    }

    [Fact]
    public void It_leaves_with_what_it_came_back_by_or_in_writing()
    {
        WasHere();
        _shop.Do(Say(new(ComebackFor.Rubs, null)));
        var leave = new HandOver(_shop.Key(), 0, null, null, []);
        var why = _shop.Refused(leave);
        Assert.Equal((RefusalKind.Gate, "reason"), (why.Kind, why.Field));
        Assert.Contains("rubs or hits", why.Message, StringComparison.Ordinal);
        Assert.IsType<Decision.Made>(_shop.Try(leave with { Reason = "owner was in a hurry" }));
        _shop.Do(Say(new(ComebackFor.Rubs, null, ComebackCause.Fitting, "liner clip left off")));
        _shop.Do(leave);
        Assert.Empty(_shop.Document.Deviations);
        // What is found out later is noted all the same.
        _shop.Do(Say(new(ComebackFor.Rubs, null, ComebackCause.Part, "liner of another year")));
        Assert.Equal(ComebackCause.Part, _shop.Document.Job.Comeback!.Cause);
    }

    [Fact]
    public void It_is_taken_back_whole()
    {
        WasHere();
        var before = JobJson.Canonical(_shop.Document with { History = [] });
        var said = Say(new(ComebackFor.Steers, null));
        _shop.Do(said);
        _shop.Do(new TakeBack(_shop.Key(), said.CommandId));
        Assert.Equal(before, JobJson.Canonical(_shop.Document with { History = [] }));
    }

    [Fact]
    public void Every_choice_has_its_own_words()
    {
        var whats = Enum.GetValues<ComebackFor>().Select(w => w.Said()).ToArray();
        Assert.Equal(whats.Length, whats.Distinct().Count());
        var causes = Enum.GetValues<ComebackCause>().Select(c => c.Said()).ToArray();
        Assert.Equal(causes.Length, causes.Distinct().Count());
        Assert.Equal(
            [ComebackCause.Use, ComebackCause.NotOurs],
            Enum.GetValues<ComebackCause>().Where(c => !c.IsOurs())
        );
    }
}
