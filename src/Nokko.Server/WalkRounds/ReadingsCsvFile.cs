using System.Globalization;
using CsvHelper;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Server.People;

namespace Nokko.Server.WalkRounds;

/// <summary>Reads a CSV file of readings, row by row, into the commands that store them; what is wrong is said of the row.</summary>
/// <param name="d">The job.</param>
/// <param name="walkRound">The walk-round.</param>
/// <param name="me">Who brings them in.</param>
/// <param name="now">This instant.</param>
internal sealed class ReadingsCsvFile(
    JobDocument d,
    Guid walkRound,
    SignedIn me,
    DateTimeOffset now
)
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

    private readonly HashSet<Guid> _here = [.. d.Readings.Select(r => r.Id)];

    public ReadingsCsv.CsvPreview Read(string text)
    {
        if (d.WalkRounds.All(w => w.Id != walkRound))
        {
            return Not("This job has no such walk-round.");
        }
        if (text.Length > MostCharacters)
        {
            return Not("That is more than 256 kB.");
        }
        var rows = new List<ReadingsCsv.CsvRow>();
        var good = new List<JobCommand>();
        try
        {
            using var csv = CsvReader.FromText(text.TrimStart('\uFEFF'), Options);
            var columns = csv.Headers ?? [];
            if (!columns.Contains("place"))
            {
                return Not("The first line must name the columns; the column “place” is missing.");
            }
            if (
                columns.FirstOrDefault(h => h.Length > 0 && !ReadingsCsv.Columns.Contains(h)) is
                { } unknown
            )
            {
                return Not($"There is no column “{unknown}”.");
            }
            while (csv.Read())
            {
                if (rows.Count == MostRows)
                {
                    return Not($"That is more than {MostRows} rows.");
                }
                var (row, command) = Row(csv);
                rows.Add(row);
                if (command is not null)
                {
                    good.Add(command);
                }
            }
        }
        catch (CsvFormatException)
        {
            return Not("This is not CSV: a quotation mark is open or a field is out of place.");
        }
        return new ReadingsCsv.CsvPreview(
            null,
            good.Count,
            rows,
            [.. good.OfType<StoreReading>()],
            [.. good.OfType<StoreMeasure>()]
        );
    }

    private static ReadingsCsv.CsvPreview Not(string problem) => new(problem, 0, [], [], []);

    private (ReadingsCsv.CsvRow, JobCommand?) Row(CsvReader csv)
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
            : Guid.CreateVersion7(now.AddMilliseconds(line));
        if (!_here.Add(id))
        {
            return (new ReadingsCsv.CsvRow(line, shows, null, true), null);
        }
        try
        {
            var command = Make(csv, id);
            var decision = Decision.Of(
                d,
                command,
                new DecisionContext
                {
                    PersonId = me.PersonId,
                    PersonName = me.Name,
                    Role = me.Role,
                    Style = me.Style,
                    Now = now,
                }
            );
            return decision is Decision.Refused { Why: var why }
                ? (Refused(line, shows, why), null)
                : (new ReadingsCsv.CsvRow(line, shows, null, false), command);
        }
        catch (RefusedException e)
        {
            return (Refused(line, shows, e.Refusal), null);
        }
    }

    private static ReadingsCsv.CsvRow Refused(int line, string shows, Refusal why) =>
        new(
            line,
            shows,
            why.Choices.Count > 0
                ? $"{why.Message} Write yes into “confirmed” if it is right."
                : why.Message,
            false
        );

    private JobCommand Make(CsvReader csv, Guid id)
    {
        if (Field(csv, "known") is not (null or "measured"))
        {
            throw Refuse.Value("known", "Only measured values come in as readings.");
        }
        if (Field(csv, "skipped") is not null || Field(csv, "supersedes") is not null)
        {
            throw Refuse.Value(
                "skipped",
                "Passed-over and correcting rows stay in the job they came from."
            );
        }
        string[] answers = Field(csv, "confirmed") == "yes" ? [HeightReader.AsRead, "asTyped"] : [];
        var at = TakenAt(csv);
        // Each is stored under the key of the whole file; its own is only a name.
        var key = Guid.CreateVersion7(now);
        if (Field(csv, "measure") is { } measure)
        {
            var over = Number(csv, "over_mm");
            return new StoreMeasure(
                key,
                id,
                walkRound,
                measure,
                Field(csv, "place") ?? "",
                Measures.Find(measure)?.Kind == ReadingKind.Note
                    ? Field(csv, "note") ?? ""
                    : Text(csv) ?? "",
                over is null ? null : new QuantityInput(over, Unit.Mm, Known.Measured),
                answers,
                at,
                null,
                null,
                Field(csv, "instrument")
            );
        }
        if (!Enum.TryParse<Datum>(Field(csv, "from"), true, out var from) || !Enum.IsDefined(from))
        {
            throw Refuse.Value("from", "“from” is hub, floor, rim, frame or own.");
        }
        return new StoreReading(
            key,
            id,
            walkRound,
            Field(csv, "place") ?? throw Refuse.Value("place", "The station is missing."),
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
        );
    }

    /// <summary>The value: as typed where that is given, else the number of its column.</summary>
    private static string? Text(CsvReader csv) =>
        Field(csv, "typed")
        ?? Number(csv, "value_mm", " mm")
        ?? Number(csv, "value_deg")
        ?? Number(csv, "value_kg", " kg");

    private static string? Number(CsvReader csv, string column, string unit = "") =>
        Field(csv, column) is { } text ? text + unit : null;

    private DateTimeOffset TakenAt(CsvReader csv)
    {
        if (Field(csv, "taken_at_utc") is not { } text)
        {
            return now;
        }
        return DateTimeOffset.TryParse(
            text,
            CultureInfo.InvariantCulture,
            DateTimeStyles.AssumeUniversal,
            out var at
        )
            ? at
            : throw Refuse.Value("taken_at_utc", "Write the instant like 2026-03-02T08:15:00Z.");
    }

    private static string? Field(CsvReader csv, string column) =>
        csv.TryGetFieldIndex(column, out var index)
        && csv.GetString(index) is var text
        && !string.IsNullOrWhiteSpace(text)
            ? CsvCell.Read(text)
            : null;
}
