using System.Globalization;
using System.Text;
using System.Text.Json;
using CsvHelper;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.JobFile;
using Nokko.Core.Parts;
using Nokko.Core.Units;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Storage;

namespace Nokko.Server.Shelf;

/// <summary>The shelf out and in as CSV (RFC 4180, UTF-8) and JSON; both are documented in docs/formats/shelf.md.</summary>
/// <remarks>What is read in goes through the same rules as what is typed; a part is known by its number and name, so that a file may be read in again.</remarks>
internal static class ShelfFiles
{
    private const int MostRows = 5_000;
    private const int MostCharacters = 2 * 1024 * 1024;

    private static readonly CsvReaderOptions Options = new()
    {
        MalformedData = CsvMalformedDataHandling.Throw,
        TrimWhitespace = true,
        TrackLineNumbers = true,
        MaxRecordSize = MostCharacters,
    };

    internal static readonly string[] Columns =
    [
        "number",
        "name",
        "kind",
        "thickness",
        "thickness_known",
        "claim",
        "extension",
        "sizes",
        "count",
        "price",
        "currency",
        "hours",
        "limits",
        "notes",
    ];

    private static readonly string[] Needed = ["number", "name", "kind", "count"];

    /// <summary>The shelf as one JSON object.</summary>
    internal sealed record ShelfFile(string Format, int Version, IReadOnlyList<Part> Parts)
    {
        public const string FormatName = "nokko.shelf";
        public const int CurrentVersion = 1;
    }

    /// <summary>A file to be read in.</summary>
    /// <param name="Text">Its text, CSV or JSON.</param>
    /// <param name="Store">Whether good lines are stored; else it is only looked at.</param>
    internal sealed record ReadIn(string Text, bool Store);

    /// <summary>What a file holds, line by line.</summary>
    /// <param name="Problem">Why the file as a whole cannot be read; nothing of it is stored then.</param>
    /// <param name="New">Parts that are new.</param>
    /// <param name="Changed">Parts that are on the shelf already and differ.</param>
    /// <param name="Lines">Every line.</param>
    internal sealed record ReadInReport(
        string? Problem,
        int New,
        int Changed,
        IReadOnlyList<ReadInLine> Lines
    );

