using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>From a wish in words to a plan, by keys alone; a miss, what the search makes of it, and its proof; what the shop's jobs have proved.</summary>
public sealed class FindingTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Trait("Trial", "long")]
    [Fact]
    public void A_wish_in_words_becomes_a_chosen_plan_by_keys_alone()
    {
        using var b = new Driving.Browser(1280, 900);
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("HO 32 T", "plan");
        b.Sees("Wanted: level");
        b.TabTo("Change it: what is wanted", "Change it");
        b.Keys("\n");
        b.Sees("Left front must rise");
        b.TabTo("Raise both ends by");
        b.Keys("\n");
        b.Until(
            d => Hands.Name(d.SwitchTo().ActiveElement()) == "By",
            "the field asks by how much"
        );
        b.Keys("some\n");
        b.Sees("“some” is no unit of length");
        b.Keys(Keys.Control + "a");
        b.Keys("1/2\n");
        b.Sees("both ends up at least 1/2 in");
        b.AllSaved();
        b.TabTo("Find stacks");
        b.Keys("\n");
        b.Sees("had to be worked out");
        b.Sees("parts of the shelf have no place here");
        b.TabTo("Take as a plan: No. 1", "Take as a plan");
        // What is looked at shows in the band at once.
        b.Until(
            d =>
                d.FindElement(By.CssSelector("section[aria-label=Stance]"))
                    .Text.Contains("plan", StringComparison.Ordinal),
            "the band shows the stack that has the focus"
        );
        Axe.Check(b, "found stacks");
        b.Keys("\n");
        b.Sees("Agreed: begin the fitting");
        b.Sees("Lands as wanted");
        b.AllSaved();
        b.TabTo("If it lands off");
        b.Keys("\n");
        b.Sees("high:");
        b.Sees("low:");
        b.Driver.Navigate().Refresh();
        b.Sees("both ends up at least 1/2 in");
        b.Sees("Agreed: begin the fitting");
    }

    [Trait("Trial", "long")]
    [Fact]
    public void A_miss_is_answered_with_the_change_to_make_now_and_then_proved()
    {
        using var b = new Driving.Browser(1024, 900);
        b.SignIn(_server.Address, "odd");
        b.OpenCopy("HO 32 T", "plan");
        b.Press("Put in Alder plate 1 1/2, both front");
        b.Press("Agreed: begin the fitting");
        b.Sees("The card");
        var job = b.Driver.Url[..b.Driver.Url.LastIndexOf('/')];
        Read(b, job, "24 1/16", "42 13/16", "22 13/16", "22 1/4", "42 7/16", "23 7/16");
        b.Open($"{job}/prove");
        // Nothing is judged while rubber is open.
        b.Sees("○ No verdict yet");
        b.Sees("is rubber and still open");
        b.Press("Close it on the card");
        b.Sees("The card");
        b.CloseRubber();
        b.Open($"{job}/prove");
        b.Sees("■ Not as wanted");
        b.Press("Change the stack: a second pass");
        // The search runs by itself and starts from what stands now.
        b.Sees("had to be worked out");
        b.Sees("On the whole");
        b.Press("How to look");
        b.Choose("In the order", "surest");
        b.Sees("Behind the one above: less likely to land");
        b.Sees("front: out Alder plate 1 1/2");
        b.Press("Take as a plan: No. 1");
        b.Press("Agreed: begin the fitting");
        b.Sees("The card");
        // As it was planned: a thinner plate in front, a longer shackle behind.
        Read(b, job, "23 9/16", "42 13/16", "23 9/16", "23", "42 7/16", "22 15/16");
        b.CloseRubber();
        b.Open($"{job}/prove");
        b.Sees("● Sits as wanted");
        b.Sees("As wanted, and where it was foretold");
    }

    [Fact]
    public void What_the_shop_s_jobs_have_proved_is_drawn_and_each_job_is_one_press_away()
    {
        using var b = new Driving.Browser(1024, 900);
        b.SignIn(_server.Address, "odd");
        b.Press("Evidence");
        b.Sees("Claimed against measured");
        b.Sees("Ostrel Drover, second shape, front");
        b.Driver.FindElement(By.XPath("//summary[.='How each job moved it']")).Click();
        b.Sees("expected");
        b.Driver.FindElement(By.XPath("//tbody//a[contains(., 'SV 118 K')]")).Click();
        b.Sees("As wanted");
    }

    /// <summary>Walks round after the work, rolled.</summary>
    private static void Read(Driving.Browser b, string job, params string[] heights)
    {
        b.Open($"{job}/walk-round");
        b.Sees("Same as last time, and settled how?");
        b.Press("Rolled");
        foreach (var (station, height) in Hands.Stations.Zip(heights))
        {
            b.TypeAt(station, height + "\n");
        }
        b.AllSaved();
    }
}
