using System.Globalization;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>How far a lift turns a live axle on its arms: caster in front, pinion behind, both to the ground.</summary>
/// <remarks>Source: docs/computation/geometry.md#caster-and-pinion.</remarks>
internal static partial class TurnMechanism
{
    /// <summary>Standard uncertainty of a turn from taped points, °: points to 3 mm, a rule of thumb.</summary>
    private const double PointsUDegrees = 0.15;

    private const double Degrees = 180 / Math.PI;

    private static readonly (Estimate Arm, Estimate Drop) Invented = (new(900, 100), new(60, 35));

    /// <summary>The mechanism; null on an axle that is not turned so.</summary>
    public static Mechanism? Of(LiftedAxle axle) =>
        axle.Suspension.Kind switch
        {
            SuspensionKind.CoilRadiusArm => OnRadiusArms(axle),
            SuspensionKind.CoilFourLink => OnLinks(axle),
            _ => null,
        };

    private static bool InFront(LiftedAxle axle) => axle.Axle == Axle.Front;

    private static MechanismKind Kind(LiftedAxle axle) =>
        InFront(axle) ? MechanismKind.Caster : MechanismKind.Pinion;

    /// <summary>Whether anything turns it: its own rise, or the body's pitch.</summary>
    private static bool Turns(LiftedAxle axle) =>
        axle.Lifts || Math.Abs(axle.Rises.Front.Mean - axle.Rises.Rear.Mean) > 0.5;

    private static Mechanism OnRadiusArms(LiftedAxle axle)
    {
        var sizes = new AxleSizes(axle.Suspension)
            .Size(SuspensionSizes.ArmLength, Invented.Arm)
            .Size(SuspensionSizes.RadiusArmDrop, Invented.Drop)
            .Rises(axle.Rises);
        // Seen from the axle's own end of the vehicle; behind, the pivots lie ahead of the axle and a turn raises the pinion.
        double Pivot(double[] x) =>
            Caster.PivotRiseMm(
                InFront(axle) ? x[2] : x[3],
                InFront(axle) ? x[3] : x[2],
                Math.Sqrt(Math.Max(0, (x[0] * x[0]) - (x[1] * x[1]))),
                axle.WheelbaseMm
            );
        double? Turn(double[] x, double loweredMm) =>
            Caster.OfRadiusArmRad(x[0], x[1], Pivot(x) - loweredMm, ahead: !InFront(axle));
        var at = sizes.At;
        var lost = Turn(at, 0);
        var full = Pivot(at);
        // A caster bush is made for the front; behind nobody knows which way it turns the pinion.
        var bush = InFront(axle) ? Bush(axle) : null;
        var lowered = axle.Amount(PartKind.LinkBracket);
        var planned = bush is not null || lowered is not null;
        double? Back(double[] x) => Turn(x, lowered ?? 0) + ((bush ?? 0) / Degrees);
        var bracket = axle.Nearest(PartKind.LinkBracket, full);
        MechanismWay Way(
            WayKind kind,
            string said,
            Func<double[], double?> turn,
            double lift,
            PartKind? part = null,
            IReadOnlyList<LabelledResult>? also = null,
            Caution? care = null
        ) =>
            new()
            {
                Kind = kind,
                Said = said,
                Part = part,
                Figure = sizes.Worked(Unit.Degree, turn),
                Also = also ?? [],
                Care = care,
                Travel = axle.Through(
                    up => (turn(at) + Swing(up, lift)) * Degrees,
                    up => Rods(at, lift - up, (turn(at) + Swing(up, lift)) ?? 0)
                ),
            };
        // Through the travel the arm swings about its pivot while the body stays.
        double? Swing(double up, double lift) =>
            Caster.OfRadiusArmRad(at[0], at[1], lift - up, ahead: !InFront(axle))
            - Caster.OfRadiusArmRad(at[0], at[1], lift, ahead: !InFront(axle));
        var apart = axle.Suspension.Get(SuspensionSizes.BushApart);
        return new Mechanism
        {
            Kind = Kind(axle),
            Where = axle.Axle.Said(),
            FigureLabel = Label(axle),
            Says = Says(axle, lost, planned ? Back(at) : null),
            Ways =
            [
                Way(WayKind.Before, "As it was", _ => 0, 0),
                .. Turns(axle)
                    ? (MechanismWay[])
                        [Way(WayKind.Lifted, "Lifted, arms left", x => Turn(x, 0), full)]
                    : [],
                .. planned
                    ? (MechanismWay[])
                        [
                            Way(
                                WayKind.Planned,
                                $"As planned: {PlannedParts(bush, lowered)}",
                                Back,
                                full - (lowered ?? 0)
                            ),
                        ]
                    : [],
                .. Turns(axle) && lost is not null
                    ? (MechanismWay[])
                        [
                            Way(
                                WayKind.Cure,
                                "Offset bushes, a pair in each arm",
                                x => Turn(x, 0) - lost,
                                full,
                                InFront(axle) ? PartKind.CasterBush : null,
                                [
                                    apart is { } d
                                        ? sizes.Worked(
                                            "Each bush is off its middle by",
                                            Unit.Mm,
                                            x =>
                                                Math.Abs(
                                                    Caster.OffsetMm(Turn(x, 0) ?? 0, d, pair: true)
                                                )
                                        )
                                        : new(
                                            "Each bush is off its middle by",
                                            Result.No(
                                                Unit.Mm,
                                                "Tape how far apart the arm's two holes at the axle are."
                                            )
                                        ),
                                ],
                                new Caution(
                                    Heed.Stop,
                                    "The wrong way round it doubles what it should take back: look at the mark on the bush."
                                )
                            ),
                            .. full > 0
                                ? (MechanismWay[])
                                    [
                                        Way(
                                            WayKind.Cure,
                                            $"{bracket.Name ?? "Arm pivots"}, {LengthText.Both(bracket.Mm)} lower",
                                            x => Turn(x, bracket.Mm),
                                            full - bracket.Mm,
                                            PartKind.LinkBracket,
                                            also:
                                            [
                                                sizes.Worked(
                                                    "Brackets as deep as",
                                                    Unit.Mm,
                                                    x => Pivot(x)
                                                ),
                                            ]
                                        ),
                                    ]
                                : [],
                        ]
                    : [],
            ],
            Asks = Turns(axle) ? sizes.Asks(Unit.Degree, x => Turn(x, 0)) : [],
            Checks = Checks(axle),
        };

        // From the side, the axle's middle at zero and the pivots to the right.
        static Rod[] Rods(double[] x, double pivotMm, double turn)
        {
            var drop = x[1] + pivotMm;
            var run = Math.Sqrt(Math.Max(0, (x[0] * x[0]) - (drop * drop)));
            return
            [
                new("wheel", 0, 0, 0, 0),
                new("arm", 0, 0, run, drop),
                new("axis", 0, 0, 260 * Math.Sin(turn), 260 * Math.Cos(turn)),
            ];
        }
    }

