using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>What a plan moves, taken through its travel by keys, taped on the spot, and cured from the shelf.</summary>
public sealed class GeometryTests(DemoServer demo)
{
    private readonly ServerProcess _server = demo.Server;

    [Fact]
    public void An_axle_is_moved_through_its_travel_taped_and_brought_back_by_a_bracket_of_the_shelf()
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

        void Looked(string title) =>
            b.Until(
                d =>
                {
                    var line = d.FindElements(By.CssSelector("nav[aria-label='What moves'] button"))
                        .First(e => e.Text.StartsWith(title, StringComparison.Ordinal));
                    line.Click();
                    return line.GetAttribute("aria-current") == "true";
                },
                title
            );
    }
}
