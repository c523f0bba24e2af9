using Nokko.Core.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Finding;

/// <summary>By how much each corner must rise at least so that the vehicle sits as wanted.</summary>
/// <param name="Corner">LF, RF, LR or RR.</param>
/// <param name="Rise">Rise over today, mm; its uncertainty is that of what was measured and of the loads.</param>
/// <param name="Loaded">The same when the rake shall hold with the stated loads on; null when none is put on and taken off.</param>
public sealed record NeededRise(Corner Corner, Result Rise, Result? Loaded)
{
    /// <summary>The needed rises, least work first: no axle is lifted more than the wish asks for, none is lowered.</summary>
    /// <param name="situation">The vehicle as it stands, with its target.</param>
    public static IReadOnlyList<NeededRise> Of(Situation situation)
    {
        if (situation is not { Target: { } target, Baseline: { Stations.Count: > 0 } baseline })
        {
            return [];
        }
        var (body, missing) = VehicleBody.Of(situation.Vehicle);
        var lifted = situation.Loads.Any(l => !l.Stays);
        var plain = body is null
            ? null
            : Corner(situation with { Target = target with { Loaded = false } }, body);
        var loaded =
            body is null || !lifted
                ? null
                : Corner(situation with { Target = target with { Loaded = true } }, body);
        return
        [
            .. Corners.All.Select(
                (c, i) =>
                    new NeededRise(
                        c,
                        plain?[i] ?? Result.No(Unit.Mm, missing ?? "It cannot be told."),
                        loaded?[i]
                    )
            ),
        ];

        Result[] Corner(Situation s, VehicleBody on)
        {
            var (odds, why) = StanceOdds.Of(on, baseline, s.Target!, s);
            if (odds is null)
            {
                return [.. Corners.All.Select(_ => Result.No(Unit.Mm, why!))];
            }
            // Figures as they stand: rake, what the axles rose already, leans.
            var m = odds.Mean;
            var front = Math.Max(0, (s.Target!.LeastFrontLift?.In(Unit.Mm) ?? 0) - m[1]);
            var rear = Math.Max(0, (s.Target.LeastRearLift?.In(Unit.Mm) ?? 0) - m[2]);
            var u = 0.0;
            if (s.Target.Rake is { } rake)
            {
                var more = rake.In(Unit.Mm) - m[0] - (rear - front);
                (front, rear) = more < 0 ? (front - more, rear) : (front, rear + more);
                u = Math.Sqrt(odds.Covariance[0, 0]);
            }
            double[] lean = s.Target.NoLean
                ? [-m[3] / 2, m[3] / 2, -m[4] / 2, m[4] / 2]
                : new double[4];
            return
            [
                .. Corners.All.Select(
                    (c, i) =>
                        Result.Of(
                            (i < 2 ? front : rear) + lean[i],
                            Unit.Mm,
                            Math.Sqrt(
                                (u * u)
                                    + (
                                        s.Target.NoLean
                                            ? odds.Covariance[i < 2 ? 3 : 4, i < 2 ? 3 : 4] / 4
                                            : 0
                                    )
                            ),
                            baseline.Rake.RestsOn
                        )
                ),
            ];
        }
    }
}
