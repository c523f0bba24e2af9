namespace Nokko.Core.Geometry;

/// <summary>When a vehicle tips to its side.</summary>
/// <remarks>Source: docs/computation/geometry.md#side-slope.</remarks>
public static class SideSlope
{
    /// <summary>The slope on which a vehicle with rigid tyres and springs stands on its lower wheels alone: atan(track / 2h), rad, 0 … π/2.</summary>
    /// <param name="trackMm">Between the middles of its tyres, the mean of both axles, mm; above zero.</param>
    /// <param name="heightMm">h: its centre of gravity above the floor, mm; above zero.</param>
    public static double Rad(double trackMm, double heightMm) => Math.Atan2(trackMm, 2 * heightMm);
}
