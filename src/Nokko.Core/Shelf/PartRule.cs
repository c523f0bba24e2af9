using System.Text.Json.Serialization;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Shelf;

/// <summary>What holds for every part of a kind.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Said">As said in a bay.</param>
/// <param name="Amount">What <see cref="Part.Thickness"/> means for it, or null: it has no such number.</param>
/// <param name="Family">How it acts on ride height.</param>
/// <param name="Order">Its place in the sandwich from the body down; parts of one order may lie either way.</param>
/// <param name="Sizes">Names of its further sizes.</param>
/// <param name="Acts">How its numbers change a corner.</param>
/// <param name="FitsOn">Whether it has a place on a suspension.</param>
/// <param name="Orientation">Which way it must sit, and how to prove it; null where it cannot be wrong.</param>
/// <param name="OpensSpring">Whether a coil is let go or squeezed to fit it.</param>
public sealed partial record PartRule(
    PartKind Kind,
    string Said,
    string? Amount,
    LiftFamily Family,
    int Order,
    IReadOnlyList<string> Sizes,
    [property: JsonIgnore] PartActs Acts,
    [property: JsonIgnore] Func<SuspensionKind, bool> FitsOn,
    string? Orientation = null,
    bool OpensSpring = false
)
{
    private const string Thick = "Thickness";

    /// <summary>Whether it lies below the spring, seen from the body down.</summary>
    [JsonIgnore]
    public bool BelowSpring => Order >= 50;

    /// <summary>Whether the body stands at another height over its wheels with it, or nobody knows whether it does.</summary>
    [JsonIgnore]
    public bool MayLift =>
        Family is not (LiftFamily.None or LiftFamily.Tyre) || Acts == PartActs.Untold;

    /// <summary>Whether it takes the place of the spring that was in.</summary>
    [JsonIgnore]
    public bool IsSpring =>
        Kind is PartKind.Coil or PartKind.CoilOver or PartKind.AirSpring or PartKind.LeafPack;

    /// <summary>Whether it is a setting of what is in, no piece: turned, with nothing from the shelf.</summary>
    [JsonIgnore]
    public bool Turned =>
        Kind is PartKind.RaisedCollar or PartKind.TorsionAdjuster or PartKind.SteeringStops;

    /// <summary>Whether an axle gets it left and right alike: pivots that lie lower on one side only would set its wheels askew, and so would one wheel further out.</summary>
    [JsonIgnore]
    public bool InPairs =>
        Kind
            is PartKind.DropBracket
                or PartKind.SubframeBlock
                or PartKind.LinkBracket
                or PartKind.WheelSpacer;

    /// <summary>Whether the bolts of its joint go through all of its thickness.</summary>
    [JsonIgnore]
    public bool Clamped =>
        Kind is PartKind.BodyPuck or PartKind.SubframeBlock or PartKind.HalfShaftSpacer;

    /// <summary>Whether an axle has one of it, not one a side.</summary>
    public bool PerAxle =>
        Kind
            is PartKind.TrackBar
                or PartKind.TrackBarBracket
                or PartKind.DiffDrop
                or PartKind.DragLink
                or PartKind.PitmanArm
                or PartKind.SteeringStops;

    /// <summary>Whether a second one has no place beside the first: it comes instead of it.</summary>
    [JsonIgnore]
    public bool Alone =>
        Kind
            is PartKind.TorsionAdjuster
                or PartKind.SteeringStops
                or PartKind.WheelSpacer
                or PartKind.Tyre;

    /// <summary>Whether it stays where it is when the axle gets another suspension: it sits on the body or the wheel.</summary>
    [JsonIgnore]
    public bool OnAnySuspension =>
        Kind is PartKind.BodyPuck or PartKind.BodyMount or PartKind.Tyre or PartKind.WheelSpacer;

    /// <summary>Whether it has a place at the steered axle alone.</summary>
    public bool SteeredOnly =>
        Kind
            is PartKind.DragLink
                or PartKind.PitmanArm
                or PartKind.SteeringDamper
                or PartKind.SteeringStops;

    /// <summary>Whether its amount has a direction: a link may be shorter than the old one.</summary>
    [JsonIgnore]
    public bool AmountMayBeBelowZero => Kind == PartKind.LevelSensorLink;

    /// <summary>Whether it lies on a shelf and can stand in a stack: a setting does not lie there, a kit stands in none, and what nobody knows is not offered.</summary>
    [JsonIgnore]
    public bool Offered => !Turned && Kind is not (PartKind.Unknown or PartKind.Kit);

    /// <summary>Names of the calculator's sheets that draw it, or what goes with it, at full size on paper.</summary>
    [JsonIgnore]
    public IReadOnlyList<string> Templates =>
        [
            .. Kind
                is PartKind.StrutTopSpacer
                    or PartKind.CoilSpacer
                    or PartKind.PreloadSpacer
                    or PartKind.BodyPuck
                    or PartKind.WheelSpacer
                    or PartKind.HalfShaftSpacer
                ? (string[])["ring"]
                : [],
            .. Kind
                is PartKind.StrutTopSpacer
                    or PartKind.WheelSpacer
                    or PartKind.HalfShaftSpacer
                    or PartKind.SubframeBlock
                ? (string[])["studs"]
                : [],
            .. Kind
                is PartKind.DropBracket
                    or PartKind.DiffDrop
                    or PartKind.TrackBarBracket
                    or PartKind.LinkBracket
                ? (string[])["holes"]
                : [],
            .. Kind is PartKind.Block or PartKind.AxleShim ? (string[])["wedge"] : [],
            .. Kind is PartKind.CasterBush ? (string[])["bush"] : [],
            .. Kind is PartKind.Tyre or PartKind.WheelSpacer or PartKind.SteeringStops
                ? (string[])["room"]
                : [],
        ];

    /// <summary>Every kind's rule.</summary>
    public static IReadOnlyList<PartRule> All { get; } = [.. OfStack(), .. OfAxle()];

    private static readonly Dictionary<PartKind, PartRule> ByKind = All.ToDictionary(r => r.Kind);

    /// <summary>The rule of a kind.</summary>
    public static PartRule Of(PartKind kind) => ByKind[kind];

    private static bool Anywhere(SuspensionKind suspension) => true;
}
