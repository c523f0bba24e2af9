using System.Diagnostics;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Bench;

/// <summary>Reads very many tape texts, likely and unlikely ones, and holds every answer against what an answer must be.</summary>
internal static class TapeFuzz
{
    public const int Texts = 1_200_000;

    private static readonly string[] Pieces =
    [
        "35",
        "20",
        "902",
        "0",
        "7.8",
        "5.8",
        "1,020",
        "35,5",
        "1/2",
        "9/16",
        "63/64",
        "8/8",
        "½",
        "⅜",
        "⁄",
        " ",
        "-",
        "−",
        "+",
        "'",
        "\"",
        "″",
        "mm",
        "cm",
        "in",
        "ft",
        "strong",
        "shy",
        "kg",
        ".",
        ",",
        "/",
        "\0",
        "٣",
        "🙂",
        "99999999999999999999",
        "1e5",
        "NaN",
        "\t",
    ];

    private static readonly TapeField[] Fields =
    [
        new(Unit.Inch, 25.4 / 16, [new Band(16 * 25.4, 30 * 25.4)]),
        new(Unit.Inch, 25.4 / 32, []),
        new(Unit.Mm, 1, [new Band(406.4, 762)]),
    ];

    /// <summary>Reads all texts.</summary>
    /// <returns>Mean time a text, µs.</returns>
    /// <exception cref="InvalidOperationException">An answer is not what an answer must be; the text is named.</exception>
    public static double Run(int seed)
    {
        var chance = new Random(seed);
        var counts = new int[3];
        var watch = Stopwatch.StartNew();
        for (var i = 0; i < Texts; i++)
        {
            var text = Make(chance);
            var field = Fields[i % Fields.Length];
            try
            {
                counts[Check(text, field)]++;
            }
            catch (Exception e)
            {
                throw new InvalidOperationException($"“{text}” in a field of {field.Unit}", e);
            }
        }
        watch.Stop();
        Console.WriteLine(
            $"{Texts:N0} tape texts read: {counts[0]:N0} understood, {counts[1]:N0} asked about, {counts[2]:N0} refused, none thrown"
        );
        return watch.Elapsed.TotalMicroseconds / Texts;
    }

    private static string Make(Random chance)
    {
        var text = string.Concat(
            Enumerable.Range(0, chance.Next(0, 6)).Select(_ => Pieces[chance.Next(Pieces.Length)])
        );
        // Now and then one character goes astray.
        if (text.Length > 0 && chance.Next(4) == 0)
        {
            var at = chance.Next(text.Length);
            text = text[..at] + (char)chance.Next(32, 0x2050) + text[(at + 1)..];
        }
        return text;
    }

    private static int Check(string text, TapeField field)
    {
        switch (TapeReader.Read(text, field))
        {
            case TapeReading.Understood u when double.IsFinite(u.Mm) && u.Unit.SameKind(Unit.Mm):
                return 0;
            case TapeReading.Asked a when a.Choices.Count > 0 && a.Question.Length > 0:
                foreach (var choice in a.Choices)
                {
                    // An answer is taken: the same question never comes twice.
                    if (
                        TapeReader.Read(text, field, [choice.Key]) is TapeReading.Asked again
                        && again.Question == a.Question
                    )
                    {
                        throw new InvalidOperationException($"{choice.Key} is asked twice.");
                    }
                }
                return 1;
            case TapeReading.Refused r
                when r.Reason.Length > 0 && r.Position >= 0 && r.Position <= text.Length:
                return 2;
            case var other:
                throw new InvalidOperationException($"No answer at all: {other}");
        }
    }
}
