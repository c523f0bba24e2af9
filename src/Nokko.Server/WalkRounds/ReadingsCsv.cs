using System.Globalization;
using System.Text;
using CsvHelper;
using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.WalkRounds;

/// <summary>Readings out and in as CSV (RFC 4180, UTF-8); the columns are documented in docs/formats/readings-csv.md.</summary>
internal static class ReadingsCsv
{
    internal static readonly string[] Columns =
    [
        "reading_id",
        "walk_round_id",
        "stage",
        "taken_at_utc",
        "person",
        "kind",
        "measure",
        "place",
        "from",
        "own_mark",
        "typed",
        "value_mm",
        "value_deg",
        "value_kg",
        "over_mm",
        "known",
        "instrument",
        "skipped",
        "confirmed",
        "raised_corners",
        "changed_corners",
        "supersedes",
        "reason",
        "note",
    ];

    /// <summary>A file to be brought into one walk-round.</summary>
    internal sealed record CsvFile(Guid WalkRoundId, string Csv);

    /// <summary>What a file holds, row by row.</summary>
    /// <param name="Problem">Why the file as a whole cannot be read.</param>
    /// <param name="Good">Rows that would be stored.</param>
    /// <param name="Heights">Heights among them, as they are to be sent.</param>
    /// <param name="Measures">Measures among them, likewise.</param>
    internal sealed record CsvPreview(
        string? Problem,
        int Good,
        IReadOnlyList<CsvRow> Rows,
        IReadOnlyList<StoreReading> Heights,
        IReadOnlyList<StoreMeasure> Measures
    );

    /// <summary>One row of a file.</summary>
    /// <param name="Line">Line in the file, from 1; the header is line 1.</param>
    /// <param name="Shows">What it would store.</param>
    /// <param name="Problem">Why it would not be stored.</param>
    /// <param name="IsHere">Whether this reading is stored already and is passed over.</param>
    internal sealed record CsvRow(int Line, string Shows, string? Problem, bool IsHere);

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapGet("/{job:guid}/readings.csv", Export);
        jobs.MapPost("/{job:guid}/readings-csv/preview", Look).OpenToViewers();
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Export(
        Guid job,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (await db.LoadDocument(job, cancel) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        return await CsvTable.Of(
            $"readings-{d.Vehicle.Plate ?? d.Vehicle.Name}.csv"
                .Replace(' ', '-')
                .ToLowerInvariant(),
            Columns,
            d.Readings.Select(r => Fields(r, d))
        );
    }

    private static IEnumerable<string?> Fields(Reading r, JobDocument d)
    {
        var round = d.WalkRounds.First(w => w.Id == r.WalkRoundId);
        return
        [
            r.Id.ToString(),
            r.WalkRoundId.ToString(),
            d.Stages.First(s => s.Id == round.StageId).Name,
            r.TakenAt.UtcDateTime.ToString(
                "yyyy-MM-dd'T'HH:mm:ss.FFFFFF'Z'",
                CultureInfo.InvariantCulture
            ),
            d.People.FirstOrDefault(p => p.Id == r.PersonId)?.Name,
            Camel(r.Kind),
            r.Measure,
            r.Place.Name,
            r.From is { } from ? Camel(from) : null,
            r.OwnMark,
            r.Value?.Typed,
            In(r.Value, Unit.Mm),
            In(r.Value, Unit.Degree),
            In(r.Value, Unit.Kg),
            In(r.Over, Unit.Mm),
            r.Value is null ? null : Camel(r.Value.Known),
            r.Instrument,
            r.Skipped ? "yes" : null,
            r.Answers.Count > 0 ? "yes" : null,
            string.Join(' ', r.RaisedCorners),
            string.Join(' ', r.ChangedCorners),
            r.Supersedes?.ToString(),
            r.Reason,
            r.Note,
        ];
    }

    private static string? In(Quantity? q, Unit unit) =>
        q is not null && q.Unit.SameKind(unit)
            ? q.In(unit).ToString("R", CultureInfo.InvariantCulture)
            : null;

    private static string Camel<T>(T value)
        where T : struct, Enum
    {
        var text = value.ToString();
        return char.ToLowerInvariant(text[0]) + text[1..];
    }

    private static async Task<Results<Ok<CsvPreview>, ProblemHttpResult>> Look(
        Guid job,
        CsvFile body,
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        await db.LoadDocument(job, cancel) is { } d
            ? TypedResults.Ok(
                new ReadingsCsvFile(
                    d,
                    body.WalkRoundId,
                    me,
                    Instants.ToMicroseconds(clock.GetUtcNow())
                ).Read(body.Csv)
            )
            : Trouble.Missing("There is no such job in this shop.").Answer();
}
