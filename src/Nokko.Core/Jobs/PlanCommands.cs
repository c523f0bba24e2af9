using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>Keeps a plan: a new one without a version, else the one that was seen.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The plan.</param>
/// <param name="Version">Its version as seen; null makes a new one.</param>
/// <param name="FromStageId">The stage from which it starts.</param>
/// <param name="Name">Name.</param>
/// <param name="Stacks">What shall stand at each corner.</param>
/// <param name="LikePlanId">A plan whose other suspensions a new one gets too; null for those that stand now.</param>
public sealed record SavePlan(
    Guid CommandId,
    Guid Id,
    uint? Version,
    Guid FromStageId,
    string Name,
    IReadOnlyList<CornerPlacingsInput> Stacks,
    Guid? LikePlanId = null
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "plan changed";

    /// <inheritdoc/>
    public override IEnumerable<Guid> PartsNamed() => CornerPlacingsInput.PartsNamed(Stacks);

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var existing = d.Plans.FirstOrDefault(p => p.Id == Id);
        if (existing is { BegunAt: not null })
        {
            throw Refuse.Conflict(
                "plan",
                "The fitting of this plan has begun: draw up a second pass instead.",
                existing.Id,
                existing
            );
        }
        var stage = PlanRules.StageOf(d, FromStageId);
        var stacks = CornerPlacingsInput.Stacks(Stacks, d, stage, work.Context.Shelf);
        var name = TypedText.Needed(Name, "name", "Name the plan.");
        if (existing is null)
        {
            if (Version is not null)
            {
                throw Refuse.Gone("Somebody dropped this plan meanwhile.");
            }
            work.Add(
                new Plan
                {
                    Id = Id,
                    Name = name,
                    FromStageId = stage.Id,
                    Stacks = stacks,
                    Conversions = d.DraftPlans()
                        .FirstOrDefault(p => p.Id == LikePlanId)
                        ?.Conversions,
                    // The first one is the one until somebody chooses another.
                    Chosen = d.DraftPlans().Count == 0,
                }
            );
        }
        else
        {
            work.Edit(existing, Version, existing with { Name = name, Stacks = stacks });
        }
    }
}

/// <summary>Says which of the plans that stand side by side shall be fitted.</summary>
public sealed record ChoosePlan(Guid CommandId, Guid Id, uint Version) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "plan chosen";

    internal override void Decide(JobWork work)
    {
        var chosen = PlanRules.Draft(work.Document, Id);
        work.Seen(chosen, Version);
        PlanRules.Choose(work, chosen);
    }
}

/// <summary>Takes a drafted plan away.</summary>
public sealed record DropPlan(Guid CommandId, Guid Id, uint Version) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => Said;

    /// <summary>As the history says it.</summary>
    public const string Said = "plan dropped";

    internal override void Decide(JobWork work)
    {
        var plan = PlanRules.Draft(work.Document, Id);
        work.Seen(plan, Version);
        foreach (var kit in work.Document.KitsOf(plan))
        {
            work.Withdraw(kit);
        }
        work.Withdraw(plan);
    }
}

/// <summary>What the commands on plans have in common.</summary>
internal static class PlanRules
{
    /// <summary>A stage of the job.</summary>
    public static Stage StageOf(JobDocument d, Guid id) =>
        d.Stages.FirstOrDefault(s => s.Id == id)
        ?? throw Refuse.Value("fromStageId", "This job has no such stage.");

    /// <summary>Makes a draft the one that shall be fitted.</summary>
    public static void Choose(JobWork work, Plan chosen)
    {
        foreach (var other in work.Document.DraftPlans().Where(p => p.Chosen && p.Id != chosen.Id))
        {
            work.Replace(other, other with { Chosen = false });
        }
        work.Replace(chosen, chosen with { Chosen = true });
    }

    /// <summary>Why the fitting of a plan cannot be begun, the first thing first; null where nothing stands in its way.</summary>
    public static string? WhyNotBegun(JobDocument d, Plan plan, Prediction? prediction) =>
        prediction?.WhyNotBegun()
        ?? d.KitsOf(plan).Select(k => k.WhyNotBegun(plan.Stacks)).FirstOrDefault(w => w is not null)
        ?? FromElsewhere(d, plan);

    /// <summary>A piece whose kit is in another plan: nobody would take its box off the shelf.</summary>
    private static string? FromElsewhere(JobDocument d, Plan plan)
    {
        var stands = d.Stages.First(s => s.Id == plan.FromStageId).Stacks;
        var there = stands.SelectMany(s => s.Parts).Select(p => p.Id).ToHashSet();
        var kits = d.KitsOf(plan).Select(k => k.Id).ToHashSet();
        return
            plan
                .Stacks.SelectMany(s => s.Parts)
                .FirstOrDefault(p =>
                    !there.Contains(p.Id) && p.KitId is { } kit && !kits.Contains(kit)
                )
                is { } piece
            ? $"{piece.Name} comes out of a kit that is not in this plan: put the kit in, or take the piece out."
            : null;
    }

    /// <summary>The first plan of a job, in which everything stays as it is.</summary>
    public static Plan Fresh(JobDocument d, Guid id) =>
        d.CurrentStage() is { } stage
            ? new Plan
            {
                Id = id,
                Name = "Plan A",
                FromStageId = stage.Id,
                Stacks = stage.Stacks,
                Chosen = true,
            }
            : throw Refuse.Gone("This job has no stage from which to plan.");

    /// <summary>A plan that is not fitted yet.</summary>
    public static Plan Draft(JobDocument d, Guid id) =>
        d.DraftPlans().FirstOrDefault(p => p.Id == id)
        ?? throw (
            d.Plans.FirstOrDefault(p => p.Id == id) is { } begun
                ? Refuse.Conflict("plan", "This plan is being fitted.", id, begun)
                : Refuse.Gone("This plan is not there any more.")
        );
}
