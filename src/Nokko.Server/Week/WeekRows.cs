using Microsoft.EntityFrameworkCore;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Units;
using Nokko.Core.Week;
using Nokko.Storage;

namespace Nokko.Server.Week;

/// <summary>What the week is made from, as it lies in the database: it costs what stands in the week, whatever else the shop has.</summary>
internal static class WeekRows
{
    /// <summary>Most booked jobs that are laid out, those that begin first.</summary>
    public const int MostBooked = 200;

    /// <summary>So many that wait for a place are shown, the promised ones first.</summary>
    public const int MostWaiting = 40;

    /// <summary>A job with what the week shows of it.</summary>
    /// <param name="Id">Key.</param>
    /// <param name="Facts">Its line in the yard.</param>
    /// <param name="Load">What is left of it.</param>
    /// <param name="HandedOverAt">When it was handed over; null while it is open.</param>
    internal sealed record WeekRow(
        Guid Id,
        YardFacts Facts,
        Workload Load,
        DateTimeOffset? HandedOverAt
    );

    /// <summary>A booking with its version.</summary>
    internal sealed record BookedRow(
        Guid Job,
        Booking Booking,
        uint Version,
        DateTimeOffset? HandedOverAt
    );

    /// <summary>The shop's bays and people.</summary>
    public static async Task<ShopRoster> Roster(NokkoDb db, CancellationToken cancel)
    {
        var settings = await db
            .Shops.AsNoTracking()
            .Where(s => s.Id == db.ShopId)
            .Select(s => s.Settings)
            .SingleAsync(cancel);
        return new ShopRoster(settings.Bays, await People(db, cancel));
    }

    /// <summary>Who is in the shop, by name.</summary>
    public static Task<List<RosterPerson>> People(NokkoDb db, CancellationToken cancel) =>
        db
            .Users.AsNoTracking()
            .Where(a => a.ShopId == db.ShopId && a.RemovedAt == null)
            .OrderBy(a => a.PersonName)
            .ThenBy(a => a.Id)
            .Select(a => new RosterPerson(a.Id, a.PersonName, a.Role))
            .ToListAsync(cancel);

    /// <summary>Open jobs that are booked, and what was booked for some days and is handed over.</summary>
    public static async Task<List<BookedRow>> Booked(
        NokkoDb db,
        DateOnly first,
        DateOnly last,
        CancellationToken cancel
    )
    {
        var all =
            from b in db.Bookings.AsNoTracking()
            join j in db.Jobs on EF.Property<Guid>(b, NokkoDb.JobIdColumn) equals j.Id
            select new
            {
                Job = j.Id,
                Booking = b,
                Version = EF.Property<uint>(b, NokkoDb.VersionColumn),
                j.HandedOverAt,
            };
        var open = await all.Where(x => x.HandedOverAt == null)
            .OrderBy(x => x.Booking.Day)
            .ThenBy(x => x.Booking.From)
            .ThenBy(x => x.Job)
            .Take(MostBooked)
            .ToListAsync(cancel);
        var done = await all.Where(x =>
                x.HandedOverAt != null && x.Booking.Day >= first && x.Booking.Day <= last
            )
            .OrderBy(x => x.Booking.Day)
            .ThenBy(x => x.Job)
            .Take(MostBooked)
            .ToListAsync(cancel);
        return
        [
            .. open.Concat(done)
                .Select(x => new BookedRow(x.Job, x.Booking, x.Version, x.HandedOverAt)),
        ];
    }

    /// <summary>Open jobs that are booked for no time, the promised ones first.</summary>
    public static Task<List<Guid>> Unbooked(NokkoDb db, CancellationToken cancel) =>
        db
            .Jobs.AsNoTracking()
            .Where(j =>
                j.HandedOverAt == null
                && j.BinnedAt == null
                && !db.Bookings.Any(b => EF.Property<Guid>(b, NokkoDb.JobIdColumn) == j.Id)
            )
            .OrderBy(j => j.PromisedOn)
            .ThenBy(j => j.Id)
            .Select(j => j.Id)
            .Take(MostWaiting + 1)
            .ToListAsync(cancel);

    /// <summary>What the week shows of some jobs. What is left of one that an earlier Nokko kept is worked out now.</summary>
    public static async Task<Dictionary<Guid, WeekRow>> Of(
        NokkoDb db,
        Guid[] jobs,
        CancellationToken cancel
    )
    {
        var rows = await (
            from j in db.Jobs.AsNoTracking()
            where jobs.Contains(j.Id)
            join s in db.Summaries on j.Id equals s.Id
            join w in db.Workloads on j.Id equals w.Id into loads
            from load in loads.DefaultIfEmpty()
            select new
            {
                j.Id,
                s.Facts,
                Load = load == null ? null : load.Load,
                j.HandedOverAt,
            }
        ).ToListAsync(cancel);
        var all = new Dictionary<Guid, WeekRow>();
        foreach (var row in rows)
        {
            var load = row.Load is { Rules: Workload.CurrentRules } kept
                ? kept
                : await WorkOut(db, row.Id, cancel);
            all[row.Id] = new WeekRow(row.Id, row.Facts, load, row.HandedOverAt);
        }
        return all;
    }

    private static async Task<Workload> WorkOut(NokkoDb db, Guid job, CancellationToken cancel)
    {
        var loaded = (await db.LoadJob(job, new JobWanted(), cancel))!;
        return Workload.Of(loaded.Document, JobEvaluator.Evaluate(loaded.Document, loaded.Others));
    }

    /// <summary>What the shop's latest timed steps tell.</summary>
    public static async Task<Pace> PaceOf(NokkoDb db, CancellationToken cancel)
    {
        var steps = await db
            .Steps.AsNoTracking()
            .Where(s => s.Usual != null)
            .OrderByDescending(s => s.At)
            .Take(Pace.Most)
            .ToListAsync(cancel);
        return Pace.Of(
            steps
                .GroupBy(s => s.PlanId)
                .SelectMany(EarlierFittings.Sided)
                .Where(x => x.Entry.Minutes is > 0)
                .Select(x => new TimedStep(
                    x.Entry.PlanId,
                    x.Entry.Work!,
                    x.Second,
                    x.Entry.Minutes!.Value,
                    x.Entry.Usual!.Value
                ))
        );
    }

    /// <summary>What is due on some days: follow-ups, and jobs that are promised.</summary>
    /// <param name="Day">The day.</param>
    /// <param name="What">What.</param>
    /// <param name="Job">The job.</param>
    /// <param name="Name">The vehicle, as it is named.</param>
    internal sealed record DueOnDay(DateOnly Day, string What, Guid Job, string Name);

    /// <summary>Most things that are shown as due.</summary>
    private const int MostDue = 60;

    /// <summary>Follow-ups that are due on some days and not done.</summary>
    public static Task<List<DueOnDay>> Due(
        NokkoDb db,
        DateOnly first,
        DateOnly last,
        CancellationToken cancel
    ) =>
        (
            from f in db.Set<FollowUp>().AsNoTracking()
            where f.DoneAt == null && f.DueOn >= first && f.DueOn <= last
            join j in db.Jobs on EF.Property<Guid>(f, NokkoDb.JobIdColumn) equals j.Id
            join v in db.Vehicles on j.VehicleId equals v.Id
            orderby f.DueOn, f.Id
            select new DueOnDay(f.DueOn!.Value, f.What, j.Id, v.Plate ?? v.Make + " " + v.Name)
        )
            .Take(MostDue)
            .ToListAsync(cancel);
}
