using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>The work goes on: a vehicle that comes again, keys pressed twice, a session that ended in the middle.</summary>
public sealed class GoingOnTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Trait("Trial", "long")]
    [Fact]
    public void A_vehicle_that_comes_again_goes_on_in_its_own_record()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.Press("Take in a vehicle");
        b.Type("Plate", "sv118k");
        b.Sees("This one was here before: Ostrel Drover, T. Aldous, travelling farrier");
        b.Sees("one job, last here");
        b.Press("Go on with its record");
        b.Sees("It goes on in its own record");
        b.Choose("Lifted with", "two-post lift");
        b.Press("Take it in and walk round");
        b.Sees("Walk round it before anything is undone: 4 corners to read.");
        // It stands as the last job left it, and only one job of it is open.
        b.Sees("after stack 1");
        b.Open($"{_server.Address}/take-in");
        b.Type("Plate", "SV 118 K");
        b.Press("Open its job");
        b.Sees("T. Aldous, travelling farrier");
    }

    [Trait("Trial", "long")]
    [Fact]
    public void What_is_to_come_is_of_this_work_and_done_says_what_came_of_it()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("SV 118 K", "hand-over");
        b.Sees("▲ Overdue: Read the heights after a night");
        b.Sees("Paint and faces settle in the first 50 to 100 miles: LF ");
        b.Press("Done: Headlight aim");
        b.Sees("What came of it? A word, or read the heights first.");
        b.Type("What came of it: Headlight aim", "aimed at the mark");
        b.Press("Done: Headlight aim");
        b.AllSaved();
        b.Sees("✓ Headlight aim");
        b.Press("Words to the owner: Re-torque what was opened");
        b.Sees("nothing is sent from here");
        Axe.Check(b, "to come");
    }

    [Fact]
    public void Enter_pressed_twice_stores_once_and_a_refusal_comes_back_to_its_station()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "odd");
        b.OpenCopy("NF 80 W");
        b.Sees("Left rear, from the hub");
        b.Driver.FindElement(By.Id("tape")).SendKeys("22 7/8" + Keys.Enter + Keys.Enter);
        b.Sees("Left rear, hub");
        b.AllSaved();
        Assert.DoesNotContain("2 reads", b.Text, StringComparison.Ordinal);
        // The hands walk on at once; what cannot be a height comes back with its text.
        b.Sees("Right rear, from the hub");
        b.Driver.FindElement(By.Id("tape")).SendKeys("22 5.8" + Keys.Enter);
        b.Sees("5/8");
        b.Sees("Right rear, from the hub");
        b.Until(
            d => d.FindElement(By.Id("tape")).GetAttribute("value") == "22 5.8",
            "what was typed is back in its field"
        );
    }

    [Fact]
    public void A_session_that_ended_is_told_signed_in_in_place_and_the_work_goes_on()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("NF 80 W");
        b.Sees("Left rear, from the hub");
        b.Driver.Manage().Cookies.DeleteAllCookies();
        b.Driver.FindElement(By.Id("tape")).SendKeys("22 7/8" + Keys.Enter);
        b.Sees("You are signed out. What you did is kept on this device");
        Assert.DoesNotContain("All saved", b.Text, StringComparison.Ordinal);
        b.Type("Name", "brenna");
        b.Type("Password", "stance-42");
        b.Press("Sign in");
        b.Sees("Left rear, hub");
        b.AllSaved();
    }
}
