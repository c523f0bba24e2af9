using System.Globalization;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>What a lift does to the joints of the propshaft to a live axle, and what makes them alike again.</summary>
/// <remarks>Source: docs/computation/geometry.md#driveline.</remarks>
internal static class PropshaftMechanism
{
    private const double Degrees = 180 / Math.PI;

    /// <summary>Standard uncertainty of an angle by gauge, rad: 0.2°, a rule of thumb.</summary>
    public const double GaugeURad = 0.2 / Degrees;

    /// <summary>Label of the joint's angle that two gauges on shaft and pinion tell.</summary>
    public const string AxleJoint = "Joint at the axle";

    /// <summary>The mechanism; null on an axle that has none, or whose shaft nobody taped.</summary>
    /// <param name="axle">The axle.</param>
    /// <param name="turnsUpRad">How far its arms or links turn the pinion up with the lift, rad; null is not known.</param>
    public static Mechanism? Of(LiftedAxle axle, double? turnsUpRad)
    {
        var suspension = axle.Suspension;
        // Without a shaft that was looked at, nobody knows whether there is one.
        if (
            !suspension.Kind.IsLiveAxle()
            || suspension.Get(SuspensionSizes.ShaftRun) is not { } run
            || suspension.Get(SuspensionSizes.ShaftDrop) is not { } drop
            || suspension.Get(SuspensionSizes.OutputSlope) is not { } output
            || suspension.Get(SuspensionSizes.PinionUp) is not { } pinion
        )
        {
            return null;
        }
        var (front, rear) = (axle.Rises.Front, axle.Rises.Rear);
        var behind = axle.Axle == Axle.Rear;
        (double Value, double U)[] given =
        [
            (run, AxleSizes.JointUMm),
            (drop, AxleSizes.JointUMm),
            (output / Degrees, GaugeURad),
            (pinion / Degrees, GaugeURad),
            (front.Mean, front.Sd),
            (rear.Mean, rear.Sd),
        ];
        var (own, other) = behind ? (5, 4) : (4, 5);
        var up = turnsUpRad ?? 0;
        Driveline At(double[] x, bool lifted, double pinionUp, double wheelUp = 0)
        {
            // The gearbox rides on the frame between the axles; the body's pitch tilts its output.
            var rise = lifted ? x[own] + ((x[other] - x[own]) * x[0] / axle.WheelbaseMm) : 0;
            var tilt = lifted ? (x[other] - x[own]) / axle.WheelbaseMm : 0;
            return new Driveline(x[0], x[1] + rise - wheelUp, x[2] + tilt, x[3] + pinionUp);
        }
        double[] at = [.. given.Select(g => g.Value)];
        LabelledResult Number(
            string label,
            Unit unit,
            Func<Driveline, double> of,
            bool lifted,
            double pinionUp
        )
        {
            var factor = unit == Unit.Degree ? Degrees : 1;
            return new(
                label,
                Result.Of(
                    of(At(at, lifted, pinionUp)) * factor,
                    unit,
                    FirstOrder.U(
                        x => of(At(x, lifted, pinionUp)),
                        given,
                        [(4, 5, axle.Rises.Covariance)]
                    ) * factor,
                    []
                )
            );
        }
        MechanismWay Way(
            WayKind kind,
            string said,
            bool lifted,
            double pinionUp,
            PartKind? part = null
        ) =>
            new()
            {
                Kind = kind,
                Said = said,
                Part = part,
                Figure = Number("", Unit.Degree, d => d.ResidualRad, lifted, pinionUp).Result,
                Also =
                [
                    Number(
                        "Joint at the gearbox",
                        Unit.Degree,
                        d => d.FrontJointRad,
                        lifted,
                        pinionUp
                    ),
                    Number(AxleJoint, Unit.Degree, d => d.RearJointRad, lifted, pinionUp),
                    Number(
                        "The pinion must turn up by, to make both alike",
                        Unit.Degree,
                        d => d.EqualisingTurnRad,
                        lifted,
                        pinionUp
                    ),
                    Number(
                        "The shaft grows by",
                        Unit.Mm,
                        d => Driveline.LongerMm((run, drop), (d.RunMm, d.DropMm)),
                        lifted,
                        pinionUp
                    ),
                    new(
                        "Smooth up to, turns a minute",
                        Result.Of(
                            Math.Min(At(at, lifted, pinionUp).LimitRadPerS * 30 / Math.PI, 99_999),
                            Unit.One,
                            null,
                            []
                        )
                    ),
                ],
                Travel = axle.Through(
                    wheel => At(at, lifted, pinionUp, wheel).ResidualRad * Degrees,
                    wheel => Rods(At(at, lifted, pinionUp, wheel))
                ),
            };
        var taper = Taper(axle);
        var equal = At(at, true, up).EqualisingTurnRad;
        Mechanism Made(params MechanismWay[] ways) =>
            new()
            {
                Kind = MechanismKind.Propshaft,
                Where = axle.Axle.Said(),
                FigureLabel = "Both joints leave over",
                Says = Says(At(at, false, 0), At(at, true, up + taper), axle),
                Ways = ways,
                Checks =
                [
                    "Single joints, phased. A double cardan wants its pinion 0 to 2° below the shaft's line behind, in line in front.",
                    turnsUpRad is null
                        ? "How far the lift turns the pinion itself is not known here: gauge it again on its wheels."
                        : "The pinion's own turn with the lift is in it.",
                    "At full droop the yoke is out farthest: look at the spline that is left, and that nothing touches.",
                ],
            };
        return Made([
            Way(WayKind.Before, "As it was", false, 0),
            .. axle.Lifts || Math.Abs(front.Mean - rear.Mean) > 0.5
                ? (MechanismWay[])
                    [
                        Way(WayKind.Lifted, "Lifted, pinion left", true, up),
                        .. taper != 0
                            ? (MechanismWay[])
                                [
                                    Way(
                                        WayKind.Planned,
                                        "As planned: with its tapers",
                                        true,
                                        up + taper,
                                        PartKind.AxleShim
                                    ),
                                ]
                            : [],
                        Way(
                            WayKind.Cure,
                            string.Create(
                                CultureInfo.InvariantCulture,
                                $"Pinion turned {(equal < 0 ? "down" : "up")} by {Math.Abs(equal) * Degrees:0.0}°"
                            ),
                            true,
                            up + equal,
                            suspension.Kind.IsLeaf() ? PartKind.AxleShim : null
                        ),
                    ]
                : [],
        ]);

        // From the side, the gearbox's joint at the right end and the axle's at zero.
        static Rod[] Rods(Driveline d)
        {
            const double Stub = 170;
            var (so, co) = Math.SinCos(d.OutputRad);
            var (sp, cp) = Math.SinCos(d.PinionRad);
            return
            [
                new("shaft", 0, 0, d.RunMm, d.DropMm),
                new("gearbox", d.RunMm, d.DropMm, d.RunMm + (Stub * co), d.DropMm + (Stub * so)),
                new("pinion", 0, 0, -Stub * cp, -Stub * sp),
            ];
        }
    }

