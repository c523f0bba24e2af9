using System.Text.Json.Serialization;
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

    /// <summary>The adjuster of a torsion bar, turned.</summary>
    TorsionAdjuster,

    /// <summary>A whole strut with its coil.</summary>
    CoilOver,

    /// <summary>A ring between a coil and its seat, the shock standing by itself.</summary>
    CoilSpacer,

    /// <summary>Another coil spring.</summary>
    Coil,

    /// <summary>Another air spring.</summary>
    AirSpring,

    /// <summary>Another leaf pack, or one rebuilt.</summary>
    LeafPack,

    /// <summary>A block between leaf spring and axle.</summary>
    Block,

    /// <summary>A shackle of another length.</summary>
    Shackle,

    /// <summary>A puck between body and frame.</summary>
    BodyPuck,

    /// <summary>A new body mount in place of an old one.</summary>
    BodyMount,

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

    /// <summary>A track bar of another length, or an adjustable one.</summary>
    TrackBar,

    /// <summary>A bracket that moves a track bar's pivot.</summary>
    TrackBarBracket,

    /// <summary>An upper arm, or an upper link.</summary>
    UpperArm,

    /// <summary>A lower arm, a lower link or a radius arm.</summary>
    LowerArm,

    /// <summary>An upright whose hub sits lower on its ball joints.</summary>
    Upright,

    /// <summary>A bush whose hole is off its middle: it turns the axle.</summary>
    CasterBush,

    /// <summary>A bracket that lowers the frame's ends of radius arms or links: it turns the axle back.</summary>
    LinkBracket,

    /// <summary>A tapered shim between leaf and axle.</summary>
    AxleShim,

    /// <summary>U-bolts of another length, or new ones.</summary>
    UBolts,

    /// <summary>A cross member that carries arms or differential.</summary>
    CrossMember,

    /// <summary>A steering damper.</summary>
    SteeringDamper,

    /// <summary>A drag link of another length or shape.</summary>
    DragLink,

    /// <summary>A pitman arm that reaches further down.</summary>
    PitmanArm,

    /// <summary>Steering stops set earlier.</summary>
    SteeringStops,

    /// <summary>A propshaft, or its carrier bearing moved.</summary>
    Propshaft,

    /// <summary>A link of a level sensor, longer or adjustable.</summary>
    LevelSensorLink,

    /// <summary>A longer brake hose.</summary>
    BrakeHose,

    /// <summary>A bracket that gives a brake hose or a lead more reach.</summary>
    BrakeHoseBracket,

    /// <summary>A plate between hub and wheel: the wheel stands further out.</summary>
    WheelSpacer,

    /// <summary>A tyre of another size.</summary>
    Tyre,

    /// <summary>Fitted, but nobody knows what it is.</summary>
    Unknown,

    /// <summary>A boxed set of parts; its pieces stand in stacks, never it itself.</summary>
    Kit,
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

    /// <summary>By turns of a torsion bar's adjuster.</summary>
    Adjuster,

    /// <summary>By the link of the sensor that holds an axle's height.</summary>
    Sensor,

    /// <summary>The body rises over the frame.</summary>
    Puck,

    /// <summary>The tyre stands taller on the floor.</summary>
    Tyre,
}

/// <summary>What families of parts have in common.</summary>
public static class LiftFamilies
{
    /// <summary>Whether it acts through the springs, so that a controller that holds the axle's height undoes it.</summary>
    public static bool ThroughSprings(this LiftFamily family) =>
        family
            is LiftFamily.Spring
                or LiftFamily.Wheel
                or LiftFamily.Block
                or LiftFamily.Shackle
                or LiftFamily.Adjuster;

    /// <summary>The family as said in a bay.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no family.</exception>
    public static string Said(this LiftFamily family) =>
        family switch
        {
            LiftFamily.None => "several kinds at once",
            LiftFamily.Spring => "plates, rings and coil-overs",
            LiftFamily.Wheel => "what acts at the wheel itself",
            LiftFamily.Block => "blocks",
            LiftFamily.Shackle => "shackles",
            LiftFamily.Adjuster => "turned adjusters",
            LiftFamily.Sensor => "sensor links",
            LiftFamily.Puck => "body pucks and mounts",
            LiftFamily.Tyre => "tyres",
            _ => throw new ArgumentOutOfRangeException(nameof(family), family, "No family."),
        };
}

/// <summary>How a part's own numbers become a change of its corner.</summary>
public enum PartActs
{
    /// <summary>It has no part in ride height.</summary>
    Not,

    /// <summary>Nobody can tell.</summary>
    Untold,

    /// <summary>By its amount, in its family.</summary>
    ByAmount,

    /// <summary>By its amount, inside the strut or between coil and seat: the spring feels it, the strut's length does not.</summary>
    ByAmountInside,

    /// <summary>Like that, less what its leaning face takes.</summary>
    ByAmountInsideLeaning,

    /// <summary>By what it is thicker than the crushed mount that it replaces.</summary>
    ByRenewal,

    /// <summary>It lowers pivots: the wheel follows, and the strut is too short by its own share.</summary>
    ByLoweredPivots,

    /// <summary>As another coil at the load that it carries.</summary>
    AsCoil,

    /// <summary>As another pack of leaves at the load that it carries.</summary>
    AsLeaves,

    /// <summary>By its amount where one is known, else by what its maker designed it for.</summary>
    ByAmountOrDesign,

    /// <summary>By turns of a torsion bar's adjuster.</summary>
    ByTurns,

    /// <summary>By the length of a sensor's link, on an axle whose height is held.</summary>
    BySensorLink,

    /// <summary>By the difference of diameters, for heights from the floor.</summary>
    ByDiameter,
}
