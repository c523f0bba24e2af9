using Nokko.Core.Jobs;
using Nokko.Core.Proof;
using Nokko.Core.Tape;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What a check of a miss found, and what is best done next.</summary>
public class NoteCheckTests
{
    private readonly Workshop _shop = new();

    /// <summary>A plate of an inch under both struts; the left front came up by so much more than the right.</summary>
    private PlanProof Missed()
    {
        _shop.Document = _shop.Document with
        {
            Job = _shop.Document.Job with
            {
                Target = new()
                {
                    Datum = Datum.Hub,
                    Rake = Sample.Mm(15),
                    Tolerance = Sample.Mm(6),
                },
            },
        };
        _shop.Begun();
        _shop.DoTheWork();
        Tilted();
        return Proof();
    }

    /// <summary>As a spring that stands high at the left front tilts the whole body.</summary>
    private void Tilted() =>
        _shop.ReadAll(
            ("LF", "23 1/16"),
            ("LM", "42 3/8"),
            ("LR", "23 1/16"),
            ("RR", "22 5/8"),
            ("RM", "42"),
            ("RF", "22 11/16")
        );

    private PlanProof Proof() =>
        JobEvaluator
            .Evaluate(_shop.Document)
            .Proofs.Single(p => p.PlanId == _shop.Document.BegunPlan()!.Id);

    private NoteCheck Note(
        CauseKind kind,
        string where,
        bool wasIt,
        string? note = null,
        Guid? instead = null
    ) => new(_shop.Key(), _shop.Key(), Proof().WalkRoundId, kind, where, wasIt, note, instead);

    private static double Chance(PlanProof proof, CauseKind kind, string where) =>
        proof
            .Causes!.Classes.SelectMany(c => c.Causes)
            .Single(c => c.Kind == kind && c.Where == where)
            .Chance;

    [Fact]
    public void What_was_found_moves_the_chances_and_what_is_done_next()
    {
        var before = Missed();
        Assert.Equal(NextActKind.Check, before.Next.Kind);
        Assert.Equal((CauseKind.NotSeated, "LF"), (before.Next.Cause, before.Next.Where));

        _shop.Do(Note(CauseKind.NotSeated, "LF", false, "sits as it should"));
        var ruled = Proof();
        Assert.True(
            Chance(ruled, CauseKind.NotSeated, "LF") < Chance(before, CauseKind.NotSeated, "LF") / 3
        );
        Assert.NotEqual(CauseKind.NotSeated, ruled.Next.Cause);
        Assert.False(
            ruled.Causes!.Checks.Single(c => c is { Kind: CauseKind.NotSeated, Where: "LF" }).WasIt
        );

        // It was looked at once more: the one row says otherwise now.
        var row = _shop.Document.CheckedCauses.Single();
        Assert.Equal("sits as it should", row.Note);
        _shop.Do(Note(CauseKind.NotSeated, "LF", true, "isolator twice", row.Id));
        Assert.Equal(
            (true, "isolator twice", row.Id),
            (
                _shop.Document.CheckedCauses.Single().WasIt,
                _shop.Document.CheckedCauses.Single().Note,
                _shop.Document.CheckedCauses.Single().Id
            )
        );
        Assert.Equal(NextActKind.Mend, Proof().Next.Kind);

        // Read again after it was put right: it sits as wanted, and nothing is asked any more.
        _shop.ReadAll(
            ("LF", "22 3/8"),
            ("LM", "42"),
            ("LR", "22 7/8"),
            ("RR", "22 7/8"),
            ("RM", "42"),
            ("RF", "22 3/8")
        );
        Assert.Equal(NextActKind.Accept, Proof().Next.Kind);
    }

    [Fact]
    public void What_was_found_on_earlier_readings_was_put_right()
    {
        Missed();
        _shop.Do(Note(CauseKind.NotSeated, "LF", true));
        var found = Chance(Proof(), CauseKind.NotSeated, "LF");
        Tilted();
        var again = Proof();
        Assert.True(Chance(again, CauseKind.NotSeated, "LF") < found / 3);
        Assert.NotEqual(NextActKind.Mend, again.Next.Kind);
    }

    [Fact]
    public void It_is_taken_back_whole()
    {
        var before = Missed();
        var note = Note(CauseKind.NotSeated, "LF", true);
        _shop.Do(note);
        _shop.Do(new TakeBack(_shop.Key(), note.CommandId));
        Assert.Empty(_shop.Document.CheckedCauses);
        Assert.Equal(
            Chance(before, CauseKind.NotSeated, "LF"),
            Chance(Proof(), CauseKind.NotSeated, "LF"),
            9
        );
    }

