using CsvHelper;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Evidence;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Server.JobFile;

/// <summary>Jobs of the years before come in as a table: looked at first, line by line, then brought in, each whole or not at all. The table is described in docs/formats/old-jobs.md.</summary>
internal static class OldJobEndpoints
{
    private const int Most = 2_000;
    private const int MostCharacters = 2 * 1024 * 1024;

    private static readonly SemaphoreSlim OneAtATime = new(1);

    private static readonly CsvReaderOptions Options = new()
    {
        MalformedData = CsvMalformedDataHandling.Throw,
        TrimWhitespace = true,
        TrackLineNumbers = true,
        MaxRecordSize = MostCharacters,
    };

    /// <summary>A table, CSV.</summary>
    internal sealed record OldJobsText(string Text);

    /// <summary>What a table holds.</summary>
    /// <param name="Problem">Why it cannot be read as a whole; nothing of it is stored then.</param>
    /// <param name="Lines">Every line.</param>
    /// <param name="New">Lines that are not here yet and can be brought in.</param>
    internal sealed record OldJobsLook(string? Problem, IReadOnlyList<OldJobsLine> Lines, int New);

    /// <summary>One line.</summary>
    /// <param name="Line">Line of the table; its head is line 1.</param>
    /// <param name="Shows">The vehicle, the day and what went in.</param>
    /// <param name="Problem">Why it does not come in; null where it does.</param>
    /// <param name="JobId">The job that it becomes, or is already.</param>
    /// <param name="Here">Whether it is here already.</param>
    /// <param name="Teaches">What it teaches of the lift line, mm of lift for the thickness; null where nothing.</param>
    /// <param name="WhyNot">Why it teaches nothing.</param>
    internal sealed record OldJobsLine(
        int Line,
        string Shows,
        string? Problem,
        Guid? JobId,
        bool Here,
        Estimate? Teaches,
        string? WhyNot
    );

