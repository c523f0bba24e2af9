using System.Runtime.CompilerServices;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Storage;

/// <summary>How much of a job is loaded.</summary>
public enum JobExtent
{
    /// <summary>What a stance and a prediction rest on: stages, plans, walk-rounds and readings.</summary>
    Stance,

    /// <summary>Everything but the commands.</summary>
    Work,

    /// <summary>Everything, as it goes into a job file.</summary>
    All,
}

/// <summary>Turns rows into job documents and back.</summary>
public static class JobStore
{
    /// <summary>Loads whole jobs, one query for each table that holds anything of them. Unknown ids are left out.</summary>
    /// <param name="db">The database.</param>
    /// <param name="ids">Jobs.</param>
    /// <param name="rows">How much of them.</param>
    /// <param name="cancel">Cancels.</param>
    /// <param name="versions">Takes the version of every row that is edited, by key.</param>
    public static async Task<IReadOnlyList<JobDocument>> LoadJobs(
        this NokkoDb db,
        IReadOnlyCollection<Guid> ids,
        JobExtent rows,
        CancellationToken cancel,
        Dictionary<Guid, uint>? versions = null
    )
    {
        var jobs = await Edited(db.Jobs.Where(j => ids.Contains(j.Id)), j => j.Id);
        var vehicleIds = jobs.Select(j => j.VehicleId).ToArray();
        var vehicles = (
            await Edited(db.Vehicles.Where(v => vehicleIds.Contains(v.Id)), v => v.Id)
        ).ToDictionary(v => v.Id);
        var filled = await FilledTables(db, ids, cancel);
        var ownerIds = vehicles.Values.Select(v => v.OwnerId).ToArray();
        var owners = await db
            .Owners.AsNoTracking()
            .Where(o => ownerIds.Contains(o.Id))
            .ToDictionaryAsync(o => o.Id, cancel);
        var platformIds = vehicles.Values.Select(v => v.PlatformId).ToArray();
        var platforms = await db
            .Platforms.AsNoTracking()
            .Where(p => platformIds.Contains(p.Id))
            .ToDictionaryAsync(p => p.Id, cancel);

        var people = await Rows<PersonOnJob>(p => p.Id, JobExtent.Work);
        var stages = await Rows<Stage>(s => s.Id, JobExtent.Stance);
        var rounds = await Rows<WalkRound>(w => w.Id, JobExtent.Stance);
        var readings = await Rows<Reading>(r => r.Id, JobExtent.Stance);
        var plans = await Rows<Plan>(p => p.Id, JobExtent.Stance);
        var frozen = await Rows<FrozenPrediction>(f => f.Id, JobExtent.Work);
        var kits = await Rows<Kit>(k => k.Id, JobExtent.Work);
        var joints = await Rows<Joint>(j => j.Id, JobExtent.Work);
        var torques = await Rows<TorqueEntry>(t => t.Id, JobExtent.Work);
        var offLines = await Rows<OffLine>(o => o.Id, JobExtent.Work);
        var steps = await Rows<StepEntry>(s => s.Id, JobExtent.Work);
        var supports = await Rows<SupportEntry>(s => s.Id, JobExtent.Work);
        var marks = await Rows<Mark>(m => m.Id, JobExtent.Work);
        var orientations = await Rows<Orientation>(o => o.Id, JobExtent.Work);
        var deviations = await Rows<Deviation>(d => d.Id, JobExtent.Work);
        var promises = await Rows<Promised>(p => p.Id, JobExtent.Work);
        var followUps = await Rows<FollowUp>(f => f.Id, JobExtent.Work);
        var schools = await Rows<SchoolChoice>(s => s.Id, JobExtent.Work);
        var attachments = await Rows<Attachment>(a => a.Id, JobExtent.Work);
        var history = await Rows<HistoryEntry>(h => h.Id, JobExtent.All);

        return
        [
            .. jobs.Select(job =>
            {
                var vehicle = vehicles[job.VehicleId];
                return new JobDocument
                {
                    Format = JobDocument.FormatName,
                    Version = JobDocument.CurrentVersion,
                    Job = job,
                    Owner = owners[vehicle.OwnerId],
                    Vehicle = vehicle,
                    Platform = platforms[vehicle.PlatformId],
                    People =
                    [
                        .. people[job.Id].Select(p => new Person { Id = p.Id, Name = p.Name }),
                    ],
                    Stages = [.. stages[job.Id]],
                    WalkRounds = [.. rounds[job.Id]],
                    Readings = [.. readings[job.Id]],
                    Plans = [.. plans[job.Id]],
                    FrozenPredictions = [.. frozen[job.Id]],
                    Kits = [.. kits[job.Id]],
                    Joints = [.. joints[job.Id]],
                    TorqueEntries = [.. torques[job.Id]],
                    OffLines = [.. offLines[job.Id]],
                    Steps = [.. steps[job.Id]],
                    Supports = [.. supports[job.Id]],
                    Marks = [.. marks[job.Id]],
                    Orientations = [.. orientations[job.Id]],
                    Deviations = [.. deviations[job.Id]],
                    Promises = [.. promises[job.Id]],
                    FollowUps = [.. followUps[job.Id]],
                    Schools = [.. schools[job.Id]],
                    Attachments = [.. attachments[job.Id]],
                    History = [.. history[job.Id]],
                };
            }),
        ];

        async Task<ILookup<Guid, T>> Rows<T>(Func<T, Guid> id, JobExtent least)
            where T : class
        {
            var type = db.Model.FindEntityType(typeof(T))!;
            if (rows < least || !filled.Contains(type.GetTableName()!))
            {
                return Enumerable.Empty<T>().ToLookup(_ => Guid.Empty);
            }
            var mine = db.Set<T>()
                .AsNoTracking()
                .Where(r => ids.Contains(EF.Property<Guid>(r, NokkoDb.JobIdColumn)));
            var found = type.FindProperty(NokkoDb.VersionColumn) is null
                ? await mine.Select(r => new Loaded<T>(
                        EF.Property<Guid>(r, NokkoDb.JobIdColumn),
                        r,
                        null
                    ))
                    .ToListAsync(cancel)
                : await mine.Select(r => new Loaded<T>(
                        EF.Property<Guid>(r, NokkoDb.JobIdColumn),
                        r,
                        EF.Property<uint>(r, NokkoDb.VersionColumn)
                    ))
                    .ToListAsync(cancel);
            Note(found, id);
            return found
                .OrderBy(r => id(r.Row).ToString(), StringComparer.Ordinal)
                .ToLookup(r => r.Job, r => r.Row);
        }

        async Task<List<T>> Edited<T>(IQueryable<T> query, Func<T, Guid> id)
            where T : class
        {
            var found = await query
                .AsNoTracking()
                .Select(r => new Loaded<T>(
                    Guid.Empty,
                    r,
                    EF.Property<uint>(r, NokkoDb.VersionColumn)
                ))
                .ToListAsync(cancel);
            Note(found, id);
            return [.. found.Select(r => r.Row)];
        }

        void Note<T>(IEnumerable<Loaded<T>> found, Func<T, Guid> id)
        {
            foreach (var (_, row, version) in versions is null ? [] : found)
            {
                if (version is { } seen)
                {
                    versions![id(row)] = seen;
                }
            }
        }
    }

