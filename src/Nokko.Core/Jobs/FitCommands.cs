using Nokko.Core.Evidence;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>Says why a part goes in although it does not fit; without a reason it is asked about again.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The plan.</param>
/// <param name="Version">Its version as seen.</param>
/// <param name="Part">Name of the part.</param>
/// <param name="Says">Why it does not fit, as it was read.</param>
/// <param name="Reason">Why it goes in all the same; null takes an earlier reason back.</param>
public sealed record FitAnyway(
    Guid CommandId,
    Guid Id,
    uint Version,
    string Part,
    string Says,
    string? Reason
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "fits not, fitted all the same";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var plan = PlanRules.Draft(d, Id);
        var others = (plan.Anyway ?? []).Where(a => a.Part != Part || a.Says != Says);
        var reason = TypedText.Line(Reason, "reason");
        if (
            reason is not null
            && !Misfit
                .Of(
                    plan,
                    JobEvaluator.SituationAt(
                        d,
                        PlanRules.StageOf(d, plan.FromStageId),
                        PlatformEvidence.None
                    )
                )
                .Any(m => m.Known && m.Part == Part && m.Says == Says)
        )
        {
            throw Refuse.Gone("That does not stand in the way of this plan any more.");
        }
        FittedAnyway[] anyway =
        [
            .. others,
            .. reason is null
                ? Array.Empty<FittedAnyway>()
                : [new FittedAnyway(Part, Says, reason, work.PersonId)],
        ];
        work.Edit(plan, Version, plan with { Anyway = anyway.Length > 0 ? anyway : null });
    }
}

/// <summary>What a part must meet, as typed: a length, or as it is written.</summary>
public sealed record MateInput(Axle Axle, MateKind Mate, QuantityInput? Size, string? Written);

/// <summary>Notes what parts must meet on the vehicle: studs, bores, ends, bars.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Version">Version of the vehicle as seen.</param>
/// <param name="Mates">All of them; one that is empty is not known.</param>
public sealed record SetMates(Guid CommandId, uint Version, IReadOnlyList<MateInput> Mates)
    : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "studs and bores noted";

    internal override void Decide(JobWork work)
    {
        if (Mates.GroupBy(m => (m.Axle, m.Mate)).Any(g => g.Count() > 1))
        {
            throw Refuse.Value("mates", "One of them stands there twice.");
        }
        MatePlace[] read = [.. Mates.Select(Read).OfType<MatePlace>()];
        var vehicle = work.Document.Vehicle;
        work.Edit(vehicle, Version, vehicle with { Mates = read.Length > 0 ? read : null });
    }

    private static MatePlace? Read(MateInput input, int i)
    {
        var mate = input.Mate.IsLength()
            ? new Mate(
                input.Mate,
                QuantityInput.Read(input.Size, $"mates[{i}].size", Unit.Mm, positive: true)
            )
            : new Mate(input.Mate, Written: TypedText.Line(input.Written, $"mates[{i}].written"));
        return mate is { Size: null, Written: null } ? null : new MatePlace(input.Axle, mate);
    }
}
