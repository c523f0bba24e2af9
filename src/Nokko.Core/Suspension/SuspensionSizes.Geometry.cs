using Nokko.Core.Units;

namespace Nokko.Core.Suspension;

/// <content>What tells how a lift moves bars, arms, links and shafts.</content>
public static partial class SuspensionSizes
{
    private static SuspensionSize[] OfGeometry() =>
        [
            new(
                TrackBarRun,
                Unit.Mm,
                200,
                2_000,
                "Track bar, across from end to end",
                "Along a level line between its bolts. With its drop it tells how far a lift moves the axle aside."
            ),
            new(
                TrackBarDrop,
                Unit.Mm,
                -300,
                400,
                "Track bar's end at the body, higher by",
                "Bolt to bolt, on its wheels; minus where it stands lower."
            ),
            new(
                RadiusArmDrop,
                Unit.Mm,
                -200,
                400,
                "Radius arm's pivot, higher than the axle by",
                "Pivot to the middle of the axle tube, on its wheels. With the arm's length it tells the caster that a lift takes."
            ),
            new(
                CamRange,
                Unit.Mm,
                0,
                40,
                "Cams of the lower arm, each way by",
                "How far an eccentric or shims move a pivot in or out from where it stands now. It tells whether a lifted front aligns.",
                Steered: true
            ),
            new(
                CamberLeast,
                Unit.Degree,
                -6,
                6,
                "Camber allowed, least",
                "From your service information; with the sheet before the work it tells whether a lifted front aligns into it.",
                Steered: true
            ),
            new(
                CamberMost,
                Unit.Degree,
                -6,
                6,
                "Camber allowed, most",
                "From your service information; with the sheet before the work it tells whether a lifted front aligns into it.",
                Steered: true
            ),
            new(
                CasterLeast,
                Unit.Degree,
                -5,
                15,
                "Caster allowed, least",
                "From your service information; with the sheet before the work it tells whether a lifted front aligns into it.",
                Steered: true
            ),
            new(
                CasterMost,
                Unit.Degree,
                -5,
                15,
                "Caster allowed, most",
                "From your service information; with the sheet before the work it tells whether a lifted front aligns into it.",
                Steered: true
            ),
            new(
                ShaftRun,
                Unit.Mm,
                150,
                2_500,
                "Propshaft to this axle, joint to joint along",
                "Middle of cross to middle of cross, level. With drop and both angles it tells whether it will shake."
            ),
            new(
                ShaftDrop,
                Unit.Mm,
                -200,
                600,
                "Its joint at the axle, lower by",
                "On its wheels: the joint at the gearbox above the one at the axle."
            ),
            new(
                OutputSlope,
                Unit.Degree,
                -10,
                20,
                "Gearbox output slopes down to it by",
                "Angle gauge on a machined face of the gearbox or transfer case."
            ),
            new(
                PinionUp,
                Unit.Degree,
                -15,
                25,
                "Pinion points up to it by",
                "Angle gauge on a machined face of the pinion; minus where it points down."
            ),
            new(
                BushApart,
                Unit.Mm,
                40,
                400,
                "Arm's two holes at the axle, apart",
                "Middle to middle. It tells by how much a pair of offset bushes must be off."
            ),
            new(
                LeadSlack,
                Unit.Mm,
                0,
                500,
                "Sensor lead's slack",
                "At the old full droop, in front at both locks: from clip to plug."
            ),
            new(
                BreatherSlack,
                Unit.Mm,
                0,
                800,
                "Axle breather's slack",
                "At the old full droop, both wheels hanging."
            ),
            new(
                CableSlack,
                Unit.Mm,
                0,
                500,
                "Park-brake cable's slack",
                "At the old full droop, brake off: how much further the cable lets the wheel down."
            ),
            new(
                RodSlack,
                Unit.Mm,
                0,
                500,
                "Level rod's room",
                "Level sensor or load valve, at the old full droop: how much further the wheel may go down before its rod is stretched or its arm turns over."
            ),
            new(
                BarLink,
                Unit.Mm,
                40,
                600,
                "Anti-roll bar's link, hole to hole",
                "With the bar's arm it tells how far a lift slopes the bar, and how long a link brings it back."
            ),
            new(
                DragLinkRun,
                Unit.Mm,
                200,
                2_000,
                "Drag link, across from end to end",
                "Along a level line between its joints, wheels straight.",
                Steered: true
            ),
            new(
                DragLinkDrop,
                Unit.Mm,
                -300,
                500,
                "Drag link's end at the arm of the box, higher by",
                "Joint to joint, on its wheels; minus where it stands lower.",
                Steered: true
            ),
            new(
                SteeringArm,
                Unit.Mm,
                60,
                400,
                "Steering arm, kingpin to link",
                "From the kingpin's line to the drag link's joint. With link and bar it tells how far a bump steers.",
                Steered: true
            ),
        ];
}
