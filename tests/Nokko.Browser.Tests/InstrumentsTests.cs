using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>The register of tapes and gauges, and what it makes of a walk-round.</summary>
public class InstrumentsTests(DemoServer server)
{
    [Fact]
    [Trait("Trial", "long")]
    public void A_tape_that_fell_is_doubted_in_every_job_and_a_check_says_by_how_much()
    {
        using var b = new Driving.Browser();
        b.SignIn(server.Server.Address, "brenna");
        b.OpenCopy("NF 80 W");
        var job = b.Driver.Url;
        b.Open($"{server.Server.Address}/instruments");
        b.Press("Put one into the register");
        b.Press("Keep it");
        b.Sees("What stands on it? Give it a number.");
        b.Type("What stands on it", "Tape 7");
        b.Press("Keep it");
        b.Sees("never checked");
        b.Press("It fell: Tape 7");
        b.Press("Doubt what was read since");
        b.Sees("What happened to it?");
        b.Type("What happened", "hook bent");
        b.Press("Doubt what was read since");
        b.Sees("not checked since");

        b.Open(job);
        b.Choose("Measured with", "Tape 7");
        b.Sees("not checked since");
        b.Driver.FindElement(By.Id("tape")).Click();
        b.TypeAt("Left rear, from the hub", "22 15/16\n");
        b.Sees("before this was read, and nobody has checked it since");
        b.AllSaved();

        b.Open($"{server.Server.Address}/instruments");
        b.Sees("Read with it since: ");
        b.Sees("copy of it");
        b.Press("Check it: Tape 7");
        b.Type("Against", "steel bar");
        b.Type("True length of the bar, in", "39 3/8");
        b.Press("Keep the check");
        b.Sees("What did Tape 7 say?");
        b.Type("Tape 7 says, in", "39 9/16");
        b.Press("Keep the check");
        b.Sees("reads 0.19 in long");

        // What is on the record stays as it is, and says so.
        b.Open(job);
        b.Sees("reads 0.19 in long, which was not known when this was read");
    }

    [Fact]
    [Trait("Trial", "long")]
    public void Pressed_twice_on_a_slow_line_it_is_one_and_what_is_typed_offline_or_second_is_not_lost()
    {
        using var b = new Driving.Browser();
        b.SignIn(server.Server.Address, "brenna");
        b.Open($"{server.Server.Address}/instruments");
        b.Press("Put one into the register");
        b.Type("What stands on it", "Tape 8");
        b.Slow(1_000);
        var keep = b.Driver.FindElement(By.XPath("//button[.='Keep it']"));
        b.Driver.ExecuteScript("arguments[0].click(); arguments[0].click()", keep);
        b.Sees("never checked");
        b.Slow(0);
        Assert.Single(b.Driver.FindElements(By.CssSelector("li[aria-label='Tape 8']")));

        b.Press("Check it: Tape 8");
        b.Type("Against", "steel bar");
        b.Type("True length of the bar, in", "39 3/8");
        b.Type("Tape 8 says, in", "39 1/2");
        b.Offline(true);
        b.Press("Keep the check");
        b.Sees("The server cannot be reached. What you typed is still here");
        b.Offline(false);
        b.Press("Keep the check");
        b.Sees("reads 0.12 in long");
        b.Sees("One check");

        // Two change it from the same page: the second sees both, and chooses.
        using var other = new Driving.Browser();
        other.SignIn(server.Server.Address, "odd");
        other.Open($"{server.Server.Address}/instruments");
        other.Press("Change: Tape 8");
        b.Press("Change: Tape 8");
        b.Type("Maker's number", "A-17");
        b.Press("Keep it");
        b.Sees("tape A-17");
        other.Type("Maker's number", "B-99");
        other.Press("Keep it");
        other.Sees("Brenna Tarn changed this first");
        other.Sees("A-17");
        other.Press("Keep mine over theirs");
        other.Sees("tape B-99");
        // What the other one found with it meanwhile stays.
        other.Sees("One check");
        b.Press("Change: Tape 8");
        b.Type("Checked every so many days", "90");
        b.Press("Keep it");
        b.Sees("changed this first");
        b.Press("Take theirs");
        b.Type("Checked every so many days", "90");
        b.Press("Keep it");
        b.Sees("tape B-99");
    }
}
