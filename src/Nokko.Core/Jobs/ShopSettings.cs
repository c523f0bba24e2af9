using System.Text.Json.Serialization;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Nokko.Core.Week;

namespace Nokko.Core.Jobs;

/// <summary>What a shop has settled once: forms begin with it, and each job may still say otherwise.</summary>
public sealed record ShopSettings
{
    /// <summary>Most that an hour can cost, in the shop's own money.</summary>
    public const double MostForAnHour = 100_000;

    /// <summary>Most bays.</summary>
    public const int MostBays = 40;

    /// <summary>As nobody has settled anything.</summary>
    public static ShopSettings Usual { get; } = new();

    /// <summary>How lengths are read by whoever comes; each may choose otherwise.</summary>
    public Unit LengthUnit { get; init; } = Unit.Inch;

    /// <summary>The shop's tape: 1/this of an inch is its smallest division; 1 is millimetres.</summary>
    public int Denominator { get; init; } = 16;

    /// <summary>From where heights are measured and judged.</summary>
    public Datum Datum { get; init; } = Datum.Hub;

    /// <summary>How near a target must be met; null is the rule of thumb.</summary>
    public Quantity? Tolerance { get; init; }

    /// <summary>What an hour costs, in the shop's own money, 0 to <see cref="MostForAnHour"/>; null is the rule of thumb of a search.</summary>
    public double? HourRate { get; init; }

    /// <summary>The places on which vehicles stand, each once.</summary>
    public IReadOnlyList<string> Bays { get; init; } = [];

    /// <summary>When it works.</summary>
    public ShopHours Hours { get; init; } = new();

    /// <summary>The time zone in which it stands (IANA); null is that of whoever looks.</summary>
    public string? TimeZone { get; init; }

    /// <summary>How dates are written: one of <see cref="DateLanguages"/>.</summary>
    public string Dates { get; init; } = "en-GB";

    /// <summary>Most level that can be asked of an apprentice.</summary>
    public const int MostLevel = 3;

    /// <summary>Which level of levelling a vehicle in the practice bay, 1 to <see cref="MostLevel"/>, an apprentice must have passed before hold points and heights count that nobody else confirms or reads; null asks for none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public int? ApprenticeLevel { get; init; }

    /// <summary>Languages in which dates can be written (BCP 47), each by its own name.</summary>
    public static IReadOnlyList<DateLanguage> DateLanguages { get; } =
    [
        new("en-GB", "English"),
        new("en-US", "English, month first"),
        new("da-DK", "dansk"),
        new("de-DE", "Deutsch"),
        new("es-ES", "español"),
        new("fr-FR", "français"),
        new("it-IT", "italiano"),
        new("nl-NL", "Nederlands"),
        new("nb-NO", "norsk"),
        new("pl-PL", "polski"),
        new("pt-PT", "português"),
        new("fi-FI", "suomi"),
        new("sv-SE", "svenska"),
    ];
}

/// <summary>A language in which dates can be written.</summary>
/// <param name="Tag">Its tag.</param>
/// <param name="Said">Its own name.</param>
public sealed record DateLanguage(string Tag, string Said);

/// <summary>A shop's settings as they are typed.</summary>
/// <param name="LengthUnit">Inches or millimetres.</param>
/// <param name="Denominator">Of the tape: 8, 16, 32; 1 is millimetres.</param>
/// <param name="Datum">From where heights are measured.</param>
/// <param name="Tolerance">How near a target must be met.</param>
/// <param name="HourRate">What an hour costs.</param>
/// <param name="Bays">The bays.</param>
/// <param name="Dates">How dates are written.</param>
/// <param name="Hours">When it works; null is the usual.</param>
/// <param name="TimeZone">The time zone in which it stands (IANA).</param>
/// <param name="ApprenticeLevel">Which level of practice an apprentice must have passed; null asks for none.</param>
public sealed record ShopSettingsInput(
    Unit LengthUnit,
    int Denominator,
    Datum Datum,
    QuantityInput? Tolerance,
    double? HourRate,
    IReadOnlyList<string?>? Bays,
    string Dates,
    ShopHours? Hours = null,
    string? TimeZone = null,
    int? ApprenticeLevel = null
)
{
    /// <summary>Reads them.</summary>
    /// <exception cref="RefusedException">One of them cannot be, at its field.</exception>
    public ShopSettings Read()
    {
        if (LengthUnit != Unit.Inch && LengthUnit != Unit.Mm)
        {
            throw Refuse.Value("lengthUnit", "Inches or millimetres.");
        }
        if (Denominator is not (1 or 8 or 16 or 32))
        {
            throw Refuse.Value(
                "denominator",
                "A tape is divided in eighths, sixteenths, thirty-seconds or millimetres."
            );
        }
        if (!Enum.IsDefined(Datum) || Datum == Datum.Own)
        {
            throw Refuse.Value("datum", "Hub, floor, edge of the rim or frame.");
        }
        if (HourRate is not (null or >= 0 and <= ShopSettings.MostForAnHour))
        {
            throw Refuse.Value("hourRate", "What does an hour cost? A number from 0 to 100,000.");
        }
        if (ShopSettings.DateLanguages.All(l => l.Tag != Dates))
        {
            throw Refuse.Value("dates", "Choose one of the languages.");
        }
        if (ApprenticeLevel is not (null or >= 1 and <= ShopSettings.MostLevel))
        {
            throw Refuse.Value("apprenticeLevel", "Level 1, 2 or 3, or none.");
        }
        return new ShopSettings
        {
            LengthUnit = LengthUnit,
            Denominator = Denominator,
            Datum = Datum,
            Tolerance = ReadTolerance(),
            HourRate = HourRate,
            Bays = ReadBays(),
            Dates = Dates,
            Hours =
                Hours?.WhyNot() is { } why ? throw Refuse.Value("hours", why)
                : Hours is { } hours
                    ? hours with
                    {
                        Days = [.. hours.Days.Order()],
                        Closed = hours.Closed is { Count: > 0 } closed
                            ? [.. closed.Distinct().Order()]
                            : null,
                    }
                : new ShopHours(),
            TimeZone = TypedText.Line(TimeZone, "timeZone"),
            ApprenticeLevel = ApprenticeLevel,
        };
    }

    private Quantity? ReadTolerance()
    {
        var tolerance = QuantityInput.Read(Tolerance, "tolerance", Unit.Mm);
        return tolerance?.In(Unit.Mm) > 50
            ? throw Refuse.Value(
                "tolerance",
                "That is more than 2 in: nothing would be off plan. How near must it be?"
            )
            : tolerance;
    }

    private string[] ReadBays()
    {
        string[] bays = [.. (Bays ?? []).Select(TypedText.Blank).OfType<string>()];
        if (bays.Length > ShopSettings.MostBays || bays.Any(b => b.Length > 40))
        {
            throw Refuse.Value("bays", "At most 40 bays, with names of at most 40 letters.");
        }
        return
            bays.FirstOrDefault(b =>
                bays.Count(o => string.Equals(o, b, StringComparison.OrdinalIgnoreCase)) > 1
            )
                is { } twice
            ? throw Refuse.Value("bays", $"“{twice}” stands there twice.")
            : bays;
    }
}
