using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Nokko.Core.Evidence;
using Nokko.Server.Evidence;
using Nokko.Storage;
using Xunit;

namespace Nokko.Server.Tests;

public class EvidenceTests(Hosted server) : IClassFixture<Hosted>
{
    [Fact]
    [Trait("Trial", "long")]
    public async Task Sums_stay_what_their_trials_say_whatever_is_changed()
    {
        var caller = await server.SignIn();
        var job = await Proved(caller, Guid.CreateVersion7(), "23");
        await SumsAreOfTheirTrials();
        // A reading corrected, and the whole change taken back.
        await job.BeginRound();
        await job.ReadAll("22 1/2", "22 1/2", "22 1/2", "22 1/2", "42 3/16", "42 3/16");
        await SumsAreOfTheirTrials();
        await Proved(caller, job.Platform, "22 3/4");
        await SumsAreOfTheirTrials();
        Assert.Equal(
            "2 2",
            await server.Ask<string>(
                $"select trials || ' ' || vehicles from lift_sums where platform_id = '{job.Platform}'"
            )
        );
    }

    [Fact]
    [Trait("Trial", "long")]
    public async Task Two_vehicles_of_a_platform_that_are_proved_at_once_both_count()
    {
        var caller = await server.SignIn();
        var platform = Guid.CreateVersion7();
        var jobs = new List<TestJob>();
        for (var i = 0; i < 4; i++)
        {
            jobs.Add(await ReadyToProve(caller, platform));
        }
        await Task.WhenAll(
            jobs.Select(j => j.ReadAll("23", "23", "22 1/2", "22 1/2", "42 7/16", "42 7/16"))
        );
        await SumsAreOfTheirTrials();
        Assert.Equal(
            4,
            await server.Ask<int>(
                $"select vehicles from lift_sums where platform_id = '{platform}'"
            )
        );
    }

