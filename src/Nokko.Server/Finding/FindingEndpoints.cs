using System.Diagnostics;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Finding;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Server.People;
using Nokko.Server.Plans;
using Nokko.Storage;

namespace Nokko.Server.Finding;

/// <summary>Finds stacks, and says what to do when one lands off.</summary>
internal static class FindingEndpoints
{
    private const int Ranked = 10;
    private const int Rejected = 4;
    private const double LeastChance = 0.05;
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(30);

    /// <summary>What a person wants searched.</summary>
    internal sealed record Find(
        Guid FromStageId,
        bool NoSpacers,
        bool NoCutting,
        bool PreloadOnly,
        bool KeepDroop,
        bool HoldEveryLimit,
        bool MayBuy,
        bool SidesDiffer,
        bool HoldGeometry = false,
        SearchOrder Order = SearchOrder.LeastCost,
        double? HourRate = null,
        QuantityInput? MostAside = null
    )
    {
        /// <exception cref="RefusedException">What was typed cannot be, at its field.</exception>
        public SearchRules Rules(ShopSettings shop) =>
            HourRate is not (null or >= 0 and <= ShopSettings.MostForAnHour)
                ? throw Refuse.Value(
                    "hourRate",
                    "What does an hour cost? A number from 0 to 100,000."
                )
                : new()
                {
                    NoSpacers = NoSpacers,
                    NoCutting = NoCutting,
                    PreloadOnly = PreloadOnly,
                    KeepDroop = KeepDroop,
                    HoldEveryLimit = HoldEveryLimit,
                    MayBuy = MayBuy,
                    SidesDiffer = SidesDiffer,
                    HoldGeometry = HoldGeometry,
                    Order = Order,
                    LeastChance = LeastChance,
                    HourRate = HourRate ?? shop.HourRate ?? SearchRules.UsualHourRate,
                    MostAsideMm = SearchRules.ReadMostAside(MostAside, "mostAside"),
                };
    }

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{job:guid}/stacks", Search)
            .OpenToViewers()
            .Produces<FindingLine>(StatusCodes.Status200OK, "application/x-ndjson");
        jobs.MapGet("/{job:guid}/plans/{id:guid}/plan-b", Second);
        jobs.MapGet("/{job:guid}/tyre-room", Room);
    }

    private static async Task<Results<Ok<IReadOnlyList<TyreRoom>>, ProblemHttpResult>> Room(
        Guid job,
        string tyre,
        NokkoDb db,
        CancellationToken cancel
    ) =>
        await db.LoadDocument(job, cancel) is not { } d
            ? Trouble.Missing("There is no such job in this shop.").Answer()
        : TyreRoom.Of(d.VehicleNow(), tyre) is { } room ? TypedResults.Ok(room)
        : Trouble
            .At(
                "tyre",
                "That is no tyre size. Write it as on the tyre, for example 265/70R17 or 33x12.50R15."
            )
            .Answer();

    /// <summary>Streams what is found, line by line; the caller stops it by hanging up.</summary>
    private static async Task Search(
        Guid job,
        Find body,
        NokkoDb db,
        HttpContext context,
        IHostApplicationLifetime life
    )
    {
        var cancel = context.RequestAborted;
        if (await db.LoadJob(job, new JobWanted(), cancel) is not { Document: var d } loaded)
        {
            await Trouble
                .Missing("There is no such job in this shop.")
                .Answer()
                .ExecuteAsync(context);
            return;
        }
        if (d.Stages.FirstOrDefault(s => s.Id == body.FromStageId) is not { } from)
        {
            await Trouble
                .At("fromStageId", "This job has no such stage.")
                .Answer()
                .ExecuteAsync(context);
            return;
        }
        SearchRules rules;
        try
        {
            rules = body.Rules(
                await db
                    .Shops.Where(s => s.Id == db.ShopId)
                    .Select(s => s.Settings)
                    .SingleAsync(cancel)
            );
        }
        catch (RefusedException e)
        {
            await Trouble.Of(e.Refusal).Answer().ExecuteAsync(context);
            return;
        }
        var situation = Standing(loaded, from);
        var shelf = await db.Parts.AsNoTracking().ToListAsync(cancel);
        context.Response.ContentType = "application/x-ndjson";
        using var ends = CancellationTokenSource.CreateLinkedTokenSource(
            cancel,
            life.ApplicationStopping
        );
        ends.CancelAfter(Longest);
        try
        {
            foreach (var line in Lines(situation, shelf, rules, ends.Token))
            {
                await context.Response.WriteAsync(
                    JsonSerializer.Serialize(line, JobJson.Options) + "\n",
                    cancel
                );
                await context.Response.Body.FlushAsync(cancel);
            }
        }
        catch (OperationCanceledException)
        {
            // The caller has seen enough.
        }
    }

    private static IEnumerable<FindingLine> Lines(
        Situation situation,
        List<Core.Shelf.Part> shelf,
        SearchRules rules,
        CancellationToken cancel
    )
    {
        var watch = Stopwatch.StartNew();
        var search = new StackSearch(situation, shelf, rules);
        yield return new FindingLine
        {
            Cannot = search.Cannot,
            LeftOut = [.. search.LeftOut.Select(l => new LeftOut(l.Part, l.Why))],
            Combinations = search.Combinations,
        };
        var (found, rejected) = (0, 0);
        FoundStack? before = null;
        foreach (var news in search.Run(cancel))
        {
            if (news.Found is not { } stack)
            {
                yield return new FindingLine { Looked = news.Looked };
            }
            else if (!news.Proved)
            {
                yield return new FindingLine
                {
                    Best = FoundView.Of(stack, situation, rules, null, search.CuresOf(stack)),
                    Looked = news.Looked,
                };
            }
            else if (stack.Stopped is not null)
            {
                if (rejected++ < Rejected)
                {
                    yield return new FindingLine
                    {
                        Rejected = FoundView.Of(
                            stack,
                            situation,
                            rules,
                            null,
                            search.CuresOf(stack)
                        ),
                    };
                }
            }
            // To leave it as it is is an answer only where nothing is better and it is sure enough; else it asks for a better tape.
            else if (
                stack.Rank.Touched > 0
                || (found == 0 && stack.Rank.Missing <= Rank.EnoughMissing)
            )
            {
                yield return new FindingLine
                {
                    Found = FoundView.Of(stack, situation, rules, before, search.CuresOf(stack)),
                    Looked = news.Looked,
                };
                before = stack;
                if (++found == Ranked)
                {
                    break;
                }
            }
        }
        yield return new FindingLine
        {
            Done = true,
            Stopped = cancel.IsCancellationRequested,
            Looked = search.Looked,
            Combinations = search.Combinations,
            Seconds = watch.Elapsed.TotalSeconds,
        };
    }

    private static async Task<Results<Ok<PlanBView[]>, ProblemHttpResult>> Second(
        Guid job,
        Guid id,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (await db.LoadJob(job, new JobWanted(), cancel) is not { Document: var d } loaded)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        if (d.Plans.FirstOrDefault(p => p.Id == id) is not { } plan)
        {
            return Trouble.Missing("This job has no such plan.").Answer();
        }
        var from = d.Stages.First(s => s.Id == plan.FromStageId);
        var situation = Standing(loaded, from);
        var shelf = await db.Parts.AsNoTracking().ToListAsync(cancel);
        if (plan.BegunAt is not null)
        {
            // Its pieces have left the shelf already: the shelf before it had them.
            var taken = plan
                .Stacks.SelectMany(s => s.Parts)
                .Where(p => from.Stacks.SelectMany(s => s.Parts).All(o => o.Id != p.Id))
                .GroupBy(p => p.PartId)
                .ToLookup(g => g.Key, g => g.Count());
            shelf = [.. shelf.Select(p => p with { Count = p.Count + taken[p.Id].Sum() })];
        }
        return TypedResults.Ok<PlanBView[]>([
            .. PlanB
                .Of(plan, situation, shelf, new SearchRules())
                .Select(b => PlanBView.Of(b, plan, situation)),
        ]);
    }

    private static Situation Standing(LoadedJob loaded, Stage from)
    {
        var stances = JobEvaluator.StancesOf(loaded.Document);
        return JobEvaluator.SituationOf(
            loaded.Document,
            from,
            stances,
            loaded.Others.With(JobEvaluator.TrialsOf(loaded.Document, stances))
        );
    }
}
