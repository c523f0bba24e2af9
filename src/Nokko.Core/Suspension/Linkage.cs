namespace Nokko.Core.Suspension;

/// <summary>The wheel at one length of the spring.</summary>
/// <param name="HeightMm">Wheel centre in the frame's view, mm; falls as the spring gets longer.</param>
/// <param name="MotionRatio">−d(spring length)/d(wheel height); positive.</param>
public readonly record struct WheelPlace(double HeightMm, double MotionRatio);

/// <summary>What connects one wheel's spring to the frame: a planar linkage of one degree of freedom.</summary>
/// <remarks>Source: docs/computation/linkages.md#linkages. Implementations are exact within rounding and answer null beyond their reach.</remarks>
public interface ILinkage
{
    /// <summary>Length of the spring between its seats (or of the strut, foot to top) at ride height, mm.</summary>
    double RideLengthMm { get; }

    /// <summary>The wheel at a length of the spring, or null: the linkage cannot reach it.</summary>
    /// <param name="lengthMm">Length between the seats, mm.</param>
    WheelPlace? WheelAt(double lengthMm);
}

/// <summary>What follows from a linkage whatever its kind.</summary>
public static class Linkage
{
    /// <summary>How far the body rises over the wheel when the spring is longer at ride height, or null: out of reach, or the spring is too soft to carry its load at any height.</summary>
    /// <param name="linkage">The linkage.</param>
    /// <param name="longerMm">By how much the spring or strut is longer; below zero is shorter, mm.</param>
    /// <param name="springRate">Rate of the spring, N/mm; null leaves its change of load out (a few per cent).</param>
    /// <param name="wheelLoadN">Sprung load on the wheel, N; used with the rate only.</param>
    /// <remarks>Source: docs/computation/lifts.md#coil-over-on-a-lower-arm: ℓ₁ = ℓ₀ + t − (W/MR₁ − W/MR₀)/k.</remarks>
    public static double? LiftMm(
        this ILinkage linkage,
        double longerMm,
        double? springRate = null,
        double wheelLoadN = 0
    )
    {
        if (linkage.WheelAt(linkage.RideLengthMm) is not { } ride)
        {
            return null;
        }
        var length = linkage.RideLengthMm + longerMm;
        if (springRate is { } k && longerMm != 0)
        {
            var met = false;
            // The spring's share is small against the change of length: the iteration closes in fast, or the spring is too soft to stand anywhere.
            for (var i = 0; i < 50 && !met; i++)
            {
                if (linkage.WheelAt(length) is not { } now)
                {
                    return null;
                }
                var next =
                    linkage.RideLengthMm
                    + longerMm
                    - (((wheelLoadN / now.MotionRatio) - (wheelLoadN / ride.MotionRatio)) / k);
                met = Math.Abs(next - length) < 1e-10;
                length = next;
            }
            if (!met)
            {
                return null;
            }
        }
        return ride.HeightMm - linkage.WheelAt(length)?.HeightMm;
    }

    /// <summary>Length of the spring with the wheel at a place, mm; null out of reach.</summary>
    /// <param name="linkage">The linkage.</param>
    /// <param name="upMm">The wheel above its place at ride height, mm; below zero in droop.</param>
    public static double? LengthAt(this ILinkage linkage, double upMm)
    {
        var length = linkage.RideLengthMm;
        if (linkage.WheelAt(length) is not { } ride)
        {
            return null;
        }
        // Newton on the motion ratio: dℓ = −MR·dw.
        for (var i = 0; i < 30; i++)
        {
            if (linkage.WheelAt(length) is not { } now)
            {
                return null;
            }
            var off = upMm - (now.HeightMm - ride.HeightMm);
            if (Math.Abs(off) < 1e-9)
            {
                return length;
            }
            length -= off * now.MotionRatio;
        }
        return length;
    }
}

/// <summary>A linkage of which only the ratio is known: the wheel moves by it, at every height.</summary>
/// <param name="ratio">Wheel travel per change of spring length; above zero.</param>
/// <param name="rideLengthMm">Length of the spring at ride height, mm; only differences from it count.</param>
public sealed class ConstantRatio(double ratio, double rideLengthMm) : ILinkage
{
    /// <inheritdoc/>
    public double RideLengthMm => rideLengthMm;

    /// <inheritdoc/>
    public WheelPlace? WheelAt(double lengthMm) =>
        new WheelPlace((rideLengthMm - lengthMm) * ratio, 1 / ratio);
}
