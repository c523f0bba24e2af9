using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>Where a page begins, what its keys do, and where the guide tells of it.</summary>
public sealed class WayThroughTests(DemoServer demo)
{
    private readonly ServerProcess _server = demo.Server;

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
}