    /// <summary>One part of a file.</summary>
    /// <param name="Line">Line of a CSV file (the header is line 1), or place in the list of a JSON file, from 1.</param>
    /// <param name="Shows">The part.</param>
    /// <param name="Problem">Why it is not stored.</param>
    /// <param name="Does">new, changed or same.</param>
    internal sealed record ReadInLine(int Line, string Shows, string? Problem, string? Does);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/parts.csv", Csv);
        api.MapGet("/parts.json", Json);
        api.MapPost("/parts/read-in", Take);
    }

    private static Task<List<Part>> Shelf(NokkoDb db, CancellationToken cancel) =>
        db
            .Parts.AsNoTracking()
            .Where(p => p.BinnedAt == null)
            .OrderBy(p => p.Number)
            .ThenBy(p => p.Id)
            .ToListAsync(cancel);

    private static async Task<FileContentHttpResult> Json(NokkoDb db, CancellationToken cancel) =>
        TypedResults.File(
            JsonSerializer.SerializeToUtf8Bytes(
                new ShelfFile(
                    ShelfFile.FormatName,
                    ShelfFile.CurrentVersion,
                    await Shelf(db, cancel)
                ),
                JobJson.Indented
            ),
            "application/json",
            "shelf.json"
        );

    private static async Task<FileContentHttpResult> Csv(NokkoDb db, CancellationToken cancel)
    {
        await using var text = new StringWriter(CultureInfo.InvariantCulture);
        await using (var csv = CsvWriter.Create(text))
        {
            foreach (var column in Columns)
            {
                csv.WriteField(column);
            }
            await csv.EndRecordAsync(cancel);
            foreach (var part in await Shelf(db, cancel))
            {
                foreach (var field in Fields(part))
                {
                    csv.WriteField(Plain(field));
                }
                await csv.EndRecordAsync(cancel);
            }
        }
        return TypedResults.File(
            Encoding.UTF8.GetBytes(text.ToString()),
            "text/csv; charset=utf-8",
            "shelf.csv"
        );
    }

    /// <summary>A cell that a spreadsheet would run as a formula is kept from it.</summary>
    private static string? Plain(string? cell) =>
        cell is ['=' or '+' or '-' or '@', ..] ? "'" + cell : cell;

    private static IEnumerable<string?> Fields(Part p) =>
        [
            p.Number,
            p.Name,
            Word(p.Kind),
            Text(p.Thickness),
            p.Thickness is { } t ? Word(t.Known) : null,
            Text(p.Claim),
            Text(p.Extension),
            string.Join(
                "; ",
                p.Dimensions.OrderBy(d => d.Key, StringComparer.Ordinal)
                    .Select(d => $"{d.Key} {Text(d.Value)}")
            ),
            p.Count.ToString(CultureInfo.InvariantCulture),
            p.Price?.ToString(CultureInfo.InvariantCulture),
            p.Currency,
            Text(p.Hours),
            p.Limits,
            p.Notes,
        ];

    private static string? Text(Quantity? q) =>
        q is null ? null : string.Create(CultureInfo.InvariantCulture, $"{q.Value} {q.Unit}");

    private static string Word<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());

    // --- in -------------------------------------------------------------------------------------

    private static async Task<Results<Ok<ReadInReport>, ProblemHttpResult>> Take(
        ReadIn body,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        var (rows, problem) = body.Text.TrimStart().StartsWith('{')
            ? OfJson(body.Text)
            : OfCsv(body.Text);
        if (problem is not null)
        {
            return TypedResults.Ok(new ReadInReport(problem, 0, 0, []));
        }
        var there = (await db.Parts.Where(p => p.BinnedAt == null).ToListAsync(cancel))
            .GroupBy(p => (p.Number, p.Name))
            .ToDictionary(g => g.Key, g => g.First());
        var lines = new List<ReadInLine>();
        var seen = new HashSet<(string, string)>();
        foreach (var (line, part, why) in rows)
        {
            if (part is null)
            {
                lines.Add(new ReadInLine(line, "", why, null));
            }
            else if (!seen.Add((part.Number, part.Name)))
            {
                lines.Add(new ReadInLine(line, Shows(part), "The file has this part twice.", null));
            }
            else
            {
                lines.Add(new ReadInLine(line, Shows(part), null, Put(db, there, part)));
            }
        }
        if (body.Store)
        {
            await db.SaveChangesAsync(cancel);
        }
        return TypedResults.Ok(
            new ReadInReport(
                null,
                lines.Count(l => l.Does == "new"),
                lines.Count(l => l.Does == "changed"),
                lines
            )
        );
    }

    private static string Put(NokkoDb db, Dictionary<(string, string), Part> there, Part part)
    {
        if (!there.TryGetValue((part.Number, part.Name), out var now))
        {
            db.Put(part with { Id = Guid.CreateVersion7() });
            return "new";
        }
        var next = part with { Id = now.Id };
        if (
            JsonSerializer.Serialize(now, JobJson.Options)
            == JsonSerializer.Serialize(next, JobJson.Options)
        )
        {
            return "same";
        }
        db.Entry(now).CurrentValues.SetValues(next);
        return "changed";
    }

    private static string Shows(Part p) =>
        $"{p.Number} {p.Name}, {PartRule.Of(p.Kind).Said}{(Text(p.Thickness) is { } t ? $", {t}" : "")}";

    private static (List<(int Line, Part? Part, string? Why)> Rows, string? Problem) OfJson(
        string text
    )
    {
        try
        {
            var file = JsonSerializer.Deserialize<ShelfFile>(text, JobJson.Options)!;
            if (file.Format != ShelfFile.FormatName)
            {
                return ([], $"This is no shelf: its format is not “{ShelfFile.FormatName}”.");
            }
            if (file.Version != ShelfFile.CurrentVersion)
            {
                return ([], $"This Nokko reads shelves of version {ShelfFile.CurrentVersion}.");
            }
            if (file.Parts.Count > MostRows)
            {
                return ([], $"At most {MostRows:#,0} parts at once.");
            }
            return ([.. file.Parts.Select((p, i) => Checked(i + 1, () => Typed(p)))], null);
        }
        catch (JsonException e)
        {
            return (
                [],
                $"This is not a shelf as JSON: {e.Path ?? "$"} is not what may stand there."
            );
        }
    }

    private static (int, Part?, string?) Checked(int line, Func<Part> read)
    {
        try
        {
            return (line, read(), null);
        }
        catch (TroubleException e)
        {
            return (
                line,
                null,
                e.Trouble.Field.Length > 0 ? $"{e.Trouble.Field}: {e.Message}" : e.Message
            );
        }
    }

    /// <summary>A part of a JSON file through the same border as a typed one; its quantities stay as they are.</summary>
    private static Part Typed(Part p)
    {
        var read = ShelfEndpoints.Read(
            p.Id,
            new ShelfEndpoints.SavePart(
                null,
                p.Number,
                p.Name,
                p.Kind,
                Input(p.Thickness),
                Input(p.Claim),
                p.Count,
                p.Price,
                p.Currency,
                p.Notes,
                Input(p.Extension),
                [
                    .. p.Dimensions.Select(d => new ShelfEndpoints.PartSizeInput(
                        d.Key,
                        Input(d.Value)
                    )),
                ],
                p.Leaves,
                Input(p.Hours),
                p.Limits
            )
        );
        return read with
        {
            Thickness = p.Thickness,
            Claim = p.Claim,
            Extension = p.Extension,
            Dimensions = p.Dimensions,
            Hours = p.Hours,
        };
    }

    private static QuantityInput? Input(Quantity? q) =>
        q is null
            ? null
            : new QuantityInput(
                q.Value.ToString("R", CultureInfo.InvariantCulture),
                UnitTable.Knows(q.Unit)
                    ? q.Unit
                    : throw new TroubleException(
                        Trouble.At("unit", $"The unit “{q.Unit}” is not known.")
                    ),
                q.Known,
                AsRead
            );

    /// <summary>What stands in a file was read before: no question is asked about a decimal again.</summary>
    private static readonly string[] AsRead = ["asTyped", "decimal"];

    private static (List<(int Line, Part? Part, string? Why)> Rows, string? Problem) OfCsv(
        string text
    )
    {
        if (text.Length > MostCharacters)
        {
            return ([], "That is more than 2 MB.");
        }
        try
        {
            using var csv = CsvReader.FromText(text.TrimStart('\uFEFF'), Options);
            return OfRows(csv);
        }
        catch (CsvFormatException)
        {
            return ([], "This is not CSV: a quotation mark is open or a field is out of place.");
        }
    }

    private static (List<(int Line, Part? Part, string? Why)> Rows, string? Problem) OfRows(
        CsvReader csv
    )
    {
        var header = csv.Headers ?? [];
        if (header.FirstOrDefault(h => !Columns.Contains(h)) is { } strange)
        {
            return (
                [],
                $"There is no column “{strange}”. The columns are {string.Join(", ", Columns)}."
            );
        }
        if (Needed.FirstOrDefault(c => !header.Contains(c)) is { } missing)
        {
            return ([], $"The column “{missing}” is missing.");
        }
        var rows = new List<(int, Part?, string?)>();
        while (csv.Read())
        {
            if (rows.Count == MostRows)
            {
                return ([], $"At most {MostRows:#,0} parts at once.");
            }
            rows.Add(Checked((int)csv.LineNumber, () => OfRow(csv)));
        }
        return (rows, null);
    }

    private static Part OfRow(CsvReader csv)
    {
        string? Cell(string column) =>
            csv.TryGetFieldIndex(column, out var at) && TakeIn.Blank(csv.GetString(at)) is { } cell
                // As it was kept from a spreadsheet.
                ? cell.StartsWith('\'')
                    ? cell[1..]
                    : cell
                : null;
        var known = Of<Known>(Cell("thickness_known") ?? "measured", "thickness_known");
        return ShelfEndpoints.Read(
            Guid.CreateVersion7(),
            new ShelfEndpoints.SavePart(
                null,
                Cell("number") ?? "",
                Cell("name") ?? "",
                Of<PartKind>(Cell("kind") ?? "", "kind"),
                Quantity(Cell("thickness"), "thickness", known),
                Quantity(Cell("claim"), "claim", Known.Box),
                Whole(Cell("count"), "count"),
                Cell("price") is { } price
                    ? decimal.TryParse(price, CultureInfo.InvariantCulture, out var money)
                        ? money
                        : throw new TroubleException(Trouble.At("price", $"“{price}” is no price."))
                    : null,
                Cell("currency"),
                Cell("notes"),
                Quantity(Cell("extension"), "extension", known),
                [.. Sizes(Cell("sizes"))],
                [],
                Quantity(Cell("hours"), "hours", Known.Estimated),
                Cell("limits")
            )
        );
    }

    private static IEnumerable<ShelfEndpoints.PartSizeInput> Sizes(string? cell) =>
        (cell ?? "")
            .Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Select(size =>
                size.Split(' ', 2) is [var name, var value]
                    ? new ShelfEndpoints.PartSizeInput(name, Quantity(value, name, Known.Box))
                    : throw new TroubleException(
                        Trouble.At("sizes", $"“{size}” is no size: write name, value and unit.")
                    )
            );

    /// <summary>A value with its unit behind it.</summary>
    private static QuantityInput? Quantity(string? cell, string field, Known known)
    {
        if (cell is null)
        {
            return null;
        }
        var at = cell.LastIndexOf(' ');
        var unit = at > 0 ? cell[(at + 1)..] : "";
        return UnitTable.Knows(unit)
            ? new QuantityInput(cell[..at], unit, known, AsRead)
            : throw new TroubleException(
                Trouble.At(field, $"“{cell}” has no unit: write for example 25.4 mm or 1 in.")
            );
    }

    private static int Whole(string? cell, string field) =>
        int.TryParse(cell, CultureInfo.InvariantCulture, out var n)
            ? n
            : throw new TroubleException(Trouble.At(field, $"“{cell}” is no whole number."));

    private static T Of<T>(string cell, string field)
        where T : struct, Enum =>
        Enum.GetValues<T>().Where(v => Word(v) == cell).Select(v => (T?)v).FirstOrDefault()
        ?? throw new TroubleException(
            Trouble.At(
                field,
                $"“{cell}” is none of {string.Join(", ", Enum.GetValues<T>().Select(Word))}."
            )
        );
}
