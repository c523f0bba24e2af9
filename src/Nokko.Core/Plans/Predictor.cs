using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Geometry;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Plans;

/// <summary>Predicts heights: the difference of two stacks through the lift laws and the body on its springs.</summary>
/// <remarks>
/// Source: docs/computation/body-on-springs.md#equilibrium, docs/computation/lifts.md#laws, docs/computation/learning.md#lift-line. A prediction is the difference of two stacks, so taking a part out is the same arithmetic as putting one in.
/// Offset and ratio are common to both sides of an axle; thickness is each part's own.
/// </remarks>
public static class Predictor
{
    /// <summary>Predicts what a plan does.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="situation">The vehicle as it stands.</param>
    public static Prediction Predict(Plan plan, Situation situation)
    {
        var prediction = Predict(plan, situation, null);
        var settles = SettlingAxle.Of(situation.Vehicle, situation.From, plan);
        return prediction with
        {
            Misfits = Misfit.Of(plan, situation.Converted(plan)) is { Count: > 0 } misfits
                ? misfits
                : null,
            Settles =
                prediction.Cannot is null && settles.Count > 0
                    ? [.. settles.Select(s => s.Foretold(situation.Settled))]
                    : null,
        };
    }

    /// <summary>The same with axles as they would be if more were known of them.</summary>
    internal static Prediction Predict(
        Plan plan,
        Situation situation,
        Func<AxleState, AxleState>? known
    )
    {
        situation = situation.Converted(plan);
        var (from, vehicle, baseline) = situation;
        var (loads, standard) = (situation.Loads, situation.Standard);
        var axles = Axles(situation, plan);
        if (known is not null)
        {
            axles = [.. axles.Select(known)];
        }
        string[] refusals =
        [
            .. plan.Stacks.SelectMany(s =>
                LiftLaw.Refusals(s.Corner, s.Parts, AxleOf(axles, s.Corner))
            ),
            .. axles
                .Where(a =>
                    a.Suspension.HeightControl == HeightControl.OneSensor
                    && plan.Stacks.Where(s => Corners.AxleOf(s.Corner) == a.Axle)
                        .SelectMany(s => s.Parts)
                        .Count(p => p.Kind == PartKind.LevelSensorLink) > 1
                )
                .Select(a => $"One sensor has one link ({a.Axle.Said()}): take the other out."),
        ];
        var (on, missing) = VehicleBody.Of(vehicle);
        if (on is null)
        {
            return None(plan, baseline, refusals, missing!);
        }
        var (heights, unknown) = NewHeights.Of(plan, baseline, axles);
        if (heights is null)
        {
            return None(plan, baseline, refusals, unknown!);
        }
        var (rises, why) = FreeRise.Of(plan, from, vehicle, axles, heights);
        if (rises is null)
        {
            return None(plan, baseline, refusals, why!);
        }
        if (baseline is null || baseline.Stations.Count == 0)
        {
            return None(plan, baseline, refusals, NothingMeasured);
        }
        var stays = loads.Where(l => l.Stays).ToArray();
        var body = new PredictedBody(on, rises, stays);
        var corners = CornersOf(plan, from, on, axles, heights);
        var front = body.Sum(baseline, null, ("LF", 0.5), ("RF", 0.5));
        var rear = body.Sum(baseline, null, ("LR", 0.5), ("RR", 0.5));
        return new Prediction
        {
            PlanId = plan.Id,
            WalkRoundId = baseline.WalkRoundId,
            Datum = baseline.Datum,
            Stations = body.Stations(baseline),
            Rake = body.Rake(baseline),
            LeanFront = body.Sum(baseline, baseline.LeanFront, ("LF", 1), ("RF", -1)),
            LeanRear = body.Sum(baseline, baseline.LeanRear, ("LR", 1), ("RR", -1)),
            FrontRise = front,
            RearRise = rear,
            Loads = body.LoadChanges(),
            Corners = corners,
            Companions = Companions.Of(plan, vehicle, corners, body.OverFloor()),
            Lifts =
            [
                new PlannedLift(
                    Axle.Front,
                    front,
                    OverStandard(Axle.Front, front, baseline, standard)
                ),
                new PlannedLift(Axle.Rear, rear, OverStandard(Axle.Rear, rear, baseline, standard)),
            ],
            Landing = Landing(on, rises, situation),
            Loaded = Loaded(on, rises, baseline, loads, front, rear),
            Cost = CostOf(plan, situation),
            Cannot = null,
            Basis = PredictionBasis.Of(plan, vehicle, axles, stays, heights),
            Refusals = refusals,
        };
    }

