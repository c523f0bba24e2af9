using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Core.Jobs;

/// <summary>Says that a step of the card is done.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of what is made or meant.</param>
/// <param name="Step">Key of the step.</param>
/// <param name="Minutes">How long it took.</param>
/// <param name="Reason">Why it was done before a hold point.</param>
public sealed record DoStep(Guid CommandId, Guid Id, string Step, double? Minutes, string? Reason)
    : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "step done";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var plan = FittingWork.Begun(d);
        var card = Progress.CardOf(d);
        var step =
            card.Steps.FirstOrDefault(s => s.Key == Step)
            ?? throw Refuse.Value("step", "The job card has no such step.");
        if (Minutes is < 0 or > 6000)
        {
            throw Refuse.Value("minutes", "Minutes from 0 to 6000.");
        }
        var entries = d.Steps.Where(s => s.PlanId == plan.Id).ToArray();
        if (entries.FirstOrDefault(s => s.Step == step.Key) is { } done)
        {
            throw Refuse.Conflict("step", "This step is done already.", done.Id, done);
        }
        if (
            FittingRules.HoldBefore(card, entries.Select(s => s.Step).ToHashSet(), step.Key) is
            { } hold
        )
        {
            work.Pass(
                step.Where,
                $"Hold point first: {hold.Title}. {hold.Caution}",
                $"Did “{step.Title}” before the hold point.",
                Reason
            );
        }
        work.Add(
            new StepEntry
            {
                Id = Id,
                PlanId = plan.Id,
                Step = step.Key,
                Minutes = Minutes,
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
        foreach (var what in step.TakesOff)
        {
            work.Add(
                new OffLine
                {
                    Id = work.NewKey(),
                    PlanId = plan.Id,
                    Where = step.Where,
                    What = what,
                    OffBy = work.PersonId,
                    OffAt = work.Now,
                }
            );
        }
        if (step.Puts is { } position)
        {
            work.Add(
                new SupportEntry
                {
                    Id = work.NewKey(),
                    Where = "all",
                    Position = position,
                    On =
                        position == WheelPosition.OnWheels ? "its wheels"
                        : d.Job.Equipment == Equipment.TwoPostLift ? "lift arms, locks in"
                        : "stands under the frame",
                    PersonId = work.PersonId,
                    At = work.Now,
                }
            );
        }
    }
}

/// <summary>Types the spec of a joint from the service information.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The joint.</param>
/// <param name="Version">Version of the row as it was seen.</param>
/// <param name="Torque">Torque from the service information.</param>
/// <param name="Angle">Angle after the torque.</param>
/// <param name="Criterion">What to see where no wrench fits.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record SetSpec(
    Guid CommandId,
    Guid Id,
    uint Version,
    QuantityInput? Torque,
    QuantityInput? Angle,
    string? Criterion,
    string Source
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "spec of a joint typed";

    internal override void Decide(JobWork work)
    {
        var joint = FittingWork.JointOf(work.Document, Id);
        var torque = QuantityInput.Read(Torque, "torque", Unit.NewtonMetre);
        if (torque is null && TypedText.Blank(Criterion) is null)
        {
            throw Refuse.Value(
                "torque",
                "Type the torque from the service information, or what to see where no wrench fits."
            );
        }
        work.Edit(
            joint,
            Version,
            joint with
            {
                Spec = new JointSpec
                {
                    Torque = torque,
                    Angle = QuantityInput.Read(Angle, "angle", Unit.Degree),
                    Criterion = TypedText.Lines(Criterion, "criterion"),
                    Source = TypedText.Needed(
                        Source,
                        "source",
                        "Where does this value come from? Name the sheet or the page."
                    ),
                },
            }
        );
    }
}

