using System.Text.Json.Serialization;
using Nokko.Core.Units;

namespace Nokko.Core.Bench;

/// <summary>What is typed into a field of the bench.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<BenchAsks>))]
public enum BenchAsks
{
    /// <summary>A number with a unit.</summary>
    Number,

    /// <summary>A point: forward, outward and up, one after the other.</summary>
    Point,

    /// <summary>A tyre's size as printed.</summary>
    TyreSize,

    /// <summary>A kind of suspension.</summary>
    Suspension,

    /// <summary>Where a shackle hangs on the frame.</summary>
    ShacklePivot,
}

/// <summary>One thing that a calculation asks for.</summary>
/// <param name="Name">Its name in links.</param>
/// <param name="Label">As said in a bay.</param>
/// <param name="Unit">A unit of its kind; null when it asks for no number.</param>
/// <param name="Example">What stands there until somebody types; of the unit, lengths in mm.</param>
/// <param name="Optional">Whether it may stay empty.</param>
/// <param name="Positive">Whether it must be above zero.</param>
/// <param name="Asks">What is typed there.</param>
public sealed record BenchField(
    string Name,
    string Label,
    Unit? Unit,
    string Example,
    bool Optional = false,
    bool Positive = true,
    BenchAsks Asks = BenchAsks.Number
);

/// <summary>A calculation without a job.</summary>
/// <param name="Name">Its name in links.</param>
/// <param name="Said">As said in a bay.</param>
/// <param name="Fields">What it asks for.</param>
/// <param name="Paper">Whether it is a template that is printed at full size.</param>
public sealed record BenchSheet(
    string Name,
    string Said,
    IReadOnlyList<BenchField> Fields,
    bool Paper = false
);

/// <summary>What a calculation gives.</summary>
/// <param name="Numbers">The one that matters first.</param>
/// <param name="Says">On what it rests, and what to look at.</param>
public sealed record BenchAnswer(IReadOnlyList<LabelledResult> Numbers, IReadOnlyList<string> Says)
{
    /// <summary>What is printed; null where it is no template.</summary>
    public Template? Template { get; init; }
}

/// <summary>Something that was typed cannot be.</summary>
/// <param name="name">Name of the field.</param>
/// <param name="why">In a fitter's words.</param>
public sealed class BenchException(string name, string why) : Exception(why)
{
    /// <summary>Name of the field.</summary>
    public string Field => name;
}