    /// <summary>By how much tapers of the plan turn the pinion up, rad. Behind, over the axle, a thick end to the rear turns it up; in front or under the axle down.</summary>
    private static double Taper(LiftedAxle axle)
    {
        var degrees = axle
            .Parts.Where(p => p.Kind is PartKind.AxleShim or PartKind.Block)
            .Select(p => p.Get(PartSizes.Taper) ?? 0)
            .DefaultIfEmpty(0)
            .MaxBy(Math.Abs);
        var sign =
            (axle.Axle == Axle.Rear ? 1 : -1)
            * (axle.Suspension.Kind == SuspensionKind.LeafUnderslung ? -1 : 1);
        return sign * degrees / Degrees;
    }

    private static string Says(Driveline was, Driveline now, LiftedAxle axle)
    {
        string Of(double rad) =>
            string.Create(CultureInfo.InvariantCulture, $"{rad * Degrees:0.0}°");
        var said =
            $"{(axle.Axle == Axle.Rear ? "The shaft" : "The front shaft")}'s joints leave {Of(now.ResidualRad)} over, {Of(was.ResidualRad)} before";
        var limit = axle.Limits.Of(MechanismKind.Propshaft);
        var rule =
            axle.Limits.Said(MechanismKind.Propshaft)
            + (axle.Limits.IsOwn(MechanismKind.Propshaft) ? "" : " at 3,000 turns a minute");
        return now.ResidualRad * Degrees <= limit ? $"{said}: within {rule}."
            : was.ResidualRad * Degrees > limit
                ? $"{said}: beyond {rule}, as it was. Drive it, then look again."
            : $"{said}: beyond {rule}. Turn the pinion {(now.EqualisingTurnRad < 0 ? "down" : "up")} by {Of(Math.Abs(now.EqualisingTurnRad))}, or it shakes.";
    }
}
