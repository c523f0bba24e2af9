using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;

namespace Nokko.Storage;

/// <summary>Keeps what jobs have proved, one row a job.</summary>
public static class EvidenceStore
{
    /// <summary>What jobs on a job's platform have proved.</summary>
    /// <param name="db">The database.</param>
    /// <param name="d">The job.</param>
    /// <param name="own">Whether what it proved itself counts too, as it was last kept.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<IReadOnlyList<JobTrial>> TrialsFor(
        this NokkoDb db,
        JobDocument d,
        bool own,
        CancellationToken cancel
    ) =>
        [
            .. (
                await db
                    .Evidence.AsNoTracking()
                    .Where(e => e.PlatformId == d.Vehicle.PlatformId && (own || e.Id != d.Job.Id))
                    .OrderBy(e => e.Id)
                    .Select(e => e.Trials)
                    .ToListAsync(cancel)
            ).SelectMany(t => t),
        ];

    /// <summary>Keeps what a job proves as it is now. What it proved before is replaced.</summary>
    /// <param name="db">The database.</param>
    /// <param name="d">The job.</param>
    /// <param name="trials">What it proves.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task KeepTrials(
        this NokkoDb db,
        JobDocument d,
        IReadOnlyList<JobTrial> trials,
        CancellationToken cancel
    )
    {
        if (d.Plans.All(p => p.BegunAt is null))
        {
            return;
        }
        var (id, shop, platform) = (d.Job.Id, db.ShopId, d.Vehicle.PlatformId);
        var json = JsonSerializer.Serialize(trials, JobJson.Options);
        // Two commands on one job may end at once: the later one is right.
        await db.Database.ExecuteSqlAsync(
            $"""
            insert into job_evidence (id, shop_id, platform_id, trials)
            values ({id}, {shop}, {platform}, {json}::jsonb)
            on conflict (id) do update set platform_id = excluded.platform_id, trials = excluded.trials
            """,
            cancel
        );
    }

    /// <summary>Works out what jobs have proved that were kept before proofs were: of all shops, those without a row.</summary>
    /// <param name="db">The database.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task WorkOutMissingTrials(this NokkoDb db, CancellationToken cancel)
    {
        var missing = await db
            .Plans.IgnoreQueryFilters()
            .Where(p => p.BegunAt != null)
            .Select(p => new
            {
                Job = EF.Property<Guid>(p, NokkoDb.JobIdColumn),
                Shop = EF.Property<Guid>(p, NokkoDb.ShopIdColumn),
            })
            .Distinct()
            .Where(p => !db.Evidence.IgnoreQueryFilters().Any(e => e.Id == p.Job))
            .ToListAsync(cancel);
        foreach (var one in missing)
        {
            db.ShopId = one.Shop;
            if (await db.LoadJob(one.Job, JobExtent.Work, cancel) is { } d)
            {
                await db.KeepTrials(d, JobEvaluator.Evaluate(d).Trials, cancel);
            }
        }
    }
}
