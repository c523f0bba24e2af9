using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>What hands do so that a part comes or goes.</summary>
public enum OperationKind
{
    /// <summary>Wheel or tyre only.</summary>
    Wheel,

    /// <summary>Shock.</summary>
    Shock,

    /// <summary>Strut or coil-over out and in.</summary>
    Strut,

    /// <summary>Foot of a coil-over, its top left on.</summary>
    StrutFoot,

    /// <summary>Plate on top of a strut.</summary>
    TopPlate,

    /// <summary>Strut opened: preload ring, spring.</summary>
    StrutOpened,

    /// <summary>Collar turned on the vehicle.</summary>
    Collar,

    /// <summary>A torsion bar's adjuster turned.</summary>
    TorsionAdjuster,

    /// <summary>Coils on a live axle.</summary>
    CoilsOnAxle,

    /// <summary>Separate coil on an arm or link, or the end of a leaf across.</summary>
    SpringOnArm,

    /// <summary>Bump stop.</summary>
    BumpStop,

    /// <summary>Block, shim or U-bolts.</summary>
    Block,

    /// <summary>Shackle.</summary>
    Shackle,

    /// <summary>Leaf pack.</summary>
    LeafPack,

    /// <summary>Differential lowered.</summary>
    Differential,

    /// <summary>Brackets that lower arm pivots.</summary>
    DropBracket,

    /// <summary>Cross member.</summary>
    CrossMember,

    /// <summary>Subframe blocks.</summary>
    Subframe,

    /// <summary>Upper arm or link.</summary>
    UpperArm,

    /// <summary>Lower arm or link.</summary>
    LowerArm,

    /// <summary>Upright or spindle.</summary>
    Upright,

    /// <summary>Track bar.</summary>
    TrackBar,

    /// <summary>Bracket of a track bar.</summary>
    TrackBarBracket,

    /// <summary>Sway-bar links.</summary>
    SwayBarLinks,

    /// <summary>Bushes of radius arms or links that turn the axle.</summary>
    CasterBush,

    /// <summary>Brackets that lower the frame's ends of radius arms or links.</summary>
    LinkBracket,

    /// <summary>Body mounts and pucks.</summary>
    BodyMounts,

    /// <summary>Steering damper.</summary>
    SteeringDamper,

    /// <summary>Drag link.</summary>
    DragLink,

    /// <summary>Pitman arm.</summary>
    PitmanArm,

    /// <summary>Steering stops set.</summary>
    SteeringStops,

    /// <summary>Plate between hub and wheel.</summary>
    WheelSpacer,

    /// <summary>Propshaft or its carrier bearing.</summary>
    Propshaft,

    /// <summary>Link of a level sensor.</summary>
    LevelSensorLink,

    /// <summary>Brake hose.</summary>
    BrakeHose,

    /// <summary>Bracket of a brake hose or lead.</summary>
    HoseBracket,

    /// <summary>Half-shaft spacer.</summary>
    HalfShaft,

    /// <summary>Nobody knows what this part opens.</summary>
    Unknown,

    /// <summary>All of an axle's suspension out, another one in.</summary>
    Conversion,
}

/// <summary>What must be looked at or set again afterwards.</summary>
[Flags]
public enum Disturbs
{
    /// <summary>Nothing.</summary>
    Nothing = 0,

    /// <summary>Toe, camber or caster.</summary>
    Alignment = 1,

    /// <summary>Brakes were opened or hung.</summary>
    Brakes = 2,

    /// <summary>Steering was parted or its wheel's middle moves.</summary>
    Steering = 4,

    /// <summary>Battery off: airbag, clock, windows.</summary>
    Battery = 8,

    /// <summary>Sensors were unclipped.</summary>
    Sensors = 16,
}

/// <summary>How the two sides of an axle are worked on.</summary>
public enum Spread
{
    /// <summary>Each side by itself; a shop may open both together.</summary>
    EachSide,

    /// <summary>One side out, the other in; neither is final before both are in.</summary>
    OneSide,

    /// <summary>Both sides open, then both in.</summary>
    Together,
}

/// <summary>One operation on one vehicle.</summary>
public sealed record Operation
{
    /// <summary>What is done.</summary>
    public required OperationKind Kind { get; init; }

    /// <summary>LF, RF, LR, RR, front, rear or vehicle.</summary>
    public required string Where { get; init; }

    /// <summary>Places of the joints that it opens.</summary>
    public IReadOnlyList<string> Opens { get; init; } = [];

    /// <summary>Places of joints that it loosens, so that rubber can turn.</summary>
    public IReadOnlyList<string> Loosens { get; init; } = [];

    /// <summary>Joints that are there only afterwards.</summary>
    public IReadOnlyList<string> Makes { get; init; } = [];

    /// <summary>Joints that are there only before.</summary>
    public IReadOnlyList<string> Ends { get; init; } = [];

    /// <summary>What leaves the vehicle for a while.</summary>
    public IReadOnlyList<Member> Out { get; init; } = [];

    /// <summary>Places that must be open too before what leaves comes free.</summary>
    public IReadOnlyList<string> OutAfter { get; init; } = [];

    /// <summary>Marks to make before anything is undone.</summary>
    public IReadOnlyList<string> Marks { get; init; } = [];

    /// <summary>What to watch while its last joint comes apart.</summary>
    public IReadOnlyList<string> Watch { get; init; } = [];

    /// <summary>How the change itself is made.</summary>
    public IReadOnlyList<string> Work { get; init; } = [];

    /// <summary>Why it cannot be taken back, or null.</summary>
    public string? Irreversible { get; init; }

    /// <summary>What is cut, where that follows from the plan.</summary>
    public PlannedCut? Cut { get; init; }

    /// <summary>What is tried before it, and how it is made, where that is known better than in general; null in general.</summary>
    public string? TrialFit { get; init; }

    /// <summary>Whether its part is one for the axle, whichever corner it was placed at.</summary>
    public bool OnceAnAxle =>
        Kind
            is OperationKind.TrackBar
                or OperationKind.TrackBarBracket
                or OperationKind.Differential
                or OperationKind.CrossMember
                or OperationKind.SteeringDamper
                or OperationKind.DragLink
                or OperationKind.PitmanArm
                or OperationKind.SteeringStops
                or OperationKind.Propshaft
                or OperationKind.LevelSensorLink
                or OperationKind.Conversion;

    /// <summary>What must be set or looked at afterwards.</summary>
    public Disturbs Disturbs { get; init; }

    /// <summary>How the sides are worked on.</summary>
    public Spread Spread { get; init; }

    /// <summary>Whether the wheel comes off.</summary>
    public bool WheelOff { get; init; } = true;

    /// <summary>Whether the vehicle is raised.</summary>
    public bool Raised { get; init; } = true;

    /// <summary>Usual minutes, a rule of thumb: taking apart, the change, bringing home.</summary>
    public (int Open, int Work, int Home) Minutes { get; init; }

    /// <summary>People needed.</summary>
    public int People { get; init; } = 1;

    /// <summary>Tools beside those of its joints.</summary>
    public IReadOnlyList<string> Tools { get; init; } = [];
}
