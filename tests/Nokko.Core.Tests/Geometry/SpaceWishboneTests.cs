using CsCheck;
using Nokko.Core.Geometry;
using Nokko.Core.Suspension;
using Xunit;

namespace Nokko.Core.Tests.Geometry;

/// <summary>Arms, upright and tie rod in space.</summary>
public class SpaceWishboneTests
{
    private const double Degrees = 180 / Math.PI;

    internal static readonly SpaceWishbonePoints Points = new(
        new(150, 240, 255),
        new(-190, 235, 245),
        new(8, 620, 215),
        new(95, 340, 590),
        new(-160, 330, 575),
        new(-22, 600, 560),
        new(-120, 250, 300),
        new(-135, 610, 265),
        new(0, 690, 385)
    );

    [Theory]
    [InlineData(0, 0, 0, 4.9697)]
    [InlineData(-50, -0.2043, 0.0123, 4.6849)]
    [InlineData(40, -0.1989, 0.0525, 5.1626)]
    public void Camber_toe_and_caster_through_the_travel(
        double up,
        double camber,
        double toe,
        double caster
    )
    {
        var at = new SpaceWishbone(Points).At(up)!.Value;
        Assert.Equal(camber, at.Camber * Degrees, 0.0002);
        Assert.Equal(toe, at.Toe * Degrees, 0.0002);
        Assert.Equal(caster, at.Caster * Degrees, 0.0002);
        Assert.Equal(385 + up, at.Wheel.Z, 1e-6);
    }

    [Fact]
    public void The_axis_leans_and_the_wheel_goes_along()
    {
        var ride = new SpaceWishbone(Points).At(0)!.Value;
        Assert.Equal(3.3178, ride.Kingpin * Degrees, 0.0001);
        var low = new SpaceWishbone(Points).At(-50)!.Value;
        Assert.Equal(2.464, low.Wheel.X, 0.001);
        Assert.Equal(681.281, low.Wheel.Y, 0.001);
        // The axis meets the ground 12.46 outside of the lower ball joint: 690 less that place.
        Assert.Equal(690 - (620 + (215 * 20.0 / 345)), ride.ScrubMm, 1e-6);
    }

    [Fact]
    public void Eccentrics_and_rod_bring_the_standard_angles_back()
    {
        var ride = new SpaceWishbone(Points).At(0)!.Value;
        var set = Realignment.Of(Points, -50, ride.Camber, ride.Caster, ride.Toe)!.Value;
        Assert.Equal(-1.87, set.FrontOutMm, 0.02);
        Assert.Equal(-0.31, set.RearOutMm, 0.02);
        Assert.Equal(-0.94, set.RodMm, 0.02);
        var back = new SpaceWishbone(Points, set).At(-50)!.Value;
        Assert.Equal(ride.Camber, back.Camber, 1e-9);
        Assert.Equal(ride.Caster, back.Caster, 1e-9);
        Assert.Equal(ride.Toe, back.Toe, 1e-9);
        // Where nothing was moved nothing is set.
        var none = Realignment.Of(Points, 0, ride.Camber, ride.Caster, ride.Toe)!.Value;
        Assert.Equal(0, Math.Abs(none.FrontOutMm) + Math.Abs(none.RodMm), 1e-6);
        // Camber that no cam gives.
        Assert.Null(Realignment.Of(Points, -50, 1.2, ride.Caster, ride.Toe));
    }

    private static readonly Gen<SpaceWishbonePoints> Any =
        from shift in Gen.Double[-12, 12].Array[27]
        select SpaceWishbonePoints.Of([
            .. Points
                .ToArray()
                .Select(
                    (p, i) =>
                        new SpacePoint(
                            p.X + shift[3 * i],
                            p.Y + shift[(3 * i) + 1],
                            p.Z + shift[(3 * i) + 2]
                        )
                ),
        ]);

