using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>A walk-round by keyboard alone, by touch alone, without a network, by two people, and with a stand-in.</summary>
public sealed class WalkRoundTests : IAsyncLifetime
{
    private ServerProcess _server = null!;

    public async ValueTask InitializeAsync() =>
        _server = await ServerProcess.Start($"round_{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    [Fact]
    public void A_whole_walk_round_by_keyboard_alone()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        Open(b, "NF 80 W");
        // The field has the focus; Enter stores and walks on.
        Type(b, "Left rear, from the hub", "22 7/8\n");
        // A lost slash is asked about in place, and answered by keyboard.
        Type(b, "Right rear, from the hub", "22 7.8\n");
        b.Sees("Did the slash get lost?");
        TabTo(b, "22 7/8 in");
        Press(b, Keys.Enter);
        // The tape is stepped by arrow keys: up from 41 by two sixteenths, down by one.
        Type(b, "Right middle, from the floor", "41");
        b.Sees("41 in · 41.000 in · 1041.4 mm");
        Press(b, Keys.ArrowUp);
        b.Sees("41 1/16 in");
        Press(b, Keys.ArrowUp);
        b.Sees("41 1/8 in");
        Press(b, Keys.ArrowDown);
        b.Sees("41 1/16 in · 41.063 in · 1043 mm");
        Press(b, Keys.Enter);
        // Back and forth between stations, and the help.
        Focus(b, "Right front, from the hub");
        Press(b, Keys.PageUp);
        Focus(b, "Right middle, from the floor");
        Press(b, Keys.PageDown);
        Focus(b, "Right front, from the hub");
        Press(b, "?");
        b.Sees("Page Down, Page Up: next and last station");
        Type(b, "Right front, from the hub", "20 1/8 +\n");
        b.Sees("Nose down");
        b.AllSaved();
        // That was wrong: with a reason, both stay.
        TabTo(b, "That was wrong");
        Press(b, Keys.Enter);
        Type(b, "Left front, from the hub", "20 1/4");
        TabTo(b, "Why was the first reading wrong?");
        Press(b, "hooked the liner\n");
        b.AllSaved();
        // One more round: the same as last time by one key.
        TabTo(b, "New round");
        Press(b, Keys.Enter);
        b.Sees("Same as last time, and settled how?");
        TabTo(b, "Driven");
        Press(b, Keys.Enter);
        Type(b, "Left front, from the hub", "20 1/4\n");
        Focus(b, "Left middle, from the floor");
        // Passed over, with a reason.
        TabTo(b, "Pass over…");
        Press(b, Keys.Enter);
        b.Until(
            d => Name(d.SwitchTo().ActiveElement()).StartsWith("Why is", StringComparison.Ordinal),
            "the reason has the focus"
        );
        Press(b, "handle missing\n");
        b.Sees("Left middle: passed over, handle missing");
        Focus(b, "Left rear, from the hub");
    }

    [Fact]
    public void A_walk_round_by_touch_alone()
    {
        using var b = new Driving.Browser(390, 844);
        b.SignIn(_server.Address, "odd");
        b.OnlyTouch();
        Open(b, "NF 80 W");
        b.Sees("Left rear, from the hub");
        foreach (var key in new[] { "2", "2", "7/8", "Store" })
        {
            b.Tap(key);
        }
        b.Sees("Right rear, from the hub");
        // The tape: touched, it reads; drawn down by 20 mm worth of picture it reads less.
        IWebElement TapeOf() => b.Driver.FindElement(By.CssSelector("svg[role=slider]"));
        b.Tap(TapeOf, "the tape");
        var before = Read(b);
        Assert.True(before > 0);
        b.Drag(TapeOf, 80);
        b.Until(_ => Read(b) is var now && now > 0 && now < before, "the tape reads less");
        // An inch of tape is 80 of its own pixels.
        Assert.InRange(before - Read(b), 24, 27);
        foreach (var key in new[] { "2", "2", "13/16", "+, strong", "Store" })
        {
            b.Tap(key);
        }
        b.Sees("Right middle, from the floor");
        foreach (var key in new[] { "4", "1", "Store" })
        {
            b.Tap(key);
        }
        b.Sees("Right front, from the hub");
        foreach (var key in new[] { "2", "0", "1/16", "Store" })
        {
            b.Tap(key);
        }
        b.Sees("Nose down");
        b.AllSaved();
        // A station is chosen on the drawing.
        b.Tap("RR, Right rear, ✓ read");
        b.Sees("Right rear, from the hub");
    }

