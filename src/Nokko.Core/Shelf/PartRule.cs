using System.Text.Json.Serialization;
using Nokko.Core.Fitting;
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
public sealed record PartRule(
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

    /// <summary>Whether it lies on a shelf: a collar is turned up, and what nobody knows is not offered.</summary>
    [JsonIgnore]
    public bool Offered => Kind is not (PartKind.RaisedCollar or PartKind.Unknown);

    /// <summary>Every kind's rule.</summary>
    public static IReadOnlyList<PartRule> All { get; } =
    [
        new(
            PartKind.StrutTopSpacer,
            "strut top spacer",
            Thick,
            LiftFamily.Spring,
            20,
            [PartSizes.Recess, PartSizes.MaxStack],
            PartActs.ByAmount,
            s => s.HasCoilOver(),
            "Studs to the body's holes, so that the strut's foot points as it was marked."
        ),
        new(
            PartKind.CoilOver,
            "whole coil-over",
            "Longer at ride height than the old one",
            LiftFamily.Spring,
            30,
            [
                PartSizes.Rate,
                PartSizes.DesignLift,
                PartSizes.DesignLoad,
                PartSizes.ExtendedLength,
                PartSizes.CollapsedLength,
                PartSizes.BindLength,
            ],
            PartActs.ByAmountOrDesign,
            s => s.HasCoilOver(),
            "Left and right differ on some: read the mark, and look where the reservoir or the clip points."
        ),
        new(
            PartKind.PreloadSpacer,
            "preload spacer",
            Thick,
            LiftFamily.Spring,
            40,
            [PartSizes.MaxStack],
            PartActs.ByAmountInside,
            s => s.HasCoilOver(),
            "Lip towards the seat, coil end against its stop.",
            true
        ),
        new(
            PartKind.RaisedCollar,
            "raised collar",
            "Raised by",
            LiftFamily.Spring,
            41,
            [],
            PartActs.ByAmountInside,
            s => s.HasCoilOver()
        ),
        new(
            PartKind.CoilSpacer,
            "coil spacer",
            Thick,
            LiftFamily.Spring,
            42,
            [PartSizes.FaceLean, PartSizes.MaxStack], // On A-arms over a leaf across, a pad between leaf and arm does what a coil spacer does.
            PartActs.ByAmountInsideLeaning,
            s => !s.HasCoilOver() && !s.IsLeaf(),
            "Pocket towards the coil, its pigtail against the stop; the isolator goes back between coil and metal.",
            true
        ),
        new(
            PartKind.Coil,
            "coil spring",
            null,
            LiftFamily.Spring,
            45,
            [
                PartSizes.Rate,
                PartSizes.FreeLength,
                PartSizes.BindLength,
                PartSizes.DesignLift,
                PartSizes.DesignLoad,
            ],
            PartActs.AsCoil,
            s => s.HasCoil(),
            "Pigtail against its stop, right end up; left and right may differ.",
            true
        ),
        new(
            PartKind.StrutLowerSpacer,
            "strut lower spacer",
            Thick,
            LiftFamily.Spring,
            50,
            [PartSizes.MaxStack],
            PartActs.ByAmount,
            s => s.HasCoilOver() && s != SuspensionKind.Strut
        ),
        new(
            PartKind.LeafPack,
            "leaf pack",
            null,
            LiftFamily.Wheel,
            45,
            [
                PartSizes.Rate,
                PartSizes.DesignLift,
                PartSizes.DesignLoad,
                PartSizes.ClampLength,
                PartSizes.PinDiameter,
                PartSizes.SeatBore,
            ],
            PartActs.AsLeaves,
            s => s.IsLeaf(),
            "Longer half as the old pack had it; clips loose enough for the leaves to slide."
        ),
        new(
            PartKind.Shackle,
            "shackle",
            "Longer than the old one, eye to eye",
            LiftFamily.Shackle,
            47,
            [],
            PartActs.ByAmount,
            s => s.IsLeaf(),
            "Grease nipple and crossbar as the old one had them; it must not turn over."
        ),
        new(
            PartKind.Block,
            "block",
            Thick,
            LiftFamily.Block,
            55,
            [PartSizes.Taper, PartSizes.PinDiameter, PartSizes.SeatBore],
            PartActs.ByAmount,
            s => s.IsLeaf(),
            "Pin in its hole at both faces; a taper's thick end as the sheet says."
        ),
        new(
            PartKind.BodyPuck,
            "body puck",
            "Adds, beside the mount",
            LiftFamily.Puck,
            0,
            [],
            PartActs.ByAmount,
            Anywhere,
            "Crushed side and washer as the old mount had them."
        ),
        new(
            PartKind.BodyMount,
            "new body mount",
            "Thickness, new, as the body will sit on it",
            LiftFamily.Puck,
            0,
            [],
            PartActs.ByRenewal,
            Anywhere,
            "Upper and lower half as the old mount had them, its sleeve through both."
        ),
        new(
            PartKind.DropBracket,
            "drop bracket",
            "Lowers the pivots by",
            LiftFamily.Wheel,
            60,
            [],
            PartActs.ByLoweredPivots,
            s => s.HasArms(),
            "Left and right differ: hold it up before it is bolted."
        ),
        new(
            PartKind.SubframeBlock,
            "subframe block",
            "Lowers the subframe by",
            LiftFamily.Wheel,
            5,
            [],
            PartActs.ByLoweredPivots,
            s => s is SuspensionKind.Strut or SuspensionKind.MultiLink,
            "Locating pin in its hole; front and rear blocks may differ."
        ),
        new(
            PartKind.DiffDrop,
            "differential drop",
            "Lowers the differential by",
            LiftFamily.None,
            70,
            [],
            PartActs.Not,
            s => !s.IsLiveAxle()
        ),
        new(
            PartKind.BumpStopExtension,
            "bump-stop extension",
            "Longer by",
            LiftFamily.None,
            43,
            [],
            PartActs.Not,
            Anywhere,
            "It passes over the coil, or does not: put it in before the spring."
        ),
        new(
            PartKind.Shock,
            "shock",
            null,
            LiftFamily.None,
            44,
            [PartSizes.ExtendedLength, PartSizes.CollapsedLength],
            PartActs.Not,
            s => !s.HasCoilOver(),
            "Body or shaft up as its maker says."
        ),
        new(
            PartKind.SwayBarLink,
            "sway-bar link",
            "Longer by",
            LiftFamily.None,
            65,
            [],
            PartActs.Not,
            Anywhere,
            "Both connected on its wheels only."
        ),
        new(
            PartKind.HalfShaftSpacer,
            "half-shaft spacer",
            Thick,
            LiftFamily.None,
            72,
            [],
            PartActs.Not,
            s => !s.IsLiveAxle()
        ),
        new(
            PartKind.TrackBar,
            "track bar",
            null,
            LiftFamily.None,
            66,
            [],
            PartActs.Not,
            s => s.IsLiveAxle() && !s.IsLeaf(),
            "Bend as the old one had it; an adjustable end with thread enough in it."
        ),
        new(
            PartKind.TrackBarBracket,
            "track-bar bracket",
            "Moves the pivot by",
            LiftFamily.None,
            67,
            [],
            PartActs.Not,
            s => s.IsLiveAxle() && !s.IsLeaf(),
            "Pivot up or down as the sheet says."
        ),
        new(
            PartKind.UpperArm,
            "upper arm or link",
            null,
            LiftFamily.None,
            61,
            [],
            PartActs.Not,
            s =>
                s
                    is SuspensionKind.CoilOverArm
                        or SuspensionKind.MultiLink
                        or SuspensionKind.CoilFourLink
                        or SuspensionKind.CoilOverAxle,
            "Left and right differ; ball joint up or down as the old one had it."
        ),
        new(
            PartKind.LowerArm,
            "lower arm or link",
            null,
            LiftFamily.None,
            62,
            [],
            PartActs.Not,
            s => !s.IsLeaf(),
            "Left and right differ; same length on both sides."
        ),
        new(
            PartKind.Upright,
            "upright",
            "Lifts by",
            LiftFamily.Wheel,
            58,
            [],
            PartActs.ByAmount,
            s => s is SuspensionKind.CoilOverArm or SuspensionKind.Strut,
            "Left and right differ: steering arm forward or back as the old one had it."
        ),
        new(
            PartKind.CasterBush,
            "caster bush",
            null,
            LiftFamily.None,
            63,
            [],
            PartActs.Not,
            s => s is SuspensionKind.CoilRadiusArm or SuspensionKind.CoilFourLink,
            "Its mark as the template says: the wrong way round doubles what it should take back."
        ),
        new(
            PartKind.AxleShim,
            "axle shim",
            null,
            LiftFamily.None,
            56,
            [PartSizes.Taper, PartSizes.PinDiameter],
            PartActs.Not,
            s => s.IsLeaf(),
            "Thick end forward or back as the sheet says; pin through it."
        ),
        new(
            PartKind.UBolts,
            "U-bolts",
            null,
            LiftFamily.None,
            57,
            [],
            PartActs.Not,
            s => s.IsLeaf()
        ),
        new(
            PartKind.CrossMember,
            "cross member",
            null,
            LiftFamily.None,
            71,
            [],
            PartActs.Not,
            s => s.HasArms() && s != SuspensionKind.TrailingArm,
            "Front and rear differ."
        ),
        new(
            PartKind.SteeringDamper,
            "steering damper",
            null,
            LiftFamily.None,
            68,
            [],
            PartActs.Not,
            s => s.IsLiveAxle(),
            "Body towards the frame or the axle as its maker says."
        ),
        new(
            PartKind.DragLink,
            "drag link",
            null,
            LiftFamily.None,
            65,
            [],
            PartActs.Not,
            s => s.IsLiveAxle(),
            "The bend the way the old one had it; threads alike in at both ends."
        ),
        new(
            PartKind.PitmanArm,
            "pitman arm",
            "Reaches lower by",
            LiftFamily.None,
            66,
            [],
            PartActs.Not,
            s => s.IsLiveAxle(),
            "Its master spline to that of the box."
        ),
        new(
            PartKind.Propshaft,
            "propshaft or carrier bearing",
            null,
            LiftFamily.None,
            70,
            [],
            PartActs.Not,
            Anywhere,
            "Both yokes in line, the mark to the mark."
        ),
        new(
            PartKind.LevelSensorLink,
            "level-sensor link",
            "Longer by",
            LiftFamily.None,
            75,
            [],
            PartActs.Not,
            Anywhere,
            "The sensor's arm the way it pointed."
        ),
        new(
            PartKind.BrakeHose,
            "brake hose",
            null,
            LiftFamily.None,
            73,
            [],
            PartActs.Not,
            Anywhere,
            "Not twisted; its bracket where it neither pulls nor rubs."
        ),
        new(
            PartKind.BrakeHoseBracket,
            "brake-hose bracket",
            "Reaches further by",
            LiftFamily.None,
            74,
            [],
            PartActs.Not,
            Anywhere
        ),
        new(
            PartKind.Tyre,
            "tyre",
            null,
            LiftFamily.Tyre,
            90,
            [PartSizes.Diameter],
            PartActs.ByDiameter,
            Anywhere,
            "Arrow in the direction of travel."
        ),
        new(
            PartKind.Unknown,
            "unknown part",
            null,
            LiftFamily.None,
            80,
            [],
            PartActs.Untold,
            Anywhere
        ),
    ];

    private static readonly Dictionary<PartKind, PartRule> ByKind = All.ToDictionary(r => r.Kind);

    /// <summary>The rule of a kind.</summary>
    public static PartRule Of(PartKind kind) => ByKind[kind];

    private static bool Anywhere(SuspensionKind suspension) => true;
}
