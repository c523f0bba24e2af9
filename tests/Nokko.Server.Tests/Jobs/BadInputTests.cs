using System.Text;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Bad input gets a sentence at its place and is never a 500.</summary>
public class BadInputTests(Hosted server) : IClassFixture<Hosted>
{
    private async Task<(Caller, TestJob)> Measuring()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        return (caller, job);
    }

    [Theory]
    [InlineData("abc")]
    [InlineData("35 1/3")]
    [InlineData("-20")]
    [InlineData("0")]
    [InlineData("99999")]
    [InlineData("")]
    public async Task A_text_that_is_no_height_is_refused_at_the_field(string typed)
    {
        var (caller, job) = await Measuring();
        var answer = await caller.Do(
            job.Path,
            "storeReading",
            job.Reading("LF", typed),
            expected: 422
        );
        Assert.Equal("typed", answer["field"]!.GetValue<string>());
        Assert.Empty((await caller.Get(job.Path))["document"]!["readings"]!.AsArray());
    }

    [Fact]
    public async Task A_lost_slash_and_an_odd_height_are_asked_about_one_after_the_other()
    {
        var (caller, job) = await Measuring();
        var slash = await caller.Do(
            job.Path,
            "storeReading",
            job.Reading("LF", "36 5.8"),
            expected: 422
        );
        Assert.Equal("slash", slash["choices"]![0]!["key"]!.GetValue<string>());
        var band = await caller.Do(
            job.Path,
            "storeReading",
            job.Reading("LF", "36 5.8", ["slash"]),
            expected: 422
        );
        Assert.Contains(
            "outside what is usual from the hub",
            band["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        var stored = await caller.Do(
            job.Path,
            "storeReading",
            job.Reading("LF", "36 5.8", ["slash", "asRead"])
        );
        var value = stored["document"]!["readings"]![0]!["value"]!;
        Assert.Equal(
            (36.625, "36 5.8"),
            (Math.Round(value["value"]!.GetValue<double>(), 9), value["typed"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task A_height_that_looks_like_another_datum_is_asked_about_and_stored_as_told()
    {
        var (caller, job) = await Measuring();
        await job.Read("LF", "20 1/2");
        var asked = await caller.Do(
            job.Path,
            "storeReading",
            job.Reading("RF", "35 1/2"),
            expected: 422
        );
        Assert.Contains(
            "floor to lip",
            asked["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        var stored = await caller.Do(
            job.Path,
            "storeReading",
            job.Reading("RF", "35 1/2", ["floor"])
        );
        Assert.Equal("floor", stored["document"]!["readings"]![1]!["from"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_reading_with_the_side_unknown_is_kept_and_enters_no_sum()
    {
        var (caller, job) = await Measuring();
        var view = await caller.Do(job.Path, "storeReading", job.Reading(null, "20 1/2"));
        Assert.Single(view["results"]!["walkRounds"]![0]!["unused"]!.AsArray());
    }

    [Theory]
    [InlineData("wheelbase", "a lot", "sizes.wheelbase")]
    [InlineData("wheelbase", "0", "sizes.wheelbase")]
    [InlineData("wheelbase", "33", "sizes.wheelbase")]
    [InlineData("wheelbase", "33000", "sizes.wheelbase")]
    [InlineData("tyreSize", "round", "sizes.tyreSize")]
    [InlineData("share", "12", "sizes.frontUnsprungShare")]
    [InlineData("share", "1", "sizes.frontUnsprungShare")]
    public async Task A_bad_size_is_refused_at_its_field(string name, string text, string field)
    {
        var caller = await server.SignIn();
        var platform = (await caller.Get("/api/platforms"))[0]!["id"]!.GetValue<string>();
        var sizes = name switch
        {
            "tyreSize" => TestJob.Sizes(tyre: text),
            "share" => TestJob.Sizes(share: text),
            _ => TestJob.Sizes(wheelbase: text),
        };
        var answer = await caller.Shop(
            "takeIn",
            new TestJob(caller).TakeInBody(platform, sizes),
            expected: 422
        );
        Assert.Equal(field, answer["field"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_platform_is_chosen_from_the_list_and_a_vehicle_needs_plate_or_vin()
    {
        var caller = await server.SignIn();
        var platform = (await caller.Get("/api/platforms"))[0]!["id"]!.GetValue<string>();
        Assert.Equal(
            "platformId",
            (
                await caller.Shop(
                    "takeIn",
                    new TestJob(caller).TakeInBody(Guid.NewGuid().ToString()),
                    422
                )
            )["field"]!.GetValue<string>()
        );
        Assert.Equal(
            "plate",
            (
                await caller.Shop(
                    "takeIn",
                    new TestJob(caller).TakeInBody(platform, plate: " "),
                    422
                )
            )["field"]!.GetValue<string>()
        );
    }

    [Theory]
    [InlineData("/api/commands", "{")]
    [InlineData("/api/commands", "null")]
    [InlineData("/api/commands", "{\"commandId\":7}")]
    [InlineData("/api/sign-in", "{\"userName\":null,\"password\":null}")]
    [InlineData("/api/job-files", "not json")]
    [InlineData("/api/job-files", "PK\u0003\u0004 damaged")]
    [InlineData("/api/job-files", "{\"format\":\"nokko.job\",\"version\":99}")]
    public async Task Nonsense_is_never_a_500(string path, string body)
    {
        var caller = await server.SignIn();
        using var content = new StringContent(body, Encoding.UTF8, "application/json");
        var answer = await caller.Http.PostAsync(
            path,
            content,
            TestContext.Current.CancellationToken
        );
        Assert.InRange((int)answer.StatusCode, 400, 499);
        var detail = JsonNode.Parse(
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
        )!["detail"]!.GetValue<string>();
        Assert.NotEmpty(detail);
    }

    [Fact]
    public async Task A_null_character_anywhere_is_refused_not_broken()
    {
        var caller = await server.SignIn();
        await caller.Shop(
            "savePlatform",
            new { id = Guid.NewGuid(), name = "a\0b" },
            expected: 422
        );
        await caller.Get("/api/yard?find=%00");
        var answer = await caller.Http.GetAsync(
            "/api/tape?text=%00",
            TestContext.Current.CancellationToken
        );
        Assert.Equal(200, (int)answer.StatusCode);
    }

    [Fact]
    public async Task A_stacked_block_is_refused_before_anything_is_undone()
    {
        var (caller, job) = await Measuring();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var block = (await caller.Get("/api/parts"))
            .AsArray()
            .First(p => p!["part"]!["number"]!.GetValue<string>() == "B-100")!["part"]![
            "id"
        ]!.GetValue<Guid>();
        var plan = Guid.CreateVersion7();
        object Parts(int n) =>
            Enumerable.Range(0, n).Select(_ => new { id = Guid.CreateVersion7(), partId = block });
        var view = await caller.Do(
            job.Path,
            "savePlan",
            (plan),
            new
            {
                commandId = Guid.NewGuid(),
                version = (uint?)null,
                fromStageId = job.Stage,
                name = "Plan A",
                stacks = new[] { new { corner = "LR", parts = Parts(2) } },
            }
        );
        Assert.Contains(
            "never stacked",
            view["results"]!["predictions"]![0]!["refusals"]![0]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        await caller.Do(
            job.Path,
            "beginFitting",
            (plan),
            new
            {
                commandId = Guid.NewGuid(),
                version = view["versions"]![plan.ToString()]!.GetValue<uint>(),
                stageId = Guid.NewGuid(),
                frozenId = Guid.NewGuid(),
                deviationId = Guid.NewGuid(),
                reason = "please",
            },
            expected: 422
        );
    }
}
