using System.Text.Json.Nodes;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.JobFile;

/// <summary>Quantities, numbers and texts of a job file, wherever they stand.</summary>
internal static class JobFileValues
{
    /// <summary>No vehicle part that is measured is taller or longer than this, mm.</summary>
    private const double AbsurdMm = 30_000;

    /// <summary>No number that people write down about a vehicle is greater; beyond it sums overflow.</summary>
    private const double Absurd = 1e9;

    /// <summary>Fields that hold a quantity, each with a unit of the kind that it must have and whether it must be above zero; sizes of the vehicle have limits of their own.</summary>
    private static readonly Dictionary<string, (string Unit, bool Positive)> Kinds = new()
    {
        ["thickness"] = ("mm", true),
        ["claim"] = ("mm", false),
        ["extension"] = ("mm", false),
        ["hours"] = ("h", false),
        ["mass"] = ("kg", false),
        ["behind"] = ("mm", false),
        ["left"] = ("mm", false),
        ["frontClaim"] = ("mm", false),
        ["rearClaim"] = ("mm", false),
        ["tolerance"] = ("mm", true),
        ["rake"] = ("mm", false),
        ["leastFrontLift"] = ("mm", false),
        ["leastRearLift"] = ("mm", false),
        ["division"] = ("mm", true),
        ["odometer"] = ("km", false),
        ["odometerIn"] = ("km", false),
        ["odometerOut"] = ("km", false),
        ["dueAt"] = ("km", false),
        ["torque"] = ("N·m", true),
        ["lengthFound"] = ("mm", true),
        ["lengthNeeded"] = ("mm", true),
        ["height"] = ("mm", false),
        ["pressure"] = ("kPa", true),
        ["over"] = ("mm", true),
        ["x"] = ("mm", false),
        ["y"] = ("mm", false),
        ["z"] = ("mm", false),
    };

    private static readonly Dictionary<string, string> ReadingUnits = new()
    {
        ["height"] = "mm",
        ["gap"] = "mm",
        ["length"] = "mm",
        ["angle"] = "°",
        ["pressure"] = "kPa",
        ["load"] = "N",
        ["torque"] = "N·m",
    };

    /// <summary>Checks every quantity, number and string, wherever it stands.</summary>
    public static JobFileError? Check(JsonNode? node, string path = "$", string name = "")
    {
        switch (node)
        {
            case JsonObject row when name is "body" or "replaced":
                // Commands as they were sent: they are kept, not computed from.
                return row.Select(p => Kept(p.Value, $"{path}.{p.Key}"))
                    .FirstOrDefault(e => e is not null);
            case JsonArray rows when name is "replaced":
                return rows.Select((r, i) => Kept(r, $"{path}[{i}]"))
                    .FirstOrDefault(e => e is not null);
            case JsonObject row:
                if (row.ContainsKey("unit") && Quantity(row, path, name) is { } bad)
                {
                    return bad;
                }
                if (name == "readings" && Reading(row, path) is { } reading)
                {
                    return reading;
                }
                return row.Select(p => Check(p.Value, $"{path}.{p.Key}", p.Key))
                    .FirstOrDefault(e => e is not null);
            case JsonArray rows:
                return rows.Select(
                        (r, i) =>
                            r is null
                                ? new JobFileError($"{path}[{i}]", "A line of a list is empty.")
                                : Check(r, $"{path}[{i}]", name)
                    )
                    .FirstOrDefault(e => e is not null);
            case JsonValue value
                when value.TryGetValue<string>(out var text) && text.Contains('\0'):
                return new JobFileError(path, "Text must not hold a null character.");
            case JsonValue value
                when value.TryGetValue<double>(out var number) && !(Math.Abs(number) <= Absurd):
                return new JobFileError(path, "This number is too large.");
            default:
                return null;
        }
    }

