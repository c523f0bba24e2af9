using System.Net.Http.Json;
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
        await Elsewhere($"alter database \"{name}\" allow_connections false");
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
        await Elsewhere($"alter database \"{name}\" allow_connections true");
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

    private static Task Cut(string name) =>
        Elsewhere(
            $"select pg_terminate_backend(pid) from pg_stat_activity where datname = '{name}'"
        );

    private static async Task Elsewhere(string sql)
    {
        await using var open = new NpgsqlConnection(TestCluster.On("postgres"));
        await open.OpenAsync(Cancel);
        await using var command = new NpgsqlCommand(sql, open);
        await command.ExecuteNonQueryAsync(Cancel);
    }
}
