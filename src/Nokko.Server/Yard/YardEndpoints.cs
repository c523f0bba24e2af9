using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Vehicles;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Yard;

/// <summary>The shop's jobs, by what needs a person next.</summary>
internal static class YardEndpoints
{
    private const int PageSize = 40;

    /// <summary>A job on the ground line.</summary>
    internal sealed record YardJob(
        Job Job,
        Vehicle Vehicle,
        Owner Owner,
        Phase Next,
        string Says,
        WalkRoundStance? Before,
        WalkRoundStance? Now,
        IReadOnlyList<FollowUp> FollowUps
    );

    /// <summary>A page of jobs; ask again with <paramref name="After"/> for the next one.</summary>
    internal sealed record YardPage(IReadOnlyList<YardJob> Jobs, Guid? After);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/yard", Show);

    private static async Task<Ok<YardPage>> Show(
        NokkoDb db,
        SignedIn me,
        Guid? after,
        string? find,
        CancellationToken cancel
    )
    {
        var like = $"%{Escape(find?.Replace("\0", "", StringComparison.Ordinal).Trim() ?? "")}%";
        var found =
            from job in db.Jobs
            join vehicle in db.Vehicles on job.VehicleId equals vehicle.Id
            join owner in db.Owners on vehicle.OwnerId equals owner.Id
            where
                EF.Functions.ILike(
                    owner.Name
                        + " "
                        + vehicle.Make
                        + " "
                        + vehicle.Name
                        + " "
                        + (vehicle.Plate ?? "")
                        + " "
                        + (vehicle.Vin ?? ""),
                    like,
                    "\\"
                )
            select job.Id;
        var ids = await found
            .Where(id => after == null || id < after)
            .OrderByDescending(id => id)
            .Take(PageSize)
            .ToListAsync(cancel);
        var jobs = await db.LoadJobs(ids, JobExtent.Work, cancel);
        return TypedResults.Ok(
            new YardPage(
                [
                    .. jobs.Select(d => Row(d, me))
                        .OrderBy(j => j.Next == Phase.HandOver && j.Job.HandedOverAt is not null)
                        .ThenBy(j => j.Job.PromisedOn ?? DateOnly.MaxValue)
                        .ThenBy(j => j.Job.Id),
                ],
                ids.Count == PageSize ? ids[^1] : null
            )
        );
    }

    private static YardJob Row(JobDocument d, SignedIn me)
    {
        var results = JobEvaluator.Evaluate(d);
        var progress = Progress.Of(d, results, me.Style);
        var first = d.Stages.MinBy(s => s.Ordinal);
        var current = d.CurrentStage();
        return new YardJob(
            d.Job,
            d.Vehicle,
            d.Owner,
            progress.Next,
            progress.Says,
            first is null ? null : JobEvaluator.Speaks(results.WalkRounds, first.Id),
            current is null ? null : JobEvaluator.Speaks(results.WalkRounds, current.Id),
            [.. d.FollowUps.Where(f => f.DoneAt is null).OrderBy(f => f.DueOn)]
        );
    }

    private static string Escape(string text) =>
        text.Replace("\\", "\\\\", StringComparison.Ordinal)
            .Replace("%", "\\%", StringComparison.Ordinal)
            .Replace("_", "\\_", StringComparison.Ordinal);
}
