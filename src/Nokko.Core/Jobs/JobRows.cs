using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Core.Week;

namespace Nokko.Core.Jobs;

/// <summary>One list of a job document: its name in files, the type of its rows, and how to take it out and put it back.</summary>
/// <param name="Name">The list's name in the job file.</param>
/// <param name="Type">Type of its rows.</param>
/// <param name="Get">The rows of a document.</param>
/// <param name="With">The document with other rows.</param>
public sealed record RowList(
    string Name,
    Type Type,
    Func<JobDocument, IEnumerable<IRow>> Get,
    Func<JobDocument, IEnumerable<IRow>, JobDocument> With
);

/// <summary>The keyed rows of a job document: the one table of its lists.</summary>
public static class JobRows
{
    /// <summary>Every list. Owner, vehicle, platform and job are lists of one.</summary>
    public static IReadOnlyList<RowList> Lists { get; } =
    [
        One<Job>("job", d => d.Job, (d, row) => d with { Job = row }),
        One<Owner>("owner", d => d.Owner, (d, row) => d with { Owner = row }),
        One<Vehicle>("vehicle", d => d.Vehicle, (d, row) => d with { Vehicle = row }),
        One<Platform>("platform", d => d.Platform, (d, row) => d with { Platform = row }),
        Many<Person>("people", d => d.People, (d, rows) => d with { People = rows }),
        Many<Stage>("stages", d => d.Stages, (d, rows) => d with { Stages = rows }),
        Many<WalkRound>("walkRounds", d => d.WalkRounds, (d, rows) => d with { WalkRounds = rows }),
        Many<Reading>("readings", d => d.Readings, (d, rows) => d with { Readings = rows }),
        Many<Plan>("plans", d => d.Plans, (d, rows) => d with { Plans = rows }),
        Many<FrozenPrediction>(
            "frozenPredictions",
            d => d.FrozenPredictions,
            (d, rows) => d with { FrozenPredictions = rows }
        ),
        Many<Kit>("kits", d => d.Kits, (d, rows) => d with { Kits = rows }),
        Many<Joint>("joints", d => d.Joints, (d, rows) => d with { Joints = rows }),
        Many<TorqueEntry>(
            "torqueEntries",
            d => d.TorqueEntries,
            (d, rows) => d with { TorqueEntries = rows }
        ),
        Many<OffLine>("offLines", d => d.OffLines, (d, rows) => d with { OffLines = rows }),
        Many<StepEntry>("steps", d => d.Steps, (d, rows) => d with { Steps = rows }),
        Many<SupportEntry>("supports", d => d.Supports, (d, rows) => d with { Supports = rows }),
        Many<Mark>("marks", d => d.Marks, (d, rows) => d with { Marks = rows }),
        Many<Orientation>(
            "orientations",
            d => d.Orientations,
            (d, rows) => d with { Orientations = rows }
        ),
        Many<Deviation>("deviations", d => d.Deviations, (d, rows) => d with { Deviations = rows }),
        Many<Promised>("promises", d => d.Promises, (d, rows) => d with { Promises = rows }),
        Many<FollowUp>("followUps", d => d.FollowUps, (d, rows) => d with { FollowUps = rows }),
        Many<SchoolChoice>("schools", d => d.Schools, (d, rows) => d with { Schools = rows }),
        Many<Cut>("cuts", d => d.Cuts, (d, rows) => d with { Cuts = rows }),
        Many<Look>("looks", d => d.Looks, (d, rows) => d with { Looks = rows }),
        Many<CheckedCause>(
            "checkedCauses",
            d => d.CheckedCauses,
            (d, rows) => d with { CheckedCauses = rows }
        ),
        Many<OwnStep>("ownSteps", d => d.OwnSteps, (d, rows) => d with { OwnSteps = rows }),
        Many<RoadTest>("roadTests", d => d.RoadTests, (d, rows) => d with { RoadTests = rows }),
        Many<Quote>("quotes", d => d.Quotes, (d, rows) => d with { Quotes = rows }),
        Many<Booking>("bookings", d => d.Bookings, (d, rows) => d with { Bookings = rows }),
        Many<Signature>("signatures", d => d.Signatures, (d, rows) => d with { Signatures = rows }),
        Many<Attachment>(
            "attachments",
            d => d.Attachments,
            (d, rows) => d with { Attachments = rows }
        ),
        Many<HistoryEntry>("history", d => d.History, (d, rows) => d with { History = rows }),
    ];

