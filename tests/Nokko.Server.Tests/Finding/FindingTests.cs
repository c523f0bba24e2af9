using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

public class FindingTests(Hosted server) : IClassFixture<Hosted>
{
    private async Task<(Caller, TestJob)> Measured(Guid? platform = null)
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller) { Platform = platform ?? Guid.CreateVersion7() };
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        return (caller, job);
    }

    private static async Task<JsonNode> Wish(
        Caller caller,
        TestJob job,
        object wish,
        int expected = 200
    )
    {
        var view = await caller.Get(job.Path);
        var body = JsonContent.Create(wish).ReadFromJsonAsync<JsonObject>().Result!;
        foreach (var field in (string[])["amount", "roof", "tyre"])
        {
            body.TryAdd(field, null);
        }
        body["commandId"] = Guid.CreateVersion7();
        body["version"] = view["versions"]![job.Job.ToString()]!.GetValue<uint>();
        return await caller.Do(job.Path, "makeWish", body, expected);
    }

    private static object Inches(string typed) =>
        new
        {
            typed,
            unit = "in",
            known = "told",
            answers = Array.Empty<string>(),
        };

    private static Task<HttpResponseMessage> Ask(
        Caller caller,
        TestJob job,
        bool mayBuy = false,
        string order = "leastCost",
        double? hourRate = 80,
        object? mostAside = null
    ) =>
        caller.Http.PostAsJsonAsync(
            $"{job.Path}/stacks",
            new
            {
                fromStageId = job.Stage,
                noSpacers = false,
                noCutting = false,
                preloadOnly = false,
                keepDroop = false,
                holdEveryLimit = false,
                mayBuy,
                sidesDiffer = false,
                order,
                hourRate,
                mostAside,
            },
            TestContext.Current.CancellationToken
        );

    private static async Task Refused(HttpResponseMessage answer, string field, string says)
    {
        Assert.Equal(422, (int)answer.StatusCode);
        var refused = JsonNode.Parse(
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
        )!;
        Assert.Equal(field, refused["field"]!.GetValue<string>());
        Assert.Contains(says, refused["detail"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    /// <summary>Reads every line of a search.</summary>
    private static async Task<JsonNode[]> Find(
        Caller caller,
        TestJob job,
        bool mayBuy = false,
        string order = "leastCost"
    )
    {
        using var answer = await Ask(caller, job, mayBuy, order);
        answer.EnsureSuccessStatusCode();
        Assert.Equal("application/x-ndjson", answer.Content.Headers.ContentType!.MediaType);
        return
        [
            .. (await answer.Content.ReadAsStringAsync())
                .Split('\n', StringSplitOptions.RemoveEmptyEntries)
                .Select(l => JsonNode.Parse(l)!),
        ];
    }

    private static JsonNode[] Found(JsonNode[] lines) =>
        [.. lines.Select(l => l["found"]).OfType<JsonNode>()];

    [Fact]
    public async Task Where_no_price_of_an_hour_is_said_the_shops_own_orders_what_is_found()
    {
        await using var own = new Hosted();
        var caller = await own.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        var (dear, free) = (await Order(50_000), await Order(0));
        Assert.NotEqual(dear, free);
        var usual = await Order(null);
        await own.Ask<object>("""update shops set settings = '{"hourRate": 50000}' returning 1""");
        Assert.Equal(dear, await Order(null));
        Assert.Equal(free, await Order(0));
        await own.Ask<object>("update shops set settings = '{}' returning 1");
        Assert.Equal(usual, await Order(null));

        async Task<string> Order(double? rate)
        {
            using var answer = await Ask(caller, job, mayBuy: true, hourRate: rate);
            answer.EnsureSuccessStatusCode();
            return string.Join(
                '\n',
                (await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))
                    .Split('\n', StringSplitOptions.RemoveEmptyEntries)
                    .Select(l => JsonNode.Parse(l)!["found"])
                    .OfType<JsonNode>()
                    .Select(f =>
                        string.Join(
                            ',',
                            f["stacks"]!
                                .AsArray()
                                .SelectMany(s => s!["parts"]!.AsArray())
                                .Select(p => p!["partId"]!.GetValue<string>())
                        )
                    )
            );
        }
    }

    [Fact]
    public async Task A_wish_becomes_numbers_that_are_stored_and_tells_what_each_corner_needs()
    {
        var (caller, job) = await Measured();
        var view = await Wish(caller, job, new { wish = "raiseBoth", amount = Inches("1") });
        Assert.Equal(
            "1",
            view["document"]!["job"]!["target"]!["leastFrontLift"]!["typed"]!.GetValue<string>()
        );
        // Two inches nose down and an inch more behind: three in front, one behind.
        double Needed(int i) =>
            view["results"]!["needed"]![i]!["rise"]!["value"]!.GetValue<double>();
        Assert.Equal(3 * 25.4, Needed(0), 6);
        Assert.Equal(25.4, Needed(2), 6);
        var again = await caller.Get(job.Path);
        Assert.Equal(
            "1",
            again["document"]!["job"]!["target"]!["leastRearLift"]!["typed"]!.GetValue<string>()
        );
    }

    [Theory]
    [InlineData("raiseBoth", "amount", "By how much")]
    [InlineData("roomForTyre", "tyre", "no tyre size")]
    [InlineData("levelLoaded", "kind", "State the load first")]
    [InlineData("notAbove", "amount", "How high")]
    public async Task A_wish_that_lacks_something_is_refused_at_its_field(
        string kind,
        string field,
        string says
    )
    {
        var (caller, job) = await Measured();
        var refused = await Wish(caller, job, new { wish = kind }, expected: 422);
        Assert.Equal(field, refused["field"]!.GetValue<string>());
        Assert.Contains(says, refused["detail"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_stale_wish_is_refused_with_both_versions()
    {
        var (caller, job) = await Measured();
        var body = new
        {
            commandId = Guid.CreateVersion7(),
            version = 1u,
            wish = "noLean",
            amount = (object?)null,
            roof = (object?)null,
            tyre = (string?)null,
        };
        var stale = await caller.Do(job.Path, "makeWish", body, expected: 409);
        Assert.Equal("version", stale["field"]!.GetValue<string>());
    }

    [Theory]
    [InlineData(-1)]
    [InlineData(1e9)]
    public async Task What_an_hour_costs_is_refused_at_its_field_where_it_cannot_be(double rate)
    {
        var (caller, job) = await Measured();
        using var answer = await Ask(caller, job, hourRate: rate);
        await Refused(answer, "hourRate", "A number from 0 to 100,000.");
    }

    [Theory]
    [InlineData("a bit", "mm", "a bit")]
    [InlineData("0", "mm", "above zero")]
    [InlineData("6", "kg", "no unit for this")]
    [InlineData("1", "mm", "set an axle to 1/16 in (1.5 mm) at best")]
    public async Task How_far_aside_is_refused_at_its_field_where_it_cannot_be(
        string typed,
        string unit,
        string says
    )
    {
        var (caller, job) = await Measured();
        using var answer = await Ask(
            caller,
            job,
            mostAside: new
            {
                typed,
                unit,
                known = "told",
            }
        );
        await Refused(answer, "mostAside", says);
    }

    [Fact]
    public async Task Stacks_come_in_order_with_their_reasons_and_one_can_be_planned_as_it_stands()
    {
        var (caller, job) = await Measured();
        var lines = await Find(caller, job);
        var found = Found(lines);
        Assert.Equal(10, found.Length);
        Assert.True(lines[^1]["done"]!.GetValue<bool>());
        Assert.True(
            lines[^1]["looked"]!.GetValue<long>() < lines[^1]["combinations"]!.GetValue<double>()
        );
        // A part with a claim and no thickness is left out, and says so.
        Assert.Contains(
            lines[0]["leftOut"]!.AsArray(),
            l =>
                l!["part"]!.GetValue<string>() == "Moor box spacer"
                && l["why"]!.GetValue<string>().Contains("no thickness", StringComparison.Ordinal)
        );
        Assert.All(found.Skip(1), f => Assert.NotNull(f["why"]));
        // By what it takes on the whole, at the shop's rate.
        var whole = found
            .Select(f =>
                (80 * f["expectedHours"]!.GetValue<double>())
                + f["expectedMoney"]!.GetValue<double>()
            )
            .ToArray();
        for (var i = 1; i < whole.Length; i++)
        {
            // A chance is good to 1e-4.
            Assert.True(whole[i] > whole[i - 1] - (1e-3 * whole[0]));
        }
        // To leave it as it is is no answer while anything is better.
        Assert.All(found, f => Assert.NotEmpty(f["touches"]!.AsArray()));
        var steps = Found(await Find(caller, job, order: "surest"))
            .Select(f => Math.Floor((f["chance"]!.GetValue<double>() / 0.05) + 1e-6))
            .ToArray();
        Assert.Equal(steps.OrderDescending(), steps);
        // The same numbers come out when it is planned by hand.
        var plan = Guid.CreateVersion7();
        var view = await caller.Do(
            job.Path,
            "savePlan",
            (plan),
            new
            {
                commandId = Guid.CreateVersion7(),
                version = (uint?)null,
                fromStageId = job.Stage,
                name = "Plan A",
                stacks = found[0]!["stacks"]!
                    .AsArray()
                    .Select(s => new
                    {
                        corner = s!["corner"]!.GetValue<string>(),
                        parts = s["parts"]!
                            .AsArray()
                            .Select(p => new
                            {
                                id = Guid.CreateVersion7(),
                                partId = p!["partId"]!.GetValue<Guid>(),
                            }),
                    }),
            }
        );
        var prediction = view["results"]!["predictions"]![0]!;
        Assert.Equal(
            found[0]["chance"]!.GetValue<double>(),
            prediction["landing"]!["value"]!.GetValue<double>(),
            6
        );
        var second = (await caller.Get($"{job.Path}/plans/{plan}/plan-b")).AsArray();
        Assert.Equal(2, second.Count);
        Assert.True(second[0]!["offMm"]!.GetValue<double>() > 0);
        Assert.True(second[1]!["offMm"]!.GetValue<double>() < 0);
    }

    [Fact]
    public async Task Without_readings_the_search_says_what_to_do_first()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        var lines = await Find(caller, job);
        Assert.Contains(
            "walk round",
            lines[0]["cannot"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        Assert.Empty(Found(lines));
    }

    [Fact]
    public async Task Room_for_a_tyre_is_told_without_storing_anything()
    {
        var (caller, job) = await Measured();
        var room = (await caller.Get($"{job.Path}/tyre-room?tyre=33x12.50R15")).AsArray();
        Assert.Equal(2, room.Count);
        Assert.Contains(
            "Tape the gap",
            room[0]!["parked"]!["cannot"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_job_that_is_proved_becomes_evidence_and_moves_its_sister_s_prediction()
    {
        var (caller, job) = await Measured();
        await job.Begin(await job.PlaceInFront("T-100"));
        await job.CloseRubber();
        await job.BeginRound();
        await job.ReadAll("23", "23", "22 1/2", "22 1/2", "42 7/16", "42 7/16");
        var evidence = await caller.Get("/api/evidence");
        var line = evidence["lines"]!
            .AsArray()
            .Single(l => l!["platform"]!.GetValue<string>() == $"Drover {job.Platform}")!;
        // Two and a half inches of one inch of plate.
        Assert.True(line["ratio"]!["mean"]!.GetValue<double>() > 2.1);
        var trial = (await caller.Get("/api/evidence/trials"))["trials"]!
            .AsArray()
            .Single(t => t!["jobId"]!.GetValue<Guid>() == job.Job)!;
        Assert.Equal(63.5, trial["measuredMm"]!.GetValue<double>(), 6);
        Assert.Equal(63.5, line["drawn"]![0]!["freeRiseMm"]!.GetValue<double>(), 6);

        var csv = await caller.Http.GetStringAsync(
            new Uri("/api/evidence.csv", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.StartsWith("platform,vehicle,axle", csv, StringComparison.Ordinal);
        Assert.Contains("Alder plate 1", csv, StringComparison.Ordinal);
        Assert.Contains("63.5", csv, StringComparison.Ordinal);
        // Whose vehicles they were stands in it only where that is chosen.
        Assert.DoesNotContain("SV 118 K", csv, StringComparison.Ordinal);
        Assert.Contains(
            "SV 118 K",
            await caller.Http.GetStringAsync(
                new Uri("/api/evidence.csv?plates=true", UriKind.Relative),
                TestContext.Current.CancellationToken
            ),
            StringComparison.Ordinal
        );

        var (_, sister) = await Measured(job.Platform);
        var view = await sister.PlaceInFront("T-100");
        var prediction = view["results"]!["predictions"]![0]!;
        Assert.True(prediction["frontRise"]!["value"]!.GetValue<double>() > 3 + (1.9 * 25.4) + 5);
        Assert.Contains(
            prediction["basis"]!.AsArray(),
            b => b!.GetValue<string>().Contains("1 job of this platform", StringComparison.Ordinal)
        );
        // A correction afterwards is evidence at once.
        var before = await server.Ask<string>(
            $"select free_rise_mm::text from lift_trials where job_id = '{job.Job}'"
        );
        await job.BeginRound();
        await job.ReadAll("22 1/2", "22 1/2", "22 1/2", "22 1/2", "42 3/16", "42 3/16");
        Assert.NotEqual(
            before,
            await server.Ask<string>(
                $"select free_rise_mm::text from lift_trials where job_id = '{job.Job}'"
            )
        );
    }

    [Fact]
    public async Task A_second_pass_finds_the_change_to_make_now()
    {
        var (caller, job) = await Measured();
        await job.Begin(await job.PlaceInFront("T-150"));
        await job.BeginRound();
        // 3 1/2 in instead of 2: the nose stands high by 1 1/2.
        await job.ReadAll("24", "24", "22 1/2", "22 1/2", "43", "43");
        var found = Found(await Find(caller, job));
        var touches = found[0]["touches"]!.AsArray().Select(t => t!.GetValue<string>()).ToArray();
        Assert.Contains("front: out Alder plate 1 1/2", touches);
        // What the first pass proved makes this one surer than any first one.
        Assert.True(found[0]["chance"]!.GetValue<double>() > 0.6);
        Assert.Equal(0, found[0]["prediction"]!["rake"]!["value"]!.GetValue<double>(), 7.0);
    }

    [Fact]
    public async Task The_bench_reads_a_tape_in_either_unit_and_refuses_at_the_field()
    {
        var caller = await server.SignIn();
        var inches = await caller.Get(
            "/api/bench/rake?unit=in&lf=20+1/2&rf=20+1/2&lr=22+1/2&rr=572.5+mm"
        );
        double Rake(JsonNode a) => a["numbers"]![0]!["result"]!["value"]!.GetValue<double>();
        Assert.Equal(((22.5 * 25.4) + 572.5) / 2 - (20.5 * 25.4), Rake(inches), 6);
        var wrong = await caller.Http.GetAsync(
            new Uri("/api/bench/rake?unit=in&lf=tall&rf=1&lr=1&rr=1", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(422, (int)wrong.StatusCode);
        Assert.Contains(
            "\"field\":\"lf\"",
            (await wrong.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)).Replace(
                " ",
                "",
                StringComparison.Ordinal
            ),
            StringComparison.Ordinal
        );
        var none = await caller.Http.GetAsync(
            new Uri("/api/bench/flux", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(404, (int)none.StatusCode);
    }
}
