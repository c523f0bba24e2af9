using System.Globalization;
using System.Text.RegularExpressions;
using Nokko.Core.Units;

namespace Nokko.Core.Tape;

/// <summary>Reads lengths as people write them from a tape. Nothing is guessed: what has two meanings is asked about.</summary>
/// <remarks>Source: docs/computation/tape.md#what-is-accepted.</remarks>
public static partial class TapeReader
{
    private const double Inch = 25.4;
    private static readonly int[] Denominators = [2, 4, 8, 16, 32, 64];

    [GeneratedRegex(@"^(?<v>[0-9]+)(?:(?<p>[.,])(?<d>[0-9]*))?$")]
    private static partial Regex Number { get; }

    [GeneratedRegex(@"^(?:(?<w>[0-9]+)(?:\s*-\s*|\s+))?(?<n>[0-9]+)\s*/\s*(?<d>[0-9]+)$")]
    private static partial Regex Fraction { get; }

    [GeneratedRegex(@"^(?<w>[0-9]+)(?:\s*-\s*|\s+)(?<n>[0-9]+)[.,](?<d>[0-9]+)$")]
    private static partial Regex WholeThenDecimal { get; }

    [GeneratedRegex(
        @"\s*(?:(?<plus>\+|strong)|(?<minus>-|shy))$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
    )]
    private static partial Regex Nudge { get; }

    [GeneratedRegex(
        @"\s*(?<u>mm|cm|in|inch|inches|"")\.?$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
    )]
    private static partial Regex Suffix { get; }

    [GeneratedRegex(@"^(?<f>[0-9]+)\s*(?:'|ft\b)\s*(?<rest>.*)$")]
    private static partial Regex Feet { get; }

    [GeneratedRegex(@"[\uD800-\uDBFF][\uDC00-\uDFFF]|[^0-9\s./,'""+\-a-zA-Z]")]
    private static partial Regex Stray { get; }

    /// <summary>Reads <paramref name="text"/>.</summary>
    /// <param name="text">What was typed; any string, never throws.</param>
    /// <param name="field">Unit, division and usual ranges of the field.</param>
    /// <param name="answers">Keys of choices that the person made when asked before.</param>
    public static TapeReading Read(
        string? text,
        TapeField field,
        IReadOnlyCollection<string>? answers = null
    )
    {
        var typed = text ?? "";
        try
        {
            typed = SpokenTape.Typed(typed);
        }
        catch (RefusedException e)
        {
            return new TapeReading.Refused(e.Message, 0);
        }
        var (plain, origins) = TapeText.Plain(typed);
        var below = field.MayBeBelowZero && plain is ['-', ..];
        var body = below ? plain[1..].TrimStart() : plain;
        return ReadPlain(body, field, answers ?? []) switch
        {
            TapeReading.Understood u when below => u with { Mm = -u.Mm },
            TapeReading.Asked q when below => q with
            {
                Choices = [.. q.Choices.Select(c => c with { Label = $"−{c.Label}", Mm = -c.Mm })],
            },
            TapeReading.Refused r => r with
            {
                Position = origins[Math.Min(plain.Length - body.Length + r.Position, plain.Length)],
            },
            var read => read,
        };
    }

