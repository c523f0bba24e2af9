namespace Nokko.Core.Geometry;

/// <summary>A point or a direction in the vehicle's frame of one wheel, mm: x forward, y outward, z up.</summary>
/// <param name="X">Forward.</param>
/// <param name="Y">Outward, to the wheel's own side.</param>
/// <param name="Z">Up.</param>
public readonly record struct SpacePoint(double X, double Y, double Z)
{
    /// <summary>Its length, mm.</summary>
    public double Length => Math.Sqrt(Dot(this, this));

    /// <summary>The direction of it; of length one.</summary>
    public SpacePoint Unit => (1 / Length) * this;

    /// <summary>Sum.</summary>
    public static SpacePoint operator +(SpacePoint a, SpacePoint b) =>
        new(a.X + b.X, a.Y + b.Y, a.Z + b.Z);

    /// <summary>Difference.</summary>
    public static SpacePoint operator -(SpacePoint a, SpacePoint b) =>
        new(a.X - b.X, a.Y - b.Y, a.Z - b.Z);

    /// <summary>Multiple.</summary>
    public static SpacePoint operator *(double k, SpacePoint a) => new(k * a.X, k * a.Y, k * a.Z);

    /// <summary>Scalar product, mm².</summary>
    public static double Dot(SpacePoint a, SpacePoint b) => (a.X * b.X) + (a.Y * b.Y) + (a.Z * b.Z);

    /// <summary>Vector product, mm².</summary>
    public static SpacePoint Cross(SpacePoint a, SpacePoint b) =>
        new((a.Y * b.Z) - (a.Z * b.Y), (a.Z * b.X) - (a.X * b.Z), (a.X * b.Y) - (a.Y * b.X));
}
