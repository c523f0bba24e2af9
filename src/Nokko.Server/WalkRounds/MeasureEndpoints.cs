using Nokko.Core.WalkRounds;

namespace Nokko.Server.WalkRounds;

/// <summary>The catalogue of measures: what can be measured, where and how.</summary>
internal static class MeasureEndpoints
{
    /// <summary>A measure with the names of its places.</summary>
    internal sealed record Listed(Measure Measure, IReadOnlyList<string> Places);

    public static void Map(RouteGroupBuilder api) =>
        api.MapGet(
            "/measures",
            () =>
                TypedResults.Ok(
                    Measures.All.Select(m => new Listed(m, Measures.PlacesOf(m))).ToArray()
                )
        );
}
