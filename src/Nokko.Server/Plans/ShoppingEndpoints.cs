using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Storage;

namespace Nokko.Server.Plans;

/// <summary>What a plan takes that is not on the vehicle yet, to look at and as a table.</summary>
internal static class ShoppingEndpoints
{
    private static readonly string[] Columns =
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

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapGet("/{job:guid}/plans/{plan:guid}/shopping", Show);
        jobs.MapGet("/{job:guid}/plans/{plan:guid}/shopping.csv", Csv);
    }

    private static async Task<Results<Ok<ShoppingList>, ProblemHttpResult>> Show(
        Guid job,
        Guid plan,
        NokkoDb db,
        CancellationToken cancel
    ) =>
        await Of(job, plan, db, cancel) is { } list
            ? TypedResults.Ok(list)
            : Trouble.Missing("This plan is not there any more.").Answer();

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Csv(
        Guid job,
        Guid plan,
        NokkoDb db,
        CancellationToken cancel
    ) =>
        await Of(job, plan, db, cancel) is { } list
            ? await CsvTable.Of("shopping.csv", Columns, list.Lines.Select(Fields))
            : Trouble.Missing("This plan is not there any more.").Answer();

    private static IEnumerable<string?> Fields(BuyLine l) =>
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

    private static async Task<ShoppingList?> Of(
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
        Guid[] named =
        [
            .. wanted
                .Stacks.SelectMany(s => s.Parts)
                .Select(p => p.PartId)
                .Concat(d.KitsOf(wanted).Select(k => k.PartId))
                .OfType<Guid>(),
        ];
        return ShoppingList.Of(
            d,
            wanted,
            prediction,
            await db
                .Parts.AsNoTracking()
                .Where(p => named.Contains(p.Id))
                .ToDictionaryAsync(p => p.Id, cancel),
            (await db.WantedParts(job, cancel)).ToDictionary(w => w.PartId, w => w.Count),
            await db.ShopWays.AsNoTracking().Select(w => w.Lacks).FirstOrDefaultAsync(cancel)
        );
    }
}
