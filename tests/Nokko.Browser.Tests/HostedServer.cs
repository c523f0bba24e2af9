using Microsoft.AspNetCore.Builder;
using Nokko.Driving;
using Nokko.Server.Demo;
using Nokko.Server.Hosting;

namespace Nokko.Browser.Tests;

/// <summary>The real server in this process, on a port and a database of its own: tests that never kill it share one warm-up of its code.</summary>
public sealed class HostedServer : IAsyncDisposable
{
    private readonly WebApplication _app;
    private readonly string _connection;

    public string Address { get; }

    private HostedServer(WebApplication app, string connection, string address) =>
        (_app, _connection, Address) = (app, connection, address);

    /// <summary>Starts it on a new database of the test cluster.</summary>
    /// <param name="database">Name of the database.</param>
    /// <param name="empty">Whether it starts with an empty shop instead of the demo.</param>
    public static async Task<HostedServer> Start(string database, bool empty = false)
    {
        if (!empty)
        {
            await ServerProcess.CopyDemo(database);
        }
        var (connection, address) = (TestCluster.On(database), ServerProcess.FreeAddress());
        // Tests that wait for a browser hold threads that the server needs.
        ThreadPool.SetMinThreads(32, 32);
        var app = Composition.Build([
            .. ServerProcess.Arguments(address),
            $"--ConnectionStrings:Nokko={connection}",
            "--Serilog:MinimumLevel:Default=Fatal",
            .. empty
                ? (string[])["--Nokko:Empty=true", $"--Nokko:FirstCode={ServerProcess.FirstCode}"]
                : [],
        ]);
        await Seeding.Prepare(app);
        await app.StartAsync();
        return new HostedServer(app, connection, address);
    }

    /// <summary>A second server on the same database, in a process of its own.</summary>
    public Task<ServerProcess> Beside() => ServerProcess.Beside(_connection);

    public async ValueTask DisposeAsync()
    {
        using var now = new CancellationTokenSource();
        await now.CancelAsync();
        // A page that still listens for news keeps nobody waiting.
        await _app.StopAsync(now.Token);
        await _app.DisposeAsync();
    }
}
