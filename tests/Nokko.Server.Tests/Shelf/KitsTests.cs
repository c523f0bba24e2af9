using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Kits over the wire and in the database: on the shelf, in a plan, counted by two, out of the shelf.</summary>
public class KitsTests(Hosted server) : IClassFixture<Hosted>
{
    private static readonly string[] Front = ["LF", "RF"];

    private static object Kit(string name, int count = 1) =>
        new
        {
            version = (uint?)null,
            number = "K-9",
            name,
            part = "kit",
            thickness = (object?)null,
            claim = (object?)null,
            count,
            price = 240m,
            currency = "EUR",
            notes = (string?)null,
            contents = new
            {
                frontClaim = new
                {
                    typed = "2 1/4",
                    unit = "in",
                    known = "box",
                    answers = Array.Empty<string>(),
                },
                pieces = new object[]
                {
                    new
                    {
                        name = "strut plate",
                        count = 2,
                        at = Front,
                        part = "strutTopSpacer",
                        thickness = new
                        {
                            typed = "1 1/4",
                            unit = "in",
                            known = "measured",
                            answers = Array.Empty<string>(),
                        },
                    },
                    new { name = "flange nut", count = 6 },
                },
                source = "print 4",
                warnings = "Never two.",
            },
        };

    private async Task<(Caller, TestJob, Guid Kit, Guid Box)> Placed(string name)
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var (kit, box) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        await caller.Part(box, Kit(name));
        await caller.Do(
            job.Path,
            "placeKit",
            new
            {
                id = kit,
                planId = Guid.CreateVersion7(),
                version = (uint?)null,
                partId = box,
            }
        );
        return (caller, job, kit, box);
    }

    private static object Count(Guid kit, JsonNode view, int nuts) =>
        new
        {
            id = kit,
            version = view["versions"]![$"{kit}"]!.GetValue<uint>(),
            pieces = new object[]
            {
                new { name = "strut plate", found = 2 },
                new { name = "flange nut", found = nuts },
            },
        };

    private static object Begin(JsonNode view)
    {
        var plan = view["document"]!["plans"]![0]!["id"]!.GetValue<Guid>();
        return new
        {
            id = plan,
            version = view["versions"]![$"{plan}"]!.GetValue<uint>(),
            stageId = Guid.CreateVersion7(),
            frozenId = Guid.CreateVersion7(),
            deviationId = Guid.CreateVersion7(),
            reason = (string?)null,
        };
    }

    [Fact]
    public async Task A_kit_is_placed_counted_and_begun_and_its_box_leaves_the_shelf()
    {
        var (caller, job, kit, box) = await Placed("Alder kit");
        var placed = await caller.Get(job.Path);
        Assert.Equal(
            Front,
            placed["document"]!["plans"]![0]!["stacks"]!
                .AsArray()
                .Select(s => s!["corner"]!.GetValue<string>())
        );
        Assert.Contains(
            "count what is in the box",
            (await caller.Do(job.Path, "beginFitting", Begin(placed), expected: 422))[
                "detail"
            ]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        await caller.Do(job.Path, "countKit", Count(kit, placed, nuts: 6));
        var counted = await caller.Get(job.Path);
        await caller.Do(job.Path, "beginFitting", Begin(counted));
        var begun = (await caller.Get(job.Path))["document"]!;
        Assert.Equal(
            ["used", "open"],
            begun["kits"]![0]!["pieces"]!.AsArray().Select(p => p!["end"]!.GetValue<string>())
        );
        Assert.Equal("Never two.", begun["kits"]![0]!["sheet"]!["warnings"]!.GetValue<string>());
        var here = (await caller.Get("/api/parts"))
            .AsArray()
            .Single(p => p!["part"]!["id"]!.GetValue<Guid>() == box)!;
        Assert.Equal(0, here["part"]!["count"]!.GetValue<int>());
    }

    [Fact]
    public async Task Two_who_count_one_box_are_told_of_each_other()
    {
        var (caller, job, kit, _) = await Placed("Birch kit");
        var odd = await server.SignIn("odd");
        var seen = await caller.Get(job.Path);
        await odd.Do(job.Path, "countKit", Count(kit, seen, nuts: 5));
        var late = await caller.Do(job.Path, "countKit", Count(kit, seen, nuts: 6), expected: 409);
        Assert.Equal("version", late["field"]!.GetValue<string>());
        Assert.Equal(
            "missing",
            (await caller.Get(job.Path))["document"]!["kits"]![0]!["pieces"]![1]![
                "end"
            ]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task A_preview_of_the_plan_knows_its_kits()
    {
        var (caller, job, _, _) = await Placed("Cedar kit");
        var d = (await caller.Get(job.Path))["document"]!;
        var plan = d["plans"]![0]!;
        async Task<int> Pieces(Guid? planId) =>
            (
                await caller.Post(
                    $"{job.Path}/plans/preview",
                    new
                    {
                        fromStageId = job.Stage,
                        planId,
                        stacks = plan["stacks"]!
                            .AsArray()
                            .Select(s => new
                            {
                                corner = s!["corner"]!.GetValue<string>(),
                                parts = s["parts"]!
                                    .AsArray()
                                    .Select(p => new
                                    {
                                        id = p!["id"]!.GetValue<Guid>(),
                                        partId = (Guid?)null,
                                    }),
                            }),
                    }
                )
            )["cost"]!["pieces"]!.GetValue<int>();
        // One box, and of another plan none.
        Assert.Equal(1, await Pieces(plan["id"]!.GetValue<Guid>()));
        Assert.Equal(0, await Pieces(null));
    }

    [Fact]
    public async Task The_shelf_goes_out_and_in_with_what_is_in_its_boxes()
    {
        var caller = await server.SignIn();
        await caller.Part(Guid.CreateVersion7(), Kit("Elder kit"));
        var file = await caller.Get("/api/parts.json");
        var mine = file["parts"]!
            .AsArray()
            .Single(p => p!["name"]!.GetValue<string>() == "Elder kit")!;
        mine["name"] = "Elder kit, second print";
        mine["contents"]!["pieces"]![1]!["count"] = 8;
        var look = await caller.Post("/api/parts/look", new { text = file.ToJsonString() });
        Assert.Equal((1, 0), (look["new"]!.GetValue<int>(), look["changed"]!.GetValue<int>()));
        await caller.Shop("readInShelf", new { parts = look["parts"]!, whole = true });
        var read = (await caller.Get("/api/parts"))
            .AsArray()
            .Single(p => p!["part"]!["name"]!.GetValue<string>() == "Elder kit, second print")![
            "part"
        ]!;
        Assert.True(JsonNode.DeepEquals(mine["contents"], read["contents"]));
        // A piece that cannot be is named, and nothing is stored.
        mine["name"] = "Elder kit, third print";
        mine["contents"]!["pieces"]![0]!["count"] = 3;
        var wrong = await caller.Post("/api/parts/look", new { text = file.ToJsonString() });
        Assert.Contains(
            wrong["lines"]!.AsArray(),
            l => l!["problem"]?.GetValue<string>().Contains("do not come out even") == true
        );
    }

    [Fact]
    public async Task A_table_carries_what_has_no_column_of_its_own()
    {
        var caller = await server.SignIn();
        await caller.Part(Guid.CreateVersion7(), Kit("Fern kit"));
        var table = await caller.Http.GetStringAsync(
            "/api/parts.csv",
            TestContext.Current.CancellationToken
        );
        string Line(string text) =>
            text.Split("\r\n").Single(l => l.Contains("Fern kit", StringComparison.Ordinal));
        var header = table.Split("\r\n")[0];
        async Task<JsonNode> Look(string line) =>
            await caller.Post("/api/parts/look", new { text = $"{header}\r\n{line}\r\n" });
        var same = await Look(Line(table));
        Assert.Equal("same", same["lines"]![0]!["does"]?.GetValue<string>());
        var other = await Look(
            Line(table)
                .Replace("Fern kit", "Fern kit 2", StringComparison.Ordinal)
                .Replace("\"\"count\"\":6", "\"\"count\"\":8", StringComparison.Ordinal)
        );
        Assert.Equal("new", other["lines"]![0]!["does"]?.GetValue<string>());
        await caller.Shop("readInShelf", new { parts = other["parts"]!, whole = other["whole"]! });
        var read = (await caller.Get("/api/parts"))
            .AsArray()
            .Single(p => p!["part"]!["name"]!.GetValue<string>() == "Fern kit 2")!["part"]!;
        var pieces = read["contents"]!["pieces"]!;
        Assert.Equal(
            (8, "print 4"),
            (
                pieces[1]!["count"]!.GetValue<int>(),
                read["contents"]!["sheet"]!["source"]!.GetValue<string>()
            )
        );
        // What stands there and cannot be is said of its line.
        foreach (
            var (was, wrong) in new[]
            {
                ("\"\"at\"\":[", "\"\"at\"\":[["),
                ("\"\"LF\"\",\"\"RF\"\"", "\"\"LF\"\",\"\"RF\"\",\"\"LR\"\""),
            }
        )
        {
            var refused = await Look(Line(table).Replace(was, wrong, StringComparison.Ordinal));
            Assert.NotNull(refused["lines"]![0]!["problem"]);
        }
    }
}
