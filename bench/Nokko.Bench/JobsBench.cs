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

    private const int Warm = 40;
    private const int Times = 60;

    /// <summary>What was measured: medians, and 95th percentiles of what sums a whole shop up, ms; ratios to thirty jobs, or to the first shop that fills a page.</summary>
    public static async Task<
        IReadOnlyList<(string What, double Measured, double Aim, string Unit)>
    > Run()
    {
        var shops = new List<Shop>();
        try
        {
            foreach (var (jobs, proved) in Sizes)
            {
                shops.Add(await Shop.Filled(jobs, proved));
            }
            var rows = new List<(string, double, double, string)>();
            foreach (var what in shops[0].Acts.Keys)
            {
                var times = await ByTurns([.. shops.Select(s => s.Acts[what])]);
                var first = Paged.Contains(what) ? shops.FindIndex(s => s.Jobs >= FullPages) : 0;
                for (var i = 0; i < shops.Count; i++)
                {
                    var of = $"{what} of {shops[i].Jobs:N0} jobs, {shops[i].Proved:N0} proved";
                    if (what is Evidence or Year)
                    {
                        rows.Add(($"{of}: p95", times[i][(int)(Times * 0.95)], 300, "ms"));
                        continue;
                    }
                    rows.Add(($"{of}: median", times[i][Times / 2], double.NaN, "ms"));
                    if (i > first)
                    {
                        rows.Add(
                            (
                                $"{of}: over {(first > 0 ? "a thousand" : "thirty")}",
                                times[i][Times / 2] / times[first][Times / 2],
                                1.3,
                                "×"
                            )
                        );
                    }
                }
            }
            return rows;
        }
        finally
        {
            foreach (var shop in shops)
            {
                await shop.DisposeAsync();
            }
        }
    }

    /// <summary>What shows as many jobs as a shop has, up to a full page or a fixed number: held against the first shop that fills it.</summary>
    private static readonly string[] Paged = ["the week", "the calendar as a file", EarlierJobs];

    /// <summary>Of the latest thirty vehicles of a platform.</summary>
    private const string EarlierJobs = "what earlier jobs offer";

    private const int FullPages = 1_000;

    private const string Evidence = "evidence page";

    /// <summary>A tenth of the jobs are of this year.</summary>
    private const string Year = "the shop's year";

    internal static async Task<double> Median<T>(Func<Task<T>> act) =>
        (await ByTurns([act]))[0][Times / 2];

    /// <summary>Times of several, sorted, ms: by turns, so that a machine that is slow for a minute is slow for all of them.</summary>
    private static async Task<double[][]> ByTurns(Func<Task>[] acts)
    {
        var times = new double[acts.Length][];
        for (var i = -Warm; i < Times; i++)
        {
            for (var k = 0; k < acts.Length; k++)
            {
                var watch = Stopwatch.StartNew();
                await acts[k]();
                if (i >= 0)
                {
                    (times[k] ??= new double[Times])[i] = watch.Elapsed.TotalMilliseconds;
                }
            }
        }
        foreach (var own in times)
        {
            Array.Sort(own);
        }
        return times;
    }

    /// <summary>A server with so many jobs, and what is asked of it.</summary>
    private sealed record Shop(
        int Jobs,
        int Proved,
        ServerProcess Server,
        HttpClient Http,
        IReadOnlyDictionary<string, Func<Task>> Acts
    ) : IAsyncDisposable
    {
        public async ValueTask DisposeAsync()
        {
            Http.Dispose();
            await Server.DisposeAsync();
        }

        public static async Task<Shop> Filled(int jobs, int proved)
        {
            var database = $"jobs_{jobs}";
            var server = await ServerProcess.Start(database);
            var http = new HttpClient { BaseAddress = new Uri(server.Address) };
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
                .First(p => p["kind"]!.GetValue<string>() == "strutTopSpacer")[
                "id"
            ]!.GetValue<Guid>();
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
            var acts = new Dictionary<string, Func<Task>>
            {
                ["opening a job"] = () => http.GetByteArrayAsync($"/api/jobs/{job}"),
                ["the week"] = () => http.GetByteArrayAsync("/api/week"),
                ["the calendar as a file"] = () => http.GetByteArrayAsync("/api/calendar.ics"),
                ["what plans want of the shelf"] = () =>
                    http.GetByteArrayAsync("/api/parts/wanted"),
                ["previewing a plan"] = async () =>
                {
                    var answer = await http.PostAsJsonAsync(
                        $"/api/jobs/{job}/plans/preview",
                        new { fromStageId = stage, stacks = new[] { Placing("LF"), Placing("RF") } }
                    );
                    answer.EnsureSuccessStatusCode();
                    await answer.Content.ReadAsByteArrayAsync();
                },
                ["saving a note"] = async () =>
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
                    await answer.Content.ReadAsByteArrayAsync();
                },
                [Year] = () => http.GetByteArrayAsync("/api/year"),
                [EarlierJobs] = () => http.GetByteArrayAsync($"/api/jobs/{job}/fitting/earlier"),
                [Evidence] = () => http.GetByteArrayAsync("/api/evidence"),
            };
            return new Shop(jobs, proved, server, http, acts);
        }
    }
}
