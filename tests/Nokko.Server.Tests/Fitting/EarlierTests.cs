using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What a platform's earlier jobs and the shop itself offer to a fitting, and the way back.</summary>
public class EarlierTests(Hosted server) : IClassFixture<Hosted>
{
    private const string Ball = "LF upper ball joint to upright";

    /// <summary>A Drover measured, planned and begun: of the demo's platform, or of one that nobody has fitted before.</summary>
    private static async Task<TestJob> Begun(Caller caller, Hosted server, bool known)
    {
        var job = new TestJob(caller);
        if (known)
        {
            var drover = (await caller.Get("/api/platforms"))
                .AsArray()
                .Single(p => p!["name"]!.GetValue<string>() == "Ostrel Drover, second shape")!;
            await caller.Shop("takeIn", job.TakeInBody(drover["id"]!.GetValue<string>()));
        }
        else
        {
            await job.TakeIn();
        }
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var planned = await job.PlaceInFront("T-125");
        await server.Ask<object>("update parts set count = 6 where number = 'T-125' returning 1");
        await job.Begin(planned);
        return job;
    }

    private static JsonNode? Of(JsonNode earlier, string place) =>
        earlier["joints"]!.AsArray().FirstOrDefault(j => j!["place"]!.GetValue<string>() == place);

