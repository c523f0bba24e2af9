using Nokko.Core.Vehicles;

namespace Nokko.Core.Shelf;

/// <content>What is fitted with a lift: shocks, links, arms, steering, shafts, hoses, wheels.</content>
public sealed partial record PartRule
{
    private static PartRule[] OfAxle() =>
        [
            Beside(
                PartKind.DiffDrop,
                "differential drop",
                70,
                s => !s.IsLiveAxle(),
                amount: "Lowers the differential by",
                sizes: [PartSizes.BoltsLonger]
            ),
            Beside(
                PartKind.BumpStopExtension,
                "bump-stop extension",
                43,
                Anywhere,
                "It passes over the coil, or does not: put it in before the spring.",
                amount: "Longer by",
                sizes: [PartSizes.BoltsLonger]
            ),
            Beside(
                PartKind.Shock,
                "shock",
                44,
                s => !s.HasCoilOver(),
                "Body or shaft up as its maker says.",
                sizes: [PartSizes.ExtendedLength, PartSizes.CollapsedLength]
            ),
            Beside(
                PartKind.SwayBarLink,
                "sway-bar link",
                65,
                Anywhere,
                "Both connected on its wheels only.",
                amount: "Longer by"
            ),
            Beside(
                PartKind.HalfShaftSpacer,
                "half-shaft spacer",
                72,
                s => !s.IsLiveAxle(),
                amount: Thick
            ),
            Beside(
                PartKind.TrackBar,
                "track bar",
                66,
                s => s.IsLiveAxle() && !s.IsLeaf(),
                "Bend as the old one had it; an adjustable end with thread enough in it."
            ),
            Beside(
                PartKind.TrackBarBracket,
                "track-bar bracket",
                67,
                s => s.IsLiveAxle() && !s.IsLeaf(),
                "Pivot up or down as the sheet says.",
                amount: "Moves the pivot by",
                sizes: [PartSizes.BoltsLonger]
            ),
            Beside(
                PartKind.UpperArm,
                "upper arm or link",
                61,
                s =>
                    s
                        is SuspensionKind.CoilOverArm
                            or SuspensionKind.TorsionBarArm
                            or SuspensionKind.MultiLink
                            or SuspensionKind.CoilFourLink
                            or SuspensionKind.CoilOverAxle,
                "Left and right differ; ball joint up or down as the old one had it.",
                sizes: [PartSizes.LinkLonger]
            ),
            Beside(
                PartKind.LowerArm,
                "lower arm or link",
                62,
                s => !s.IsLeaf(),
                "Left and right differ; same length on both sides.",
                sizes: [PartSizes.LinkLonger]
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
            Beside(
                PartKind.CasterBush,
                "caster bush",
                63,
                s => s is SuspensionKind.CoilRadiusArm or SuspensionKind.CoilFourLink,
                "Its mark as the template says: the wrong way round doubles what it should take back.",
                sizes: [PartSizes.Turn]
            ),
            Beside(
                PartKind.LinkBracket,
                "radius-arm or link bracket",
                64,
                s => s is SuspensionKind.CoilRadiusArm or SuspensionKind.CoilFourLink,
                "Left and right differ; the arm's hole down, and as deep on both sides.",
                amount: "Lowers the frame's ends by",
                sizes: [PartSizes.BoltsLonger]
            ),
            Beside(
                PartKind.AxleShim,
                "axle shim",
                56,
                s => s.IsLeaf(),
                "Thick end forward or back as the sheet says; pin through it.",
                sizes: [PartSizes.Taper, PartSizes.PinDiameter]
            ),
            Beside(PartKind.UBolts, "U-bolts", 57, s => s.IsLeaf()),
            Beside(
                PartKind.CrossMember,
                "cross member",
                71,
                s => s.HasArms() && s != SuspensionKind.TrailingArm,
                "Front and rear differ.",
                sizes: [PartSizes.BoltsLonger]
            ),
            Beside(
                PartKind.SteeringDamper,
                "steering damper",
                68,
                s => s.IsLiveAxle(),
                "Body towards the frame or the axle as its maker says."
            ),
            Beside(
                PartKind.DragLink,
                "drag link",
                65,
                s => s.IsLiveAxle(),
                "The bend the way the old one had it; threads alike in at both ends."
            ),
            Beside(
                PartKind.PitmanArm,
                "pitman arm",
                66,
                s => s.IsLiveAxle(),
                "Its master spline to that of the box.",
                amount: "Reaches lower by"
            ),
            Beside(
                PartKind.SteeringStops,
                "steering stops set earlier",
                69,
                s =>
                    s.IsLiveAxle()
                    || s is SuspensionKind.CoilOverArm or SuspensionKind.TorsionBarArm,
                sizes: [PartSizes.StopsEarlier]
            ),
            Beside(
                PartKind.Propshaft,
                "propshaft or carrier bearing",
                70,
                Anywhere,
                "Both yokes in line, the mark to the mark.",
                sizes: [PartSizes.BoltsLonger]
            ),
            Beside(
                PartKind.LevelSensorLink,
                "level-sensor link",
                75,
                Anywhere,
                "The sensor's arm the way it pointed.",
                amount: "Longer than the old one by (minus: shorter)"
            ) with
            {
                Acts = PartActs.BySensorLink,
            },
            Beside(
                PartKind.BrakeHose,
                "brake hose",
                73,
                Anywhere,
                "Not twisted; its bracket where it neither pulls nor rubs.",
                amount: "Longer by"
            ),
            Beside(
                PartKind.BrakeHoseBracket,
                "brake-hose bracket",
                74,
                Anywhere,
                amount: "Reaches further by"
            ),
            Beside(
                PartKind.WheelSpacer,
                "wheel spacer",
                85,
                Anywhere,
                "Flat on the hub, its middle on the hub's; thread enough for every wheel nut.",
                amount: Thick
            ),
            new(
                PartKind.Tyre,
                "tyre",
                null,
                LiftFamily.Tyre,
                90,
                [PartSizes.Diameter, PartSizes.Width, PartSizes.RimWidth, PartSizes.RimOffset],
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
            new(PartKind.Kit, "kit", null, LiftFamily.None, 80, [], PartActs.Not, _ => false),
        ];

    /// <summary>A part with which the vehicle stands no higher.</summary>
    private static PartRule Beside(
        PartKind kind,
        string said,
        int order,
        Func<SuspensionKind, bool> fitsOn,
        string? orientation = null,
        string? amount = null,
        string[]? sizes = null
    ) =>
        new(
            kind,
            said,
            amount,
            LiftFamily.None,
            order,
            sizes ?? [],
            PartActs.Not,
            fitsOn,
            orientation
        );
}
