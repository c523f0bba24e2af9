using System.Globalization;

namespace Nokko.Core.Tape;

/// <summary>Lengths as they are called across a bay or dictated: “thirty-five and a half”, “35 and 7 sixteenths”, “one thousand and forty-one millimetres”.</summary>
/// <remarks>Source: docs/computation/tape.md#spoken. What could be two lengths is refused with how to say it.</remarks>
internal static class SpokenTape
{
    private const int Longest = 120;

    private static readonly Dictionary<string, int> Ones = new()
    {
        ["zero"] = 0,
        ["one"] = 1,
        ["two"] = 2,
        ["three"] = 3,
        ["four"] = 4,
        ["five"] = 5,
        ["six"] = 6,
        ["seven"] = 7,
        ["eight"] = 8,
        ["nine"] = 9,
        ["ten"] = 10,
        ["eleven"] = 11,
        ["twelve"] = 12,
        ["thirteen"] = 13,
        ["fourteen"] = 14,
        ["fifteen"] = 15,
        ["sixteen"] = 16,
        ["seventeen"] = 17,
        ["eighteen"] = 18,
        ["nineteen"] = 19,
    };

    private static readonly Dictionary<string, int> Tens = new()
    {
        ["twenty"] = 20,
        ["thirty"] = 30,
        ["forty"] = 40,
        ["fifty"] = 50,
        ["sixty"] = 60,
        ["seventy"] = 70,
        ["eighty"] = 80,
        ["ninety"] = 90,
    };

    private static readonly Dictionary<string, int> Parts = new()
    {
        ["half"] = 2,
        ["halves"] = 2,
        ["quarter"] = 4,
        ["quarters"] = 4,
        ["eighth"] = 8,
        ["eighths"] = 8,
        ["sixteenth"] = 16,
        ["sixteenths"] = 16,
    };

    private static readonly Dictionary<string, string> Units = new()
    {
        ["inch"] = "in",
        ["inches"] = "in",
        ["foot"] = "ft",
        ["feet"] = "ft",
        ["millimetre"] = "mm",
        ["millimetres"] = "mm",
        ["millimeter"] = "mm",
        ["millimeters"] = "mm",
        ["centimetre"] = "cm",
        ["centimetres"] = "cm",
        ["centimeter"] = "cm",
        ["centimeters"] = "cm",
    };

    /// <summary>What was said, as it would be typed; the text itself where nothing in it is a spoken number.</summary>
    /// <param name="text">A text.</param>
    /// <exception cref="RefusedException">It was spoken, and could be two lengths or none: it says how to say it.</exception>
    public static string Typed(string text)
    {
        string[] words =
        [
            .. text.ToLowerInvariant()
                .Split([' ', '-', ',', '\t', '\n'], StringSplitOptions.RemoveEmptyEntries)
                .Select(w => Units.GetValueOrDefault(w, w)),
        ];
        if (
            text.Length > Longest
            || !words.Any(w =>
                w is "and" || Ones.ContainsKey(w) || Tens.ContainsKey(w) || Parts.ContainsKey(w)
            )
            // With a word that belongs to no length it is refused as it was typed.
            || !words.All(IsOurs)
        )
        {
            return text;
        }
        // What follows the last number: a unit, strong or shy.
        var end = words.Length;
        while (end > 0 && !IsNumber(words[end - 1]) && Denominator(words.AsSpan(0, end)).Under == 0)
        {
            end--;
        }
        var feet = Array.IndexOf(words, "ft", 0, end);
        string[] typed =
        [
            .. feet < 0 ? Array.Empty<string>() : [Whole(words.AsSpan(0, feet)), "ft"],
            Length(words.AsSpan(feet + 1, end - feet - 1)),
            .. words[end..].Where(w => w is not ("a" or "an" or "of")),
        ];
        return string.Join(' ', typed);
    }

