using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>The practice bay on a real database: what is done in it stays in it, and what it came to is kept.</summary>
public class PracticeTests(Hosted server) : IClassFixture<Hosted>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static async Task<Guid> Begin(
        Caller caller,
        string course,
        int level = 1,
        int seed = 3,
        Guid? id = null,
        Guid? fromJob = null
    ) =>
        (
            await caller.Post(
                "/api/practice",
                new
                {
                    id = id ?? Guid.CreateVersion7(),
                    course,
                    level,
                    seed,
                    fromJob,
                }
            )
        )["id"]!.GetValue<Guid>();

    private static async Task<int> Status(Caller caller, string path)
    {
        using var answer = await caller.Http.GetAsync(path, Cancel);
        return (int)answer.StatusCode;
    }

    private static Task<JsonNode> Act(
        Caller caller,
        Guid exercise,
        string at,
        bool mends = false
    ) =>
        caller.Post(
            $"/api/practice/{exercise}/acts",
            new
            {
                id = Guid.CreateVersion7(),
                at,
                mends,
            }
        );

    /// <summary>Begins a walk-round and reads every station off its drawn tape, hook and eye first.</summary>
    private static async Task Walk(Caller caller, Guid exercise)
    {
        var job = await caller.Get($"/api/jobs/{exercise}");
        var round = Guid.CreateVersion7();
        await caller.Do(
            $"/api/jobs/{exercise}",
            "beginWalkRound",
            new
            {
                id = round,
                stageId = job["document"]!["stages"]!.AsArray()[^1]!["id"]!.GetValue<Guid>(),
                conditions = TestJob.Conditions(),
            }
        );
        foreach (var station in (string[])["LF", "LM", "LR", "RR", "RM", "RF"])
        {
            var from = station is "LM" or "RM" ? "floor" : "hub";
            var tape = await caller.Get(
                $"/api/practice/{exercise}/tape?round={round}&station={station}&from={from}&eye=0&hooked=true"
            );
            var mm = Read(tape);
            await caller.Do(
                $"/api/jobs/{exercise}",
                "storeReading",
                TestJob.ReadingIn(round, station, $"{Math.Round(mm)} mm", ["asRead"])
            );
        }
    }

    /// <summary>The last number above the line of sight, and what lies below it.</summary>
    private static double Read(JsonNode tape)
    {
        var last = tape["numbers"]!
            .AsArray()
            .Select(n => (At: n!["atMm"]!.GetValue<double>(), Text: n["text"]!.GetValue<string>()))
            .Where(n => n.At <= 0)
            .MaxBy(n => n.At);
        return (double.Parse(last.Text, System.Globalization.CultureInfo.InvariantCulture) * 25.4)
            - last.At;
    }

    [Fact]
    public async Task A_course_from_start_to_score_and_nothing_of_it_is_in_the_shop()
    {
        var (linde, brenna) = (await server.SignIn("linde"), await server.SignIn("brenna"));
        async Task<string> OfShop()
        {
            var parts = new List<string>();
            foreach (
                var path in (string[])
                    [
                        "/api/yard",
                        "/api/parts",
                        "/api/evidence",
                        "/api/year",
                        "/api/platforms",
                        "/api/week?from=2026-03-02&zone=UTC",
                    ]
            )
            {
                var told = await brenna.Get(path);
                if (told is JsonObject page)
                {
                    // The week says what time it is.
                    page.Remove("now");
                }
                parts.Add(told.ToJsonString());
            }
            return string.Join("\n", parts);
        }
        var before = await OfShop();
        var exercise = await Begin(linde, "measure");
        Assert.True(PracticeKey.Is(exercise));
        // What is asked of its shelf is its own, and the shop's is as it was.
        using (var request = new HttpRequestMessage(HttpMethod.Get, "/api/parts"))
        {
            request.Headers.Add("Nokko-Practice", exercise.ToString());
            var own = JsonNode.Parse(
                await (await linde.Http.SendAsync(request, Cancel)).Content.ReadAsStringAsync(
                    Cancel
                )
            )!;
            Assert.Equal(7, own.AsArray().Count);
        }
        // Who somebody is, and what the shop has settled, is the shop's wherever it is asked.
        using (var request = new HttpRequestMessage(HttpMethod.Get, "/api/me"))
        {
            request.Headers.Add("Nokko-Practice", exercise.ToString());
            Assert.Equal(
                HttpStatusCode.OK,
                (await linde.Http.SendAsync(request, Cancel)).StatusCode
            );
        }
        var looked = await Act(linde, exercise, "bed");
        var bed = looked["looks"]!.AsArray().Single(l => l!["at"]!.GetValue<string>() == "bed")!;
        Assert.Equal("Sandbags lie at the back of the bed.", bed["shows"]!.GetValue<string>());
        Assert.Equal("Take it out", bed["mend"]!.GetValue<string>());
        await Act(linde, exercise, "bed", mends: true);
        await Walk(linde, exercise);
        var score = await linde.Post($"/api/practice/{exercise}/hand-in", new { });
        Assert.Equal(100, score["score"]!["points"]!.GetValue<double>());
        Assert.Equal("Linde Sorrel", score["person"]!.GetValue<string>());
        // Handed in is handed in: twice is once, and nothing is done in it any more.
        Assert.Equal(
            score.ToJsonString(),
            (await linde.Post($"/api/practice/{exercise}/hand-in", new { })).ToJsonString()
        );
        Assert.Equal(
            409,
            (
                await linde.Try(
                    HttpMethod.Post,
                    $"/api/practice/{exercise}/acts",
                    new
                    {
                        id = Guid.CreateVersion7(),
                        at = "tyres",
                        mends = false,
                    }
                )
            ).Status
        );
        // Nor on its job's own door, by whatever page is still open; what is only foretold may be looked at.
        var (held, why) = await linde.Try(
            HttpMethod.Post,
            $"/api/jobs/{exercise}/commands",
            Array.Empty<object>()
        );
        Assert.Equal(409, held);
        Assert.Contains("It is handed in", why.ToJsonString(), StringComparison.Ordinal);
        Assert.Equal(200, await Status(linde, $"/api/jobs/{exercise}"));
        Assert.Equal(before, await OfShop());
        // Its owner sees who has passed what; others do not.
        var passed = (await brenna.Get("/api/practice"))["shop"]!.AsArray();
        Assert.Contains(
            passed,
            p =>
                p!["person"]!.GetValue<string>() == "Linde Sorrel"
                && p["course"]!.GetValue<string>() == "measure"
                && p["points"]!.GetValue<double>() == 100
        );
        Assert.Null((await linde.Get("/api/practice"))["shop"]);
    }

    [Fact]
    public async Task The_same_request_begins_one_exercise_and_the_same_seed_the_same_vehicle()
    {
        var odd = await server.SignIn("odd");
        var id = Guid.CreateVersion7();
        var all = await Task.WhenAll(
            Enumerable
                .Range(0, 3)
                .Select(_ =>
                    odd.Try(
                        HttpMethod.Post,
                        "/api/practice",
                        new
                        {
                            id,
                            course = "level",
                            level = 2,
                            seed = 9,
                        }
                    )
                )
        );
        Assert.Contains(all, a => a.Status == 200);
        Assert.Equal(PracticeKey.Of(id), await Begin(odd, "level", 2, 9, id));
        Assert.Equal(
            1,
            await server.Ask<long>(
                $"select count(*) from exercises where id = '{PracticeKey.Of(id)}'"
            )
        );
        var other = await Begin(odd, "level", 2, 9);
        // The best plan of its shelf is told with the score.
        var score = await odd.Post($"/api/practice/{other}/hand-in", new { });
        Assert.Contains(
            score["best"]!.AsArray(),
            step => step!["said"]!.GetValue<string>().StartsWith("Plan: ", StringComparison.Ordinal)
        );
        Assert.Equal(
            await server.Ask<string>(
                $"select truth::text from exercises where id = '{PracticeKey.Of(id)}'"
            ),
            await server.Ask<string>($"select truth::text from exercises where id = '{other}'")
        );
    }

    [Fact]
    public async Task Nobody_works_in_somebody_elses_exercise_and_no_other_shop_sees_it()
    {
        var (linde, odd, ruan) = (
            await server.SignIn("linde"),
            await server.SignIn("odd"),
            await server.SignIn("ruan")
        );
        var exercise = await Begin(linde, "level");
        Assert.Equal(200, await Status(odd, $"/api/jobs/{exercise}"));
        var job = await odd.Get($"/api/practice/{exercise}");
        Assert.False(job["mine"]!.GetValue<bool>());
        foreach (
            var (path, body) in new (string, object)[]
            {
                ($"/api/jobs/{exercise}/commands", Array.Empty<object>()),
                (
                    $"/api/practice/{exercise}/acts",
                    new
                    {
                        id = Guid.CreateVersion7(),
                        at = "bed",
                        mends = false,
                    }
                ),
                ($"/api/practice/{exercise}/hand-in", new { }),
            }
        )
        {
            Assert.Equal(403, (await odd.Try(HttpMethod.Post, path, body)).Status);
            Assert.Equal(403, (await ruan.Try(HttpMethod.Post, path, body)).Status);
        }
        // A second shop in the same database.
        await using var own = new Hosted();
        var theirs = await Begin(await own.SignIn("linde"), "level");
        var shop = Guid.CreateVersion7();
        await own.Ask<object>(
            $"insert into shops (id, name) values ('{shop}', 'Other'); update accounts set shop_id = '{shop}' where user_name = 'odd' returning 1"
        );
        var stranger = await own.SignIn("odd");
        foreach (
            var path in (string[])
                [$"/api/practice/{theirs}", $"/api/jobs/{theirs}", $"/api/practice/{theirs}/score"]
        )
        {
            Assert.Equal(404, await Status(stranger, path));
        }
        Assert.Equal(
            404,
            (
                await stranger.Try(
                    HttpMethod.Post,
                    $"/api/jobs/{theirs}/commands",
                    Array.Empty<object>()
                )
            ).Status
        );
    }

    [Fact]
    public async Task What_cannot_be_is_refused_where_it_was_asked()
    {
        var odd = await server.SignIn("odd");
        foreach (
            var body in new object[]
            {
                new
                {
                    id = Guid.CreateVersion7(),
                    course = "level",
                    level = 0,
                },
                new
                {
                    id = Guid.CreateVersion7(),
                    course = "level",
                    level = 4,
                },
                new
                {
                    id = Guid.Empty,
                    course = "level",
                    level = 1,
                },
            }
        )
        {
            Assert.Equal(422, (await odd.Try(HttpMethod.Post, "/api/practice", body)).Status);
        }
        Assert.Equal(
            404,
            (
                await odd.Try(
                    HttpMethod.Post,
                    "/api/practice",
                    new
                    {
                        id = Guid.CreateVersion7(),
                        course = "ownJob",
                        fromJob = Guid.NewGuid(),
                    }
                )
            ).Status
        );
        var exercise = await Begin(odd, "measure");
        // Nothing is put right of which nobody knows.
        Assert.Equal(
            409,
            (
                await odd.Try(
                    HttpMethod.Post,
                    $"/api/practice/{exercise}/acts",
                    new
                    {
                        id = Guid.CreateVersion7(),
                        at = "bed",
                        mends = true,
                    }
                )
            ).Status
        );
        Assert.Equal(409, await Status(odd, $"/api/practice/{exercise}/score"));
        Assert.Equal(
            404,
            await Status(
                odd,
                $"/api/practice/{exercise}/tape?round={Guid.NewGuid()}&station=LF&from=hub"
            )
        );
        Assert.Equal(404, await Status(odd, "/api/practice/drills/juggling"));
        Assert.Equal(404, await Status(odd, $"/api/practice/{Guid.NewGuid()}"));
        // A stand-in would measure it by itself.
        Assert.Equal(422, await Status(odd, $"/api/jobs/{exercise}/bay/height-gauge?place=LF"));
    }

    [Fact]
    public async Task Two_pages_that_look_at_once_both_see_it_and_it_counts_once()
    {
        var odd = await server.SignIn("odd");
        var exercise = await Begin(odd, "measure", level: 3);
        var answers = await Task.WhenAll(
            Enumerable
                .Repeat((string[])["bed", "tyres", "tyres", "floor"], 4)
                .SelectMany(all => all.Select(at => Act(odd, exercise, at)))
        );
        Assert.All(answers, a => Assert.NotNull(a["looks"]));
        var looks = (await odd.Get($"/api/practice/{exercise}"))["looks"]!
            .AsArray()
            .Where(l => l!["shows"] is not null)
            .Select(l => l!["at"]!.GetValue<string>());
        Assert.Equal(["bed", "tyres", "floor"], looks);
        Assert.Equal(
            (2 + 5 + 10) / 60.0,
            (await odd.Get($"/api/practice/{exercise}"))["spent"]!["hours"]!.GetValue<double>(),
            1e-9
        );
    }

    [Fact]
    public async Task A_job_file_of_an_exercise_comes_into_no_shop()
    {
        var odd = await server.SignIn("odd");
        var exercise = await Begin(odd, "wentWrong");
        var file = await odd.Http.GetStringAsync($"/api/jobs/{exercise}/file", Cancel);
        foreach (var copy in (string[])["", "?copy=true"])
        {
            using var body = new StringContent(file, System.Text.Encoding.UTF8, "application/json");
            var answer = await odd.Http.PostAsync($"/api/job-files{copy}", body, Cancel);
            Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.StatusCode);
            Assert.Contains(
                "practice bay",
                await answer.Content.ReadAsStringAsync(Cancel),
                StringComparison.Ordinal
            );
        }
    }

    [Fact]
    public async Task A_lift_that_went_wrong_begins_fitted_and_with_its_clock_at_nothing()
    {
        var odd = await server.SignIn("odd");
        // Of all three kinds: a spring beside its seat, rubber closed hanging, sides swapped.
        var wrong = new HashSet<Fault>();
        foreach (var (level, seed) in ((int, int)[])[(1, 4), (2, 1), (3, 5)])
        {
            var exercise = await Begin(odd, "wentWrong", level, seed);
            var view = await odd.Get($"/api/practice/{exercise}");
            Assert.Equal(0, view["spent"]!["hours"]!.GetValue<double>());
            var job = await odd.Get($"/api/jobs/{exercise}");
            Assert.Equal(2, job["document"]!["stages"]!.AsArray().Count);
            Assert.Empty(view["passedOver"]!.AsArray());
            await Walk(odd, exercise);
            // It went wrong as it reads, too, and what did is what the heights point to.
            var proof = (await odd.Get($"/api/jobs/{exercise}"))["results"]!["proofs"]![0]!;
            Assert.Equal("notReached", proof["overall"]!.GetValue<string>());
            Assert.Equal("notReached", proof["asForetold"]!.GetValue<string>());
            var fault = HiddenTruth
                .Draw(seed, level, Course.WentWrong)
                .Faults.Single(f => LookRule.CauseOf(f.Of) is not null);
            wrong.Add(fault.Of);
            Assert.Contains(
                proof["causes"]!["classes"]![0]!["causes"]!.AsArray(),
                c =>
                    string.Equals(
                        c!["kind"]!.GetValue<string>(),
                        LookRule.CauseOf(fault.Of)!.Value.ToString(),
                        StringComparison.OrdinalIgnoreCase
                    )
                    && c["where"]!.GetValue<string>() == fault.Where
            );
            var score = await odd.Post($"/api/practice/{exercise}/hand-in", new { });
            Assert.InRange(score["score"]!["points"]!.GetValue<double>(), 10, 60);
            Assert.InRange(score["best"]!.AsArray().Count, 4, 8);
        }
        Assert.Equal(3, wrong.Count);
    }

    [Fact]
    public async Task Whatever_is_wrong_with_it_its_tape_hangs_at_every_station()
    {
        var odd = await server.SignIn("odd");
        var hidden = new HashSet<Fault>();
        for (var seed = 0; hidden.Count < 7 && seed < 40; seed++)
        {
            var faults = HiddenTruth.Draw(seed, 3, Course.Measure).Faults;
            if (faults.All(f => !hidden.Add(f.Of)))
            {
                continue;
            }
            var exercise = await Begin(odd, "measure", 3, seed);
            await Walk(odd, exercise);
            var readings = (await odd.Get($"/api/jobs/{exercise}"))["document"]!["readings"]!;
            Assert.Equal(6, readings.AsArray().Count);
        }
        Assert.Equal(7, hidden.Count);
    }

    [Fact]
    public async Task A_finished_job_is_practised_without_its_names()
    {
        var (brenna, odd) = (await server.SignIn("brenna"), await server.SignIn("odd"));
        var yard = await brenna.Get("/api/yard?find=SV 118 K");
        var job = yard["jobs"]![0]!["jobId"]!.GetValue<Guid>();
        var exercise = await Begin(odd, "ownJob", fromJob: job);
        var text = (await odd.Get($"/api/jobs/{exercise}")).ToJsonString();
        foreach (var name in (string[])["Aldous", "SV 118 K", job.ToString()])
        {
            Assert.DoesNotContain(name, text, StringComparison.Ordinal);
        }
        var score = await odd.Post($"/api/practice/{exercise}/hand-in", new { });
        Assert.StartsWith(
            "What was fitted: Alder plate 1",
            score["came"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        Assert.Null(score["seed"]);
        // One that was not handed over has nothing to tell yet.
        var open = (await brenna.Get("/api/yard?find=NF 80 W"))["jobs"]![0]![
            "jobId"
        ]!.GetValue<Guid>();
        Assert.Equal(
            409,
            (
                await odd.Try(
                    HttpMethod.Post,
                    "/api/practice",
                    new
                    {
                        id = Guid.CreateVersion7(),
                        course = "ownJob",
                        fromJob = open,
                    }
                )
            ).Status
        );
    }

    [Fact]
    public async Task An_apprentices_hold_point_counts_once_the_level_is_passed_that_the_shop_asks_for()
    {
        await using var own = new Hosted();
        var (brenna, linde) = (await own.SignIn("brenna"), await own.SignIn("linde"));
        var shop = await brenna.Get("/api/shop");
        var settings = shop["settings"]!.AsObject();
        settings["apprenticeLevel"] = 1;
        await brenna.Put(
            "/api/shop",
            new
            {
                version = shop["version"]!.GetValue<uint>(),
                name = shop["name"]!.GetValue<string>(),
                settings,
            }
        );
        Assert.Equal(
            1,
            (await brenna.Get("/api/shop"))["settings"]!["apprenticeLevel"]!.GetValue<int>()
        );
        var job = new TestJob(linde);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        var view = await job.Begin(await job.PlaceInFront("T-100"));
        var steps = view["card"]!["steps"]!.AsArray();
        async Task<(int Status, JsonNode Answer)> Do(JsonNode? step) =>
            await linde.TryDo(
                job.Path,
                "doStep",
                new
                {
                    id = Guid.CreateVersion7(),
                    step = step!["key"]!.GetValue<string>(),
                    minutes = (double?)null,
                    reason = (string?)null,
                }
            );
        var hold = steps.First(s => s!["holdFor"] is not null);
        foreach (var step in steps.TakeWhile(s => s != hold))
        {
            var (done, said) = await Do(step);
            Assert.True(done == 200, said.ToJsonString());
        }
        var (status, why) = await Do(hold);
        // No reason of an apprentice passes it: somebody else confirms.
        Assert.Equal(422, status);
        Assert.Contains("second pair of eyes", why.ToJsonString(), StringComparison.Ordinal);
        // Heights that the apprentice alone read prove nothing either, to whoever hands it over.
        await job.BeginRound();
        await job.ReadAll("22 1/2", "22 1/2", "22 1/2", "22 1/2", "42", "42");
        async Task<string> Leave() =>
            (
                await brenna.TryDo(
                    job.Path,
                    "handOver",
                    new
                    {
                        version = (await brenna.Get(job.Path))["versions"]![
                            job.Job.ToString()
                        ]!.GetValue<uint>(),
                        odometer = (object?)null,
                        ownerNotes = (string?)null,
                        followUps = Array.Empty<object>(),
                        reason = (string?)null,
                    }
                )
            ).Answer["detail"]!.GetValue<string>();
        Assert.Contains("Linde Sorrel’s alone", await Leave(), StringComparison.Ordinal);
        // In the practice bay a learner is the fitter, whatever the shop asks for.
        var exercise = await Begin(linde, "level");
        Assert.Equal(200, await Status(linde, $"/api/jobs/{exercise}"));
        await own.Ask<int>(
            $"with e as (update exercises set points = 80, handed_in_at = now() where id = '{exercise}' returning 1) select count(*)::int from e"
        );
        Assert.Equal(200, (await Do(hold)).Status);
        Assert.DoesNotContain("alone", await Leave(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_drill_that_a_device_did_while_away_counts_once_and_on_its_day()
    {
        var linde = await server.SignIn("linde");
        var drill = Drill.Of(DrillKind.Datums, 11);
        var asked = await linde.Get("/api/practice/drills/datums?seed=11");
        Assert.Equal(drill.Questions.Count, asked["questions"]!.AsArray().Count);
        var at = DateTimeOffset.UtcNow.AddDays(-2);
        object Done(object answers, Guid id, DateTimeOffset when) =>
            new
            {
                id,
                kind = "datums",
                seed = 11,
                at = when,
                answers,
            };
        var right = drill.Questions.Select(q => (int?)q.Right).ToArray();
        var key = Guid.CreateVersion7();
        var marked = await linde.Post("/api/practice/drills", Done(right, key, at));
        Assert.Equal((10, 10), (marked["right"]!.GetValue<int>(), marked["of"]!.GetValue<int>()));
        Assert.Equal(
            Instants.ToMicroseconds(at).AddDays(1),
            marked["again"]!["dueAt"]!.GetValue<DateTimeOffset>()
        );
        await linde.Post("/api/practice/drills", Done(right, key, at));
        Assert.Equal(
            1,
            await server.Ask<long>($"select count(*) from drill_entries where id = '{key}'")
        );
        // A clock that runs ahead does no drill tomorrow.
        var later = await linde.Post(
            "/api/practice/drills",
            Done(right, Guid.CreateVersion7(), DateTimeOffset.UtcNow.AddDays(9))
        );
        Assert.True(
            later["again"]!["last"]!["at"]!.GetValue<DateTimeOffset>() <= DateTimeOffset.UtcNow
        );
        Assert.Equal(2, later["again"]!["row"]!.GetValue<int>());
        foreach (
            var bad in new object[]
            {
                Done(right, Guid.Empty, at),
                Done(Enumerable.Repeat((int?)1, 101), Guid.CreateVersion7(), at),
            }
        )
        {
            Assert.Equal(
                422,
                (await linde.Try(HttpMethod.Post, "/api/practice/drills", bad)).Status
            );
        }
    }
}
