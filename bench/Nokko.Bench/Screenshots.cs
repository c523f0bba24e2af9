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
        var measured = Exercise("measure", 2, 8);
        Practise(measured);
        browser.Open($"{server.Address}/practice/{measured}");
        Shoot("score", "To learn first");
        browser.Resize(1280, 1000);
        Job("TM 41 F", "plan/quote", "what the price leaves out");
        browser.Press("The owner chooses Plan B");
        Shoot("quote", "Sign with finger");
        browser.Resize(1280, 800);

        browser.Scheme("dark");
        browser.Open($"{server.Address}/jobs/{Exercise("wentWrong", 1, 6)}/walk-round");
        browser.Press("Rolled");
        browser.Sees("Hook anew");
        browser.Press("Look around");
        browser.Press("Look at the springs in their pockets10 min");
        browser.Sees("Every spring lies in its pocket");
        browser.Press("Look around");
        Shoot("practice", "Hook anew");
        browser.Resize(390, 844);
        browser.Scheme("light");
        Job("NF 80 W", "walk-round", "from the");
        Shoot("walk-round-phone", "Store");

        string Exercise(string course, int level, int seed) =>
            (string)
                browser.Driver.ExecuteAsyncScript(
                    """
                    const [course, level, seed, done] = arguments;
                    fetch('/api/practice', {
                      method: 'POST',
                      headers: { 'Content-Type': 'application/json' },
                      body: JSON.stringify({ id: crypto.randomUUID(), course, level, seed }),
                    }).then((r) => r.json()).then((b) => done(b.id));
                    """,
                    course,
                    level,
                    seed
                )!;

        // Somebody who rolls it, looks into the bed, and reads one tape from above and another an inch off.
        void Practise(string exercise) =>
            browser.Driver.ExecuteAsyncScript(
                """
                const [exercise, done] = arguments;
                const send = (path, body) => fetch(path, {
                  method: 'POST',
                  headers: { 'Content-Type': 'application/json' },
                  body: JSON.stringify(body),
                }).then((r) => r.json());
                const key = () => crypto.randomUUID();
                (async () => {
                  const job = await fetch(`/api/jobs/${exercise}`).then((r) => r.json());
                  const round = key();
                  await send(`/api/practice/${exercise}/acts`, { id: key(), at: 'bed', mends: false });
                  await send(`/api/jobs/${exercise}/commands`, [{
                    kind: 'beginWalkRound', commandId: key(), id: round, stageId: job.document.job.stageId,
                    conditions: { datum: 'hub', denominator: 16, settled: 'rolled', hubMarked: false, floorSurveyed: false, spot: 'bay 1', fuel: null, load: null, odometer: null, notes: null },
                  }]);
                  for (const [i, station] of ['LF', 'LM', 'LR', 'RR', 'RM', 'RF'].entries()) {
                    const from = station[1] === 'M' ? 'floor' : 'hub';
                    const tape = await fetch(`/api/practice/${exercise}/tape?round=${round}&station=${station}&from=${from}&eye=${i === 2 ? 1 : 0}&hooked=true`).then((r) => r.json());
                    const last = tape.numbers.filter((n) => n.atMm <= 0).at(-1);
                    const sixteenths = Math.round(16 * (Number(last.text) + (i === 5 ? 1 : 0)) - last.atMm / (25.4 / 16));
                    await send(`/api/jobs/${exercise}/commands`, [{
                      kind: 'storeReading', commandId: key(), id: key(), walkRoundId: round, station, from,
                      typed: `${Math.floor(sixteenths / 16)} ${sixteenths % 16}/16`, answers: ['asRead'],
                      takenAt: new Date().toISOString(), supersedes: null, reason: null,
                    }]);
                  }
                  await send(`/api/practice/${exercise}/hand-in`, {});
                  done();
                })();
                """,
                exercise
            );

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
