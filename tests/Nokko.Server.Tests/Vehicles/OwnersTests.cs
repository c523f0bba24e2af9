using Xunit;

namespace Nokko.Server.Tests;

/// <summary>Owners who were here before, as their name is typed.</summary>
public class OwnersTests(Hosted server) : IClassFixture<Hosted>
{
    [Theory]
    [InlineData("hollin", true)]
    [InlineData("ORCHARD", true)]
    // What stands for anything in a pattern stands for itself here.
    [InlineData("%%", false)]
    [InlineData("__", false)]
    [InlineData("h", false)]
    [InlineData("\\\\", false)]
    public async Task They_are_found_by_any_part_of_their_name(string typed, bool found)
    {
        var caller = await server.SignIn();
        var owners = (
            await caller.Get($"/api/owners?find={Uri.EscapeDataString(typed)}")
        ).AsArray();
        Assert.Equal(
            found,
            owners.Any(o =>
                o!["name"]!
                    .GetValue<string>()
                    .StartsWith("Hollin Orchard", StringComparison.Ordinal)
            )
        );
        Assert.True(owners.Count <= 8);
    }
}
