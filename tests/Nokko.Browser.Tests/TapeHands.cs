using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>What a learner does at a drawn tape.</summary>
internal static class TapeHands
{
    /// <summary>Reads all six stations: hook and eye are looked at, then the lines are counted.</summary>
    public static void ReadsAll(this Driving.Browser b)
    {
        foreach (var station in Hands.Stations)
        {
            b.Sees(station);
            // No number is said anywhere.
            b.Press("Hook anew");
            b.Level();
            b.Driver.FindElement(By.Id("tape")).Click();
            b.Keys($"{b.Reads()}{Keys.Enter}");
            b.Until(
                d => d.FindElement(By.Id("tape")).GetDomProperty("value") == "",
                $"{station} is stored"
            );
        }
        b.AllSaved();
    }

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