    private sealed record Row(int Line, JobDocument? Job, string Shows, string? Problem);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/old-jobs.csv", Empty).Produces<string>(StatusCodes.Status200OK, "text/csv");
        api.MapPost("/old-jobs/look", Look).OpenToViewers();
        api.MapPost("/old-jobs", Bring);
    }

    /// <summary>A table to be filled in, with one line that shows how.</summary>
    private static Task<FileContentHttpResult> Empty() =>
        CsvTable.Of(
            "old-jobs.csv",
            OldJob.Columns,
            [
                [
                    "2024-03-18",
                    "Ostrel Drover, second shape",
                    "Ostrel",
                    "Drover",
                    "SV 1 A",
                    "",
                    "pickup",
                    "coilOverArm",
                    "leafOverslung",
                    "front",
                    "Alder plate 1",
                    "strutTopSpacer",
                    "1 in",
                    "2 in",
                    "hub",
                    "20 1/2",
                    "20 1/2",
                    "22 7/8",
                    "22 7/8",
                    "22 3/8",
                    "22 3/8",
                    "22 7/8",
                    "22 7/8",
                ],
            ]
        );

    private static async Task<Ok<OldJobsLook>> Look(
        OldJobsText body,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var (rows, problem) = await Read(body.Text, db, me, clock, cancel);
        return TypedResults.Ok(await Shown(rows, problem, db, cancel));
    }

    /// <summary>Brings in every line that can be; those that are here already stay as they are, so that it may be sent again.</summary>
    private static async Task<Ok<OldJobsLook>> Bring(
        OldJobsText body,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        await OneAtATime.WaitAsync(cancel);
        try
        {
            var (rows, problem) = await Read(body.Text, db, me, clock, cancel);
            var shown = await Shown(rows, problem, db, cancel);
            foreach (
                var (row, _) in rows.Zip(shown.Lines)
                    .Where(r =>
                        r.First.Job is not null && r.Second is { Problem: null, Here: false }
                    )
            )
            {
                try
                {
                    await Put(db, row.Job!, cancel);
                }
                catch (DbUpdateException e)
                    when (e.InnerException
                            is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation }
                    )
                {
                    // Another server brought the same line in at this moment.
                }
            }
            return TypedResults.Ok(shown);
        }
        finally
        {
            OneAtATime.Release();
        }
    }

    private static async Task Put(NokkoDb db, JobDocument d, CancellationToken cancel)
    {
        db.ChangeTracker.Clear();
        var there = new HashSet<Guid>();
        if (await db.Owners.AnyAsync(o => o.Id == d.Owner.Id, cancel))
        {
            there.Add(d.Owner.Id);
        }
        if (await db.Platforms.AnyAsync(p => p.Id == d.Platform.Id, cancel))
        {
            there.Add(d.Platform.Id);
        }
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        db.PutJob(d, there);
        await db.SaveNew(d.Job.Id, cancel);
        await transaction.CommitAsync(CancellationToken.None);
    }

    private static async Task<OldJobsLook> Shown(
        IReadOnlyList<Row> rows,
        string? problem,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        Guid[] keys = [.. rows.Select(r => r.Job?.Job.Id).OfType<Guid>()];
        var here = (
            await db.Jobs.Where(j => keys.Contains(j.Id)).Select(j => j.Id).ToListAsync(cancel)
        ).ToHashSet();
        var seen = new HashSet<Guid>();
        OldJobsLine[] lines =
        [
            .. rows.Select(r =>
            {
                if (r.Job is not { } d)
                {
                    return new OldJobsLine(r.Line, r.Shows, r.Problem, null, false, null, null);
                }
                var trial = JobEvaluator
                    .TrialsOf(d, JobEvaluator.StancesOf(d))
                    .FirstOrDefault(t =>
                        t.Trial is not null || t.Family != Core.Shelf.LiftFamily.None
                    );
                return new OldJobsLine(
                    r.Line,
                    r.Shows,
                    seen.Add(d.Job.Id) ? null : "The table has this line twice.",
                    d.Job.Id,
                    here.Contains(d.Job.Id),
                    trial?.Trial is { } t ? new Estimate(t.FreeRiseMm, t.FreeRiseUMm) : null,
                    trial?.Trial is null ? trial?.WhyNot ?? "Nothing was measured after it." : null
                );
            }),
        ];
        return new OldJobsLook(
            problem,
            lines,
            lines.Count(l => l is { Problem: null, Here: false })
        );
    }

    private static async Task<(IReadOnlyList<Row> Rows, string? Problem)> Read(
        string text,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (text.Length > MostCharacters)
        {
            return ([], "That is more than 2 MB.");
        }
        // A platform or an owner that is new stands in several lines, and is one.
        var platforms = (await db.Platforms.AsNoTracking().ToListAsync(cancel))
            .DistinctBy(p => p.Name)
            .ToDictionary(p => p.Name);
        var owners = new Dictionary<string, Core.Vehicles.Owner>();
        try
        {
            using var csv = CsvReader.FromText(text.TrimStart('\uFEFF'), Options);
            var header = csv.Headers ?? [];
            if (header.FirstOrDefault(h => !OldJob.Columns.Contains(h)) is { } strange)
            {
                return (
                    [],
                    $"There is no column “{strange}”. The columns are {string.Join(", ", OldJob.Columns)}."
                );
            }
            if (OldJob.Needed.FirstOrDefault(c => !header.Contains(c)) is { } missing)
            {
                return ([], $"The column “{missing}” is missing.");
            }
            var raw = new List<(int Line, Dictionary<string, string> Cells)>();
            while (csv.Read())
            {
                if (raw.Count == Most)
                {
                    return ([], $"At most {Most:#,0} lines at once.");
                }
                raw.Add(
                    (
                        (int)csv.LineNumber,
                        OldJob
                            .Columns.Select(c =>
                                (
                                    c,
                                    Text: csv.TryGetFieldIndex(c, out var at)
                                    && TypedText.Blank(csv.GetString(at)) is { } cell
                                        ? CsvCell.Read(cell)
                                        : null
                                )
                            )
                            .Where(c => c.Text is not null)
                            .ToDictionary(c => c.c, c => c.Text!)
                    )
                );
            }
            string[] named =
            [
                .. raw.Select(r => r.Cells.GetValueOrDefault("owner", OldJob.FromTheBooks))
                    .Distinct(),
            ];
            foreach (
                var owner in await db
                    .Owners.AsNoTracking()
                    .Where(o => named.Contains(o.Name))
                    .OrderBy(o => o.Id)
                    .ToListAsync(cancel)
            )
            {
                owners.TryAdd(owner.Name, owner);
            }
            var context = new OldJobContext(
                db.ShopId,
                new Person { Id = me.PersonId, Name = me.Name },
                Instants.ToMicroseconds(clock.GetUtcNow()),
                me.Style,
                platforms.GetValueOrDefault,
                owners.GetValueOrDefault
            );
            var rows = new List<Row>();
            foreach (var (line, cells) in raw)
            {
                var shows = string.Join(
                    " ",
                    ((string[])["date", "make", "name", "plate", "part"])
                        .Select(cells.GetValueOrDefault)
                        .OfType<string>()
                );
                try
                {
                    var d = OldJob.Read(cells.GetValueOrDefault, context);
                    platforms.TryAdd(d.Platform.Name, d.Platform);
                    owners.TryAdd(d.Owner.Name, d.Owner);
                    rows.Add(new Row(line, d, shows, null));
                }
                catch (RefusedException e)
                {
                    rows.Add(new Row(line, null, shows, $"{e.Refusal.Field}: {e.Message}"));
                }
            }
            return (rows, null);
        }
        catch (CsvFormatException)
        {
            return ([], "This is not CSV: a quotation mark is open or a field is out of place.");
        }
    }
}
