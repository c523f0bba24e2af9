using Nokko.Core.Units;

namespace Nokko.Core.Fitting;

/// <summary>What an earlier vehicle of the platform had: its joints, and its fittings step by step.</summary>
/// <param name="Said">The vehicle as said.</param>
/// <param name="Joints">Its joints.</param>
/// <param name="Fittings">The steps done, for each plan that was fitted.</param>
public sealed record EarlierFitting(
    string Said,
    IReadOnlyList<Joint> Joints,
    IReadOnlyList<IReadOnlyList<StepEntry>> Fittings
);

/// <summary>A spec that earlier vehicles of the platform had at a joint: offered, to be confirmed here.</summary>
/// <param name="Spec">The spec, with its source.</param>
/// <param name="Vehicles">On how many of them.</param>
/// <param name="Said">The last of them.</param>
public sealed record OfferedSpec(JointSpec Spec, int Vehicles, string Said);

/// <summary>What earlier vehicles tell of a joint.</summary>
/// <param name="Place">The joint.</param>
/// <param name="Specs">Their specs, that of most vehicles first; more than one is a disagreement.</param>
/// <param name="Kind">What holds it on the last of them that differs from this one; null where none does.</param>
/// <param name="Fasteners">The fasteners there; null where none differs.</param>
/// <param name="None">How many of them had no such joint.</param>
/// <param name="Said">The vehicle whose joint differs.</param>
public sealed record OfferedJoint(
    string Place,
    IReadOnlyList<OfferedSpec> Specs,
    JointKind? Kind,
    IReadOnlyList<Fastener>? Fasteners,
    int None,
    string? Said
);

/// <summary>How long a step took before.</summary>
/// <param name="Step">Key of the step on this card.</param>
/// <param name="Times">How often it was timed.</param>
/// <param name="Usual">The median, min.</param>
/// <param name="Least">The shortest, min.</param>
/// <param name="Most">The longest, min.</param>
public sealed record StepTime(string Step, int Times, double Usual, double Least, double Most);

/// <summary>What earlier fittings of a platform offer to the next one.</summary>
/// <remarks>Source: docs/computation/job-card.md#what-earlier-jobs-offer.</remarks>
public static class EarlierFittings
{
    /// <summary>Two torques that differ by less are the same value written in two units, N·m.</summary>
    private const double SameNm = 0.5;

    /// <summary>What earlier vehicles tell of a card's joints, in its order.</summary>
    /// <param name="card">The card.</param>
    /// <param name="joints">The joints of this vehicle.</param>
    /// <param name="earlier">Earlier vehicles, the latest first.</param>
    public static IReadOnlyList<OfferedJoint> Joints(
        JobCard card,
        IReadOnlyList<Joint> joints,
        IReadOnlyList<EarlierFitting> earlier
    ) =>
        [
            .. card
                .Joints.Select(c => joints.FirstOrDefault(j => j.Place == c.Place))
                .OfType<Joint>()
                .Select(j => Offer(j, earlier))
                .Where(o => o is not { Specs: [], Kind: null, Fasteners: null, None: 0 }),
        ];

    private static OfferedJoint Offer(Joint joint, IReadOnlyList<EarlierFitting> earlier)
    {
        (string Said, Joint Its)[] there =
        [
            .. earlier.SelectMany(e =>
                e.Joints.Where(j => j.Place == joint.Place).Take(1).Select(j => (e.Said, j))
            ),
        ];
        var specs = new List<OfferedSpec>();
        foreach (
            var (said, spec) in earlier.SelectMany(e =>
                SpecOf(e, joint.Place) is { } s ? [(e.Said, s)] : Array.Empty<(string, JointSpec)>()
            )
        )
        {
            var same = specs.FindIndex(o => Same(o.Spec, spec));
            if (same < 0)
            {
                specs.Add(new(spec, 1, said));
            }
            else
            {
                specs[same] = specs[same] with { Vehicles = specs[same].Vehicles + 1 };
            }
        }
        // Its own spec is no offer, unless another one speaks against it.
        if (joint.Spec is { } mine)
        {
            specs.RemoveAll(o => Same(o.Spec, mine));
        }
        var differs = there.FirstOrDefault(t =>
            !t.Its.None && (t.Its.Kind != joint.Kind || !Alike(t.Its.Fasteners, joint.Fasteners))
        );
        return new OfferedJoint(
            joint.Place,
            [.. specs.OrderByDescending(o => o.Vehicles)],
            differs.Its?.Kind is { } kind && kind != joint.Kind ? kind : null,
            differs.Its is { } other && !Alike(other.Fasteners, joint.Fasteners)
                ? other.Fasteners
                : null,
            there.Count(t => t.Its.None),
            differs.Said
        );
    }

