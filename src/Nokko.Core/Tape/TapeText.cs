using System.Text;

namespace Nokko.Core.Tape;

/// <summary>What people write on a tape line, in plain characters.</summary>
internal static class TapeText
{
    /// <summary>The text with typographic fractions, quotes and dashes turned into plain ones, and where in the text each plain character (and the end) stands.</summary>
    public static (string Plain, IReadOnlyList<int> Origins) Plain(string text)
    {
        var plain = new StringBuilder(text.Length + 4);
        var origins = new List<int>(text.Length + 5);
        var first = text.Length - text.TrimStart().Length;
        var end = Math.Max(first, text.TrimEnd().Length);
        for (var i = first; i < end; i++)
        {
            var c = text[i];
            if (Vulgar(c) is { } fraction)
            {
                if (plain.Length > 0 && char.IsDigit(plain[^1]))
                {
                    plain.Append(' ');
                }
                plain.Append(fraction);
            }
            else
            {
                plain.Append(
                    c switch
                    {
                        '⁄' or '∕' => '/',
                        '″' or '”' or '“' => '"',
                        '′' or '’' or '‘' => '\'',
                        '–' or '−' or '‐' => '-',
                        _ when char.IsWhiteSpace(c) => ' ',
                        _ => c,
                    }
                );
            }
            while (origins.Count < plain.Length)
            {
                origins.Add(i);
            }
        }
        origins.Add(end);
        return (plain.ToString(), origins);
    }

    private static string? Vulgar(char c) =>
        c switch
        {
            '½' => "1/2",
            '¼' => "1/4",
            '¾' => "3/4",
            '⅛' => "1/8",
            '⅜' => "3/8",
            '⅝' => "5/8",
            '⅞' => "7/8",
            _ => null,
        };
}
