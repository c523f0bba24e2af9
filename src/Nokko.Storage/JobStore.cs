using System.Runtime.CompilerServices;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.WalkRounds;
using Npgsql;
using NpgsqlTypes;

namespace Nokko.Storage;

/// <summary>What is wanted beside a job when it is loaded.</summary>
public sealed record JobWanted
{
    /// <summary>Whether its history comes with it.</summary>
    public bool History { get; init; }

    /// <summary>Keys of commands whose earlier use is looked up.</summary>
    public IReadOnlyCollection<Guid> Keys { get; init; } = [];

    /// <summary>Parts of the shelf.</summary>
    public IReadOnlyCollection<Guid> Parts { get; init; } = [];

    /// <summary>The plan whose parts are wanted.</summary>
    public IReadOnlyCollection<Guid> PartsOfPlans { get; init; } = [];

    /// <summary>Content of photographs, by SHA-256.</summary>
    public IReadOnlyCollection<string> Files { get; init; } = [];

    /// <summary>Instruments of the shop, beside those with which something of the job was read.</summary>
    public IReadOnlyCollection<Guid> Instruments { get; init; } = [];

    /// <summary>Changes that shall be taken back.</summary>
    public IReadOnlyCollection<Guid> Undone { get; init; } = [];
}

/// <summary>An earlier use of a command's key.</summary>
/// <param name="Id">The key.</param>
/// <param name="JobId">The job; null is the shop.</param>
/// <param name="ShopId">The shop.</param>
/// <param name="Hash">Sum of what was sent; null for history that came with a file.</param>
public sealed record UsedKey(Guid Id, Guid? JobId, Guid ShopId, string? Hash);

/// <summary>A job as it was loaded, with what was wanted beside it.</summary>
/// <param name="Document">The job with its vehicle.</param>
/// <param name="Version">How many times it was changed.</param>
/// <param name="Versions">Versions of rows that are edited, by key.</param>
/// <param name="Used">Earlier uses of the keys that were asked for.</param>
/// <param name="Parts">Parts that were asked for.</param>
/// <param name="Files">Photographs that are there.</param>
/// <param name="Undone">Changes that were asked for.</param>
/// <param name="Trials">What the vehicle's jobs have proved, this one among them, as it is kept.</param>
/// <param name="Sums">What all vehicles of its platform have taught, as it is kept.</param>
/// <param name="Confirmed">How often other jobs of the shop found each kind of cause, of the last ones.</param>
/// <param name="Instruments">Instruments with which something of it was read, and those that were asked for.</param>
/// <param name="HasEvidence">Whether what it proved is kept.</param>
/// <param name="Settled">What it showed of its springs, as it is kept.</param>
/// <param name="Settling">What the last vehicles on such springs showed.</param>
/// <param name="Year">What it adds to the shop's year, as it is kept; null where nothing is.</param>
/// <param name="Workload">What is left of it, as it is kept; null where nothing is.</param>
public sealed record LoadedJob(
    JobDocument Document,
    long Version,
    Dictionary<Guid, uint> Versions,
    IReadOnlyList<UsedKey> Used,
    IReadOnlyList<Part> Parts,
    IReadOnlySet<string> Files,
    IReadOnlyList<Recorded> Undone,
    IReadOnlyList<KeptTrial> Trials,
    IReadOnlyList<KeptSums> Sums,
    IReadOnlyDictionary<CauseKind, int> Confirmed,
    IReadOnlyList<Instrument> Instruments,
    bool HasEvidence,
    IReadOnlyList<KeptSettled> Settled,
    IReadOnlyList<SettledSums> Settling,
    JobYear? Year,
    Workload? Workload
)
{
    /// <summary>What is known of the vehicle's lift lines beside this job.</summary>
    public PlatformEvidence Others { get; } =
        PlatformEvidence.Beside(
            Sums.ToDictionary(s => s.Line(), s => s.Sums()),
            [.. Trials.Select(t => t.Taught()).OfType<TaughtTrial>()],
            [
                .. Trials
                    .Where(t => t.JobId != Document.Job.Id)
                    .Select(t => t.Taught())
                    .OfType<TaughtTrial>(),
            ]
        ) with
        {
            Confirmed = Confirmed,
            Instruments = Instruments,
            Settled = Settling,
        };
}