    private static readonly Dictionary<Type, RowList> ByType = Lists.ToDictionary(l => l.Type);
    private static readonly Dictionary<string, RowList> ByName = Lists.ToDictionary(l => l.Name);

    /// <summary>The list of a type of rows.</summary>
    /// <exception cref="KeyNotFoundException">A job document holds no such rows.</exception>
    public static RowList ListOf(Type type) => ByType[type];

    /// <summary>The list of a name; null when there is none.</summary>
    public static RowList? Find(string name) => ByName.GetValueOrDefault(name);

    /// <summary>Keys of every list with several rows, by the list's name in the file.</summary>
    public static IEnumerable<(string List, IEnumerable<Guid> Ids)> Ids(JobDocument d) =>
        Lists.Skip(4).Select(l => (l.Name, l.Get(d).Select(r => r.Id)));

    /// <summary>Keys of all rows that belong to this job and its vehicle alone: everything but people and platform.</summary>
    public static IEnumerable<Guid> RowIds(this JobDocument d) =>
        Lists
            .Where(l => l.Name is not ("people" or "platform"))
            .SelectMany(l => l.Get(d))
            .Select(r => r.Id)
            .Concat(
                d.Stages.SelectMany(s => s.Stacks)
                    .Concat(d.Plans.SelectMany(p => p.Stacks))
                    .Concat(d.Kits.SelectMany(k => k.Pieces).SelectMany(p => p.Stacks))
                    .SelectMany(s => s.Parts)
                    .Select(p => p.Id)
            )
            .Distinct();

    /// <summary>The document after some changes. Rows of the shelf are no part of it.</summary>
    /// <param name="d">The document.</param>
    /// <param name="changes">What changed.</param>
    public static JobDocument Apply(this JobDocument d, IEnumerable<RowChange> changes)
    {
        foreach (var list in changes.Where(c => c.Row is not Part).GroupBy(c => c.Row.GetType()))
        {
            var gone = list.Select(RowChanges.Before).OfType<IRow>().Select(r => r.Id).ToHashSet();
            // Who was added or mended and then took another's place is one row.
            var come = list.Select(RowChanges.After)
                .OfType<IRow>()
                .GroupBy(r => r.Id)
                .Select(g => g.Last());
            var rows = ListOf(list.Key);
            d = rows.With(
                d,
                rows.Get(d)
                    .Where(r => !gone.Contains(r.Id))
                    .Concat(come)
                    .OrderBy(r => r.Id.ToString(), StringComparer.Ordinal)
            );
        }
        return d;
    }

    private static RowList One<T>(
        string name,
        Func<JobDocument, T> get,
        Func<JobDocument, T, JobDocument> with
    )
        where T : class, IRow =>
        new(name, typeof(T), d => [get(d)], (d, rows) => with(d, (T)rows.Single()));

    private static RowList Many<T>(
        string name,
        Func<JobDocument, IReadOnlyList<T>> get,
        Func<JobDocument, IReadOnlyList<T>, JobDocument> with
    )
        where T : class, IRow =>
        new(name, typeof(T), get, (d, rows) => with(d, [.. rows.Cast<T>()]));
}

/// <summary>One row that a decision changes.</summary>
/// <param name="Row">The row: as it is afterwards, or as it was when it is withdrawn.</param>
public abstract record RowChange(IRow Row)
{
    /// <summary>A row that is new.</summary>
    public sealed record Added(IRow Row) : RowChange(Row);

