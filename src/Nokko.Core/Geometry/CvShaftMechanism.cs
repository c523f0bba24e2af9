using System.Globalization;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>How steeply the CV joints of an independent corner run, and how far its shaft slides.</summary>
/// <remarks>Source: docs/computation/geometry.md#cv-shafts.</remarks>
internal static class CvShaftMechanism
{
    /// <summary>Usual limit of a CV joint at ride height, °: a rule of thumb.</summary>
    public const double RideDegrees = 8;

    /// <summary>Usual limit of a CV joint at full droop, °: a rule of thumb.</summary>
    public const double DroopDegrees = 18;

    private const double Degrees = 180 / Math.PI;

    private static readonly (Estimate Drop, Estimate Run) Invented = (new(15, 20), new(420, 60));

    /// <summary>The mechanism; null on an axle that has none.</summary>
    public static Mechanism? Of(LiftedAxle axle)
    {
        var suspension = axle.Suspension;
        if (suspension.Kind.IsLiveAxle())
        {
            return null;
        }
        var sizes = new AxleSizes(suspension)
            .Size(SuspensionSizes.CvDrop, Invented.Drop)
            .Size(SuspensionSizes.CvRun, Invented.Run)
            .Rise(axle.Rise);
        var at = sizes.At;
        var lift = axle.Rise.Mean;
        var own = suspension.Get(SuspensionSizes.CvRideLimit);
        var limit = own ?? RideDegrees;
        var droopLimit = suspension.Get(SuspensionSizes.CvDroopLimit) ?? DroopDegrees;
        var wider = axle.Amount(PartKind.HalfShaftSpacer) ?? 0;
        // A rear subframe carries its differential down with it.
        var carried =
            suspension.Kind == SuspensionKind.MultiLink
                ? axle.Amount(PartKind.SubframeBlock) ?? 0
                : 0;
        var planned = axle.Amount(PartKind.DiffDrop);
        var needed = Math.Max(0, at[0] + lift - carried - (Math.Tan(limit / Degrees) * at[1]));
        var drop = axle.Nearest(PartKind.DiffDrop, needed);
        double Angle(double[] x, double up, double lowered, bool lifted) =>
            Math.Atan2(Below(x, lowered, lifted) - up, x[1] + (lifted ? wider : 0));
        double Below(double[] x, double lowered, bool lifted) =>
            x[0] + (lifted ? x[2] - carried : 0) - lowered;
        MechanismWay Way(
            WayKind kind,
            string said,
            double lowered,
            bool lifted,
            PartKind? part = null
        ) =>
            new()
            {
                Kind = kind,
                Said = said,
                Part = part,
                Figure = sizes.Worked(Unit.Degree, x => Angle(x, 0, lowered, lifted)),
                Also =
                [
                    axle.DroopMm is { } droop
                        ? sizes.Worked(
                            $"At full droop, against {droopLimit.ToString("0.#", CultureInfo.InvariantCulture)}°",
                            Unit.Degree,
                            x => Angle(x, -droop, lowered, lifted)
                        )
                        : new(
                            "At full droop",
                            Result.No(Unit.Degree, "How far it will droop is not known.")
                        ),
                    sizes.Worked(
                        "The shaft is drawn out by",
                        Unit.Mm,
                        x =>
                            double.Hypot(x[1] + (lifted ? wider : 0), Below(x, lowered, lifted))
                            - double.Hypot(x[1], x[0])
                    ),
                ],
                Care =
                    axle.DroopMm is { } d
                    && Math.Abs(Angle(at, -d, lowered, lifted)) * Degrees > droopLimit
                        ? new Caution(
                            Heed.Stop,
                            "At full droop the joint bends further than it may: a strap, or a lower differential."
                        )
                        : null,
                Travel = axle.Through(
                    up => Angle(at, up, lowered, lifted) * Degrees,
                    up =>
                    {
                        var below = Below(at, lowered, lifted) - up;
                        return [new("shaft", 0, below, -(at[1] + (lifted ? wider : 0)), 0)];
                    }
                ),
            };
        return new Mechanism
        {
            Kind = MechanismKind.CvShaft,
            Where = axle.Axle.Said(),
            FigureLabel = "CV joints at ride height run at",
            Says = Says(),
            Ways =
            [
                Way(WayKind.Before, "As it was", 0, false),
                .. axle.Lifts
                    ? (MechanismWay[])[Way(WayKind.Lifted, "Lifted, differential left", 0, true)]
                    : [],
                .. planned is { } by
                    ? (MechanismWay[])
                        [
                            Way(
                                WayKind.Planned,
                                $"As planned: differential {LengthText.Both(by)} lower",
                                by,
                                true,
                                PartKind.DiffDrop
                            ),
                        ]
                    : [],
                .. needed > 0.5 && planned is null
                    ? (MechanismWay[])
                        [
                            Way(
                                WayKind.Cure,
                                $"{drop.Name ?? "Differential drop"}: {LengthText.Both(drop.Mm)} lower",
                                drop.Mm,
                                true,
                                PartKind.DiffDrop
                            ),
                        ]
                    : [],
            ],
            Asks = axle.Lifts ? sizes.Asks(Unit.Degree, x => Angle(x, 0, 0, true)) : [],
            Limit = limit,
            LimitIsRule = own is null,
            Checks =
            [
                "Driven axles only: on one without shafts none of this counts.",
                "Turn the wheel by hand at full droop and full lock: nothing clicks, no boot is pinched.",
            ],
        };

        string Says()
        {
            var runs = Angle(at, 0, planned ?? 0, true) * Degrees;
            var said = string.Create(
                CultureInfo.InvariantCulture,
                $"The shafts run at {Math.Abs(runs):0.0}° on its wheels, {Math.Abs(Angle(at, 0, 0, false)) * Degrees:0.0}° before"
            );
            var rule = string.Create(
                CultureInfo.InvariantCulture,
                $"{limit:0.#}°{(own is null ? ", a rule of thumb" : ", the limit that was entered")}"
            );
            return Math.Abs(runs) <= limit
                ? $"{said}: within {rule}."
                : $"{said}: beyond {rule}. A differential {LengthText.Both(needed)} lower brings them there.";
        }
    }
}
