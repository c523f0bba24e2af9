using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Vehicles;
using Nokko.Core.Year;

namespace Nokko.Storage;

/// <summary>Keeps what is derived from jobs, in the transaction that changes them: the yard's summary, what is left of them, and what they have proved.</summary>
public static class DerivedStore
{
    /// <summary>Keeps what follows from a job as it is now. What followed before is replaced.</summary>
    /// <param name="db">The database; saved by the caller.</param>
    /// <param name="loaded">The job as it was loaded.</param>
    /// <param name="d">The job as it is now.</param>
    /// <param name="results">What is computed from it.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task KeepDerived(
        this NokkoDb db,
        LoadedJob loaded,
        JobDocument d,
        JobResults results,
        CancellationToken cancel
    )
    {
        var facts = YardFacts.Of(d, results);
        db.Set(
            loaded.Version > 0,
            new JobSummary
            {
                Id = d.Job.Id,
                Revision = loaded.Version + 1,
                Closed = facts.IsClosed(),
                Due = facts.Due(),
                Search = JobSummary.SearchText(d),
                Facts = facts,
            }
        );
        var load = Workload.Of(d, results);
        if (Text(load) != Text(loaded.Workload))
        {
            db.Set(loaded.Workload is not null, new JobWorkload { Id = d.Job.Id, Load = load });
        }
        if (
            loaded.HasEvidence
            || d.Job.HandedOverAt is not null
            || d.Plans.Any(p => p.BegunAt is not null)
        )
        {
            await db.KeepEvidence(loaded, d, results, cancel);
        }
    }

    /// <summary>Saves a job that is new, and what follows from it. The transaction is the caller's.</summary>
    /// <param name="db">The database, to which its rows were added.</param>
    /// <param name="job">The job.</param>
    /// <param name="cancel">Cancels.</param>
    /// <returns>The job as it is kept.</returns>
    public static async Task<JobDocument> SaveNew(
        this NokkoDb db,
        Guid job,
        CancellationToken cancel
    )
    {
        await db.SaveChangesAsync(cancel);
        return await db.DeriveAnew(job, cancel);
    }

    /// <summary>Works out anew what follows from a job as it is saved: with what its platform teaches. The transaction is the caller's.</summary>
    /// <param name="db">The database, the changes saved.</param>
    /// <param name="job">The job.</param>
    /// <param name="cancel">Cancels.</param>
    /// <returns>The job as it is kept.</returns>
    public static async Task<JobDocument> DeriveAnew(
        this NokkoDb db,
        Guid job,
        CancellationToken cancel
    )
    {
        db.ChangeTracker.Clear();
        var loaded = (await db.LoadJob(job, new JobWanted(), cancel))!;
        var results = JobEvaluator.Evaluate(loaded.Document, loaded.Others);
        await db.KeepDerived(loaded, loaded.Document, results, cancel);
        await db.SaveChangesAsync(cancel);
        return loaded.Document;
    }

    /// <summary>Works out anew what one job of this shop has proved. The transaction, and a lock on the job's row, are the caller's.</summary>
    /// <param name="db">The database.</param>
    /// <param name="job">The job.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task WorkOutEvidence(this NokkoDb db, Guid job, CancellationToken cancel)
    {
        db.ChangeTracker.Clear();
        if (await db.LoadJob(job, new JobWanted(), cancel) is { } loaded)
        {
            var results = JobEvaluator.Evaluate(loaded.Document, loaded.Others);
            await db.KeepEvidence(loaded, loaded.Document, results, cancel);
            await db.SaveChangesAsync(cancel);
        }
    }

    /// <summary>Takes an owner out of whom the shop has no vehicle any more: their name and phone are nobody's to keep.</summary>
    /// <param name="db">The database, the changes saved.</param>
    /// <param name="owner">The owner.</param>
    /// <param name="cancel">Cancels.</param>
    public static Task LetGo(this NokkoDb db, Guid owner, CancellationToken cancel) =>
        db
            .Owners.Where(o => o.Id == owner && !db.Vehicles.Any(v => v.OwnerId == owner))
            .ExecuteDeleteAsync(cancel);

    /// <summary>Hands on what was mended of an owner or a vehicle, once it is saved, to their other jobs: the yard's words at once, what they have proved behind.</summary>
    /// <param name="db">The database.</param>
    /// <param name="d">The job in which it was mended.</param>
    /// <param name="changes">What was changed.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task KeepOthers(
        this NokkoDb db,
        JobDocument d,
        IEnumerable<RowChange> changes,
        CancellationToken cancel
    )
    {
        if (!changes.Any(c => c is RowChange.Replaced { Row: Owner or Vehicle }))
        {
            return;
        }
        await db.KeepNames(d.Owner.Id, d.Vehicle.Id, d.Job.Id, cancel);
        await db.Database.ExecuteSqlAsync(
            $"""
            update job_evidence set rules = 0
            where id in (select id from jobs where vehicle_id = {d.Vehicle.Id} and id <> {d.Job.Id} and shop_id = {db.ShopId})
            """,
            cancel
        );
    }

    /// <summary>Hands on that an owner's data was erased: to the yard's lines, to whoever looks at a job of theirs, and to photographs that no job has any more.</summary>
    /// <param name="db">The database, the changes saved.</param>
    /// <param name="owner">The owner.</param>
    /// <param name="photographs">Photographs that were taken out, by SHA-256.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task KeepErased(
        this NokkoDb db,
        Guid owner,
        string[] photographs,
        CancellationToken cancel
    )
    {
        await db.KeepNames(owner, Guid.Empty, Guid.Empty, cancel);
        await db
            .Summaries.Where(s =>
                db.Jobs.Any(j =>
                    j.Id == s.Id && db.Vehicles.Any(v => v.Id == j.VehicleId && v.OwnerId == owner)
                )
            )
            .ExecuteUpdateAsync(
                set => set.SetProperty(s => s.Revision, s => s.Revision + 1),
                cancel
            );
        // What was theirs to read is nobody's.
        await db
            .SharedAddresses.Where(a =>
                db.Jobs.Any(j =>
                    j.Id == a.JobId
                    && db.Vehicles.Any(v => v.Id == j.VehicleId && v.OwnerId == owner)
                )
            )
            .ExecuteDeleteAsync(cancel);
        await db
            .Files.Where(f =>
                photographs.Contains(f.Sha256)
                && !db.Set<Attachment>().Any(a => a.Sha256 == f.Sha256)
            )
            .ExecuteDeleteAsync(cancel);
    }

    /// <summary>Writes owner and vehicle anew into the yard's lines of their jobs, but for one.</summary>
    private static Task<int> KeepNames(
        this NokkoDb db,
        Guid owner,
        Guid vehicle,
        Guid job,
        CancellationToken cancel
    ) =>
        db.Database.ExecuteSqlAsync(
            $"""
            update job_summaries s
            set search = lower(concat_ws(' ', nullif(trim(o.name), ''), nullif(trim(o.contact), ''),
                  nullif(trim(v.plate), ''), nullif(trim(v.vin), ''), nullif(trim(v.make), ''), nullif(trim(v.name), ''))),
                facts = s.facts || jsonb_build_object(
                  'owner', o.name,
                  'vehicle', (s.facts -> 'vehicle') || jsonb_build_object(
                    'make', v.make, 'name', v.name, 'plate', v.plate, 'vin', v.vin,
                    'dimensions', v.dimensions, 'tyreSize', v.tyre_size))
            from jobs j
            join vehicles v on v.id = j.vehicle_id
            join owners o on o.id = v.owner_id
            where s.id = j.id and j.id <> {job} and j.shop_id = {db.ShopId}
              and (v.id = {vehicle} or o.id = {owner})
            """,
            cancel
        );

    private static async Task KeepEvidence(
        this NokkoDb db,
        LoadedJob loaded,
        JobDocument d,
        JobResults results,
        CancellationToken cancel
    )
    {
        db.Set(
            loaded.HasEvidence,
            new JobEvidence { Id = d.Job.Id, Rules = JobEvidence.CurrentRules }
        );
        db.KeepYear(loaded, d, results);
        db.KeepSettled(loaded, d, results);
        var platform = d.Vehicle.PlatformId;
        // Earlier jobs of the vehicle go with it to another platform.
        KeptTrial[] trials =
        [
            .. loaded
                .Trials.Where(t => t.JobId != d.Job.Id)
                .Select(t => t with { PlatformId = platform }),
            .. results.Trials.Select(KeptTrial.Of),
        ];
        var had = loaded.Trials.ToDictionary(t => (t.PlanId, t.Axle));
        var changed = false;
        foreach (var trial in trials)
        {
            var there = had.Remove((trial.PlanId, trial.Axle), out var was);
            if (!there || Text(was!) != Text(trial))
            {
                db.Set(there, trial);
                changed = true;
            }
        }
        foreach (var gone in had.Values)
        {
            db.Attach(gone).State = EntityState.Deleted;
            changed = true;
        }
        if (changed)
        {
            await db.KeepSums(loaded, platform, trials, cancel);
        }
    }

    private static void KeepYear(
        this NokkoDb db,
        LoadedJob loaded,
        JobDocument d,
        JobResults results
    )
    {
        var year = YearFacts.Of(d, results.WalkRounds) is { } facts
            ? new JobYear
            {
                Id = d.Job.Id,
                HandedOverAt = d.Job.HandedOverAt!.Value,
                Facts = facts,
            }
            : null;
        if (year is null && loaded.Year is { } was)
        {
            db.Attach(was).State = EntityState.Deleted;
        }
        else if (
            year is not null
            && (
                loaded.Year?.HandedOverAt != year.HandedOverAt
                || Text(loaded.Year.Facts) != Text(year.Facts)
            )
        )
        {
            db.Set(loaded.Year is not null, year);
        }
    }

    private static void KeepSettled(
        this NokkoDb db,
        LoadedJob loaded,
        JobDocument d,
        JobResults results
    )
    {
        var had = loaded.Settled.ToDictionary(s => (s.PlanId, s.Axle));
        foreach (var row in results.Settled.Select(s => KeptSettled.Of(d.Job.Id, s)))
        {
            var there = had.Remove((row.PlanId, row.Axle), out var was);
            if (!there || Text(was!) != Text(row))
            {
                db.Set(there, row);
            }
        }
        foreach (var gone in had.Values)
        {
            db.Attach(gone).State = EntityState.Deleted;
        }
    }

    /// <summary>Takes the vehicle's trials as they were kept out of the sums, and adds them as they are now.</summary>
    private static async Task KeepSums(
        this NokkoDb db,
        LoadedJob loaded,
        Guid platform,
        KeptTrial[] trials,
        CancellationToken cancel
    )
    {
        var kept = loaded.Sums.ToDictionary(s => s.Line());
        if (platform != loaded.Document.Vehicle.PlatformId)
        {
            foreach (
                var sums in await db
                    .Sums.AsNoTracking()
                    .Where(s => s.PlatformId == platform)
                    .ToListAsync(cancel)
            )
            {
                kept.Add(sums.Line(), sums);
                loaded.Versions[sums.Id] = await db.VersionOf(sums.Id, cancel);
            }
        }
        var now = PlatformEvidence
            .Beside(
                kept.ToDictionary(s => s.Key, s => s.Value.Sums()),
                Taught(loaded.Trials),
                Taught(trials)
            )
            .Sums();
        foreach (var (line, sums) in now)
        {
            var there = kept.TryGetValue(line, out var was);
            if (there && was!.Sums().Values.SequenceEqual(sums.Values))
            {
                continue;
            }
            var row = new KeptSums
            {
                Id = was?.Id ?? Guid.CreateVersion7(),
                PlatformId = line.PlatformId,
                Axle = line.Axle,
                Suspension = line.Suspension,
                Family = line.Family,
                Trials = sums.Trials,
                Vehicles = sums.Vehicles,
                Values = sums.Values.ToArray(),
            };
            db.Set(there, row);
            if (there)
            {
                // Another vehicle of the platform that was saved meanwhile: decided anew.
                db.Entry(row).Property(NokkoDb.VersionColumn).OriginalValue = loaded.Versions[
                    row.Id
                ];
            }
        }

        static TaughtTrial[] Taught(IEnumerable<KeptTrial> trials) =>
            [.. trials.Select(t => t.Taught()).OfType<TaughtTrial>()];
    }

    private static Task<uint> VersionOf(this NokkoDb db, Guid sums, CancellationToken cancel) =>
        db
            .Sums.Where(s => s.Id == sums)
            .Select(s => EF.Property<uint>(s, NokkoDb.VersionColumn))
            .SingleAsync(cancel);

    private static string Text<T>(T kept) => JsonSerializer.Serialize(kept, JobJson.Options);

    private static void Set<T>(this NokkoDb db, bool there, T row)
        where T : class
    {
        if (!there)
        {
            db.Put(row);
            return;
        }
        var entry = db.Attach(row);
        entry.Property(NokkoDb.ShopIdColumn).CurrentValue = db.ShopId;
        entry.State = EntityState.Modified;
    }
}
