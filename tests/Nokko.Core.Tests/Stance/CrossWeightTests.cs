using CsCheck;
using MathNet.Numerics.Distributions;
using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Stance;

public class CrossWeightTests
{
    internal static readonly double[] Weights = [560, 540, 425, 475];

    internal static Estimate[] Scales(params double[] kg) =>
        [.. kg.Select(k => new Estimate(k, 1))];

    /// <summary>All wheels by themselves, so that springs and tyres lie over each other.</summary>
    private static Vehicle Independent { get; } =
        Sample.Pickup with
        {
            Rear = new() { Kind = SuspensionKind.CoilOverArm },
        };

    [Fact]
    public void The_diagonals_of_the_worked_numbers()
    {
        var share = CrossWeight.Share(Scales(Weights));
        Assert.Equal(48.25, 50 + (share.Mean - 50), 2);
        Assert.Equal(100 * (540 + 425) / 2000.0, share.Mean, 12);
        // One factor of all scales changes nothing.
        Assert.Equal(
            share.Mean,
            CrossWeight.Share(Scales([.. Weights.Select(w => 1.03 * w)])).Mean,
            12
        );
    }

    [Fact]
    public void Each_scale_counts_by_what_its_kilogram_changes()
    {
        for (var i = 0; i < 4; i++)
        {
            double With(double kg) =>
                CrossWeight
                    .Share([.. Weights.Select((w, j) => new Estimate(j == i ? w + kg : w, 0))])
                    .Mean;
            Assert.Equal(
                Math.Abs(With(1e-3) - With(-1e-3)) / 2e-3 * 5,
                CrossWeight
                    .Share([.. Weights.Select((w, j) => new Estimate(w, j == i ? 5 : 0))])
                    .Sd,
                1e-6
            );
        }
    }

    [Fact]
    public void Its_uncertainty_is_that_of_dice()
    {
        var random = new Random(20261128);
        var share = CrossWeight.Share(Scales(Weights));
        var thrown = Enumerable
            .Range(0, 40_000)
            .Select(_ =>
                CrossWeight
                    .Share(Scales([.. Weights.Select(w => Normal.Sample(random, w, 1))]))
                    .Mean
            )
            .ToArray();
        Assert.Equal(
            share.Sd,
            MathNet.Numerics.Statistics.ArrayStatistics.StandardDeviation(thrown),
            0.02 * share.Sd
        );
    }

    /// <summary>A second way: the body on springs in series with tyres, no bars, loads of the springs summed.</summary>
    [Fact]
    public void What_a_plate_moves_across_is_what_the_springs_then_carry() =>
        Gen.Double[-40, 40]
            .Array[4]
            .Sample(
                h =>
                {
                    var moves = CrossWeight.Of(Independent).Moves!;
                    var body = new BodyOnSprings(
                        VehicleSupports.Of(Independent, onTyres: true).Supports!
                    );
                    var loads = body.LoadChanges(body.Solve(h), h);
                    Assert.Equal(
                        loads[1] + loads[2],
                        h.Select((mm, i) => mm * moves.NPerMm[i]).Sum(),
                        1e-6
                    );
                    // Wheels that spring by themselves stand on their springs: a higher tyre is a longer spring.
                    Assert.Equal(moves.NPerMm, moves.TyreNPerMm);
                },
                iter: 100
            );

    /// <summary>A second way: each axle by its own lever and its own roll, wheels summed from the body's motion.</summary>
    [Fact]
    public void What_a_load_puts_on_the_diagonal_is_what_those_springs_carry() =>
        Gen.Select(Gen.Double[-3500, 500], Gen.Double[-700, 700])
            .Sample(
                (x, y) =>
                {
                    var load = new BodyLoad(x, y, 1000);
                    var supports = VehicleSupports.Of(Independent, onTyres: true).Supports!;
                    var motion = new BodyOnSprings(supports).Solve([load]);
                    double Carries(int i) =>
                        -supports[i].RateNPerMm * motion.RiseAt(supports[i].XMm, supports[i].YMm);
                    Assert.Equal(
                        Carries(1) + Carries(2),
                        CrossWeight.Of(Independent).Moves!.Onto(load),
                        1e-6
                    );
                },
                iter: 100
            );