    /// <summary>Why nothing is told before anybody measured.</summary>
    internal const string NothingMeasured =
        "Nothing was measured at this stage yet: walk round the vehicle first.";

    /// <summary>Both axles with all that is known of them.</summary>
    /// <param name="situation">The vehicle.</param>
    /// <param name="plan">The plan that puts it together anew; null as it stands.</param>
    internal static AxleState[] Axles(Situation situation, Plan? plan = null) =>
        [.. Corners.Axles.Select(axle => StateOf(axle, situation, plan?.Of(axle) is not null))];

    private static AxleState StateOf(Axle axle, Situation s, bool converted) =>
        AxleState.Of(s.Vehicle, axle) with
        {
            // Springs that were never on it have not sagged.
            BelowStandard = converted ? null : BelowStandard(axle, s.From, s.Baseline, s.Standard),
            OdometerKm = s.OdometerKm,
            LeastHoseMm = s.Limits.Of(MechanismKind.Hoses),
            Learned = s
                .Learned.Where(l => l.Key.Axle == axle)
                .ToDictionary(l => l.Key.Family, l => l.Value),
        };

    /// <summary>The chance of landing within the target; null when nobody asked.</summary>
    private static Result? Landing(VehicleBody body, FreeRises rises, Situation s)
    {
        if (s.Target is null)
        {
            return null;
        }
        var (odds, why) = StanceOdds.Of(body, s.Baseline!, s.Target, s);
        return odds is null
            ? Result.No(Unit.One, why!)
            : Result.Of(odds.Chance(rises, s.Target, s.Limits), Unit.One, null, rises.Parts);
    }

    private static AxleState AxleOf(AxleState[] axles, Corner corner) =>
        axles[Corners.AxleOf(corner) == Axle.Front ? 0 : 1];

    /// <summary>Standard height less today's, of an axle to which nothing was added.</summary>
    private static Estimate? BelowStandard(
        Axle axle,
        Stage from,
        WalkRoundStance? now,
        WalkRoundStance? standard
    )
    {
        var corners = Corners.Of(axle);
        return
            from.Stacks.All(s => !corners.Contains(s.Corner) || s.Parts.Count == 0)
            && MeanOf(corners, now) is { } today
            && MeanOf(corners, standard) is { } was
            && now!.Datum == standard!.Datum
            ? Result.Sum(Unit.Mm, [(1, was), (-1, today)]).Found
            : null;
    }

    private static Result? MeanOf(IReadOnlyList<Corner> corners, WalkRoundStance? stance)
    {
        if (stance is null)
        {
            return null;
        }
        var heights = corners
            .Select(c =>
                stance.Stations.FirstOrDefault(s =>
                    s.Station == c.Name() && s.Datum == stance.Datum
                )
            )
            .OfType<StationHeight>()
            .Select(s => s.Height)
            .ToArray();
        return heights.Length == corners.Count ? Result.Mean(Unit.Mm, heights) : null;
    }

    private static Result OverStandard(
        Axle axle,
        Result rise,
        WalkRoundStance baseline,
        WalkRoundStance? standard
    )
    {
        var corners = Corners.Of(axle);
        if (rise.Cannot is not null)
        {
            return rise;
        }
        return
            MeanOf(corners, baseline) is { } today
            && MeanOf(corners, standard) is { } was
            && baseline.Datum == standard!.Datum
            ? Result.Sum(Unit.Mm, [(1, rise), (1, today), (-1, was)])
            : Result.No(Unit.Mm, "Standard height is not known, or in another datum.");
    }

