using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

public class ShelfTests(Hosted server) : IClassFixture<Hosted>
{
    private static object Typed(string text, string known = "measured", params string[] answers) =>
        new
        {
            typed = text,
            unit = "in",
            known,
            answers,
        };

    private static object Part(
        object? thickness,
        uint? version = null,
        int count = 2,
        string name = "Heath plate"
    ) =>
        new
        {
            version,
            number = "H-7",
            name,
            part = "strutTopSpacer",
            thickness,
            claim = Typed("2 1/2", "box"),
            count,
            price = 41.5m,
            currency = (string?)null,
            notes = (string?)null,
        };

    [Fact]
    public async Task Thickness_and_claim_are_kept_apart_with_how_they_are_known()
    {
        var caller = await server.SignIn();
        var id = Guid.CreateVersion7();
        var kept = (await caller.Part((id), Part(Typed("1 3/16"))))["part"]!;
        Assert.Equal(
            (1.1875, "measured", "1 3/16"),
            (
                kept["thickness"]!["value"]!.GetValue<double>(),
                kept["thickness"]!["known"]!.GetValue<string>(),
                kept["thickness"]!["typed"]!.GetValue<string>()
            )
        );
        Assert.Equal(
            (2.5, "box"),
            (
                kept["claim"]!["value"]!.GetValue<double>(),
                kept["claim"]!["known"]!.GetValue<string>()
            )
        );
    }

    [Fact]
    public async Task A_lost_slash_in_a_thickness_is_asked_about()
    {
        var caller = await server.SignIn();
        var id = Guid.CreateVersion7();
        var asked = await caller.Part(id, Part(Typed("7.8")), expected: 422);
        Assert.Equal(
            ("thickness", "slash"),
            (asked["field"]!.GetValue<string>(), asked["choices"]![0]!["key"]!.GetValue<string>())
        );
        var kept = await caller.Part(id, Part(Typed("7.8", answers: "slash")));
        Assert.Equal(0.875, kept["part"]!["thickness"]!["value"]!.GetValue<double>());
    }

    [Theory]
    [InlineData(-1, "Heath plate", "count")]
    [InlineData(2, " ", "name")]
    public async Task A_part_that_cannot_be_is_refused_at_its_field(
        int count,
        string name,
        string field
    ) =>
        Assert.Equal(
            field,
            (
                await (await server.SignIn()).Part(
                    (Guid.NewGuid()),
                    Part(null, count: count, name: name),
                    expected: 422
                )
            )["field"]!.GetValue<string>()
        );

    [Fact]
    public async Task A_stale_part_is_refused_with_what_is_there_now()
    {
        var caller = await server.SignIn();
        var id = Guid.CreateVersion7();
        var version = (await caller.Part(id, Part(Typed("1"))))["version"]!.GetValue<uint>();
        await caller.Part(id, Part(Typed("1 1/8"), version));
        var stale = await caller.Part(id, Part(Typed("1 1/4"), version), expected: 409);
        Assert.Equal(1.125, stale["theirs"]!["thickness"]!["value"]!.GetValue<double>());
    }

