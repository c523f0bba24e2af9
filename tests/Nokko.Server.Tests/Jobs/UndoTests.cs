using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Changes of the last hour are taken back by a new command; nothing that was read is ever removed.</summary>
public sealed class UndoTests(Hosted server) : IClassFixture<Hosted>
{
    [Fact]
    public async Task A_reading_that_is_taken_back_counts_no_more_and_stays_on_the_record()
    {
        var (caller, job) = await Begun();
        await job.Read("LF", "20 1/2");
        await job.Read("LF", "20 9/16");
        var view = await TakeBack(caller, job);
        Assert.Equal(1, Reads(view));
        Assert.Equal(3, view["document"]!["readings"]!.AsArray().Count);
        view = await TakeBack(caller, job);
        Assert.Empty(view["results"]!["walkRounds"]![0]!["stations"]!.AsArray());
        var history = (await caller.Get($"{job.Path}/history")).AsArray();
        Assert.Equal(
            [
                "taken back: reading stored",
                "taken back: reading stored",
                "reading stored",
                "reading stored",
                "walk-round begun",
                "vehicle taken in",
            ],
            history.Select(h => h!["kind"]!.GetValue<string>())
        );
        Assert.Equal(2, history.Count(h => h!["takenBack"]!.GetValue<bool>()));
    }

    [Fact]
    public async Task What_a_correction_replaced_counts_again_when_the_correction_is_taken_back()
    {
        var (caller, job) = await Begun();
        var first = Guid.CreateVersion7();
        await caller.Do(job.Path, "storeReading", job.Reading("LF", "20 1/2", id: first));
        await caller.Do(
            job.Path,
            "storeReading",
            job.Reading("LF", "21", supersedes: first, reason: "hooked the liner")
        );
        var view = await TakeBack(caller, job);
        Assert.Equal(
            20.5 * 25.4,
            view["results"]!["walkRounds"]![0]!["stations"]![0]!["height"]![
                "value"
            ]!.GetValue<double>(),
            9
        );
    }

    [Fact]
    public async Task Edits_go_back_to_what_was_there_and_a_later_edit_stands_in_the_way()
    {
        var (caller, job) = await Begun();
        await Target(caller, job, "first");
        await Target(caller, job, "second");
        var kinds = (await caller.Get($"{job.Path}/history")).AsArray();
        var earlier = kinds[1]!["id"]!.GetValue<Guid>();
        var refused = await caller.Do(
            job.Path,
            "takeBack",
            new { commandId = Guid.CreateVersion7(), change = earlier },
            409
        );
        Assert.Contains(
            "changed again since",
            refused["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        var view = await TakeBack(caller, job);
        Assert.Equal("first", view["document"]!["job"]!["wish"]!.GetValue<string>());
        view = await TakeBack(caller, job);
        Assert.Null(view["document"]!["job"]!["wish"]);
    }

    [Fact]
    public async Task A_round_that_has_readings_is_not_taken_away_and_an_empty_one_is()
    {
        var (caller, job) = await Begun();
        var begun = (await caller.Get($"{job.Path}/history"))[0]!["id"]!.GetValue<Guid>();
        await job.Read("LF", "20 1/2");
        var refused = await caller.Do(
            job.Path,
            "takeBack",
            new { commandId = Guid.CreateVersion7(), change = begun },
            409
        );
        Assert.Contains(
            "rest on it",
            refused["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        await job.BeginRound();
        var view = await TakeBack(caller, job);
        Assert.Single(view["document"]!["walkRounds"]!.AsArray());
    }

    [Fact]
    public async Task Beginning_the_fitting_is_taken_back_whole_with_the_shelf()
    {
        var (caller, job) = await Begun();
        await job.ReadAll("20 1/2", "20 1/2", "22 7/8", "22 7/8", "41", "41");
        var before = await Count(caller);
        var view = await job.PlaceInFront("T-100");
        await job.Begin(view);
        Assert.Equal(before - 2, await Count(caller));
        view = await TakeBack(caller, job);
        Assert.Single(view["document"]!["stages"]!.AsArray());
        Assert.Empty(view["document"]!["frozenPredictions"]!.AsArray());
        Assert.Equal(before, await Count(caller));
    }

    [Fact]
    public async Task The_same_undo_twice_changes_nothing_and_the_first_step_is_never_undone()
    {
        var (caller, job) = await Begun();
        await job.Read("LF", "20 1/2");
        var last = (await caller.Get($"{job.Path}/history"))[0]!["id"]!.GetValue<Guid>();
        var command = new { commandId = Guid.CreateVersion7(), change = last };
        await caller.Do(job.Path, "takeBack", command);
        var again = await caller.Do(job.Path, "takeBack", command);
        Assert.Equal(2, again["document"]!["readings"]!.AsArray().Count);
        await caller.Do(
            job.Path,
            "takeBack",
            new { commandId = Guid.CreateVersion7(), change = last },
            409
        );
        var first = (await caller.Get($"{job.Path}/history")).AsArray().Last()!;
        Assert.False(first["canTakeBack"]!.GetValue<bool>());
        await caller.Do(
            job.Path,
            "takeBack",
            new { commandId = Guid.CreateVersion7(), change = first["id"]!.GetValue<Guid>() },
            409
        );
    }

    private async Task<(Caller, TestJob)> Begun()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        return (caller, job);
    }

    private static async Task<JsonNode> TakeBack(Caller caller, TestJob job)
    {
        var last = (await caller.Get($"{job.Path}/history"))
            .AsArray()
            .First(h => h!["canTakeBack"]!.GetValue<bool>())!;
        return await caller.Do(
            job.Path,
            "takeBack",
            new { commandId = Guid.CreateVersion7(), change = last["id"]!.GetValue<Guid>() }
        );
    }

    private static async Task Target(Caller caller, TestJob job, string wish)
    {
        var view = await caller.Get(job.Path);
        await caller.Do(
            job.Path,
            "setTarget",
            new
            {
                commandId = Guid.CreateVersion7(),
                version = view["versions"]![job.Job.ToString()]!.GetValue<uint>(),
                target = TestJob.Level,
                wish,
                promisedOn = (string?)null,
            }
        );
    }

    private static async Task<int> Count(Caller caller) =>
        (await caller.Get("/api/parts"))
            .AsArray()
            .First(p => p!["part"]!["number"]!.GetValue<string>() == "T-100")!["part"]![
            "count"
        ]!.GetValue<int>();

    private static int Reads(JsonNode view) =>
        view["results"]!["walkRounds"]![0]!["stations"]![0]!["reads"]!.GetValue<int>();
}
