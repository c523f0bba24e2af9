using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>The joints of one axle.</summary>
internal static partial class AxleGraph
{
    public static IEnumerable<GraphJoint> Of(Vehicle vehicle, Axle axle)
    {
        var (kind, medium) = (vehicle.SuspensionOf(axle).Kind, vehicle.SuspensionOf(axle).Medium);
        GraphJoint[] joints =
        [
            .. kind.IsLiveAxle() ? LiveAxle(axle, kind) : [],
            .. kind.IsLiveAxle() ? [] : Independent(vehicle, axle, kind),
            .. Middle(axle),
            .. Corners.Of(axle).SelectMany(c => Corner(c, kind)),
            .. axle == Axle.Front && PartRule.Of(PartKind.SteeringStops).FitsOn(kind)
                ? (GraphJoint[])[Stops(axle.Said())]
                : [],
        ];
        return medium == SpringMedium.Air ? OnAir(joints, axle) : joints;
    }

    private static GraphJoint Stops(string where) =>
        new()
        {
            Where = where,
            Name = Names.SteeringStops,
            Kind = JointKind.PlainBolt,
            Rank = 28,
            Fasteners = [Fasteners.Of("lock nuts of both stops", 2)],
            Undo = "the lock nuts of both steering stops loosened",
            Home = "both locks: the wheel meets its stop before the tyre meets anything",
            Off = [],
        };

