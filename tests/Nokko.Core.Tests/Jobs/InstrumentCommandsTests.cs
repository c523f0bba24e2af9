using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Tests.WalkRounds;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>The register of instruments, and what it makes of what was read with them.</summary>
public class InstrumentCommandsTests
{
    private static readonly DateOnly Day = new(2026, 3, 2);

    private readonly Workshop _shop = new();

    private static Instrument Tape(params InstrumentCheck[] checks) =>
        InstrumentTests.Of(InstrumentKind.Tape, checks) with
        {
            Id = Sample.Id(900),
            Name = "Tape 3",
        };

    private Decision On(ShopCommand command, Instrument? there = null, params string[] others) =>
        command.On(new ShopState { Instrument = there, InstrumentNames = others }, _shop.Context());

    private static Refusal Why(Decision decision) => Assert.IsType<Decision.Refused>(decision).Why;

    private static Instrument Row(Decision decision) =>
        Assert.IsType<Instrument>(
            Assert.Single(Assert.IsType<Decision.Made>(decision).Changes).Row
        );

    private SaveInstrument Save(string name = " Tape 3 ", int? days = null, uint? version = null) =>
        new(_shop.Key(), Sample.Id(900), version, InstrumentKind.Tape, name, " 118 ", days);

    private CheckInstrument Check(
        string truth = "1000",
        string said = "1001.5",
        DateOnly? day = null,
        Unit? unit = null,
        string against = "bar"
    ) =>
        new(
            _shop.Key(),
            Sample.Id(900),
            Sample.Id(950),
            day ?? Day,
            against,
            Workshop.Typed(truth, unit ?? Unit.Mm),
            Workshop.Typed(said, unit ?? Unit.Mm),
            null
        );

    [Fact]
    public void It_goes_into_the_register_with_its_number_and_stays_what_it_is()
    {
        var made = Row(On(Save()));
        Assert.Equal(
            ("Tape 3", "118", 365, InstrumentKind.Tape),
            (made.Name, made.Serial, made.CheckDays, made.Kind)
        );
        Assert.Equal("name", Why(On(Save(" "))).Field);
        Assert.Equal("name", Why(On(Save("tape 3"), null, "Tape 3")).Field);
        Assert.Equal("checkDays", Why(On(Save(days: 0))).Field);
        Assert.Equal("checkDays", Why(On(Save(days: 3651))).Field);
        Assert.Equal(3650, Row(On(Save(days: 3650))).CheckDays);
        Assert.Equal(1, Row(On(Save(days: 1))).CheckDays);
        Assert.Equal("instrument", Why(On(Save() with { Instrument = (InstrumentKind)99 })).Field);
        // A wrench does not become a tape, and its checks stay.
        var wrench = InstrumentTests.Of(
            InstrumentKind.TorqueWrench,
            InstrumentTests.Check(
                1,
                Sample.Of(100, Unit.NewtonMetre),
                Sample.Of(104, Unit.NewtonMetre)
            )
        );
        var renamed = Row(On(Save("Wrench 1"), wrench));
        Assert.Equal((InstrumentKind.TorqueWrench, "Wrench 1"), (renamed.Kind, renamed.Name));
        Assert.Single(renamed.Checks);
        // Put away once, it keeps its day; taken out again it has none.
        var away = Row(On(Save() with { PutAway = true }, Tape()));
        Assert.Equal(_shop.Now, away.PutAwayAt);
        _shop.Now = _shop.Now.AddDays(1);
        Assert.Equal(away.PutAwayAt, Row(On(Save() with { PutAway = true }, away)).PutAwayAt);
        Assert.Null(Row(On(Save(), away)).PutAwayAt);
        _shop.Versions[Sample.Id(900)] = 7;
        Assert.Equal(RefusalKind.Conflict, Why(On(Save(version: 6), Tape())).Kind);
        Assert.IsType<Decision.Made>(On(Save(version: 7), Tape()));
    }

