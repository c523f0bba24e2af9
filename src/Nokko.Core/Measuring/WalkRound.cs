using Nokko.Core.Units;

namespace Nokko.Core.Measuring;

/// <summary>One set of readings under one set of conditions, at one stage.</summary>
public sealed record WalkRound
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The stage at which the vehicle stood.</summary>
    public required Guid StageId { get; init; }

    /// <summary>The datum with which a new reading starts.</summary>
    public required Datum Datum { get; init; }

    /// <summary>Smallest division of the tape.</summary>
    public required Quantity Division { get; init; }

    /// <summary>How the vehicle came to rest.</summary>
    public required Settled Settled { get; init; }

    /// <summary>Whether the hub centres were marked.</summary>
    public bool HubMarked { get; init; }

    /// <summary>Whether the floor was surveyed.</summary>
    public bool FloorSurveyed { get; init; }

    /// <summary>Where the vehicle stood; rounds with the same name stood on the same spots.</summary>
    public string? Spot { get; init; }

    /// <summary>Fuel as said.</summary>
    public string? Fuel { get; init; }

    /// <summary>Load as said.</summary>
    public string? Load { get; init; }

    /// <summary>Odometer.</summary>
    public Quantity? Odometer { get; init; }

    /// <summary>Notes on conditions: modes, ride, noise.</summary>
    public string? Notes { get; init; }

    /// <summary>Who began it.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When it was begun.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>What sort of quantity was read.</summary>
public enum ReadingKind
{
    /// <summary>Height of a station above a datum.</summary>
    Height,

    /// <summary>A gap.</summary>
    Gap,

    /// <summary>A length.</summary>
    Length,

    /// <summary>An angle.</summary>
    Angle,

    /// <summary>A pressure.</summary>
    Pressure,

    /// <summary>A load.</summary>
    Load,

    /// <summary>A torque.</summary>
    Torque,

    /// <summary>Words only.</summary>
    Note,
}

/// <summary>What sort of place.</summary>
public enum PlaceKind
{
    /// <summary>A station of the vehicle.</summary>
    Station,

    /// <summary>A wheel.</summary>
    Wheel,

    /// <summary>An axle.</summary>
    Axle,

    /// <summary>A joint.</summary>
    Joint,

    /// <summary>A named point.</summary>
    Point,
}

/// <summary>A place on the vehicle.</summary>
public sealed record Place
{
    /// <summary>What sort of place.</summary>
    public required PlaceKind Kind { get; init; }

    /// <summary>Its name; null when the side is not known.</summary>
    public string? Name { get; init; }

    /// <summary>The axle, where the side is not known.</summary>
    public string? Axle { get; init; }
}

/// <summary>A quantity read at a place. Never overwritten: a correction is a new reading that supersedes it.</summary>
public sealed record Reading
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Its walk-round.</summary>
    public required Guid WalkRoundId { get; init; }

    /// <summary>What was read.</summary>
    public required ReadingKind Kind { get; init; }

    /// <summary>Where.</summary>
    public required Place Place { get; init; }

    /// <summary>From where a height was measured; null for other kinds.</summary>
    public Datum? From { get; init; }

    /// <summary>The value in the unit typed, with the text as typed; null for a note.</summary>
    public Quantity? Value { get; init; }

    /// <summary>Whether the tape was read strong or shy.</summary>
    public bool Nudged { get; init; }

    /// <summary>Questions that the reader asked and the person answered, by key.</summary>
    public IReadOnlyList<string> Answers { get; init; } = [];

    /// <summary>Words.</summary>
    public string? Note { get; init; }

    /// <summary>Instrument as said.</summary>
    public string? Instrument { get; init; }

    /// <summary>Corners that were already changed when it was taken.</summary>
    public IReadOnlyList<string> ChangedCorners { get; init; } = [];

    /// <summary>Corners that hung or were raised when it was taken.</summary>
    public IReadOnlyList<string> RaisedCorners { get; init; } = [];

    /// <summary>Who took it.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When it was taken.</summary>
    public required DateTimeOffset TakenAt { get; init; }

    /// <summary>When it was stored.</summary>
    public required DateTimeOffset StoredAt { get; init; }

    /// <summary>The reading that this one corrects.</summary>
    public Guid? Supersedes { get; init; }

    /// <summary>Why it corrects it.</summary>
    public string? Reason { get; init; }
}
