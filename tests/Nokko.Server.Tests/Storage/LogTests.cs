using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Nokko.Driving;
using Npgsql;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What the log says: a JSON object a line, no stack of calls where something was only refused or the database away, and nobody's name.</summary>
public class LogTests
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Refusals_are_no_errors_and_a_lost_database_is_a_line_without_anybody_in_it()
    {
        await using var first = new Hosted();
        using var console = new Listening();
        await using var server = Hosted.OnDatabase(
            first.Connection,
            ("Nokko:Log", "json"),
            ("Serilog:MinimumLevel:Default", "Warning")
        );
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await caller.Do(job.Path, "storeReading", job.Reading("LF", "2 7.8"), 422);
        using (
            var torn = await caller.Http.PostAsync(
                $"{job.Path}/commands",
                new StringContent("[{", null, "application/json"),
                Cancel
            )
        )
        {
            Assert.InRange((int)torn.StatusCode, 400, 499);
        }
        var name = new NpgsqlConnectionStringBuilder(first.Connection).Database;
        await TestCluster.FromOutside($"alter database \"{name}\" allow_connections false");
        await TestCluster.FromOutside(
            $"select pg_terminate_backend(pid) from pg_stat_activity where datname = '{name}'"
        );
        using (
            var away = await caller.Http.PostAsJsonAsync(
                $"{job.Path}/commands",
                new[] { Caller.Command("storeReading", job.Reading("LF", "20 1/2")) },
                Cancel
            )
        )
        {
            Assert.Equal(503, (int)away.StatusCode);
        }
        await TestCluster.FromOutside($"alter database \"{name}\" allow_connections true");
        var lines = console
            .Lines()
            .Where(l => l[0] == '{')
            .Select(l => JsonNode.Parse(l)!.AsObject())
            .ToArray();
        var lost = lines.Where(l =>
            l["@mt"]!
                .GetValue<string>()
                .StartsWith("The database was not there", StringComparison.Ordinal)
        );
        Assert.Contains(lost, l => l["Method"]?.GetValue<string>() == "POST");
        Assert.All(lost, l => Assert.Null(l["@x"]));
        // What others say of a connection that is gone may be a warning; an error is what somebody must mend.
        Assert.DoesNotContain(lines, l => l["@l"]?.GetValue<string>() is "Error" or "Fatal");
        foreach (var secret in (string[])["A. Nother", "TT 1", "20 1/2", "2 7.8", "stance-42"])
        {
            Assert.DoesNotContain(
                lines,
                l => l.ToJsonString().Contains(secret, StringComparison.OrdinalIgnoreCase)
            );
        }
    }

    /// <summary>Hears what is written on the console, and hands on at its end what others wrote.</summary>
    private sealed class Listening : IDisposable
    {
        private readonly TextWriter _console = Console.Out;
        private readonly StringWriter _written = new();

        public Listening() => Console.SetOut(TextWriter.Synchronized(_written));

        public string[] Lines() =>
            _written.ToString().Split('\n', StringSplitOptions.RemoveEmptyEntries);

        public void Dispose()
        {
            Console.SetOut(_console);
            foreach (var line in Lines().Where(l => l[0] != '{'))
            {
                _console.WriteLine(line);
            }
        }
    }
}
