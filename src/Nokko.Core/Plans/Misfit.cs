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
                // Of a piece of a kit of which nothing else is noted, the kit speaks.
                var kits = part is { KitId: not null, Fit: null };
                if (
                    verdict.Why is { } why
                    && !kits
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
        foreach (var kit in situation.Kits.Where(k => k.PlanId == plan.Id))
        {
            found.AddRange(Of(kit, plan, situation));
        }
        return [.. found.OrderBy(f => !f.Known)];
    }

    /// <summary>Of a kit as a whole, at every axle at which something of it stands; what is the same at both is said once.</summary>
    private static IEnumerable<Misfit> Of(Kit kit, Plan plan, Situation situation)
    {
        Axle[] at =
        [
            .. kit
                .Pieces.SelectMany(p => p.Stacks)
                .Select(s => Corners.AxleOf(s.Corner))
                .Distinct()
                .Order(),
        ];
        return (at.Length > 0 ? at : Corners.Axles)
            .Select(axle =>
                (
                    Axle: axle,
                    Verdict: PartFit.Of(
                        kit.AsPart(),
                        situation.Platform,
                        new FitPlace(
                            situation.Vehicle,
                            axle,
                            null,
                            [.. Corners.Of(axle).SelectMany(c => CornerStack.At(plan.Stacks, c))]
                        )
                    )
                )
            )
            .Where(v => v.Verdict.Why is not null)
            .GroupBy(v => v.Verdict)
            .Select(g => new Misfit(
                g.Count() > 1 ? "vehicle" : g.First().Axle.Said(),
                kit.Name,
                g.Key.Why!,
                g.Key.State == FitState.DoesNot,
                plan.Anyway?.FirstOrDefault(a => a.Part == kit.Name && a.Says == g.Key.Why)?.Reason
            ));
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
