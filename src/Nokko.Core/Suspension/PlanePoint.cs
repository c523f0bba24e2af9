namespace Nokko.Core.Suspension;

/// <summary>A point of a planar linkage, mm.</summary>
/// <param name="Y">Across: outboard in a front view.</param>
/// <param name="Z">Up.</param>
public readonly record struct PlanePoint(double Y, double Z)
{
    /// <summary>From <paramref name="b"/> to <paramref name="a"/>.</summary>
    public static PlanePoint operator -(PlanePoint a, PlanePoint b) => new(a.Y - b.Y, a.Z - b.Z);

    /// <summary>Sum.</summary>
    public static PlanePoint operator +(PlanePoint a, PlanePoint b) => new(a.Y + b.Y, a.Z + b.Z);

    /// <summary>Scaled.</summary>
    public static PlanePoint operator *(double k, PlanePoint a) => new(k * a.Y, k * a.Z);

    /// <summary>Turned a quarter counter-clockwise: the velocity of this point for a turn of 1 rad/s about the origin.</summary>
    public PlanePoint Quarter() => new(-Z, Y);

    /// <summary>Length from the origin, mm.</summary>
    public double Length => Math.Sqrt((Y * Y) + (Z * Z));

    /// <summary>Direction, rad, counter-clockwise from outboard.</summary>
    public double Angle => Math.Atan2(Z, Y);

    /// <summary>Scalar product, mm².</summary>
    public static double Dot(PlanePoint a, PlanePoint b) => (a.Y * b.Y) + (a.Z * b.Z);

    /// <summary>The point turned about the origin as a body turns that takes <paramref name="from"/> to <paramref name="to"/>, two vectors of one length; no angle is needed for it.</summary>
    /// <param name="from">A vector of the body before, mm.</param>
    /// <param name="to">The same vector after, mm.</param>
    public PlanePoint TurnedAs(PlanePoint from, PlanePoint to)
    {
        var square = Dot(from, from);
        var (cos, sin) = (Dot(from, to) / square, Dot(from.Quarter(), to) / square);
        return new((Y * cos) - (Z * sin), (Y * sin) + (Z * cos));
    }

    /// <summary>Angle from one vector to another, rad, counter-clockwise, −π … π.</summary>
    /// <param name="from">The first.</param>
    /// <param name="to">The second.</param>
    public static double Between(PlanePoint from, PlanePoint to) =>
        Math.Atan2(Dot(from.Quarter(), to), Dot(from, to));

    /// <summary>The point turned about the origin.</summary>
    /// <param name="angle">rad, counter-clockwise.</param>
    public PlanePoint Turned(double angle)
    {
        var (sin, cos) = Math.SinCos(angle);
        return new((Y * cos) - (Z * sin), (Y * sin) + (Z * cos));
    }

    /// <summary>Where two circles meet, on the branch nearer to <paramref name="near"/>; null when they do not.</summary>
    /// <param name="a">Centre of the first.</param>
    /// <param name="ra">Its radius, mm.</param>
    /// <param name="b">Centre of the second.</param>
    /// <param name="rb">Its radius, mm.</param>
    /// <param name="near">The position before: a linkage does not jump to its other branch.</param>
    /// <remarks>Source: docs/computation/linkages.md#linkages.</remarks>
    public static PlanePoint? Meeting(
        PlanePoint a,
        double ra,
        PlanePoint b,
        double rb,
        PlanePoint near
    )
    {
        var between = b - a;
        var d2 = Dot(between, between);
        if (d2 == 0)
        {
            return null;
        }
        var along = (d2 + (ra * ra) - (rb * rb)) / (2 * d2);
        var off2 = (ra * ra / d2) - (along * along);
        // Circles that touch may miss each other by the rounding of their radii.
        if (off2 < -1e-12)
        {
            return null;
        }
        var foot = a + (along * between);
        var off = Math.Sqrt(Math.Max(0, off2)) * between.Quarter();
        return Dot(near - foot, off) >= 0 ? foot + off : foot - off;
    }
}
