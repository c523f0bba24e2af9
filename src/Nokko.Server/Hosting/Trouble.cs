using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Tape;

namespace Nokko.Server.Hosting;

/// <summary>Why a request was refused: the field, the sentence, and a question when there is one.</summary>
internal sealed record Trouble(
    int Status,
    string Field,
    string Message,
    IReadOnlyList<TapeChoice>? Choices = null,
    object? Theirs = null,
    IReadOnlyList<FieldRefusal>? Also = null
)
{
    /// <summary>Something that was typed cannot be taken.</summary>
    public static Trouble At(string field, string message) =>
        new(StatusCodes.Status422UnprocessableEntity, field, message);

    /// <summary>A gate: it may be passed with a written reason, where the endpoint takes one.</summary>
    public static Trouble Gate(string field, string message) =>
        new(StatusCodes.Status409Conflict, field, message);

    /// <summary>What is asked for is not there.</summary>
    public static Trouble Missing(string what) => new(StatusCodes.Status404NotFound, "", what);

    /// <summary>The answer to a refusal of the core.</summary>
    public static Trouble Of(Refusal refusal) =>
        new(
            refusal.Kind switch
            {
                RefusalKind.BadValue => StatusCodes.Status422UnprocessableEntity,
                RefusalKind.Gone => StatusCodes.Status404NotFound,
                _ => StatusCodes.Status409Conflict,
            },
            refusal.Field,
            refusal.Message,
            refusal.Choices,
            refusal.Theirs,
            refusal.Also
        );

    /// <summary>The answer over HTTP.</summary>
    public ProblemHttpResult Answer() =>
        TypedResults.Problem(
            detail: Message,
            statusCode: Status,
            title: Status switch
            {
                404 => "Not found",
                409 => "Not now",
                _ => "Look again",
            },
            extensions: new Dictionary<string, object?>
            {
                ["field"] = Field,
                ["choices"] = Choices,
                ["theirs"] = Theirs,
                ["also"] = Also,
            }
        );
}
