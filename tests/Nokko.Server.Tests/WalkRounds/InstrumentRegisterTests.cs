using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>The register of instruments in the database, and readings that name them.</summary>
public class InstrumentRegisterTests(Hosted server) : IClassFixture<Hosted>
{
    private static JsonObject Typed(string typed, string unit) =>
        new()
        {
            ["typed"] = typed,
            ["unit"] = unit,
            ["known"] = "measured",
            ["answers"] = new JsonArray(),
        };

    private static object Saved(Guid id, string name, uint? version = null) =>
        new
        {
            id,
            version,
            instrument = "tape",
            name,
            serial = (string?)null,
            checkDays = (int?)null,
            putAway = false,
        };

    private static object Checked(Guid id, string said, int daysAgo = 0) =>
        new
        {
            id,
            checkId = Guid.CreateVersion7(),
            day = DateTime
                .UtcNow.AddDays(-daysAgo)
                .ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture),
            against = "bar",
            truth = Typed("1000", "mm"),
            said = Typed(said, "mm"),
            within = (object?)null,
        };

    private static async Task<JsonNode> Of(Caller caller, Guid id) =>
        (await caller.Get("/api/instruments"))
            .AsArray()
            .First(i => i!["instrument"]!["id"]!.GetValue<Guid>() == id)!;

    [Fact]
    public async Task A_reading_keeps_its_tape_and_a_fall_lists_the_jobs_and_marks_them()
    {
        var caller = await server.SignIn();
        var tape = Guid.CreateVersion7();
        var name = $"Tape {tape}";
        await caller.Shop("saveInstrument", Saved(tape, name));
        await caller.Shop("checkInstrument", Checked(tape, "1001.5", daysAgo: 1));
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        var reading = JsonNode
            .Parse(
                System.Text.Json.JsonSerializer.Serialize(
                    job.Reading("LF", "20 1/2"),
                    System.Text.Json.JsonSerializerOptions.Web
                )
            )!
            .AsObject();
        reading["instrumentId"] = tape;
        await caller.Do(job.Path, "storeReading", reading);
        await job.Read("RF", "20 1/2");
        var view = await caller.Get(job.Path);
        var by = view["document"]!["readings"]!.AsArray().Single(r => r!["by"] is not null)!["by"]!;
        Assert.Equal(name, by["name"]!.GetValue<string>());
        Assert.Equal(1.5, by["error"]!.GetValue<double>(), 1e-9);
        Assert.Empty(view["results"]!["instruments"]!.AsArray());
        Assert.Empty((await Of(caller, tape))["since"]!.AsArray());

        // Nobody has seen the other's: of two falls at once both are kept.
        var fell = DateTimeOffset.UtcNow;
        await Task.WhenAll(
            Enumerable
                .Range(1, 2)
                .Select(n =>
                    caller.Shop(
                        "noteMishap",
                        new
                        {
                            id = tape,
                            mishapId = Guid.CreateVersion7(),
                            happenedAt = fell.AddMilliseconds(-n),
                            what = $"fell {n}",
                        }
                    )
                )
        );
        await job.Read("LR", "22 7/8");
        var there = await Of(caller, tape);
        Assert.Equal(2, there["instrument"]!["mishaps"]!.AsArray().Count);
        Assert.Equal("fell 2", there["doubted"]!["what"]!.GetValue<string>());
        var before = await caller.Do(
            job.Path,
            "storeReading",
            Again(reading, tape, DateTimeOffset.UtcNow)
        );
        var mark = Assert.Single(before["results"]!["instruments"]!.AsArray())!;
        Assert.Equal("mishap", mark["doubt"]!.GetValue<string>());
        Assert.Single(mark["restsOn"]!.AsArray());
        there = await Of(caller, tape);
        Assert.Equal(job.Job, Assert.Single(there["since"]!.AsArray())!["jobId"]!.GetValue<Guid>());
        // Checked and found as it was: nothing is doubted any more, and the job says so when it is opened.
        await caller.Shop("checkInstrument", Checked(tape, "1001.4"));
        Assert.Empty((await caller.Get(job.Path))["results"]!["instruments"]!.AsArray());
        Assert.Empty((await Of(caller, tape))["since"]!.AsArray());
    }

    private static JsonObject Again(JsonObject reading, Guid tape, DateTimeOffset at)
    {
        var again = reading.DeepClone().AsObject();
        again["commandId"] = Guid.CreateVersion7();
        again["id"] = Guid.CreateVersion7();
        again["instrumentId"] = tape;
        again["takenAt"] = at;
        return again;
    }

    [Fact]
    public async Task No_two_have_one_name_and_an_edit_of_an_old_one_is_told()
    {
        var caller = await server.SignIn();
        var (one, two) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        await caller.Shop("saveInstrument", Saved(one, $"One {one}"));
        var version = (await Of(caller, one))["version"]!.GetValue<uint>();
        var taken = await caller.Shop("saveInstrument", Saved(two, $"ONE {one}"), 422);
        Assert.Equal("name", taken["field"]!.GetValue<string>());
        await caller.Shop("saveInstrument", Saved(one, $"Uno {one}", version));
        // Whoever comes second is told who was first, as in a job.
        var late = await caller.Shop("saveInstrument", Saved(one, $"Eins {one}", version), 409);
        Assert.Equal("Brenna Tarn", late["by"]!.GetValue<string>());
        await caller.Shop("checkInstrument", Checked(two, "1001"), 404);
    }
}
