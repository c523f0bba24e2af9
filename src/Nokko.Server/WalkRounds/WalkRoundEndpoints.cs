using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.JobFile;
using Nokko.Core.Measuring;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Server.Accounts;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;

namespace Nokko.Server.WalkRounds;

/// <summary>Begins walk-rounds, keeps their conditions and stores readings.</summary>
internal static class WalkRoundEndpoints
{
    internal sealed record Conditions(
        Datum Datum,
        int Denominator,
        Settled Settled,
        bool HubMarked,
        bool FloorSurveyed,
        string? Spot,
        string? Fuel,
        string? Load,
        QuantityInput? Odometer,
        string? Notes
    );

    internal sealed record Begin(Guid CommandId, Guid Id, Guid StageId, Conditions Conditions);

    internal sealed record Change(Guid CommandId, uint Version, Conditions Conditions);

    internal sealed record Store(
        Guid CommandId,
        Guid Id,
        Guid WalkRoundId,
        string? Station,
        Datum From,
        string Typed,
        IReadOnlyList<string> Answers,
        DateTimeOffset TakenAt,
        Guid? Supersedes,
        string? Reason
    );

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{job:guid}/walk-rounds", BeginRound);
        jobs.MapPut("/{job:guid}/walk-rounds/{id:guid}", ChangeConditions);
        jobs.MapPost("/{job:guid}/readings", StoreReading);
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
                desk.Db.Put(
                    job,
                    Apply(
                        new WalkRound
                        {
                            Id = body.Id,
                            StageId = body.StageId,
                            Datum = body.Conditions.Datum,
                            Division = Division(body.Conditions),
                            Settled = body.Conditions.Settled,
                            PersonId = desk.PersonId,
                            At = desk.Now,
                        },
                        body.Conditions
                    )
                );
            },
            cancel
        );

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
                desk.Edit(round, body.Version, Apply(round, body.Conditions));
            },
            cancel
        );

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> StoreReading(
        Guid job,
        Store body,
        JobDesk desk,
        SignedIn me,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            body.Supersedes is null ? "reading stored" : "reading corrected",
            body,
            d =>
            {
                var round =
                    d.WalkRounds.FirstOrDefault(w => w.Id == body.WalkRoundId) ?? throw NoRound();
                if (body.Station is { } name && d.Vehicle.Stations.All(s => s.Name != name))
                {
                    throw new TroubleException(
                        Trouble.At("station", $"This vehicle has no station “{name}”.")
                    );
                }
                if (body.Supersedes is { } old && d.Readings.All(r => r.Id != old))
                {
                    throw new TroubleException(
                        Trouble.At("supersedes", "The reading to be corrected is not in this job.")
                    );
                }
                if (body.Supersedes is not null && TakeIn.Blank(body.Reason) is null)
                {
                    throw new TroubleException(
                        Trouble.At(
                            "reason",
                            "Say why the first reading was wrong: both stay on the record."
                        )
                    );
                }
                var read = HeightReader.Read(
                    body.Typed,
                    body.Station ?? "",
                    body.From,
                    me.Style,
                    round.Division.In("mm"),
                    d.Vehicle,
                    Neighbours(d, round, body.Station, body.From),
                    body.Answers
                );
                if (read.Reading is not TapeReading.Understood height)
                {
                    throw new TroubleException(Trouble.Of("typed", read.Reading));
                }
                desk.Db.Put(
                    job,
                    new Reading
                    {
                        Id = body.Id,
                        WalkRoundId = round.Id,
                        Kind = ReadingKind.Height,
                        Place = new Place { Kind = PlaceKind.Station, Name = body.Station },
                        From = read.From,
                        Value = new Quantity
                        {
                            Value = UnitTable.Convert(height.Mm, "mm", height.Unit),
                            Unit = height.Unit,
                            Known = Known.Measured,
                            Typed = body.Typed,
                        },
                        Nudged = height.Nudged,
                        Answers = body.Answers,
                        PersonId = desk.PersonId,
                        TakenAt = Instants.ToMicroseconds(body.TakenAt),
                        StoredAt = desk.Now,
                        Supersedes = body.Supersedes,
                        Reason = TakeIn.Blank(body.Reason),
                    }
                );
            },
            cancel
        );

    /// <summary>Other lips of the round that were read from the same datum, mm.</summary>
    internal static double[] Neighbours(
        JobDocument d,
        WalkRound round,
        string? station,
        Datum from
    ) =>
        [
            .. d
                .Readings.Where(r =>
                    r.WalkRoundId == round.Id && r.Kind == ReadingKind.Height && r.From == from
                )
                .Where(r =>
                    r.Place.Name is { } name && name != station && Corners.All.Contains(name)
                )
                .Select(r => r.Value!.In("mm")),
        ];

    private static WalkRound Apply(WalkRound round, Conditions c) =>
        round with
        {
            Datum = c.Datum,
            Division = Division(c),
            Settled = c.Settled,
            HubMarked = c.HubMarked,
            FloorSurveyed = c.FloorSurveyed,
            Spot = TakeIn.Blank(c.Spot),
            Fuel = TakeIn.Blank(c.Fuel),
            Load = TakeIn.Blank(c.Load),
            Odometer = QuantityInput.Read(c.Odometer, "conditions.odometer", "km"),
            Notes = TakeIn.Blank(c.Notes),
        };

    private static Quantity Division(Conditions c) =>
        c.Denominator switch
        {
            1 => Quantity.Mm(1, Known.Told),
            8 or 16 or 32 => new Quantity
            {
                Value = 1.0 / c.Denominator,
                Unit = "in",
                Known = Known.Told,
            },
            _ => throw new TroubleException(
                Trouble.At(
                    "conditions.denominator",
                    "A tape is divided in eighths, sixteenths, thirty-seconds or millimetres."
                )
            ),
        };

    private static TroubleException NoRound() =>
        new(Trouble.Missing("This job has no such walk-round."));
}
