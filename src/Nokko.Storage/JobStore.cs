using Microsoft.EntityFrameworkCore;
using Nokko.Core.Fitting;
using Nokko.Core.JobFile;
using Nokko.Core.Measuring;
using Nokko.Core.Parts;
using Nokko.Core.Planning;
using Nokko.Core.Vehicles;

namespace Nokko.Storage;

/// <summary>Turns rows into job documents and back.</summary>
public static class JobStore
{
    /// <summary>Loads whole jobs, one query a table. Unknown ids are left out.</summary>
    /// <param name="db">The database.</param>
    /// <param name="ids">Jobs.</param>
    /// <param name="withHistory">Whether the commands are wanted, which is only so for a file or a history.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<IReadOnlyList<JobDocument>> LoadJobs(
        this NokkoDb db,
        IReadOnlyCollection<Guid> ids,
        bool withHistory,
        CancellationToken cancel
    )
    {
        var jobs = await db.Jobs.AsNoTracking().Where(j => ids.Contains(j.Id)).ToListAsync(cancel);
        var vehicleIds = jobs.Select(j => j.VehicleId).ToArray();
        var vehicles = await db
            .Vehicles.AsNoTracking()
            .Where(v => vehicleIds.Contains(v.Id))
            .ToDictionaryAsync(v => v.Id, cancel);
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

        var people = await Rows<PersonOnJob>(p => p.Id);
        var stages = await Rows<Stage>(s => s.Id);
        var rounds = await Rows<WalkRound>(w => w.Id);
        var readings = await Rows<Reading>(r => r.Id);
        var plans = await Rows<Plan>(p => p.Id);
        var frozen = await Rows<FrozenPrediction>(f => f.Id);
        var kits = await Rows<Kit>(k => k.Id);
        var joints = await Rows<Joint>(j => j.Id);
        var torques = await Rows<TorqueEntry>(t => t.Id);
        var offLines = await Rows<OffLine>(o => o.Id);
        var steps = await Rows<StepEntry>(s => s.Id);
        var supports = await Rows<SupportEntry>(s => s.Id);
        var marks = await Rows<Mark>(m => m.Id);
        var orientations = await Rows<Orientation>(o => o.Id);
        var deviations = await Rows<Deviation>(d => d.Id);
        var promises = await Rows<Promised>(p => p.Id);
        var followUps = await Rows<FollowUp>(f => f.Id);
        var schools = await Rows<SchoolChoice>(s => s.Id);
        var attachments = await Rows<Attachment>(a => a.Id);
        var history = withHistory
            ? await Rows<HistoryEntry>(h => h.Id)
            : Enumerable.Empty<(Guid, HistoryEntry)>().ToLookup(x => x.Item1, x => x.Item2);

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

        async Task<ILookup<Guid, T>> Rows<T>(Func<T, Guid> id)
            where T : class
        {
            var rows = await db.Set<T>()
                .AsNoTracking()
                .Where(r => ids.Contains(EF.Property<Guid>(r, NokkoDb.JobIdColumn)))
                .Select(r => new { Job = EF.Property<Guid>(r, NokkoDb.JobIdColumn), Row = r })
                .ToListAsync(cancel);
            return rows.OrderBy(r => id(r.Row).ToString(), StringComparer.Ordinal)
                .ToLookup(r => r.Job, r => r.Row);
        }
    }

    /// <summary>Loads one job, or null.</summary>
    public static async Task<JobDocument?> LoadJob(
        this NokkoDb db,
        Guid id,
        bool withHistory,
        CancellationToken cancel
    ) => (await db.LoadJobs([id], withHistory, cancel)).SingleOrDefault();

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
