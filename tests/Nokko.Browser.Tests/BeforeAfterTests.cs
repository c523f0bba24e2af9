using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>Photographs before and after the work, laid over each other by their hubs.</summary>
[Trait("Trial", "long")]
public sealed class BeforeAfterTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Fact]
    public void Two_photographs_are_marked_by_keys_and_laid_hub_on_hub()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("HO 32 T", "take-in");
        Takes(b, "as found");
        Begins(b);
        var job = b.Driver.Url[..b.Driver.Url.LastIndexOf('/')];
        b.Open($"{job}/hand-over");
        b.Press("Before and after, laid over each other");
        b.Sees("none was taken since it began");
        b.Open($"{job}/take-in");
        Takes(b, "after");
        b.Open($"{job}/hand-over");
        b.Press("Before and after, laid over each other");
        b.Sees("Before: put a cross on the middle of each hub.");
        // The front hub of the first is marked where the rear one is: nothing is laid on that.
        for (var i = 0; i < 18; i++)
        {
            Hub(b, "Front hub, before").SendKeys(Keys.Shift + Keys.ArrowRight + Keys.Null);
        }
        b.Press("Keep both hubs, before");
        b.Sees("The hubs lie farther apart than that.");
        for (var i = 0; i < 15; i++)
        {
            Hub(b, "Front hub, before").SendKeys(Keys.Shift + Keys.ArrowLeft + Keys.Null);
        }
        Hub(b, "Front hub, before").SendKeys(Keys.ArrowUp);
        Axe.Check(b, "hubs to be marked");
        b.Press("Keep both hubs, before");
        b.Sees("After: put a cross on the middle of each hub.");
        b.Press("Keep both hubs, after");
        b.Sees("It shows, it does not measure");
        Assert.Equal(
            2,
            b.Driver.FindElements(
                By.CssSelector("svg[aria-label^='The photograph after'] image")
            ).Count
        );
        Axe.Check(b, "photographs laid over each other");
        b.AllSaved();
        b.Driver.Navigate().Refresh();
        b.Press("Before and after, laid over each other");
        b.Sees("It shows, it does not measure");
    }

    private static IWebElement Hub(Driving.Browser b, string name) =>
        b.Until(d => d.FindElement(By.CssSelector($"button[aria-label='{name}']")), name);

    private static void Begins(Driving.Browser b)
    {
        b.Open(b.Driver.Url[..b.Driver.Url.LastIndexOf('/')] + "/plan");
        b.Press("Put in Alder plate 1, both front");
        b.Press("Agreed: begin the fitting");
        b.Sees("The card");
        b.AllSaved();
    }

    /// <summary>Adds a picture under a name of its own.</summary>
    private static void Takes(Driving.Browser b, string name)
    {
        b.Sees("Add a photograph");
        var path = Path.Combine(Directory.CreateTempSubdirectory("nokko").FullName, $"{name}.jpg");
        File.WriteAllBytes(
            path,
            Convert.FromBase64String(
                (string)
                    b.Driver.ExecuteScript(
                        "const c = document.createElement('canvas'); c.width = 800; c.height = 450; return c.toDataURL('image/jpeg').split(',')[1]"
                    )!
            )
        );
        b.Driver.FindElement(By.CssSelector("input[aria-label='Photograph']")).SendKeys(path);
        b.Until(
            d => d.FindElements(By.CssSelector($"img[alt='{name}.jpg']")).Count > 0,
            $"the photograph {name}"
        );
        b.AllSaved();
    }
}
