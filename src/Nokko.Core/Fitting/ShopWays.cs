using System.Text.Json.Serialization;
using Nokko.Core.Geometry;
using Nokko.Core.Units;

namespace Nokko.Core.Fitting;

/// <summary>A shop's way where good fitters differ.</summary>
/// <param name="School">The question.</param>
/// <param name="Choice">The way.</param>
/// <param name="Why">Why, as somebody wrote it.</param>
public sealed record ShopWay(string School, string Choice, string? Why);

/// <summary>How a shop fits, unless a job says otherwise. A job that is taken in takes them along.</summary>
public sealed record ShopWays : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The ways that differ from the default.</summary>
    public IReadOnlyList<ShopWay> Ways { get; init; } = [];

    /// <summary>Own limits of what a lift moves, instead of the rules of thumb.</summary>
    public IReadOnlyList<GeometryLimit> Limits { get; init; } = [];

    /// <summary>How far a torque may lie from its spec, as a share; null is <see cref="FittingRules.Band"/>.</summary>
    public double? TorqueBand { get; init; }

    /// <summary>Tools that the shop does not have, as its cards name them; null is none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<string>? Lacks { get; init; }
}

/// <summary>What the shop has learned of an operation: a note for whoever does it next, no rule.</summary>
public sealed record Tip : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The operation.</summary>
    public required OperationKind Operation { get; init; }

    /// <summary>The tip.</summary>
    public required string Text { get; init; }

    /// <summary>Who wrote it.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>The name then.</summary>
    [Personal]
    public required string PersonName { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}
