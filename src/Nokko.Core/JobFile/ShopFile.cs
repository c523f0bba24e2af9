using System.Globalization;
using System.Text.Json;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.JobFile;

/// <summary>Somebody of a shop, as the shop's file tells it: without anything that signs in.</summary>
/// <param name="Id">The key that jobs name.</param>
/// <param name="Name">The name on the record.</param>
/// <param name="UserName">The name to sign in with.</param>
/// <param name="Role">What the person may do.</param>
/// <param name="LengthUnit">How the person reads lengths.</param>
/// <param name="Left">When the person left; null while there.</param>
public sealed record ShopPerson(
    Guid Id,
    string Name,
    string UserName,
    PersonRole Role,
    Unit LengthUnit,
    DateTimeOffset? Left
);

/// <summary>What a shop has beside its jobs: shop.json of the whole shop's zip, where each job is a job file of its own.</summary>
public sealed record ShopFile
{
    /// <summary>Name of the format.</summary>
    public const string FormatName = "nokko-shop";

    /// <summary>Newest version.</summary>
    public const int CurrentVersion = 1;

    /// <summary>Always <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>Version of the format.</summary>
    public required int Version { get; init; }

    /// <summary>Name of the shop.</summary>
    public required string Name { get; init; }

    /// <summary>What it has settled once.</summary>
    public required ShopSettings Settings { get; init; }

    /// <summary>How it fits; null where nobody said.</summary>
    public ShopWays? Ways { get; init; }

    /// <summary>What it has learned of its operations.</summary>
    public IReadOnlyList<Tip> Tips { get; init; } = [];

    /// <summary>Its instruments, those that were put away too.</summary>
    public IReadOnlyList<Instrument> Instruments { get; init; } = [];

    /// <summary>Its platforms.</summary>
    public IReadOnlyList<Platform> Platforms { get; init; } = [];

    /// <summary>Owners of the vehicles that it had.</summary>
    public IReadOnlyList<Owner> Owners { get; init; } = [];

    /// <summary>Its shelf, the bin too.</summary>
    public IReadOnlyList<Part> Parts { get; init; } = [];

    /// <summary>Its people.</summary>
    public IReadOnlyList<ShopPerson> People { get; init; } = [];

    /// <summary>What was done outside jobs, as text.</summary>
    public IReadOnlyList<HistoryEntry> History { get; init; } = [];

    /// <summary>Reads a shop's file.</summary>
    /// <param name="text">Its text.</param>
    /// <exception cref="RefusedException">It is none, or something in it cannot be, with its place.</exception>
    public static ShopFile Read(string text)
    {
        ShopFile file;
        try
        {
            file =
                JsonSerializer.Deserialize<ShopFile>(text, JobJson.Options)
                ?? throw Refuse.Value("$", "A shop's file is one JSON object.");
        }
        catch (Exception e) when (e is JsonException or ArgumentException or NotSupportedException)
        {
            throw Refuse.Value(
                (e as JsonException)?.Path ?? "$",
                "This is no shop's file, or it is damaged here."
            );
        }
        if (file.Format != FormatName)
        {
            throw Refuse.Value("$.format", $"Its format is not “{FormatName}”.");
        }
        if (file.Version is < 1 or > CurrentVersion)
        {
            throw Refuse.Value(
                "$.version",
                $"This file is of version {file.Version}; this Nokko reads up to version {CurrentVersion}. Use a newer Nokko."
            );
        }
        Whole("tips", file.Tips);
        Whole("instruments", file.Instruments);
        foreach (var (instrument, i) in file.Instruments.Select((v, i) => (v, i)))
        {
            At($"$.instruments[{i}]", () => InstrumentWork.Checked(instrument));
        }
        Whole("platforms", file.Platforms);
        Whole("owners", file.Owners);
        Whole("parts", file.Parts);
        Whole("history", file.History);
        return file with
        {
            Name = Needed(file.Name, "$.name"),
            Settings = ReadSettings(file.Settings),
            Platforms =
            [
                .. file.Platforms.Select(
                    (p, i) => p with { Name = Needed(p.Name, $"$.platforms[{i}].name") }
                ),
            ],
            Owners =
            [
                .. file.Owners.Select(
                    (o, i) => o with { Name = Needed(o.Name, $"$.owners[{i}].name") }
                ),
            ],
            Parts = [.. file.Parts.Select(ReadPart)],
            People = ReadPeople(file.People),
        };
    }

