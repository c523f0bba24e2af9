using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>From where a suspension is drawn.</summary>
public enum PlaneView
{
    /// <summary>From the front or rear: across from the middle of the vehicle, and up.</summary>
    Across,

    /// <summary>From the side: along from the wheel centre towards the arm's pivot, and up.</summary>
    Along,
}

/// <summary>A point of an archetype.</summary>
/// <param name="Name">Its name in files.</param>
/// <param name="Label">As said in a bay.</param>
/// <param name="At">Where it lies on an invented suspension of the kind, mm.</param>
public sealed record ArchetypePoint(string Name, string Label, PlanePoint At);

/// <summary>A bar of an archetype's drawing.</summary>
/// <param name="From">Name of a point.</param>
/// <param name="To">Name of a point.</param>
/// <param name="Spring">Whether it is the spring or strut.</param>
public sealed record ArchetypeBar(string From, string To, bool Spring = false);

/// <summary>An invented, plausible suspension of one kind: its points, the lengths that fit it to a vehicle, and what to draw.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="View">From where its points are seen.</param>
/// <param name="Points">Points at ride height.</param>
/// <param name="Lengths">Names of the sizes that scale it, of which one is enough.</param>
/// <param name="Bars">What to draw.</param>
public sealed record Archetype(
    SuspensionKind Kind,
    PlaneView View,
    IReadOnlyList<ArchetypePoint> Points,
    IReadOnlyList<string> Lengths,
    IReadOnlyList<ArchetypeBar> Bars
)
{
    private const string LowerPivot = "lowerPivot";
    private const string LowerBallJoint = "lowerBallJoint";
    private const string UpperPivot = "upperPivot";
    private const string UpperBallJoint = "upperBallJoint";
    private const string StrutFoot = "strutFoot";
    private const string StrutTop = "strutTop";
    private const string WheelCentre = "wheelCentre";
    private const string ArmPivot = "armPivot";
    private const string LowerAxleJoint = "lowerAxleJoint";
    private const string UpperAxleJoint = "upperAxleJoint";

    private static readonly ArchetypeBar[] WishboneBars =
    [
        new(LowerPivot, LowerBallJoint),
        new(UpperPivot, UpperBallJoint),
        new(LowerBallJoint, UpperBallJoint),
        new(StrutFoot, StrutTop, true),
    ];

    private static readonly string[] ArmLengths =
    [
        SuspensionSizes.ArmLength,
        SuspensionSizes.FootDistance,
        SuspensionSizes.SpringLean,
    ];

    private static readonly string[] LeanOnly = [SuspensionSizes.SpringLean];

    private static readonly Dictionary<SuspensionKind, Archetype> All = new Archetype[]
    {
        new(
            SuspensionKind.CoilOverArm,
            PlaneView.Across,
            [
                new(LowerPivot, "Lower arm, inner pivot", new(230, 250)),
                new(LowerBallJoint, "Lower ball joint", new(620, 215)),
                new(UpperPivot, "Upper arm, inner pivot", new(330, 585)),
                new(UpperBallJoint, "Upper ball joint", new(600, 560)),
                new(StrutFoot, "Strut foot", new(455, 245)),
                new(StrutTop, "Strut top", new(405, 770)),
                new(WheelCentre, "Wheel centre", new(690, 385)),
            ],
            ArmLengths,
            WishboneBars
        ),
        new(
            SuspensionKind.MultiLink,
            PlaneView.Across,
            [
                new(LowerPivot, "Lower link, inner pivot", new(180, 300)),
                new(LowerBallJoint, "Lower link, outer joint", new(640, 285)),
                new(UpperPivot, "Upper link, inner pivot", new(330, 470)),
                new(UpperBallJoint, "Upper link, outer joint", new(610, 480)),
                new(StrutFoot, "Coil on the lower link", new(505, 300)),
                new(StrutTop, "Coil on the body", new(485, 560)),
                new(WheelCentre, "Wheel centre", new(740, 345)),
            ],
            ArmLengths,
            WishboneBars
        ),
        new(
            SuspensionKind.TransverseLeaf,
            PlaneView.Across,
            [
                new(LowerPivot, "Lower arm, inner pivot", new(150, 190)),
                new(LowerBallJoint, "Lower ball joint", new(470, 175)),
                new(UpperPivot, "Upper arm, inner pivot", new(190, 300)),
                new(UpperBallJoint, "Upper ball joint", new(455, 305)),
                new(StrutFoot, "Leaf's end on the arm", new(345, 195)),
                new(StrutTop, "Straight above it on the frame", new(345, 395)),
                new(WheelCentre, "Wheel centre", new(540, 255)),
            ],
            [SuspensionSizes.ArmLength, SuspensionSizes.FootDistance],
            WishboneBars
        ),
        new(
            SuspensionKind.Strut,
            PlaneView.Across,
            [
                new(LowerPivot, "Lower arm, inner pivot", new(320, 230)),
                new(LowerBallJoint, "Ball joint", new(690, 205)),
                new(StrutFoot, "Strut, middle of its clamp", new(640, 390)),
                new(StrutTop, "Strut top", new(585, 880)),
                new(WheelCentre, "Wheel centre", new(750, 330)),
            ],
            [SuspensionSizes.ArmLength, SuspensionSizes.SpringLean],
            [
                new(LowerPivot, LowerBallJoint),
                new(LowerBallJoint, StrutFoot),
                new(StrutFoot, StrutTop, true),
            ]
        ),
        new(
            SuspensionKind.TrailingArm,
            PlaneView.Along,
            [
                new(ArmPivot, "Arm pivot", new(620, 330)),
                new(StrutFoot, "Coil-over on the arm", new(170, 330)),
                new(StrutTop, "Coil-over on the frame", new(260, 720)),
                new(WheelCentre, "Wheel centre", new(0, 300)),
            ],
            ArmLengths,
            [new(ArmPivot, WheelCentre), new(StrutFoot, StrutTop, true)]
        ),
        new(
            SuspensionKind.CoilRadiusArm,
            PlaneView.Along,
            [
                new(ArmPivot, "Radius arm pivot", new(900, 440)),
                new(StrutFoot, "Coil on the arm or axle", new(30, 460)),
                new(StrutTop, "Coil on the frame", new(25, 760)),
                new(WheelCentre, "Wheel centre", new(0, 380)),
            ],
            ArmLengths,
            [new(ArmPivot, WheelCentre), new(StrutFoot, StrutTop, true)]
        ),
        new(
            SuspensionKind.CoilFourLink,
            PlaneView.Along,
            [
                new(LowerPivot, "Lower link on the frame", new(780, 410)),
                new(LowerAxleJoint, "Lower link on the axle", new(20, 330)),
                new(UpperPivot, "Upper link on the frame", new(520, 560)),
                new(UpperAxleJoint, "Upper link on the axle", new(-30, 520)),
                new(StrutFoot, "Coil on the axle", new(0, 470)),
                new(StrutTop, "Coil on the frame", new(15, 790)),
                new(WheelCentre, "Wheel centre", new(0, 385)),
            ],
            LeanOnly,
            [
                new(LowerPivot, LowerAxleJoint),
                new(UpperPivot, UpperAxleJoint),
                new(LowerAxleJoint, UpperAxleJoint),
                new(StrutFoot, StrutTop, true),
            ]
        ),
        new(
            SuspensionKind.CoilOverAxle,
            PlaneView.Across,
            [
                new(StrutFoot, "Coil-over on the axle", new(480, 350)),
                new(StrutTop, "Coil-over on the frame", new(400, 760)),
                new(WheelCentre, "Wheel centre", new(720, 360)),
            ],
            LeanOnly,
            [new(StrutFoot, WheelCentre), new(StrutFoot, StrutTop, true)]
        ),
    }.ToDictionary(a => a.Kind);

    /// <summary>Kinds that have one: all but leaf springs along the vehicle and torsion bars, whose laws need no points.</summary>
    public static IReadOnlyCollection<SuspensionKind> Kinds => All.Keys;

    /// <summary>The archetype of a kind, or null: leaf springs and torsion bars need none.</summary>
    public static Archetype? Of(SuspensionKind kind) => All.GetValueOrDefault(kind);

    /// <summary>The linkage of points that carry these names, in the order of <see cref="Points"/>.</summary>
    /// <param name="p">As many points as <see cref="Points"/> has.</param>
    public ILinkage Linkage(IReadOnlyList<PlanePoint> p) =>
        Kind switch
        {
            SuspensionKind.CoilOverArm
            or SuspensionKind.MultiLink
            or SuspensionKind.TransverseLeaf => new DoubleWishbone(
                new(p[0], p[1], p[2], p[3], p[4], p[5], p[6])
            ),
            SuspensionKind.Strut => new StrutLinkage(new(p[0], p[1], p[2], p[3], p[4])),
            SuspensionKind.TrailingArm or SuspensionKind.CoilRadiusArm => new SwingArm(
                new(p[0], p[1], p[2], p[3])
            ),
            SuspensionKind.CoilFourLink => new FourLink(
                new(p[0], p[1], p[2], p[3], p[4], p[5], p[6])
            ),
            SuspensionKind.CoilOverAxle => new AxleSpring(p[0], p[1]),
            _ => throw new InvalidOperationException("No archetype has this kind."),
        };

    /// <summary>The archetype's points fitted to what was taped of an arm: one length or angle is enough, more fit it better.</summary>
    /// <param name="armMm">Pivot to outer joint, or to the wheel centre, mm; null keeps the archetype's.</param>
    /// <param name="footMm">Pivot to the spring's foot along the arm, mm; null keeps the archetype's share.</param>
    /// <param name="leanDegrees">Lean of the spring from the vertical, °; null keeps the archetype's.</param>
    public IReadOnlyList<PlanePoint> Scaled(double? armMm, double? footMm, double? leanDegrees)
    {
        var by = Points.ToDictionary(p => p.Name, p => p.At);
        var pivot = by.GetValueOrDefault(LowerPivot, by.GetValueOrDefault(ArmPivot));
        var end = by.GetValueOrDefault(LowerBallJoint, by[WheelCentre]);
        var hasArm = by.ContainsKey(LowerPivot) || by.ContainsKey(ArmPivot);
        if (hasArm && armMm is { } arm)
        {
            var factor = arm / (end - pivot).Length;
            // About the wheel's own place on the ground plane nothing changes that counts: all is scaled about the pivot.
            by = by.ToDictionary(p => p.Key, p => pivot + (factor * (p.Value - pivot)));
            end = by.GetValueOrDefault(LowerBallJoint, by[WheelCentre]);
        }
        if (hasArm && footMm is { } foot && Kind != SuspensionKind.Strut)
        {
            var along = (1 / (end - pivot).Length) * (end - pivot);
            var now = PlanePoint.Dot(by[StrutFoot] - pivot, along);
            var moved = (foot - now) * along;
            by[StrutFoot] += moved;
            by[StrutTop] += moved;
        }
        if (leanDegrees is { } lean)
        {
            var strut = by[StrutTop] - by[StrutFoot];
            // The side to which it leans is the archetype's; upright archetypes lean inboard, as nearly all do.
            var side = strut.Y > 0 ? 1 : -1;
            var (sin, cos) = Math.SinCos(double.DegreesToRadians(lean));
            by[StrutTop] = by[StrutFoot] + (strut.Length * new PlanePoint(side * sin, cos));
        }
        return [.. Points.Select(p => by[p.Name])];
    }
}
