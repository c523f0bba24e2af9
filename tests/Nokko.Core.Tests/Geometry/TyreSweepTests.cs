using CsCheck;
using Nokko.Core.Geometry;
using Xunit;

namespace Nokko.Core.Tests.Geometry;

/// <summary>How far a tyre reaches while it turns.</summary>
public class TyreSweepTests
{
    private const double Degree = Math.PI / 180;

    private static readonly Gen<(TyreSweep Tyre, double Lock)> Any =
        from radius in Gen.Double[200, 550]
        from half in Gen.Double[60, 220]
        from outboard in Gen.Double[-80, 80]
        from turned in Gen.Double[5, 55]
        select (new TyreSweep(radius, half, outboard), turned * Degree);

    /// <summary>Its four corners turned about the kingpin: forward, outboard.</summary>
    private static (double Ahead, double Outboard)[] CornersOf(TyreSweep tyre, double turned) =>
        [
            .. from along in new[] { -tyre.RadiusMm, tyre.RadiusMm }
            from across in new[] { tyre.OutMm - tyre.HalfWidthMm, tyre.OutMm + tyre.HalfWidthMm }
            select (
                (along * Math.Cos(turned)) - (across * Math.Sin(turned)),
                (along * Math.Sin(turned)) + (across * Math.Cos(turned))
            ),
        ];

    [Fact]
    public void It_reaches_as_far_as_the_farthest_of_its_turned_corners() =>
        Any.Sample(t =>
        {
            foreach (var turned in new[] { t.Lock, -t.Lock, 0 })
            {
                var corners = CornersOf(t.Tyre, turned);
                Assert.Equal(corners.Max(c => c.Ahead), t.Tyre.AheadMm(turned), 1e-9);
                Assert.Equal(-corners.Min(c => c.Ahead), t.Tyre.BehindMm(turned), 1e-9);
            }
            // The same either way: one end of it comes inboard, or the other.
            Assert.Equal(
                -CornersOf(t.Tyre, t.Lock).Min(c => c.Outboard),
                t.Tyre.InsideMm(t.Lock),
                1e-9
            );
            Assert.Equal(t.Tyre.InsideMm(t.Lock), t.Tyre.InsideMm(-t.Lock), 1e-9);
        });

    [Fact]
    public void The_farthest_on_the_way_to_both_locks_is_that_of_every_angle_on_it() =>
        Any.Sample(t =>
        {
            var every = Enumerable
                .Range(-2000, 4001)
                .Select(i => t.Tyre.AheadMm(t.Lock * i / 2000))
                .Max();
            Assert.Equal(every, t.Tyre.FarthestMm(t.Lock), 1e-3);
            Assert.True(t.Tyre.FarthestMm(t.Lock) >= every - 1e-9);
        });

    [Fact]
    public void A_larger_or_a_wider_tyre_reaches_nowhere_less_and_less_lock_nowhere_more() =>
        Gen.Select(Any, Gen.Double[0, 60], Gen.Double[0, 60], Gen.Double[0, 5])
            .Sample(
                (t, taller, wider, earlier) =>
                {
                    var next = t.Tyre with
                    {
                        RadiusMm = t.Tyre.RadiusMm + taller,
                        HalfWidthMm = t.Tyre.HalfWidthMm + wider,
                    };
                    Assert.True(next.FarthestMm(t.Lock) >= t.Tyre.FarthestMm(t.Lock) - 1e-9);
                    Assert.True(next.InsideMm(t.Lock) >= t.Tyre.InsideMm(t.Lock) - 1e-9);
                    var less = t.Lock - (earlier * Degree);
                    Assert.True(t.Tyre.FarthestMm(less) <= t.Tyre.FarthestMm(t.Lock) + 1e-9);
                }
            );

    [Fact]
    public void A_larger_tyre_on_other_rims_takes_from_the_gaps_what_the_worked_numbers_say()
    {
        var was = new TyreSweep(401.4, 132.5, 0);
        var next = new TyreSweep(426.5, 142.5, 0);
        var further = next with { OutMm = 25 };
        double Farther(TyreSweep tyre) =>
            tyre.FarthestMm(33 * Degree) - was.FarthestMm(33 * Degree);
        double Inside(TyreSweep tyre, double turned) =>
            tyre.InsideMm(turned * Degree) - was.InsideMm(turned * Degree);
        Assert.Equal(26.97, Farther(next), 0.01);
        Assert.Equal(22.06, Inside(next, 33), 0.01);
        Assert.Equal(10, Inside(next, 0), 1e-9);
        Assert.Equal(35.51, Farther(further), 0.01);
        Assert.Equal(1.09, Inside(further, 33), 0.01);
        Assert.Equal(-15, Inside(further, 0), 1e-9);
    }
}