    /// <summary>What every corner has, however it is sprung.</summary>
    private static IEnumerable<GraphJoint> Corner(Corner c, SuspensionKind kind)
    {
        var where = c.Name();
        var carrier = Carrier(kind);
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.Wheel,
            Kind = JointKind.Wheel,
            Rank = 0,
            Fasteners = [Fasteners.Of("wheel nuts", 6)],
            Order = "criss-cross",
            Undo = "wheel nuts off, the wheel marked with its corner",
            Off = [$"Wheel {c} and its nuts"],
            Tools = ["wheel-nut wrench"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.WheelSpacer,
            Kind = JointKind.Clamped,
            Rank = 1,
            Fasteners = [Fasteners.Of("nuts of the spacer", 6)],
            Order = "criss-cross",
            Undo = "the spacer's nuts off, the spacer off the hub",
            Home = "flat on the hub without rocking; torqued before the wheel hides its nuts",
            Off = [],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.Hose,
            Kind = JointKind.Bracket,
            Rank = 5,
            Undo = $"the brake-hose bracket off, so that the hose follows the {carrier}",
            Home = "hose not twisted, slack at droop and at both locks",
            Off = [$"{c} brake-hose bracket bolt"],
            Tools = ["small sockets"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.Lead,
            Kind = JointKind.Bracket,
            Rank = 6,
            Undo = "the sensor lead out of its clips",
            Home = "the lead in every clip, clear of wheel and coil",
            Off = [$"{c} sensor-lead clips"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.SwayLink(kind),
            Kind = JointKind.SwayBarLink,
            Rank = 20,
            Fasteners = [Fasteners.Of("link nut", 1, newOnly: true)],
            Undo = "the sway-bar link's nut off (hold the pin, turn the nut)",
            Home = "the link's bolt passes by hand at ride height, or it waits until it does",
            Off = [$"{c} sway-bar link nut"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.SwayLinkBar,
            Kind = JointKind.SwayBarLink,
            Rank = 21,
            Fasteners = [Fasteners.Of("link nut", 1, newOnly: true)],
            Undo = "the link's upper nut off",
            Off = [$"{c} sway-bar link"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.HoseUnion,
            Kind = JointKind.Union,
            Rank = 30,
            Fasteners = [Fasteners.Of("union and copper washers", 1, newOnly: true)],
            Undo = "the hose's union undone over a tray, line and caliper plugged",
            Home = "new washers, then bled until the pedal is hard, and no leak under the pedal",
            Off = [$"{c} brake hose"],
            Tools = ["flare-nut wrench", "plugs, tray and brake fluid"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.Caliper,
            Kind = JointKind.CaliperBolts,
            Rank = 31,
            Holds =
            [
                new(
                    new(MemberKind.Caliper, where),
                    kind.IsLiveAxle()
                        ? new(MemberKind.Axle, Corners.AxleOf(c).Said())
                        : Hub(c, kind),
                    Holds.Carries
                ),
            ],
            Fasteners = [Fasteners.Of("caliper bolts", 2)],
            Undo = "the caliper's bolts out, the caliper on its hook",
            Home = "hose not twisted",
            Off = [$"{c} caliper bolts"],
        };
        yield return new GraphJoint
        {
            Where = where,
            Name = Names.BumpStop,
            Kind = JointKind.Clamped,
            Rank = 69,
            Fasteners = [Fasteners.Of("bump-stop bolt", 1)],
            Undo = "the bump stop off",
            Off = [$"{c} bump stop"],
        };
    }

    /// <summary>A tapered pin with a castle nut, parted with a separator.</summary>
    private static GraphJoint CastleNut(
        string where,
        string name,
        int rank,
        string undo,
        string off
    ) =>
        new()
        {
            Where = where,
            Name = name,
            Kind = JointKind.Ball,
            Rank = rank,
            Fasteners = [Fasteners.Of("castle nut and cotter pin", 1, newOnly: true)],
            Undo = undo,
            Home = "boot whole; the nut goes forward to the pin's next hole, never back",
            Off = [$"{where} {off} nut and cotter pin"],
            Tools = ["ball-joint separator"],
        };

    /// <summary>What a wheel of an independent corner turns in.</summary>
    internal static Member Hub(Corner c, SuspensionKind kind) =>
        new(
            kind == SuspensionKind.TrailingArm ? MemberKind.TrailingArm : MemberKind.Upright,
            c.Name()
        );

    /// <summary>What goes down with the wheel, as said.</summary>
    internal static string Carrier(SuspensionKind kind) =>
        kind.IsLiveAxle() ? "axle"
        : kind == SuspensionKind.Strut ? "upright"
        : kind == SuspensionKind.TrailingArm ? "trailing arm"
        : "arm";
}

/// <summary>Fasteners of the usual set.</summary>
internal static class Fasteners
{
    public static Fastener Of(string position, int count, bool newOnly = false) =>
        new()
        {
            Position = position,
            Count = count,
            NewPartOnly = newOnly,
        };
}

/// <summary>Names of joints, each in one place.</summary>
internal static class Names
{
    public const string Wheel = "wheel to hub";
    public const string WheelSpacer = "wheel spacer to hub";
    public const string Hose = "brake-hose bracket";
    public const string Lead = "sensor-lead clips";
    public const string HoseUnion = "brake-hose union";
    public const string Caliper = "caliper to upright";
    public const string BumpStop = "bump stop to its seat";
    public const string SwayLinkBar = "sway-bar link to bar";
    public const string StrutTop = "strut top plate to body";
    public const string PlateTop = "strut spacer to body";
    public const string StrutClamp = "strut clamp to upright";
    public const string CentreNut = "strut centre nut";
    public const string Collar = "spring-collar lock ring";
    public const string Adjuster = "torsion-bar adjuster";
    public const string TorsionKey = "torsion-bar key";
    public const string AirLine = "air line to spring";
    public const string UpperBall = "upper ball joint to upright";
    public const string LowerBall = "lower ball joint to upright";
    public const string LowerBracket = "lower ball-joint bracket to arm";
    public const string UpperPivots = "upper arm pivots";
    public const string LowerPivots = "lower arm pivots";
    public const string ArmPivot = "trailing-arm pivot";
    public const string TieRod = "tie-rod end to upright";
    public const string AxleNut = "axle nut";
    public const string HalfShaft = "half-shaft to differential";
    public const string Seat = "spring seats";
    public const string LowerShock = "lower shock mount";
    public const string UpperShock = "upper shock mount";
    public const string LinkBolt = "lower link to upright";
    public const string UpperLink = "upper links to upright";
    public const string LeafEnd = "leaf end to arm";
    public const string UBolts = "spring to axle";
    public const string FixedEye = "spring eye to frame";
    public const string ShackleFrame = "shackle to frame";
    public const string ShackleEye = "shackle to spring";
    public const string CentreBolt = "leaf centre bolt and clips";
    public const string LowerLinkAxle = "lower link to axle";
    public const string UpperLinkAxle = "upper link to axle";
    public const string LowerLinkFrame = "lower link to frame";
    public const string UpperLinkFrame = "upper link to frame";
    public const string LinkBracket = "radius-arm or link bracket to frame";
    public const string RadiusAxle = "radius arm to axle";
    public const string RadiusFrame = "radius arm to frame";
    public const string TrackBarAxle = "track bar to axle";
    public const string TrackBarFrame = "track bar to frame";
    public const string TrackBarBracket = "track-bar bracket";
    public const string DragLinkWheel = "drag link to knuckle";
    public const string DragLinkPitman = "drag link to pitman arm";
    public const string Pitman = "pitman arm to steering box";
    public const string SteeringStops = "steering stops";
    public const string PropshaftAxle = "propshaft to axle";
    public const string CarrierBearing = "propshaft carrier bearing";
    public const string LevelSensor = "level-sensor link";
    public const string Damper = "steering damper ends";
    public const string Breather = "axle breather and cables";
    public const string Diff = "differential mounts";
    public const string DiffBreather = "differential breather and plug";
    public const string DiffFlange = "propshaft to differential";
    public const string Subframe = "subframe bolts";
    public const string SteeringShaft = "steering shaft to steering box";
    public const string BodyLines = "body straps, hoses, wires and filler";
    public const string CrossMember = "cross member to frame";

    private const string SwayLinkTo = "sway-bar link to ";

    /// <summary>Whether a joint that holds nothing heavy meets an arm, an upright or a spring: another suspension brings its own.</summary>
    public static bool LeadsToSuspension(string name) =>
        name is TieRod or AxleNut or TorsionKey or Seat or AirLine
        || (name != SwayLinkBar && name.StartsWith(SwayLinkTo, StringComparison.Ordinal));

    /// <summary>The foot of a strut or coil-over.</summary>
    public static string StrutFoot(SuspensionKind kind) =>
        kind switch
        {
            SuspensionKind.TrailingArm => "strut foot to trailing arm",
            SuspensionKind.CoilOverAxle => "strut foot to axle",
            _ => "strut foot to lower arm",
        };

    /// <summary>The foot of a sway-bar link.</summary>
    public static string SwayLink(SuspensionKind kind) => $"{SwayLinkTo}{AxleGraph.Carrier(kind)}";
}