    [Fact]
    public void Every_rigid_part_keeps_its_lengths() =>
        Gen.Select(Any, Gen.Double[-90, 70])
            .Sample(
                (p, up) =>
                {
                    if (new SpaceWishbone(p).At(up) is not { } at)
                    {
                        return;
                    }
                    void Kept(SpacePoint a, SpacePoint b, SpacePoint was, SpacePoint wasB) =>
                        Assert.Equal((was - wasB).Length, (a - b).Length, 1e-7);
                    Kept(at.LowerBall, p.LowerFront, p.LowerBall, p.LowerFront);
                    Kept(at.LowerBall, p.LowerRear, p.LowerBall, p.LowerRear);
                    Kept(at.UpperBall, p.UpperFront, p.UpperBall, p.UpperFront);
                    Kept(at.UpperBall, p.UpperRear, p.UpperBall, p.UpperRear);
                    Kept(at.LowerBall, at.UpperBall, p.LowerBall, p.UpperBall);
                    Kept(at.RodOuter, at.LowerBall, p.RodOuter, p.LowerBall);
                    Kept(at.RodOuter, at.UpperBall, p.RodOuter, p.UpperBall);
                    Kept(at.RodOuter, p.RodInner, p.RodOuter, p.RodInner);
                    Kept(at.Wheel, at.LowerBall, p.Wheel, p.LowerBall);
                    Kept(at.Wheel, at.RodOuter, p.Wheel, p.RodOuter);
                    Assert.Equal(p.Wheel.Z + up, at.Wheel.Z, 1e-7);
                }
            );

    [Fact]
    public void At_ride_height_nothing_has_moved() =>
        Any.Sample(p =>
        {
            var at = new SpaceWishbone(p).At(0)!.Value;
            Assert.Equal(0, at.Camber, 1e-9);
            Assert.Equal(0, at.Toe, 1e-9);
            Assert.Equal(0, (at.Wheel - p.Wheel).Length, 1e-6);
        });

    [Fact]
    public void With_arms_square_to_the_vehicle_it_is_the_plane_linkage() =>
        Gen.Double[-80, 60]
            .Sample(up =>
            {
                // Pivot axes along the vehicle and the rod in the lower arm's own plane: front view is all there is.
                SpaceWishbonePoints flat = new(
                    new(100, 230, 250),
                    new(-100, 230, 250),
                    new(0, 620, 215),
                    new(100, 330, 585),
                    new(-100, 330, 585),
                    new(0, 600, 560),
                    new(-140, 230, 250),
                    new(-140, 620, 215),
                    new(0, 690, 385)
                );
                var plane = new DoubleWishbone(
                    new(
                        new(230, 250),
                        new(620, 215),
                        new(330, 585),
                        new(600, 560),
                        new(455, 245),
                        new(405, 770),
                        new(690, 385)
                    )
                );
                var at = new SpaceWishbone(flat).At(up)!.Value;
                var there = plane.At(plane.LengthAt(up)!.Value)!.Value;
                Assert.Equal(there.CamberChangeRad, at.Camber, 1e-8);
                Assert.Equal(there.WheelCentre.Y, at.Wheel.Y, 1e-5);
                Assert.Equal(0, at.Toe, 1e-9);
                // Scrub by hand: the patch under the leaning wheel, and the axis drawn down to the ground.
                var (low, high) = (there.LowerBallJoint, there.UpperBallJoint);
                var ground = there.WheelCentre.Z - 385;
                var axis = low.Y + ((ground - low.Z) * (high.Y - low.Y) / (high.Z - low.Z));
                Assert.Equal(690 + there.TrackChangeMm - axis, at.ScrubMm, 1e-5);
            });

    [Fact]
    public void At_ride_height_it_stands_as_it_was_taped_with_the_rod_ahead_or_behind() =>
        Gen.Select(Gen.Double[-25, 25].Array[27], Gen.Bool)
            .Sample(
                (by, ahead) =>
                {
                    SpacePoint[] p =
                    [
                        .. Points
                            .ToArray()
                            .Select(
                                (at, i) =>
                                    new SpacePoint(
                                        // The tie rod ahead of the axis: its points mirrored.
                                        ((ahead && i is 6 or 7) ? -at.X : at.X) + by[3 * i],
                                        at.Y + by[(3 * i) + 1],
                                        at.Z + by[(3 * i) + 2]
                                    )
                            ),
                    ];
                    var points = SpaceWishbonePoints.Of(p);
                    if (new SpaceWishbone(points).At(0) is not { } at)
                    {
                        Assert.Fail("It is where it was taped.");
                        return;
                    }
                    Assert.Equal(0, (at.RodOuter - points.RodOuter).Length, 1e-6);
                    Assert.Equal(0, (at.UpperBall - points.UpperBall).Length, 1e-6);
                    Assert.Equal(0, at.Toe, 1e-9);
                    Assert.Equal(0, at.Camber, 1e-9);
                },
                iter: Sample.Tries(100)
            );

