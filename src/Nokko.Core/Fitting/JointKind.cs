namespace Nokko.Core.Fitting;

/// <summary>What holds a joint together, which decides when it may be final.</summary>
public enum JointKind
{
    /// <summary>Through bolt in bonded rubber: it twists as the suspension moves.</summary>
    BondedRubber,

    /// <summary>Ball joint with a taper.</summary>
    Ball,

    /// <summary>Clamped faces.</summary>
    Clamped,

    /// <summary>Wheel nuts or bolts.</summary>
    Wheel,

    /// <summary>U-bolts around an axle.</summary>
    UBolt,

    /// <summary>Plate with studs.</summary>
    StudPlate,

    /// <summary>Through bolt, plain or spherical.</summary>
    PlainBolt,

    /// <summary>Spring eye or shackle bolt in rubber.</summary>
    SpringEye,

    /// <summary>Clamp on splines.</summary>
    SplinedClamp,

    /// <summary>Nut of an axle shaft in its hub.</summary>
    AxleNut,

    /// <summary>Centre nut of a strut: it holds the spring.</summary>
    CentreNut,

    /// <summary>Pinch bolts.</summary>
    PinchBolt,

    /// <summary>Caliper bolts.</summary>
    CaliperBolts,

    /// <summary>Hydraulic union.</summary>
    Union,

    /// <summary>Rod end with its jam nut.</summary>
    RodEnd,

    /// <summary>Cushion of a body, a subframe or a differential.</summary>
    Cushion,

    /// <summary>Sway-bar link: both sides together at ride height.</summary>
    SwayBarLink,

    /// <summary>Seat of a spring that only rests.</summary>
    Seat,

    /// <summary>Threaded plug.</summary>
    Plug,

    /// <summary>Bracket or clip of something that bends.</summary>
    Bracket,
}

/// <summary>When a joint may be final.</summary>
public enum FinalAt
{
    /// <summary>As soon as it is snug, hanging or not.</summary>
    Snug,

    /// <summary>At ride height: on its wheels, or the hub raised on its arm to the taped height.</summary>
    RideHeight,

    /// <summary>On the ground.</summary>
    Ground,

    /// <summary>While it hangs: before its bearing carries, or while the coil is held.</summary>
    Hanging,
}

/// <summary>What follows from the kind of a joint.</summary>
/// <remarks>Source: docs/computation/job-card.md#when-a-joint-may-be-final.</remarks>
public static class JointKinds
{
    /// <summary>When it may be final.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no kind.</exception>
    public static FinalAt Final(this JointKind kind) =>
        kind switch
        {
            JointKind.BondedRubber
            or JointKind.SpringEye
            or JointKind.SwayBarLink
            or JointKind.Seat
            or JointKind.Cushion => FinalAt.RideHeight,
            JointKind.Wheel or JointKind.UBolt => FinalAt.Ground,
            JointKind.AxleNut or JointKind.CentreNut => FinalAt.Hanging,
            JointKind.Ball
            or JointKind.Clamped
            or JointKind.StudPlate
            or JointKind.PlainBolt
            or JointKind.SplinedClamp
            or JointKind.PinchBolt
            or JointKind.CaliperBolts
            or JointKind.Union
            or JointKind.RodEnd
            or JointKind.Plug
            or JointKind.Bracket => FinalAt.Snug,
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No joint."),
        };

    /// <summary>Whether it has no torque: it is looked at, and what is seen closes it.</summary>
    public static bool IsLookedAt(this JointKind kind) =>
        kind is JointKind.Seat or JointKind.Bracket;

    /// <summary>Whether rubber in it twists when the height changes.</summary>
    public static bool Twists(this JointKind kind) =>
        kind is JointKind.BondedRubber or JointKind.SpringEye;

    /// <summary>The kind as said in a bay, and when it may be final.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no kind.</exception>
    public static string Said(this JointKind kind) =>
        kind switch
        {
            JointKind.BondedRubber => "bonded rubber: final at ride height only",
            JointKind.Ball =>
                "ball joint: may be final hanging; a castle nut goes forward to the next hole, never back",
            JointKind.Clamped => "clamped faces: may be final hanging",
            JointKind.Wheel => "wheel: final on the ground, criss-cross",
            JointKind.UBolt => "U-bolts: final with the axle loaded, criss-cross in steps",
            JointKind.StudPlate => "stud plate: may be final hanging, in even rounds",
            JointKind.PlainBolt => "plain bolt: may be final hanging",
            JointKind.SpringEye => "spring eye in rubber: final at ride height only",
            JointKind.SplinedClamp => "clamp on splines: may be final hanging",
            JointKind.AxleNut => "axle nut: final before its bearing carries",
            JointKind.CentreNut => "centre nut: final while the coil is held",
            JointKind.PinchBolt => "pinch bolts: may be final hanging",
            JointKind.CaliperBolts => "caliper bolts: may be final hanging",
            JointKind.Union => "hydraulic union: final, bled and dry before it moves",
            JointKind.RodEnd => "rod end with its jam nut: may be final hanging",
            JointKind.Cushion => "cushion: final with its member's weight on it",
            JointKind.SwayBarLink => "sway-bar link: both sides together at ride height",
            JointKind.Seat => "seat: looked at, both ends, again at ride height",
            JointKind.Plug => "threaded plug: may be final hanging",
            JointKind.Bracket => "bracket or clip: looked at, nothing pulls or chafes",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No joint."),
        };
}
