using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>What a plan moves, taken through its travel by keys, taped on the spot, cured from the shelf and held by the search; what the axles may carry.</summary>
[Trait("Trial", "long")]
public sealed class GeometryTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Fact]
    public void An_axle_is_moved_through_its_travel_taped_and_brought_back_by_a_bracket_or_by_the_search()
    {
        using var b = new Driving.Browser(1280, 1000);
        b.SignIn(_server.Address, "odd");
        b.OpenCopy("TM 12 K", "geometry");
        b.Sees("toward the left");
        var wheel = b.Driver.FindElement(
            By.CssSelector("input[aria-label='Wheel through its travel']")
        );
        b.Sees("at ride height");
        // Full droop by keys: the axle swings further out.
        wheel.SendKeys(Keys.Home);
        b.Sees("down");
        wheel.SendKeys(Keys.End);
        b.Sees("in up");
        // Behind nobody taped the bar: the number is a usual axle's, and says so.
        Looked("Rear track bar");
        b.Sees("Not taped yet");
        b.Type("Track bar, across from end to end", "3");
        b.Press("Keep what was taped");
        b.Sees("That lies between 200 and 2,000 mm");
        b.Type("Track bar, across from end to end", "33 1/2");
        b.Type("Track bar's end at the body, higher by", "3");
        b.Choose("The bar meets the body on the", "right");
        b.Press("Keep what was taped");
        b.Until(
            d => !b.Text.Contains("Not taped yet", StringComparison.Ordinal),
            "nothing is asked any more"
        );
        b.Sees("toward the right");
        b.AllSaved();
        // In front a bracket alone would steer: it is said before it is done, and the plan then has it.
        Looked("Front track bar");
        b.Press("Rook track-bar bracket, to drill, axle end 2 in (51 mm) higher");
        b.Sees("the drag link's end moves by as much");
        b.Press("Put Rook track-bar bracket, to drill into Plan A");
        b.Sees("As planned: one end relocated by 2 in (51 mm)");
        b.AllSaved();
        Looked("Front steering");
        b.Sees("It moves one of the pair alone");
        b.Driver.Navigate().Refresh();
        b.Sees("It moves one of the pair alone");

        // Asked to hold it, the search brings the bar that does.
        b.Open(b.Driver.Url.Split("/geometry")[0] + "/plan");
        b.Press("Find stacks");
        b.Press("How to look");
        b.Type("No axle aside by more than", "1/32");
        b.Press("Find again");
        b.Sees("to 1/16 in (1.5 mm) at best");
        b.Type("No axle aside by more than", "1/4");
        b.Sees("How to look: no axle aside by more than 1/4 in");
        b.Press("Find again");
        b.Sees("had to be worked out");
        b.Sees("in Rook track bar, adjustable");
        // Held as a whole, each number by its own limit; unheld, beside the stack stands what would bring it back.
        b.Type("No axle aside by more than", "");
        b.Press("Find again");
        b.Sees("Brought back by Rook track bar, adjustable: 1.2 h, 164 EUR more.");
        b.Driver.FindElement(By.XPath("//label[contains(., 'geometry within its limits')]//input"))
            .Click();
        b.Press("Find again");
        b.Sees("How to look: geometry within its limits");
        b.Sees("front: in Rook track bar, adjustable");

        // A plate is entered by somebody who reads inches: the weights beside it stay what they were, in kilograms.
        b.Open(b.Driver.Url.Split("/plan")[0] + "/take-in");
        var weight = b.Field("Weight on rear axle").GetAttribute("value")!;
        Assert.EndsWith(" kg", weight, StringComparison.Ordinal);
        b.Type("Rear axle may carry", "25");
        b.Press("Keep these sizes");
        b.Sees("check the unit");
        b.Type("Rear axle may carry", "2600");
        b.Press("Keep these sizes");
        b.AllSaved();
        b.Driver.Navigate().Refresh();
        Assert.Equal("2600 lb", b.Field("Rear axle may carry").GetAttribute("value"));
        Assert.Equal(weight, b.Field("Weight on rear axle").GetAttribute("value"));
        b.Open(b.Driver.Url.Split("/take-in")[0] + "/geometry");
        b.Sees("Axle loads");
        Looked("Axle loads");
        b.Sees("are left on the rear axle");
        Looked("Side slope");
        b.Sees("sooner than it did");
        // A stricter shop: what cannot be is said at the field, and the rule of thumb stays beside its own.
        Looked("Headlights");
        b.Press("Another limit");
        b.Type("Most, in", "20");
        b.Press("For this job");
        b.Sees("That lies between");
        b.Type("Most, in", "1/8");
        b.Press("For this job");
        b.Sees("our own limit; the rule of thumb is 1/2 in");
        b.AllSaved();
        b.Driver.Navigate().Refresh();
        b.Sees("our own limit; the rule of thumb is 1/2 in");
        b.Press("Another limit");
        b.Press("For this job");
        b.Sees("Left alone within 1/2 in, a rule of thumb");
        // The wheel turns by keys from straight to its lock, and what was taped round the tyre is told.
        Looked("Front tyre gaps");
        b.Sees("What is left round the tyre");
        b.Sees("straight");
        b.Until(
                    d =>
                        d.FindElements(By.CssSelector("input[aria-label='Wheel through its lock']"))
                            .FirstOrDefault(),
                    "the slider through the lock"
                )!
            .SendKeys(Keys.End);
        b.Sees("31° front edge out");

        void Looked(string title) =>
            b.Until(
                d =>
                {
                    var line = d.FindElements(By.CssSelector("nav[aria-label='What moves'] button"))
                        .First(e => e.Text.StartsWith(title, StringComparison.Ordinal));
                    d.ExecuteScript("arguments[0].scrollIntoView({block:'center'})", line);
                    line.Click();
                    return line.GetAttribute("aria-current") == "true";
                },
                title
            );
    }
}