    private static TapeReading ReadPlain(
        string body,
        TapeField field,
        IReadOnlyCollection<string> answers
    )
    {
        if (body.Length == 0)
        {
            return new TapeReading.Refused("Type what the tape shows, for example 35 1/2.", 0);
        }
        if (body[0] == '-')
        {
            return new TapeReading.Refused(
                "A tape shows no length below zero: leave the minus out.",
                0
            );
        }
        if (body.Length > 40)
        {
            return new TapeReading.Refused("That is longer than any tape reading.", 40);
        }
        if (Stray.Match(body) is { Success: true } stray)
        {
            return new TapeReading.Refused(
                $"“{stray.Value}” does not belong in a length.",
                stray.Index
            );
        }

        var nudge = 0;
        if (Nudge.Match(body) is { Success: true } n)
        {
            nudge = n.Groups["plus"].Success ? 1 : -1;
            body = body[..n.Index].TrimEnd();
        }
        Unit? unit = null;
        if (Suffix.Match(body) is { Success: true } s && s.Index > 0)
        {
            unit = s.Groups["u"].Value.ToLowerInvariant() switch
            {
                "mm" => Unit.Mm,
                "cm" => Unit.Cm,
                _ => Unit.Inch,
            };
            body = body[..s.Index].TrimEnd();
        }
        var feet = 0.0;
        var behindFeet = 0;
        if (Feet.Match(body) is { Success: true } f)
        {
            if (unit == Unit.Mm || unit == Unit.Cm)
            {
                return new TapeReading.Refused(
                    "Feet and millimetres in one reading: type one of them.",
                    f.Length
                );
            }
            unit = Unit.Inch;
            if (!TryNumber(f.Groups["f"].Value, out feet))
            {
                return TooLong(0);
            }
            var rest = f.Groups["rest"];
            body = rest.Value.Trim();
            behindFeet = rest.Index;
        }
        var read =
            body.Length == 0 && feet > 0
                ? new TapeReading.Understood(feet * 12 * Inch, Unit.Inch, false)
                : Body(body, unit, feet * 12 * Inch, field, answers);
        return read switch
        {
            // A foot or more of inches behind the feet is a slip, or another unit.
            TapeReading.Understood u
                when feet > 0 && u.Mm - (feet * 12 * Inch) > (12 * Inch) - 1e-9 =>
                new TapeReading.Refused(
                    "Behind the feet come less than 12 inches: carry them over, or leave the feet out.",
                    behindFeet
                ),
            TapeReading.Understood u when nudge != 0 => u with
            {
                Mm = u.Mm + (nudge * field.DivisionMm / 4),
                Nudged = true,
            },
            TapeReading.Refused r => r with { Position = behindFeet + r.Position },
            _ => read,
        };
    }

    private static TapeReading Body(
        string body,
        Unit? unit,
        double feetMm,
        TapeField field,
        IReadOnlyCollection<string> answers
    )
    {
        if (Fraction.Match(body) is { Success: true } fraction)
        {
            if (unit == Unit.Mm || unit == Unit.Cm)
            {
                return new TapeReading.Refused(
                    "Fractions are inches: leave the mm out.",
                    body.Length
                );
            }
            return ReadFraction(fraction, feetMm);
        }
        var isInch = (unit ?? field.Unit) == Unit.Inch;
        if (WholeThenDecimal.Match(body) is { Success: true } mixed)
        {
            if (isInch && LostSlash(mixed.Groups["n"].Value, mixed.Groups["d"].Value) is { } part)
            {
                var whole = Parse(mixed.Groups["w"].Value) * Inch;
                return AskOrTake(
                    $"Did the slash get lost? “{body}” could be {mixed.Groups["w"].Value} {mixed.Groups["n"].Value}/{mixed.Groups["d"].Value}.",
                    [
                        new(
                            "slash",
                            $"{mixed.Groups["w"].Value} {mixed.Groups["n"].Value}/{mixed.Groups["d"].Value} in",
                            feetMm + whole + part
                        ),
                    ],
                    Unit.Inch,
                    answers
                );
            }
            return new TapeReading.Refused(
                $"“{body}” is two numbers: write the fraction with a slash, or one decimal.",
                mixed.Groups["n"].Index
            );
        }
        if (Number.Match(body) is { Success: true } number)
        {
            return ReadNumber(number, body, unit, feetMm, field, answers);
        }
        return Unreadable(body);
    }

    private static TapeReading ReadFraction(Match match, double feetMm)
    {
        var (n, d) = (Parse(match.Groups["n"].Value), Parse(match.Groups["d"].Value));
        var at = match.Groups["d"].Index;
        if (!Denominators.Contains((int)Math.Min(d, 1000)))
        {
            return new TapeReading.Refused(
                $"A tape has no {match.Groups["d"].Value}ths: use 2, 4, 8, 16, 32 or 64 below the line.",
                at
            );
        }
        if (n >= d)
        {
            return new TapeReading.Refused(
                $"{n}/{d} is a whole inch or more: carry it over to the inches.",
                match.Groups["n"].Index
            );
        }
        var whole = match.Groups["w"].Success ? Parse(match.Groups["w"].Value) : 0;
        return whole > 10_000
            ? TooLong(0)
            : new TapeReading.Understood(feetMm + ((whole + (n / d)) * Inch), Unit.Inch, false);
    }

