using Nokko.Core.Plans;

namespace Nokko.Core.Finding;

/// <summary>The greatest chance that one normal figure can have of lying between two sides, its mean and its variance each known between bounds.</summary>
public static class ChanceBound
{
    /// <summary>The bound; no mean and variance within theirs gives more.</summary>
    /// <param name="meanLow">Least mean.</param>
    /// <param name="meanHigh">Greatest mean.</param>
    /// <param name="varianceLow">Least variance; not below zero.</param>
    /// <param name="varianceHigh">Greatest variance.</param>
    /// <param name="low">Lower side; may be −∞.</param>
    /// <param name="high">Upper side; may be +∞.</param>
    public static double Of(
        double meanLow,
        double meanHigh,
        double varianceLow,
        double varianceHigh,
        double low,
        double high
    )
    {
        var (s0, s1) = (Math.Sqrt(varianceLow), Math.Sqrt(varianceHigh));
        if (double.IsInfinity(low) || double.IsInfinity(high))
        {
            // One side only: as far inside as can be, and then as sure, else as unsure, as can be.
            var mean = double.IsInfinity(low) ? meanLow : meanHigh;
            var inside = double.IsInfinity(low) ? mean <= high : mean >= low;
            return NormalBox.Side(mean, inside ? s0 : s1, low, high);
        }
        var centre = (low + high) / 2;
        var best = Math.Clamp(centre, meanLow, meanHigh);
        var (away, half) = (Math.Abs(best - centre), (high - low) / 2);
        if (away <= half)
        {
            return NormalBox.Side(best, s0, low, high);
        }
        // Outside, the chance grows with the spread up to one value and falls after it.
        var most = Math.Sqrt(2 * away * half / Math.Log((away + half) / (away - half)));
        return NormalBox.Side(best, Math.Clamp(most, s0, s1), low, high);
    }
}
