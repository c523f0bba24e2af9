using CsCheck;
using Nokko.Core.Week;
using Xunit;

namespace Nokko.Core.Tests.Week;

/// <summary>Working time as one line, and back.</summary>
public class ShopHoursTests
{
    /// <summary>8 to 17 with half an hour of pause: 510 minutes a day, Monday to Friday. 2 March 2026 is a Monday.</summary>
    private static readonly ShopHours Usual = new();

    private static readonly DateOnly Monday = new(2026, 3, 2);

    private static DateTime At(int day, int hour, int minute = 0) =>
        new(2026, 3, day, hour, minute, 0);

    [Fact]
    public void Two_hours_from_friday_at_four_end_on_monday_at_nine()
    {
        var clock = new WorkClock(Usual, new DateOnly(2026, 3, 6));
        var from = clock.MinutesTo(At(6, 16));
        Assert.Equal(At(9, 9), clock.EndsAt(from + 120));
    }

    [Fact]
    public void Hours_up_to_the_edge_of_what_can_be_are_taken_and_one_step_beyond_is_refused_in_words()
    {
        // A pause up to closing, and an hour of work exactly.
        Assert.Null((Usual with { PauseFrom = 1000, PauseTo = Usual.Closes }).WhyNot());
        Assert.NotNull((Usual with { PauseFrom = 1000, PauseTo = Usual.Closes + 1 }).WhyNot());
        var hour = Usual with { Opens = 480, Closes = 540, PauseFrom = 480, PauseTo = 480 };
        Assert.Null(hour.WhyNot());
        Assert.Contains("an hour", (hour with { Closes = 539 }).WhyNot(), StringComparison.Ordinal);
        // One day that is none among others that are.
        Assert.NotNull((Usual with { Days = [DayOfWeek.Monday, (DayOfWeek)9] }).WhyNot());
        Assert.NotNull((Usual with { Days = [DayOfWeek.Monday, DayOfWeek.Monday] }).WhyNot());
        Assert.NotNull((Usual with { Days = [] }).WhyNot());
    }

    [Fact]
    public void The_pause_is_no_working_time()
    {
        var clock = new WorkClock(Usual, Monday);
        Assert.Equal(240, clock.MinutesTo(At(2, 12)));
        Assert.Equal(240, clock.MinutesTo(At(2, 12, 20)));
        Assert.Equal(270, clock.MinutesTo(At(2, 13)));
        // Half an hour before the pause and an hour of work: it ends an hour and a half later.
        Assert.Equal(At(2, 13), clock.EndsAt(clock.MinutesTo(At(2, 11, 30)) + 60));
    }

    [Fact]
    public void What_ends_with_the_day_ends_at_closing_and_what_begins_then_begins_at_the_next_opening()
    {
        var clock = new WorkClock(Usual, Monday);
        Assert.Equal(At(2, 17), clock.EndsAt(510));
        Assert.Equal(At(3, 8), clock.BeginsAt(510));
        Assert.Equal(At(2, 12), clock.EndsAt(240));
        Assert.Equal(At(2, 12, 30), clock.BeginsAt(240));
    }

    [Fact]
    public void A_day_that_is_named_as_closed_is_skipped()
    {
        var hours = Usual with { Closed = [new DateOnly(2026, 3, 3)] };
        var clock = new WorkClock(hours, Monday);
        Assert.False(hours.Works(new DateOnly(2026, 3, 3)));
        Assert.Equal(At(4, 8), clock.BeginsAt(510));
        Assert.Equal(510, clock.MinutesTo(At(4, 7)));
    }

    [Fact]
    public void What_lies_before_the_line_begins_has_no_minutes_on_it()
    {
        var clock = new WorkClock(Usual, Monday);
        Assert.Equal(0, clock.MinutesTo(new DateTime(2026, 2, 20, 12, 0, 0)));
        Assert.Equal(At(2, 8), clock.BeginsAt(-50));
    }

    [Fact]
    public void Any_hours_count_as_counting_every_single_minute_does() =>
        Gen.Select(
                Gen.Int[0, 600],
                Gen.Int[120, 600],
                Gen.Int[0, 60],
                Gen.Int[0, 60],
                Gen.Int[1, 127],
                Gen.Int[0, 14 * 1440]
            )
            .Sample(
                (opens, works, pauseAfter, pause, days, at) =>
                {
                    var hours = new ShopHours
                    {
                        Opens = opens,
                        PauseFrom = opens + pauseAfter,
                        PauseTo = opens + pauseAfter + pause,
                        Closes = opens + works,
                        Days =
                        [
                            .. Enum.GetValues<DayOfWeek>().Where(d => (days & (1 << (int)d)) != 0),
                        ],
                    };
                    Assert.Null(hours.WhyNot());
                    var clock = new WorkClock(hours, Monday);
                    var instant = Monday.ToDateTime(TimeOnly.MinValue).AddMinutes(at);
                    var counted = Enumerable
                        .Range(0, at)
                        .Count(m =>
                        {
                            var of = m % 1440;
                            return hours.Works(Monday.AddDays(m / 1440))
                                && of >= hours.Opens
                                && of < hours.Closes
                                && (of < hours.PauseFrom || of >= hours.PauseTo);
                        });
                    Assert.Equal(counted, clock.MinutesTo(instant));
                    // There and back again, on whichever side of a night it is told.
                    Assert.Equal(counted, clock.MinutesTo(clock.BeginsAt(counted)), 6);
                    Assert.Equal(counted, clock.MinutesTo(clock.EndsAt(counted)), 6);
                    Assert.True(clock.EndsAt(counted) <= clock.BeginsAt(counted));
                },
                iter: Sample.Tries(60),
                threads: 1
            );

    [Theory]
    [InlineData(17 * 60, 12 * 60, 750, 8 * 60, "It opens before it closes.")]
    [InlineData(-1, 720, 750, 1020, "It opens before it closes.")]
    [InlineData(480, 720, 750, 1441, "It opens before it closes.")]
    [InlineData(480, 750, 720, 1020, "The pause lies between opening and closing.")]
    [InlineData(480, 470, 750, 1020, "The pause lies between opening and closing.")]
    [InlineData(480, 720, 1030, 1020, "The pause lies between opening and closing.")]
    [InlineData(480, 490, 980, 1020, "At least an hour of work on a day.")]
    public void Hours_that_are_none_are_told(
        int opens,
        int from,
        int to,
        int closes,
        string says
    ) =>
        Assert.Equal(
            says,
            (Usual with { Opens = opens, PauseFrom = from, PauseTo = to, Closes = closes }).WhyNot()
        );

    [Fact]
    public void A_shop_works_on_some_day_of_the_week()
    {
        const string says = "On which days of the week is work done?";
        Assert.Equal(says, (Usual with { Days = [] }).WhyNot());
        Assert.Equal(says, (Usual with { Days = [DayOfWeek.Monday, DayOfWeek.Monday] }).WhyNot());
        Assert.Equal(says, (Usual with { Days = [(DayOfWeek)9] }).WhyNot());
        Assert.Equal(
            "At most 200 days can be named as closed.",
            (Usual with { Closed = [.. Enumerable.Range(0, 201).Select(Monday.AddDays)] }).WhyNot()
        );
        Assert.Null(Usual.WhyNot());
    }
}
