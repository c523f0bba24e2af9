using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;

namespace Nokko.Server.Fitting;

/// <summary>Writes the ledgers while the hands work.</summary>
internal static class FittingEndpoints
{
    internal sealed record DoStep(
        Guid CommandId,
        Guid Id,
        string Step,
        double? Minutes,
        string? Reason
    );

    internal sealed record EditSpec(
        Guid CommandId,
        uint Version,
        QuantityInput? Torque,
        QuantityInput? Angle,
        string? Criterion,
        string Source
    );

    internal sealed record Tighten(
        Guid CommandId,
        Guid Id,
        Guid JointId,
        Pass Pass,
        QuantityInput? Value,
        bool CriterionSeen,
        string? Tool,
        WheelPosition Position,
        string? Reason
    );

    internal sealed record CloseLine(Guid CommandId, Fate Fate, string? Note);

    internal sealed record AddDeviation(
        Guid CommandId,
        Guid Id,
        string Where,
        string SheetSays,
        string Did,
        string Why,
        string? LookAgain
    );

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{job:guid}/steps", Step);
        jobs.MapPut("/{job:guid}/joints/{id:guid}/spec", Spec);
        jobs.MapPost("/{job:guid}/torque-entries", Torque);
        jobs.MapPost("/{job:guid}/off-lines/{id:guid}/close", Close);
        jobs.MapPost("/{job:guid}/deviations", Deviate);
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Step(
        Guid job,
        DoStep body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "step done",
            body,
            d =>
            {
                var plan = Begun(d);
                var card = Progress.CardOf(d);
                var step =
                    card.Steps.FirstOrDefault(s => s.Key == body.Step)
                    ?? throw new TroubleException(
                        Trouble.At("step", "The job card has no such step.")
                    );
                if (body.Minutes is < 0 or > 6000)
                {
                    throw new TroubleException(Trouble.At("minutes", "Minutes from 0 to 6000."));
                }
                var done = d.Steps.Where(s => s.PlanId == plan.Id).Select(s => s.Step).ToHashSet();
                if (FittingRules.HoldBefore(card, done, step.Key) is { } hold)
                {
                    Pass(
                        desk,
                        d,
                        step.Where,
                        $"Hold point first: {hold.Title}. {hold.Caution}",
                        $"Did “{step.Title}” before the hold point.",
                        body.Reason
                    );
                }
                desk.Db.Put(
                    job,
                    new StepEntry
                    {
                        Id = body.Id,
                        PlanId = plan.Id,
                        Step = step.Key,
                        Minutes = body.Minutes,
                        PersonId = desk.PersonId,
                        At = desk.Now,
                    }
                );
                foreach (var what in step.TakesOff)
                {
                    desk.Db.Put(
                        job,
                        new OffLine
                        {
                            Id = Guid.CreateVersion7(desk.Now),
                            PlanId = plan.Id,
                            Where = step.Where,
                            What = what,
                            OffBy = desk.PersonId,
                            OffAt = desk.Now,
                        }
                    );
                }
                if (step.Puts is { } position)
                {
                    desk.Db.Put(
                        job,
                        new SupportEntry
                        {
                            Id = Guid.CreateVersion7(desk.Now),
                            Where = "all",
                            Position = position,
                            On =
                                position == WheelPosition.OnWheels ? "its wheels"
                                : d.Job.Equipment == Equipment.TwoPostLift ? "lift arms, locks in"
                                : "stands under the frame",
                            PersonId = desk.PersonId,
                            At = desk.Now,
                        }
                    );
                }
            },
            cancel
        );

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Spec(
        Guid job,
        Guid id,
        EditSpec body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "spec of a joint typed",
            body,
            d =>
            {
                var joint = Joint(d, id);
                var torque = QuantityInput.Read(body.Torque, "torque", "N·m");
                if (torque is null && TakeIn.Blank(body.Criterion) is null)
                {
                    throw new TroubleException(
                        Trouble.At(
                            "torque",
                            "Type the torque from the service information, or what to see where no wrench fits."
                        )
                    );
                }
                desk.Edit(
                    joint,
                    body.Version,
                    joint with
                    {
                        Spec = new JointSpec
                        {
                            Torque = torque,
                            Angle = QuantityInput.Read(body.Angle, "angle", "°"),
                            Criterion = TakeIn.Blank(body.Criterion),
                            Source = TakeIn.Text(
                                body.Source,
                                "source",
                                "Where does this value come from? Name the sheet or the page."
                            ),
                        },
                    }
                );
            },
            cancel
        );

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Torque(
        Guid job,
        Tighten body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            $"joint tightened: {body.Pass.ToString().ToLowerInvariant()}",
            body,
            d =>
            {
                var plan = Begun(d);
                var joint = Joint(d, body.JointId);
                var before = d
                    .TorqueEntries.Where(t => t.JointId == joint.Id && t.PlanId == plan.Id)
                    .OrderBy(t => t.At)
                    .ThenBy(t => t.Id)
                    .ToArray();
                if (FittingRules.Refusal(joint, before, body.Pass, body.Position) is { } refusal)
                {
                    Pass(
                        desk,
                        d,
                        joint.Place,
                        refusal,
                        $"Recorded {body.Pass.ToString().ToLowerInvariant()} all the same.",
                        body.Reason
                    );
                }
                desk.Db.Put(
                    job,
                    new TorqueEntry
                    {
                        Id = body.Id,
                        JointId = joint.Id,
                        PlanId = plan.Id,
                        Pass = body.Pass,
                        Value = QuantityInput.Read(body.Value, "value", "N·m"),
                        CriterionSeen = body.CriterionSeen,
                        Tool = TakeIn.Blank(body.Tool),
                        Position = body.Position,
                        PersonId = desk.PersonId,
                        At = desk.Now,
                    }
                );
            },
            cancel
        );

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Close(
        Guid job,
        Guid id,
        CloseLine body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "off-and-on line closed",
            body,
            d =>
            {
                var line =
                    d.OffLines.FirstOrDefault(o => o.Id == id)
                    ?? throw new TroubleException(Trouble.Missing("This job has no such line."));
                if (line.Fate is not null)
                {
                    throw new TroubleException(
                        Trouble.Gate("fate", "This line is closed already.")
                    );
                }
                desk.Amend(
                    line,
                    line with
                    {
                        Fate = body.Fate,
                        FateNote = TakeIn.Blank(body.Note),
                        ClosedBy = desk.PersonId,
                        ClosedAt = desk.Now,
                    }
                );
            },
            cancel
        );

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> Deviate(
        Guid job,
        AddDeviation body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "deviation noted",
            body,
            d =>
            {
                desk.Db.Put(
                    job,
                    new Deviation
                    {
                        Id = body.Id,
                        Where = TakeIn.Text(body.Where, "where", "Where?"),
                        SheetSays = TakeIn.Text(
                            body.SheetSays,
                            "sheetSays",
                            "What does the sheet say?"
                        ),
                        Did = TakeIn.Text(body.Did, "did", "What was done?"),
                        Why = TakeIn.Text(body.Why, "why", "Why?"),
                        LookAgain = TakeIn.Blank(body.LookAgain),
                        PersonId = desk.PersonId,
                        At = desk.Now,
                    }
                );
            },
            cancel
        );

    /// <summary>Passes a gate with a written reason, which becomes a deviation; without one the act is refused.</summary>
    private static void Pass(
        JobDesk desk,
        JobDocument d,
        string where,
        string gate,
        string did,
        string? reason
    )
    {
        if (TakeIn.Blank(reason) is not { } why)
        {
            throw new TroubleException(Trouble.Gate("reason", gate));
        }
        desk.Db.Put(
            d.Job.Id,
            new Deviation
            {
                Id = Guid.CreateVersion7(desk.Now),
                Where = where,
                SheetSays = gate,
                Did = did,
                Why = why,
                LookAgain = "at the hand-over",
                PersonId = desk.PersonId,
                At = desk.Now,
            }
        );
    }

    private static Plan Begun(JobDocument d) =>
        d.BegunPlan()
        ?? throw new TroubleException(
            Trouble.Gate("plan", "The fitting has not begun: begin it in the plan.")
        );

    private static Joint Joint(JobDocument d, Guid id) =>
        d.Joints.FirstOrDefault(j => j.Id == id)
        ?? throw new TroubleException(Trouble.Missing("This job has no such joint."));
}
