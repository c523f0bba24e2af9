using CsCheck;
using Nokko.Core.Geometry;
using Xunit;

namespace Nokko.Core.Tests.Geometry;

public class TrackBarTests
{
    private static readonly TrackBar Bar = new(860, 60);

    private static readonly Gen<(TrackBar Bar, double Lift, double Moved)> Any = Gen.Select(
        Gen.Double[500, 1200],
        Gen.Double[-150, 200],
        Gen.Double[-120, 150],
        Gen.Double[0, 120],
        (run, drop, lift, moved) => (new TrackBar(run, drop), lift, moved)
    );

    [Fact]
    public void A_lift_draws_the_axle_to_the_bar_s_end_at_the_body()
    {
        Assert.Equal(862.090, Bar.LengthMm, 0.001);
        var lifted = Bar.Lifted(50)!;
        Assert.Equal(4.956, lifted.ShiftMm, 0.001);
        Assert.Equal(867.006, lifted.CentringBarMm, 0.001);
        Assert.Equal(0, Bar.Lifted(0)!.ShiftMm, 9);
    }

    [Fact]
    public void Through_its_travel_it_swings_less_with_a_moved_end_and_hardly_less_with_a_longer_bar()
    {
        double Swing(double lift, TrackBarCure cure, double moved = 0) =>
            Bar.Lifted(lift, cure, moved)!.SwingMm(70, 90)!.Value;
        Assert.Equal(13.150, Swing(0, TrackBarCure.None), 0.001);
        Assert.Equal(22.592, Swing(50, TrackBarCure.None), 0.001);
        Assert.Equal(22.460, Swing(50, TrackBarCure.LongerBar), 0.001);
        Assert.Equal(13.150, Swing(50, TrackBarCure.RaisedAxleEnd, 50), 0.001);
    }

    /// <summary>Found a second way: two circles, looked for step by step along the height.</summary>
    [Fact]
    public void The_bar_keeps_its_length_wherever_the_axle_goes() =>
        Any.Sample(it =>
        {
            if (it.Bar.Lifted(it.Lift) is not { } lifted)
            {
                return;
            }
            // Body's end at (0, drop); the axle's end is pulled in by the shift.
            Assert.Equal(
                it.Bar.LengthMm,
                double.Hypot(it.Bar.RunMm - lifted.ShiftMm, it.Bar.DropMm + it.Lift),
                1e-9
            );
            foreach (var up in new[] { -60.0, -20, 15, 55 })
            {
                var across = it.Bar.RunMm - lifted.ShiftMm - lifted.AsideMm(up)!.Value;
                Assert.Equal(lifted.BarMm, double.Hypot(across, lifted.DropMm - up), 1e-9);
            }
        });

    [Fact]
    public void The_swing_is_that_of_every_place_between_bump_and_droop() =>
        Any.Sample(it =>
        {
            if (it.Bar.Lifted(it.Lift) is not { } lifted)
            {
                return;
            }
            double[] every =
            [
                .. Enumerable.Range(0, 1601).Select(i => lifted.AsideMm(70 - (0.1 * i))!.Value),
            ];
            Assert.Equal(every.Max() - every.Min(), lifted.SwingMm(70, 90)!.Value, 1e-3);
        });

    [Fact]
    public void A_bar_of_the_centring_length_and_a_bracket_of_the_lift_leave_no_shift() =>
        Any.Sample(it =>
        {
            Assert.Equal(0, it.Bar.Lifted(it.Lift, TrackBarCure.LongerBar)!.ShiftMm, 1e-9);
            foreach (var cure in new[] { TrackBarCure.RaisedAxleEnd, TrackBarCure.LoweredBodyEnd })
            {
                Assert.Equal(0, it.Bar.Lifted(it.Lift, cure, it.Lift)!.ShiftMm, 1e-9);
            }
        });

    /// <summary>Found a second way: from where the bar's middle stands, body and axle by themselves.</summary>
    [Fact]
    public void The_body_s_height_over_the_roll_centre_grows_by_what_the_bar_s_middle_stays_behind() =>
        Any.Sample(it =>
        {
            // Heights: the axle stays at 0, its end of the bar at e, the body rises by the lift, its end at e + V.
            double Middle(double axleEnd, double bodyEnd) => (axleEnd + bodyEnd) / 2;
            var before = 0 - Middle(0, it.Bar.DropMm);
            double After(double axleEnd, double bodyEnd) =>
                it.Lift - Middle(axleEnd, it.Bar.DropMm + it.Lift + bodyEnd);
            Assert.Equal(After(0, 0) - before, it.Bar.Lifted(it.Lift)!.BodyOverRollCentreMm, 1e-9);
            Assert.Equal(
                After(it.Moved, 0) - before,
                it.Bar.Lifted(it.Lift, TrackBarCure.RaisedAxleEnd, it.Moved)!.BodyOverRollCentreMm,
                1e-9
            );
            Assert.Equal(
                After(0, -it.Moved) - before,
                it.Bar.Lifted(it.Lift, TrackBarCure.LoweredBodyEnd, it.Moved)!.BodyOverRollCentreMm,
                1e-9
            );
        });

    [Fact]
    public void Beyond_its_reach_there_is_no_answer_and_its_slope_is_that_of_its_ends()
    {
        Assert.Null(new TrackBar(100, 60).Lifted(80));
        Assert.Null(new TrackBar(200, 60).Lifted(50)!.SwingMm(0, 120));
        Assert.Equal(Math.Asin(110 / 862.0905), Bar.Lifted(50)!.SlopeRad, 1e-6);
    }

    [Fact]
    public void Link_and_bar_of_one_slope_do_not_steer_and_one_moved_alone_does()
    {
        const double degrees = 180 / Math.PI;
        var bar = new SwingingRod(820, 70);
        double Steer(double linkDrop, double z) =>
            new SteeringLinks(bar, new(860, linkDrop), 170).SteerRad(z)!.Value * degrees;
        Assert.Equal(-0.561, Steer(110, 40), 0.001);
        Assert.Equal(0.013, Steer(74, 50.8), 0.001);
        Assert.Equal(-0.991, Steer(124, 50.8), 0.001);
        Assert.Equal(
            -1.947,
            new SteeringLinks(bar, new(860, 74), 170).SteerRadCentred(50)!.Value * degrees,
            0.001
        );
        // Equal rods never steer; at ride height nothing does.
        Gen.Double[-90, 90]
            .Sample(z =>
                Assert.Equal(0, new SteeringLinks(bar, bar, 170).SteerRad(z)!.Value, 1e-12)
            );
        Assert.Equal(0, Steer(110, 0), 9);
        Assert.Null(new SteeringLinks(bar, new(860, 74), 170).SteerRad(5000));
    }
}
