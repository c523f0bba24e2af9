using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>Where a page begins, what its keys do, and where the guide tells of it.</summary>
public sealed class WayThroughTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    private const string Focused =
        "const a = document.activeElement; return a === document.querySelector('main') ? 'main' : a.closest('main') ? 'in main' : a.textContent.trim()";

    private static string At(Driving.Browser b) => (string)b.Driver.ExecuteScript(Focused)!;

    private static double Down(Driving.Browser b) =>
        Convert.ToDouble(
            b.Driver.ExecuteScript("return window.scrollY"),
            System.Globalization.CultureInfo.InvariantCulture
        );

    private static void Key(Driving.Browser b, string keys) =>
        b.Driver.SwitchTo().ActiveElement().SendKeys(keys);

    [Fact]
    [Trait("Trial", "long")]
    public void A_page_begins_at_its_top_and_the_guide_is_a_key_away()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.Sees("To come after hand-over");
        Assert.Equal("Yard · Nokko", b.Driver.Title);

        // A page that is opened from far down begins at its top; back is where it was.
        b.Driver.ExecuteScript("window.scrollTo(0, document.body.scrollHeight)");
        var down = Down(b);
        Assert.True(down > 100);
        b.Driver.ExecuteScript(
            "[...document.querySelectorAll('main li a')].find(a => a.textContent.includes('SV 118 K')).click()"
        );
        b.Until(d => d.Title.StartsWith("SV 118 K: ", StringComparison.Ordinal), "the job");
        b.Until(_ => At(b).Contains("main", StringComparison.Ordinal), "the focus on the page");
        Assert.Equal(0, Down(b));
        b.Driver.Navigate().Back();
        b.Sees("To come after hand-over");
        b.Until(_ => Math.Abs(Down(b) - down) < 2, "where the yard was left");

        // From the top of the page its first control is two keys away, not nine.
        b.Driver.Navigate().Refresh();
        b.Sees("To come after hand-over");
        Key(b, Keys.Tab);
        Assert.Equal("Skip to the page", At(b));
        Key(b, Keys.Enter);
        b.Until(_ => At(b) == "main", "the focus on the page");
        Key(b, Keys.Tab);
        Assert.Equal("in main", At(b));

        // Its keys, and what the guide says of it.
        b.Open($"{_server.Address}/week");
        b.Sees("Not booked yet");
        Key(b, "?");
        b.Sees("moves the booking that has the focus by an hour");
        Axe.Check(b, "the keys of a page");
        b.Press("What the guide says of it");
        b.Until(d => d.Url.EndsWith("/guide#week", StringComparison.Ordinal), "the guide");
        b.Until(
            d =>
                (bool)
                    d.ExecuteScript(
                        "const r = document.getElementById('week')?.getBoundingClientRect(); return !!r && r.top > -2 && r.top < 200"
                    )!,
            "its section at the top"
        );
        Axe.Check(b, "the guide");
        // Through to how it is computed, and back.
        b.Driver.FindElement(By.CssSelector("main a[href='/guide/computation/week']")).Click();
        b.Sees("One after the other");
        b.Press("← Guide");
        b.Sees("A job with Nokko");

        // In a field a question mark is what somebody types.
        b.Open($"{_server.Address}/");
        b.Sees("To come after hand-over");
        b.Driver.FindElement(By.CssSelector("main input")).SendKeys("?");
        Assert.Empty(b.Driver.FindElements(By.CssSelector("[role=dialog]")));
    }

    [Fact]
    [Trait("Trial", "long")]
    public void A_job_goes_into_the_bin_and_comes_back_and_the_last_one_is_a_key_away()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("HO 32 T", "take-in");
        b.Press("Throw this job away");
        b.Press("Into the bin for 90 days: yes");
        b.Sees("Nothing of it is changed while it lies in the bin");
        b.AllSaved();
        var job = b.Driver.Url;

        // What is tried on it all the same is refused, in words.
        b.Open(job.Replace("take-in", "walk-round", StringComparison.Ordinal));
        b.Sees("▲ Thrown away");
        b.Open($"{_server.Address}/");
        b.Press("Thrown away");
        var thrown = b.Until(
            d => d.FindElement(By.CssSelector($"a[href='{new Uri(job).AbsolutePath}']")),
            "the job in the bin"
        );
        b.Driver.ExecuteScript("arguments[0].click()", thrown);
        b.Press("Bring it back");
        b.Until(
            d =>
                !d.FindElement(By.TagName("main"))
                    .Text.Contains("▲ Thrown away", StringComparison.Ordinal),
            "the job is back"
        );
        b.AllSaved();

        // From wherever somebody looked something up, one key leads back.
        b.Open(job.Replace("take-in", "plan", StringComparison.Ordinal));
        b.Sees("Wanted: level");
        b.Open($"{_server.Address}/shelf");
        b.Sees("Moor box spacer");
        Key(b, Keys.F2);
        b.Until(d => d.Url.EndsWith("/plan", StringComparison.Ordinal), "the plan of the last job");
    }

    /// <summary>What is acted on, what it does and the button that agrees: without scrolling, on a phone once the corners are at the top.</summary>
    [Theory]
    [InlineData(1280, 800, 4)]
    [InlineData(390, 844, 2)]
    public void The_plan_stands_on_one_screen_with_what_it_does_and_the_button_that_agrees(
        int width,
        int height,
        int corners
    )
    {
        using var b = new Driving.Browser(width, height);
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("TM 41 F", "plan");
        b.Sees("Lands as wanted");
        var seen = (System.Collections.ObjectModel.ReadOnlyCollection<object>)
            b.Until(
                d =>
                    (System.Collections.ObjectModel.ReadOnlyCollection<object>?)
                        d.ExecuteScript(
                            """
                            if (innerWidth < 500) document.querySelector('[data-drop]')?.scrollIntoView();
                            const all = (what, test) => [...document.querySelectorAll(what)].filter(test).map(e => e.getBoundingClientRect());
                            const bar = all('button', e => e.textContent.startsWith('Agreed:'));
                            const ladders = all('[data-drop] svg[role=img]', () => true);
                            const tags = all('section[aria-label=Stance]', () => true);
                            if (bar.length !== 1 || ladders.length !== 4) return null;
                            // The ride line of a ladder lies above its foot: a ladder counts when it is whole.
                            const foot = bar[0].top;
                            return [ladders.filter(l => l.bottom <= foot).length, bar[0].bottom <= innerHeight, innerWidth < 500 || tags[0].top >= 0];
                            """
                        ),
                "the plan's corners"
            )!;
        Assert.Equal([(long)corners, true, true], seen);
    }
}
