using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>Every main view at every size, by day and by night: no serious finding, nothing wider than the page.</summary>
/// <remarks>Among the quick tests a quarter of the views are looked at, each in one way; among the long trials all of them in all ways.</remarks>
public sealed class ViewsTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    /// <summary>What reaches beyond the page; empty when nothing does.</summary>
    private const string Wider = """
        const page = document.documentElement.clientWidth;
        return document.documentElement.scrollWidth <= page ? '' : [...document.querySelectorAll('main *')]
          .filter(e => e.getBoundingClientRect().right > page + 1).slice(0, 5).map(e => e.outerHTML.slice(0, 200)).join('\n') || 'something';
        """;

    [Fact]
    public void Views_are_accessible_and_fit_their_page() => Look(every: 24);

    [Fact]
    [Trait("Trial", "long")]
    public void Views_are_accessible_and_fit_their_page_at_every_size_by_day_and_by_night() =>
        Look(every: 1);

    private void Look(int every)
    {
        using var browser = new Driving.Browser();
        browser.Scheme("light");
        browser.SignIn(_server.Address, "brenna");
        var jobs = browser.Until(
            d =>
                d.FindElements(By.CssSelector("main li a"))
                    .Select(a => (a.Text, Href: a.GetAttribute("href")!))
                    .ToArray()
                    is { Length: > 5 } found
                    ? found
                    : null,
            "the yard"
        )!;
        string Of(string plate, string phase)
        {
            var href = jobs.First(j => j.Text.Contains(plate, StringComparison.Ordinal)).Href;
            return href[..href.LastIndexOf('/')] + "/" + phase;
        }
        (string Address, string? Press, string Sees)[] views =
        [
            ($"{_server.Address}/", null, "To come after hand-over"),
            ($"{_server.Address}/week", null, "Not booked yet"),
            ($"{_server.Address}/week", "NF 80 W", "Lends a hand"),
            ($"{_server.Address}/take-in", null, "What is it?"),
            ($"{_server.Address}/shelf", null, "Moor box spacer"),
            ($"{_server.Address}/instruments", null, "not checked since"),
            ($"{_server.Address}/instruments", "Check it: Tape 2", "Keep the check"),
            ($"{_server.Address}/evidence", null, "Claimed against measured"),
            ($"{_server.Address}/year", null, "Right at the first try"),
            ($"{_server.Address}/practice", null, "Drills, two minutes each"),
            ($"{_server.Address}/practice/drills/offReading", "Left rear", "More in the guide"),
            ($"{_server.Address}/practice/drills/tapes", null, "It reads, in"),
            ($"{_server.Address}/bench/trackBar", null, "Side to side through the travel"),
            ($"{_server.Address}/bench/ring", null, "Not proved yet"),
            ($"{_server.Address}/me", null, "Where you are signed in"),
            ($"{_server.Address}/shop", null, "Who is here"),
            (Of("HO 32 T", "plan"), "Find stacks", "had to be worked out"),
            (Of("SV 204 R", "take-in"), "Correct what was taken in", "Keep the correction"),
            (Of("TM 41 F", "vehicle"), null, "Its sizes, as it is without added parts"),
            (Of("TM 41 F", "plan"), null, "Side by side"),
            (Of("TM 41 F", "plan/quote"), "The owner chooses Plan B", "Not now"),
            (Of("TM 12 K", "geometry"), "Longer bar", "Set it to, hole to hole"),
            (Of("NF 80 W", "walk-round"), null, "Left rear, from the hub"),
            (Of("NF 80 W", "walk-round"), "Other measures (8 asked)", "Or measure something else"),
            (Of("NF 77 W", "walk-round"), "Compare", "What it says"),
            (Of("HO 32 T", "plan"), "Change it: what is wanted", "Left front must rise"),
            (
                Of("HO 31 T", "fit"),
                "Ways of fitting on this job",
                "What keeps threads from turning?"
            ),
            (Of("SV 118 K", "fit/sheets?sheet=torques"), null, "Spec and its source"),
            (Of("SV 118 K", "fit/sheets?sheet=board"), null, "Under it, around it"),
            (Of("NF 80 W", "fit/sheets?sheet=round"), null, "Came to rest"),
            (Of("NF 77 W", "prove"), null, "Right middle does not fit"),
            (Of("SV 118 K", "hand-over"), null, "Torques"),
            (Of("SV 204 R", "hand-over"), "Sign it", "Steering does not come back"),
            (Of("HO 12 D", "take-in"), "Over the years", "how it held"),
        ];
        // Widths differ in layout, day and night in colour: each is looked at where it can be wrong.
        (string Scheme, int Width, int Height)[] looks =
        [
            ("light", 1280, 800),
            ("light", 1024, 768),
            ("dark", 390, 844),
        ];
        foreach (var (at, (address, press, sees)) in views.Index())
        {
            var mine = looks.Where((_, look) => (at + look) % every == 0).ToArray();
            if (mine.Length == 0)
            {
                continue;
            }
            browser.Scheme("light");
            browser.Resize(1280, 800);
            browser.Open(address);
            if (press is not null)
            {
                browser.Press(press);
            }
            foreach (var (scheme, width, height) in mine)
            {
                browser.Scheme(scheme);
                browser.Resize(width, height);
                browser.Sees(sees);
                var name = $"{address} {width}×{height} {scheme}";
                // Drawings take the new width with the next frame.
                browser.Until(
                    d => ((string)d.ExecuteScript(Wider)!).Length == 0,
                    $"{name} is no wider than its page: {browser.Driver.ExecuteScript(Wider)}",
                    seconds: 5
                );
                if (width != 1024)
                {
                    Axe.Check(browser, name);
                }
            }
        }
    }
}
