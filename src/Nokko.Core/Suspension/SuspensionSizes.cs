using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>A size of a suspension that somebody may tape or know.</summary>
/// <param name="Name">Its name in files.</param>
/// <param name="Unit">A unit of its kind; the limits are in it.</param>
/// <param name="Low">Least that can be.</param>
/// <param name="High">Most that can be.</param>
/// <param name="Label">As said in a bay.</param>
/// <param name="How">How it is had, and what it is for.</param>
/// <param name="Steered">Whether only a steered axle has it.</param>
public sealed record SuspensionSize(
    string Name,
    Unit Unit,
    double Low,
    double High,
    string Label,
    string How,
    bool Steered = false
);

/// <summary>The sizes that the arithmetic of an axle can use; each may be unknown.</summary>
/// <remarks>Source: docs/computation/lifts.md#laws, docs/computation/geometry.md#taped-geometry.</remarks>
public static partial class SuspensionSizes
{
    /// <summary>Pivot to outer joint or wheel centre, along the arm.</summary>
    public const string ArmLength = "armLength";

    /// <summary>Pivot to the spring's foot, along the arm.</summary>
    public const string FootDistance = "footDistance";

    /// <summary>Lean of the spring or strut from the vertical.</summary>
    public const string SpringLean = "springLean";

    /// <summary>Strut or spring, foot to top, at ride height.</summary>
    public const string SpringLength = "springLength";

    /// <summary>Strut fully extended.</summary>
    public const string StrutExtended = "strutExtended";

    /// <summary>Strut fully collapsed.</summary>
    public const string StrutCollapsed = "strutCollapsed";

    /// <summary>Strut length, or spring length, at which the coil binds.</summary>
    public const string CoilBind = "coilBind";

    /// <summary>Rate of the spring that is fitted.</summary>
    public const string SpringRate = "springRate";

    /// <summary>Free length of the spring that is fitted.</summary>
    public const string SpringFreeLength = "springFreeLength";

    /// <summary>Rate of a dual-rate coil beyond its crossover.</summary>
    public const string SecondRate = "secondRate";

    /// <summary>Load along a dual-rate coil at which its second rate begins.</summary>
    public const string CrossoverLoad = "crossoverLoad";

    /// <summary>How far the lower arm slopes down to its ball joint at ride height.</summary>
    public const string ArmDrop = "armDrop";

    /// <summary>How stiffly a torsion bar twists.</summary>
    public const string TorsionRate = "torsionRate";

    /// <summary>Torsion bar's axis to its adjuster bolt.</summary>
    public const string AdjusterLever = "adjusterLever";

    /// <summary>How far the adjuster bolt goes in a turn.</summary>
    public const string AdjusterPitch = "adjusterPitch";

    /// <summary>Rise for each turn of the adjuster bolts, both sides alike.</summary>
    public const string LiftPerTurn = "liftPerTurn";

    /// <summary>Track bar, across from end to end.</summary>
    public const string TrackBarRun = "trackBarRun";

    /// <summary>Track bar's end at the body above its end at the axle.</summary>
    public const string TrackBarDrop = "trackBarDrop";

    /// <summary>Drag link, across from end to end.</summary>
    public const string DragLinkRun = "dragLinkRun";

    /// <summary>Drag link's end at the pitman arm above its end at the axle.</summary>
    public const string DragLinkDrop = "dragLinkDrop";

    /// <summary>Steering arm, kingpin to the drag link's joint.</summary>
    public const string SteeringArm = "steeringArm";

    /// <summary>How far the lower arm's cams move its pivots each way from where they stand.</summary>
    public const string CamRange = "camRange";

    /// <summary>Least camber that the maker allows.</summary>
    public const string CamberLeast = "camberLeast";

    /// <summary>Most camber that the maker allows.</summary>
    public const string CamberMost = "camberMost";

    /// <summary>Least caster that the maker allows.</summary>
    public const string CasterLeast = "casterLeast";

    /// <summary>Most caster that the maker allows.</summary>
    public const string CasterMost = "casterMost";

    /// <summary>Propshaft, joint to joint along.</summary>
    public const string ShaftRun = "shaftRun";

    /// <summary>Propshaft's joint at the axle below the one at the gearbox.</summary>
    public const string ShaftDrop = "shaftDrop";

