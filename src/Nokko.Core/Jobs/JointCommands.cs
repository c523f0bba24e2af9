using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Core.Jobs;

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
/// <param name="InstrumentId">The shop's wrench with which it was pulled; null where nobody names one.</param>
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
    QuantityInput? Angle = null,
    Guid? InstrumentId = null
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override IEnumerable<Guid> InstrumentsNamed() => ReadingRules.Named(InstrumentId);

    /// <inheritdoc/>
    public override string Does() => $"joint tightened: {Pass.ToString().ToLowerInvariant()}";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var plan = FittingWork.Begun(d);
        var joint = FittingWork.JointOf(d, JointId);
        var gates = new List<Gate>();
        FittingWork.Tighten(
            work,
            plan,
            joint,
            Id,
            Pass,
            new ReachedInput(JointId, Value, Angle, CriterionSeen, Tool, InstrumentId),
            Position,
            Reason,
            "value",
            gates
        );
        work.Pass(gates, Reason);
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
        if (
            FittingRules.Open(joint, d.PassesOver(joint.Id, plan.Id), d.TorqueBand())
            is not { } open
        )
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

/// <summary>Notes what holds a joint that a plan will open, before its fitting begins: threads, grades and lengths, so that what is bought fits.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the joint.</param>
/// <param name="PlanId">The plan.</param>
/// <param name="Place">The joint, as the plan's card names it.</param>
/// <param name="Fasteners">Its fasteners.</param>
public sealed record NoteJoint(
    Guid CommandId,
    Guid Id,
    Guid PlanId,
    string Place,
    IReadOnlyList<FastenerInput> Fasteners
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "bolts of a joint noted";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var plan =
            d.Plans.FirstOrDefault(p => p.Id == PlanId)
            ?? throw Refuse.Gone("This job has no such plan.");
        var joint =
            Progress.CardOf(d, plan).Joints.FirstOrDefault(j => j.Place == Place)
            ?? throw Refuse.Gone("The plan does not open this joint any more.");
        if (d.Joints.FirstOrDefault(j => j.Place == Place) is { } noted)
        {
            throw Refuse.Conflict(
                "place",
                "Somebody noted this joint meanwhile. Look at both and choose.",
                noted.Id,
                noted
            );
        }
        work.Add(
            new Joint
            {
                Id = Id,
                Where = joint.Where,
                Place = joint.Place,
                Kind = joint.Kind,
                Fasteners = [.. Fasteners.Select((f, i) => f.Read($"fasteners[{i}]"))],
                Order = joint.Order,
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
/// <param name="Grade">Grade as it is stamped on its head; null is not read.</param>
public sealed record FastenerInput(
    string Position,
    int Count,
    string? Thread,
    QuantityInput? LengthFound,
    QuantityInput? LengthNeeded,
    string? Wrench,
    bool NewPartOnly,
    string? Threadlocker,
    string? Grade = null
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
            Grade = TypedText.Line(Grade, $"{field}.grade"),
        };
}
