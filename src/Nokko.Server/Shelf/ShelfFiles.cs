using System.Globalization;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using CsvHelper;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Shelf;

/// <summary>The shelf out and in as CSV (RFC 4180, UTF-8) and JSON; both are documented in docs/formats/shelf.md.</summary>
/// <remarks>What is read in goes through the same rules as what is typed; a part is known by its number and name, so that a file may be read in again.</remarks>
internal static class ShelfFiles
{
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
        "made_for",
        "fits",
        "not_fits",
        "supplier",
        "due_on",
        "notes",
        "more",
    ];

    /// <summary>What has no column of its own, as JSON in one cell.</summary>
    /// <param name="Leaves">Leaves of a leaf pack.</param>
    /// <param name="Rules">Conditions under which it fits.</param>
    /// <param name="Contents">What is in the box of a kit.</param>
    internal sealed record More(
        [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
            IReadOnlyList<Leaf>? Leaves = null,
        [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
            IReadOnlyList<FitRule>? Rules = null,
        [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
            KitContents? Contents = null
    );

    /// <summary>The shelf as one JSON object.</summary>
    internal sealed record ShelfFile(string Format, int Version, IReadOnlyList<Part> Parts)
    {
        public const string FormatName = "nokko.shelf";
        public const int CurrentVersion = 1;
    }

    /// <summary>A file to be looked at.</summary>
    /// <param name="Text">Its text, CSV or JSON.</param>
    internal sealed record ShelfText(string Text);

    /// <summary>What a file holds, line by line.</summary>
    /// <param name="Problem">Why the file as a whole cannot be read; nothing of it is stored then.</param>
    /// <param name="New">Parts that are new.</param>
    /// <param name="Changed">Parts that are on the shelf already and differ.</param>
    /// <param name="Lines">Every line.</param>
    /// <param name="Parts">The parts that are new or change, ready for the command that reads them in.</param>
    /// <param name="Whole">Whether the file carries all of a part.</param>
    internal sealed record ShelfLook(
        string? Problem,
        int New,
        int Changed,
        IReadOnlyList<ShelfLookLine> Lines,
        IReadOnlyList<Part> Parts,
        bool Whole
    );

    /// <summary>One part of a file.</summary>
    /// <param name="Line">Line of a CSV file (the header is line 1), or place in the list of a JSON file, from 1.</param>
    /// <param name="Shows">The part.</param>
    /// <param name="Problem">Why it is not stored.</param>
    /// <param name="Does">new, changed or same.</param>
    internal sealed record ShelfLookLine(int Line, string Shows, string? Problem, string? Does);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/parts.csv", Csv);
        api.MapGet("/parts.json", Json);
        api.MapPost("/parts/look", Look).OpenToViewers();
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

    private static async Task<FileContentHttpResult> Csv(NokkoDb db, CancellationToken cancel) =>
        await CsvTable.Of("shelf.csv", Columns, (await Shelf(db, cancel)).Select(Fields));

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
            p.MadeFor,
            Fits(p.Fit),
            p.Fit is { } fit ? string.Join("; ", fit.NotPlatforms) : null,
            p.Supplier,
            p.DueOn?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            p.Notes,
            MoreOf(p),
        ];

    private static string? MoreOf(Part p)
    {
        var more = new More(
            p.Leaves.Count > 0 ? p.Leaves : null,
            p.Fit is { Rules.Count: > 0 } fit ? fit.Rules : null,
            p.Contents
        );
        return more == new More() ? null : JsonSerializer.Serialize(more, JobJson.Options);
    }

    private static string? Fits(PartFit? fit) =>
        fit is null ? null
        : fit.AnyPlatform ? "*"
        : string.Join(
            "; ",
            fit.Platforms.Select(p =>
                p is { From: null, To: null } ? p.Name : $"{p.Name} [{p.From}-{p.To}]"
            )
        );

    private static string? Text(Quantity? q) =>
        q is null ? null : string.Create(CultureInfo.InvariantCulture, $"{q.Value} {q.Unit}");

    internal static string Word<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());

    // --- in -------------------------------------------------------------------------------------

    /// <summary>Parts by number and name; of two that are alike, the one that was there first.</summary>
    internal static Dictionary<(string Number, string Name), Part> ByName(IEnumerable<Part> parts)
    {
        var found = new Dictionary<(string, string), Part>();
        foreach (var part in parts)
        {
            found.TryAdd((part.Number, part.Name), part);
        }
        return found;
    }

    /// <summary>Says what a file would do; stores nothing.</summary>
    private static async Task<Ok<ShelfLook>> Look(
        ShelfText body,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        var (rows, whole, problem) = ShelfFileReader.Read(body.Text);
        if (problem is not null)
        {
            return TypedResults.Ok(new ShelfLook(problem, 0, 0, [], [], whole));
        }
        var there = ByName((await Shelf(db, cancel)).OrderBy(p => p.Id));
        var lines = new List<ShelfLookLine>();
        var parts = new List<Part>();
        var seen = new HashSet<(string, string)>();
        foreach (var (line, part, why) in rows)
        {
            if (part is null)
            {
                lines.Add(new ShelfLookLine(line, "", why, null));
            }
            else if (!seen.Add((part.Number, part.Name)))
            {
                lines.Add(
                    new ShelfLookLine(line, Shows(part), "The file has this part twice.", null)
                );
            }
            else
            {
                var row = ReadInShelf.Against(there, part, whole);
                lines.Add(
                    new ShelfLookLine(
                        line,
                        Shows(part),
                        null,
                        row.Now is null ? "new"
                            : row.Changes ? "changed"
                            : "same"
                    )
                );
                if (row.Changes)
                {
                    parts.Add(part);
                }
            }
        }
        return TypedResults.Ok(
            new ShelfLook(
                null,
                lines.Count(l => l.Does == "new"),
                lines.Count(l => l.Does == "changed"),
                lines,
                parts,
                whole
            )
        );
    }

    private static string Shows(Part p) =>
        $"{p.Number} {p.Name}, {PartRule.Of(p.Kind).Said}{(Text(p.Thickness) is { } t ? $", {t}" : "")}";
}
