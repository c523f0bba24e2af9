using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Units;
using Xunit;

namespace Nokko.Core.Tests.JobFile;

/// <summary>A file comes from anywhere: whatever stands in any of its places is read or refused, never thrown over.</summary>
public partial class BrokenFileTests
{
    /// <summary>A kept job, with one row of each shape in the lists that nothing else names.</summary>
    private static readonly string Text = Thinned("history", "torqueEntries", "offLines", "steps");

    /// <summary>Keys that name something outside the file, or nothing that must exist.</summary>
    private static readonly string[] Free =
    [
        "$.job.takenInBy",
        "$.job.handedOverBy",
        "$.plans[].stacks[].parts[].partId",
        "$.kits[].partId",
        "$.kits[].pieces[].stacks[].parts[].partId",
        // A piece of the vehicle may be out of the box of an earlier job.
        "$.kits[].pieces[].stacks[].parts[].kitId",
        "$.stages[].stacks[].parts[].partId",
        "$.frozenPredictions[].prediction.walkRoundId",
        "$.frozenPredictions[].prediction.planId",
        // An offer outlives its plan.
        "$.quotes[].offers[].planId",
        "$.plans[].preparedBy",
        // Earlier jobs of the vehicle are not in the file.
        "$.stages[].jobId",
        "$.walkRounds[].jobId",
    ];

    private static readonly string[] Odd = ["null", "\"x\"", "-1", "{}", "[null]"];
    private static readonly string[] OddNumbers = [.. Odd, "1e300"];

    /// <summary>One path for each place of the format: rows of a list are alike.</summary>
    public static TheoryData<string> Places =>
        [
            .. Nodes(JsonNode.Parse(Text)!)
                .Select(n => n.GetPath())
                .GroupBy(Shape)
                .Where(g => g.Key != "$")
                .Select(g => g.First()),
        ];

    [Trait("Cost", "heavy")]
    [Theory]
    [MemberData(nameof(Places))]
    public void Whatever_stands_in_a_place_is_read_or_refused_with_a_path(string path)
    {
        var odd =
            At(JsonNode.Parse(Text)!, path).GetValueKind() == JsonValueKind.Number
                ? OddNumbers
                : Odd;
        // One oddity a place, in turn; with more tries every one of them.
        string[] tried = Sample.More > 1 ? odd : [odd[path.Length % odd.Length]];
        foreach (var value in tried)
        {
            var file = With(path, JsonNode.Parse(value));
            var read = JobFileReader.Read(file);
            if (read.Document is { } d)
            {
                // What is taken is computed, to numbers or reasons, and written back as it was read.
                var results = JsonSerializer.Serialize(JobEvaluator.Evaluate(d), JobJson.Options);
                Assert.DoesNotContain("NaN", results, StringComparison.Ordinal);
                Assert.Null(JobFileReader.Read(JobJson.Canonical(d)).Error);
            }
            else
            {
                Assert.StartsWith("$", read.Error!.Path, StringComparison.Ordinal);
                Assert.EndsWith(".", read.Error.Message, StringComparison.Ordinal);
            }
        }
    }

    public static TheoryData<string> References =>
        [
            .. Nodes(JsonNode.Parse(Text)!)
                .Where(n =>
                    n is JsonValue v
                    && v.TryGetValue<string>(out var text)
                    && Guid.TryParse(text, out _)
                    && !n.GetPath().EndsWith(".id", StringComparison.Ordinal)
                )
                .Select(n => n.GetPath())
                .Where(p => !p.Contains("restsOn", StringComparison.Ordinal))
                .Where(p => !p.StartsWith("$.history", StringComparison.Ordinal))
                .Where(p => !Free.Contains(Shape(p)))
                .GroupBy(Shape)
                .Select(g => g.First()),
        ];

    [Theory]
    [MemberData(nameof(References))]
    public void Whoever_is_named_must_be_in_the_file(string path)
    {
        var read = JobFileReader.Read(
            With(path, JsonValue.Create("00000000-0000-7000-8000-0000000fffff"))
        );
        Assert.Equal(path, read.Error?.Path);
    }

