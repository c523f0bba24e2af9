using MathNet.Numerics.LinearAlgebra;

namespace Nokko.Core.Geometry;

/// <summary>Finds the setting that gives a lifted corner the angles that it had.</summary>
/// <remarks>Source: docs/computation/geometry.md#double-wishbone-in-space.</remarks>
public static class Realignment
{
    /// <summary>Both eccentrics and the tie rod for wanted angles at a height, by Newton's method; null where nothing gives them.</summary>
    /// <param name="points">The points at ride height.</param>
    /// <param name="upMm">The wheel against its place at ride height, mm; below zero is lifted.</param>
    /// <param name="camberRad">Wanted camber, to the body, rad.</param>
    /// <param name="casterRad">Wanted caster, rad.</param>
    /// <param name="toeRad">Wanted toe-in, rad.</param>
    public static AlignmentSetting? Of(
        SpaceWishbonePoints points,
        double upMm,
        double camberRad,
        double casterRad,
        double toeRad
    )
    {
        Vector<double>? Off(Vector<double> x) =>
            new SpaceWishbone(points, new(x[0], x[1], x[2])).At(upMm) is { } at
                ? Vector<double>.Build.DenseOfArray([
                    at.Camber - camberRad,
                    at.Caster - casterRad,
                    at.Toe - toeRad,
                ])
                : null;
        const double Step = 1e-3;
        var x = Vector<double>.Build.Dense(3);
        for (var i = 0; i < 20; i++)
        {
            if (Off(x) is not { } off)
            {
                return null;
            }
            if (off.AbsoluteMaximum() < 1e-10)
            {
                return new AlignmentSetting(x[0], x[1], x[2]);
            }
            var slopes = Matrix<double>.Build.Dense(3, 3);
            for (var j = 0; j < 3; j++)
            {
                var moved = x.Clone();
                moved[j] += Step;
                if (Off(moved) is not { } then)
                {
                    return null;
                }
                slopes.SetColumn(j, (then - off) / Step);
            }
            x -= slopes.Solve(off);
            if (x.Any(v => !double.IsFinite(v) || Math.Abs(v) > 100))
            {
                return null;
            }
        }
        return null;
    }
}
