using CsCheck;
using Nokko.Core.Geometry;
using Xunit;

namespace Nokko.Core.Tests.Geometry;

public class SwayBarTests
{
    private static double Degrees(double? rad) => rad!.Value * 180 / Math.PI;

    [Fact]
    public void A_link_that_goes_down_takes_the_arm_along_and_a_longer_one_brings_it_back()
    {
        var bar = new SwayBar(240, 150);
        Assert.Equal(0, Degrees(bar.SlopeRad(0)), 9);
        // 40 down: nearly asin(40/240), less what the link leans by then.
        Assert.Equal(9.59, Degrees(bar.SlopeRad(40)), 0.05);
        Assert.InRange(Degrees(bar.SlopeRad(40)), 9.4, Degrees(Math.Asin(40.0 / 240)) + 0.1);
        Assert.Equal(0, Degrees(bar.SlopeRad(40, 40)), 9);
        Assert.True(bar.SlopeRad(-40) < 0);
    }

    /// <summary>A second way: both lengths are kept wherever the bar stands.</summary>
    [Fact]
    public void Arm_and_link_keep_their_lengths_and_the_arm_goes_down_with_its_foot() =>
        Gen.Select(Gen.Double[60, 500], Gen.Double[60, 400], Gen.Double[-60, 60], Gen.Double[0, 40])
            .Sample(
                (arm, link, down, longer) =>
                {
                    var bar = new SwayBar(arm, link);
                    if (bar.EndAt(down, longer) is not { } end)
                    {
                        return;
                    }
                    var foot = bar.Foot(down);
                    Assert.Equal(arm, double.Hypot(end.Y, end.Z), 1e-9);
                    Assert.Equal(link + longer, double.Hypot(end.Y - foot.Y, end.Z - foot.Z), 1e-9);
                    if (bar.SlopeRad(down + 0.5, longer) is { } further)
                    {
                        Assert.True(further > bar.SlopeRad(down, longer));
                    }
                }
            );

    [Fact]
    public void A_foot_that_goes_too_far_pulls_arm_and_link_into_one_line_and_is_out_of_reach_past_it()
    {
        var bar = new SwayBar(200, 120);
        // Square at rest.
        Assert.Equal(90, Degrees(bar.FromLineRad(0)), 9);
        // In one line the foot is 320 from the pivots: 200 across, so √(320² − 200²) down, less the link.
        var line = Math.Sqrt((320 * 320) - (200 * 200)) - 120;
        Assert.Equal(0, Degrees(bar.FromLineRad(line - 1e-9)), 0.01);
        Assert.Null(bar.SlopeRad(line + 1));
        Assert.Null(bar.FromLineRad(line + 1));
        // A link of no length is none.
        Assert.Null(bar.EndAt(0, -120));
    }

    [Fact]
    public void A_much_longer_link_pushes_the_arm_up_and_not_over()
    {
        var bar = new SwayBar(240, 150);
        var end = bar.EndAt(0, 120)!.Value;
        Assert.Equal(240, end.Length, 1e-9);
        Assert.Equal(270, (end - bar.Foot(0)).Length, 1e-9);
        Assert.True(end.Y > 0 && end.Z > 0);
        // And as much shorter it hangs as far down.
        var low = bar.EndAt(0, -100)!.Value;
        Assert.Equal(50, (low - bar.Foot(0)).Length, 1e-9);
        Assert.True(low.Y > 0 && low.Z < 0);
    }
}
