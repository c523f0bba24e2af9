using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>Parts that are for other vehicles: seen on the shelf, left out of the way, fitted all the same only with a reason.</summary>
[Trait("Trial", "long")]
public sealed class FitsTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Fact]
    public void A_part_that_does_not_fit_holds_the_plan_back_until_somebody_says_why()
    {
        using var b = new Driving.Browser(1280, 1400);
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("FH 18", "plan");
        b.Sees("made for Tindra Lark, not for Ostrel Drover, second shape");
        b.Sees("The plan cannot be begun as it stands.");
        Axe.Check(b, "plan with parts that do not fit");
        b.Press("Agreed: begin the fitting");
        b.Sees("Take it out of the plan, or write there why it goes in all the same.");
        // What does not fit stands apart; what is known by another name is found by it.
        b.Sees("not fit this vehicle");
        b.Type("Find on the shelf", "diff drop");
        b.Press("Put in Sedge differential drop, both front");
        b.Until(
            d => !b.Text.Contains("only with a differential drop", StringComparison.Ordinal),
            "the bracket has what its maker asks for"
        );
        b.AllSaved();
        b.Press("Fit it all the same: Teasel strut plate");
        b.Sees("Write why: it stays on the record.");
        b.Type(
            "Why Teasel strut plate goes in all the same, front",
            "Same strut, compared on the bench"
        );
        b.Press("Fit it all the same: Teasel strut plate");
        b.Sees("Goes in all the same: Same strut, compared on the bench");
        // On the list: two pieces of each side's parts, the differential's one, and what is never used again.
        b.Press("What to buy");
        // The job of which this one is a copy came first: its plan has the plates.
        b.Sees("2 on the shelf, ");
        b.Sees(" wanted by jobs that are served first");
        b.Sees("Sedge differential drop DD-25, front · 58.00 EUR each");
        b.Sees("never used again");
        b.Sees("Parts of the plan 506.00 EUR");
        Axe.Check(b, "what to buy");
        b.Press("Back to the plan");
        b.Press("Agreed: begin the fitting");
        b.Sees(
            "promised or taken in earlier, want 2 of Sedge drop bracket, 2 of Teasel strut plate"
        );
        b.Type("Why begin all the same", "The other one waits for its tyres");
        b.Press("Begin with this reason");
        b.Until(d => d.Url.EndsWith("/fit", StringComparison.Ordinal), "the card");
        b.Open(b.Driver.Url.Replace("/fit", "/hand-over", StringComparison.Ordinal));
        b.Sees("The other one waits for its tyres");
        b.Sees("Same strut, compared on the bench");
        Assert.Contains(
            "made for Tindra Lark, not for Ostrel Drover",
            b.Text,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_platform_is_made_at_the_take_in_and_the_next_vehicle_and_the_next_part_find_it()
    {
        using var b = new Driving.Browser(1280, 1400);
        b.SignIn(_server.Address, "odd");
        b.Open($"{_server.Address}/take-in");
        b.Type("Plate", "VX 1");
        b.Type("Owner", "Low Fold nursery");
        b.Type("Make", "Vell");
        b.Type("Model", "Runner");
        b.Choose("Platform", "A new one …");
        b.ItIs("SUV");
        b.Press("Take it in and walk round");
        b.Sees("Choose the platform from the shop's list, or name a new one.");
        b.Type("Name of the new platform", "Vell Runner");
        b.Press(Hands.KnownAlready);
        b.Type("Built in", "14");
        b.Type("Engine", "V6 petrol");
        b.Type("Suspension option", "load-levelling");
        b.Press("Take it in and walk round");
        b.Sees("Write the year with four digits.");
        b.Type("Built in", "2014");
        b.Press("Take it in and walk round");
        b.Until(
            d => d.Url.Contains("/walk-round", StringComparison.Ordinal),
            "the vehicle is taken in"
        );
        b.Open(b.Driver.Url.Replace("/walk-round", "/take-in", StringComparison.Ordinal));
        b.Sees("2014, V6 petrol, load-levelling");

        b.Open($"{_server.Address}/shelf");
        b.Press("Platforms, and what tells their vehicles apart");
        b.Sees("Vell Runner · V6 petrol · load-levelling");
        b.Press("Put a part on the shelf");
        b.Type("Name", "Runner plate");
        b.Type("Thickness", "3/4");
        b.Choose("Fits a platform", "Vell Runner");
        b.Type("Vell Runner, built from", "2012");
        b.Choose("A condition", "not with");
        b.Press("Keep this part");
        b.Sees("Not with which suspension option? Name one at least.");
        b.Type("Which, with commas between", "load-levelling, air");
        Axe.Check(b, "a part and what it fits");
        b.Press("Keep this part");
        b.Type("Find by name, number or what it is", "runner strut");
        b.Sees("for Vell Runner from 2012 · not with suspension option load-levelling or air");
        b.Sees("1 of");
        b.Type("Find by name, number or what it is", "panhard");
        b.Sees("Rook track bar, adjustable");
        Assert.DoesNotContain("Runner plate", b.Text, StringComparison.Ordinal);
    }
}
