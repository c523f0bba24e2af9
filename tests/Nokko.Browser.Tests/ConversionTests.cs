using Nokko.Driving;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>Another suspension under an axle, from what is typed of it to the card.</summary>
[Trait("Trial", "long")]
public sealed class ConversionTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Fact]
    public void Links_come_in_for_leaf_springs_and_the_card_follows_them()
    {
        using var b = new Driving.Browser(1024, 900);
        b.SignIn(_server.Address, "odd");
        b.OpenCopy("FH 20", "plan");
        b.Sees("At the rear: live axle on coils, four links");
        b.Sees("is set up at 22 5/16 in");
        // A slip is said at its field, and what was typed stays.
        b.Press("Correct the rear conversion");
        Axe.Check(b, "another suspension");
        b.Type("Lips at set-up", "about two feet");
        b.Type("Whose sheet or drawing", "Hollin links sheet HL-5");
        b.Press("Put it into the plan");
        b.Sees("about two feet");
        Assert.Equal(
            "Hollin links sheet HL-5",
            b.Field("Whose sheet or drawing").GetAttribute("value")
        );
        b.Type("Lips at set-up", "23");
        b.Press("Put it into the plan");
        b.Sees("by Hollin links sheet HL-5");
        b.Sees("is set up at 23 in");
        // After all the old one stays; then the other one after all, of which nothing is known but its sheet.
        b.Press("Keep the old rear suspension");
        b.Press("Yes, the old one stays");
        b.Press("Another suspension at the rear");
        b.Choose("What comes is a", "live axle on coil-overs");
        b.Press("Put it into the plan");
        b.Sees("Say whose sheet or drawing it is built by");
        b.Type("Whose sheet or drawing", "Rowan drawing 3");
        b.Press("Put it into the plan");
        b.Sees("Missing: the height of the lips at which its sizes were taken");
        b.Press("Agreed: begin the fitting");
        b.Sees("There is no prediction to prove against.");
        b.Type("Why begin all the same", "Its maker sets the collars on the vehicle");
        b.Press("Begin with this reason");
        b.Sees("The card");
        b.Press("rear: Mark before undoing … Final: what may be final hanging (14 steps)");
        b.Sees("live axle, leaf springs above it out, live axle on coil-overs in");
    }
}
