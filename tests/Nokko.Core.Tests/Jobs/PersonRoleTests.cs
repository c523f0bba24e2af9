using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What a viewer and an apprentice may not do, whatever they send.</summary>
public class PersonRoleTests
{
    private readonly Workshop _shop = new();

    [Fact]
    public void Every_role_has_a_word_and_only_owner_and_fitter_answer_for_a_vehicle()
    {
        PersonRole[] all = Enum.GetValues<PersonRole>();
        Assert.Equal(all.Length, all.Select(r => r.Said()).Distinct().Count());
        Assert.Equal([PersonRole.Owner, PersonRole.Fitter], all.Where(r => r.Answers()));
        Assert.Equal(all.Length, all.Select(r => r.May()).Distinct().Count());
        Assert.Throws<ArgumentOutOfRangeException>(() => ((PersonRole)9).Said());
        Assert.Throws<ArgumentOutOfRangeException>(() => ((PersonRole)9).May());
    }

    [Fact]
    public void A_viewer_changes_nothing_of_a_job_and_nothing_of_the_shop()
    {
        var before = _shop.Document;
        _shop.Role = PersonRole.Viewer;
        var round = new BeginWalkRound(
            _shop.Key(),
            _shop.Key(),
            before.CurrentStage()!.Id,
            Workshop.Conditions()
        );
        Assert.Equal(
            (RefusalKind.BadValue, "You look on here and change nothing. Ask the shop's owner."),
            (_shop.Refused(round).Kind, _shop.Refused(round).Message)
        );
        var tip = new AddTip(_shop.Key(), _shop.Key(), OperationKind.Strut, "Tap it");
        Assert.IsType<Decision.Refused>(tip.On(new ShopState(), _shop.Context()));
        _shop.Role = PersonRole.Apprentice;
        Assert.IsType<Decision.Made>(tip.On(new ShopState(), _shop.Context()));
        _shop.Do(round);
    }

    [Fact]
    public void An_apprentice_s_eyes_are_no_second_pair()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "vehicle/wheels-final");
        var joint = _shop.Document.Joints.First(j => j.Kind.IsLookedAt());
        var look = new LookOver(_shop.Key(), _shop.Key(), joint.Id);
        (_shop.PersonId, _shop.Role) = (Sample.Id(6), PersonRole.Apprentice);
        Assert.Contains(
            "the second pair of eyes is a fitter's",
            _shop.Refused(look).Message,
            StringComparison.Ordinal
        );
        _shop.Role = PersonRole.Fitter;
        _shop.Do(look);
    }

    [Fact]
    public void An_apprentice_passes_no_gate_with_a_reason_and_hands_nothing_over()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "vehicle/wheels-final");
        DoStep Eyes(string? reason) =>
            new(_shop.Key(), _shop.Key(), DoStep.SecondEyes, null, reason, null);
        HandOver Over() => new(_shop.Key(), 0, null, null, [], "Owner waits");
        _shop.Role = PersonRole.Apprentice;
        foreach (var reason in (string?[])[null, "Nobody else is here"])
        {
            Assert.Contains(
                "A fitter decides that",
                _shop.Refused(Eyes(reason)).Message,
                StringComparison.Ordinal
            );
        }
        Assert.Equal(
            "A vehicle leaves on a fitter's word. A fitter decides that: let one sign in.",
            _shop.Refused(Over()).Message
        );
        // What is no gate an apprentice does.
        _shop.Do(
            new NoteDeviation(
                _shop.Key(),
                _shop.Key(),
                "LF",
                "As the sheet",
                "Otherwise",
                "Bolt short",
                "at the hand-over"
            )
        );
        _shop.Role = PersonRole.Fitter;
        Assert.Equal(RefusalKind.Gate, _shop.Refused(Eyes(null)).Kind);
        _shop.Do(Eyes("Nobody else is here"));
        _shop.Do(Over());
    }
}
