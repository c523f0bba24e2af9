using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>A point to tape in space.</summary>
/// <param name="Name">Its name in files.</param>
/// <param name="Label">As said in a bay.</param>
public sealed record SpacePointName(string Name, string Label);

/// <summary>The nine points of a double wishbone corner in space: which there are, and what was taped of them.</summary>
public static class SpaceArms
{
    /// <summary>The points, in the order in which they are taped.</summary>
    public static IReadOnlyList<SpacePointName> Names { get; } =
    [
        new("lowerFront", "Lower arm, front pivot"),
        new("lowerRear", "Lower arm, rear pivot"),
        new("lowerBall", "Lower ball joint"),
        new("upperFront", "Upper arm, front pivot"),
        new("upperRear", "Upper arm, rear pivot"),
        new("upperBall", "Upper ball joint"),
        new("rodInner", "Tie rod, inner joint"),
        new("rodOuter", "Tie rod, outer joint"),
        new("wheel", "Wheel centre"),
    ];

    /// <summary>Whether a kind of suspension has two arms and a tie rod that these points tell.</summary>
    public static bool Has(SuspensionKind kind) =>
        kind
            is SuspensionKind.CoilOverArm
                or SuspensionKind.TorsionBarArm
                or SuspensionKind.TransverseLeaf;

    /// <summary>The taped points, or null where one of them is missing.</summary>
    public static SpaceWishbonePoints? Points(Vehicles.Suspension suspension)
    {
        var taped = suspension.SpacePoints ?? [];
        SpacePoint[] points =
        [
            .. Names
                .Select(n => taped.FirstOrDefault(p => p.Name == n.Name))
                .Select(p =>
                    p is { X: { } x, Y: { } y, Z: { } z }
                        ? new SpacePoint(x.In(Unit.Mm), Math.Abs(y.In(Unit.Mm)), z.In(Unit.Mm))
                        : (SpacePoint?)null
                )
                .OfType<SpacePoint>(),
        ];
        return points.Length == Names.Count ? SpaceWishbonePoints.Of(points) : null;
    }

    /// <summary>
    /// The nine points of a corner that nobody taped in space: across and up from the seven points that were taped in its plane, else from usual arms of its kind, along from usual arms.
    /// They tell what a lift changes, with a wide ±, and no angle.
    /// </summary>
    /// <remarks>Source: docs/computation/geometry.md#usual-arms-in-space. The spreads are rules of thumb.</remarks>
    /// <param name="suspension">The suspension.</param>
    /// <returns>The points and the standard uncertainty of x, y and z of each; null where its kind has no usual arms.</returns>
    public static (SpaceWishbonePoints Points, double[] U)? Usual(Vehicles.Suspension suspension)
    {
        if (
            !Has(suspension.Kind)
            || Archetype.Of(
                suspension.Kind == SuspensionKind.TorsionBarArm
                    ? SuspensionKind.CoilOverArm
                    : suspension.Kind
            )
                is not { } archetype
        )
        {
            return null;
        }
        var corner = CornerLinkage.Of(suspension);
        var taped = corner.Grade == RatioGrade.Taped;
        var plane = (
            corner.Linkage as DoubleWishbone
            ?? (DoubleWishbone)archetype.Linkage([.. archetype.Points.Select(p => p.At)])
        ).Points;
        // An axle of a light vehicle is smaller all round.
        var scale = (plane.LowerBallJoint - plane.LowerPivot).Length / UsualArmMm;
        var (low, ball, high, top, wheel) = (
            plane.LowerPivot,
            plane.LowerBallJoint,
            plane.UpperPivot,
            plane.UpperBallJoint,
            plane.WheelCentre
        );
        var (of, joint) = (taped ? AxleSizes.JointUMm : 12 * scale, 6 * scale);
        // Along nobody looked; the two pivots of an arm stand about the one that was taped.
        (SpacePoint At, double X, double Y, double Z)[] points =
        [
            (On(150, low, 10, 5), 40, double.Hypot(of, joint), double.Hypot(of, joint)),
            (On(-190, low, 5, -5), 40, double.Hypot(of, joint), double.Hypot(of, joint)),
            (On(8, ball, 0, 0), 8, of, of),
            (On(95, high, 10, 5), 40, double.Hypot(of, joint), double.Hypot(of, joint)),
            (On(-160, high, 0, -10), 40, double.Hypot(of, joint), double.Hypot(of, joint)),
            (On(-22, top, 0, 0), 15, of, of),
            (On(-120, low, 20, 50), 30, 12 * scale, 6 * scale),
            (On(-135, ball, -10, 50), 20, 12 * scale, 6 * scale),
            (On(0, wheel, 0, 0), 0, of, of),
        ];
        return (
            SpaceWishbonePoints.Of([.. points.Select(p => p.At)]),
            [.. points.SelectMany(p => new[] { p.X * scale, p.Y, p.Z })]
        );

        SpacePoint On(double along, PlanePoint at, double outMm, double upMm) =>
            new(along * scale, at.Y + (outMm * scale), at.Z + (upMm * scale));
    }

    /// <summary>Lower arm of usual arms, pivot to ball joint, mm.</summary>
    private const double UsualArmMm = 391.6;

    /// <summary>Why points cannot be an axle's, in a fitter's words; null when they can.</summary>
    public static string? WhyNot(SpaceWishbonePoints p) =>
        p.UpperBall.Z <= p.LowerBall.Z
            ? "The upper ball joint lies above the lower one: up and down swapped?"
        : (p.LowerFront - p.LowerRear).Length < 20 || (p.UpperFront - p.UpperRear).Length < 20
            ? "An arm's two pivots lie apart, one ahead of the other: tape each by itself."
        : p.LowerBall.Y <= Math.Max(p.LowerFront.Y, p.LowerRear.Y)
        || p.UpperBall.Y <= Math.Max(p.UpperFront.Y, p.UpperRear.Y)
            ? "The ball joints lie outside of their pivots: outward and forward swapped?"
        : new SpaceWishbone(p) is var arms
        && Enumerable.Range(-4, 9).Any(i => arms.At(10 * i) is null)
            ? "From these points nothing can be put together that moves. A slip of the tape?"
        : null;
}
