using Nokko.Core.Evidence;
using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>What an owner is told of a plan.</summary>
public class OfferWordsTests
{
    [Theory]
    [InlineData(38.1, 3, "nose down 1 1/2 in ± 1/4 in")]
    [InlineData(-38.1, 3, "nose high 1 1/2 in ± 1/4 in")]
    // Within twice its uncertainty nobody can tell it from level.
    [InlineData(6, 3, "about level: nose down 1/4 in ± 1/4 in")]
    [InlineData(-6, 3, "about level: nose high 1/4 in ± 1/4 in")]
    [InlineData(6.01, 3, "nose down 1/4 in ± 1/4 in")]
    public void How_it_will_sit_is_told_by_its_nose(double rake, double u, string says)
    {
        var d = Sample.Job([520, 1040, 580, 580, 1040, 520]);
        var plan = d.Plans[0];
        var prediction = JobEvaluator.Predict(
            d,
            plan,
            JobEvaluator.Evaluate(d).WalkRounds,
            PlatformEvidence.None
        )!;
        var offer = OfferWords.Of(
            Sample.Id(900),
            d,
            plan,
            prediction with
            {
                Rake = Result.Of(rake, Unit.Mm, u, []),
            },
            JobGeometry.Of(d, plan, PlatformEvidence.None, [], false),
            LengthStyle.Inches,
            null
        );
        Assert.Equal(says, offer.Facts.Single(f => f.What == "How it will sit").Says);
    }
}
