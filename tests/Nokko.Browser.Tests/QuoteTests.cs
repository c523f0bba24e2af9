using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>Plans are offered to the owner, who reads them on a phone, chooses and signs; the choice is what is fitted.</summary>
[Trait("Trial", "long")]
public sealed class QuoteTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Fact]
    public void The_owner_chooses_by_link_and_another_plan_asks_why()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("TM 41 F", "plan");
        b.Press("Offer it to the owner");
        b.Sees("Offer anew");
        Assert.Contains("it waits for the choice", b.Text, StringComparison.Ordinal);
        b.Type("An hour costs", "about a hundred");
        b.Press("Write the quote");
        b.Sees("What does an hour cost? A number from 0 to 100,000.");
        b.Type("An hour costs", "100");
        b.Press("Write the quote");
        // 284 EUR of parts and 4.8 h at 100.
        b.Sees("764 EUR");
        Axe.Check(b, "the quote");
        b.AllSaved();
        var paper = SavedPdf.Of(b, "A4", "quote-*.pdf");
        Assert.Contains("764 EUR", paper.First, StringComparison.Ordinal);
        Assert.Contains("Plan B: what the price leaves out", paper.First, StringComparison.Ordinal);
        Assert.Contains("Quote, page 1 of", paper.First, StringComparison.Ordinal);

        b.Press("Make a link");
        var link = b.Until(d => b.Field("Link").GetAttribute("value"), "the link")!;
        using (var owner = new Driving.Browser(390, 844))
        {
            Chooses(owner, link);
        }

        b.Driver.Navigate().Refresh();
        b.Sees("The owner chose “Plan B”. Begin the fitting.");
        b.Sees("Plan B was chosen by Wren Quarry. It is the plan that is fitted.");
        b.Press("Back to the plan");
        b.Sees("★ Plan B");
        b.Press("Plan A");
        b.Press("★ This is the one");
        b.Sees("The owner chose “Plan B”, not this plan.");
        b.Press("Agreed: begin the fitting of Plan A");
        b.Sees("Begin all the same? Then write why.");
        b.AllSaved();
    }

    private static void Chooses(Driving.Browser owner, string link)
    {
        owner.Open(link);
        owner.Sees("Quote, by Skarn Vale Fitting");
        owner.Sees("Plan B: what the price leaves out");
        Assert.DoesNotContain("TM 41 F", owner.Text, StringComparison.Ordinal);
        owner.Press("I choose Plan B");
        owner.Type("Name", "Wren Quarry");
        owner.Press("Sign for Plan B");
        owner.Sees("Nothing was drawn: sign in the field.");
        Axe.Check(owner, "the quote on a phone");
        Pen.Signs(owner);
        owner.Press("Sign for Plan B");
        owner.Sees("Chosen: Plan B");
        owner.Sees("Nothing is left to choose here");
        owner.Driver.Navigate().Refresh();
        owner.Sees("Chosen: Plan B");
        Assert.Empty(owner.Driver.FindElements(By.XPath("//button[starts-with(., 'I choose')]")));
    }
}
