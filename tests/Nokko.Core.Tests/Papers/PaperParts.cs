using Nokko.Core.Papers;

namespace Nokko.Core.Tests.Papers;

/// <summary>Finds what stands on a paper.</summary>
internal static class PaperParts
{
    /// <summary>The one section whose heading begins so.</summary>
    public static PaperSection Part(this Paper paper, string title) =>
        paper.Sections.Single(s => s.Title.StartsWith(title, StringComparison.Ordinal));

    /// <summary>The one row with this head.</summary>
    public static IReadOnlyList<string> Row(this PaperSection section, string head) =>
        section.Table!.Rows.Single(r => r[0] == head);
}
