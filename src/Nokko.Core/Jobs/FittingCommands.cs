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
        FittingWork.Close(work, plan, card, step, Reached ?? [], Reason);
        if (
            step.Key == "vehicle/second-eyes"
            && d.TorqueEntries.Any(t => t.PlanId == plan.Id && t.PersonId == work.PersonId)
        )
        {
            work.Pass(
                step.Where,
                "A second pair of eyes is another person's: you tightened joints of this card. Let somebody else sign in and look.",
                "Looked over by the person who tightened them.",
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
/// <param name="Angle">Angle that was turned after the torque.</param>
public sealed record TightenJoint(
    Guid CommandId,
    Guid Id,
    Guid JointId,
    Pass Pass,
    QuantityInput? Value,
    bool CriterionSeen,
    string? Tool,
    WheelPosition Position,
    string? Reason,
    QuantityInput? Angle = null
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => $"joint tightened: {Pass.ToString().ToLowerInvariant()}";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var plan = FittingWork.Begun(d);
        var joint = FittingWork.JointOf(d, JointId);
        FittingWork.Tighten(
            work,
            plan,
            joint,
            Id,
            Pass,
            new ReachedInput(JointId, Value, Angle, CriterionSeen, Tool),
            Position,
            Reason,
            "value"
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

    /// <summary>Stores the joints of a card that the vehicle has not yet.</summary>
    public static void AddJoints(JobWork work, JobCard card)
    {
        var known = work.Document.Joints.Select(j => j.Place).ToHashSet();
        foreach (var joint in card.Joints.Where(j => !known.Contains(j.Place)))
        {
            work.Add(
                new Joint
                {
                    Id = work.NewKey(),
                    Where = joint.Where,
                    Place = joint.Place,
                    Kind = joint.Kind,
                    Fasteners = joint.Fasteners,
                    Order = joint.Order,
                }
            );
        }
    }

    /// <summary>Makes the pass of a closing step on its joints, or refuses; and lets no weight back on what is not snug.</summary>
    public static void Close(
        JobWork work,
        Plan plan,
        JobCard card,
        CardStep step,
        IReadOnlyList<ReachedInput> reached,
        string? reason
    )
    {
        var d = work.Document;
        var position = FittingRules.Position(d.Supports, step.Where);
        if (step.HoldFor == HoldReason.WeightBack && NotSnug(d, plan, card, step) is [_, ..] loose)
        {
            work.Pass(
                step.Where,
                $"Not snug yet: {string.Join(", ", loose.Take(4))}{(loose.Count > 4 ? $" and {loose.Count - 4} more" : "")}. Nothing goes back on its wheels before it is.",
                "Let the weight back all the same.",
                reason
            );
        }
        if (step.Pass is not { } pass)
        {
            return;
        }
        var left = new List<string>();
        foreach (var (place, i) in step.Joints.Select((p, i) => (p, i)))
        {
            var joint = d.Joints.FirstOrDefault(j => j.Place == place && !j.None);
            if (joint is null || d.PassesOver(joint.Id, plan.Id).Any(e => e.Pass >= pass))
            {
                continue;
            }
            var its = reached.FirstOrDefault(r => r.JointId == joint.Id);
            if (pass == Pass.Final && its is not { Value: not null } and not { Seen: true })
            {
                left.Add(place);
                continue;
            }
            Tighten(
                work,
                plan,
                joint,
                work.NewKey(),
                pass,
                its ?? new ReachedInput(joint.Id, null, null, false, null),
                position,
                reason,
                $"reached[{reached.ToList().IndexOf(its!)}].value"
            );
        }
        if (left.Count > 0)
        {
            work.Pass(
                step.Where,
                $"Not final yet: {string.Join(", ", left.Take(4))}{(left.Count > 4 ? $" and {left.Count - 4} more" : "")}. Type what each reached, or say why it is left.",
                "Left without a final pass.",
                reason
            );
        }
    }

    /// <summary>Joints that were opened by then and are not snug: what is looked at has no such pass.</summary>
    private static IReadOnlyList<string> NotSnug(
        JobDocument d,
        Plan plan,
        JobCard card,
        CardStep step
    )
    {
        var closing = card
            .Steps.TakeWhile(s => s.Key != step.Key)
            .Where(s => s.Pass == Pass.Snug)
            .SelectMany(s => s.Joints)
            .ToHashSet();
        return
        [
            .. d
                .Joints.Where(j =>
                    closing.Contains(j.Place)
                    && !j.None
                    && d.PassesOver(j.Id, plan.Id).All(e => e.Pass < Pass.Snug)
                )
                .Select(j => j.Place),
        ];
    }

    /// <summary>Notes a pass over a joint; what stands against it is passed with a reason.</summary>
    public static void Tighten(
        JobWork work,
        Plan plan,
        Joint joint,
        Guid id,
        Pass pass,
        ReachedInput reached,
        WheelPosition position,
        string? reason,
        string field
    )
    {
        var said = pass.ToString().ToLowerInvariant();
        var before = work.Document.PassesOver(joint.Id, plan.Id);
        if (FittingRules.Refusal(joint, before, pass, position) is { } gate)
        {
            work.Pass(joint.Place, gate, $"Recorded {said} all the same.", reason);
        }
        var value = QuantityInput.Read(reached.Value, field, Unit.NewtonMetre);
        var angle = QuantityInput.Read(reached.Angle, "angle", Unit.Degree);
        string? why = null;
        if (
            pass == Pass.Final
            && joint.Spec?.Torque is { } torque
            && value is not null
            && FittingRules.OffSpec(torque, value) is { } off
        )
        {
            work.Pass(
                joint.Place,
                FormattableString.Invariant(
                    $"{joint.Place}: {Math.Abs(off):0 %} {(off < 0 ? "short of" : "over")} its spec. Pull it again, or say why it stays so."
                ),
                off < 0 ? "Left short of its spec." : "Left over its spec.",
                reason
            );
            why = TypedText.Blank(reason);
        }
        work.Add(
            new TorqueEntry
            {
                Id = id,
                JointId = joint.Id,
                PlanId = plan.Id,
                Pass = pass,
                Value = value,
                Angle = angle,
                CriterionSeen = reached.Seen,
                Why = why,
                Tool = TypedText.Blank(reached.Tool),
                Position = position,
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
    }
}

/// <summary>Puts a joint right: what holds it, its fasteners, or that this vehicle has none.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The joint.</param>
/// <param name="Version">Version of the row as it was seen.</param>
/// <param name="HeldBy">What holds it together.</param>
/// <param name="Fasteners">Its fasteners.</param>
/// <param name="Order">Order of tightening as said.</param>
/// <param name="None">Whether this vehicle has no such joint.</param>
public sealed record CorrectJoint(
    Guid CommandId,
    Guid Id,
    uint Version,
    JointKind HeldBy,
    IReadOnlyList<FastenerInput> Fasteners,
    string? Order,
    bool None
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => None ? "vehicle has no such joint" : "joint put right";

    internal override void Decide(JobWork work)
    {
        var joint = FittingWork.JointOf(work.Document, Id);
        if (!Enum.IsDefined(HeldBy))
        {
            throw Refuse.Value("heldBy", "What holds it together?");
        }
        work.Edit(
            joint,
            Version,
            joint with
            {
                Kind = HeldBy,
                Fasteners = [.. Fasteners.Select((f, i) => f.Read($"fasteners[{i}]"))],
                Order = TypedText.Blank(Order),
                None = None,
            }
        );
    }
}

/// <summary>Fasteners of a joint that are alike, as typed.</summary>
/// <param name="Position">Where they sit in the joint.</param>
/// <param name="Count">How many.</param>
/// <param name="Thread">Diameter × pitch as said.</param>
/// <param name="LengthFound">Length found.</param>
/// <param name="LengthNeeded">Length needed.</param>
/// <param name="Wrench">Wrench size as found.</param>
/// <param name="NewPartOnly">Whether it must be a new part.</param>
/// <param name="Threadlocker">Threadlocker as said; dry where nothing is.</param>
public sealed record FastenerInput(
    string Position,
    int Count,
    string? Thread,
    QuantityInput? LengthFound,
    QuantityInput? LengthNeeded,
    string? Wrench,
    bool NewPartOnly,
    string? Threadlocker
)
{
    internal Fastener Read(string field) =>
        new()
        {
            Position = TypedText.Needed(Position, $"{field}.position", "Which ones?"),
            Count = Count is > 0 and <= 200
                ? Count
                : throw Refuse.Value($"{field}.count", "From 1 to 200 of them."),
            Thread = TypedText.Blank(Thread),
            LengthFound = QuantityInput.Read(LengthFound, $"{field}.lengthFound", Unit.Mm),
            LengthNeeded = QuantityInput.Read(LengthNeeded, $"{field}.lengthNeeded", Unit.Mm),
            Wrench = TypedText.Blank(Wrench),
            NewPartOnly = NewPartOnly,
            Threadlocker = TypedText.Blank(Threadlocker),
        };
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
