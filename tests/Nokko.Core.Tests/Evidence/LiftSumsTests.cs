using CsCheck;
using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Evidence;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Evidence;

/// <summary>The sums against the definition itself: all trials at once, as one Gaussian of as many dimensions, for each spread.</summary>
public class LiftSumsTests
{
    private static readonly LiftPrior Strut = LiftPrior.OfPlatform(new(3, 6), new(1.9, 0.3));

    /// <summary>Up to 25 trials of six vehicles, each with a ratio of its own from 1.5 to 2.3, read within four times their ±.</summary>
    private static readonly Gen<(int Vehicle, LiftTrial Trial)[]> Trials = Gen.Select(
            Gen.Int[0, 5],
            Gen.Double[5, 60],
            Gen.Double[-4, 4],
            Gen.Double[0.3, 6],
            Gen.Bool
        )
        .Select(
            (v, t, off, u, isNew) =>
            {
                var thickness = isNew ? t : t - 30.01;
                var rise = (isNew ? 8 : 0) + ((1.5 + (0.16 * v)) * thickness) + (off * u);
                return (v, new LiftTrial(thickness, rise, u, 1.9, isNew));
            }
        )
        .Array[0, 25];

    [Fact]
    public void Sums_give_what_all_trials_together_give() =>
        Trials.Sample(
            trials =>
            {
                var line = new LiftLine(Strut, Sums(trials));
                for (var vehicle = 0; vehicle <= 6; vehicle++)
                {
                    var own = VehicleSums.Of(
                        trials.Where(t => t.Vehicle == vehicle).Select(t => t.Trial)
                    );
                    var found = line.Belief(own);
                    var expected = Dense(Strut, trials, vehicle, SpreadGrid.Spreads.ToArray());
                    Near(expected.OffsetMm, found.OffsetMm);
                    Near(expected.Ratio, found.Ratio);
                    Assert.Equal(
                        expected.Covariance,
                        found.Covariance,
                        1e-9 * expected.OffsetMm.Sd * expected.Ratio.Sd
                    );
                }
            },
            iter: 60
        );

    /// <summary>A vehicle that nobody has seen yet lies about the platform's line by the spread of vehicles, and by nothing else.</summary>
    [Fact]
    public void What_is_believed_of_a_platform_is_what_a_new_vehicle_gets_without_the_spread_between_vehicles() =>
        Trials.Sample(
            trials =>
            {
                var line = new LiftLine(Strut, Sums(trials));
                var next = line.Belief(default);
                Near(next.OffsetMm, line.OffsetMm);
                Assert.Equal(next.Ratio.Mean, line.RatioEstimate.Mean, 1e-9);
                Assert.Equal(
                    Math.Pow(next.Ratio.Sd, 2),
                    Math.Pow(line.RatioEstimate.Sd, 2) + Math.Pow(line.VehicleSd, 2),
                    1e-9
                );
                Assert.Equal(
                    next.Covariance,
                    line.Covariance,
                    1e-9 * next.OffsetMm.Sd * next.Ratio.Sd
                );
            },
            iter: 60
        );

    [Fact]
    public void A_vehicle_that_goes_leaves_what_was_there_before()
    {
        Trials.Sample(
            trials =>
            {
                var all = Sums(trials);
                var one = VehicleSums.Of([new(25.4, 60, 2, 1.9)]);
                var again = all.Plus(one).Minus(one);
                Assert.Equal((all.Trials, all.Vehicles), (again.Trials, again.Vehicles));
                for (var i = 0; i < all.Values.Length; i++)
                {
                    Assert.Equal(
                        all.Values[i],
                        again.Values[i],
                        1e-9 * (1 + Math.Abs(all.Values[i]))
                    );
                }
            },
            iter: 60
        );
        var alone = VehicleSums.Of([new(25.4, 60, 2, 1.9)]);
        // Nothing at all, not what rounding leaves.
        Assert.Same(LiftSums.None, LiftSums.None.Plus(alone).Minus(alone));
    }

