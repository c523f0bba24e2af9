using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

public class JobTests(Hosted server) : IClassFixture<Hosted>
{
    [Fact]
    public async Task A_whole_job_is_measured_planned_fitted_and_proved()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var planned = await job.PlaceInFront("T-100", more: 2);
        var rise = planned["results"]!["predictions"]![0]!["frontRise"]![
            "value"
        ]!.GetValue<double>();
        Assert.Equal(3 + (1.9 * 25.4), rise, 6);
        var begun = await job.Begin(planned);
        // Ten places at each front corner: wheel, arm pivots, ball joint, foot, both rows of studs, link, hose and lead.
        Assert.Equal(20, begun["document"]!["joints"]!.AsArray().Count);
        Assert.Equal("fit", begun["progress"]!["next"]!.GetValue<string>());

        await job.BeginRound();
        await job.ReadAll("22 5/8", "22 5/8", "22 7/8", "22 7/8", "42 1/4", "42 1/4");
        var open = (await caller.Get(job.Path))["results"]!["proofs"]![0]!;
        Assert.Equal("cannotTell", open["overall"]!.GetValue<string>());
        await job.CloseRubber();
        var view = await caller.Get(job.Path);
        var proof = view["results"]!["proofs"]![0]!;
        Assert.Equal("reached", proof["overall"]!.GetValue<string>());
        Assert.Equal("fits", proof["comparison"]!["rigid"]!["verdict"]!.GetValue<string>());
        Assert.Equal(2.125, proof["lifts"]![0]!["ratio"]!["value"]!.GetValue<double>(), 6);
    }

    [Fact]
    public async Task The_shelf_gives_what_the_plan_takes_and_no_more()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var placed = await job.PlaceInFront("T-150", more: 2);
        var before = await Count("T-150");
        await job.Begin(placed);
        Assert.Equal(before - 2, await Count("T-150"));

        async Task<int> Count(string number) =>
            (await caller.Get("/api/parts"))
                .AsArray()
                .First(p => p!["part"]!["number"]!.GetValue<string>() == number)!["part"]![
                "count"
            ]!.GetValue<int>();
    }

    [Fact]
    public async Task The_prediction_is_frozen_when_the_fitting_begins()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var begun = await job.Begin(await job.PlaceInFront("T-100", more: 2));
        var frozen = begun["document"]!["frozenPredictions"]![0]!.ToJsonString();
        var changed = await caller.Do(
            job.Path,
            "setSizes",
            new
            {
                commandId = Guid.NewGuid(),
                version = begun["versions"]![job.Vehicle.ToString()]!.GetValue<uint>(),
                sizes = TestJob.Sizes("3500"),
            }
        );
        Assert.Equal(frozen, changed["document"]!["frozenPredictions"]![0]!.ToJsonString());
        Assert.Equal(
            3500,
            changed["document"]!["vehicle"]!["dimensions"]!["wheelbase"]![
                "value"
            ]!.GetValue<double>()
        );
    }

    [Fact]
    public async Task Without_a_measurement_the_fitting_begins_only_with_a_written_reason()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        var planned = await job.PlaceInFront("T-100", more: 2);
        var refused = await job.Begin(planned, expected: 409);
        Assert.Equal("reason", refused["field"]!.GetValue<string>());
        var begun = await job.Begin(planned, "owner waits, measured by the last shop");
        Assert.Equal(
            "owner waits, measured by the last shop",
            begun["document"]!["deviations"]![0]!["why"]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task A_repeated_command_changes_nothing()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        var body = job.Reading("LF", "20 1/2");
        await caller.Do(job.Path, "storeReading", body);
        var again = await caller.Do(job.Path, "storeReading", body);
        Assert.Single(again["document"]!["readings"]!.AsArray());
        // Many at once, as a phone would after a tunnel.
        var burst = job.Reading("RF", "20 1/2");
        await Task.WhenAll(
            Enumerable.Range(0, 8).Select(_ => caller.Do(job.Path, "storeReading", burst))
        );
        Assert.Equal(2, (await caller.Get(job.Path))["document"]!["readings"]!.AsArray().Count);
    }

    [Fact]
    public async Task Two_people_read_at_once_and_nothing_is_lost()
    {
        var (brenna, odd) = (await server.SignIn(), await server.SignIn("odd"));
        var job = new TestJob(brenna);
        await job.TakeIn();
        await job.BeginRound();
        string[] stations = ["LF", "LM", "LR", "RR", "RM", "RF"];
        await Task.WhenAll(
            stations.SelectMany(s =>
                new[] { brenna, odd }.Select(who =>
                    who.Do(job.Path, "storeReading", job.Reading(s, s[1] == 'M' ? "41" : "20 1/2"))
                )
            )
        );
        var d = (await brenna.Get(job.Path))["document"]!;
        Assert.Equal(12, d["readings"]!.AsArray().Count);
        Assert.Equal(2, d["people"]!.AsArray().Count);
    }

    [Fact]
    public async Task A_correction_supersedes_and_both_stay()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        var first = (await job.Read("LF", "20 1/2"))["document"]!["readings"]![0]![
            "id"
        ]!.GetValue<Guid>();
        var (status, answer) = await caller.TryDo(
            job.Path,
            "storeReading",
            job.Reading("LF", "20 3/4", supersedes: first)
        );
        Assert.Equal((422, "reason"), (status, answer["field"]!.GetValue<string>()));
        var view = await caller.Do(
            job.Path,
            "storeReading",
            job.Reading("LF", "20 3/4", supersedes: first, reason: "tape was hooked on the liner")
        );
        Assert.Equal(2, view["document"]!["readings"]!.AsArray().Count);
        Assert.Equal(
            20.75 * 25.4,
            view["results"]!["walkRounds"]![0]!["stations"]![0]!["height"]![
                "value"
            ]!.GetValue<double>(),
            6
        );
        Assert.Equal(
            2L,
            await server.Ask<long>(
                $"select count(*) from readings where vehicle_id = '{job.Vehicle}'"
            )
        );
    }

    [Fact]
    public async Task A_stale_save_is_refused_with_what_is_there_now()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        var view = await job.TakeIn();
        var version = view["versions"]![job.Vehicle.ToString()]!.GetValue<uint>();
        await caller.Do(
            job.Path,
            "setSizes",
            new
            {
                commandId = Guid.NewGuid(),
                version,
                sizes = TestJob.Sizes("3300"),
            }
        );
        var stale = await caller.Do(
            job.Path,
            "setSizes",
            new
            {
                commandId = Guid.NewGuid(),
                version,
                sizes = TestJob.Sizes("3400"),
            },
            expected: 409
        );
        Assert.Equal("version", stale["field"]!.GetValue<string>());
        Assert.Equal(
            3300,
            stale["theirs"]!["dimensions"]!["wheelbase"]!["value"]!.GetValue<double>()
        );
    }

    [Fact]
    public async Task The_history_names_who_did_what_and_keeps_what_was_replaced()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        var view = await job.TakeIn();
        await caller.Do(
            job.Path,
            "setSizes",
            new
            {
                commandId = Guid.NewGuid(),
                version = view["versions"]![job.Vehicle.ToString()]!.GetValue<uint>(),
                sizes = TestJob.Sizes("3300"),
            }
        );
        var history = (await caller.Get($"{job.Path}/history")).AsArray();
        Assert.Equal(
            ["vehicle's sizes changed", "vehicle taken in"],
            history.Select(h => h!["kind"]!.GetValue<string>())
        );
        Assert.All(history, h => Assert.Equal("Brenna Tarn", h!["person"]!.GetValue<string>()));
        var replaced = await server.Ask<string>(
            $"select changes::text from commands where job_id = '{job.Job}' and kind = 'vehicle''s sizes changed'"
        );
        Assert.Contains("\"estimated\"", replaced, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Follow_ups_stand_in_the_yard_after_the_hand_over()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        var view = await job.TakeIn();
        var follow = Guid.CreateVersion7();
        await caller.Do(
            job.Path,
            "handOver",
            new
            {
                commandId = Guid.NewGuid(),
                version = view["versions"]![job.Job.ToString()]!.GetValue<uint>(),
                odometer = new
                {
                    typed = "48210",
                    unit = "mi",
                    known = "measured",
                    answers = Array.Empty<string>(),
                },
                ownerNotes = "Mind the garage door.",
                followUps = new[]
                {
                    new
                    {
                        id = follow,
                        what = "Alignment",
                        why = (string?)null,
                        dueOn = "2027-01-05",
                        dueAt = (object?)null,
                    },
                },
            }
        );
        var mine = (await caller.Get("/api/yard?find=TT%201"))["jobs"]!
            .AsArray()
            .First(j => j!["jobId"]!.GetValue<Guid>() == job.Job)!;
        Assert.Equal("Alignment", mine["facts"]!["followUps"]![0]!["what"]!.GetValue<string>());
        var done = await caller.Do(
            job.Path,
            "finishFollowUp",
            (follow),
            new { commandId = Guid.NewGuid(), note = "aligned" }
        );
        Assert.NotNull(done["document"]!["followUps"]![0]!["doneAt"]);
    }

    [Theory]
    [InlineData("drover", true)]
    [InlineData("sv 204", true)]
    [InlineData("flood", true)]
    [InlineData("100%_\\", false)]
    [InlineData("no such thing", false)]
    public async Task The_yard_is_searched_by_owner_plate_and_vehicle(string find, bool found) =>
        Assert.Equal(
            found,
            (await (await server.SignIn()).Get($"/api/yard?find={Uri.EscapeDataString(find)}"))[
                "jobs"
            ]!
                .AsArray()
                .Count > 0
        );
}
