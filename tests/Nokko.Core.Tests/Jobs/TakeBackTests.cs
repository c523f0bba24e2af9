using Nokko.Core.Finding;
using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>Taking changes back: what comes back whole, what stays on the record, and what stands in the way.</summary>
public class TakeBackTests
{
    private readonly Workshop _shop = new();

    private TakeBack Of(JobCommand command) => new(_shop.Key(), command.CommandId);

    private static string Rows(JobDocument d) => JobJson.Canonical(d with { History = [] });

    /// <summary>Commands that only add or edit: each is undone to the same document.</summary>
    [Fact]
    public void What_is_taken_back_leaves_the_job_as_it_was()
    {
        _shop.Begun();
        var part = _shop.Plates();
        var joint = _shop.Document.Joints[0];
        JobCommand[] commands =
        [
            new SetTarget(
                _shop.Key(),
                0,
                new TargetInput(Datum.Hub, true, null, null, null, null),
                "level",
                null
            ),
            new SetLoads(
                _shop.Key(),
                0,
                [
                    new LoadInput(
                        _shop.Key(),
                        "winch",
                        Workshop.Typed("45", Unit.Kg),
                        Workshop.Typed("400", Unit.Mm),
                        null,
                        true
                    ),
                ]
            ),
            new PlaceStation(_shop.Key(), 0, "tow eye", 0, 0, Carrier.Frame, null, _shop.Round),
            new SetSuspension(_shop.Key(), 0, Axle.Front, SuspensionKind.Strut, []),
            new BeginWalkRound(
                _shop.Key(),
                _shop.Key(),
                _shop.Document.CurrentStage()!.Id,
                Workshop.Conditions()
            ),
            new SetConditions(_shop.Key(), _shop.Round, 0, Workshop.Conditions(Settled.No)),
            _shop.PlanWith(part),
            new SetSpec(
                _shop.Key(),
                joint.Id,
                0,
                Workshop.Typed("62", Unit.PoundFoot),
                null,
                null,
                "sheet 7"
            ),
            new DoStep(
                _shop.Key(),
                _shop.Key(),
                Progress.CardOf(_shop.Document).Steps[0].Key,
                3,
                null
            ),
            new NoteDeviation(_shop.Key(), _shop.Key(), "LF", "so", "thus", "therefore", null),
            // What is not written while nobody said it is nothing again.
            new SetLimit(_shop.Key(), 0, MechanismKind.Headlights, Workshop.Typed("20", Unit.Mm)),
        ];
        foreach (var command in commands)
        {
            var before = Rows(_shop.Document);
            _shop.Do(command);
            Assert.NotEqual(before, Rows(_shop.Document));
            _shop.Do(Of(command));
            Assert.Equal(before, Rows(_shop.Document));
        }
    }

    [Fact]
    public void Beginning_the_fitting_goes_back_whole_with_its_own_share_of_the_shelf()
    {
        _shop.ReadBefore();
        var part = _shop.Plates(4);
        _shop.Do(_shop.PlanWith(part));
        var before = Rows(_shop.Document);
        var begin = _shop.Begin();
        _shop.Do(begin);
        // Another job takes one meanwhile.
        _shop.Shelf[part.Id] = _shop.Shelf[part.Id] with
        {
            Count = 1,
        };
        _shop.Do(Of(begin));
        Assert.Equal(before, Rows(_shop.Document));
        Assert.Equal(3, _shop.Shelf[part.Id].Count);
    }

    [Fact]
    public void A_dropped_plan_comes_back_unless_the_work_has_gone_on()
    {
        _shop.ReadBefore();
        var part = _shop.Plates(8);
        var (a, b) = (_shop.PlanWith(part), _shop.PlanWith(part, null, "Plan B"));
        _shop.Do(a);
        _shop.Do(b);
        var drop = new DropPlan(_shop.Key(), a.Id, 0);
        _shop.Do(drop);
        _shop.Do(new ChoosePlan(_shop.Key(), b.Id, 0));
        _shop.Do(Of(drop));
        Assert.Equal(2, _shop.Document.DraftPlans().Count);
        Assert.Equal(b.Id, Assert.Single(_shop.Document.Plans, p => p.Chosen).Id);
        var again = new DropPlan(_shop.Key(), a.Id, 0);
        _shop.Do(again);
        _shop.Do(_shop.Begin());
        Assert.Equal(RefusalKind.Conflict, _shop.Refused(Of(again)).Kind);
    }

