using CsCheck;
using Nokko.Core.Week;
using Xunit;

namespace Nokko.Core.Tests.Week;

/// <summary>Jobs one after the other, in bays and hands.</summary>
public class ScheduleTests
{
    private static readonly ShopHours Hours = new();
    private static readonly DateTime Now = At(2, 8);
    private static readonly Guid Odd = Sample.Id(11);
    private static readonly Guid Linde = Sample.Id(12);

    /// <summary>March 2026; the 2nd is a Monday.</summary>
    private static DateTime At(int day, int hour, int minute = 0) =>
        new(2026, 3, day, hour, minute, 0);

    private static WorkTime Takes(
        double minutes,
        double logSd = 0,
        double shared = 0,
        double two = 0
    ) => new(minutes, logSd, shared, 10, 0, two > 0 ? 1 : 0, two);

    private static BookedJob Job(
        int id,
        DateTime booked,
        double minutes,
        string? bay = "lift",
        Guid? leads = null
    ) =>
        new(
            Sample.Id(id),
            bay,
            booked,
            [leads ?? Sample.Id(90 + id)],
            Takes(minutes),
            null,
            null,
            null,
            []
        );

    private static ScheduledJob Of(int id, params BookedJob[] jobs) =>
        Schedule.Of(jobs, Hours, Now).Single(s => s.Job == Sample.Id(id));

    [Fact]
    public void What_is_alone_begins_as_booked_and_goes_on_over_the_night()
    {
        var one = Of(1, Job(1, At(2, 14), 300));
        Assert.Equal((At(2, 14), At(3, 10)), (one.From, one.Until));
        Assert.Equal((0, WaitsFor.Nothing, null), (one.LateMinutes, one.Waits, one.For));
        Assert.Equal((one.Until, one.Until), (one.Early, one.Late));
        Assert.Null(one.OnTime);
        Assert.True(one.Foretold);
    }

    [Fact]
    public void A_bay_holds_one_vehicle_after_the_other_and_a_slip_says_whom_it_pushes()
    {
        BookedJob[] jobs =
        [
            Job(1, At(2, 8), 360),
            Job(2, At(2, 13), 120),
            Job(3, At(2, 13), 120, "floor"),
        ];
        var second = Of(2, jobs);
        // 8:00 and six hours with the pause: 14:30.
        Assert.Equal(At(2, 14, 30), second.From);
        Assert.Equal((90, WaitsFor.Bay), (second.LateMinutes, second.Waits));
        Assert.Equal(Sample.Id(1), second.For);
        Assert.Equal(At(2, 13), Of(3, jobs).From);
    }

    [Fact]
    public void Two_hands_do_one_thing_after_the_other()
    {
        var second = Of(2, Job(1, At(2, 8), 120, "lift", Odd), Job(2, At(2, 9), 60, "floor", Odd));
        Assert.Equal((At(2, 10), At(2, 11)), (second.From, second.Until));
        Assert.Equal(
            (60, WaitsFor.Person, Sample.Id(1)),
            (second.LateMinutes, second.Waits, second.For)
        );
    }

    [Fact]
    public void Whoever_lends_a_hand_is_so_much_later_with_his_own()
    {
        var strut = Job(1, At(2, 8), 200, "lift", Odd) with
        {
            People = [Odd, Linde],
            Left = Takes(200, two: 0.3),
        };
        // Both from eight: of the sixty minutes for two, as many fall on Linde's hundred as it is of the two hundred.
        var own = Of(2, strut, Job(2, At(2, 8), 100, "floor", Linde));
        Assert.Equal(At(2, 8).AddMinutes(130), own.Until);
        // One after the other: nobody waits.
        Assert.Equal(At(2, 14, 40), Of(2, strut, Job(2, At(2, 13), 100, "floor", Linde)).Until);
    }

