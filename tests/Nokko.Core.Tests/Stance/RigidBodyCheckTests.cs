using CsCheck;
using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Stance;
using Xunit;

namespace Nokko.Core.Tests.Stance;

public class RigidBodyCheckTests
{
    private static readonly (string Name, double X, double Y)[] Six =
    [
        ("LF", 0, 800),
        ("RF", 0, -800),
        ("LR", -3600, 800),
        ("RR", -3600, -800),
        ("LM", -1500, 880),
        ("RM", -1500, -880),
    ];

    [Fact]
    public void A_slip_at_one_mid_station_is_named_with_what_it_would_have_had_to_read()
    {
        var fit = Fit(1.64, 55, 55, 25, 25, 42.5, 55.2);
        double[] expected = [-0.24, -4.17, 0.41, -3.78, 0.18, 6.20];
        for (var i = 0; i < 6; i++)
        {
            Assert.Equal(expected[i], fit.Stations[i].Standardised, 0.006);
        }
        Assert.Equal(RigidVerdict.Slipped, fit.Verdict);
        Assert.Equal(1.000, fit.AnySlipped, 3);
        Assert.Equal(1.00, fit.Stations[5].IfOne, 2);
        Assert.Equal(["RM"], fit.Suspects);
        Assert.Equal("RM", fit.ReadAgain);
        Assert.Equal(42.50, fit.Stations[5].LeftOutMm!.Value, 2);
    }

    [Fact]
    public void A_gap_that_two_stations_explain_is_asked_about_without_alarm()
    {
        var fit = Fit(1.5, 55, 54, 24, 25, 42, 47);
        Assert.Equal(55.463, fit.ZMm, 3);
        Assert.Equal(-0.0084098, fit.PitchRad, 7);
        Assert.Equal(-0.0010709, fit.RollRad, 7);
        Assert.Equal(2.67, fit.Stations[5].Standardised, 2);
        Assert.Equal(-2.29, fit.Stations[1].Standardised, 2);
        Assert.Equal(RigidVerdict.Doubtful, fit.Verdict);
        Assert.Equal(0.067, fit.AnySlipped, 3);
        Assert.Equal(0.61, fit.Stations[5].IfOne, 2);
        Assert.Equal(0.28, fit.Stations[1].IfOne, 2);
        Assert.Equal(["RM", "RF"], fit.InOrder.Take(2));
        // Read twice, no alarm.
        Assert.Equal("RM", fit.ReadAgain);
        Assert.Equal(["RM", "RF"], fit.Suspects);
    }

    [Fact]
    public void Four_corners_all_stand_out_alike_and_cannot_tell_which()
    {
        var fit = Fit(1.64, 55, 54, 24, 31);
        Assert.All(fit.Stations, s => Assert.Equal(2.439, Math.Abs(s.Standardised), 3));
        Assert.Equal(RigidVerdict.CannotTell, fit.Verdict);
        Assert.Equal(0.189, fit.AnySlipped, 3);
        Assert.All(fit.Stations, s => Assert.Equal(0.25, s.IfOne, 9));
        Assert.All(fit.Stations, s => Assert.Null(s.LeftOutMm));
        Assert.Null(fit.ReadAgain);
        Assert.Empty(fit.Suspects);
    }

    [Theory]
    // Of one free number: χ² is the square of a standard normal.
    [InlineData(0, 1)]
    [InlineData(1.959964, 0.05)]
    [InlineData(2.575829, 0.01)]
    public void What_the_gaps_come_to_by_chance_is_told(double deviations, double chance)
    {
        // Twisted by a pure warp nothing of it is a rigid motion: four gaps of half a deviation each.
        const double u = 1.64;
        var d = deviations / 2 * u;
        var fit = Fit(u, 50 + d, 50 - d, 50 - d, 50 + d);
        Assert.Equal(chance, fit.ChiSquareProbability, 1e-6);
    }

    [Fact]
    public void Three_corners_or_a_line_along_the_middle_are_no_check()
    {
        Assert.Null(RigidBodyCheck.Fit([.. Rises(1, 55, 55, 25)]));
        Assert.Null(RigidBodyCheck.Fit([.. Rises(1, 55, 55)]));
        Assert.Null(
            RigidBodyCheck.Fit([
                .. Enumerable.Range(0, 5).Select(i => new StationRise($"S{i}", -100 * i, 0, i, 1)),
            ])
        );
    }

    [Theory]
    [InlineData(5, 2.39)]
    [InlineData(6, 2.55)]
    public void The_published_five_percent_points_agree_with_a_simulation(
        int stations,
        double published
    ) =>
        Assert.Equal(
            published,
            RigidBodyCheck.SimulateCritical(
                [.. Rises(1.64, [.. Enumerable.Repeat(0.0, stations)])],
                200_000,
                7
            ),
            0.02
        );

