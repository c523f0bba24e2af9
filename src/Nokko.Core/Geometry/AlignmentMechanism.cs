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

    /// <summary>At what lock camber in a turn is told, rad: where a rack sweeps caster.</summary>
    private const double SteeredRad = 20 / Degrees;

    private const string TapeNine =
        "Tape nine points in space: then caster, toe and what is left of the cams are told.";

    /// <summary>The mechanism; null on an axle that has none.</summary>
    public static Mechanism? Of(LiftedAxle axle)
    {
        if (axle.Axle != Axle.Front || !SpaceArms.Has(axle.Suspension.Kind))
        {
            return null;
        }
        var range = axle.Suspension.Get(SuspensionSizes.CamRange);
        var camberRange = AngleRange.Of(
            axle.Suspension,
            SuspensionSizes.CamberLeast,
            SuspensionSizes.CamberMost
        );
        var casterRange = AngleRange.Of(
            axle.Suspension,
            SuspensionSizes.CasterLeast,
            SuspensionSizes.CasterMost
        );
        var tapedPoints = SpaceArms.Points(axle.Suspension);
        var (taped, usual) = (tapedPoints is not null, SpaceArms.Usual(axle.Suspension));
        if (
            (tapedPoints ?? usual?.Points) is not { } points
            || SpaceArms.WhyNot(points) is not null
        )
        {
            return Made(
                axle,
                TapeNine,
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
        var known = taped ? Known.Computed : Known.Archetype;
        var pointUs = taped ? [.. Enumerable.Repeat(AxleSizes.JointUMm, 27)] : usual!.Value.U;
        var arms = new SpaceWishbone(points);
        var lowered = axle.PivotsLoweredMm;
        var ride = arms.At(0)!.Value;
        var (front, rear) = (axle.Rises.Front, axle.Rises.Rear);
        double Nose(double f, double r) => (r - f) / axle.WheelbaseMm;
        (double Value, double U)[] given =
        [
            .. points.ToArray().SelectMany(p => new[] { p.X, p.Y, p.Z }).Zip(pointUs),
            (front.Mean, front.Sd),
            (rear.Mean, rear.Sd),
        ];
        static SpaceWishbonePoints PointsOf(double[] x) =>
            SpaceWishbonePoints.Of([
                .. Enumerable
                    .Range(0, 9)
                    .Select(i => new SpacePoint(x[3 * i], x[(3 * i) + 1], x[(3 * i) + 2])),
            ]);
        // Everything that one look at the points gives is worked out together.
        Result[] WorkedWith(
            (double Value, double U)[] more,
            Func<double[], double[]?> of,
            params ReadOnlySpan<Unit> units
        )
        {
            (double Value, double U)[] all = [.. given, .. more];
            var values = of([.. all.Select(g => g.Value)]);
            var us = FirstOrder.Us(of, units.Length, all, [(27, 28, axle.Rises.Covariance)]);
            var results = new Result[units.Length];
            for (var i = 0; i < units.Length; i++)
            {
                var factor = units[i] == Unit.Degree ? Degrees : 1;
                results[i] = values is null
                    ? Result.No(units[i], "The arms cannot reach that far.")
                    : Result.Of(values[i] * factor, units[i], us[i] * factor, [], known);
            }
            return results;
        }
        Result[] Worked(Func<double[], double[]?> of, params ReadOnlySpan<Unit> units) =>
            WorkedWith([], of, units);
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
                new SpaceWishbone(PointsOf(x)) is var corner
                && corner.At(lowered - x[27]) is { } low
                && corner.At(0) is { } was
                    ?
                    [
                        low.Camber - was.Camber,
                        low.Toe - was.Toe,
                        low.Caster - was.Caster - Nose(x[27], x[28]),
                        Patch(low) - Patch(was),
                        low.ScrubMm - was.ScrubMm,
                        low.Kingpin - was.Kingpin,
                        low.CamberSteered(SteeredRad) - was.CamberSteered(SteeredRad),
                        low.CamberSteered(-SteeredRad) - was.CamberSteered(-SteeredRad),
                    ]
                    : null,
            Unit.Degree,
            Unit.Degree,
            Unit.Degree,
            Unit.Mm,
            Unit.Mm,
            Unit.Degree,
            Unit.Degree,
            Unit.Degree
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
                new("Kingpin inclination grows by", moves[5]),
                new("Outer wheel at 20°, camber changes by", moves[6]),
                new("Inner wheel at 20°, camber changes by", moves[7]),
            ],
            arms
        );
        // Without a sheet both angles go back to what they were; with one, as far as their range asks for.
        AlignmentSetting? Setting(double[] x, AlignmentSheet? sheet)
        {
            var at = PointsOf(x);
            var corner = new SpaceWishbone(at);
            if (corner.At(0) is not { } was || corner.At(lowered - x[27]) is not { } low)
            {
                return null;
            }
            var nose = Nose(x[27], x[28]);
            double Off(AngleRange? range, int before, double moved) =>
                sheet is not null && range is { } r
                    ? r.Off(x[before], moved * Degrees) / Degrees
                    : 0;
            return Realignment.Of(
                at,
                lowered - x[27],
                was.Camber
                    + Off(sheet?.Camber is null ? null : camberRange, 29, low.Camber - was.Camber),
                was.Caster
                    + nose
                    + Off(
                        sheet?.Caster is null ? null : casterRange,
                        30,
                        low.Caster - was.Caster - nose
                    ),
                was.Toe
            );
        }
        (double, double)[] Read(AlignmentSheet? sheet) =>
            sheet is null
                ? []
                :
                [
                    (sheet.Camber?.Mean ?? 0, sheet.Camber?.Sd ?? 0),
                    (sheet.Caster?.Mean ?? 0, sheet.Caster?.Sd ?? 0),
                ];
        AlignmentSetting? SettingFor(AlignmentSheet? sheet) =>
            Setting([.. given.Select(g => g.Value), .. Read(sheet).Select(v => v.Item1)], sheet);
        // The side that asks most of its cams decides; one that nothing sets asks for more than any.
        var sheet = axle.Sheets.MaxBy(s =>
            SettingFor(s) is { } to
                ? Math.Max(Math.Abs(to.FrontOutMm), Math.Abs(to.RearOutMm))
                : double.PositiveInfinity
        );
        var setting = SettingFor(sheet);
        var settings = WorkedWith(
            Read(sheet),
            x => Setting(x, sheet) is { } set ? [set.FrontOutMm, set.RearOutMm, set.RodMm] : null,
            Unit.Mm,
            Unit.Mm,
            Unit.Mm
        );
        var (forward, behind) = (settings[0], settings[1]);
        var chance = range is { } cams ? Chance([forward, behind], cams) : null;
        var set = setting is { } to ? new SpaceWishbone(points, to) : arms;
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
                                [],
                                known
                            )
                        ),
                    ]
                : [],
        ];
        var said = Says(forward, behind, range, chance);
        return Made(
            axle,
            (
                taped
                    ? said
                    : $"By usual arms of its kind, with a wide ±: {char.ToLowerInvariant(said[0])}{said[1..]}"
            )
                + string.Concat(axle.Sheets.Select(s => s.Was(camberRange, casterRange)))
                + (taped ? "" : " " + TapeNine),
            // What rests on usual arms asks for a tape and condemns nothing.
            taped && chance is { } p
                ? p < 0.5
                : null,
            before,
            lifted with
            {
                Also =
                [
                    .. lifted.Also,
                    .. axle.Sheets.SelectMany(s => s.Lifted(moves[0], moves[2])),
                ],
            },
            Way(
                WayKind.Cure,
                sheet is null || (camberRange is null && casterRange is null)
                    ? "Set back by cams and sleeve"
                    : "Set into its range by cams and sleeve",
                set.At(lowered - front.Mean) is { } at && setting is not null
                    ? Result.Of(
                        (at.Camber - ride.Camber) * Degrees,
                        Unit.Degree,
                        lifted.Figure.U,
                        [],
                        known
                    )
                    : Result.No(Unit.Degree, "No setting gives its angles back."),
                needed,
                set
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
            Asks =
            [
                .. (
                    (string[])
                        [
                            SuspensionSizes.CamRange,
                            .. axle.Sheets.Count > 0
                                ? (string[])
                                    [
                                        SuspensionSizes.CamberLeast,
                                        SuspensionSizes.CamberMost,
                                        SuspensionSizes.CasterLeast,
                                        SuspensionSizes.CasterMost,
                                    ]
                                : [],
                        ]
                )
                    .Where(s => axle.Suspension.Get(s) is null)
                    .Select(s => new AskedSize(s, null, null)),
            ],
            Checks =
            [
                axle.Sheets.Count > 0
                    ? "It counts from the angles that were read before the work; a range that was entered is the one of your service information."
                    : "The alignment shop's sheet before the work says whether it was out before: read its camber and caster in (Walk round, other measures), and it counts from them.",
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
            // The points' own ± keeps it above zero.
            misses += 1 - (Below((rangeMm - mm) / u) - Below((-rangeMm - mm) / u));
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
