using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Nokko.Driving;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>The real server is killed at random while readings are saved: what it said was stored is stored, once.</summary>
public sealed class NothingIsLostTests
{
    private const int Saves = 40;
    private const int Kills = 2;

    [Fact]
    [Trait("Trial", "long")]
    public async Task No_reading_that_was_said_to_be_stored_is_lost_in_many_saves()
    {
        await using var server = await ServerProcess.Start($"lost_{Guid.NewGuid():N}");
        using var http = new HttpClient { BaseAddress = new Uri(server.Address) };
        (
            await http.PostAsJsonAsync(
                "/api/sign-in",
                new { userName = "odd", password = "stance-42" },
                TestContext.Current.CancellationToken
            )
        ).EnsureSuccessStatusCode();
        // Spread over the jobs of the yard that have a round, so that no job grows out of all measure.
        var jobs = new List<(Guid Job, Guid Round)>();
        foreach (var row in (await Get(http, "/api/yard"))["jobs"]!.AsArray().Take(5))
        {
            var id = row!["jobId"]!.GetValue<Guid>();
            jobs.Add(
                (
                    id,
                    (await Get(http, $"/api/jobs/{id}"))["document"]!["walkRounds"]!
                        .AsArray()
                        .Last()!["id"]!.GetValue<Guid>()
                )
            );
        }
        var chance = new Random(20261);
        var killAt = Enumerable.Range(0, Saves).ToArray();
        chance.Shuffle(killAt);
        var kills = killAt.Take(Kills).ToHashSet();
        var acknowledged = new List<Guid>();
        for (var i = 0; i < Saves; i++)
        {
            var id = Guid.CreateVersion7();
            var (job, round) = jobs[i % jobs.Count];
            var body = new
            {
                kind = "storeReading",
                commandId = Guid.CreateVersion7(),
                id,
                walkRoundId = round,
                station = "LF",
                from = "hub",
                typed = "20 1/2",
                answers = Array.Empty<string>(),
                takenAt = DateTimeOffset.UtcNow,
                supersedes = (Guid?)null,
                reason = (string?)null,
            };
            var saving = Save(http, job, body);
            if (kills.Contains(i))
            {
                // Somewhere between the first byte of the request and well after the answer.
                await Task.Delay(chance.Next(0, 40), TestContext.Current.CancellationToken);
                await server.Kill();
                await server.Run();
            }
            // Whoever gets no answer sends the same command again, as the browser does.
            while (!await saving)
            {
                saving = Save(http, job, body);
            }
            acknowledged.Add(id);
        }
        var stored = new HashSet<Guid>();
        foreach (var (job, _) in jobs)
        {
            stored.UnionWith(
                (await Get(http, $"/api/jobs/{job}"))["document"]!["readings"]!
                    .AsArray()
                    .Select(r => r!["id"]!.GetValue<Guid>())
            );
        }
        Assert.DoesNotContain(acknowledged, id => !stored.Contains(id));
    }

    private static async Task<bool> Save(HttpClient http, Guid job, object body)
    {
        try
        {
            using var answer = await http.PostAsJsonAsync(
                $"/api/jobs/{job}/commands",
                new[] { body }
            );
            if ((int)answer.StatusCode >= 500)
            {
                return false;
            }
            answer.EnsureSuccessStatusCode();
            var outcome = JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["outcomes"]![
                0
            ]!;
            Assert.Contains(
                outcome["status"]!.GetValue<string>(),
                (string[])["stored", "repeated"]
            );
            return true;
        }
        catch (HttpRequestException e) when (e.StatusCode is null)
        {
            return false;
        }
    }

    private static async Task<JsonNode> Get(HttpClient http, string path) =>
        JsonNode.Parse(await http.GetStringAsync(path))!;
}
