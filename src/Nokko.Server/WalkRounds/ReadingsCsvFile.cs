using System.Globalization;
using CsvHelper;
using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Server.People;

namespace Nokko.Server.WalkRounds;

/// <summary>Reads a CSV file of readings, row by row; what is wrong is said of the row.</summary>
internal static class ReadingsCsvFile
{
    private const int MostCharacters = 256 * 1024;
    private const int MostRows = 2000;

    private static readonly CsvReaderOptions Options = new()
    {
        MalformedData = CsvMalformedDataHandling.Throw,
        TrimWhitespace = true,
        TrackLineNumbers = true,
        MaxRecordSize = MostCharacters,
    };

    public static (
        string? Problem,
        IReadOnlyList<(ReadingsCsv.CsvRow Row, Reading? Reading)> Rows
    ) Read(string text, Guid walkRound, JobDocument d, JobDesk desk, SignedIn me)
    {
        if (d.WalkRounds.All(w => w.Id != walkRound))
        {
            return ("This job has no such walk-round.", []);
        }
        if (text.Length > MostCharacters)
        {
            return ("That is more than 256 kB.", []);
        }
        var rows = new List<(ReadingsCsv.CsvRow, Reading?)>();
        try
        {
            using var csv = CsvReader.FromText(text.TrimStart('\uFEFF'), Options);
            var columns = csv.Headers ?? [];
            if (!columns.Contains("place"))
            {
                return ("The first line must name the columns; the column “place” is missing.", []);
            }
            if (
                columns.FirstOrDefault(h => h.Length > 0 && !ReadingsCsv.Columns.Contains(h)) is
                { } unknown
            )
            {
                return ($"There is no column “{unknown}”.", []);
            }
            var here = d.Readings.Select(r => r.Id).ToHashSet();
            while (csv.Read())
            {
                if (rows.Count == MostRows)
                {
                    return ($"That is more than {MostRows} rows.", []);
                }
                rows.Add(Row(csv, walkRound, d, desk, me, here));
            }
            return (null, rows);
        }
        catch (CsvFormatException)
        {
            return ("This is not CSV: a quotation mark is open or a field is out of place.", []);
        }
    }

    private static (ReadingsCsv.CsvRow, Reading?) Row(
        CsvReader csv,
        Guid walkRound,
        JobDocument d,
        JobDesk desk,
        SignedIn me,
        HashSet<Guid> here
    )
    {
        var line = (int)csv.LineNumber;
        var shows = string.Join(
            ' ',
            new[]
            {
                Field(csv, "measure"),
                Field(csv, "place"),
                Field(csv, "from"),
                Text(csv),
            }.Where(t => t is not null)
        );
        var id = Guid.TryParse(Field(csv, "reading_id"), out var given)
            ? given
            : Guid.CreateVersion7(desk.Now.AddMilliseconds(line));
        if (!here.Add(id))
        {
            return (new ReadingsCsv.CsvRow(line, shows, null, true), null);
        }
        try
        {
            var reading = Make(csv, id, walkRound, d, desk, me);
            return (new ReadingsCsv.CsvRow(line, shows, null, false), reading);
        }
        catch (TroubleException e)
        {
            return (
                new ReadingsCsv.CsvRow(
                    line,
                    shows,
                    e.Trouble.Choices is { Count: > 0 }
                        ? $"{e.Trouble.Message} Write yes into “confirmed” if it is right."
                        : e.Trouble.Message,
                    false
                ),
                null
            );
        }
    }

    private static Reading Make(
        CsvReader csv,
        Guid id,
        Guid walkRound,
        JobDocument d,
        JobDesk desk,
        SignedIn me
    )
    {
        if (Field(csv, "known") is not (null or "measured"))
        {
            throw new TroubleException(
                Trouble.At("known", "Only measured values come in as readings.")
            );
        }
        if (Field(csv, "skipped") is not null || Field(csv, "supersedes") is not null)
        {
            throw new TroubleException(
                Trouble.At(
                    "skipped",
                    "Passed-over and correcting rows stay in the job they came from."
                )
            );
        }
        string[] answers = Field(csv, "confirmed") == "yes" ? [HeightReader.AsRead, "asTyped"] : [];
        var at = TakenAt(csv, desk);
        if (Field(csv, "measure") is { } measure)
        {
            var over = Number(csv, "over_mm");
            return ReadingEndpoints.Measured(
                d,
                new ReadingEndpoints.StoreMeasure(
                    Guid.Empty,
                    id,
                    walkRound,
                    measure,
                    Field(csv, "place") ?? "",
                    Measures.Find(measure)?.Kind == ReadingKind.Note
                        ? Field(csv, "note") ?? ""
                        : Text(csv) ?? "",
                    over is null ? null : new QuantityInput(over, "mm", Known.Measured),
                    answers,
                    at,
                    null,
                    null,
                    Field(csv, "instrument")
                ),
                desk,
                me
            );
        }
        if (!Enum.TryParse<Datum>(Field(csv, "from"), true, out var from) || !Enum.IsDefined(from))
        {
            throw new TroubleException(
                Trouble.At("from", "“from” is hub, floor, rim, frame or own.")
            );
        }
        return ReadingEndpoints.Height(
            d,
            new ReadingEndpoints.Store(
                Guid.Empty,
                id,
                walkRound,
                Field(csv, "place")
                    ?? throw new TroubleException(Trouble.At("place", "The station is missing.")),
                from,
                Text(csv) ?? "",
                answers,
                at,
                null,
                null,
                Field(csv, "own_mark"),
                Field(csv, "instrument"),
                Field(csv, "raised_corners")?.Split(' '),
                Field(csv, "changed_corners")?.Split(' ')
            ),
            desk,
            me
        );
    }

    /// <summary>The value: as typed where that is given, else the number of its column.</summary>
    private static string? Text(CsvReader csv) =>
        Field(csv, "typed") ?? Number(csv, "value_mm", " mm") ?? Number(csv, "value_deg");

    private static string? Number(CsvReader csv, string column, string unit = "") =>
        Field(csv, column) is { } text ? text + unit : null;

    private static DateTimeOffset TakenAt(CsvReader csv, JobDesk desk)
    {
        if (Field(csv, "taken_at_utc") is not { } text)
        {
            return desk.Now;
        }
        return DateTimeOffset.TryParse(
            text,
            CultureInfo.InvariantCulture,
            DateTimeStyles.AssumeUniversal,
            out var at
        )
            ? at
            : throw new TroubleException(
                Trouble.At("taken_at_utc", "Write the instant like 2026-03-02T08:15:00Z.")
            );
    }

    private static string? Field(CsvReader csv, string column) =>
        csv.TryGetFieldIndex(column, out var index)
        && csv.GetString(index) is var text
        && !string.IsNullOrWhiteSpace(text)
            ? text
            : null;
}
