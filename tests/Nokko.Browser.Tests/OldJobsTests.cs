using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>Old jobs come in from a table on the evidence page.</summary>
public sealed class OldJobsTests : IAsyncLifetime
{
    private HostedServer _server = null!;

    public async ValueTask InitializeAsync() =>
        // What it teaches would move what other tests expect.
        _server = await HostedServer.Start($"demo_{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    [Fact]
    [Trait("Trial", "long")]
    public async Task A_table_is_looked_at_brought_in_and_opened()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.Open($"{_server.Address}/evidence");
        b.Sees("Old jobs from paper");
        var table = (string)
            b.Driver.ExecuteAsyncScript(
                "const [done] = arguments; fetch('/api/old-jobs.csv').then(r => r.text()).then(done);"
            )!;
        var file = Path.GetTempFileName();
        await File.WriteAllTextAsync(
            file,
            table + table.Split('\n')[1].Replace("front,", "roof,", StringComparison.Ordinal),
            TestContext.Current.CancellationToken
        );
        b.Driver.FindElement(By.CssSelector("input[aria-label='Table of old jobs']"))
            .SendKeys(file);
        b.Sees("1 can be brought in.");
        b.Sees("axle: “roof” is none of these");
        b.Sees("by itself.");
        b.Press("Bring it in");
        b.Sees("✓ 1 brought in.");
        b.Press("2024-03-18 Ostrel Drover SV 1 A Alder plate 1");
        b.Sees("These heights were told, from paper or a spreadsheet, and not measured here.");
        File.Delete(file);
    }
}
