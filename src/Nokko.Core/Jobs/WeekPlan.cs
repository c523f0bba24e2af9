using Nokko.Core.Units;
using Nokko.Core.Week;

namespace Nokko.Core.Jobs;

/// <summary>Parts without which a job's fitting cannot begin.</summary>
/// <param name="ToOrder">How many nobody has ordered.</param>
/// <param name="Until">The day on which the last of those that are ordered comes; null where none is.</param>
public sealed record PartsAwaited(int ToOrder, DateOnly? Until);

/// <summary>A booked job as the week is made from it.</summary>
/// <param name="Job">Key of the job.</param>
/// <param name="Name">How it is named: its plate, else the vehicle.</param>
/// <param name="Booking">Its booking.</param>
/// <param name="Load">What is left of it.</param>
/// <param name="PromisedOn">The day for which it is promised.</param>
/// <param name="Parts">What it waits for; null where all is here.</param>
public sealed record WeekJob(
    Guid Job,
    string Name,
    Booking Booking,
    Workload Load,
    DateOnly? PromisedOn,
    PartsAwaited? Parts
);

/// <summary>A job whose beginning another one puts off.</summary>
/// <param name="Job">Key of the job.</param>
/// <param name="Name">How it is named.</param>
/// <param name="Minutes">By how many working minutes it begins later than booked.</param>
public sealed record Pushed(Guid Job, string Name, int Minutes);

/// <summary>A job as it stands in the week.</summary>
/// <param name="Job">Key of the job.</param>
/// <param name="Time">How long the rest of it takes.</param>
/// <param name="When">When that is.</param>
/// <param name="Says">What a person must know of it, each in a sentence: what holds it, what it waits for, whether the promise stands. Empty where all is well.</param>
/// <param name="Pushes">Jobs that begin later because of it, the next first.</param>
/// <param name="Slip">Whom it pushes, in a sentence; null where it pushes nobody.</param>
/// <param name="GoesOn">Whether it is being worked on.</param>
public sealed record PlannedJob(
    Guid Job,
    WorkTime Time,
    ScheduledJob When,
    IReadOnlyList<string> Says,
    IReadOnlyList<Pushed> Pushes,
    string? Slip,
    bool GoesOn
);

/// <summary>The week: booked jobs laid into bays and hands.</summary>
/// <remarks>Source: docs/computation/week.md#one-after-the-other.</remarks>
public static class WeekPlan
{
    /// <summary>Lays the week.</summary>
    /// <param name="jobs">The booked jobs.</param>
    /// <param name="roster">The shop's bays and people.</param>
    /// <param name="pace">What the shop's own times tell.</param>
    /// <param name="hours">When the shop works.</param>
    /// <param name="now">This instant, in the shop's own time.</param>
    /// <param name="local">Takes an instant into the shop's own time.</param>
    public static IReadOnlyList<PlannedJob> Of(
        IReadOnlyList<WeekJob> jobs,
        ShopRoster roster,
        Pace pace,
        ShopHours hours,
        DateTime now,
        Func<DateTimeOffset, DateTime> local
    )
    {
        var today = DateOnly.FromDateTime(now);
        var times = jobs.ToDictionary(j => j.Job, j => TimeOf(j, pace));
        var names = jobs.ToDictionary(j => j.Job, j => j.Name);
        var held = jobs.ToDictionary(j => j.Job, j => Held(j, times[j.Job], roster, today));
        var laid = Schedule
            .Of(
                [
                    .. jobs.Select(j => new BookedJob(
                        j.Job,
                        j.Booking.Bay,
                        j.Booking.Begins(),
                        j.Booking.People,
                        times[j.Job],
                        GoesOnSince(j, now) is { } begun ? local(begun) : null,
                        j.Load.BegunAt is null ? j.Parts?.Until : null,
                        j.PromisedOn,
                        held[j.Job]
                    )),
                ],
                hours,
                now
            )
            .ToDictionary(s => s.Job);
        return
        [
            .. jobs.Select(j =>
            {
                var when = laid[j.Job];
                Pushed[] pushes =
                [
                    .. jobs.Where(o => laid[o.Job].For == j.Job)
                        .Select(o => new Pushed(o.Job, o.Name, laid[o.Job].LateMinutes)),
                ];
                return new PlannedJob(
                    j.Job,
                    times[j.Job],
                    when,
                    [
                        .. held[j.Job],
                        .. WeekWords.Of(
                            j,
                            when,
                            when.For is { } other ? names[other] : null,
                            roster,
                            hours
                        ),
                    ],
                    pushes,
                    WeekWords.Said(pushes),
                    GoesOnSince(j, now) is not null
                );
            }),
        ];
    }

    /// <summary>When the work began that goes on now; null where it is not begun, or where its rest was booked anew for later.</summary>
    private static DateTimeOffset? GoesOnSince(WeekJob job, DateTime now) =>
        job.Load.BegunAt is { } begun && (job.Booking.At < begun || job.Booking.Begins() <= now)
            ? begun
            : null;

    /// <summary>How long the rest of a job takes.</summary>
    /// <param name="job">The job.</param>
    /// <param name="pace">What the shop's own times tell.</param>
    private static WorkTime TimeOf(WeekJob job, Pace pace)
    {
        var byCard = pace.Of(job.Load.Fitting, job.Load.Left);
        return job.Booking.Hours is { } word
            ? Pace.ByWord(word.In(Unit.Hour) * 60, job.Load.Share, byCard)
            : byCard;
    }

    /// <summary>What must be settled before anything can be foretold, in sentences.</summary>
    private static string[] Held(WeekJob job, WorkTime time, ShopRoster roster, DateOnly today)
    {
        var booked = job.Booking.People;
        var here = booked.Count(p => roster.People.Any(r => r.Id == p));
        return
        [
            .. job.Load.BegunAt is null && job.Parts is { ToOrder: > 0 and var order }
                ?
                [
                    order == 1
                        ? "A part that it needs is ordered by nobody: no beginning can be foretold."
                        : $"{order} parts that it needs are ordered by nobody: no beginning can be foretold.",
                ]
                : Array.Empty<string>(),
            .. job.Load.BegunAt is null && job.Parts?.Until < today
                ? ["Its parts should have come by now: ask where they are."]
                : Array.Empty<string>(),
            .. booked.Count == 0 ? ["Nobody is down for it."] : Array.Empty<string>(),
            .. here < booked.Count
                ? ["Somebody who is down for it is not in the shop any more."]
                : Array.Empty<string>(),
            .. time.TwoSteps > 0 && booked.Count == 1
                ?
                [
                    $"{(time.TwoSteps == 1 ? "A step of it needs" : $"{time.TwoSteps} steps of it need")} two people, about {WeekWords.Minutes(time.Median * time.TwoShare)}: say who lends a hand.",
                ]
                : Array.Empty<string>(),
        ];
    }
}
