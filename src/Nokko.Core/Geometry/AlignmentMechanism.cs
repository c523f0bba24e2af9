using System.Globalization;
using MathNet.Numerics;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>Whether an independent front that was lifted can be set back to the angles that it had, from points taped in space.</summary>
/// <remarks>Source: docs/computation/geometry.md#double-wishbone-in-space.</remarks>
internal static class AlignmentMechanism
{
    private const double Degrees = 180 / Math.PI;

    /// <summary>The mechanism; null on an axle that has none.</summary>
    public static Mechanism? Of(LiftedAxle axle)
    {
        if (axle.Axle != Axle.Front || !SpaceArms.Has(axle.Suspension.Kind))
        {
            return null;
        }
        var range = axle.Suspension.Get(SuspensionSizes.CamRange);
        if (
            SpaceArms.Points(axle.Suspension) is not { } points
            || SpaceArms.WhyNot(points) is not null
        )
        {
            return Made(
                axle,
                "Tape nine points in space: then caster, toe and what is left of the cams are told.",
                null,
                new MechanismWay
                {
                    Kind = WayKind.Before,
                    Said = "As it was",
                    Figure = Result.No(
                        Unit.Degree,
                        "Tape its points in space: they alone tell it."
                    ),
                }
            );
        }
        var arms = new SpaceWishbone(points);
        var lowered = axle.PivotsLoweredMm;
        var ride = arms.At(0)!.Value;
        var (front, rear) = (axle.Rises.Front, axle.Rises.Rear);
        double Nose(double f, double r) => (r - f) / axle.WheelbaseMm;
        (double Value, double U)[] given =
        [
            .. points
                .ToArray()
                .SelectMany(p =>
                    new[]
                    {
                        (p.X, AxleSizes.JointUMm),
                        (p.Y, AxleSizes.JointUMm),
                        (p.Z, AxleSizes.JointUMm),
                    }
                ),
            (front.Mean, front.Sd),
            (rear.Mean, rear.Sd),
        ];
        static SpaceWishbonePoints Taped(double[] x) =>
            SpaceWishbonePoints.Of([
                .. Enumerable
                    .Range(0, 9)
                    .Select(i => new SpacePoint(x[3 * i], x[(3 * i) + 1], x[(3 * i) + 2])),
            ]);
        // Everything that one look at the points gives is worked out together.
        Result[] Worked(Func<double[], double[]?> of, params ReadOnlySpan<Unit> units)
        {
            var values = of([.. given.Select(g => g.Value)]);
            var us = FirstOrder.Us(of, units.Length, given, [(27, 28, axle.Rises.Covariance)]);
            var results = new Result[units.Length];
            for (var i = 0; i < units.Length; i++)
            {
                var factor = units[i] == Unit.Degree ? Degrees : 1;
                results[i] = values is null
                    ? Result.No(units[i], "The arms cannot reach that far.")
                    : Result.Of(values[i] * factor, units[i], us[i] * factor, []);
            }
            return results;
        }
        MechanismTravel? Through(SpaceWishbone corner, double lift) =>
            axle.Through(
                up => (corner.At(up - lift)?.Camber - ride.Camber) * Degrees,
                up => corner.At(up - lift) is { } at ? Rods(points, at, lift - up) : null
            );
        MechanismWay Way(
            WayKind kind,
            string said,
            Result figure,
            IReadOnlyList<LabelledResult> also,
            SpaceWishbone corner
        ) =>
            new()
            {
                Kind = kind,
                Said = said,
                Figure = figure,
                Also = also,
                Travel = Through(corner, kind == WayKind.Before ? 0 : front.Mean - lowered),
            };
        var before = Way(WayKind.Before, "As it was", Result.Of(0, Unit.Degree, 0, []), [], arms);
        if (!axle.Lifts)
        {
            return Made(axle, "Nothing lifts here: its angles stay.", null, before);
        }
        double Patch(SpacePose pose) => pose.Wheel.Y - (points.Wheel.Z * Math.Sin(pose.Camber));
        var moves = Worked(
            x =>
                new SpaceWishbone(Taped(x)) is var corner
                && corner.At(lowered - x[27]) is { } low
                && corner.At(0) is { } was
                    ?
                    [
                        low.Camber - was.Camber,
                        low.Toe - was.Toe,
                        low.Caster - was.Caster - Nose(x[27], x[28]),
                        Patch(low) - Patch(was),
                        low.ScrubMm - was.ScrubMm,
                    ]
                    : null,
            Unit.Degree,
            Unit.Degree,
            Unit.Degree,
            Unit.Mm,
            Unit.Mm
        );
        var lifted = Way(
            WayKind.Lifted,
            "Lifted, nothing set",
            moves[0],
            [
                new("Each wheel turns in by", moves[1]),
                new("Caster, to the ground, changes by", moves[2]),
                new("Each tyre stands further out by", moves[3]),
                new("Scrub radius grows by", moves[4]),
            ],
            arms
        );
        AlignmentSetting? Setting(double[] x)
        {
            var taped = Taped(x);
            return new SpaceWishbone(taped).At(0) is { } was
                ? Realignment.Of(
                    taped,
                    lowered - x[27],
                    was.Camber,
                    was.Caster + Nose(x[27], x[28]),
                    was.Toe
                )
                : null;
        }
        var settings = Worked(
            x => Setting(x) is { } set ? [set.FrontOutMm, set.RearOutMm, set.RodMm] : null,
            Unit.Mm,
            Unit.Mm,
            Unit.Mm
        );
        var (forward, behind) = (settings[0], settings[1]);
        var chance = range is { } cams ? Chance([forward, behind], cams) : (double?)null;
        LabelledResult[] needed =
        [
            new("Lower arm’s front pivot goes out by", forward),
            new("Its rear pivot goes out by", behind),
            new("The tie rod is longer by", settings[2]),
            .. range is { } r && forward.Value is { } f && behind.Value is { } b
                ? (LabelledResult[])
                    [
                        new(
                            "Left of the cams",
                            Result.Of(
                                r - Math.Max(Math.Abs(f), Math.Abs(b)),
                                Unit.Mm,
                                Math.Abs(f) >= Math.Abs(b) ? forward.U : behind.U,
                                []
                            )
                        ),
                    ]
                : [],
        ];
        return Made(
            axle,
            Says(forward, behind, range, chance),
            chance is { } p ? p < 0.5 : null,
            before,
            lifted,
            Way(
                WayKind.Cure,
                "Set back by cams and sleeve",
                forward.Value is null
                    ? Result.No(Unit.Degree, "No setting gives its angles back.")
                    : Result.Of(0, Unit.Degree, lifted.Figure.U, []),
                needed,
                Setting([.. given.Select(g => g.Value)]) is { } setting
                    ? new SpaceWishbone(points, setting)
                    : arms
            )
        );
    }