    private static string PlannedParts(double? bush, double? lowered) =>
        string.Join(
            ", ",
            (
                (string?[])
                    [
                        lowered is { } mm
                            ? $"the arms' frame ends {LengthText.Both(mm)} lower"
                            : null,
                        bush is null ? null : "with its bushes",
                    ]
            ).OfType<string>()
        );

    /// <summary>Caster that the plan's bushes give back, °; null where it has none, or nobody knows.</summary>
    private static double? Bush(LiftedAxle axle) =>
        axle.Parts.Where(p => p.Kind == PartKind.CasterBush).Max(p => p.Get(PartSizes.Turn));

    private static string Label(LiftedAxle axle) =>
        InFront(axle)
            ? "Caster, to the ground, changes by"
            : "The pinion, to the ground, turns up by";

    private static string Says(LiftedAxle axle, double? turn, double? planned)
    {
        if (!Turns(axle))
        {
            return "Nothing turns it: neither a lift here nor the body's angle.";
        }
        if (turn is not { } rad)
        {
            return "The arms cannot reach that far: check what was taped.";
        }
        string Of(double r) =>
            string.Create(CultureInfo.InvariantCulture, $"{Math.Abs(r * Degrees):0.0}°");
        var what = InFront(axle)
            ? $"{Of(rad)} of caster {(rad < 0 ? "lost" : "gained")}"
            : $"The pinion turns {(rad < 0 ? "down" : "up")} by {Of(rad)}";
        return planned is { } left ? $"{what}; as planned {Of(left)} is left of it."
            : Math.Abs(rad * Degrees) <= axle.Limits.Of(Kind(axle))
                ? $"{what}: within {axle.Limits.Said(Kind(axle))}."
            : InFront(axle)
                ? $"{what}: {(rad < 0 ? "it may wander. Bushes, shorter upper or longer lower links, or lower pivots take it back." : "the wheel comes back harder.")}"
            : $"{what}: look at the shaft's joints.";
    }

    private static string[] Checks(LiftedAxle axle) =>
        InFront(axle)
            ?
            [
                "Caster gauge before and after, or the alignment shop's sheet.",
                "Caster and pinion are one rotation: what is given back here turns the front pinion down by as much.",
                "Sag that a lift takes back costs nothing: it was lost below standard height.",
            ]
            : ["Angle gauge on the pinion before and after, the shaft beside it."];
}
