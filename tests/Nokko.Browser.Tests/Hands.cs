using System.Text.RegularExpressions;
using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>What a hand does in a walk-round.</summary>
internal static partial class Hands
{
    /// <summary>What is read of a vehicle, in the order in which it is walked round.</summary>
    public static readonly string[] Stations =
    [
        "Left front, from the hub",
        "Left middle, from the floor",
        "Left rear, from the hub",
        "Right rear, from the hub",
        "Right middle, from the floor",
        "Right front, from the hub",
    ];

    /// <summary>Opens an empty shop as its owner, Ada, with this password.</summary>
    public static void OpensShop(this Driving.Browser b, string address, string password)
    {
        b.Open(address);
        b.Type("Code", ServerProcess.FirstCode);
        b.Type("Shop", "Marl Street Fitting");
        b.Type("Your name", "Ada Marl");
        b.Type("Name to sign in with", "ada");
        b.Type("Password", password);
        b.Press("Open the shop");
        b.Sees("Yard");
    }

    /// <summary>The step of the card that is to be done, with the button that does it; null where none is left, or none is shown yet.</summary>
    /// <param name="b">The browser.</param>
    public static CurrentStep? StepNow(this Driving.Browser b) =>
        b.Driver.ExecuteScript(
            """
            const step = document.querySelector("section[aria-label='Current step']");
            const button = step && [...step.querySelectorAll('button')].find(b => /^(Done|I looked|Go on)/.test(b.innerText));
            return button && [step.querySelector('h1').innerText, String(/Step \d+/.exec(step.innerText)), button.innerText, step.innerText];
            """
        )
            is IReadOnlyList<object> { Count: 4 } s
            ? new CurrentStep((string)s[0], (string)s[1], (string)s[2], (string)s[3])
            : null;

    /// <summary>A step as the card shows it.</summary>
    public sealed record CurrentStep(string Title, string Place, string Button, string Text)
    {
        /// <summary>Whether the card stands at the same step, whatever else it says of it meanwhile.</summary>
        public bool Is(CurrentStep? other) => (Title, Place) == (other?.Title, other?.Place);
    }

    /// <summary>Opens a copy of a demo job, so that tests on one server leave each other alone.</summary>
    public static void OpenCopy(this Driving.Browser b, string plate, string phase = "walk-round")
    {
        // The yard shows a page of its jobs; others may stand before this one by now.
        b.Type("Find owner, phone, plate or vehicle", plate);
        var job = JobOf(
            b.Until(
                d =>
                    d.FindElements(By.XPath($"//main//li/a[contains(., '{plate}')]"))
                        .FirstOrDefault()
                        ?.GetAttribute("href"),
                plate
            )!
        );
        var copy = (string)
            b.Driver.ExecuteAsyncScript(
                """
                const [job, plate, done] = arguments;
                fetch(`/api/jobs/${job}/file`).then(r => r.text())
                  .then(t => fetch('/api/job-files?copy=true', { method: 'POST', body: t.replaceAll(plate, 'copy of it') }))
                  .then(r => r.json()).then(v => done(v.jobId));
                """,
                job,
                plate
            )!;
        b.Open(b.Driver.Url.TrimEnd('/') + $"/jobs/{copy}/{phase}");
    }

    /// <summary>Ticks a box by the words beside it, or unticks it.</summary>
    public static void Tick(this Driving.Browser b, string words) =>
        b.Until(
                    d =>
                        d.FindElements(
                                By.XPath(
                                    $"//label[normalize-space(.) = '{words}']//input[@type='checkbox']"
                                )
                            )
                            .FirstOrDefault(),
                    $"a box “{words}”"
                )!
            .SendKeys(OpenQA.Selenium.Keys.Space);

