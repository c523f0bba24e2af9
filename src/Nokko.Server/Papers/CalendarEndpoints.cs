using System.Text;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Units;
using Nokko.Core.Week;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Server.Week;
using Nokko.Storage;

namespace Nokko.Server.Papers;

/// <summary>Booked work, what is to come and what was promised, as a calendar (RFC 5545): taken out as a file, or followed under an address of its own.</summary>
internal static class CalendarEndpoints
{
    /// <summary>Most days that one calendar holds, those that are due first.</summary>
    private const int Most = 1_000;

    /// <summary>Something that falls on a day.</summary>
    /// <param name="Id">Key of its row.</param>
    /// <param name="Day">The day.</param>
    /// <param name="What">What, in a fitter's words.</param>
    /// <param name="Why">Why.</param>
    /// <param name="At">Or at which odometer reading.</param>
    /// <param name="Job">The job.</param>
    /// <param name="Make">Make of the vehicle.</param>
    /// <param name="Name">Its name.</param>
    /// <param name="Plate">Its plate.</param>
    /// <param name="Owner">Its owner.</param>
    /// <param name="Contact">Phone or mail.</param>
    private sealed record ToCome(
        Guid Id,
        DateOnly Day,
        string What,
        string? Why,
        Quantity? At,
        Guid Job,
        string Make,
        string Name,
        string? Plate,
        string Owner,
        string? Contact
    );

    /// <param name="Plates">Whether plates are shown.</param>
    /// <param name="Owners">Whether owners and their contacts are shown.</param>
    internal sealed record FollowBody(bool Plates, bool Owners);

    public static void Map(WebApplication app, RouteGroupBuilder api)
    {
        api.MapGet("/calendar.ics", Own);
        api.MapGet("/calendars", Open);
        api.MapPost("/calendars", Follow);
        // A calendar program can send its address alone.
        app.MapGet("/calendar/{token}.ics", Feed)
            .AllowAnonymous()
            .RequireRateLimiting(Guards.Door)
            .ExcludeFromDescription();
    }

