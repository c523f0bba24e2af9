using System.Text.Json.Serialization;
using Nokko.Core.Fitting;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.WalkRounds;

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
    public Axle? Axle { get; init; }
}

/// <summary>A quantity read at a place. Never overwritten: a correction is a new reading that supersedes it; one without a value takes it back.</summary>
public sealed record Reading : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Its walk-round.</summary>
    public required Guid WalkRoundId { get; init; }

    /// <summary>What was read.</summary>
    public required ReadingKind Kind { get; init; }

    /// <summary>Where.</summary>
    public required Place Place { get; init; }

    /// <summary>Which of the catalogue's measures it is, by key; null for a height of a station.</summary>
    public string? Measure { get; init; }

    /// <summary>From where a height was measured; null for other kinds.</summary>
    public Datum? From { get; init; }

    /// <summary>Name of the fitter's own mark, where <see cref="From"/> is <see cref="Datum.Own"/>; it is compared only with itself.</summary>
    public string? OwnMark { get; init; }

    /// <summary>The value in the unit typed, with the text as typed; null for a note.</summary>
    public Quantity? Value { get; init; }

    /// <summary>The length over which a gap was taken, where the measure needs one: the square's height, the wall's distance.</summary>
    public Quantity? Over { get; init; }

    /// <summary>Whether it was passed over; <see cref="Note"/> says why, and there is no value.</summary>
    public bool Skipped { get; init; }

    /// <summary>Whether the tape was read strong or shy.</summary>
    public bool Nudged { get; init; }

    /// <summary>Questions that the reader asked and the person answered, by key.</summary>
    public IReadOnlyList<string> Answers { get; init; } = [];

    /// <summary>Words.</summary>
    public string? Note { get; init; }

    /// <summary>Instrument as said.</summary>
    public string? Instrument { get; init; }

    /// <summary>The shop's own instrument with which it was read, as it was known then; null where nobody named one.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public ReadBy? By { get; init; }

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

    /// <summary>Whether it only takes another reading back and puts nothing in its place.</summary>
    public bool IsTakenBack() => Supersedes is not null && Value is null && Note is null;
}
