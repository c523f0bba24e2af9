using System.IO.Compression;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Core.Tape;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Server.JobFile;

/// <summary>Job files out and in, with photographs as a zip, and the photographs themselves.</summary>
internal static class JobFileEndpoints
{
    /// <summary>One at a time: a large one takes many times its size while it is read.</summary>
    private static readonly SemaphoreSlim OneAtATime = new(1);

    internal sealed record Imported(Guid JobId);

    /// <summary>A photograph whose content is kept.</summary>
    internal sealed record KeptFile(string Sha256, string MediaType);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/jobs/{job:guid}/file", Export);
        api.MapPost("/job-files", Import).UpTo(Unpacked.MostZip);
        api.MapPost("/files", Keep).UpTo(Photograph.MostBytes);
        api.MapGet("/files/{sha256}", File);
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Export(
        Guid job,
        NokkoDb db,
        CancellationToken cancel,
        bool bare = false
    )
    {
        if (await db.LoadDocument(job, cancel, history: true) is not { } whole)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        var d = bare ? WithoutNames.Of(whole) : whole;
        var json = Encoding.UTF8.GetBytes(JobJson.Canonical(d));
        var name = $"{d.Vehicle.Make}-{d.Vehicle.Name}-{d.Vehicle.Plate ?? d.Vehicle.Vin}"
            .TrimEnd('-')
            .Replace(' ', '-')
            .ToLowerInvariant();
        if (d.Attachments.Count == 0)
        {
            return TypedResults.File(json, "application/json", $"{name}.json");
        }
        var wanted = d.Attachments.Select(a => a.Sha256).Distinct().ToArray();
        var files = await db
            .Files.AsNoTracking()
            .Where(f => wanted.Contains(f.Sha256))
            .ToListAsync(cancel);
        using var buffer = new MemoryStream();
        using (var zip = new ZipArchive(buffer, ZipArchiveMode.Create, leaveOpen: true))
        {
            await Write(zip, "job.json", json);
            foreach (var file in files)
            {
                await Write(zip, $"files/{file.Sha256}", file.Content);
            }
        }
        return TypedResults.File(buffer.ToArray(), "application/zip", $"{name}.zip");

        async Task Write(ZipArchive zip, string path, byte[] content)
        {
            await using var entry = zip.CreateEntry(path).Open();
            await entry.WriteAsync(content, cancel);
        }
    }

