using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>What holds one heavy member at a moment of the work.</summary>
/// <param name="Member">The member, as said.</param>
/// <param name="Where">LF, RF, LR, RR, front, rear or vehicle.</param>
/// <param name="Carries">What carries it or stops its droop.</param>
/// <param name="X">What locates it forward and back.</param>
/// <param name="Y">What locates it sideways.</param>
/// <param name="Turn">What keeps it from turning or tipping.</param>
public sealed record BoardLine(
    string Member,
    string Where,
    IReadOnlyList<string> Carries,
    IReadOnlyList<string> X,
    IReadOnlyList<string> Y,
    IReadOnlyList<string> Turn
);

/// <summary>The vehicle at a moment of the work: which joints are open, and what stands under it.</summary>
/// <remarks>Source: docs/computation/job-card.md#what-holds-it.</remarks>
internal sealed class Board(VehicleGraph graph)
{
    private static readonly Holds[] Each = [Holds.Left, Holds.Right, Holds.X, Holds.Y, Holds.Turn];

    private readonly HashSet<string> _open = [.. graph.Changes.Coming];
    private readonly List<Support> _supports = [];
    private readonly HashSet<Member> _left = [.. graph.Changes.NotYet];
    private readonly HashSet<Axle> _renewed = [];

    /// <summary>Joints that are open.</summary>
    public IReadOnlySet<string> Open => _open;

    /// <summary>What stands under its members.</summary>
    public IReadOnlyList<Support> Supports => _supports;

    /// <summary>Lets the vehicle follow a step.</summary>
    public void Do(CardStep step)
    {
        _supports.AddRange(step.Under);
        _open.UnionWith(step.Opens);
        _left.UnionWith(step.Out);
        if (step.Joints.Count > 0)
        {
            _open.ExceptWith(step.Joints);
            _renewed.UnionWith(
                step.Joints.Select(graph.Find)
                    .Where(j => j is { OfSuspension: true })
                    .Select(j => Corners.AxleAt(j!.Where))
                    .OfType<Axle>()
            );
            // What comes home is held by its own joints again.
            _left.RemoveWhere(m => graph.Heavy.Contains(m) && Lacks(m) == Holds.Nothing);
        }
        if (step.ClearsSupports)
        {
            _supports.Clear();
        }
    }

    /// <summary>What a member would miss at this moment; one that was taken out misses nothing.</summary>
    public Holds Missing(Member member) => _left.Contains(member) ? Holds.Nothing : Lacks(member);

    private Holds Lacks(Member member) =>
        Each.Where(h => member.Kind.Needs().HasFlag(h) && !Has(member, h, []))
            .Aggregate(Holds.Nothing, (a, b) => a | b);

    /// <summary>Every heavy member that misses something, with what.</summary>
    public IEnumerable<(Member Member, Holds Missing)> Lacking() =>
        graph
            .Heavy.Select(m => (Member: m, Missing: Missing(m)))
            .Where(x => x.Missing != Holds.Nothing);

    /// <summary>Every heavy member that would miss something with these joints open too.</summary>
    public IReadOnlyList<(Member Member, Holds Missing)> LackingWith(IEnumerable<string> places)
    {
        string[] fresh = [.. places.Where(_open.Add)];
        (Member, Holds)[] lacking = [.. Lacking()];
        _open.ExceptWith(fresh);
        return lacking;
    }

    /// <summary>What holds a member in one way, as said.</summary>
    public IReadOnlyList<string> Holding(Member member, Holds way) =>
        [
            .. _supports.Where(s => s.Under == member && (s.Gives & way) != 0).Select(s => s.Said),
            .. graph
                .Holding(member)
                .Where(x =>
                    !_open.Contains(x.Joint.Place)
                    && Each.Any(h =>
                        way.HasFlag(h) && x.Hold.What.HasFlag(h) && Has(x.Hold.By, h, [member])
                    )
                )
                .Select(x => x.Joint.Place),
        ];

    /// <summary>The line of a member.</summary>
    public BoardLine Line(Member member) =>
        new(
            member.Said,
            member.Where,
            Holding(member, Holds.Carries),
            Holding(member, Holds.X),
            Holding(member, Holds.Y),
            Holding(member, Holds.Turn)
        );

    /// <summary>Lines of the heavy members that are held otherwise than on an untouched vehicle.</summary>
    public IReadOnlyList<BoardLine> Lines() =>
        [
            .. graph
                .Heavy.Where(m =>
                    !_left.Contains(m)
                    && (
                        _supports.Any(s => s.Under == m)
                        || graph
                            .Holding(m)
                            .Any(x => _open.Contains(x.Joint.Place) && !IsAway(x.Joint))
                    )
                )
                .Select(Line),
        ];

    /// <summary>Whether an open joint is none that somebody undid: it has not come yet, or it left with the old suspension and the new one is on.</summary>
    private bool IsAway(GraphJoint joint) =>
        graph.Changes.Coming.Contains(joint.Place)
        || (
            graph.Changes.Going.Contains(joint.Place)
            && Corners.AxleAt(joint.Where) is { } axle
            && _renewed.Contains(axle)
        );

    private bool Has(Member member, Holds one, HashSet<Member> seen)
    {
        if (member == Member.Frame || _supports.Any(s => s.Under == member && s.Gives.HasFlag(one)))
        {
            return true;
        }
        return seen.Add(member)
            && graph
                .Holding(member)
                .Any(x =>
                    x.Hold.What.HasFlag(one)
                    && !_open.Contains(x.Joint.Place)
                    && Has(x.Hold.By, one, seen)
                );
    }
}
