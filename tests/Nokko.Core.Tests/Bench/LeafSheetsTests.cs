using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Xunit;
using static Nokko.Core.Tests.Bench.BenchSheetsTests;

namespace Nokko.Core.Tests.Bench;

/// <summary>The sheets of leaves and packs, by their worked numbers.</summary>
public class LeafSheetsTests
{
    [Theory]
    [InlineData("1", null)]
    [InlineData("20", null)]
    [InlineData("21", "leaves")]
    [InlineData("0.5", "leaves")]
    [InlineData("2.5", "leaves")]
    public void Leaves_are_counted(string leaves, string? refused)
    {
        (string, string)[] typed =
        [
            ("leaves", leaves),
            ("length", "1300"),
            ("shorter", "40"),
            ("width", "60"),
            ("thick", "8"),
            ("arch", "120"),
            ("load", "400"),
        ];
        if (refused is null)
        {
            Assert.NotEmpty(Work("leaf", typed).Numbers);
        }
        else
        {
            Assert.Equal(refused, Refused("leaf", typed).Field);
        }
    }

    [Fact]
    public void The_shortest_leaf_has_some_length_left_and_the_rate_its_share()
    {
        (string, string)[] Typed(string shorter) =>
            [
                ("leaves", "4"),
                ("length", "1200"),
                ("shorter", shorter),
                ("width", "60"),
                ("thick", "8"),
                ("arch", "120"),
                ("clamp", "100"),
                ("load", "400"),
            ];
        // Three times shorter: at 400 mm nothing is left.
        Assert.Equal("shorter", Refused("leaf", Typed("400")).Field);
        Assert.NotEmpty(Work("leaf", Typed("250")).Numbers);
        var pack = Work("leaf", Typed("200"));
        var (rate, u) = (Value(pack, 0), pack.Numbers[0].Result.U!.Value);
        Assert.InRange(u / rate, 0.01, 0.5);
        Assert.Equal(u / rate * 400 * 9.80665 / rate, pack.Numbers[1].Result.U!.Value, 9);
    }

    /// <summary>A second way: the leaves written down one by one.</summary>
    [Fact]
    public void Each_leaf_is_shorter_than_the_one_above_and_bent_along_the_same_curve()
    {
        var pack = Work(
            "leaf",
            ("leaves", "3"),
            ("length", "1200"),
            ("shorter", "200"),
            ("width", "60"),
            ("thick", "8"),
            ("arch", "120"),
            ("clamp", "100"),
            ("load", "400")
        );
        var listed = LeafPackBuild.Of(
            [Leaf(600, 120), Leaf(500, 120 * 25.0 / 36), Leaf(400, 120 * 16.0 / 36)],
            100
        );
        Assert.Equal(listed.RateNPerMm, Value(pack, 0), 1e-9 * listed.RateNPerMm);
        Assert.Equal(listed.FreeArchMm - (400 * 9.80665 / listed.RateNPerMm), Value(pack, 1), 1e-6);

        static Leaf Leaf(double half, double arch) =>
            new()
            {
                FrontMm = half,
                RearMm = half,
                WidthMm = 60,
                ThicknessMm = 8,
                ArchMm = arch,
            };
    }

    [Fact]
    public void One_leaf_is_a_beam_on_two_supports()
    {
        var a = Work(
            "leaf",
            ("leaves", "1"),
            ("length", "1200"),
            ("shorter", "200"),
            ("width", "60"),
            ("thick", "8"),
            ("arch", "100"),
            ("clamp", "120"),
            ("load", "30")
        );
        // k = 48 E I / L³ of what the U-bolts leave free; of the arch, what lies between them is held flat.
        var k = 48 * 206_000 * 60 * Math.Pow(8, 3) / 12 / Math.Pow(1200 - 120, 3);
        Assert.Equal(k, Value(a, 0), 6);
        Assert.Equal((100 * 0.9 * 0.9) - (30 * 9.80665 / k), Value(a, 1), 6);
        Assert.Equal(8, Value(a, 3), 9);
        Assert.Equal(
            "shorter",
            Refused(
                "leaf",
                ("leaves", "8"),
                ("length", "1200"),
                ("shorter", "200"),
                ("width", "60"),
                ("thick", "8"),
                ("arch", "100"),
                ("load", "30")
            ).Field
        );
    }
}
