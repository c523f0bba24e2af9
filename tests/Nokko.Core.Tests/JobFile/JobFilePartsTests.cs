using System.Text.Json.Nodes;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.JobFile;

/// <summary>Suspensions, parts, leaves and loads of a job file: what cannot be is refused where it stands.</summary>
public class JobFilePartsTests
{
    private static JsonObject File() =>
        JsonNode
            .Parse(
                System.IO.File.ReadAllText(
                    Path.Combine(AppContext.BaseDirectory, "formats", "level-pickup.job.json")
                )
            )!
            .AsObject();

    private static JsonObject Quantity(double value, string unit) =>
        new()
        {
            ["value"] = value,
            ["unit"] = unit,
            ["u"] = null,
            ["known"] = "measured",
            ["typed"] = null,
        };

    private static JsonObject Leaf(double front = 600, double width = 60, int count = 1) =>
        new()
        {
            ["count"] = count,
            ["frontMm"] = front,
            ["rearMm"] = 640,
            ["widthMm"] = width,
            ["thicknessMm"] = 8,
            ["archMm"] = 120,
            ["overload"] = false,
        };

    private static JsonNode Part(JsonObject file) =>
        file["plans"]![0]!["stacks"]![0]!["parts"]![0]!;

    [Theory]
    [InlineData("levelSensorLink", -12.5, true)]
    [InlineData("strutTopSpacer", -12.5, false)]
    [InlineData("strutTopSpacer", 0, false)]
    public void Only_a_link_may_be_shorter_than_the_old_one(string kind, double mm, bool can)
    {
        var file = File();
        var part = Part(file);
        part["kind"] = kind;
        part["thickness"] = Quantity(mm, "mm");
        Assert.Equal(
            can ? null : "$.plans[0].stacks[0].parts[0].thickness.value",
            JobFileReader.Read(file.ToJsonString()).Error?.Path
        );
    }

    private static string? PathOf(Action<JsonObject> change)
    {
        var file = File();
        change(file);
        return JobFileReader.Read(file.ToJsonString()).Error?.Path;
    }

    [Theory]
    [InlineData(0.2, true)]
    [InlineData(0.001, true)]
    [InlineData(0.201, false)]
    [InlineData(0, false)]
    [InlineData(-0.1, false)]
    public void A_torque_lies_within_twenty_in_a_hundred_of_its_spec(double band, bool can) =>
        Assert.Equal(can ? null : "$.job.torqueBand", PathOf(f => f["job"]!["torqueBand"] = band));

    [Theory]
    [InlineData(0.1, true)]
    [InlineData(30_000, true)]
    [InlineData(30_001, false)]
    [InlineData(0, false)]
    [InlineData(-1, false)]
    public void A_height_is_above_zero_and_on_a_vehicle(double mm, bool can)
    {
        var at = File()["readings"]!
            .AsArray()
            .TakeWhile(r => r!["kind"]!.GetValue<string>() != "height")
            .Count();
        Assert.Equal(
            can ? null : $"$.readings[{at}].value.value",
            PathOf(f => f["readings"]![at]!["value"] = Quantity(mm, "mm"))
        );
    }

    [Fact]
    public void A_size_that_no_suspension_and_no_part_has_is_named_wherever_it_stands()
    {
        Assert.Equal(
            "$.stages[0].rear.dimensions.waist",
            PathOf(f =>
                f["stages"]![0]!["rear"]!["dimensions"] = new JsonObject
                {
                    ["waist"] = Quantity(1, "mm"),
                }
            )
        );
        Assert.Equal(
            "$.plans[0].stacks[0].parts[0].dimensions.waist",
            PathOf(f => Part(f)["dimensions"] = new JsonObject { ["waist"] = Quantity(1, "mm") })
        );
    }

    private static JsonObject Piece(JsonObject file, int count = 2, int? found = 1) =>
        new()
        {
            ["name"] = "plate",
            ["count"] = count,
            ["found"] = found,
            ["end"] = "open",
            ["why"] = null,
            ["stacks"] = new JsonArray(
                new JsonObject
                {
                    ["corner"] = "LF",
                    ["parts"] = new JsonArray(Part(file).DeepClone()),
                }
            ),
        };

