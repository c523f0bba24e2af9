using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Stock in the database: moved by two at once, taken by a fitting, wanted by plans.</summary>
public class StockTests(Hosted server) : IClassFixture<Hosted>
{
    private static readonly string[] Front = ["LF", "RF"];

    private static object Plate(int count, string? dueOn = null) =>
        new
        {
            dueOn,
            version = (uint?)null,
            number = (string?)null,
            name = $"Sorrel plate {Guid.NewGuid()}",
            part = "strutTopSpacer",
            thickness = new
            {
                typed = "1",
                unit = "in",
                known = "measured",
                answers = Array.Empty<string>(),
            },
            claim = (object?)null,
            count,
            price = (decimal?)null,
            currency = (string?)null,
            notes = (string?)null,
        };

    private static async Task<(TestJob Job, Guid Plan)> Planned(Caller caller, Guid part)
    {
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var plan = Guid.CreateVersion7();
        await caller.Do(
            job.Path,
            "savePlan",
            new
            {
                id = plan,
                version = (uint?)null,
                fromStageId = job.Stage,
                name = "Plan A",
                stacks = Front.Select(c => new
                {
                    corner = c,
                    parts = new[] { new { id = Guid.CreateVersion7(), partId = part } },
                }),
            }
        );
        return (job, plan);
    }

    private static async Task<int> Wanted(Caller caller, Guid part) =>
        (await caller.Get("/api/parts/wanted"))
            .AsArray()
            .FirstOrDefault(w => w!["partId"]!.GetValue<Guid>() == part)
            ?["count"]!.GetValue<int>()
        ?? 0;

    /// <summary>What the yard says that a job waits for: parts, of them to order, and until when; null where it waits for none.</summary>
    private static async Task<(int Parts, int ToOrder, string? Until)?> Waits(
        Caller caller,
        TestJob job
    ) =>
        (await caller.Get("/api/yard?find=TT%201"))["jobs"]!
            .AsArray()
            .First(j => j!["jobId"]!.GetValue<Guid>() == job.Job)!["waits"]
            is { } waits
            ? (
                waits["parts"]!.GetValue<int>(),
                waits["toOrder"]!.GetValue<int>(),
                waits["until"]?.GetValue<string>()
            )
            : null;

    private static async Task<JsonNode> Bought(Caller caller, TestJob job, Guid plan) =>
        (await caller.Get($"{job.Path}/plans/{plan}/shopping"))["lines"]![0]!;

    private static async Task<JsonNode> Begin(
        Caller caller,
        TestJob job,
        Guid plan,
        int expected = 200
    )
    {
        var view = await caller.Get(job.Path);
        return await caller.Do(
            job.Path,
            "beginFitting",
            new
            {
                id = plan,
                version = view["versions"]![$"{plan}"]!.GetValue<uint>(),
                stageId = Guid.CreateVersion7(),
                frozenId = Guid.CreateVersion7(),
                deviationId = Guid.CreateVersion7(),
                reason = (string?)null,
            },
            expected
        );
    }

    [Fact]
    public async Task Two_who_move_one_part_at_once_both_count()
    {
        var (brenna, odd) = (await server.SignIn(), await server.SignIn("odd"));
        var part = Guid.CreateVersion7();
        await brenna.Part(part, Plate(5));
        await Task.WhenAll(
            brenna.Shop(
                "moveStock",
                new
                {
                    id = part,
                    by = 4,
                    why = "delivered",
                }
            ),
            odd.Shop(
                "moveStock",
                new
                {
                    id = part,
                    by = -2,
                    why = "broken",
                }
            )
        );
        var key = Guid.CreateVersion7();
        // The same once more, on a weak line.
        var again = new
        {
            commandId = key,
            id = part,
            by = 1,
            why = (string?)null,
        };
        await odd.Shop("moveStock", again);
        await odd.Shop("moveStock", again);
        var moves = (await brenna.Get($"/api/parts/{part}/moves")).AsArray();
        Assert.Equal([1, 4, -2, 5], moves.Select(m => m!["by"]!.GetValue<int>()).OrderBy(Order));
        Assert.Equal(8, moves[0]!["left"]!.GetValue<int>());
        Assert.Contains(
            moves,
            m =>
                m!["does"]!.GetValue<string>() == "stock: broken"
                && m["person"]!.GetValue<string>().StartsWith("Odd", StringComparison.Ordinal)
        );
        var refused = await brenna.Shop(
            "moveStock",
            new
            {
                id = part,
                by = -9,
                why = (string?)null,
            },
            expected: 422
        );
        Assert.Equal("by", refused["field"]!.GetValue<string>());

        static int Order(int by) => Array.IndexOf([1, 4, -2, 5], by);
    }

