using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Conditions, stations, skips, measures and comparisons of walk-rounds.</summary>
public sealed class WalkRoundTests(Hosted server) : IClassFixture<Hosted>
{
    [Fact]
    public async Task A_later_round_opens_with_the_stations_and_order_of_the_last()
    {
        var (caller, job) = await Begun();
        var round = Round(await caller.Get(job.Path), 0);
        Assert.Equal(["LF", "LM", "LR", "RR", "RM", "RF"], Names(round["order"]!));
        await Place(caller, job, "tow eye");
        await job.BeginRound();
        Assert.Equal(
            ["LF", "LM", "LR", "RR", "RM", "RF", "tow eye"],
            Names(Round(await caller.Get(job.Path), 1)["order"]!)
        );
    }

    [Fact]
    public async Task The_way_of_walking_is_a_choice_that_stays_with_the_job()
    {
        var (caller, job) = await Taken();
        await Begin(caller, job, new { walk = "axleByAxle" });
        var view = await caller.Get(job.Path);
        Assert.Equal(["LF", "RF", "LM", "RM", "LR", "RR"], Names(Round(view, 0)["order"]!));
        var school = Assert.Single(view["document"]!["schools"]!.AsArray());
        Assert.Equal("walkingOrder", school!["school"]!.GetValue<string>());
        Assert.Equal("AxleByAxle", school["choice"]!.GetValue<string>());
    }

    [Fact]
    public async Task Conditions_keep_pads_tyres_people_and_modes_as_typed()
    {
        var (caller, job) = await Taken();
        await Begin(
            caller,
            job,
            new
            {
                peopleIn = 1,
                modes = new[] { "tow" },
                steeringStraight = false,
                pads = Wheels(
                    (w, i) => new { wheel = w, height = Typed(i == 0 ? "-3" : "0", "mm") }
                ),
                tyres = new[]
                {
                    new
                    {
                        wheel = "RR",
                        size = "285/70R17",
                        pressure = Typed("36", "psi"),
                    },
                },
            }
        );
        var round = Round(await caller.Get(job.Path), 0);
        Assert.Equal(1, round["peopleIn"]!.GetValue<int>());
        Assert.Equal("tow", round["modes"]![0]!.GetValue<string>());
        Assert.False(round["steeringStraight"]!.GetValue<bool>());
        Assert.True(round["floorSurveyed"]!.GetValue<bool>());
        Assert.Equal(-3, round["pads"]![0]!["height"]!["value"]!.GetValue<double>());
        Assert.Equal("-3", round["pads"]![0]!["height"]!["typed"]!.GetValue<string>());
        Assert.Equal("36", round["tyres"]![0]!["pressure"]!["typed"]!.GetValue<string>());
    }

    [Theory]
    [InlineData("pads", "conditions.pads.LF")]
    [InlineData("tyres", "conditions.tyres.LF")]
    [InlineData("people", "conditions.peopleIn")]
    [InlineData("wheel", "conditions.pads[0].wheel")]
    public async Task Conditions_that_cannot_be_are_refused_where_they_were_typed(
        string what,
        string field
    )
    {
        var (caller, job) = await Taken();
        object change = what switch
        {
            "pads" => new { pads = new[] { new { wheel = "LF", height = Typed("900", "mm") } } },
            "tyres" => new
            {
                tyres = new[]
                {
                    new
                    {
                        wheel = "LF",
                        size = "round",
                        pressure = (object?)null,
                    },
                },
            },
            "people" => new { peopleIn = -1 },
            _ => new { pads = new[] { new { wheel = "XX", height = Typed("1", "mm") } } },
        };
        var answer = await Begin(caller, job, change, 422);
        Assert.Equal(field, answer["field"]!.GetValue<string>());
        Assert.Empty((await caller.Get(job.Path))["document"]!["walkRounds"]!.AsArray());
    }

