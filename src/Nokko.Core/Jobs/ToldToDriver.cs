using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>What whoever drives it away is told, from what was done to this vehicle and what was measured on it.</summary>
/// <remarks>Source: docs/computation/job-card.md#told-at-the-hand-over.</remarks>
public static class ToldToDriver
{
    /// <summary>The sentences, in an owner's words; none while nothing was fitted.</summary>
    /// <param name="d">The job.</param>
    /// <param name="results">What was computed from it.</param>
    /// <param name="style">How lengths are written.</param>
    public static IReadOnlyList<string> Of(JobDocument d, JobResults results, LengthStyle style)
    {
        if (d.BegunPlan() is not { } plan || d.StartOf(plan) is not { } from)
        {
            return [];
        }
        var card = Progress.CardOf(d);
        var lifts = Corners.Axles.Any(a => plan.MayLift(a, from));
        return
        [
            "First a brake test at walking pace, then a short slow drive.",
            .. Height(results.SinceFirst, lifts, style),
            "What it may carry and tow did not change: its plates and papers hold, whatever the springs could bear.",
            .. Lamps(d, plan),
            .. Room(d, results, style),
            .. card.Joints.Any(j => j.Kind == JointKind.Wheel)
                ? new[]
                {
                    "The wheels were off: their nuts are tightened again after 50 to 100 miles.",
                }
                : [],
            .. Listen(d, results, card, plan, from),
        ];
    }

    private static IEnumerable<string> Height(Comparison? since, bool lifts, LengthStyle style)
    {
        var rises = since is null
            ? []
            : Corners
                .All.Select(c =>
                    since.Corners.FirstOrDefault(m => m.Corner == c)?.Body
                        is { Value: not null } body
                        ? body
                        : since.Rises.FirstOrDefault(r => r.Station == c.Name())?.Rise
                )
                .OfType<Result>()
                .Where(r => r is { Value: { } value, U: { } u } && Math.Abs(value) > 2 * u)
                .Select(r => r.Have().Mean)
                .ToArray();
        if (rises.Length > 0 && rises.Max() > 0)
        {
            yield return $"It stands up to {LengthText.Show(rises.Max(), style)} higher than when it came: measure it before a garage, a car wash or a load on the roof.";
            yield return "Its weight stands higher: it leans more in bends and on side slopes, and a sharp swerve upsets it sooner. Learn it slowly.";
        }
        else if (since is null && lifts)
        {
            yield return "It stands at another height than when it came, and nobody measured by how much: measure it before a garage or a car wash.";
        }
        if (rises.Length > 0 && rises.Min() < 0)
        {
            yield return $"It stands up to {LengthText.Show(-rises.Min(), style)} lower at a corner than when it came: kerbs and ramps come closer.";
        }
    }

    private static IEnumerable<string> Lamps(JobDocument d, Plan plan) =>
        (
            d.FrozenPredictions.FirstOrDefault(f => f.PlanId == plan.Id)?.Prediction.Companions
            ?? []
        ).Any(c => c.What.StartsWith(Companions.OfLamps, StringComparison.Ordinal))
            ?
            [
                "The body stands at another angle: have the headlights’ aim checked before driving in the dark.",
            ]
            : [];

    /// <summary>Room of the front tyres at full lock, as it was measured since the work.</summary>
    private static IEnumerable<string> Room(JobDocument d, JobResults results, LengthStyle style)
    {
        var least = (
            from round in results.WalkRounds
            where round.StageId == d.CurrentStage()?.Id
            from m in round.Measures
            where m.Measure == Measures.FenderAtLock && m.Value.Value is not null
            select m.Value.Value
        ).Min();
        if (least is { } mm)
        {
            yield return $"At full lock the tyre has {LengthText.Show(mm, style)} to the fender, standing: over a bump it is less.";
        }
    }

    private static IEnumerable<string> Listen(
        JobDocument d,
        JobResults results,
        JobCard card,
        Plan plan,
        Stage from
    )
    {
        bool Moves(params MechanismKind[] kinds) => results.Moved.Any(m => kinds.Contains(m.Kind));
        var now = d.VehicleNow();
        string[] signs =
        [
            .. card.Joints.Any(j => j.Kind != JointKind.Wheel)
                ? new[] { "a knock over bumps" }
                : [],
            .. Moves(MechanismKind.Contacts) ? new[] { "a rub at full lock or over a bump" } : [],
            .. Moves(MechanismKind.Propshaft, MechanismKind.Pinion, MechanismKind.CvShaft)
                ? new[] { "a drone or shake that comes with speed" }
                : [],
            .. plan.MayLift(Axle.Front, from)
                ? new[] { "steering that pulls, wanders or does not come back" }
                : [],
            .. now.Front.HeightControl is not null || now.Rear.HeightControl is not null
                ? new[] { "a lamp of the height control" }
                : [],
        ];
        if (signs.Length > 0)
        {
            yield return $"Slow down and call us at {(signs.Length == 1 ? signs[0] : $"{string.Join(", ", signs[..^1])}, or {signs[^1]}")}.";
        }
    }
}
