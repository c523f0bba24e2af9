using System.Text.Json.Nodes;
using Nokko.Core.JobFile;
using Xunit;

namespace Nokko.Core.Tests.JobFile;

/// <summary>What a quantity of a name may be: its unit, and whether nothing or less makes sense of it.</summary>
public class JobFileValuesTests
{
    private static JobFileError? Check(string name, double value, string unit) =>
        JobFileValues.Check(
            new JsonObject
            {
                ["job"] = new JsonObject
                {
                    [name] = new JsonObject
                    {
                        ["value"] = value,
                        ["unit"] = unit,
                        ["u"] = null,
                        ["known"] = "measured",
                        ["typed"] = null,
                    },
                },
            }
        );

    [Theory]
    [InlineData("tolerance", "mm", "N·m")]
    [InlineData("division", "in", "kg")]
    [InlineData("torque", "lb·ft", "mm")]
    [InlineData("lengthFound", "mm", "°")]
    [InlineData("lengthNeeded", "in", "°")]
    [InlineData("pressure", "kPa", "mm")]
    [InlineData("over", "mm", "kg")]
    public void A_size_is_above_zero_and_in_its_kind_of_unit(string name, string unit, string no)
    {
        Assert.Null(Check(name, 1, unit));
        Assert.Equal($"{name} must be above zero.", Check(name, 0, unit)!.Message);
        Assert.Equal($"$.job.{name}.value", Check(name, -1, unit)!.Path);
        Assert.Equal($"$.job.{name}.unit", Check(name, 1, no)!.Path);
    }

    [Theory]
    [InlineData("rake", "mm")]
    [InlineData("leastFrontLift", "mm")]
    [InlineData("leastRearLift", "in")]
    [InlineData("mostFrontLift", "mm")]
    [InlineData("mostRearLift", "mm")]
    [InlineData("gain", "mm")]
    [InlineData("angle", "°")]
    [InlineData("odometer", "km")]
    [InlineData("odometerIn", "mi")]
    [InlineData("odometerOut", "km")]
    [InlineData("dueAt", "km")]
    [InlineData("height", "mm")]
    [InlineData("frontClaim", "mm")]
    [InlineData("rearClaim", "mm")]
    [InlineData("x", "mm")]
    [InlineData("y", "mm")]
    [InlineData("z", "mm")]
    public void A_difference_or_a_place_may_be_zero_or_below(string name, string unit)
    {
        Assert.Null(Check(name, 0, unit));
        Assert.Null(Check(name, -1, unit));
    }

    [Theory]
    [InlineData("tape", 100, 100, null)]
    [InlineData("tape", -100, 0, null)]
    [InlineData("tape", 100.1, 1, "$.readings[0].by.error")]
    [InlineData("tape", 1, -0.1, "$.readings[0].by.u")]
    [InlineData("tape", 1, 100.1, "$.readings[0].by.u")]
    [InlineData("torqueWrench", -0.5, 0.5, null)]
    [InlineData("torqueWrench", -1, 0.1, "$.readings[0].by.error")] // all of it: nothing would be left
    [InlineData("scales", 0.1, 0.6, "$.readings[0].by.u")]
    public void An_instrument_is_one_that_somebody_could_have_read_with(
        string kind,
        double error,
        double u,
        string? refused
    ) =>
        Assert.Equal(
            refused,
            JobFileValues
                .Check(
                    new JsonObject
                    {
                        ["readings"] = new JsonArray(
                            new JsonObject
                            {
                                ["by"] = new JsonObject
                                {
                                    ["kind"] = kind,
                                    ["error"] = error,
                                    ["u"] = u,
                                },
                            }
                        ),
                    }
                )
                ?.Path
        );

    [Fact]
    public void A_name_that_nobody_listed_is_refused() =>
        Assert.Equal("No quantity is known by this name.", Check("girth", 1, "mm")!.Message);

    [Fact]
    public void A_result_has_a_value_or_the_reason_why_not_and_not_both()
    {
        static JobFileError? Result(double? value, string? cannot) =>
            JobFileValues.Check(
                new JsonObject
                {
                    ["rise"] = new JsonObject
                    {
                        ["value"] = value,
                        ["unit"] = "mm",
                        ["cannot"] = cannot,
                        ["restsOn"] = new JsonArray(),
                    },
                }
            );
        Assert.Null(Result(1, null));
        Assert.Null(Result(-1, null));
        Assert.Null(Result(null, "not read"));
        Assert.NotNull(Result(null, null));
        Assert.NotNull(Result(1, "not read"));
    }

    [Fact]
    public void An_uncertainty_is_never_below_zero()
    {
        static JobFileError? With(double u) =>
            JobFileValues.Check(
                new JsonObject
                {
                    ["tolerance"] = new JsonObject
                    {
                        ["value"] = 6.35,
                        ["unit"] = "mm",
                        ["u"] = u,
                    },
                }
            );
        Assert.Null(With(0));
        Assert.Equal("$.tolerance.u", With(-0.1)!.Path);
    }

    [Fact]
    public void A_command_as_it_was_sent_is_kept_whatever_units_it_has()
    {
        var sent = new JsonObject
        {
            ["body"] = new JsonObject
            {
                ["girth"] = new JsonObject { ["value"] = 1, ["unit"] = "mm" },
            },
            ["replaced"] = new JsonArray
            {
                new JsonObject
                {
                    ["girth"] = new JsonObject { ["value"] = 1, ["unit"] = "mm" },
                },
            },
        };
        Assert.Null(JobFileValues.Check(sent));
    }
}
