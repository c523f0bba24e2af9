using OpenQA.Selenium;
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
        ComesBack(b, "KT 18 P", "something else");
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

    [Fact]
    [Trait("Trial", "long")]
    public void A_comeback_is_kept_once_on_a_slow_line_waits_offline_and_is_not_lost_between_two()
    {
        using var b = new Driving.Browser();
        ComesBack(b, "KT 15 P", "leans");
        b.Press("Take it in and walk round");
        b.Sees("Left front, from the hub");
        var job = b.Driver.Url[..b.Driver.Url.LastIndexOf('/')];
        b.Open($"{job}/hand-over");
        b.Choose("Came back by", "fitted otherwise than it should be");
        b.Slow(1_000);
        var keep = b.Driver.FindElement(By.XPath("//button[.='Keep the comeback']"));
        b.Driver.ExecuteScript("arguments[0].click(); arguments[0].click()", keep);
        // What is typed while the first one is on its way is typed into what stands there.
        b.Type("What was found", "left block turned round");
        b.Sees("It came back: leans; fitted otherwise than it should be");
        b.AllSaved();
        b.Press("Keep the comeback");
        b.AllSaved();
        b.Slow(0);
        Assert.DoesNotContain("changed this first", b.Text, StringComparison.Ordinal);
        Assert.Equal("left block turned round", Found(b));

        b.Offline(true);
        b.Type("What was found", "left block turned round, U-bolts dry");
        b.Press("Keep the comeback");
        b.Sees("Not saved yet: 1");
        Assert.Equal("left block turned round, U-bolts dry", Found(b));
        b.Offline(false);
        b.AllSaved();
        b.Open($"{job}/hand-over");
        Assert.Equal("left block turned round, U-bolts dry", Found(b));
        Unfold(b);

        // Two say it from the same page: the second sees both, and chooses.
        using var other = new Driving.Browser();
        other.SignIn(demo.Server.Address, "odd");
        other.Open($"{job}/hand-over");
        Unfold(other);
        other.Type("What was found", "spring centre bolt sheared");
        other.Offline(true);
        b.Choose("Came back by", "a part was faulty or not as claimed");
        b.Press("Keep the comeback");
        b.Sees("It came back: leans; a part was faulty or not as claimed");
        b.AllSaved();
        other.Press("Keep the comeback");
        other.Sees("Not saved yet: 1");
        other.Offline(false);
        other.Sees("Brenna Tarn changed this first");
        other.Sees("a part was faulty or not as claimed");
        other.Sees("spring centre bolt sheared");
        other.Press("Keep mine over theirs");
        other.AllSaved();
        b.Open($"{job}/hand-over");
        b.Sees("It came back: leans; fitted otherwise than it should be");
        Assert.Equal("spring centre bolt sheared", Found(b));

        b.Open($"{demo.Server.Address}/evidence");
        b.Sees("The shop’s year");
        b.Offline(true);
        b.Press("The shop’s year");
        b.Sees("network");
        b.Offline(false);
        b.Sees("Right at the first try");
    }

    private void ComesBack(Driving.Browser b, string plate, string why)
    {
        b.SignIn(demo.Server.Address, "brenna");
        b.Open($"{demo.Server.Address}/take-in");
        b.Type("Plate", plate);
        b.Press("Go on with its record");
        b.Choose("Comes back for", why);
        b.Choose("Lifted with", "two-post lift");
    }

    private static void Unfold(Driving.Browser b) =>
        b.Until(
                d =>
                    d.FindElement(
                        By.XPath("//summary[starts-with(normalize-space(), 'It came back')]")
                    ),
                "what it came back for"
            )
            .Click();

    private static string? Found(Driving.Browser b) =>
        b.Field("What was found").GetAttribute("value");
}
