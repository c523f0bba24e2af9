using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Units;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Papers;

/// <summary>Papers of a job, and the addresses under which its owner reads the record, or chooses from the quote.</summary>
internal static class PaperEndpoints
{
    /// <summary>Longest that an owner's address holds, days.</summary>
    public const int MostDays = 730;

    /// <summary>Papers of a job.</summary>
    /// <param name="Record">The record.</param>
    /// <param name="Alignment">The alignment sheet; null while nothing was fitted.</param>
    /// <param name="Quote">The quote; null while nothing is offered.</param>
    /// <param name="Choices">Its offers, and why one cannot be chosen any more.</param>
    internal sealed record PapersView(
        Paper Record,
        Paper? Alignment,
        Paper? Quote,
        IReadOnlyList<Choice> Choices
    );

    /// <summary>What an owner's address shall open and show.</summary>
    /// <param name="Opens">The record or the quote.</param>
    /// <param name="Plates">Plate or VIN.</param>
    /// <param name="Owners">The owner's contact.</param>
    /// <param name="Pictures">Photographs.</param>
    /// <param name="Days">For how many days it holds, 1 to <see cref="MostDays"/>.</param>
    internal sealed record ShareBody(
        SharedThing Opens,
        bool Plates,
        bool Owners,
        bool Pictures,
        int Days
    );

    /// <param name="Token">What stands in the address.</param>
    /// <param name="Zone">The reader's time zone.</param>
    internal sealed record LookBody(string? Token, string? Zone);

    /// <summary>A record as its owner reads it.</summary>
    /// <param name="Shop">The shop's name.</param>
    /// <param name="EndsAt">When the address ends.</param>
    /// <param name="Record">The record.</param>
    internal sealed record SharedRecord(string Shop, DateTimeOffset? EndsAt, Paper Record);

    internal sealed record PictureBody(string? Token, string? Sha256);

    public static void Map(RouteGroupBuilder api, RouteGroupBuilder jobs)
    {
        jobs.MapGet("/{job:guid}/papers", Show);
        foreach (var opens in new[] { SharedThing.Record, SharedThing.Quote })
        {
            jobs.MapGet(
                $"/{{job:guid}}/shared/{opens.ToString().ToLowerInvariant()}",
                (Guid job, NokkoDb db, SignedIn me, TimeProvider clock, CancellationToken cancel) =>
                    Open(job, opens, db, me, clock, cancel)
            );
        }
        jobs.MapPost("/{job:guid}/shared", Share);
        api.MapPost("/shared/{address:guid}/end", End);
        // What opens it goes in bodies only: addresses end up in logs.
        api.MapPost("/shared/record", Look).AllowAnonymous().RequireRateLimiting(Guards.Door);
        api.MapPost("/shared/picture", Picture).AllowAnonymous().RequireRateLimiting(Guards.Door);
    }

    private static async Task<Results<Ok<PapersView>, ProblemHttpResult>> Show(
        Guid job,
        string? zone,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await db.LoadJob(job, new JobWanted(), cancel) is not { } loaded)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        var results = JobEvaluator.Evaluate(loaded.Document, loaded.Others);
        var reader = PaperReader.In(me.Style, zone);
        return TypedResults.Ok(
            new PapersView(
                RecordPaper.Of(loaded.Document, results, reader, Shown.OwnPaper),
                AlignmentPaper.Of(loaded.Document, results, reader, Shown.OwnPaper),
                QuotePaper.Of(loaded.Document, reader, Shown.OwnPaper),
                QuotePaper.Choices(loaded.Document, clock.GetUtcNow())
            )
        );
    }

    private static async Task<Ok<List<SharedAddresses.OpenAddress>>> Open(
        Guid job,
        SharedThing opens,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    ) => TypedResults.Ok(await SharedAddresses.Open(db, me, clock.GetUtcNow(), opens, job, cancel));

    private static async Task<Results<Ok<SharedAddresses.MadeAddress>, ProblemHttpResult>> Share(
        Guid job,
        ShareBody body,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (body.Opens is not (SharedThing.Record or SharedThing.Quote))
        {
            return Trouble.At("opens", "The record or the quote.").Answer();
        }
        if (body.Days is < 1 or > MostDays)
        {
            return Trouble.At("days", $"From 1 to {MostDays} days.").Answer();
        }
        if (!await db.Jobs.AnyAsync(j => j.Id == job, cancel))
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        return await SharedAddresses.Make(
            db,
            me,
            clock.GetUtcNow(),
            body.Opens,
            job,
            (body.Plates, body.Owners, body.Pictures),
            TimeSpan.FromDays(body.Days),
            cancel
        );
    }

    private static async Task<Results<Ok, ProblemHttpResult>> End(
        Guid address,
        NokkoDb db,
        SignedIn me,
        CancellationToken cancel
    ) =>
        await SharedAddresses.End(db, me, address, cancel)
            ? TypedResults.Ok()
            : Trouble.Missing("This address was taken back already.").Answer();

    private static async Task<Results<Ok<SharedRecord>, ProblemHttpResult>> Look(
        LookBody body,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (
            await Opened(db, body.Token, clock, cancel) is not { JobId: { } job } address
            || await db.LoadJob(job, new JobWanted(), cancel) is not { } loaded
        )
        {
            return SharedAddresses.Over().Answer();
        }
        var shop = await db
            .Shops.Where(s => s.Id == address.ShopId)
            .Select(s => s.Name)
            .SingleAsync(cancel);
        return TypedResults.Ok(
            new SharedRecord(
                shop,
                address.EndsAt,
                RecordPaper.Of(
                    loaded.Document,
                    JobEvaluator.Evaluate(loaded.Document, loaded.Others),
                    PaperReader.In(LengthStyle.Of(address.LengthUnit), body.Zone),
                    new Shown(address.Plates, address.Owners, address.Pictures)
                )
            )
        );
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Picture(
        PictureBody body,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await Opened(db, body.Token, clock, cancel) is not { JobId: { } job, Pictures: true })
        {
            return SharedAddresses.Over().Answer();
        }
        // Of this job, and of no other.
        var kept = await db.Set<Attachment>()
            .Where(a => EF.Property<Guid>(a, NokkoDb.JobIdColumn) == job && a.Sha256 == body.Sha256)
            .Select(a => a.MediaType)
            .FirstOrDefaultAsync(cancel);
        var content = kept is null
            ? null
            : await db
                .Files.Where(f => f.Sha256 == body.Sha256)
                .Select(f => f.Content)
                .FirstOrDefaultAsync(cancel);
        return content is null
            ? Trouble.Missing("There is no such photograph on this record.").Answer()
            : TypedResults.File(content, kept);
    }

    private static Task<SharedAddress?> Opened(
        NokkoDb db,
        string? token,
        TimeProvider clock,
        CancellationToken cancel
    ) => SharedAddresses.Find(db, token, SharedThing.Record, clock.GetUtcNow(), cancel);
}
