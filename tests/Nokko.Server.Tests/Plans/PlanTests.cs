using System.Net;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

public class PlanTests(Hosted server) : IClassFixture<Hosted>
{
    private static readonly string[] Front = ["LF", "RF"];

    private static async Task<Guid> PartId(Caller caller, string number) =>
        (await caller.Get("/api/parts"))
            .AsArray()
            .First(p => p!["part"]!["number"]!.GetValue<string>() == number)!["part"]![
            "id"
        ]!.GetValue<Guid>();

    private static object Preview(Guid stage, Guid part) =>
        new
        {
            fromStageId = stage,
            stacks = Front.Select(c => new
            {
                corner = c,
                parts = new[] { new { id = Guid.NewGuid(), partId = part } },
            }),
        };

    /// <summary>Plans of these tests stand side by side: there is enough for all of them.</summary>
    private async Task<(Caller, TestJob)> Measured()
    {
        var caller = await server.SignIn();
        foreach (var number in new[] { "T-100", "T-150" })
        {
            await caller.Shop(
                "moveStock",
                new
                {
                    id = await PartId(caller, number),
                    by = 4,
                    why = "for the tests",
                }
            );
        }
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        return (caller, job);
    }

    [Fact]
    public async Task A_preview_tells_what_a_part_would_do_and_stores_nothing()
    {
        var (caller, job) = await Measured();
        var prediction = await caller.Post(
            $"{job.Path}/plans/preview",
            Preview(job.Stage, await PartId(caller, "T-150"))
        );
        Assert.Equal(3 + (1.9 * 38.1), prediction["frontRise"]!["value"]!.GetValue<double>(), 6);
        var view = await caller.Get(job.Path);
        Assert.Empty(view["document"]!["plans"]!.AsArray());
        Assert.Equal(8, (await caller.Get($"{job.Path}/history")).AsArray().Count);
    }

    [Theory]
    [InlineData("[null]")]
    [InlineData("[{\"corner\":\"LF\",\"parts\":[null]}]")]
    [InlineData("[{\"corner\":\"LF\",\"parts\":null}]")]
    public async Task A_preview_with_nothing_in_a_list_is_refused(string stacks)
    {
        var (caller, job) = await Measured();
        var (status, _) = await caller.Try(
            HttpMethod.Post,
            $"{job.Path}/plans/preview",
            new { fromStageId = job.Stage, stacks = System.Text.Json.Nodes.JsonNode.Parse(stacks) }
        );
        Assert.InRange(status, 400, 422);
    }

