using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

public class FittingTests(Hosted server) : IClassFixture<Hosted>
{
    private async Task<(Caller, TestJob, JsonNode)> Begun()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var (view, planned) = ((JsonNode?)null, await job.PlaceInFront("T-125"));
        // Each test takes two of six plates; put them back on the shelf first.
        await server.Ask<object>("update parts set count = 6 where number = 'T-125' returning 1");
        view = await job.Begin(planned);
        return (caller, job, view);
    }

    private static object Step(string key, string? reason = null) =>
        new
        {
            commandId = Guid.NewGuid(),
            id = Guid.CreateVersion7(),
            step = key,
            minutes = 5.0,
            reason,
        };

    private static object Torque(
        JsonNode joint,
        string pass,
        string position,
        string? value = null,
        string? reason = null
    ) =>
        new
        {
            commandId = Guid.NewGuid(),
            id = Guid.CreateVersion7(),
            jointId = joint["id"]!.GetValue<Guid>(),
            pass,
            value = value is null
                ? null
                : new
                {
                    typed = value,
                    unit = "lb·ft",
                    known = "measured",
                    answers = Array.Empty<string>(),
                },
            criterionSeen = false,
            tool = "torque wrench",
            position,
            reason,
        };

    private static JsonNode Joint(JsonNode view, string place) =>
        view["document"]!["joints"]!
            .AsArray()
            .First(j => j!["place"]!.GetValue<string>() == place)!;

    private static string? Open(JsonNode view, JsonNode joint) =>
        view["jointLines"]!
            .AsArray()
            .First(l => l!["jointId"]!.GetValue<string>() == joint["id"]!.GetValue<string>())![
                "open"
            ]
            ?.GetValue<string>();

    [Fact]
    public async Task A_hold_point_stops_the_steps_behind_it_until_it_is_confirmed_or_overridden_in_writing()
    {
        var (caller, job, _) = await Begun();
        await caller.Do(job.Path, "doStep", Step("vehicle/before-up"));
        await caller.Do(job.Path, "doStep", Step("vehicle/raise"));
        var refused = await caller.Do(
            job.Path,
            "doStep",
            Step("vehicle/wheels-off"),
            expected: 409
        );
        Assert.Contains(
            "Locks and arms",
            refused["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        await caller.Do(job.Path, "doStep", Step("vehicle/supported"));
        var view = await caller.Do(job.Path, "doStep", Step("vehicle/wheels-off"));
        Assert.Equal("hanging", view["document"]!["supports"]![0]!["position"]!.GetValue<string>());
        Assert.Equal(2, view["document"]!["offLines"]!.AsArray().Count);
        view = await caller.Do(
            job.Path,
            "doStep",
            Step("LF/part", "second fitter holds the upright")
        );
        Assert.Contains(
            "second fitter",
            view["document"]!["deviations"]![0]!["why"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task What_came_off_stays_open_until_it_has_a_fate_and_is_closed_once()
    {
        var (caller, job, _) = await Begun();
        await caller.Do(job.Path, "doStep", Step("vehicle/before-up"));
        await caller.Do(job.Path, "doStep", Step("vehicle/raise"));
        await caller.Do(job.Path, "doStep", Step("vehicle/supported"));
        var view = await caller.Do(job.Path, "doStep", Step("vehicle/wheels-off"));
        Assert.Contains(
            view["progress"]!["openLines"]!.AsArray(),
            l => l!.GetValue<string>() == "Wheel LF and its nuts: off, not back"
        );
        var line = view["document"]!["offLines"]!
            .AsArray()
            .First(o =>
                o!["what"]!.GetValue<string>().StartsWith("Wheel LF", StringComparison.Ordinal)
            )!["id"]!.GetValue<Guid>();
        view = await caller.Do(
            job.Path,
            "closeOffLine",
            (line),
            new
            {
                commandId = Guid.NewGuid(),
                fate = "refitHere",
                note = (string?)null,
            }
        );
        Assert.DoesNotContain(
            view["progress"]!["openLines"]!.AsArray(),
            l => l!.GetValue<string>().StartsWith("Wheel LF and", StringComparison.Ordinal)
        );
        await caller.Do(
            job.Path,
            "closeOffLine",
            (line),
            new
            {
                commandId = Guid.NewGuid(),
                fate = "scrap",
                note = (string?)null,
            },
            expected: 409
        );
    }

    [Fact]
    public async Task A_rubber_joint_refuses_final_while_hanging()
    {
        var (caller, job, view) = await Begun();
        var foot = Joint(view, "LF strut foot to lower arm");
        await caller.Do(
            job.Path,
            "tightenJoint",
            Torque(foot, "final", "onWheels", "101"),
            expected: 409
        );
        await caller.Do(job.Path, "tightenJoint", Torque(foot, "hand", "hanging"));
        await caller.Do(job.Path, "tightenJoint", Torque(foot, "snug", "hanging"));
        var refused = await caller.Do(
            job.Path,
            "tightenJoint",
            Torque(foot, "final", "hanging", "101"),
            expected: 409
        );
        Assert.Contains(
            "at ride height",
            refused["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        view = await caller.Do(job.Path, "tightenJoint", Torque(foot, "final", "onWheels", "101"));
        Assert.Equal("no spec with its source", Open(view, foot));
        view = await Spec(caller, job, foot, view, "101");
        Assert.Null(Open(view, foot));
    }

    [Fact]
    public async Task A_torque_stopped_short_is_asked_about_at_once_and_every_pass_is_kept()
    {
        var (caller, job, view) = await Begun();
        var link = Joint(view, "RF upper ball joint to upright");
        view = await Spec(caller, job, link, view, "62");
        await caller.Do(job.Path, "tightenJoint", Torque(link, "hand", "hanging"));
        await caller.Do(job.Path, "tightenJoint", Torque(link, "snug", "hanging"));
        var asked = await caller.Do(
            job.Path,
            "tightenJoint",
            Torque(link, "final", "hanging", "55"),
            expected: 409
        );
        Assert.Equal("reason", asked["field"]!.GetValue<string>());
        view = await caller.Do(
            job.Path,
            "tightenJoint",
            Torque(link, "final", "hanging", "55", "the socket does not reach further")
        );
        Assert.Null(Open(view, link));
        Assert.Contains(
            view["followUpSuggestions"]!.AsArray(),
            f => f!["what"]!.GetValue<string>() == "Look again at RF upper ball joint to upright"
        );
        view = await caller.Do(job.Path, "tightenJoint", Torque(link, "final", "hanging", "62"));
        Assert.Null(Open(view, link));
        Assert.Equal(
            4L,
            await server.Ask<long>(
                $"select count(*) from torque_entries where job_id = '{job.Job}'"
            )
        );
    }

    [Fact]
    public async Task A_spec_needs_its_source()
    {
        var (caller, job, view) = await Begun();
        var link = Joint(view, "RF upper ball joint to upright");
        var refused = await caller.Do(
            job.Path,
            "setSpec",
            (link["id"]),
            SpecBody(link, view, "62", ""),
            expected: 422
        );
        Assert.Equal("source", refused["field"]!.GetValue<string>());
    }

    private static Task<JsonNode> Spec(
        Caller caller,
        TestJob job,
        JsonNode joint,
        JsonNode view,
        string torque
    ) => caller.Do(job.Path, "setSpec", (joint["id"]), SpecBody(joint, view, torque, "sheet 7"));

    private static object SpecBody(JsonNode joint, JsonNode view, string torque, string source) =>
        new
        {
            commandId = Guid.NewGuid(),
            version = view["versions"]![joint["id"]!.GetValue<string>()]!.GetValue<uint>(),
            torque = new
            {
                typed = torque,
                unit = "lb·ft",
                known = "document",
                answers = Array.Empty<string>(),
            },
            angle = (object?)null,
            criterion = (string?)null,
            source,
        };
}
