using CsCheck;
using Nokko.Core.Suspension;
using Xunit;

namespace Nokko.Core.Tests.Suspension;

/// <summary>The worked numbers of docs/computation/lifts.md#coil-over-on-a-lower-arm, beside laws that no number can hide.</summary>
public class DoubleWishboneTests
{
    private static readonly WishbonePoints Points = new(
        new(230, 250),
        new(620, 215),
        new(330, 585),
        new(600, 560),
        new(455, 245),
        new(405, 770),
        new(690, 385)
    );
    private static readonly DoubleWishbone Linkage = new(Points);
    private static readonly StrutLengths Strut = new(
        Linkage.RideLengthMm + 45,
        Linkage.RideLengthMm - 75
    );

    [Fact]
    public void At_ride_height_it_is_where_it_was_taped()
    {
        var ride = Linkage.At(Linkage.RideLengthMm)!.Value;
        Assert.Equal(527.376, Linkage.RideLengthMm, 3);
        Assert.Equal(0.57344, ride.MotionRatio, 5);
        Assert.Equal(
            -7.214,
            Linkage.At(Linkage.RideLengthMm + 25.4)!.Value.WheelCentre.Y - Points.WheelCentre.Y,
            3
        );
        Assert.Equal(Points.WheelCentre.Z, ride.WheelCentre.Z, 9);
        Assert.Equal(0, ride.CamberChangeRad, 12);
        Assert.Equal(0, Linkage.LiftMm(0)!.Value, 9);
    }

    [Theory]
    [InlineData(12, 20.885)]
    [InlineData(25.4, 44.091)]
    [InlineData(44.45, 76.805)]
    public void A_longer_strut_lifts_by_more_than_its_length(double longer, double lift) =>
        Assert.Equal(lift, Linkage.LiftMm(longer)!.Value, 3);

    [Theory]
    [InlineData(25.4, -0.221, -5.732)]
    [InlineData(44.45, -0.689, -12.402)]
    public void Camber_and_track_follow(double longer, double degrees, double track)
    {
        var p = Linkage.At(Linkage.RideLengthMm + longer)!.Value;
        Assert.Equal(degrees, double.RadiansToDegrees(p.CamberChangeRad), 3);
        Assert.Equal(track, p.TrackChangeMm, 3);
    }

    [Fact]
    public void A_spring_that_carries_the_same_wheel_over_another_ratio_gives_a_little_more() =>
        Assert.Equal(46.154, Linkage.LiftMm(25.4, 95, 6200)!.Value, 3);

    [Fact]
    public void Top_and_preload_give_the_same_height_and_different_travel()
    {
        var standard = StrutTravel.Left(Linkage, Strut, 0, 0)!;
        Assert.Equal((77.74, 132.17), Rounded(standard));
        Assert.Equal((76.47, 131.17), Rounded(StrutTravel.Left(Linkage, Strut, 25.4, 0)!));
        var preload = StrutTravel.Left(Linkage, Strut, 0, 25.4)!;
        Assert.Equal((33.65, 176.27), Rounded(preload));
        Assert.False(preload.ToppedOut);
        var bound = StrutTravel.Left(
            Linkage,
            Strut with
            {
                BindMm = Linkage.RideLengthMm - 83,
            },
            0,
            25.4
        )!;
        Assert.Equal(145.33, bound.BumpMm, 2);
        Assert.True(bound.BindsFirst);
    }

    [Fact]
    public void A_preload_beyond_full_length_is_topped_out_and_leaves_no_droop()
    {
        var left = StrutTravel.Left(Linkage, Strut, 0, 50)!;
        Assert.True(left.ToppedOut);
        Assert.Equal(0, left.DroopMm, 9);
    }

    [Fact]
    public void Where_the_arms_cannot_reach_there_is_no_answer()
    {
        Assert.Null(Linkage.At(2000));
        Assert.Null(Linkage.At(1));
        Assert.Null(Linkage.LiftMm(900));
    }

    [Fact]
    public void Every_rod_keeps_its_length_and_the_ratio_is_the_slope_of_the_strut() =>
        Gen.Double[-70, 60]
            .Sample(longer =>
            {
                var p = Linkage.At(Linkage.RideLengthMm + longer)!.Value;
                foreach (
                    var (a, b, at0, at1) in new[]
                    {
                        (
                            Points.LowerPivot,
                            Points.LowerBallJoint,
                            Points.LowerPivot,
                            p.LowerBallJoint
                        ),
                        (
                            Points.UpperPivot,
                            Points.UpperBallJoint,
                            Points.UpperPivot,
                            p.UpperBallJoint
                        ),
                        (
                            Points.LowerBallJoint,
                            Points.UpperBallJoint,
                            p.LowerBallJoint,
                            p.UpperBallJoint
                        ),
                        (
                            Points.LowerBallJoint,
                            Points.WheelCentre,
                            p.LowerBallJoint,
                            p.WheelCentre
                        ),
                        (
                            Points.UpperBallJoint,
                            Points.WheelCentre,
                            p.UpperBallJoint,
                            p.WheelCentre
                        ),
                        (Points.LowerBallJoint, Points.StrutFoot, p.LowerBallJoint, p.StrutFoot),
                    }
                )
                {
                    Assert.Equal((b - a).Length, (at1 - at0).Length, 1e-9);
                }
                Assert.Equal(p.StrutLengthMm, (p.StrutFoot - Points.StrutTop).Length, 1e-9);
                // Virtual work: what the strut is shortened by for a small rise of the wheel.
                const double step = 1e-3;
                var (up, down) = (
                    Linkage.At(p.StrutLengthMm - step)!.Value,
                    Linkage.At(p.StrutLengthMm + step)!.Value
                );
                Assert.Equal(
                    2 * step / (up.WheelCentre.Z - down.WheelCentre.Z),
                    p.MotionRatio,
                    1e-7
                );
            });

    [Fact]
    public void The_lift_is_the_integral_of_the_inverse_ratio()
    {
        const int steps = 2000;
        var sum = 0.0;
        for (var i = 0; i < steps; i++)
        {
            sum +=
                25.4
                / steps
                / Linkage.At(Linkage.RideLengthMm + (25.4 * (i + 0.5) / steps))!.Value.MotionRatio;
        }
        Assert.Equal(sum, Linkage.LiftMm(25.4)!.Value, 1e-5);
    }

    [Fact]
    public void As_the_travel_goes_to_nothing_the_ratio_stays() =>
        Assert.Equal(
            1 / Linkage.At(Linkage.RideLengthMm)!.Value.MotionRatio,
            Linkage.LiftMm(1e-4)!.Value / 1e-4,
            1e-4
        );

    private static (double, double) Rounded(TravelLeft left) =>
        (Math.Round(left.DroopMm, 2), Math.Round(left.BumpMm, 2));
}
