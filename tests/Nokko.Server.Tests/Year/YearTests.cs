using System.Text.Json.Nodes;
using Microsoft.Extensions.DependencyInjection;
using Nokko.Server.Evidence;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>The shop's year, and what springs settle, as the server keeps and tells them.</summary>
public class YearTests(Hosted server) : IClassFixture<Hosted>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static object Rolled(string odometer) =>
        new
        {
            datum = "hub",
            denominator = 16,
            settled = "rolled",
            hubMarked = false,
            floorSurveyed = true,
            spot = "bay 1",
            fuel = (string?)null,
            load = (string?)null,
            odometer = new
            {
                typed = odometer,
                unit = "km",
                known = "measured",
            },
            notes = (string?)null,
        };

    /// <summary>A vehicle of a platform that got plates in front, came out level, and left.</summary>
    private async Task<TestJob> Left(Caller caller, Guid platform, string front = "22 1/2")
    {
        await server.Ask<int>(
            "with p as (update parts set count = 99 returning 1) select count(*)::int from p"
        );
        var job = new TestJob(caller) { Platform = platform };
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        await job.Begin(await job.PlaceInFront("T-100"));
        await job.CloseRubber();
        await job.Begin(Rolled("1000"));
        await job.ReadAll(front, front, "22 1/2", "22 1/2", "42 3/16", "42 3/16");
        await HandOver(caller, job);
        return job;
    }

    private static async Task HandOver(Caller caller, TestJob job) =>
        await caller.Do(
            job.Path,
            "handOver",
            new
            {
                version = Version(await caller.Get(job.Path), job.Job),
                odometer = (object?)null,
                ownerNotes = (string?)null,
                followUps = Array.Empty<object>(),
                reason = "its owner could not wait",
            }
        );

    private static uint Version(JsonNode view, Guid row) =>
        view["versions"]![row.ToString()]!.GetValue<uint>();

    private static async Task<(int Jobs, int Right, int Of)> Sums(Caller caller)
    {
        var year = (await caller.Get("/api/year"))["year"]!;
        return (
            year["jobs"]!.GetValue<int>(),
            year["right"]!["count"]!.GetValue<int>(),
            year["right"]!["of"]!.GetValue<int>()
        );
    }

    private static async Task<TestJob> ComesAgain(Caller caller, TestJob first, object? comeback)
    {
        var second = new TestJob(caller) { Platform = first.Platform };
        var takeIn = Caller.Command("takeIn", second.TakeInBody(first.Platform.ToString()));
        takeIn["vehicleId"] = first.Vehicle.ToString();
        takeIn["fitted"] = null;
        takeIn["comeback"] = System.Text.Json.JsonSerializer.SerializeToNode(comeback);
        await caller.Shop("takeIn", takeIn);
        return second;
    }

    [Fact]
    public async Task A_job_adds_itself_when_it_leaves_and_what_was_kept_before_is_worked_out_behind()
    {
        var caller = await server.SignIn();
        var before = await Sums(caller);
        var job = await Left(caller, Guid.CreateVersion7());
        Assert.Equal((before.Jobs + 1, before.Right + 1, before.Of + 1), await Sums(caller));
        await Left(caller, Guid.CreateVersion7(), "21 1/4");
        Assert.Equal((before.Jobs + 2, before.Right + 1, before.Of + 2), await Sums(caller));
        // What an earlier Nokko kept nothing of is worked out behind.
        await server.Ask<int>(
            $"""
            with y as (delete from job_years where id = '{job.Job}')
            update job_evidence set rules = 1 where id = '{job.Job}' returning 1
            """
        );
        Assert.Equal(before.Jobs + 1, (await Sums(caller)).Jobs);
        var scopes = server.Services.GetRequiredService<IServiceScopeFactory>();
        while (await EvidenceBehind.Next(scopes, Cancel)) { }
        Assert.Equal((before.Jobs + 2, before.Right + 1, before.Of + 2), await Sums(caller));
    }

    [Fact]
    public async Task What_springs_settled_is_foretold_to_the_next_vehicle_of_its_platform()
    {
        var caller = await server.SignIn();
        var platform = Guid.CreateVersion7();
        var job = await Left(caller, platform);
        await job.Begin(Rolled("1805"));
        await job.ReadAll("22 1/4", "22 1/4", "22 1/2", "22 1/2", "42 1/16", "42 1/16");
        // Two numbers, one of each way: what the page tells of all, and what the next plan is told.
        var line = (await caller.Get("/api/year"))["springs"]!
            .AsArray()
            .Single(s => s!["platform"]?.GetValue<string>() == $"Drover {platform}")!;
        Assert.Equal(1, line["vehicles"]!.GetValue<int>());
        // 6.35 mm against 1.5 ± 1.5: nearer to the rule of thumb than half way, and surely beyond it.
        var mean = line["rise"]!["value"]!.GetValue<double>();
        Assert.InRange(mean, -6.35, -1.5);

        var sister = new TestJob(caller) { Platform = platform };
        await sister.TakeIn();
        await sister.BeginRound();
        await sister.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        var view = await sister.PlaceInFront("T-100");
        var foretold = Assert.Single(view["results"]!["predictions"]![0]!["settles"]!.AsArray())!;
        Assert.Equal(1, foretold["vehicles"]!.GetValue<int>());
        Assert.Equal(mean, foretold["rise"]!["value"]!.GetValue<double>(), 1e-6);

        // Another platform is told a rule of thumb, and the vehicle itself is not told its own.
        var other = new TestJob(caller);
        await other.TakeIn();
        await other.BeginRound();
        await other.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        var alone = await other.PlaceInFront("T-100");
        Assert.Equal(
            0,
            alone["results"]!["predictions"]![0]!["settles"]![0]!["vehicles"]!.GetValue<int>()
        );
        Assert.Equal(
            0,
            (await caller.Get(job.Path))["results"]!["predictions"]![0]!["settles"]![0]![
                "vehicles"
            ]!.GetValue<int>()
        );
    }

    [Fact]
    public async Task A_vehicle_comes_back_is_explained_and_is_told_on_page_and_in_the_table()
    {
        var caller = await server.SignIn();
        var first = await Left(caller, Guid.CreateVersion7());
        var refused = Caller.Command(
            "takeIn",
            new TestJob(caller).TakeInBody(first.Platform.ToString(), plate: "NEW 1")
        );
        refused["comeback"] = new JsonObject { ["for"] = "noise", ["words"] = null };
        var (status, why) = await caller.TryShop("takeIn", refused);
        Assert.Equal((422, "comeback.for"), (status, why["field"]!.GetValue<string>()));

        var again = await ComesAgain(
            caller,
            first,
            new { @for = "noise", words = "clunks over kerbs" }
        );
        var (held, gate) = await caller.TryDo(
            again.Path,
            "handOver",
            new
            {
                version = Version(await caller.Get(again.Path), again.Job),
                odometer = (object?)null,
                ownerNotes = (string?)null,
                followUps = Array.Empty<object>(),
                reason = (string?)null,
            }
        );
        Assert.Equal((409, "reason"), (held, gate["field"]!.GetValue<string>()));
        Assert.Contains(
            "makes a noise",
            gate["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        await caller.Do(
            again.Path,
            "sayComeback",
            new
            {
                version = Version(await caller.Get(again.Path), again.Job),
                comeback = new
                {
                    @for = "noise",
                    words = "clunks over kerbs",
                    cause = "fitting",
                    found = "upper bolt at hand pass",
                },
            }
        );
        await HandOver(caller, again);
        var view = await caller.Get("/api/year");
        var line = view["comebacks"]!
            .AsArray()
            .Single(c => c!["jobId"]!.GetValue<Guid>() == again.Job)!;
        Assert.Equal(0, line["days"]!.GetValue<int>());
        Assert.Equal("upper bolt at hand pass", line["comeback"]!["found"]!.GetValue<string>());
        Assert.True(view["year"]!["comebacks"]!["count"]!.GetValue<int>() >= 1);

        var csv = await caller.Http.GetStringAsync(
            new Uri("/api/year.csv", UriKind.Relative),
            Cancel
        );
        var lines = csv.Split("\r\n", StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal(
            "handed_over,make,model,plate,platform,first_try,plans_fitted,causes_found,came_back_for,came_back_by,steps_timed,usual_h,taken_h",
            lines[0]
        );
        Assert.Equal(view["year"]!["jobs"]!.GetValue<int>(), lines.Length - 1);
        Assert.Contains(
            lines,
            l =>
                l.Contains(
                    ",nothing fitted,0,,makes a noise,fitted otherwise than it should be,",
                    StringComparison.Ordinal
                )
        );
        Assert.Contains(lines, l => l.Contains(",right,1,", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_year_is_the_shop_s_own_and_one_that_cannot_be_is_refused()
    {
        var caller = await server.SignIn();
        // Everything of this shop left in the last minutes of a year, as London counts.
        await server.Ask<int>(
            "with y as (update job_years set handed_over_at = '2025-12-31T23:30:00Z' returning 1) select count(*)::int from y"
        );
        async Task<int> Jobs(int year, string zone) =>
            (await caller.Get($"/api/year?year={year}&zone={zone}"))["year"]![
                "jobs"
            ]!.GetValue<int>();
        var all = await Jobs(2025, "Europe/London");
        Assert.True(all > 0);
        Assert.Equal(0, await Jobs(2026, "Europe/London"));
        Assert.Equal(0, await Jobs(2025, "Europe/Oslo"));
        Assert.Equal(all, await Jobs(2026, "Europe/Oslo"));
        Assert.Equal(all, await Jobs(2025, "America/New_York"));
        Assert.Equal(
            all,
            (await caller.Get("/api/year?year=2026&zone=Europe/Oslo"))["year"]!["months"]![0]!
                .AsObject()
                .Where(m => m.Key is "right" or "missed" or "untold")
                .Sum(m => m.Value!.GetValue<int>())
        );
        foreach (var bad in new[] { "1989", "9999" })
        {
            var answer = await caller.Http.GetAsync(
                new Uri($"/api/year?year={bad}", UriKind.Relative),
                Cancel
            );
            Assert.Equal(422, (int)answer.StatusCode);
        }
    }
}
