using MathNet.Numerics.Statistics;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;

namespace Nokko.Core.Finding;

/// <summary>Parts from which stacks can be put together: those on the shelf, and those on the vehicle that may go elsewhere.</summary>
internal sealed class SearchPool
{
    private readonly Dictionary<Guid, int> _available = [];
    private readonly Dictionary<Guid, string> _names = [];
    private readonly Dictionary<PartKind, double> _median;
    private readonly bool _mayBuy;
    private readonly Situation _situation;
    private readonly Dictionary<(Guid, Vehicles.Axle), FitVerdict> _fits = [];

    public SearchPool(Situation situation, IReadOnlyList<Part> shelf, SearchRules rules)
    {
        (_situation, _mayBuy, HourRate) = (situation, rules.MayBuy, rules.HourRate);
        _median = shelf
            .Where(p => p.Price is not null && p.BinnedAt is null)
            .GroupBy(p => p.Kind)
            .ToDictionary(g => g.Key, g => g.Select(p => (double)p.Price!.Value).Median());
        bool[] axles =
        [
            .. Vehicles.Corners.Axles.Select(a =>
                situation.Vehicle.SuspensionOf(a).HeightControl is not null
            ),
        ];
        var left = new List<(string, string)>();
        foreach (var part in shelf.Where(p => p.BinnedAt is null).OrderBy(p => p.Id))
        {
            (_available[part.Id], _names[part.Id]) = (part.Count, part.Name);
            if (!axles.Any(held => Lifts(part.Kind, held)))
            {
                continue;
            }
            var placed = PlacedPart.Of(part, part.Id);
            if (rules.WhyNot(part.Kind) is { } why)
            {
                left.Add((part.Name, why));
            }
            else if (WhyNowhere(placed) is { } nowhere)
            {
                left.Add((part.Name, nowhere));
            }
            else if (part.Count == 0 && !_mayBuy)
            {
                left.Add((part.Name, "none on the shelf"));
            }
            else
            {
                Parts.Add(placed);
            }
        }
        foreach (var piece in situation.From.Stacks.SelectMany(s => s.Parts))
        {
            if (piece.PartId is { } id)
            {
                // A piece on the vehicle can come off and go elsewhere.
                _available[id] = _available.GetValueOrDefault(id) + 1;
                _names.TryAdd(id, piece.Name);
                if (
                    axles.Any(held => Lifts(piece.Kind, held))
                    && rules.WhyNot(piece.Kind) is null
                    && Parts.All(p => p.PartId != id)
                )
                {
                    Parts.Add(piece with { Id = id });
                }
            }
        }
        foreach (var axle in Vehicles.Corners.Axles)
        {
            if (AxleState.Of(situation.Vehicle, axle).Torsion is not { } torsion)
            {
                continue;
            }
            if (torsion.Tells)
            {
                Parts.AddRange(Turns().Where(t => Parts.All(p => p.Id != t.Id)));
            }
            else
            {
                left.Add(
                    (
                        $"{Vehicles.Corners.Said(axle)} adjusters",
                        "nobody knows yet what a turn of them lifts"
                    )
                );
            }
        }
        LeftOut = left;
    }

    /// <summary>Money for an hour.</summary>
    public double HourRate { get; }

    /// <summary>What a piece costs; where nobody priced it, the median of its kind on the shelf, nothing where none is priced.</summary>
    public double PriceOf(PlacedPart part) =>
        (double?)part.Price ?? _median.GetValueOrDefault(part.Kind);

    /// <summary>Parts that may come in, each once.</summary>
    public List<PlacedPart> Parts { get; } = [];

    /// <summary>Parts that may not, each with the reason.</summary>
    public IReadOnlyList<(string Part, string Why)> LeftOut { get; }

    /// <summary>Whether parts of a kind are searched: those that lift at a corner; where a controller holds the height, its sensor's link alone.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="held">Whether the axle's height is held.</param>
    public static bool Lifts(PartKind kind, bool held) =>
        held
            ? kind == PartKind.LevelSensorLink
            : PartRule.Of(kind).Family
                is LiftFamily.Spring
                    or LiftFamily.Wheel
                    or LiftFamily.Block
                    or LiftFamily.Shackle
                    or LiftFamily.Adjuster;