    [Fact]
    public async Task A_part_without_a_thickness_previews_a_reason_and_one_that_is_gone_is_named()
    {
        var (caller, job) = await Measured();
        var prediction = await caller.Post(
            $"{job.Path}/plans/preview",
            Preview(job.Stage, await PartId(caller, "MB-3"))
        );
        Assert.Contains(
            "claim but no thickness",
            prediction["cannot"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        var gone = await caller.Post(
            $"{job.Path}/plans/preview",
            Preview(job.Stage, Guid.NewGuid()),
            expected: 422
        );
        Assert.Equal("stacks", gone["field"]!.GetValue<string>());
    }

    [Fact]
    public async Task What_a_plan_moves_is_told_for_the_plan_and_for_what_is_fitted_now()
    {
        var (caller, job) = await Measured();
        var bare = await caller.Get($"{job.Path}/geometry");
        Assert.Equal(0, bare["frontRise"]!["value"]!.GetValue<double>());
        var view = await job.PlaceInFront("T-100");
        var lifted = await caller.Get($"{job.Path}/geometry?plan={job.Plan}");
        Assert.Equal(3 + (1.9 * 25.4), lifted["frontRise"]!["value"]!.GetValue<double>(), 6);
        var shafts = lifted["mechanisms"]!
            .AsArray()
            .Single(m =>
                m!["kind"]!.GetValue<string>() == "cvShaft"
                && m["where"]!.GetValue<string>() == "front"
            )!;
        Assert.Equal(61, shafts["ways"]![1]!["travel"]!["upMm"]!.AsArray().Count);
        var numbers = await caller.Get($"{job.Path}/geometry?plan={job.Plan}&travel=false");
        Assert.All(
            numbers["mechanisms"]!.AsArray().SelectMany(m => m!["ways"]!.AsArray()),
            w => Assert.Null(w!["travel"])
        );
        async Task<HttpStatusCode> Status(string path) =>
            (await caller.Http.GetAsync(path)).StatusCode;
        Assert.Equal(
            HttpStatusCode.NotFound,
            await Status($"{job.Path}/geometry?plan={Guid.NewGuid()}")
        );
        Assert.Equal(HttpStatusCode.BadRequest, await Status($"{job.Path}/geometry?plan=none"));
        Assert.Equal(HttpStatusCode.NotFound, await Status($"/api/jobs/{Guid.NewGuid()}/geometry"));
        // What else moved is kept with the prediction when the fitting begins, and judged once it is read.
        var begun = await job.Begin(view);
        var kept = begun["document"]!["frozenPredictions"]![0]!["prediction"]!["moves"]!.AsArray();
        Assert.Contains(kept, m => m!["kind"]!.GetValue<string>() == "headlights");
    }

    [Fact]
    public async Task A_second_pass_starts_from_what_stands_now_in_the_same_job()
    {
        var (caller, job) = await Measured();
        var begun = await job.Begin(await job.PlaceInFront("T-150"));
        await job.CloseRubber();
        var fitted = begun["document"]!["stages"]!
            .AsArray()
            .First(s => s!["ordinal"]!.GetValue<int>() == 1)!["stacks"]!;
        await job.BeginRound();
        await job.ReadAll("24", "24", "22 7/8", "22 7/8", "43 1/16", "43 1/16");
        // The thick plates out, thinner ones in: only the ratio counts, the bushings have let go already, and the ratio is what the first pass proved: 88.9 mm of 38.1.
        var second = await job.PlaceInFront("T-100");
        var plan = second["results"]!["predictions"]!.AsArray().Last()!;
        Assert.InRange(
            plan["frontRise"]!["value"]!.GetValue<double>(),
            88.9 / 38.1 * -12.7,
            1.9 * -12.7 - 3
        );
        Assert.Contains(
            plan["basis"]!.AsArray(),
            b => b!.GetValue<string>().Contains("1 of this vehicle", StringComparison.Ordinal)
        );
        var again = await job.Begin(second);
        Assert.Equal(3, again["document"]!["stages"]!.AsArray().Count);
        Assert.Equal(2, again["document"]!["frozenPredictions"]!.AsArray().Count);
        Assert.Contains(
            again["card"]!["steps"]!.AsArray(),
            s =>
                s!["title"]!.GetValue<string>()
                == "Change the stack: take out Alder plate 1 1/2; put in Alder plate 1"
        );
        Assert.Equal(2, fitted.AsArray().Count);
    }

    [Fact]
    public async Task A_begun_plan_is_not_changed_and_an_empty_one_not_begun()
    {
        var (caller, job) = await Measured();
        var begun = await job.Begin(await job.PlaceInFront("T-125"));
        var body = new
        {
            commandId = Guid.NewGuid(),
            version = begun["versions"]![job.Plan.ToString()]!.GetValue<uint>(),
            fromStageId = job.Stage,
            name = "Plan A",
            stacks = Array.Empty<object>(),
        };
        await caller.Do(job.Path, "savePlan", (job.Plan), body, expected: 409);

        var (other, fresh) = await Measured();
        var empty = Guid.CreateVersion7();
        var view = await other.Do(
            fresh.Path,
            "savePlan",
            (empty),
            new
            {
                commandId = Guid.NewGuid(),
                version = (uint?)null,
                fromStageId = fresh.Stage,
                name = "Plan A",
                stacks = Array.Empty<object>(),
            }
        );
        var refused = await other.Do(
            fresh.Path,
            "beginFitting",
            (empty),
            new
            {
                commandId = Guid.NewGuid(),
                version = view["versions"]![empty.ToString()]!.GetValue<uint>(),
                stageId = Guid.NewGuid(),
                frozenId = Guid.NewGuid(),
                deviationId = Guid.NewGuid(),
                reason = (string?)null,
            },
            expected: 422
        );
        Assert.Contains(
            "Nothing changes",
            refused["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Two_people_who_begin_at_once_begin_once()
    {
        var (caller, job) = await Measured();
        var planned = await job.PlaceInFront("T-100");
        object Begin() =>
            new
            {
                commandId = Guid.NewGuid(),
                version = planned["versions"]![job.Plan.ToString()]!.GetValue<uint>(),
                stageId = Guid.NewGuid(),
                frozenId = Guid.NewGuid(),
                deviationId = Guid.NewGuid(),
                reason = (string?)null,
            };
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 4)
                .Select(_ => caller.TryDo(job.Path, "beginFitting", (job.Plan), Begin()))
        );
        Assert.Single(answers, a => a.Status == 200);
        Assert.All(answers, a => Assert.True(a.Status is 200 or 409, $"{a.Status}"));
        Assert.Equal(2, (await caller.Get(job.Path))["document"]!["stages"]!.AsArray().Count);
    }

    private static object Saved(JsonNode view, string name, object[] front, Guid? id = null) =>
        new
        {
            commandId = Guid.CreateVersion7(),
            version = id is { } plan ? view["versions"]![plan.ToString()]?.GetValue<uint>() : null,
            fromStageId = view["document"]!["stages"]![0]!["id"]!.GetValue<Guid>(),
            name,
            stacks = Front.Select((c, i) => new { corner = c, parts = new[] { front[i] } }),
        };

    private static object Version(JsonNode view, Guid plan) =>
        new
        {
            commandId = Guid.CreateVersion7(),
            version = view["versions"]![plan.ToString()]!.GetValue<uint>(),
        };

    [Fact]
    public async Task Plans_stand_side_by_side_and_the_chosen_one_is_fitted()
    {
        var (caller, job) = await Measured();
        var part = await PartId(caller, "T-100");
        var thick = await PartId(caller, "T-150");
        object Of(Guid p) => new { id = Guid.NewGuid(), partId = p };
        var (a, b) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        var view = await caller.Get(job.Path);
        view = await caller.Do(
            job.Path,
            "savePlan",
            (a),
            Saved(view, "Plan A", [Of(part), Of(part)])
        );
        view = await caller.Do(
            job.Path,
            "savePlan",
            (b),
            Saved(view, "Plan B", [Of(thick), Of(thick)])
        );
        JsonNode Plan(Guid id) =>
            view["document"]!["plans"]!.AsArray().Single(p => p!["id"]!.GetValue<Guid>() == id)!;
        Assert.True(Plan(a)["chosen"]!.GetValue<bool>());
        Assert.False(Plan(b)["chosen"]!.GetValue<bool>());
        Assert.Equal(2, view["results"]!["predictions"]!.AsArray().Count);

        view = await caller.Do(job.Path, "choosePlan", (b), Version(view, b));
        Assert.False(Plan(a)["chosen"]!.GetValue<bool>());
        Assert.True(Plan(b)["chosen"]!.GetValue<bool>());

        view = await caller.Do(job.Path, "dropPlan", (a), Version(view, a));
        Assert.Single(view["document"]!["plans"]!.AsArray());
        await caller.Do(
            job.Path,
            "choosePlan",
            (a),
            new { commandId = Guid.CreateVersion7(), version = 1 },
            404
        );
        // A plan that was dropped comes back by undo, as every change of the last hour.
        var history = (await caller.Get($"{job.Path}/history")).AsArray();
        view = await caller.Do(
            job.Path,
            "takeBack",
            new { commandId = Guid.CreateVersion7(), change = history[0]!["id"]!.GetValue<Guid>() }
        );
        Assert.Equal("Plan A", Plan(a)["name"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_collar_is_turned_up_without_anything_from_the_shelf()
    {
        var (caller, job) = await Measured();
        var view = await caller.Get(job.Path);
        object Raise(string typed) =>
            new
            {
                id = Guid.NewGuid(),
                partId = (Guid?)null,
                raise = new
                {
                    typed,
                    unit = "mm",
                    known = "measured",
                },
            };
        var id = Guid.CreateVersion7();
        var refused = await caller.Do(
            job.Path,
            "savePlan",
            (id),
            Saved(view, "Plan A", [Raise("a bit"), Raise("12")]),
            422
        );
        Assert.Equal("raise", refused["field"]!.GetValue<string>());
        view = await caller.Do(
            job.Path,
            "savePlan",
            (id),
            Saved(view, "Plan A", [Raise("12"), Raise("12")])
        );
        var prediction = view["results"]!["predictions"]![0]!;
        Assert.Equal(3 + (1.9 * 12), prediction["frontRise"]!["value"]!.GetValue<double>(), 6);
    }

    [Fact]
    public async Task Loads_that_are_stated_show_how_it_sits_with_them_on()
    {
        var (caller, job) = await Measured();
        await job.PlaceInFront("T-100");
        var view = await caller.Get(job.Path);
        object Body(JsonNode v, string mass) =>
            new
            {
                commandId = Guid.CreateVersion7(),
                version = v["versions"]![job.Job.ToString()]!.GetValue<uint>(),
                loads = new[]
                {
                    new
                    {
                        id = Guid.CreateVersion7(),
                        name = "boat on the bar",
                        mass = Typed(mass, "kg"),
                        behind = Typed("4300", "mm"),
                        left = (object?)null,
                        stays = false,
                    },
                },
            };
        var bad = await caller.Do(job.Path, "setLoads", Body(view, "heavy"), 422);
        Assert.Equal("loads[0].mass", bad["field"]!.GetValue<string>());
        view = await caller.Do(job.Path, "setLoads", Body(view, "110"));
        var loaded = view["results"]!["predictions"]![0]!["loaded"]!;
        Assert.Equal("boat on the bar", loaded["loads"]![0]!.GetValue<string>());
        Assert.True(loaded["rearRise"]!["value"]!.GetValue<double>() < -5);
    }

    private static object Typed(string typed, string unit) =>
        new
        {
            typed,
            unit,
            known = "told",
        };

    [Fact]
    public async Task A_plan_that_somebody_else_changed_meanwhile_is_not_overwritten_and_a_name_is_needed()
    {
        var (caller, job) = await Measured();
        var part = await PartId(caller, "T-100");
        object Of() => new { id = Guid.NewGuid(), partId = part };
        var id = Guid.CreateVersion7();
        var seen = await caller.Get(job.Path);
        seen = await caller.Do(job.Path, "savePlan", (id), Saved(seen, "Plan A", [Of(), Of()]));
        await caller.Do(job.Path, "savePlan", (id), Saved(seen, "Soft", [Of(), Of()], id));
        var stale = await caller.Do(
            job.Path,
            "savePlan",
            (id),
            Saved(seen, "Hard", [Of(), Of()], id),
            409
        );
        Assert.Equal("Soft", stale["theirs"]!["name"]!.GetValue<string>());
        await caller.Do(job.Path, "dropPlan", (id), Version(seen, id), 409);
        var now = await caller.Get(job.Path);
        var nameless = await caller.Do(
            job.Path,
            "savePlan",
            (id),
            Saved(now, "  ", [Of(), Of()], id),
            422
        );
        Assert.Equal("name", nameless["field"]!.GetValue<string>());
    }

    [Fact]
    public async Task Pieces_lie_from_the_body_down_in_whatever_order_they_were_put_in()
    {
        var (caller, job) = await Measured();
        var view = await caller.Get(job.Path);
        string[] numbers = ["LS-20", "BE-25", "T-100", "PR-25"];
        var ids = new List<Guid>();
        foreach (var number in numbers)
        {
            ids.Add(await PartId(caller, number));
        }
        view = await caller.Do(
            job.Path,
            "savePlan",
            (Guid.CreateVersion7()),
            new
            {
                commandId = Guid.CreateVersion7(),
                version = (uint?)null,
                fromStageId = job.Stage,
                name = "Plan A",
                stacks = new[]
                {
                    new
                    {
                        corner = "LF",
                        parts = ids.Select(p => new { id = Guid.NewGuid(), partId = p }),
                    },
                },
            }
        );
        Assert.Equal(
            ["T-100", "PR-25", "BE-25", "LS-20"],
            view["document"]!["plans"]![0]!["stacks"]![0]!["parts"]!
                .AsArray()
                .Select(p => p!["number"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task The_plan_that_is_begun_is_the_one_that_was_asked_for_and_others_stay_unfitted()
    {
        var (caller, job) = await Measured();
        var (thin, thick) = (await PartId(caller, "T-100"), await PartId(caller, "T-150"));
        object Of(Guid p) => new { id = Guid.NewGuid(), partId = p };
        var (a, b) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        var view = await caller.Get(job.Path);
        view = await caller.Do(
            job.Path,
            "savePlan",
            (a),
            Saved(view, "Plan A", [Of(thin), Of(thin)])
        );
        view = await caller.Do(
            job.Path,
            "savePlan",
            (b),
            Saved(view, "Plan B", [Of(thick), Of(thick)])
        );
        var promised = view["results"]!["predictions"]!
            .AsArray()
            .Single(p => p!["planId"]!.GetValue<Guid>() == b)!["frontRise"]![
            "value"
        ]!.GetValue<double>();
        view = await caller.Do(
            job.Path,
            "beginFitting",
            (b),
            new
            {
                commandId = Guid.CreateVersion7(),
                version = view["versions"]![b.ToString()]!.GetValue<uint>(),
                stageId = Guid.CreateVersion7(),
                frozenId = Guid.CreateVersion7(),
                deviationId = Guid.CreateVersion7(),
                reason = (string?)null,
            }
        );
        var frozen = view["document"]!["frozenPredictions"]!.AsArray().Single()!;
        Assert.Equal(b, frozen["planId"]!.GetValue<Guid>());
        Assert.Equal(promised, frozen["prediction"]!["frontRise"]!["value"]!.GetValue<double>(), 9);
        Assert.NotEmpty(frozen["prediction"]!["corners"]!.AsArray());
        // The other one starts from a stage that is gone by: it can neither be begun nor chosen now.
        var late = await caller.Do(
            job.Path,
            "beginFitting",
            (a),
            new
            {
                commandId = Guid.CreateVersion7(),
                version = view["versions"]![a.ToString()]!.GetValue<uint>(),
                stageId = Guid.CreateVersion7(),
                frozenId = Guid.CreateVersion7(),
                deviationId = Guid.CreateVersion7(),
                reason = (string?)null,
            },
            409
        );
        Assert.Equal("plan", late["field"]!.GetValue<string>());
        await caller.Do(job.Path, "choosePlan", (a), Version(view, a), 409);
    }

    [Theory]
    [InlineData("behind", "", "mm", "loads[0].behind")]
    [InlineData("behind", "900000", "mm", "loads[0].behind")]
    [InlineData("mass", "50000", "kg", "loads[0].mass")]
    [InlineData("mass", "50", "mm", "loads[0].mass")]
    [InlineData("name", "", "", "loads[0].name")]
    public async Task A_load_that_cannot_be_is_refused_at_its_field(
        string what,
        string typed,
        string unit,
        string field
    )
    {
        var (caller, job) = await Measured();
        var view = await caller.Get(job.Path);
        var answer = await caller.Do(
            job.Path,
            "setLoads",
            new
            {
                commandId = Guid.CreateVersion7(),
                version = view["versions"]![job.Job.ToString()]!.GetValue<uint>(),
                loads = new[]
                {
                    new
                    {
                        id = Guid.CreateVersion7(),
                        name = what == "name" ? typed : "boat",
                        mass = what == "mass" ? Typed(typed, unit) : Typed("100", "kg"),
                        behind = what == "behind" ? Typed(typed, unit) : Typed("4000", "mm"),
                        left = (object?)null,
                        stays = false,
                    },
                },
            },
            422
        );
        Assert.Equal(field, answer["field"]!.GetValue<string>());
    }
}
