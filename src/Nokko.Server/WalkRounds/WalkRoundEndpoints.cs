using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.WalkRounds;

/// <summary>Begins walk-rounds, keeps their conditions and their stations, and compares any two.</summary>
internal static class WalkRoundEndpoints
{
    internal sealed record Begin(Guid CommandId, Guid Id, Guid StageId, RoundConditions Conditions);

    internal sealed record Change(Guid CommandId, uint Version, RoundConditions Conditions);

    /// <summary>A station that is measured beside or instead of the usual six.</summary>
    internal sealed record PlaceStation(
        Guid CommandId,
        uint Version,
        string Name,
        double XMm,
        double YMm,
        Carrier Carrier,
        string? Edge,
        Guid? WalkRoundId
    );

    /// <summary>Two walk-rounds compared, with what it means in the person's unit.</summary>
    internal sealed record Compared(Comparison Comparison, IReadOnlyList<string> Sentences);

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{job:guid}/walk-rounds", BeginRound);
        jobs.MapPut("/{job:guid}/walk-rounds/{id:guid}", ChangeConditions);
        jobs.MapPut("/{job:guid}/stations", Place);
        jobs.MapGet("/{job:guid}/comparison", Compare);
        ReadingEndpoints.Map(jobs);
        StandardHeightEndpoints.Map(jobs);
        ReadingsCsv.Map(jobs);
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> BeginRound(
        Guid job,
        Begin body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "walk-round begun",
            body,
            d =>
            {
                if (d.Stages.All(s => s.Id != body.StageId))
                {
                    throw new TroubleException(
                        Trouble.At("stageId", "This job has no such stage.")
                    );
                }
                var round = body.Conditions.Apply(
                    new WalkRound
                    {
                        Id = body.Id,
                        StageId = body.StageId,
                        Datum = body.Conditions.Datum,
                        Division = body.Conditions.Division(),
                        Settled = body.Conditions.Settled,
                        PersonId = desk.PersonId,
                        At = desk.Now,
                    },
                    d
                );
                desk.Db.Put(
                    job,
                    round.Order.Count > 0 ? round : round with { Order = Walk(d, body) }
                );
                Choose(d, body, desk, job);
            },
            cancel
        );

    /// <summary>The stations of the round with which this one will be compared; of the first round, the way of walking.</summary>
    private static IReadOnlyList<string> Walk(JobDocument d, Begin body)
    {
        var last = d.WalkRounds.Where(w => w.Order.Count > 0).MaxBy(w => w.At);
        if (body.Conditions.Walk is null && last is not null)
        {
            return last.Order;
        }
        var walk =
            body.Conditions.Walk
            ?? (
                Enum.TryParse<WalkingOrder>(
                    d.Schools.LastOrDefault(s => s.School == WalkingOrders.School)?.Choice,
                    out var chosen
                )
                    ? chosen
                    : WalkingOrder.LeftSideBack
            );
        return [.. WalkingOrders.Sort(d.Vehicle.Stations, walk).Select(s => s.Name)];
    }

    private static void Choose(JobDocument d, Begin body, JobDesk desk, Guid job)
    {
        if (
            body.Conditions.Walk is { } walk
            && d.Schools.LastOrDefault(s => s.School == WalkingOrders.School)?.Choice
                != walk.ToString()
        )
        {
            desk.Db.Put(
                job,
                new SchoolChoice
                {
                    Id = Guid.CreateVersion7(desk.Now),
                    School = WalkingOrders.School,
                    Choice = walk.ToString(),
                    PersonId = desk.PersonId,
                }
            );
        }
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> ChangeConditions(
        Guid job,
        Guid id,
        Change body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "conditions of a walk-round changed",
            body,
            d =>
            {
                var round = d.WalkRounds.FirstOrDefault(w => w.Id == id) ?? throw NoRound();
                var changed = body.Conditions.Apply(round, d);
                desk.Edit(
                    round,
                    body.Version,
                    body.Conditions is { Walk: { } walk, Order: null }
                        ? changed with
                        {
                            Order =
                            [
                                .. WalkingOrders
                                    .Sort(
                                        d.Vehicle.Stations.Where(s =>
                                            round.Order.Count == 0 || round.Order.Contains(s.Name)
                                        ),
                                        walk
                                    )
                                    .Select(s => s.Name),
                            ],
                        }
                        : changed
                );
            },
            cancel
        );

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Place(
        Guid job,
        PlaceStation body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "station placed",
            body,
            async d =>
            {
                var name = Named(body.Name);
                if (!(Math.Abs(body.XMm) <= 20_000) || !(Math.Abs(body.YMm) <= 5_000))
                {
                    throw new TroubleException(
                        Trouble.At("place", "That place is not on the vehicle.")
                    );
                }
                var station = new Station
                {
                    Name = name,
                    X = Quantity.Mm(body.XMm, Known.Estimated),
                    Y = Quantity.Mm(body.YMm, Known.Estimated),
                    Carrier = body.Carrier,
                    Edge = TakeIn.Blank(body.Edge),
                };
                var others = d.Vehicle.Stations.Where(s => s.Name != name).ToArray();
                desk.Edit(
                    d.Vehicle,
                    body.Version,
                    d.Vehicle with
                    {
                        Stations =
                            others.Length < d.Vehicle.Stations.Count
                                ? [.. d.Vehicle.Stations.Select(s => s.Name == name ? station : s)]
                                : [.. others, station],
                    }
                );
                if (
                    body.WalkRoundId is { } id
                    && d.WalkRounds.FirstOrDefault(w => w.Id == id) is { } round
                    && round.Order.Count > 0
                    && !round.Order.Contains(name)
                )
                {
                    var row = await desk.Db.WalkRounds.FirstAsync(w => w.Id == id, cancel);
                    desk.Db.Entry(row)
                        .CurrentValues.SetValues(row with { Order = [.. row.Order, name] });
                }
            },
            cancel
        );

    private static string Named(string typed)
    {
        var name = TakeIn.Blank(typed) ?? "";
        return name.Length is > 0 and <= 40
            ? name
            : throw new TroubleException(
                Trouble.At("name", "Give the place a short name, for example “tow eye”.")
            );
    }

    private static async Task<Results<Ok<Compared>, ProblemHttpResult>> Compare(
        Guid job,
        Guid before,
        Guid after,
        NokkoDb db,
        SignedIn me,
        CancellationToken cancel
    )
    {
        if (await db.LoadJob(job, JobExtent.Stance, cancel) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        if (Stance(before) is not { } a || Stance(after) is not { } b)
        {
            return NoRound().Trouble.Answer();
        }
        var comparison = JobEvaluator.Compare(d, a, b);
        return TypedResults.Ok(new Compared(comparison, ComparisonWords.Say(comparison, me.Style)));

        WalkRoundStance? Stance(Guid id) =>
            d.WalkRounds.FirstOrDefault(w => w.Id == id) is { } round
                ? StanceOf.Compute(round, d.Readings, d.Vehicle)
                : null;
    }

    internal static TroubleException NoRound() =>
        new(Trouble.Missing("This job has no such walk-round."));
}
