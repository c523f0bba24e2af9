using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Core.Jobs;

/// <summary>What a joint reached in a closing step.</summary>
/// <param name="JointId">The joint.</param>
/// <param name="Value">Torque that was reached.</param>
/// <param name="Angle">Angle that was turned after it.</param>
/// <param name="Seen">Whether what is to be seen was seen.</param>
/// <param name="Tool">With what.</param>
public sealed record ReachedInput(
    Guid JointId,
    QuantityInput? Value,
    QuantityInput? Angle,
    bool Seen,
    string? Tool
);

/// <summary>Says that a step of the card is done. A closing step is done when its joints have made its pass: snug and by hand by saying so, final with what each reached.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of what is made or meant.</param>
/// <param name="Step">Key of the step.</param>
/// <param name="Minutes">How long it took.</param>
/// <param name="Reason">Why it is done although something stands against it.</param>
/// <param name="Reached">What the joints of a closing step reached.</param>
public sealed record DoStep(
    Guid CommandId,
    Guid Id,
    string Step,
    double? Minutes,
    string? Reason,
    IReadOnlyList<ReachedInput>? Reached = null
) : JobCommand(CommandId)
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
        var gates = new List<Gate>();
        if (
            FittingRules.HoldBefore(card, entries.Select(s => s.Step).ToHashSet(), step.Key) is
            { } hold
        )
        {
            gates.Add(
                new(
                    step.Where,
                    $"Hold point first: {hold.Title}. {hold.Caution}",
                    $"Did “{step.Title}” before the hold point."
                )
            );
        }
        FittingWork.Close(work, plan, card, step, Reached ?? [], Reason, gates);
        if (
            step.Key == "vehicle/second-eyes"
            && d.TorqueEntries.Any(t => t.PlanId == plan.Id && t.PersonId == work.PersonId)
        )
        {
            gates.Add(
                new(
                    step.Where,
                    "A second pair of eyes is another person's: you tightened joints of this card. Let somebody else sign in and look.",
                    "Looked over by the person who tightened them."
                )
            );
        }
        work.Pass(gates, Reason);
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
                    Where = step.Where == "vehicle" ? "all" : step.Where,
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

/// <summary>Chooses a way that good fitters differ on, for this job; the card follows.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the choice.</param>
/// <param name="School">The question.</param>
/// <param name="Choice">The way.</param>
/// <param name="Why">Why.</param>
public sealed record ChooseSchool(
    Guid CommandId,
    Guid Id,
    string School,
    string Choice,
    string? Why
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "way of fitting chosen";

    internal override void Decide(JobWork work)
    {
        var question =
            FittingSchools.Questions.FirstOrDefault(q => q.School == School)
            ?? throw Refuse.Value("school", "There is no such question.");
        if (question.Ways.All(w => w.Choice != Choice))
        {
            throw Refuse.Value("choice", "Choose one of the ways.");
        }
        var choice = new SchoolChoice
        {
            Id = Id,
            School = School,
            Choice = Choice,
            Why = TypedText.Lines(Why, "why"),
            PersonId = work.PersonId,
        };
        work.Add(choice);
        if (work.Document.BegunPlan() is { } plan)
        {
            FittingWork.AddJoints(
                work,
                Progress.CardOf(
                    work.Document with
                    {
                        Schools = [.. work.Document.Schools, choice],
                    },
                    plan
                )
            );
        }
    }
}
