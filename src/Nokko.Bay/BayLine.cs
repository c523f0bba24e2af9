using System.Globalization;
using Nokko.Core.Fitting;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;

namespace Nokko.Bay;

/// <summary>One line of the open format in which instruments send what they read.</summary>
/// <remarks>
/// Nine fields with one space between: <c>NOKKO1 instant instrument serial quantity place value unit state</c>.
/// A space inside a field is written as an underscore. Documented in docs/formats/bay-lines.md.
/// </remarks>
/// <param name="At">When it was read.</param>
/// <param name="Instrument">Sort of instrument, for example height-gauge.</param>
/// <param name="Serial">Which one.</param>
/// <param name="Quantity">What: height.hub, or the key of a measure, or torque.</param>
/// <param name="Place">Where: a station, a wheel, an axle, a joint.</param>
/// <param name="Value">The value; always finite.</param>
/// <param name="Unit">A symbol of <see cref="Unit"/>.</param>
/// <param name="State">Whether the value still moves.</param>
public sealed record BayLine(
    DateTimeOffset At,
    string Instrument,
    string Serial,
    string Quantity,
    string Place,
    double Value,
    Unit Unit,
    LineState State
)
{
    /// <summary>First field of every line.</summary>
    public const string Mark = "NOKKO1";

    private const int Fields = 9;
    private const int MostCharacters = 400;

    /// <summary>Reads a line; never throws.</summary>
    /// <returns>The line, or why it is none.</returns>
    public static (BayLine? Line, string? Why) Parse(string text)
    {
        if (text.Length > MostCharacters)
        {
            return (null, $"A line has at most {MostCharacters} characters.");
        }
        var fields = text.TrimEnd('\r').Split(' ');
        if (fields.Length != Fields || fields.Any(f => f.Length == 0))
        {
            return (null, $"A line has {Fields} fields with one space between.");
        }
        if (fields[0] != Mark)
        {
            return (null, $"A line begins with {Mark}.");
        }
        if (
            !DateTimeOffset.TryParseExact(
                fields[1],
                ["yyyy-MM-dd'T'HH:mm:ss'Z'", "yyyy-MM-dd'T'HH:mm:ss.FFFFFF'Z'"],
                CultureInfo.InvariantCulture,
                DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal,
                out var at
            )
        )
        {
            return (null, "The second field is an instant in UTC, like 2026-03-02T08:15:00Z.");
        }
        if (
            !double.TryParse(
                fields[6],
                NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
                CultureInfo.InvariantCulture,
                out var value
            ) || !double.IsFinite(value)
        )
        {
            return (null, "The seventh field is a number with a point.");
        }
        if (Unit.Of(fields[7]) is not { } unit)
        {
            return (null, $"“{fields[7]}” is no unit that Nokko knows.");
        }
        LineState? state = fields[8] switch
        {
            "moving" => LineState.Moving,
            "steady" => LineState.Steady,
            "peak" => LineState.Peak,
            _ => null,
        };
        return state is { } s
            ? (
                new BayLine(
                    at,
                    Words(fields[2]),
                    Words(fields[3]),
                    Words(fields[4]),
                    Words(fields[5]),
                    value,
                    unit,
                    s
                ),
                null
            )
            : (null, "The last field is moving, steady or peak.");
    }

    /// <summary>The line as it is sent.</summary>
    public override string ToString() =>
        string.Join(
            ' ',
            Mark,
            At.UtcDateTime.ToString(
                "yyyy-MM-dd'T'HH:mm:ss.FFFFFF'Z'",
                CultureInfo.InvariantCulture
            ),
            Field(Instrument),
            Field(Serial),
            Field(Quantity),
            Field(Place),
            Value.ToString("0.######", CultureInfo.InvariantCulture),
            Unit,
            State.ToString().ToLowerInvariant()
        );

    private static string Words(string field) => field.Replace('_', ' ');

    private static string Field(string words) => words.Replace(' ', '_');
}

/// <summary>Whether a value still moves.</summary>
public enum LineState
{
    /// <summary>Still moving.</summary>
    Moving,

    /// <summary>Steady: may be stored.</summary>
    Steady,

    /// <summary>The greatest value of a pull.</summary>
    Peak,
}
