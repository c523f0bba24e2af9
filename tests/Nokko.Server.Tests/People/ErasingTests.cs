using System.Net.Http.Headers;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What says who an owner or a colleague is can be taken out of everything; what was measured and fitted stays.</summary>
public sealed class ErasingTests : IAsyncLifetime
{
    private readonly Hosted _server = new();
    private Caller _brenna = null!;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync() => _brenna = await _server.SignIn();

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    [Fact]
    public async Task Of_an_owner_nothing_is_left_in_any_table_and_the_work_stays()
    {
        var (job, owner) = await HandedOver();
        var before = await _brenna.Get(job.Path);
        foreach (var word in Words)
        {
            Assert.True(await Tables(word) > 0, word);
        }
        await _brenna.Post(
            $"{job.Path}/shared",
            new
            {
                opens = "record",
                plates = true,
                owners = true,
                pictures = true,
                days = 30,
            }
        );
        await _brenna.Shop("eraseOwner", new { id = owner, photographs = true });
        // Nobody reads it by the link that was theirs.
        Assert.Empty((await _brenna.Get($"{job.Path}/shared/record")).AsArray());
        foreach (var word in Words)
        {
            Assert.True(await Tables(word) == 0, $"{word} still stands in the database");
        }
        var after = await _brenna.Get(job.Path);
        // Whoever looked at it sees that it changed.
        Assert.True(after["version"]!.GetValue<long>() > before["version"]!.GetValue<long>());
        Assert.Equal("Owner, erased", after["document"]!["owner"]!["name"]!.GetValue<string>());
        Assert.Null(after["document"]!["vehicle"]!["plate"]);
        Assert.Equal(
            before["document"]!["readings"]!.ToJsonString(),
            after["document"]!["readings"]!.ToJsonString()
        );
        Assert.Equal(
            before["results"]!["walkRounds"]!.ToJsonString(),
            after["results"]!["walkRounds"]!.ToJsonString()
        );
        Assert.Empty(after["document"]!["attachments"]!.AsArray());
        Assert.Equal(0L, await _server.Ask<long>("select count(*) from files"));
        Assert.Empty((await _brenna.Get($"/api/yard?find={Words[1]}"))["jobs"]!.AsArray());
        // It goes out as a file and comes in elsewhere as any other.
        await using var elsewhere = new Hosted();
        var there = await elsewhere.SignIn();
        var taken = JsonNode.Parse(await _brenna.Http.GetStringAsync($"{job.Path}/file", Cancel))!;
        // The step that this test wrote itself is of no plan.
        taken["steps"] = new JsonArray();
        using var file = new StringContent(
            taken.ToJsonString(),
            new MediaTypeHeaderValue("application/json")
        );
        Assert.Equal(
            200,
            (int)(await there.Http.PostAsync("/api/job-files", file, Cancel)).StatusCode
        );
        // A second time there is nothing to do, and nothing breaks.
        await _brenna.Shop("eraseOwner", new { id = owner, photographs = true });
    }

    [Fact]
    public async Task An_open_job_keeps_its_owner_and_only_the_shop_s_owner_erases()
    {
        var (job, owner) = await HandedOver();
        foreach (var user in (string[])["odd", "linde", "ruan"])
        {
            var caller = await _server.SignIn(user);
            var (status, _) = await caller.TryShop("eraseOwner", new { id = owner });
            Assert.True(status is 403 or 409 or 422, $"{user}: {status}");
        }
        var open = new TestJob(_brenna);
        await open.TakeIn();
        var theirs = (await _brenna.Get(open.Path))["document"]!["owner"]!["id"];
        await _brenna.Shop("eraseOwner", new { id = theirs }, 409);
        await _brenna.Shop("eraseOwner", new { id = Guid.CreateVersion7() }, 404);
        Assert.True(await Tables(Words[0]) > 0);
        // Without the photographs they stay.
        await _brenna.Shop("eraseOwner", new { id = owner });
        Assert.Single((await _brenna.Get(job.Path))["document"]!["attachments"]!.AsArray());
    }

