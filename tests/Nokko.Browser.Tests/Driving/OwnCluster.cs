using System.Diagnostics;
using Npgsql;

namespace Nokko.Driving;

/// <summary>A PostgreSQL of a test's own, that can be followed by a standby, killed and promoted.</summary>
public sealed class OwnCluster : IAsyncDisposable
{
    private static readonly string Programs =
        Directory.GetDirectories("/usr/lib/postgresql").Order(StringComparer.Ordinal).Last()
        + "/bin/";

    private readonly string _folder;

    private OwnCluster(string folder, int port) => (_folder, Port) = (folder, port);

    public int Port { get; }

    /// <summary>Connection to it alone.</summary>
    public string Connection =>
        $"Host=127.0.0.1;Port={Port};Username=nokko;Password=none;Database=nokko";

    /// <summary>Makes one and starts it.</summary>
    public static async Task<OwnCluster> Make()
    {
        var made = await New();
        await Run("initdb", "-D", made._folder, "-U", "nokko", "-A", "trust", "-E", "UTF8");
        await made.Start();
        await made.Do("create database nokko", "postgres");
        return made;
    }

    /// <summary>A standby that follows it under a name.</summary>
    public async Task<OwnCluster> Standby(string name)
    {
        var standby = await New();
        await Run(
            "pg_basebackup",
            "-d",
            $"host=127.0.0.1 port={Port} user=nokko application_name={name}",
            "-D",
            standby._folder,
            "-R",
            "-c",
            "fast"
        );
        await standby.Start();
        return standby;
    }

    public Task Start() =>
        Run(
            "pg_ctl",
            "-D",
            _folder,
            "-w",
            "-l",
            $"{_folder}/log",
            "-o",
            $"-c listen_addresses=127.0.0.1 -p {Port} -c unix_socket_directories= -c hot_standby=on",
            "start"
        );

    public Task Stop() => Run("pg_ctl", "-D", _folder, "-w", "-m", "fast", "stop");

    /// <summary>Ends it at once, as a power cut would.</summary>
    public Task Kill() => Run("pg_ctl", "-D", _folder, "-w", "-m", "immediate", "stop");

    public Task Promote() => Run("pg_ctl", "-D", _folder, "-w", "promote");

    /// <summary>A statement of whoever looks after it.</summary>
    public async Task Do(string sql, string database = "nokko")
    {
        await using var connection = new NpgsqlConnection(
            new NpgsqlConnectionStringBuilder(Connection)
            {
                Database = database,
                Pooling = false,
            }.ConnectionString
        );
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand(sql, connection);
        await command.ExecuteNonQueryAsync();
    }

    /// <summary>Every save waits from now on until this standby has it; null: for none.</summary>
    public async Task WaitFor(string? standby)
    {
        await Do(
            $"alter system set synchronous_standby_names = '{(standby is null ? "" : $"ANY 1 ({standby})")}'"
        );
        await Do("select pg_reload_conf()");
    }

    public async ValueTask DisposeAsync()
    {
        if (File.Exists($"{_folder}/postmaster.pid"))
        {
            await Kill();
        }
        Directory.Delete(_folder, recursive: true);
    }

    private static async Task<OwnCluster> New()
    {
        var folder = Directory.CreateTempSubdirectory("nokko-cluster").FullName;
        var made = new OwnCluster(folder, new Uri(ServerProcess.FreeAddress()).Port);
        if (Environment.IsPrivilegedProcess)
        {
            await Program("chown", ["postgres", folder]);
        }
        return made;
    }

    /// <summary>PostgreSQL refuses root.</summary>
    private static Task Run(string program, params string[] arguments) =>
        Environment.IsPrivilegedProcess
            ? Program("runuser", ["-u", "postgres", "--", Programs + program, .. arguments])
            : Program(Programs + program, arguments);

    private static async Task Program(string name, string[] arguments)
    {
        // What it starts keeps its output open: nobody waits for the end of that.
        using var process = Process.Start(
            new ProcessStartInfo(
                "sh",
                ["-c", "exec \"$@\" >/dev/null 2>&1", name, name, .. arguments]
            )
            {
                WorkingDirectory = "/",
            }
        )!;
        await process.WaitForExitAsync();
        if (process.ExitCode != 0)
        {
            throw new InvalidOperationException(
                $"{name} {string.Join(' ', arguments)} ended with {process.ExitCode}."
            );
        }
    }
}
