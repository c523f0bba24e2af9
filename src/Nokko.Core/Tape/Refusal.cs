namespace Nokko.Core.Tape;

/// <summary>Why something cannot be taken, as a person is told.</summary>
public enum RefusalKind
{
    /// <summary>What was typed cannot be read, or cannot be.</summary>
    BadValue,

    /// <summary>It may not be done now; where the command takes a reason, a written one passes it.</summary>
    Gate,

    /// <summary>What it speaks of is not there, or not there any more.</summary>
    Gone,

    /// <summary>Somebody else changed the same thing first.</summary>
    Conflict,
}

/// <summary>Why a change is refused: the field, the sentence, and what helps to choose.</summary>
/// <param name="Kind">What sort of refusal.</param>
/// <param name="Field">Path of the field at which it is said; empty for the whole.</param>
/// <param name="Message">The sentence, in a fitter's words.</param>
public sealed record Refusal(RefusalKind Kind, string Field, string Message)
{
    /// <summary>Answers to choose from, when it is a question.</summary>
    public IReadOnlyList<TapeChoice> Choices { get; init; } = [];

    /// <summary>What else was typed that cannot be taken: whoever mends one mends all.</summary>
    public IReadOnlyList<FieldRefusal> Also { get; init; } = [];

    /// <summary>Key of the row that somebody else changed first.</summary>
    public Guid? Row { get; init; }

    /// <summary>That row as it is now.</summary>
    public object? Theirs { get; init; }

    /// <summary>The refusal of a text that was asked about or refused.</summary>
    /// <exception cref="ArgumentException">The text was understood.</exception>
    public static Refusal Of(string field, TapeReading reading) =>
        reading switch
        {
            TapeReading.Asked asked => new(RefusalKind.BadValue, field, asked.Question)
            {
                Choices = asked.Choices,
            },
            TapeReading.Refused refused => new(RefusalKind.BadValue, field, refused.Reason),
            _ => throw new ArgumentException(
                "A reading that was understood is no refusal.",
                nameof(reading)
            ),
        };
}

/// <summary>One more field that cannot be taken.</summary>
/// <param name="Field">Path of the field.</param>
/// <param name="Message">The sentence, in a fitter's words.</param>
public sealed record FieldRefusal(string Field, string Message);

/// <summary>Ends a decision: nothing of it is kept.</summary>
/// <param name="refusal">Why.</param>
public sealed class RefusedException(Refusal refusal) : Exception(refusal.Message)
{
    /// <summary>Why.</summary>
    public Refusal Refusal { get; } = refusal;
}

/// <summary>Makes refusals.</summary>
public static class Refuse
{
    /// <summary>What was typed cannot be taken.</summary>
    public static RefusedException Value(string field, string message) =>
        new(new Refusal(RefusalKind.BadValue, field, message));

    /// <summary>Reads all that was typed and refuses once, naming every field that cannot be taken.</summary>
    /// <param name="reads">Reads of one thing each.</param>
    /// <exception cref="RefusedException">Something cannot be taken: the first, with the others beside it.</exception>
    public static void AllAtOnce(params IEnumerable<Func<object?>> reads)
    {
        List<Refusal> refused = [];
        foreach (var read in reads)
        {
            try
            {
                _ = read();
            }
            catch (RefusedException e) when (e.Refusal.Kind == RefusalKind.BadValue)
            {
                refused.Add(e.Refusal);
            }
        }
        if (refused is [var first, ..])
        {
            throw new RefusedException(
                first with
                {
                    Also =
                    [
                        .. first.Also,
                        .. refused
                            .Skip(1)
                            .SelectMany(r => r.Also.Prepend(new FieldRefusal(r.Field, r.Message))),
                    ],
                }
            );
        }
    }

    /// <summary>It may not be done now.</summary>
    public static RefusedException Gate(string field, string message) =>
        new(new Refusal(RefusalKind.Gate, field, message));

    /// <summary>It is not there.</summary>
    public static RefusedException Gone(string message) =>
        new(new Refusal(RefusalKind.Gone, "", message));

    /// <summary>The same thing was changed by somebody else first.</summary>
    /// <param name="field">Field.</param>
    /// <param name="message">The sentence.</param>
    /// <param name="row">Key of what was changed.</param>
    /// <param name="theirs">It, as it is now.</param>
    public static RefusedException Conflict(
        string field,
        string message,
        Guid row,
        object? theirs
    ) => new(new Refusal(RefusalKind.Conflict, field, message) { Row = row, Theirs = theirs });
}
