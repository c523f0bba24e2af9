using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What a shop's checks found moves what it suspects first, and nobody else's.</summary>
public class CheckedCausesTests(Hosted server) : IClassFixture<Hosted>
{
    private async Task<TestJob> Missed(Caller caller)
    {
        await server.Ask<int>(
            "with p as (update parts set count = 99 returning 1) select count(*)::int from p"
        );
        var job = new TestJob(caller) { Platform = Guid.CreateVersion7() };
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        await job.Begin(await job.PlaceInFront("T-100"));
        await job.CloseRubber();
        await job.BeginRound();
        await job.ReadAll("23 1/2", "22 13/16", "22 3/4", "22 1/4", "42 5/8", "42");
        return job;
    }

    private static async Task<JsonNode> Proof(Caller caller, TestJob job) =>
        (await caller.Get(job.Path))["results"]!["proofs"]![0]!;

    private static double Of(JsonNode proof, string kind, string where, string figure) =>
        proof["causes"]!["classes"]!
            .AsArray()
            .SelectMany(c => c!["causes"]!.AsArray())
            .Single(c =>
                c!["kind"]!.GetValue<string>() == kind && c["where"]!.GetValue<string>() == where
            )![figure]!.GetValue<double>();

    private static object Found(JsonNode proof, bool wasIt, Guid id, Guid? instead = null) =>
        new
        {
            commandId = Guid.CreateVersion7(),
            id,
            walkRoundId = proof["walkRoundId"]!.GetValue<string>(),
            cause = "notSeated",
            where = "LF",
            wasIt,
            note = "isolator twice",
            instead,
        };

    [Fact]
    public async Task What_a_check_found_is_stored_and_moves_what_the_next_miss_is_suspected_of()
    {
        var caller = await server.SignIn();
        var (first, second) = (await Missed(caller), await Missed(caller));
        var (one, two) = (await Proof(caller, first), await Proof(caller, second));
        var prior = Of(two, "notSeated", "LF", "prior");
        Assert.Equal(Of(one, "notSeated", "LF", "prior"), prior, 9);

        var id = Guid.CreateVersion7();
        await caller.Do(first.Path, "noteCheck", Found(one, true, id));
        var found = await Proof(caller, first);
        Assert.Equal("mend", found["next"]!["kind"]!.GetValue<string>());
        // It does not confirm itself.
        Assert.Equal(prior, Of(found, "notSeated", "LF", "prior"), 9);
        Assert.True(Of(found, "notSeated", "LF", "chance") > Of(one, "notSeated", "LF", "chance"));
        // The next one is suspected of it more: (20 + 0.55·…/…)/(20 + 1) of what it was, by docs/computation/causes.md.
        var learned = Of(await Proof(caller, second), "notSeated", "LF", "prior");
        Assert.InRange(learned / prior, 1.2, 1.6);

        // Two who say otherwise: the second is told; the same person mends it.
        await caller.Do(
            first.Path,
            "noteCheck",
            Found(one, false, Guid.CreateVersion7()),
            expected: 409
        );
        await caller.Do(
            first.Path,
            "noteCheck",
            Found(one, false, Guid.CreateVersion7(), instead: id)
        );
        Assert.Equal(prior, Of(await Proof(caller, second), "notSeated", "LF", "prior"), 9);
        Assert.Equal(
            "f",
            await server.Ask<string>(
                $"select was_it::text::char from checked_causes where id = '{id}'"
            )
        );
    }
}
