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

/// <summary>The sizes that the stance and the prediction rest on; null is unknown.</summary>
public sealed record VehicleDimensions
{
    /// <summary>Front axle to rear axle.</summary>
    public Quantity? Wheelbase { get; init; }

    /// <summary>Between the middles of the front tyres.</summary>
    public Quantity? FrontTrack { get; init; }

    /// <summary>Between the middles of the rear tyres.</summary>
    public Quantity? RearTrack { get; init; }

    /// <summary>Between the front springs of a solid axle.</summary>
    public Quantity? FrontSpringBase { get; init; }

    /// <summary>Between the rear springs of a solid axle.</summary>
    public Quantity? RearSpringBase { get; init; }

    /// <summary>Mass on the front axle.</summary>
    public Quantity? FrontAxleMass { get; init; }

    /// <summary>Mass on the rear axle.</summary>
    public Quantity? RearAxleMass { get; init; }

    /// <summary>Share of the front axle mass that is not carried by springs.</summary>
    public Quantity? FrontUnsprungShare { get; init; }

    /// <summary>Share of the rear axle mass that is not carried by springs.</summary>
    public Quantity? RearUnsprungShare { get; init; }

    /// <summary>Sill above the floor, at its middle.</summary>
    public Quantity? SillHeight { get; init; }

    /// <summary>How far the mid marks lie behind the front axle.</summary>
    public Quantity? MidMark { get; init; }

    /// <summary>Mass that the front axle may carry, from its plate.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Quantity? FrontAxleRating { get; init; }

    /// <summary>Mass that the rear axle may carry, from its plate.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Quantity? RearAxleRating { get; init; }

    /// <summary>Centre of gravity above the floor, the vehicle as it was made.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Quantity? CgHeight { get; init; }

    /// <summary>Each size with its name in files, for checks and lists.</summary>
    public IEnumerable<(string Name, Quantity? Value)> Named() =>
        [
            ("wheelbase", Wheelbase),
            ("frontTrack", FrontTrack),
            ("rearTrack", RearTrack),
            ("frontSpringBase", FrontSpringBase),
            ("rearSpringBase", RearSpringBase),
            ("frontAxleMass", FrontAxleMass),
            ("rearAxleMass", RearAxleMass),
            ("frontUnsprungShare", FrontUnsprungShare),
            ("rearUnsprungShare", RearUnsprungShare),
            ("sillHeight", SillHeight),
            ("midMark", MidMark),
            ("frontAxleRating", FrontAxleRating),
            ("rearAxleRating", RearAxleRating),
            ("cgHeight", CgHeight),
        ];

    /// <summary>Names of those that only a plate or a paper tells: nobody guesses them, and nothing waits for them.</summary>
    public static IReadOnlySet<string> OnPapers { get; } =
        new HashSet<string> { "frontAxleRating", "rearAxleRating", "cgHeight" };

    /// <summary>Between what each size lies on anything with four wheels; outside, no body could be computed from it.</summary>
    public static IReadOnlyDictionary<
        string,
        (Unit Unit, double Low, double High)
    > Limits { get; } =
        new Dictionary<string, (Unit, double, double)>
        {
            ["wheelbase"] = (Unit.Mm, 700, 10_000),
            ["frontTrack"] = (Unit.Mm, 400, 4_000),
            ["rearTrack"] = (Unit.Mm, 400, 4_000),
            ["frontSpringBase"] = (Unit.Mm, 200, 4_000),
            ["rearSpringBase"] = (Unit.Mm, 200, 4_000),
            ["frontAxleMass"] = (Unit.Kg, 30, 20_000),
            ["rearAxleMass"] = (Unit.Kg, 30, 20_000),
            ["frontUnsprungShare"] = (Unit.One, 0.01, 0.8),
            ["rearUnsprungShare"] = (Unit.One, 0.01, 0.8),
            ["sillHeight"] = (Unit.Mm, 50, 3_000),
            ["midMark"] = (Unit.Mm, 10, 10_000),
            ["frontAxleRating"] = (Unit.Kg, 50, 30_000),
            ["rearAxleRating"] = (Unit.Kg, 50, 30_000),
            ["cgHeight"] = (Unit.Mm, 200, 2_000),
        };

    /// <summary>Why a size cannot be, or null.</summary>
    /// <param name="name">Its name in files.</param>
    /// <param name="value">Its value in the unit of its limit.</param>
    public static string? WhyNot(string name, double value)
    {
        var (unit, low, high) = Limits[name];
        return value >= low && value <= high ? null
            : unit == Unit.One
                ? FormattableString.Invariant(
                    $"A share lies between {low} and {high}: 0.12 is twelve in a hundred."
                )
            : FormattableString.Invariant(
                $"That lies between {low:#,0} and {high:#,0} {unit} on anything with four wheels: check the unit."
            );
    }
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
