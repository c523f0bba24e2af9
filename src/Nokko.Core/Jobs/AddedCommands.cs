using Nokko.Core.Fitting;
using Nokko.Core.Tape;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>Adds a joint that the card does not know: from now on it is a line of the ledger like any other. One that an earlier job added is taken up again.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the joint, should it be new.</param>
/// <param name="Where">LF, RF, LR, RR, front, rear or vehicle.</param>
/// <param name="Name">What meets what.</param>
/// <param name="HeldBy">What holds it together.</param>
/// <param name="Fasteners">Its fasteners.</param>
public sealed record AddJoint(
    Guid CommandId,
    Guid Id,
    string Where,
    string Name,
    JointKind HeldBy,
    IReadOnlyList<FastenerInput> Fasteners
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "joint added";

    internal override void Decide(JobWork work)
    {
        var plan = FittingWork.Begun(work.Document);
        var where = AddedPlace.Read(Where);
        if (!Enum.IsDefined(HeldBy))
        {
            throw Refuse.Value("heldBy", "What holds it together?");
        }
        var place = $"{where} {TypedText.Needed(Name, "name", "What meets what?")}";
        var joint = new Joint
        {
            Id = Id,
            Where = where,
            Place = place,
            Kind = HeldBy,
            Fasteners = [.. Fasteners.Select((f, i) => f.Read($"fasteners[{i}]"))],
            AddedUnder = plan.Id,
        };
        if (
            work.Document.Joints.FirstOrDefault(j =>
                string.Equals(j.Place, place, StringComparison.OrdinalIgnoreCase)
            )
            is not { } known
        )
        {
            work.Add(joint);
            return;
        }
        if (known.AddedUnder is null || known.AddedUnder == plan.Id)
        {
            throw Refuse.Value("name", "A joint of this name is there already.");
        }
        work.Replace(known, joint with { Id = known.Id, Place = known.Place, Spec = known.Spec });
    }
}

/// <summary>Adds a line of something that came off and no step names: a liner, a cap, a clip.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the line.</param>
/// <param name="Where">LF, RF, LR, RR, front, rear or vehicle.</param>
/// <param name="What">What came off.</param>
public sealed record AddOffLine(Guid CommandId, Guid Id, string Where, string What)
    : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "off-and-on line added";

    internal override void Decide(JobWork work) =>
        work.Add(
            new OffLine
            {
                Id = Id,
                PlanId = FittingWork.Begun(work.Document).Id,
                Where = AddedPlace.Read(Where),
                What = TypedText.Needed(What, "what", "What came off?"),
                OffBy = work.PersonId,
                OffAt = work.Now,
            }
        );
}

/// <summary>Puts a step of one's own on the card, behind another.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the step.</param>
/// <param name="After">Key of the step behind which it stands.</param>
/// <param name="Where">LF, RF, LR, RR, front, rear or vehicle.</param>
/// <param name="Title">What, in a few words.</param>
/// <param name="How">How.</param>
public sealed record AddStep(
    Guid CommandId,
    Guid Id,
    string After,
    string Where,
    string Title,
    string? How
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "step added";

    internal override void Decide(JobWork work)
    {
        var plan = FittingWork.Begun(work.Document);
        if (Progress.CardOf(work.Document).Steps.All(s => s.Key != After))
        {
            throw Refuse.Value("after", "The job card has no such step.");
        }
        work.Add(
            new OwnStep
            {
                Id = Id,
                PlanId = plan.Id,
                After = After,
                Where = AddedPlace.Read(Where),
                Title = TypedText.Needed(Title, "title", "What is to be done?"),
                Do = TypedText.Lines(How, "how") ?? "",
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
    }
}

/// <summary>Takes a step of one's own off the card, unless it was done.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the step.</param>
public sealed record DropStep(Guid CommandId, Guid Id) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "step taken off the card";

    internal override void Decide(JobWork work)
    {
        var own =
            work.Document.OwnSteps.FirstOrDefault(s => s.Id == Id)
            ?? throw Refuse.Gone("This job has no such step.");
        if (Progress.IsDone(work.Document, own.Step().Key))
        {
            throw Refuse.Conflict("id", "This step is done already.", own.Id, own);
        }
        work.Withdraw(own);
    }
}

/// <summary>Places to which something can be added.</summary>
internal static class AddedPlace
{
    /// <summary>A corner, an axle or the vehicle.</summary>
    /// <exception cref="RefusedException">It is none.</exception>
    public static string Read(string where) =>
        Corners.Named(where) is not null
        || where == "vehicle"
        || Corners.Axles.Any(a => a.Said() == where)
            ? where
            : throw Refuse.Value("where", "At which corner or axle, or on the vehicle?");
}
