using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.WalkRounds;

/// <summary>What a check finds of an instrument, and what it makes of what is read with it.</summary>
public class InstrumentTests
{
    private static readonly DateOnly Day = new(2026, 3, 2);

    internal static InstrumentCheck Check(
        int id,
        Quantity truth,
        Quantity said,
        Quantity? within = null,
        DateOnly? on = null,
        int at = 0
    ) =>
        new()
        {
            Id = Sample.Id(id),
            On = on ?? Day,
            Against = "bar",
            Truth = truth,
            Said = said,
            Within = within,
            PersonId = Sample.Id(5),
            At = Sample.At(at),
        };

    internal static Instrument Of(InstrumentKind kind, params InstrumentCheck[] checks) =>
        new()
        {
            Id = Sample.Id(900),
            Kind = kind,
            Name = "No 3",
            CheckDays = 30,
            Checks = checks,
        };

    private static InstrumentMishap Fell(int minutes, int id = 990) =>
        new()
        {
            Id = Sample.Id(id),
            At = Sample.At(minutes),
            What = "fell",
            PersonId = Sample.Id(5),
        };

    [Fact]
    public void A_tape_errs_by_what_it_says_too_much()
    {
        // A bar of 1000 ± 0.2 mm, read as 1001.5: half the ± and 0.3 of the reading.
        var by = Of(
                InstrumentKind.Tape,
                Check(1, Sample.Mm(1000), Sample.Mm(1001.5), Sample.Mm(0.2))
            )
            .At(Sample.At(5));
        Assert.Equal(1.5, by.Error, 1e-9);
        Assert.Equal(Math.Sqrt((0.1 * 0.1) + (0.3 * 0.3)), by.U, 1e-9);
        Assert.Equal(520, by.Corrected(Sample.Mm(521.5)).In(Unit.Mm), 1e-9);
        // In inches as well, and the typed unit stays.
        var inches = by.Corrected(Sample.Of(20.5, Unit.Inch));
        Assert.Equal((20.5 - (1.5 / 25.4), Unit.Inch), (inches.Value, inches.Unit));
        Assert.Equal(by.U, by.UOf(520));
    }

    [Fact]
    public void A_wrench_errs_by_a_share_of_what_it_says()
    {
        // A master of 100 N·m ± 1 %, and the wrench says 104.
        var by = Of(
                InstrumentKind.TorqueWrench,
                Check(
                    1,
                    Sample.Of(100, Unit.NewtonMetre),
                    Sample.Of(104, Unit.NewtonMetre),
                    Sample.Of(1, Unit.NewtonMetre)
                )
            )
            .At(Sample.At(5));
        Assert.Equal(0.04, by.Error, 1e-9);
        Assert.Equal(Math.Sqrt((0.005 * 0.005) + (0.005 * 0.005)), by.U, 1e-9);
        Assert.Equal(50, by.Corrected(Sample.Of(52, Unit.NewtonMetre)).In(Unit.NewtonMetre), 1e-9);
        Assert.Equal(80 * by.U, by.UOf(-80), 1e-9);
    }

    [Theory]
    [InlineData(InstrumentKind.Tape, 1, 0.5)]
    [InlineData(InstrumentKind.AngleGauge, 0.2, 0.1)]
    [InlineData(InstrumentKind.Rack, 0.1, 0.05)]
    [InlineData(InstrumentKind.Scales, 0.01, 0.002)]
    [InlineData(InstrumentKind.TorqueWrench, 0.03, 0.01)]
    public void Unchecked_it_is_taken_to_be_right_within_more_than_a_check_leaves(
        InstrumentKind kind,
        double unchecked_,
        double within
    )
    {
        var never = Of(kind).At(Sample.At(5));
        Assert.Equal(
            (0, unchecked_, null, null),
            (never.Error, never.U, never.CheckId, never.DueOn)
        );
        Assert.Equal(within, InstrumentRules.UsualWithin(kind));
        var unit = InstrumentRules.UnitOf(kind);
        var right = Of(kind, Check(1, Sample.Of(100, unit), Sample.Of(100, unit))).At(Sample.At(5));
        Assert.Equal(0, right.Error);
        Assert.InRange(right.U, within / 2, unchecked_);
        Assert.True(right.U > within / 2);
        Assert.Equal(
            kind is InstrumentKind.Scales or InstrumentKind.TorqueWrench,
            InstrumentRules.IsShare(kind)
        );
    }

    [Fact]
    public void What_counts_is_the_last_check_before_it_is_read()
    {
        var first = Check(1, Sample.Mm(1000), Sample.Mm(1001), on: Day.AddDays(-10));
        var second = Check(2, Sample.Mm(1000), Sample.Mm(1002), on: Day.AddDays(-2));
        var sameDay = Check(3, Sample.Mm(1000), Sample.Mm(1003), on: Day.AddDays(-2), at: 4);
        var later = Check(4, Sample.Mm(1000), Sample.Mm(1004), on: Day.AddDays(1));
        var tape = Of(InstrumentKind.Tape, later, sameDay, second, first);
        Assert.Equal(sameDay, tape.CheckOn(Day));
        Assert.Equal(first, tape.CheckOn(Day.AddDays(-3)));
        Assert.Equal(first, tape.CheckOn(Day.AddDays(-10)));
        Assert.Null(tape.CheckOn(Day.AddDays(-11)));
        Assert.Equal(later, tape.LastCheck);
        Assert.Equal(Day.AddDays(31), tape.DueOn);
        Assert.Equal(3, tape.At(Sample.At(0)).Error, 1e-9);
        Assert.Equal(Day.AddDays(28), tape.At(Sample.At(0)).DueOn);
        Assert.Null(Of(InstrumentKind.Tape).DueOn);
        var by = tape.At(Sample.At(0));
        Assert.True(by.ErrsLike(tape.At(Sample.At(9))));
        Assert.False(by.ErrsLike(tape.At(Sample.At(60 * 24))));
        Assert.False(by.ErrsLike(by with { Id = Sample.Id(901) }));
    }

    [Fact]
    public void A_fall_is_doubted_until_a_check()
    {
        var check = Check(1, Sample.Mm(1000), Sample.Mm(1000), on: Day, at: 30);
        var tape = Of(InstrumentKind.Tape, check);
        Assert.Null(tape.Doubted);
        // Of one day the check was noted after half an hour.
        Assert.Null((tape with { Mishaps = [Fell(29)] }).Doubted);
        Assert.NotNull((tape with { Mishaps = [Fell(31)] }).Doubted);
        Assert.NotNull((Of(InstrumentKind.Tape) with { Mishaps = [Fell(1)] }).Doubted);
        var twice = tape with { Mishaps = [Fell(90, 992), Fell(60, 991)] };
        Assert.Equal(Sample.Id(991), twice.Doubted!.Id);
    }
}