    private static string? KitPath(Func<JsonObject, JsonObject> piece) =>
        PathOf(f =>
            f["kits"] = new JsonArray(
                new JsonObject
                {
                    ["id"] = Sample.Id(9100).ToString(),
                    ["planId"] = f["plans"]![0]!["id"]!.DeepClone(),
                    ["partId"] = null,
                    ["number"] = null,
                    ["name"] = "Alder kit",
                    ["claim"] = null,
                    ["frontClaim"] = null,
                    ["rearClaim"] = null,
                    ["price"] = null,
                    ["currency"] = null,
                    ["hours"] = null,
                    ["pieces"] = new JsonArray(piece(f)),
                }
            )
        );

    private static JsonObject Conversion(string axle = "rear") =>
        new()
        {
            ["axle"] = axle,
            ["to"] = new JsonObject
            {
                ["kind"] = "coilFourLink",
                ["sheet"] = "Alder sheet 12",
                ["dimensions"] = new JsonObject { ["springLength"] = Quantity(380, "mm") },
                ["shacklePivot"] = null,
                ["points"] = new JsonArray(),
            },
            ["setUpAt"] = Quantity(600, "mm"),
            ["from"] = "hub",
        };

    private static string? ConversionPath(params JsonObject[] conversions) =>
        PathOf(f =>
            f["plans"]![0]!["conversions"] = new JsonArray([.. conversions.Cast<JsonNode>()])
        );

    private static JsonObject But(Action<JsonObject> change)
    {
        var conversion = Conversion();
        change(conversion);
        return conversion;
    }

    [Fact]
    public void An_axle_gets_one_other_suspension_whose_sizes_can_be()
    {
        const string at = "$.plans[0].conversions";
        Assert.Null(ConversionPath(Conversion(), Conversion("front")));
        Assert.Equal($"{at}[1].axle", ConversionPath(Conversion(), Conversion()));
        Assert.Equal($"{at}[0].from", ConversionPath(But(c => c["from"] = "frame")));
        Assert.Equal(
            $"{at}[0].to.dimensions.waist",
            ConversionPath(But(c => c["to"]!["dimensions"]!["waist"] = Quantity(1, "mm")))
        );
        Assert.Equal(
            $"{at}[0].setUpAt.value",
            ConversionPath(But(c => c["setUpAt"] = Quantity(0, "mm")))
        );
        Assert.Equal(
            $"{at}[0].to.track.value",
            ConversionPath(But(c => c["to"]!["track"] = Quantity(17, "mm")))
        );
        Assert.Equal(
            $"{at}[0].to.dimensions.springLength.value",
            ConversionPath(But(c => c["to"]!["dimensions"]!["springLength"] = Quantity(-1, "mm")))
        );
    }

    [Fact]
    public void Pieces_of_a_kit_are_counted_and_stand_where_something_of_them_stands()
    {
        const string at = "$.kits[0].pieces[0]";
        Assert.Null(KitPath(f => Piece(f, 1, 0)));
        Assert.Null(KitPath(f => Piece(f, 1, null)));
        Assert.Equal($"{at}.count", KitPath(f => Piece(f, 0)));
        Assert.Equal($"{at}.count", KitPath(f => Piece(f, 1, -1)));
        Assert.Equal(
            $"{at}.stacks",
            KitPath(f =>
            {
                var piece = Piece(f);
                piece["stacks"]![0]!["parts"] = new JsonArray();
                return piece;
            })
        );
        Assert.Equal(
            $"{at}.stacks[0].parts[0].dimensions.waist",
            KitPath(f =>
            {
                var piece = Piece(f);
                piece["stacks"]![0]!["parts"]![0]!["dimensions"] = new JsonObject
                {
                    ["waist"] = Quantity(1, "mm"),
                };
                return piece;
            })
        );
    }

    [Fact]
    public void A_corner_and_a_piece_stand_in_a_plan_once()
    {
        var corner = File();
        var stacks = corner["plans"]![0]!["stacks"]!.AsArray();
        var again = stacks[0]!.DeepClone();
        again["parts"]![0]!["id"] = Sample.Id(9001).ToString();
        stacks.Add(again);
        Assert.Equal(
            $"$.plans[0].stacks[{stacks.Count - 1}].corner",
            JobFileReader.Read(corner.ToJsonString()).Error!.Path
        );
        var piece = File();
        var parts = piece["plans"]![0]!["stacks"]![0]!["parts"]!.AsArray();
        parts.Add(parts[0]!.DeepClone());
        Assert.Equal(
            $"$.plans[0].stacks[0].parts[{parts.Count - 1}].id",
            JobFileReader.Read(piece.ToJsonString()).Error!.Path
        );
    }

