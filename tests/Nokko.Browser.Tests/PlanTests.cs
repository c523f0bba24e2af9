using Nokko.Driving;
using OpenQA.Selenium;
using OpenQA.Selenium.Interactions;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>Stacks put together by hand and by keys, plans side by side, and the vehicle that they stand on.</summary>
public sealed class PlanTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Trait("Trial", "long")]
    [Fact]
    public void Parts_are_dragged_onto_corners_and_carried_by_keys_and_two_plans_are_compared()
    {
        using var b = new Driving.Browser(1280, 1400);
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("HO 32 T", "plan");
        b.Sees("Shelf, for both front");
        Drag(b, "Alder plate 1 1/4", "RF");
        // Both sides go together, and the band follows.
        b.Sees("Agreed: begin the fitting");
        Placed(b, "Alder plate 1 1/4", "Left front", "Right front");
        // By the line that the shop's own jobs have proved: 2.0 of its thickness and a quarter inch.
        b.Sees("23 1/2 in");

        b.Press("Another plan");
        b.Until(
            d => d.FindElements(By.XPath("//button[@aria-pressed='true'][.='Plan B']")).Count > 0,
            "the second plan is looked at"
        );
        // One side on purpose, by keys: taken out with Delete, and carried across with an arrow.
        b.Driver.FindElement(
                By.XPath("//label[contains(., 'One side only')]//input[@type='checkbox']")
            )
            .SendKeys(" ");
        Tile(b, "Alder plate 1 1/4", "Right front").SendKeys(Keys.Delete);
        Placed(b, "Alder plate 1 1/4", "Left front");
        Tile(b, "Alder plate 1 1/4", "Left front").SendKeys(Keys.ArrowRight);
        Placed(b, "Alder plate 1 1/4", "Right front");
        b.Type("Turn the collar up by", "3/8");
        b.Press("Turn up");
        b.Sees("collar");
        b.AllSaved();

        b.Sees("Side by side");
        b.Press("★ This is the one");
        b.Until(
            d => d.FindElements(By.XPath("//button[.='★ Plan B']")).Count > 0,
            "the second plan is chosen"
        );
        // Dragged back to the shelf it goes.
        Drag(b, "Alder plate 1 1/4, Right front", "off");
        Placed(b, "Alder plate 1 1/4");
        b.AllSaved();
        b.Driver.Navigate().Refresh();
        b.Sees("★ Plan B");
        Placed(b, "Alder plate 1 1/4");
        // The other plan is as it was.
        b.Press("Plan A");
        Placed(b, "Alder plate 1 1/4", "Left front", "Right front");
    }

    [Trait("Trial", "long")]
    [Fact]
    public void A_suspension_is_described_a_load_is_stated_and_the_plan_says_what_follows()
    {
        using var b = new Driving.Browser(1024, 1000);
        b.SignIn(_server.Address, "odd");
        b.OpenCopy("TM 12 K", "vehicle");
        b.Sees("live axle on coils, four links");
        b.Press("State a load");
        b.Type("What it is", "water tank");
        b.Type("Weight, lb", "330");
        Near(b, "Loads", "Behind the front axle").SendKeys("95");
        b.Press("Keep these loads");
        b.AllSaved();
        b.Choose("Rear suspension is a", "live axle on coil-overs");
        b.Sees("a usual live axle on coil-overs, fitted to what was taped");
        Lean("70.5");
        b.Sees("That lies between 0 and 70 °: check the unit.");
        Lean("20");
        // One over the cosine of twenty degrees.
        b.Sees("lifts about 1.06 in");
        b.AllSaved();
        b.Open(b.Driver.Url.Replace("/vehicle", "/plan", StringComparison.Ordinal));
        // A ring has no place under a coil-over: the plan says so, and shows the load.
        b.Sees("has no place on this suspension");
        b.Press("Take out Bracken ring 1 1/2, Left rear");
        b.Until(
            d => !b.Text.Contains("has no place on this suspension", StringComparison.Ordinal),
            "both rings are out"
        );
        b.Driver.FindElement(
                By.XPath("//label[contains(., 'With water tank on')]//input[@type='checkbox']")
            )
            .SendKeys(" ");
        b.Sees("Rake, loaded");
        Axe.Check(b, "plan with a load");

        void Lean(string degrees)
        {
            var field = Near(b, "Rear suspension", "Lean of the spring or strut, °");
            field.SendKeys(Keys.Control + "a");
            field.SendKeys(degrees);
            b.Press("Keep the rear sizes");
        }
    }

    private static void Drag(Driving.Browser b, string what, string place)
    {
        var grip = b.Until(
            d => d.FindElement(By.CssSelector($"[data-grip='{what}']")),
            $"the grip of {what}"
        );
        b.Driver.ExecuteScript("arguments[0].scrollIntoView({block:'center'})", grip);
        var target = b.Driver.FindElement(By.CssSelector($"[data-drop='{place}']"));
        new Actions(b.Driver)
            .MoveToElement(grip)
            .ClickAndHold()
            .MoveByOffset(12, 0)
            .MoveToElement(target)
            .MoveByOffset(2, 2)
            .Release()
            .Perform();
    }

    private static IWebElement Tile(Driving.Browser b, string part, string corner) =>
        b.Until(
            d => d.FindElement(By.CssSelector($"button[aria-label='Take out {part}, {corner}']")),
            $"{part}, {corner}"
        );

    /// <summary>Waits until a part stands at these corners and at no other.</summary>
    private static void Placed(Driving.Browser b, string part, params string[] corners) =>
        b.Until(
            d =>
                d.FindElements(By.CssSelector($"button[aria-label^='Take out {part},']"))
                    .Select(e => e.GetAttribute("aria-label")!.Split(", ")[1])
                    .ToHashSet()
                    .SetEquals(corners),
            $"{part} at {string.Join(" and ", corners)}"
        );

    private static IWebElement Near(Driving.Browser b, string section, string label) =>
        b.Until(
            d =>
                d.FindElement(
                    By.XPath(
                        $"//*[@aria-label='{section}']//label[normalize-space(.)='{label}']/following-sibling::div//input"
                    )
                ),
            label
        );
}
