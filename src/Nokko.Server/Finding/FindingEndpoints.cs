using System.Diagnostics;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Finding;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Server.Plans;
using Nokko.Storage;

namespace Nokko.Server.Finding;

/// <summary>Turns wishes into numbers, finds stacks, and says what to do when one lands off.</summary>
internal static class FindingEndpoints
{
    private const int Ranked = 10;
    private const int Rejected = 4;
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(30);

    /// <summary>A wish as said.</summary>
    internal sealed record MakeWish(
        Guid CommandId,
        uint Version,
        WishKind Kind,
        QuantityInput? Amount,
        QuantityInput? Roof,
        string? Tyre
    );

    /// <summary>What a person wants searched.</summary>
    internal sealed record Find(
        Guid FromStageId,
        bool NoSpacers,
        bool NoCutting,
        bool PreloadOnly,
        bool KeepDroop,
        bool HoldEveryLimit,
        bool MayBuy,
        bool SidesDiffer
    )
    {
        public SearchRules Rules() =>
            new()
            {
                NoSpacers = NoSpacers,
                NoCutting = NoCutting,
                PreloadOnly = PreloadOnly,
                KeepDroop = KeepDroop,
                HoldEveryLimit = HoldEveryLimit,
                MayBuy = MayBuy,
                SidesDiffer = SidesDiffer,
            };
    }

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{job:guid}/wishes", Wished);
        jobs.MapPost("/{job:guid}/stacks", Search)
            .Produces<FindingLine>(StatusCodes.Status200OK, "application/x-ndjson");
        jobs.MapGet("/{job:guid}/plans/{id:guid}/plan-b", Second);
        jobs.MapGet("/{job:guid}/tyre-room", Room);
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Wished(
        Guid job,
        MakeWish body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "target changed",
            body,
            d =>
            {
                var wish = new Wish(
                    body.Kind,
                    QuantityInput.Read(
                        body.Amount,
                        "amount",
                        "mm",
                        positive: body.Kind != WishKind.KeepRake
                    ),
                    QuantityInput.Read(body.Roof, "roof", "mm"),
                    TakeIn.Blank(body.Tyre)
                );
                var (target, field, why) = wish.On(Standing(d, d.CurrentStage()!, []));
                if (target is null)
                {
                    throw new TroubleException(Trouble.At(field!, why!));
                }
                desk.Edit(d.Job, body.Version, d.Job with { Target = target });
            },
            cancel
        );

    private static async Task<Results<Ok<IReadOnlyList<TyreRoom>>, ProblemHttpResult>> Room(
        Guid job,
        string tyre,
        NokkoDb db,
        CancellationToken cancel
    ) =>
        await db.LoadJob(job, JobExtent.Stance, cancel) is not { } d
            ? Trouble.Missing("There is no such job in this shop.").Answer()
        : TyreRoom.Of(d.Vehicle, tyre) is { } room ? TypedResults.Ok(room)
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
        if (await db.LoadJob(job, JobExtent.Work, cancel) is not { } d)
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
        var situation = Standing(d, from, await db.TrialsFor(d, own: true, cancel));
        var shelf = await db.Parts.AsNoTracking().ToListAsync(cancel);
        context.Response.ContentType = "application/x-ndjson";
        using var ends = CancellationTokenSource.CreateLinkedTokenSource(
            cancel,
            life.ApplicationStopping
        );
        ends.CancelAfter(Longest);
        try
        {
            foreach (var line in Lines(situation, shelf, body.Rules(), ends.Token))
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
                    Best = FoundView.Of(stack, situation, null),
                    Looked = news.Looked,
                };
            }
            else if (stack.Stopped is not null)
            {
                if (rejected++ < Rejected)
                {
                    yield return new FindingLine
                    {
                        Rejected = FoundView.Of(stack, situation, null),
                    };
                }
            }
            else
            {
                yield return new FindingLine
                {
                    Found = FoundView.Of(stack, situation, before),
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
        if (await db.LoadJob(job, JobExtent.Work, cancel) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        if (d.Plans.FirstOrDefault(p => p.Id == id) is not { } plan)
        {
            return Trouble.Missing("This job has no such plan.").Answer();
        }
        var from = d.Stages.First(s => s.Id == plan.FromStageId);
        var situation = Standing(d, from, await db.TrialsFor(d, own: true, cancel));
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

    private static Situation Standing(
        JobDocument d,
        Stage from,
        IReadOnlyList<Core.Evidence.JobTrial> trials
    ) =>
        JobEvaluator.SituationOf(
            d,
            from,
            JobEvaluator.Evaluate(d with { Plans = [] }).WalkRounds,
            trials
        );
}
