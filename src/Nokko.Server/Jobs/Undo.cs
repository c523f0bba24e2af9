using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.Jobs;

/// <summary>Takes a change of the last hour back, by a new command; what was read stays on the record as taken back.</summary>
internal static class Undo
{
    private static readonly TimeSpan Within = TimeSpan.FromHours(1);

    /// <summary>What may not be taken back, with the reason.</summary>
    private static readonly Dictionary<string, string> Never = new()
    {
        ["vehicle taken in"] = "A job is not undone by undoing its first step.",
        ["handed over"] = "What was handed over is not taken back: note what changed after it.",
    };

    internal sealed record TakeBackCommand(Guid CommandId, Guid Undoes);

    /// <summary>Whether a command of the history can still be taken back, as far as the list alone tells.</summary>
    public static bool IsOpen(HistoryEntry entry, HashSet<Guid> undone, DateTimeOffset now) =>
        now - entry.At <= Within
        && !Never.ContainsKey(entry.Kind)
        && !undone.Contains(entry.Id)
        && UndoneBy(entry) is null
        && entry.Replaced.ValueKind == JsonValueKind.Array
        && entry.Replaced.GetArrayLength() > 0;

    /// <summary>The command that an entry took back; null when it is no undo.</summary>
    public static Guid? UndoneBy(HistoryEntry entry) =>
        entry.Body.ValueKind == JsonValueKind.Object
        && entry.Body.TryGetProperty("undoes", out var id)
        && id.TryGetGuid(out var undone)
            ? undone
            : null;

    public static void Map(RouteGroupBuilder jobs) => jobs.MapPost("/{job:guid}/undo", Take);

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Take(
        Guid job,
        TakeBackCommand body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "change taken back",
            body,
            async d =>
            {
                var history = await desk
                    .Db.History.AsNoTracking()
                    .Where(h => EF.Property<Guid>(h, NokkoDb.JobIdColumn) == job)
                    .ToListAsync(cancel);
                var entry =
                    history.FirstOrDefault(h => h.Id == body.Undoes)
                    ?? throw Refuse("That change is not in this job.");
                if (Never.TryGetValue(entry.Kind, out var never))
                {
                    throw Refuse(never);
                }
                var undone = history.Select(UndoneBy).OfType<Guid>().ToHashSet();
                if (!IsOpen(entry, undone, desk.Now))
                {
                    throw Refuse(
                        undone.Contains(entry.Id)
                            ? "It is taken back already."
                            : "Only changes of the last hour are taken back; older ones are in the history."
                    );
                }
                await Reverse(d, entry, desk, job, cancel);
            },
            cancel
        );

    private static async Task Reverse(
        JobDocument d,
        HistoryEntry entry,
        JobDesk desk,
        Guid job,
        CancellationToken cancel
    )
    {
        var rows = entry.Replaced.EnumerateArray().Select(Row.Of).ToArray();
        // Rows that this command itself made or changed: they go, or go back to what they were.
        var own = rows.Select(r => (r.Left ?? r.Before)?.GetProperty("id").GetGuid())
            .OfType<Guid>()
            .ToHashSet();
        foreach (var row in rows)
        {
            var type =
                desk.Db.Model.GetEntityTypes()
                    .FirstOrDefault(t => t.GetTableName() == row.Table)
                    ?.ClrType
                ?? throw Refuse("It was made by an older Nokko and cannot be taken back.");
            if (row is { Before: null, Left: null })
            {
                throw Refuse("It was made by an older Nokko and cannot be taken back.");
            }
            var before = Read(row.Before, type);
            var id = (row.Left ?? row.Before)!.Value.GetProperty("id").GetGuid();
            var current = await desk.Db.FindAsync(type, [id], cancel);
            if (row.Left is null)
            {
                desk.Db.Put(job, before!);
                continue;
            }
            if (current is null)
            {
                throw Changed();
            }
            if (current is Part part && before is Part was && Read(row.Left, type) is Part left)
            {
                // Other jobs draw on the same shelf: only this command's own share goes back.
                desk.Db.Entry(part)
                    .CurrentValues.SetValues(
                        part with
                        {
                            Count = part.Count + was.Count - left.Count,
                        }
                    );
                continue;
            }
            if (
                !JsonElement.DeepEquals(
                    JsonSerializer.SerializeToElement(current, type, JobJson.Options),
                    row.Left.Value
                )
            )
            {
                throw Changed();
            }
            if (before is not null)
            {
                desk.Db.Entry(current).CurrentValues.SetValues(before);
            }
            else if (current is Reading reading)
            {
                TakeBack(d, reading, desk, job);
            }
            else if (current is TorqueEntry)
            {
                throw Refuse("A pass over a joint stays on the record: note another pass.");
            }
            else
            {
                Unused(d, id, own);
                desk.Db.Remove(current);
            }
        }
    }

    /// <summary>Readings are never removed: a row of its own says that this one does not count.</summary>
    private static void TakeBack(JobDocument d, Reading reading, JobDesk desk, Guid job)
    {
        if (d.Readings.Any(r => r.Supersedes == reading.Id))
        {
            throw Refuse("That reading was corrected since: take the correction back first.");
        }
        desk.Db.Put(
            job,
            new Reading
            {
                Id = Guid.CreateVersion7(desk.Now),
                WalkRoundId = reading.WalkRoundId,
                Kind = reading.Kind,
                Place = reading.Place,
                Measure = reading.Measure,
                From = reading.From,
                OwnMark = reading.OwnMark,
                PersonId = desk.PersonId,
                TakenAt = desk.Now,
                StoredAt = desk.Now,
                Supersedes = reading.Id,
                Reason = "taken back",
            }
        );
    }

    /// <summary>Refuses to take away a row that another row of the job names.</summary>
    private static void Unused(JobDocument d, Guid id, HashSet<Guid> own)
    {
        var text = id.ToString();
        var used = JsonSerializer
            .SerializeToNode(d, JobJson.Options)!
            .AsObject()
            .Select(p => p.Value)
            .OfType<JsonArray>()
            .SelectMany(rows => rows)
            .OfType<JsonObject>()
            .Any(row =>
                Guid.TryParse((string?)row["id"], out var other)
                && !own.Contains(other)
                && row.ToJsonString(JobJson.Options).Contains(text, StringComparison.Ordinal)
            );
        if (used)
        {
            throw Refuse("Other entries rest on it since: take those back first.");
        }
    }

    private static object? Read(JsonElement? row, Type type) =>
        row is { } json ? json.Deserialize(type, JobJson.Options) : null;

    private static TroubleException Changed() =>
        Refuse("It was changed again since: take the later change back first.");

    private static TroubleException Refuse(string why) => new(Trouble.Gate("undoes", why));

    /// <summary>A row before a command and after it.</summary>
    private readonly record struct Row(string Table, JsonElement? Before, JsonElement? Left)
    {
        public static Row Of(JsonElement e) =>
            new(
                e.ValueKind == JsonValueKind.Object && e.TryGetProperty("table", out var table)
                    ? table.GetString() ?? ""
                    : "",
                Part(e, "row"),
                Part(e, "left")
            );

        private static JsonElement? Part(JsonElement e, string name) =>
            e.ValueKind == JsonValueKind.Object
            && e.TryGetProperty(name, out var part)
            && part.ValueKind == JsonValueKind.Object
                ? part
                : null;
    }
}
