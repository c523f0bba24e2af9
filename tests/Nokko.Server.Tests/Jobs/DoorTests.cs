using System.Diagnostics;
using System.Text;
using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>The one door for changes: lists of commands, their keys, two people, and what a save costs.</summary>
public class DoorTests(Hosted server) : IClassFixture<Hosted>
{
    private async Task<(Caller Caller, TestJob Job)> Begun(string user = "brenna")
    {
        var caller = await server.SignIn(user);
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        return (caller, job);
    }

    private static string Status(JsonNode answer, int i) =>
        answer["outcomes"]![i]!["status"]!.GetValue<string>();

    private static JsonObject Reading(TestJob job, string station, string typed) =>
        Caller.Command("storeReading", job.Reading(station, typed));

    [Fact]
    public async Task A_list_is_carried_out_in_order_and_a_bad_one_leaves_the_others_alone()
    {
        var (caller, job) = await Begun();
        var noKind = Reading(job, "RF", "20 1/2");
        noKind.Remove("kind");
        var answer = await caller.Commands(
            job.Path,
            Reading(job, "LF", "20 1/2"),
            null,
            noKind,
            new JsonObject { ["kind"] = "sellIt", ["commandId"] = Guid.NewGuid() },
            Reading(job, "RF", "tall"),
            Reading(job, "LR", "22 7/8")
        );
        Assert.Equal(
            ["stored", "refused", "refused", "refused", "refused", "stored"],
            Enumerable.Range(0, 6).Select(i => Status(answer, i))
        );
        Assert.Equal("typed", answer["outcomes"]![4]!["refusal"]!["field"]!.GetValue<string>());
        var view = await caller.Get(job.Path);
        Assert.Equal(2, view["document"]!["readings"]!.AsArray().Count);
        Assert.Equal(answer["version"]!.GetValue<long>(), view["version"]!.GetValue<long>());
    }

    [Fact]
    public async Task The_kind_may_stand_anywhere_and_a_field_that_is_none_is_refused()
    {
        var (caller, job) = await Begun();
        var command = Reading(job, "LF", "20 1/2");
        var text = command.ToJsonString();
        Assert.False(text.StartsWith("{\"kind\"", StringComparison.Ordinal));
        Assert.Equal("stored", Status(await caller.Commands(job.Path, command), 0));
        var more = Reading(job, "RF", "20 1/2");
        more["personId"] = Guid.NewGuid();
        Assert.Equal("refused", Status(await caller.Commands(job.Path, more), 0));
    }

    [Fact]
    public async Task The_same_key_answers_as_it_did_and_with_another_body_or_job_it_is_refused()
    {
        var (caller, job) = await Begun();
        var (_, other) = await Begun();
        var command = Reading(job, "LF", "20 1/2");
        var twice = await caller.Commands(job.Path, command, command);
        Assert.Equal(("stored", "repeated"), (Status(twice, 0), Status(twice, 1)));
        var again = await caller.Commands(job.Path, command);
        Assert.Equal("repeated", Status(again, 0));
        Assert.Equal(again["from"]!.GetValue<long>(), again["version"]!.GetValue<long>());
        var changed = command.DeepClone().AsObject();
        changed["typed"] = "21";
        Assert.Equal("refused", Status(await caller.Commands(job.Path, changed), 0));
        Assert.Equal("refused", Status(await caller.Commands(other.Path, command), 0));
        Assert.Single((await caller.Get(job.Path))["document"]!["readings"]!.AsArray());
        Assert.Empty((await caller.Get(other.Path))["document"]!["readings"]!.AsArray());
    }

    [Fact]
    public async Task A_command_that_the_database_refuses_does_not_keep_the_others_back()
    {
        var (caller, job) = await Begun();
        var (_, other) = await Begun();
        var taken = Guid.CreateVersion7();
        await caller.Do(other.Path, "storeReading", other.Reading("LF", "20 1/2", id: taken));
        var answer = await caller.Commands(
            job.Path,
            Caller.Command("storeReading", job.Reading("LF", "21", id: taken)),
            Reading(job, "RF", "21")
        );
        Assert.Equal(("refused", "stored"), (Status(answer, 0), Status(answer, 1)));
        Assert.Single((await caller.Get(job.Path))["document"]!["readings"]!.AsArray());
        var kept = (await caller.Get(other.Path))["document"]!["readings"]![0]!;
        Assert.Equal(20.5, kept["value"]!["value"]!.GetValue<double>());
    }

