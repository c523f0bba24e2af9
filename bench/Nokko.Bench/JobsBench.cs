using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Vehicles;
using Nokko.Driving;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Bench;

/// <summary>Opening, previewing and saving a job, and the evidence page, over HTTP: what they take must not grow with the jobs that a shop has.</summary>
internal static class JobsBench
{
    private static readonly (int Jobs, int Proved)[] Sizes =
    [
        (30, 10),
        (1_000, 1_000),
        (100_000, 10_000),
    ];

    /// <summary>What was measured: 95th percentiles, ms; ratios to thirty jobs, or to the first shop that fills a page.</summary>
    public static async Task<
        IReadOnlyList<(string What, double Measured, double Aim, string Unit)>
    > Run()
    {
        var rows = new List<(string, double, double, string)>();
        Dictionary<string, double>? least = null;
        foreach (var (jobs, proved) in Sizes)
        {
            var found = await Measured(jobs, proved);
            least ??= new(found);
            if (jobs == FullPages)
            {
                foreach (var what in Paged)
                {
                    least[what] = found[what];
                }
            }
            var of = $"of {jobs:N0} jobs, {proved:N0} proved";
            foreach (var (what, p50) in found)
            {
                if (what is Evidence or Year)
                {
                    rows.Add(($"{what} {of}: p95", p50, 300, "ms"));
                    continue;
                }
                rows.Add(($"{what} {of}: median", p50, double.NaN, "ms"));
                if (!Paged.Contains(what) || jobs >= FullPages)
                {
                    rows.Add(
                        (
                            $"{what} {of}: over {(Paged.Contains(what) ? "a thousand" : "thirty")}",
                            p50 / least[what],
                            1.3,
                            "×"
                        )
                    );
                }
            }
        }
        return rows;
    }

    /// <summary>What shows as many jobs as a shop has, up to a full page: held against the first shop that fills it.</summary>
    private static readonly string[] Paged = ["the week", "the calendar as a file"];

    private const int FullPages = 1_000;

    private const string Evidence = "evidence page";

    /// <summary>A tenth of the jobs are of this year.</summary>
    private const string Year = "the shop's year";

    private static async Task<Dictionary<string, double>> Measured(int jobs, int proved)
    {
        var database = $"jobs_{jobs}";
        await using var server = await ServerProcess.Start(database);
        using var http = new HttpClient { BaseAddress = new Uri(server.Address) };
        (
            await http.PostAsJsonAsync(
                "/api/sign-in",
                new { userName = "brenna", password = "stance-42" }
            )
        ).EnsureSuccessStatusCode();
        var connection = new NpgsqlConnectionStringBuilder(
            Environment.GetEnvironmentVariable("NOKKO_TEST_DB")!
        )
        {
            Database = database,
        }.ConnectionString;
        await using var db = YardBench.Open(connection);
        db.Database.SetCommandTimeout(TimeSpan.FromMinutes(5));
        db.ShopId = await db.Shops.Select(s => s.Id).SingleAsync();
        // A job that waits for its plan: measured, nothing begun.
        var yard = (await http.GetFromJsonAsync<JsonNode>("/api/yard"))!["jobs"]!.AsArray();
        JsonNode? view = null;
        var fitted = Guid.Empty;
        foreach (var line in yard)
        {
            var seen = (await http.GetFromJsonAsync<JsonNode>($"/api/jobs/{line!["jobId"]}"))!;
            if (seen["document"]!["steps"]!.AsArray().Count >= 12)
            {
                fitted = seen["document"]!["job"]!["id"]!.GetValue<Guid>();
            }
            if (
                view is null
                && seen["document"]!["stages"]!.AsArray().Count == 1
                && seen["document"]!["readings"]!.AsArray().Count >= 6
                && seen["document"]!["stages"]![0]!["front"]!["kind"]!.GetValue<string>()
                    == "coilOverArm"
            )
            {
                view = seen;
            }
        }
        var job = view!["document"]!["job"]!["id"]!.GetValue<Guid>();
        var stage = view["document"]!["stages"]![0]!["id"]!.GetValue<Guid>();
        var platform = view["document"]!["vehicle"]!["platformId"]!.GetValue<Guid>();
        var part = (await http.GetFromJsonAsync<JsonNode>("/api/parts"))!
            .AsArray()
            .Select(p => p!["part"]!)
            .First(p => p["kind"]!.GetValue<string>() == "strutTopSpacer")["id"]!.GetValue<Guid>();
        await FilledShop.AddJobs(connection, job, jobs - await db.Jobs.CountAsync());
        await FilledShop.AddFittings(connection, fitted);
        await FilledShop.AddTrials(db, platform, proved);
        await FilledShop.AddYears(connection);
        object Placing(string corner) =>
            new
            {
                corner,
                parts = new[]
                {
                    new
                    {
                        id = Guid.CreateVersion7(),
                        partId = part,
                        raise = (object?)null,
                    },
                },
            };
        return new Dictionary<string, double>
        {
            ["opening a job"] = await Median(() => http.GetByteArrayAsync($"/api/jobs/{job}")),
            ["the week"] = await Median(() => http.GetByteArrayAsync("/api/week")),
            ["the calendar as a file"] = await Median(() =>
                http.GetByteArrayAsync("/api/calendar.ics")
            ),
            ["what plans want of the shelf"] = await Median(() =>
                http.GetByteArrayAsync("/api/parts/wanted")
            ),
            ["previewing a plan"] = await Median(async () =>
            {
                var answer = await http.PostAsJsonAsync(
                    $"/api/jobs/{job}/plans/preview",
                    new { fromStageId = stage, stacks = new[] { Placing("LF"), Placing("RF") } }
                );
                answer.EnsureSuccessStatusCode();
                return await answer.Content.ReadAsByteArrayAsync();
            }),
            ["saving a note"] = await Median(async () =>
            {
                var answer = await http.PostAsJsonAsync(
                    $"/api/jobs/{job}/commands",
                    new object[]
                    {
                        new
                        {
                            kind = "noteDeviation",
                            commandId = Guid.CreateVersion7(),
                            id = Guid.CreateVersion7(),
                            where = "bench",
                            sheetSays = "so",
                            did = "so",
                            why = "measured",
                            lookAgain = (string?)null,
                        },
                    }
                );
                answer.EnsureSuccessStatusCode();
                return await answer.Content.ReadAsByteArrayAsync();
            }),
            [Year] = await YardBench.P95(() => http.GetByteArrayAsync("/api/year")),
            ["what earlier jobs offer"] = await Median(() =>
                http.GetByteArrayAsync($"/api/jobs/{job}/fitting/earlier")
            ),
            [Evidence] = await YardBench.P95(() => http.GetByteArrayAsync("/api/evidence")),
        };
    }

    internal static async Task<double> Median<T>(Func<Task<T>> act)
    {
        for (var i = 0; i < 40; i++)
        {
            await act();
        }
        var times = new double[60];
        for (var i = 0; i < times.Length; i++)
        {
            var watch = Stopwatch.StartNew();
            await act();
            times[i] = watch.Elapsed.TotalMilliseconds;
        }
        Array.Sort(times);
        return times[times.Length / 2];
    }
}