    [Fact]
    public void A_check_needs_both_numbers_and_none_that_nobody_could_work_with()
    {
        var made = Row(On(Check(), Tape()));
        Assert.Equal(1.5, made.At(_shop.Now).Error, 1e-9);
        Assert.Equal(RefusalKind.Gone, Why(On(Check())).Kind);
        Assert.Equal("truth", Why(On(Check(truth: " "), Tape())).Field);
        Assert.Equal("said", Why(On(Check(said: " "), Tape())).Field);
        Assert.Equal("against", Why(On(Check(against: " "), Tape())).Field);
        Assert.Equal("said", Why(On(Check(said: "1025.1"), Tape())).Field);
        Assert.Equal("said", Why(On(Check(said: "974.9"), Tape())).Field);
        Assert.IsType<Decision.Made>(On(Check(said: "1025"), Tape()));
        Assert.Equal("day", Why(On(Check(day: Day.AddDays(2)), Tape())).Field);
        Assert.IsType<Decision.Made>(On(Check(day: Day.AddDays(1)), Tape()));
        var gauge = Tape() with { Kind = InstrumentKind.AngleGauge };
        Assert.Equal("said", Why(On(Check("0", "5.1", unit: Unit.Degree), gauge)).Field);
        Assert.IsType<Decision.Made>(On(Check("0", "5", unit: Unit.Degree), gauge));
        Assert.IsType<Decision.Made>(On(Check("-3", "-3.1", unit: Unit.Degree), gauge));
        var wrench = Tape() with { Kind = InstrumentKind.TorqueWrench };
        Assert.Equal("said", Why(On(Check("100", "126", unit: Unit.NewtonMetre), wrench)).Field);
        Assert.Equal("truth", Why(On(Check("0", "0", unit: Unit.NewtonMetre), wrench)).Field);
        Assert.IsType<Decision.Made>(On(Check("100", "124", unit: Unit.NewtonMetre), wrench));
        // Sent twice it is one check.
        Assert.Single(Row(On(Check(), made)).Checks);
    }

    [Fact]
    public void A_fall_has_a_time_and_a_word_and_slips_are_taken_back()
    {
        NoteMishap Fell(int minutes, string what) =>
            new(_shop.Key(), Sample.Id(900), Sample.Id(980), _shop.Now.AddMinutes(minutes), what);
        Assert.Equal("what", Why(On(Fell(0, " "), Tape())).Field);
        Assert.Equal("happenedAt", Why(On(Fell(6, "fell"), Tape())).Field);
        var fallen = Row(On(Fell(5, " fell "), Tape()));
        Assert.Equal("fell", fallen.Doubted!.What);
        Assert.Single(Row(On(Fell(1, "fell"), fallen)).Mishaps);
        DropInstrumentNote Drop(Guid note) => new(_shop.Key(), Sample.Id(900), note);
        Assert.Null(Row(On(Drop(Sample.Id(980)), fallen)).Doubted);
        Assert.Empty(Row(On(Drop(Sample.Id(950)), Row(On(Check(), Tape())))).Checks);
        Assert.Equal(RefusalKind.Gone, Why(On(Drop(Sample.Id(981)), fallen)).Kind);
        _shop.Role = PersonRole.Viewer;
        Assert.IsType<Decision.Refused>(On(Fell(0, "fell"), Tape()));
    }

    [Fact]
    public void A_reading_keeps_what_was_known_of_its_tape_when_it_was_taken()
    {
        _shop.Walk();
        var tape = Tape(
            InstrumentTests.Check(1, Sample.Mm(1000), Sample.Mm(1001.5), on: Day.AddDays(-3))
        );
        var with = _shop.Reading("LF", "20 1/2") with { InstrumentId = tape.Id };
        Assert.Equal([tape.Id], with.InstrumentsNamed());
        Assert.Empty(_shop.Reading("LF", "20 1/2").InstrumentsNamed());
        Assert.Equal("instrumentId", _shop.Refused(with).Field);
        _shop.Instruments.Add(tape);
        _shop.Do(with);
        var kept = _shop.Document.Readings[^1];
        Assert.Equal(("Tape 3", 1.5), (kept.By!.Name, Math.Round(kept.By.Error, 9)));
        Assert.Equal(20.5, kept.Value!.Value);
        var stance = JobEvaluator.StancesOf(_shop.Document)[^1].At("LF")!;
        Assert.Equal((20.5 * 25.4) - 1.5, stance.Height.Value!.Value, 1e-9);
        // A gauge measures no height, and a tape no angle.
        _shop.Instruments[0] = Tape() with
        {
            Kind = InstrumentKind.AngleGauge,
        };
        Assert.Equal("instrumentId", _shop.Refused(with with { Id = _shop.Key() }).Field);
        var angle = new StoreMeasure(
            _shop.Key(),
            _shop.Key(),
            _shop.Round,
            Measures.BodyAngle,
            "vehicle",
            "1.5",
            null,
            [],
            _shop.Now,
            null,
            null,
            InstrumentId: tape.Id
        );
        Assert.Equal([tape.Id], angle.InstrumentsNamed());
        _shop.Do(angle);
        Assert.Equal(
            [tape.Id, tape.Id],
            new BringInReadings(_shop.Key(), [with], [angle]).InstrumentsNamed()
        );
        _shop.Instruments[0] = tape;
        Assert.Equal("instrumentId", _shop.Refused(angle with { Id = _shop.Key() }).Field);
    }

