using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>Springs that settle alike: one part of the shelf, or those that a platform has, under parts of one family.</summary>
/// <param name="Of">The part that is the spring; the platform where the spring that was in stays.</param>
/// <param name="Axle">The axle.</param>
/// <param name="Family">Family of what lifts there.</param>
public readonly record struct SpringKey(Guid Of, Axle Axle, LiftFamily Family);

/// <summary>How far one vehicle came down on its springs, by 500 miles.</summary>
/// <param name="Spring">Which springs.</param>
/// <param name="Mm">What both lips of the axle came down by, mean, mm; below zero where they rose.</param>
/// <param name="U">Its standard uncertainty, mm, above zero.</param>
public sealed record SettledTrial(SpringKey Spring, double Mm, double U);

/// <summary>What vehicles have shown of springs that settle alike: sums over them.</summary>
/// <param name="Spring">Which springs.</param>
/// <param name="Vehicles">How many.</param>
/// <param name="Weight">Σ 1/(u² + τ²), mm⁻².</param>
/// <param name="Weighted">Σ mm/(u² + τ²), mm⁻¹.</param>
public sealed record SettledSums(SpringKey Spring, int Vehicles, double Weight, double Weighted);

/// <summary>How far springs settle by 500 miles after the work: a rule of thumb, until vehicles have shown it.</summary>
/// <remarks>Source: docs/computation/settling.md#learned.</remarks>
public static class SpringSettling
{
    /// <summary>Where it is told, km: 500 miles.</summary>
    public static double Told { get; } = Unit.Mile.To(Unit.Km, 500);

    /// <summary>What is driven while it comes down by all but 1/e of what it will, km: 100 miles. Rule of thumb.</summary>
    public static double Length { get; } = Unit.Mile.To(Unit.Km, 100);

    /// <summary>Read later than this, it tells of wear, km: 1000 miles. Rule of thumb.</summary>
    public static double Latest { get; } = Unit.Mile.To(Unit.Km, 1000);

    /// <summary>Spread between vehicles on one kind of spring, mm. Rule of thumb.</summary>
    /// <param name="isNew">Whether the spring came in new.</param>
    public static double Spread(bool isNew) => isNew ? 2.5 : 1;

    /// <summary>What is believed before any vehicle has shown it, mm down. Rule of thumb.</summary>
    /// <param name="isNew">Whether the spring came in new; one that was in has settled, and what is left is rubber and bushings.</param>
    public static Estimate Usual(bool isNew) => isNew ? new(5, 4) : new(1.5, 1.5);

    /// <summary>Share of what it comes down by 500 miles that it has come down at a distance, 0 … 1.</summary>
    /// <param name="km">Driven since the work, km, at least 0.</param>
    public static double Share(double km) =>
        Math.Min(1, (1 - Math.Exp(-km / Length)) / (1 - Math.Exp(-Told / Length)));

    /// <summary>What one vehicle shows by 500 miles.</summary>
    /// <param name="spring">Which springs.</param>
    /// <param name="isNew">Whether the spring came in new.</param>
    /// <param name="down">What it came down by at a distance, mm.</param>
    /// <param name="km">The distance, km, above 0. How the rest will go is known by half of what is usual.</param>
    public static SettledTrial Trial(SpringKey spring, bool isNew, Estimate down, double km)
    {
        var share = Share(km);
        var rest = (1 - share) * Usual(isNew).Mean / 2;
        return new SettledTrial(
            spring,
            down.Mean / share,
            Math.Sqrt((down.Sd * down.Sd) + (rest * rest)) / share
        );
    }

    /// <summary>Weight of a trial in the mean of all vehicles, mm⁻².</summary>
    public static double Weight(SettledTrial trial, bool isNew) =>
        1 / ((trial.U * trial.U) + (Spread(isNew) * Spread(isNew)));

    /// <summary>The mean of all vehicles on such springs, mm down by 500 miles.</summary>
    /// <param name="isNew">Whether the spring came in new.</param>
    /// <param name="sums">What vehicles have shown; null where none has.</param>
    public static Estimate Mean(bool isNew, SettledSums? sums)
    {
        var usual = Usual(isNew);
        var prior = 1 / (usual.Sd * usual.Sd);
        var weight = prior + (sums?.Weight ?? 0);
        return new(((prior * usual.Mean) + (sums?.Weighted ?? 0)) / weight, Math.Sqrt(1 / weight));
    }

    /// <summary>What the next vehicle is expected to come down by at a distance, mm.</summary>
    /// <param name="isNew">Whether the spring came in new.</param>
    /// <param name="sums">What vehicles have shown; null where none has.</param>
    /// <param name="km">Driven since the work, km.</param>
    public static Estimate Next(bool isNew, SettledSums? sums, double km)
    {
        var (mean, share) = (Mean(isNew, sums), Share(km));
        var spread = Spread(isNew);
        var rest = (1 - share) * Usual(isNew).Mean / 2;
        return new(
            share * mean.Mean,
            Math.Sqrt((share * share * ((mean.Sd * mean.Sd) + (spread * spread))) + (rest * rest))
        );
    }
}
