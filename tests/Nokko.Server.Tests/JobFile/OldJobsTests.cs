using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Old jobs come in as a table: looked at, then stored, once.</summary>
public class OldJobsTests(Hosted server) : IClassFixture<Hosted>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static async Task<(string Head, string Line)> Table(Caller caller)
    {
        var lines = (await caller.Http.GetStringAsync("/api/old-jobs.csv", Cancel)).Split(
            '\n',
            StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries
        );
        return (lines[0], lines[1]);
    }

    [Fact]
    public async Task The_empty_table_s_own_line_comes_in_once_and_teaches_its_lift_line()
    {
        var caller = await server.SignIn();
        var (head, line) = await Table(caller);
        var mine = line.Replace("SV 1 A", $"OJ {Guid.NewGuid():N}"[..12], StringComparison.Ordinal);
        var table =
            $"{head}\n{mine}\n{mine}\n{mine.Replace("2024-03-18", "yesterday", StringComparison.Ordinal)}\n";
        var look = await caller.Post("/api/old-jobs/look", new { text = table });
        Assert.Equal(1, look["new"]!.GetValue<int>());
        var lines = look["lines"]!.AsArray();
        Assert.NotNull(lines[0]!["teaches"]);
        Assert.Contains(
            "twice",
            lines[1]!["problem"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        Assert.StartsWith(
            "date: ",
            lines[2]!["problem"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        var job = lines[0]!["jobId"]!.GetValue<Guid>();
        using (var missing = await caller.Http.GetAsync($"/api/jobs/{job}", Cancel))
        {
            Assert.Equal(404, (int)missing.StatusCode);
        }
        var before = (await caller.Get("/api/evidence"))["trials"]!.GetValue<int>();
        // Pressed twice at once it comes in once.
        await Task.WhenAll(
            caller.Post("/api/old-jobs", new { text = table }),
            caller.Post("/api/old-jobs", new { text = table })
        );
        var view = await caller.Get($"/api/jobs/{job}");
        Assert.All(
            view["document"]!["readings"]!.AsArray(),
            r => Assert.Equal("told", r!["value"]!["known"]!.GetValue<string>())
        );
        Assert.Equal(
            "brought in from paper",
            (await History(caller, job))[0]!["kind"]!.GetValue<string>()
        );
        Assert.Equal(before + 1, (await caller.Get("/api/evidence"))["trials"]!.GetValue<int>());
        Assert.Contains(
            (await caller.Get("/api/evidence/trials"))["trials"]!.AsArray(),
            t =>
                t!["jobId"]!.GetValue<Guid>() == job
                && t["parts"]!.AsArray().Any(p => p!.GetValue<string>() == "Alder plate 1, told")
        );
        look = await caller.Post("/api/old-jobs/look", new { text = table });
        Assert.Equal(0, look["new"]!.GetValue<int>());
        Assert.True(look["lines"]![0]!["here"]!.GetValue<bool>());
    }

    private static async Task<JsonArray> History(Caller caller, Guid job) =>
        (await caller.Get($"/api/jobs/{job}/history")) is JsonArray list
            ? list
            : (await caller.Get($"/api/jobs/{job}/history"))["entries"]!.AsArray();

    [Theory]
    [InlineData("date,colour\n2024-01-01,red", "There is no column “colour”")]
    [InlineData("date,platform\n2024-01-01,Drover", "The column “make” is missing")]
    [InlineData("date,\"platform\n", "This is not CSV")]
    public async Task What_is_no_such_table_is_told_and_nothing_is_stored(string text, string says)
    {
        var caller = await server.SignIn();
        var answer = await caller.Post("/api/old-jobs", new { text });
        Assert.Contains(says, answer["problem"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Empty(answer["lines"]!.AsArray());
    }

    [Fact]
    public async Task A_viewer_looks_and_brings_nothing_in()
    {
        var caller = await server.SignIn("ruan");
        var (head, line) = await Table(caller);
        var text = $"{head}\n{line.Replace("SV 1 A", "VW 1", StringComparison.Ordinal)}";
        await caller.Post("/api/old-jobs/look", new { text });
        using var refused = await caller.Http.PostAsJsonAsync(
            "/api/old-jobs",
            new { text },
            Cancel
        );
        Assert.Equal(403, (int)refused.StatusCode);
    }
}
