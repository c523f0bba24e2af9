using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>What an owner settles once for the shop, and where it counts.</summary>
public sealed class ShopSettingsTests : IAsyncLifetime
{
    private readonly Hosted _server = new();
    private Caller _brenna = null!;

    public async ValueTask InitializeAsync() => _brenna = await _server.SignIn();

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private static object Settings(
        string unit = "mm",
        int denominator = 1,
        object? hourRate = null,
        object?[]? bays = null,
        string? tolerance = null
    ) =>
        new
        {
            lengthUnit = unit,
            denominator,
            datum = "floor",
            tolerance = tolerance is null
                ? null
                : new
                {
                    typed = tolerance,
                    unit = "mm",
                    known = "told",
                },
            hourRate,
            bays = bays ?? ["pit", "two-post 1"],
            dates = "sv-SE",
        };

    private async Task<uint> Version() =>
        (await _brenna.Get("/api/shop"))["version"]!.GetValue<uint>();

    [Fact]
    public async Task What_is_settled_is_told_to_everybody_and_who_comes_reads_lengths_so()
    {
        var usual = (await _brenna.Get("/api/me"))["settings"]!;
        Assert.Equal(
            ("in", 16, "hub", "en-GB"),
            (
                usual["lengthUnit"]!.GetValue<string>(),
                usual["denominator"]!.GetValue<int>(),
                usual["datum"]!.GetValue<string>(),
                usual["dates"]!.GetValue<string>()
            )
        );
        await _brenna.Put(
            "/api/shop",
            new
            {
                version = await Version(),
                name = "Skarn Vale and Sons",
                settings = Settings(hourRate: 84, tolerance: "5"),
            }
        );
        var odd = await _server.SignIn("odd");
        var me = await odd.Get("/api/me");
        Assert.Equal("Skarn Vale and Sons", me["shop"]!.GetValue<string>());
        Assert.Equal(
            """{"lengthUnit":"mm","denominator":1,"datum":"floor","tolerance":{"value":5,"unit":"mm","u":null,"known":"told","typed":"5"},"hourRate":84,"bays":["pit","two-post 1"],"hours":{"opens":480,"pauseFrom":720,"pauseTo":750,"closes":1020,"days":["monday","tuesday","wednesday","thursday","friday"]},"timeZone":null,"dates":"sv-SE"}""",
            me["settings"]!.ToJsonString()
        );
        // Whoever was there keeps the own unit; whoever comes has the shop's.
        Assert.Equal("in", me["lengthUnit"]!.GetValue<string>());
        var token = (await _brenna.Post("/api/people/links", new { role = "fitter" }))[
            "token"
        ]!.GetValue<string>();
        var comes = new Caller(_server.CreateClient());
        await comes.Post(
            "/api/links/use",
            new
            {
                token,
                name = "Tuva Holm",
                userName = "tuva",
                password = "a long way up",
            }
        );
        Assert.Equal("mm", (await comes.Get("/api/me"))["lengthUnit"]!.GetValue<string>());
    }

    [Fact]
    public async Task What_cannot_be_is_refused_at_its_field_and_nothing_is_changed()
    {
        var before = (await _brenna.Get("/api/shop"))["settings"]!.ToJsonString();
        foreach (
            var (settings, field) in new[]
            {
                (Settings(unit: "kg"), "lengthUnit"),
                (Settings(denominator: 3), "denominator"),
                (Settings(hourRate: -1), "hourRate"),
                (Settings(bays: ["pit", "Pit"]), "bays"),
                (Settings(tolerance: "much"), "tolerance"),
            }
        )
        {
            var refused = await _brenna.Put(
                "/api/shop",
                new
                {
                    version = await Version(),
                    name = "Elsewhere",
                    settings,
                },
                422
            );
            Assert.Equal(field, refused["field"]!.GetValue<string>());
        }
        await _brenna.Put(
            "/api/shop",
            new
            {
                version = await Version(),
                name = " ",
                settings = Settings(),
            },
            422
        );
        // Nulls where something must be are no fault of the server.
        foreach (
            var body in new JsonObject[]
            {
                new() { ["version"] = 1, ["name"] = "x" },
                new()
                {
                    ["version"] = 1,
                    ["name"] = "x",
                    ["settings"] = null,
                },
            }
        )
        {
            var (status, _) = await _brenna.Try(HttpMethod.Put, "/api/shop", body);
            Assert.InRange(status, 400, 422);
        }
        Assert.Equal(before, (await _brenna.Get("/api/shop"))["settings"]!.ToJsonString());
        Assert.NotEqual("Elsewhere", (await _brenna.Get("/api/me"))["shop"]!.GetValue<string>());
    }

    [Fact]
    public async Task Of_two_that_settle_at_once_the_second_is_told()
    {
        var seen = await Version();
        await _brenna.Put(
            "/api/shop",
            new
            {
                version = seen,
                name = "First",
                settings = Settings(),
            }
        );
        var refused = await _brenna.Put(
            "/api/shop",
            new
            {
                version = seen,
                name = "Second",
                settings = Settings(),
            },
            409
        );
        Assert.Contains(
            "Somebody settled this differently",
            refused["detail"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        Assert.Equal("First", (await _brenna.Get("/api/me"))["shop"]!.GetValue<string>());
    }

    [Fact]
    public async Task Every_question_and_every_limit_is_told_with_the_shops_own()
    {
        var fits = await _brenna.Get("/api/fitting/ways");
        var question = fits["questions"]!.AsArray().First(q => q!["ways"]!.AsArray().Count > 1)!;
        var (school, usual, other) = (
            question["school"]!.GetValue<string>(),
            question["ways"]![0]!["choice"]!.GetValue<string>(),
            question["ways"]![1]!["choice"]!.GetValue<string>()
        );
        Assert.Equal(usual, question["choice"]!.GetValue<string>());
        await _brenna.Shop(
            "setShopWays",
            new
            {
                id = Guid.CreateVersion7(),
                version = (uint?)null,
                ways = new[]
                {
                    new
                    {
                        school,
                        choice = other,
                        why = (string?)null,
                    },
                },
                torqueBand = (double?)null,
            }
        );
        await _brenna.Shop(
            "keepLimit",
            new
            {
                id = Guid.CreateVersion7(),
                of = "caster",
                most = new
                {
                    typed = "0.7",
                    unit = "°",
                    known = "told",
                },
            }
        );
        fits = await _brenna.Get("/api/fitting/ways");
        Assert.Equal(
            other,
            fits["questions"]!.AsArray().Single(q => q!["school"]!.GetValue<string>() == school)![
                "choice"
            ]!.GetValue<string>()
        );
        Assert.Equal(
            ("caster", 0.7),
            Assert.Single(
                fits["limits"]!
                    .AsArray()
                    .Where(l => l!["own"] is not null)
                    .Select(l =>
                        (l!["rule"]!["kind"]!.GetValue<string>(), l["own"]!.GetValue<double>())
                    )
            )
        );
    }
}
