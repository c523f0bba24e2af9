namespace Nokko.Core.Geometry;

/// <summary>A tyre that turns about its kingpin, seen from above as a rectangle.</summary>
/// <remarks>Source: docs/computation/geometry.md#tyre-contacts.</remarks>
/// <param name="RadiusMm">R: half its diameter, mm; above zero.</param>
/// <param name="HalfWidthMm">W: half of its width, mm; above zero.</param>
/// <param name="OutMm">o: its middle outboard of the kingpin at hub height, mm.</param>
public readonly record struct TyreSweep(double RadiusMm, double HalfWidthMm, double OutMm)
{
    /// <summary>How far ahead of the kingpin it reaches at an angle of lock, mm.</summary>
    /// <param name="lockRad">Front edge outward above zero, rad, within ±π/2.</param>
    public double AheadMm(double lockRad) =>
        (RadiusMm * Math.Cos(lockRad))
        + (HalfWidthMm * Math.Abs(Math.Sin(lockRad)))
        - (OutMm * Math.Sin(lockRad));

    /// <summary>How far behind the kingpin it reaches at an angle of lock, mm.</summary>
    /// <param name="lockRad">Front edge outward above zero, rad, within ±π/2.</param>
    public double BehindMm(double lockRad) => AheadMm(-lockRad);

    /// <summary>How far inboard of the kingpin it reaches at an angle of lock, mm.</summary>
    /// <param name="lockRad">Either way, rad, within ±π/2.</param>
    public double InsideMm(double lockRad) =>
        (RadiusMm * Math.Abs(Math.Sin(lockRad))) + ((HalfWidthMm - OutMm) * Math.Cos(lockRad));

    /// <summary>The farthest that it reaches ahead, or behind, on the way from straight to either lock, mm.</summary>
    /// <param name="lockRad">Lock, rad, from zero to π/2.</param>
    public double FarthestMm(double lockRad)
    {
        // Its corner is farthest where it points straight there.
        var half = HalfWidthMm + Math.Abs(OutMm);
        var at = Math.Min(lockRad, Math.Atan2(half, RadiusMm));
        return (RadiusMm * Math.Cos(at)) + (half * Math.Sin(at));
    }
}