    [Fact]
    public void A_correction_that_corrects_itself_or_in_a_ring_is_refused()
    {
        var root = JsonNode.Parse(Text)!;
        var (a, b) = (root["readings"]![0]!, root["readings"]![1]!);
        a["supersedes"] = b["id"]!.DeepClone();
        a["reason"] = "one";
        b["supersedes"] = a["id"]!.DeepClone();
        b["reason"] = "two";
        Assert.Equal(
            "$.readings[0].supersedes",
            JobFileReader.Read(root.ToJsonString()).Error?.Path
        );
        a["supersedes"] = a["id"]!.DeepClone();
        b["supersedes"] = null;
        Assert.Equal(
            "$.readings[0].supersedes",
            JobFileReader.Read(root.ToJsonString()).Error?.Path
        );
    }

    [Fact]
    public void A_suspension_point_is_a_length()
    {
        var root = JsonNode.Parse(Text)!;
        root["stages"]![0]!["front"]!["points"] = JsonNode.Parse(
            """[{ "name": "strutTop", "y": { "value": 400, "unit": "kg", "known": "measured" }, "z": { "value": 770, "unit": "mm", "known": "measured" } }]"""
        );
        var error = JobFileReader.Read(root.ToJsonString()).Error;
        Assert.StartsWith(
            "$.stages[0].front.points[0].y",
            error?.Path ?? "",
            StringComparison.Ordinal
        );
    }

    private const string Mm22 =
        """{ "value": 22, "unit": "mm", "u": null, "known": "measured", "typed": null }""";

    private const string Mm380 =
        """{ "value": 380, "unit": "mm", "u": null, "known": "measured", "typed": null }""";

    private const string Track =
        """{ "value": 1700, "unit": "mm", "u": null, "known": "measured", "typed": null }""";

