using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>What is asked before it is assumed.</summary>
public sealed class AskedTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Trait("Trial", "long")]
    [Fact]
    public void Which_side_looks_lower_is_asked_and_the_other_side_than_the_tape_s_is_settled_first()
    {
        using var b = new Driving.Browser(1024, 900);
        b.SignIn(_server.Address, "odd");
        // The right side is low by the tape.
        b.OpenCopy("HO 32 T");
        b.Sees("Right side low at the front");
        Front("The left");
        b.Sees("At the front the eye sees another lean than the tape");
        Axe.Check(b, "the question of how it looks");
        Front("The right");
        b.Until(
            d =>
                !d.FindElement(By.TagName("main"))
                    .Text.Contains("another lean", StringComparison.Ordinal),
            "eye and tape agree"
        );
        b.AllSaved();
        b.Driver.Navigate().Refresh();
        b.Sees("✓ The right");

        void Front(string answer) =>
            Click(
                b,
                $"//*[@role='group' and contains(@aria-label, 'front')]//button[contains(., '{answer}')]"
            );
    }

    [Trait("Trial", "long")]
    [Fact]
    public void A_shackle_is_foretold_once_it_is_said_where_it_hangs()
    {
        using var b = new Driving.Browser(1024, 900);
        b.SignIn(_server.Address, "odd");
        b.OpenCopy("TM 60 S", "vehicle");
        b.Sees("it is pushed, a longer one lifts");
        Click(b, "//section[@aria-label='Front suspension']//input[@value='belowEye']");
        b.Press("Keep the front sizes");
        b.AllSaved();
        b.Open(b.Driver.Url.Replace("/vehicle", "/plan", StringComparison.Ordinal));
        b.Sees("below the spring's eye: a longer one lowers");
    }

    [Fact]
    public void What_they_say_that_it_came_up_stands_beside_the_tape()
    {
        using var b = new Driving.Browser(390, 844);
        b.SignIn(_server.Address, "odd");
        b.OpenCopy("NF 77 W", "prove");
        b.Sees("Nobody touched the rear axle");
        Click(b, "//summary[contains(., 'Somebody says')]");
        b.Press("Keep what they say");
        b.Sees("By how much do they say that it came up?");
        b.Type("By, in", "3 1/2");
        b.Press("Keep what they say");
        b.Sees("The owner says that the front came up");
        b.Sees("They do not agree: the tape counts.");
        b.AllSaved();
    }

    /// <summary>Brings it to the middle of the window, clear of the rail, and clicks it.</summary>
    private static void Click(Driving.Browser b, string path)
    {
        var it = b.Until(d => d.FindElements(By.XPath(path)).FirstOrDefault(), path)!;
        b.Driver.ExecuteScript("arguments[0].scrollIntoView({ block: 'center' })", it);
        it.Click();
    }
}
