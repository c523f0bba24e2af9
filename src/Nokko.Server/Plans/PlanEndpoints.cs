using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Storage;

namespace Nokko.Server.Plans;

/// <summary>Draws up stacks, previews them, and begins the fitting.</summary>
internal static partial class PlanEndpoints
{
    /// <summary>A part in its place: one that is already there by its key, a new one from the shelf, or a collar that is turned up.</summary>
    /// <param name="Id">Key of the placement.</param>
    /// <param name="PartId">Part on the shelf.</param>
    /// <param name="Raise">By how much a collar is raised; nothing comes from the shelf.</param>
    internal sealed record Placing(Guid Id, Guid? PartId, QuantityInput? Raise = null);

    internal sealed record CornerPlacings(string Corner, IReadOnlyList<Placing> Parts);

    internal sealed record Save(
        Guid CommandId,
        uint? Version,
        Guid FromStageId,
        string Name,
        IReadOnlyList<CornerPlacings> Stacks
    );

    internal sealed record Preview(Guid FromStageId, IReadOnlyList<CornerPlacings> Stacks);

    internal sealed record ChoosePlan(Guid CommandId, uint Version);

    internal sealed record DropPlan(Guid CommandId, uint Version);

    internal sealed record BeginFitting(
        Guid CommandId,
        uint Version,
        Guid StageId,
        Guid FrozenId,
        Guid DeviationId,
        string? Reason
    );

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapPut("/{job:guid}/plans/{id:guid}", SavePlan);
        jobs.MapPost("/{job:guid}/plans/preview", PreviewPlan);
        jobs.MapPost("/{job:guid}/plans/{id:guid}/choose", Choose);
        jobs.MapPost("/{job:guid}/plans/{id:guid}/drop", Drop);
        jobs.MapPost("/{job:guid}/plans/{id:guid}/begin", Begin);
    }

    /// <summary>Says which of the plans that stand side by side shall be fitted.</summary>
    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Choose(
        Guid job,
        Guid id,
        ChoosePlan body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "plan chosen",
            body,
            async d =>
            {
                var chosen = Draft(d, id);
                foreach (var other in d.DraftPlans().Where(p => p.Chosen && p.Id != id))
                {
                    var row = await desk.Db.Plans.FirstAsync(p => p.Id == other.Id, cancel);
                    desk.Db.Entry(row).CurrentValues.SetValues(row with { Chosen = false });
                }
                desk.Edit(chosen, body.Version, chosen with { Chosen = true });
            },
            cancel
        );

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Drop(
        Guid job,
        Guid id,
        DropPlan body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "plan dropped",
            body,
            d =>
            {
                var plan = Draft(d, id);
                var entry = desk.Db.Attach(plan);
                entry.Property(NokkoDb.VersionColumn).OriginalValue = body.Version;
                entry.State = EntityState.Deleted;
            },
            cancel
        );

    private static Plan Draft(JobDocument d, Guid id) =>
        d.DraftPlans().FirstOrDefault(p => p.Id == id)
        ?? throw new TroubleException(
            Trouble.Gate("plan", "This plan is being fitted, or it is not there any more.")
        );

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> SavePlan(
        Guid job,
        Guid id,
        Save body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "plan changed",
            body,
            async d =>
            {
                var existing = d.Plans.FirstOrDefault(p => p.Id == id);
                if (existing is { BegunAt: not null })
                {
                    throw new TroubleException(
                        Trouble.Gate(
                            "plan",
                            "The fitting of this plan has begun: draw up a second pass instead."
                        )
                    );
                }
                var stage = Stage(d, body.FromStageId);
                var stacks = await Stacks(desk.Db, d, stage, body.Stacks, cancel);
                if (existing is null)
                {
                    desk.Db.Put(
                        job,
                        new Plan
                        {
                            Id = id,
                            Name = TakeIn.Text(body.Name, "name", "Name the plan."),
                            FromStageId = stage.Id,
                            Stacks = stacks,
                            // The first one is the one until somebody chooses another.
                            Chosen = d.DraftPlans().Count == 0,
                        }
                    );
                }
                else
                {
                    desk.Edit(
                        existing,
                        body.Version ?? 0,
                        existing with
                        {
                            Name = TakeIn.Text(body.Name, "name", "Name the plan."),
                            Stacks = stacks,
                        }
                    );
                }
            },
            cancel
        );

    /// <summary>What stacks would do; stores nothing and follows the finger.</summary>
    private static async Task<Results<Ok<Prediction>, ProblemHttpResult>> PreviewPlan(
        Guid job,
        Preview body,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (await db.LoadJob(job, JobExtent.Stance, cancel) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        try
        {
            var stage = Stage(d, body.FromStageId);
            var plan = new Plan
            {
                Id = Guid.Empty,
                Name = "",
                FromStageId = stage.Id,
                Stacks = await Stacks(db, d, stage, body.Stacks, cancel),
            };
            var trials = await db.TrialsFor(d, own: true, cancel);
            var stances = JobEvaluator.Evaluate(d with { Plans = [] }).WalkRounds;
            return TypedResults.Ok(JobEvaluator.Predict(d, plan, stances, trials)!);
        }
        catch (TroubleException e)
        {
            return e.Trouble.Answer();
        }
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Begin(
        Guid job,
        Guid id,
        BeginFitting body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "fitting begun",
            body,
            async d =>
            {
                var plan =
                    d.Plans.FirstOrDefault(p => p.Id == id)
                    ?? throw new TroubleException(Trouble.Missing("This job has no such plan."));
                if (plan.BegunAt is not null || d.CurrentStage()?.Id != plan.FromStageId)
                {
                    throw new TroubleException(
                        Trouble.Gate("plan", "The fitting of this plan has begun already.")
                    );
                }
                var trials = await desk.Db.TrialsFor(d, own: false, cancel);
                var results = JobEvaluator.Evaluate(d, trials);
                var prediction = JobEvaluator.Predict(
                    d,
                    plan,
                    results.WalkRounds,
                    [.. trials, .. results.Trials]
                )!;
                Gates(desk, d, prediction, body);
                await TakeFromShelf(desk, d, plan, cancel);
                desk.Db.Put(
                    job,
                    new Stage
                    {
                        Id = body.StageId,
                        VehicleId = d.Vehicle.Id,
                        Ordinal = d.Stages.Max(s => s.Ordinal) + 1,
                        Name = $"after stack {d.Plans.Count(p => p.BegunAt is not null) + 1}",
                        OpenedAt = desk.Now,
                        Stacks = plan.Stacks,
                    }
                );
                desk.Db.Put(
                    job,
                    new FrozenPrediction
                    {
                        Id = body.FrozenId,
                        PlanId = plan.Id,
                        At = desk.Now,
                        Core = JobEvaluator.CoreVersion,
                        Prediction = prediction,
                        Target = d.Job.Target,
                        Dimensions = d.Vehicle.Dimensions,
                    }
                );
                var begun = plan with { ToStageId = body.StageId, BegunAt = desk.Now };
                PutJoints(desk, d, begun);
                desk.Edit(plan, body.Version, begun);
            },
            cancel
        );

    private static void Gates(JobDesk desk, JobDocument d, Prediction prediction, BeginFitting body)
    {
        if (prediction.Refusals.Count > 0)
        {
            throw new TroubleException(Trouble.At("plan", prediction.Refusals[0]));
        }
        if (prediction.Cannot is not { } why)
        {
            return;
        }
        if (TakeIn.Blank(body.Reason) is not { } reason)
        {
            throw new TroubleException(
                Trouble.Gate(
                    "reason",
                    $"There is no prediction to prove against. {why} Begin all the same? Then write why."
                )
            );
        }
        desk.Db.Put(
            d.Job.Id,
            new Deviation
            {
                Id = body.DeviationId,
                Where = "vehicle",
                SheetSays = "Measure and predict before anything is undone.",
                Did = "Began the fitting without a prediction.",
                Why = reason,
                PersonId = desk.PersonId,
                At = desk.Now,
            }
        );
    }

    private static async Task TakeFromShelf(
        JobDesk desk,
        JobDocument d,
        Plan plan,
        CancellationToken cancel
    )
    {
        var fitted = d.CurrentStage()!
            .Stacks.SelectMany(s => s.Parts)
            .Select(p => p.Id)
            .ToHashSet();
        var needed = plan
            .Stacks.SelectMany(s => s.Parts)
            .Where(p => !fitted.Contains(p.Id) && p.PartId is not null)
            .GroupBy(p => p.PartId!.Value)
            .ToArray();
        if (
            needed.Length == 0
            && plan.Stacks.SelectMany(s => s.Parts).All(p => fitted.Contains(p.Id))
            && plan.Stacks.Sum(s => s.Parts.Count) == fitted.Count
        )
        {
            throw new TroubleException(
                Trouble.At("plan", "Nothing changes in this plan: place or take out a part first.")
            );
        }
        foreach (var group in needed)
        {
            var part = await desk.Db.Parts.FirstOrDefaultAsync(p => p.Id == group.Key, cancel);
            if (part is null)
            {
                continue;
            }
            if (part.Count < group.Count())
            {
                throw new TroubleException(
                    Trouble.At(
                        "plan",
                        $"The plan needs {group.Count()} of {part.Name}, the shelf holds {part.Count}."
                    )
                );
            }
            desk.Db.Entry(part)
                .CurrentValues.SetValues(part with { Count = part.Count - group.Count() });
        }
    }

    private static void PutJoints(JobDesk desk, JobDocument d, Plan plan)
    {
        var card = JobCard.Derive(d.CurrentStage()!, plan, d.Vehicle, d.Job.Equipment);
        var known = d.Joints.Select(j => j.Place).ToHashSet();
        foreach (var joint in card.Joints.Where(j => !known.Contains(j.Place)))
        {
            desk.Db.Put(
                d.Job.Id,
                new Joint
                {
                    Id = Guid.CreateVersion7(desk.Now),
                    Where = joint.Where,
                    Place = joint.Place,
                    Kind = joint.Kind,
                    Fasteners = joint.Fasteners,
                    Order = joint.Order,
                }
            );
        }
    }

    private static Stage Stage(JobDocument d, Guid id) =>
        d.Stages.FirstOrDefault(s => s.Id == id)
        ?? throw new TroubleException(Trouble.At("fromStageId", "This job has no such stage."));
}
