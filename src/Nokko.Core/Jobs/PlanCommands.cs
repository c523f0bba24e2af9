using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>Keeps a plan: a new one without a version, else the one that was seen.</summary>
public sealed record SavePlan(
    Guid CommandId,
    Guid Id,
    uint? Version,
    Guid FromStageId,
    string Name,
    IReadOnlyList<CornerPlacingsInput> Stacks
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
        foreach (var other in work.Document.DraftPlans().Where(p => p.Chosen && p.Id != Id))
        {
            work.Replace(other, other with { Chosen = false });
        }
        work.Edit(chosen, Version, chosen with { Chosen = true });
    }
}

/// <summary>Takes a drafted plan away.</summary>
public sealed record DropPlan(Guid CommandId, Guid Id, uint Version) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "plan dropped";

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

/// <summary>Begins the fitting of a plan: its prediction is kept as it is now, its parts leave the shelf, a new stage opens.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The plan.</param>
/// <param name="Version">Its version as seen.</param>
/// <param name="StageId">Key of the new stage.</param>
/// <param name="FrozenId">Key of the kept prediction.</param>
/// <param name="DeviationId">Key of the deviation, where a gate is passed.</param>
/// <param name="Reason">Why it is begun without a prediction.</param>
public sealed record BeginFitting(
    Guid CommandId,
    Guid Id,
    uint Version,
    Guid StageId,
    Guid FrozenId,
    Guid DeviationId,
    string? Reason
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "fitting begun";

    /// <inheritdoc/>
    public override Guid? PlanNamed() => Id;

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var plan =
            d.Plans.FirstOrDefault(p => p.Id == Id)
            ?? throw Refuse.Gone("This job has no such plan.");
        if (plan.BegunAt is not null || d.CurrentStage()?.Id != plan.FromStageId)
        {
            throw Refuse.Conflict(
                "plan",
                "The fitting of this plan has begun already.",
                plan.Id,
                plan
            );
        }
        var results = JobEvaluator.Evaluate(d, work.Context.Others);
        var prediction = JobEvaluator.Predict(
            d,
            plan,
            results.WalkRounds,
            work.Context.Others.With(results.Trials)
        )!;
        Gates(work, plan, prediction);
        NoteMisfits(work, prediction);
        TakeFromShelf(work, plan);
        var from = d.CurrentStage()!;
        work.Add(
            new Stage
            {
                Id = StageId,
                VehicleId = d.Vehicle.Id,
                JobId = d.Job.Id,
                Front = from.Front,
                Rear = from.Rear,
                Ordinal = d.Stages.Max(s => s.Ordinal) + 1,
                Name = $"after stack {d.Stages.Count(s => s.Ordinal > 0) + 1}",
                OpenedAt = work.Now,
                Stacks = plan.Stacks,
            }
        );
        work.Add(
            new FrozenPrediction
            {
                Id = FrozenId,
                PlanId = plan.Id,
                At = work.Now,
                Core = JobEvaluator.CoreVersion,
                Prediction = prediction with
                {
                    Moves = JobGeometry.MovesOf(d, plan, work.Context.Others),
                },
                Target = d.Job.Target,
                Dimensions = d.Vehicle.Dimensions,
            }
        );
        var begun = plan with { ToStageId = StageId, BegunAt = work.Now };
        FittingWork.AddJoints(work, Progress.CardOf(d, begun));
        work.Edit(plan, Version, begun);
    }

    private void Gates(JobWork work, Plan plan, Prediction prediction)
    {
        if (PlanRules.WhyNotBegun(work.Document, plan, prediction) is { } not)
        {
            throw Refuse.Value("plan", not);
        }
        var why =
            prediction.Cannot
            ?? (
                work.Document.OwnRounds().Any(w => w.Id == prediction.WalkRoundId)
                    ? null
                    : "Nobody walked round it in this job."
            );
        if (why is null)
        {
            return;
        }
        if (TypedText.Blank(Reason) is not { } reason)
        {
            throw Refuse.Gate(
                "reason",
                $"There is no prediction to prove against. {why} Begin all the same? Then write why."
            );
        }
        work.Add(
            new Deviation
            {
                Id = DeviationId,
                Where = "vehicle",
                SheetSays = "Measure and predict before anything is undone.",
                Did = "Began the fitting without a prediction.",
                Why = reason,
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
    }

    /// <summary>What goes in although it does not fit stays on the record as a deviation, with who decided it.</summary>
    private void NoteMisfits(JobWork work, Prediction prediction)
    {
        var keys = new RowKeys(CommandId, work.Now);
        foreach (var misfit in (prediction.Misfits ?? []).Where(m => m.Known))
        {
            var anyway = work
                .Document.Plans.First(p => p.Id == Id)
                .Anyway!.First(a => a.Part == misfit.Part && a.Says == misfit.Says);
            work.Add(
                new Deviation
                {
                    Id = keys.Next(),
                    Where = misfit.Where,
                    SheetSays = $"{misfit.Part}: {misfit.Says}.",
                    Did = "Fitted all the same.",
                    Why = anyway.Reason,
                    PersonId = anyway.PersonId,
                    At = work.Now,
                }
            );
        }
    }

    private static void TakeFromShelf(JobWork work, Plan plan)
    {
        var stands = work.Document.CurrentStage()!.Stacks;
        if (
            Corners.All.All(c =>
                CornerStack.Change(c, stands, plan.Stacks) is { Gone.Count: 0, Come.Count: 0 }
            )
        )
        {
            throw Refuse.Value(
                "plan",
                "Nothing changes in this plan: place or take out a part first."
            );
        }
        // A piece that only moves is not taken from the shelf.
        var fitted = stands.SelectMany(s => s.Parts).Select(p => p.Id).ToHashSet();
        foreach (
            var needed in plan
                .Stacks.SelectMany(s => s.Parts)
                .Where(p => !fitted.Contains(p.Id) && p.PartId is not null)
                .GroupBy(p => p.PartId!.Value)
                .OrderBy(g => g.Key)
        )
        {
            if (!work.Context.Shelf.TryGetValue(needed.Key, out var part))
            {
                continue;
            }
            if (part.Count < needed.Count())
            {
                throw Refuse.Value(
                    "plan",
                    $"The plan needs {needed.Count()} of {part.Name}, the shelf holds {part.Count}."
                );
            }
            work.Replace(part, part with { Count = part.Count - needed.Count() });
        }
        foreach (var box in work.Document.KitsOf(plan).GroupBy(k => k.PartId))
        {
            if (box.Key is not { } key || !work.Context.Shelf.TryGetValue(key, out var part))
            {
                continue;
            }
            if (part.Count < box.Count())
            {
                throw Refuse.Value(
                    "plan",
                    $"The plan needs {box.Count()} of {part.Name}, the shelf holds {part.Count}."
                );
            }
            work.Replace(part, part with { Count = part.Count - box.Count() });
        }
        foreach (var kit in work.Document.KitsOf(plan))
        {
            // What stands in the stack that is fitted is used; bolts and sleeves are ticked off.
            work.Replace(
                kit,
                kit with
                {
                    Pieces =
                    [
                        .. kit.Pieces.Select(p =>
                            p.Stacks.Count > 0 && p.End != KitPieceEnd.LeftOut
                                ? p with
                                {
                                    End = KitPieceEnd.Used,
                                }
                                : p
                        ),
                    ],
                }
            );
        }
    }
}

/// <summary>What the commands on plans have in common.</summary>
internal static class PlanRules
{
    /// <summary>A stage of the job.</summary>
    public static Stage StageOf(JobDocument d, Guid id) =>
        d.Stages.FirstOrDefault(s => s.Id == id)
        ?? throw Refuse.Value("fromStageId", "This job has no such stage.");

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

    /// <summary>A plan that is not fitted yet.</summary>
    public static Plan Draft(JobDocument d, Guid id) =>
        d.DraftPlans().FirstOrDefault(p => p.Id == id)
        ?? throw (
            d.Plans.FirstOrDefault(p => p.Id == id) is { } begun
                ? Refuse.Conflict("plan", "This plan is being fitted.", id, begun)
                : Refuse.Gone("This plan is not there any more.")
        );
}
