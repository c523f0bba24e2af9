using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>A vehicle as members that meet in joints: what a job card is derived from.</summary>
/// <remarks>Source: docs/computation/job-card.md#members-and-joints. The usual set follows from body and suspensions; what a shop knows better replaces it, joint by joint.</remarks>
public sealed class VehicleGraph
{
    private readonly Dictionary<string, GraphJoint> _byPlace;

    private VehicleGraph(IReadOnlyList<GraphJoint> joints)
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
    }

    private readonly ILookup<Member, (GraphJoint Joint, Hold Hold)> _holding;

    /// <summary>Every joint, from front to rear and left to right.</summary>
    public IReadOnlyList<GraphJoint> Joints { get; }

    /// <summary>Every member that must be carried and located at each step.</summary>
    public IReadOnlyList<Member> Heavy { get; }

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
    public static VehicleGraph Of(Vehicle vehicle, IReadOnlyList<Joint> kept)
    {
        var rows = kept.DistinctBy(j => j.Place).ToDictionary(j => j.Place);
        return new(
            [.. Corners.Axles.SelectMany(a => AxleGraph.Of(vehicle, a)), .. BodyGraph.Of(vehicle)],
            rows
        );
    }

    private VehicleGraph(IReadOnlyList<GraphJoint> usual, Dictionary<string, Joint> kept)
        : this([
            .. usual
                .Where(j => kept.GetValueOrDefault(j.Place) is not { None: true })
                .Select(j =>
                    kept.GetValueOrDefault(j.Place) is { } row
                        ? j with
                        {
                            Kind = row.Kind,
                            Fasteners = row.Fasteners,
                            Order = row.Order,
                        }
                        : j
                ),
        ]) { }
}
