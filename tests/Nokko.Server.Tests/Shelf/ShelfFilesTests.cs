using System.Text.Json.Nodes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>The shelf as a file: out and in again is the same shelf; what is wrong is said of its line.</summary>
public class ShelfFilesTests(Hosted server) : IClassFixture<Hosted>
{
    /// <summary>Looks at a file and, when asked to, sends what it would change through the door.</summary>
    private static async Task<JsonNode> ReadIn(Caller caller, string text, bool store = false)
    {
        var look = await caller.Post("/api/parts/look", new { text });
        if (store && look["problem"] is null)
        {
            await caller.Shop("readInShelf", new { parts = look["parts"], whole = look["whole"] });
        }
        return look;
    }

    [Theory]
    [InlineData("/api/parts.csv")]
    [InlineData("/api/parts.json")]
    public async Task What_goes_out_comes_in_again_alike(string address)
    {
        var caller = await server.SignIn();
        var text = await caller.Http.GetStringAsync(address, TestContext.Current.CancellationToken);
        var report = await ReadIn(caller, text);
        Assert.Null(report["problem"]);
        Assert.All(report["lines"]!.AsArray(), l => Assert.Null(l!["problem"]));
        Assert.Equal(0, report["new"]!.GetValue<int>());
        // What a table cannot carry (leaves, how each size is known) it does not take away either.
        Assert.Equal(0, report["changed"]!.GetValue<int>());
    }

    [Fact]
    public async Task A_table_that_changes_a_leaf_pack_leaves_its_leaves_alone()
    {
        var caller = await server.SignIn();
        async Task<JsonNode> Pack() =>
            (await caller.Get("/api/parts"))
                .AsArray()
                .Single(p => p!["part"]!["number"]!.GetValue<string>() == "LP-5")!["part"]!;
        var before = await Pack();
        const string csv =
            "number,name,kind,count,price\nLP-5,\"Gorse pack, five leaves\",leafPack,7,99\n";
        Assert.Equal(1, (await ReadIn(caller, csv, store: true))["changed"]!.GetValue<int>());
        var after = await Pack();
        Assert.Equal(
            (7, 99m),
            (after["count"]!.GetValue<int>(), after["price"]!.GetValue<decimal>())
        );
        Assert.Equal(before["leaves"]!.ToJsonString(), after["leaves"]!.ToJsonString());
        Assert.NotEmpty(after["leaves"]!.AsArray());
    }