    private static string Length(ReadOnlySpan<string> words)
    {
        var (under, takes) = Denominator(words);
        if (under > 0)
        {
            var before = words[..^takes];
            var and = before.LastIndexOf("and");
            if (and < 0 && before.Length > 1)
            {
                // “twenty five sixteenths” is 20 and five, or 25 and a number nobody heard.
                throw Say("Say “and” between inches and fraction: thirty-five and five eighths.");
            }
            // “half an inch” counts nothing.
            var over = before.IsEmpty && under == 2 ? 1 : Number(before[(and + 1)..]);
            return over is > 0 && over < under
                ? and < 0
                    ? $"{over}/{under}"
                    : $"{Whole(before[..and])} {over}/{under}"
                : throw Say("Say inches, then the fraction: thirty-five and five eighths.");
        }
        if (words is [.. var inches, "and", var fraction] && fraction.Contains('/'))
        {
            return $"{Whole(inches)} {fraction}";
        }
        var point = words.IndexOf("point");
        return point < 0
            ? Whole(words)
            : $"{Whole(words[..point])}.{string.Concat(words[(point + 1)..].ToArray().Select(Digits))}";
    }

    /// <summary>A denominator at the end and how many words it takes; 0 where none stands there. Without their hyphens “thirty-seconds” and “sixty-fourths” are two words.</summary>
    private static (int Under, int Takes) Denominator(ReadOnlySpan<string> words) =>
        words switch
        {
            [.., "thirty", "second" or "seconds"] => (32, 2),
            [.., "sixty", "fourth" or "fourths"] => (64, 2),
            [.., var last] when Parts.TryGetValue(last, out var under) => (under, 1),
            _ => (0, 0),
        };

    private static string Digits(string word) =>
        Ones.TryGetValue(word, out var digit) && digit < 10
            ? digit.ToString(CultureInfo.InvariantCulture)
        : word.All(char.IsAsciiDigit) ? word
        : throw Say("Say the digits behind the point one by one: point four.");

    private static string Whole(ReadOnlySpan<string> words) =>
        (
            Number(words)
            ?? throw Say(
                "Say the number as a whole: five hundred and twenty, or thirty-five and a half."
            )
        ).ToString(CultureInfo.InvariantCulture);

    /// <summary>A whole number below ten thousand, in digits or in words; null where the words are none.</summary>
    private static int? Number(ReadOnlySpan<string> words)
    {
        if (
            words is [var only]
            && int.TryParse(only, NumberStyles.None, CultureInfo.InvariantCulture, out var digits)
        )
        {
            return digits;
        }
        var (thousands, rest) = (0, 0);
        for (var i = 0; i < words.Length; i++)
        {
            var word = words[i];
            if (Ones.TryGetValue(word, out var ones) || (word is "a" or "an" && (ones = 1) == 1))
            {
                // Behind tens comes one digit; behind another number nothing: “three five” is no number.
                if (rest % 10 != 0 || (rest % 100 != 0 && ones is 0 or > 9))
                {
                    return null;
                }
                rest += ones;
            }
            else if (Tens.TryGetValue(word, out var tens) && rest % 100 == 0)
            {
                rest += tens;
            }
            else if (word == "hundred" && rest is > 0 and < 10)
            {
                rest *= 100;
            }
            else if (word == "thousand" && thousands == 0 && rest is > 0 and < 10)
            {
                (thousands, rest) = (rest * 1000, 0);
            }
            else if (
                word != "and"
                || i == 0
                || i == words.Length - 1
                || words[i - 1] is not ("hundred" or "thousand")
            )
            {
                return null;
            }
        }
        return words.Length == 0 ? null : thousands + rest;
    }

    private static bool IsOurs(string word) =>
        IsNumber(word)
        || Parts.ContainsKey(word)
        || Units.ContainsValue(word)
        || word
            is "and"
                or "a"
                or "an"
                or "of"
                or "point"
                or "strong"
                or "shy"
                or "second"
                or "seconds"
                or "fourth"
                or "fourths";

    private static bool IsNumber(string word) =>
        Ones.ContainsKey(word)
        || Tens.ContainsKey(word)
        || word is "hundred" or "thousand"
        || char.IsAsciiDigit(word[^1]);

    private static RefusedException Say(string how) => Refuse.Value("", how);
}
