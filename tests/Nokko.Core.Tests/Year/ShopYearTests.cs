using CsCheck;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Year;
using Xunit;

namespace Nokko.Core.Tests.Year;

/// <summary>The sums of a shop's year.</summary>
public class ShopYearTests
{
    private static YearFacts Facts(
        FirstTime first = FirstTime.Right,
        YearComeback? comeback = null,
        double usual = 0,
        double taken = 0,
        params CauseKind[] causes
    ) =>
        new()
        {
            Rules = YearFacts.CurrentRules,
            First = first,
            Passes = 1,
            Comeback = comeback,
            Causes = causes,
            UsualMinutes = usual,
            TakenMinutes = taken,
            Steps = usual > 0 ? 1 : 0,
        };

    private static ShopYear Of(params YearFacts[] facts) =>
        ShopYear.Of(
            2026,
            [.. facts.Select((f, i) => new YearJob(new DateOnly(2026, (i % 12) + 1, 5), f))]
        );

    /// <summary>Worked by hand in docs/computation/year.md#shares.</summary>
    [Theory]
    [InlineData(41, 52, 0.660, 0.878)]
    [InlineData(0, 10, 0, 0.278)]
    [InlineData(10, 10, 0.722, 1)]
    public void A_share_is_told_with_its_range(int count, int of, double low, double high)
    {
        var share = new Share(count, of);
        Assert.Equal(low, share.Low!.Value, 0.001);
        Assert.Equal(high, share.High!.Value, 0.001);
    }

    /// <summary>Second way: the ends are the shares from which what was seen lies 1.96 standard deviations away.</summary>
    [Fact]
    public void At_its_ends_what_was_seen_is_as_far_off_as_95_of_100_lie() =>
        Gen.Int[1, 300]
            .SelectMany(n => Gen.Int[0, n].Select(k => (k, n)))
            .Sample(
                s =>
                {
                    var (share, seen) = (new Share(s.k, s.n), (double)s.k / s.n);
                    foreach (var end in new[] { share.Low!.Value, share.High!.Value })
                    {
                        Assert.InRange(end, 0, 1);
                        if (end is > 1e-9 and < 1 - 1e-9)
                        {
                            Assert.Equal(
                                1.959964,
                                Math.Abs(seen - end) / Math.Sqrt(end * (1 - end) / s.n),
                                1e-6
                            );
                        }
                    }
                    Assert.True(share.Low <= seen + 1e-12 && seen <= share.High + 1e-12);
                },
                iter: 300
            );

    [Fact]
    public void Of_no_case_there_is_no_share()
    {
        var none = Of();
        Assert.Equal((null, null, null), (none.Right.Value, none.Right.Low, none.Right.High));
        Assert.Equal((0, 12), (none.Jobs, none.Months.Count));
        Assert.Equal((0, null), (none.Hours.Jobs, none.Hours.Quarter));
    }

    [Fact]
    public void What_nobody_can_tell_is_in_no_share()
    {
        var year = Of(
            Facts(),
            Facts(),
            Facts(FirstTime.Missed),
            Facts(FirstTime.Untold),
            Facts(FirstTime.NotFitted)
        );
        Assert.Equal(new Share(2, 3), year.Right);
        Assert.Equal((5, 1, 1), (year.Jobs, year.Untold, year.NotFitted));
        Assert.Equal(
            [(1, 1, 0, 0), (2, 1, 0, 0), (3, 0, 1, 0), (4, 0, 0, 1), (5, 0, 0, 1)],
            year.Months.Take(5).Select(m => (m.Month, m.Right, m.Missed, m.Untold))
        );
    }

    [Fact]
    public void What_is_not_the_shops_is_listed_and_in_no_share()
    {
        YearComeback Back(ComebackCause? cause, ComebackFor what = ComebackFor.Noise) =>
            new(what, cause);
        var year = Of(
            Facts(comeback: Back(ComebackCause.Fitting)),
            Facts(comeback: Back(ComebackCause.Fitting, ComebackFor.Rubs)),
            Facts(comeback: Back(ComebackCause.Use)),
            Facts(comeback: Back(ComebackCause.NotOurs)),
            Facts(comeback: Back(ComebackCause.Unknown)),
            Facts(comeback: Back(null)),
            Facts(),
            Facts()
        );
        Assert.Equal(new Share(4, 8), year.Comebacks);
        Assert.Equal(1, year.Unexplained);
        Assert.Equal(new Counted<ComebackCause>(ComebackCause.Fitting, 2), year.ComebackCauses[0]);
        Assert.Equal(5, year.ComebackCauses.Sum(c => c.Times));
        Assert.Equal(
            [
                new Counted<ComebackFor>(ComebackFor.Noise, 5),
                new Counted<ComebackFor>(ComebackFor.Rubs, 1),
            ],
            year.ComebackFor
        );
        Assert.Equal([1, 1, 1, 1, 1, 1, 0, 0], year.Months.Take(8).Select(m => m.Comebacks));
    }

    [Fact]
    public void Causes_that_were_found_are_counted_the_most_frequent_first()
    {
        var year = Of(
            Facts(causes: [CauseKind.Slip]),
            Facts(causes: [CauseKind.TyreLow, CauseKind.Slip]),
            Facts(causes: [])
        );
        Assert.Equal(
            [
                new Counted<CauseKind>(CauseKind.Slip, 2),
                new Counted<CauseKind>(CauseKind.TyreLow, 1),
            ],
            year.Causes
        );
    }

    [Fact]
    public void Hours_are_those_of_steps_that_somebody_timed()
    {
        // Taken over usual: 0.5, 1, 1.5, 2 and one that nobody timed.
        var year = Of(
            Facts(usual: 60, taken: 30),
            Facts(usual: 120, taken: 120),
            Facts(usual: 60, taken: 90),
            Facts(usual: 30, taken: 60),
            Facts()
        );
        Assert.Equal((4, 4.5, 5), (year.Hours.Jobs, year.Hours.Usual, year.Hours.Taken));
        Assert.Equal((0.5, 1.5), (year.Hours.Quarter, year.Hours.ThreeQuarters));
        Assert.Null(Of(Facts(usual: 60, taken: 30)).Hours.Quarter);
    }
}
