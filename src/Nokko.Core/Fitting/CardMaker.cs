using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>Makes a job card: operations, their shared openings, what must hold before each, and the closing in reverse.</summary>
/// <remarks>Source: docs/computation/job-card.md#how-a-card-is-made.</remarks>
internal sealed partial class CardMaker(
    Vehicle vehicle,
    VehicleGraph graph,
    Equipment equipment,
    FittingSchools schools,
    IReadOnlyList<CornerChange> changes,
    IReadOnlyList<AxleConversion> conversions
)
{
    private readonly List<CardStep> _steps = [];
    private readonly Board _board = new(graph);
    private readonly HashSet<string> _opened = [];
    private readonly HashSet<string> _loosened = [];
    private readonly List<GraphJoint> _atRideHeight = [];
    private readonly HashSet<string> _worked = [];

    /// <summary>Operations that are worked on together.</summary>
    /// <param name="Where">Corner, axle or vehicle of its steps.</param>
    /// <param name="Key">What begins the keys of its steps.</param>
    /// <param name="Side">How its side is said before a title, where the place does not say it.</param>
    /// <param name="Operations">The operations.</param>
    private sealed record Unit(
        string Where,
        string Key,
        string? Side,
        IReadOnlyList<Operation> Operations
    );

    /// <summary>The card.</summary>
    public JobCard Make()
    {
        var operations = new Operations(vehicle, graph, schools).Of(changes, conversions);
        BeforeItGoesUp(operations);
        Body([.. operations.Where(o => o.Kind == OperationKind.BodyMounts)]);
        var raised = operations.Where(o => o.Raised).ToArray();
        foreach (var axles in Lifts(raised))
        {
            Lift(axles, raised);
        }
        Afterwards(operations);
        var worked = _steps
            .Where(s => s.Pass is not null)
            .SelectMany(s => s.Joints)
            .Distinct()
            .Select(p => graph.Find(p)!);
        return new JobCard(
            _steps,
            [.. worked.Select(j => new CardJoint(j.Where, j.Place, j.Kind, j.Fasteners, j.Order))]
        )
        {
            Graph = graph,
        };
    }

    private static string AxleOf(Operation o) =>
        Corners.AxleAt(o.Where) is { } axle ? axle.Said() : o.Where;

    /// <summary>The axles that are in the air together.</summary>
    private IEnumerable<Axle[]> Lifts(IReadOnlyList<Operation> raised)
    {
        Axle[] order =
            schools.First == EndFirst.Front ? [Axle.Front, Axle.Rear] : [Axle.Rear, Axle.Front];
        Axle[] touched = [.. order.Where(a => raised.Any(o => AxleOf(o) == a.Said()))];
        return touched.Length == 0 ? []
            : InOne ? [touched]
            : touched.Select(a => new[] { a });
    }

    /// <summary>Whether the whole vehicle goes up at once.</summary>
    private bool InOne =>
        equipment == Equipment.TwoPostLift || schools.Stands == StandsWay.FourStands;

    private void Lift(Axle[] axles, IReadOnlyList<Operation> raised)
    {
        var where = InOne ? "vehicle" : axles[0].Said();
        var mine = raised.Where(o => axles.Any(a => a.Said() == AxleOf(o))).ToArray();
        var wheels = Corners
            .All.Where(c =>
                mine.Any(o =>
                    o.WheelOff && (o.Where == c.Name() || o.Where == Corners.AxleOf(c).Said())
                )
            )
            .Select(c => graph.Find(c.Name(), Names.Wheel))
            .OfType<GraphJoint>()
            .ToArray();
        Up(where, axles, wheels);
        Change(new Unit(where, where, null, [.. mine.Where(o => o.Kind == OperationKind.Wheel)]));
        foreach (var axle in axles)
        {
            Work(
                axle,
                [.. mine.Where(o => AxleOf(o) == axle.Said() && o.Kind != OperationKind.Wheel)]
            );
        }
        Down(where, axles, wheels, mine);
    }

    private void Work(Axle axle, Operation[] mine)
    {
        if (mine.Length == 0)
        {
            return;
        }
        var spread = mine.Max(o => o.Spread);
        if (spread == Spread.Together)
        {
            var unit = new Unit(axle.Said(), axle.Said(), null, mine);
            Open(unit);
            Change(unit);
            Close(unit, []);
            Final(unit);
            return;
        }
        var whole = new Unit(
            axle.Said(),
            axle.Said(),
            null,
            [.. mine.Where(o => o.Where == axle.Said())]
        );
        Unit[] sides =
        [
            .. Corners
                .Of(axle)
                .Select(c => new Unit(
                    c.Name(),
                    c.Name(),
                    null,
                    [.. mine.Where(o => o.Where == c.Name())]
                ))
                .Where(u => u.Operations.Count > 0),
        ];
        if (whole.Operations.Count > 0)
        {
            Open(whole);
            Change(whole);
            Close(whole, []);
        }
        Sides(sides, spread);
        if (whole.Operations.Count > 0)
        {
            Final(whole);
        }
    }

    /// <summary>The sides one after the other, or both open at once.</summary>
    private void Sides(IReadOnlyList<Unit> sides, Spread spread)
    {
        var together = spread == Spread.EachSide && schools.Sides == SidesWay.Together;
        if (together)
        {
            foreach (var side in sides)
            {
                Open(side);
            }
        }
        foreach (var (side, i) in sides.Select((s, i) => (s, i)))
        {
            if (!together)
            {
                Open(side);
            }
            Change(side);
            Close(side, [.. sides.Skip(i + 1)]);
            if (spread == Spread.EachSide)
            {
                Final(side);
            }
        }
        if (spread == Spread.OneSide)
        {
            foreach (var side in sides)
            {
                Final(side);
            }
        }
    }

    private IEnumerable<GraphJoint> Joints(IEnumerable<string> places) =>
        places.Distinct().Select(graph.Find).OfType<GraphJoint>();

    private void Close(Unit unit, IReadOnlyList<Unit> later)
    {
        var still = later.SelectMany(u => u.Operations).SelectMany(o => o.Opens).ToHashSet();
        var joints = Worked(unit)
            .Where(j => !still.Contains(j.Place) && _worked.Add(j.Place))
            .ToArray();
        _mine[unit.Key] = joints;
        var bench = joints.Where(j => j.OnBench).ToArray();
        if (bench.Length > 0)
        {
            Closing(
                unit,
                "bench",
                bench[0].Kind == JointKind.CentreNut
                    ? "Centre nut final while the coil is held"
                    : "Final on the bench",
                "with the part still on the bench",
                bench,
                Pass.Final,
                5
            );
        }
        GraphJoint[] turned = [.. joints.Where(j => !j.OnBench && !j.Kind.IsLookedAt())];
        var minutes = unit.Operations.Sum(o => o.Minutes.Home);
        if (turned.Length > 0)
        {
            Closing(
                unit,
                "home",
                "Bring it home, all by hand",
                $"in this order, each started by hand; where holes do not meet, ask why first (bar still on, other side up, wrong way round), {LineUp(unit)}; no stud is bent, no jack lifts the body through a joint",
                turned,
                Pass.Hand,
                Math.Max(2, minutes / 2)
            );
            Closing(
                unit,
                "snug",
                "Snug all of it",
                "every fastener of a joint is snug before any is final; rubber and seats wait for ride height",
                turned,
                Pass.Snug,
                Math.Max(2, minutes / 4)
            );
        }
        _atRideHeight.AddRange(
            joints.Where(j => j.Kind.Final() is FinalAt.RideHeight or FinalAt.Ground)
        );
    }

    private readonly Dictionary<string, GraphJoint[]> _mine = [];

    /// <summary>What may be final hanging.</summary>
    private void Final(Unit unit)
    {
        GraphJoint[] joints =
        [
            .. _mine[unit.Key]
                .Where(j => !j.OnBench && j.Kind.Final() is (FinalAt.Snug or FinalAt.Hanging)),
        ];
        if (joints.Length > 0)
        {
            Closing(
                unit,
                "final-hanging",
                "Final: what may be final hanging",
                "torques from the service information; new cotter pins; brackets and clips are looked at now, before the wheel hides them",
                joints,
                Pass.Final,
                Math.Max(3, unit.Operations.Sum(o => o.Minutes.Home) / 4)
            );
        }
    }

    /// <summary>The joints that a unit closes, in the order of closing.</summary>
    private IEnumerable<GraphJoint> Worked(Unit unit) =>
        Joints(
                unit.Operations.SelectMany(o =>
                    o.Opens.Concat(o.Loosens).Concat(o.Makes).Except(o.Ends.Except(o.Makes))
                )
            )
            .Where(j => j.Name != Names.Wheel)
            .OrderByDescending(j => j.Rank);

    private void Closing(
        Unit unit,
        string key,
        string title,
        string how,
        GraphJoint[] joints,
        Pass pass,
        int minutes
    ) =>
        Do(
            Step(unit, key, title, Sentence(how), minutes) with
            {
                Joints = [.. joints.Select(j => j.Place)],
                Lines =
                    pass == Pass.Hand ? [.. Homes(unit), .. key == "home" ? Threads() : []]
                    : joints[0].OnBench ? [.. Homes(unit)]
                    : [],
                Operations =
                    key == "home"
                        ? [.. unit.Operations.Select(o => o.Kind).Distinct().Order()]
                        : [],
                Pass = pass,
                People = pass == Pass.Hand ? People(unit) : 1,
                Tools = pass == Pass.Final ? ["torque wrench"] : [],
            }
        );

    /// <summary>What to look at as the joints of a unit come home.</summary>
    private IEnumerable<string> Homes(Unit unit) =>
        _mine
            .GetValueOrDefault(unit.Key, [])
            .Where(j => j.Home is not null)
            .GroupBy(j => (j.Name, j.Home))
            .Select(g => $"{g.Key.Name}: {g.Key.Home}");

    private void Add(Unit unit, string key, string title, string how, int minutes) =>
        Do(Step(unit, key, title, how, minutes));

    private static CardStep Step(Unit unit, string key, string title, string how, int minutes) =>
        new()
        {
            Key = $"{unit.Key}/{key}",
            Where = unit.Where,
            Title = unit.Side is { } side ? $"{Sentence(side)[..^1]}: {title}" : title,
            Do = how,
            Minutes = minutes,
        };

    /// <summary>Takes a step on the card, and lets the vehicle follow.</summary>
    private void Do(CardStep step)
    {
        _steps.Add(step);
        _board.Do(step);
    }

    private static int People(Unit unit) =>
        unit.Operations.Select(o => o.People).DefaultIfEmpty(1).Max();

    private static string Both(GraphJoint[] joints) =>
        joints.Select(j => Corners.Named(j.Where)).Where(c => c is not null).Distinct().Count() > 1
            ? "On both sides. "
            : "";

    private static string Leaves(Member[] gone) =>
        gone.Length == 0 ? "" : $" Take out: {Listed([.. gone.Select(m => m.Said)])}.";

    private static string Phrases(IEnumerable<string> phrases) =>
        string.Join("; ", phrases.Distinct());

    private static string Listed(string[] what) =>
        what.Length < 2 ? string.Concat(what) : $"{string.Join(", ", what[..^1])} and {what[^1]}";

    private static string Sentence(string words) =>
        words.Length == 0 ? "" : $"{char.ToUpperInvariant(words[0])}{words[1..]}.";

    private static string Slug(string words) =>
        words.Replace(' ', '-').Replace(",", "", StringComparison.Ordinal);
}
