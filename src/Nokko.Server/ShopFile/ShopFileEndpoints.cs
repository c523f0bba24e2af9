using System.Data;
using System.IO.Compression;
using System.Text;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Server.Hosting;
using Nokko.Server.JobFile;
using Nokko.Server.People;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Server.ShopFile;

using ShopFile = Core.JobFile.ShopFile;

/// <summary>A whole shop out as one zip of open files, and back into an empty one.</summary>
internal static partial class ShopFileEndpoints
{
    /// <summary>Most bytes of a shop's zip.</summary>
    private const int MostZip = 2_000_000_000;

    private const int MostEntries = 500_000;

    /// <summary>One at a time: it takes the database for minutes.</summary>
    private static readonly SemaphoreSlim OneAtATime = new(1);

    /// <summary>What came back.</summary>
    /// <param name="Jobs">How many jobs.</param>
    /// <param name="Parts">How many parts.</param>
    /// <param name="Photographs">How many photographs.</param>
    /// <param name="NotTaken">Names to sign in with that somebody here has already: these people stay names on the record.</param>
    internal sealed record BroughtBack(
        int Jobs,
        int Parts,
        int Photographs,
        IReadOnlyList<string> NotTaken
    );

    public static void Map(RouteGroupBuilder api)
    {
        var owners = api.MapGroup("/shop/file").RequireAuthorization(Roles.Owners);
        owners.MapGet("", Export);
        owners.MapPost("", Import).UpTo(MostZip);
    }

    private static async Task<FileStreamHttpResult> Export(
        NokkoDb db,
        SignedIn me,
        CancellationToken cancel
    )
    {
        // All of it as it is at one moment, whoever works meanwhile.
        await using var transaction = await db.Database.BeginTransactionAsync(
            IsolationLevel.RepeatableRead,
            cancel
        );
        var shop = await db.Shops.AsNoTracking().SingleAsync(s => s.Id == me.ShopId, cancel);
        var zipped = Uploads.Scratch();
        try
        {
            await using (
                var zip = await ZipArchive.CreateAsync(
                    zipped,
                    ZipArchiveMode.Create,
                    leaveOpen: true,
                    entryNameEncoding: null,
                    cancel
                )
            )
            {
                await Write("shop.json", JobJson.Canonical(await Of(db, shop, cancel)));
                foreach (
                    var job in await db
                        .Jobs.OrderBy(j => j.Id)
                        .Select(j => j.Id)
                        .ToListAsync(cancel)
                )
                {
                    var d = (await db.LoadDocument(job, cancel, history: true))!;
                    await Write($"jobs/{job}.json", JobJson.Canonical(d));
                }
                var photographs = db.Files.AsNoTracking().OrderBy(f => f.Sha256);
                foreach (var sha256 in await photographs.Select(f => f.Sha256).ToListAsync(cancel))
                {
                    await WriteBytes(
                        $"files/{sha256}",
                        await photographs
                            .Where(f => f.Sha256 == sha256)
                            .Select(f => f.Content)
                            .SingleAsync(cancel)
                    );
                }

                Task Write(string path, string text) =>
                    WriteBytes(path, Encoding.UTF8.GetBytes(text));

                async Task WriteBytes(string path, byte[] content)
                {
                    await using var entry = await zip.CreateEntry(path).OpenAsync(cancel);
                    await entry.WriteAsync(content, cancel);
                }
            }
            zipped.Position = 0;
            return TypedResults.Stream(zipped, "application/zip", "nokko-shop.zip");
        }
        catch
        {
            await zipped.DisposeAsync();
            throw;
        }
    }

    private static async Task<ShopFile> Of(NokkoDb db, Shop shop, CancellationToken cancel) =>
        new()
        {
            Format = ShopFile.FormatName,
            Version = ShopFile.CurrentVersion,
            Name = shop.Name,
            Settings = shop.Settings,
            Ways = await db.ShopWays.AsNoTracking().FirstOrDefaultAsync(cancel),
            Tips = await db.Tips.AsNoTracking().OrderBy(t => t.Id).ToListAsync(cancel),
            Instruments = await db
                .Instruments.AsNoTracking()
                .OrderBy(i => i.Id)
                .ToListAsync(cancel),
            Platforms = await db.Platforms.AsNoTracking().OrderBy(p => p.Id).ToListAsync(cancel),
            Owners = await db.Owners.AsNoTracking().OrderBy(o => o.Id).ToListAsync(cancel),
            Parts = await db.Parts.AsNoTracking().OrderBy(p => p.Id).ToListAsync(cancel),
            People =
            [
                .. (
                    await db
                        .Users.AsNoTracking()
                        .Where(a => a.ShopId == shop.Id)
                        .OrderBy(a => a.Id)
                        .ToListAsync(cancel)
                ).Select(a => new ShopPerson(
                    a.Id,
                    a.PersonName,
                    a.UserName!,
                    a.Role,
                    a.LengthUnit == Unit.Mm.Symbol ? Unit.Mm : Unit.Inch,
                    a.RemovedAt
                )),
            ],
            History = await db
                .Commands.AsNoTracking()
                .Where(c => c.JobId == null)
                .OrderBy(c => c.Id)
                .Select(c => new HistoryEntry
                {
                    Id = c.Id,
                    Kind = c.Kind,
                    PersonId = c.PersonId,
                    At = c.At,
                    TakesBack = c.TakesBack,
                })
                .ToListAsync(cancel),
        };

