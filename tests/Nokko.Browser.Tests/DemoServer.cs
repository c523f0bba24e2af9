using Nokko.Driving;
using Xunit;

[assembly: AssemblyFixture(typeof(Nokko.Browser.Tests.DemoServer))]

namespace Nokko.Browser.Tests;

/// <summary>One server with the demo shop for all tests that leave it standing; what they change, they change on copies of its jobs.</summary>
public sealed class DemoServer : IAsyncLifetime
{
    public ServerProcess Server { get; private set; } = null!;

    public async ValueTask InitializeAsync() =>
        Server = await ServerProcess.Start($"demo_{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => Server.DisposeAsync();
}