    [Fact]
    public async Task Without_a_network_the_walk_round_goes_on_also_after_the_browser_was_closed()
    {
        var b = new Driving.Browser();
        try
        {
            b.SignIn(_server.Address, "brenna");
            Open(b, "NF 80 W");
            Type(b, "Left rear, from the hub", "22 7/8\n");
            b.AllSaved();
            // The application is on the device once its worker has taken charge.
            b.Driver.ExecuteAsyncScript(
                "const done = arguments[0]; navigator.serviceWorker.ready.then(() => done())"
            );
            var address = b.Driver.Url;
            await _server.Kill();
            Type(b, "Right rear, from the hub", "22 13/16\n");
            b.Sees("Right rear 22 13/16: kept here, not yet at the server");
            Type(b, "Right middle, from the floor", "41\n");
            b.Sees("Not saved yet: 2");

            b = b.Reopen();
            b.Open(address);
            b.Sees("Right rear 22 13/16: kept here, not yet at the server");
            b.Sees("Not saved yet: 2");
            Type(b, "Right front, from the hub", "20 1/16\n");
            b.Sees("Not saved yet: 3");
            // A second round is begun without the server too.
            b.Press("New round");
            b.Press("Rolled");
            Type(b, "Left front, from the hub", "20 1/8\n");
            b.Sees("Not saved yet: 5");

            await _server.Run();
            b.AllSaved();
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

    [Fact]
    public async Task One_reads_and_one_types_on_two_devices_at_two_servers()
    {
        await using var second = await _server.Beside();
        using var types = new Driving.Browser();
        using var reads = new Driving.Browser(1024, 768);
        types.SignIn(_server.Address, "brenna");
        reads.SignIn(second.Address, "odd");
        Open(types, "NF 80 W");
        reads.Open(
            types.Driver.Url.Replace(_server.Address, second.Address, StringComparison.Ordinal)
        );
        reads.Sees("Left rear, from the hub");
        // What one stores, the other sees without asking, and where the tape stands.
        Type(types, "Left rear, from the hub", "22 7/8\n");
        reads.Sees("Left rear, hub");
        reads.Sees("◆ Brenna Tarn is at: right rear");
        // Both read the same station: the second is a repeat, nothing is overwritten.
        Type(reads, "Left rear, from the hub", "22 15/16\n");
        types.Sees("2 reads");
        reads.Sees("2 reads");
    }

    [Fact]
    public void A_stand_in_shows_its_live_value_and_a_key_stores_it()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        Open(b, "NF 80 W");
        b.Choose("Read with", "height gauge (stand-in)");
        b.Sees("Still moving…");
        b.Sees("● Steady: Enter stores it.");
        b.Driver.FindElement(By.Id("tape")).SendKeys(Keys.Enter);
        b.Sees("height-gauge HG-STAND-IN");
        b.Sees("Left rear, hub");
        b.Press("Other measures (8 asked)");
        b.Choose("Or measure something else", "Caster");
        b.Press("Read with: alignment rack (stand-in)");
        b.Sees("● steady: Enter stores it");
        b.Driver.FindElement(By.Id("measure")).SendKeys(Keys.Enter);
        b.Sees("Caster, left front");
        b.Sees("Taken in this round");
        b.AllSaved();
    }

    [Fact]
    public void A_photograph_is_made_smaller_and_says_no_more_where_it_was_taken()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        Open(b, "NF 80 W");
        b.Sees("Left rear, from the hub");
        var plain = Convert.FromBase64String(
            (string)
                b.Driver.ExecuteScript(
                    "const c = document.createElement('canvas'); c.width = 3000; c.height = 1500; return c.toDataURL('image/jpeg').split(',')[1]"
                )!
        );
        var told = "Exif\0\0 somewhere in the valley"u8.ToArray();
        byte[] withExif =
        [
            .. plain[..2],
            0xFF,
            0xE1,
            (byte)((told.Length + 2) >> 8),
            (byte)(told.Length + 2),
            .. told,
            .. plain[2..],
        ];
        var path = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}.jpg");
        File.WriteAllBytes(path, withExif);
        b.Driver.FindElement(By.CssSelector("input[aria-label^='Photograph of Left front']"))
            .SendKeys(path);
        var kept = b.Until(
            d =>
                d.FindElements(By.CssSelector("img[src^='/api/files/']"))
                    .FirstOrDefault()
                    ?.GetAttribute("src"),
            "the photograph beside its reading"
        )!;
        var about = (string)
            b.Driver.ExecuteAsyncScript(
                """
                const [url, done] = arguments;
                fetch(url).then(r => r.blob()).then(async f => {
                  const image = await createImageBitmap(f);
                  done(image.width + '×' + image.height + ' ' + (await f.text()).includes('valley'));
                });
                """,
                kept
            )!;
        Assert.Equal("2000×1000 false", about);
        // Past the page, the server refuses what still tells.
        var status = (long)
            b.Driver.ExecuteAsyncScript(
                """
                const [bytes, done] = arguments;
                const job = location.pathname.split('/')[2];
                fetch(`/api/jobs/${job}/photographs?commandId=${crypto.randomUUID()}&id=${crypto.randomUUID()}`, {
                  method: 'POST', headers: { 'Content-Type': 'image/jpeg' },
                  body: Uint8Array.from(atob(bytes), c => c.charCodeAt(0)),
                }).then(r => done(r.status));
                """,
                Convert.ToBase64String(withExif)
            )!;
        Assert.Equal(422, status);
        File.Delete(path);
    }

    private static double Read(Driving.Browser b) =>
        b.Driver.FindElement(By.CssSelector("svg[role=slider]")).GetAttribute("aria-valuetext")
        == "nothing read yet"
            ? 0
            : double.Parse(
                b.Driver.FindElement(By.CssSelector("svg[role=slider]"))
                    .GetAttribute("aria-valuenow")!,
                System.Globalization.CultureInfo.InvariantCulture
            );

    private static void Open(Driving.Browser b, string plate)
    {
        var href = b.Until(
            d =>
                d.FindElements(By.XPath($"//main//li/a[contains(., '{plate}')]"))
                    .FirstOrDefault()
                    ?.GetAttribute("href"),
            plate
        )!;
        b.Open(href[..href.LastIndexOf('/')] + "/walk-round");
    }

    private static void Focus(Driving.Browser b, string station)
    {
        b.Sees(station);
        b.Until(
            d => d.SwitchTo().ActiveElement().GetAttribute("id") == "tape",
            "the tape field has the focus"
        );
    }

    /// <summary>Types into whatever has the focus; a line's end is Enter.</summary>
    private static void Type(Driving.Browser b, string station, string text)
    {
        Focus(b, station);
        Press(b, text);
        if (text.EndsWith('\n'))
        {
            b.Until(
                d =>
                    d.FindElement(By.Id("tape")).GetAttribute("value") is ""
                    || text.Contains('.', StringComparison.Ordinal),
                $"{station} {text.Trim()} is stored"
            );
        }
    }

    private static void Press(Driving.Browser b, string keys) =>
        b
            .Driver.SwitchTo()
            .ActiveElement()
            .SendKeys(keys.Replace("\n", Keys.Enter, StringComparison.Ordinal));

    /// <summary>Goes from field to field until the one with these words has the focus.</summary>
    private static void TabTo(Driving.Browser b, string words)
    {
        b.Sees(words);
        for (var i = 0; i < 120; i++)
        {
            Press(b, Keys.Tab);
            if (Name(b.Driver.SwitchTo().ActiveElement()) == words)
            {
                return;
            }
        }
        Assert.Fail($"“{words}” is not reached by Tab.");
    }

    private static string Name(IWebElement element) =>
        element.GetAttribute("aria-label") is { Length: > 0 } label ? label
        : element.Text is { Length: > 0 } text ? text
        : element
            .FindElements(By.XPath("ancestor::*[contains(@class, 'MuiTextField-root')]//label"))
            .FirstOrDefault()
            ?.Text
            ?? "";
}
