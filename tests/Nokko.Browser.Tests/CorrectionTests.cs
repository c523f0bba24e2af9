using Nokko.Driving;
using Xunit;

namespace Nokko.Browser.Tests;

/// <summary>What was written down at the take-in, put right: whose it is, what it is, what was fitted.</summary>
[Trait("Trial", "long")]
public sealed class CorrectionTests(DemoServer demo)
{
    private readonly HostedServer _server = demo.Server;

    [Fact]
    public void Owner_platform_sort_and_what_was_fitted_are_put_right_with_the_plans_that_stand_on_it()
    {
        using var b = new Driving.Browser(1280, 1400);
        b.SignIn(_server.Address, "brenna");
        b.OpenCopy("LG 5 K", "take-in");
        b.Press("Correct what was taken in");
        b.Type("Owner", "Vik & daughter");
        // Another name may be a slip or another owner: nobody is renamed by the way.
        b.Press("Keep the correction");
        b.Sees("Is the name put right, or is it another owner's vehicle?");
        Axe.Check(b, "take-in corrected");
        b.Pick("It belongs to Vik & daughter");
        b.Pick("SUV or wagon");
        b.Choose("Platform", "A new one …");
        b.Type("Name of the new platform", "Lantern Grange, long");
        b.Press("Something is fitted already");
        b.Press("Keep the correction");
        b.Sees("What is fitted there?");
        b.Type("What is there", "rust ring");
        b.Type("Thickness, taped", "1/2");
        b.Press("Keep the correction");
        b.Sees("LF: rust ring, 1/2 in thick");
        b.Sees("Lantern Grange, long");
        b.Sees("Vik & daughter");
        b.Press("Plan");
        b.Sees("rust ring");
    }
}
