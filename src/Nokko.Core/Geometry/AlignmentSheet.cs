using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>What an alignment rack or gauge told of a front wheel before the work.</summary>
/// <param name="Corner">LF or RF.</param>
/// <param name="Camber">Camber, °, top inward below zero; null where it was not read.</param>
/// <param name="Caster">Caster to the ground, °, top rearward above zero; null where it was not read.</param>
internal sealed record AlignmentSheet(Corner Corner, Estimate? Camber, Estimate? Caster)
{
    private string Side => Corner == Corner.LF ? "Left" : "Right";

    /// <summary>Where its angles stand once it is lifted and nothing is set.</summary>
    /// <param name="camber">What the lift does to camber, °.</param>
    /// <param name="caster">What it does to caster, to the ground, °.</param>
    public IEnumerable<LabelledResult> Lifted(Result camber, Result caster) =>
        from line in new[]
        {
            (Said: "camber", Before: Camber, By: camber),
            (Said: "caster", Before: Caster, By: caster),
        }
        where line.Before is not null && line.By.Value is not null
        select new LabelledResult(
            $"{Side} {line.Said}, from the sheet before the work",
            Result.Of(
                line.Before!.Value.Mean + line.By.Have().Mean,
                Unit.Degree,
                double.Hypot(line.Before.Value.Sd, line.By.U ?? 0),
                [],
                line.By.Known
            )
        );

    /// <summary>Whether it was out of its range before the work, in a sentence; empty where it was not.</summary>
    /// <param name="camber">Range of its camber; null is not known.</param>
    /// <param name="caster">Range of its caster.</param>
    public string Was(AngleRange? camber, AngleRange? caster) =>
        string.Concat(
            from line in new[]
            {
                (Said: "camber", At: Camber, Range: camber),
                (Said: "caster", At: Caster, Range: caster),
            }
            where line.At is { } at && line.Range is { } range && range.Out(at.Mean)
            select FormattableString.Invariant(
                $" {Side} {line.Said} was out before the work: {line.At!.Value.Mean:0.0}°, {line.Range!.Value.Said} are allowed."
            )
        );
}

/// <summary>Between what an angle may lie, °, as the maker says.</summary>
internal readonly record struct AngleRange(double Least, double Most)
{
    /// <summary>The range of an angle, where both ends were entered, whichever of them first.</summary>
    public static AngleRange? Of(Vehicles.Suspension suspension, string least, string most) =>
        suspension.Get(least) is { } one && suspension.Get(most) is { } other
            ? new AngleRange(Math.Min(one, other), Math.Max(one, other))
            : null;

    /// <summary>Between what a measured angle may lie, in words; null where nobody entered it, or it is no such angle.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="measure">Key of the measure.</param>
    /// <param name="place">LF, RF, LR or RR; anywhere else there is none.</param>
    public static string? Allowed(Vehicle vehicle, string measure, string place) =>
        Corners.Named(place) is { } corner
            ? (
                measure switch
                {
                    WalkRounds.Measures.CamberAngle
                    or WalkRounds.Measures.CamberSet
                    or Stance.MeasureValues.CamberBySquare => Of(
                        vehicle.SuspensionOf(Corners.AxleOf(corner)),
                        SuspensionSizes.CamberLeast,
                        SuspensionSizes.CamberMost
                    ),
                    WalkRounds.Measures.Caster or WalkRounds.Measures.CasterSet => Of(
                        vehicle.SuspensionOf(Corners.AxleOf(corner)),
                        SuspensionSizes.CasterLeast,
                        SuspensionSizes.CasterMost
                    ),
                    _ => null,
                }
            )?.Said
            : null;

    /// <summary>By how much an angle is set off what it was before the lift, so that it is set as little as its range allows.</summary>
    /// <param name="before">As it was, °.</param>
    /// <param name="moved">What the lift does to it, °.</param>
    public double Off(double before, double moved) =>
        Math.Clamp(before + moved, Least, Most) - before;

    /// <summary>Whether an angle lies outside.</summary>
    public bool Out(double angle) => angle < Least || angle > Most;

    /// <summary>In a few words.</summary>
    public string Said => FormattableString.Invariant($"{Least:0.0}° to {Most:0.0}°");
}