    [Fact]
    public async Task Of_a_colleague_who_has_left_no_record_knows_the_name_any_more()
    {
        var odd = (await _brenna.Get("/api/shop"))["people"]!
            .AsArray()
            .Single(p => p!["userName"]!.GetValue<string>() == "odd")!["id"]!.GetValue<Guid>();
        var tips = await _server.SignIn("odd");
        await tips.Shop(
            "addTip",
            new
            {
                id = Guid.CreateVersion7(),
                operation = "strut",
                text = "Tap it",
            }
        );
        // What was signed for the shop is a name, too.
        var job =
            $"/api/jobs/{(await tips.Get("/api/yard?find=204"))["jobs"]![0]!["jobId"]!.GetValue<string>()}";
        await tips.Do(
            job,
            "sign",
            new
            {
                commandId = Guid.CreateVersion7(),
                id = Guid.CreateVersion7(),
                name = "Odd Farrow",
                @as = "shop",
                told = (await tips.Get(job))["tellDriver"],
                strokes = new[] { new[] { 1, 2, 300, 40, 500, 60, 700, 80 } },
            }
        );
        await _brenna.Post($"/api/people/{odd}/erase", new { }, 409);
        await _brenna.Post($"/api/people/{odd}/remove", new { });
        Assert.Equal(
            "Odd Farrow",
            Assert.Single((await _brenna.Get("/api/shop"))["left"]!.AsArray())![
                "name"
            ]!.GetValue<string>()
        );
        Assert.True(await Tables("Odd Farrow") > 2);
        await (await _server.SignIn("linde")).Post($"/api/people/{odd}/erase", new { }, 403);
        await _brenna.Post($"/api/people/{odd}/erase", new { });
        Assert.Equal(0, await Tables("Odd Farrow"));
        Assert.Empty((await _brenna.Get("/api/shop"))["left"]!.AsArray());
        var signed = (await _brenna.Get(job))["document"]!["signatures"]![0]!;
        Assert.Equal("Former colleague", signed["name"]!.GetValue<string>());
        Assert.Empty(signed["strokes"]!.AsArray());
        // That the same person did it is still told.
        Assert.True(
            await _server.Ask<long>(
                $"select count(*) from people_on_jobs where id = '{odd}' and name = 'Former colleague'"
            ) > 1
        );
        await _brenna.Post($"/api/people/{Guid.NewGuid()}/erase", new { }, 404);
    }

    /// <summary>Name, plate, VIN and contact of the owner that is erased, and who agreed.</summary>
    private static readonly string[] Words =
    [
        "Quillon Ashdown",
        "QZ 771 X",
        "VINOFQUILLON1",
        "quillon@ashdown.example",
    ];

    /// <summary>How many tables hold a text anywhere in a row.</summary>
    private async Task<int> Tables(string text)
    {
        var tables = await _server.Ask<string[]>(
            "select array_agg(relname::text) from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace and relname <> 'files'"
        );
        return (int)
            await _server.Ask<long>(
                string.Join(
                        " + ",
                        tables.Select(t =>
                            $"(exists (select 1 from \"{t}\" t where lower(t::text) like lower('%{text}%')))::int::bigint"
                        )
                    )
                    .Insert(0, "select ")
            );
    }

    private async Task<(TestJob Job, Guid Owner)> HandedOver()
    {
        var job = new TestJob(_brenna);
        await _brenna.Shop(
            "savePlatform",
            new { id = job.Platform, name = $"Drover {job.Platform}" }
        );
        var takeIn = System
            .Text.Json.JsonSerializer.SerializeToNode(
                job.TakeInBody(job.Platform.ToString(), plate: Words[1])
            )!
            .AsObject();
        takeIn["ownerName"] = Words[0];
        takeIn["vin"] = Words[2];
        takeIn["ownerContact"] = Words[3];
        await _brenna.Shop("takeIn", takeIn);
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        await job.AddPhotograph();
        // A step at which the owner agreed, and the end of the job, as the database keeps them.
        await _server.Ask<object>(
            $"""
            insert into step_entries (id, shop_id, job_id, plan_id, step, person_id, at, agreed_by)
              select gen_random_uuid(), shop_id, id, gen_random_uuid(), 'a step', gen_random_uuid(), now(), '{Words[
                0
            ]}'
              from jobs where id = '{job.Job}';
            update jobs set handed_over_at = now() where id = '{job.Job}' returning 1
            """
        );
        var owner = (await _brenna.Get(job.Path))["document"]!["owner"]!["id"]!.GetValue<Guid>();
        return (job, owner);
    }
}
