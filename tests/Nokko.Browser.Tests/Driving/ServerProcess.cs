using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace Nokko.Driving;

/// <summary>The real server as a process of its own on a database of its own; it can be killed and started again.</summary>
public sealed class ServerProcess : IAsyncDisposable
{
    private readonly string _connection;
    private readonly bool _empty;
    private readonly List<string> _log = [];
    private (string Name, string Value)[] _settings = [];
    private Process? _process;

    /// <summary>The code with which an empty server's shop is made.</summary>
    public const string FirstCode = "first-4711";

    public string Address { get; }

    /// <summary>Its address for other devices, over TLS; null where it serves this machine alone.</summary>
    public string? Others { get; private init; }

    /// <summary>Where it keeps the certificates that it makes.</summary>
    public string? Certificates { get; private init; }

    private ServerProcess(string connection, string address, bool empty) =>
        (_connection, Address, _empty) = (connection, address, empty);

    /// <summary>Starts it for other devices too, as a machine of this name.</summary>
    public static async Task<ServerProcess> StartForOthers(string database, string name)
    {
        await CopyDemo(database);
        var port = new Uri(FreeAddress()).Port;
        var server = new ServerProcess(TestCluster.On(database), FreeAddress(), false)
        {
            Others = $"https://{name}:{port}",
            Certificates = Directory.CreateTempSubdirectory("nokko-certificates").FullName,
        };
        await server.Run();
        return server;
    }

    /// <summary>Starts it on a new database of the test cluster.</summary>
    /// <param name="database">Name of the database.</param>
    /// <param name="empty">Whether it starts with an empty shop instead of the demo.</param>
    public static async Task<ServerProcess> Start(string database, bool empty = false)
    {
        if (!empty)
        {
            await CopyDemo(database);
        }
        var server = new ServerProcess(TestCluster.On(database), FreeAddress(), empty);
        await server.Run();
        return server;
    }

    /// <summary>Makes a database that holds the demo shop.</summary>
    public static Task CopyDemo(string database) =>
        TestCluster.CopyDemo(
            database,
            async connection =>
            {
                var maker = new ServerProcess(connection, FreeAddress(), false);
                await maker.Run();
                await maker.Kill();
            }
        );

    /// <summary>A second server on the same database.</summary>
    public Task<ServerProcess> Beside() => Beside(_connection);

    /// <summary>A server on a database on which another one runs, or that is empty.</summary>
    /// <param name="connection">The database.</param>
    /// <param name="settings">Settings as the environment holds them.</param>
    public static async Task<ServerProcess> Beside(
        string connection,
        params (string, string)[] settings
    )
    {
        var other = new ServerProcess(connection, FreeAddress(), false) { _settings = settings };
        await other.Run();
        return other;
    }

    /// <summary>What is told a server that tests drive: where it listens and finds its files. They ask more often than people, and passwords cost them much.</summary>
    /// <param name="urls">Its addresses.</param>
    public static IReadOnlyList<string> Arguments(string urls) =>
        [
            "--urls",
            urls,
            "--contentRoot",
            Path.GetDirectoryName(Dll)!,
            "--webroot",
            Environment.GetEnvironmentVariable("NOKKO_WEBROOT")!,
            "--Nokko:RequestsPerMinute=1000000",
            "--Nokko:DoorPerMinute=100000",
            "--Nokko:PasswordRounds=1000",
        ];

    private static string Dll => Environment.GetEnvironmentVariable("NOKKO_SERVER_DLL")!;

    public async Task Run()
    {
        var start = new ProcessStartInfo("dotnet")
        {
            ArgumentList = { Dll },
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        foreach (
            var argument in Arguments(
                Others is null ? Address : $"{Address};https://127.0.0.1:{new Uri(Others).Port}"
            )
        )
        {
            start.ArgumentList.Add(argument);
        }
        start.Environment["ConnectionStrings__Nokko"] = _connection;
        start.Environment["Nokko__Address"] = Others;
        start.Environment["Nokko__CertificateFolder"] = Certificates;
        foreach (var (name, value) in _settings)
        {
            start.Environment[name] = value;
        }
        if (_empty)
        {
            start.Environment["Nokko__Empty"] = "true";
            start.Environment["Nokko__FirstCode"] = FirstCode;
        }
        _process = Process.Start(start)!;
        _process.OutputDataReceived += (_, e) => Log(e.Data);
        _process.ErrorDataReceived += (_, e) => Log(e.Data);
        _process.BeginOutputReadLine();
        _process.BeginErrorReadLine();
        using var http = new HttpClient { Timeout = TimeSpan.FromSeconds(2) };
        for (
            var until = DateTime.UtcNow.AddSeconds(60);
            DateTime.UtcNow < until && !_process.HasExited;

        )
        {
            try
            {
                if ((await http.GetAsync($"{Address}/healthz")).IsSuccessStatusCode)
                {
                    return;
                }
            }
            catch (Exception e) when (e is HttpRequestException or TaskCanceledException)
            {
                await Task.Delay(50);
            }
        }
        throw new InvalidOperationException("The server did not come up:\n" + Said);
    }

    /// <summary>Ends it at once, as a power cut would.</summary>
    public async Task Kill()
    {
        _process!.Kill(entireProcessTree: true);
        await _process.WaitForExitAsync();
    }

    /// <summary>Memory that it has of the machine, MB; 0 while it does not run.</summary>
    public double Memory
    {
        get
        {
            if (_process is not { HasExited: false } running)
            {
                return 0;
            }
            running.Refresh();
            return running.WorkingSet64 / 1e6;
        }
    }

    /// <summary>What it said so far.</summary>
    public string Said
    {
        get
        {
            lock (_log)
            {
                return string.Join('\n', _log);
            }
        }
    }

    public async ValueTask DisposeAsync()
    {
        if (_process is { HasExited: false })
        {
            await Kill();
        }
    }

    private void Log(string? line)
    {
        if (line is not null)
        {
            lock (_log)
            {
                _log.Add(line);
            }
        }
    }

    /// <summary>An address on loopback at which nobody listens.</summary>
    public static string FreeAddress()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return $"http://127.0.0.1:{((IPEndPoint)listener.LocalEndpoint).Port}";
    }
}