/// <summary>Notes a pass over a joint. Passes are never overwritten.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of what is made or meant.</param>
/// <param name="JointId">The joint.</param>
/// <param name="Pass">By hand, snug or final.</param>
/// <param name="Value">Torque that was reached.</param>
/// <param name="CriterionSeen">Whether what is to be seen was seen.</param>
/// <param name="Tool">With what.</param>
/// <param name="Position">Whether the vehicle hangs or stands.</param>
/// <param name="Reason">Why a gate is passed.</param>
public sealed record TightenJoint(
    Guid CommandId,
    Guid Id,
    Guid JointId,
    Pass Pass,
    QuantityInput? Value,
    bool CriterionSeen,
    string? Tool,
    WheelPosition Position,
    string? Reason
) : JobCommand(CommandId)
{
    private string PassSaid => Pass.ToString().ToLowerInvariant();

    /// <inheritdoc/>
    public override string Does() => $"joint tightened: {PassSaid}";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var plan = FittingWork.Begun(d);
        var joint = FittingWork.JointOf(d, JointId);
        var before = d.PassesOver(joint.Id, plan.Id);
        if (FittingRules.Refusal(joint, before, Pass, Position) is { } gate)
        {
            work.Pass(joint.Place, gate, $"Recorded {PassSaid} all the same.", Reason);
        }
        work.Add(
            new TorqueEntry
            {
                Id = Id,
                JointId = joint.Id,
                PlanId = plan.Id,
                Pass = Pass,
                Value = QuantityInput.Read(Value, "value", Unit.NewtonMetre),
                CriterionSeen = CriterionSeen,
                Tool = TypedText.Blank(Tool),
                Position = Position,
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
    }
}

/// <summary>Closes a line of what came off.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The line.</param>
/// <param name="Fate">What became of it.</param>
/// <param name="Note">A few words.</param>
public sealed record CloseOffLine(Guid CommandId, Guid Id, Fate Fate, string? Note)
    : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "off-and-on line closed";

    internal override void Decide(JobWork work)
    {
        var line =
            work.Document.OffLines.FirstOrDefault(o => o.Id == Id)
            ?? throw Refuse.Gone("This job has no such line.");
        if (line.Fate is not null)
        {
            throw Refuse.Conflict("fate", "This line is closed already.", line.Id, line);
        }
        work.Replace(
            line,
            line with
            {
                Fate = Fate,
                FateNote = TypedText.Lines(Note, "note"),
                ClosedBy = work.PersonId,
                ClosedAt = work.Now,
            }
        );
    }
}

/// <summary>Leaves a joint open in writing: this vehicle has none, or it is closed elsewhere. Its line stays open; the heights are judged, with a mark.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the note.</param>
/// <param name="JointId">The joint.</param>
/// <param name="Why">Why.</param>
public sealed record LeaveJoint(Guid CommandId, Guid Id, Guid JointId, string Why)
    : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "joint left open";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var plan = FittingWork.Begun(d);
        var joint = FittingWork.JointOf(d, JointId);
        if (FittingRules.Open(joint, d.PassesOver(joint.Id, plan.Id)) is not { } open)
        {
            throw Refuse.Conflict("jointId", "This joint is closed already.", joint.Id, joint);
        }
        work.Add(
            new Deviation
            {
                Id = Id,
                Where = joint.Place,
                SheetSays = $"It is closed: {open}.",
                Did = FittingRules.LeftOpen,
                Why = TypedText.Needed(Why, "why", "Why is it left? It goes on the record."),
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
    }
}

/// <summary>Notes what was done otherwise than the sheet says, and why.</summary>
public sealed record NoteDeviation(
    Guid CommandId,
    Guid Id,
    string Where,
    string SheetSays,
    string Did,
    string Why,
    string? LookAgain
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "deviation noted";

    internal override void Decide(JobWork work) =>
        work.Add(
            new Deviation
            {
                Id = Id,
                Where = TypedText.Needed(Where, "where", "Where?"),
                SheetSays = TypedText.Needed(SheetSays, "sheetSays", "What does the sheet say?"),
                Did = TypedText.Needed(Did, "did", "What was done?"),
                Why = TypedText.Needed(Why, "why", "Why?"),
                LookAgain = TypedText.Blank(LookAgain),
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
}

/// <summary>What the commands on the fitting have in common.</summary>
internal static class FittingWork
{
    /// <summary>The plan that is being fitted.</summary>
    public static Plan Begun(JobDocument d) =>
        d.BegunPlan()
        ?? throw Refuse.Gate("plan", "The fitting has not begun: begin it in the plan.");

    /// <summary>A joint of the vehicle.</summary>
    public static Joint JointOf(JobDocument d, Guid id) =>
        d.Joints.FirstOrDefault(j => j.Id == id)
        ?? throw Refuse.Gone("This job has no such joint.");
}
