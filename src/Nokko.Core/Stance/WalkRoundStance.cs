using System.Text.Json.Serialization;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Stance;

/// <summary>The height of one station in one walk-round.</summary>
/// <param name="Station">Name of the station.</param>
/// <param name="Datum">From where it was measured.</param>
/// <param name="Height">The height that counts, mm.</param>
/// <param name="Uncertainty">The parts of its uncertainty.</param>
/// <param name="Reads">Reads that stand.</param>
/// <param name="Flags">What to look at again, in plain sentences.</param>
/// <param name="OwnMark">Name of the fitter's own mark, for <see cref="Datum.Own"/>.</param>
/// <param name="FloorCorrectionMm">What the floor survey added to the reads, mm; it is in <paramref name="Height"/>.</param>
/// <param name="Contaminated">Whether a part was already in elsewhere, or a corner raised: it is no baseline.</param>
public sealed record StationHeight(
    string Station,
    Datum Datum,
    Result Height,
    StationValue Uncertainty,
    int Reads,
    IReadOnlyList<string> Flags,
    string? OwnMark = null,
    double FloorCorrectionMm = 0,
    bool Contaminated = false
)
{
    /// <summary>The height with the uncertainty that is its own: without what all that was read with its tape has in common.</summary>
    [JsonIgnore]
    public Result Own
    {
        get => field ?? Height;
        init;
    }

    /// <summary>What it has in common with all that was read with its tape.</summary>
    [JsonIgnore]
    public SharedError Tape { get; init; } = SharedError.None;
}

/// <summary>A lip's height carried to another datum; marked, and never taken for a reading.</summary>
/// <param name="Station">The lip.</param>
/// <param name="From">The datum in which it was read.</param>
/// <param name="To">The datum to which it was carried.</param>
/// <param name="Height">The height there, mm.</param>
/// <param name="Decides">Whether a verdict may rest on it: only with measured radii.</param>
public sealed record CarriedHeight(
    string Station,
    Datum From,
    Datum To,
    Result Height,
    bool Decides
);

/// <summary>A station that was passed over.</summary>
/// <param name="Station">Name of the station.</param>
/// <param name="Why">Why.</param>
public sealed record SkippedStation(string Station, string Why);

/// <summary>How the vehicle stands by one walk-round. Lengths in mm; differences carry their signs of docs/computation/frame.md#frame-and-signs.</summary>
public sealed record WalkRoundStance
{
    /// <summary>The walk-round.</summary>
    public required Guid WalkRoundId { get; init; }

    /// <summary>Its stage.</summary>
    public required Guid StageId { get; init; }

    /// <summary>Datum of rake, lean and warp: the walk-round's own.</summary>
    public required Datum Datum { get; init; }

    /// <summary>Whether it may carry a verdict: settled, and no station is flagged for another read.</summary>
    public required bool Decides { get; init; }

    /// <summary>Heights, one a station and datum.</summary>
    public required IReadOnlyList<StationHeight> Stations { get; init; }

    /// <summary>Mean rear lip minus mean front lip; positive is nose-down.</summary>
    public required Result Rake { get; init; }

    /// <summary>Rake of the left side alone.</summary>
    public required Result RakeLeft { get; init; }

    /// <summary>Rake of the right side alone.</summary>
    public required Result RakeRight { get; init; }

    /// <summary>Left minus right in front; positive is left high.</summary>
    public required Result LeanFront { get; init; }

    /// <summary>Left minus right at the rear; positive is left high.</summary>
    public required Result LeanRear { get; init; }

    /// <summary>Axles at which the eye sees another lean than the tape: no lean is explained, and nothing judged, before that is settled.</summary>
    public IReadOnlyList<Axle> AgainstEye { get; init; } = [];

    /// <summary>(LF + RR) − (RF + LR).</summary>
    public required Result Warp { get; init; }

    /// <summary>Body angle from the lips, ° nose-down.</summary>
    public required Result BodyAngle { get; init; }

    /// <summary>Angle of the sill, ° nose-down, from its two ends or from an angle gauge: what the body really does.</summary>
    public required Result SillAngle { get; init; }

    /// <summary>Loaded radius and rim radius of every wheel.</summary>
    public required IReadOnlyList<WheelMeasures> Wheels { get; init; }

    /// <summary>Lips carried to the datums in which they were not read.</summary>
    public required IReadOnlyList<CarriedHeight> Carried { get; init; }

    /// <summary>Every other measure, and what follows from it.</summary>
    public required IReadOnlyList<MeasureValue> Measures { get; init; }

    /// <summary>Stations passed over, with the reason.</summary>
    public required IReadOnlyList<SkippedStation> Skipped { get; init; }

    /// <summary>Readings that were not used, with the reason.</summary>
    public required IReadOnlyList<UnusedReading> Unused { get; init; }

    /// <summary>The height of a station in the round's datum (floor for the mid stations), if it was read.</summary>
    public StationHeight? At(string station) =>
        Stations.FirstOrDefault(s => s.Station == station && s.Datum == Datum)
        ?? Stations.FirstOrDefault(s => s.Station == station);
}

/// <summary>A reading that entered no result.</summary>
/// <param name="ReadingId">The reading.</param>
/// <param name="Why">Why.</param>
public sealed record UnusedReading(Guid ReadingId, string Why);
