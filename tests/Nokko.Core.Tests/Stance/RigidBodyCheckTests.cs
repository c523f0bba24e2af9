using CsCheck;
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
        Assert.Equal(RigidVerdict.Named, fit.Verdict);
        Assert.Equal(["RM"], fit.Suspects);
        Assert.Equal(42.50, fit.Stations[5].LeftOutMm!.Value, 2);
    }

    [Fact]
    public void Two_stations_that_explain_it_alike_are_candidates()
    {
        var fit = Fit(1.5, 55, 54, 24, 25, 42, 47);
        Assert.Equal(55.463, fit.ZMm, 3);
        Assert.Equal(-0.0084098, fit.PitchRad, 7);
        Assert.Equal(-0.0010709, fit.RollRad, 7);
        Assert.Equal(2.67, fit.Stations[5].Standardised, 2);
        Assert.Equal(-2.29, fit.Stations[1].Standardised, 2);
        Assert.Equal(RigidVerdict.Candidates, fit.Verdict);
        Assert.Equal(["RM", "RF"], fit.Suspects);
    }

    [Fact]
    public void Four_corners_all_stand_out_alike_and_cannot_tell_which()
    {
        var fit = Fit(1.64, 55, 54, 24, 31);
        Assert.All(fit.Stations, s => Assert.Equal(2.439, Math.Abs(s.Standardised), 3));
        Assert.Equal(RigidVerdict.CannotTell, fit.Verdict);
        Assert.All(fit.Stations, s => Assert.Null(s.LeftOutMm));
    }

    [Fact]
    public void Three_stations_or_a_line_of_them_are_no_check()
    {
        Assert.Null(RigidBodyCheck.Fit([.. Rises(1, 55, 55, 25)]));
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

    private static RigidBody Fit(double u, params double[] rises) =>
        RigidBodyCheck.Fit([.. Rises(u, rises)])!;

    private static IEnumerable<StationRise> Rises(double u, params double[] rises) =>
        rises.Select((r, i) => new StationRise(Six[i].Name, Six[i].X, Six[i].Y, r, u));
}
