using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>A shop from nothing: its first person, a colleague by a link, a role that ends a sign-in in the middle of the work.</summary>
public sealed class PeopleTests
{
    private const string Password = "rake and lean";

    [Fact]
    [Trait("Trial", "long")]
    public async Task A_shop_is_opened_a_colleague_comes_and_another_role_signs_her_in_anew()
    {
        await using var server = await HostedServer.Start(
            $"people_{Guid.NewGuid():N}",
            empty: true
        );
        using var owner = new Driving.Browser(390, 844);
        owner.Open(server.Address);
        owner.Type("Code", "guess");
        owner.Type("Shop", "Marl Street Fitting");
        owner.Type("Your name", "Ada Marl");
        owner.Type("Name to sign in with", "ada");
        owner.Type("Password", Password);
        owner.Press("Open the shop");
        owner.Sees("That is not the code that the start printed");
        // What was typed stands there still.
        owner.Type("Code", ServerProcess.FirstCode);
        owner.Press("Open the shop");
        owner.Sees("Yard");
        // An empty yard leads: the next thing first.
        owner.Sees("Three things to begin with");
        owner.Button("Make a platform");
        owner.Button("Take in the first vehicle");
        Axe.Check(owner, "empty yard");
        owner.Press("Menu");
        owner.Press("Ada Marl: your own page");
        owner.Sees("Where you are signed in");
        // The server does not answer for a while: the page says so, and comes when it does.
        Blocked(owner, "*/api/shop");
        owner.Press("Menu");
        owner.Press("Marl Street Fitting");
        owner.Sees("This page needs the network");
        Blocked(owner);
        owner.Driver.Navigate().Refresh();
        owner.Sees("Who is here");
        Settle(owner, server.Address);
        owner.Choose("As", "apprentice");
        owner.Press("Make a link");
        owner.Sees("It works once");
        var link = owner.Field("Link").GetAttribute("value")!;
        Assert.StartsWith($"{server.Address}/join#", link, StringComparison.Ordinal);

        using var colleague = new Driving.Browser();
        colleague.Open(link);
        colleague.Sees("You will be an apprentice here.");
        colleague.Type("Your name", "Gil Reed");
        colleague.Type("Name to sign in with", "gil");
        colleague.Type("Password", "short");
        colleague.Press("Come in");
        colleague.Sees("At least 8 letters");
        colleague.Type("Password", Password);
        colleague.Press("Come in");
        colleague.Sees("Yard");
        Assert.DoesNotContain("#", colleague.Driver.Url, StringComparison.Ordinal);
        colleague.Open(link);
        colleague.Sees("This link was used");

        colleague.Open($"{server.Address}/me");
        colleague.Sees("gil, apprentice of Marl Street Fitting");
        owner.Driver.Navigate().Refresh();
        owner.Choose("Role of Gil Reed", "viewer");
        owner.Sees("Looks, and changes nothing.");
        // Her page is told at the next thing that she does, and signs in where she is.
        colleague.Press("millimetres");
        colleague.Until(
            d => d.FindElements(By.CssSelector("input[type=password]")).Count > 0,
            "a sign-in is asked for"
        );
        colleague.Open(server.Address);
        colleague.Type("Name", "gil");
        colleague.Type("Password", Password);
        colleague.Press("Sign in");
        colleague.Sees("You look on here: what you change is not kept.");
    }

    private static void Blocked(Driving.Browser browser, params string[] addresses)
    {
        browser.Driver.ExecuteCdpCommand("Network.enable", []);
        browser.Driver.ExecuteCdpCommand(
            "Network.setBlockedURLs",
            new Dictionary<string, object?> { ["urls"] = addresses }
        );
    }

    /// <summary>What the shop settles once stands in the forms of the next job.</summary>
    private static void Settle(Driving.Browser owner, string address)
    {
        owner.Choose("Tape divided in", "1/32 in");
        owner.Choose("Measured from", "floor");
        owner.Type("Tolerance of a target", "wide");
        owner.Type("Bays, one on each line", "pit\ntwo-post 1");
        owner.Press("Keep it");
        // It is said at its field, and nothing of the rest is lost.
        owner.Until(
            d => d.FindElements(By.CssSelector("form [aria-invalid=true]")).Count == 1,
            "the tolerance is refused"
        );
        owner.Type("Tolerance of a target", "3/16");
        owner.Press("Keep it");
        owner.Sees("✓ Kept.");
        // Another tab was first: both are shown, and mine is kept when I say so.
        var mine = owner.Driver.CurrentWindowHandle;
        owner.Driver.SwitchTo().NewWindow(WindowType.Tab);
        owner.Open($"{address}/shop");
        owner.Choose("Tape divided in", "1/8 in");
        owner.Press("Keep it");
        owner.Sees("✓ Kept.");
        owner.Driver.Close();
        owner.Driver.SwitchTo().Window(mine);
        owner.Type("An hour costs", "84");
        owner.Press("Keep it");
        owner.Sees("Somebody else changed this first");
        owner.Sees("1/8 in");
        owner.Press("Keep mine over theirs");
        owner.Sees("✓ Kept.");
        owner.Until(
            d => d.FindElements(By.CssSelector("form [role=alert] table")).Count == 0,
            "the choice is made"
        );
        owner.Open($"{address}/take-in");
        owner.Press(Hands.KnownAlready);
        Assert.Equal("3/16 in", owner.Field("Tolerance").GetAttribute("value"));
        // A limit of the shop's own, and back to the rule of thumb.
        owner.Open($"{address}/shop");
        owner.Press("Ways of fitting, and limits");
        owner.Type("Another, °: caster", "0.7");
        owner.Press("Keep: caster");
        owner.Sees("Caster, 0.7°");
        owner.Press("Rule again: caster");
        owner.Sees("Caster, 1.0°");
        Axe.Check(owner, "shop");
    }

    [Fact]
    [Trait("Trial", "long")]
    public async Task A_whole_shop_moves_to_an_empty_server_and_who_has_left_is_forgotten_there()
    {
        await using var full = await HostedServer.Start($"full_{Guid.NewGuid():N}");
        await using var empty = await HostedServer.Start($"moved_{Guid.NewGuid():N}", empty: true);
        using var owner = new Driving.Browser();
        owner.SignIn(full.Address, "brenna");
        owner.Open($"{full.Address}/shop");
        owner.Press("Leaves: Odd Farrow");
        owner.Press("Odd Farrow is out from now on: yes");
        owner.Sees("Who has left, and stands on records");
        owner.Press("Take it out");
        var zip = owner.Until(
            _ =>
                Directory.Exists(owner.Downloads)
                    ? Directory.GetFiles(owner.Downloads, "*.zip").FirstOrDefault()
                    : null,
            "the shop's file"
        )!;
        owner.OpensShop(empty.Address, Password);
        owner.Open($"{empty.Address}/shop");
        owner.Sees("The whole shop as a file");
        owner.Driver.FindElement(By.CssSelector("input[aria-label='A whole shop']")).SendKeys(zip);
        owner.Until(
            d =>
                d.FindElements(By.CssSelector("[role=status]"))
                    .Any(e => e.Text.Contains("photographs are here", StringComparison.Ordinal)),
            "the shop is here",
            60
        );
        owner.Sees("Skarn Vale Fitting");
        owner.Press("Erase the name: Odd Farrow");
        owner.Press("“Former colleague” instead of Odd Farrow, on every record: yes");
        owner.Until(
            d => d.FindElements(By.XPath("//b[.='Odd Farrow']")).Count == 0,
            "the name is gone"
        );
        owner.Open(empty.Address);
        owner.Sees("SV 204 R");
    }
}
