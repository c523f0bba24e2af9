using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>A vehicle as members that meet in joints: what a job card is derived from.</summary>
/// <remarks>Source: docs/computation/job-card.md#members-and-joints. The usual set follows from body and suspensions; what a shop knows better replaces it, joint by joint.</remarks>
public sealed class VehicleGraph
{
    private readonly Dictionary<string, GraphJoint> _byPlace;
    private readonly ILookup<Member, (GraphJoint Joint, Hold Hold)> _holding;

    private VehicleGraph(IReadOnlyList<GraphJoint> joints, Difference difference)
    {
        Joints = joints;
        _byPlace = joints.ToDictionary(j => j.Place);
        Heavy =
        [
            .. joints
                .SelectMany(j => j.Holds)
                .Select(h => h.Hung)
                .Distinct()
                .Where(m => m.Kind.Needs() != Holds.Nothing),
        ];
        _holding = joints
            .SelectMany(j => j.Holds.Select(h => (h.Hung, Joint: j, Hold: h)))
            .ToLookup(x => x.Hung, x => (x.Joint, x.Hold));
        Changes = difference;
    }

    /// <summary>Every joint, from front to rear and left to right.</summary>
    public IReadOnlyList<GraphJoint> Joints { get; }

    /// <summary>Every member that must be carried and located at each step.</summary>
    public IReadOnlyList<Member> Heavy { get; }

    /// <summary>What another suspension brings and takes; nothing where the suspensions stay.</summary>
    internal Difference Changes { get; }

    /// <summary>The joints through which a member hangs on others.</summary>
    internal IEnumerable<(GraphJoint Joint, Hold Hold)> Holding(Member member) => _holding[member];

    /// <summary>A joint by where it is and its name, or null: this vehicle has none.</summary>
    public GraphJoint? Find(string where, string name) =>
        _byPlace.GetValueOrDefault($"{where} {name}");

    /// <summary>A joint by its place, or null: this vehicle has none.</summary>
    public GraphJoint? Find(string place) => _byPlace.GetValueOrDefault(place);

    /// <summary>The graph of a vehicle.</summary>
    /// <param name="vehicle">The vehicle, with its suspensions at the stage from which the work starts.</param>
    /// <param name="kept">What is kept of its joints; kind, fasteners and order come from there, and a joint that it has not is left out.</param>
    /// <param name="converted">The vehicle as the work makes it; null where its suspensions stay.</param>
    /// <param name="anew">Whether what is kept of the old suspension's joints does not hold for those of the new one: until its fitting begins.</param>
    public static VehicleGraph Of(
        Vehicle vehicle,
        IReadOnlyList<Joint> kept,
        Vehicle? converted = null,
        bool anew = false
    )
    {
        var rows = kept.DistinctBy(j => j.Place).ToDictionary(j => j.Place);
        var before = Usual(vehicle);
        var after = converted is null ? before : Usual(converted);
        var there = before.Select(j => j.Place).ToHashSet();
        var then = after.ToDictionary(j => j.Place);
        return new VehicleGraph(
            [
                .. before
                    .Select(j =>
                        converted is not null && then.GetValueOrDefault(j.Place) is { } next
                            ? Both(j, next)
                            : j
                    )
                    .Concat(after.Where(j => !there.Contains(j.Place)))
                    .Where(j => rows.GetValueOrDefault(j.Place) is not { None: true })
                    .Select(j =>
                        rows.GetValueOrDefault(j.Place) is { } row && !(anew && Renews(j))
                            ? j with
                            {
                                Kind = row.Kind,
                                Fasteners = row.Fasteners,
                                Order = row.Order,
                            }
                            : j
                    ),
            ],
            Difference.Of(before, after)
        );

        bool Renews(GraphJoint joint) =>
            joint.OfSuspension
            && converted is not null
            && Corners.AxleAt(joint.Where) is { } axle
            && converted.SuspensionOf(axle) != vehicle.SuspensionOf(axle);
    }

    private static GraphJoint[] Usual(Vehicle vehicle) =>
        [.. Corners.Axles.SelectMany(a => AxleGraph.Of(vehicle, a)), .. BodyGraph.Of(vehicle)];

    /// <summary>A joint of the same name before and after: undone as it is, brought home as it will be.</summary>
    private static GraphJoint Both(GraphJoint before, GraphJoint after) =>
        after with
        {
            Rank = before.Rank,
            Holds = [.. before.Holds.Union(after.Holds)],
            Undo = before.Undo,
            Off = before.Off,
            Keeps = before.Keeps ?? after.Keeps,
        };

    /// <summary>What is on a vehicle only before, or only after, another suspension came in.</summary>
    /// <param name="Coming">Places of joints that are there only afterwards.</param>
    /// <param name="Going">Places of joints that are there only before.</param>
    /// <param name="NotYet">Members that are there only afterwards.</param>
    /// <param name="NoMore">Members that are there only before.</param>
    internal sealed record Difference(
        IReadOnlySet<string> Coming,
        IReadOnlySet<string> Going,
        IReadOnlySet<Member> NotYet,
        IReadOnlySet<Member> NoMore
    )
    {
        public static Difference Of(GraphJoint[] before, GraphJoint[] after)
        {
            var (there, then) = (Places(before), Places(after));
            var (was, shall) = (Members(before), Members(after));
            return new Difference(
                then.Except(there).ToHashSet(),
                there.Except(then).ToHashSet(),
                shall.Except(was).ToHashSet(),
                was.Except(shall).ToHashSet()
            );
        }

        private static HashSet<string> Places(GraphJoint[] joints) =>
            [.. joints.Select(j => j.Place)];

        private static HashSet<Member> Members(GraphJoint[] joints) =>
            [.. joints.SelectMany(j => j.Holds).SelectMany(h => new[] { h.Hung, h.By })];
    }
}