    /// <param name="Job">Its job.</param>
    /// <param name="Row">The row.</param>
    /// <param name="Version">Its version, when it is one that is edited.</param>
    private sealed record Loaded<T>(Guid Job, T Row, uint? Version);

    /// <summary>Names of the tables that hold anything of some jobs: most of a young job's are empty, and one question is cheaper than twenty.</summary>
    private static async Task<HashSet<string>> FilledTables(
        NokkoDb db,
        IReadOnlyCollection<Guid> ids,
        CancellationToken cancel
    )
    {
        var sql = Question.GetValue(db.Model, Ask);
        return [.. await db.Database.SqlQueryRaw<string>(sql, ids.ToArray()).ToListAsync(cancel)];

        // Every name comes from the model itself, none from a person.
        static string Ask(IModel model) =>
            string.Join(
                "\nunion all ",
                model
                    .GetEntityTypes()
                    .Select(t =>
                        (Table: t.GetTableName(), Job: t.FindProperty(NokkoDb.JobIdColumn))
                    )
                    .Where(t => t.Job is not null)
                    .Select(t =>
                        $"select '{t.Table}' as \"Value\" where exists (select 1 from {t.Table} where {t.Job!.GetColumnName()} = any({{0}}))"
                    )
            );
    }

    private static readonly ConditionalWeakTable<IModel, string> Question = [];

    /// <summary>Loads one job, or null.</summary>
    public static async Task<JobDocument?> LoadJob(
        this NokkoDb db,
        Guid id,
        JobExtent rows,
        CancellationToken cancel,
        Dictionary<Guid, uint>? versions = null
    ) => (await db.LoadJobs([id], rows, cancel, versions)).SingleOrDefault();

    /// <summary>Adds every row of a document to this shop; owner and platform only when they are new.</summary>
    public static void PutJob(this NokkoDb db, JobDocument d, bool ownerIsNew, bool platformIsNew)
    {
        if (ownerIsNew)
        {
            db.Put(d.Owner);
        }
        if (platformIsNew)
        {
            db.Put(d.Platform);
        }
        db.Put(d.Vehicle);
        db.Put(d.Job);
        Put(d.People.Select(p => new PersonOnJob { Id = p.Id, Name = p.Name }));
        Put(d.Stages);
        Put(d.WalkRounds);
        Put(d.Readings);
        Put(d.Plans);
        Put(d.FrozenPredictions);
        Put(d.Kits);
        Put(d.Joints);
        Put(d.TorqueEntries);
        Put(d.OffLines);
        Put(d.Steps);
        Put(d.Supports);
        Put(d.Marks);
        Put(d.Orientations);
        Put(d.Deviations);
        Put(d.Promises);
        Put(d.FollowUps);
        Put(d.Schools);
        Put(d.Attachments);
        Put(d.History);
        if (JobEvaluator.Evaluate(d).Trials is { Count: > 0 } trials)
        {
            db.Put(
                new JobEvidence
                {
                    Id = d.Job.Id,
                    PlatformId = d.Vehicle.PlatformId,
                    Trials = trials,
                }
            );
        }

        void Put<T>(IEnumerable<T> rows)
            where T : class
        {
            foreach (var row in rows)
            {
                db.Put(d.Job.Id, row);
            }
        }
    }
}