    [Fact]
    public void The_grid_is_fine_enough_to_be_an_integral()
    {
        (int, LiftTrial)[] trials =
        [
            .. Enumerable
                .Range(0, 8)
                .Select(i => (i, new LiftTrial(20 + (4 * i), 45 + (7.4 * i), 2, 1.9))),
        ];
        var fine = Enumerable.Range(0, 281).Select(k => 0.001 * Math.Pow(1.8, k / 20.0)).ToArray();
        var expected = Dense(Strut, trials, 99, fine);
        var found = new LiftLine(Strut, Sums(trials)).Belief(default);
        Assert.Equal(expected.Ratio.Mean, found.Ratio.Mean, 6);
        Assert.Equal(expected.Ratio.Sd, found.Ratio.Sd, 6);
        Assert.Equal(expected.OffsetMm.Sd, found.OffsetMm.Sd, 5);
    }

    [Fact]
    public void Vehicles_that_differ_widen_the_band_of_the_next_and_those_alike_narrow_it()
    {
        LiftLine Of(params double[] ratios) =>
            new(
                Strut,
                Sums([.. ratios.Select((r, i) => (i, new LiftTrial(40, 3 + (r * 40), 1, 1.9)))])
            );
        var alike = Of([.. Enumerable.Repeat(1.9, 12)]);
        var apart = Of([.. Enumerable.Range(0, 12).Select(i => i % 2 == 0 ? 1.6 : 2.2)]);
        Assert.True(alike.VehicleSd < 0.06 * 1.9);
        // Half of the distance between the two kinds of vehicle.
        Assert.InRange(apart.VehicleSd, 0.25, 0.4);
        Assert.True(apart.Belief(default).Ratio.Sd > 2 * alike.Belief(default).Ratio.Sd);
    }

    [Fact]
    public void A_grid_has_a_median_and_its_weights_are_a_whole()
    {
        Assert.Equal(1, SpreadGrid.Weights(0.1).Sum(), 12);
        // Mean of the square of a lognormal: exp(2σ²) about its median.
        var sigma = Math.Log(1.8);
        Assert.Equal(0.01 * Math.Exp(2 * sigma * sigma), SpreadGrid.MeanSquare(0.1), 8);
        Assert.Throws<ArgumentOutOfRangeException>(() => SpreadGrid.Weights(0));
    }

    [Fact]
    public void A_prior_of_one_vehicle_stays_as_wide_as_it_was()
    {
        var block = LiftPrior.OfVehicle(new(0, 2), new(1, 0.02)).Belief();
        Assert.Equal(0.02, block.Ratio.Sd, 12);
        var taped = LiftPrior.OfVehicle(new(3, 6), new(1.9, 0.9));
        Assert.Equal(0.06 * 1.9, taped.MedianSpread, 12);
        Assert.Equal(0.9, taped.Belief().Ratio.Sd, 12);
    }

    [Theory]
    [InlineData(1.9, 0)]
    [InlineData(0.5, 0.001)]
    [InlineData(-1, 0)]
    [InlineData(0, 0)]
    public void A_ratio_that_claims_to_be_exact_can_still_be_taught(double ratio, double sd)
    {
        var prior = LiftPrior.OfVehicle(new(0, 2), new(ratio, sd));
        var own = VehicleSums.Of([new(30, (ratio * 30) + 2, 1, ratio)]);
        var taught = new LiftLine(prior, LiftSums.None.Plus(own)).Belief(own);
        Assert.InRange(prior.Belief().Ratio.Sd, 0.004, 0.02);
        Assert.True(taught.Ratio.Mean > ratio);
        Assert.True(taught.Ratio.Sd < prior.Belief().Ratio.Sd);
    }

    [Fact]
    public void Values_that_are_not_the_grid_s_are_refused() =>
        Assert.Throws<ArgumentException>(() => new LiftSums(1, 1, [1, 2, 3]));

