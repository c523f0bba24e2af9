using Nokko.Core.Bench;
using Nokko.Core.Units;
using Xunit;
using static Nokko.Core.Tests.Bench.BenchSheetsTests;

namespace Nokko.Core.Tests.Bench;

/// <summary>The sheets of an independent front, by their worked numbers.</summary>
public class FrontSheetsTests
{
    private static BenchAnswer Front(params (string, string)[] other) => Usual("front", other);

    [Fact]
    public void A_front_in_space_tells_the_worked_angles_and_what_the_cams_must_do()
    {
        var a = Front();
        Assert.Equal(-0.2043, Value(a, 0), 0.0005);
        Assert.Equal(0.0123, Value(a, 1), 0.0005);
        // Both axles rise alike: caster to the ground is that to the body.
        Assert.Equal(4.6849 - 4.9697, Value(a, 2), 0.0005);
        double Cams(string label) =>
            a
                .Numbers.Single(n => n.Label.StartsWith(label, StringComparison.Ordinal))
                .Result.Value!.Value;
        Assert.Equal(-1.87, Cams("Lower arm"), 0.02);
        Assert.Equal(-0.31, Cams("Its rear"), 0.02);
        Assert.Equal(-0.94, Cams("The tie rod"), 0.02);
        Assert.Contains("tape how far they go", a.Says[0], StringComparison.Ordinal);
        Assert.StartsWith("It aligns", Front(("cams", "12")).Says[0], StringComparison.Ordinal);
    }

    [Fact]
    public void What_cannot_be_a_front_is_said_at_its_field()
    {
        Assert.Equal(
            "lowerBall",
            Assert.Throws<BenchException>(() => Front(("upperBall", "-22; 600; 100"))).Field
        );
        Assert.Equal("rises", Assert.Throws<BenchException>(() => Front(("rises", "900"))).Field);
        Assert.Equal("rises", Assert.Throws<BenchException>(() => Front(("rises", "0"))).Field);
    }

    [Fact]
    public void A_half_shaft_runs_at_its_angle_and_a_lower_differential_takes_it_back()
    {
        var a = Usual("cvShaft", ("droop", "60"));
        Assert.Equal(Math.Atan2(65, 420) * 180 / Math.PI, Value(a, 0), 1e-9);
        Assert.Equal(Math.Atan2(125, 420) * 180 / Math.PI, Value(a, 1), 1e-9);
        Assert.Equal(double.Hypot(420, 65) - double.Hypot(420, 15), Value(a, 2), 1e-9);
        Assert.Equal(Math.Atan2(15, 420) * 180 / Math.PI, Value(a, 3), 1e-9);
        var lowered = Usual("cvShaft", ("lowered", "50"));
        Assert.Equal(Value(lowered, 3), Value(lowered, 0), 1e-9);
        // Its own limit decides, and beyond it at droop it is said to stop.
        Assert.Contains(
            Usual("cvShaft", ("droop", "120")).Says,
            s => s.Contains("bends further than it may", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Pucks_stretch_the_steering_shaft_and_springs_move_the_axle()
    {
        var a = Usual("bodyOrSprings", ("run", "860"));
        // By coordinates: its upper end goes straight up.
        var (x, z) = (450 * Math.Sin(40 * Math.PI / 180), 450 * Math.Cos(40 * Math.PI / 180));
        Assert.Equal(double.Hypot(x, z + 50) - 450, Value(a, 0), 1e-9);
        Assert.Equal(4.956, Value(a, 1), 0.001);
        Assert.Equal(0, Value(a, 2));
        Assert.All(a.Numbers, n => Assert.Equal(Unit.Mm, n.Result.Unit));
        Assert.Equal(4, Usual("bodyOrSprings").Numbers.Count);
        Assert.Equal(
            "room",
            Assert
                .Throws<BenchException>(() =>
                    Usual("bodyOrSprings", ("run", "300"), ("room", "400"))
                )
                .Field
        );
    }
}