    [Fact]
    public async Task Two_people_who_correct_one_reading_at_once_correct_it_once_and_the_second_is_told_who_was_first()
    {
        var (brenna, job) = await Begun();
        var odd = await server.SignIn("odd");
        var first = Guid.CreateVersion7();
        await brenna.Do(job.Path, "storeReading", job.Reading("LF", "20 1/2", id: first));
        JsonObject Correction(string typed) =>
            Caller.Command(
                "storeReading",
                job.Reading("LF", typed, supersedes: first, reason: "slip")
            );
        var answers = await Task.WhenAll(
            brenna.Commands(job.Path, Correction("21")),
            odd.Commands(job.Path, Correction("22"))
        );
        var refused = Assert.Single(answers, a => Status(a, 0) == "refused")["outcomes"]![0]!;
        var stored = answers[0] == refused.Root ? "Odd Farrow" : "Brenna Tarn";
        Assert.Equal("conflict", refused["refusal"]!["kind"]!.GetValue<string>());
        Assert.Equal(stored, refused["by"]!.GetValue<string>());
        Assert.NotNull(refused["at"]);
        Assert.Contains(
            refused["refusal"]!["theirs"]!["value"]!["typed"]!.GetValue<string>(),
            (string[])["21", "22"]
        );
        Assert.Equal(2, (await brenna.Get(job.Path))["document"]!["readings"]!.AsArray().Count);
    }

    [Fact]
    public async Task The_last_part_of_the_shelf_goes_to_one_of_two_jobs()
    {
        var (caller, one) = await Begun();
        var (_, two) = await Begun();
        var part = Guid.CreateVersion7();
        await caller.Part(
            part,
            new
            {
                version = (uint?)null,
                number = "L-1",
                name = "the last pair",
                part = "strutTopSpacer",
                thickness = new
                {
                    typed = "1",
                    unit = "in",
                    known = "measured",
                },
                claim = (object?)null,
                count = 2,
                price = (decimal?)null,
                currency = (string?)null,
                notes = (string?)null,
            }
        );
        var begins = new List<(TestJob Job, JsonObject Begin)>();
        foreach (var job in new[] { one, two })
        {
            await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
            var view = await job.PlaceInFront("L-1");
            begins.Add(
                (
                    job,
                    Caller.Command(
                        "beginFitting",
                        new
                        {
                            version = view["versions"]![job.Plan.ToString()]!.GetValue<uint>(),
                            stageId = Guid.CreateVersion7(),
                            frozenId = Guid.CreateVersion7(),
                            deviationId = Guid.CreateVersion7(),
                            reason = (string?)null,
                        },
                        job.Plan
                    )
                )
            );
        }
        var answers = await Task.WhenAll(begins.Select(b => caller.Commands(b.Job.Path, b.Begin)));
        Assert.Equal(["refused", "stored"], answers.Select(a => Status(a, 0)).Order());
        Assert.Equal(0, await server.Ask<int>($"select count from parts where id = '{part}'"));
    }