    [Fact]
    public void What_is_found_out_later_marks_what_was_read_and_changes_no_number()
    {
        _shop.Walk();
        var counted = InstrumentTests.Check(
            1,
            Sample.Mm(1000),
            Sample.Mm(1001),
            on: Day.AddDays(-40)
        );
        var tape = Tape(counted);
        _shop.Instruments.Add(tape);
        _shop.Do(_shop.Reading("LF", "20 1/2") with { InstrumentId = tape.Id });
        _shop.Do(_shop.Reading("RF", "20 1/2") with { InstrumentId = tape.Id });
        _shop.Do(_shop.Reading("RR", "22 7/8"));

        // It was due ten days before.
        var overdue = Assert.Single(Marks(tape));
        Assert.Equal(
            (InstrumentDoubt.Overdue, Day.AddDays(-10), 2, false),
            (overdue.Doubt, overdue.On, overdue.RestsOn.Count, overdue.Stops())
        );
        Assert.Equal(_shop.Document.Readings.Take(2).Select(r => r.Id).Order(), overdue.RestsOn);
        Assert.Single(Marks()); // also where nobody knows the register
        // Between the two it fell: only the second one is doubted.
        var fallen = tape with
        {
            Mishaps =
            [
                new()
                {
                    Id = Sample.Id(980),
                    At = _shop.Document.Readings[0].TakenAt.AddSeconds(30),
                    What = "fell",
                    PersonId = Sample.Id(5),
                },
            ],
        };
        Assert.Equal(
            [(InstrumentDoubt.Mishap, 1, true), (InstrumentDoubt.Overdue, 1, false)],
            Marks(fallen).Select(m => (m.Doubt, m.RestsOn.Count, m.Stops()))
        );
        // A later check that finds it as it was clears both; one that finds it off marks all.
        InstrumentCheck Later(double said) =>
            InstrumentTests.Check(2, Sample.Mm(1000), Sample.Mm(said), on: Day, at: 600);
        Assert.Empty(Marks(fallen with { Checks = [counted, Later(1001.6)] }));
        var off = Assert.Single(Marks(fallen with { Checks = [counted, Later(1004)] }));
        Assert.Equal((InstrumentDoubt.FoundOff, Day, 2), (off.Doubt, off.On, off.RestsOn.Count));
        Assert.Equal(3, off.Off!.In(Unit.Mm), 1e-9);
        // √(0.25² + 0.3²) each: twice their root is 1.1 mm.
        Assert.Empty(Marks(tape with { Checks = [counted, Later(1002.1)] }));
        Assert.Single(Marks(tape with { Checks = [counted, Later(1002.11)] }));
        // An older check that was noted late tells nothing of today.
        Assert.Equal(
            InstrumentDoubt.Overdue,
            Assert
                .Single(
                    Marks(
                        tape with
                        {
                            Checks = [counted, Later(1009) with { On = Day.AddDays(-1) }],
                        }
                    )
                )
                .Doubt
        );
        // What was corrected since is not meant any more.
        _shop.Do(_shop.Reading("RF", "20 9/16", _shop.Document.Readings[1].Id, "slipped"));
        Assert.Single(Assert.Single(Marks(tape)).RestsOn);

        IReadOnlyList<InstrumentMark> Marks(params Instrument[] register) =>
            InstrumentMark.Of(_shop.Document, register);
    }

