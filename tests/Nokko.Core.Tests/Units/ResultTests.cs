using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Units;

public class ResultTests
{
    private static Result Mm(double value, double u, int reading) =>
        Result.Of(value, Unit.Mm, u, [Sample.Id(reading)], Known.Measured);

    [Fact]
    public void A_sum_weighs_values_and_adds_the_squares_of_their_uncertainties()
    {
        // 2·10 − 4 = 16; √((2·1.5)² + 4²) = 5.
        var sum = Result.Sum(Unit.Mm, [(2, Mm(10, 1.5, 2)), (-1, Mm(4, 4, 1))]);
        Assert.Equal((16, 5, Unit.Mm), (sum.Value, sum.U, sum.Unit));
        Assert.Equal([Sample.Id(1), Sample.Id(2)], sum.RestsOn);
        Assert.Equal(Known.Computed, sum.Known);
        Assert.Equal(new Estimate(16, 5), sum.Have());
    }

    [Fact]
    public void A_mean_of_four_equal_tapes_is_twice_as_sure()
    {
        var mean = Result.Mean(Unit.Mm, [.. Enumerable.Range(1, 4).Select(i => Mm(i, 3, i))]);
        Assert.Equal((2.5, 1.5), (mean.Value, mean.U));
    }

    [Fact]
    public void What_one_term_cannot_the_sum_cannot_for_its_reason()
    {
        var sum = Result.Sum(Unit.Mm, [(1, Mm(1, 1, 1)), (1, Result.No(Unit.Mm, "Not read."))]);
        Assert.Equal("Not read.", sum.Cannot);
        Assert.Null(sum.Found);
        Assert.Equal(
            "Not read.",
            Assert.Throws<InvalidOperationException>(() => sum.Have()).Message
        );
    }

    [Fact]
    public void Neither_a_result_nor_a_quantity_holds_what_is_no_number()
    {
        foreach (var odd in (double[])[double.NaN, double.PositiveInfinity])
        {
            Assert.Throws<ArgumentOutOfRangeException>(() => Mm(odd, 1, 1));
            Assert.Throws<ArgumentOutOfRangeException>(() => Mm(1, odd, 1));
            Assert.Throws<ArgumentOutOfRangeException>(() => Quantity.Mm(odd, Known.Told));
            Assert.Throws<ArgumentOutOfRangeException>(() => Quantity.Mm(1, Known.Told, odd));
        }
    }

    [Fact]
    public void A_result_is_a_value_or_a_reason_and_nothing_between()
    {
        Assert.Throws<ArgumentException>(() => Kept(1, null, "Not read."));
        Assert.Throws<ArgumentException>(() => Kept(null, null, null));
        Assert.Throws<ArgumentException>(() => Kept(null, 1, "Not read."));
        Assert.Throws<ArgumentOutOfRangeException>(() => Mm(1, -1, 1));
        Assert.Equal(new Estimate(1, 0), Kept(1, null, null).Have());

        static Result Kept(double? value, double? u, string? cannot) =>
            new(value, Unit.Mm, u, Known.Computed, [], cannot);
    }
}
