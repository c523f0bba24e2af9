using CsCheck;
using Nokko.Core.Suspension;
using Xunit;

namespace Nokko.Core.Tests.Suspension;

public class PlanePointTests
{
    private static readonly Gen<PlanePoint> Points = Gen.Select(
        Gen.Double[-900, 900],
        Gen.Double[-900, 900],
        (y, z) => new PlanePoint(y, z)
    );

    [Fact]
    public void A_meeting_lies_on_both_circles_and_on_the_branch_that_was_near() =>
        Gen.Select(Points, Points, Points)
            .Where((a, b, c) => (b - a).Length > 1 && Twice(a, b, c) > 500)
            .Sample(
                (a, b, c) =>
                {
                    // Circles through c: one of their two meetings is c itself, and the nearer branch is c's.
                    var met = PlanePoint.Meeting(a, (c - a).Length, b, (c - b).Length, c)!.Value;
                    Assert.Equal(0, (met - c).Length, 1e-6);
                    // The other branch is its mirror image in the line between the centres.
                    var along = PlanePoint.Dot(c - a, b - a) / PlanePoint.Dot(b - a, b - a);
                    var foot = a + (along * (b - a));
                    var mirror = foot + (-1 * (c - foot));
                    var other = PlanePoint
                        .Meeting(a, (c - a).Length, b, (c - b).Length, mirror)!
                        .Value;
                    Assert.Equal(0, (other - mirror).Length, 1e-6);
                }
            );

    [Fact]
    public void Circles_apart_inside_one_another_or_about_one_point_do_not_meet()
    {
        PlanePoint a = new(0, 0);
        PlanePoint b = new(100, 0);
        Assert.Null(PlanePoint.Meeting(a, 40, b, 59, b));
        Assert.Null(PlanePoint.Meeting(a, 200, b, 99, b));
        Assert.Null(PlanePoint.Meeting(a, 50, a, 50, b));
        // Just touching, they meet in one point.
        Assert.Equal(new PlanePoint(40, 0), PlanePoint.Meeting(a, 40, b, 60, b));
    }

    [Fact]
    public void A_turn_keeps_lengths_and_adds_its_angle() =>
        Gen.Select(Points, Gen.Double[-3, 3])
            .Where((p, _) => p.Length > 1)
            .Sample(
                (p, angle) =>
                {
                    var turned = p.Turned(angle);
                    Assert.Equal(p.Length, turned.Length, 1e-9);
                    var by = Math.IEEERemainder(turned.Angle - p.Angle - angle, 2 * Math.PI);
                    Assert.Equal(0, by, 1e-9);
                }
            );

    [Fact]
    public void A_quarter_is_the_velocity_of_a_turn() =>
        Points.Sample(p =>
        {
            const double small = 1e-7;
            var moved = (1 / small) * (p.Turned(small) - p);
            Assert.Equal(0, (moved - p.Quarter()).Length, 1e-3);
        });

    private static double Twice(PlanePoint a, PlanePoint b, PlanePoint c) =>
        Math.Abs(PlanePoint.Dot(c - a, (b - a).Quarter())) / (b - a).Length * 10;
}
