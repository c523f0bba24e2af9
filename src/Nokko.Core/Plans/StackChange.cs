using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>What one family of a stack amounts to at one corner.</summary>
/// <param name="Present">Whether there is anything of the family.</param>
/// <param name="AllKnown">Whether all of it has a size.</param>
/// <param name="OutsideMm">What lengthens the strut as a whole, or acts at the wheel; mm.</param>
/// <param name="InsideMm">What squeezes the coil inside the strut: preload, collar, another coil; mm.</param>
internal readonly record struct FamilyAmount(
    bool Present,
    bool AllKnown,
    double OutsideMm,
    double InsideMm
)
{
    public double Mm => OutsideMm + InsideMm;

    /// <summary>Whether bushings settle at another angle for it: not when lowered pivots match the spacer, then no arm has turned.</summary>
    public bool Lets => Present && !(AllKnown && Math.Abs(Mm) < 0.5);
}

/// <summary>The stacks of one corner before and after, family by family.</summary>
internal sealed class StackChange
{
    private readonly Dictionary<LiftFamily, FamilyAmount> _from = [];
    private readonly Dictionary<LiftFamily, FamilyAmount> _to = [];
    private readonly Dictionary<LiftFamily, (double Own, double Common)> _variance = [];

    private StackChange(Corner corner) => Corner = corner;

    public Corner Corner { get; }

    /// <summary>Pieces that come or go.</summary>
    public List<Guid> Parts { get; } = [];

    /// <summary>What comes back of the old spring's sag where a new one takes its place, and what is lost where it returns, mm at the wheel.</summary>
    public (Estimate? From, Estimate? To) Sag { get; private set; }

    /// <summary>Outer diameter of the tyre before, mm; null is the vehicle's own.</summary>
    public double? TyreFrom { get; private set; }

    /// <summary>Outer diameter of the tyre after, mm; null is the vehicle's own.</summary>
    public double? TyreTo { get; private set; }

    /// <summary>The tyre that comes, by its name; null where none does.</summary>
    public string? TyreName { get; private set; }

    /// <summary>Lengths of the strut that is in, when they are known.</summary>
    public StrutLengths? StrutFrom { get; private init; }

    /// <summary>Lengths of the strut that will be in, when they are known: a whole coil-over brings its own.</summary>
    public StrutLengths? StrutTo { get; private init; }

    public FamilyAmount From(LiftFamily family) => _from.GetValueOrDefault(family);

    public FamilyAmount To(LiftFamily family) => _to.GetValueOrDefault(family);

    public double OwnVariance(LiftFamily family) => _variance.GetValueOrDefault(family).Own;

    public double CommonU(LiftFamily family) =>
        Math.Sqrt(_variance.GetValueOrDefault(family).Common);

    /// <summary>Whether anything of the family comes or goes.</summary>
    public bool Touches(LiftFamily family) =>
        From(family) != To(family)
        || _variance.ContainsKey(family)
        || (family == LiftFamily.Wheel && Sag.From.HasValue != Sag.To.HasValue);

    /// <summary>The change, or why it cannot be told: a part that comes or goes has no size. One that stays changes nothing, whatever is known of it.</summary>
    public static (StackChange? Change, string? Why) Of(
        Corner corner,
        IReadOnlyList<PlacedPart> old,
        IReadOnlyList<PlacedPart> next,
        AxleState axle
    )
    {
        var change = new StackChange(corner)
        {
            StrutFrom = StrutLengths.Of(axle, old),
            StrutTo = StrutLengths.Of(axle, next),
        };
        var stays = old.Select(p => p.Id).Intersect(next.Select(p => p.Id)).ToHashSet();
        foreach (
            var (parts, sums, isNext) in new[]
            {
                (old, change._from, false),
                (next, change._to, true),
            }
        )
        {
            foreach (var part in parts)
            {
                var why = StackAmounts.Of(part, axle, out var shares);
                if (why is not null && !stays.Contains(part.Id))
                {
                    return (
                        null,
                        part.Kind == PartKind.Unknown
                            ? $"What {part.Name} does on the {Corners.Said(corner)} cannot be foretold."
                            : why
                    );
                }
                change.Take(part, why is null, shares, sums, !stays.Contains(part.Id));
                if (shares.Select(s => s.Sag).FirstOrDefault(s => s is not null) is { } sag)
                {
                    change.Sag = isNext ? (change.Sag.From, sag) : (sag, change.Sag.To);
                }
                if (part.Get(PartSizes.Diameter) is { } diameter)
                {
                    if (isNext)
                    {
                        (change.TyreTo, change.TyreName) = (diameter, part.Name);
                    }
                    else
                    {
                        change.TyreFrom = diameter;
                    }
                }
            }
        }
        return (change, null);
    }

    private void Take(
        PlacedPart part,
        bool known,
        IReadOnlyList<StackAmounts.Share> shares,
        Dictionary<LiftFamily, FamilyAmount> sums,
        bool changes
    )
    {
        if (changes)
        {
            Parts.Add(part.PartId ?? part.Id);
        }
        if (!known && PartRule.Of(part.Kind).Family is var family and not LiftFamily.None)
        {
            var sum = sums.GetValueOrDefault(family, new FamilyAmount(false, true, 0, 0));
            sums[family] = sum with { Present = true, AllKnown = false };
        }
        foreach (var share in shares)
        {
            var sum = sums.GetValueOrDefault(share.Family, new FamilyAmount(false, true, 0, 0));
            sums[share.Family] = sum with
            {
                Present = true,
                OutsideMm = sum.OutsideMm + (share.Inside ? 0 : share.Mm),
                InsideMm = sum.InsideMm + (share.Inside ? share.Mm : 0),
            };
            if (changes)
            {
                var (own, common) = _variance.GetValueOrDefault(share.Family);
                _variance[share.Family] = (
                    own + (share.OwnU * share.OwnU),
                    common + (share.CommonU * share.CommonU)
                );
            }
        }
    }
}