    [Fact]
    public async Task A_station_that_is_passed_over_needs_a_reason_and_is_no_longer_asked_for()
    {
        var (caller, job) = await Begun();
        await caller.Do(job.Path, "passOver", Skip(job, "RR", ""), 422);
        var view = await caller.Do(job.Path, "passOver", Skip(job, "RR", "flare missing"));
        Assert.Equal(
            "flare missing",
            view["results"]!["walkRounds"]![0]!["skipped"]![0]!["why"]!.GetValue<string>()
        );
        // Four corners less the one that was passed over.
        Assert.Equal(
            3,
            view["progress"]!["phases"]!
                .AsArray()
                .First(p => p!["phase"]!.GetValue<string>() == "walkRound")![
                "open"
            ]!.GetValue<int>()
        );
    }

    [Fact]
    public async Task A_measure_is_read_in_its_own_unit_with_what_it_was_taken_over()
    {
        var (caller, job) = await Begun();
        var refused = await caller.Do(
            job.Path,
            "storeMeasure",
            Measure(job, "camberSquare", "LF", "1/8"),
            422
        );
        Assert.Equal("over", refused["field"]!.GetValue<string>());
        var view = await caller.Do(
            job.Path,
            "storeMeasure",
            Measure(job, "camberSquare", "LF", "1/8", Typed("17", "in"))
        );
        var camber = view["results"]!["walkRounds"]![0]!["measures"]!
            .AsArray()
            .First(m => m!["measure"]!.GetValue<string>() == "camber")!;
        Assert.Equal(
            -Math.Atan(0.125 / 17) * 180 / Math.PI,
            camber["value"]!["value"]!.GetValue<double>(),
            9
        );
        var asked = await caller.Do(
            job.Path,
            "storeMeasure",
            Measure(job, "caster", "LF", "25"),
            422
        );
        Assert.Equal("asRead", asked["choices"]![0]!["key"]!.GetValue<string>());
        await caller.Do(job.Path, "storeMeasure", Measure(job, "caster", "front", "3"), 422);
        await caller.Do(job.Path, "storeMeasure", Measure(job, "ride", "vehicle", "floats"));
    }

    [Fact]
    public async Task Any_two_rounds_are_compared_and_what_differs_is_said()
    {
        var (caller, job) = await Begun();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var first = job.Round;
        await Begin(caller, job, new { load = "sand bags" });
        await job.ReadAll("20 1/4", "20 1/4", "22 1/2", "22 1/2", "40 11/16", "40 11/16");
        var answer = await caller.Get($"{job.Path}/comparison?before={first}&after={job.Round}");
        Assert.Contains(
            answer["sentences"]!.AsArray(),
            s => s!.GetValue<string>().Contains("sand bags", StringComparison.Ordinal)
        );
        Assert.Equal(
            -6.35,
            answer["comparison"]!["rises"]![0]!["rise"]!["value"]!.GetValue<double>(),
            9
        );
        using var missing = await caller.Http.GetAsync(
            $"{job.Path}/comparison?before={first}&after={Guid.NewGuid()}",
            TestContext.Current.CancellationToken
        );
        Assert.Equal(404, (int)missing.StatusCode);
    }

    [Fact]
    public async Task Standard_heights_are_a_stage_of_their_own_and_decide_nothing()
    {
        var (caller, job) = await Begun();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var view = await caller.Do(job.Path, "noteStandard", Standard());
        Assert.Equal(
            "standard",
            view["document"]!["stages"]!.AsArray().Single(s => s!["ordinal"]!.GetValue<int>() < 0)![
                "name"
            ]!.GetValue<string>()
        );
        var chain = Assert.Single(view["results"]!["chain"]!.AsArray())!;
        Assert.All(chain["rises"]!.AsArray(), r => Assert.False(r!["decides"]!.GetValue<bool>()));
        Assert.Equal(-12.7, chain["rises"]![0]!["rise"]!["value"]!.GetValue<double>(), 9);
        await caller.Do(job.Path, "noteStandard", Standard(), 409);
    }

