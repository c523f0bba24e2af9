using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Finding;

/// <summary>What takes back something that a stack moves beyond its limit.</summary>
/// <param name="Kind">What it moves.</param>
/// <param name="Where">front, rear or vehicle.</param>
/// <param name="Says">How it stands without a cure.</param>
/// <param name="Parts">The pieces that take least and bring it back, each with its corner; empty where none at hand does.</param>
/// <param name="Hours">Hours to fit them.</param>
/// <param name="Money">What they cost; one without a price costs the median of its kind.</param>
public sealed record GeometryCure(
    MechanismKind Kind,
    string Where,
    string Says,
    IReadOnlyList<(Corner Corner, PlacedPart Part)> Parts,
    double Hours,
    double Money
);

/// <summary>Holds what a stack moves within its limits: which pieces at hand take it back for least.</summary>
/// <remarks>
/// Source: docs/computation/finding.md#what-it-moves-within-its-limits. A piece does it when the geometry of the plan with it says so, and when it puts nothing else beyond its limit.
/// What nobody taped is beyond no limit, so it is not held.
/// </remarks>
internal sealed class HeldGeometry
{
    private readonly Situation _situation;
    private readonly SearchPool _pool;
    private readonly double _hourRate;

    /// <summary>Pieces that may come, by kind, those that take least first.</summary>
    private readonly ILookup<PartKind, PlacedPart> _atHand;

    public HeldGeometry(
        Situation situation,
        IReadOnlyList<Part> shelf,
        SearchRules rules,
        SearchPool pool
    )
    {
        (_situation, _pool, _hourRate) = (situation, pool, rules.HourRate);
        _atHand = shelf
            .Where(p => p.BinnedAt is null && (p.Count > 0 || rules.MayBuy))
            .Select(p => PlacedPart.Of(p, p.Id))
            .Concat(Stops())
            .OrderBy(Takes)
            .ThenBy(p => p.Id)
            .ToLookup(p => p.Kind);
    }

    /// <summary>Settings of the steering stops that are looked at: whole degrees, the least first.</summary>
    private static IEnumerable<PlacedPart> Stops() =>
        Enumerable
            .Range(1, TyreContacts.MostEarlier)
            .Select(degrees =>
                PlacedPart.EarlierStops(
                    new Guid(degrees, 0x7374, 0x6f70, 0x80, 0, 0, 0, 0, 0, 0, 0),
                    new Quantity
                    {
                        Value = degrees,
                        Unit = Unit.Degree,
                        Known = Known.Computed,
                    }
                )
            );

    /// <summary>What stacks move beyond its limit, each with what takes it back.</summary>
    /// <param name="stacks">What would stand at every corner.</param>
    public IReadOnlyList<GeometryCure> Of(IReadOnlyList<CornerStack> stacks)
    {
        var cures = new List<GeometryCure>();
        var (standing, open) = (stacks, Beyond(stacks));
        while (
            open.FirstOrDefault(m => CureParts.Of(m.Kind).Count > 0 && !cures.Any(c => Same(c, m)))
                is { } next
        )
        {
            var (pieces, with, left) = Cure(next, standing, open);
            cures.Add(
                new(
                    next.Kind,
                    next.Where,
                    next.Says,
                    pieces,
                    pieces.Sum(p => p.Part.WorkHours()),
                    pieces.Sum(p => _pool.PriceOf(p.Part))
                )
            );
            (standing, open) = (with, left);
        }
        return cures;
    }

    /// <summary>The cheapest set of pieces that brings one thing back and puts nothing else beyond its limit.</summary>
    private (
        IReadOnlyList<(Corner Corner, PlacedPart Part)> Pieces,
        IReadOnlyList<CornerStack> With,
        Mechanism[] Left
    ) Cure(Mechanism broken, IReadOnlyList<CornerStack> stacks, Mechanism[] open)
    {
        var axle = broken.Where == Axle.Front.Said() ? Axle.Front : Axle.Rear;
        foreach (
            var set in CureParts
                .Of(broken.Kind)
                .SelectMany(Sets)
                .Where(set =>
                    set.All(p =>
                        HasPlace(p.Kind, axle) && _pool.Fits(p, axle).State != FitState.DoesNot
                    )
                )
                .OrderBy(set => set.Sum(p => Takes(p) * Corners(p.Kind, axle).Count))
        )
        {
            (Corner, PlacedPart)[] pieces =
            [
                .. set.SelectMany(p =>
                    Corners(p.Kind, axle)
                        .Select(c => (c, p with { Id = AxleOptions.PieceId(p.Id, c) }))
                ),
            ];
            var with = With(stacks, pieces);
            if (!_pool.Enough(Uses(with)))
            {
                continue;
            }
            var left = Beyond(with);
            if (left.All(m => !Same(m, broken) && open.Any(o => Same(o, m))))
            {
                return (pieces, with, left);
            }
        }
        return ([], stacks, open);
    }

    private IEnumerable<PlacedPart[]> Sets(IReadOnlyList<PartKind> kinds) =>
        kinds.Aggregate(
            (IEnumerable<PlacedPart[]>)
                [
                    [],
                ],
            (sets, kind) =>
                sets.SelectMany(set => _atHand[kind].Select(p => (PlacedPart[])[.. set, p]))
        );

    private Mechanism[] Beyond(IReadOnlyList<CornerStack> stacks) =>
        [
            .. PlanGeometry
                .Of(
                    new Plan
                    {
                        Id = Guid.Empty,
                        Name = "",
                        FromStageId = _situation.From.Id,
                        Stacks = stacks,
                    },
                    _situation
                )
                .Mechanisms.Where(m => m.Beyond),
        ];

    private IReadOnlyList<Corner> Corners(PartKind kind, Axle axle)
    {
        var both = Vehicles.Corners.Of(axle);
        return !PartRule.Of(kind).PerAxle
            ? both
            : [both[_situation.Vehicle.SuspensionOf(axle).BarBodyEnd == Side.Right ? 1 : 0]];
    }

    private bool HasPlace(PartKind kind, Axle axle) =>
        PartRule.Of(kind).FitsOn(_situation.Vehicle.SuspensionOf(axle).Kind)
        && !(PartRule.Of(kind).SteeredOnly && axle == Axle.Rear);

    private double Takes(PlacedPart part) => _pool.PriceOf(part) + (part.WorkHours() * _hourRate);

    private static bool Same(Mechanism a, Mechanism b) => a.Kind == b.Kind && a.Where == b.Where;

    private static bool Same(GeometryCure a, Mechanism b) => a.Kind == b.Kind && a.Where == b.Where;

    private static Dictionary<Guid, int> Uses(IEnumerable<CornerStack> stacks) =>
        stacks
            .SelectMany(s => s.Parts)
            .Select(p => p.PartId)
            .OfType<Guid>()
            .GroupBy(p => p)
            .ToDictionary(g => g.Key, g => g.Count());

    /// <summary>Stacks with pieces at their corners; what stands alone comes instead of what stood there.</summary>
    private static IReadOnlyList<CornerStack> With(
        IReadOnlyList<CornerStack> stacks,
        IReadOnlyList<(Corner Corner, PlacedPart Part)> pieces
    ) =>
        [
            .. Vehicles
                .Corners.All.Select(corner => new CornerStack
                {
                    Corner = corner,
                    Parts = CornerStack.Joined(
                        CornerStack.At(stacks, corner),
                        [.. pieces.Where(p => p.Corner == corner).Select(p => p.Part)]
                    ),
                })
                .Where(s => s.Parts.Count > 0),
        ];
}
