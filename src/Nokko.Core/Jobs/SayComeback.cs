using Nokko.Core.Plans;
using Nokko.Core.Tape;

namespace Nokko.Core.Jobs;

/// <summary>A comeback as typed.</summary>
/// <param name="For">What for.</param>
/// <param name="Words">In the owner's words.</param>
/// <param name="Cause">What it came back by; null until it is found.</param>
/// <param name="Found">What was found.</param>
public sealed record ComebackInput(
    ComebackFor? For,
    string? Words,
    ComebackCause? Cause = null,
    string? Found = null
)
{
    /// <summary>Reads it.</summary>
    /// <exception cref="RefusedException">It cannot be, at its field.</exception>
    public Comeback Read()
    {
        var what =
            For is { } said && Enum.IsDefined(said)
                ? said
                : throw Refuse.Value("comeback.for", "What does it come back for?");
        if (Cause is { } cause && !Enum.IsDefined(cause))
        {
            throw Refuse.Value("comeback.cause", "What did it come back by? Choose one.");
        }
        var words = TypedText.Lines(Words, "comeback.words");
        return what == ComebackFor.Other && words is null
            ? throw Refuse.Value("comeback.words", "What is it? A few words.")
            : new Comeback
            {
                For = what,
                Words = words,
                Cause = Cause,
                Found = TypedText.Lines(Found, "comeback.found"),
            };
    }
}

/// <summary>Says that the vehicle came back for work that was done here, or what that was; or that it did not.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Version">Version of the job's row as it was seen.</param>
/// <param name="Comeback">The comeback; null where it came for something else.</param>
public sealed record SayComeback(Guid CommandId, uint Version, ComebackInput? Comeback)
    : JobCommand(CommandId)
{
    internal const string NotHere =
        "It was not here before: there is no work of ours to come back for.";

    /// <inheritdoc/>
    public override string Does() =>
        Comeback is null ? "no comeback"
        : Comeback.Cause is null ? "came back"
        : "cause of the comeback";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        if (Comeback is not null && !WasHere(d))
        {
            throw Refuse.Value("comeback.for", NotHere);
        }
        work.Edit(d.Job, Version, d.Job with { Comeback = Comeback?.Read() });
    }

    /// <summary>Whether an earlier job of the vehicle is known.</summary>
    public static bool WasHere(JobDocument d) => d.Stages.Any(s => s.JobId != d.Job.Id);
}
