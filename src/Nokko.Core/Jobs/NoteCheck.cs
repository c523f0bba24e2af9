using Nokko.Core.Proof;
using Nokko.Core.Tape;

namespace Nokko.Core.Jobs;

/// <summary>Notes whether a cause of a miss was it, once somebody has looked.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the outcome.</param>
/// <param name="WalkRoundId">The walk-round by which the plan had missed.</param>
/// <param name="Cause">The cause.</param>
/// <param name="Where">LF … RR, front, rear, left, right or vehicle.</param>
/// <param name="WasIt">Whether it was that.</param>
/// <param name="Note">What was found; may be empty, but not where it was none of the list.</param>
/// <param name="Instead">The outcome that this one takes the place of; null where there was none.</param>
public sealed record NoteCheck(
    Guid CommandId,
    Guid Id,
    Guid WalkRoundId,
    CauseKind Cause,
    string Where,
    bool WasIt,
    string? Note,
    Guid? Instead
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => WasIt ? "cause found" : "cause ruled out";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var plan = FittingWork.Begun(d);
        if (
            JobEvaluator.ProofOf(d, plan) is not { Causes: { } causes } proof
            || proof.WalkRoundId != WalkRoundId
        )
        {
            throw Refuse.Gone(
                "It was read again, or changed, meanwhile: what there is to check now stands here."
            );
        }
        if (causes.Checks.FirstOrDefault(c => c.Kind == Cause && c.Where == Where) is not { } check)
        {
            throw Refuse.Value(
                "cause",
                "That cannot be the cause on this vehicle after this work."
            );
        }
        if (check.ByReading)
        {
            throw Refuse.Value("wasIt", "Its outcome is a reading: read again, and it is weighed.");
        }
        if (Cause == CauseKind.Other && WasIt && TypedText.Blank(Note) is null)
        {
            throw Refuse.Value("note", "What was it?");
        }
        var known = d.CheckedCauses.FirstOrDefault(c =>
            c.PlanId == plan.Id
            && c.WalkRoundId == WalkRoundId
            && c.Kind == Cause
            && c.Where == Where
        );
        var row = new CheckedCause
        {
            Id = known?.Id ?? Id,
            PlanId = plan.Id,
            WalkRoundId = WalkRoundId,
            Kind = Cause,
            Where = Where,
            WasIt = WasIt,
            Note = TypedText.Lines(Note, "note"),
            PersonId = work.PersonId,
            At = work.Now,
        };
        if (known is null)
        {
            work.Add(row);
            return;
        }
        if (known.WasIt == WasIt && known.Note == row.Note)
        {
            return;
        }
        if (known.Id != Instead)
        {
            throw Refuse.Conflict(
                "version",
                $"Somebody noted meanwhile that it {(known.WasIt ? "was" : "was not")} that.",
                known.Id,
                known
            );
        }
        work.Replace(known, row);
    }
}
