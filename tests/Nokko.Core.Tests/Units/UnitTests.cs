using System.Text.Json;
using CsCheck;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Units;

public class UnitTests
{
    private static IEnumerable<(Unit A, Unit B)> Pairs =>
        Unit.All.SelectMany(a => Unit.All.Where(b => a.SameKind(b)).Select(b => (a, b)));

    [Fact]
    public void There_and_back_is_the_same_value() =>
        Assert.All(
            Pairs,
            p =>
                Gen.Double[-5000, 5000]
                    .Sample(
                        x =>
                            Assert.Equal(
                                x,
                                p.B.To(p.A, p.A.To(p.B, x)),
                                1e-9 * Math.Max(1, Math.Abs(x))
                            ),
                        iter: 20
                    )
        );

    // Each from its definition: 1 in = 25.4 mm, 1 lb = 0.45359237 kg, g = 9.80665 m/s².
    [Theory]
    [InlineData(1, "in", "mm", 25.4)]
    [InlineData(1, "mi", "km", 1.609344)]
    [InlineData(1, "lb", "kg", 0.45359237)]
    [InlineData(1, "lb·ft", "N·m", 0.45359237 * 9.80665 * 0.3048)]
    [InlineData(1, "lb/in", "N/mm", 0.45359237 * 9.80665 / 25.4)]
    [InlineData(1, "psi", "kPa", 0.45359237 * 9.80665 / (25.4 * 25.4) * 1000)]
    [InlineData(1, "bar", "kPa", 100)]
    [InlineData(1, "h", "min", 60)]
    [InlineData(1, "cm", "mm", 10)]
    public void Each_unit_is_its_definition(double x, string from, string to, double y) =>
        Assert.Equal(y, Unit.Of(from)!.To(Unit.Of(to)!, x), 1e-9);

    [Fact]
    public void Zero_is_zero_in_every_unit() =>
        Assert.All(Pairs, p => Assert.Equal(0, p.A.To(p.B, 0)));

    [Theory]
    [InlineData("mm", "kg")]
    [InlineData("N", "kg")]
    [InlineData("N·m", "N")]
    public void What_measures_different_things_is_never_turned_into_one_another(
        string from,
        string to
    )
    {
        var (a, b) = (Unit.Of(from)!, Unit.Of(to)!);
        Assert.False(a.SameKind(b));
        Assert.Throws<ArgumentException>(() => a.To(b, 1));
    }

    [Fact]
    public void A_unit_is_stored_as_its_symbol_and_read_back_as_itself() =>
        Assert.All(
            Unit.All,
            u =>
            {
                Assert.Same(u, Unit.Of(u.Symbol));
                Assert.Same(u, JsonSerializer.Deserialize<Unit>(JsonSerializer.Serialize(u)));
            }
        );

    [Theory]
    [InlineData("\"ell\"")]
    [InlineData("\"MM\"")]
    [InlineData("\"\"")]
    [InlineData("25.4")]
    public void What_is_no_unit_is_not_read(string text) =>
        Assert.Throws<JsonException>(() => JsonSerializer.Deserialize<Unit>(text));
}
