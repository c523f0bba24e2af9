using CsCheck;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Units;

public class UnitTableTests
{
    private static IEnumerable<(string A, string B)> Pairs =>
        UnitTable.All.SelectMany(a =>
            UnitTable.All.Where(b => UnitTable.SameKind(a, b)).Select(b => (a, b))
        );

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
                                UnitTable.Convert(UnitTable.Convert(x, p.A, p.B), p.B, p.A),
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
        Assert.Equal(y, UnitTable.Convert(x, from, to), 1e-9);

    [Fact]
    public void Zero_is_zero_in_every_unit() =>
        Assert.All(Pairs, p => Assert.Equal(0, UnitTable.Convert(0, p.A, p.B)));

    [Theory]
    [InlineData("mm", "kg")]
    [InlineData("N", "kg")]
    [InlineData("N·m", "N")]
    [InlineData("mm", "ell")]
    [InlineData("ell", "ell")]
    public void What_measures_different_things_is_never_turned_into_one_another(
        string from,
        string to
    )
    {
        Assert.False(UnitTable.SameKind(from, to));
        Assert.Throws<ArgumentException>(() => UnitTable.Convert(1, from, to));
    }
}