    private static JobFileError? Kept(JsonNode? node, string path) =>
        node switch
        {
            JsonObject row => row.Select(p => Kept(p.Value, $"{path}.{p.Key}"))
                .FirstOrDefault(e => e is not null),
            JsonArray rows => rows.Select((r, i) => Kept(r, $"{path}[{i}]"))
                .FirstOrDefault(e => e is not null),
            JsonValue => Check(node, path),
            _ => null,
        };

    private static JobFileError? Quantity(JsonObject row, string path, string name)
    {
        if (JobFileReader.Text(row["unit"]) is not { } unit || !UnitTable.Knows(unit))
        {
            return new JobFileError(
                $"{path}.unit",
                $"The unit “{row["unit"]}” is not known. Known units: {string.Join(", ", UnitTable.All)}."
            );
        }
        if (row["u"] is JsonValue u && u.TryGetValue<double>(out var sd) && sd < 0)
        {
            return new JobFileError($"{path}.u", "An uncertainty cannot be below zero.");
        }
        // Results carry what they rest on; their values are differences as often as sizes.
        if (row.ContainsKey("restsOn"))
        {
            return (row["value"] is null) == (row["cannot"] is null)
                ? new JobFileError(path, "A result has a value, or the reason why it has none.")
                : null;
        }
        if (VehicleDimensions.Limits.TryGetValue(name, out var limit))
        {
            return Size(row, path, name, unit, limit.Unit, VehicleDimensions.WhyNot);
        }
        if (SuspensionSizes.Find(name) is { } suspension)
        {
            return Size(row, path, name, unit, suspension.Unit, SuspensionSizes.WhyNot);
        }
        if (PartSizes.Find(name) is { } part)
        {
            return Size(row, path, name, unit, part.Unit, PartSizes.WhyNot);
        }
        if (!Kinds.TryGetValue(name, out var kind))
        {
            return null;
        }
        if (!UnitTable.SameKind(unit, kind.Unit))
        {
            return new JobFileError($"{path}.unit", $"“{unit}” is no unit for {name}.");
        }
        return
            kind.Positive
            && row["value"] is JsonValue value
            && value.TryGetValue<double>(out var x)
            && !(x > 0)
            ? new JobFileError($"{path}.value", $"{name} must be above zero.")
            : null;
    }

    private static JobFileError? Size(
        JsonObject row,
        string path,
        string name,
        string unit,
        string expected,
        Func<string, double, string?> whyNot
    ) =>
        !UnitTable.SameKind(unit, expected)
            ? new JobFileError($"{path}.unit", $"“{unit}” is no unit for {name}.")
        : row["value"] is JsonValue value
        && value.TryGetValue<double>(out var x)
        && whyNot(name, UnitTable.Convert(x, unit, expected)) is { } why
            ? new JobFileError($"{path}.value", why)
        : null;

    private static JobFileError? Reading(JsonObject row, string path)
    {
        if (row["value"] is not JsonObject value || JobFileReader.Text(row["kind"]) is not { } kind)
        {
            return null;
        }
        if (
            !ReadingUnits.TryGetValue(kind, out var expected)
            || JobFileReader.Text(value["unit"]) is not { } unit
        )
        {
            return null;
        }
        if (!UnitTable.Knows(unit))
        {
            return new JobFileError(
                $"{path}.value.unit",
                $"The unit “{unit}” is not known. Known units: {string.Join(", ", UnitTable.All)}."
            );
        }
        if (!UnitTable.SameKind(unit, expected))
        {
            return new JobFileError($"{path}.value.unit", $"“{unit}” is no unit for a {kind}.");
        }
        return kind == "height" && value["value"] is JsonValue v && v.TryGetValue<double>(out var x)
            ? UnitTable.Convert(x, unit, "mm") switch
            {
                <= 0 => new JobFileError($"{path}.value.value", "A height must be above zero."),
                > AbsurdMm => new JobFileError($"{path}.value.value", "No vehicle is that high."),
                _ => null,
            }
            : null;
    }
}