    /// <summary>The spec of a joint on a vehicle: its own, else that of the same joint on the other side.</summary>
    private static JointSpec? SpecOf(EarlierFitting vehicle, string place) =>
        vehicle.Joints.FirstOrDefault(j => j.Place == place && !j.None)?.Spec
        ?? (
            FittingRules.Twin(place) is { } twin
                ? vehicle.Joints.FirstOrDefault(j => j.Place == twin && !j.None)?.Spec
                : null
        );

    private static bool Same(JointSpec a, JointSpec b) =>
        Near(a.Torque, b.Torque, Unit.NewtonMetre, SameNm)
        && Near(a.Angle, b.Angle, Unit.Degree, SameNm)
        && a.Criterion == b.Criterion;

    private static bool Near(Quantity? a, Quantity? b, Unit unit, double by) =>
        (a, b) switch
        {
            (null, null) => true,
            ({ } x, { } y) => Math.Abs(x.In(unit) - y.In(unit)) < by,
            _ => false,
        };

    private static bool Alike(IReadOnlyList<Fastener> a, IReadOnlyList<Fastener> b) =>
        a.Select(Key).SequenceEqual(b.Select(Key));

    private static (string, int, string?, string?, bool, string?) Key(Fastener f) =>
        (f.Position, f.Count, f.Thread, f.Wrench, f.NewPartOnly, f.Threadlocker);

    /// <summary>How long the steps of a card took before: the same work, the first and the second side of an axle apart.</summary>
    /// <param name="card">The card.</param>
    /// <param name="fittings">Earlier fittings, each with its steps.</param>
    public static IReadOnlyList<StepTime> Times(
        JobCard card,
        IEnumerable<IReadOnlyList<StepEntry>> fittings
    )
    {
        var taken = fittings
            .SelectMany(Sided)
            .Where(x => x.Entry.Minutes is > 0)
            .ToLookup(x => (x.Entry.Work!, x.Second), x => x.Entry.Minutes!.Value);
        return
        [
            .. Sided(card)
                .Select(x => (x.Step, Minutes: taken[(x.Step.Work, x.Second)].Order().ToArray()))
                .Where(x => x.Minutes.Length > 0)
                .Select(x => new StepTime(
                    x.Step.Key,
                    x.Minutes.Length,
                    Median(x.Minutes),
                    x.Minutes[0],
                    x.Minutes[^1]
                )),
        ];
    }

    /// <summary>The steps of one fitting in order, each with whether the same was done on the other side before: the second side goes faster.</summary>
    /// <param name="fitting">Steps of one plan; those of which nobody kept what they worked on are left out.</param>
    public static IEnumerable<(StepEntry Entry, bool Second)> Sided(IEnumerable<StepEntry> fitting)
    {
        var seen = new HashSet<string>();
        foreach (var step in fitting.Where(s => s.Work is not null).OrderBy(s => s.At))
        {
            yield return (step, IsSecond(step.Step, seen));
            seen.Add(step.Step);
        }
    }

    /// <summary>The steps of a card, each with whether the same stands on it for the other side before.</summary>
    /// <param name="card">The card.</param>
    public static IEnumerable<(CardStep Step, bool Second)> Sided(JobCard card)
    {
        var seen = new HashSet<string>();
        foreach (var step in card.Steps)
        {
            yield return (step, IsSecond(step.Key, seen));
            seen.Add(step.Key);
        }
    }

    private static bool IsSecond(string step, HashSet<string> before) =>
        FittingRules.TwinOfStep(step) is { } twin && before.Contains(twin);

    /// <summary>The median of values in order.</summary>
    private static double Median(double[] inOrder) =>
        (inOrder[(inOrder.Length - 1) / 2] + inOrder[inOrder.Length / 2]) / 2;
}
