using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Jobs;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Jobs;

/// <summary>Shows a job, and takes every change of jobs and shop.</summary>
internal static class JobEndpoints
{
    /// <summary>A change as people see it.</summary>
    internal sealed record HistoryLine(
        Guid Id,
        string Kind,
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
    }

    private static async Task<Results<Ok<HistoryLine[]>, ProblemHttpResult>> History(
        Guid job,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await db.LoadDocument(job, cancel, history: true) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        var recent = await db.RecentChanges(job, clock.GetUtcNow() - TakeBack.Within, cancel);
        var names = d.People.ToDictionary(p => p.Id, p => p.Name);
        var kinds = d.History.ToDictionary(h => h.Id, h => h.Kind);
        var undone = d.History.Select(h => h.TakesBack).OfType<Guid>().ToHashSet();
        return TypedResults.Ok(
            d.History.OrderByDescending(h => h.At)
                .ThenByDescending(h => h.Id)
                .Select(h => new HistoryLine(
                    h.Id,
                    h.TakesBack is { } back
                        ? $"taken back: {kinds.GetValueOrDefault(back, "a change")}"
                        : h.Kind,
                    names.GetValueOrDefault(h.PersonId, "?"),
                    h.At,
                    undone.Contains(h.Id),
                    recent.TryGetValue(h.Id, out var changes)
                        && TakeBack.WhyNot(
                            new Recorded(h, changes, undone.Contains(h.Id)),
                            clock.GetUtcNow()
                        )
                            is null
                ))
                .ToArray()
        );
    }
}
