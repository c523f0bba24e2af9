using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>A vehicle that comes again, to somebody else.</summary>
public class SecondVisitTests(Hosted server) : IClassFixture<Hosted>
{
    [Trait("Trial", "long")]
    [Fact]
    public async Task Who_walked_it_the_first_time_is_named_in_the_second_job_s_file_so_that_it_can_be_brought_in()
    {
        var odd = await server.SignIn("odd");
        var first = new TestJob(odd);
        await first.TakeIn();
        await first.BeginRound();
        await first.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        await odd.Do(
            first.Path,
            "handOver",
            new
            {
                version = (await odd.Get(first.Path))["versions"]![
                    first.Job.ToString()
                ]!.GetValue<uint>(),
                odometer = (object?)null,
                ownerNotes = (string?)null,
                followUps = Array.Empty<object>(),
                reason = "its owner could not wait",
            }
        );
        var brenna = await server.SignIn();
        var second = new TestJob(brenna) { Platform = first.Platform };
        var takeIn = Caller.Command("takeIn", second.TakeInBody(first.Platform.ToString()));
        takeIn["vehicleId"] = first.Vehicle.ToString();
        await brenna.Post("/api/commands", new JsonArray(takeIn));

        var file = await brenna.Get($"{second.Path}/file");
        Assert.Contains(
            file["people"]!.AsArray(),
            p => p!["name"]!.GetValue<string>() == "Odd Farrow"
        );
        await using var elsewhere = Hosted.Empty();
        var there = await elsewhere.Open();
        var job = (await there.Post("/api/job-files", file))["jobId"]!.GetValue<string>();
        // On the record of the second visit stands only who worked on it.
        var facts = (await there.Get($"/api/jobs/{job}/papers"))["record"]!["facts"]!;
        Assert.DoesNotContain("Odd Farrow", facts[0]!.GetValue<string>(), StringComparison.Ordinal);
    }
}
