using Nokko.Core.Units;

namespace Nokko.Core.Plans;

/// <summary>A load that was stated: a heavier engine, a winch, a water tank, a trailer on the bar.</summary>
public sealed record StatedLoad
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>What it is.</summary>
    public required string Name { get; init; }

    /// <summary>Its mass, or what it presses down with; below zero is taken off (a lighter engine).</summary>
    public required Quantity Mass { get; init; }

    /// <summary>Where it stands: behind the front axle; below zero is ahead of it.</summary>
    public required Quantity Behind { get; init; }

    /// <summary>How far left of the middle; null is in the middle.</summary>
    public Quantity? Left { get; init; }

    /// <summary>Whether it comes with this job and stays; else it is put on and taken off.</summary>
    public bool Stays { get; init; }

    /// <summary>As a load on the body.</summary>
    public Stance.BodyLoad OnBody() =>
        new(-Behind.In(Unit.Mm), Left?.In(Unit.Mm) ?? 0, Mass.In(Unit.Kg) * Gravity.NPerKg);
}
