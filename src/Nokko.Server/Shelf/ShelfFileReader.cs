using System.Globalization;
using System.Text.Json;
using System.Text.RegularExpressions;
using CsvHelper;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;

namespace Nokko.Server.Shelf;

/// <summary>Reads a shelf from CSV or JSON, part by part, through the same border as what is typed; what is wrong is said of its line.</summary>
internal static partial class ShelfFileReader
{
    private const int MostCharacters = 2 * 1024 * 1024;

    private static readonly CsvReaderOptions Options = new()
    {
        MalformedData = CsvMalformedDataHandling.Throw,
        TrimWhitespace = true,
        TrackLineNumbers = true,
        MaxRecordSize = MostCharacters,
    };

    private static readonly string[] Needed = ["name", "kind", "count"];

    /// <summary>The parts of a file with their lines, whether it carries all of a part (a table does not), or why it cannot be read as a whole.</summary>
    public static (
        List<(int Line, Part? Part, string? Why)> Rows,
        bool Whole,
        string? Problem
    ) Read(string text)
    {
        var json = text.TrimStart().StartsWith('{');
        var (rows, problem) = json ? OfJson(text) : OfCsv(text);
        return (rows, json, problem);
    }

    private static (List<(int Line, Part? Part, string? Why)> Rows, string? Problem) OfJson(
        string text
    )
    {
        try
        {
            var file = JsonSerializer.Deserialize<ShelfFiles.ShelfFile>(text, JobJson.Options)!;
            if (file.Format != ShelfFiles.ShelfFile.FormatName)
            {
                return (
                    [],
                    $"This is no shelf: its format is not “{ShelfFiles.ShelfFile.FormatName}”."
                );
            }
            if (file.Version != ShelfFiles.ShelfFile.CurrentVersion)
            {
                return (
                    [],
                    $"This Nokko reads shelves of version {ShelfFiles.ShelfFile.CurrentVersion}."
                );
            }
            if (file.Parts.Count > ReadInShelf.Most)
            {
                return ([], $"At most {ReadInShelf.Most:#,0} parts at once.");
            }
            return (
                [.. file.Parts.Select((p, i) => Checked(i + 1, () => ReadInShelf.Checked(p)))],
                null
            );
        }
        catch (Exception e) when (e is JsonException or ArgumentException)
        {
            return (
                [],
                $"This is not a shelf as JSON: {(e as JsonException)?.Path ?? "a number in it"} is not what may stand there."
            );
        }
    }