    /// <summary>Whether a part of the shelf fits an axle, whatever stands there.</summary>
    /// <param name="part">The part.</param>
    /// <param name="axle">The axle.</param>
    public FitVerdict Fits(PlacedPart part, Vehicles.Axle axle)
    {
        var key = (part.PartId ?? part.Id, axle);
        if (!_fits.TryGetValue(key, out var verdict))
        {
            verdict = PartFit.Of(part, _situation.Platform, new FitPlace(_situation.Vehicle, axle));
            _fits[key] = verdict;
        }
        return verdict;
    }

    /// <summary>Whether nobody knows of a part whether it fits.</summary>
    public bool AnyUnsure =>
        Parts.Any(p => Vehicles.Corners.Axles.Any(a => Fits(p, a).State == FitState.Unknown));

    /// <summary>Why pieces cannot stand at one corner together; null where they can, or where they stand there already.</summary>
    /// <param name="parts">What would stand there.</param>
    /// <param name="old">What stands there.</param>
    /// <param name="axle">The axle.</param>
    public string? WhyNotTogether(
        IReadOnlyList<PlacedPart> parts,
        IReadOnlyList<PlacedPart> old,
        Vehicles.Axle axle
    ) =>
        parts.All(old.Contains)
            ? null
            : parts
                .Where(p => p.Fit is not null && Fits(p, axle).State != FitState.DoesNot)
                .Select(p =>
                    PartFit.Of(
                        p,
                        _situation.Platform,
                        new FitPlace(_situation.Vehicle, axle, parts)
                    )
                )
                .FirstOrDefault(v => v.State == FitState.DoesNot)
                ?.Why;

    /// <summary>Why a part fits neither axle; null where it fits one, or where nobody knows.</summary>
    private string? WhyNowhere(PlacedPart part) =>
        Vehicles.Corners.Axles.Select(a => Fits(part, a)).ToArray() is var both
        && both.All(v => v.State == FitState.DoesNot)
            ? both[0].Why
            : null;

    /// <summary>Settings of a torsion bar's adjuster that are looked at: in half turns from the untouched.</summary>
    private static IEnumerable<PlacedPart> Turns() =>
        Enumerable
            .Range(-8, 25)
            .Where(half => half != 0)
            .Select(half =>
                PlacedPart.TurnedAdjuster(
                    new Guid(half, 0x7475, 0x726e, 0x80, 0, 0, 0, 0, 0, 0, 0),
                    new Quantity
                    {
                        Value = half / 2.0,
                        Unit = Unit.One,
                        Known = Known.Computed,
                    }
                )
            );

    /// <summary>Whether there are pieces enough.</summary>
    /// <param name="uses">Ids of parts with how many are used, front and rear.</param>
    public bool Enough(params ReadOnlySpan<IReadOnlyDictionary<Guid, int>> uses)
    {
        if (_mayBuy)
        {
            return true;
        }
        foreach (var one in uses)
        {
            foreach (var (id, count) in one)
            {
                var all = count;
                foreach (var other in uses)
                {
                    all += ReferenceEquals(one, other) ? 0 : other.GetValueOrDefault(id);
                }
                if (all > _available.GetValueOrDefault(id))
                {
                    return false;
                }
            }
        }
        return true;
    }

    /// <summary>What is wanting on the shelf.</summary>
    /// <param name="corners">The four corners.</param>
    /// <param name="beside">Parts that come beside them, one each.</param>
    public IReadOnlyList<string> ToBuy(
        IReadOnlyList<CornerOption> corners,
        IEnumerable<Guid> beside
    ) =>
        [
            .. corners
                .SelectMany(c => c.Needs)
                .Concat(beside.Select(p => KeyValuePair.Create(p, 1)))
                .GroupBy(n => n.Key)
                .Select(g =>
                    (
                        Name: _names[g.Key],
                        Missing: g.Sum(n => n.Value) - _available.GetValueOrDefault(g.Key)
                    )
                )
                .Where(m => m.Missing > 0)
                .OrderBy(m => m.Name, StringComparer.Ordinal)
                .Select(m => $"{m.Missing} × {m.Name}"),
        ];
}