    [Fact]
    public void What_a_station_would_have_had_to_read_is_the_fit_of_the_others() =>
        // A second way: leave the station out and evaluate the plane there.
        Gen.Double[-10, 10]
            .Array[6]
            .Sample(noise =>
            {
                var rises = Rises(1.5, [.. noise.Select((n, i) => 40 + n - (Six[i].X * -0.008))])
                    .ToArray();
                var all = RigidBodyCheck.Fit(rises)!;
                for (var i = 0; i < 6; i++)
                {
                    var others = RigidBodyCheck.Fit([.. rises.Where((_, j) => j != i)])!;
                    var there =
                        others.ZMm
                        - (rises[i].XMm * others.PitchRad)
                        + (rises[i].YMm * others.RollRad);
                    if (Math.Abs(there - all.Stations[i].LeftOutMm!.Value) > 1e-8)
                    {
                        return false;
                    }
                }
                return true;
            });

    [Fact]
    public void A_rigid_motion_leaves_no_residual() =>
        Gen.Select(Gen.Double[-80, 80], Gen.Double[-0.02, 0.02], Gen.Double[-0.02, 0.02])
            .Sample(
                (z, pitch, roll) =>
                {
                    var fit = RigidBodyCheck.Fit([
                        .. Six.Select(s => new StationRise(
                            s.Name,
                            s.X,
                            s.Y,
                            z - (s.X * pitch) + (s.Y * roll),
                            1.6
                        )),
                    ])!;
                    return fit.Verdict == RigidVerdict.Fits
                        && fit.Stations.All(s => Math.Abs(s.ResidualMm) < 1e-8);
                }
            );

    [Fact]
    public void One_side_alone_is_checked_along_its_line_and_cannot_tell_which()
    {
        StationRise[] Side(double mid, double roll = 0, double u = 1.5) =>
            [
                new("LF", 0, 800, 55 + (800 * roll), u),
                new("LM", -1500, 880, mid + (880 * roll), u),
                new("LR", -3600, 800, 25 + (800 * roll), u),
            ];
        // On the line 55 − 1500·30/3600 it should have risen 42.5.
        var fits = RigidBodyCheck.Fit(Side(42.5))!;
        Assert.Equal(RigidVerdict.Fits, fits.Verdict);
        Assert.Equal(55, fits.ZMm, 9);
        Assert.Equal(0, fits.RollRad);
        // By hand: gap 12.7 against √(u²·(1 + (7/12)² + (5/12)²) + (80·0.01)²).
        var off = RigidBodyCheck.Fit(Side(42.5 + 12.7))!;
        var sd = Math.Sqrt(
            (2.25 * (1 + Math.Pow(7.0 / 12, 2) + Math.Pow(5.0 / 12, 2))) + (0.8 * 0.8)
        );
        Assert.All(off.Stations, s => Assert.Equal(12.7 / sd, Math.Abs(s.Standardised), 6));
        Assert.Equal(RigidVerdict.CannotTell, off.Verdict);
        Assert.True(off.AnySlipped > 0.9);
        Assert.Null(off.ReadAgain);
        // A body that rolled by half a degree is no slip.
        Assert.Equal(RigidVerdict.Fits, RigidBodyCheck.Fit(Side(42.5, 0.009))!.Verdict);
        // Four along one side: then it can.
        var four = RigidBodyCheck.Fit([
            .. Side(42.5 + 12.7),
            new("LS", -2500, 800, 55 - (2500 * 30.0 / 3600), 1.5),
        ])!;
        Assert.Equal(("LM", RigidVerdict.Slipped), (four.ReadAgain, four.Verdict));
    }

    [Fact]
    public void Chances_are_those_of_the_densities_written_out()
    {
        // A second way: rises are normal with a body of any size, none or one of them with a slip; densities in full.
        double[][] cases =
        [
            [55, 54, 24, 25, 42, 47],
            [50, 50.5, 31, 30, 44, 40],
            [51, 48, 30, 33, 45, 39],
        ];
        double[] u = [1.2, 1.5, 1.9, 1.5, 1.3, 2.4];
        foreach (var rises in cases)
        {
            var fit = RigidBodyCheck.Fit([
                .. rises.Select(
                    (r, i) => new StationRise(Six[i].Name, Six[i].X, Six[i].Y, r, u[i])
                ),
            ])!;
            var none = 0.94 * Density(rises, u, null);
            var each = Enumerable.Range(0, 6).Select(i => 0.01 * Density(rises, u, i)).ToArray();
            Assert.Equal(each.Sum() / (none + each.Sum()), fit.AnySlipped, 4);
            for (var i = 0; i < 6; i++)
            {
                Assert.Equal(each[i] / each.Sum(), fit.Stations[i].IfOne, 4);
            }
            Assert.Equal(
                fit.Stations.OrderByDescending(s => s.IfOne).Select(s => s.Station),
                fit.InOrder
            );
        }

        static double Density(double[] rises, double[] u, int? slipped)
        {
            // Heave ± 3 m, pitch and roll ± 3 rad: as good as any body.
            var sigma = Matrix<double>.Build.Dense(
                6,
                6,
                (i, j) =>
                    9e6
                    + (9 * Six[i].X * Six[j].X)
                    + (9 * Six[i].Y * Six[j].Y)
                    + (i == j ? (u[i] * u[i]) + (i == slipped ? 225 : 0) : 0)
            );
            var y = Vector<double>.Build.DenseOfArray(rises);
            return Math.Exp(
                (-0.5 * (y * (sigma.Inverse() * y))) - (0.5 * sigma.Cholesky().DeterminantLn)
            );
        }
    }

