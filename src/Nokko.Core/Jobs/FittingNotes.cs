using Nokko.Core.Fitting;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Core.Jobs;

/// <summary>Notes a cut or holes by dimension, before they are made.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the note.</param>
/// <param name="Where">LF, RF, LR, RR, front, rear or vehicle.</param>
/// <param name="What">What is cut, drilled or trimmed.</param>
/// <param name="How">Cut, drilled or trimmed.</param>
/// <param name="From">From where it is measured.</param>
/// <param name="Distance">How far from there.</param>
/// <param name="Size">Diameter of the holes.</param>
/// <param name="Count">How many.</param>
public sealed record NoteCut(
    Guid CommandId,
    Guid Id,
    string Where,
    string What,
    CutKind How,
    string From,
    QuantityInput? Distance,
    QuantityInput? Size,
    int Count
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "cut noted";

    internal override void Decide(JobWork work)
    {
        if (!Enum.IsDefined(How))
        {
            throw Refuse.Value("how", "Is it cut, drilled or trimmed?");
        }
        // In the order in which they are asked for.
        var what = TypedText.Needed(What, "what", "What is cut or drilled?");
        var from = TypedText.Needed(From, "from", "From where is it measured?");
        var distance =
            QuantityInput.Read(Distance, "distance", Unit.Mm)
            ?? throw Refuse.Value("distance", "How far from there?");
        var size = How == CutKind.Drill ? QuantityInput.Read(Size, "size", Unit.Mm) : null;
        if (How == CutKind.Drill && size is null)
        {
            throw Refuse.Value("size", "Which size is the hole?");
        }
        work.Add(
            new Cut
            {
                Id = Id,
                PlanId = FittingWork.Begun(work.Document).Id,
                Where = AddedPlace.Read(Where),
                What = what,
                Kind = How,
                From = from,
                Distance = distance,
                Size = size,
                Count = Count is > 0 and <= 200
                    ? Count
                    : throw Refuse.Value("count", "From 1 to 200 of them."),
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
    }
}

/// <summary>Strikes out a cut that was noted wrong, unless it was made.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the note.</param>
public sealed record DropCut(Guid CommandId, Guid Id) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "cut struck out";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var cut =
            d.Cuts.FirstOrDefault(c => c.Id == Id)
            ?? throw Refuse.Gone("This job has no such cut.");
        if (
            cut.PlanId != FittingWork.Begun(d).Id
            || Progress
                .CardOf(d)
                .Steps.Any(s =>
                    s.HoldFor == HoldReason.Irreversible
                    && s.Where == cut.Where
                    && Progress.IsDone(d, s.Key)
                )
        )
        {
            throw Refuse.Conflict(
                "id",
                "The work there is done: what was cut stays on the record. Write under “done otherwise” what it was in truth.",
                cut.Id,
                cut
            );
        }
        work.Withdraw(cut);
    }
}

/// <summary>Says that a second pair of eyes looked at a joint. Those of somebody who tightened it are no second ones.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the look.</param>
/// <param name="JointId">The joint.</param>
public sealed record LookOver(Guid CommandId, Guid Id, Guid JointId) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "joint looked over";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var plan = FittingWork.Begun(d);
        var joint = FittingWork.JointOf(d, JointId);
        if (!work.Role.Answers())
        {
            throw Refuse.Value(
                "jointId",
                $"{joint.Place}: the second pair of eyes is a fitter's. Let one sign in and look."
            );
        }
        var passes = d.PassesOver(joint.Id, plan.Id);
        if (passes.Any(p => p.PersonId == work.PersonId))
        {
            throw Refuse.Value(
                "jointId",
                $"{joint.Place}: you worked on it. A second pair of eyes is another person's: let somebody else sign in and look."
            );
        }
        if (FittingRules.Open(joint, passes, d.TorqueBand()) is { } open)
        {
            throw Refuse.Value("jointId", $"{joint.Place} is still open: {open}.");
        }
        work.Add(
            new Look
            {
                Id = Id,
                JointId = joint.Id,
                PlanId = plan.Id,
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
    }
}

/// <summary>Says, after a break, that everything stands as the board shows it: somebody looked.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the look at the first axle.</param>
public sealed record LookAtBoard(Guid CommandId, Guid Id) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "supports looked at again";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        FittingWork.Begun(d);
        SupportEntry[] now =
        [
            .. d.Supports.GroupBy(s => s.Where).Select(g => g.MaxBy(s => s.At)!).OrderBy(s => s.At),
        ];
        if (now.Length == 0)
        {
            throw Refuse.Gone("Nothing was said yet of what holds it.");
        }
        foreach (var (entry, i) in now.Select((s, i) => (s, i)))
        {
            work.Add(
                entry with
                {
                    Id = i == 0 ? Id : work.NewKey(),
                    PersonId = work.PersonId,
                    // In the order in which they were said, so that the last word stays the last.
                    At = work.Now.AddMicroseconds(i - now.Length + 1),
                }
            );
        }
    }
}
