using Nokko.Core.Proof;
using Xunit;

namespace Nokko.Core.Tests.Proof;

/// <summary>What is thought of each kind of cause, and what its check tells, as docs/computation/causes.md lists it.</summary>
public class CauseRuleTests
{
    [Theory]
    [InlineData(CauseKind.NotSettled, 0.08, 6, 4, 0.9, 0.05, 10, 0, 0)]
    [InlineData(CauseKind.TightenedHanging, 0.04, 5, 3, 0.9, 0.05, 35, 0, 0)]
    [InlineData(CauseKind.OtherLoad, 0.06, -10, 15, 0.8, 0.1, 25, 0, 1)]
    [InlineData(CauseKind.SaggedMore, 0.04, 10, 10, 0.7, 0.1, 10, 0, 1)]
    [InlineData(CauseKind.NotSeated, 0.05, 8, 5, 0.95, 0.02, 10, 1.5, 0)]
    [InlineData(CauseKind.Slip, 0.06, 0, 15, 0.95, 0.03, 3, 0, 0)]
    [InlineData(CauseKind.TyreLow, 0.02, -6, 4, 0.95, 0.03, 5, 0.25, 0)]
    [InlineData(CauseKind.MountCrushed, 0.01, -8, 5, 0.85, 0.05, 15, 1.5, 0)]
    [InlineData(CauseKind.OtherCargo, 0.02, 0, 8, 0.9, 0.05, 10, 0, 0)]
    [InlineData(CauseKind.Other, 0.04, 0, 15, 0.5, 0.02, 30, 1, 0.5)]
    public void A_kind_is_thought_of_as_it_is_written(
        CauseKind kind,
        double share,
        double mean,
        double sd,
        double sees,
        double cries,
        int minutes,
        double hours,
        double stays
    )
    {
        var rule = CauseRule.Of(kind);
        Assert.Equal(
            (share, mean, sd, sees, cries, minutes, hours, stays),
            (
                rule.Share,
                rule.Mean,
                rule.Sd,
                rule.Sees,
                rule.Cries,
                rule.Minutes,
                rule.MendHours,
                rule.Stays
            )
        );
        Assert.True(rule.HasCheck);
    }

    /// <summary>Some are looked for with eyes and hands, some are seen when it is read again.</summary>
    [Fact]
    public void Settling_a_slip_and_another_load_are_told_by_reading_again_and_nothing_else_is() =>
        Assert.Equal(
            [CauseKind.NotSettled, CauseKind.Slip, CauseKind.OtherCargo],
            Enum.GetValues<CauseKind>().Where(k => CauseRule.Of(k).ByReading)
        );

    [Fact]
    public void What_is_thought_of_all_comes_to_about_one() =>
        Assert.InRange(Enum.GetValues<CauseKind>().Sum(k => CauseRule.Of(k).Share), 0.95, 1.05);

    [Fact]
    public void Every_cause_has_its_words_and_what_can_be_done_its_check()
    {
        foreach (var kind in Enum.GetValues<CauseKind>())
        {
            foreach (var where in new[] { "LF", "front", "rear", "vehicle", "left" })
            {
                Assert.NotEmpty(CauseWords.Said(kind, where));
                if (CauseRule.Of(kind).HasCheck)
                {
                    Assert.NotEmpty(CauseWords.CheckOf(kind, where, true));
                }
                else
                {
                    Assert.Throws<ArgumentOutOfRangeException>(() =>
                        CauseWords.CheckOf(kind, where, true)
                    );
                }
            }
        }
        Assert.Contains(
            "right rear",
            CauseWords.Said(CauseKind.Slip, "RR"),
            StringComparison.Ordinal
        );
    }
}
