using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>How it drives before and after the work.</summary>
public class RoadTestTests
{
    private readonly Workshop _shop = new();

    private NoteRoadTest Drive(
        bool after,
        params (RoadQuestion Question, RoadTrouble Trouble)[] answers
    ) =>
        new(
            _shop.Key(),
            _shop.Key(),
            after,
            [.. answers.Select(a => new RoadAnswer(a.Question, a.Trouble, null))],
            _shop.Document.Drive(after) is null ? null : 0
        );

    private RoadCompared Of(RoadQuestion question) =>
        RoadCompared.Of(_shop.Document).Single(q => q.Question == question);

    [Theory]
    [InlineData(null, RoadTrouble.None, RoadChange.Fine)]
    [InlineData(null, RoadTrouble.Some, RoadChange.There)]
    [InlineData(RoadTrouble.None, RoadTrouble.None, RoadChange.Fine)]
    [InlineData(RoadTrouble.None, RoadTrouble.Some, RoadChange.New)]
    [InlineData(RoadTrouble.Some, RoadTrouble.Much, RoadChange.More)]
    [InlineData(RoadTrouble.Some, RoadTrouble.Some, RoadChange.Same)]
    [InlineData(RoadTrouble.Much, RoadTrouble.Some, RoadChange.Less)]
    [InlineData(RoadTrouble.Much, RoadTrouble.None, RoadChange.Gone)]
    public void What_is_there_after_the_work_is_held_against_before(
        RoadTrouble? was,
        RoadTrouble now,
        RoadChange change
    )
    {
        if (was is { } before)
        {
            _shop.Do(Drive(false, (RoadQuestion.Vibration, before)));
        }
        _shop.Begun();
        var open = Progress.OpenLinesOf(_shop.Document).Count;
        _shop.Do(Drive(true, (RoadQuestion.Vibration, now)));
        var compared = Of(RoadQuestion.Vibration);
        Assert.Equal(change, compared.Change);
        var worse = change is RoadChange.New or RoadChange.More or RoadChange.There;
        Assert.Equal(worse, compared.Worse);
        Assert.Equal(worse, compared.Look is not null);
        // What came with the work is a line to be closed before it leaves.
        Assert.Equal(open + (worse ? 1 : 0), Progress.OpenLinesOf(_shop.Document).Count);
        Assert.Null(Of(RoadQuestion.Pull).Change);
    }