    private static async Task<Results<Ok<BroughtBack>, ProblemHttpResult>> Import(
        HttpRequest request,
        NokkoDb db,
        SignedIn me,
        IServiceScopeFactory scopes,
        CancellationToken cancel
    )
    {
        await OneAtATime.WaitAsync(cancel);
        try
        {
            await using var body = await Uploads.Spooled(request, MostZip, 1024, cancel);
            await using var zip = await ZipArchive.CreateAsync(
                body,
                ZipArchiveMode.Read,
                leaveOpen: true,
                entryNameEncoding: null,
                cancel
            );
            return TypedResults.Ok(await BringBack(zip, db, me, scopes, cancel));
        }
        catch (RefusedException e)
        {
            return Trouble.Of(e.Refusal).Answer();
        }
        catch (InvalidDataException)
        {
            return Trouble.At("$", "This is no zip, or it is damaged.").Answer();
        }
        catch (DbUpdateException e)
            when (e.InnerException
                    is PostgresException
                    {
                        SqlState: PostgresErrorCodes.UniqueViolation
                            or PostgresErrorCodes.ForeignKeyViolation
                    }
            )
        {
            return Trouble
                .Gate(
                    "$",
                    "A key of it stands in it twice, or is on this server already, in another shop. Nothing was brought in."
                )
                .Answer();
        }
        finally
        {
            OneAtATime.Release();
        }
    }

    private static async Task<BroughtBack> BringBack(
        ZipArchive zip,
        NokkoDb db,
        SignedIn me,
        IServiceScopeFactory scopes,
        CancellationToken cancel
    )
    {
        if (zip.Entries.Count > MostEntries)
        {
            throw Refuse.Value("$", $"The zip holds more than {MostEntries} files.");
        }
        var shopEntry =
            zip.GetEntry("shop.json")
            ?? throw Refuse.Value("$", "The zip holds no shop.json: it is no whole shop.");
        var file = ShopFile.Read(await Json(shopEntry));
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        // Two that bring a shop in at once: the second finds it full.
        await db.Database.ExecuteSqlAsync(
            $"select 1 from shops where id = {me.ShopId} for update",
            cancel
        );
        if (
            await db.Jobs.AnyAsync(cancel)
            || await db.Parts.AnyAsync(cancel)
            || await db.Platforms.AnyAsync(cancel)
            || await db.Owners.AnyAsync(cancel)
            || await db.Tips.AnyAsync(cancel)
            || await db.Instruments.AnyAsync(cancel)
            || await db.ShopWays.AnyAsync(cancel)
        )
        {
            throw Refuse.Gate(
                "$",
                "This shop has something of its own already. A whole shop comes into an empty one; single jobs come in one by one, in the yard."
            );
        }
        var shop = await db.Shops.SingleAsync(s => s.Id == me.ShopId, cancel);
        (shop.Name, shop.Settings) = (file.Name, file.Settings);
        var notTaken = await PutPeople(db, me, file, scopes, cancel);
        object[] rows =
        [
            .. file.Platforms,
            .. file.Owners,
            .. file.Parts,
            .. file.Tips,
            .. file.Instruments,
        ];
        foreach (var row in file.Ways is { } ways ? [.. rows, ways] : rows)
        {
            db.Put(row);
        }
        foreach (var line in file.History)
        {
            db.Put(StoredCommand.Of(line, null, null));
        }
        await db.SaveChangesAsync(cancel);
        var photographs = 0;
        foreach (var entry in Under("files/"))
        {
            var (content, _) = await Photograph.Kept(
                await Unpacked.Read(entry, Photograph.MostBytes, cancel),
                cancel
            );
            var sha256 = Unpacked.Sum(content);
            if ($"files/{sha256}" != entry.FullName)
            {
                throw Refuse.Value(
                    entry.FullName,
                    "This photograph is not the one that its name says, or it holds more than a picture."
                );
            }
            await db.KeepFile(sha256, content, cancel);
            photographs++;
        }
        var jobs = await PutJobs(
            db,
            [.. file.Platforms.Select(p => p.Id), .. file.Owners.Select(o => o.Id)],
            Under("jobs/"),
            cancel
        );
        await transaction.CommitAsync(cancel);
        return new BroughtBack(jobs, file.Parts.Count, photographs, notTaken);

        IEnumerable<ZipArchiveEntry> Under(string folder) =>
            zip.Entries.Where(e =>
                e.FullName.StartsWith(folder, StringComparison.Ordinal) && !e.FullName.EndsWith('/')
            );

        async Task<string> Json(ZipArchiveEntry entry) =>
            Unpacked.Text(await Unpacked.Read(entry, Unpacked.MostJson, cancel));
    }
}
