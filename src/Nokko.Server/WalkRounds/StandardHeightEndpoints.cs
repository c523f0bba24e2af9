using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;

namespace Nokko.Server.WalkRounds;

/// <summary>Notes the standard heights of a document: a stage before all others that never decides.</summary>
internal static class StandardHeightEndpoints
{
    /// <summary>Heights of the vehicle as it left the works, as a document gives them.</summary>
    internal sealed record Standard(
        Guid CommandId,
        Guid StageId,
        Guid WalkRoundId,
        Datum Datum,
        IReadOnlyList<StandardHeight> Heights,
        string Source
    );

    internal sealed record StandardHeight(Guid Id, string Station, QuantityInput Height);

    public static void Map(RouteGroupBuilder jobs) => jobs.MapPost("/{job:guid}/standard", Store);

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Store(
        Guid job,
        Standard body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "standard heights noted",
            body,
            d =>
            {
                if (d.Stages.Any(s => s.Ordinal < 0))
                {
                    throw new TroubleException(
                        Trouble.Gate("", "The standard heights of this vehicle are noted already.")
                    );
                }
                var source =
                    TakeIn.Blank(body.Source)
                    ?? throw new TroubleException(
                        Trouble.At("source", "Say where the standard heights come from.")
                    );
                var heights = body
                    .Heights.Select(h => (h.Id, h.Station, Value: Read(d, h)))
                    .Where(h => h.Value is not null)
                    .ToArray();
                if (heights.Length == 0)
                {
                    throw new TroubleException(Trouble.At("heights", "No height is given."));
                }
                desk.Db.Put(
                    job,
                    new Stage
                    {
                        Id = body.StageId,
                        VehicleId = d.Vehicle.Id,
                        Ordinal = -1,
                        Name = "standard",
                        OpenedAt = desk.Now,
                        Stacks = [],
                    }
                );
                desk.Db.Put(
                    job,
                    new WalkRound
                    {
                        Id = body.WalkRoundId,
                        StageId = body.StageId,
                        Datum = body.Datum,
                        Division = Quantity.Mm(1, Known.Told),
                        Settled = Settled.Rolled,
                        FromDocument = true,
                        Notes = source,
                        PersonId = desk.PersonId,
                        At = desk.Now,
                    }
                );
                foreach (var (id, station, value) in heights)
                {
                    desk.Db.Put(
                        job,
                        new Reading
                        {
                            Id = id,
                            WalkRoundId = body.WalkRoundId,
                            Kind = ReadingKind.Height,
                            Place = new Place { Kind = PlaceKind.Station, Name = station },
                            From = body.Datum,
                            Value = value! with { Known = Known.Document },
                            PersonId = desk.PersonId,
                            TakenAt = desk.Now,
                            StoredAt = desk.Now,
                        }
                    );
                }
            },
            cancel
        );

    private static Quantity? Read(JobDocument d, StandardHeight h)
    {
        ReadingEndpoints.KnownStation(d, h.Station);
        return QuantityInput.Read(h.Height, $"heights.{h.Station}", "mm");
    }
}
