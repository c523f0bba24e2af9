using System.Text.Json;
using System.Text.Json.Nodes;
using Json.Schema;
using Nokko.Core.JobFile;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Xunit;

namespace Nokko.Core.Tests.JobFile;

public class JobFileTests
{
    private static readonly string Formats = Path.Combine(AppContext.BaseDirectory, "formats");
    private static readonly JobDocument Job = Sample.Job(
        [520, 1040, 570, 570, 1040, 520],
        [571, 1070, 570, 570, 1070, 571]
    );

    private static JsonObject Node() => JsonNode.Parse(JobJson.Canonical(Job))!.AsObject();

    public static TheoryData<string> Examples =>
        ["level-pickup.job.json", "half-a-walk-round.job.json"];

    [Fact]
    public void What_is_written_reads_back_to_the_same_text()
    {
        var text = JobJson.Canonical(Job);
        Assert.Equal(text, JobJson.Canonical(JobFileReader.Read(text).Document!));
    }

    [Fact]
    public void The_canonical_form_sorts_rows_and_cuts_instants_to_the_microsecond()
    {
        var shuffled = Job with
        {
            Readings = [.. Job.Readings.Reverse()],
            Job = Job.Job with
            {
                TakenInAt = new DateTimeOffset(2026, 3, 2, 9, 0, 0, TimeSpan.FromHours(1)).AddTicks(
                    7
                ),
            },
        };
        Assert.Equal(JobJson.Canonical(Job), JobJson.Canonical(shuffled));
    }

    [Theory]
    [MemberData(nameof(Examples))]
    public void Every_kept_example_is_valid_by_its_schema_canonical_and_still_read(string file)
    {
        var text = File.ReadAllText(Path.Combine(Formats, file));
        var read = JobFileReader.Read(text);
        Assert.Null(read.Error);
        Assert.Equal(text, JobJson.Canonical(read.Document!));
        AssertValid("job.schema.json", text);
        AssertValid(
            "results.schema.json",
            JsonSerializer.Serialize(JobEvaluator.Evaluate(read.Document!), JobJson.Options)
        );
    }

