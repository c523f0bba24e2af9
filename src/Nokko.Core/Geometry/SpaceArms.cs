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
