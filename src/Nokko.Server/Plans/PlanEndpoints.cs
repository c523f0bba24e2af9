using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Plans;

/// <summary>Previews stacks.</summary>
internal static class PlanEndpoints
{
    /// <summary>Stacks to look at.</summary>
    /// <param name="FromStageId">The stage from which they are planned.</param>
    /// <param name="Stacks">What shall stand at the corners.</param>
    /// <param name="PlanId">The plan that is changed: its kits are in it; null for a new one.</param>
    internal sealed record Preview(
        Guid FromStageId,
        IReadOnlyList<CornerPlacingsInput> Stacks,
        Guid? PlanId = null
    );

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{job:guid}/plans/preview", PreviewPlan).OpenToViewers();
        jobs.MapGet("/{job:guid}/geometry", Geometry);
        jobs.MapGet("/{job:guid}/fits", Fits);
        ShoppingEndpoints.Map(jobs);
    }

    /// <summary>Whether a part of the shelf fits a job's vehicle at each axle: as it stands, or on the suspension that the plan gives it.</summary>
    internal sealed record PartFits(Guid PartId, FitVerdict Front, FitVerdict Rear);

    /// <summary>What is known of the parts on the shelf; a part that is not named here is one of which nobody noted anything.</summary>
    private static async Task<Results<Ok<PartFits[]>, ProblemHttpResult>> Fits(
        Guid job,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (await db.LoadDocument(job, cancel) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        var vehicle = d.DraftPlan() is { } plan ? d.VehicleNow().Converted(plan) : d.VehicleNow();
        var noted = await db
            .Parts.AsNoTracking()
            .Where(p => p.Fit != null && p.BinnedAt == null)
            .ToListAsync(cancel);
        return TypedResults.Ok<PartFits[]>([
            .. noted.Select(p => new PartFits(
                p.Id,
                At(p, Core.Vehicles.Axle.Front),
                At(p, Core.Vehicles.Axle.Rear)
            )),
        ]);

        FitVerdict At(Part part, Core.Vehicles.Axle axle) =>
            PartFit.Of(PlacedPart.Of(part, part.Id), d.Platform.Name, new FitPlace(vehicle, axle));
    }

    /// <summary>What a plan moves besides the height, through the whole travel or in numbers alone; without a plan, what is fitted now.</summary>
    private static async Task<Results<Ok<PlanGeometry>, ProblemHttpResult>> Geometry(
        Guid job,
        Guid? plan,
        bool? travel,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (await db.LoadJob(job, new JobWanted(), cancel) is not { Document: var d } loaded)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        var wanted = d.Plans.FirstOrDefault(p => p.Id == plan);
        if (plan is not null && wanted is null)
        {
            return Trouble.Missing("This plan is not there any more.").Answer();
        }
        var shelf = await db
            .Parts.AsNoTracking()
            .Where(p => PlanGeometry.FromShelf.Contains(p.Kind))
            .ToListAsync(cancel);
        return TypedResults.Ok(JobGeometry.Of(d, wanted, loaded.Others, shelf, travel ?? true));
    }

    /// <summary>What stacks would do; stores nothing and follows the finger.</summary>
    private static async Task<Results<Ok<Prediction>, ProblemHttpResult>> PreviewPlan(
        Guid job,
        Preview body,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (
            body.Stacks is not { } stacks
            || stacks.Any(s => s?.Parts?.All(p => p is not null) != true)
        )
        {
            return Trouble
                .At("stacks", "A corner or a part of it is missing in what was sent.")
                .Answer();
        }
        if (
            await db.LoadJob(
                job,
                new JobWanted
                {
                    Parts = [.. CornerPlacingsInput.PartsNamed(body.Stacks).Distinct()],
                },
                cancel
            )
            is not { } loaded
        )
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        var d = loaded.Document;
        if (d.Stages.FirstOrDefault(s => s.Id == body.FromStageId) is not { } stage)
        {
            return Trouble.At("fromStageId", "This job has no such stage.").Answer();
        }
        try
        {
            var stances = JobEvaluator.StancesOf(d);
            var kept = d.Plans.FirstOrDefault(p => p.Id == body.PlanId);
            var plan = new Plan
            {
                Id = body.PlanId ?? Guid.Empty,
                Name = "",
                FromStageId = stage.Id,
                Anyway = kept?.Anyway,
                Conversions = kept?.Conversions,
                Stacks = CornerPlacingsInput.Stacks(
                    body.Stacks,
                    d,
                    stage,
                    loaded.Parts.ToDictionary(p => p.Id)
                ),
            };
            return TypedResults.Ok(
                JobEvaluator.Predict(
                    d,
                    plan,
                    stances,
                    loaded.Others.With(JobEvaluator.TrialsOf(d, stances))
                )!
            );
        }
        catch (RefusedException e)
        {
            return Trouble.Of(e.Refusal).Answer();
        }
    }
}