    [Fact]
    public void Before_is_noted_before_and_after_is_noted_after()
    {
        Assert.Equal(
            "Nothing was fitted yet: this is a drive before the work.",
            _shop.Refused(Drive(true, (RoadQuestion.Pull, RoadTrouble.None))).Message
        );
        _shop.Begun();
        Assert.Contains(
            "can only be noted before",
            _shop.Refused(Drive(false, (RoadQuestion.Pull, RoadTrouble.None))).Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Noted_again_it_takes_the_place_of_what_was_noted_and_another_version_is_told()
    {
        _shop.Do(Drive(false, (RoadQuestion.Pull, RoadTrouble.Much)));
        var first = _shop.Document.RoadTests.Single();
        _shop.Do(Drive(false, (RoadQuestion.Wander, RoadTrouble.Some)));
        var second = _shop.Document.RoadTests.Single();
        Assert.Equal(first.Id, second.Id);
        Assert.Equal(RoadQuestion.Wander, second.Answers.Single().Question);
        _shop.Versions[second.Id] = 7;
        var refused = _shop.Refused(Drive(false, (RoadQuestion.Pull, RoadTrouble.None)));
        Assert.Equal(RefusalKind.Conflict, refused.Kind);
        Assert.Equal("version", refused.Field);
    }

    [Fact]
    public void A_drive_before_a_second_pass_tells_nothing_of_it()
    {
        _shop.Begun();
        _shop.Do(Drive(true, (RoadQuestion.Pull, RoadTrouble.None)));
        Assert.Equal(RoadChange.Fine, Of(RoadQuestion.Pull).Change);
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        _shop.Do(_shop.Begin("it is wanted"));
        Assert.Null(_shop.Document.Drive(true));
        Assert.Null(Of(RoadQuestion.Pull).Change);
        var row = _shop.Document.RoadTests.Single().Id;
        _shop.Do(Drive(true, (RoadQuestion.Pull, RoadTrouble.Much)) with { Version = 0 });
        Assert.Equal(RoadChange.There, Of(RoadQuestion.Pull).Change);
        Assert.Equal(row, _shop.Document.RoadTests.Single().Id);
    }

    [Fact]
    public void Nothing_answered_one_question_twice_and_no_answer_are_refused_where_they_stand()
    {
        Assert.Equal("answers", _shop.Refused(Drive(false)).Field);
        Assert.Equal(
            "answers[1]",
            _shop
                .Refused(
                    Drive(
                        false,
                        (RoadQuestion.Pull, RoadTrouble.None),
                        (RoadQuestion.Pull, RoadTrouble.Some)
                    )
                )
                .Field
        );
        Assert.Equal(
            "answers[0]",
            _shop.Refused(Drive(false, (RoadQuestion.Pull, (RoadTrouble)9))).Field
        );
        Assert.Equal(
            "answers[0].note",
            _shop
                .Refused(
                    Drive(false) with
                    {
                        Answers = [new(RoadQuestion.Noise, RoadTrouble.Some, new string('x', 201))],
                    }
                )
                .Field
        );
    }

    [Fact]
    public void Where_to_look_is_told_of_this_vehicle_and_this_work()
    {
        // Plates under the struts of an independent front.
        _shop.Begun();
        _shop.Do(
            Drive(true, [.. Enum.GetValues<RoadQuestion>().Select(q => (q, RoadTrouble.Some))])
        );
        Assert.Contains("Camber and toe", Of(RoadQuestion.Pull).Look, StringComparison.Ordinal);
        Assert.Contains("Toe first", Of(RoadQuestion.Wander).Look, StringComparison.Ordinal);
        Assert.Contains("Toe, set", Of(RoadQuestion.WheelOffCentre).Look, StringComparison.Ordinal);
        Assert.DoesNotContain("Pinion", Of(RoadQuestion.Vibration).Look!, StringComparison.Ordinal);
        var opened = Progress
            .CardOf(_shop.Document)
            .Joints.First(j => j.Kind != Nokko.Core.Fitting.JointKind.Wheel);
        Assert.Contains(opened.Place, Of(RoadQuestion.Noise).Look!, StringComparison.Ordinal);
        // The same words of a live axle in front.
        _shop.Document = _shop.Document with
        {
            Stages =
            [
                .. _shop.Document.Stages.Select(s =>
                    s with
                    {
                        Front = new() { Kind = SuspensionKind.CoilRadiusArm },
                    }
                ),
            ],
        };
        Assert.Contains(
            "drag link",
            Of(RoadQuestion.WheelOffCentre).Look,
            StringComparison.Ordinal
        );
        Assert.DoesNotContain("Camber", Of(RoadQuestion.Pull).Look!, StringComparison.Ordinal);
        Assert.StartsWith("Caster", Of(RoadQuestion.Wander).Look, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(PartKind.Block, "Caster: a rear that stands higher takes some of it.")]
    [InlineData(PartKind.WheelSpacer, "Tyre pressures left against right, and the wheels’ seats")]
    public void A_rear_that_was_lifted_takes_caster_in_front_and_what_lifts_nothing_does_not(
        PartKind kind,
        string says
    )
    {
        _shop.ReadBefore();
        var part = _shop.Plates() with { Kind = kind, Name = "piece" };
        _shop.Shelf[part.Id] = part;
        _shop.Do(_shop.PlanWith(part, corners: [Corner.LR, Corner.RR]));
        _shop.Do(_shop.Begin("it is wanted"));
        _shop.Do(Drive(true, (RoadQuestion.Wander, RoadTrouble.Some)));
        Assert.StartsWith(says, Of(RoadQuestion.Wander).Look, StringComparison.Ordinal);
    }

    [Fact]
    public void What_was_noted_of_a_drive_is_put_right_by_who_saw_it_as_it_stands()
    {
        _shop.ReadBefore();
        _shop.Do(Drive(false, (RoadQuestion.Vibration, RoadTrouble.Some)));
        _shop.Versions[_shop.Document.Drive(false)!.Id] = 7;
        var anew = Drive(false, (RoadQuestion.Vibration, RoadTrouble.Much));
        _shop.AssertRefused(anew with { Version = 6 }, RefusalKind.Conflict, "version");
        _shop.AssertRefused(anew with { Version = null }, RefusalKind.Conflict, "version");
        _shop.Do(anew with { Version = 7 });
        Assert.Equal(RoadTrouble.Much, Assert.Single(_shop.Document.Drive(false)!.Answers).Trouble);
    }
}
