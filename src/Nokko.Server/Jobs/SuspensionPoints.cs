using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;

namespace Nokko.Server.Jobs;

/// <summary>Taped points of an axle's suspension, from which its lift ratio follows.</summary>
internal static class SuspensionPoints
{
    /// <summary>A point as typed; both empty takes it out.</summary>
    internal sealed record PointInput(string Name, QuantityInput? Y, QuantityInput? Z);

    internal sealed record EditPoints(
        Guid CommandId,
        uint Version,
        string Axle,
        IReadOnlyList<PointInput> Points
    );

    public static void Map(RouteGroupBuilder jobs) =>
        jobs.MapPut("/{job:guid}/suspension-points", Store);

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Store(
        Guid job,
        EditPoints body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "suspension points taped",
            body,
            d =>
            {
                if (body.Axle is not (Corners.Front or Corners.Rear))
                {
                    throw new TroubleException(Trouble.At("axle", "The axle is front or rear."));
                }
                var now = d.Vehicle.SuspensionOf(body.Axle);
                if (now.Kind != SuspensionKind.CoilOverArm)
                {
                    throw new TroubleException(
                        Trouble.At("axle", "Points are taped of a coil-over on an arm only.")
                    );
                }
                var taped = now with
                {
                    Points = [.. body.Points.Select(Read).OfType<SuspensionPoint>()],
                };
                if (
                    taped.Points.Count == WishbonePoints.Names.Count
                    && WishbonePoints.Of(taped) is null
                )
                {
                    throw new TroubleException(
                        Trouble.At(
                            "points",
                            "From these points no suspension can be put together. Across and up swapped, or a slip of the tape?"
                        )
                    );
                }
                desk.Edit(
                    d.Vehicle,
                    body.Version,
                    body.Axle == Corners.Front
                        ? d.Vehicle with
                        {
                            Front = taped,
                        }
                        : d.Vehicle with
                        {
                            Rear = taped,
                        }
                );
            },
            cancel
        );

    private static SuspensionPoint? Read(PointInput point)
    {
        if (!WishbonePoints.Names.Contains(point.Name))
        {
            throw new TroubleException(
                Trouble.At("points", $"There is no point “{point.Name}” on this suspension.")
            );
        }
        var y = QuantityInput.Read(point.Y, $"{point.Name}.y", "mm");
        var z = QuantityInput.Read(point.Z, $"{point.Name}.z", "mm");
        return (y, z) switch
        {
            (null, null) => null,
            (null, _) => throw Half(point, "y"),
            (_, null) => throw Half(point, "z"),
            _ => new SuspensionPoint
            {
                Name = point.Name,
                Y = y,
                Z = z,
            },
        };
    }

    private static TroubleException Half(PointInput point, string missing) =>
        new(Trouble.At($"{point.Name}.{missing}", "Both are needed: across and up."));
}

/// <summary>What an axle's taped points say.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="MotionRatio">Strut travel per wheel travel at ride height.</param>
/// <param name="LiftRatio">Rise of the body per thickness above the strut, at ride height.</param>
internal sealed record TapedLinkage(string Axle, double MotionRatio, double LiftRatio)
{
    public static IReadOnlyList<TapedLinkage> Of(Vehicle vehicle) =>
        [
            .. new[] { Corners.Front, Corners.Rear }.SelectMany(axle =>
                WishbonePoints.Of(vehicle.SuspensionOf(axle)) is { } points
                && new DoubleWishbone(points) is var linkage
                && linkage.At(linkage.RideLengthMm) is { } ride
                    ? new[] { new TapedLinkage(axle, ride.MotionRatio, 1 / ride.MotionRatio) }
                    : []
            ),
        ];
}