    [Fact]
    public void Two_who_lend_each_other_a_hand_are_both_later()
    {
        var both = (Guid leads, Guid helps, int id, string bay) =>
            Job(id, At(2, 8), 200, bay, leads) with
            {
                People = [leads, helps],
                Left = Takes(200, two: 0.3),
            };
        BookedJob[] jobs = [both(Odd, Linde, 1, "lift"), both(Linde, Odd, 2, "floor")];
        // Both last two hundred minutes from eight: sixty of each fall on the other.
        Assert.Equal(At(2, 8).AddMinutes(200 + 60 + 30), Of(1, jobs).Until);
        Assert.Equal(At(2, 8).AddMinutes(200 + 60 + 30), Of(2, jobs).Until);
    }

    [Fact]
    public void Who_has_begun_holds_the_bay_against_who_is_booked_before()
    {
        BookedJob[] jobs =
        [
            Job(1, At(2, 8), 120),
            Job(2, At(2, 10), 60) with
            {
                BegunAt = At(2, 7, 30),
            },
        ];
        Assert.Equal((At(2, 9), WaitsFor.Bay), (Of(1, jobs).From, Of(1, jobs).Waits));
        Assert.Equal(At(2, 7, 30), Of(2, jobs).From);
    }

    [Fact]
    public void Parts_are_there_the_morning_after_they_come()
    {
        var one = Of(1, Job(1, At(2, 8), 60) with { PartsOn = new DateOnly(2026, 3, 6) });
        Assert.Equal(At(9, 8), one.From);
        Assert.Equal((5 * 510, WaitsFor.Parts), (one.LateMinutes, one.Waits));
    }

    [Fact]
    public void Who_waits_for_parts_takes_no_bay_from_those_who_could_begin_meanwhile()
    {
        BookedJob[] jobs =
        [
            Job(1, At(2, 8), 60) with
            {
                PartsOn = new DateOnly(2026, 3, 4),
            },
            Job(2, At(2, 9), 60),
        ];
        Assert.Equal(At(2, 9), Of(2, jobs).From);
        Assert.Equal(At(5, 8), Of(1, jobs).From);
    }

    [Fact]
    public void What_was_booked_for_earlier_and_is_not_begun_begins_now()
    {
        var one = Schedule.Of([Job(1, At(2, 8), 60)], Hours, At(2, 10)).Single();
        Assert.Equal((At(2, 10), 120, WaitsFor.Now), (one.From, one.LateMinutes, one.Waits));
    }

    [Fact]
    public void What_is_begun_goes_on_from_now_and_keeps_its_bay()
    {
        var begun = Job(1, At(2, 13), 60) with { BegunAt = At(2, 8) };
        var jobs = Schedule.Of([begun, Job(2, At(2, 9), 60)], Hours, At(2, 9));
        Assert.Equal((At(2, 8), At(2, 10), 0), (jobs[0].From, jobs[0].Until, jobs[0].LateMinutes));
        Assert.Equal((At(2, 10), Sample.Id(1)), (jobs[1].From, jobs[1].For));
    }

    [Fact]
    public void What_is_held_pushes_nothing_and_promises_nothing()
    {
        var held = Job(1, At(2, 8), 300) with
        {
            Held = ["nobody"],
            PromisedOn = new DateOnly(2026, 3, 9),
        };
        BookedJob[] jobs = [held, Job(2, At(2, 9), 60)];
        Assert.Equal(At(2, 9), Of(2, jobs).From);
        var it = Of(1, jobs);
        Assert.False(it.Foretold);
        Assert.Null(it.OnTime);
        Assert.Equal(At(2, 8), it.From);
        // It waits for others all the same.
        Assert.Equal(
            At(2, 10),
            Of(3, [.. jobs, held with { Job = Sample.Id(3), Booked = At(2, 9) }]).From
        );
    }

    [Fact]
    public void The_chance_of_a_promise_is_that_of_its_length()
    {
        // By Tuesday's close there are 1,020 minutes: 900 with a spread of 0.2 stay below them with Φ(ln(1020 / 900) / 0.2) = 0.734.
        var one = Of(
            1,
            Job(1, At(2, 8), 0) with
            {
                Left = Takes(900, 0.2),
                PromisedOn = new DateOnly(2026, 3, 3),
            }
        );
        Assert.InRange(one.OnTime!.Value, 0.73, 0.74);
        var clock = new WorkClock(Hours, new DateOnly(2026, 3, 2));
        Assert.InRange(
            clock.MinutesTo(one.Late),
            900 * Math.Exp(0.2 * 1.26),
            900 * Math.Exp(0.2 * 1.30)
        );
        Assert.InRange(
            clock.MinutesTo(one.Early),
            900 * Math.Exp(-0.2 * 1.30),
            900 * Math.Exp(-0.2 * 1.26)
        );
    }