    /// <summary>Makes all rubber of the job that is open final on its wheels, as a second hand would at its own device.</summary>
    public static void CloseRubber(this Driving.Browser b)
    {
        var left = (long)
            b.Driver.ExecuteAsyncScript(
                """
                const [job, done] = arguments;
                const key = () => crypto.randomUUID();
                (async () => {
                  const d = (await (await fetch(`/api/jobs/${job}`)).json()).document;
                  const plan = d.plans.filter(p => p.begunAt).sort((a, b) => a.begunAt.localeCompare(b.begunAt)).at(-1).id;
                  const rubber = d.joints.filter(j => ['bondedRubber', 'springEye'].includes(j.kind)
                    && !d.torqueEntries.some(t => t.jointId === j.id && t.planId === plan && t.pass === 'final'));
                  const commands = rubber.flatMap(j => ['hand', 'snug', 'final'].map(pass => ({
                    kind: 'tightenJoint', commandId: key(), id: key(), jointId: j.id, pass,
                    value: pass === 'final' ? { typed: '96', unit: 'lb·ft', known: 'measured' } : null,
                    criterionSeen: false, tool: 'torque wrench', position: 'onWheels', reason: null,
                  })));
                  const r = await fetch(`/api/jobs/${job}/commands`, {
                    method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(commands),
                  });
                  const { outcomes } = await r.json();
                  done(outcomes.filter(o => o.status !== 'stored').length);
                })();
                """,
                JobOf(b.Driver.Url)
            )!;
        Assert.Equal(0, left);
    }

    private static string JobOf(string href) => Uuid().Match(href).Value;

    [GeneratedRegex("[0-9a-f-]{36}")]
    private static partial Regex Uuid();

    public static void Focus(this Driving.Browser b, string station)
    {
        b.Sees(station);
        b.Until(
            d => d.SwitchTo().ActiveElement().GetAttribute("id") == "tape",
            "the tape field has the focus"
        );
    }

    /// <summary>Types into whatever has the focus; a line's end is Enter.</summary>
    public static void TypeAt(this Driving.Browser b, string station, string text)
    {
        b.Focus(station);
        b.Keys(text);
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

    public static void Keys(this Driving.Browser b, string keys) =>
        b
            .Driver.SwitchTo()
            .ActiveElement()
            .SendKeys(keys.Replace("\n", OpenQA.Selenium.Keys.Enter, StringComparison.Ordinal));

    /// <summary>Goes from field to field until the one with these words has the focus.</summary>
    public static void TabTo(this Driving.Browser b, string words, string? seen = null)
    {
        b.Sees(seen ?? words);
        for (var i = 0; i < 120; i++)
        {
            b.Keys(OpenQA.Selenium.Keys.Tab);
            if (Name(b.Driver.SwitchTo().ActiveElement()) == words)
            {
                return;
            }
        }
        Assert.Fail($"“{words}” is not reached by Tab.");
    }

    /// <summary>What may be known already when a vehicle comes, folded away at first.</summary>
    public const string KnownAlready =
        "What you know already: parts on it, sizes, limits, the day it is promised. All of it can follow later";

    /// <summary>Chooses the sort of vehicle by its drawing, and with what it is lifted.</summary>
    public static void ItIs(this Driving.Browser b, string sort)
    {
        b.Until(
                d =>
                    d.FindElement(
                        By.XPath($"//label[.//input[@name='sort']][contains(., '{sort}')]")
                    ),
                $"the drawing of a {sort}"
            )
            .Click();
        b.Choose("Lifted with", "two-post lift");
    }

    public static string Name(IWebElement element) =>
        (string)
            ((IJavaScriptExecutor)((IWrapsDriver)element).WrappedDriver).ExecuteScript(
                """
                const e = arguments[0];
                return e.getAttribute('aria-label') || e.innerText || e.closest('.MuiTextField-root')?.querySelector('label')?.innerText || '';
                """,
                element
            )!;

    /// <summary>Puts in a part of the shelf, by its place in the list for the chosen axle.</summary>
    public static void PutIn(this Driving.Browser browser, int which) =>
        browser.Press(
            browser.Until(
                d =>
                    d.FindElements(
                            By.CssSelector(
                                "button[aria-label^='Put in']:not([aria-label^='Put in the kit'])"
                            )
                        )
                        .ElementAtOrDefault(which)
                        ?.GetAttribute("aria-label"),
                "a part of the shelf"
            )!
        );
}
