using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Learning;
using Nokko.Core.Parts;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Planning;

/// <summary>Predicts heights: the difference of two stacks through the lift line and the body on its springs.</summary>
/// <remarks>
/// Source: computation.md, sections 6, 7 and 10. A prediction is the difference of two stacks, so taking a part out is the same arithmetic as putting one in.
/// Offset and ratio are common to both sides of an axle; thickness is each part's own.
/// </remarks>
public static class Predictor
{
    /// <summary>Predicts what a plan does.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="from">The stage from which it starts.</param>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="baseline">The stance before; null when nothing was measured yet.</param>
    public static Prediction Predict(
        Plan plan,
        Stage from,
        Vehicle vehicle,
        WalkRoundStance? baseline
    )
    {
        var refusals = plan
            .Stacks.Select(s =>
                LiftLaw.Refusal(
                    s.Corner,
                    s.Parts,
                    vehicle.SuspensionOf(Corners.AxleOf(s.Corner)).Kind
                )
            )
            .OfType<string>()
            .ToArray();
        var (supports, missing) = VehicleSupports.Of(vehicle);
        if (supports is null)
        {
            return None(plan, baseline, refusals, missing!);
        }
        if (FreeRise.Of(plan, from, vehicle) is not ({ } mean, { } covariance, var rests))
        {
            return None(plan, baseline, refusals, FreeRise.WhyNot(plan, from, vehicle));
        }
        var body = new BodyOnSprings([
            .. supports.Select((s, i) => s with { FreeRiseMm = mean[i] }),
        ]);
        var motion = body.Solve();
        if (baseline is null || baseline.Stations.Count == 0)
        {
            return None(
                plan,
                baseline,
                refusals,
                "Nothing was measured at this stage yet: walk round the vehicle first."
            );
        }

        var rows = vehicle
            .Stations.Select(s => (Station: s, Before: baseline.At(s.Name)))
            .Where(s => s.Before is not null)
            .Select(s => Row(s.Station, s.Before!, body, mean, covariance, rests))
            .ToArray();
        var sums = new Sums(vehicle, baseline, body, mean, covariance, rests);
        return new Prediction
        {
            PlanId = plan.Id,
            WalkRoundId = baseline.WalkRoundId,
            Datum = baseline.Datum,
            Stations = rows,
            Rake = sums.Of(
                baseline.Rake,
                (Corners.LF, -0.5),
                (Corners.RF, -0.5),
                (Corners.LR, 0.5),
                (Corners.RR, 0.5)
            ),
            LeanFront = sums.Of(baseline.LeanFront, (Corners.LF, 1), (Corners.RF, -1)),
            LeanRear = sums.Of(baseline.LeanRear, (Corners.LR, 1), (Corners.RR, -1)),
            FrontRise = sums.Of(null, (Corners.LF, 0.5), (Corners.RF, 0.5)),
            RearRise = sums.Of(null, (Corners.LR, 0.5), (Corners.RR, 0.5)),
            Loads =
            [
                .. body.LoadChanges(motion)
                    .Select(
                        (n, i) =>
                            new LoadChange(
                                Corners.All[i],
                                Result.Of(n, "N", null, rests, Known.Estimated)
                            )
                    ),
            ],
            Cannot = null,
            Basis = Basis(plan, vehicle),
            Refusals = refusals,
        };
    }

    private static PredictedStation Row(
        Station station,
        StationHeight before,
        BodyOnSprings body,
        Vector<double> mean,
        Matrix<double> covariance,
        IReadOnlyList<Guid> rests
    )
    {
        var response = Vector<double>.Build.DenseOfEnumerable(
            body.Response(station.X.In("mm"), station.Y.In("mm"))
        );
        var rise = response * mean;
        var u = Math.Sqrt(Math.Max(0, response * covariance * response));
        var height = before.Height.Value!.Value + rise;
        var total = Math.Sqrt((u * u) + (before.Height.U!.Value * before.Height.U.Value));
        return new PredictedStation(
            station.Name,
            before.Height,
            Result.Of(rise, "mm", u, rests),
            Result.Of(height, "mm", total, [.. before.Height.RestsOn, .. rests])
        );
    }

