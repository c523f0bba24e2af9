namespace Nokko.Core.Suspension;

/// <summary>A coil or coil-over that stands on a live axle, seen from behind: the axle goes straight up and down.</summary>
/// <remarks>
/// Source: docs/computation/lifts.md#coils-on-a-solid-axle: t/cos(lean) for small t; here exact, ℓ² = across² + (up + h)². The axle's sideways swing on its track bar is left out (a few mm).
/// </remarks>
/// <param name="foot">Coil on the axle at ride height, mm.</param>
/// <param name="top">Coil on the frame, above the foot, mm.</param>
public sealed class AxleSpring(PlanePoint foot, PlanePoint top) : ILinkage
{
    /// <inheritdoc/>
    public double RideLengthMm { get; } = (top - foot).Length;

    /// <inheritdoc/>
    public WheelPlace? WheelAt(double lengthMm)
    {
        var (across, up) = (top.Y - foot.Y, top.Z - foot.Z);
        var square = (lengthMm * lengthMm) - (across * across);
        if (!(square > 0) || !(up > 0))
        {
            return null;
        }
        var now = Math.Sqrt(square);
        return new WheelPlace(up - now, now / lengthMm);
    }
}
