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
        Result Worked(Unit unit, Func<double[], double?> of)
        {
            double[] at = [.. given.Select(g => g.Value)];
            var factor = unit == Unit.Degree ? Degrees : 1;
            return of(at) is { } value
                ? Result.Of(
                    value * factor,
                    unit,
                    FirstOrder.U(of, given, [(27, 28, axle.Rises.Covariance)]) * factor,
                    []
                )
                : Result.No(unit, "The arms cannot reach that far.");
        }
        double? Change(double[] x, Func<SpacePose, double> of)
        {
            var corner = new SpaceWishbone(Taped(x));
            return corner.At(-x[27]) is { } low && corner.At(0) is { } was
                ? of(low) - of(was)
                : null;
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
                Travel = Through(corner, kind == WayKind.Before ? 0 : front.Mean),
            };
        var before = Way(WayKind.Before, "As it was", Result.Of(0, Unit.Degree, 0, []), [], arms);
        if (!axle.Lifts)
        {
            return Made(axle, "Nothing lifts here: its angles stay.", null, before);
        }
        var lifted = Way(
            WayKind.Lifted,
            "Lifted, nothing set",
            Worked(Unit.Degree, x => Change(x, p => p.Camber)),
            [
                new("Each wheel turns in by", Worked(Unit.Degree, x => Change(x, p => p.Toe))),
                new(
                    "Caster, to the ground, changes by",
                    Worked(Unit.Degree, x => Change(x, p => p.Caster) - Nose(x[27], x[28]))
                ),
                new(
                    "Each tyre stands further out by",
                    Worked(
                        Unit.Mm,
                        x => Change(x, p => p.Wheel.Y - (points.Wheel.Z * Math.Sin(p.Camber)))
                    )
                ),
                new("Scrub radius grows by", Worked(Unit.Mm, x => Change(x, p => p.ScrubMm))),
            ],
            arms
        );
        AlignmentSetting? Setting(double[] x)
        {
            var taped = Taped(x);
            return new SpaceWishbone(taped).At(0) is { } was
                ? Realignment.Of(
                    taped,
                    -x[27],
                    was.Camber,
                    was.Caster + Nose(x[27], x[28]),
                    was.Toe
                )
                : null;
        }
        var forward = Worked(Unit.Mm, x => Setting(x)?.FrontOutMm);
        var behind = Worked(Unit.Mm, x => Setting(x)?.RearOutMm);
        var chance = range is { } cams ? Chance([forward, behind], cams) : (double?)null;
        LabelledResult[] needed =
        [
            new("Lower arm’s front pivot goes out by", forward),
            new("Its rear pivot goes out by", behind),
            new("The tie rod is longer by", Worked(Unit.Mm, x => Setting(x)?.RodMm)),
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

    // Points are the frame's: over the ground they stand higher by as much as the frame does.
    private static Rod[] Rods(SpaceWishbonePoints p, SpacePose at, double up)
    {
        SpacePoint Middle(SpacePoint a, SpacePoint b) => 0.5 * (a + b);
        Rod Drawn(string name, SpacePoint a, SpacePoint b) =>
            new(name, a.Y, a.Z + up, b.Y, b.Z + up);
        return
        [
            Drawn("lower arm", at.LowerBall, Middle(p.LowerFront, p.LowerRear)),
            Drawn("upper arm", at.UpperBall, Middle(p.UpperFront, p.UpperRear)),
            Drawn("upright", at.LowerBall, at.UpperBall),
            Drawn("tie rod", at.RodOuter, p.RodInner),
            Drawn("wheel", at.Wheel, at.Wheel),
        ];
    }
}