    [Fact]
    public async Task Correcting_the_shelf_never_changes_a_plan_that_holds_a_copy()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.PlaceInFront("T-100");
        var row = (await caller.Get("/api/parts"))
            .AsArray()
            .First(p => p!["part"]!["number"]!.GetValue<string>() == "T-100")!;
        await caller.Part(
            row["part"]!["id"]!,
            new
            {
                version = row["version"]!.GetValue<uint>(),
                number = "T-100",
                name = "Alder plate 1, measured again",
                part = "strutTopSpacer",
                thickness = Typed("1 1/16"),
                claim = (object?)null,
                count = 8,
                price = (decimal?)null,
                currency = (string?)null,
                notes = (string?)null,
            }
        );
        var placed = (await caller.Get(job.Path))["document"]!["plans"]![0]!["stacks"]![0]![
            "parts"
        ]![0]!;
        Assert.Equal(
            ("Alder plate 1", 1.0),
            (placed["name"]!.GetValue<string>(), placed["thickness"]!["value"]!.GetValue<double>())
        );
    }

    [Fact]
    public async Task A_platform_is_added_once()
    {
        var caller = await server.SignIn();
        var first = await caller.Shop(
            "savePlatform",
            new { id = Guid.CreateVersion7(), name = "Maruna Fell" }
        );
        var again = await caller.Shop(
            "savePlatform",
            new { id = Guid.CreateVersion7(), name = " Maruna Fell " }
        );
        Assert.Equal(
            ("stored", "stored"),
            (first["status"]!.GetValue<string>(), again["status"]!.GetValue<string>())
        );
        Assert.Single(
            (await caller.Get("/api/platforms")).AsArray(),
            p => p!["name"]!.GetValue<string>() == "Maruna Fell"
        );
    }

    private static object Of(
        string kind,
        object? thickness = null,
        object? sizes = null,
        object? leaves = null,
        decimal? price = null,
        string? currency = null,
        string? limits = null
    ) =>
        new
        {
            version = (uint?)null,
            number = "K-1",
            name = "a part",
            part = kind,
            thickness,
            claim = (object?)null,
            count = 1,
            price,
            currency,
            notes = (string?)null,
            sizes,
            leaves,
            limits,
        };

    private static object[] Size(string name, string typed, string unit) =>
        [
            new
            {
                name,
                value = new
                {
                    typed,
                    unit,
                    known = "box",
                },
            },
        ];

    private static readonly object Leaf = new
    {
        count = 1,
        frontMm = 600,
        rearMm = 640,
        widthMm = 60,
        thicknessMm = 8,
        archMm = 120,
        overload = false,
    };

    [Fact]
    public async Task A_part_keeps_the_sizes_of_its_kind_its_leaves_price_and_limits()
    {
        var caller = await server.SignIn();
        var kept = (
            await caller.Part(
                (Guid.CreateVersion7()),
                Of(
                    "leafPack",
                    sizes: Size("rate", "210", "lb/in"),
                    leaves: new[] { Leaf },
                    price: 240,
                    currency: "eur",
                    limits: "not with a block"
                )
            )
        )["part"]!;
        Assert.Equal(
            (210.0, "lb/in"),
            (
                kept["dimensions"]!["rate"]!["value"]!.GetValue<double>(),
                kept["dimensions"]!["rate"]!["unit"]!.GetValue<string>()
            )
        );
        Assert.Equal(640, kept["leaves"]![0]!["rearMm"]!.GetValue<double>());
        Assert.Equal(
            ("EUR", 240m),
            (kept["currency"]!.GetValue<string>(), kept["price"]!.GetValue<decimal>())
        );
        Assert.Equal("not with a block", kept["limits"]!.GetValue<string>());
    }

    public static TheoryData<object, string> Refused =>
        new()
        {
            { Of("coil", Typed("1")), "thickness" },
            { Of("coil", sizes: Size("taper", "2", "°")), "sizes" },
            { Of("coil", sizes: Size("rate", "stiff", "N/mm")), "rate" },
            { Of("coil", sizes: Size("rate", "30", "mm")), "rate" },
            { Of("coil", sizes: Size("rate", "30000", "N/mm")), "rate" },
            { Of("block", leaves: new[] { Leaf }), "leaves" },
            {
                Of(
                    "leafPack",
                    leaves: new[]
                    {
                        new
                        {
                            count = 1,
                            frontMm = 5,
                            rearMm = 640,
                            widthMm = 60,
                            thicknessMm = 8,
                            archMm = 120,
                            overload = false,
                        },
                    }
                ),
                "leaves"
            },
            { Of("block", price: -3), "price" },
            { Of("block", currency: "euros"), "currency" },
            { Of("block", limits: new string('x', 2_001)), "limits" },
        };

    [Theory]
    [MemberData(nameof(Refused), DisableDiscoveryEnumeration = true)]
    public async Task What_a_kind_cannot_have_is_refused_at_its_field(object part, string field) =>
        Assert.Equal(
            field,
            (await (await server.SignIn()).Part((Guid.CreateVersion7()), part, expected: 422))[
                "field"
            ]!.GetValue<string>()
        );
}
