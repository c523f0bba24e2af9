using Nokko.Core.Suspension;
using Nokko.Core.Units;

namespace Nokko.Core.Evidence;

/// <summary>h = o + (ρ + v)·t + e for one platform, axle and family of parts, as trials have taught it.</summary>
/// <remarks>Source: docs/computation/learning.md#lift-line. A mixture over the spreads of the grid; each part of it is Gaussian, so the order of trials does not matter.</remarks>
public sealed class LiftLine
{
    private readonly Part[] _parts;
    private readonly int _trials;

    /// <summary>The line after what was summed.</summary>
    /// <param name="prior">What was believed before any trial.</param>
    /// <param name="sums">What all vehicles say.</param>
    public LiftLine(LiftPrior prior, LiftSums sums)
    {
        _trials = sums.Trials;
        _parts = Parts(prior, sums);
        var (offset, ratio) = (0.0, 0.0);
        foreach (var p in _parts)
        {
            offset += p.Weight * p.Offset;
            ratio += p.Weight * p.Ratio;
        }
        var (oo, or, rr, square) = (0.0, 0.0, 0.0, 0.0);
        foreach (var p in _parts)
        {
            var (o, r) = (p.Offset - offset, p.Ratio - ratio);
            oo += p.Weight * (p.Oo + (o * o));
            or += p.Weight * (p.Or + (o * r));
            rr += p.Weight * (p.Rr + (r * r));
            square += p.Weight * Square(p.Spread);
        }
        OffsetMm = new Estimate(offset, Math.Sqrt(oo));
        RatioEstimate = new Estimate(ratio, Math.Sqrt(rr));
        Covariance = or;
        VehicleSd = Math.Sqrt(square);
    }

    /// <summary>o, mm.</summary>
    public Estimate OffsetMm { get; }

    /// <summary>ρ of the platform.</summary>
    public Estimate RatioEstimate { get; }

    /// <summary>Between offset and ratio of the platform, mm.</summary>
    public double Covariance { get; }

    /// <summary>Standard deviation of one vehicle's own ratio about ρ: the root of the mean square over the grid.</summary>
    public double VehicleSd { get; }

    /// <summary>What is believed of one vehicle.</summary>
    /// <param name="own">What its own trials say; they are in the line's sums. Nothing for a vehicle that was never seen.</param>
    public LiftBelief Belief(VehicleSums own)
    {
        // Given o and ρ, the own ratio is v = g·(Th − Nt·o − Tt·ρ) ± √g; so o and ρ + v are a linear map of o and ρ.
        Span<double> ratios = stackalloc double[_parts.Length];
        var (offset, mean) = (0.0, 0.0);
        for (var k = 0; k < _parts.Length; k++)
        {
            var p = _parts[k];
            var (g, fromOffset, fromRatio) = Own(p, own);
            ratios[k] = (g * own.Th) + (fromOffset * p.Offset) + (fromRatio * p.Ratio);
            offset += p.Weight * p.Offset;
            mean += p.Weight * ratios[k];
        }
        var (oo, or, rr) = (0.0, 0.0, 0.0);
        for (var k = 0; k < _parts.Length; k++)
        {
            var p = _parts[k];
            var (g, fromOffset, fromRatio) = Own(p, own);
            var (o, r) = (p.Offset - offset, ratios[k] - mean);
            oo += p.Weight * (p.Oo + (o * o));
            or += p.Weight * ((fromOffset * p.Oo) + (fromRatio * p.Or) + (o * r));
            rr +=
                p.Weight
                * (
                    g
                    + (fromOffset * fromOffset * p.Oo)
                    + (2 * fromOffset * fromRatio * p.Or)
                    + (fromRatio * fromRatio * p.Rr)
                    + (r * r)
                );
        }
        return new LiftBelief(
            new Estimate(offset, Math.Sqrt(oo)),
            new Estimate(mean, Math.Sqrt(rr)),
            or
        )
        {
            Jobs = _trials,
            OfThisVehicle = own.Trials,
        };
    }

    /// <summary>Variance of the vehicle's own ratio once o and ρ are given, and how ρ + v follows from o and from ρ.</summary>
    private static (double G, double FromOffset, double FromRatio) Own(Part p, VehicleSums own)
    {
        var seen = 1 + (Square(p.Spread) * own.Tt);
        var g = Square(p.Spread) / seen;
        return (g, -g * own.Nt, 1 / seen);
    }

    private static double Square(double x) => x * x;

    /// <summary>The Gaussian posterior at each spread, weighted by its evidence.</summary>
    private static Part[] Parts(LiftPrior prior, LiftSums sums)
    {
        var (o0, r0) = (prior.OffsetMm.Mean, prior.Ratio.Mean);
        var (io, ir) = (1 / Square(prior.OffsetMm.Sd), 1 / Square(prior.Ratio.Sd));
        var median = Math.Log(prior.MedianSpread);
        var parts = new Part[SpreadGrid.Spreads.Length];
        Span<double> logs = stackalloc double[parts.Length];
        var most = double.NegativeInfinity;
        for (var k = 0; k < parts.Length; k++)
        {
            var s = sums.Values.Slice(k * LiftSums.Numbers, LiftSums.Numbers);
            // About the prior's means, where the numbers are small.
            var (oo, or, rr) = (s[0] + io, s[1], s[2] + ir);
            var (ho, hr) = (s[3] - (s[0] * o0) - (s[1] * r0), s[4] - (s[1] * o0) - (s[2] * r0));
            var det = (oo * rr) - (or * or);
            var (o, r) = (((rr * ho) - (or * hr)) / det, ((oo * hr) - (or * ho)) / det);
            parts[k] = new Part(
                SpreadGrid.Spreads[k],
                0,
                o0 + o,
                r0 + r,
                rr / det,
                -or / det,
                oo / det
            );
            var atPrior =
                s[5]
                + (s[3] * o0)
                + (s[4] * r0)
                - (0.5 * ((s[0] * o0 * o0) + (2 * s[1] * o0 * r0) + (s[2] * r0 * r0)));
            logs[k] =
                SpreadGrid.LogWeight(k, median)
                + atPrior
                + (0.5 * ((ho * o) + (hr * r)))
                + (0.5 * Math.Log(io * ir / det));
            most = Math.Max(most, logs[k]);
        }
        var all = 0.0;
        for (var k = 0; k < parts.Length; k++)
        {
            logs[k] = Math.Exp(logs[k] - most);
            all += logs[k];
        }
        for (var k = 0; k < parts.Length; k++)
        {
            parts[k] = parts[k] with { Weight = logs[k] / all };
        }
        return parts;
    }

    /// <param name="Spread">τ.</param>
    /// <param name="Weight">Its posterior weight.</param>
    /// <param name="Offset">Mean of o, mm.</param>
    /// <param name="Ratio">Mean of ρ.</param>
    /// <param name="Oo">Variance of o, mm².</param>
    /// <param name="Or">Covariance of both, mm.</param>
    /// <param name="Rr">Variance of ρ.</param>
    private readonly record struct Part(
        double Spread,
        double Weight,
        double Offset,
        double Ratio,
        double Oo,
        double Or,
        double Rr
    );
}