    /// <summary>What the plan leaves of each corner that it touches, against the vehicle without added parts.</summary>
    internal static IReadOnlyList<CornerOutlook> CornersOf(
        Plan plan,
        Stage from,
        VehicleBody body,
        AxleState[] axles,
        IReadOnlyList<NewHeights> heights
    )
    {
        var bare = @from with { Stacks = [] };
        var (rises, _) = FreeRise.Of(
            plan,
            bare,
            body.Vehicle,
            axles,
            [.. heights.Select(h => h.OverSetUp())]
        );
        if (rises is null)
        {
            return [];
        }
        var motion = body.Springs.Solve(rises.SpringsMm());
        var covariance = rises.Covariance.SubMatrix(0, 4, 0, 4);
        TravelEnds[] bares = [.. axles.Select(TravelEnds.Bare)];
        return
        [
            .. Corners.All.Select(
                (c, i) =>
                    new CornerLimits(
                        axles[i / 2],
                        bares[i / 2],
                        CornerStack.At(plan.Stacks, c),
                        rises.MeanMm[FreeRises.Pucks + i],
                        rises.MeanMm[FreeRises.Tyres + i]
                    ).Outlook(
                        c,
                        (
                            motion.RiseAt(body.Supports[i].XMm, body.Supports[i].YMm),
                            UAt(body.Supports[i])
                        ),
                        rises.ToppedOut.Contains(c)
                    )
            ),
        ];

        // Over one wheel the frame follows all four springs.
        double UAt(Support support)
        {
            var response = Vector<double>.Build.Dense(
                body.Springs.Response(support.XMm, support.YMm)
            );
            return Math.Sqrt(Math.Max(0, response * covariance * response));
        }
    }

    private static LoadedStance? Loaded(
        VehicleBody body,
        FreeRises rises,
        WalkRoundStance baseline,
        IReadOnlyList<StatedLoad> loads,
        Result front,
        Result rear
    )
    {
        if (loads.All(l => l.Stays))
        {
            return null;
        }
        var loaded = new PredictedBody(body, rises, loads);
        return new LoadedStance(
            [.. loads.Where(l => !l.Stays).Select(l => l.Name)],
            loaded.Rake(baseline),
            Less(loaded.Sum(baseline, null, ("LF", 0.5), ("RF", 0.5)), front),
            Less(loaded.Sum(baseline, null, ("LR", 0.5), ("RR", 0.5)), rear),
            loaded.Stations(baseline)
        );

        // What both have in common goes out with the difference; what the load adds is left.
        static Result Less(Result with, Result without) =>
            with is { Value: { } a, U: { } ua } && without is { Value: { } b, U: { } ub }
                ? Result.Of(
                    a - b,
                    Unit.Mm,
                    Math.Sqrt(Math.Max(0, (ua * ua) - (ub * ub))),
                    with.RestsOn
                )
                : Result.No(Unit.Mm, with.Cannot ?? without.Cannot!);
    }

    private static PlanCost CostOf(Plan plan, Situation situation)
    {
        var from = situation.From;
        var there = from.Stacks.SelectMany(s => s.Parts).Select(p => p.Id).ToHashSet();
        // What comes out of a box costs what the box costs.
        var come = plan
            .Stacks.SelectMany(s => s.Parts)
            .Where(p => !there.Contains(p.Id) && p.KitId is null)
            .ToArray();
        var kits = situation.Kits.Where(k => k.PlanId == plan.Id).ToArray();
        // A piece that moves costs nothing, but it takes its time.
        double?[] hours =
        [
            .. Corners
                .All.SelectMany(c => CornerStack.Change(c, from.Stacks, plan.Stacks).Come)
                .Select(p => p.Hours?.In(Unit.Hour)),
            .. kits.Select(k => k.Hours?.In(Unit.Hour)),
        ];
        (decimal? Price, string? Currency)[] prices =
        [
            .. come.Select(p => (p.Price, p.Currency)),
            .. kits.Select(k => (k.Price, k.Currency)),
        ];
        string?[] currencies =
        [
            .. prices.Where(p => p.Price is not null).Select(p => p.Currency).Distinct(),
        ];
        return new PlanCost(
            prices.Length,
            currencies.Length == 1 ? prices.Sum(p => p.Price ?? 0) : null,
            currencies.Length == 1 ? currencies[0] : null,
            hours.Any(h => h is not null) ? hours.Sum(h => h ?? 0) : null,
            come.Count(p => p.Price is null && !PartRule.Of(p.Kind).Turned)
                + kits.Count(k => k.Price is null)
        );
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
            Rake = Result.No(Unit.Mm, why),
            LeanFront = Result.No(Unit.Mm, why),
            LeanRear = Result.No(Unit.Mm, why),
            FrontRise = Result.No(Unit.Mm, why),
            RearRise = Result.No(Unit.Mm, why),
            Loads = [],
            Cannot = why,
            Basis = [],
            Refusals = refusals,
        };
}
