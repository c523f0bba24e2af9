using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>A walk-round goes on without a network; it has a server of its own, which it kills.</summary>
public sealed class OfflineTests : IAsyncLifetime
{
    private ServerProcess _server = null!;

    public async ValueTask InitializeAsync() =>
        _server = await ServerProcess.Start($"offline_{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    [Fact]
    [Trait("Trial", "long")]
    public async Task Without_a_network_the_walk_round_goes_on_also_after_the_browser_was_closed()
    {
        var b = new Driving.Browser();
        try
        {
            b.SignIn(_server.Address, "brenna");
            b.OpenCopy("NF 80 W");
            b.TypeAt("Left rear, from the hub", "22 7/8\n");
            b.AllSaved();
            // The application is on the device once its worker has taken charge.
            b.Driver.ExecuteAsyncScript(
                "const done = arguments[0]; navigator.serviceWorker.ready.then(() => done())"
            );
            var address = b.Driver.Url;
            Go(b, "plan");
            b.Sees("Shelf, for both front");
            Go(b, "walk-round");
            b.Focus("Right rear, from the hub");
            await _server.Kill();
            b.TypeAt("Right rear, from the hub", "22 13/16\n");
            b.Sees("Right rear 22 13/16: kept here, not yet at the server");
            b.TypeAt("Right middle, from the floor", "41\n");
            b.Sees("Not saved yet: 2");

            b = b.Reopen();
            b.Open(address);
            b.Sees("Right rear 22 13/16: kept here, not yet at the server");
            b.Sees("Not saved yet: 2");
            b.TypeAt("Right front, from the hub", "20 1/16\n");
            b.Sees("Not saved yet: 3");
            // A second round is begun without the server too.
            b.Press("New round");
            b.Press("Rolled");
            b.TypeAt("Left front, from the hub", "20 1/8\n");
            b.Sees("Not saved yet: 5");
            // Parts are put in as they lie on the shelf; the second rests on the first.
            Go(b, "plan");
            b.PutIn(0);
            b.Sees("Kept here, not yet at the server: what this plan will do");
            b.PutIn(1);
            b.Sees("Not saved yet: 7");
            Assert.Equal(4, Pieces(b));

            await _server.Run();
            b.Until(
                d => b.Text.Contains("✓ All saved", StringComparison.Ordinal),
                "everything that was kept is stored",
                seconds: 45
            );
            b.Sees("Agreed: begin the fitting");
            Assert.DoesNotContain("Kept here", b.Text, StringComparison.Ordinal);
            Assert.Equal(4, Pieces(b));
            Go(b, "walk-round");
            b.Sees("Left front, hub");
            var order = (string)
                b.Driver.ExecuteAsyncScript(
                    """
                    const done = arguments[0];
                    fetch('/api' + location.pathname.replace('/walk-round', ''))
                      .then(r => r.json())
                      .then(v => done(v.document.readings
                        .toSorted((a, b) => a.storedAt.localeCompare(b.storedAt))
                        .slice(2).map(r => r.place.name + ' ' + r.value.typed).join(', ')));
                    """
                )!;
            Assert.Equal("LR 22 7/8, RR 22 13/16, RM 41, RF 20 1/16, LF 20 1/8", order);
        }
        finally
        {
            b.Dispose();
        }
    }

    private static void Go(Driving.Browser b, string phase) =>
        b.Until(d => d.FindElement(By.CssSelector($"nav a[href$='/{phase}']")), phase).Click();

    private static int Pieces(Driving.Browser b) =>
        b.Driver.FindElements(By.CssSelector("button[aria-label^='Take out']")).Count;
}
