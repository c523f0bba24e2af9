using Microsoft.EntityFrameworkCore;

namespace Nokko.Storage;

/// <summary>Whether a vehicle has a job that goes on: neither handed over nor thrown away.</summary>
public static class OpenJobs
{
    /// <summary>The open job of a vehicle; null where none is.</summary>
    /// <param name="db">The database.</param>
    /// <param name="vehicle">The vehicle, held by the caller so that none opens meanwhile.</param>
    /// <param name="except">A job that does not count.</param>
    /// <param name="cancel">Cancels.</param>
    public static Task<Guid?> OpenJobOf(
        this NokkoDb db,
        Guid vehicle,
        Guid? except,
        CancellationToken cancel
    ) =>
        db
            .Jobs.Where(j =>
                j.VehicleId == vehicle
                && j.Id != except
                && j.HandedOverAt == null
                && j.BinnedAt == null
            )
            .Select(j => (Guid?)j.Id)
            .FirstOrDefaultAsync(cancel);
}