    private static Mechanism Made(
        LiftedAxle axle,
        string says,
        bool? judged,
        params MechanismWay[] ways
    ) =>
        new()
        {
            Kind = MechanismKind.Alignment,
            Where = axle.Axle.Said(),
            FigureLabel = "Camber changes by (top inward below zero)",
            Says = says,
            Ways = ways,
            Judged = judged,
            Asks = axle.Suspension.Get(SuspensionSizes.CamRange) is null
                ? [new AskedSize(SuspensionSizes.CamRange, null, null)]
                : [],
            Checks =
            [
                "The alignment shop's sheet before the work says whether it was out before: set back to it, not to these points.",
                "Straight there and slowly: camber, caster, then toe, at this height, settled.",
            ],
        };

    /// <summary>At least how likely both cams reach: one less the chances that either does not (Bonferroni).</summary>
    private static double? Chance(IReadOnlyList<Result> needs, double rangeMm)
    {
        var misses = 0.0;
        foreach (var need in needs)
        {
            if (need is not { Value: { } mm, U: { } u })
            {
                return 0;
            }
            double Below(double x) => 0.5 * SpecialFunctions.Erfc(-x / Math.Sqrt(2));
            misses +=
                u > 0 ? 1 - (Below((rangeMm - mm) / u) - Below((-rangeMm - mm) / u))
                : Math.Abs(mm) > rangeMm ? 1
                : 0;
        }
        return Math.Max(0, 1 - misses);
    }

    private static string Says(Result front, Result rear, double? range, double? chance)
    {
        if (front.Value is not { } f || rear.Value is not { } r)
        {
            return "No setting of cams and sleeve gives its angles back: another arm, or less lift.";
        }
        var most = LengthText.Both(Math.Max(Math.Abs(f), Math.Abs(r)));
        if (range is not { } cams || chance is not { } p)
        {
            return $"Back to its angles takes {most} at the cams: tape how far they go, then it is told whether it aligns.";
        }
        var odds = string.Create(
            CultureInfo.InvariantCulture,
            $"{Math.Clamp(Math.Round(p * 100), 1, 99):0} in 100"
        );
        return p >= 0.5
            ? $"It aligns, {odds}: its angles take {most} at the cams, they have {LengthText.Both(cams)}."
            : $"It will hardly align, {odds}: its angles take {most} at the cams, they have {LengthText.Both(cams)}. Another upper arm, or less lift.";
    }

    private static Rod[] Rods(SpaceWishbonePoints p, SpacePose at, double frameUp)
    {
        Rod Drawn(string name, SpacePoint a, SpacePoint b) =>
            Rod.Of(name, new(a.Y, a.Z), new(b.Y, b.Z), frameUp);
        return
        [
            Drawn("lower arm", at.LowerBall, 0.5 * (p.LowerFront + p.LowerRear)),
            Drawn("upper arm", at.UpperBall, 0.5 * (p.UpperFront + p.UpperRear)),
            Drawn("upright", at.LowerBall, at.UpperBall),
            Drawn("tie rod", at.RodOuter, p.RodInner),
            Drawn("wheel", at.Wheel, at.Wheel),
        ];
    }
}
