using CsCheck;
using Nokko.Core.Proof;
using Xunit;

namespace Nokko.Core.Tests.Proof;

/// <summary>Laws of a verdict, whatever the numbers.</summary>
public class VerdictTests
{
    private static readonly Gen<(double D, double T, double U)> Any = Gen.Select(
        Gen.Double[0, 40],
        Gen.Double[1, 15],
        Gen.Double[0.2, 6],
        (d, t, u) => (d, t, u)
    );

    [Fact]
    public void Too_high_and_too_low_are_judged_alike() =>
        Any.Sample(x =>
            Assert.Equal(Prove.Judge(x.D, x.T, x.U, true), Prove.Judge(-x.D, x.T, x.U, true))
        );

    [Fact]
    public void A_greater_difference_is_never_judged_milder() =>
        Gen.Select(Any, Gen.Double[0, 20])
            .Sample(
                (x, more) =>
                    Assert.True(
                        Severity(Prove.Judge(x.D + more, x.T, x.U, true))
                            >= Severity(Prove.Judge(x.D, x.T, x.U, true))
                    )
            );

    [Fact]
    public void A_worse_tape_never_condemns_what_a_better_one_passed() =>
        Gen.Select(Any, Gen.Double[0, 6])
            .Sample(
                (x, worse) =>
                {
                    var good = Prove.Judge(x.D, x.T, x.U, true);
                    var bad = Prove.Judge(x.D, x.T, x.U + worse, true);
                    // It may pass nothing any more, but it turns no verdict into its opposite.
                    Assert.True(good == bad || bad == Verdict.MeasureAgain);
                }
            );

    [Fact]
    public void What_does_not_decide_is_measured_again_whatever_it_reads() =>
        Any.Sample(x => Assert.Equal(Verdict.MeasureAgain, Prove.Judge(x.D, x.T, x.U, false)));

    private static int Severity(Verdict verdict) =>
        verdict switch
        {
            Verdict.Reached => 0,
            Verdict.MeasureAgain => 1,
            Verdict.NotReached => 2,
            _ => throw new ArgumentOutOfRangeException(nameof(verdict)),
        };
}
