using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>A kit from the shelf to the card: nothing goes up with a box that is short, and nothing is left over in it unsaid.</summary>
[Trait("Trial", "long")]
public sealed class KitsTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    private static void Tick(Driving.Browser b, string label) =>
        b.Field(label).SendKeys(Keys.Space);

    [Fact]
    public void A_box_that_is_short_stays_on_the_ground_and_every_piece_has_its_end()
    {
        using var b = new Driving.Browser(1280, 1400);
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("FH 19", "plan");
        b.Sees("■ Missing: 1 flange nut M10.");
        b.Press("1 more, 1 of them does not fit");
        b.Sees("■ does not fit: made for Tindra Lark");
        Axe.Check(b, "plan with a kit");
        b.Press("Put in the kit Rowan levelling kit");
        b.Sees("Rowan levelling kit brings strut plate to LF already");
        b.Press("Agreed: begin the fitting");
        b.Sees("1 of 6 flange nut M10 is missing. Get what is missing before it goes up");
        // What is left out has a reason, and stands nowhere.
        Tick(b, "block, left out");
        b.Press("Keep the count");
        b.Sees("Why is block left out? It stays on the record.");
        b.Type("Why block is left out", "owner wants the rake");
        b.Type("flange nut M10, in the box", "6");
        b.Press("Keep the count");
        b.Sees("✓ Counted, nothing is missing.");
        b.Sees("left out: owner wants the rake");
        b.AllSaved();
        b.Press("Agreed: begin the fitting");
        b.Until(d => d.Url.EndsWith("/fit", StringComparison.Ordinal), "the card");
        b.Sees("▲ Neither used nor left out: 6 flange nut M10.");
        b.Sees("▲ Never over a plate that is in already.");
        Axe.Check(b, "card with a kit");
        Tick(b, "flange nut M10, used");
        b.Press("Keep what was used");
        b.Sees("✓ Every piece is used or left out.");
        b.AllSaved();
        b.Open(b.Driver.Url.Replace("/fit", "/hand-over", StringComparison.Ordinal));
        b.Sees("2 block, left out: owner wants the rake");

        b.Open($"{_server.Address}/shelf");
        b.Press("Put a kit on the shelf");
        b.Type("Name", "Whin kit");
        b.Type("Claimed, in front", "2 1/4");
        b.Type("Piece", "strut plate");
        b.Choose("It is a", "strut top spacer");
        b.Type("Thickness", "1 1/8");
        b.Type("How many", "3");
        b.Press("Keep this kit");
        b.Sees("3 of strut plate do not come out even on 2 corners.");
        b.Type("How many", "2");
        Axe.Check(b, "a kit and what is in it");
        b.Press("Keep this kit");
        b.Type("Find by name, number or what it is", "whin");
        b.Sees("claims 2 1/4 in in front · 2 strut plate");
        b.Press("Stock of Whin kit");
        b.Type("Came (+) or gone (−)", "2 1/2");
        b.Press("Keep it");
        b.Sees("How many came, or are gone?");
        b.Type("Came (+) or gone (−)", "+2");
        b.Type("Why: delivered, broken", "delivered");
        Axe.Check(b, "stock of a part");
        b.Press("Keep it");
        b.Sees("stock: delivered, Brenna Tarn");
    }
}