    private static string Thinned(params string[] lists)
    {
        var root = JsonNode.Parse(
            File.ReadAllText(
                Path.Combine(AppContext.BaseDirectory, "formats", "level-pickup.job.json")
            )
        )!;
        foreach (var list in lists)
        {
            var seen = new HashSet<string>();
            var rows = root[list]!.AsArray();
            var kept = rows.Where(row =>
                    Nodes(row!)
                        .Select(n => $"{Shape(n.GetPath())} {n.GetValueKind()}")
                        .Aggregate(false, (isNew, shape) => seen.Add(shape) || isNew)
                )
                .ToArray();
            rows.RemoveAll(row => !kept.Contains(row));
        }
        root["checkedCauses"] = JsonNode.Parse(
            $$"""
            [
              {
                "id": "01a00000-0000-7000-8000-00000000c4ec",
                "planId": "{{root["plans"]![0]!["id"]}}",
                "walkRoundId": "{{root["walkRounds"]![0]!["id"]}}",
                "kind": "notSeated",
                "where": "LF",
                "wasIt": true,
                "note": "isolator twice",
                "personId": "{{root["people"]![0]!["id"]}}",
                "at": "2026-03-02T08:00:00Z"
              }
            ]
            """
        );
        root["roadTests"] = JsonNode.Parse(
            $$"""
            [
              {
                "id": "01a00000-0000-7000-8000-00000000d41e",
                "after": false,
                "answers": [{ "question": "vibration", "trouble": "some", "note": "from 55" }],
                "personId": "{{root["people"]![0]!["id"]}}",
                "at": "2026-03-02T08:00:00Z"
              }
            ]
            """
        );
        root["quotes"] = JsonNode.Parse(
            $$"""
            [
              {
                "id": "01a00000-0000-7000-8000-000000000907",
                "offers": [
                  {
                    "id": "01a00000-0000-7000-8000-000000000908",
                    "planId": "{{root["plans"]![0]!["id"]}}",
                    "name": "Level",
                    "goesIn": ["Front, both sides: in plate."],
                    "facts": [{ "what": "Parts", "says": "70 EUR" }],
                    "moves": [],
                    "leavesOut": ["alignment"],
                    "noWayBack": []
                  }
                ],
                "holdsUntil": "2026-04-01",
                "chosenOffer": "01a00000-0000-7000-8000-000000000908",
                "personId": "{{root["people"]![0]!["id"]}}",
                "at": "2026-03-02T08:00:00Z"
              }
            ]
            """
        );
        root["signatures"] = JsonNode.Parse(
            $$"""
            [
              {
                "id": "01a00000-0000-7000-8000-000000005167",
                "name": "Wren",
                "as": "driver",
                "told": ["Slowly."],
                "strokes": [[0, 0, 10, 10, 20, 20, 30, 30]],
                "offerId": "01a00000-0000-7000-8000-000000000908",
                "personId": "{{root["people"]![0]!["id"]}}",
                "at": "2026-03-02T08:00:00Z"
              }
            ]
            """
        );
        root["platform"]!["variants"] = JsonNode.Parse(
            """[{ "aspect": "engine", "values": ["V6"] }]"""
        );
        root["vehicle"]!["built"] = 2014;
        root["vehicle"]!["mates"] = JsonNode.Parse(
            $$"""[{ "axle": "front", "is": { "kind": "barDiameter", "size": {{Mm22}}, "written": null } }]"""
        );
        root["plans"]![0]!["anyway"] = JsonNode.Parse(
            $$"""[{ "part": "plate", "says": "made for Marsh", "reason": "compared", "personId": "{{root["people"]![0]!["id"]}}" }]"""
        );
        root["plans"]![0]!["conversions"] = JsonNode.Parse(
            $$"""
            [
              {
                "axle": "rear",
                "to": {
                  "kind": "coilFourLink",
                  "sheet": "Alder sheet 12",
                  "track": {{Track}},
                  "dimensions": { "springLength": {{Mm380}} },
                  "shacklePivot": null,
                  "points": []
                },
                "setUpAt": {{Mm22}},
                "from": "hub"
              }
            ]
            """
        );
        root["plans"]![0]!["stacks"]![0]!["parts"]![0]!["fit"] = JsonNode.Parse(
            $$"""
            {
              "anyPlatform": false,
              "platforms": [{ "name": "Drover", "from": 2010, "to": null }],
              "notPlatforms": ["Marsh"],
              "rules": [
                { "kind": "onlyWith", "aspect": "engine", "values": ["V6"] },
                { "kind": "mustMeet", "mate": { "kind": "barDiameter", "size": {{Mm22}}, "written": null } },
                { "kind": "atMost", "count": 2 },
                { "kind": "needsPart", "part": "diffDrop" }
              ]
            }
            """
        );
        var part = root["plans"]![0]!["stacks"]![0]!["parts"]![0]!.DeepClone();
        part["id"] = Guid.CreateVersion7();
        part["kitId"] = Guid.CreateVersion7();
        root["kits"] = new JsonArray(
            new JsonObject
            {
                ["id"] = Guid.CreateVersion7(),
                ["planId"] = root["plans"]![0]!["id"]!.DeepClone(),
                ["partId"] = Guid.CreateVersion7(),
                ["number"] = "K-1",
                ["name"] = "Alder kit",
                ["claim"] = JsonNode.Parse(Mm22),
                ["frontClaim"] = JsonNode.Parse(Mm22),
                ["rearClaim"] = null,
                ["price"] = 240,
                ["currency"] = "EUR",
                ["hours"] = null,
                ["sheet"] = JsonNode.Parse(
                    """{ "source": "print 4", "steps": "Feed the studs.", "torques": null, "warnings": null }"""
                ),
                ["pieces"] = new JsonArray(
                    new JsonObject
                    {
                        ["name"] = "plate",
                        ["count"] = 2,
                        ["found"] = 1,
                        ["end"] = "missing",
                        ["why"] = null,
                        ["stacks"] = new JsonArray(
                            new JsonObject { ["corner"] = "LF", ["parts"] = new JsonArray(part) }
                        ),
                    }
                ),
            }
        );
        return root.ToJsonString();
    }

    private static string With(string path, JsonNode? value)
    {
        var root = JsonNode.Parse(Text)!;
        At(root, path).ReplaceWith(value);
        return root.ToJsonString();
    }

    private static JsonNode At(JsonNode root, string path) =>
        Step()
            .Matches(path)
            .Select(m => m.Value)
            .Aggregate(root, (at, step) => step[0] == '[' ? at[Number(step)]! : at[step]!);

    private static IEnumerable<JsonNode> Nodes(JsonNode root)
    {
        yield return root;
        var below = root switch
        {
            JsonObject o => o.Select(p => p.Value),
            JsonArray a => a,
            _ => [],
        };
        foreach (var node in below.OfType<JsonNode>().SelectMany(Nodes))
        {
            yield return node;
        }
    }

    private static int Number(string step) =>
        int.Parse(step[1..^1], System.Globalization.CultureInfo.InvariantCulture);

    private static string Shape(string path) => Index().Replace(path, "[]");

    [GeneratedRegex(@"\[\d+\]|[A-Za-z0-9]+")]
    private static partial Regex Step();

    [GeneratedRegex(@"\[\d+\]")]
    private static partial Regex Index();
}
