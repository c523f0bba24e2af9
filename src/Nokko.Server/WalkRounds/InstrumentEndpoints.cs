using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.WalkRounds;
using Nokko.Storage;

namespace Nokko.Server.WalkRounds;

/// <summary>The shop's tapes, gauges, scales and wrenches.</summary>
internal static class InstrumentEndpoints
{
    /// <summary>An instrument as the register shows it.</summary>
    /// <param name="Instrument">The instrument.</param>
    /// <param name="Version">Version of its row.</param>
    /// <param name="Now">As it goes with what is read with it now.</param>
    /// <param name="DueOn">The day by which it must be checked again; null while it was never checked.</param>
    /// <param name="Doubted">What happened to it since it was checked last; null where nothing did.</param>
    /// <param name="UsualWithin">The ± of what it is checked against where nobody says, in its unit or as a share.</param>
    /// <param name="Since">Jobs in which something was read with it since it was due or since something happened to it, the latest first.</param>
    internal sealed record InstrumentView(
        Instrument Instrument,
        uint Version,
        ReadBy Now,
        DateOnly? DueOn,
        InstrumentMishap? Doubted,
        double UsualWithin,
        IReadOnlyList<JobSince> Since
    );

    /// <summary>A job in which something was read with an instrument that is doubted.</summary>
    /// <param name="JobId">The job.</param>
    /// <param name="Vehicle">Its vehicle: make, name, plate.</param>
    /// <param name="At">When it was read last.</param>
    internal sealed record JobSince(Guid JobId, string Vehicle, DateTimeOffset At);

    private const int MostSince = 100;

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/instruments", List);
    }

    private static async Task<Ok<List<InstrumentView>>> List(
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var now = clock.GetUtcNow();
        var rows = await db
            .Instruments.AsNoTracking()
            .OrderBy(i => i.Kind)
            .ThenBy(i => i.Name)
            .Select(i => new { Row = i, Version = EF.Property<uint>(i, NokkoDb.VersionColumn) })
            .ToListAsync(cancel);
        var views = new List<InstrumentView>();
        foreach (var row in rows)
        {
            views.Add(
                new InstrumentView(
                    row.Row,
                    row.Version,
                    row.Row.At(now),
                    row.Row.DueOn,
                    row.Row.Doubted,
                    InstrumentRules.UsualWithin(row.Row.Kind),
                    DoubtedSince(row.Row, now) is { } since
                        ? await Since(db, row.Row.Id, since, cancel)
                        : []
                )
            );
        }
        return TypedResults.Ok(views);
    }

    private static DateTimeOffset? DoubtedSince(Instrument instrument, DateTimeOffset now)
    {
        DateTimeOffset? due =
            instrument.DueOn is { } day
            && day.AddDays(1).ToDateTime(TimeOnly.MinValue, DateTimeKind.Utc) is var over
            && over < now.UtcDateTime
                ? new DateTimeOffset(over)
                : null;
        return instrument.Doubted?.At is { } at && (due is null || at < due) ? at : due;
    }

    /// <summary>Found by the instrument's own index: few readings are doubted.</summary>
    private static Task<List<JobSince>> Since(
        NokkoDb db,
        Guid instrument,
        DateTimeOffset since,
        CancellationToken cancel
    ) =>
        db
            .Database.SqlQuery<JobSince>(
                $"""
                select u.job_id, concat_ws(' ', v.make, v.name, v.plate) as vehicle, max(u.at) as at
                from (
                  select w.job_id, r.taken_at as at from readings r join walk_rounds w on w.id = r.walk_round_id
                  where r.shop_id = {db.ShopId} and r.by ->> 'id' = {instrument.ToString()} and r.taken_at >= {since}
                  union all
                  select e.job_id, e.at from torque_entries e
                  where e.shop_id = {db.ShopId} and e.by ->> 'id' = {instrument.ToString()} and e.at >= {since}) u
                join jobs j on j.id = u.job_id
                join vehicles v on v.id = j.vehicle_id
                group by 1, 2 order by 3 desc limit {MostSince}
                """
            )
            .ToListAsync(cancel);
}
