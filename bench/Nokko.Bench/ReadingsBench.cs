using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Nokko.Driving;
using Npgsql;

namespace Nokko.Bench;

/// <summary>One database with ten thousand and with ten million readings: what a person does must cost the same, or the tables would have to be cut by shop.</summary>
internal static class ReadingsBench
{
    private const int OfAJob = 42;

    /// <summary>So many store at once, each in a job of their own.</summary>
    private const int Hands = 8;

    private const string Size = "pg_database_size(current_database())";
    private const string Log = "pg_current_wal_lsn() - '0/0'::pg_lsn";

    private static readonly int[] Sizes = [10_000, 10_000_000];

    /// <summary>What was measured: medians, ms; ratios to the small one; how large it is.</summary>
    public static async Task<
        IReadOnlyList<(string What, double Measured, double Aim, string Unit)>
    > Run()
    {
        var rows = new List<(string, double, double, string)>();
        Dictionary<string, double>? least = null;
        foreach (var size in Sizes)
        {
            var (times, together, save, megabytes) = await Measured(size);
            foreach (var (what, ms) in times)
            {
                rows.Add(($"{what}, {size:N0} readings: median", ms, double.NaN, "ms"));
                if (least is not null)
                {
                    rows.Add(($"{what}: over {Sizes[0]:N0}", ms / least[what], 1.3, "×"));
                }
            }
            rows.Add(($"{Hands} at once, {size:N0} readings", together, double.NaN, "saves/s"));
            rows.Add(($"a save, {size:N0} readings: tables", save.Kilobytes, double.NaN, "kB"));
            rows.Add(($"a save, {size:N0} readings: write-ahead log", save.Log, double.NaN, "kB"));
            rows.Add(($"{size:N0} readings: the database", megabytes, double.NaN, "MB"));
            least ??= times;
        }
        return rows;
    }

    private static async Task<(
        Dictionary<string, double> Times,
        double Together,
        (double Kilobytes, double Log) Save,
        double Megabytes
    )> Measured(int readings)
    {
        var database = $"readings_{readings}";
        await using var server = await ServerProcess.Start(database);
        using var http = new HttpClient { BaseAddress = new Uri(server.Address) };
        (
            await http.PostAsJsonAsync(
                "/api/sign-in",
                new { userName = "brenna", password = "stance-42" }
            )
        ).EnsureSuccessStatusCode();
        var connection = new NpgsqlConnectionStringBuilder(TestCluster.On(database))
        {
            CommandTimeout = 1_200,
        }.ConnectionString;
        // One that was measured and waits for its plan.
        var yard = (await http.GetFromJsonAsync<JsonNode>("/api/yard?find=HO%2032%20T"))!;
        var job = yard["jobs"]![0]!["jobId"]!.GetValue<Guid>();
        await FilledShop.AddJobs(connection, job, readings / OfAJob);
        await FilledShop.AddReadings(connection, job, OfAJob);
        await using var db = YardBench.Open(connection);
        db.ShopId = await db.Shops.Select(s => s.Id).SingleAsync();
        var jobs = (await db.Jobs.OrderBy(j => j.Id).Select(j => j.Id).ToListAsync())[^Hands..];
        var one = jobs[^1];
        var rounds = new Dictionary<Guid, JsonNode>();
        foreach (var of in jobs)
        {
            rounds[of] = (await http.GetFromJsonAsync<JsonNode>($"/api/jobs/{of}"))!["document"]![
                "walkRounds"
            ]![0]!["id"]!;
        }
        var times = new Dictionary<string, double>
        {
            ["opening a job"] = await JobsBench.Median(() =>
                http.GetByteArrayAsync($"/api/jobs/{one}")
            ),
            ["the yard"] = await JobsBench.Median(() => http.GetByteArrayAsync("/api/yard")),
            ["storing a reading"] = await JobsBench.Median(() => Store(one)),
        };
        await using var open = new NpgsqlConnection(connection);
        await open.OpenAsync();
        var (size, log) = (await Ask(Size), await Ask(Log));
        var (stored, watch) = (0, Stopwatch.StartNew());
        await Task.WhenAll(
            jobs.Select(async of =>
            {
                while (watch.Elapsed < TimeSpan.FromSeconds(15))
                {
                    await Store(of);
                    Interlocked.Increment(ref stored);
                }
            })
        );
        var together = stored / watch.Elapsed.TotalSeconds;
        var now = await Ask(Size);
        return (
            times,
            together,
            ((now - size) / 1e3 / stored, (await Ask(Log) - log) / 1e3 / stored),
            now / 1e6
        );

        async Task<double> Ask(string what)
        {
            await using var ask = new NpgsqlCommand($"select ({what})::float8", open);
            return (double)(await ask.ExecuteScalarAsync())!;
        }

        async Task<string> Store(Guid of)
        {
            var answer = await http.PostAsJsonAsync(
                $"/api/jobs/{of}/commands",
                new object[]
                {
                    new
                    {
                        kind = "storeReading",
                        commandId = Guid.CreateVersion7(),
                        id = Guid.CreateVersion7(),
                        walkRoundId = rounds[of],
                        station = "LF",
                        from = "hub",
                        typed = "20 1/2",
                        answers = (string[])["asRead"],
                        takenAt = DateTimeOffset.UtcNow,
                        supersedes = (Guid?)null,
                        reason = (string?)null,
                    },
                }
            );
            answer.EnsureSuccessStatusCode();
            var told = await answer.Content.ReadAsStringAsync();
            // What was refused costs less and measures nothing.
            return told.Contains("\"stored\"", StringComparison.Ordinal)
                ? told
                : throw new InvalidOperationException(told);
        }
    }
}
