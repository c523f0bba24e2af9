using System.Text.Json.Serialization;
using Nokko.Core.Units;

namespace Nokko.Core.Vehicles;

/// <summary>Vehicles that share a suspension; evidence is learned by platform.</summary>
public sealed record Platform : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Name in the shop's own list.</summary>
    public required string Name { get; init; }

    /// <summary>The shop's own lists of what tells its vehicles apart.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<VariantList>? Variants { get; init; }

    /// <summary>Its values of an aspect.</summary>
    public IReadOnlyList<string> ValuesOf(VariantAspect aspect) =>
        Variants?.FirstOrDefault(v => v.Aspect == aspect)?.Values ?? [];

    /// <summary>The platform with other values of an aspect.</summary>
    public Platform With(VariantAspect aspect, IReadOnlyList<string> values) =>
        this with
        {
            Variants =
            [
                .. (Variants ?? [])
                    .Where(v => v.Aspect != aspect)
                    .Concat(values.Count > 0 ? [new VariantList(aspect, values)] : [])
                    .OrderBy(v => v.Aspect),
            ],
        };
}