    private static LiftSums Sums(IEnumerable<(int Vehicle, LiftTrial Trial)> trials) =>
        trials
            .GroupBy(t => t.Vehicle)
            .Aggregate(LiftSums.None, (all, v) => all.Plus(VehicleSums.Of(v.Select(t => t.Trial))));

    /// <summary>A mean that happens to lie near zero is as good as its ± makes it: what is left of two large numbers has their rounding.</summary>
    private static void Near(Estimate expected, Estimate found)
    {
        Assert.Equal(expected.Mean, found.Mean, 1e-9 * (Math.Abs(expected.Mean) + expected.Sd));
        Assert.Equal(expected.Sd, found.Sd, 1e-9 * expected.Sd);
    }

    /// <summary>The definition, in as many dimensions as there are trials.</summary>
    private static LiftBelief Dense(
        LiftPrior prior,
        (int Vehicle, LiftTrial Trial)[] trials,
        int vehicle,
        IReadOnlyList<double> spreads
    )
    {
        var n = trials.Length;
        var (so, sr) = (prior.OffsetMm.Sd * prior.OffsetMm.Sd, prior.Ratio.Sd * prior.Ratio.Sd);
        var rest = Vector<double>.Build.Dense(
            Math.Max(n, 1),
            i =>
                n == 0
                    ? 0
                    : trials[i].Trial.FreeRiseMm
                        - (trials[i].Trial.IsNew ? prior.OffsetMm.Mean : 0)
                        - (prior.Ratio.Mean * trials[i].Trial.ThicknessMm)
        );
        var parts = spreads
            .Select(spread =>
            {
                var own = spread * spread;
                var weight =
                    -0.5
                    * Math.Pow(
                        Math.Log(spread / prior.MedianSpread) / Math.Log(SpreadGrid.Factor),
                        2
                    );
                Vector<double> mean = Vector<double>.Build.DenseOfArray([
                    prior.OffsetMm.Mean,
                    prior.Ratio.Mean,
                ]);
                var covariance = Matrix<double>.Build.DenseOfDiagonalArray([so, sr + own]);
                if (n == 0)
                {
                    return (weight, mean, covariance);
                }
                var all = Matrix<double>.Build.Dense(
                    n,
                    n,
                    (i, j) =>
                    {
                        var (a, b) = (trials[i], trials[j]);
                        return (a.Trial.IsNew && b.Trial.IsNew ? so : 0)
                            + (
                                (sr + (a.Vehicle == b.Vehicle ? own : 0))
                                * a.Trial.ThicknessMm
                                * b.Trial.ThicknessMm
                            )
                            + (i == j ? a.Trial.Variance : 0);
                    }
                );
                var cross = Matrix<double>.Build.Dense(
                    2,
                    n,
                    (row, i) =>
                        row == 0
                            ? (trials[i].Trial.IsNew ? so : 0)
                            : (sr + (trials[i].Vehicle == vehicle ? own : 0))
                                * trials[i].Trial.ThicknessMm
                );
                var factor = all.Cholesky();
                mean += cross * factor.Solve(rest);
                covariance -= cross * factor.Solve(cross.Transpose());
                weight -= 0.5 * (factor.DeterminantLn + (rest * factor.Solve(rest)));
                return (weight, mean, covariance);
            })
            .ToArray();
        var most = parts.Max(p => p.weight);
        var sum = parts.Sum(p => Math.Exp(p.weight - most));
        double Of(Func<Vector<double>, Matrix<double>, double> what) =>
            parts.Sum(p => Math.Exp(p.weight - most) / sum * what(p.mean, p.covariance));
        var (o, r) = (Of((m, _) => m[0]), Of((m, _) => m[1]));
        return new LiftBelief(
            new Estimate(o, Math.Sqrt(Of((m, c) => c[0, 0] + Math.Pow(m[0] - o, 2)))),
            new Estimate(r, Math.Sqrt(Of((m, c) => c[1, 1] + Math.Pow(m[1] - r, 2)))),
            Of((m, c) => c[0, 1] + ((m[0] - o) * (m[1] - r)))
        );
    }
}
