using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
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
    internal sealed record VehicleHere(
        Guid Id,
        string Make,
        string Name,
        string Owner,
        Guid PlatformId,
        DateTimeOffset LastIn,
        Guid? OpenJob
    );

    public static void Map(RouteGroupBuilder api) => api.MapGet("/vehicles", Find);

    /// <summary>Vehicles of this plate or VIN, however it is spaced.</summary>
    private static async Task<Ok<VehicleHere[]>> Find(
        NokkoDb db,
        string mark,
        CancellationToken cancel
    )
    {
        var wanted = mark.Replace("\0", "", StringComparison.Ordinal)
            .Replace(" ", "", StringComparison.Ordinal)
            .Replace("\\", "\\\\", StringComparison.Ordinal)
            .Replace("%", "\\%", StringComparison.Ordinal)
            .Replace("_", "\\_", StringComparison.Ordinal);
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
                    db.Jobs.Where(j => j.VehicleId == vehicle.Id && j.HandedOverAt == null)
                        .Select(j => (Guid?)j.Id)
                        .FirstOrDefault()
                )
            )
                .Take(5)
                .ToArrayAsync(cancel)
        );
    }
}
