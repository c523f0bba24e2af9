using CsCheck;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.WalkRounds;

public class ReadingUncertaintyTests
{
    private static readonly ReadingConditions HubByEye = new(
        Datum.Hub,
        25.4 / 16,
        Settled.Rolled,
        false,
        true,
        false
    );

    [Fact]
    public void One_hub_reading_by_eye_is_1_84_mm_and_its_rise_a_quarter_inch()
    {
        var value = ReadingUncertainty.Combine([520], false, HubByEye);
        Assert.Equal(1.84, value.U, 2);
        Assert.Equal("1/4 in", Rise(value));
    }

    [Fact]
    public void The_rim_gives_three_sixteenths() =>
        Assert.Equal(
            "3/16 in",
            Rise(ReadingUncertainty.Combine([700], false, HubByEye with { Datum = Datum.Rim }))
        );

    [Fact]
    public void A_marked_hub_and_the_same_floor_cancel_in_a_difference()
    {
        var value = ReadingUncertainty.Combine([520], false, HubByEye);
        Assert.Equal(
            Math.Pow(value.U, 2) - Math.Pow(value.Sight, 2) - Math.Pow(value.Floor, 2),
            Math.Pow(value.UInDifference(true, true), 2),
            9
        );
    }

    [Fact]
    public void Two_reads_give_their_mean_and_ask_for_a_third_beyond_an_eighth()
    {
        var close = ReadingUncertainty.Combine([520, 522], false, HubByEye);
        Assert.Equal((521, false), (close.Mm, close.WantsThird));
        Assert.True(ReadingUncertainty.Combine([520, 524], false, HubByEye).WantsThird);
    }

    [Fact]
    public void Of_three_reads_the_median_counts()
    {
        var value = ReadingUncertainty.Combine([520, 524, 521], false, HubByEye);
        Assert.Equal(521, value.Mm);
        // By hand: squares about 521.667 are 8.667; sqrt((2.56 + 8.667)/6)/sqrt(3)·1.16.
        Assert.Equal(0.9161, value.Repeat, 4);
        Assert.False(value.WantsThird);
    }

    [Fact]
    public void Conditions_cost_what_they_should()
    {
        var plain = ReadingUncertainty.Combine([520], false, HubByEye);
        Assert.Equal(
            6,
            ReadingUncertainty.Combine([520], false, HubByEye with { Settled = Settled.No }).Settle
        );
        Assert.Equal(
            2,
            ReadingUncertainty.Combine([520], false, HubByEye with { LeafSprung = true }).Settle
        );
        Assert.Equal(
            3,
            ReadingUncertainty
                .Combine([900], false, HubByEye with { Datum = Datum.Floor, FloorSurveyed = false })
                .Floor
        );
        Assert.Equal(
            2 * plain.Resolution,
            ReadingUncertainty.Combine([520], true, HubByEye).Resolution,
            12
        );
        Assert.Throws<ArgumentException>(() => ReadingUncertainty.Combine([], false, HubByEye));
    }

    [Fact]
    public void More_reads_that_agree_never_make_it_worse() =>
        Gen.Int[1, 8]
            .Where(n => n != 2)
            .Sample(n =>
                ReadingUncertainty
                    .Combine([.. Enumerable.Repeat(520.0, n + 1)], false, HubByEye)
                    .Repeat
                <= ReadingUncertainty
                    .Combine([.. Enumerable.Repeat(520.0, n)], false, HubByEye)
                    .Repeat
            );

    private static string Rise(StationValue value)
    {
        var u = value.UInDifference(sameFloor: true, markedHub: false);
        return LengthText.ShowUp(2 * Math.Sqrt(2) * u, LengthStyle.Inches);
    }
}
