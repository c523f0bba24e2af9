using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>A vehicle that comes back, and the shop's year that counts it.</summary>
public class YearTests(DemoServer demo)
{
    [Fact]
    [Trait("Trial", "long")]
    public void A_vehicle_that_comes_back_is_explained_before_it_leaves_and_stands_in_the_year()
    {
        using var b = new Driving.Browser();
        b.SignIn(demo.Server.Address, "brenna");
        b.Open($"{demo.Server.Address}/take-in");
        b.Type("Plate", "KT 18 P");
        b.Press("Go on with its record");
        b.Choose("Comes back for", "something else");
        b.Choose("Lifted with", "two-post lift");
        b.Press("Take it in and walk round");
        b.Sees("What is it? A few words.");
        b.Type("What the owner says of it", "smells hot after the hill");
        b.Press("Take it in and walk round");
        b.Sees("Left front, from the hub");
        var job = b.Driver.Url[..b.Driver.Url.LastIndexOf('/')];

        b.Open($"{job}/hand-over");
        b.Sees("It came back: something else. By what?");
        b.Press("Hand it over");
        b.Sees("Note above what it came back by");
        b.Choose("Came back by", "fitted otherwise than it should be");
        b.Type("What was found", "caliper on its stretched bolt");
        b.Press("Keep the comeback");
        b.Sees("It came back: something else; fitted otherwise than it should be");
        b.Press("Hand it over");
        b.Until(
            d => !b.Text.Contains("not handed over yet", StringComparison.Ordinal),
            "it is handed over"
        );
        b.AllSaved();

        b.Open($"{demo.Server.Address}/evidence");
        b.Press("The shop’s year");
        b.Sees("Right at the first try");
        b.Sees("caliper on its stretched bolt");
        b.Sees("What springs come down by 500 miles");
        b.Sees("Whin coil-over");
        b.Press("Brack Courier KT 18 P");
        b.Sees("fitted otherwise than it should be");
    }
}
