using Microsoft.EntityFrameworkCore;
using Nokko.Core.Fitting;
using Nokko.Core.JobFile;
using Nokko.Core.Measuring;
using Nokko.Core.Parts;
using Nokko.Core.Planning;
using Nokko.Core.Vehicles;

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
    /// <summary>Loads whole jobs, one query a table. Unknown ids are left out.</summary>
    /// <param name="db">The database.</param>
    /// <param name="ids">Jobs.</param>
    /// <param name="rows">How much of them.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<IReadOnlyList<JobDocument>> LoadJobs(
        this NokkoDb db,
        IReadOnlyCollection<Guid> ids,
        JobExtent rows,
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
            if (rows < least)
            {
                return Enumerable.Empty<T>().ToLookup(_ => Guid.Empty);
            }
            var found = await db.Set<T>()
                .AsNoTracking()
                .Where(r => ids.Contains(EF.Property<Guid>(r, NokkoDb.JobIdColumn)))
                .Select(r => new { Job = EF.Property<Guid>(r, NokkoDb.JobIdColumn), Row = r })
                .ToListAsync(cancel);
            return found
                .OrderBy(r => id(r.Row).ToString(), StringComparer.Ordinal)
                .ToLookup(r => r.Job, r => r.Row);
        }
    }

    /// <summary>Loads one job, or null.</summary>
    public static async Task<JobDocument?> LoadJob(
        this NokkoDb db,
        Guid id,
        JobExtent rows,
        CancellationToken cancel
    ) => (await db.LoadJobs([id], rows, cancel)).SingleOrDefault();

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
