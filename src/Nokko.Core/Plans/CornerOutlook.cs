using System.Text.Json.Serialization;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>A place on the way of a wheel from full droop to full bump.</summary>
/// <param name="What">What happens there, in a few words.</param>
/// <param name="AtMm">From the planned ride height, mm; up is bump.</param>
/// <param name="Ends">Whether the travel ends there.</param>
public sealed record TravelMark(string What, double AtMm, bool Ends);

/// <summary>How much of a limit is used up, on the point that holds in 95 of 100.</summary>
/// <param name="What">The limit, in a few words.</param>
/// <param name="Share">1 is all of it.</param>
/// <param name="Hard">Whether nothing beyond it may be fitted; a rule of thumb is not hard.</param>
public sealed record LimitUse(string What, double Share, bool Hard);

/// <summary>What a plan leaves of one corner: travel, angles, slack. Lengths in mm at the wheel.</summary>
public sealed record CornerOutlook
{
    /// <summary>LF, RF, LR or RR.</summary>
    public required Corner Corner { get; init; }

    /// <summary>On what the lift ratio rests.</summary>
    public required RatioGrade Grade { get; init; }

    /// <summary>Lift per mm of spring length at ride height.</summary>
    public required Result Ratio { get; init; }

    /// <summary>Rise of the frame over the wheel against the vehicle without added parts.</summary>
    public required Result Rise { get; init; }

    /// <summary>Down to full droop.</summary>
    public required Result Droop { get; init; }

    /// <summary>Up to solid.</summary>
    public required Result Bump { get; init; }

    /// <summary>Down to full droop without added parts.</summary>
    public required Result StandardDroop { get; init; }

    /// <summary>Up to solid without added parts.</summary>
    public required Result StandardBump { get; init; }

    /// <summary>Left above the tyre on its wheels; below zero it touches.</summary>
    [JsonIgnore]
    public Result AboveTyre { get; init; } = Result.No(Unit.Mm, TapeAbove);

    /// <summary>Left above the tyre where the travel ends by anything else; below zero it touches before that.</summary>
    [JsonIgnore]
    public Result AboveTyreAtBump { get; init; } = Result.No(Unit.Mm, TapeAbove);

    /// <summary>The same without added parts.</summary>
    [JsonIgnore]
    public Result StandardAboveTyreAtBump { get; init; } = Result.No(Unit.Mm, TapeAbove);

    /// <summary>Why the room above a tyre cannot be told.</summary>
    public const string TapeAbove = "Tape the gap from the tyre to what is above it.";

    /// <summary>Everything that happens on the way, from the lowest.</summary>
    public required IReadOnlyList<TravelMark> Marks { get; init; }

    /// <summary>By how much the bump stop must be longer so that it meets before anything hard does; nothing when it does.</summary>
    public required Result StopExtension { get; init; }

    /// <summary>CV joints at ride height, °; below zero when the outer stands higher.</summary>
    public required Result CvRide { get; init; }

    /// <summary>CV joints at full droop, °.</summary>
    public required Result CvDroop { get; init; }

    /// <summary>Swing of the lower ball joint from the old ride height to the planned one, °. From taped points only.</summary>
    public Result BallJointRide { get; init; } =
        Result.No(Unit.Degree, "It was not worked out when this was kept.");

    /// <summary>Swing of the lower ball joint from the old ride height to full droop, °. From taped points only.</summary>
    public required Result BallJoint { get; init; }

    /// <summary>Change of camber, °; below zero is top inward. From taped points only.</summary>
    public required Result Camber { get; init; }

    /// <summary>Change of track on this side at the ground; positive is outward. From taped points only.</summary>
    public required Result Track { get; init; }

    /// <summary>Hose slack at the new full droop.</summary>
    public required Result HoseSlack { get; init; }

    /// <summary>Whether the strut would stand at its full length: the lift is capped.</summary>
    public required bool ToppedOut { get; init; }

    /// <summary>Limits as far as they are known, the one that is used most first.</summary>
    public IReadOnlyList<LimitUse> Uses { get; init; } = [];

    /// <summary>Cautions, those that stop first.</summary>
    public required IReadOnlyList<Caution> Cautions { get; init; }
}

/// <summary>A part or a work that a stack needs beside it.</summary>
/// <param name="Where">Axle or corner.</param>
/// <param name="What">What, in a few words.</param>
/// <param name="Why">Why.</param>
/// <param name="Placed">Whether the plan has it.</param>
public sealed record Companion(string Where, string What, string Why, bool Placed)
{
    /// <summary>Whether it must be, is to be checked, or may be.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public Consequence Word { get; init; }

    /// <summary>Whether it is work, not a part: done elsewhere, or not in the price.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Work { get; init; }
}

/// <summary>What follows from a plan, in one word.</summary>
public enum Consequence
{
    /// <summary>Without it the plan is not fitted.</summary>
    Must = -1,

    /// <summary>Looked at or measured: it depends on this vehicle.</summary>
    Check = 0,

    /// <summary>It is better with it.</summary>
    May = 1,
}

/// <summary>Lift of one axle, over today and over standard height side by side: a sagged spring flatters a lift, a heavier engine eats one.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="OverToday">Mean rise of its lips, mm.</param>
/// <param name="OverStandard">Against standard height, mm; cannot be told without it.</param>
public sealed record PlannedLift(Axle Axle, Result OverToday, Result OverStandard);

/// <summary>How it sits with the stated loads on.</summary>
/// <param name="Loads">Names of the loads.</param>
/// <param name="Rake">Rake, mm.</param>
/// <param name="FrontRise">Front against the plan without them, mm.</param>
/// <param name="RearRise">Rear against the plan without them, mm.</param>
/// <param name="Stations">Heights with them.</param>
public sealed record LoadedStance(
    IReadOnlyList<string> Loads,
    Result Rake,
    Result FrontRise,
    Result RearRise,
    IReadOnlyList<PredictedStation> Stations
);
