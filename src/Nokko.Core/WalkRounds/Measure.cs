using System.Text.Json.Serialization;
using Nokko.Core.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.WalkRounds;

/// <summary>At how many places of a vehicle a measure is taken.</summary>
public enum MeasurePlaces
{
    /// <summary>At each wheel: LF, RF, LR, RR.</summary>
    Wheels,

    /// <summary>At each axle: front, rear.</summary>
    Axles,

    /// <summary>At both headlights: left lamp, right lamp.</summary>
    Lamps,

    /// <summary>Once: vehicle.</summary>
    Vehicle,
}

/// <summary>Something beside station heights that is measured on a vehicle.</summary>
/// <param name="Key">Key in files.</param>
/// <param name="Title">What it is called in a bay.</param>
/// <param name="Kind">Gap, length, angle, load or note.</param>
/// <param name="Places">Where it is taken.</param>
/// <param name="How">How to take it, in a sentence or two.</param>
/// <param name="Low">Least usual value, mm, ° or kg; outside, the tool asks.</param>
/// <param name="High">Greatest usual value, mm, ° or kg.</param>
/// <param name="Over">What the length is over which a gap was taken, where one is needed; null where none is.</param>
/// <param name="Caution">What can hurt while it is taken.</param>
public sealed record Measure(
    string Key,
    string Title,
    ReadingKind Kind,
    MeasurePlaces Places,
    string How,
    double Low,
    double High,
    string? Over = null,
    string? Caution = null
)
{
    /// <summary>The unit in which its values are combined: mm, ° or kg.</summary>
    [JsonIgnore]
    public Unit Unit =>
        Kind switch
        {
            ReadingKind.Angle => Unit.Degree,
            ReadingKind.Load => Unit.Kg,
            _ => Unit.Mm,
        };

    /// <summary>Whether a value below zero makes sense.</summary>
    public bool MayBeBelowZero => Low < 0;
}
