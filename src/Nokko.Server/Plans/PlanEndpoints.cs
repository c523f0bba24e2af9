using System.Globalization;
using System.Text;
using CsvHelper;
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
    internal sealed record Preview(Guid FromStageId, IReadOnlyList<CornerPlacingsInput> Stacks);

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{job:guid}/plans/preview", PreviewPlan).OpenToViewers();
        jobs.MapGet("/{job:guid}/geometry", Geometry);
        jobs.MapGet("/{job:guid}/fits", Fits);
        jobs.MapGet("/{job:guid}/plans/{plan:guid}/shopping", Shopping);
        jobs.MapGet("/{job:guid}/plans/{plan:guid}/shopping.csv", ShoppingCsv);
    }

    /// <summary>What a plan takes that is not on the vehicle yet.</summary>
    private static async Task<Results<Ok<ShoppingList>, ProblemHttpResult>> Shopping(
        Guid job,
        Guid plan,
        NokkoDb db,
        CancellationToken cancel
    ) =>
        await ListOf(job, plan, db, cancel) is { } list
            ? TypedResults.Ok(list)
            : Trouble.Missing("This plan is not there any more.").Answer();

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> ShoppingCsv(
        Guid job,
        Guid plan,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (await ListOf(job, plan, db, cancel) is not { } list)
        {
            return Trouble.Missing("This plan is not there any more.").Answer();
        }
        await using var text = new StringWriter(CultureInfo.InvariantCulture);
        await using (var csv = CsvWriter.Create(text))
        {
            foreach (var column in ShoppingColumns)
            {
                csv.WriteField(column);
            }
            await csv.EndRecordAsync(cancel);
            foreach (var l in list.Lines)
            {
                string?[] fields =
                [
                    l.Kind.ToString().ToLowerInvariant(),
                    l.Word.ToString().ToLowerInvariant(),
                    l.Where,
                    l.What,
                    l.Count?.ToString(CultureInfo.InvariantCulture),
                    l.ToOrder?.ToString(CultureInfo.InvariantCulture),
                    l.Price?.ToString("0.00", CultureInfo.InvariantCulture),
                    l.Currency,
                    l.Supplier,
                    l.DueOn?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                    l.Why,
                ];
                foreach (var field in fields)
                {
                    csv.WriteField(CsvCell.Plain(field));
                }
                await csv.EndRecordAsync(cancel);
            }
        }
        return TypedResults.File(
            Encoding.UTF8.GetBytes(text.ToString()),
            "text/csv; charset=utf-8",
            "shopping.csv"
        );
    }

    private static readonly string[] ShoppingColumns =
    [
        "kind",
        "word",
        "where",
        "what",
        "count",
        "to_order",
        "price",
        "currency",
        "supplier",
        "due_on",
        "why",
    ];

    private static async Task<ShoppingList?> ListOf(
        Guid job,
        Guid plan,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (
            await db.LoadJob(job, new JobWanted(), cancel) is not { Document: var d } loaded
            || d.Plans.FirstOrDefault(p => p.Id == plan) is not { } wanted
        )
        {
            return null;
        }
        var stances = JobEvaluator.StancesOf(d);
        var prediction = JobEvaluator.Predict(
            d,
            wanted,
            stances,
            loaded.Others.With(JobEvaluator.TrialsOf(d, stances))
        )!;
        Guid[] ids =
        [
            .. wanted.Stacks.SelectMany(s => s.Parts).Select(p => p.PartId).OfType<Guid>(),
        ];
        var shelf = await db
            .Parts.AsNoTracking()
            .Where(p => ids.Contains(p.Id))
            .ToDictionaryAsync(p => p.Id, cancel);
        return ShoppingList.Of(d, wanted, prediction, shelf);
    }

    /// <summary>Whether a part of the shelf fits a job's vehicle as it stands, at each axle.</summary>
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
        var vehicle = d.VehicleNow();
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
            var plan = new Plan
            {
                Id = Guid.Empty,
                Name = "",
                FromStageId = stage.Id,
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
