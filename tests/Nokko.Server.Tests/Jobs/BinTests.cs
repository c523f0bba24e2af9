using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>A job in the bin: out of yard, week and what the shelf owes, and back again.</summary>
public class BinTests(Hosted server) : IClassFixture<Hosted>
{
    [Fact]
    public async Task A_job_that_is_thrown_away_leaves_yard_week_and_shelf_and_comes_back()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        var part = (await caller.Get("/api/parts"))
            .AsArray()
            .First(p => p!["part"]!["number"]!.GetValue<string>() == "T-100")!["part"]![
            "id"
        ]!.GetValue<Guid>();
        var others = await Wanted();
        await job.PlaceInFront("T-100");
        Assert.True(await Listed("/api/yard", "jobs", job.Job));
        Assert.Equal(others + 2, await Wanted());

        await caller.Do(job.Path, "binJob", new { version = await Version(job) });
        Assert.False(await Listed("/api/yard", "jobs", job.Job));
        // Whoever looks for it finds it, and what became of it.
        var found = (await caller.Get("/api/yard?find=TT%201"))["jobs"]!
            .AsArray()
            .Single(j => j!["jobId"]!.GetValue<Guid>() == job.Job)!;
        Assert.Equal("Leave it: thrown away", found["does"]!.GetValue<string>());
        Assert.Contains(
            (await caller.Get("/api/jobs/bin")).AsArray(),
            j => j!["jobId"]!.GetValue<Guid>() == job.Job
        );
        Assert.Equal(others, await Wanted());
        Assert.DoesNotContain(
            job.Job.ToString(),
            (await caller.Get("/api/week")).ToJsonString(),
            StringComparison.Ordinal
        );
        await caller.Do(job.Path, "storeReading", job.Reading("LF", "20 3/4"), 409);

        // The vehicle comes again meanwhile; the first job waits until that one is out of the way.
        var again = new TestJob(caller) { Platform = job.Platform };
        var takeIn = Caller.Command("takeIn", again.TakeInBody(job.Platform.ToString()));
        takeIn["vehicleId"] = job.Vehicle.ToString();
        takeIn["fitted"] = null;
        await caller.Post("/api/commands", new JsonArray(takeIn));
        await caller.Do(job.Path, "restoreJob", new { }, 409);
        await caller.Do(again.Path, "binJob", new { version = await Version(again) });
        await caller.Do(job.Path, "restoreJob", new { });
        Assert.True(await Listed("/api/yard", "jobs", job.Job));
        Assert.Equal(others + 2, await Wanted());

        // After ninety days it is not offered any more, and nothing of it is deleted.
        server.Time.Ahead = TimeSpan.FromDays(91);
        var later = await server.SignIn();
        Assert.Empty((await later.Get("/api/jobs/bin")).AsArray());
        Assert.NotNull((await later.Get(again.Path))["document"]);
        server.Time.Ahead = TimeSpan.Zero;

        async Task<uint> Version(TestJob of) =>
            (await caller.Get(of.Path))["versions"]![of.Job.ToString()]!.GetValue<uint>();

        async Task<bool> Listed(string path, string list, Guid id)
        {
            for (var after = ""; ; )
            {
                var page = await caller.Get(after == "" ? path : $"{path}?after={after}");
                if (page[list]!.AsArray().Any(j => j!["jobId"]!.GetValue<Guid>() == id))
                {
                    return true;
                }
                if (page["after"]?.GetValue<string>() is not { } next)
                {
                    return false;
                }
                after = next;
            }
        }

        async Task<int> Wanted() =>
            (await caller.Get("/api/parts/wanted"))
                .AsArray()
                .FirstOrDefault(w => w!["partId"]!.GetValue<Guid>() == part)
                ?["count"]!.GetValue<int>()
            ?? 0;
    }
}