    [Fact]
    public void Front_and_rear_pivots_named_the_other_way_round_are_the_same_arms()
    {
        var swapped = new SpaceWishbone(
            Points with
            {
                LowerFront = Points.LowerRear,
                LowerRear = Points.LowerFront,
                UpperFront = Points.UpperRear,
                UpperRear = Points.UpperFront,
            }
        );
        var arms = new SpaceWishbone(Points);
        for (var up = -90; up <= 90; up += 15)
        {
            var (a, b) = (arms.At(up)!.Value, swapped.At(up)!.Value);
            Assert.Equal(a.Camber, b.Camber, 1e-9);
            Assert.Equal(a.Toe, b.Toe, 1e-9);
            Assert.Equal(0, (a.UpperBall - b.UpperBall).Length, 1e-6);
        }
    }

    [Fact]
    public void Through_its_travel_no_joint_jumps_and_beyond_its_reach_there_is_no_place()
    {
        var arms = new SpaceWishbone(Points);
        SpacePose? before = null;
        var ended = false;
        for (var up = 0; up > -700; up--)
        {
            if (arms.At(up) is not { } at)
            {
                ended = true;
                break;
            }
            Assert.True(double.IsFinite(at.Camber) && double.IsFinite(at.Toe));
            if (before is { } was)
            {
                Assert.True((at.UpperBall - was.UpperBall).Length < 25, $"at {up}");
            }
            before = at;
        }
        Assert.True(ended);
    }

    [Theory]
    [InlineData(0, 12)]
    [InlineData(0, -12)]
    [InlineData(-50, 25)]
    [InlineData(-50, -25)]
    public void Steered_it_leans_as_it_does_when_the_rack_is_moved(double up, double rack)
    {
        // A second way: the tie rod's inner joint goes aside, the rod keeps its length, and the arms are solved again.
        var moved = Points with
        {
            RodInner = Points.RodInner with { Y = Points.RodInner.Y + rack },
        };
        var rod =
            (Points.RodOuter - Points.RodInner).Length - (moved.RodOuter - moved.RodInner).Length;
        var (straight, turned) = (
            new SpaceWishbone(Points).At(up)!.Value,
            new SpaceWishbone(moved, new(0, 0, rod)).At(up)!.Value
        );
        var steered = turned.Toe - straight.Toe;
        Assert.True(Math.Abs(steered) * Degrees > 4);
        // The wheel goes up and down a little as it turns, and its axis with it.
        Assert.Equal(
            turned.Camber * Degrees,
            straight.CamberSteered(steered) * Degrees,
            0.01 + (0.002 * Math.Abs(rack))
        );
    }

    [Fact]
    public void Steered_both_ways_caster_leans_it_apart_and_the_kingpin_together()
    {
        var at = new SpaceWishbone(Points).At(0)!.Value;
        Assert.Equal(at.Camber, at.CamberSteered(0), 1e-12);
        const double Turn = 20 / Degrees;
        var (outer, inner) = (at.CamberSteered(Turn), at.CamberSteered(-Turn));
        // To the first order in caster and kingpin: caster·sin δ apart, kingpin·(1 − cos δ) together.
        Assert.Equal(-2 * at.Caster * Math.Sin(Turn), outer - inner, 0.003);
        Assert.Equal(2 * at.Kingpin * (1 - Math.Cos(Turn)), outer + inner, 0.003);
        Assert.Throws<ArgumentOutOfRangeException>(() => at.CamberSteered(4));
    }
}
