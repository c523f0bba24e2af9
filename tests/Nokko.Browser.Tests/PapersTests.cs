using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>The hand-over: the drive, what is told and signed, papers as PDF read back by another program, and what comes back.</summary>
[Trait("Trial", "long")]
public sealed class PapersTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Fact]
    public void It_is_driven_told_signed_written_as_pdf_and_read_by_its_owner()
    {
        using var b = new Driving.Browser();
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("SV 204 R", "hand-over");
        Drive(b);
        Sign(b);
        PrintoutComesBack(b);
        var record = SavedPdf.Of(b, "Letter", "record-*.pdf");
        Assert.Equal((612, 792), (record.Width, record.Height));
        Assert.Contains("Left front 20 1/2 in ± 3/16 in", record.First, StringComparison.Ordinal);
        Assert.Contains("Sits as wanted", record.First, StringComparison.Ordinal);
        Assert.Contains("Wren Łączny", record.First + record.Second, StringComparison.Ordinal);
        Assert.Contains(
            "Vibrates not tried a little: from 55 there",
            record.First,
            StringComparison.Ordinal
        );
        Assert.Contains("measure it before a garage", record.First, StringComparison.Ordinal);
        Assert.Contains("Record, page 1 of 2", record.First, StringComparison.Ordinal);
        Assert.Contains("101 lb·ft · 137 N·m", record.Second, StringComparison.Ordinal);
        Assert.DoesNotContain("Torques", record.First, StringComparison.Ordinal);
        b.Press("Alignment sheet");
        b.Sees("Before it is set");
        Assert.Contains("Camber, left front", b.Text, StringComparison.Ordinal);
        var sheet = SavedPdf.Of(b, "A4", "alignment-*.pdf");
        Assert.Equal((595, 842), (sheet.Width, sheet.Height));
        Assert.Contains("Camber, left front", sheet.First, StringComparison.Ordinal);
        Assert.Contains("−0.6 ±", sheet.First, StringComparison.Ordinal);
        ItsOwnerReadsIt(b);
        ALetterThatIsNotThere(b);
    }

    /// <summary>A box in the place of a letter would stand on the owner's paper for good.</summary>
    private void ALetterThatIsNotThere(Driving.Browser b)
    {
        b.Open(_server.Address);
        b.OpenCopy("SV 204 R", "take-in");
        b.Press("Correct what was taken in");
        b.Type("Owner", "Wren 李");
        b.Pick("is really called Wren 李");
        b.Press("Keep the correction");
        b.Sees("Wren 李");
        b.AllSaved();
        b.Press("Hand over");
        b.Press("Save as PDF");
        b.Sees("The PDF has no letter for 李. Print it instead");
    }

    private static void Drive(Driving.Browser b)
    {
        b.Press("Vibrates: a little");
        b.Type("What, where, how fast: Vibrates", "from 55");
        b.Press("The rest is fine");
        b.Press("Note the drive");
        b.Sees("▲ there; not tried before the work. First at what was opened: LF wheel to hub");
        b.Sees("2 open lines. Close under Fit");
        b.AllSaved();
        b.Driver.Navigate().Refresh();
        b.Sees("▲ there; not tried before the work");
    }

    private static void Sign(Driving.Browser b)
    {
        b.Press("Sign it");
        b.Press("Signed");
        b.Sees("Nothing was drawn: sign in the field.");
        b.Choose("Signs as", "drives it away");
        b.Type("Name", "Wren Łączny");
        Pen.Signs(b);
        b.Press("Signed");
        b.Sees("Wren Łączny, drives it away, signed");
        Axe.Check(b, "hand over, signed");
        b.AllSaved();
    }

    private static void PrintoutComesBack(Driving.Browser b)
    {
        b.Type("Camber, left front, as it came", "-85");
        b.Type("Camber, left front, as it left", "-0.6");
        b.Press("Store what it says");
        // The possible one is stored, the other one asks, with its text in it.
        b.Until(
            d => b.Field("Camber, left front, as it left").GetAttribute("value") == "",
            "the angle is stored"
        );
        Assert.Equal("-85", b.Field("Camber, left front, as it came").GetAttribute("value"));
        b.Until(
            d =>
                d.FindElements(
                    By.XPath("//table[@aria-label='Angles of the printout']//*[@role='alert']")
                ).Count == 1,
            "why it was not stored, where it stands"
        );
        b.Type("Camber, left front, as it came", "");
        b.AllSaved();
    }

    private static void ItsOwnerReadsIt(Driving.Browser b)
    {
        b.Type("Holds, days", "0");
        b.Press("Make a link");
        b.Sees("From 1 to 730 days.");
        b.Type("Holds, days", "30");
        b.Press("Make a link");
        var link = b.Until(d => b.Field("Link").GetAttribute("value"), "the link")!;
        using var owner = new Driving.Browser(390, 844);
        owner.Open(link);
        owner.Sees("Record, by Skarn Vale Fitting");
        Assert.DoesNotContain("copy of it", owner.Text, StringComparison.Ordinal);
        Assert.Contains("Wren Łączny, drives it away", owner.Text, StringComparison.Ordinal);
        Axe.Check(owner, "the owner's record");
        b.Press(
            b.Until(
                d =>
                    d.FindElements(
                            By.XPath("//button[starts-with(@aria-label, 'Take it back: made')]")
                        )
                        .FirstOrDefault()
                        ?.GetAttribute("aria-label"),
                "the link can be taken back"
            )!
        );
        b.Until(
            d =>
                d.FindElements(
                    By.XPath("//button[starts-with(@aria-label, 'Take it back: made')]")
                ).Count == 0,
            "it was taken back"
        );
        owner.Driver.Navigate().Refresh();
        owner.Sees("This link opens nothing");
        owner.Sees("was taken back, or its time is over");
    }
}
