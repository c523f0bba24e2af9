using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What one server stores is heard through another; instruments send lines of the open format.</summary>
public sealed class LiveTests(Hosted server) : IClassFixture<Hosted>
{
    [Fact]
    public async Task What_one_server_stores_is_heard_on_another()
    {
        await using var other = server.Beside();
        var (caller, job) = await Begun();
        var listener = await other.SignIn("odd");
        await using var events = await Listen(listener, $"{job.Path}/live");
        Assert.Equal("again", (await events.Next())["kind"]!.GetValue<string>());
        var command = Guid.CreateVersion7();
        await caller.Do(job.Path, "storeReading", job.Reading("LF", "20 1/2", command: command));
        var heard = await events.Next("stored");
        Assert.Equal(command, heard["command"]!.GetValue<Guid>());
    }

    [Fact]
    public async Task Where_somebody_stands_is_told_with_the_name_from_the_sign_in()
    {
        var (caller, job) = await Begun();
        await using var events = await Listen(caller, $"{job.Path}/live");
        await events.Next();
        using var answer = await caller.Http.PostAsync(
            $"{job.Path}/live/standing",
            Json($$"""{"device":"tablet 2","walkRoundId":"{{job.Round}}","place":"RR"}"""),
            TestContext.Current.CancellationToken
        );
        answer.EnsureSuccessStatusCode();
        var heard = await events.Next("at");
        Assert.Equal("RR", heard["place"]!.GetValue<string>());
        Assert.Equal("Brenna Tarn", heard["person"]!.GetValue<string>());
    }

    [Fact]
    public async Task Lines_of_an_instrument_are_passed_on_and_bad_ones_are_named_by_their_number()
    {
        var (caller, job) = await Begun();
        await using var events = await Listen(caller, $"{job.Path}/live");
        await events.Next();
        const string good =
            "NOKKO1 2026-03-02T08:15:00Z height-gauge HG-7 height.hub LF 523.4 mm steady";
        using var answer = await caller.Http.PostAsync(
            $"{job.Path}/live/lines",
            new StringContent($"# bay 1\n{good}\nnonsense\n", Encoding.UTF8, "text/plain"),
            TestContext.Current.CancellationToken
        );
        var taken = JsonNode.Parse(
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
        )!;
        Assert.Equal(1, taken["lines"]!.GetValue<int>());
        Assert.Equal(3, taken["problems"]![0]!["line"]!.GetValue<int>());
        Assert.Equal(good, (await events.Next("line"))["line"]!.GetValue<string>());
        // A line is shown, never stored by itself.
        Assert.Empty((await caller.Get(job.Path))["document"]!["readings"]!.AsArray());
    }

    [Fact]
    public async Task The_height_gauge_moves_and_then_stands_still()
    {
        var (caller, job) = await Begun();
        await using var lines = await Listen(
            caller,
            $"{job.Path}/bay/height-gauge?walkRound={job.Round}&place=LF&from=hub"
        );
        var states = new List<string>();
        while (!states.Contains("steady"))
        {
            states.Add((await lines.Line()).Split(' ')[^1]);
        }
        Assert.Equal("moving", states[0]);
    }

    [Theory]
    [InlineData("height-gauge", "place=nowhere")]
    [InlineData("alignment-rack", "place=LF&measure=hoseSlack")]
    [InlineData("torque-wrench", "place=no+such+joint&target=100")]
    [InlineData("crystal-ball", "place=LF")]
    public async Task A_stand_in_refuses_what_it_cannot_read(string instrument, string what)
    {
        var (caller, job) = await Begun();
        using var answer = await caller.Http.GetAsync(
            $"{job.Path}/bay/{instrument}?walkRound={job.Round}&{what}",
            TestContext.Current.CancellationToken
        );
        Assert.Equal(422, (int)answer.StatusCode);
    }

    [Fact]
    public async Task Nobody_listens_to_a_job_of_another_shop()
    {
        var caller = await server.SignIn();
        using var answer = await caller.Http.GetAsync(
            $"/api/jobs/{Guid.NewGuid()}/live",
            TestContext.Current.CancellationToken
        );
        Assert.Equal(404, (int)answer.StatusCode);
    }

    private async Task<(Caller, TestJob)> Begun()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        return (caller, job);
    }

    private static StringContent Json(string text) =>
        new(text, new MediaTypeHeaderValue("application/json"));

    private static async Task<Events> Listen(Caller caller, string path)
    {
        var response = await caller.Http.GetAsync(path, HttpCompletionOption.ResponseHeadersRead);
        response.EnsureSuccessStatusCode();
        return new Events(response, new StreamReader(await response.Content.ReadAsStreamAsync()));
    }

    /// <summary>Server-sent events as they come; waits at most ten seconds for each.</summary>
    private sealed class Events(HttpResponseMessage response, StreamReader reader)
        : IAsyncDisposable
    {
        public async Task<string> Line()
        {
            using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(10));
            while (await reader.ReadLineAsync(limit.Token) is { } line)
            {
                if (line.StartsWith("data: ", StringComparison.Ordinal))
                {
                    return line[6..];
                }
            }
            throw new EndOfStreamException("The server ended the stream.");
        }

        public async Task<JsonNode> Next(string? kind = null)
        {
            while (true)
            {
                var e = JsonNode.Parse(await Line())!;
                if (kind is null || e["kind"]!.GetValue<string>() == kind)
                {
                    return e;
                }
            }
        }

        public ValueTask DisposeAsync()
        {
            reader.Dispose();
            response.Dispose();
            return ValueTask.CompletedTask;
        }
    }
}
