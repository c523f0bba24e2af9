using System.Text.Json.Serialization;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>A part that goes in although it does not fit.</summary>
/// <param name="Part">Its name.</param>
/// <param name="Says">Why it does not fit, as it was read then: another reason is asked about again.</param>
/// <param name="Reason">Why it goes in all the same.</param>
/// <param name="PersonId">Who decided it.</param>
public sealed record FittedAnyway(string Part, string Says, string Reason, Guid PersonId);

/// <summary>A part of a plan that does not fit, or of which nobody knows whether it does.</summary>
/// <param name="Where">front or rear.</param>
/// <param name="Part">Its name.</param>
/// <param name="Says">Why not, or what would tell it.</param>
/// <param name="Known">Whether it is known not to fit; else nobody knows.</param>
/// <param name="Reason">Why it goes in all the same; null where nobody said.</param>
public sealed record Misfit(
    string Where,
    string Part,
    string Says,
    bool Known,
    string? Reason = null
)
{
    /// <summary>Whether it stands in the way of the fitting.</summary>
    [JsonIgnore]
    public bool Stops => Known && Reason is null;

    /// <summary>What of a plan does not fit. A piece that stood there is asked only whether it goes together with what comes.</summary>
    /// <remarks>Source: docs/computation/fits.md#in-a-plan.</remarks>
    /// <param name="plan">The plan.</param>
    /// <param name="situation">The vehicle as it stands.</param>
    public static IReadOnlyList<Misfit> Of(Plan plan, Situation situation)
    {
        var found = new List<Misfit>();
        foreach (var corner in Corners.All)
        {
            var axle = Corners.AxleOf(corner);
            var (from, to) = (situation.From.Stacks, plan.Stacks);
            var (_, come) = CornerStack.Change(corner, from, to);
            foreach (var part in CornerStack.At(to, corner))
            {
                var verdict = On(part, corner, to, situation);
                if (
                    verdict.Why is { } why
                    && (
                        come.Contains(part)
                        || verdict.State == FitState.DoesNot
                            && On(part, corner, from, situation).State != FitState.DoesNot
                    )
                    && !found.Any(f =>
                        f.Where == axle.Said() && f.Part == part.Name && f.Says == why
                    )
                )
                {
                    found.Add(
                        new Misfit(
                            axle.Said(),
                            part.Name,
                            why,
                            verdict.State == FitState.DoesNot,
                            plan.Anyway?.FirstOrDefault(a =>
                                a.Part == part.Name && a.Says == why
                            )?.Reason
                        )
                    );
                }
            }
        }
        return [.. found.OrderBy(f => !f.Known)];
    }

    private static FitVerdict On(
        PlacedPart part,
        Corner corner,
        IReadOnlyList<CornerStack> stacks,
        Situation situation
    )
    {
        var axle = Corners.AxleOf(corner);
        return PartFit.Of(
            part,
            situation.Platform,
            new FitPlace(
                situation.Vehicle,
                axle,
                CornerStack.At(stacks, corner),
                [.. Corners.Of(axle).SelectMany(c => CornerStack.At(stacks, c))]
            )
        );
    }
}
