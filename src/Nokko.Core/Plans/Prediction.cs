using System.Text.Json.Serialization;
using Nokko.Core.Geometry;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Plans;

/// <summary>What a plan will do at one station.</summary>
/// <param name="Station">Name of the station.</param>
/// <param name="Before">Height before, mm.</param>
/// <param name="Rise">Predicted rise, mm.</param>
/// <param name="Height">Predicted height, mm.</param>
public sealed record PredictedStation(string Station, Result Before, Result Rise, Result Height);

/// <summary>Change of a corner's spring load.</summary>
/// <param name="Corner">LF, RF, LR or RR.</param>
/// <param name="Change">Change, N; positive is more load.</param>
public sealed record LoadChange(Corner Corner, Result Change);

/// <summary>How far a mechanism was foretold to move.</summary>
/// <param name="Kind">Which.</param>
/// <param name="Where">front, rear or vehicle.</param>
/// <param name="Change">Change from the stage before, mm or °; of headlights by their tilt alone, at 25 ft.</param>
/// <param name="LampRise">How far headlights themselves rise, mm; null of anything else.</param>
/// <param name="More">How much more it would move where the frame stood higher; null where that is not known.</param>
public sealed record ForetoldMove(
    MechanismKind Kind,
    string Where,
    Result Change,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] Result? LampRise = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] MovedPerMm? More = null
);

/// <summary>By how much more a mechanism moves for each mm that the frame stands higher over an axle: mm/mm or °/mm.</summary>
/// <remarks>Source: docs/computation/causes.md#posterior. An angle against level ground turns with the body too: the other axle counts.</remarks>
/// <param name="Front">Over the front axle.</param>
/// <param name="Rear">Over the rear axle.</param>
public sealed record MovedPerMm(double Front, double Rear);

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

    /// <summary>What it leaves of every corner that it touches; empty when it cannot be told.</summary>
    public IReadOnlyList<CornerOutlook> Corners { get; init; } = [];

    /// <summary>What it needs beside it.</summary>
    public IReadOnlyList<Companion> Companions { get; init; } = [];

    /// <summary>Parts that do not fit, and parts of which nobody knows whether they do.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<Misfit>? Misfits { get; init; }

    /// <summary>What else it moves, kept with it when the fitting begins; null until then.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<ForetoldMove>? Moves { get; init; }

    /// <summary>Lift over today and over standard height, front and rear.</summary>
    public IReadOnlyList<PlannedLift> Lifts { get; init; } = [];

    /// <summary>How far it comes down by 500 miles, of axles whose springs it touches; null where it touches none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<AxleSettling>? Settles { get; init; }

    /// <summary>Chance that it lands within what is wanted, 0 … 1; null when nobody asked.</summary>
    public Result? Landing { get; init; }

    /// <summary>How it sits with all stated loads on; null when none was stated.</summary>
    public LoadedStance? Loaded { get; init; }

    /// <summary>Parts and their pieces that come: what it costs and the hours that it takes, as far as they are known.</summary>
    public PlanCost? Cost { get; init; }

    /// <summary>How the lift was found and what was estimated.</summary>
    public required IReadOnlyList<string> Basis { get; init; }

    /// <summary>Why the stack must not be fitted; empty when nothing forbids it.</summary>
    public required IReadOnlyList<string> Refusals { get; init; }

    /// <summary>Why the fitting cannot be begun, the first thing first; null where nothing stands in its way.</summary>
    public string? WhyNotBegun() =>
        Refusals.Count > 0 ? Refusals[0]
        : Misfits?.FirstOrDefault(m => m.Stops) is { } misfit
            ? $"{misfit.Part}, {misfit.Where}: {misfit.Says}. Take it out of the plan, or write there why it goes in all the same."
        : null;
}

/// <summary>What the parts that come cost, and the hours to fit them.</summary>
/// <param name="Pieces">Pieces that come.</param>
/// <param name="Price">Sum of the known prices; null when none is known.</param>
/// <param name="Currency">Currency of the sum; null when prices are of several.</param>
/// <param name="Hours">Sum of the known hours; null when none is known.</param>
/// <param name="Unpriced">Pieces without a price.</param>
public sealed record PlanCost(
    int Pieces,
    decimal? Price,
    string? Currency,
    double? Hours,
    int Unpriced
);
