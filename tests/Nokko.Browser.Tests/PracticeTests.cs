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
        b.ReadsAll();
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
