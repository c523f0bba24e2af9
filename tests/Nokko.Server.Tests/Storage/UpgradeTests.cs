using System.IO.Compression;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.DependencyInjection;
using Nokko.Driving;
using Nokko.Server.Evidence;
using Nokko.Storage;
using Npgsql;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>A database that an earlier Nokko has filled is brought to the newest form, and everything in it still works.</summary>
/// <remarks>demo-of-initial.sql.gz is the demo shop as the first migration kept it: pg_dump --data-only --inserts, without the migrations' own table and the data-protection keys.</remarks>
public class UpgradeTests
{
    [Fact]
    public async Task The_demo_of_the_first_migration_goes_on_as_it_was()
    {
        var cancel = TestContext.Current.CancellationToken;
        var connection = TestCluster.On($"upgrade_{Guid.NewGuid():N}");
        var options = new DbContextOptionsBuilder<NokkoDb>();
        NokkoDb.Configure(options, connection);
        await using (var db = new NokkoDb(options.Options))
        {
            await db.GetService<IMigrator>().MigrateAsync("Initial", cancel);
        }
        await Fill(connection, "demo-of-initial.sql.gz");

        await using var server = Hosted.OnDatabase(connection);
        var caller = await server.SignIn();
        var yard = await caller.Get("/api/yard");
        Assert.Equal(13, yard["jobs"]!.AsArray().Count);
        foreach (var line in yard["jobs"]!.AsArray())
        {
            var job = await caller.Get($"/api/jobs/{line!["jobId"]}");
            Assert.NotNull(job["results"]!["walkRounds"]);
        }
        // What the first form kept of evidence is worked out in the new one, behind.
        var scopes = server.Services.GetRequiredService<IServiceScopeFactory>();
        while (await EvidenceBehind.Next(scopes, cancel)) { }
        Assert.Equal(
            4L,
            await server.Ask<long>("select count(*) from job_evidence where rules > 0")
        );
        var evidence = await caller.Get("/api/evidence");
        Assert.NotEmpty(evidence["lines"]!.AsArray());
        // And work goes on.
        var next = new TestJob(caller);
        await next.TakeIn();
        await next.BeginRound();
        await next.ReadAll("20 1/2", "20 1/2", "22 1/2", "22 1/2", "41", "41");
    }

    [Fact]
    [Trait("Trial", "long")]
    public async Task A_change_of_the_tables_that_fails_is_undone_whole_says_so_and_is_made_once_it_can_be()
    {
        var cancel = TestContext.Current.CancellationToken;
        var connection = TestCluster.On($"upgrade_{Guid.NewGuid():N}");
        var options = new DbContextOptionsBuilder<NokkoDb>();
        NokkoDb.Configure(options, connection);
        await using var db = new NokkoDb(options.Options);
        var all = db.Database.GetMigrations().ToArray();
        var before = all.TakeWhile(m => !m.EndsWith("_Instruments", StringComparison.Ordinal))
            .Last();
        await db.GetService<IMigrator>().MigrateAsync(before, cancel);
        // Somebody's own table stands where Nokko's is to be, after a column was added.
        await db.Database.ExecuteSqlAsync($"create table instruments (mine text)", cancel);
        var said = await Assert.ThrowsAsync<InvalidOperationException>(() =>
            ServerProcess.Beside(connection)
        );
        Assert.Contains("could not be brought to the form", said.Message, StringComparison.Ordinal);
        Assert.Contains("instruments", said.Message, StringComparison.Ordinal);
        Assert.DoesNotContain("   at Nokko", said.Message, StringComparison.Ordinal);
        Assert.Equal(before, (await db.Database.GetAppliedMigrationsAsync(cancel)).Last());
        Assert.Empty(
            await db
                .Database.SqlQuery<string>(
                    $"select table_name as \"Value\" from information_schema.columns where column_name = 'by' and table_name in ('readings', 'torque_entries')"
                )
                .ToListAsync(cancel)
        );
        await db.Database.ExecuteSqlAsync($"alter table instruments rename to mine", cancel);
        await using var server = await ServerProcess.Beside(connection);
        Assert.Equal(all[^1], (await db.Database.GetAppliedMigrationsAsync(cancel)).Last());
    }

    private static async Task Fill(string connection, string dump)
    {
        await using var packed = typeof(UpgradeTests).Assembly.GetManifestResourceStream(dump)!;
        await using var plain = new GZipStream(packed, CompressionMode.Decompress);
        using var reader = new StreamReader(plain);
        var lines = (await reader.ReadToEndAsync())
            .Split('\n')
            // Commands of the dumping program itself.
            .Where(l => !l.StartsWith('\\') && !l.Contains("set_config", StringComparison.Ordinal));
        await using var source = NpgsqlDataSource.Create(connection);
        await using var command = source.CreateCommand(string.Join('\n', lines));
        await command.ExecuteNonQueryAsync();
    }
}