    [Fact]
    public async Task A_reading_taken_while_it_hangs_is_marked_by_the_jobs_own_ledger()
    {
        var caller = await server.SignIn();
        foreach (var row in (await caller.Get("/api/yard"))["jobs"]!.AsArray())
        {
            var path = $"/api/jobs/{row!["jobId"]!.GetValue<Guid>()}";
            var view = await caller.Get(path);
            if (view["raised"]!.AsArray().Count == 0)
            {
                continue;
            }
            var round = Guid.CreateVersion7();
            await caller.Do(
                path,
                "beginWalkRound",
                new
                {
                    commandId = Guid.CreateVersion7(),
                    id = round,
                    stageId = view["document"]!["stages"]!.AsArray().Last()![
                        "id"
                    ]!.GetValue<Guid>(),
                    conditions = TestJob.Conditions(),
                }
            );
            view = await caller.Do(path, "storeReading", TestJob.ReadingIn(round, "LF", "20 1/2"));
            var reading = view["document"]!["readings"]!.AsArray().Last()!;
            Assert.Equal(["LF", "RF", "LR", "RR"], Names(reading["raisedCorners"]!));
            return;
        }
        Assert.Fail("The demo has a vehicle that hangs on the lift.");
    }

    private async Task<(Caller, TestJob)> Taken()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        return (caller, job);
    }

    private async Task<(Caller, TestJob)> Begun()
    {
        var (caller, job) = await Taken();
        await job.BeginRound();
        return (caller, job);
    }

    private static async Task<JsonNode> Begin(
        Caller caller,
        TestJob job,
        object change,
        int expected = 200
    )
    {
        var conditions = System
            .Text.Json.JsonSerializer.SerializeToNode(TestJob.Conditions())!
            .AsObject();
        foreach (
            var (key, value) in System.Text.Json.JsonSerializer.SerializeToNode(change)!.AsObject()
        )
        {
            conditions[key] = value?.DeepClone();
        }
        return await job.Begin(conditions, expected);
    }

    private static async Task<JsonNode> Place(Caller caller, TestJob job, string name)
    {
        var view = await caller.Get(job.Path);
        return await caller.Do(
            job.Path,
            "placeStation",
            new
            {
                commandId = Guid.CreateVersion7(),
                version = view["versions"]![job.Vehicle.ToString()]!.GetValue<uint>(),
                name,
                xMm = 700,
                yMm = 0,
                carrier = "frame",
                edge = (string?)null,
                walkRoundId = job.Round,
            }
        );
    }

    private static object Skip(TestJob job, string station, string why) =>
        new
        {
            commandId = Guid.CreateVersion7(),
            id = Guid.CreateVersion7(),
            walkRoundId = job.Round,
            station,
            measure = (string?)null,
            place = (string?)null,
            why,
            takenAt = DateTimeOffset.UtcNow,
        };

    private static object Measure(
        TestJob job,
        string measure,
        string place,
        string typed,
        object? over = null
    ) =>
        new
        {
            commandId = Guid.CreateVersion7(),
            id = Guid.CreateVersion7(),
            walkRoundId = job.Round,
            measure,
            place,
            typed,
            over,
            answers = Array.Empty<string>(),
            takenAt = DateTimeOffset.UtcNow,
            supersedes = (Guid?)null,
            reason = (string?)null,
        };

    private static object Standard() =>
        new
        {
            commandId = Guid.CreateVersion7(),
            stageId = Guid.CreateVersion7(),
            walkRoundId = Guid.CreateVersion7(),
            datum = "hub",
            heights = new[] { "LF", "RF", "LR", "RR" }.Select(station => new
            {
                id = Guid.CreateVersion7(),
                station,
                height = Typed(station[1] == 'F' ? "21" : "23 1/8", "in", "document"),
            }),
            source = "shop's list, sheet 4 (made up)",
        };

    private static object Typed(string typed, string unit, string known = "measured") =>
        new
        {
            typed,
            unit,
            known,
            answers = Array.Empty<string>(),
        };

    private static IEnumerable<object> Wheels(Func<string, int, object> make) =>
        new[] { "LF", "RF", "LR", "RR" }.Select(make);

    private static JsonNode Round(JsonNode view, int i) => view["document"]!["walkRounds"]![i]!;

    private static string[] Names(JsonNode array) =>
        [.. array.AsArray().Select(n => n!.GetValue<string>())];
}
