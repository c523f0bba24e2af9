using System.Text.Json.Serialization;
using Nokko.Core.Units;

namespace Nokko.Core.Vehicles;

/// <summary>Who owns vehicles.</summary>
public sealed record Owner : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Name as printed on the record.</summary>
    [Personal]
    public required string Name { get; init; }

    /// <summary>How to reach the owner.</summary>
    [Personal]
    public string? Contact { get; init; }
}

/// <summary>What sort of vehicle.</summary>
public enum VehicleKind
{
    /// <summary>Pickup: cab and bed are two bodies.</summary>
    Pickup,

    /// <summary>Open-top 4x4.</summary>
    OpenTop,

    /// <summary>SUV or wagon.</summary>
    Wagon,

    /// <summary>Estate or car.</summary>
    Estate,

    /// <summary>UTV or cart.</summary>
    Utv,
}

/// <summary>How the body is carried.</summary>
public enum BodyKind
{
    /// <summary>Body on frame.</summary>
    BodyOnFrame,

    /// <summary>Unibody.</summary>
    Unibody,
}

/// <summary>Where a leaf spring's shackle hangs on the frame.</summary>
public enum ShacklePivot
{
    /// <summary>The frame's pivot stands above the spring's eye, and the shackle is pushed: a longer one lifts.</summary>
    AboveEye,

    /// <summary>The frame's pivot stands below the spring's eye, and the shackle is pulled: a longer one lowers.</summary>
    BelowEye,
}

/// <summary>What holds an axle at its height by itself: air springs or self-levelling units with sensors.</summary>
public enum HeightControl
{
    /// <summary>One sensor at the axle's middle: the controller holds the mean of both sides.</summary>
    OneSensor,

    /// <summary>A sensor at each side: the controller holds each.</summary>
    TwoSensors,
}

/// <summary>A side of the vehicle.</summary>
public enum Side
{
    /// <summary>Left, as one sits in it.</summary>
    Left,

    /// <summary>Right.</summary>
    Right,
}

/// <summary>What springs an axle where its kind has coils.</summary>
public enum SpringMedium
{
    /// <summary>Steel.</summary>
    Steel,

    /// <summary>Air, let out before anything of it is opened.</summary>
    Air,
}

/// <summary>The suspension of one axle.</summary>
public sealed record Suspension
{
    /// <summary>The kind.</summary>
    public required SuspensionKind Kind { get; init; }

    /// <summary>Named dimensions of this kind, for example a strut's extended length.</summary>
    public IReadOnlyDictionary<string, Quantity> Dimensions { get; init; } =
        new Dictionary<string, Quantity>();

    /// <summary>Where the shackle of its leaf springs hangs; null is unknown, or there is none.</summary>
    public ShacklePivot? ShacklePivot { get; init; }

    /// <summary>What holds its height; null where only its springs do.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public HeightControl? HeightControl { get; init; }

    /// <summary>What springs it; null is steel.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public SpringMedium? Medium { get; init; }

    /// <summary>On which side its track bar's end at the body lies; null is unknown, or there is no bar.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Side? BarBodyEnd { get; init; }

    /// <summary>Whose sheet or drawing it was built by, where a conversion brought it: what other vehicles of the platform teach does not hold for it. Null is as it left the works.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Sheet { get; init; }

    /// <summary>Track of its wheels, where a conversion changed it; null is the vehicle's own.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Quantity? Track { get; init; }

    /// <summary>Named suspension points.</summary>
    public IReadOnlyList<SuspensionPoint> Points { get; init; } = [];

    /// <summary>Points of a double wishbone corner in space: x forward of the wheel centre, y outward from the middle, z above the floor. Null where nobody taped them.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<SuspensionPoint>? SpacePoints { get; init; }
}

/// <summary>A suspension point in the vehicle's frame (ISO 8855: x forward, y left, z up).</summary>
public sealed record SuspensionPoint
{
    /// <summary>Name, unique in its axle.</summary>
    public required string Name { get; init; }

    /// <summary>x forward of the front axle.</summary>
    public Quantity? X { get; init; }

    /// <summary>y to the left.</summary>
    public Quantity? Y { get; init; }

    /// <summary>z above the ground.</summary>
    public Quantity? Z { get; init; }
}

/// <summary>Which part of the vehicle a station is fixed to.</summary>
public enum Carrier
{
    /// <summary>Body or cab.</summary>
    Body,

    /// <summary>Pickup bed.</summary>
    Bed,

    /// <summary>Frame.</summary>
    Frame,

    /// <summary>Axle.</summary>
    Axle,
}

/// <summary>A place on the body that is measured.</summary>
public sealed record Station
{
    /// <summary>LF, RF, LR, RR for the lips over the wheels, LM and RM for the mid marks, or a name of one's own.</summary>
    public required string Name { get; init; }

