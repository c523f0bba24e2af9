using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>A walk-round by keyboard alone, by touch alone, without a network, by two people, and with a stand-in.</summary>
public sealed class WalkRoundTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Trait("Trial", "long")]
    [Fact]
    public void A_whole_walk_round_by_keyboard_alone()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("NF 80 W");
        // The field has the focus; Enter stores and walks on.
        b.TypeAt("Left rear, from the hub", "22 7/8\n");
        // A lost slash is asked about in place, and answered by keyboard.
        b.TypeAt("Right rear, from the hub", "22 7.8\n");
        b.Sees("Did the slash get lost?");
        b.TabTo("22 7/8 in");
        b.Keys(Keys.Enter);
        // The tape is stepped by arrow keys: up from 41 by two sixteenths, down by one.
        b.TypeAt("Right middle, from the floor", "41");
        b.Sees("41 in · 41.000 in · 1041.4 mm");
        b.Keys(Keys.ArrowUp);
        b.Sees("41 1/16 in");
        b.Keys(Keys.ArrowUp);
        b.Sees("41 1/8 in");
        b.Keys(Keys.ArrowDown);
        b.Sees("41 1/16 in · 41.063 in · 1043 mm");
        b.Keys(Keys.Enter);
        // Back and forth between stations, and the help.
        b.Focus("Right front, from the hub");
        b.Keys(Keys.PageUp);
        b.Focus("Right middle, from the floor");
        b.Keys(Keys.PageDown);
        b.Focus("Right front, from the hub");
        b.Keys("?");
        b.Sees("Page Down, Page Up: next and last station");
        b.TypeAt("Right front, from the hub", "20 1/8 +\n");
        b.Sees("Nose down");
        b.AllSaved();
        // That was wrong: with a reason, both stay.
        b.TabTo("That was wrong");
        b.Keys(Keys.Enter);
        b.TypeAt("Left front, from the hub", "20 1/4");
        b.TabTo("Why was the first reading wrong?");
        b.Keys("hooked the liner\n");
        b.AllSaved();
        // One more round: the same as last time by one key.
        b.TabTo("New round");
        b.Keys(Keys.Enter);
        b.Sees("Same as last time, and settled how?");
        b.TabTo("Driven");
        b.Keys(Keys.Enter);
        b.TypeAt("Left front, from the hub", "20 1/4\n");
        b.Focus("Left middle, from the floor");
        // Passed over, with a reason.
        b.TabTo("Pass over…");
        b.Keys(Keys.Enter);
        b.Until(
            d =>
                Hands
                    .Name(d.SwitchTo().ActiveElement())
                    .StartsWith("Why is", StringComparison.Ordinal),
            "the reason has the focus"
        );
        b.Keys("handle missing\n");
        b.Sees("Left middle: passed over, handle missing");
        b.Focus("Left rear, from the hub");
    }

    [Fact]
    [Trait("Trial", "long")]
    public void A_walk_round_by_touch_alone()
    {
        using var b = new Driving.Browser(390, 844);
        b.SignIn(_server.Address, "odd");
        b.OnlyTouch();
        b.OpenCopy("NF 80 W");
        b.Sees("Left rear, from the hub");
        // Station, field, keys and Store lie between the top of the screen and the rail.
        b.Until(
            d =>
                (bool)
                    d.ExecuteScript(
                        """
                        const rail = document.querySelector('nav').getBoundingClientRect().top;
                        const keys = [...document.querySelectorAll('main button')].filter(k => /^(\d+(\/\d+)?|Store)$/.test(k.textContent.trim()));
                        return keys.length > 20 && [...keys, document.getElementById('tape'), document.querySelector('label[for=tape]')]
                          .every(k => { const at = k.getBoundingClientRect(); return at.top >= 0 && at.bottom <= rail; });
                        """
                    )!,
            "the keys to be on one screen"
        );
        foreach (var key in new[] { "2", "2", "7/8", "Store" })
        {
            b.Tap(key);
        }
        b.Sees("Right rear, from the hub");
        // The tape: touched, it reads; drawn down by 20 mm worth of picture it reads less.
        IWebElement TapeOf() => b.Driver.FindElement(By.CssSelector("svg[role=slider]"));
        b.Tap(TapeOf, "the tape");
        b.Until(_ => Read(b) > 0, "the tape reads");
        var before = Read(b);
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
    [Trait("Trial", "long")]
    public async Task One_reads_and_one_types_on_two_devices_at_two_servers()
    {
        await using var second = await _server.Beside();
        using var types = new Driving.Browser();
        using var reads = new Driving.Browser(1024, 768);
        types.SignIn(_server.Address, "brenna");
        reads.SignIn(second.Address, "odd");
        types.OpenCopy("NF 80 W");
        reads.Open(
            types.Driver.Url.Replace(_server.Address, second.Address, StringComparison.Ordinal)
        );
        reads.Sees("Left rear, from the hub");
        // What one stores, the other sees without asking, and where the tape stands.
        types.TypeAt("Left rear, from the hub", "22 7/8\n");
        reads.Sees("Left rear, hub");
        reads.Sees("◆ Brenna Tarn is at: right rear");
        // Both read the same station: the second is a repeat, nothing is overwritten.
        reads.TypeAt("Left rear, from the hub", "22 15/16\n");
        types.Sees("2 reads");
        reads.Sees("2 reads");
    }

    [Trait("Trial", "long")]
    [Fact]
    public void A_stand_in_shows_its_live_value_and_a_key_stores_it()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("NF 80 W");
        b.Choose("Measured with", "height gauge (stand-in)");
        b.Sees("Still moving…");
        b.Sees("● Steady: Enter stores it.");
        b.Driver.FindElement(By.Id("tape")).SendKeys(Keys.Enter);
        b.Sees("height-gauge HG-STAND-IN");
        b.Sees("Left rear, hub");
        b.Press("Other measures (8 asked)");
        b.Choose("Or measure something else", "Caster");
        b.Press("Measured with: alignment rack (stand-in)");
        b.Until(
            d => d.FindElement(By.CssSelector("[aria-label=Instrument]")).Text.Contains("● Steady"),
            "the rack is steady"
        );
        b.Driver.FindElement(By.Id("measure")).SendKeys(Keys.Enter);
        b.Sees("Caster, left front");
        b.Sees("Taken in this round");
        // The scale shows kilograms; what is stored is that weight, told in the reader's pounds.
        b.Choose("Or measure something else", "Weight on its scale");
        b.Press("Measured with: corner scales (stand-in)");
        var kg = b.Until(
            d =>
                d.FindElement(By.CssSelector("[aria-label=Instrument]")).Text is { } text
                && text.Contains("● Steady", StringComparison.Ordinal)
                    ? text.Split(' ')[0]
                    : null,
            "the scale is steady"
        )!;
        b.Driver.FindElement(By.Id("measure")).SendKeys(Keys.Enter);
        b.Sees("Weight on its scale, left front");
        b.AllSaved();
        var pounds = b.Until(
            _ =>
                System.Text.RegularExpressions.Regex.Match(
                    b.Text,
                    @"Weight on its scale, left front\s+([\d,]+) lb"
                )
                    is { Success: true } found
                    ? found.Groups[1].Value
                    : null,
            "the weight in pounds"
        )!;
        var culture = System.Globalization.CultureInfo.InvariantCulture;
        // The last line before the key may be another swing of the needle.
        Assert.Equal(double.Parse(kg, culture) / 0.45359237, double.Parse(pounds, culture), 6.0);
    }

    /// <summary>A voice that is written down instead of heard.</summary>
    private const string Voice = """
        window.said = [];
        Object.defineProperty(window, 'speechSynthesis', { value: { cancel() {}, speak(u) { window.said.push(u.text); } } });
        """;

    [Fact]
    [Trait("Trial", "long")]
    public void What_is_said_is_read_back_before_it_is_stored_and_a_helper_s_station_is_walked_past()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.Driver.ExecuteCdpCommand(
            "Page.addScriptToEvaluateOnNewDocument",
            new() { ["source"] = Voice }
        );
        b.OpenCopy("NF 80 W");
        b.Sees("Left rear, from the hub");
        b.Tick("Read aloud what is stored");

        // A keyboard's dictation puts the words into the field as they were heard.
        void Say(string words)
        {
            var field = b.Driver.FindElement(By.Id("tape"));
            field.SendKeys(Keys.Control + "a");
            field.SendKeys(words);
        }
        void Said(string words) =>
            b.Until(
                d =>
                    (bool)
                        d.ExecuteScript(
                            "return window.said.some(w => w.includes(arguments[0]))",
                            words
                        )!,
                $"“{words}” is said"
            );

        // Another station, and what could be two lengths, never get as far as the record.
        Say("right front twenty-two and seven eighths");
        b.Sees("You said right front, and this is left rear: go there first.");
        Say("twenty two seven eighths");
        b.Sees("Say “and” between inches and fraction");

        // Somebody with another tape stands where this one would go next.
        using var helper = new Driving.Browser(390, 844);
        helper.SignIn(_server.Address, "odd");
        helper.Open(b.Driver.Url);
        helper.Sees("Left rear, from the hub");
        helper.Driver.ExecuteScript(
            "document.querySelector('[aria-label^=\"RR, \"]').dispatchEvent(new MouseEvent('click', { bubbles: true }))"
        );
        helper.Sees("Right rear, from the hub");
        b.Sees("Odd Farrow is at: right rear");

        Say("left rear, twenty-two and seven eighths");
        b.Sees("22 7/8 in · 22.875 in");
        b.Press("Store");
        Said("Left rear, 22 and seven eighths");
        b.Sees("Right middle, from the floor");
        b.AllSaved();
        // What the server refuses is said, too.
        Say("nine hundred inches");
        b.Press("Store");
        Said("not stored");
    }

    [Fact]
    [Trait("Trial", "long")]
    public void A_photograph_is_made_smaller_and_says_no_more_where_it_was_taken()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("NF 80 W");
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
        // Past the page, the server draws it anew: what still told is gone.
        var past = (string)
            b.Driver.ExecuteAsyncScript(
                """
                const [bytes, done] = arguments;
                fetch('/api/files', {
                  method: 'POST', headers: { 'Content-Type': 'image/jpeg' },
                  body: Uint8Array.from(atob(bytes), c => c.charCodeAt(0)),
                }).then(r => r.json()).then(k => done(k.sha256));
                """,
                Convert.ToBase64String(withExif)
            )!;
        Assert.NotEqual(
            Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(withExif)),
            past
        );
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
}
