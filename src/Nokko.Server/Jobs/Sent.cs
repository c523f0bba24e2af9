using System.Security.Cryptography;
using System.Text.Json;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;

namespace Nokko.Server.Jobs;

/// <summary>One command as it came: read by itself, so that a bad one leaves the others alone.</summary>
/// <param name="CommandId">Its key, where it can be read.</param>
/// <param name="Command">The command; null when it cannot be read.</param>
/// <param name="Hash">SHA-256 of what was sent, whatever the order of its fields.</param>
/// <param name="Body">What was sent, without what says who somebody is.</param>
/// <param name="Why">Why it cannot be read.</param>
internal sealed record Sent<T>(Guid? CommandId, T? Command, string Hash, string Body, Refusal? Why)
    where T : class
{
    private const int Most = 1000;

    /// <summary>Reads a list of commands.</summary>
    /// <exception cref="RefusedException">It is no list.</exception>
    public static async Task<IReadOnlyList<Sent<T>>> Read(
        HttpRequest request,
        CancellationToken cancel
    )
    {
        try
        {
            using var body = await JsonDocument.ParseAsync(request.Body, default, cancel);
            return body.RootElement.ValueKind != JsonValueKind.Array
                    ? throw Refuse.Value("", "Commands come as a list.")
                : body.RootElement.GetArrayLength() > Most
                    ? throw Refuse.Value("", $"At most {Most} commands at once.")
                : [.. body.RootElement.EnumerateArray().Select(One)];
        }
        catch (JsonException)
        {
            throw Refuse.Value("", "This is no list of commands: it is not JSON.");
        }
    }

    /// <summary>A command that is read.</summary>
    public static Sent<T> Of(Guid key, T command) =>
        new(
            key,
            command,
            Convert.ToHexStringLower(
                SHA256.HashData(JsonSerializer.SerializeToUtf8Bytes(command, JobJson.Options))
            ),
            JsonSerializer.Serialize(command, JobJson.Log),
            null
        );

    private static Sent<T> One(JsonElement element)
    {
        var key =
            element.ValueKind == JsonValueKind.Object
            && element.TryGetProperty("commandId", out var id)
            && id.ValueKind == JsonValueKind.String
            && id.TryGetGuid(out var read)
                ? read
                : (Guid?)null;
        try
        {
            return
                element.ValueKind == JsonValueKind.Object
                && !HasGap(element)
                && element.Deserialize<T>(JobJson.Options) is { } command
                && key is { } k
                && k != Guid.Empty
                ? element.GetRawText().Contains("\\u0000", StringComparison.Ordinal)
                    ? Bad(k, "", "There is a character in it that cannot be stored.")
                    : Of(k, command)
                : Bad(key, "");
        }
        catch (Exception e)
            // What cannot be made at all, as a number that is none, throws as an argument.
            when (e
                    is JsonException
                        or NotSupportedException
                        or InvalidOperationException
                        or ArgumentException
            )
        {
            return Bad(key, (e as JsonException)?.Path?.TrimStart('$', '.') ?? "");
        }
    }

    /// <summary>Whether a list in it has a place with nothing: a row is there or it is not.</summary>
    private static bool HasGap(JsonElement element) =>
        element.ValueKind switch
        {
            JsonValueKind.Array => element
                .EnumerateArray()
                .Any(e => e.ValueKind == JsonValueKind.Null || HasGap(e)),
            JsonValueKind.Object => element.EnumerateObject().Any(p => HasGap(p.Value)),
            _ => false,
        };

    private static Sent<T> Bad(
        Guid? key,
        string field,
        string why = "This could not be read: a field is missing or has another form."
    ) => new(key, null, "", "", new Refusal(RefusalKind.BadValue, field, why));
}

/// <summary>What became of a command.</summary>
internal enum OutcomeStatus
{
    /// <summary>It is in the database.</summary>
    Stored,

    /// <summary>It was stored before, word for word; nothing changed now.</summary>
    Repeated,

    /// <summary>Nothing of it is stored.</summary>
    Refused,
}

/// <summary>What became of a command, and of whom to ask when somebody was first.</summary>
/// <param name="CommandId">Its key, where it could be read.</param>
/// <param name="Status">What became of it.</param>
/// <param name="Refusal">Why it was refused.</param>
/// <param name="By">Who changed the same thing first.</param>
/// <param name="At">When.</param>
internal sealed record Outcome(
    Guid? CommandId,
    OutcomeStatus Status,
    Refusal? Refusal = null,
    string? By = null,
    DateTimeOffset? At = null
)
{
    /// <summary>What a key's earlier use means; null where it was not used.</summary>
    public static Outcome? OfEarlier(
        Guid key,
        string hash,
        bool isHere,
        string? earlier,
        bool known
    ) =>
        !known ? null
        : isHere && earlier == hash ? new Outcome(key, OutcomeStatus.Repeated)
        : new Outcome(
            key,
            OutcomeStatus.Refused,
            new Refusal(
                RefusalKind.Conflict,
                "commandId",
                "The key of this change was used for something else. Nothing was stored: enter it again."
            )
        );
}