    [Fact]
    public void A_torque_is_held_against_its_spec_as_it_really_was()
    {
        _shop.Begun();
        _shop.DoUntil(s => s.Key == "LF/snug");
        var joint = _shop.Document.Joints.Single(j => j.Place == "LF upper ball joint to upright");
        _shop.Do(
            new SetSpec(
                _shop.Key(),
                joint.Id,
                0,
                Workshop.Typed("100", Unit.NewtonMetre),
                null,
                null,
                "sheet"
            )
        );
        var wrench = InstrumentTests.Of(
            InstrumentKind.TorqueWrench,
            InstrumentTests.Check(
                1,
                Sample.Of(100, Unit.NewtonMetre),
                Sample.Of(110, Unit.NewtonMetre),
                on: Day.AddDays(-1)
            )
        );
        _shop.Instruments.Add(wrench);
        TightenJoint Pull(string value, Guid? by) =>
            new(
                _shop.Key(),
                _shop.Key(),
                joint.Id,
                Pass.Final,
                Workshop.Typed(value, Unit.NewtonMetre),
                false,
                null,
                WheelPosition.Hanging,
                null,
                InstrumentId: by
            );
        // It says ten in a hundred too much: 100 is 91 then, and 110 is right.
        Assert.Contains(
            "short of its spec",
            _shop.Refused(Pull("100", wrench.Id)).Message,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "over its spec",
            _shop.Refused(Pull("110", null)).Message,
            StringComparison.Ordinal
        );
        _shop.Do(Pull("110", wrench.Id));
        var entry = _shop.Document.TorqueEntries.Single(t => t.By is not null);
        Assert.Equal((110, 100), (entry.Value!.Value, Math.Round(entry.Reached()!.Value, 9)));
        Assert.Null(FittingRules.Open(_shop.Document.Joints.First(j => j.Id == joint.Id), [entry]));
        Assert.Null((entry with { Value = null }).Reached());
        Assert.Equal(110, (entry with { By = null }).Reached()!.Value);
        // It fell before: the pass is marked, although it moves no height.
        var fallen = wrench with
        {
            Mishaps =
            [
                new()
                {
                    Id = Sample.Id(980),
                    At = _shop.Now.AddHours(-1),
                    What = "fell",
                    PersonId = Sample.Id(5),
                },
            ],
        };
        Assert.Equal(
            [entry.Id],
            Assert.Single(InstrumentMark.Of(_shop.Document, [fallen])).RestsOn
        );
        var none = JobEvaluator.Evaluate(_shop.Document);
        Assert.Single(
            JobEvaluator
                .Kept(none, _shop.Document, _shop.Context().Others with { Instruments = [fallen] })
                .Instruments
        );
    }

    [Fact]
    public void What_is_doubted_leaves_only_in_writing()
    {
        _shop.Walk();
        var tape = Tape();
        _shop.Instruments.Add(tape);
        _shop.Do(_shop.Reading("LF", "20 1/2") with { InstrumentId = tape.Id });
        var leave = new HandOver(_shop.Key(), 0, null, null, []);
        Assert.IsType<Decision.Made>(_shop.Try(leave));
        _shop.Instruments[0] = tape with
        {
            Mishaps =
            [
                new()
                {
                    Id = Sample.Id(980),
                    At = _shop.Document.Readings[0].TakenAt.AddMinutes(-1),
                    What = "fell",
                    PersonId = Sample.Id(5),
                },
            ],
        };
        var why = _shop.Refused(leave);
        Assert.Equal((RefusalKind.Gate, "reason"), (why.Kind, why.Field));
        Assert.Contains(
            "read with Tape 3, and it is doubted",
            why.Message,
            StringComparison.Ordinal
        );
        // Read so on an earlier visit it is marked, and holds nothing back.
        var mine = _shop.Document;
        _shop.Document = mine with
        {
            WalkRounds = [.. mine.WalkRounds.Select(w => w with { JobId = Sample.Id(77) })],
        };
        Assert.Single(InstrumentMark.Of(_shop.Document, _shop.Instruments));
        Assert.IsType<Decision.Made>(_shop.Try(leave));
        _shop.Document = mine;
        _shop.Do(leave with { Reason = "read again with another" });
        Assert.Equal(
            "Handed over with readings that are doubted.",
            _shop.Document.Deviations[^1].Did
        );
    }
}