    private const string PartPath = "$.plans[0].stacks[0].parts[0]";

    [Theory]
    [InlineData("hoseSlack", 5_000, "mm", "$.stages[0].front.dimensions.hoseSlack.value")]
    [InlineData("hoseSlack", 50, "kg", "$.stages[0].front.dimensions.hoseSlack.unit")]
    [InlineData("springLean", 89, "°", "$.stages[0].front.dimensions.springLean.value")]
    [InlineData("colour", 1, "mm", "$.stages[0].front.dimensions.colour")]
    public void A_size_of_a_suspension_that_cannot_be_is_refused(
        string name,
        double value,
        string unit,
        string path
    )
    {
        var file = File();
        file["stages"]![0]!["front"]!["dimensions"]![name] = Quantity(value, unit);
        Assert.Equal(path, JobFileReader.Read(file.ToJsonString()).Error!.Path);
    }

    [Theory]
    [InlineData("rate", 0, "N/mm", ".dimensions.rate.value")]
    [InlineData("rate", 30, "mm", ".dimensions.rate.unit")]
    [InlineData("taper", 40, "°", ".dimensions.taper.value")]
    [InlineData("shine", 4, "mm", ".dimensions.shine")]
    public void A_size_of_a_part_that_cannot_be_is_refused(
        string name,
        double value,
        string unit,
        string path
    )
    {
        var file = File();
        Part(file)["dimensions"]![name] = Quantity(value, unit);
        Assert.Equal(PartPath + path, JobFileReader.Read(file.ToJsonString()).Error!.Path);
    }

    [Theory]
    [InlineData(5, 60, 1)]
    [InlineData(600, 0, 1)]
    [InlineData(600, 60, 0)]
    [InlineData(600, 60, 900)]
    public void Leaves_that_make_no_pack_are_refused(double front, double width, int count)
    {
        var file = File();
        Part(file)["leaves"] = new JsonArray(Leaf(front, width, count));
        var error = JobFileReader.Read(file.ToJsonString()).Error!;
        Assert.Equal($"{PartPath}.leaves", error.Path);
        Assert.Contains("leaf", error.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void Loads_sizes_and_leaves_come_back_as_they_were()
    {
        var file = File();
        file["stages"]![0]!["front"]!["dimensions"] = new JsonObject
        {
            ["springRate"] = Quantity(540, "lb/in"),
            ["armLength"] = Quantity(15.4, "in"),
        };
        var part = Part(file);
        part["dimensions"] = new JsonObject { ["recess"] = Quantity(18, "mm") };
        part["leaves"] = new JsonArray(Leaf());
        part["price"] = 35.5;
        part["currency"] = "EUR";
        part["hours"] = Quantity(1.5, "h");
        part["limits"] = "not with the tow pack";
        file["job"]!["loads"] = new JsonArray(
            new JsonObject
            {
                ["id"] = Sample.Id(900).ToString(),
                ["name"] = "boat",
                ["mass"] = Quantity(220, "lb"),
                ["behind"] = Quantity(170, "in"),
                ["left"] = null,
                ["stays"] = false,
            }
        );
        file["plans"]![0]!["chosen"] = true;
        var read = JobFileReader.Read(file.ToJsonString());
        Assert.Null(read.Error);
        var text = JobJson.Canonical(read.Document!);
        Assert.Equal(text, JobJson.Canonical(JobFileReader.Read(text).Document!));
        // Named sizes stand in the order of their names, whatever order they came in.
        Assert.True(
            text.IndexOf("armLength", StringComparison.Ordinal)
                < text.IndexOf("springRate", StringComparison.Ordinal)
        );
        Assert.Contains("not with the tow pack", text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("mass", "mm")]
    [InlineData("behind", "kg")]
    public void A_load_in_the_wrong_unit_is_refused(string field, string unit)
    {
        var file = File();
        var load = new JsonObject
        {
            ["id"] = Sample.Id(900).ToString(),
            ["name"] = "boat",
            ["mass"] = Quantity(100, "kg"),
            ["behind"] = Quantity(4_000, "mm"),
            ["left"] = null,
            ["stays"] = false,
        };
        load[field] = Quantity(10, unit);
        file["job"]!["loads"] = new JsonArray(load);
        Assert.Equal(
            $"$.job.loads[0].{field}.unit",
            JobFileReader.Read(file.ToJsonString()).Error!.Path
        );
    }
}
