using System.Text.Json.Serialization;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Evidence;

/// <summary>What one job has proved of one axle's lift line: what was claimed, predicted and measured, or why it teaches nothing.</summary>
public sealed record JobTrial
{
    /// <summary>The job.</summary>
    public required Guid JobId { get; init; }

    /// <summary>The plan that was fitted.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>The vehicle.</summary>
    public required Guid VehicleId { get; init; }

    /// <summary>Its platform.</summary>
    public required Guid PlatformId { get; init; }

    /// <summary>Make, name and plate, as said.</summary>
    public required string Said { get; init; }

    /// <summary>front or rear.</summary>
    public required Axle Axle { get; init; }

    /// <summary>Kind of its suspension.</summary>
    public required SuspensionKind Suspension { get; init; }

    /// <summary>Family of the parts; none where several came at once.</summary>
    public required LiftFamily Family { get; init; }

    /// <summary>Names of the parts that came, each once.</summary>
    public required IReadOnlyList<string> Parts { get; init; }

    /// <summary>Their ids on the shelf.</summary>
    public required IReadOnlyList<Guid> PartIds { get; init; }

    /// <summary>Place of the stage that it made, in the vehicle's chain.</summary>
    public required int Ordinal { get; init; }

    /// <summary>When it was measured.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>What the makers claim, mean of both sides, mm.</summary>
    public required Result Claim { get; init; }

    /// <summary>Rise of the axle's lips as it was predicted before the work, mm.</summary>
    public required Result Predicted { get; init; }

    /// <summary>Rise of the axle's lips as measured, mm.</summary>
    public required Result Measured { get; init; }

    /// <summary>What the lift line learns from; null when nothing.</summary>
    public LiftTrial? Trial { get; init; }

    /// <summary>Why it teaches nothing; null when it does.</summary>
    public string? WhyNot { get; init; }

    /// <summary>The line that it speaks of.</summary>
    [JsonIgnore]
    public LineKey Line => new(PlatformId, Axle, Suspension, Family);

    /// <summary>The trial with its line; null when it teaches nothing.</summary>
    [JsonIgnore]
    public TaughtTrial? Taught => Trial is null ? null : new(Line, Ordinal, Trial);
}
