using Nokko.Core.Units;

namespace Nokko.Core.Suspension;

/// <content>The list.</content>
public static partial class SuspensionSizes
{
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
            SecondRate,
            Unit.NewtonPerMm,
            1,
            2_000,
            "Its second rate, if it has two",
            "A dual-rate coil beyond its crossover: from its maker."
        ),
        new(
            CrossoverLoad,
            Unit.Newton,
            50,
            60_000,
            "Load at which the second rate begins",
            "Along the coil, from its maker: free length less crossover length, times the first rate."
        ),
        new(
            LiftPerTurn,
            Unit.Mm,
            -60,
            60,
            "Rise for each turn of the adjusters",
            "Both turned alike, rolled, read before and after: the rise over the turns between. The best figure there is."
        ),
        new(
            ArmDrop,
            Unit.Degree,
            -30,
            45,
            "Lower arm slopes down by",
            "Angle gauge from pivot to ball joint, on its wheels; minus where it slopes up."
        ),
        new(
            TorsionRate,
            Unit.NewtonMetrePerDegree,
            1,
            500,
            "Torsion bar twists at",
            "From its maker. With arm, lever and pitch it tells what a turn does."
        ),
        new(
            AdjusterLever,
            Unit.Mm,
            15,
            300,
            "Bar's middle to adjuster bolt",
            "Square to the bolt, at the key."
        ),
        new(
            AdjusterPitch,
            Unit.Mm,
            0.5,
            5,
            "Adjuster bolt, thread pitch",
            "How far it goes in a turn: a thread gauge."
        ),
        .. OfGeometry(),
        .. OfTyres(),
        new(
            SensorArmShare,
            Unit.One,
            -3,
            3,
            "Sensor arm's end, for each mm of the axle",
            "Raise the frame by a known height and tape how far the arm's end goes. Minus where a longer link lowers."
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
            "Shackle, lean",
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
}
