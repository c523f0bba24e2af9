using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Week;
using Nokko.Storage;

namespace Nokko.Server.Week;

/// <summary>Lays out the week of a shop: for the screen, and for calendars that follow it.</summary>
internal static class WeekDesk
{
    /// <summary>A job as it is laid out.</summary>
    /// <param name="Row">What is shown of it.</param>
    /// <param name="Booked">Its booking.</param>
    /// <param name="Plan">Where it stands; null of what is handed over.</param>
    internal sealed record Laid(WeekRows.WeekRow Row, WeekRows.BookedRow Booked, PlannedJob? Plan);

    /// <summary>The week laid out.</summary>
    /// <param name="Settings">What the shop has settled.</param>
    /// <param name="Roster">Its bays and people.</param>
    /// <param name="Time">Its own time.</param>
    /// <param name="Now">This instant in it.</param>
    /// <param name="First">The first day that is shown.</param>
    /// <param name="Last">The last one.</param>
    /// <param name="Pace">What its own times tell.</param>
    /// <param name="Waits">What jobs wait for.</param>
    /// <param name="Jobs">Booked jobs.</param>
    /// <param name="Unbooked">Open jobs that are booked for no time, the promised ones first.</param>
    internal sealed record LaidWeek(
        ShopSettings Settings,
        ShopRoster Roster,
        ShopTime Time,
        DateTime Now,
        DateOnly First,
        DateOnly Last,
        Pace Pace,
        IReadOnlyDictionary<Guid, StockStore.WaitingJob> Waits,
        IReadOnlyList<Laid> Jobs,
        IReadOnlyList<WeekRows.WeekRow> Unbooked
    );

    /// <summary>Lays it out.</summary>
    /// <param name="db">The database.</param>
    /// <param name="days">The first and the last day that is shown, as they follow from today and the hours of the shop.</param>
    /// <param name="zone">The time zone of whoever looks, where the shop has none.</param>
    /// <param name="now">This instant.</param>
    /// <param name="unbooked">Whether what is booked for no time is wanted, too.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<LaidWeek> Lay(
        NokkoDb db,
        Func<DateOnly, ShopHours, (DateOnly From, DateOnly To)> days,
        string? zone,
        DateTimeOffset now,
        bool unbooked,
        CancellationToken cancel
    )
    {
        var settings = await db
            .Shops.AsNoTracking()
            .Where(s => s.Id == db.ShopId)
            .Select(s => s.Settings)
            .SingleAsync(cancel);
        var time = ShopTime.Of(settings.TimeZone, zone);
        var local = time.Local(now);
        var (from, to) = days(DateOnly.FromDateTime(local), settings.Hours);
        var roster = new ShopRoster(settings.Bays, await WeekRows.People(db, cancel));
        var booked = await WeekRows.Booked(db, from, to, cancel);
        var waiting = unbooked ? await WeekRows.Unbooked(db, cancel) : [];
        var rows = await WeekRows.Of(db, [.. booked.Select(b => b.Job), .. waiting], cancel);
        var waits = (await db.WaitingJobs([.. rows.Keys], cancel)).ToDictionary(w => w.JobId);
        var pace = await WeekRows.PaceOf(db, cancel);
        var plans = WeekPlan
            .Of(
                [
                    .. booked
                        .Where(b => b.HandedOverAt is null)
                        .Select(b => new WeekJob(
                            b.Job,
                            Name(rows[b.Job].Facts.Vehicle),
                            b.Booking,
                            rows[b.Job].Load,
                            rows[b.Job].Facts.PromisedOn,
                            waits.GetValueOrDefault(b.Job) is { } w
                                ? new PartsAwaited(w.ToOrder, w.Until)
                                : null
                        )),
                ],
                roster,
                pace,
                settings.Hours,
                local,
                time.Local
            )
            .ToDictionary(p => p.Job);
        return new LaidWeek(
            settings,
            roster,
            time,
            local,
            from,
            to,
            pace,
            waits,
            [.. booked.Select(b => new Laid(rows[b.Job], b, plans.GetValueOrDefault(b.Job)))],
            [.. waiting.Select(w => rows[w])]
        );
    }

    /// <summary>How a vehicle is named in the week: its plate, else what it is.</summary>
    public static string Name(YardVehicle vehicle) =>
        vehicle.Plate ?? $"{vehicle.Make} {vehicle.Name}";
}
