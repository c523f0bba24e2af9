using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Jobs;

/// <summary>Shows a job, and takes every change of jobs and shop.</summary>
internal static class JobEndpoints
{
    /// <summary>Most changes of one page of a history.</summary>
    private const int HistoryPage = 200;

    /// <summary>A change as people see it.</summary>
    /// <param name="Id">Its key.</param>
    /// <param name="Kind">What was done.</param>
    /// <param name="About">To what; empty where nothing is kept of it.</param>
    /// <param name="Person">Who.</param>
    /// <param name="At">When.</param>
    /// <param name="TakenBack">Whether it was taken back.</param>
    /// <param name="CanTakeBack">Whether it can be.</param>
    internal sealed record HistoryLine(
        Guid Id,
        string Kind,
        string About,
        string Person,
        DateTimeOffset At,
        bool TakenBack,
        bool CanTakeBack
    );

    public static void Map(RouteGroupBuilder api, RouteGroupBuilder jobs)
    {
        api.MapPost(
                "/commands",
                (HttpRequest request, ShopDesk desk, CancellationToken cancel) =>
                    desk.Carry(request, cancel)
            )
            .Accepts<ShopCommand[]>("application/json")
            // The core refuses a viewer's, each at its place.
            .OpenToViewers();
        jobs.MapPost(
                "/{job:guid}/commands",
                (Guid job, HttpRequest request, JobDesk desk, CancellationToken cancel) =>
                    desk.Carry(job, request, cancel)
            )
            .Accepts<JobCommand[]>("application/json")
            .OpenToViewers();
        jobs.MapGet(
            "/{job:guid}",
            (Guid job, JobDesk desk, CancellationToken cancel) => desk.Show(job, cancel)
        );
        jobs.MapGet("/{job:guid}/history", History);
        jobs.MapGet("/bin", Thrown);
    }

    /// <summary>A job in the bin.</summary>
    /// <param name="JobId">The job.</param>
    /// <param name="BinnedAt">When it was thrown away.</param>
    /// <param name="Make">Make.</param>
    /// <param name="Name">Name.</param>
    /// <param name="Plate">Plate, else VIN.</param>
    /// <param name="Owner">Its owner.</param>
    internal sealed record BinnedJob(
        Guid JobId,
        DateTimeOffset BinnedAt,
        string Make,
        string Name,
        string? Plate,
        string Owner
    );

    /// <summary>Most jobs of the bin that are shown.</summary>
    private const int BinPage = 100;

    /// <summary>Jobs that were thrown away and can be brought back, the latest first.</summary>
    private static async Task<Ok<BinnedJob[]>> Thrown(
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var since = clock.GetUtcNow() - Bin.Keeps;
        return TypedResults.Ok(
            await (
                from j in db.Jobs.AsNoTracking()
                where j.BinnedAt > since
                join v in db.Vehicles on j.VehicleId equals v.Id
                join o in db.Owners on v.OwnerId equals o.Id
                orderby j.BinnedAt descending, j.Id
                select new BinnedJob(
                    j.Id,
                    j.BinnedAt!.Value,
                    v.Make,
                    v.Name,
                    v.Plate ?? v.Vin,
                    o.Name
                )
            )
                .Take(BinPage)
                .ToArrayAsync(cancel)
        );
    }

    /// <summary>Changes, newest first, a page at a time: those before one that is named.</summary>
    private static async Task<Results<Ok<HistoryLine[]>, ProblemHttpResult>> History(
        Guid job,
        Guid? before,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await db.LoadDocument(job, cancel, history: true) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        HistoryEntry[] page =
        [
            .. d
                .History.OrderByDescending(h => h.At)
                .ThenByDescending(h => h.Id)
                .SkipWhile(h => before is not null && h.Id != before)
                .Skip(before is null ? 0 : 1)
                .Take(HistoryPage),
        ];
        var kept = await db.ChangesOf([.. page.Select(h => h.Id)], cancel);
        var names = d.People.ToDictionary(p => p.Id, p => p.Name);
        var kinds = d.History.ToDictionary(h => h.Id, h => h.Kind);
        var undone = d.History.Select(h => h.TakesBack).OfType<Guid>().ToHashSet();
        var byInstant = HistoryWords.ByInstant(d, me.Style);
        return TypedResults.Ok(page.Select(One).ToArray());

        HistoryLine One(HistoryEntry h)
        {
            var changes = kept.GetValueOrDefault(h.Id);
            return new(
                h.Id,
                h.TakesBack is { } back
                    ? $"taken back: {kinds.GetValueOrDefault(back, "a change")}"
                    : h.Kind,
                changes is null
                    ? byInstant.GetValueOrDefault(h.Id, "")
                    : HistoryWords.About(d, changes, me.Style),
                names.GetValueOrDefault(h.PersonId, "?"),
                h.At,
                undone.Contains(h.Id),
                changes is not null
                    && TakeBack.WhyNot(
                        new Recorded(h, changes, undone.Contains(h.Id)),
                        clock.GetUtcNow()
                    )
                        is null
            );
        }
    }
}