    [Fact]
    public void Slips_in_a_row_add_up_and_what_all_share_adds_up_in_full()
    {
        double Spread(double shared)
        {
            BookedJob[] jobs =
            [
                .. Enumerable
                    .Range(1, 4)
                    .Select(n =>
                        Job(n, At(2, 8).AddMinutes(n), 0) with
                        {
                            Left = Takes(400, 0.3, shared),
                        }
                    ),
            ];
            var last = Of(4, jobs);
            var clock = new WorkClock(Hours, new DateOnly(2026, 3, 2));
            return (clock.MinutesTo(last.Late) - clock.MinutesTo(last.Early)) / (2 * 1.2816);
        }

        // Each on its own: √4 × 0.3 × 400, a little more for the long side; all alike: 4 × 0.3 × 400.
        Assert.InRange(Spread(0), 230, 280);
        Assert.InRange(Spread(0.3), 470, 530);
    }

    [Fact]
    public void The_same_week_gets_the_same_answer_in_whatever_order_it_is_told()
    {
        BookedJob[] jobs =
        [
            .. Enumerable
                .Range(1, 6)
                .Select(n =>
                    Job(
                        n,
                        At(2 + (n % 3), 8),
                        0,
                        n % 2 == 0 ? "lift" : "floor",
                        Sample.Id(90 + (n % 2))
                    ) with
                    {
                        Left = Takes(150 + (30 * n), 0.3, 0.1, 0.1),
                        PromisedOn = new DateOnly(2026, 3, 5),
                    }
                ),
        ];
        var told = Schedule.Of(jobs, Hours, Now).OrderBy(s => s.Job).ToArray();
        Assert.Equal(told, Schedule.Of([.. jobs.Reverse()], Hours, Now).OrderBy(s => s.Job));
    }

    [Fact]
    public void However_a_week_is_booked_no_bay_holds_two_and_nobody_leads_two_at_once() =>
        Gen.Select(
                Gen.Int[0, 5 * 24 * 60],
                Gen.Int[10, 900],
                Gen.Int[0, 1],
                Gen.Int[0, 2],
                Gen.Int[0, 9]
            )
            .Array[1, 9]
            .Sample(
                drawn =>
                {
                    BookedJob[] jobs =
                    [
                        .. drawn.Select(
                            (d, n) =>
                                Job(
                                    n + 1,
                                    At(2, 0).AddMinutes(d.Item1),
                                    d.Item2,
                                    d.Item3 == 0 ? "lift" : "floor",
                                    Sample.Id(90 + d.Item4)
                                ) with
                                {
                                    PartsOn = d.Item5 == 0 ? new DateOnly(2026, 3, 4) : null,
                                }
                        ),
                    ];
                    var clock = new WorkClock(Hours, new DateOnly(2026, 3, 2));
                    var laid = Schedule.Of(jobs, Hours, Now).ToDictionary(s => s.Job);
                    foreach (var a in jobs)
                    {
                        var x = laid[a.Job];
                        Assert.True(clock.MinutesTo(x.From) >= clock.MinutesTo(a.Booked) - 1e-6);
                        Assert.Equal(
                            a.Left.Median,
                            clock.MinutesTo(x.Until) - clock.MinutesTo(x.From),
                            6
                        );
                        foreach (
                            var b in jobs.Where(b =>
                                b.Job != a.Job && (b.Bay == a.Bay || b.People[0] == a.People[0])
                            )
                        )
                        {
                            var y = laid[b.Job];
                            Assert.True(x.Until <= y.From || y.Until <= x.From);
                        }
                    }
                },
                iter: Sample.Tries(200),
                threads: 1
            );
}