    private static async Task<FileContentHttpResult> Own(
        NokkoDb db,
        OwnAddress address,
        HttpRequest request,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        TypedResults.File(
            await Written(db, address, request, true, true, clock.GetUtcNow(), cancel),
            "text/calendar; charset=utf-8",
            "nokko.ics"
        );

    private static async Task<Ok<List<SharedAddresses.OpenAddress>>> Open(
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        TypedResults.Ok(
            await SharedAddresses.Open(
                db,
                me,
                clock.GetUtcNow(),
                SharedThing.Calendar,
                null,
                cancel
            )
        );

    private static Task<Results<Ok<SharedAddresses.MadeAddress>, ProblemHttpResult>> Follow(
        FollowBody body,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        SharedAddresses.Make(
            db,
            me,
            clock.GetUtcNow(),
            SharedThing.Calendar,
            null,
            (body.Plates, body.Owners, false),
            null,
            cancel
        );

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Feed(
        string token,
        NokkoDb db,
        OwnAddress address,
        HttpRequest request,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        await SharedAddresses.Find(db, token, SharedThing.Calendar, clock.GetUtcNow(), cancel)
            is { } found
            ? TypedResults.File(
                await Written(
                    db,
                    address,
                    request,
                    found.Plates,
                    found.Owners,
                    clock.GetUtcNow(),
                    cancel
                ),
                "text/calendar; charset=utf-8"
            )
            : SharedAddresses.Over().Answer();

    private static async Task<byte[]> Written(
        NokkoDb db,
        OwnAddress address,
        HttpRequest request,
        bool plates,
        bool owners,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var root =
            address.Uri?.GetLeftPart(UriPartial.Authority) ?? $"{request.Scheme}://{request.Host}";
        var shop = await db
            .Shops.Where(s => s.Id == db.ShopId)
            .Select(s => s.Name)
            .SingleAsync(cancel);
        var calendar = new Calendar { ProductId = "-//Nokko//Nokko//EN" };
        calendar.AddProperty("X-WR-CALNAME", $"{shop}: to come");
        calendar.AddProperty("REFRESH-INTERVAL;VALUE=DURATION", "PT1H");
        foreach (var one in await Due(db, cancel))
        {
            calendar.Events.Add(
                new CalendarEvent
                {
                    Uid = $"{one.Id}@nokko",
                    DtStamp = new CalDateTime(now.UtcDateTime),
                    Start = new CalDateTime(one.Day),
                    End = new CalDateTime(one.Day.AddDays(1)),
                    Summary =
                        $"{one.What}: {one.Make} {one.Name}{(plates && one.Plate is { } plate ? $", {plate}" : "")}",
                    Description = string.Join(
                        "\n",
                        new[]
                        {
                            one.Why,
                            one.At is { } at
                                ? $"Or at {PaperReader.Odometer(at)}, whichever is first."
                                : null,
                            owners ? one.Owner : null,
                            owners ? one.Contact : null,
                        }.Where(x => !string.IsNullOrEmpty(x))
                    ),
                    Url = new Uri($"{root}/jobs/{one.Job}/hand-over"),
                    // A day on which something is due keeps nobody busy.
                    Transparency = TransparencyType.Transparent,
                }
            );
        }
        await Work(calendar, db, root, (plates, owners), now, cancel);
        return Encoding.UTF8.GetBytes(new CalendarSerializer().SerializeToString(calendar)!);
    }

    /// <summary>Puts booked work into it: when it begins and ends as it can be foretold, and what a person must know of it.</summary>
    private static async Task Work(
        Calendar calendar,
        NokkoDb db,
        string root,
        (bool Plates, bool Owners) shown,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var week = await WeekDesk.Lay(db, (t, _) => (t, t), null, now, unbooked: false, cancel);
        // A shop that has named no time zone: as its clock on the wall shows it, wherever it is read.
        var zone = ShopTime.IsZone(week.Settings.TimeZone) ? week.Settings.TimeZone : null;
        if (zone is not null && week.Jobs.Count > 0)
        {
            calendar.AddTimeZone(new VTimeZone(zone));
        }
        foreach (var (row, booked, plan) in week.Jobs)
        {
            if (plan is not { When: var when })
            {
                continue;
            }
            var vehicle = row.Facts.Vehicle;
            calendar.Events.Add(
                new CalendarEvent
                {
                    Uid = $"{booked.Booking.Id}@nokko",
                    DtStamp = new CalDateTime(now.UtcDateTime),
                    Start = new CalDateTime(when.From, zone),
                    End = new CalDateTime(
                        when.Until > when.From ? when.Until : when.From.AddMinutes(5),
                        zone
                    ),
                    Summary =
                        $"Work: {vehicle.Make} {vehicle.Name}{(shown.Plates && vehicle.Plate is { } plate ? $", {plate}" : "")}",
                    Location = booked.Booking.Bay,
                    Description = string.Join(
                        "\n",
                        new[]
                        {
                            shown.Owners ? Hands(booked.Booking, week.Roster) : null,
                            shown.Owners ? row.Facts.Owner : null,
                        }
                            // They name people and other vehicles.
                            .Concat(shown is { Plates: true, Owners: true } ? plan.Says : [])
                            .Where(x => !string.IsNullOrEmpty(x))
                    ),
                    Url = new Uri($"{root}/jobs/{row.Id}/fit"),
                }
            );
        }
    }

    private static string Hands(Booking booking, ShopRoster roster) =>
        string.Join(
            ", ",
            booking
                .People.Select(p => roster.People.FirstOrDefault(r => r.Id == p)?.Name)
                .OfType<string>()
        );

    /// <summary>Follow-ups that are not done, and jobs that are promised and not handed over, the first first.</summary>
    private static async Task<IEnumerable<ToCome>> Due(NokkoDb db, CancellationToken cancel)
    {
        var followUps = await (
            from f in db.Set<FollowUp>().AsNoTracking()
            where f.DoneAt == null && f.DueOn != null
            join j in db.Jobs on EF.Property<Guid>(f, NokkoDb.JobIdColumn) equals j.Id
            join v in db.Vehicles on j.VehicleId equals v.Id
            join o in db.Owners on v.OwnerId equals o.Id
            orderby f.DueOn, f.Id
            select new ToCome(
                f.Id,
                f.DueOn!.Value,
                f.What,
                f.Why,
                f.DueAt,
                j.Id,
                v.Make,
                v.Name,
                v.Plate,
                o.Name,
                o.Contact
            )
        )
            .Take(Most)
            .ToListAsync(cancel);
        var promised = await (
            from j in db.Jobs.AsNoTracking()
            where j.HandedOverAt == null && j.BinnedAt == null && j.PromisedOn != null
            join v in db.Vehicles on j.VehicleId equals v.Id
            join o in db.Owners on v.OwnerId equals o.Id
            orderby j.PromisedOn, j.Id
            select new ToCome(
                j.Id,
                j.PromisedOn!.Value,
                "Promised",
                null,
                null,
                j.Id,
                v.Make,
                v.Name,
                v.Plate,
                o.Name,
                o.Contact
            )
        )
            .Take(Most)
            .ToListAsync(cancel);
        return followUps.Concat(promised).OrderBy(c => c.Day).Take(Most);
    }
}
