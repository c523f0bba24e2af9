using CsCheck;
using Nokko.Core.Geometry;
using Xunit;

namespace Nokko.Core.Tests.Geometry;

/// <summary>Caster, pinion, propshaft, lamps, rims and toe.</summary>
public class AxleAnglesTests
{
    private const double Degrees = 180 / Math.PI;

    [Fact]
    public void Radius_arms_lose_caster_with_a_lift_and_the_body_s_pitch_is_in_it()
    {
        Assert.Equal(-3.198, Caster.OfRadiusArmRad(900, 60, 50)!.Value * Degrees, 0.001);
        Assert.Equal(
            3.198,
            Caster.OfRadiusArmRad(900, 60, 50, ahead: true)!.Value * Degrees,
            0.001
        );
        var pivot = Caster.PivotRiseMm(50, 0, 900, 3600);
        Assert.Equal(37.5, pivot, 9);
        Assert.Equal(-2.40, Caster.OfRadiusArmRad(900, 60, pivot)!.Value * Degrees, 0.005);
        // A second way: against the body −3.198°, and the body itself points up by 0.80°.
        Assert.Equal(
            -3.198 + (Math.Atan(50.0 / 3600) * Degrees),
            Caster.OfRadiusArmRad(900, 60, pivot)!.Value * Degrees,
            0.02
        );
        Assert.Null(Caster.OfRadiusArmRad(900, 860, 50));
        Assert.Null(Caster.OfRadiusArmRad(900, 910, 0));
    }

    [Fact]
    public void Bushes_turn_back_what_their_offset_was_made_for() =>
        Gen.Select(Gen.Double[-0.15, 0.15], Gen.Double[60, 140], Gen.Bool)
            .Sample(
                (turn, apart, pair) =>
                    Assert.Equal(
                        turn,
                        Caster.BushRad(Caster.OffsetMm(turn, apart, pair), apart, pair),
                        1e-12
                    )
            );

    [Fact]
    public void A_pair_of_bushes_does_twice_what_one_does()
    {
        // Opposed holes 4 mm off on 100: 8 over 100.
        Assert.Equal(Math.Atan(0.08), Caster.BushRad(4, 100, pair: true), 12);
        Assert.Equal(Math.Atan(0.04), Caster.BushRad(4, 100, pair: false), 12);
    }

    [Fact]
    public void A_shaft_is_smooth_up_to_the_speed_that_its_angles_allow()
    {
        // 4.7° left over at 2,000 turns a minute, 8.7° in a joint.
        Driveline With(double output, double pinion) =>
            new(1000, 0, -output / Degrees, -pinion / Degrees);
        double Rpm(Driveline d) => d.LimitRadPerS * 30 / Math.PI;
        Assert.Equal(2000, Rpm(With(4.74, 0)), 5.0);
        Assert.Equal(3000, Rpm(With(3.159, 0)), 5.0);
        Assert.Equal(4000, Rpm(With(2.369, 0)), 5.0);
        // Alike, nothing is left over: then a single joint's own limit counts.
        Assert.Equal(2000, Rpm(With(8.651, 8.651)), 5.0);
        Assert.Equal(double.PositiveInfinity, Rpm(With(0, 0)));
    }

    [Fact]
    public void Turned_by_what_equalises_both_joints_are_alike_and_leave_nothing_over() =>
        Gen.Select(
                Gen.Double[-80, 260],
                Gen.Double[-0.1, 0.15],
                Gen.Double[-0.1, 0.15],
                Gen.Double[-120, 120]
            )
            .Sample(
                (drop, output, pinion, aside) =>
                {
                    var shaft = new Driveline(1200, drop, output, pinion, aside);
                    var even = shaft with { PinionRad = pinion + shaft.EqualisingTurnRad };
                    Assert.Equal(even.FrontJointRad, even.RearJointRad, 1e-12);
                    Assert.Equal(0, even.ResidualRad, 1e-6);
                }
            );

    /// <summary>Found a second way: the angle between two directions in space.</summary>
    [Fact]
    public void A_joint_s_angle_is_that_between_shaft_and_yoke_in_space() =>
        Gen.Select(Gen.Double[-0.2, 0.25], Gen.Double[-150, 150])
            .Sample(
                (output, aside) =>
                {
                    // Seen along the shaft's own slope: yoke and shaft in one frame that is turned with the yoke.
                    var shaft = new Driveline(1200, 0, output, 0, aside);
                    (double X, double Y, double Z) a = (1, aside / 1200, Math.Tan(-output));
                    var cos = 1 / Math.Sqrt(1 + (a.Y * a.Y) + (a.Z * a.Z));
                    Assert.Equal(Math.Acos(cos), shaft.FrontJointRad, 1e-7);
                }
            );

    [Fact]
    public void A_slip_yoke_comes_out_by_the_shaft_s_length_not_by_its_drop() =>
        Assert.Equal(0.369, Driveline.LongerMm((1300, 120), (1292, 190)), 0.001);

    [Fact]
    public void Another_rim_moves_both_faces_and_the_scrub_radius()
    {
        var fit = WheelFit.Of(190.5, 25, 228.6, 0);
        Assert.Equal(44.05, fit.OuterMm, 9);
        Assert.Equal(-5.95, fit.InnerMm, 9);
        Assert.Equal(25, fit.ScrubMm, 9);
        // What comes out on one side and in on the other is the width.
        Assert.Equal(38.1, fit.OuterMm + fit.InnerMm, 9);
    }

    [Fact]
    public void A_headlight_climbs_by_its_own_rise_and_by_the_tilt()
    {
        var lamps = Headlights.Of(55, 25, 3600);
        Assert.Equal(0.4775, lamps.TiltRad * Degrees, 0.0001);
        Assert.Equal(63.5, lamps.TiltMm, 9);
        Assert.Equal(118.5, lamps.ClimbMm, 9);
        // A second way: the line through lamp and wall of a body that was turned.
        var ahead = Headlights.Of(55, 25, 3600, 700, 5000);
        double Body(double x) => 55 + ((55 - 25) * x / 3600);
        Assert.Equal(Body(700), ahead.LampMm, 9);
        Assert.Equal(Body(5700), ahead.ClimbMm, 9);
        Assert.Equal(0, Headlights.Of(40, 40, 3600).TiltMm, 9);
    }

    [Fact]
    public void Each_side_takes_half_of_what_the_toe_is_out()
    {
        var toe = new Toe(6, 800);
        Assert.Equal(2, toe.EachSideMm(2), 9);
        Assert.Equal(Math.Asin(6.0 / 1600) * Degrees, toe.PerWheelRad!.Value * Degrees, 9);
        // Two wheels at that angle, edge to edge over the diameter, are out by the total.
        Assert.Equal(6, 2 * 800 * Math.Sin(toe.PerWheelRad!.Value), 9);
        Assert.Null(new Toe(1700, 800).PerWheelRad);
    }
}
