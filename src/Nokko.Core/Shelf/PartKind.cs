using Nokko.Core.Fitting;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Shelf;

/// <summary>What a part does in a stack.</summary>
public enum PartKind
{
    /// <summary>A plate between a strut and the body.</summary>
    StrutTopSpacer,

    /// <summary>A plate between a strut's foot and the arm.</summary>
    StrutLowerSpacer,

    /// <summary>A ring that squeezes the coil inside the strut.</summary>
    PreloadSpacer,

    /// <summary>The spring seat of a threaded strut, turned up.</summary>
    RaisedCollar,

    /// <summary>A whole strut with its coil.</summary>
    CoilOver,

    /// <summary>A ring between a coil and its seat, the shock standing by itself.</summary>
    CoilSpacer,

    /// <summary>Another coil spring.</summary>
    Coil,

    /// <summary>Another leaf pack, or one rebuilt.</summary>
    LeafPack,

    /// <summary>A block between leaf spring and axle.</summary>
    Block,

    /// <summary>A shackle of another length.</summary>
    Shackle,

    /// <summary>A puck between body and frame.</summary>
    BodyPuck,

    /// <summary>A bracket that lowers the pivots of the arms.</summary>
    DropBracket,

    /// <summary>A block between body and subframe.</summary>
    SubframeBlock,

    /// <summary>Blocks that lower the differential.</summary>
    DiffDrop,

    /// <summary>A longer bump stop, or a piece under it.</summary>
    BumpStopExtension,

    /// <summary>A shock of other lengths.</summary>
    Shock,

    /// <summary>A longer sway-bar link.</summary>
    SwayBarLink,

    /// <summary>A spacer that makes a half-shaft longer.</summary>
    HalfShaftSpacer,

    /// <summary>A tyre of another size.</summary>
    Tyre,

    /// <summary>Fitted, but nobody knows what it is.</summary>
    Unknown,
}

/// <summary>How a part acts on ride height.</summary>
public enum LiftFamily
{
    /// <summary>Not at all.</summary>
    None,

    /// <summary>The spring or strut is as much longer at ride height; the linkage multiplies it.</summary>
    Spring,

    /// <summary>As much at the wheel itself.</summary>
    Wheel,

    /// <summary>Between leaf and axle.</summary>
    Block,

    /// <summary>Longer between eye and frame.</summary>
    Shackle,

    /// <summary>The body rises over the frame.</summary>
    Puck,

    /// <summary>The tyre stands taller on the floor.</summary>
    Tyre,
}

