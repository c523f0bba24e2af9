using Nokko.Driving;
using Npgsql;
using Xunit;

[assembly: AssemblyFixture(typeof(Nokko.Browser.Tests.DemoServer))]

namespace Nokko.Browser.Tests;

/// <summary>One server with the demo shop for all tests that leave it standing; what they change, they change on copies of its jobs.</summary>
public sealed class DemoServer : IAsyncLifetime
{
    public HostedServer Server { get; private set; } = null!;

    public async ValueTask InitializeAsync()
    {
        var database = $"demo_{Guid.NewGuid():N}";
        Server = await HostedServer.Start(database);
        // Many copies plan with one shelf at once: what lies there in numbers lies there for all of them.
        await using var connection = new NpgsqlConnection(TestCluster.On(database));
        await connection.OpenAsync();
        await using var fill = new NpgsqlCommand(
            "update parts set count = count + 500 where count > 2",
            connection
        );
        await fill.ExecuteNonQueryAsync();
    }

    public ValueTask DisposeAsync() => Server.DisposeAsync();
}
