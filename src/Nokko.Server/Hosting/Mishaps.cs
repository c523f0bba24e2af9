using Microsoft.AspNetCore.Diagnostics;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;
using Npgsql;

namespace Nokko.Server.Hosting;

/// <summary>What is answered when a request ends in an exception: what is known of what was sent, in a sentence. What is told so is no fault of the code, and no stack of calls is logged of it.</summary>
internal static partial class Mishaps
{
    /// <summary>How soon it is worth asking again, seconds.</summary>
    private const string Soon = "2";

    /// <summary>Whether an exception is answered with what is known: the sender or the database is meant, not the code.</summary>
    public static bool IsTold(Exception? exception) =>
        exception is BadHttpRequestException
        || IsNoText(exception)
        || OfDatabase(exception) is not null;

    /// <summary>Answers a request that ended in an exception.</summary>
    public static Task Answer(HttpContext context)
    {
        var mishap = context.Features.Get<IExceptionHandlerFeature>();
        var exception = mishap?.Error;
        var trouble = exception switch
        {
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } =>
                new Trouble(
                    StatusCodes.Status413PayloadTooLarge,
                    "$",
                    "That is more than can be taken here. Nothing of it was read."
                ),
            BadHttpRequestException bad => new Trouble(
                bad.StatusCode,
                "",
                "The request could not be read: a field is missing or has another form."
            ),
            _ when IsNoText(exception) => Trouble.At(
                "",
                "There is a character in it that cannot be stored."
            ),
            _ when OfDatabase(exception) is { } cause => Lost(context, mishap?.Endpoint, cause),
            _ => new Trouble(
                StatusCodes.Status500InternalServerError,
                "",
                "Something broke on the server. Nothing was stored by this request; what you typed is still here. Try again."
            ),
        };
        return trouble.Answer().ExecuteAsync(context);
    }

    private static bool IsNoText(Exception? exception) =>
        exception
            is PostgresException { SqlState: "22021" or "22P05" }
                or DbUpdateException
                {
                    InnerException: PostgresException { SqlState: "22021" or "22P05" }
                };

    /// <summary>Classes of what PostgreSQL says that pass: the connection, a standby, a race, no room, a lock, a shutdown, the machine. Any other is a slip of the code.</summary>
    private static readonly string[] Passing = ["08", "25", "40", "53", "55", "57", "58"];

    /// <summary>What the database said, or that it said nothing; null where it is not meant. What may pass by itself, a query wraps once more, and what was tried again in vain, too.</summary>
    private static NpgsqlException? OfDatabase(Exception? exception) =>
        exception switch
        {
            PostgresException said => Passing.Contains(said.SqlState[..2]) ? said : null,
            NpgsqlException silent => silent,
            DbUpdateException or InvalidOperationException or RetryLimitExceededException =>
                OfDatabase(exception.InnerException),
            _ => null,
        };

    /// <summary>The database is away or has no room: whatever was sent is sent again with the same key.</summary>
    private static Trouble Lost(HttpContext context, Endpoint? endpoint, NpgsqlException cause)
    {
        var services = context.RequestServices;
        services.GetRequiredService<Meters>().Lost();
        Away(
            services.GetRequiredService<ILoggerFactory>().CreateLogger(typeof(Mishaps).FullName!),
            context.Request.Method,
            endpoint?.DisplayName,
            cause.SqlState ?? cause.InnerException?.GetType().Name ?? "no answer"
        );
        context.Response.Headers.RetryAfter = Soon;
        return new Trouble(
            StatusCodes.Status503ServiceUnavailable,
            "",
            cause.SqlState switch
            {
                PostgresErrorCodes.DiskFull =>
                    "The database has no room left on its disk. Nothing of this was stored; it is sent again with the same key. Whoever looks after the server must make room.",
                PostgresErrorCodes.TooManyConnections =>
                    "The database is asked by too many at once. Nothing of this was stored; it is sent again with the same key.",
                _ =>
                    "The database does not answer. We do not know whether this was stored; it is sent again with the same key.",
            }
        );
    }

    [LoggerMessage(
        Level = LogLevel.Warning,
        Message = "The database was not there for {Method} {Endpoint}: {Cause}"
    )]
    private static partial void Away(ILogger log, string method, string? endpoint, string cause);
}
