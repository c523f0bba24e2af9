using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Finding;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.Jobs;

/// <summary>Shows a job and edits its vehicle and its target.</summary>
internal static class JobEndpoints
{
    internal sealed record EditVehicle(Guid CommandId, uint Version, VehicleSizes Sizes);

    internal sealed record EditTarget(
        Guid CommandId,
        uint Version,
        TargetInput Target,
        string? Wish,
        DateOnly? PromisedOn
    );

    internal sealed record HistoryLine(
        Guid Id,
        string Kind,
        string Person,
        DateTimeOffset At,
        bool TakenBack,
        bool CanTakeBack
    );

    public static void Map(RouteGroupBuilder jobs)
    {
        TakeIn.Map(jobs);
        Undo.Map(jobs);
        Suspensions.Map(jobs);
        Loads.Map(jobs);
        jobs.MapGet(
            "/{job:guid}",
            (Guid job, JobDesk desk, CancellationToken cancel) => desk.Show(job, cancel)
        );
        jobs.MapGet("/{job:guid}/history", History);
        jobs.MapPut("/{job:guid}/vehicle", Vehicle);
        jobs.MapPut("/{job:guid}/target", Target);
    }

    private static async Task<Results<Ok<HistoryLine[]>, ProblemHttpResult>> History(
        Guid job,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await db.LoadJob(job, JobExtent.All, cancel) is not { } d)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        var names = d.People.ToDictionary(p => p.Id, p => p.Name);
        var undone = d.History.Select(Undo.UndoneBy).OfType<Guid>().ToHashSet();
        var kinds = d.History.ToDictionary(h => h.Id, h => h.Kind);
        return TypedResults.Ok(
            d.History.OrderByDescending(h => h.At)
                .ThenByDescending(h => h.Id)
                .Select(h => new HistoryLine(
                    h.Id,
                    Undo.UndoneBy(h) is { } back ? $"taken back: {kinds[back]}" : h.Kind,
                    names.GetValueOrDefault(h.PersonId, "?"),
                    h.At,
                    undone.Contains(h.Id),
                    Undo.IsOpen(h, undone, clock.GetUtcNow())
                ))
                .ToArray()
        );
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Vehicle(
        Guid job,
        EditVehicle body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "vehicle's sizes changed",
            body,
            d =>
            {
                var sizes = VehicleDefaults.Fill(body.Sizes.Read(), d.Vehicle.Kind);
                var tyre = body.Sizes.ReadTyre();
                desk.Edit(
                    d.Vehicle,
                    body.Version,
                    d.Vehicle with
                    {
                        Dimensions = sizes,
                        TyreSize = tyre ?? VehicleDefaults.TyreSize(d.Vehicle.Kind),
                        TyreKnown = tyre is null ? Known.Estimated : Known.Document,
                        Stations = Stations(d.Vehicle, sizes),
                    }
                );
            },
            cancel
        );

    /// <summary>The six usual stations follow the new sizes; those that somebody placed stay where they are.</summary>
    private static Station[] Stations(Vehicle vehicle, VehicleDimensions sizes)
    {
        var usual = VehicleDefaults.Stations(sizes, vehicle.Kind);
        return
        [
            .. usual.Select(s =>
                s with
                {
                    Edge = vehicle.Stations.FirstOrDefault(o => o.Name == s.Name)?.Edge,
                }
            ),
            .. vehicle.Stations.Where(o => usual.All(s => s.Name != o.Name)),
        ];
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Target(
        Guid job,
        EditTarget body,
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
                desk.Edit(
                    d.Job,
                    body.Version,
                    d.Job with
                    {
                        Target = body.Target.Read(),
                        Wish = TakeIn.Blank(body.Wish),
                        PromisedOn = body.PromisedOn,
                    }
                );
            },
            cancel
        );
}