    /// <summary>How far the gearbox's output slopes down toward the axle.</summary>
    public const string OutputSlope = "outputSlope";

    /// <summary>How far the pinion points up toward the shaft.</summary>
    public const string PinionUp = "pinionUp";

    /// <summary>Holes of an arm at the axle, apart.</summary>
    public const string BushApart = "bushApart";

    /// <summary>Radius arm's pivot above the axle's middle.</summary>
    public const string RadiusArmDrop = "radiusArmDrop";

    /// <summary>How far the end of the height sensor's arm goes for each mm of the axle; below zero where a longer link lowers.</summary>
    public const string SensorArmShare = "sensorArmShare";

    /// <summary>How far the springs have sagged below standard height, at the wheel.</summary>
    public const string Sag = "sag";

    /// <summary>Wheel rate from a ballast test; per spring on a live axle.</summary>
    public const string WheelRate = "wheelRate";

    /// <summary>Anti-roll bar at the wheels: force on each per mm of difference; zero where there is none.</summary>
    public const string BarRate = "barRate";

    /// <summary>Anti-roll bar, diameter.</summary>
    public const string BarDiameter = "barDiameter";

    /// <summary>Anti-roll bar, straight part between its arms.</summary>
    public const string BarSpan = "barSpan";

    /// <summary>Anti-roll bar, its arm, square to the straight part.</summary>
    public const string BarArm = "barArm";

    /// <summary>How far the bar's end goes for each mm of the wheel.</summary>
    public const string BarEndShare = "barEndShare";

    /// <summary>Slack of a sensor's lead at the old full droop.</summary>
    public const string LeadSlack = "leadSlack";

    /// <summary>Slack of an axle's breather at the old full droop.</summary>
    public const string BreatherSlack = "breatherSlack";

    /// <summary>Slack of a park-brake cable at the old full droop.</summary>
    public const string CableSlack = "cableSlack";

    /// <summary>How much further the wheel may go down at the old full droop before the rod of a level sensor or a load valve is at its end.</summary>
    public const string RodSlack = "rodSlack";

    /// <summary>Anti-roll bar's link, hole to hole.</summary>
    public const string BarLink = "barLink";

    /// <summary>Shock at ride height, eye to eye.</summary>
    public const string ShockLength = "shockLength";

    /// <summary>Shock fully extended.</summary>
    public const string ShockExtended = "shockExtended";

    /// <summary>Shock fully collapsed.</summary>
    public const string ShockCollapsed = "shockCollapsed";

    /// <summary>Gap above the bump stop at ride height.</summary>
    public const string BumpStopGap = "bumpStopGap";

    /// <summary>Height of the bump stop itself.</summary>
    public const string BumpStopHeight = "bumpStopHeight";

    /// <summary>Slack of a limit strap at ride height, as droop at the wheel.</summary>
    public const string StrapSlack = "strapSlack";

    /// <summary>Tyre to the nearest metal above it at ride height.</summary>
    public const string TyreGap = "tyreGap";

    /// <summary>Hose slack at the old full droop.</summary>
    public const string HoseSlack = "hoseSlack";

    /// <summary>Outer CV joint below the inner one at ride height.</summary>
    public const string CvDrop = "cvDrop";

    /// <summary>CV shaft, joint to joint across.</summary>
    public const string CvRun = "cvRun";

    /// <summary>Most that a CV joint may run at, at ride height.</summary>
    public const string CvRideLimit = "cvRideLimit";

    /// <summary>Most that a CV joint may bend to at full droop.</summary>
    public const string CvDroopLimit = "cvDroopLimit";

    /// <summary>How far a ball joint may swing from ride height.</summary>
    public const string BallJointLimit = "ballJointLimit";

    /// <summary>How far the strut's studs stand above its plate.</summary>
    public const string StudLength = "studLength";

    /// <summary>Chord of a leaf spring, eye to eye, at ride height.</summary>
    public const string LeafChord = "leafChord";

    /// <summary>Arch of a leaf spring under its load: main leaf below (or above) the chord at the axle.</summary>
    public const string LeafArch = "leafArch";

