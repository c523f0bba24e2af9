using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Fitting;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;

namespace Nokko.Server.HandOver;

/// <summary>Hands the vehicle over and keeps what is to come.</summary>
internal static class HandOverEndpoints
{
    internal sealed record FollowUpInput(
        Guid Id,
        string What,
        string? Why,
        DateOnly? DueOn,
        QuantityInput? DueAt
    );

    internal sealed record Hand(
        Guid CommandId,
        uint Version,
        QuantityInput? Odometer,
        string? OwnerNotes,
        IReadOnlyList<FollowUpInput> FollowUps
    );

    internal sealed record Done(Guid CommandId, string? Note);

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{job:guid}/hand-over", HandOver);
        jobs.MapPost("/{job:guid}/follow-ups/{id:guid}/done", FollowUpDone);
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> HandOver(
        Guid job,
        Hand body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "handed over",
            body,
            d =>
            {
                if (d.Job.HandedOverAt is not null)
                {
                    throw new TroubleException(Trouble.Gate("job", "It was handed over already."));
                }
                var odometer = QuantityInput.Read(body.Odometer, "odometer", "km");
                if (
                    odometer is not null
                    && d.Job.OdometerIn is { } before
                    && odometer.In("km") < before.In("km")
                )
                {
                    throw new TroubleException(
                        Trouble.At("odometer", "The odometer reads less than when it was taken in.")
                    );
                }
                desk.Edit(
                    d.Job,
                    body.Version,
                    d.Job with
                    {
                        HandedOverAt = desk.Now,
                        HandedOverBy = desk.PersonId,
                        OdometerOut = odometer,
                        OwnerNotes = TakeIn.Blank(body.OwnerNotes),
                    }
                );
                foreach (var (f, i) in body.FollowUps.Select((f, i) => (f, i)))
                {
                    var dueAt = QuantityInput.Read(f.DueAt, $"followUps[{i}].dueAt", "km");
                    if (f.DueOn is null && dueAt is null)
                    {
                        throw new TroubleException(
                            Trouble.At(
                                $"followUps[{i}].dueOn",
                                "Due by a day, at an odometer reading, or both."
                            )
                        );
                    }
                    desk.Db.Put(
                        job,
                        new FollowUp
                        {
                            Id = f.Id,
                            What = TakeIn.Text(
                                f.What,
                                $"followUps[{i}].what",
                                "What is to be done?"
                            ),
                            Why = TakeIn.Blank(f.Why),
                            DueOn = f.DueOn,
                            DueAt = dueAt,
                        }
                    );
                }
            },
            cancel
        );

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> FollowUpDone(
        Guid job,
        Guid id,
        Done body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "follow-up done",
            body,
            d =>
            {
                var followUp =
                    d.FollowUps.FirstOrDefault(f => f.Id == id)
                    ?? throw new TroubleException(
                        Trouble.Missing("This job has no such follow-up.")
                    );
                if (followUp.DoneAt is not null)
                {
                    throw new TroubleException(Trouble.Gate("done", "This was done already."));
                }
                desk.Amend(
                    followUp,
                    followUp with
                    {
                        DoneAt = desk.Now,
                        DoneBy = desk.PersonId,
                        Note = TakeIn.Blank(body.Note),
                    }
                );
            },
            cancel
        );
}