/// <summary>Turns rows into job documents and back. Whatever a decision needs comes in one statement.</summary>
public static class JobStore
{
    private static readonly ConditionalWeakTable<IModel, string> Statements = [];

    /// <summary>Loads one job of this shop, or null.</summary>
    /// <param name="db">The database.</param>
    /// <param name="id">The job.</param>
    /// <param name="wanted">What is wanted beside it.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<LoadedJob?> LoadJob(
        this NokkoDb db,
        Guid id,
        JobWanted wanted,
        CancellationToken cancel
    )
    {
        var sql = Statements.GetValue(db.Model, JobStatement.Write);
        var rows = await db
            .Database.SqlQueryRaw<JobColumns>(
                sql,
                Value("job", id),
                Value("shop", db.ShopId),
                Value("history", wanted.History),
                Values("keys", NpgsqlDbType.Uuid, wanted.Keys),
                Values("parts", NpgsqlDbType.Uuid, wanted.Parts),
                Values("plans", NpgsqlDbType.Uuid, wanted.PartsOfPlans),
                Values("files", NpgsqlDbType.Text, wanted.Files),
                Values("undone", NpgsqlDbType.Uuid, wanted.Undone),
                Values("instruments", NpgsqlDbType.Uuid, wanted.Instruments)
            )
            .ToListAsync(cancel);
        return rows is [{ } row] ? row.Read() : null;

        static NpgsqlParameter Value(string name, object value) => new(name, value);

        static NpgsqlParameter Values<T>(string name, NpgsqlDbType type, IEnumerable<T> values) =>
            new(name, NpgsqlDbType.Array | type) { Value = values.ToArray() };
    }

    /// <summary>Loads one job of this shop without anything beside it, or null.</summary>
    public static async Task<JobDocument?> LoadDocument(
        this NokkoDb db,
        Guid id,
        CancellationToken cancel,
        bool history = false
    ) => (await db.LoadJob(id, new JobWanted { History = history }, cancel))?.Document;

    /// <summary>Writes the changes of a decision on a job, to be saved.</summary>
    /// <param name="db">The database.</param>
    /// <param name="d">The job.</param>
    /// <param name="changes">The changes.</param>
    /// <param name="versions">Versions of the rows as they were loaded.</param>
    public static void Write(
        this NokkoDb db,
        JobDocument d,
        IEnumerable<RowChange> changes,
        IReadOnlyDictionary<Guid, uint> versions
    ) => db.WriteOf(d.Job.Id, d.Vehicle.Id, changes, versions);

    /// <summary>Writes changes of rows that belong to no job.</summary>
    public static void WriteShop(
        this NokkoDb db,
        IEnumerable<RowChange> changes,
        IReadOnlyDictionary<Guid, uint> versions
    ) => db.WriteOf(Guid.Empty, Guid.Empty, changes, versions);

    /// <summary>Writes the changes of a decision on a job that may be new.</summary>
    public static void WriteOf(
        this NokkoDb db,
        Guid job,
        Guid vehicle,
        IEnumerable<RowChange> changes,
        IReadOnlyDictionary<Guid, uint> versions
    )
    {
        foreach (var change in changes)
        {
            switch (change)
            {
                case RowChange.Added { Row: Person person }:
                    db.PutOf(job, vehicle, new PersonOnJob { Id = person.Id, Name = person.Name });
                    break;
                case RowChange.Added added:
                    db.PutOf(job, vehicle, added.Row);
                    break;
                case RowChange.Replaced other when other.Row.Id != other.Was.Id:
                    // Another owner's, or of another platform: theirs stays as it is.
                    break;
                case RowChange.Replaced replaced:
                    // The row that is left is attached, never the one that was: decisions and histories still look at that.
                    var entry = db.Attach(replaced.Row);
                    entry.OriginalValues.SetValues(replaced.Was);
                    if (versions.TryGetValue(replaced.Row.Id, out var version))
                    {
                        entry.Property(NokkoDb.VersionColumn).OriginalValue = version;
                    }
                    break;
                case RowChange.Withdrawn withdrawn:
                    var gone = db.Attach(withdrawn.Row);
                    if (versions.TryGetValue(withdrawn.Row.Id, out var seen))
                    {
                        gone.Property(NokkoDb.VersionColumn).OriginalValue = seen;
                    }
                    gone.State = EntityState.Deleted;
                    break;
                default:
                    throw new ArgumentOutOfRangeException(nameof(changes));
            }
        }
    }

    /// <summary>Adds the rows of a document to this shop, but for those that are there already. What follows from it is kept by <see cref="DerivedStore.SaveNew"/>.</summary>
    /// <param name="db">The database.</param>
    /// <param name="d">The document.</param>
    /// <param name="there">Keys of rows that are there: owner, platform, what an earlier job of the same vehicle brought of the vehicle's. Those that are added are added to it. A row of a job is of that job alone and never there.</param>
    public static void PutJob(this NokkoDb db, JobDocument d, ISet<Guid> there)
    {
        foreach (var list in JobRows.Lists.Where(l => l.Name != "history"))
        {
            db.Write(
                d,
                list.Get(d)
                    .Where(r => db.IsOfJob(list) || there.Add(r.Id))
                    .Select(r => new RowChange.Added(r)),
                new Dictionary<Guid, uint>()
            );
        }
        foreach (var line in d.History)
        {
            db.Put(StoredCommand.Of(line, d.Job.Id, null));
        }
    }

    private static bool IsOfJob(this NokkoDb db, RowList list) =>
        list.Type == typeof(Person)
        || db.Model.FindEntityType(list.Type)!.FindProperty(NokkoDb.JobIdColumn) is { } job
            && job.IsShadowProperty();

    /// <summary>Adds a row of a job or of its vehicle.</summary>
    private static void PutOf(this NokkoDb db, Guid job, Guid vehicle, object row)
    {
        db.Put(row);
        var entry = db.Entry(row);
        Set(NokkoDb.JobIdColumn, job);
        Set(NokkoDb.VehicleIdColumn, vehicle);

        void Set(string column, Guid key)
        {
            if (entry.Metadata.FindProperty(column) is { } property && property.IsShadowProperty())
            {
                entry.Property(column).CurrentValue = key;
            }
        }
    }

    /// <summary>Keeps the content of a photograph, once a shop.</summary>
    public static Task KeepFile(
        this NokkoDb db,
        string sha256,
        byte[] content,
        CancellationToken cancel
    ) =>
        db.Database.ExecuteSqlAsync(
            $"insert into files (shop_id, sha256, content) values ({db.ShopId}, {sha256}, {content}) on conflict do nothing",
            cancel
        );

    /// <summary>What commands changed, by their key; nothing is kept of those that came in with a file.</summary>
    public static Task<Dictionary<Guid, IReadOnlyList<RecordedChange>?>> ChangesOf(
        this NokkoDb db,
        Guid[] commands,
        CancellationToken cancel
    ) =>
        db
            .Commands.Where(c => commands.Contains(c.Id))
            .ToDictionaryAsync(c => c.Id, c => c.Changes, cancel);

    /// <summary>The one row of the statement.</summary>
    private sealed record JobColumns
    {
        public required string Document { get; init; }
        public required long Version { get; init; }
        public required string Versions { get; init; }
        public required string Used { get; init; }
        public required string Parts { get; init; }
        public required string[] Files { get; init; }
        public required string Undone { get; init; }
        public required string Trials { get; init; }
        public required string Sums { get; init; }
        public required string Confirmed { get; init; }
        public required string Instruments { get; init; }
        public required bool HasEvidence { get; init; }
        public required string Settled { get; init; }
        public required string Settling { get; init; }
        public required string? Year { get; init; }
        public required string? Workload { get; init; }

        public LoadedJob Read() =>
            new(
                Json<JobDocument>(Document),
                Version,
                Json<Dictionary<Guid, uint>>(Versions),
                Json<List<UsedKey>>(Used),
                Json<List<Part>>(Parts),
                Files.ToHashSet(),
                Json<List<Recorded>>(Undone),
                Json<List<KeptTrial>>(Trials),
                Json<List<KeptSums>>(Sums),
                Json<Dictionary<CauseKind, int>>(Confirmed),
                Json<List<Instrument>>(Instruments),
                HasEvidence,
                Json<List<KeptSettled>>(Settled),
                Json<List<SettledSums>>(Settling),
                Year is null ? null : Json<JobYear>(Year),
                Workload is null ? null : Json<Workload>(Workload)
            );

        private static T Json<T>(string text) =>
            JsonSerializer.Deserialize<T>(text, JobJson.Options)!;
    }
}
