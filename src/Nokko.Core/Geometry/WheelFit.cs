namespace Nokko.Core.Geometry;

/// <summary>What another rim does to the place of the tyre.</summary>
/// <remarks>Source: docs/computation/geometry.md#wheel-offset-and-width.</remarks>
/// <param name="OuterMm">How far its outer face moves outward, mm.</param>
/// <param name="InnerMm">How far its inner face moves inward, mm.</param>
/// <param name="ScrubMm">Change of the scrub radius, outward above zero, mm.</param>
public readonly record struct WheelFit(double OuterMm, double InnerMm, double ScrubMm)
{
    /// <summary>The change from one rim, or the tyre's section where that is wider, to another.</summary>
    /// <param name="widthMm">Width before, mm.</param>
    /// <param name="offsetMm">Offset (ET) before, mm: the mounting face outboard of the rim's middle above zero.</param>
    /// <param name="nextWidthMm">Width then, mm.</param>
    /// <param name="nextOffsetMm">Offset then, mm.</param>
    public static WheelFit Of(
        double widthMm,
        double offsetMm,
        double nextWidthMm,
        double nextOffsetMm
    )
    {
        var (wider, offset) = ((nextWidthMm - widthMm) / 2, nextOffsetMm - offsetMm);
        return new WheelFit(wider - offset, wider + offset, -offset);
    }
}
