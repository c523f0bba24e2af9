using Nokko.Core.Proof;
using Xunit;

namespace Nokko.Core.Tests.Proof;

/// <summary>What a cause is called says where it is.</summary>
public class CauseWordsTests
{
    [Theory]
    [InlineData(CauseKind.TightenedHanging, "front", "Rubber tightened hanging in front")]
    [InlineData(CauseKind.TightenedHanging, "rear", "Rubber tightened hanging at the rear")]
    [InlineData(CauseKind.NotSettled, "vehicle", "Springs not settled in front or at the rear")]
    [InlineData(CauseKind.NotSeated, "LR", "Spring not seated, or an isolator twice, left rear")]
    [InlineData(
        CauseKind.Slip,
        "RF",
        "The reading right front slipped, or was taken from another datum"
    )]
    [InlineData(CauseKind.MountCrushed, "left", "Body mounts crushed on the left")]
    public void It_is_called_by_its_place(CauseKind kind, string where, string said) =>
        Assert.Equal(said, CauseWords.Said(kind, where));

    [Theory]
    [InlineData("front", "Hold the old springs from the front beside")]
    [InlineData("rear", "Hold the old springs from the rear beside")]
    public void Old_springs_are_held_beside_the_new_ones_of_their_axle(string where, string said) =>
        Assert.StartsWith(
            said,
            CauseWords.CheckOf(CauseKind.SaggedMore, where, true),
            StringComparison.Ordinal
        );

    [Theory]
    [InlineData(20, 0.025)]
    [InlineData(0, 0)]
    public void A_check_is_worth_its_bits_over_its_minutes(int minutes, double worth) =>
        Assert.Equal(
            worth,
            new CauseCheck(
                CauseKind.Slip,
                "LF",
                "Read it again.",
                true,
                minutes,
                0.5,
                0.9,
                0.1,
                null
            ).BitsAMinute,
            1e-12
        );
}
