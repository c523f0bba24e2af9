using System.Text.Json.Nodes;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.JobFile;

/// <summary>Quantities, numbers and texts of a job file, wherever they stand.</summary>
public static class JobFileValues
{
    /// <summary>No vehicle part that is measured is taller or longer than this, mm.</summary>
    private const double AbsurdMm = 30_000;

    /// <summary>No number that people write down about a vehicle is greater; beyond it sums overflow.</summary>
    private const double Absurd = 1e9;

    /// <summary>Fields that hold a quantity, each with a unit of the kind that it must have and whether it must be above zero; sizes of the vehicle have limits of their own.</summary>
    private static readonly Dictionary<string, (Unit Unit, bool Positive)> Kinds = new()
    {
        // What a part may have below zero, its kind says.
        ["thickness"] = (Unit.Mm, false),
        ["claim"] = (Unit.Mm, false),
        ["extension"] = (Unit.Mm, false),
        ["hours"] = (Unit.Hour, false),
        ["mass"] = (Unit.Kg, false),
        ["behind"] = (Unit.Mm, false),
        ["left"] = (Unit.Mm, false),
        ["frontClaim"] = (Unit.Mm, false),
        ["rearClaim"] = (Unit.Mm, false),
        ["tolerance"] = (Unit.Mm, true),
        ["rake"] = (Unit.Mm, false),
        ["leastFrontLift"] = (Unit.Mm, false),
        ["leastRearLift"] = (Unit.Mm, false),
        ["mostFrontLift"] = (Unit.Mm, false),
        ["mostRearLift"] = (Unit.Mm, false),
        ["gain"] = (Unit.Mm, false),
        ["angle"] = (Unit.Degree, false),
        ["division"] = (Unit.Mm, true),
        ["odometer"] = (Unit.Km, false),
        ["odometerIn"] = (Unit.Km, false),
        ["odometerOut"] = (Unit.Km, false),
        ["dueAt"] = (Unit.Km, false),
        ["torque"] = (Unit.NewtonMetre, true),
        ["lengthFound"] = (Unit.Mm, true),
        ["lengthNeeded"] = (Unit.Mm, true),
        ["distance"] = (Unit.Mm, true),
        ["size"] = (Unit.Mm, true),
        ["setUpAt"] = (Unit.Mm, true),
        ["height"] = (Unit.Mm, false),
        ["pressure"] = (Unit.KPa, true),
        ["over"] = (Unit.Mm, true),
        ["x"] = (Unit.Mm, false),
        ["y"] = (Unit.Mm, false),
        ["z"] = (Unit.Mm, false),
    };

    private const string ReadingValue = "value";
    private const string LimitValue = "most";

    private static readonly Dictionary<string, Unit> ReadingUnits = new()
    {
        ["height"] = Unit.Mm,
        ["gap"] = Unit.Mm,
        ["length"] = Unit.Mm,
        ["angle"] = Unit.Degree,
        ["pressure"] = Unit.KPa,
        ["load"] = Unit.Kg,
        ["torque"] = Unit.NewtonMetre,
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
                if (name == "by" && By(row, path) is { } by)
                {
                    return by;
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
        if (Unit.Of(JobFileReader.Text(row["unit"])) is not { } unit)
        {
            return new JobFileError(
                $"{path}.unit",
                $"The unit “{row["unit"]}” is not known. Known units: {string.Join(", ", Unit.All)}."
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
        // The track that a suspension brings is one of either axle.
        var size = name == "track" ? "frontTrack" : name;
        if (VehicleDimensions.Limits.TryGetValue(size, out var limit))
        {
            return Size(row, path, size, unit, limit.Unit, VehicleDimensions.WhyNot);
        }
        if (SuspensionSizes.Find(name) is { } suspension)
        {
            return Size(row, path, name, unit, suspension.Unit, SuspensionSizes.WhyNot);
        }
        if (PartSizes.Find(name) is { } part)
        {
            return Size(row, path, name, unit, part.Unit, PartSizes.WhyNot);
        }
        if (name is ReadingValue or LimitValue)
        {
            // Its kind is that of its reading, or of the rule that it stands instead of.
            return null;
        }
        if (!Kinds.TryGetValue(name, out var kind))
        {
            // A field that nobody listed here could hold any unit, and be computed from.
            return new JobFileError(path, "No quantity is known by this name.");
        }
        if (!unit.SameKind(kind.Unit))
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
        Unit unit,
        Unit expected,
        Func<string, double, string?> whyNot
    ) =>
        !unit.SameKind(expected)
            ? new JobFileError($"{path}.unit", $"“{unit}” is no unit for {name}.")
        : row["value"] is JsonValue value
        && value.TryGetValue<double>(out var x)
        && whyNot(name, unit.To(expected, x)) is { } why
            ? new JobFileError($"{path}.value", why)
        : null;

    /// <summary>What is known of an instrument: a number that nobody could have read with.</summary>
    private static JobFileError? By(JsonObject row, string path)
    {
        var isShare = JobFileReader.Text(row["kind"]) is "scales" or "torqueWrench";
        return !Within("error", isShare ? 0.5 : 100, belowZero: true)
                ? new JobFileError($"{path}.error", "No instrument is so far off.")
            : !Within("u", isShare ? 0.5 : 100, belowZero: false)
                ? new JobFileError($"{path}.u", "This is no uncertainty of an instrument.")
            : null;

        bool Within(string field, double most, bool belowZero) =>
            row[field] is not JsonValue value
            || !value.TryGetValue<double>(out var x)
            || (Math.Abs(x) <= most && (belowZero || x >= 0));
    }

    private static JobFileError? Reading(JsonObject row, string path)
    {
        if (row["value"] is not JsonObject value || JobFileReader.Text(row["kind"]) is not { } kind)
        {
            return null;
        }
        if (
            !ReadingUnits.TryGetValue(kind, out var expected)
            || JobFileReader.Text(value["unit"]) is not { } symbol
        )
        {
            return null;
        }
        if (Unit.Of(symbol) is not { } unit)
        {
            return new JobFileError(
                $"{path}.value.unit",
                $"The unit “{symbol}” is not known. Known units: {string.Join(", ", Unit.All)}."
            );
        }
        if (!unit.SameKind(expected))
        {
            return new JobFileError($"{path}.value.unit", $"“{unit}” is no unit for a {kind}.");
        }
        return kind == "height" && value["value"] is JsonValue v && v.TryGetValue<double>(out var x)
            ? unit.To(Unit.Mm, x) switch
            {
                <= 0 => new JobFileError($"{path}.value.value", "A height must be above zero."),
                > AbsurdMm => new JobFileError($"{path}.value.value", "No vehicle is that high."),
                _ => null,
            }
            : null;
    }
}
