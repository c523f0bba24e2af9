using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Stance;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.WalkRounds;

/// <summary>Compares any two walk-rounds.</summary>
internal static class WalkRoundEndpoints
{
    /// <summary>Two walk-rounds compared, with what it means in the person's unit.</summary>
    internal sealed record Compared(Comparison Comparison, IReadOnlyList<string> Sentences);

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapGet("/{job:guid}/comparison", Compare);
        ReadingsCsv.Map(jobs);
    }

    private static async Task<Results<Ok<Compared>, ProblemHttpResult>> Compare(
        Guid job,
        Guid before,
        Guid after,
        NokkoDb db,
        SignedIn me,
        CancellationToken cancel
    )
    {
        if (await db.LoadDocument(job, cancel) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        if (Stance(before) is not { } a || Stance(after) is not { } b)
        {
            return Trouble.Missing("This job has no such walk-round.").Answer();
        }
        var comparison = JobEvaluator.Compare(d, a, b);
        return TypedResults.Ok(new Compared(comparison, ComparisonWords.Say(comparison, me.Style)));

        WalkRoundStance? Stance(Guid id) =>
            d.WalkRounds.FirstOrDefault(w => w.Id == id) is { } round
                ? StanceOf.Compute(round, d.Readings, d.VehicleAt(round.StageId))
                : null;
    }
}
