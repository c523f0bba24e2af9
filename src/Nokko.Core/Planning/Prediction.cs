using Nokko.Core.Measuring;
using Nokko.Core.Units;

namespace Nokko.Core.Planning;

/// <summary>What a plan will do at one station.</summary>
/// <param name="Station">Name of the station.</param>
/// <param name="Before">Height before, mm.</param>
/// <param name="Rise">Predicted rise, mm.</param>
/// <param name="Height">Predicted height, mm.</param>
public sealed record PredictedStation(string Station, Result Before, Result Rise, Result Height);

/// <summary>Change of a corner's spring load.</summary>
/// <param name="Corner">LF, RF, LR or RR.</param>
/// <param name="Change">Change, N; positive is more load.</param>
public sealed record LoadChange(string Corner, Result Change);

/// <summary>What a plan will do to the whole vehicle, from measured heights.</summary>
public sealed record Prediction
{
    /// <summary>The plan.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>The walk-round on which it rests; null when there is none.</summary>
    public required Guid? WalkRoundId { get; init; }

    /// <summary>Datum of the heights and the rake.</summary>
    public required Datum? Datum { get; init; }

    /// <summary>Stations, in walking order.</summary>
    public required IReadOnlyList<PredictedStation> Stations { get; init; }

    /// <summary>Predicted rake, mm; positive is nose-down.</summary>
    public required Result Rake { get; init; }

    /// <summary>Predicted lean in front, mm; positive is left high.</summary>
    public required Result LeanFront { get; init; }

    /// <summary>Predicted lean at the rear, mm; positive is left high.</summary>
    public required Result LeanRear { get; init; }

    /// <summary>Mean rise of the front lips, mm.</summary>
    public required Result FrontRise { get; init; }

    /// <summary>Mean rise of the rear lips, mm.</summary>
    public required Result RearRise { get; init; }

    /// <summary>Cross-weight: what each spring's load changes by.</summary>
    public required IReadOnlyList<LoadChange> Loads { get; init; }

    /// <summary>Why there is no prediction, in a fitter's words; null when there is one.</summary>
    public required string? Cannot { get; init; }

    /// <summary>How the lift was found and what was estimated.</summary>
    public required IReadOnlyList<string> Basis { get; init; }

    /// <summary>Why the stack must not be fitted; empty when nothing forbids it.</summary>
    public required IReadOnlyList<string> Refusals { get; init; }
}