    /// <summary>No list has gaps, or a key twice.</summary>
    private static void Whole<T>(string list, IReadOnlyList<T?>? rows)
        where T : class, IRow
    {
        if (rows is null || rows.Any(r => r is null || r.Id == Guid.Empty))
        {
            throw Refuse.Value($"$.{list}", "There is a gap in this list.");
        }
        if (rows.DistinctBy(r => r!.Id).Count() < rows.Count)
        {
            throw Refuse.Value($"$.{list}", "A key stands there twice.");
        }
    }

    private static string Needed(string? text, string field) =>
        TypedText.Needed(text, field, "This needs a name.");

    /// <summary>As an owner would type them.</summary>
    private static ShopSettings ReadSettings(ShopSettings? s)
    {
        if (s is null)
        {
            throw Refuse.Value("$.settings", "The settings are missing.");
        }
        return At(
            "$.settings",
            () =>
                new ShopSettingsInput(
                    s.LengthUnit,
                    s.Denominator,
                    s.Datum,
                    Typed(s.Tolerance),
                    s.HourRate,
                    s.Bays,
                    s.Dates,
                    s.Hours,
                    s.TimeZone,
                    s.ApprenticeLevel
                ).Read() with
                {
                    Tolerance = s.Tolerance,
                }
        );
    }

    /// <summary>A part that could be typed as it is; it stays as it is.</summary>
    private static Part ReadPart(Part part, int i)
    {
        At($"$.parts[{i}]", () => ReadInShelf.Checked(part));
        return part;
    }

    private static ShopPerson[] ReadPeople(IReadOnlyList<ShopPerson?>? people)
    {
        foreach (
            var (person, i) in (
                people ?? throw Refuse.Value("$.people", "There is a gap in this list.")
            ).Select((p, i) => (p, i))
        )
        {
            if (
                person is null
                || person.Id == Guid.Empty
                || string.IsNullOrWhiteSpace(person.Name)
                || string.IsNullOrWhiteSpace(person.UserName)
                || person.Name.Length > 80
                || person.UserName.Length > 80
                || !Enum.IsDefined(person.Role)
                || (person.LengthUnit != Unit.Inch && person.LengthUnit != Unit.Mm)
            )
            {
                throw Refuse.Value($"$.people[{i}]", "This is nobody of a shop.");
            }
        }
        ShopPerson[] all = [.. people.OfType<ShopPerson>()];
        return all.DistinctBy(p => p.Id).Count() < all.Length
                ? throw Refuse.Value("$.people", "A key stands there twice.")
            : all.DistinctBy(p => p.UserName, StringComparer.OrdinalIgnoreCase).Count() < all.Length
                ? throw Refuse.Value("$.people", "A name to sign in with stands there twice.")
            : all;
    }

    /// <summary>A value as somebody would type it; a length in millimetres, of which nobody asks where the slash is.</summary>
    private static QuantityInput? Typed(Quantity? q)
    {
        if (q is null)
        {
            return null;
        }
        var unit = q.Unit.SameKind(Unit.Mm) ? Unit.Mm : q.Unit;
        return new QuantityInput(
            q.In(unit).ToString("R", CultureInfo.InvariantCulture),
            unit,
            q.Known
        );
    }

    private static T At<T>(string place, Func<T> read)
    {
        try
        {
            return read();
        }
        catch (RefusedException e)
        {
            throw Refuse.Value($"{place}.{e.Refusal.Field}", e.Refusal.Message);
        }
    }
}
