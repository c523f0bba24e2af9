using System.Globalization;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>Camber and track of an independent corner through its travel, from taped points.</summary>
/// <remarks>Source: docs/computation/lifts.md#coil-over-on-a-lower-arm. Camber is to the body; a rack measures to the ground, where a lean of the body counts too.</remarks>
internal static class ArmsMechanism
{
    /// <summary>Standard uncertainty of camber from points taped to 3 mm, °.</summary>
    private const double CamberUDegrees = 0.075;

    /// <summary>Standard uncertainty of track from the same points, mm.</summary>
    private const double TrackUMm = 2;

    private const double Degrees = 180 / Math.PI;

    /// <summary>The mechanism; null on an axle that has none.</summary>
    public static Mechanism? Of(LiftedAxle axle)
    {
        var kind = axle.Suspension.Kind;
        if (kind.IsLiveAxle() || Archetype.Of(kind) is not { View: PlaneView.Across } archetype)
        {
            return null;
        }
        var corner = CornerLinkage.Of(axle.Suspension);
        var taped = corner.Grade == RatioGrade.Taped;
        var lift = axle.Rise.Mean - axle.PivotsLoweredMm;
        Pose? At(double up, double liftMm) =>
            taped && corner.Linkage.LengthAt(up - liftMm) is { } length
                ? Pose.Of(corner.Linkage, length, liftMm - up)
                : null;
        Result Camber(double liftMm) =>
            !taped ? Result.No(Unit.Degree, "Tape its points: they alone tell camber.")
            : At(0, liftMm) is not { } pose
                ? Result.No(Unit.Degree, "The arms cannot reach that far.")
            : liftMm == 0 ? Result.Of(0, Unit.Degree, 0, [])
            : Result.Of(
                pose.CamberRad * Degrees,
                Unit.Degree,
                double.Hypot(
                    CamberUDegrees,
                    FirstOrder.U(x => At(0, x[0])?.CamberRad, (liftMm, axle.Rise.Sd)) * Degrees
                ),
                []
            );
        MechanismWay Way(WayKind way, string said, double liftMm) =>
            new()
            {
                Kind = way,
                Said = said,
                Figure = Camber(liftMm),
                Also =
                    liftMm != 0 && At(0, liftMm)?.TrackMm is { } track
                        ?
                        [
                            new(
                                "Each tyre stands further out by",
                                Result.Of(track, Unit.Mm, TrackUMm, [])
                            ),
                        ]
                        : [],
                Travel = taped
                    ? axle.Through(
                        up => At(up, liftMm)?.CamberRad * Degrees,
                        up => At(up, liftMm)?.Rods
                    )
                    : null,
            };
        return new Mechanism
        {
            Kind = MechanismKind.Arms,
            Where = axle.Axle.Said(),
            FigureLabel = "Camber changes by (top inward below zero)",
            Says = Camber(lift).Value is { } degrees
                ? string.Create(
                    CultureInfo.InvariantCulture,
                    $"Camber changes by {degrees:+0.0;-0.0;0.0}° a side, to the body: the alignment shop sets it after settling, at this height."
                )
                : "Tape its points: then camber and track are told through the whole travel.",
            Ways =
            [
                Way(WayKind.Before, "As it was", 0),
                .. axle.Lifts ? (MechanismWay[])[Way(WayKind.Lifted, "Lifted", lift)] : [],
            ],
            Checks =
            [
                "Square on the floor against the rim, before and after, on the same spots.",
                "Toe moves with the height: set it before it is driven fast, straight to the alignment shop.",
            ],
        };
    }

    /// <summary>The arms at one place of the wheel.</summary>
    private sealed record Pose(double CamberRad, double? TrackMm, Rod[] Rods)
    {
        public static Pose? Of(ILinkage linkage, double lengthMm, double frameUp) =>
            linkage switch
            {
                DoubleWishbone arms when arms.At(lengthMm) is { } at => new Pose(
                    at.CamberChangeRad,
                    at.TrackChangeMm,
                    [
                        Rod.Of("lower arm", at.LowerBallJoint, arms.Points.LowerPivot, frameUp),
                        Rod.Of("upper arm", at.UpperBallJoint, arms.Points.UpperPivot, frameUp),
                        Rod.Of("upright", at.LowerBallJoint, at.UpperBallJoint, frameUp),
                        Rod.Of("strut", at.StrutFoot, arms.Points.StrutTop, frameUp),
                        Rod.Of("wheel", at.WheelCentre, at.WheelCentre, frameUp),
                    ]
                ),
                StrutLinkage strut when strut.At(lengthMm) is { } at => new Pose(
                    at.CamberChangeRad,
                    null,
                    [
                        Rod.Of("lower arm", at.LowerBallJoint, strut.Points.LowerPivot, frameUp),
                        Rod.Of("strut", at.LowerBallJoint, strut.Points.StrutTop, frameUp),
                        Rod.Of("upright", at.LowerBallJoint, at.WheelCentre, frameUp),
                        Rod.Of("wheel", at.WheelCentre, at.WheelCentre, frameUp),
                    ]
                ),
                _ => null,
            };
    }
}