    [Fact]
    public void A_version_that_comes_later_is_reached_by_one_upgrader_a_step()
    {
        // An artificial future: version 2 called the wish an order, version 3 wrote it in capitals.
        Action<JsonObject>[] steps =
        [
            root => root["job"]!["wish"] = $"{root["job"]!["wish"]} please",
            root => root["job"]!["wish"] = $"{root["job"]!["wish"]}".ToUpperInvariant(),
        ];
        string Read(int version)
        {
            var node = Node();
            node["version"] = version;
            node["job"]!["wish"] = "level";
            return JobFileReader.Read(node.ToJsonString(), steps).Document!.Job.Wish!;
        }
        Assert.Equal("LEVEL PLEASE", Read(1));
        Assert.Equal("LEVEL", Read(2));
        Assert.Equal("level", Read(3));
        var later = Node();
        later["version"] = 4;
        Assert.Contains(
            "reads up to version 3",
            JobFileReader.Read(later.ToJsonString(), steps).Error!.Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void A_file_of_the_shape_before_the_release_is_told_so_in_one_sentence()
    {
        var old = Node();
        old["vehicle"]!["front"] = new JsonObject { ["kind"] = "strut" };
        var error = JobFileReader.Read(old.ToJsonString()).Error!;
        Assert.Equal("$.vehicle.front", error.Path);
        Assert.Contains("take the vehicle in anew", error.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("nonsense", "$")]
    [InlineData("[]", "$")]
    [InlineData("{}", "$.format")]
    [InlineData("{\"format\":\"nokko.job\"}", "$.version")]
    [InlineData("{\"format\":\"nokko.job\",\"version\":2}", "$.version")]
    [InlineData("{\"format\":\"nokko.job\",\"version\":1.5}", "$.version")]
    public void What_is_no_job_file_is_refused(string text, string path) =>
        Assert.Equal(path, JobFileReader.Read(text).Error!.Path);

    public static TheoryData<string, string, string> Broken =>
        new()
        {
            { "readings/2/value/unit", "\"ell\"", "$.readings[2].value.unit" },
            { "readings/2/value/unit", "\"kg\"", "$.readings[2].value.unit" },
            { "readings/2/value/value", "-3", "$.readings[2].value.value" },
            { "readings/2/value/value", "9e9", "$.readings[2].value.value" },
            { "readings/2/place/name", "\"roof\"", "$.readings[2].place.name" },
            {
                "readings/2/walkRoundId",
                "\"00000000-0000-7000-8000-000000000099\"",
                "$.readings[2].walkRoundId"
            },
            {
                "readings/2/personId",
                "\"00000000-0000-7000-8000-000000000099\"",
                "$.readings[2].personId"
            },
            { "readings/2/kind", "\"smell\"", "$.readings[2].kind" },
            { "readings/2/id", "\"00000000-0000-7000-8000-000000000100\"", "$.readings[2].id" },
            { "vehicle/dimensions/wheelbase/value", "0", "$.vehicle.dimensions.wheelbase.value" },
            {
                "vehicle/dimensions/frontAxleMass/unit",
                "\"mm\"",
                "$.vehicle.dimensions.frontAxleMass.unit"
            },
            { "vehicle/dimensions/wheelbase/u", "-1", "$.vehicle.dimensions.wheelbase.u" },
            { "vehicle/tyreSize", "\"round\"", "$.vehicle.tyreSize" },
            { "vehicle/make", "null", "$.vehicle.make" },
            { "vehicle/make", "\"a\\u0000b\"", "$.vehicle.make" },
            { "plans/0/stacks/0/corner", "\"XX\"", "$.plans[0].stacks[0].corner" },
            {
                "plans/0/stacks/0/parts/0/thickness/value",
                "-1",
                "$.plans[0].stacks[0].parts[0].thickness.value"
            },
            {
                "stages/0/vehicleId",
                "\"00000000-0000-7000-8000-000000000099\"",
                "$.stages[0].vehicleId"
            },
            { "job/target/datum", "7", "$.job.target.datum" },
            {
                "walkRounds/0/tyres",
                """[{"wheel":"LF","size":"round","pressure":null}]""",
                "$.walkRounds[0].tyres"
            },
            { "job/target/mostFrontLift", Kilograms, "$.job.target.mostFrontLift.unit" },
            { "job/target/mostRearLift", Kilograms, "$.job.target.mostRearLift.unit" },
            {
                "job/toldGains",
                $$"""[{"id":"00000000-0000-7000-8000-000000000701","axle":"front","gain":{{Kilograms}},"by":"owner"}]""",
                "$.job.toldGains[0].gain.unit"
            },
            { "stages/0/rear/shacklePivot", "\"beside\"", "$.stages[0].rear.shacklePivot" },
            { "walkRounds/0/looksFront", "\"odd\"", "$.walkRounds[0].looksFront" },
            { "attachments", Photograph(Sha[..63]), "$.attachments[0].sha256" },
            { "attachments", Photograph(Sha + "0"), "$.attachments[0].sha256" },
            { "attachments", Photograph("g" + Sha[1..]), "$.attachments[0].sha256" },
            { "attachments", Photograph(Sha.ToUpperInvariant()), "$.attachments[0].sha256" },
            { "attachments", Photograph("/" + Sha[1..]), "$.attachments[0].sha256" },
            { "attachments", Photograph(":" + Sha[1..]), "$.attachments[0].sha256" },
            { "attachments", Photograph("`" + Sha[1..]), "$.attachments[0].sha256" },
        };

    private const string Kilograms =
        """{"value":3,"unit":"kg","u":null,"known":"told","typed":null}""";

    /// <summary>Every quantity that a job file may hold is listed with its unit: one that is not would be computed from in any. A reading's value has the unit of its measure, an own limit that of its rule.</summary>
    [Fact]
    public void Every_quantity_of_the_format_has_a_unit_of_its_own()
    {
        var seen = new HashSet<Type>();
        var names = Quantities(typeof(JobDocument), seen).ToHashSet();
        Assert.Contains("gain", names);
        foreach (var name in names.Except(["value", "most"]))
        {
            // No quantity is both a pressure and a time.
            var root = Node();
            root["job"]!["odd"] = new JsonObject
            {
                [name] = new JsonObject { ["value"] = 1, ["unit"] = "kPa" },
            };
            var pascal = JobFileReader.Read(root.ToJsonString()).Error!.Path;
            root["job"]!["odd"]![name]!["unit"] = "h";
            var hours = JobFileReader.Read(root.ToJsonString()).Error!.Path;
            Assert.True(
                pascal.EndsWith($"odd.{name}.unit", StringComparison.Ordinal)
                    || hours.EndsWith($"odd.{name}.unit", StringComparison.Ordinal),
                name
            );
        }
    }

    /// <summary>Names of the properties that are quantities, wherever they stand below a type.</summary>
    private static IEnumerable<string> Quantities(Type type, HashSet<Type> seen)
    {
        if (!seen.Add(type))
        {
            yield break;
        }
        foreach (var property in type.GetProperties())
        {
            var of = property.PropertyType;
            if (of == typeof(Nokko.Core.Units.Quantity))
            {
                yield return System.Text.Json.JsonNamingPolicy.CamelCase.ConvertName(property.Name);
            }
            foreach (
                var inner in of.GetGenericArguments()
                    .Append(of)
                    .Where(t => t.Assembly == typeof(JobDocument).Assembly && !t.IsEnum)
            )
            {
                if (
                    inner != typeof(Nokko.Core.Units.Quantity)
                    && inner != typeof(Nokko.Core.Units.Result)
                )
                {
                    foreach (var name in Quantities(inner, seen))
                    {
                        yield return name;
                    }
                }
            }
        }
    }

    /// <summary>Every digit that a hash may have, its ends among them.</summary>
    private const string Sha = "09af1234567890abcdef1234567890abcdef1234567890abcdef1234567890af";

    private static string Photograph(string sha) =>
        $$"""
            [{"id":"00000000-0000-7000-8000-000000000700","sha256":"{{sha}}","mediaType":"image/jpeg","of":null,"caption":null,"personId":"00000000-0000-7000-8000-000000000005","at":"2026-03-02T09:00:00+00:00"}]
            """;

    [Fact]
    public void A_tyre_size_and_a_hash_that_can_be_are_taken()
    {
        var root = Node();
        root["attachments"] = JsonNode.Parse(Photograph(Sha));
        root["walkRounds"]![0]!["tyres"] = JsonNode.Parse(
            """[{"wheel":"LF","size":"265/70R17","pressure":null},{"wheel":"RF","size":null,"pressure":null}]"""
        );
        Assert.Null(JobFileReader.Read(root.ToJsonString()).Error);
    }

    [Theory]
    [MemberData(nameof(Broken))]
    public void A_broken_value_is_named_by_its_path(string place, string value, string path)
    {
        var root = Node();
        JsonNode at = root;
        var steps = place.Split('/');
        foreach (var step in steps[..^1])
        {
            at = int.TryParse(step, out var i) ? at[i]! : at[step]!;
        }
        at[steps[^1]] = JsonNode.Parse(value);
        var error = JobFileReader.Read(root.ToJsonString()).Error!;
        Assert.Equal(path, error.Path);
        Assert.EndsWith(".", error.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void An_unknown_field_and_a_missing_one_are_named()
    {
        var extra = Node();
        extra["readings"]![0]!["colour"] = "red";
        Assert.Equal("$.readings[0].colour", JobFileReader.Read(extra.ToJsonString()).Error!.Path);
        var missing = Node();
        missing.Remove("job");
        Assert.Contains(
            "job",
            JobFileReader.Read(missing.ToJsonString()).Error!.Message,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Stations_skipped_one_side_only_or_a_side_unknown_are_valid()
    {
        var d = Job with
        {
            Readings =
            [
                .. Job.Readings.Where(r => r.Place.Name is "LF" or "LR"),
                Sample.Reading(300, 40, null, 700),
            ],
        };
        var read = JobFileReader.Read(JobJson.Canonical(d));
        Assert.Null(read.Error);
        var results = JobEvaluator.Evaluate(read.Document!);
        Assert.NotNull(results.WalkRounds[0].RakeLeft.Value);
        Assert.NotNull(results.WalkRounds[0].Rake.Cannot);
        Assert.Single(results.WalkRounds[0].Unused);
    }

    [Fact]
    public void A_job_that_was_only_taken_in_evaluates_to_reasons_never_to_holes()
    {
        var bare = Job with
        {
            WalkRounds = [],
            Readings = [],
            Stages = [Sample.AsFound],
            Plans = [Sample.Plan((Corner.LF, Sample.Plate(30, 25)))],
            FrozenPredictions = [],
        };
        var results = JobEvaluator.Evaluate(JobFileReader.Read(JobJson.Canonical(bare)).Document!);
        Assert.Empty(results.Proofs);
        Assert.NotNull(results.Predictions[0].Cannot);
        Assert.DoesNotContain(
            "NaN",
            JsonSerializer.Serialize(results, JobJson.Options),
            StringComparison.Ordinal
        );
    }

    private static void AssertValid(string schema, string text)
    {
        var result = JsonSchema
            .FromFile(Path.Combine(Formats, schema))
            .Evaluate(
                JsonNode.Parse(text),
                new EvaluationOptions { OutputFormat = OutputFormat.List }
            );
        Assert.True(
            result.IsValid,
            string.Join(
                '\n',
                result
                    .Details.Where(x => x.HasErrors)
                    .Take(5)
                    .Select(x => $"{x.InstanceLocation}: {string.Join(", ", x.Errors!.Values)}")
            )
        );
    }
}

public class EvalTests
{
    private static (int Code, string Output, string Error) Run(string input, params string[] args)
    {
        using var output = new StringWriter();
        using var errors = new StringWriter();
        var code = Nokko.Tool.Program.Run(args, new StringReader(input), output, errors);
        return (code, output.ToString(), errors.ToString());
    }

    [Fact]
    public void Eval_prints_results_with_value_unit_u_and_what_they_rest_on()
    {
        var job = Sample.Job([520, 1040, 570, 570, 1040, 520], [571, 1070, 570, 570, 1070, 571]);
        var (code, output, _) = Run(JobJson.Canonical(job), "eval", "-");
        Assert.Equal(0, code);
        var rake = JsonNode.Parse(output)!["walkRounds"]![0]!["rake"]!;
        Assert.Equal(
            (50, "mm", 4),
            (
                rake["value"]!.GetValue<double>(),
                rake["unit"]!.GetValue<string>(),
                rake["restsOn"]!.AsArray().Count
            )
        );
        Assert.NotNull(
            JsonNode.Parse(output)!["proofs"]![0]!["comparison"]!["rigid"]!["stations"]![0]![
                "residualMm"
            ]
        );
    }

    [Fact]
    public void Eval_exits_1_with_the_path_and_2_on_a_wrong_call()
    {
        var (code, output, error) = Run("{\"format\":\"nokko.job\",\"version\":9}", "eval", "-");
        Assert.Equal((1, ""), (code, output));
        Assert.StartsWith("$.version: ", error, StringComparison.Ordinal);
        Assert.Equal(1, Run("", "eval", "/no/such/file").Code);
        Assert.Equal(2, Run("").Code);
    }
}
