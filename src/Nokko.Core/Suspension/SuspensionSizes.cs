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
public sealed record SuspensionSize(
    string Name,
    Unit Unit,
    double Low,
    double High,
    string Label,
    string How
);

/// <summary>The sizes that the arithmetic of an axle can use; each may be unknown.</summary>
/// <remarks>Source: docs/computation/lifts.md#laws, docs/computation/geometry.md#taped-geometry.</remarks>
public static class SuspensionSizes
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

    /// <summary>Every size, in the order in which it is asked for.</summary>
    public static IReadOnlyList<SuspensionSize> All { get; } =
    [
        new(
            ArmLength,
            Unit.Mm,
            50,
            2_500,
            "Arm, pivot to wheel end",
            "Along the arm: to the outer ball joint, or to the wheel centre on a trailing or radius arm. With where the spring stands it gives the lift ratio."
        ),
        new(
            FootDistance,
            Unit.Mm,
            20,
            2_500,
            "Arm, pivot to spring foot",
            "Along the same arm, to where the spring or strut stands."
        ),
        new(
            SpringLean,
            Unit.Degree,
            0,
            70,
            "Lean of the spring or strut",
            "Angle gauge on the body of the strut, from the vertical."
        ),
        new(
            SpringLength,
            Unit.Mm,
            30,
            1_500,
            "Strut or coil, foot to top, now",
            "Between its bolts or seats, on its wheels."
        ),
        new(
            StrutExtended,
            Unit.Mm,
            30,
            2_000,
            "Strut fully extended",
            "Off the vehicle, or from its maker. Gives the droop that is left."
        ),
        new(
            StrutCollapsed,
            Unit.Mm,
            20,
            1_800,
            "Strut fully collapsed",
            "Off the vehicle with the coil out, or from its maker. Gives the bump that is left."
        ),
        new(
            CoilBind,
            Unit.Mm,
            20,
            1_800,
            "Length at which the coil binds",
            "Bound coil length plus whatever stands between coil and bolts. Counts when a preload squeezes it."
        ),
        new(
            SpringRate,
            Unit.NewtonPerMm,
            1,
            2_000,
            "Rate of the spring that is in",
            "From its maker. Needed when another spring goes in."
        ),
        new(
            SpringFreeLength,
            Unit.Mm,
            40,
            1_500,
            "Free length of the spring that is in",
            "From its maker; or taped with the spring out: then its sag is in it, say that it was measured."
        ),
        new(
            Sag,
            Unit.Mm,
            -60,
            150,
            "Sag of the springs that are in",
            "How far they have settled since they were new, under the same load. Standard height less today's holds the load as well: enter standard heights instead, under Walk round."
        ),
        new(
            WheelRate,
            Unit.NewtonPerMm,
            1,
            2_000,
            "Rate from a ballast test",
            "One side, at the wheel; at the spring on a live axle. Takes the place of the estimate from the mass."
        ),
        new(ShockLength, Unit.Mm, 50, 1_500, "Shock, eye to eye, now", "On its wheels."),
        new(
            ShockExtended,
            Unit.Mm,
            50,
            2_000,
            "Shock fully extended",
            "Off the vehicle, or from its maker."
        ),
        new(
            ShockCollapsed,
            Unit.Mm,
            30,
            1_800,
            "Shock fully collapsed",
            "Off the vehicle, or from its maker."
        ),
        new(
            BumpStopGap,
            Unit.Mm,
            0,
            600,
            "Gap at the bump stop, now",
            "On its wheels: stop to what it will meet."
        ),
        new(
            BumpStopHeight,
            Unit.Mm,
            1,
            300,
            "Height of the bump stop",
            "A rubber stop is squeezed to about 0.4 of it, a rule of thumb."
        ),
        new(
            StrapSlack,
            Unit.Mm,
            0,
            600,
            "Droop until a limit strap is tight",
            "How far the wheel drops from ride height."
        ),
        new(
            TyreGap,
            Unit.Mm,
            0,
            900,
            "Tyre to metal above it, now",
            "Liner or arch, straight above the tread."
        ),
        new(
            HoseSlack,
            Unit.Mm,
            0,
            500,
            "Hose slack at the old full droop",
            "Both locks, wheel hanging."
        ),
        new(
            CvDrop,
            Unit.Mm,
            -300,
            400,
            "CV: outer joint below the inner, now",
            "Joint centres, on its wheels; below zero when the outer stands higher."
        ),
        new(
            CvRun,
            Unit.Mm,
            80,
            1_200,
            "CV: joint to joint, across",
            "Level distance between the joint centres."
        ),
        new(
            CvRideLimit,
            Unit.Degree,
            1,
            60,
            "CV limit at ride height",
            "From the shaft's maker; else 8°, a rule of thumb."
        ),
        new(
            CvDroopLimit,
            Unit.Degree,
            1,
            60,
            "CV limit at full droop",
            "From the shaft's maker; else 18°, a rule of thumb."
        ),
        new(
            BallJointLimit,
            Unit.Degree,
            1,
            60,
            "Ball joint: swing from ride height",
            "From its maker. Needs the taped points."
        ),
        new(
            StudLength,
            Unit.Mm,
            3,
            150,
            "Studs above the strut's plate",
            "They must find room in a plate that goes on top."
        ),
        new(
            LeafChord,
            Unit.Mm,
            200,
            3_000,
            "Leaf: eye to eye, now",
            "Straight between the eye centres, on its wheels."
        ),
        new(
            LeafArch,
            Unit.Mm,
            -200,
            400,
            "Leaf: arch now",
            "From the straight line between the eyes to the main leaf at the axle."
        ),
        new(
            LeavesUnderMain,
            Unit.Mm,
            0,
            250,
            "Leaves under the main leaf, now",
            "At the centre pin, from under the main leaf to the seat, without a block. Needed when another pack goes in."
        ),
        new(ShackleLength, Unit.Mm, 20, 500, "Shackle, eye to eye", "The one that is in."),
        new(
            ShackleAngle,
            Unit.Degree,
            -70,
            70,
            "Shackle against square to the chord",
            "0 when it stands square to the line through the eyes; leaning away from the fixed eye is positive."
        ),
        new(
            AxleFraction,
            Unit.One,
            0.2,
            0.8,
            "Axle's place on the leaf",
            "Fixed eye to axle over eye to eye."
        ),
        new(
            BarRate,
            Unit.NewtonPerMm,
            0,
            500,
            "Anti-roll bar, rate at the wheels",
            "Force on each wheel for each mm by which one stands higher; 0 where there is none. Else from its sizes, else a rule of thumb. Counts where one side stands on more than the other."
        ),
        new(BarDiameter, Unit.Mm, 8, 60, "Anti-roll bar, diameter", "A round, full bar."),
        new(
            BarSpan,
            Unit.Mm,
            200,
            2_000,
            "Anti-roll bar, between its arms",
            "The straight part that twists."
        ),
        new(
            BarArm,
            Unit.Mm,
            50,
            700,
            "Anti-roll bar, arm",
            "From the straight part to the link, square to the straight part."
        ),
        new(
            BarEndShare,
            Unit.One,
            0.1,
            1.2,
            "Anti-roll bar, its end per wheel",
            "How far its end goes when the wheel goes by one: the link's place on the arm or axle. Else 0.7, a rule of thumb."
        ),
        new(
            MountFound,
            Unit.Mm,
            3,
            150,
            "Body mounts, thickness found",
            "Their rubber between frame and body near this axle, mean of both sides. Crushed mounts come back when they are renewed."
        ),
    ];

    private static readonly Dictionary<string, SuspensionSize> ByName = All.ToDictionary(s =>
        s.Name
    );

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
            ArmLength when kind == SuspensionKind.Strut => true,
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
            SpringRate => true,
            ShockLength or ShockExtended or ShockCollapsed => !kind.HasCoilOver(),
            CvDrop or CvRun or CvRideLimit or CvDroopLimit => !kind.IsLiveAxle(),
            BallJointLimit => kind
                is SuspensionKind.CoilOverArm
                    or SuspensionKind.TransverseLeaf
                    or SuspensionKind.Strut,
            StudLength => kind is SuspensionKind.CoilOverArm or SuspensionKind.Strut,
            LeavesUnderMain => kind == SuspensionKind.LeafOverslung,
            LeafChord or LeafArch or ShackleLength or ShackleAngle or AxleFraction => kind.IsLeaf(),
            _ => true,
        };

    /// <summary>A size of an axle in the unit of the list, or null.</summary>
    public static double? Get(this Vehicles.Suspension suspension, string name) =>
        suspension.Dimensions.TryGetValue(name, out var q) ? q.In(ByName[name].Unit) : null;
}