    private static List<string> Basis(Plan plan, Vehicle vehicle)
    {
        var basis = new List<string>();
        var kinds = plan.Stacks.SelectMany(s => s.Parts.Select(p => p.Kind)).ToHashSet();
        if (
            plan.Stacks.FirstOrDefault(s => s.Parts.Any(p => p.Kind == PartKind.StrutTopSpacer)) is
            { } spaced
        )
        {
            basis.Add(
                WishbonePoints.Of(vehicle.SuspensionOf(Corners.AxleOf(spaced.Corner))) is { } points
                    ? string.Create(
                        System.Globalization.CultureInfo.InvariantCulture,
                        $"Lift ratio {Ratio(points):0.00} ± {2 * LiftLaw.TapedRatioShare * Ratio(points):0.00} at ride height, from the suspension's taped points."
                    )
                    : "Lift ratio 1.9 ± 0.6 for a strut on an arm, a rule of thumb: tape the suspension's points for a better one."
            );
        }
        if (kinds.Contains(PartKind.Block))
        {
            basis.Add("A block lifts by its own thickness.");
        }
        basis.Add("Spring rates are estimated from the axle masses.");
        var guessed = vehicle
            .Dimensions.Named()
            .Count(n => n.Value is { Known: not (Known.Measured or Known.Document) });
        if (guessed > 0)
        {
            basis.Add($"{guessed} of this vehicle's sizes are estimated.");
        }
        return basis;
    }

    private static double Ratio(WishbonePoints points)
    {
        var linkage = new DoubleWishbone(points);
        return 1 / linkage.At(linkage.RideLengthMm)!.Value.MotionRatio;
    }

    private static Prediction None(
        Plan plan,
        WalkRoundStance? baseline,
        IReadOnlyList<string> refusals,
        string why
    ) =>
        new()
        {
            PlanId = plan.Id,
            WalkRoundId = baseline?.WalkRoundId,
            Datum = baseline?.Datum,
            Stations = [],
            Rake = Result.No("mm", why),
            LeanFront = Result.No("mm", why),
            LeanRear = Result.No("mm", why),
            FrontRise = Result.No("mm", why),
            RearRise = Result.No("mm", why),
            Loads = [],
            Cannot = why,
            Basis = [],
            Refusals = refusals,
        };

    /// <summary>Weighted sums of predicted rises, with the covariance between corners kept.</summary>
    private sealed class Sums(
        Vehicle vehicle,
        WalkRoundStance baseline,
        BodyOnSprings body,
        Vector<double> mean,
        Matrix<double> covariance,
        IReadOnlyList<Guid> rests
    )
    {
        public Result Of(Result? before, params ReadOnlySpan<(string Station, double Factor)> terms)
        {
            if (before?.Cannot is { } why)
            {
                return Result.No("mm", why);
            }
            var response = Vector<double>.Build.Dense(4);
            foreach (var (name, factor) in terms)
            {
                if (vehicle.Stations.FirstOrDefault(s => s.Name == name) is not { } station)
                {
                    return Result.No("mm", $"This vehicle has no station {name}.");
                }
                response +=
                    factor
                    * Vector<double>.Build.DenseOfEnumerable(
                        body.Response(station.X.In("mm"), station.Y.In("mm"))
                    );
            }
            var u = before?.U ?? 0;
            return Result.Of(
                (before?.Value ?? 0) + (response * mean),
                "mm",
                Math.Sqrt((u * u) + Math.Max(0, response * covariance * response)),
                [
                    .. before?.RestsOn ?? [],
                    .. rests,
                    .. baseline.Stations.SelectMany(s => before is null ? [] : s.Height.RestsOn),
                ]
            );
        }
    }
}
