using System.Collections.Concurrent;
using System.Text.Json;
using System.Threading.Channels;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Server.Live;

/// <summary>Something that happened in a job just now, for everybody who looks at it.</summary>
/// <param name="Job">The job.</param>
/// <param name="Kind"><c>stored</c>: a command was committed; <c>at</c>: somebody stands at a place; <c>line</c>: an instrument sent a line; <c>again</c>: something may have been missed, look anew; <see cref="Beat"/>: nothing.</param>
/// <param name="Command">The command that was stored.</param>
/// <param name="Device">The device that stands at a place, so that it does not listen to itself.</param>
/// <param name="Person">Who stands there.</param>
/// <param name="WalkRound">The walk-round.</param>
/// <param name="Place">The place.</param>
/// <param name="Line">A line as the instrument sent it.</param>
internal sealed record LiveEvent(
    Guid Job,
    string Kind,
    Guid? Command = null,
    string? Device = null,
    string? Person = null,
    Guid? WalkRound = null,
    string? Place = null,
    string? Line = null
)
{
    /// <summary>Nothing happened: it is told so that whatever stands in between takes the stream for alive, and that who is gone is found out.</summary>
    public const string Beat = "beat";
}

/// <summary>Hears what any server tells through PostgreSQL and hands it to the browsers that listen here.</summary>
internal sealed partial class LiveFeed(DatabaseRoles roles, Meters meters, ILogger<LiveFeed> log)
    : BackgroundService
{
    /// <summary>The channel of NOTIFY.</summary>
    public const string Channel = "nokko";

    /// <summary>PostgreSQL takes 8,000 bytes a notification.</summary>
    public const int MostBytes = 7_900;

    /// <summary>So long a stream is silent at most; proxies give up after a minute.</summary>
    private static readonly TimeSpan Silence = TimeSpan.FromSeconds(20);

    private readonly ConcurrentDictionary<Channel<LiveEvent>, Guid> _listeners = new();
    private readonly TaskCompletionSource _ready = new(
        TaskCreationOptions.RunContinuationsAsynchronously
    );

    /// <summary>Everything that happens in a job from now on.</summary>
    public async IAsyncEnumerable<LiveEvent> Listen(
        Guid job,
        [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken cancel
    )
    {
        // A browser that sleeps loses the oldest: it looks anew when it wakes.
        var mine = System.Threading.Channels.Channel.CreateBounded<LiveEvent>(
            new BoundedChannelOptions(256) { FullMode = BoundedChannelFullMode.DropOldest }
        );
        _listeners[mine] = job;
        meters.Hears(true);
        try
        {
            // Whoever comes may have missed something on the way; from the first word on nothing is missed.
            await _ready.Task.WaitAsync(cancel);
            yield return new LiveEvent(job, "again");
            while (true)
            {
                var told = mine.Reader.WaitToReadAsync(cancel).AsTask();
                while (!await Within(told, Silence, cancel))
                {
                    yield return new LiveEvent(job, LiveEvent.Beat);
                }
                while (mine.Reader.TryRead(out var e))
                {
                    yield return e;
                }
            }
        }
        finally
        {
            _listeners.TryRemove(mine, out _);
            meters.Hears(false);
        }
    }

    private static async Task<bool> Within(Task task, TimeSpan time, CancellationToken cancel)
    {
        try
        {
            await task.WaitAsync(time, cancel);
            return true;
        }
        catch (TimeoutException)
        {
            return false;
        }
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var pause = TimeSpan.FromSeconds(1);
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await using var connection = new NpgsqlConnection(
                    new NpgsqlConnectionStringBuilder(roles.Server)
                    {
                        KeepAlive = 20,
                        Pooling = false,
                    }.ConnectionString
                );
                connection.Notification += (_, e) => Tell(e.Payload);
                await connection.OpenAsync(stoppingToken);
                await using (var listen = new NpgsqlCommand($"LISTEN {Channel}", connection))
                {
                    await listen.ExecuteNonQueryAsync(stoppingToken);
                }
                if (!_ready.TrySetResult())
                {
                    foreach (var (listener, job) in _listeners)
                    {
                        listener.Writer.TryWrite(new LiveEvent(job, "again"));
                    }
                }
                while (true)
                {
                    await connection.WaitAsync(stoppingToken);
                }
            }
            catch (Exception e) when (e is NpgsqlException or IOException)
            {
                LogLost((e as PostgresException)?.SqlState ?? e.GetType().Name);
                await Task.Delay(pause, stoppingToken);
            }
            catch (OperationCanceledException)
            {
                return;
            }
        }
    }

    private void Tell(string payload)
    {
        if (JsonSerializer.Deserialize<LiveEvent>(payload, JobJson.Options) is not { } e)
        {
            return;
        }
        foreach (var (listener, job) in _listeners)
        {
            if (job == e.Job)
            {
                listener.Writer.TryWrite(e);
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The live feed lost the database: {Cause}")]
    private partial void LogLost(string cause);
}
