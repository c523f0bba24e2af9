using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.WalkRounds;

/// <summary>Loaded radius and rim radius of one wheel in one walk-round, mm, each measured or estimated.</summary>
/// <param name="Wheel">LF, RF, LR or RR.</param>
/// <param name="LoadedRadius">r, the hub's height above the floor.</param>
/// <param name="RimRadius">ρ, the rim's outer radius.</param>
public sealed record WheelMeasures(Corner Wheel, Result LoadedRadius, Result RimRadius)
{
    /// <summary>The radii as conversions need them.</summary>
    public WheelRadii? Radii =>
        LoadedRadius is { Value: { } r, U: { } ru } && RimRadius is { Value: { } e, U: { } eu }
            ? new WheelRadii(
                r,
                ru,
                e,
                eu,
                LoadedRadius.Known == Known.Measured,
                RimRadius.Known == Known.Measured
            )
            : null;

    /// <summary>What is known of a wheel: its own readings where there are any, else the tyre's size and load.</summary>
    /// <param name="wheel">LF, RF, LR or RR.</param>
    /// <param name="round">The walk-round.</param>
    /// <param name="standing">Readings of the round that stand.</param>
    /// <param name="vehicle">The vehicle.</param>
    public static WheelMeasures Of(
        Corner wheel,
        WalkRound round,
        IReadOnlyList<Reading> standing,
        Vehicle vehicle
    )
    {
        var size = TyreSize.Parse(
            round.Tyres.FirstOrDefault(t => t.Wheel == wheel)?.Size ?? vehicle.TyreSize
        );
        var estimate = size is null
            ? null
            : Datums.Estimate(size, vehicle.WheelLoadN(Corners.AxleOf(wheel)));
        const string unknown = "The tyre's size is not known and nobody measured the hub's height.";
        return new WheelMeasures(
            wheel,
            Read(Measures.HubHeight)
                ?? (
                    estimate is null
                        ? Result.No(Unit.Mm, unknown)
                        : Result.Of(
                            estimate.LoadedRadiusMm,
                            Unit.Mm,
                            estimate.LoadedRadiusUMm,
                            [],
                            Known.Estimated
                        )
                ),
            Read(Measures.RimRadius)
                ?? (
                    estimate is null
                        ? Result.No(Unit.Mm, unknown)
                        : Result.Of(
                            estimate.RimRadiusMm,
                            Unit.Mm,
                            estimate.RimRadiusUMm,
                            [],
                            Known.Estimated
                        )
                )
        );

        Result? Read(string measure)
        {
            var reads = standing
                .Where(r =>
                    r.Measure == measure
                    && r.Place.Name == wheel.Name()
                    && r.Value is { Known: Known.Measured }
                )
                .ToArray();
            if (reads.Length == 0)
            {
                return null;
            }
            // A hub's height ends at the floor beside its own tyre: a survey of the pads says nothing about it, a rim knows no floor at all.
            var value = ReadingUncertainty.Combine(
                [.. reads.Select(r => r.Value!.In(Unit.Mm))],
                reads.Any(r => r.Nudged),
                new ReadingConditions(
                    Datum.Hub,
                    round.Division.In(Unit.Mm),
                    round.Settled == Settled.No ? Settled.Rolled : round.Settled,
                    round.HubMarked,
                    true,
                    false
                )
            );
            return Result.Of(value.Mm, Unit.Mm, value.U, reads.Select(r => r.Id), Known.Measured);
        }
    }
}
