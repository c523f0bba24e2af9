using System.Text.Json;
using System.Text.Json.Nodes;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What cannot be taken is refused where it was typed, in words, and leaves nothing behind.</summary>
public class ReadingRefusalsTests(Hosted server) : IClassFixture<Hosted>
{
    [Fact]
    public async Task A_height_is_refused_at_its_field()
    {
        var (caller, job) = await Begun();
        await Refused(
            caller,
            job,
            "storeReading",
            Height(job, new { station = "roof" }),
            "station"
        );
        await Refused(caller, job, "storeReading", Height(job, new { typed = "20 1/3" }), "typed");
        await Refused(
            caller,
            job,
            "storeReading",
            Height(job, new { walkRoundId = Guid.NewGuid() }),
            "walkRoundId",
            404
        );
        await Refused(caller, job, "storeReading", Height(job, new { from = "own" }), "ownMark");
        await Refused(
            caller,
            job,
            "storeReading",
            Height(job, new { supersedes = Guid.NewGuid(), reason = "slip" }),
            "supersedes"
        );
        var first = Guid.CreateVersion7();
        await caller.Do(job.Path, "storeReading", Height(job, new { id = first }));
        await Refused(
            caller,
            job,
            "storeReading",
            Height(job, new { supersedes = first, reason = "  " }),
            "reason",
            stored: 1
        );
    }

    [Fact]
    public async Task A_measure_is_refused_at_its_field()
    {
        var (caller, job) = await Begun();
        await Refused(caller, job, "storeMeasure", Measure(job, "mood", "LF", "3"), "measure");
        await Refused(caller, job, "storeMeasure", Measure(job, "caster", "front", "3"), "place");
        await Refused(caller, job, "storeMeasure", Measure(job, "caster", "LF", "three"), "typed");
        await Refused(
            caller,
            job,
            "storeMeasure",
            Measure(job, "camberSquare", "LF", "1/8"),
            "over"
        );
        await Refused(caller, job, "storeMeasure", Measure(job, "ride", "vehicle", "   "), "typed");
        await Refused(caller, job, "storeMeasure", Measure(job, "hubHeight", "LF", "-3"), "typed");
        // An unusual value is asked about, and taken when the person says that it is right.
        var asked = await Refused(
            caller,
            job,
            "storeMeasure",
            Measure(job, "caster", "LF", "45"),
            "typed"
        );
        var key = asked["choices"]![0]!["key"]!.GetValue<string>();
        var view = await caller.Do(
            job.Path,
            "storeMeasure",
            Measure(job, "caster", "LF", "45", key)
        );
        Assert.Single(view["document"]!["readings"]!.AsArray());
    }

    [Fact]
    public async Task A_note_is_kept_in_its_own_words()
    {
        var (caller, job) = await Begun();
        var view = await caller.Do(
            job.Path,
            "storeMeasure",
            Measure(job, "ride", "vehicle", "harsh over the cattle grid")
        );
        var note = Assert.Single(view["document"]!["readings"]!.AsArray())!;
        Assert.Equal("harsh over the cattle grid", note["note"]!.GetValue<string>());
        Assert.Null(note["value"]);
    }

    [Fact]
    public async Task Standard_heights_need_a_source_a_height_and_a_station_that_is_there()
    {
        var (caller, job) = await Begun();
        await Refused(caller, job, "noteStandard", Standard("LF", "21", ""), "source");
        await Refused(caller, job, "noteStandard", Standard("LF", "", "sheet 4"), "heights");
        await Refused(caller, job, "noteStandard", Standard("roof", "21", "sheet 4"), "station");
        await Refused(caller, job, "noteStandard", Standard("LF", "tall", "sheet 4"), "heights.LF");
    }

    [Fact]
    public async Task A_station_has_a_name_and_lies_on_the_vehicle()
    {
        var (caller, job) = await Begun();
        foreach (var (name, x, field) in new[] { ("", 0.0, "name"), ("tow eye", 1e6, "place") })
        {
            var view = await caller.Get(job.Path);
            var answer = await caller.Do(
                job.Path,
                "placeStation",
                new
                {
                    commandId = Guid.CreateVersion7(),
                    version = view["versions"]![job.Stage.ToString()]!.GetValue<uint>(),
                    name,
                    xMm = x,
                    yMm = 0,
                    carrier = "frame",
                    edge = (string?)null,
                    walkRoundId = job.Round,
                },
                422
            );
            Assert.Equal(field, answer["field"]!.GetValue<string>());
        }
    }