    /// <summary>A second way for a solid axle: springs whose roll is that of spring and tyre in series, each axle's load put on its wheels by half its sum and by its twist over the track.</summary>
    [Fact]
    public void On_a_live_axle_plates_and_loads_reach_the_wheels_by_the_axle_s_own_balance() =>
        Gen.Select(Gen.Double[-40, 40].Array[4], Gen.Double[-3500, 500], Gen.Double[-600, 600])
            .Sample(
                (h, x, y) =>
                {
                    const double Track = 1640;
                    var given = VehicleSupports.Of(Sample.Pickup).Supports!;
                    Support[] supports =
                    [
                        .. given.Select(s =>
                            s with
                            {
                                RateNPerMm =
                                    1
                                    / (
                                        (1 / s.RateNPerMm)
                                        + (Math.Pow(2 * s.YMm / Track, 2) / Datums.TyreRateNPerMm)
                                    ),
                            }
                        ),
                    ];
                    var body = new BodyOnSprings(supports);
                    double OnDiagonal(IReadOnlyList<double> springs)
                    {
                        double Wheel(int axle, int side)
                        {
                            var (l, r) = (springs[2 * axle], springs[(2 * axle) + 1]);
                            return ((l + r) / 2)
                                + (side * (l - r) / 2 * (2 * supports[2 * axle].YMm) / Track);
                        }
                        return Wheel(0, -1) + Wheel(1, 1);
                    }
                    var moves = CrossWeight.Of(Sample.Pickup).Moves!;
                    Assert.Equal(
                        OnDiagonal(body.LoadChanges(body.Solve(h), h)),
                        h.Select((mm, i) => mm * moves.NPerMm[i]).Sum(),
                        1e-6
                    );
                    var load = new BodyLoad(x, y, 1000);
                    var under = body.Solve([load]);
                    Assert.Equal(
                        OnDiagonal([
                            .. supports.Select(s => -s.RateNPerMm * under.RiseAt(s.XMm, s.YMm)),
                        ]),
                        moves.Onto(load),
                        1e-6
                    );
                },
                iter: 60
            );

    [Fact]
    public void A_live_axle_puts_less_on_its_wheels_than_on_its_springs()
    {
        var moves = CrossWeight.Of(Sample.Pickup).Moves!;
        var (springs, tyres) = (moves.NPerMm, moves.TyreNPerMm);
        Assert.Equal(springs[2] * 1080 / 1640, tyres[2], 1e-9);
        Assert.Equal(springs[0], tyres[0]);
        // Alike on both sides moves nothing across.
        Assert.Equal(0, springs[0] + springs[1] + springs[2] + springs[3], 1e-12);
        Assert.True(springs is [< 0, > 0, > 0, < 0]);
    }

    [Fact]
    public void Where_a_controller_holds_each_side_only_its_tyres_give()
    {
        var held = Independent with
        {
            Rear = new()
            {
                Kind = SuspensionKind.CoilOverArm,
                HeightControl = HeightControl.TwoSensors,
            },
        };
        var (free, stiff) = (CrossWeight.Of(Independent).Moves!, CrossWeight.Of(held).Moves!);
        Assert.True(stiff.NPerMm[1] > free.NPerMm[1]);
        var rate = AxleState.WheelRateOf(held, Axle.Front)!.Value;
        // Front springs and tyres, rear tyres: one after the other.
        var compliance = (1 / rate) + (2 / Datums.TyreRateNPerMm);
        Assert.Equal(2 / (2 * compliance), stiff.NPerMm[1], 1e-9);
    }
}