    [Fact]
    public async Task A_table_carries_platforms_with_their_years_and_leaves_conditions_alone()
    {
        var caller = await server.SignIn();
        await caller.Part(
            Guid.CreateVersion7(),
            new
            {
                version = (uint?)null,
                number = (string?)null,
                name = "Wether plate",
                part = "strutTopSpacer",
                thickness = (object?)null,
                claim = (object?)null,
                count = 2,
                price = (decimal?)null,
                currency = (string?)null,
                notes = (string?)null,
                supplier = "Brae Springs",
                dueOn = "2027-04-30",
                fit = new
                {
                    anyPlatform = false,
                    platforms = new object[]
                    {
                        new
                        {
                            name = "Wether",
                            from = 2010,
                            to = 2014,
                        },
                        new { name = "Wether, long" },
                        new { name = "Tup", to = 1999 },
                    },
                    notPlatforms = new[] { "Gimmer" },
                    rules = new object[] { new { kind = "atMost", count = 2 } },
                },
            }
        );
        var text = await caller.Http.GetStringAsync(
            "/api/parts.csv",
            TestContext.Current.CancellationToken
        );
        var line = text.Split('\n')
            .Single(l => l.Contains("Wether plate", StringComparison.Ordinal));
        Assert.Contains(
            "Wether [2010-2014]; Wether, long; Tup [-1999]",
            line,
            StringComparison.Ordinal
        );
        Assert.Contains("Brae Springs,2027-04-30", line, StringComparison.Ordinal);
        await ReadIn(
            caller,
            "name;kind;count;fits;due_on\nWether plate;strutTopSpacer;5;Wether [2012-];\n".Replace(
                "Wether [2012-]",
                "\"Wether [2012-]; Ewe\"",
                StringComparison.Ordinal
            ),
            store: true
        );
        var part = (await caller.Get("/api/parts"))
            .AsArray()
            .Single(p => p!["part"]!["name"]!.GetValue<string>() == "Wether plate")!["part"]!;
        Assert.Equal(
            "Wether 2012 , Ewe  ",
            string.Join(
                ", ",
                part["fit"]!["platforms"]!
                    .AsArray()
                    .Select(p => $"{p!["name"]} {p["from"]} {p["to"]}")
            )
        );
        Assert.Equal(2, part["fit"]!["rules"]![0]!["count"]!.GetValue<int>());
        Assert.Equal(
            ("Brae Springs", 5, ""),
            (
                part["supplier"]!.GetValue<string>(),
                part["count"]!.GetValue<int>(),
                part["number"]!.GetValue<string>()
            )
        );
        var wrong = await ReadIn(
            caller,
            "name,kind,count,fits,due_on\na,block,1,Ewe [2014-2010],\nb,block,1,,30.4.2027\n"
        );
        Assert.Equal(
            [
                "fit: Ewe: it ends in 2010, before it begins in 2014.",
                "due_on: Write the day as 2027-04-30.",
            ],
            wrong["lines"]!.AsArray().Select(l => l!["problem"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task A_table_is_looked_at_first_and_stored_on_demand()
    {
        var caller = await server.SignIn();
        const string csv = """
            number;name;kind;thickness;sizes;count;price;currency
            Q-1;Fern ring;coilSpacer;19 mm;faceLean 4 °;4;12.5;eur
            Q-2;Fern coil;coil;;rate 38 N/mm; freeLength 430 mm;2;;
            Q-3;Fern plate;plate;1 in;;2;;
            Q-4;Fern block;block;25.4;;2;;
            Q-1;Fern ring;coilSpacer;20 mm;;4;;
            """;
        // A semicolon divides sizes too: such a cell is quoted.
        var quoted = csv.Replace(
            "rate 38 N/mm; freeLength 430 mm",
            "\"rate 38 N/mm; freeLength 430 mm\"",
            StringComparison.Ordinal
        );
        var report = await ReadIn(caller, quoted);
        string?[] problems =
        [
            .. report["lines"]!.AsArray().Select(l => l!["problem"]?.GetValue<string>()),
        ];
        Assert.Equal((2, 0), (report["new"]!.GetValue<int>(), report["changed"]!.GetValue<int>()));
        Assert.Null(problems[0]);
        Assert.Null(problems[1]);
        Assert.Contains("“plate” is none of", problems[2], StringComparison.Ordinal);
        Assert.Contains("has no unit", problems[3], StringComparison.Ordinal);
        Assert.Contains("twice", problems[4], StringComparison.Ordinal);
        Assert.DoesNotContain("Q-1", (await caller.Get("/api/parts")).ToJsonString());

        Assert.Equal(2, (await ReadIn(caller, quoted, store: true))["new"]!.GetValue<int>());
        var coil = (await caller.Get("/api/parts"))
            .AsArray()
            .Single(p => p!["part"]!["number"]!.GetValue<string>() == "Q-2")!["part"]!;
        Assert.Equal(38, coil["dimensions"]!["rate"]!["value"]!.GetValue<double>());
        Assert.Equal(430, coil["dimensions"]!["freeLength"]!["value"]!.GetValue<double>());
        // The same file again changes nothing.
        var again = await ReadIn(caller, quoted, store: true);
        Assert.Equal((0, 0), (again["new"]!.GetValue<int>(), again["changed"]!.GetValue<int>()));
    }

    [Theory]
    [InlineData("{\"format\":\"nokko.job\",\"version\":1,\"parts\":[]}", "its format")]
    [InlineData("{\"format\":\"nokko.shelf\",\"version\":9,\"parts\":[]}", "version 1")]
    [InlineData("{\"parts\":", "not a shelf as JSON")]
    [InlineData("number,name\n1,2", "“kind” is missing")]
    [InlineData("number,name,kind,count,colour\n", "no column “colour”")]
    [InlineData("number,name,kind,count\n\"open,2,block,1", "not CSV")]
    [InlineData("", "“name” is missing")]
    public async Task A_file_that_is_no_shelf_is_refused_whole(string text, string says)
    {
        var report = await ReadIn(await server.SignIn(), text, store: true);
        Assert.Contains(says, report["problem"]!.GetValue<string>(), StringComparison.Ordinal);
        Assert.Empty(report["lines"]!.AsArray());
    }

    [Theory]
    [InlineData("[null]")]
    [InlineData(
        "[{\"id\":\"01a21902-e834-7a36-9e48-79c9fc959e58\",\"number\":\"N\",\"name\":\"n\",\"kind\":\"block\",\"count\":1,\"leaves\":[null]}]"
    )]
    [InlineData(
        "[{\"id\":\"01a21902-e834-7a36-9e48-79c9fc959e58\",\"number\":\"N\",\"name\":\"n\",\"kind\":\"block\",\"count\":1,\"dimensions\":{\"taper\":null}}]"
    )]
    [InlineData(
        "[{\"id\":\"01a21902-e834-7a36-9e48-79c9fc959e58\",\"number\":\"N\",\"name\":\"n\",\"kind\":\"block\",\"count\":1,\"thickness\":{\"value\":1e999,\"unit\":\"mm\",\"known\":\"told\"}}]"
    )]
    public async Task A_hostile_list_of_parts_is_refused_in_a_file_and_at_the_door(string parts)
    {
        var caller = await server.SignIn();
        var look = await ReadIn(
            caller,
            $$"""{"format":"nokko.shelf","version":1,"parts":{{parts}}}"""
        );
        Assert.True(
            look["problem"] is not null
                || look["lines"]!.AsArray().All(l => l!["problem"] is not null),
            look.ToJsonString()
        );
        using var content = new StringContent(
            $$"""[{"kind":"readInShelf","commandId":"{{Guid.NewGuid()}}","parts":{{parts}},"whole":true}]""",
            System.Text.Encoding.UTF8,
            "application/json"
        );
        var answer = await caller.Http.PostAsync(
            new Uri("/api/commands", UriKind.Relative),
            content,
            TestContext.Current.CancellationToken
        );
        Assert.Equal(System.Net.HttpStatusCode.OK, answer.StatusCode);
        Assert.Contains(
            "\"refused\"",
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_cell_that_a_spreadsheet_would_run_goes_out_harmless_and_comes_back_itself()
    {
        var caller = await server.SignIn();
        const string csv = "number,name,kind,count,notes\nX-1,=2+3,block,1,'-cmd\n";
        Assert.Equal(1, (await ReadIn(caller, csv, store: true))["new"]!.GetValue<int>());
        var text = await caller.Http.GetStringAsync(
            "/api/parts.csv",
            TestContext.Current.CancellationToken
        );
        Assert.Contains("'=2+3", text, StringComparison.Ordinal);
        var report = await ReadIn(caller, text);
        Assert.Equal(0, report["new"]!.GetValue<int>());
        Assert.Contains(
            report["lines"]!.AsArray(),
            l => l!["shows"]!.GetValue<string>().Contains("X-1 =2+3", StringComparison.Ordinal)
        );
    }

    [Fact]
    public async Task A_part_that_is_taken_off_leaves_plans_alone_and_can_be_put_back()
    {
        var caller = await server.SignIn();
        var job = new TestJob(caller);
        await job.TakeIn();
        await job.PlaceInFront("T-125");
        var id = (await caller.Get("/api/parts"))
            .AsArray()
            .First(p => p!["part"]!["number"]!.GetValue<string>() == "T-125")!["part"]![
            "id"
        ]!.GetValue<string>();
        await caller.Shop("binPart", new { id });
        Assert.DoesNotContain(id, (await caller.Get("/api/parts")).ToJsonString());
        Assert.Contains(id, (await caller.Get("/api/parts/bin")).ToJsonString());
        Assert.Contains(
            "Alder plate 1 1/4",
            (await caller.Get(job.Path))["document"]!["plans"]!.ToJsonString()
        );
        await caller.Shop("putPartBack", new { id });
        Assert.Contains(id, (await caller.Get("/api/parts")).ToJsonString());
        await caller.Post($"/api/parts/{Guid.NewGuid()}/put-back", new { }, 404);
    }
}
