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

    /// <summary>From the mounts ahead about which engine and gearbox tilt to the mount behind them, mm: a rule of thumb.</summary>
    private static readonly Estimate Mounts = new(900, 150);

    /// <summary>Least and most that a mount is lowered by, mm: less is not worth it, more strains what hangs on the engine.</summary>
    private static readonly (double Least, double Most) Lowered = (3, 40);

    /// <summary>Label of the joint's angle that two gauges on shaft and pinion tell.</summary>
    public const string AxleJoint = "Joint at the axle";

    /// <summary>The mechanism; null on an axle that has none, or whose shaft nobody taped.</summary>
    /// <param name="axle">The axle.</param>
    /// <param name="turnsUpRad">How far its arms or links turn the pinion up with the lift, rad; null is not known.</param>
    /// <param name="plannedUpRad">The same with what the plan has for its arms or links; null where it has nothing.</param>
    public static Mechanism? Of(LiftedAxle axle, double? turnsUpRad, double? plannedUpRad = null)
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
            (Mounts.Mean, Mounts.Sd),
        ];
        var (own, other) = behind ? (5, 4) : (4, 5);
        var up = turnsUpRad ?? 0;
        // A mount that is lowered tilts the output behind it down, and one that points ahead up.
        var tilts = behind ? 1 : -1;
        Driveline At(
            double[] x,
            bool lifted,
            double pinionUp,
            double wheelUp = 0,
            double mountMm = 0
        )
        {
            // The gearbox rides on the frame between the axles; the body's pitch tilts its output.
            var rise = lifted ? x[own] + ((x[other] - x[own]) * x[0] / axle.WheelbaseMm) : 0;
            var tilt = lifted ? (x[other] - x[own]) / axle.WheelbaseMm : 0;
            return new Driveline(
                x[0],
                x[1] + rise - wheelUp - mountMm,
                x[2] + tilt + (tilts * mountMm / x[6]),
                x[3] + pinionUp
            );
        }
        double[] at = [.. given.Select(g => g.Value)];
        LabelledResult Number(
            string label,
            Unit unit,
            Func<Driveline, double> of,
            bool lifted,
            double pinionUp,
            double mountMm
        )
        {
            var factor = unit == Unit.Degree ? Degrees : 1;
            return new(
                label,
                Result.Of(
                    of(At(at, lifted, pinionUp, mountMm: mountMm)) * factor,
                    unit,
                    FirstOrder.U(
                        x => of(At(x, lifted, pinionUp, mountMm: mountMm)),
                        given,
                        [(4, 5, axle.Rises.Covariance)]
                    ) * factor,
                    [],
                    mountMm == 0 ? Known.Computed : Known.Archetype
                )
            );
        }
        MechanismWay Way(
            WayKind kind,
            string said,
            bool lifted,
            double pinionUp,
            PartKind? part = null,
            double mountMm = 0
        ) =>
            new()
            {
                Kind = kind,
                Said = said,
                Part = part,
                Figure = Number(
                    "",
                    Unit.Degree,
                    d => d.ResidualRad,
                    lifted,
                    pinionUp,
                    mountMm
                ).Result,
                Also =
                [
                    Number(
                        "Joint at the gearbox",
                        Unit.Degree,
                        d => d.FrontJointRad,
                        lifted,
                        pinionUp,
                        mountMm
                    ),
                    Number(AxleJoint, Unit.Degree, d => d.RearJointRad, lifted, pinionUp, mountMm),
                    Number(
                        "The pinion must turn up by, to make both alike",
                        Unit.Degree,
                        d => d.EqualisingTurnRad,
                        lifted,
                        pinionUp,
                        mountMm
                    ),
                    Number(
                        "The shaft grows by",
                        Unit.Mm,
                        d => Driveline.LongerMm((run, drop), (d.RunMm, d.DropMm)),
                        lifted,
                        pinionUp,
                        mountMm
                    ),
                    new(
                        "Smooth up to, turns a minute",
                        Result.Of(
                            Math.Min(
                                At(at, lifted, pinionUp, mountMm: mountMm).LimitRadPerS
                                    * 30
                                    / Math.PI,
                                99_999
                            ),
                            Unit.One,
                            null,
                            []
                        )
                    ),
                ],
                Travel = axle.Through(
                    wheel => At(at, lifted, pinionUp, wheel, mountMm).ResidualRad * Degrees,
                    wheel => Rods(At(at, lifted, pinionUp, wheel, mountMm))
                ),
            };
        var taper = Taper(axle) + (plannedUpRad - turnsUpRad ?? 0);
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
                                        plannedUpRad is null
                                            ? "As planned: with its tapers"
                                            : "As planned: with what turns its axle",
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
                        .. -tilts * equal * Mounts.Mean is var lower
                        && lower >= Lowered.Least
                        && lower <= Lowered.Most
                            ? (MechanismWay[])
                                [
                                    Way(
                                        WayKind.Cure,
                                        $"Gearbox mount about {LengthText.Both(lower)} lower",
                                        true,
                                        up,
                                        mountMm: lower
                                    ),
                                ]
                            : [],
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
