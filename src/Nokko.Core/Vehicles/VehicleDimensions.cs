using System.Text.Json.Serialization;
using Nokko.Core.Units;

namespace Nokko.Core.Vehicles;

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

    /// <summary>Those that somebody told or measured; the others are open.</summary>
    public VehicleDimensions Told() =>
        new()
        {
            Wheelbase = Told(Wheelbase),
            FrontTrack = Told(FrontTrack),
            RearTrack = Told(RearTrack),
            FrontSpringBase = Told(FrontSpringBase),
            RearSpringBase = Told(RearSpringBase),
            FrontAxleMass = Told(FrontAxleMass),
            RearAxleMass = Told(RearAxleMass),
            FrontUnsprungShare = Told(FrontUnsprungShare),
            RearUnsprungShare = Told(RearUnsprungShare),
            SillHeight = Told(SillHeight),
            MidMark = Told(MidMark),
            FrontAxleRating = Told(FrontAxleRating),
            RearAxleRating = Told(RearAxleRating),
            CgHeight = Told(CgHeight),
        };

    private static Quantity? Told(Quantity? size) =>
        size is { Known: Known.Estimated } ? null : size;

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