    [Theory]
    [InlineData(12.7, 0.97)]
    [InlineData(6.35, 0.68)]
    public void For_a_single_slip_the_first_is_as_often_the_right_one_as_the_largest_residual_would_be(
        double slip,
        double least
    )
    {
        var random = new Random(11);
        var (right, byResidual, found) = (0, 0, 4_000);
        for (var draw = 0; draw < found; draw++)
        {
            var at = random.Next(6);
            var fit = Drawn(random, i => i == at ? slip : 0);
            right += fit.InOrder[0] == Six[at].Name ? 1 : 0;
            byResidual +=
                fit.Stations.MaxBy(s => Math.Abs(s.Standardised))!.Station == Six[at].Name ? 1 : 0;
        }
        Assert.True(right >= least * found, $"{right}");
        Assert.True(right >= 0.95 * byResidual, $"{right} against {byResidual}");
    }

    [Fact]
    public void Without_a_slip_it_asks_about_at_most_five_in_a_hundred()
    {
        var random = new Random(12);
        var asked = 0;
        for (var draw = 0; draw < 8_000; draw++)
        {
            asked += Drawn(random, _ => 0).Verdict == RigidVerdict.Fits ? 0 : 1;
        }
        // 5 in 100, and three standard deviations of the count.
        Assert.True(asked <= (0.05 * 8_000) + 60, $"{asked}");
    }

    [Fact]
    public void What_it_states_of_the_first_is_right_as_often_as_stated()
    {
        // Rounds as the prior has them: in 6 of 100 one reading slipped, and by N(0, 15²).
        var random = new Random(13);
        var (stated, right, count) = (new double[10], new double[10], new int[10]);
        for (var draw = 0; draw < 24_000; draw++)
        {
            // As many with a slip as without, and each weighted back to the prior.
            var at = random.NextDouble() < 0.5 ? random.Next(6) : -1;
            var size = 15 * MathNet.Numerics.Distributions.Normal.Sample(random, 0, 1);
            var fit = Drawn(random, i => i == at ? size : 0);
            var first = fit.Stations.MaxBy(s => s.IfOne)!;
            // Weighted to half and half, the odds of any slip are 94/6 times as high.
            var odds = fit.AnySlipped / (1 - fit.AnySlipped) * (0.94 / 0.06);
            var chance = double.IsFinite(odds) ? first.IfOne * odds / (1 + odds) : first.IfOne;
            var bin = Math.Min(9, (int)(10 * chance));
            stated[bin] += chance;
            right[bin] += at >= 0 && first.Station == Six[at].Name ? 1 : 0;
            count[bin]++;
        }
        for (var bin = 0; bin < 10; bin++)
        {
            if (count[bin] > 300)
            {
                // Three standard deviations of what is counted, and a hundredth for the bin's width.
                var p = stated[bin] / count[bin];
                Assert.Equal(
                    p,
                    right[bin] / count[bin],
                    0.01 + (3 * Math.Sqrt(p * (1 - p) / count[bin]))
                );
            }
        }
        Assert.True(count.Count(c => c > 300) >= 7);
    }

    /// <summary>Six stations at u 1.5 mm with what is added to each.</summary>
    private static RigidBody Drawn(Random random, Func<int, double> more) =>
        Fit(
            1.5,
            [
                .. Enumerable
                    .Range(0, 6)
                    .Select(i =>
                        MathNet.Numerics.Distributions.Normal.Sample(random, 0, 1.5) + more(i)
                    ),
            ]
        );

    private static RigidBody Fit(double u, params double[] rises) =>
        RigidBodyCheck.Fit([.. Rises(u, rises)])!;

    private static IEnumerable<StationRise> Rises(double u, params double[] rises) =>
        rises.Select((r, i) => new StationRise(Six[i].Name, Six[i].X, Six[i].Y, r, u));
}
