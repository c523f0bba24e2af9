using Nokko.Core.Evidence;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Finding;

/// <summary>What to do when one axle lands high or low.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="OffMm">How far off it is supposed to land, mm; positive is high.</param>
/// <param name="Stack">The change with the fewest pieces touched; null when none lands better than leaving it.</param>
/// <param name="StaysGood">Whether it would still be within what is wanted.</param>
public sealed record PlanB(Axle Axle, double OffMm, FoundStack? Stack, bool StaysGood)
{
    /// <summary>Chance from which on a stack counts as good enough to leave.</summary>
    private const double GoodEnough = 0.75;

    /// <summary>What to do in each of four ways to miss.</summary>
    /// <param name="plan">The plan that shall be fitted.</param>
    /// <param name="situation">The vehicle before it, with its target.</param>
    /// <param name="shelf">The shelf before it.</param>
    /// <param name="rules">What is ruled out; nothing is bought for it.</param>
    public static IReadOnlyList<PlanB> Of(
        Plan plan,
        Situation situation,
        IReadOnlyList<Part> shelf,
        SearchRules rules
    )
    {
        situation = situation.Converted(plan);
        var prediction = Predictor.Predict(plan, situation);
        if (
            prediction.Cannot is not null
            || situation is not { Target: { } target, Baseline: { } before }
        )
        {
            return [];
        }
        var there = situation.From.Stacks.SelectMany(s => s.Parts).Select(p => p.Id).ToHashSet();
        var taken = plan
            .Stacks.SelectMany(s => s.Parts)
            .Where(p => !there.Contains(p.Id))
            .GroupBy(p => p.PartId)
            .Where(g => g.Key is not null)
            .ToDictionary(g => g.Key!.Value, g => g.Count());
        Part[] left =
        [
            .. shelf.Select(p =>
                p with
                {
                    Count = Math.Max(0, p.Count - taken.GetValueOrDefault(p.Id)),
                }
            ),
        ];
        var cases = new List<PlanB>();
        foreach (var axle in Corners.Axles)
        {
            var rise = axle == Axle.Front ? prediction.FrontRise : prediction.RearRise;
            if (
                !(Changes(plan, situation.From, axle) || plan.Of(axle) is not null)
                || rise is not { Value: not null, U: { } u }
            )
            {
                continue;
            }
            var off = Math.Max(2 * u, 1.5 * target.Tolerance.In(Unit.Mm));
            foreach (var by in (double[])[off, -off])
            {
                cases.Add(Case(plan, situation, prediction, before, axle, by, left, rules));
            }
        }
        return cases;
    }

    private static PlanB Case(
        Plan plan,
        Situation situation,
        Prediction prediction,
        WalkRoundStance before,
        Axle axle,
        double off,
        Part[] shelf,
        SearchRules rules
    )
    {
        var isFront = axle == Axle.Front;
        var landed = situation with
        {
            From = situation.From with { Id = Guid.Empty, Stacks = plan.Stacks },
            // As it would be measured then: settled, with the tape's own uncertainty.
            Baseline = before with
            {
                Rake = Shifted(prediction.Rake, isFront ? -off : off, before.Rake.U),
                LeanFront = Shifted(prediction.LeanFront, 0, before.LeanFront.U),
                LeanRear = Shifted(prediction.LeanRear, 0, before.LeanRear.U),
            },
            FrontAchieved = new(Shifted(prediction.FrontRise, isFront ? off : 0, before.Rake.U)),
            RearAchieved = new(Shifted(prediction.RearRise, isFront ? 0 : off, before.Rake.U)),
            Learned = Learn(plan, situation, axle, off, before.Rake.U ?? 1),
        };
        var search = new StackSearch(
            landed,
            shelf,
            rules with
            {
                Order = SearchOrder.FewestTouched,
                MayBuy = false,
            }
        );
        FoundStack? asItIs = null;
        foreach (var news in search.Run())
        {
            if (news is not { Proved: true, Found: { Stopped: null } found })
            {
                continue;
            }
            if (found.Rank.Touched == 0)
            {
                asItIs = found;
                if (found.Chance >= GoodEnough)
                {
                    return new PlanB(axle, off, null, true);
                }
                continue;
            }
            return new PlanB(
                axle,
                off,
                asItIs is null || found.Chance > asItIs.Chance ? found : null,
                false
            );
        }
        return new PlanB(axle, off, null, false);
    }

    /// <summary>What is believed of the axle's lift line once it has landed there.</summary>
    private static Dictionary<(Axle, LiftFamily), LiftBelief> Learn(
        Plan plan,
        Situation situation,
        Axle axle,
        double off,
        double u
    )
    {
        var learned = situation.Learned.ToDictionary();
        if (plan.Of(axle) is not null)
        {
            // Where another suspension lands tells nothing of what parts lift on it.
            return learned;
        }
        var state = Predictor.Axles(situation)[axle == Axle.Front ? 0 : 1];
        var changes = Corners
            .Of(axle)
            .Select(c =>
                CornerRise
                    .Of(
                        c,
                        CornerStack.At(situation.From.Stacks, c),
                        CornerStack.At(plan.Stacks, c),
                        situation.Vehicle,
                        state
                    )
                    .Rise!
            )
            .ToArray();
        foreach (var family in changes.SelectMany(c => c.Families).Distinct().ToArray())
        {
            if (changes[0].TrialOf(family) is not { } trial || trial.LineMm == 0)
            {
                continue;
            }
            var now = LiftLaw.Belief(family, state);
            var seen = new LiftTrial(
                trial.LineMm,
                changes[0].SpringMm + off,
                u,
                now.Ratio.Mean,
                trial.Offset == 1
            );
            if (seen.WhyNot() is null)
            {
                learned[(axle, family)] = now.After(
                    trial.Offset == 1 ? 1 : 0,
                    seen.ThicknessMm,
                    seen.FreeRiseMm,
                    seen.Variance
                );
            }
        }
        return learned;
    }

    private static bool Changes(Plan plan, Stage from, Axle axle) =>
        Corners
            .Of(axle)
            .Any(c =>
                CornerStack.Change(c, from.Stacks, plan.Stacks)
                    is not { Gone.Count: 0, Come.Count: 0 }
            );

    private static Result Shifted(Result of, double by, double? u) =>
        of.Value is { } value ? Result.Of(value + by, of.Unit, u ?? of.U, of.RestsOn) : of;
}
