using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Stance;

/// <summary>What is said of a stance.</summary>
public class StanceWordsTests
{
    private static readonly WalkRoundStance Read = Sample.Stance();

    private static string Say(WalkRoundStance stance) =>
        string.Join("\n", StanceWords.Say(stance, LengthStyle.Inches));

    private static Result Angle(double degrees, double u) => Result.Of(degrees, Unit.Degree, u, []);

    [Theory]
    // Lips level within their ±, the sill not.
    [InlineData(
        0.2,
        0.1,
        1.24,
        0.11,
        "Looks level by the lips, is not: the sill stands 1.2° ± 0.3° nose down."
    )]
    [InlineData(0.2, 0.1, -1.24, 0.1, "the sill stands 1.2° ± 0.2° nose high.")]
    // The other way about.
    [InlineData(
        0.9,
        0.1,
        0.2,
        0.1,
        "By the lips it stands 0.9° ± 0.2° nose down, but the sill is level: the wheel openings are cut differently."
    )]
    // Neither level, and apart by more than both can be wrong: 2·√(0.1² + 0.1²) is 0.283.
    [InlineData(
        0.9,
        0.1,
        1.19,
        0.1,
        "The sill stands 1.2° ± 0.2° nose down, the lips say 0.9° ± 0.2° nose down: judge the body by the sill."
    )]
    [InlineData(0.9, 0.1, 1.18, 0.1, null)]
    [InlineData(0.9, 0.1, 0.62, 0.1, null)]
    // Both level, and both not known better.
    [InlineData(0.2, 0.1, 0, 0.1, null)]
    public void Sill_and_lips_are_told_apart_where_they_tell_different_stories(
        double lips,
        double uLips,
        double sill,
        double uSill,
        string? says
    )
    {
        var said = Say(
            Read with
            {
                BodyAngle = Angle(lips, uLips),
                SillAngle = Angle(sill, uSill),
            }
        );
        if (says is null)
        {
            Assert.DoesNotContain("sill", said, StringComparison.Ordinal);
        }
        else
        {
            Assert.Contains(says, said, StringComparison.Ordinal);
        }
    }

    [Fact]
    public void Rake_and_the_lean_of_each_axle_are_told_in_that_order()
    {
        var said = StanceWords.Say(
            Read with
            {
                Rake = Result.Of(60, Unit.Mm, 3, []),
                LeanFront = Result.Of(12.7, Unit.Mm, 1.5, []),
                LeanRear = Result.Of(3, Unit.Mm, 1.5, []),
            },
            LengthStyle.Inches
        );
        Assert.StartsWith("Nose down 2 3/8 in", said[0], StringComparison.Ordinal);
        Assert.Equal("Right side low at the front by 1/2 in ± 1/8 in.", said[1]);
        Assert.StartsWith("No lean at the rear", said[2], StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(12, 3, "The four corners are twisted by 1/2 in")]
    [InlineData(-12, 3, "The four corners are twisted by 1/2 in")]
    [InlineData(6, 3, null)]
    public void A_warp_is_said_beyond_what_the_tape_can_be_wrong_by(
        double warp,
        double u,
        string? says
    )
    {
        var said = Say(Read with { Warp = Result.Of(warp, Unit.Mm, u, []) });
        if (says is null)
        {
            Assert.DoesNotContain("twisted", said, StringComparison.Ordinal);
        }
        else
        {
            Assert.Contains(says, said, StringComparison.Ordinal);
        }
    }

    [Theory]
    [InlineData(0, "Level within what the tape can show (0 in ± 1/4 in, by hub).")]
    [InlineData(6, "Level within what the tape can show (1/4 in ± 1/4 in, by hub).")]
    [InlineData(-6, "Level within what the tape can show (1/4 in ± 1/4 in, by hub).")]
    [InlineData(6.2, "Nose down 1/4 in ± 1/4 in, by hub.")]
    [InlineData(-6.2, "Nose high 1/4 in ± 1/4 in, by hub.")]
    public void A_rake_is_level_up_to_its_own_band(double rake, string says) =>
        Assert.Equal(
            says,
            StanceWords.SayRake(Result.Of(rake, Unit.Mm, 3, []), Datum.Hub, LengthStyle.Inches)
        );
}
