using System.Text.Json.Serialization;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Plans;

/// <summary>Another suspension that a plan gives an axle: another kind, or other arms of the same one. All of the old one leaves the vehicle.</summary>
/// <remarks>Source: docs/computation/conversions.md.</remarks>
public sealed record AxleConversion
{
    /// <summary>The axle.</summary>
    public required Axle Axle { get; init; }

    /// <summary>What comes; its sizes and points as they are at the height at which they were taken.</summary>
    public required Vehicles.Suspension To { get; init; }

    /// <summary>Mean height of the axle's lips at which its sizes were taken or drawn; null is not known.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Quantity? SetUpAt { get; init; }

    /// <summary>From where that height is measured: hub or floor.</summary>
    public Datum From { get; init; } = Datum.Hub;
}

/// <summary>What a conversion makes of a vehicle.</summary>
public static class Conversions
{
    /// <summary>What a plan makes of an axle; null where its suspension stays.</summary>
    public static AxleConversion? Of(this Plan plan, Axle axle) =>
        plan.Conversions?.FirstOrDefault(c => c.Axle == axle);

    /// <summary>What a plan makes of the axle at a place; null where its suspension stays, or the place is none of an axle.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="where">LF, RF, LR, RR, front, rear or vehicle.</param>
    public static AxleConversion? At(this Plan plan, string where) =>
        Corners.AxleAt(where) is { } axle ? plan.Of(axle) : null;

    /// <summary>The vehicle as a plan puts it together.</summary>
    public static Vehicle Converted(this Vehicle vehicle, Plan plan) =>
        plan.Conversions is null
            ? vehicle
            : vehicle.On(
                plan.Of(Axle.Front)?.To ?? vehicle.Front,
                plan.Of(Axle.Rear)?.To ?? vehicle.Rear
            );

    /// <summary>The situation as a plan puts the vehicle together: nothing that was learned of the old suspension counts.</summary>
    internal static Situation Converted(this Situation s, Plan plan) =>
        plan.Conversions is null
            ? s
            : s with
            {
                Vehicle = s.Vehicle.Converted(plan),
                Learned = s
                    .Learned.Where(l => plan.Of(l.Key.Axle) is null)
                    .ToDictionary(l => l.Key, l => l.Value),
            };
}