    [Fact]
    public async Task Whoever_is_served_first_has_the_pieces_and_a_begun_plan_has_taken_its_own()
    {
        var caller = await server.SignIn();
        var part = Guid.CreateVersion7();
        await caller.Part(part, Plate(3));
        var (first, firstPlan) = await Planned(caller, part);
        Assert.Equal(2, await Wanted(caller, part));
        var (second, secondPlan) = await Planned(caller, part);
        Assert.Equal(4, await Wanted(caller, part));
        Assert.Equal(0, (await Bought(caller, first, firstPlan))["toOrder"]!.GetValue<int>());
        var late = await Bought(caller, second, secondPlan);
        Assert.Equal(
            (1, "3 on the shelf, 2 wanted by jobs that are served first"),
            (late["toOrder"]!.GetValue<int>(), late["why"]!.GetValue<string>())
        );
        // The yard says the same of both.
        Assert.Null(await Waits(caller, first));
        Assert.Equal((1, 1, null), await Waits(caller, second));
        var asked = await Begin(caller, second, secondPlan, expected: 409);
        Assert.Equal("reason", asked["field"]!.GetValue<string>());
        await Begin(caller, first, firstPlan);
        Assert.Equal(2, await Wanted(caller, part));
        late = await Bought(caller, second, secondPlan);
        Assert.Equal(
            (1, null),
            (late["toOrder"]!.GetValue<int>(), late["why"]?.GetValue<string>())
        );
        var left = (await caller.Get($"/api/parts/{part}/moves"))[0]!;
        Assert.Equal(
            (-2, 1, first.Job, "fitting begun"),
            (
                left["by"]!.GetValue<int>(),
                left["left"]!.GetValue<int>(),
                left["jobId"]!.GetValue<Guid>(),
                left["does"]!.GetValue<string>()
            )
        );
    }

    [Fact]
    public async Task A_tool_that_lacks_is_on_the_list_of_every_plan_and_two_who_note_one_at_once_both_count()
    {
        var (brenna, odd) = (await server.SignIn(), await server.SignIn("odd"));
        var job = new TestJob(brenna);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        await job.PlaceInFront("T-100");
        var tools = (await List())["tools"]!.AsArray();
        Assert.All(tools, t => Assert.False(t!["lacking"]!.GetValue<bool>()));
        string[] names = [.. tools.Select(t => t!["tool"]!.GetValue<string>())];
        await Task.WhenAll(Note(brenna, names[0], true), Note(odd, names[1], true));
        Assert.Equal(
            names[..2],
            (await List())["lines"]!
                .AsArray()
                .Where(l => l!["kind"]!.GetValue<string>() == "tool")
                .Select(l => l!["what"]!.GetValue<string>())
        );
        var csv = await brenna.Http.GetStringAsync(
            $"{job.Path}/plans/{job.Plan}/shopping.csv",
            TestContext.Current.CancellationToken
        );
        Assert.Contains($"tool,must,vehicle,{names[0]},1", csv, StringComparison.Ordinal);

        async Task<JsonNode> List() => await brenna.Get($"{job.Path}/plans/{job.Plan}/shopping");
        static Task Note(Caller who, string tool, bool lacking) =>
            who.Shop(
                "noteTool",
                new
                {
                    id = Guid.CreateVersion7(),
                    tool,
                    lacking,
                }
            );
    }

    [Fact]
    public async Task The_yard_says_until_when_a_job_waits_for_what_is_ordered_and_no_longer_once_it_is_here()
    {
        var caller = await server.SignIn();
        var part = Guid.CreateVersion7();
        await caller.Part(part, Plate(1, "2027-01-05"));
        var (job, plan) = await Planned(caller, part);
        Assert.Equal((1, 0, "2027-01-05"), await Waits(caller, job));
        await caller.Shop(
            "moveStock",
            new
            {
                id = part,
                by = 1,
                why = "delivered",
            }
        );
        Assert.Null(await Waits(caller, job));
        // Begun, it has what it needs, whatever is left for others.
        await Begin(caller, job, plan);
        Assert.Null(await Waits(caller, job));
    }
}
