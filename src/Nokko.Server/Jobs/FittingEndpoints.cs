using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.Jobs;

/// <summary>What stands beside a job's fitting: what earlier jobs of the platform offer, the way back, and how the shop fits.</summary>
internal static class FittingEndpoints
{
    /// <summary>So many of a platform's vehicles are asked, the latest: what they offer costs the same in a shop of ten jobs and of a hundred thousand.</summary>
    private const int Asked = 30;

    /// <summary>What earlier jobs of the platform offer to this one.</summary>
    /// <param name="Joints">Specs and fasteners, to be confirmed here.</param>
    /// <param name="Times">How long the steps took.</param>
    internal sealed record Earlier(
        IReadOnlyList<OfferedJoint> Joints,
        IReadOnlyList<StepTime> Times
    );

    /// <summary>How the shop fits.</summary>
    /// <param name="Ways">Its ways; null where nobody said.</param>
    /// <param name="Version">Version of the row.</param>
    /// <param name="Band">How far a torque may lie from its spec, as a share.</param>
    /// <param name="Tips">Its tips, the oldest first.</param>
    /// <param name="Questions">All that good fitters differ on, with the shop's way.</param>
    /// <param name="Limits">All that is limited.</param>
    internal sealed record HowTheShopFits(
        ShopWays? Ways,
        uint? Version,
        double Band,
        IReadOnlyList<Tip> Tips,
        IReadOnlyList<FittingWay> Questions,
        IReadOnlyList<ShopLimit> Limits
    );

    /// <summary>How much of what a lift moves is left alone.</summary>
    /// <param name="Rule">The rule of thumb.</param>
    /// <param name="Own">The shop's own limit, in the unit of the rule; null where the rule of thumb stands.</param>
    internal sealed record ShopLimit(LimitRule Rule, double? Own);

    /// <summary>A question between ways, and what was chosen for this job.</summary>
    internal sealed record FittingWay(
        string School,
        string Asks,
        IReadOnlyList<SchoolWay> Ways,
        string Choice,
        string? Why,
        string? By
    );

    public static void Map(RouteGroupBuilder api, RouteGroupBuilder jobs)
    {
        jobs.MapGet("/{job:guid}/fitting/earlier", OfEarlierJobs);
        jobs.MapGet("/{job:guid}/fitting/undo", Undo);
        jobs.MapGet("/{job:guid}/fitting/ways", WaysOf);
        api.MapGet("/fitting/ways", Ways);
    }

    private static async Task<Results<Ok<Earlier>, ProblemHttpResult>> OfEarlierJobs(
        Guid job,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (await db.LoadDocument(job, cancel) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        var card = Progress.CardOf(d);
        var vehicles = await db
            .Vehicles.AsNoTracking()
            .Where(v => v.PlatformId == d.Vehicle.PlatformId && v.Id != d.Vehicle.Id)
            .OrderByDescending(v => v.Id)
            .Take(Asked)
            .Select(v => new
            {
                v.Id,
                v.Name,
                v.Plate,
            })
            .ToListAsync(cancel);
        Guid[] keys = [.. vehicles.Select(v => v.Id)];
        var joints = (
            await db
                .Joints.AsNoTracking()
                .Where(j => keys.Contains(EF.Property<Guid>(j, NokkoDb.VehicleIdColumn)))
                .Select(j => new
                {
                    Vehicle = EF.Property<Guid>(j, NokkoDb.VehicleIdColumn),
                    Joint = j,
                })
                .ToListAsync(cancel)
        ).ToLookup(j => j.Vehicle, j => j.Joint);
        // This vehicle's own earlier fittings count for the times; what its joints have, they have.
        Guid[] timed = [.. keys, d.Vehicle.Id];
        var steps = await db
            .Steps.AsNoTracking()
            .Where(s =>
                s.Work != null
                && s.Minutes != null
                && db.Jobs.Any(j =>
                    j.Id == EF.Property<Guid>(s, NokkoDb.JobIdColumn) && timed.Contains(j.VehicleId)
                )
            )
            .ToListAsync(cancel);
        var begun = d.BegunPlan()?.Id;
        EarlierFitting[] earlier =
        [
            .. vehicles.Select(v => new EarlierFitting(
                v.Plate is { } plate ? $"{v.Name} {plate}" : v.Name,
                [.. joints[v.Id]],
                []
            )),
        ];
        return TypedResults.Ok(
            new Earlier(
                EarlierFittings.Joints(card, d.Joints, earlier),
                EarlierFittings.Times(
                    card,
                    steps
                        .Where(s => s.PlanId != begun)
                        .GroupBy(s => s.PlanId)
                        .Select(g => (IReadOnlyList<StepEntry>)[.. g])
                )
            )
        );
    }

    private static async Task<Results<Ok<UndoCard>, ProblemHttpResult>> Undo(
        Guid job,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (await db.LoadDocument(job, cancel) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        return Progress.UndoOf(d) is { } back
            ? TypedResults.Ok(back)
            : Trouble.Missing("Nothing was fitted on this job that could be undone.").Answer();
    }

    /// <summary>The questions that make a difference to this job's card.</summary>
    private static async Task<Results<Ok<FittingWay[]>, ProblemHttpResult>> WaysOf(
        Guid job,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (await db.LoadDocument(job, cancel) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        return TypedResults.Ok(
            FittingSchools
                .ThatMatter(by => Progress.CardOf(d with { Schools = by }), d.Schools)
                .Select(q =>
                {
                    var chosen = d.Schools.LastOrDefault(s => s.School == q.School);
                    return new FittingWay(
                        q.School,
                        q.Asks,
                        q.Ways,
                        chosen?.Choice ?? q.Ways[0].Choice,
                        chosen?.Why,
                        d.People.FirstOrDefault(p => p.Id == chosen?.PersonId)?.Name
                    );
                })
                .ToArray()
        );
    }

    private static async Task<Ok<HowTheShopFits>> Ways(NokkoDb db, CancellationToken cancel)
    {
        var ways = await db
            .ShopWays.AsNoTracking()
            .Select(w => new { Ways = w, Version = EF.Property<uint>(w, NokkoDb.VersionColumn) })
            .FirstOrDefaultAsync(cancel);
        return TypedResults.Ok(
            new HowTheShopFits(
                ways?.Ways,
                ways?.Version,
                ways?.Ways.TorqueBand ?? FittingRules.Band,
                await db.Tips.AsNoTracking().OrderBy(t => t.Id).ToListAsync(cancel),
                [
                    .. FittingSchools.Questions.Select(q =>
                    {
                        var own = ways?.Ways.Ways.FirstOrDefault(w => w.School == q.School);
                        return new FittingWay(
                            q.School,
                            q.Asks,
                            q.Ways,
                            own?.Choice ?? q.Ways[0].Choice,
                            own?.Why,
                            null
                        );
                    }),
                ],
                [
                    .. GeometryLimits.Rules.Select(r => new ShopLimit(
                        r,
                        ways?.Ways.Limits.FirstOrDefault(l => l.Kind == r.Kind)?.Most.In(r.Unit)
                    )),
                ]
            )
        );
    }
}
