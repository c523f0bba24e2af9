using Nokko.Core.Fitting;
using Nokko.Core.Plans;

namespace Nokko.Core.Jobs;

/// <summary>The job card of a plan as lines: what each step opens, loosens, takes off, puts under, closes and to which pass, whether the hand stops, and what holds the vehicle after it.</summary>
/// <param name="PlanId">The plan.</param>
/// <param name="Lines">The lines.</param>
public sealed record PlanCard(Guid PlanId, IReadOnlyList<string> Lines)
{
    /// <summary>The cards of the plan that is being fitted and of the chosen draft.</summary>
    public static IReadOnlyList<PlanCard> Of(JobDocument d) =>
        [
            .. new[] { d.BegunPlan(), d.DraftPlan() }
                .OfType<Plan>()
                .DistinctBy(p => p.Id)
                .Select(p => new PlanCard(p.Id, [.. CardText.Of(Progress.CardOf(d, p))])),
        ];
}
