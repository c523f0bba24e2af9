using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Jobs;
using Nokko.Core.Week;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Week;

/// <summary>The week: bays and people over days.</summary>
internal static class WeekEndpoints
{
    /// <summary>Most weeks that lie between today and the one that is asked for.</summary>
    private const int MostWeeks = 110;

    /// <summary>A day of the week.</summary>
    /// <param name="Day">The day.</param>
    /// <param name="Works">Whether the shop works on it.</param>
    /// <param name="Due">What else is due on it.</param>
    internal sealed record WeekDay(DateOnly Day, bool Works, IReadOnlyList<WeekRows.DueOnDay> Due);

    /// <summary>A booked job.</summary>
    /// <param name="Job">The job.</param>
    /// <param name="Name">How it is named.</param>
    /// <param name="Facts">Its line in the yard.</param>
    /// <param name="Booking">Its booking.</param>
    /// <param name="Version">Version of the booking.</param>
    /// <param name="Takes">How long the rest of it takes, in words.</param>
    /// <param name="By">From what that is known.</param>
    /// <param name="Plan">Where it stands; null of what is handed over.</param>
    /// <param name="DoneAt">When it was handed over, in the shop's own time; null while it is open.</param>
    internal sealed record WeekBlock(
        Guid Job,
        string Name,
        YardFacts Facts,
        Booking Booking,
        uint Version,
        string Takes,
        string By,
        PlannedJob? Plan,
        DateTime? DoneAt
    );

    /// <summary>A job that is booked for no time.</summary>
    /// <param name="Job">The job.</param>
    /// <param name="Name">How it is named.</param>
    /// <param name="Facts">Its line in the yard.</param>
    /// <param name="Begun">Whether the work has begun.</param>
    /// <param name="About">How long the rest of it takes, about.</param>
    /// <param name="Takes">How long the rest of it takes, in words.</param>
    /// <param name="By">From what that is known.</param>
    /// <param name="TwoSteps">How many steps need two people.</param>
    /// <param name="Waits">What it waits for; null where all is here.</param>
    internal sealed record WaitingBlock(
        Guid Job,
        string Name,
        YardFacts Facts,
        bool Begun,
        string About,
        string Takes,
        string By,
        int TwoSteps,
        StockStore.WaitingJob? Waits
    );

    /// <summary>The week as it is shown.</summary>
    /// <param name="Days">Its seven days.</param>
    /// <param name="Hours">When the shop works.</param>
    /// <param name="Now">This instant in the shop's own time.</param>
    /// <param name="Zone">Its time zone.</param>
    /// <param name="Bays">Its bays.</param>
    /// <param name="People">Its people who work.</param>
    /// <param name="Jobs">Booked jobs that stand in this week.</param>
    /// <param name="Elsewhere">How many booked jobs stand in other weeks.</param>
    /// <param name="Waiting">Jobs that are booked for no time, the promised ones first.</param>
    /// <param name="More">Whether there are more of them.</param>
    /// <param name="PaceSays">How fast the shop is against the rules of thumb.</param>
    internal sealed record WeekView(
        IReadOnlyList<WeekDay> Days,
        ShopHours Hours,
        DateTime Now,
        string Zone,
        IReadOnlyList<string> Bays,
        IReadOnlyList<RosterPerson> People,
        IReadOnlyList<WeekBlock> Jobs,
        int Elsewhere,
        IReadOnlyList<WaitingBlock> Waiting,
        bool More,
        string PaceSays
    );

    public static void Map(RouteGroupBuilder api) => api.MapGet("/week", Show);

    private static async Task<Ok<WeekView>> Show(
        NokkoDb db,
        TimeProvider clock,
        DateOnly? from,
        string? zone,
        CancellationToken cancel
    )
    {
        var week = await WeekDesk.Lay(
            db,
            (today, hours) => Days(from, today, hours),
            zone,
            clock.GetUtcNow(),
            unbooked: true,
            cancel
        );
        var (first, last) = (week.First, week.Last);
        var due = (await WeekRows.Due(db, first, last, cancel)).ToLookup(d => d.Day);
        var here = week
            .Jobs.Where(j =>
                j.Plan is { When: var when }
                    ? DateOnly.FromDateTime(when.From) <= last
                        && DateOnly.FromDateTime(when.Late) >= first
                    : j.Row.HandedOverAt is not null
            )
            .ToArray();
        return TypedResults.Ok(
            new WeekView(
                [
                    .. Enumerable
                        .Range(0, 7)
                        .Select(first.AddDays)
                        .Select(d => new WeekDay(d, week.Settings.Hours.Works(d), [.. due[d]])),
                ],
                week.Settings.Hours,
                week.Now,
                week.Time.Zone,
                week.Settings.Bays,
                [.. week.Roster.People.Where(p => p.Role != PersonRole.Viewer)],
                [.. here.Select(j => Block(j, week))],
                week.Jobs.Count - here.Length,
                [.. week.Unbooked.Take(WeekRows.MostWaiting).Select(r => Waiting(r, week))],
                week.Unbooked.Count > WeekRows.MostWaiting,
                WeekWords.Said(week.Pace)
            )
        );
    }

    /// <summary>The Monday and the Sunday of the week of a day; where none is asked for, of the next day of work.</summary>
    private static (DateOnly, DateOnly) Days(DateOnly? asked, DateOnly today, ShopHours hours)
    {
        var day =
            asked is { } a && Math.Abs(a.DayNumber - today.DayNumber) <= MostWeeks * 7
                ? a
                : Enumerable.Range(0, 7).Select(today.AddDays).FirstOrDefault(hours.Works, today);
        var monday = day.AddDays(-(((int)day.DayOfWeek + 6) % 7));
        return (monday, monday.AddDays(6));
    }

    private static WeekBlock Block(WeekDesk.Laid j, WeekDesk.LaidWeek week)
    {
        var time = j.Plan?.Time ?? week.Pace.Of(null, []);
        return new WeekBlock(
            j.Row.Id,
            WeekDesk.Name(j.Row.Facts.Vehicle),
            j.Row.Facts,
            j.Booked.Booking,
            j.Booked.Version,
            WeekWords.Said(time),
            j.Plan is null
                ? ""
                : WeekWords.From(time, j.Row.Load, j.Booked.Booking.Hours is not null),
            j.Plan,
            j.Row.HandedOverAt is { } at ? week.Time.Local(at) : null
        );
    }

    private static WaitingBlock Waiting(WeekRows.WeekRow row, WeekDesk.LaidWeek week)
    {
        var time = week.Pace.Of(row.Load.Fitting, row.Load.Left);
        return new WaitingBlock(
            row.Id,
            WeekDesk.Name(row.Facts.Vehicle),
            row.Facts,
            row.Load.BegunAt is not null,
            WeekWords.Minutes(time.Median),
            WeekWords.Said(time),
            WeekWords.From(time, row.Load, ownWord: false),
            time.TwoSteps,
            row.Load.BegunAt is null ? week.Waits.GetValueOrDefault(row.Id) : null
        );
    }
}