    /// <summary>A row that takes the place of an older one. With another key it is a row of its own that the job names instead: the older one stays.</summary>
    /// <param name="Was">The row as it was.</param>
    /// <param name="Row">The row as it is now.</param>
    public sealed record Replaced(IRow Was, IRow Row) : RowChange(Row);

    /// <summary>A row that goes.</summary>
    public sealed record Withdrawn(IRow Row) : RowChange(Row);
}

/// <summary>Changes of several commands, one after the other.</summary>
public static class RowChanges
{
    /// <summary>What they come to together: at most one change a row.</summary>
    public static IReadOnlyList<RowChange> Net(IEnumerable<RowChange> changes) =>
        [
            .. changes
                .GroupBy(c => (c.Row.GetType(), c.Row.Id))
                .Select(g => (Was: Before(g.First()), Now: After(g.Last())))
                .Select(row =>
                    row switch
                    {
                        (null, null) => null,
                        (null, { } now) => new RowChange.Added(now),
                        ({ } was, null) => new RowChange.Withdrawn(was),
                        ({ } was, { } now) => (RowChange)new RowChange.Replaced(was, now),
                    }
                )
                .OfType<RowChange>(),
        ];

    internal static IRow? Before(RowChange change) =>
        change switch
        {
            RowChange.Added => null,
            RowChange.Replaced r => r.Was,
            _ => change.Row,
        };

    internal static IRow? After(RowChange change) =>
        change is RowChange.Withdrawn ? null : change.Row;
}

/// <summary>A change as it is kept beside its command, so that it can be taken back: without what says who somebody is.</summary>
/// <param name="List">Name of the list, or <c>parts</c> for the shelf.</param>
/// <param name="Was">The row before; null when it was not there.</param>
/// <param name="Now">The row after; null when it is gone.</param>
public sealed record RecordedChange(string List, JsonElement? Was, JsonElement? Now)
{
    /// <summary>Name of the shelf, whose rows belong to no job.</summary>
    public const string Shelf = "parts";

    /// <summary>How a change is kept.</summary>
    public static RecordedChange Of(RowChange change)
    {
        var list = change.Row switch
        {
            Part => Shelf,
            ShopWays => "ways",
            Tip => "tips",
            Instrument => "instruments",
            _ => JobRows.ListOf(change.Row.GetType()).Name,
        };
        return change switch
        {
            RowChange.Added a => new(list, null, Json(a.Row)),
            RowChange.Replaced r => new(list, Json(r.Was), Json(r.Row)),
            RowChange.Withdrawn w => new(list, Json(w.Row), null),
            _ => throw new ArgumentOutOfRangeException(nameof(change)),
        };
    }

    /// <summary>Key of the row; null where it cannot be read.</summary>
    [JsonIgnore]
    public Guid? Key =>
        (Now ?? Was) is { ValueKind: JsonValueKind.Object } row
        && row.TryGetProperty("id", out var id)
        && id.TryGetGuid(out var key)
            ? key
            : null;

    /// <summary>Whether a row is as this change left it.</summary>
    public bool Left(IRow row) => Now is { } now && JsonElement.DeepEquals(Json(row), now);

    /// <summary>A row as it was before this change; what says who somebody is comes from the row as it is now.</summary>
    /// <param name="type">Type of the row.</param>
    /// <param name="now">The row as it is now; null when it is gone.</param>
    public IRow? Before(Type type, IRow? now)
    {
        if (Was is not { } was)
        {
            return null;
        }
        var row = now is null
            ? []
            : JsonSerializer.SerializeToNode(now, type, JobJson.Options)!.AsObject();
        // What was not there before is not written.
        foreach (var (name, _) in Now is { } left ? JsonObject.Create(left)! : [])
        {
            row.Remove(name);
        }
        foreach (var (name, value) in JsonObject.Create(was)!)
        {
            row[name] = value?.DeepClone();
        }
        return (IRow?)row.Deserialize(type, JobJson.Options);
    }

    private static JsonElement Json(IRow row) =>
        JsonSerializer.SerializeToElement(row, row.GetType(), JobJson.Log);
}
