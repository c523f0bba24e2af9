using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>A quote under its own address: read, chosen from once, and signed by somebody who is not signed in.</summary>
public class QuoteTests(Hosted server) : IClassFixture<Hosted>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static readonly int[][] Drawn =
    [
        [10, 20, 300, 40, 500, 200, 900, 20],
    ];

    private static async Task<string> Link(Caller caller, string path, string opens = "quote") =>
        (
            await caller.Post(
                $"{path}/shared",
                new
                {
                    opens,
                    plates = false,
                    owners = false,
                    pictures = false,
                    days = 3,
                }
            )
        )["token"]!.GetValue<string>();

    private async Task<(HttpStatusCode Status, JsonNode Body)> Anybody(string path, object body)
    {
        using var answer = await server.CreateClient().PostAsJsonAsync(path, body, Cancel);
        return (answer.StatusCode, JsonNode.Parse(await answer.Content.ReadAsStringAsync(Cancel))!);
    }

    private Task<(HttpStatusCode Status, JsonNode Body)> Read(string token) =>
        Anybody("/api/shared/quote", new { token, zone = (string?)null });

    private static object Choice(JsonNode offer, Guid? key = null) =>
        new
        {
            commandId = key ?? Guid.CreateVersion7(),
            id = key ?? Guid.CreateVersion7(),
            offer = offer["id"]!.GetValue<string>(),
            name = "Wren Quarry",
            @as = "owner",
            told = offer["told"]!.DeepClone(),
            strokes = Drawn,
        };

    private Task<(HttpStatusCode Status, JsonNode Body)> Choose(string token, object choice) =>
        Anybody(
            "/api/shared/quote/choose",
            new
            {
                token,
                zone = (string?)null,
                choice,
            }
        );

    /// <summary>A job of the demo whose plans are offered.</summary>
    private static async Task<string> Offered(Caller caller, string plate)
    {
        var path = await JobOf(caller, plate);
        var plans = (await caller.Get(path))["document"]!["plans"]!.AsArray();
        await caller.Do(
            path,
            "makeQuote",
            Guid.CreateVersion7(),
            new
            {
                plans = plans.Select(p => p!["id"]!.GetValue<string>()).Take(2),
                hourRate = 95,
                holdsUntil = (string?)null,
            }
        );
        return path;
    }

    private static async Task<string> JobOf(Caller caller, string plate) =>
        $"/api/jobs/{(await caller.Get($"/api/yard?find={plate}"))["jobs"]![0]!["jobId"]}";

    [Fact]
    public async Task It_is_chosen_once_by_whoever_has_the_link_and_stands_on_the_record_of_who_made_it()
    {
        var caller = await server.SignIn();
        var job = await Offered(caller, "TM 41 F");
        var token = await Link(caller, job);
        var (status, quote) = await Read(token);
        Assert.Equal(HttpStatusCode.OK, status);
        Assert.DoesNotContain("TM 41 F", quote.ToJsonString(), StringComparison.Ordinal);
        var choices = quote["choices"]!.AsArray();
        Assert.Equal(2, choices.Count);

        // Nothing is chosen that was not read, and nothing without a name.
        var unread = JsonNode.Parse(choices[0]!.ToJsonString())!;
        unread["told"] = new JsonArray("It is cheap.");
        Assert.Equal(
            HttpStatusCode.UnprocessableEntity,
            (await Choose(token, Choice(unread))).Status
        );

        var key = Guid.CreateVersion7();
        var (chosen, after) = await Choose(token, Choice(choices[1]!, key));
        Assert.Equal(HttpStatusCode.OK, chosen);
        Assert.Empty(after["choices"]!.AsArray());
        // Sent twice it is chosen once; another one is too late.
        Assert.Equal(HttpStatusCode.OK, (await Choose(token, Choice(choices[1]!, key))).Status);
        var late = await Choose(token, Choice(choices[0]!));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, late.Status);
        Assert.Contains("was chosen already", late.Body.ToJsonString(), StringComparison.Ordinal);

        var document = (await caller.Get(job))["document"]!;
        var signature = document["signatures"]!.AsArray().Single()!;
        Assert.Equal("Wren Quarry", signature["name"]!.GetValue<string>());
        Assert.Equal(
            "Plan B",
            document["plans"]!.AsArray().Single(p => p!["chosen"]!.GetValue<bool>())![
                "name"
            ]!.GetValue<string>()
        );
        var line = (await caller.Get($"{job}/history")).AsArray()[0]!;
        Assert.Equal("offer chosen by the owner", line["kind"]!.GetValue<string>());
        // Who signed is kept with the signature alone.
        Assert.Equal(
            0L,
            await server.Ask<long>(
                "select count(*) from commands c where c::text like '%Wren Quarry%'"
            )
        );
    }

    [Fact]
    public async Task A_link_opens_only_what_it_was_made_for_and_nothing_once_it_was_taken_back()
    {
        var caller = await server.SignIn();
        var job = await Offered(caller, "LG 5 K");
        var record = await Link(caller, job, "record");
        Assert.Equal(HttpStatusCode.NotFound, (await Read(record)).Status);
        var token = await Link(caller, job);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await Anybody("/api/shared/record", new { token, zone = (string?)null })).Status
        );
        var choice = Choice((await Read(token)).Body["choices"]![0]!);
        var open = (await caller.Get($"{job}/shared/quote")).AsArray().Single()!;
        await caller.Post($"/api/shared/{open["id"]!.GetValue<string>()}/end", new { });
        Assert.Equal(HttpStatusCode.NotFound, (await Read(token)).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await Choose(token, choice)).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await Choose("nothing", choice)).Status);
        await caller.Post(
            $"{job}/shared",
            new
            {
                opens = "calendar",
                plates = false,
                owners = false,
                pictures = false,
                days = 3,
            },
            422
        );
    }

    [Fact]
    public async Task A_job_without_a_quote_has_none_to_read()
    {
        var caller = await server.SignIn();
        var job = await JobOf(caller, "HO 32 T");
        Assert.Null((await caller.Get($"{job}/papers"))["quote"]);
        Assert.Equal(HttpStatusCode.NotFound, (await Read(await Link(caller, job))).Status);
    }
}
