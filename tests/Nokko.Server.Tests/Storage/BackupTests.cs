using System.Diagnostics;
using Nokko.Driving;
using Npgsql;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>The whole database into a file and back, by the script that a shop uses.</summary>
public class BackupTests
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task What_was_backed_up_comes_back_and_what_was_there_is_kept_beside_it()
    {
        await using var server = new Hosted();
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.AddPhotograph();
        var before = (await caller.Get(job.Path))["document"]!.ToJsonString();
        var into = Directory.CreateTempSubdirectory("nokko-backup").FullName;
        var said = await Nokko(0, "backup", into, "--connection", server.Connection);
        Assert.Contains("1 photographs are in", said, StringComparison.Ordinal);
        var file = Assert.Single(Directory.GetFiles(into));
        // Names and phones are in it: nobody else on the machine reads it.
        if (!OperatingSystem.IsWindows())
        {
            Assert.Equal(
                UnixFileMode.UserRead | UnixFileMode.UserWrite,
                File.GetUnixFileMode(file)
            );
        }
        await job.BeginRound();
        await server.DisposeAsync();

        // While somebody works on it nothing is put back.
        await using (var open = new NpgsqlConnection(server.Connection))
        {
            await open.OpenAsync(Cancel);
            said = await Nokko(1, "restore", into, "--connection", server.Connection);
            Assert.Contains("Nothing was touched", said, StringComparison.Ordinal);
            NpgsqlConnection.ClearPool(open);
        }
        NpgsqlConnection.ClearAllPools();
        await File.WriteAllTextAsync(Path.Combine(into, "nokko-9.dump"), "torn", Cancel);
        said = await Nokko(1, "restore", into, "--connection", server.Connection);
        Assert.Contains(
            "is no backup, or is broken. Nothing was touched",
            said,
            StringComparison.Ordinal
        );

        said = await Nokko(0, "restore", file, "--connection", server.Connection);
        var kept = said.Split("kept as database ")[1].Split('.')[0];
        await using var again = Hosted.OnDatabase(server.Connection);
        var back = await again.SignIn();
        Assert.Equal(before, (await back.Get(job.Path))["document"]!.ToJsonString());
        var photograph = (await back.Get(job.Path))["document"]!["attachments"]![0]!["sha256"]!;
        Assert.True(
            (await back.Http.GetAsync($"/api/files/{photograph}", Cancel)).IsSuccessStatusCode
        );
        // What was there has the walk-round that the backup does not know.
        await using var old = Hosted.OnDatabase(
            server.Connection.Replace(
                new NpgsqlConnectionStringBuilder(server.Connection).Database!,
                kept,
                StringComparison.Ordinal
            )
        );
        Assert.Single(
            (await (await old.SignIn()).Get(job.Path))["document"]!["walkRounds"]!.AsArray()
        );
        Directory.Delete(into, recursive: true);
    }

    /// <summary>Runs the script, and gives what it said.</summary>
    private static async Task<string> Nokko(int code, params string[] arguments)
    {
        using var script = Process.Start(
            new ProcessStartInfo(Path.Combine(TestPaths.Root, "nokko"), arguments)
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        var said = await Task.WhenAll(
            script.StandardOutput.ReadToEndAsync(Cancel),
            script.StandardError.ReadToEndAsync(Cancel)
        );
        await script.WaitForExitAsync(Cancel);
        Assert.True(script.ExitCode == code, string.Concat(said));
        return string.Concat(said);
    }
}
