namespace Nokko.Storage;

/// <summary>Texts inside the patterns of a search.</summary>
public static class Patterns
{
    /// <summary>A text that stands for itself in a pattern whose escape is a backslash.</summary>
    /// <param name="text">What somebody typed.</param>
    public static string Plain(string text) =>
        text.Replace("\0", "", StringComparison.Ordinal)
            .Replace("\\", "\\\\", StringComparison.Ordinal)
            .Replace("%", "\\%", StringComparison.Ordinal)
            .Replace("_", "\\_", StringComparison.Ordinal);
}
