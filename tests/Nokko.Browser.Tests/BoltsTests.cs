using Nokko.Driving;
using OpenQA.Selenium;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>Bolts of a body lift: taped place by place, old ones that serve elsewhere are not bought; tools that are missing are.</summary>
[Trait("Trial", "long")]
public sealed class BoltsTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Fact]
    public void What_is_taped_is_bought_as_long_as_it_must_be_and_old_bolts_serve_elsewhere()
    {
        using var b = new Driving.Browser(1280, 1400);
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("LG 5 K", "plan/shopping");
        b.Choose("Plan", "Body lift");
        b.Sees("Bolts by place");
        b.Sees("1 old of LR body mount to frame, front one");
        const string Untaped = "LR body mount to frame, rear one";
        b.Press($"{Untaped} not taped");
        b.Type("Thread", "M12 × 1.75");
        b.Type("Grade", "10.9");
        b.Type("Length now, in", "soon");
        b.Tick("never used again");
        b.Press("Keep it so");
        // What cannot be read is said where it was typed, and nothing of it is lost.
        b.Until(
            _ => b.Field("Length now, in").GetAttribute("aria-invalid") == "true",
            "the slip at its field"
        );
        Assert.Equal("M12 × 1.75", b.Field("Thread").GetAttribute("value"));
        Axe.Check(b, "old bolts");
        b.Type("Length now, in", "2 3/4");
        b.Press("Keep it so");
        // The other side is the same, and both have an old one of the rear mounts in front now.
        b.Until(
            d => d.FindElements(By.XPath("//button[contains(., 'not taped')]")).Count == 0,
            "every place taped"
        );
        b.AllSaved();
        b.Until(
            d =>
                d.FindElement(By.XPath($"//tr[td[contains(., '{Untaped}')]][last()]"))
                    .Text.Contains("1 old of", StringComparison.Ordinal),
            "an old bolt serves there"
        );

        b.Tick("torque wrench");
        b.Sees("Tools that are missing");
        b.Tick("torque wrench");
        b.Until(
            _ => !b.Text.Contains("Tools that are missing", StringComparison.Ordinal),
            "it is there again"
        );
    }

    [Fact]
    public void A_joint_is_found_by_any_of_its_names()
    {
        using var b = new Driving.Browser(1280, 1400);
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("HO 31 T", "fit");
        b.Type("Find a joint, by any of its names", "anti-roll LF");
        b.Until(
            d =>
                d.FindElements(By.XPath("//section[h2[contains(., 'Fasteners')]]//li/button"))
                    is [_, ..] joints
                && joints.All(j => j.Text.Contains("LF sway-bar link", StringComparison.Ordinal)),
            "only the links of that corner"
        );
        b.Type("Find a joint, by any of its names", "sprocket");
        b.Sees("No joint of this card is called that.");
    }
}