    [Fact]
    public async Task A_copy_of_a_job_proves_nothing_anew()
    {
        var caller = await server.SignIn();
        var job = await Proved(caller, Guid.CreateVersion7(), "23");
        var sums =
            $"select trials || ' ' || vehicles from lift_sums where platform_id = '{job.Platform}'";
        var before = await server.Ask<string>(sums);
        var file = await caller.Http.GetStringAsync(
            new Uri($"{job.Path}/file", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        var answer = await caller.Http.PostAsync(
            new Uri("/api/job-files?copy=true", UriKind.Relative),
            new StringContent(file, System.Text.Encoding.UTF8, "application/json"),
            TestContext.Current.CancellationToken
        );
        answer.EnsureSuccessStatusCode();
        var copy = JsonNode.Parse(
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)
        )!["jobId"]!.GetValue<string>();
        Assert.Equal(before, await server.Ask<string>(sums));
        Assert.Contains(
            "came in as a copy",
            await server.Ask<string>($"select why_not from lift_trials where job_id = '{copy}'"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task What_earlier_rules_kept_is_worked_out_behind_job_by_job()
    {
        var caller = await server.SignIn();
        var job = await Proved(caller, Guid.CreateVersion7(), "23");
        var kept = await server.Ask<string>(
            $"select md5(values::text) from lift_sums where platform_id = '{job.Platform}'"
        );
        await server.Ask<int>(
            $"""
            with t as (delete from lift_trials where job_id = '{job.Job}'),
            s as (delete from lift_sums where platform_id = '{job.Platform}')
            update job_evidence set rules = 0 where id = '{job.Job}' returning 1
            """
        );
        var scopes = server.Services.GetRequiredService<IServiceScopeFactory>();
        while (await EvidenceBehind.Next(scopes, TestContext.Current.CancellationToken)) { }
        Assert.Equal(
            kept,
            await server.Ask<string>(
                $"select md5(values::text) from lift_sums where platform_id = '{job.Platform}'"
            )
        );
        await SumsAreOfTheirTrials();
    }

    [Fact]
    public async Task The_list_comes_in_pages_and_each_trial_once()
    {
        var caller = await server.SignIn();
        await Proved(caller, Guid.CreateVersion7(), "23");
        // Sixty more rows of that trial, each a minute older.
        await server.Ask<long>(
            """
            with more as (
              insert into lift_trials
              select (jsonb_populate_record(null::lift_trials, to_jsonb(t) || jsonb_build_object('plan_id', gen_random_uuid(), 'at', t.at - i * interval '1 minute'))).*
              from (select * from lift_trials order by at desc limit 1) t, generate_series(1, 60) i
              returning 1)
            select count(*) from more
            """
        );
        var seen = new List<string>();
        string? after = null;
        do
        {
            var page = await caller.Get(
                $"/api/evidence/trials{(after is null ? "" : $"?after={Uri.EscapeDataString(after)}")}"
            );
            seen.AddRange(page["trials"]!.AsArray().Select(t => $"{t!["planId"]} {t["axle"]}"));
            after = page["next"]?.GetValue<string>();
        } while (after is not null);
        Assert.Equal(
            await server.Ask<long>(
                "select count(*) from lift_trials where shop_id in (select id from shops)"
            ),
            seen.Count
        );
        Assert.Equal(seen.Count, seen.Distinct().Count());
        await server.Ask<int>(
            "with gone as (delete from lift_trials where plan_id not in (select id from plans) returning 1) select count(*)::int from gone"
        );
    }

    [Theory]
    [InlineData("x")]
    [InlineData("1_2_3")]
    [InlineData("-1_00000000-0000-7000-8000-000000000000_front")]
    public async Task A_place_in_the_list_that_is_none_is_refused(string after)
    {
        var caller = await server.SignIn();
        var answer = await caller.Http.GetAsync(
            new Uri($"/api/evidence/trials?after={after}", UriKind.Relative),
            TestContext.Current.CancellationToken
        );
        Assert.Equal(422, (int)answer.StatusCode);
    }

    private async Task<TestJob> ReadyToProve(Caller caller, Guid platform)
    {
        // More plates than the demo's shelf has.
        await server.Ask<int>(
            "with p as (update parts set count = 99 returning 1) select count(*)::int from p"
        );
        var job = new TestJob(caller) { Platform = platform };
        await job.TakeIn();
        await job.BeginRound();
        await job.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
        await job.Begin(await job.PlaceInFront("T-100"));
        await job.CloseRubber();
        await job.BeginRound();
        return job;
    }

    private async Task<TestJob> Proved(Caller caller, Guid platform, string front)
    {
        var job = await ReadyToProve(caller, platform);
        await job.ReadAll(front, front, "22 1/2", "22 1/2", "42 7/16", "42 7/16");
        return job;
    }

    /// <summary>Every kept sum is what its trials give when they are added up anew.</summary>
    private async Task SumsAreOfTheirTrials()
    {
        await using var scope = server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<NokkoDb>();
        var cancel = TestContext.Current.CancellationToken;
        db.ShopId = await db.Shops.Select(s => s.Id).SingleAsync(cancel);
        var trials = await db.Trials.AsNoTracking().ToListAsync(cancel);
        var sums = await db.Sums.AsNoTracking().ToListAsync(cancel);
        Assert.NotEmpty(sums);
        foreach (var kept in sums)
        {
            var expected = trials
                .Where(t => t.Taught()?.Line == kept.Line())
                .GroupBy(t => t.VehicleId)
                .Aggregate(
                    LiftSums.None,
                    (all, v) => all.Plus(VehicleSums.Of(v.Select(t => t.Taught()!.Trial)))
                );
            Assert.Equal((expected.Trials, expected.Vehicles), (kept.Trials, kept.Vehicles));
            for (var i = 0; i < kept.Values.Length; i++)
            {
                Assert.Equal(
                    expected.Values[i],
                    kept.Values[i],
                    1e-9 * (1 + Math.Abs(expected.Values[i]))
                );
            }
        }
    }
}