    [Fact]
    public async Task Specs_and_times_of_earlier_vehicles_are_offered_and_count_only_when_they_are_kept()
    {
        var caller = await server.SignIn();
        var job = await Begun(caller, server, known: true);
        var earlier = await caller.Get($"{job.Path}/fitting/earlier");
        // The demo's vehicles of this platform have every spec, from the shop's own sheet.
        var ball = Of(earlier, Ball)!;
        var spec = Assert.Single(ball["specs"]!.AsArray())!;
        Assert.True(spec["vehicles"]!.GetValue<int>() >= 2);
        Assert.Contains(
            "SV-12",
            spec["spec"]!["source"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        // Two fittings at different paces.
        var strut = earlier["times"]!
            .AsArray()
            .Single(t => t!["step"]!.GetValue<string>() == "LF/strut")!;
        Assert.True(strut["times"]!.GetValue<int>() >= 2);
        Assert.True(strut["least"]!.GetValue<double>() < strut["most"]!.GetValue<double>());
        var view = await caller.Get(job.Path);
        var joint = view["document"]!["joints"]!
            .AsArray()
            .First(j => j!["place"]!.GetValue<string>() == Ball)!;
        Assert.Null(joint["spec"]);
        await caller.Do(
            job.Path,
            "setSpec",
            joint["id"]!.GetValue<Guid>(),
            new
            {
                commandId = Guid.NewGuid(),
                version = view["versions"]![joint["id"]!.GetValue<string>()]!.GetValue<uint>(),
                torque = new
                {
                    typed = spec["spec"]!["torque"]!["value"]!.ToString(),
                    unit = "lb·ft",
                    known = "document",
                    answers = Array.Empty<string>(),
                },
                angle = (object?)null,
                criterion = (string?)null,
                source = "confirmed",
            }
        );
        Assert.Null(Of(await caller.Get($"{job.Path}/fitting/earlier"), Ball));
    }

    [Fact]
    public async Task Nothing_is_offered_or_shown_of_a_job_that_is_not_this_shop_s()
    {
        var caller = await server.SignIn();
        var none = Guid.NewGuid();
        Assert.Equal(
            404,
            (int)
                (
                    await caller.Http.GetAsync(
                        $"/api/jobs/{none}/fitting/earlier",
                        TestContext.Current.CancellationToken
                    )
                ).StatusCode
        );
        Assert.Equal(
            404,
            (int)
                (
                    await caller.Http.GetAsync(
                        $"/api/jobs/{none}/fitting/undo",
                        TestContext.Current.CancellationToken
                    )
                ).StatusCode
        );
        var job = new TestJob(caller);
        await job.TakeIn();
        Assert.Equal(
            404,
            (int)
                (
                    await caller.Http.GetAsync(
                        $"{job.Path}/fitting/undo",
                        TestContext.Current.CancellationToken
                    )
                ).StatusCode
        );
    }

    [Fact]
    public async Task The_way_back_is_shown_for_what_is_fitted()
    {
        var caller = await server.SignIn();
        var job = await Begun(caller, server, known: false);
        // Nobody has fitted this platform before.
        var earlier = await caller.Get($"{job.Path}/fitting/earlier");
        Assert.Empty(earlier["joints"]!.AsArray());
        Assert.Empty(earlier["times"]!.AsArray());
        var undo = await caller.Get($"{job.Path}/fitting/undo");
        Assert.Contains(
            undo["card"]!["steps"]!.AsArray(),
            s => s!["title"]!.GetValue<string>().Contains("take out", StringComparison.Ordinal)
        );
        // Plates in front on a lift: nothing asks about stands, subframes or live axles.
        var ways = await caller.Get($"{job.Path}/fitting/ways");
        Assert.Equal(
            ["openArm", "sides", "halfShaft", "caliper", "taper", "lineUp", "threads"],
            ways.AsArray().Select(w => w!["school"]!.GetValue<string>())
        );
        Assert.Empty(undo["stays"]!.AsArray());
        Assert.NotEmpty(undo["newAgain"]!.AsArray());
    }

    [Fact]
    public async Task The_shop_s_ways_are_kept_once_seen_by_their_version_and_go_with_the_next_job()
    {
        var caller = await server.SignIn();
        var tip = Guid.CreateVersion7();
        object Ways(Guid id, uint? version, string choice) =>
            new
            {
                kind = "setShopWays",
                commandId = Guid.CreateVersion7(),
                id,
                version,
                ways = new[]
                {
                    new
                    {
                        school = "taper",
                        choice,
                        why = "ours broke",
                    },
                },
                torqueBand = 8.0,
            };
        async Task<string> Carry(object command) =>
            (await caller.Send(HttpMethod.Post, "/api/commands", new[] { command }))["outcomes"]![
                0
            ]!["status"]!.GetValue<string>();
        var key = Guid.CreateVersion7();
        Assert.Equal("stored", await Carry(Ways(key, null, "blows")));
        var kept = await caller.Get("/api/fitting/ways");
        Assert.Equal(0.08, kept["band"]!.GetValue<double>(), 12);
        var version = kept["version"]!.GetValue<uint>();
        // Another's press from an older page.
        Assert.Equal("refused", await Carry(Ways(Guid.CreateVersion7(), version + 1, "separator")));
        Assert.Equal("refused", await Carry(Ways(key, version, "kicks")));
        Assert.Equal(
            "stored",
            await Carry(
                new
                {
                    kind = "addTip",
                    commandId = Guid.CreateVersion7(),
                    id = tip,
                    operation = "shock",
                    text = "two spanners",
                }
            )
        );
        Assert.Contains(
            (await caller.Get("/api/fitting/ways"))["tips"]!.AsArray(),
            t => t!["text"]!.GetValue<string>() == "two spanners"
        );
        var drop = new
        {
            kind = "dropTip",
            commandId = Guid.CreateVersion7(),
            id = tip,
        };
        Assert.Equal("stored", await Carry(drop));
        Assert.DoesNotContain(
            (await caller.Get("/api/fitting/ways"))["tips"]!.AsArray(),
            t => t!["id"]!.GetValue<Guid>() == tip
        );
        // Two limits that two people keep in one moment both stand, beside the ways.
        object Limit(string of, string most, string unit) =>
            new
            {
                kind = "keepLimit",
                commandId = Guid.CreateVersion7(),
                id = Guid.CreateVersion7(),
                of,
                most = new
                {
                    typed = most,
                    unit,
                    known = "told",
                },
            };
        var both = await Task.WhenAll(
            Carry(Limit("trackBar", "1/8", "in")),
            Carry(Limit("caster", "2", "°"))
        );
        Assert.Contains("stored", both);
        foreach (var (of, most, unit) in new[] { ("trackBar", "1/8", "in"), ("caster", "2", "°") })
        {
            // Whoever was told to send it again does.
            Assert.Equal("stored", await Carry(Limit(of, most, unit)));
        }
        Assert.Equal("refused", await Carry(Limit("caster", "40", "°")));
        var job = new TestJob(caller);
        await job.TakeIn();
        var view = await caller.Get(job.Path);
        Assert.Equal(
            ["caster", "trackBar"],
            view["document"]!["job"]!["limits"]!
                .AsArray()
                .Select(l => l!["kind"]!.GetValue<string>())
                .Order()
        );
        var way = Assert.Single(view["document"]!["schools"]!.AsArray())!;
        Assert.Equal(
            ("taper", "blows", "ours broke"),
            (
                way["school"]!.GetValue<string>(),
                way["choice"]!.GetValue<string>(),
                way["why"]!.GetValue<string>()
            )
        );
        Assert.Equal(0.08, view["document"]!["job"]!["torqueBand"]!.GetValue<double>(), 12);
    }
}