    /// <summary>Leaves under the main leaf of the pack that is in, all together at the centre pin.</summary>
    public const string LeavesUnderMain = "leavesUnderMain";

    /// <summary>Shackle, eye to eye.</summary>
    public const string ShackleLength = "shackleLength";

    /// <summary>Angle between shackle and the chord's normal.</summary>
    public const string ShackleAngle = "shackleAngle";

    /// <summary>Rubber of the body mounts near the axle, as found.</summary>
    public const string MountFound = "mountFound";

    /// <summary>The axle's fraction of the chord from the fixed eye.</summary>
    public const string AxleFraction = "axleFraction";

    /// <summary>The size of a name, or null.</summary>
    public static SuspensionSize? Find(string name) => ByName.GetValueOrDefault(name);

    /// <summary>Why a value cannot be, or null.</summary>
    /// <param name="name">A name of the list.</param>
    /// <param name="value">The value in its unit.</param>
    public static string? WhyNot(string name, double value)
    {
        var size = ByName[name];
        return value >= size.Low && value <= size.High
            ? null
            : FormattableString.Invariant(
                $"That lies between {size.Low:#,0.##} and {size.High:#,0.##} {(size.Unit == Unit.One ? "" : size.Unit)}: check the unit."
            );
    }

    /// <summary>The sizes that count on a kind of suspension, in the order of the list.</summary>
    public static IReadOnlyList<SuspensionSize> Of(SuspensionKind kind) =>
        [.. All.Where(s => Counts(s.Name, kind))];

    private static bool Counts(string name, SuspensionKind kind) =>
        name switch
        {
            ArmLength when kind is SuspensionKind.Strut or SuspensionKind.TorsionBarArm => true,
            ArmLength or FootDistance => kind
                is SuspensionKind.CoilOverArm
                    or SuspensionKind.MultiLink
                    or SuspensionKind.TransverseLeaf
                    or SuspensionKind.TrailingArm
                    or SuspensionKind.CoilRadiusArm,
            SpringLean => kind.HasCoil(),
            SpringLength => kind.HasCoil(),
            StrutExtended or StrutCollapsed => kind.HasCoilOver(),
            CoilBind or SpringFreeLength => kind.HasCoil(),
            SpringRate => kind != SuspensionKind.TorsionBarArm,
            TrackBarRun or TrackBarDrop => kind.IsLiveAxle() && !kind.IsLeaf(),
            DragLinkRun or DragLinkDrop or SteeringArm => kind.IsLiveAxle() && !kind.IsLeaf(),
            CamRange or CamberLeast or CamberMost or CasterLeast or CasterMost => kind
                is SuspensionKind.CoilOverArm
                    or SuspensionKind.TorsionBarArm
                    or SuspensionKind.TransverseLeaf,
            ShaftRun or ShaftDrop or OutputSlope or PinionUp => kind.IsLiveAxle(),
            RadiusArmDrop or BushApart => kind == SuspensionKind.CoilRadiusArm,
            Sag => kind != SuspensionKind.TorsionBarArm,
            SecondRate or CrossoverLoad => kind.HasCoil(),
            ArmDrop or TorsionRate or AdjusterLever or AdjusterPitch or LiftPerTurn => kind
                == SuspensionKind.TorsionBarArm,
            ShockLength or ShockExtended or ShockCollapsed => !kind.HasCoilOver(),
            CvDrop or CvRun or CvRideLimit or CvDroopLimit => !kind.IsLiveAxle(),
            BallJointLimit => kind
                is SuspensionKind.CoilOverArm
                    or SuspensionKind.TransverseLeaf
                    or SuspensionKind.Strut,
            StudLength => kind is SuspensionKind.CoilOverArm or SuspensionKind.Strut,
            BreatherSlack => kind.IsLiveAxle(),
            LeavesUnderMain => kind == SuspensionKind.LeafOverslung,
            LeafChord or LeafArch or ShackleLength or ShackleAngle or AxleFraction => kind.IsLeaf(),
            _ => true,
        };

    /// <summary>A size of an axle in the unit of the list, or null.</summary>
    public static double? Get(this Vehicles.Suspension suspension, string name) =>
        suspension.Dimensions.TryGetValue(name, out var q) ? q.In(ByName[name].Unit) : null;
}
