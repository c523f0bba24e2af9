using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Another suspension over the wire and in the database: planned, tried, begun, by two.</summary>
public class ConversionTests(Hosted server) : IClassFixture<Hosted>
{
    private static object Typed(string text, string unit) =>
        new
        {
            typed = text,
            unit,
            known = "measured",
            answers = Array.Empty<string>(),
        };

    private static object Links(Guid plan, uint? version, string sheet = "Alder sheet 12") =>
        new
        {
            planId = plan,
            version,
            axle = "rear",
            suspension = "coilFourLink",
            sizes = new[]
            {
                new { name = "springLength", value = Typed("380", "mm") },
                new { name = "springFreeLength", value = Typed("450", "mm") },
                new { name = "springRate", value = Typed("48", "N/mm") },
            },
            sheet,
            setUpAt = Typed("23 1/2", "in"),
            from = "hub",
            track = Typed("1700", "mm"),
            points = (object?)null,
        };

    private async Task<(Caller, TestJob, Guid Plan)> Planned()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var plan = Guid.CreateVersion7();
        await caller.Do(job.Path, "convertAxle", Links(plan, null));
        return (caller, job, plan);
    }

    [Fact]
    public async Task It_is_kept_in_the_plan_and_what_is_tried_is_tried_on_the_suspension_that_comes()
    {
        var (caller, job, _) = await Planned();
        var view = await caller.Get(job.Path);
        var conversion = Assert.Single(view["document"]!["plans"]![0]!["conversions"]!.AsArray())!;
        Assert.Equal("coilFourLink", conversion["to"]!["kind"]!.GetValue<string>());
        Assert.Equal("23 1/2", conversion["setUpAt"]!["typed"]!.GetValue<string>());
        Assert.Equal(1700, conversion["to"]!["track"]!["value"]!.GetValue<double>());
        // A block has its place under a leaf spring; where links and coils come, there is none.
        var block = Guid.CreateVersion7();
        await caller.Part(
            block,
            new
            {
                version = (uint?)null,
                number = "B-12",
                name = "Alder block",
                part = "block",
                thickness = Typed("2", "in"),
                claim = (object?)null,
                count = 2,
                price = (decimal?)null,
                currency = (string?)null,
                notes = (string?)null,
            }
        );
        var saved = await caller.Get(job.Path);
        var plan = saved["document"]!["plans"]![0]!;
        var preview = await caller.Post(
            $"{job.Path}/plans/preview",
            new
            {
                fromStageId = plan["fromStageId"]!.GetValue<Guid>(),
                planId = plan["id"]!.GetValue<Guid>(),
                stacks = new[]
                {
                    new
                    {
                        corner = "LR",
                        parts = new[] { new { id = Guid.CreateVersion7(), partId = block } },
                    },
                },
            }
        );
        Assert.Contains(
            preview["refusals"]!.AsArray(),
            r =>
                r!
                    .GetValue<string>()
                    .Contains("has no place on this suspension", StringComparison.Ordinal)
        );
    }

    [Fact]
    public async Task Two_who_say_what_comes_are_told_of_each_other()
    {
        var (caller, job, plan) = await Planned();
        var seen = (await caller.Get(job.Path))["versions"]![$"{plan}"]!.GetValue<uint>();
        await caller.Do(job.Path, "convertAxle", Links(plan, seen, "Alder sheet 13"));
        var refused = await caller.Do(
            job.Path,
            "convertAxle",
            Links(plan, seen, "Rowan drawing"),
            expected: 409
        );
        Assert.Equal("version", refused["field"]!.GetValue<string>());
        Assert.Equal(
            "Alder sheet 13",
            (await caller.Get(job.Path))["document"]!["plans"]![0]!["conversions"]![0]!["to"]![
                "sheet"
            ]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task Begun_it_stands_in_the_next_stage()
    {
        var (caller, job, plan) = await Planned();
        var version = (await caller.Get(job.Path))["versions"]![$"{plan}"]!.GetValue<uint>();
        await caller.Do(
            job.Path,
            "beginFitting",
            new
            {
                id = plan,
                version,
                stageId = Guid.CreateVersion7(),
                frozenId = Guid.CreateVersion7(),
                deviationId = Guid.CreateVersion7(),
                reason = "the mass is not weighed",
            }
        );
        var d = (await caller.Get(job.Path))["document"]!;
        var now = d["stages"]!.AsArray().MaxBy(s => s!["ordinal"]!.GetValue<int>())!;
        Assert.Equal("coilFourLink", now["rear"]!["kind"]!.GetValue<string>());
        Assert.Equal("Alder sheet 12", now["rear"]!["sheet"]!.GetValue<string>());
    }
}
