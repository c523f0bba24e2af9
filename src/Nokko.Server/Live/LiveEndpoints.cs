using System.Net.ServerSentEvents;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Bay;
using Nokko.Core.Jobs;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Live;

/// <summary>What happens in a job, as it happens: what others store, where they stand, what instruments send.</summary>
internal static class LiveEndpoints
{
    private const int MostBytes = 64 * 1024;

    /// <summary>Where a person stands with the tape.</summary>
    internal sealed record Standing(string Device, Guid WalkRoundId, string Place);

    /// <summary>Lines that were taken, and for the others why not.</summary>
    internal sealed record LinesTaken(int Lines, IReadOnlyList<LineProblem> Problems);

    internal sealed record LineProblem(int Line, string Why);

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapGet("/{job:guid}/live", Listen).ExcludeFromDescription();
        jobs.MapPost("/{job:guid}/live/standing", Stand);
        jobs.MapPost("/{job:guid}/live/lines", TakeLines).Accepts<string>("text/plain");
    }

    private static async Task<Results<ServerSentEventsResult<LiveEvent>, ProblemHttpResult>> Listen(
        Guid job,
        NokkoDb db,
        LiveFeed feed,
        IHostApplicationLifetime life,
        HttpContext context,
        Sessions sessions,
        CancellationToken cancel
    )
    {
        if (!await db.Jobs.AnyAsync(j => j.Id == job, cancel))
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        return TypedResults.ServerSentEvents(
            Until(feed.Listen(job, sessions.WhileSignedIn(context, Either(life, context, cancel))))
        );
    }

    /// <summary>Ends with the request or with the server, whichever comes first.</summary>
    internal static CancellationToken Either(
        IHostApplicationLifetime life,
        HttpContext context,
        CancellationToken cancel
    )
    {
        var both = CancellationTokenSource.CreateLinkedTokenSource(
            life.ApplicationStopping,
            cancel
        );
        context.Response.RegisterForDispose(both);
        return both.Token;
    }

    /// <summary>A stream that ends quietly when it is cancelled.</summary>
    internal static async IAsyncEnumerable<T> Until<T>(IAsyncEnumerable<T> source)
    {
        await using var items = source.GetAsyncEnumerator();
        while (true)
        {
            try
            {
                if (!await items.MoveNextAsync())
                {
                    yield break;
                }
            }
            catch (OperationCanceledException)
            {
                yield break;
            }
            yield return items.Current;
        }
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Stand(
        Guid job,
        Standing body,
        NokkoDb db,
        SignedIn me,
        CancellationToken cancel
    )
    {
        if (!await db.Jobs.AnyAsync(j => j.Id == job, cancel))
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        await Notify(
            db,
            new LiveEvent(
                job,
                "at",
                Device: Short(body.Device),
                Person: me.Name,
                WalkRound: body.WalkRoundId,
                Place: Short(body.Place)
            ),
            cancel
        );
        return TypedResults.NoContent();
    }

    /// <summary>Lines of the open format from any instrument; they are shown, and stored only when a person stores them.</summary>
    private static async Task<Results<Ok<LinesTaken>, ProblemHttpResult>> TakeLines(
        Guid job,
        HttpRequest request,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (!await db.Jobs.AnyAsync(j => j.Id == job, cancel))
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        if (request.ContentLength is > MostBytes)
        {
            return Trouble.At("$", "That is more than 64 kB of lines.").Answer();
        }
        using var reader = new StreamReader(request.Body);
        var problems = new List<LineProblem>();
        var (number, taken, length) = (0, 0, 0);
        while (await reader.ReadLineAsync(cancel) is { } text)
        {
            number++;
            length += text.Length;
            if (length > MostBytes)
            {
                return Trouble.At("$", "That is more than 64 kB of lines.").Answer();
            }
            if (text.Length == 0 || text[0] == '#')
            {
                continue;
            }
            var (line, why) = BayLine.Parse(text);
            if (line is null)
            {
                problems.Add(new LineProblem(number, why!));
                continue;
            }
            await Notify(db, new LiveEvent(job, "line", Line: line.ToString()), cancel);
            taken++;
        }
        return TypedResults.Ok(new LinesTaken(taken, problems));
    }

    private static string Short(string text) => text.Length <= 80 ? text : text[..80];

    private static async Task Notify(NokkoDb db, LiveEvent e, CancellationToken cancel)
    {
        var payload = JsonSerializer.Serialize(e, JobJson.Options);
        if (System.Text.Encoding.UTF8.GetByteCount(payload) <= LiveFeed.MostBytes)
        {
            await db.Database.ExecuteSqlAsync(
                $"SELECT pg_notify({LiveFeed.Channel}, {payload})",
                cancel
            );
        }
    }
}