    private static async Task<Results<Ok<Imported>, ProblemHttpResult>> Import(
        HttpRequest request,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel,
        bool copy = false
    )
    {
        await OneAtATime.WaitAsync(cancel);
        try
        {
            await using var body = await Uploads.Spooled(
                request,
                Unpacked.MostZip,
                Unpacked.MostJson,
                cancel
            );
            var (text, files) = await Unpacked.Of(body, cancel);
            text = WithKept(text, files);
            var read = JobFileReader.Read(text);
            if (read.Document is { } practised && PracticeKey.Is(practised.Job.Id))
            {
                return Trouble
                    .At(
                        "$.job.id",
                        "This is an exercise of the practice bay. It comes into no shop: nothing in it was measured on a vehicle."
                    )
                    .Answer();
            }
            if (read.Document is { } first && copy)
            {
                read = JobFileReader.Read(WithNewIds(text, first));
            }
            if (read.Document is not { } d)
            {
                return Trouble.At(read.Error!.Path, read.Error.Message).Answer();
            }
            if (copy)
            {
                d = d with
                {
                    Job = d.Job with { CopiedAt = Instants.ToMicroseconds(clock.GetUtcNow()) },
                    // The job itself has that place already.
                    Bookings = [],
                };
            }
            await Put(db, d, files, cancel);
            return TypedResults.Ok(new Imported(d.Job.Id));
        }
        catch (RefusedException e)
        {
            return Trouble.Of(e.Refusal).Answer();
        }
        catch (DbUpdateException e)
            when (e.InnerException
                    is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation }
            )
        {
            return Trouble.Of(Exists().Refusal).Answer();
        }
        finally
        {
            OneAtATime.Release();
        }
    }

    /// <summary>Names photographs that were drawn anew by their new sums.</summary>
    private static string WithKept(string text, IReadOnlyDictionary<string, Unpacked.Picture> files)
    {
        foreach (var (came, kept) in files.Where(f => f.Key != f.Value.Sha256))
        {
            text = text.Replace(came, kept.Sha256, StringComparison.OrdinalIgnoreCase);
        }
        return text;
    }

    private static RefusedException Exists() =>
        Refuse.Gate(
            "id",
            "This job, or a part of it, is here already. Bring it in as a copy with new keys, or stop."
        );

    private static async Task Put(
        NokkoDb db,
        JobDocument d,
        IReadOnlyDictionary<string, Unpacked.Picture> files,
        CancellationToken cancel
    )
    {
        if (await db.Jobs.AnyAsync(j => j.Id == d.Job.Id || j.VehicleId == d.Vehicle.Id, cancel))
        {
            throw Exists();
        }
        var owner = await db
            .Owners.AsNoTracking()
            .FirstOrDefaultAsync(o => o.Id == d.Owner.Id, cancel);
        if (owner is not null && owner != d.Owner)
        {
            throw Exists();
        }
        var platform = await db
            .Platforms.AsNoTracking()
            .FirstOrDefaultAsync(p => p.Id == d.Platform.Id || p.Name == d.Platform.Name, cancel);
        // What the list here says of its variants stays.
        if (
            platform is not null
            && (platform.Id, platform.Name) != (d.Platform.Id, d.Platform.Name)
        )
        {
            throw Refuse.Gate(
                "$.platform",
                $"This shop's list has the platform “{platform.Name}” under another key. Rename one of them first."
            );
        }
        var kept = files.Values.DistinctBy(f => f.Sha256).ToDictionary(f => f.Sha256);
        foreach (var attachment in d.Attachments.DistinctBy(a => a.Sha256))
        {
            if (await db.Files.AnyAsync(f => f.Sha256 == attachment.Sha256, cancel))
            {
                continue;
            }
            if (!kept.TryGetValue(attachment.Sha256, out var picture))
            {
                throw Refuse.Value(
                    "$.attachments",
                    $"The file {attachment.Sha256} is named but not in the zip."
                );
            }
            db.Put(new StoredFile { Sha256 = attachment.Sha256, Content = picture.Content });
        }
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        db.PutJob(d, new[] { owner?.Id, platform?.Id }.OfType<Guid>().ToHashSet());
        await db.SaveNew(d.Job.Id, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Gives every row a new key. People, platform and shelf keep theirs.</summary>
    private static string WithNewIds(string text, JobDocument d)
    {
        // Rows are ordered by key, so the new keys keep the order of the old ones: each a millisecond after the last.
        var start = DateTimeOffset.UtcNow;
        var map = d.RowIds()
            .OrderBy(id => id.ToString(), StringComparer.Ordinal)
            .Select((id, i) => (id, Fresh: Guid.CreateVersion7(start.AddMilliseconds(i))))
            .ToDictionary(x => x.id.ToString(), x => x.Fresh.ToString());
        return Mapped(JsonNode.Parse(text))!.ToJsonString(JobJson.Options);

        JsonNode? Mapped(JsonNode? node) =>
            node switch
            {
                JsonObject o => new JsonObject(
                    o.Select(p => KeyValuePair.Create(p.Key, Mapped(p.Value)))
                ),
                JsonArray a => new JsonArray([.. a.Select(Mapped)]),
                JsonValue v
                    when v.TryGetValue<string>(out var s)
                        && map.TryGetValue(s.ToLowerInvariant(), out var fresh) => JsonValue.Create(
                    fresh
                ),
                _ => node?.DeepClone(),
            };
    }

    /// <summary>Keeps the content of a photograph; a command names it by its sum.</summary>
    private static async Task<Results<Ok<KeptFile>, ProblemHttpResult>> Keep(
        HttpRequest request,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        try
        {
            var (content, type) = await Photograph.Kept(
                await Uploads.Body(request, Photograph.MostBytes, cancel),
                cancel
            );
            var sha256 = Unpacked.Sum(content);
            await db.KeepFile(sha256, content, cancel);
            return TypedResults.Ok(new KeptFile(sha256, type));
        }
        catch (RefusedException e)
        {
            return Trouble.Of(e.Refusal).Answer();
        }
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> File(
        string sha256,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        var type = await db.Set<Attachment>()
            .Where(a => a.Sha256 == sha256)
            .Select(a => a.MediaType)
            .FirstOrDefaultAsync(cancel);
        var content = await db
            .Files.Where(f => f.Sha256 == sha256)
            .Select(f => f.Content)
            .FirstOrDefaultAsync(cancel);
        return content is null || type is null || !AddPhotograph.MediaTypes.Contains(type)
            ? Trouble.Missing("There is no such file.").Answer()
            : TypedResults.File(content, type);
    }
}