    [Fact]
    public void A_reading_is_never_removed_and_a_correction_goes_first()
    {
        _shop.Walk();
        var first = _shop.Reading("LF", "20 1/2");
        _shop.Do(first);
        var second = _shop.Reading("LF", "21", first.Id, "slip");
        _shop.Do(second);
        Assert.Equal(RefusalKind.Conflict, _shop.Refused(Of(first)).Kind);
        _shop.Do(Of(second));
        var back = Assert.Single(_shop.Document.Readings, r => r.IsTakenBack());
        Assert.Equal(second.Id, back.Supersedes);
        Assert.Equal(3, _shop.Document.Readings.Count);
    }

    [Fact]
    public void A_pass_over_a_joint_stays_on_the_record()
    {
        _shop.Begun();
        var pass = new TightenJoint(
            _shop.Key(),
            _shop.Key(),
            _shop.Document.Joints[0].Id,
            Pass.Hand,
            null,
            false,
            null,
            WheelPosition.Hanging,
            null
        );
        _shop.Do(pass);
        Assert.Equal(RefusalKind.Gate, _shop.Refused(Of(pass)).Kind);
    }

    [Fact]
    public void A_later_change_and_what_rests_on_it_stand_in_the_way()
    {
        var first = new SetTarget(
            _shop.Key(),
            0,
            new TargetInput(Datum.Hub, true, null, null, null, null),
            "one",
            null
        );
        _shop.Do(first);
        var second = first with { CommandId = _shop.Key(), Wish = "two" };
        _shop.Do(second);
        var why = _shop.Refused(Of(first));
        Assert.Equal((RefusalKind.Conflict, _shop.Document.Job.Id), (why.Kind, why.Row));
        _shop.Do(Of(second));
        _shop.Do(Of(first));
        Assert.Null(_shop.Document.Job.Wish);

        var round = new BeginWalkRound(
            _shop.Key(),
            _shop.Key(),
            Sample.AsFound.Id,
            Workshop.Conditions()
        );
        _shop.Do(round);
        _shop.Do(_shop.Reading("LF", "20 1/2") with { WalkRoundId = round.Id });
        Assert.Equal(RefusalKind.Gate, _shop.Refused(Of(round)).Kind);
    }

    [Fact]
    public void Only_the_last_hour_only_once_and_only_what_is_kept()
    {
        var target = new SetTarget(
            _shop.Key(),
            0,
            new TargetInput(Datum.Hub, true, null, null, null, null),
            "one",
            null
        );
        _shop.Do(target);
        var undo = Of(target);
        _shop.Do(undo);
        Assert.Contains(
            "taken back already",
            _shop.Refused(Of(target)).Message,
            StringComparison.Ordinal
        );
        Assert.Contains("anew", _shop.Refused(Of(undo)).Message, StringComparison.Ordinal);
        Assert.Equal(
            RefusalKind.Gone,
            _shop.Refused(new TakeBack(_shop.Key(), Sample.Id(77))).Kind
        );

        var late = target with { CommandId = _shop.Key() };
        _shop.Do(late);
        _shop.Now = _shop.Now.AddHours(2);
        Assert.Contains("last hour", _shop.Refused(Of(late)).Message, StringComparison.Ordinal);

        var entry = new HistoryEntry
        {
            Id = Sample.Id(3),
            Kind = "target changed",
            PersonId = Sample.Id(5),
            At = _shop.Now,
        };
        Assert.NotNull(TakeBack.WhyNot(new Recorded(entry, null, false), _shop.Now));
        foreach (var never in (string[])[HandOver.Said, TakeIn.Said, CorrectTakenIn.Said])
        {
            Assert.NotNull(
                TakeBack.WhyNot(new Recorded(entry with { Kind = never }, [], false), _shop.Now)
            );
        }
    }

    [Fact]
    public void A_forged_change_touches_no_row_of_another_job_and_no_list_that_is_none()
    {
        var strange = Sample.Reading(999, 40, "LF", 1);
        Refusal Forged(RecordedChange change) =>
            Assert
                .IsType<Decision.Refused>(
                    Decision.Of(
                        _shop.Document,
                        new TakeBack(_shop.Key(), Sample.Id(3)),
                        _shop.Context() with
                        {
                            Recorded = new Recorded(
                                new HistoryEntry
                                {
                                    Id = Sample.Id(3),
                                    Kind = "x",
                                    PersonId = Sample.Id(5),
                                    At = _shop.Now,
                                },
                                [change],
                                false
                            ),
                        }
                    )
                )
                .Why;
        var added = RecordedChange.Of(new RowChange.Added(strange));
        Assert.Equal(RefusalKind.Conflict, Forged(added).Kind);
        Assert.Equal(
            RefusalKind.Gate,
            Forged(added with { List = "accounts; drop table shops" }).Kind
        );
    }
}