/// <summary>What holds for every part of a kind.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Said">As said in a bay.</param>
/// <param name="Amount">What <see cref="Part.Thickness"/> means for it, or null: it has no such number.</param>
/// <param name="Family">How it acts on ride height.</param>
/// <param name="Order">Its place in the sandwich from the body down; parts of one order may lie either way.</param>
/// <param name="Sizes">Names of its further sizes.</param>
/// <param name="Orientation">Which way it must sit, and how to prove it; null where it cannot be wrong.</param>
/// <param name="OpensSpring">Whether a coil is let go or squeezed to fit it.</param>
public sealed record PartRule(
    PartKind Kind,
    string Said,
    string? Amount,
    LiftFamily Family,
    int Order,
    IReadOnlyList<string> Sizes,
    string? Orientation = null,
    bool OpensSpring = false
)
{
    private const string Thick = "Thickness";

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
            "Left and right differ on some: read the mark, and look where the reservoir or the clip points."
        ),
        new(
            PartKind.PreloadSpacer,
            "preload spacer",
            Thick,
            LiftFamily.Spring,
            40,
            [PartSizes.MaxStack],
            "Lip towards the seat, coil end against its stop.",
            true
        ),
        new(PartKind.RaisedCollar, "raised collar", "Raised by", LiftFamily.Spring, 41, [], null),
        new(
            PartKind.CoilSpacer,
            "coil spacer",
            Thick,
            LiftFamily.Spring,
            42,
            [PartSizes.FaceLean, PartSizes.MaxStack],
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
            null
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
                PartSizes.PinDiameter,
                PartSizes.SeatBore,
            ],
            "Longer half as the old pack had it; clips loose enough for the leaves to slide."
        ),
        new(
            PartKind.Shackle,
            "shackle",
            "Longer than the old one, eye to eye",
            LiftFamily.Shackle,
            47,
            [],
            "Grease nipple and crossbar as the old one had them; it must not turn over."
        ),
        new(
            PartKind.Block,
            "block",
            Thick,
            LiftFamily.Block,
            55,
            [PartSizes.Taper, PartSizes.PinDiameter, PartSizes.SeatBore],
            "Pin in its hole at both faces; a taper's thick end as the sheet says."
        ),
        new(
            PartKind.BodyPuck,
            "body puck",
            "Taller than the old mount",
            LiftFamily.Puck,
            0,
            [],
            "Crushed side and washer as the old mount had them."
        ),
        new(
            PartKind.DropBracket,
            "drop bracket",
            "Lowers the pivots by",
            LiftFamily.Wheel,
            60,
            [],
            "Left and right differ: hold it up before it is bolted."
        ),
        new(
            PartKind.SubframeBlock,
            "subframe block",
            "Lowers the subframe by",
            LiftFamily.Wheel,
            5,
            [],
            "Locating pin in its hole; front and rear blocks may differ."
        ),
        new(
            PartKind.DiffDrop,
            "differential drop",
            "Lowers the differential by",
            LiftFamily.None,
            70,
            [],
            null
        ),
        new(
            PartKind.BumpStopExtension,
            "bump-stop extension",
            "Longer by",
            LiftFamily.None,
            43,
            [],
            "It passes over the coil, or does not: put it in before the spring."
        ),
        new(
            PartKind.Shock,
            "shock",
            null,
            LiftFamily.None,
            44,
            [PartSizes.ExtendedLength, PartSizes.CollapsedLength],
            "Body or shaft up as its maker says."
        ),
        new(
            PartKind.SwayBarLink,
            "sway-bar link",
            "Longer by",
            LiftFamily.None,
            65,
            [],
            "Both connected on its wheels only."
        ),
        new(PartKind.HalfShaftSpacer, "half-shaft spacer", Thick, LiftFamily.None, 72, [], null),
        new(
            PartKind.Tyre,
            "tyre",
            null,
            LiftFamily.Tyre,
            90,
            [PartSizes.Diameter],
            "Arrow in the direction of travel."
        ),
        new(PartKind.Unknown, "unknown part", null, LiftFamily.None, 80, []),
    ];

    private static readonly Dictionary<PartKind, PartRule> ByKind = All.ToDictionary(r => r.Kind);

    /// <summary>The rule of a kind.</summary>
    public static PartRule Of(PartKind kind) => ByKind[kind];

    /// <summary>Whether parts of the kind have a place on a suspension.</summary>
    /// <param name="suspension">The suspension of the axle.</param>
    public bool Fits(SuspensionKind suspension) =>
        Kind switch
        {
            PartKind.StrutTopSpacer
            or PartKind.CoilOver
            or PartKind.PreloadSpacer
            or PartKind.RaisedCollar => suspension.HasCoilOver(),
            PartKind.StrutLowerSpacer => suspension.HasCoilOver()
                && suspension != SuspensionKind.Strut,
            // On A-arms over a leaf across, a pad between leaf and arm does what a coil spacer does.
            PartKind.CoilSpacer => !suspension.HasCoilOver() && !suspension.IsLeaf(),
            PartKind.Coil => suspension.HasCoil(),
            PartKind.LeafPack or PartKind.Block or PartKind.Shackle => suspension.IsLeaf(),
            PartKind.DropBracket => suspension.HasArms(),
            PartKind.SubframeBlock => suspension
                is SuspensionKind.Strut
                    or SuspensionKind.MultiLink,
            PartKind.DiffDrop or PartKind.HalfShaftSpacer => !suspension.IsLiveAxle(),
            PartKind.Shock => !suspension.HasCoilOver(),
            _ => true,
        };
}
