using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>A follow-up that a job calls for, from what was done to this vehicle; distances and days count from the hand-over and are rules of thumb.</summary>
/// <param name="What">What, in a fitter's words.</param>
/// <param name="Why">Why, with what it is about by name.</param>
/// <param name="Days">By so many days.</param>
/// <param name="Km">Or so many kilometres, whichever comes first; 0 where no distance makes it due.</param>
public sealed record FollowUpSuggestion(string What, string Why, int Days, double Km)
{
    /// <summary>What ends the name of that which only a licensed shop may do.</summary>
    public const string Licensed = "at a licensed shop";

    // To the metre: what is added to an odometer is not rounded on its own.
    private static readonly double Miles50 = Unit.Mile.To(Unit.Km, 50);
    private static readonly double Miles100 = Unit.Mile.To(Unit.Km, 100);
    private static readonly double Miles500 = Unit.Mile.To(Unit.Km, 500);
    private static readonly double Miles3000 = Unit.Mile.To(Unit.Km, 3000);

    /// <summary>Joints that go on settling after the first re-torque.</summary>
    private static bool Settles(JointKind kind) =>
        kind is JointKind.UBolt or JointKind.SpringEye or JointKind.Wheel;

    /// <summary>Everything that a job calls for, the earliest first; nothing while nothing was fitted.</summary>
    /// <param name="d">The job.</param>
    /// <param name="card">The card of the plan that is being fitted: what it opens is tightened again.</param>
    public static IReadOnlyList<FollowUpSuggestion> Of(JobDocument d, JobCard card) =>
        d.BegunPlan() is { } plan && d.StartOf(plan) is { } from
            ?
            [
                .. Torques(d, plan, card)
                    .Concat(Heights(plan, from))
                    .Concat(Shops(d, plan, from))
                    .Concat(Tyres(d, plan, from))
                    .Concat(LeftFor(d, plan))
                    .DistinctBy(f => f.What)
                    .OrderBy(f => f.Days)
                    .ThenBy(f => f.What, StringComparer.Ordinal),
            ]
            : [];

    private static IEnumerable<FollowUpSuggestion> Torques(JobDocument d, Plan plan, JobCard card)
    {
        // What was turned by an angle is not turned again: it is stretched already.
        var opened = card.Joints.Select(j => j.Place).ToHashSet();
        Joint[] tightened =
        [
            .. d.Joints.Where(j =>
                !j.None && !j.Kind.IsLookedAt() && j.Spec?.Angle is null && opened.Contains(j.Place)
            ),
        ];
        if (tightened.Length > 0)
        {
            yield return new(
                "Re-torque what was opened",
                $"Paint and faces settle in the first 50 to 100 miles: {Places(tightened)}.",
                14,
                Miles50
            );
        }
        Joint[] later = [.. tightened.Where(j => Settles(j.Kind))];
        if (later.Length > 0)
        {
            yield return new(
                "Re-torque once more",
                $"These go on settling: {Places(later)}.",
                60,
                Miles500
            );
        }
        foreach (var joint in d.Joints)
        {
            if (d.PassesOver(joint.Id, plan.Id) is [.., { Why: { } why }])
            {
                yield return new(
                    $"Look again at {joint.Place}",
                    $"It stayed off its spec: {why}",
                    7,
                    Miles50
                );
            }
        }
    }

    private static IEnumerable<FollowUpSuggestion> Heights(Plan plan, Stage from)
    {
        if (Corners.Axles.Any(a => plan.MayLift(a, from)))
        {
            yield return new("Read the heights after a night", "The first settling shows.", 1, 0);
            yield return new(
                "Read the heights again",
                "New springs and rubber come down over the first 100 miles.",
                21,
                Miles100
            );
            yield return new(
                "Read the heights once more",
                "What it sits at now, it keeps.",
                60,
                Miles500
            );
        }
    }

    private static IEnumerable<FollowUpSuggestion> Shops(JobDocument d, Plan plan, Stage from)
    {
        foreach (var axle in Corners.Axles.Where(a => plan.MayLift(a, from)))
        {
            var kind = (plan.Of(axle)?.To ?? from.SuspensionOf(axle)).Kind;
            if (d.Vehicle.Kind == VehicleKind.Utv && !kind.IsLiveAxle())
            {
                yield return new(
                    $"Toe and camber, {axle.Said()}",
                    "Height moves both, and on this kind of vehicle play moves them on.",
                    90,
                    0
                );
            }
            else if (!kind.IsLiveAxle())
            {
                yield return new(
                    $"Alignment of the {axle.Said()} {Licensed}",
                    axle == Axle.Front
                        ? "Height moves toe, camber and caster."
                        : "Height moves toe and camber.",
                    7,
                    Miles50
                );
            }
            else if (axle == Axle.Front)
            {
                yield return new(
                    $"Toe and caster of the front axle {Licensed}",
                    "A live axle keeps its camber: the lift turns its caster, and the drag link its wheel.",
                    7,
                    Miles50
                );
            }
        }
        var companions =
            d.FrozenPredictions.FirstOrDefault(f => f.PlanId == plan.Id)?.Prediction.Companions
            ?? [];
        if (
            companions.FirstOrDefault(c =>
                c.What.StartsWith(Companions.OfLamps, StringComparison.Ordinal)
            ) is
            { } lamps
        )
        {
            yield return new("Headlight aim", $"{lamps.What}.", 7, Miles50);
        }
        if (
            companions.Any(c => c.What.StartsWith(Companions.LevelSensor, StringComparison.Ordinal))
        )
        {
            yield return new(
                "Level sensors and warning lamps",
                "The sensors were moved with the height: read out what they say, and look for lamps.",
                7,
                Miles50
            );
        }
    }

    /// <summary>What wears askew shows on the tread, later than on any rack; a cart's angles are read before that.</summary>
    private static IEnumerable<FollowUpSuggestion> Tyres(JobDocument d, Plan plan, Stage from)
    {
        string[] turned =
        [
            .. Corners
                .Axles.Where(a => plan.MayLift(a, from) && d.Vehicle.Kind != VehicleKind.Utv)
                .Select(a =>
                    !(plan.Of(a)?.To ?? from.SuspensionOf(a)).Kind.IsLiveAxle()
                        ? $"the height moved toe and camber of the {a.Said()} axle: feathered edges tell of toe, one worn shoulder of camber"
                    : a == Axle.Front ? "the front axle is live: feathered edges tell of its toe"
                    : null
                )
                .OfType<string>(),
        ];
        if (turned.Length > 0)
        {
            var why = string.Join("; ", turned);
            yield return new(
                "Look at how the tyres wear",
                $"{char.ToUpperInvariant(why[0])}{why[1..]}.",
                120,
                Miles3000
            );
        }
    }

    /// <summary>What was left for later in writing.</summary>
    private static IEnumerable<FollowUpSuggestion> LeftFor(JobDocument d, Plan plan)
    {
        foreach (
            var deviation in d.Deviations.Where(x =>
                x.LookAgain is not null && x.At >= plan.BegunAt
            )
        )
        {
            yield return new(
                $"Look again at {deviation.Where}",
                $"{deviation.Did}: {deviation.Why} ({deviation.LookAgain})",
                7,
                Miles50
            );
        }
        foreach (var promised in d.Promises.Where(p => p.KeptAt is null))
        {
            yield return new(promised.What, "It was promised.", 30, 0);
        }
    }

    private static string Places(IEnumerable<Joint> joints) =>
        string.Join(", ", joints.Select(j => j.Place).Order(StringComparer.Ordinal));
}
