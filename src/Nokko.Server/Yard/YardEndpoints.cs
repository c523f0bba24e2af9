using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Yard;

/// <summary>The shop's jobs, by what needs a person next.</summary>
internal static class YardEndpoints
{
    private const int PageSize = 40;

    /// <summary>A job on the ground line.</summary>
    /// <param name="JobId">The job.</param>
    /// <param name="Next">Where it goes on.</param>
    /// <param name="Does">What to do, in a few words.</param>
    /// <param name="Why">What more is to be known before; null where the rest shows on the vehicle.</param>
    /// <param name="Facts">What is drawn and named.</param>
    /// <param name="Waits">Parts without which its fitting cannot begin; null where they are all here.</param>
    internal sealed record YardJob(
        Guid JobId,
        Phase Next,
        string Does,
        string? Why,
        YardFacts Facts,
        StockStore.WaitingJob? Waits
    );

    /// <summary>A page of jobs; ask again with <paramref name="After"/> for the next one.</summary>
    internal sealed record YardPage(IReadOnlyList<YardJob> Jobs, string? After);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/yard", Show);

    private static async Task<Ok<YardPage>> Show(
        NokkoDb db,
        string? after,
        string? find,
        CancellationToken cancel
    )
    {
        var page = await db.YardPage(find, YardKey.Read(after), PageSize, cancel);
        Guid[] planned =
        [
            .. page.Where(s =>
                    s.Facts.Need.Kind
                        is NeedKind.OwnerChooses
                            or NeedKind.BeginFitting
                            or NeedKind.BeginSecondPass
                            or NeedKind.MendPlan
                )
                .Select(s => s.Id),
        ];
        var waits =
            planned.Length == 0
                ? []
                : (await db.WaitingJobs(planned, cancel)).ToDictionary(w => w.JobId);
        return TypedResults.Ok(
            new YardPage(
                [
                    .. page.Select(s => new YardJob(
                        s.Id,
                        s.Facts.Need.Phase,
                        s.Facts.Need.Does(),
                        s.Facts.Need.Why(),
                        s.Facts,
                        waits.GetValueOrDefault(s.Id)
                    )),
                ],
                page.Count == PageSize ? YardKey.Of(page[^1]).ToString() : null
            )
        );
    }
}
