using System.Diagnostics;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Bench;

/// <summary>The yard and its search at 10, 1,000 and 100,000 jobs, each beside plain SQL of the same rows.</summary>
internal static class YardBench
{
    private const int Page = 40;
    private const int Runs = 60;

    private static readonly int[] Sizes = [10, 1_000, 100_000];

    /// <summary>What was measured: 95th percentiles, ms; ratios to plain SQL.</summary>
    public static async Task<
        IReadOnlyList<(string What, double Measured, double Aim, string Unit)>
    > Run()
    {
        var rows = new List<(string, double, double, string)>();
        foreach (var size in Sizes)
        {
            var connection = await Filled(size);
            // As the server asks: through its own role, held to one shop.
            var roles = new DatabaseRoles(connection);
            await roles.Prepare();
            await using var db = Open(roles.Server);
            db.ShopId = await db.Shops.Select(s => s.Id).SingleAsync();
            var plain = await Plain(connection);
            var page = await P95(() => db.YardPage(null, null, Page, default));
            rows.Add(($"yard of {size:N0} jobs: page, p95", page, 30, "ms"));
            rows.Add(($"yard of {size:N0} jobs: page over plain SQL", page / plain, 3, "×"));
            foreach (
                var (what, text) in new[]
                {
                    ("a plate", $"SV {size - 1}"),
                    ("nothing", "no such thing"),
                    ("many", "drover"),
                    ("two letters", "sv"),
                    ("two letters, nothing", "qx"),
                }
            )
            {
                rows.Add(
                    (
                        $"yard of {size:N0} jobs: search for {what}, p95",
                        await P95(() => db.YardPage(text, null, Page, default)),
                        30,
                        "ms"
                    )
                );
            }
            NpgsqlConnection.ClearAllPools();
        }
        return rows;
    }

    internal static NokkoDb Open(string connection)
    {
        var options = new DbContextOptionsBuilder<NokkoDb>();
        NokkoDb.Configure(options, connection);
        return new(options.UseQueryTrackingBehavior(QueryTrackingBehavior.NoTracking).Options);
    }

    /// <summary>A database of its own, filled by SQL with copies of one real job's facts.</summary>
    private static async Task<string> Filled(int size)
    {
        var cluster = Environment.GetEnvironmentVariable("NOKKO_TEST_DB")!;
        var connection = new NpgsqlConnectionStringBuilder(cluster)
        {
            Database = $"yard_{size}",
        }.ConnectionString;
        await using var db = Open(connection);
        db.Database.SetCommandTimeout(TimeSpan.FromMinutes(10));
        await db.Database.EnsureDeletedAsync();
        await db.Database.MigrateAsync();
        var file = Path.Combine(
            Environment.GetEnvironmentVariable("NOKKO_ROOT")!,
            "docs",
            "formats",
            "level-pickup.job.json"
        );
        var d = JobFileReader.Read(await File.ReadAllTextAsync(file)).Document!;
        var shop = Guid.CreateVersion7();
        db.Shops.Add(new Shop { Id = shop, Name = "Bench" });
        await db.SaveChangesAsync();
        db.ShopId = shop;
        db.PutJob(d, new HashSet<Guid>());
        await db.SaveNew(d.Job.Id, CancellationToken.None);
        // One real job; the others differ from it in what orders and finds them.
        await FilledShop.AddJobs(connection, d.Job.Id, size - 1);
        return connection;
    }

    private static async Task<double> Plain(string connection)
    {
        await using var source = NpgsqlDataSource.Create(connection);
        return await P95(async () =>
        {
            await using var command = source.CreateCommand(
                $"select id, closed, due, search, words::text, facts::text from job_summaries where shop_id = (select id from shops) order by closed, due, id limit {Page}"
            );
            await using var reader = await command.ExecuteReaderAsync();
            var seen = 0;
            while (await reader.ReadAsync())
            {
                seen += JsonSerializer.Deserialize<YardFacts>(reader.GetString(5), JobJson.Options)
                    is null
                    ? 0
                    : 1;
            }
            return seen;
        });
    }

    internal static async Task<double> P95<T>(Func<Task<T>> act)
    {
        for (var i = 0; i < 10; i++)
        {
            await act();
        }
        var times = new double[Runs];
        for (var i = 0; i < Runs; i++)
        {
            var watch = Stopwatch.StartNew();
            await act();
            times[i] = watch.Elapsed.TotalMilliseconds;
        }
        Array.Sort(times);
        return times[(int)(Runs * 0.95)];
    }
}
