using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>How far an axle is foretold to come down by 500 miles.</summary>
/// <param name="Axle">The axle.</param>
/// <param name="Spring">On what it comes down, as said.</param>
/// <param name="Vehicles">How many vehicles on such springs have shown it; 0 is a rule of thumb.</param>
/// <param name="Rise">Rise of the mean lip from the first settled reading, mm: what comes down is below zero.</param>
public sealed record AxleSettling(Axle Axle, string Spring, int Vehicles, Result Rise);

/// <summary>The springs on which an axle comes to rest after a plan.</summary>
/// <remarks>Source: docs/computation/settling.md#learned.</remarks>
/// <param name="Axle">The axle.</param>
/// <param name="Spring">Springs that settle alike; null where a new spring is none of the shelf's.</param>
/// <param name="IsNew">Whether the spring came in new.</param>
/// <param name="Name">As it is said.</param>
public sealed record SettlingAxle(Axle Axle, SpringKey? Spring, bool IsNew, string Name)
{
    /// <summary>The axles that a plan lets settle anew: an axle whose springs it does not touch has settled, and a controller holds the height of one that has it.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="from">The stage from which the plan starts.</param>
    /// <param name="plan">The plan.</param>
    public static IReadOnlyList<SettlingAxle> Of(Vehicle vehicle, Stage from, Plan plan) =>
        [.. Corners.Axles.Select(a => Of(vehicle, from, plan, a)).OfType<SettlingAxle>()];

    /// <summary>How far it is foretold to come down by 500 miles.</summary>
    /// <param name="known">What vehicles have shown.</param>
    public AxleSettling Foretold(IReadOnlyList<SettledSums> known) =>
        new(Axle, Name, Sums(known)?.Vehicles ?? 0, Next(known, SpringSettling.Told));

    /// <summary>How far it is foretold to rise by a distance: below zero.</summary>
    /// <param name="known">What vehicles have shown.</param>
    /// <param name="km">Driven since the work, km.</param>
    public Result Next(IReadOnlyList<SettledSums> known, double km)
    {
        var next = SpringSettling.Next(IsNew, Sums(known), km);
        return Result.Of(-next.Mean, Unit.Mm, next.Sd, [], Known.Estimated);
    }

    private SettledSums? Sums(IReadOnlyList<SettledSums> known) =>
        Spring is { } key ? known.FirstOrDefault(s => s.Spring == key) : null;

    private static SettlingAxle? Of(Vehicle vehicle, Stage from, Plan plan, Axle axle)
    {
        var conversion = plan.Of(axle);
        if ((conversion?.To ?? from.SuspensionOf(axle)).HeightControl is not null)
        {
            return null;
        }
        var changes = Corners
            .Of(axle)
            .Select(c => CornerStack.Change(c, from.Stacks, plan.Stacks))
            .ToArray();
        var come = Sprung(changes.SelectMany(c => c.Come));
        if (come.FirstOrDefault(p => PartRule.Of(p.Kind).IsSpring) is { } spring)
        {
            return new(
                axle,
                spring.PartId is { } part
                    ? new SpringKey(part, axle, PartRule.Of(spring.Kind).Family)
                    : null,
                true,
                spring.Name
            );
        }
        if (conversion is not null)
        {
            return new(axle, null, true, "the springs that come with another suspension");
        }
        return come.Concat(Sprung(changes.SelectMany(c => c.Gone))).FirstOrDefault() is { } touched
            ? new(
                axle,
                new SpringKey(vehicle.PlatformId, axle, PartRule.Of(touched.Kind).Family),
                false,
                $"its own springs, with {PartRule.Of(touched.Kind).Said}"
            )
            : null;

        static PlacedPart[] Sprung(IEnumerable<PlacedPart> parts) =>
            [.. parts.Where(p => PartRule.Of(p.Kind).Family.ThroughSprings())];
    }
}