    private static TapeReading ReadNumber(
        Match match,
        string body,
        Unit? unit,
        double feetMm,
        TapeField field,
        IReadOnlyCollection<string> answers
    )
    {
        var (whole, point, decimals) = (
            match.Groups["v"].Value,
            match.Groups["p"].Value,
            match.Groups["d"].Value
        );
        if (point.Length > 0 && decimals.Length == 0)
        {
            return new TapeReading.Refused("Something is missing behind the point.", body.Length);
        }
        if (!TryNumber(decimals.Length == 0 ? whole : $"{whole}.{decimals}", out var value))
        {
            return TooLong(0);
        }
        var scale = ToMm(unit ?? field.Unit);
        if (point == "," && decimals.Length == 3)
        {
            _ = TryNumber(whole + decimals, out var thousands);
            return AskOrTake(
                $"Is the comma in “{body}” a decimal comma or a thousands mark?",
                [
                    new(
                        "decimal",
                        $"{whole}.{decimals} {unit ?? field.Unit}",
                        feetMm + (value * scale)
                    ),
                    new(
                        "thousand",
                        $"{whole}{decimals} {unit ?? field.Unit}",
                        feetMm + (thousands * scale)
                    ),
                ],
                unit ?? field.Unit,
                answers
            );
        }
        if (
            (unit ?? field.Unit) == Unit.Inch
            && point.Length > 0
            && LostSlash(whole, decimals) is { } part
        )
        {
            return AskOrTake(
                $"Did the slash get lost? {whole}/{decimals} in or {whole}.{decimals} in?",
                [
                    new("slash", $"{whole}/{decimals} in", feetMm + part),
                    new("asTyped", $"{whole}.{decimals} in", feetMm + (value * Inch)),
                ],
                Unit.Inch,
                answers
            );
        }
        if (
            unit is null
            && field.BandsMm.Count > 0
            && (field.Unit == Unit.Inch || field.Unit == Unit.Mm)
        )
        {
            var other = field.Unit == Unit.Inch ? Unit.Mm : Unit.Inch;
            var (here, there) = (value * scale, value * ToMm(other));
            if (!field.BandsMm.Any(b => b.Holds(here)) && field.BandsMm.Any(b => b.Holds(there)))
            {
                return AskOrTake(
                    $"{body} {field.Unit} would be far outside what is usual. Was it {other}?",
                    [
                        new(other.Symbol, $"{body} {other}", there),
                        new(field.Unit.Symbol, $"{body} {field.Unit}, as typed", here),
                    ],
                    null,
                    answers
                );
            }
        }
        return new TapeReading.Understood(feetMm + (value * scale), unit ?? field.Unit, false);
    }

    /// <summary>Takes the answered choice, or asks. A null <paramref name="unit"/> means that the choice's key is the unit.</summary>
    private static TapeReading AskOrTake(
        string question,
        IReadOnlyList<TapeChoice> choices,
        Unit? unit,
        IReadOnlyCollection<string> answers
    ) =>
        choices.FirstOrDefault(c => answers.Contains(c.Key)) is { } chosen
            ? new TapeReading.Understood(chosen.Mm, unit ?? Unit.Of(chosen.Key)!, false)
            : new TapeReading.Asked(question, choices);

    /// <summary>The tape fraction in mm that a decimal n.d would be with its slash, or null.</summary>
    private static double? LostSlash(string n, string d)
    {
        var (numerator, denominator) = (Parse(n), Parse(d));
        return
            Denominators.Contains((int)Math.Min(denominator, 1000))
            && d[0] != '0'
            && numerator % 2 == 1
            && numerator < denominator
            ? numerator / denominator * Inch
            : null;
    }

    private static TapeReading.Refused Unreadable(string body)
    {
        var letter = body.ToList().FindIndex(char.IsLetter);
        if (letter >= 0)
        {
            return new TapeReading.Refused(
                $"“{body[letter..]}” is no unit of length that a tape has.",
                letter
            );
        }
        var slash = body.IndexOf('/', StringComparison.Ordinal);
        return slash >= 0
            ? new TapeReading.Refused("The fraction is not whole: write it like 35 1/2.", slash)
            : new TapeReading.Refused(
                "That is not one length. Write it like 35 1/2, 35.5 or 902 mm.",
                0
            );
    }

    private static TapeReading.Refused TooLong(int at) => new("That is longer than any tape.", at);

    private static double ToMm(Unit unit) => unit.To(Unit.Mm, 1);

    private static double Parse(string digits) =>
        double.Parse(digits, NumberStyles.None, CultureInfo.InvariantCulture);

    private static bool TryNumber(string text, out double value) =>
        double.TryParse(
            text,
            NumberStyles.AllowDecimalPoint,
            CultureInfo.InvariantCulture,
            out value
        )
        && value <= 100_000;
}
