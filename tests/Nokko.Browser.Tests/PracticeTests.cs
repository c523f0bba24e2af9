using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>A course of the practice bay from start to score, in the real screens, by somebody who reads the drawn tape.</summary>
public sealed class PracticeTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Fact]
    public void A_course_is_measured_off_drawn_tapes_looked_into_handed_in_and_scored()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "linde");
        b.Open($"{_server.Address}/practice");
        b.Sees("A vehicle that exists in numbers only");
        Axe.Check(b, "practice");
        b.Press("Begin level 1: Measure");
        b.Sees("◇ Practice: Measure, level 1");
        b.Sees("0 min · 0 spent");
        b.Press("Look around");
        b.Press("Look into bed and cab2 min");
        b.Sees("Sandbags lie at the back of the bed.");
        b.Press("Take it out (5 min)");
        b.Sees("✓ Put right.");
        b.Press("Look around");
        b.Press("Begin the walk-round");
        foreach (
            var station in (string[])
                [
                    "Left front, from the hub",
                    "Left middle, from the floor",
                    "Left rear, from the hub",
                    "Right rear, from the hub",
                    "Right middle, from the floor",
                    "Right front, from the hub",
                ]
        )
        {
            b.Sees(station);
            // No number is said anywhere: hook and eye are looked at, then the lines are counted.
            b.Press("Hook anew");
            b.Level();
            b.Driver.FindElement(By.Id("tape")).Click();
            b.Keys($"{b.Reads()}{OpenQA.Selenium.Keys.Enter}");
            b.Until(
                d => d.FindElement(By.Id("tape")).GetDomProperty("value") == "",
                $"{station} is stored"
            );
        }
        b.AllSaved();
        Axe.Check(b, "an exercise");
        b.Press("Hand it in");
        b.Press("Hand it in for its score: yes");
        b.Sees("of 100: passed");
        b.Sees("Found, put right, then read: Sandbags lie at the back of the bed.");
        b.Sees("The best run, step by step");
        b.Press("Next step");
        b.Sees("Take it out.");
        Axe.Check(b, "a score");
        // Back on the shop's own pages nothing of it is to be seen.
        b.Press("Back to practice");
        b.Sees("points: Measure, level 1");
        b.Open(_server.Address);
        b.Sees("SV 204 R");
        Assert.DoesNotContain("PRACTICE", b.Text, StringComparison.Ordinal);
    }

    [Fact]
    [Trait("Trial", "long")]
    public void A_drill_that_was_opened_is_done_without_a_network_and_kept_when_it_is_back()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "odd");
        b.Open($"{_server.Address}/practice/drills/figures");
        b.Sees("1 of 10");
        b.Offline(true);
        for (var i = 1; i <= 10; i++)
        {
            b.Press("thickness");
            b.Press("Next");
        }
        // Two of the ten are a thickness.
        b.Sees("2 of 10 right");
        b.Sees("Kept on this device");
        b.Offline(false);
        b.Press("Back to practice");
        b.Until(
            d =>
                !d.FindElement(By.TagName("main"))
                    .Text.Contains("waits here", StringComparison.Ordinal)
                && d.FindElement(By.TagName("main"))
                    .Text.Contains("2 of 10 last time", StringComparison.Ordinal),
            "the drill is stored"
        );
    }
}

/// <summary>What a learner does at a drawn tape.</summary>
internal static class TapeHands
{
    /// <summary>Moves the eye until its line of sight is level.</summary>
    public static void Level(this Driving.Browser b)
    {
        for (var i = 0; i < 4; i++)
        {
            var tilt = b.Tilt();
            if (Math.Abs(tilt) < 0.5)
            {
                return;
            }
            b.Press(tilt > 0 ? "Eye down" : "Eye up");
            b.Until(_ => Math.Abs(b.Tilt() - tilt) > 0.5, "the eye moves");
        }
        Assert.Fail("The eye is never level.");
    }

    private static double Tilt(this Driving.Browser b) =>
        (double)
            b.Until(
                d =>
                    d.ExecuteScript(Sight) is { } drawn
                        ? (object)
                            Convert.ToDouble(
                                drawn,
                                System.Globalization.CultureInfo.InvariantCulture
                            )
                        : null,
                "the tape"
            )!;

    /// <summary>How far the line of sight falls from the eye to the mark, drawn; 0 where it does not matter.</summary>
    private const string Sight = """
        const tape = document.querySelector('svg[aria-label^="A drawn tape"]');
        const line = tape?.querySelector('line[stroke-dasharray="5 4"]');
        return !tape ? null : line ? line.y2.baseVal.value - line.y1.baseVal.value : 0;
        """;

    /// <summary>What it reads, counted from its drawn lines: the number above the mark, then sixteenths.</summary>
    public static string Reads(this Driving.Browser b)
    {
        var sixteenths = (long)
            b.Until(
                d =>
                    d.ExecuteScript(
                        """
                        const tape = document.querySelector('svg[aria-label^="A drawn tape"]');
                        const lines = [...tape.querySelectorAll('line')].map((l) => ({ y: l.y1.baseVal.value, x1: l.x1.baseVal.value, x2: l.x2.baseVal.value }));
                        const mark = lines.find((l) => l.x1 === 8).y;
                        const ticks = lines.filter((l) => l.x1 === 46 && l.x2 < 100).sort((a, b) => a.y - b.y);
                        const whole = ticks.filter((t) => t.x2 === 96 && t.y <= mark + 0.01).at(-1);
                        const number = [...tape.querySelectorAll('text')].find((t) => Math.abs(Number(t.getAttribute('y')) - 8 - whole.y) < 0.01);
                        const step = ticks[1].y - ticks[0].y;
                        return Math.round(16 * Number(number.textContent) + (mark - whole.y) / step);
                        """
                    ),
                "a tape to be read"
            )!;
        return $"{sixteenths / 16} {sixteenths % 16}/16";
    }
}