    [Fact]
    public void Two_who_say_otherwise_are_told_and_the_same_said_twice_is_one()
    {
        Missed();
        _shop.Do(Note(CauseKind.NotSeated, "LF", true));
        Assert.Empty(_shop.Do(Note(CauseKind.NotSeated, "LF", true)).Changes);
        var refused = _shop.Refused(Note(CauseKind.NotSeated, "LF", false));
        Assert.Equal(RefusalKind.Conflict, refused.Kind);
        Assert.Contains("it was that", refused.Message, StringComparison.Ordinal);
        Assert.True(_shop.Document.CheckedCauses.Single().WasIt);
    }

    [Fact]
    public void What_cannot_be_checked_like_this_is_refused_in_words()
    {
        Missed();
        // Readings are the outcome of these.
        Assert.Equal("wasIt", _shop.Refused(Note(CauseKind.Slip, "LF", true)).Field);
        Assert.Equal("wasIt", _shop.Refused(Note(CauseKind.NotSettled, "vehicle", true)).Field);
        // Heights from the hub know no low tyre; no new spring came; nothing is there at such a place.
        Assert.Equal("cause", _shop.Refused(Note(CauseKind.TyreLow, "LF", true)).Field);
        Assert.Equal("cause", _shop.Refused(Note(CauseKind.OtherLoad, "front", true)).Field);
        Assert.Equal("cause", _shop.Refused(Note(CauseKind.NotSeated, "XX", true)).Field);
        Assert.Equal("cause", _shop.Refused(Note(CauseKind.LiftLine, "front", true)).Field);
        // Something else has a name.
        Assert.Equal("note", _shop.Refused(Note(CauseKind.Other, "vehicle", true, " ")).Field);
        _shop.Do(Note(CauseKind.Other, "vehicle", false));
        // Of readings that are gone nothing is noted.
        var old = Note(CauseKind.NotSeated, "LF", true);
        Tilted();
        Assert.Equal(RefusalKind.Gone, _shop.Refused(old).Kind);
    }

    [Fact]
    public void Before_anything_was_proved_nothing_is_checked()
    {
        _shop.Begun();
        Assert.Equal(
            RefusalKind.Gone,
            _shop
                .Refused(
                    new NoteCheck(
                        _shop.Key(),
                        _shop.Key(),
                        _shop.Round,
                        CauseKind.NotSeated,
                        "LF",
                        true,
                        null,
                        null
                    )
                )
                .Kind
        );
    }

    [Theory]
    [InlineData(null)]
    [InlineData(-8.0)]
    [InlineData(0.0)]
    public void Hubs_that_were_read_by_themselves_tell_a_low_tyre(double? lowered)
    {
        // Heights from the floor; the hubs too, each before and after.
        (string, string)[] before =
        [
            ("LF", "35"),
            ("LR", "37 1/4"),
            ("RR", "37 1/4"),
            ("RF", "35"),
        ];
        FromFloor(before);
        Hubs(0);
        _shop.Do(_shop.PlanWith(_shop.Plates()));
        _shop.Do(_shop.Begin());
        _shop.DoTheWork();
        // The plane of the body with the left front 8 mm low.
        FromFloor([("LF", "36 11/16"), ("LR", "37 1/4"), ("RR", "37 1/4"), ("RF", "37")]);
        Hubs(lowered ?? 0);
        var tyre = Chance(Proof(), CauseKind.TyreLow, "LF");
        Assert.True(
            lowered switch
            {
                null => tyre is > 0.02 and < 0.6,
                < 0 => tyre > 0.7,
                _ => tyre < 0.02,
            },
            $"{lowered}: {tyre}"
        );

        void FromFloor((string Station, string Typed)[] lips)
        {
            _shop.Walk();
            _shop.Document = _shop.Document with
            {
                WalkRounds =
                [
                    .. _shop.Document.WalkRounds.Select(w =>
                        w.Id == _shop.Round ? w with { Datum = Datum.Floor } : w
                    ),
                ],
            };
            foreach (var (station, typed) in lips)
            {
                _shop.Do(_shop.Reading(station, typed) with { From = Datum.Floor });
            }
        }

        void Hubs(double by)
        {
            if (lowered is null)
            {
                return;
            }
            var like = _shop.Document.Readings[^1];
            _shop.Document = _shop.Document with
            {
                Readings =
                [
                    .. _shop.Document.Readings,
                    .. Core.Vehicles.Corners.All.Select(c =>
                        like with
                        {
                            Id = _shop.Key(),
                            Kind = ReadingKind.Length,
                            From = null,
                            Measure = Measures.HubHeight,
                            Place = new()
                            {
                                Kind = PlaceKind.Wheel,
                                Name = Core.Vehicles.Corners.Name(c),
                            },
                            Value = Sample.Mm(371 + (c == Core.Vehicles.Corner.LF ? by : 0)),
                        }
                    ),
                ],
            };
        }
    }
}
