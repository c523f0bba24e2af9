using Nokko.Core.Fitting;

namespace Nokko.Core.Jobs;

/// <summary>A tool of a plan's card.</summary>
/// <param name="Tool">The tool.</param>
/// <param name="For">The first step that asks for it.</param>
/// <param name="Lacking">Whether the shop does not have it.</param>
public sealed record ToolLine(string Tool, string For, bool Lacking)
{
    /// <summary>The tools of a card, in the order in which it asks for them.</summary>
    /// <param name="card">The card.</param>
    /// <param name="lacks">What the shop does not have.</param>
    public static IReadOnlyList<ToolLine> Of(JobCard card, IReadOnlyList<string> lacks) =>
        [
            .. card
                .Steps.SelectMany(s => s.Tools.Select(t => (Tool: t, s.Title)))
                .DistinctBy(t => t.Tool)
                .Select(t => new ToolLine(
                    t.Tool,
                    t.Title,
                    lacks.Contains(t.Tool, StringComparer.OrdinalIgnoreCase)
                )),
        ];
}
