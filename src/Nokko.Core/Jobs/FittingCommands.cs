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
/// <param name="InstrumentId">The shop's wrench with which it was pulled; null where nobody names one.</param>
public sealed record ReachedInput(
    Guid JointId,
    QuantityInput? Value,
    QuantityInput? Angle,
    bool Seen,
    string? Tool,
    Guid? InstrumentId = null
);

/// <summary>Says that a step of the card is done. A closing step is done when its joints have made its pass: snug and by hand by saying so, final with what each reached.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of what is made or meant.</param>
/// <param name="Step">Key of the step.</param>
/// <param name="Minutes">How long it took.</param>
/// <param name="Reason">Why it is done although something stands against it.</param>
/// <param name="Reached">What the joints of a closing step reached.</param>
/// <param name="AgreedBy">Who of the owner's side agreed to what cannot be undone.</param>
public sealed record DoStep(
    Guid CommandId,
    Guid Id,
    string Step,
    double? Minutes,
    string? Reason,
    IReadOnlyList<ReachedInput>? Reached = null,
    [property: Personal] string? AgreedBy = null
) : JobCommand(CommandId)
{
    /// <summary>Key of the step in which another person looks the work over.</summary>
    public const string SecondEyes = "vehicle/second-eyes";

    /// <inheritdoc/>
    public override string Does() => "step done";

    /// <inheritdoc/>
    public override IEnumerable<Guid> InstrumentsNamed() =>
        (Reached ?? []).SelectMany(r => ReadingRules.Named(r.InstrumentId));

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
        var gates = Gates(work, plan, card, step, [.. entries.Select(s => s.Step)]);
        FittingWork.Close(work, plan, card, step, Reached ?? [], Reason, gates);
        work.Pass(gates, Reason);
        work.Add(
            new StepEntry
            {
                Id = Id,
                PlanId = plan.Id,
                Step = step.Key,
                Minutes = Minutes,
                Work = step.Work,
                Usual = step.Minutes,
                AgreedBy =
                    step.HoldFor == HoldReason.Irreversible ? TypedText.Blank(AgreedBy) : null,
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

    /// <summary>What stands against doing the step now, beside its joints.</summary>
    private List<Gate> Gates(
        JobWork work,
        Plan plan,
        JobCard card,
        CardStep step,
        HashSet<string> done
    )
    {
        var d = work.Document;
        var gates = new List<Gate>();
        if (FittingRules.HoldBefore(card, done, step.Key) is { } hold)
        {
            gates.Add(
                new(
                    step.Where,
                    $"Hold point first: {hold.Title}. {hold.Caution}",
                    $"Did “{step.Title}” before the hold point."
                )
            );
        }
        if (FittingRules.Skipped(card, done, step) is { } first)
        {
            gates.Add(
                new(
                    step.Where,
                    $"“{first.Title}” comes first and is not done.",
                    $"Did “{step.Title}” before “{first.Title}”."
                )
            );
        }
        if (FittingRules.MayHaveBeenMoved(d.Supports, Progress.LastWork(d, plan), work.Now))
        {
            gates.Add(
                new(
                    step.Where,
                    "Nobody has worked on it for hours: has it been moved? Look at every support on the board, and say that it stands as shown.",
                    "Went on without looking at its supports again."
                )
            );
        }
        if (
            step.HoldFor is not null
            && work.Context.LevelAsked is { } asked
            && asked.NotPassed.Contains(work.PersonId)
        )
        {
            gates.Add(
                new(
                    step.Where,
                    $"A second pair of eyes first: an apprentice’s hold point counts here once level {asked.Level} of “Level a pickup” is passed under Practice.",
                    $"“{step.Title}” confirmed by an apprentice alone."
                )
            );
        }
        if (step.HoldFor == HoldReason.Irreversible)
        {
            if (TypedText.Blank(AgreedBy) is null)
            {
                throw Refuse.Value(
                    "agreedBy",
                    "Who of the owner's side agreed? The name goes on the record, with the time."
                );
            }
            if (d.Cuts.All(c => c.PlanId != plan.Id || c.Where != step.Where))
            {
                gates.Add(
                    new(
                        step.Where,
                        "Nothing is noted of what is cut or drilled: from where, how far, which size, how many.",
                        "Cut or drilled without noting where."
                    )
                );
            }
        }
        if (step.Key == SecondEyes && Progress.Unlooked(d, plan, card) is [_, ..] unseen)
        {
            gates.Add(
                new(
                    step.Where,
                    $"Not looked over by a second person: {FittingWork.FirstOf(unseen)}.",
                    "Went on without a second pair of eyes on every joint."
                )
            );
        }
        return gates;
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
        if (FittingSchools.Questions.All(q => q.School != School))
        {
            throw Refuse.Value("school", "There is no such question.");
        }
        if (!FittingSchools.Has(School, Choice))
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