    [Fact]
    public async Task A_known_vehicle_goes_on_in_its_own_chain_and_only_one_job_of_it_is_open()
    {
        var (caller, job) = await Begun();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        await job.Begin(await job.PlaceInFront("T-100"));
        var stage = job.Stage;
        var again = new TestJob(caller) { Platform = job.Platform };
        var command = Caller.Command("takeIn", again.TakeInBody(job.Platform.ToString()));
        command["vehicleId"] = job.Vehicle.ToString();
        command["fitted"] = null;
        var refused = await caller.Shop("takeIn", command, 409);
        Assert.Contains(
            "still open",
            refused["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );

        var view = await caller.Get(job.Path);
        await caller.Do(
            job.Path,
            "handOver",
            new
            {
                version = view["versions"]![job.Job.ToString()]!.GetValue<uint>(),
                odometer = (object?)null,
                ownerNotes = (string?)null,
                followUps = Array.Empty<object>(),
                reason = "its owner fetched it between two steps",
            }
        );
        command["commandId"] = Guid.CreateVersion7();
        var second = await caller.Shop("takeIn", command);
        Assert.Equal(stage, second["document"]!["job"]!["stageId"]!.GetValue<Guid>());
        Assert.Equal(2, second["document"]!["stages"]!.AsArray().Count);
        Assert.Equal(6, second["document"]!["readings"]!.AsArray().Count);
        Assert.NotEmpty(second["document"]!["joints"]!.AsArray());
        Assert.Contains(
            "4 corners to read",
            second["progress"]!["says"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        // What the second job does later is no part of the first one's record.
        var path = $"/api/jobs/{again.Job}";
        var round = Guid.CreateVersion7();
        await caller.Do(
            path,
            "beginWalkRound",
            round,
            new { stageId = stage, conditions = TestJob.Conditions() }
        );
        await caller.Do(path, "storeReading", TestJob.ReadingIn(round, "LF", "22"));
        Assert.Equal(6, (await caller.Get(job.Path))["document"]!["readings"]!.AsArray().Count);
        Assert.Equal(7, (await caller.Get(path))["document"]!["readings"]!.AsArray().Count);
    }

    [Fact]
    public async Task A_correction_is_found_in_every_job_of_the_vehicle_and_is_not_kept_in_the_record()
    {
        var (caller, first) = await Begun();
        await first.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        await caller.Do(
            first.Path,
            "handOver",
            new
            {
                version = (await caller.Get(first.Path))["versions"]![
                    first.Job.ToString()
                ]!.GetValue<uint>(),
                odometer = (object?)null,
                ownerNotes = (string?)null,
                followUps = Array.Empty<object>(),
            }
        );
        var second = new TestJob(caller) { Platform = first.Platform };
        var takeIn = Caller.Command("takeIn", second.TakeInBody(first.Platform.ToString()));
        takeIn["vehicleId"] = first.Vehicle.ToString();
        takeIn["fitted"] = null;
        var view = await caller.Shop("takeIn", takeIn);
        uint Version(string row) =>
            view["versions"]![view["document"]![row]!["id"]!.GetValue<string>()]!.GetValue<uint>();
        var mark = $"QZ {Guid.NewGuid():N}"[..12];
        var body = new
        {
            version = Version("job"),
            vehicleVersion = Version("vehicle"),
            ownerVersion = Version("owner"),
            ownerName = "Quist",
            ownerContact = (string?)null,
            make = "Tarn",
            name = "Fell",
            plate = mark,
            vin = (string?)null,
            engine = (string?)null,
            drive = (string?)null,
            carries = (string?)null,
            troubles = (string?)null,
            wish = "level",
            promisedOn = (string?)null,
            odometer = (object?)null,
            equipment = "pit",
        };
        var path = $"/api/jobs/{second.Job}";
        await caller.Do(path, "correctTakenIn", body);
        var found = (await caller.Get($"/api/yard?find={Uri.EscapeDataString(mark)}"))["jobs"]!;
        Assert.Equal(
            new[] { first.Job, second.Job }.Order(),
            found.AsArray().Select(j => j!["jobId"]!.GetValue<Guid>()).Order()
        );
        Assert.All(
            found.AsArray(),
            j =>
            {
                Assert.Equal("Quist", j!["facts"]!["owner"]!.GetValue<string>());
                Assert.Equal(mark, j["facts"]!["vehicle"]!["plate"]!.GetValue<string>());
            }
        );
        Assert.DoesNotContain(
            mark,
            await server.Ask<string>(
                $"select string_agg(c::text, ' ') from commands c where job_id = '{second.Job}'"
            ),
            StringComparison.Ordinal
        );
        // Somebody who still sees the old plate is told.
        var late = await caller.Commands(path, Caller.Command("correctTakenIn", body));
        Assert.Equal("stored", Status(late, 0));
        var other = JsonNode.Parse(
            System.Text.Json.JsonSerializer.Serialize(body with { plate = "QZ 2" })
        )!;
        late = await caller.Commands(path, Caller.Command("correctTakenIn", other));
        Assert.Equal("refused", Status(late, 0));
        Assert.Equal(
            mark,
            late["outcomes"]![0]!["refusal"]!["theirs"]!["plate"]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task A_torque_entry_is_answered_in_under_four_kilobytes()
    {
        var (caller, job) = await Begun();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var view = await job.Begin(await job.PlaceInFront("T-100"));
        var joint = view["document"]!["joints"]![0]!["id"]!.GetValue<string>();
        var command = Caller.Command(
            "tightenJoint",
            new
            {
                jointId = joint,
                pass = "hand",
                value = (object?)null,
                criterionSeen = false,
                tool = "ratchet",
                position = "hanging",
                reason = (string?)null,
            },
            Guid.CreateVersion7()
        );
        var answer = await caller.Commands(job.Path, command);
        Assert.Equal("stored", Status(answer, 0));
        Assert.InRange(Encoding.UTF8.GetByteCount(answer.ToJsonString()), 1, 4095);
    }

    [Fact]
    public async Task Names_and_plates_are_in_no_row_of_the_log()
    {
        var (_, job) = await Begun();
        Assert.Equal(
            0L,
            await server.Ask<long>(
                $"select count(*) from commands where job_id = '{job.Job}' and (body::text || changes::text) ~ 'A\\. Nother|TT 1|Brenna'"
            )
        );
        Assert.True(
            await server.Ask<long>(
                $"select count(*) from commands where job_id = '{job.Job}' and changes is not null"
            ) > 1
        );
    }

    [Fact]
    public async Task A_save_takes_four_round_trips_opening_a_job_and_a_preview_one()
    {
        var (caller, job) = await Begun();
        await job.Read("RF", "20 1/2");
        var database = await server.Ask<string>("select current_database()::text");
        var seen = new List<string>();
        using var listener = new ActivityListener
        {
            ShouldListenTo = source => source.Name == "Npgsql",
            Sample = (ref ActivityCreationOptions<ActivityContext> _) =>
                ActivitySamplingResult.AllDataAndRecorded,
            ActivityStopped = a =>
            {
                var of = a.GetTagItem("db.namespace") ?? a.GetTagItem("db.name");
                var text = a.GetTagItem("db.query.text") ?? a.GetTagItem("db.statement");
                if (database.Equals(of) && text is string sql)
                {
                    lock (seen)
                    {
                        seen.Add(sql);
                    }
                }
            },
        };
        ActivitySource.AddActivityListener(listener);
        var command = Reading(job, "LF", "20 1/2");
        await caller.Commands(job.Path, command);
        // The lock with its settings, the load, the rows; the commit, the fourth, has no text of its own.
        var save = Taken();
        Assert.True(save.Length == 3, string.Join("\n---\n", save));
        // The reading, the command, the summary.
        Assert.Equal(
            ["INSERT INTO commands", "INSERT INTO readings", "UPDATE job_summaries"],
            save[2]
                .Split('\n')
                .Where(l =>
                    l.StartsWith("INSERT", StringComparison.Ordinal)
                    || l.StartsWith("UPDATE", StringComparison.Ordinal)
                )
                .Select(l => l.Split(" (")[0].Split(" SET")[0])
                .Order(StringComparer.Ordinal)
        );
        string[] Taken()
        {
            lock (seen)
            {
                var taken = seen.ToArray();
                seen.Clear();
                return taken;
            }
        }
        await caller.Get(job.Path);
        Assert.Single(Taken());
        await caller.Post(
            $"{job.Path}/plans/preview",
            new { fromStageId = job.Stage, stacks = Array.Empty<object>() }
        );
        Assert.Single(Taken());
        // A page, and where plans on it wait to be begun, what they wait for.
        await caller.Get("/api/yard");
        Assert.Equal(2, Taken().Length);
    }
}