    /// <summary>x forward of the front axle.</summary>
    public required Quantity X { get; init; }

    /// <summary>y to the left.</summary>
    public required Quantity Y { get; init; }

    /// <summary>What it is fixed to.</summary>
    public required Carrier Carrier { get; init; }

    /// <summary>The edge that is hooked: sheet metal, liner, flare.</summary>
    public string? Edge { get; init; }
}

/// <summary>A vehicle, apart from its owner and its jobs.</summary>
public sealed record Vehicle : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Its owner.</summary>
    public required Guid OwnerId { get; init; }

    /// <summary>Its platform.</summary>
    public required Guid PlatformId { get; init; }

    /// <summary>Make.</summary>
    public required string Make { get; init; }

    /// <summary>Name of the model.</summary>
    public required string Name { get; init; }

    /// <summary>Plate.</summary>
    [Personal]
    public string? Plate { get; init; }

    /// <summary>Vehicle identification number.</summary>
    [Personal]
    public string? Vin { get; init; }

    /// <summary>Engine as said.</summary>
    public string? Engine { get; init; }

    /// <summary>Driven wheels as said.</summary>
    public string? Drive { get; init; }

    /// <summary>Body or cab as said.</summary>
    public string? Body { get; init; }

    /// <summary>Suspension option as said.</summary>
    public string? SuspensionOption { get; init; }

    /// <summary>Bed as said.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Bed { get; init; }

    /// <summary>Trim as said.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Trim { get; init; }

    /// <summary>Year in which it was built; null is not known.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public int? Built { get; init; }

    /// <summary>What parts must meet, as far as somebody looked.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<MatePlace>? Mates { get; init; }

    /// <summary>Sort of vehicle.</summary>
    public required VehicleKind Kind { get; init; }

    /// <summary>How the body is carried.</summary>
    public required BodyKind BodyKind { get; init; }

    /// <summary>Front suspension at the stage from which the vehicle was taken; kept with the stage, not here.</summary>
    [JsonIgnore]
    public Suspension Front
    {
        get =>
            field
            ?? throw new InvalidOperationException(
                "The suspension belongs to a stage: take the vehicle at one."
            );
        init;
    }

    /// <summary>Rear suspension, likewise.</summary>
    [JsonIgnore]
    public Suspension Rear
    {
        get =>
            field
            ?? throw new InvalidOperationException(
                "The suspension belongs to a stage: take the vehicle at one."
            );
        init;
    }

    /// <summary>The vehicle on these suspensions, with the track that each of them brings.</summary>
    /// <param name="front">Front suspension.</param>
    /// <param name="rear">Rear suspension.</param>
    public Vehicle On(Suspension front, Suspension rear) =>
        this with
        {
            Front = front,
            Rear = rear,
            Dimensions = Dimensions with
            {
                FrontTrack = front.Track ?? Dimensions.FrontTrack,
                RearTrack = rear.Track ?? Dimensions.RearTrack,
            },
        };

    /// <summary>Sizes.</summary>
    public required VehicleDimensions Dimensions { get; init; }

    /// <summary>Tyre size as printed on the tyre; null is unknown.</summary>
    public string? TyreSize { get; init; }

    /// <summary>How the tyre size is known.</summary>
    public Known? TyreKnown { get; init; }

    /// <summary>Stations in walking order.</summary>
    public required IReadOnlyList<Station> Stations { get; init; }

    /// <summary>Static load on one wheel of an axle, N; null when the axle's mass is not known.</summary>
    /// <param name="axle">front or rear.</param>
    public double? WheelLoadN(Axle axle) =>
        (axle == Axle.Front ? Dimensions.FrontAxleMass : Dimensions.RearAxleMass)?.In(Unit.Kg)
        * Gravity.NPerKg
        / 2;

    /// <summary>The suspension of an axle.</summary>
    public Suspension SuspensionOf(Axle axle) => axle == Axle.Front ? Front : Rear;

    /// <summary>What tells it from others of its platform; null is not known.</summary>
    /// <param name="aspect">Which of it.</param>
    /// <exception cref="ArgumentOutOfRangeException">It is no aspect.</exception>
    public string? Of(VariantAspect aspect) =>
        aspect switch
        {
            VariantAspect.Engine => Engine,
            VariantAspect.Drive => Drive,
            VariantAspect.Body => Body,
            VariantAspect.Bed => Bed,
            VariantAspect.Trim => Trim,
            VariantAspect.SuspensionOption => SuspensionOption,
            _ => throw new ArgumentOutOfRangeException(nameof(aspect), aspect, "No aspect."),
        };
}
