using Nokko.Driving;
using OpenQA.Selenium;

namespace Nokko.Bench;

/// <summary>One picture of each main view, from the demo data.</summary>
internal static class Screenshots
{
    public static async Task Make()
    {
        var folder = Path.Combine(
            Environment.GetEnvironmentVariable("NOKKO_ROOT")!,
            "docs",
            "screenshots"
        );
        Directory.CreateDirectory(folder);
        await using var server = await ServerProcess.Start("screenshots");
        using var browser = new Browser();
        browser.Scheme("light");
        browser.SignIn(server.Address, "brenna");
        Shoot("yard", "Ostrel Drover");

        browser.Open($"{server.Address}/take-in");
        browser.Type("Plate", "sv118k");
        browser.Driver.FindElement(By.CssSelector("input[name=sort]")).SendKeys(Keys.Space);
        Shoot("take-in", "This one was here before");
        Job("NF 80 W", "walk-round", "Left rear");
        browser.Until(
            d => d.SwitchTo().ActiveElement().GetAttribute("id") == "tape",
            "the tape field has the focus"
        );
        browser.Driver.SwitchTo().ActiveElement().SendKeys("22 7/8");
        Shoot("walk-round", "22 7/8 in · 22.875 in");
        browser.Type("Left rear, from the hub", "");
        Job("TM 41 F", "plan", "Side by side");
        Shoot("plan", "Front will rise");
        Job("TM 12 K", "geometry", "brings it back");
        browser.Press("Longer bar");
        Scroll("//h1[.='Geometry']");
        Shoot("geometry", "Set it to, hole to hole");
        browser.Resize(1280, 1180);
        Job("HO 32 T", "plan", "Wanted");
        browser.Press("Change it: what is wanted");
        browser.Press("Find stacks");
        browser.Sees("had to be worked out");
        Scroll("//section[@aria-label='What is wanted']");
        Shoot("finding", "Behind the one above");
        browser.Resize(1280, 800);
        browser.Open($"{server.Address}/evidence");
        Shoot("evidence", "Claimed against measured");
        browser.Open($"{server.Address}/year");
        Shoot("year", "What springs come down by 500 miles");
        browser.Open(
            $"{server.Address}/bench/wedge?unit=mm&thickness=2+in&long=140&wide=60&taper=2&pinDiameter=16&acrossMm=100&downMm=100.3"
        );
        Shoot("bench", "cut by this print");
        Job("HO 31 T", "fit", "The card");
        Shoot("fit", "Hold point");
        browser.Resize(1280, 1400);
        Job("FH 22", "prove", "What moved it");
        Shoot("prove", "Most likely");
        browser.Resize(1280, 800);
        browser.Resize(1280, 1300);
        Job("SV 118 K", "hand-over", "Told to whoever drives it away");
        Shoot("hand-over", "To come");
        browser.Resize(1280, 800);
        Job("HO 12 D", "take-in", "Over the years");
        browser.Press("Over the years");
        Shoot("years", "how it held");
        browser.Open($"{server.Address}/week");
        Shoot("week", "Not booked yet");
        browser.Open($"{server.Address}/shelf");
        Shoot("shelf", "Moor box spacer");
        browser.Open($"{server.Address}/instruments");
        browser.Sees("not checked since");
        browser.Press("Check it: Tape 1");
        Shoot("instruments", "Keep the check");
        browser.Resize(1280, 1000);
        Job("TM 41 F", "plan/quote", "what the price leaves out");
        browser.Press("The owner chooses Plan B");
        Shoot("quote", "Sign with finger");
        browser.Resize(1280, 800);

        browser.Scheme("dark");
        Job("FH 19", "plan", "Rowan levelling kit LK-15");
        Scroll("//label[contains(., 'One side only')]");
        Shoot("kit-night", "Missing");
        browser.Resize(390, 844);
        browser.Scheme("light");
        Job("NF 80 W", "walk-round", "from the");
        Shoot("walk-round-phone", "Store");

        void Job(string plate, string phase, string sees)
        {
            browser.Open($"{server.Address}/");
            browser.Until(
                d => d.FindElements(OpenQA.Selenium.By.CssSelector("main li a")).Count > 5,
                "the yard"
            );
            browser.Type("Find owner, phone, plate or vehicle", plate);
            var href = browser.Until(
                d =>
                    d.FindElements(
                            OpenQA.Selenium.By.XPath($"//main//li/a[contains(., '{plate}')]")
                        )
                        .FirstOrDefault()
                        ?.GetAttribute("href"),
                plate
            )!;
            browser.Open(href[..href.LastIndexOf('/')] + "/" + phase);
            browser.Sees(sees);
        }

        void Scroll(string to) =>
            browser.Driver.ExecuteScript(
                "arguments[0].scrollIntoView({ block: 'start' })",
                browser.Driver.FindElement(OpenQA.Selenium.By.XPath(to))
            );

        void Shoot(string name, string sees)
        {
            browser.Sees(sees);
            browser.Shoot(Path.Combine(folder, name + ".png"));
            Console.WriteLine(name);
        }
    }
}
