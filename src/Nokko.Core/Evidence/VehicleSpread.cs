using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Suspension;

namespace Nokko.Core.Evidence;

/// <summary>How much vehicles of one platform differ: estimated once five of them are known.</summary>
/// <remarks>
/// Source: docs/computation/learning.md#lift-line. The marginal likelihood of the trials over a grid of spreads, weighted by a lognormal prior about the usual one:
/// few vehicles leave it where it was, many move it.
/// </remarks>
public static class VehicleSpread
{
    /// <summary>Vehicles from which on it is estimated.</summary>
    public const int LeastVehicles = 5;

    /// <summary>Standard deviation of the natural logarithm of the spread before any vehicle is known.</summary>
    private const double LogSd = 0.5;

    /// <summary>The prior with the spread that its trials speak for.</summary>
    /// <param name="prior">The prior.</param>
    /// <param name="trials">Trials that can teach.</param>
    public static LiftPrior Estimated(LiftPrior prior, IReadOnlyList<LiftTrial> trials)
    {
        if (
            prior.VehicleSd <= 0
            || trials.Select(t => t.Vehicle).Distinct().Count() < LeastVehicles
        )
        {
            return prior;
        }
        var (sum, weighted, most) = (0.0, 0.0, double.NegativeInfinity);
        var grid = Enumerable
            .Range(-12, 25)
            .Select(i =>
            {
                var z = i / 6.0;
                var sd = prior.VehicleSd * Math.Exp(LogSd * z);
                return (
                    Sd: sd,
                    Log: LogLikelihood(prior with { VehicleSd = sd }, trials) - (z * z / 2)
                );
            })
            .ToArray();
        most = grid.Max(g => g.Log);
        foreach (var (sd, log) in grid)
        {
            var w = Math.Exp(log - most);
            // The mean of the variance: the spread that predictions need.
            (sum, weighted) = (sum + w, weighted + (w * sd * sd));
        }
        return prior with { VehicleSd = Math.Sqrt(weighted / sum) };
    }

    /// <summary>Logarithm of the density of all free rises together, up to a constant.</summary>
    private static double LogLikelihood(LiftPrior p, IReadOnlyList<LiftTrial> trials)
    {
        var n = trials.Count;
        var covariance = Matrix<double>.Build.Dense(
            n,
            n,
            (i, j) =>
            {
                var (a, b) = (trials[i], trials[j]);
                var (oa, ob) = (a.IsNew ? 1 : 0, b.IsNew ? 1 : 0);
                var common = p.Ratio.Sd * p.Ratio.Sd;
                var own = a.Vehicle == b.Vehicle ? p.VehicleSd * p.VehicleSd : 0;
                var noise =
                    i == j
                        ? (a.FreeRiseUMm * a.FreeRiseUMm)
                            + Math.Pow(p.Ratio.Mean * p.ThicknessUMm, 2)
                        : 0;
                return (oa * ob * p.OffsetMm.Sd * p.OffsetMm.Sd)
                    + ((common + own) * a.ThicknessMm * b.ThicknessMm)
                    + noise;
            }
        );
        var rest = Vector<double>.Build.Dense(
            n,
            i =>
                trials[i].FreeRiseMm
                - ((trials[i].IsNew ? p.OffsetMm.Mean : 0) + (p.Ratio.Mean * trials[i].ThicknessMm))
        );
        var factor = covariance.Cholesky();
        return -0.5 * (factor.DeterminantLn + (rest * factor.Solve(rest)));
    }
}
