using Nokko.Driving;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>One server with the demo shop for all tests of a class.</summary>
public sealed class DemoServer : IAsyncLifetime
{
    public ServerProcess Server { get; private set; } = null!;

    public async ValueTask InitializeAsync() =>
        Server = await ServerProcess.Start($"demo_{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => Server.DisposeAsync();
}
