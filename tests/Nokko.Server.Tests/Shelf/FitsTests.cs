using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>For which vehicles parts are, over the wire and in the database.</summary>
public class FitsTests(Hosted server) : IClassFixture<Hosted>
{
    [Fact]
    public async Task Values_that_two_people_add_to_one_list_at_once_are_both_on_it()
    {
        var (brenna, odd) = (await server.SignIn(), await server.SignIn("odd"));
        var platform = Guid.CreateVersion7();
        await brenna.Shop("savePlatform", new { id = platform, name = "Wether, short" });
        await Task.WhenAll(
            Enumerable
                .Range(1, 8)
                .Select(n =>
                    (n % 2 == 0 ? brenna : odd).Shop(
                        "addVariant",
                        new
                        {
                            platformId = platform,
                            aspect = "engine",
                            value = $"engine {n}",
                        }
                    )
                )
        );
        await odd.Shop(
            "dropVariant",
            new
            {
                platformId = platform,
                aspect = "engine",
                value = "ENGINE 3",
            }
        );
        var lists = (await brenna.Get("/api/platforms"))
            .AsArray()
            .Single(p => p!["id"]!.GetValue<Guid>() == platform)!["variants"]!.AsArray();
        Assert.Equal(
            new[] { 1, 2, 4, 5, 6, 7, 8 }.Select(n => $"engine {n}"),
            lists.Single()!["values"]!.AsArray().Select(v => v!.GetValue<string>()).Order()
        );
    }
}
