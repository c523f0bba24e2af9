using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Nokko.Driving;
using Npgsql;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>A database that is away is no fault of what was sent: it is answered so, and the same key is sent again.</summary>
public class LostDatabaseTests
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task While_the_database_is_away_nothing_is_claimed_and_afterwards_it_goes_on()
    {
        await using var server = new Hosted();
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        var body = new[] { Caller.Command("storeReading", job.Reading("LF", "20 1/2")) };
        var name = new NpgsqlConnectionStringBuilder(server.Connection).Database;
        await TestCluster.FromOutside($"alter database \"{name}\" allow_connections false");
        await Cut(name!);
        foreach (
            var ask in new Func<Task<HttpResponseMessage>>[]
            {
                () => caller.Http.GetAsync("/api/yard", Cancel),
                () => caller.Http.GetAsync(job.Path, Cancel),
                () => caller.Http.PostAsJsonAsync($"{job.Path}/commands", body, Cancel),
            }
        )
        {
            using var away = await ask();
            Assert.Equal(503, (int)away.StatusCode);
            Assert.NotNull(away.Headers.RetryAfter);
            Assert.Contains(
                "We do not know whether this was stored",
                await away.Content.ReadAsStringAsync(Cancel),
                StringComparison.Ordinal
            );
        }
        // The server lives, and is not ready.
        using (var lives = await caller.Http.GetAsync("/livez", Cancel))
        {
            Assert.Equal(200, (int)lives.StatusCode);
        }
        using (var ready = await caller.Http.GetAsync("/healthz", Cancel))
        {
            Assert.Equal(503, (int)ready.StatusCode);
        }
        await TestCluster.FromOutside($"alter database \"{name}\" allow_connections true");
        for (var i = 0; i < 2; i++)
        {
            using var back = await caller.Http.PostAsJsonAsync(
                $"{job.Path}/commands",
                body,
                Cancel
            );
            Assert.Equal(200, (int)back.StatusCode);
        }
        Assert.Single((await caller.Get(job.Path))["document"]!["readings"]!.AsArray());
    }

    [Theory]
    [Trait("Trial", "long")]
    [InlineData("Host=127.0.0.1;Port=1", "PostgreSQL cannot be reached")]
    [InlineData(
        "Username=nobody_of_that_name;Password=wrong",
        "PostgreSQL refused what Nokko needs at its start"
    )]
    public async Task A_start_without_its_database_says_in_a_sentence_what_is_missing(
        string wrong,
        string sentence
    )
    {
        var connection = new NpgsqlConnectionStringBuilder(TestCluster.On("not_there"));
        foreach (var part in wrong.Split(';'))
        {
            connection[part.Split('=')[0]] = part.Split('=')[1];
        }
        var said = await Assert.ThrowsAsync<InvalidOperationException>(() =>
            ServerProcess.Beside(connection.ConnectionString)
        );
        Assert.Contains(sentence, said.Message, StringComparison.Ordinal);
        Assert.DoesNotContain("Unhandled exception", said.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_connection_that_is_cut_in_the_middle_never_breaks_a_request()
    {
        await using var server = new Hosted();
        var caller = await server.SignIn();
        var name = new NpgsqlConnectionStringBuilder(server.Connection).Database!;
        using var over = CancellationTokenSource.CreateLinkedTokenSource(Cancel);
        var cutting = Task.Run(
            async () =>
            {
                while (!over.IsCancellationRequested)
                {
                    await Cut(name);
                }
            },
            Cancel
        );
        var answers = new List<int>();
        for (var i = 0; i < 60; i++)
        {
            using var answer = await caller.Http.GetAsync("/api/yard?find=ost", Cancel);
            answers.Add((int)answer.StatusCode);
        }
        await over.CancelAsync();
        await cutting;
        Assert.All(answers, a => Assert.True(a is 200 or 503, $"answered {a}"));
        Assert.Contains(503, answers);
    }

    [Fact]
    public async Task A_save_whose_connection_was_cut_is_tried_again_and_stored_once()
    {
        await using var server = new Hosted();
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        var name = new NpgsqlConnectionStringBuilder(server.Connection).Database!;
        var saves = new List<JsonObject>();
        for (var i = 1; i <= 8; i++)
        {
            saves.Add(Caller.Command("storeReading", job.Reading("LF", $"20 {i}/16")));
            // The database was started anew: whatever the server holds of connections is dead, and it does not know yet.
            await Cut(name);
            using var answer = await caller.Http.PostAsJsonAsync(
                $"{job.Path}/commands",
                saves[^1..],
                Cancel
            );
            Assert.Equal(200, (int)answer.StatusCode);
        }
        // Sent once more with its key, none is stored twice.
        await caller.Commands(job.Path, [.. saves]);
        Assert.Equal(
            saves.Select(s => s["id"]!.GetValue<Guid>()).Order(),
            (await caller.Get(job.Path))["document"]!["readings"]!
                .AsArray()
                .Select(r => r!["id"]!.GetValue<Guid>())
                .Order()
        );
    }

    [Theory]
    [InlineData("53100", "no room left on its disk")]
    [InlineData("53300", "asked by too many at once")]
    public async Task A_database_without_room_says_that_nothing_was_stored(
        string state,
        string says
    )
    {
        await using var server = new Hosted();
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await server.Ask<int>(
            $"""
            create function no_room() returns trigger language plpgsql
              as $f$ begin raise exception 'no' using errcode = '{state}'; end $f$;
            create trigger no_room before insert on readings execute function no_room();
            select 1
            """
        );
        var body = new[] { Caller.Command("storeReading", job.Reading("LF", "20 1/2")) };
        using (var refused = await Post())
        {
            Assert.Equal(503, (int)refused.StatusCode);
            Assert.NotNull(refused.Headers.RetryAfter);
            var said = await refused.Content.ReadAsStringAsync(Cancel);
            Assert.Contains(says, said, StringComparison.Ordinal);
            Assert.Contains("Nothing of this was stored", said, StringComparison.Ordinal);
        }
        Assert.Empty((await caller.Get(job.Path))["document"]!["readings"]!.AsArray());
        await server.Ask<int>("drop trigger no_room on readings; select 1");
        using (var stored = await Post())
        {
            Assert.Equal(200, (int)stored.StatusCode);
        }
        Assert.Single((await caller.Get(job.Path))["document"]!["readings"]!.AsArray());

        Task<HttpResponseMessage> Post() =>
            caller.Http.PostAsJsonAsync($"{job.Path}/commands", body, Cancel);
    }

    private static Task Cut(string name) =>
        TestCluster.FromOutside(
            $"select pg_terminate_backend(pid) from pg_stat_activity where datname = '{name}'"
        );
}