    private static (int, Part?, string?) Checked(int line, Func<Part> read)
    {
        try
        {
            return (line, read(), null);
        }
        catch (RefusedException e)
        {
            return (
                line,
                null,
                e.Refusal.Field.Length > 0 ? $"{e.Refusal.Field}: {e.Message}" : e.Message
            );
        }
    }

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
        if (header.FirstOrDefault(h => !ShelfFiles.Columns.Contains(h)) is { } strange)
        {
            return (
                [],
                $"There is no column “{strange}”. The columns are {string.Join(", ", ShelfFiles.Columns)}."
            );
        }
        if (Needed.FirstOrDefault(c => !header.Contains(c)) is { } missing)
        {
            return ([], $"The column “{missing}” is missing.");
        }
        var rows = new List<(int, Part?, string?)>();
        while (csv.Read())
        {
            if (rows.Count == ReadInShelf.Most)
            {
                return ([], $"At most {ReadInShelf.Most:#,0} parts at once.");
            }
            rows.Add(Checked((int)csv.LineNumber, () => OfRow(csv)));
        }
        return (rows, null);
    }

    private static Part OfRow(CsvReader csv)
    {
        string? Cell(string column) =>
            csv.TryGetFieldIndex(column, out var at)
            && TypedText.Blank(csv.GetString(at)) is { } cell
                ? CsvCell.Read(cell)
                : null;
        var known = Of<Known>(Cell("thickness_known") ?? "measured", "thickness_known");
        var part = new SavePart(
            Guid.Empty,
            Guid.CreateVersion7(),
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
                    : throw Refuse.Value("price", $"“{price}” is no price.")
                : null,
            Cell("currency"),
            Cell("notes"),
            Quantity(Cell("extension"), "extension", known),
            [.. Sizes(Cell("sizes"))],
            [],
            Quantity(Cell("hours"), "hours", Known.Estimated),
            Cell("limits"),
            Cell("made_for"),
            Fits(Cell("fits"), Cell("not_fits")),
            Cell("supplier"),
            Day(Cell("due_on"))
        ).Read();
        return More(Cell("more")) is { } more
            ? ReadInShelf.Checked(
                part with
                {
                    Leaves = more.Leaves ?? [],
                    Contents = more.Contents,
                    Fit = more.Rules is { } rules
                        ? (part.Fit ?? new PartFit()) with
                        {
                            Rules = rules,
                        }
                        : part.Fit,
                }
            )
            : part;
    }

    private static ShelfFiles.More? More(string? cell)
    {
        try
        {
            return cell is null
                ? null
                : JsonSerializer.Deserialize<ShelfFiles.More>(cell, JobJson.Options);
        }
        catch (Exception e) when (e is JsonException or ArgumentException)
        {
            throw Refuse.Value(
                "more",
                $"{(e as JsonException)?.Path ?? "A number in it"} is not what may stand there."
            );
        }
    }

    /// <summary>Platforms with their years, as <c>Drover [2010-2014]; Marsh</c>; <c>*</c> is any.</summary>
    private static PartFit? Fits(string? fits, string? not)
    {
        var (named, out_) = (Named(fits), Named(not));
        return named.Length + out_.Length == 0
            ? null
            : new PartFit
            {
                AnyPlatform = named.Contains("*"),
                Platforms = [.. named.Where(n => n != "*").Select(Platform)],
                NotPlatforms = out_,
            };

        static string[] Named(string? cell) =>
            (cell ?? "").Split(
                ';',
                StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries
            );
    }

    private static FitPlatform Platform(string text)
    {
        if (Years().Match(text) is not { Success: true } years)
        {
            return new FitPlatform(text);
        }
        return new FitPlatform(
            years.Groups["name"].Value,
            Year(years.Groups["from"].Value),
            Year(years.Groups["to"].Value)
        );

        static int? Year(string digits) =>
            digits.Length == 0 ? null : int.Parse(digits, CultureInfo.InvariantCulture);
    }

    [GeneratedRegex(@"^(?<name>.+?)\s*\[(?<from>[0-9]{4})?-(?<to>[0-9]{4})?\]$")]
    private static partial Regex Years();

    private static DateOnly? Day(string? cell) =>
        cell is null ? null
        : DateOnly.TryParseExact(cell, "yyyy-MM-dd", CultureInfo.InvariantCulture, 0, out var day)
            ? day
        : throw Refuse.Value("due_on", "Write the day as 2027-04-30.");

    private static IEnumerable<PartSizeInput> Sizes(string? cell) =>
        (cell ?? "")
            .Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Select(size =>
                size.Split(' ', 2) is [var name, var value]
                    ? new PartSizeInput(name, Quantity(value, name, Known.Box))
                    : throw Refuse.Value(
                        "sizes",
                        $"“{size}” is no size: write name, value and unit."
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
        return Unit.Of(at > 0 ? cell[(at + 1)..] : null) is { } unit
            ? new QuantityInput(cell[..at], unit, known, AsRead)
            : throw Refuse.Value(
                field,
                $"“{cell}” has no unit: write for example 25.4 mm or 1 in."
            );
    }

    private static int Whole(string? cell, string field) =>
        int.TryParse(cell, CultureInfo.InvariantCulture, out var n)
            ? n
            : throw Refuse.Value(field, $"“{cell}” is no whole number.");

    private static T Of<T>(string cell, string field)
        where T : struct, Enum =>
        Enum.GetValues<T>()
            .Where(v => ShelfFiles.Word(v) == cell)
            .Select(v => (T?)v)
            .FirstOrDefault()
        ?? throw Refuse.Value(
            field,
            $"“{cell}” is none of {string.Join(", ", Enum.GetValues<T>().Select(ShelfFiles.Word))}."
        );
}
