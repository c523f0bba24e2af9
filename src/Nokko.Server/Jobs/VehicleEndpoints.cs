using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.Jobs;

/// <summary>Vehicles that the shop knows from earlier jobs.</summary>
internal static class VehicleEndpoints
{
    /// <summary>A vehicle with where it stands: its job goes on, or a new one goes on in its chain.</summary>
    /// <param name="Id">The vehicle.</param>
    /// <param name="Make">Make.</param>
    /// <param name="Name">Name.</param>
    /// <param name="Owner">Its owner.</param>
    /// <param name="PlatformId">Its platform.</param>
    /// <param name="LastIn">When it came last.</param>
    /// <param name="OpenJob">A job of it that is not handed over.</param>
    /// <param name="Jobs">How often it was here; what lies in the bin is no visit.</param>
    /// <param name="Sort">What sort of vehicle it is.</param>
    internal sealed record VehicleHere(
        Guid Id,
        string Make,
        string Name,
        string Owner,
        Guid PlatformId,
        DateTimeOffset LastIn,
        Guid? OpenJob,
        int Jobs,
        VehicleKind Sort
    );

    /// <summary>An owner who was here before.</summary>
    /// <param name="Name">The name.</param>
    /// <param name="Contact">Phone or mail.</param>
    internal sealed record OwnerHere(string Name, string? Contact);

    /// <summary>A visit of a vehicle.</summary>
    /// <param name="JobId">The job.</param>
    /// <param name="TakenInAt">When it came.</param>
    /// <param name="HandedOverAt">When it went; null while it is here.</param>
    /// <param name="Odometer">What the odometer showed when it came.</param>
    /// <param name="Wish">What was wanted, in the owner's words.</param>
    internal sealed record Visit(
        Guid JobId,
        DateTimeOffset TakenInAt,
        DateTimeOffset? HandedOverAt,
        Quantity? Odometer,
        string? Wish
    );

    /// <summary>A vehicle over its years.</summary>
    /// <param name="Make">Make.</param>
    /// <param name="Name">Name.</param>
    /// <param name="Plate">Plate, else VIN.</param>
    /// <param name="Owner">Whose it is now; of whose it was nothing stands here.</param>
    /// <param name="Visits">Its jobs, the latest first.</param>
    /// <param name="Years">Stages, rounds and how its springs went down.</param>
    internal sealed record VehicleView(
        string Make,
        string Name,
        string? Plate,
        string Owner,
        IReadOnlyList<Visit> Visits,
        VehicleYears Years
    );

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/vehicles", Find);
        api.MapGet("/vehicles/{vehicle:guid}", Show);
        api.MapGet("/owners", FindOwners);
    }

    private static async Task<Results<Ok<VehicleView>, ProblemHttpResult>> Show(
        Guid vehicle,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        var visits = await db
            .Jobs.AsNoTracking()
            .Where(j => j.VehicleId == vehicle && j.CopiedAt == null && j.BinnedAt == null)
            .OrderByDescending(j => j.TakenInAt)
            .Select(j => new Visit(j.Id, j.TakenInAt, j.HandedOverAt, j.OdometerIn, j.Wish))
            .ToListAsync(cancel);
        // The latest job's document holds what all before it measured.
        return visits.Count > 0 && await db.LoadDocument(visits[0].JobId, cancel) is { } d
            ? TypedResults.Ok(
                new VehicleView(
                    d.Vehicle.Make,
                    d.Vehicle.Name,
                    d.Vehicle.Plate ?? d.Vehicle.Vin,
                    d.Owner.Name,
                    visits,
                    VehicleYears.Of(d)
                )
            )
            : Trouble
                .Missing("No visit of such a vehicle is in this shop, or it lies in the bin.")
                .Answer();
    }

    /// <summary>Vehicles of this plate or VIN, however it is spaced.</summary>
    private static async Task<Ok<VehicleHere[]>> Find(
        NokkoDb db,
        string mark,
        CancellationToken cancel
    )
    {
        var wanted = Patterns.Plain(mark.Replace(" ", "", StringComparison.Ordinal));
        if (wanted.Length < 3)
        {
            return TypedResults.Ok<VehicleHere[]>([]);
        }
        return TypedResults.Ok(
            await (
                from vehicle in db.Vehicles
                join owner in db.Owners on vehicle.OwnerId equals owner.Id
                where
                    EF.Functions.ILike(vehicle.Plate!.Replace(" ", ""), wanted, "\\")
                    || EF.Functions.ILike(vehicle.Vin!.Replace(" ", ""), wanted, "\\")
                select new VehicleHere(
                    vehicle.Id,
                    vehicle.Make,
                    vehicle.Name,
                    owner.Name,
                    vehicle.PlatformId,
                    db.Jobs.Where(j => j.VehicleId == vehicle.Id).Max(j => j.TakenInAt),
                    db.Jobs.Where(j =>
                            j.VehicleId == vehicle.Id
                            && j.HandedOverAt == null
                            && j.BinnedAt == null
                        )
                        .Select(j => (Guid?)j.Id)
                        .FirstOrDefault(),
                    db.Jobs.Count(j => j.VehicleId == vehicle.Id && j.BinnedAt == null),
                    vehicle.Kind
                )
            )
                .Take(5)
                .ToArrayAsync(cancel)
        );
    }

    /// <summary>Among so many jobs owners are looked for: whoever has more to choose from types on.</summary>
    private const int MostLookedAt = 1_000;

    /// <summary>Owners whose name holds what is typed, those that begin with it first.</summary>
    private static async Task<Ok<OwnerHere[]>> FindOwners(
        NokkoDb db,
        string find,
        CancellationToken cancel
    )
    {
        var text = find.Replace("\0", "", StringComparison.Ordinal).Trim();
        if (text.Length < 2)
        {
            return TypedResults.Ok<OwnerHere[]>([]);
        }
        // The yard's index holds the name of every owner who was ever here; a scan over all of them costs more with each.
        var (query, anywhere) = YardStore.Asked(text.ToLowerInvariant());
        var wanted = Patterns.Plain(text);
        return TypedResults.Ok(
            await db
                .Owners.FromSql(
                    $"""
                    select * from owners where id in (
                      select v.owner_id from jobs j join vehicles v on v.id = j.vehicle_id
                      where j.id in (select found_jobs({query}, {anywhere}) limit {MostLookedAt}))
                    """
                )
                .AsNoTracking()
                .Where(o => EF.Functions.ILike(o.Name, $"%{wanted}%", "\\"))
                .OrderByDescending(o => EF.Functions.ILike(o.Name, $"{wanted}%", "\\"))
                .ThenBy(o => o.Name)
                .Select(o => new OwnerHere(o.Name, o.Contact))
                .Take(8)
                .ToArrayAsync(cancel)
        );
    }
}