    [Fact]
    public async Task Points_that_somebody_else_changed_meanwhile_are_not_overwritten_and_go_back_on_undo()
    {
        var (caller, job) = await Begun();
        var seen = await caller.Get(job.Path);
        var version = seen["versions"]![job.Stage.ToString()]!.GetValue<uint>();
        var view = await caller.Do(job.Path, "setPoints", Points(version, "front"));
        Assert.Single(view["document"]!["stages"]![0]!["front"]!["points"]!.AsArray());
        var stale = await caller.Do(job.Path, "setPoints", Points(version, "front", "31"), 409);
        Assert.Equal("version", stale["field"]!.GetValue<string>());
        var fresh = view["versions"]![job.Stage.ToString()]!.GetValue<uint>();
        // A live axle on leaves has no such points, and a third axle there is not.
        foreach (var axle in new[] { "rear", "middle" })
        {
            var wrong = await caller.Do(job.Path, "setPoints", Points(fresh, axle), 422);
            Assert.Equal("axle", wrong["field"]!.GetValue<string>());
        }
        var taped = (await caller.Get($"{job.Path}/history"))
            .AsArray()
            .First(h => h!["kind"]!.GetValue<string>() == "suspension points taped")!;
        view = await caller.Do(
            job.Path,
            "takeBack",
            new { commandId = Guid.CreateVersion7(), change = taped["id"]!.GetValue<Guid>() }
        );
        Assert.Empty(view["document"]!["stages"]![0]!["front"]!["points"]!.AsArray());
    }

    private static async Task<JsonNode> Refused(
        Caller caller,
        TestJob job,
        string kind,
        object body,
        string field,
        int status = 422,
        int stored = 0
    )
    {
        var (got, answer) = await caller.TryDo(job.Path, kind, body);
        Assert.True(status == got, $"{field}: {got} {answer.ToJsonString()}");
        if (status == 422)
        {
            Assert.Equal(field, answer["field"]!.GetValue<string>());
            Assert.Matches(@"[.?]$", answer["detail"]!.GetValue<string>());
        }
        var view = await caller.Get(job.Path);
        Assert.Equal(stored, view["document"]!["readings"]!.AsArray().Count);
        return answer;
    }

    private async Task<(Caller, TestJob)> Begun()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        return (caller, job);
    }

    private static JsonObject Height(TestJob job, object change)
    {
        var body = JsonSerializer.SerializeToNode(job.Reading("LF", "20 1/2"))!.AsObject();
        foreach (var (key, value) in JsonSerializer.SerializeToNode(change)!.AsObject())
        {
            body[key] = value?.DeepClone();
        }
        return body;
    }

    private static object Measure(
        TestJob job,
        string measure,
        string place,
        string typed,
        params string[] answers
    ) =>
        new
        {
            commandId = Guid.CreateVersion7(),
            id = Guid.CreateVersion7(),
            walkRoundId = job.Round,
            measure,
            place,
            typed,
            over = (object?)null,
            answers,
            takenAt = DateTimeOffset.UtcNow,
            supersedes = (Guid?)null,
            reason = (string?)null,
        };

    private static object Standard(string station, string height, string source) =>
        new
        {
            commandId = Guid.CreateVersion7(),
            stageId = Guid.CreateVersion7(),
            walkRoundId = Guid.CreateVersion7(),
            datum = "hub",
            heights = new[]
            {
                new
                {
                    id = Guid.CreateVersion7(),
                    station,
                    height = Typed(height, "in"),
                },
            },
            source,
        };

    private static object Points(uint version, string axle, string up = "30 1/4") =>
        new
        {
            commandId = Guid.CreateVersion7(),
            version,
            axle,
            points = new[]
            {
                new
                {
                    name = "strutTop",
                    across = Typed("16", "in"),
                    up = Typed(up, "in"),
                },
            },
        };

    private static object Typed(string typed, string unit) =>
        new
        {
            typed,
            unit,
            known = "measured",
        };
}
