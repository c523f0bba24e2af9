using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Finding;

/// <summary>One stack that may stand at one corner, worked out once.</summary>
internal sealed class CornerOption
{
    private readonly CornerLimits? _limits;

    private CornerOption(
        Corner corner,
        IReadOnlyList<PlacedPart> parts,
        IReadOnlyList<PlacedPart> old,
        CornerRise rise,
        CornerRise? bare,
        AxleState axle,
        TravelEnds ends,
        SearchPool pool
    )
    {
        (Corner, Parts, Rise, Bare) = (corner, parts, rise, bare);
        if (bare is not null)
        {
            _limits = new CornerLimits(axle, ends, parts, bare.Puck.Mm, bare.Tyre.Mm);
        }
        PlacedPart[] come = [.. parts.Where(p => old.All(o => o.Id != p.Id))];
        Touched = come.Length + old.Count(o => parts.All(p => p.Id != o.Id));
        Hours = come.Sum(p => p.WorkHours());
        HoursGuessed = come.Any(p => p.Hours is null);
        Cost = come.Sum(pool.PriceOf);
        Unsure = come.Any(p => pool.Fits(p, axle.Axle).State == FitState.Unknown) ? 1 : 0;
        MoneyGuessed = come.Any(p => p.Price is null && !PartRule.Of(p.Kind).Turned);
        Irreversible = [.. Cuts(corner, come, axle)];
        Key = Ids(parts);
        // One sensor has one link: its side cannot be like the other.
        bool OnBoth(PlacedPart p) =>
            axle.Suspension.HeightControl != HeightControl.OneSensor
            || p.Kind != PartKind.LevelSensorLink;
        Alike = What(parts.Where(OnBoth));
        Changed =
            $"{What(come.Where(OnBoth))}-{What(old.Where(o => OnBoth(o) && parts.All(p => p.Id != o.Id)))}";
        Needs = parts
            .Where(p => p.PartId is not null)
            .GroupBy(p => p.PartId!.Value)
            .ToDictionary(g => g.Key, g => g.Count());
        Paired = Ids(parts.Where(p => PartRule.Of(p.Kind).InPairs));
        Pieces = Needs.Values.Sum();
    }

    /// <summary>What pieces are, whichever piece each is: what came with a vehicle is no part of the shelf.</summary>
    private static string What(IEnumerable<PlacedPart> parts) =>
        string.Join(
            ',',
            parts
                .Select(p =>
                    p.PartId is null && p.Get(PartSizes.Turns) is null
                        ? FormattableString.Invariant(
                            $"{p.Kind} {p.Name.ToUpperInvariant()} {p.Thickness?.In(Unit.Mm)} {p.Claim?.In(Unit.Mm)} {string.Join(' ', p.Dimensions.OrderBy(d => d.Key, StringComparer.Ordinal))}"
                        )
                        : Ids([p])
                )
                .Order(StringComparer.Ordinal)
        );

    private static string Ids(IEnumerable<PlacedPart> parts) =>
        string.Join(
            ',',
            parts
                .Select(p =>
                    p.Get(PartSizes.Turns) is { } turns
                        ? FormattableString.Invariant($"{turns} turns")
                        : (p.PartId ?? p.Id).ToString("N")
                )
                .Order(StringComparer.Ordinal)
        );

    public Corner Corner { get; }

    public IReadOnlyList<PlacedPart> Parts { get; }

    /// <summary>Against what stands there now.</summary>
    public CornerRise Rise { get; }

    /// <summary>Against nothing added; null with a piece that stays and of which nobody knows how much it lifts: then no limit can be told.</summary>
    public CornerRise? Bare { get; }

    /// <summary>Pieces that come or go.</summary>
    public int Touched { get; }

    /// <summary>1 where nobody knows of a piece that comes whether it fits, else 0.</summary>
    public int Unsure { get; }

    public double Hours { get; }

    public bool HoursGuessed { get; }

    public double Cost { get; }

    public bool MoneyGuessed { get; }

    /// <summary>Works that cannot be undone.</summary>
    public IReadOnlyList<string> Irreversible { get; }

    /// <summary>Ids of its parts.</summary>
    public string Key { get; }

    /// <summary>What both sides have when they are alike.</summary>
    public string Alike { get; }

    /// <summary>What comes and goes on both sides when they are changed alike, whatever stays there.</summary>
    public string Changed { get; }

    /// <summary>Ids of the parts that both sides must have alike.</summary>
    public string Paired { get; }

    /// <summary>Pieces that could come from the shelf.</summary>
    public int Pieces { get; }

    /// <summary>Parts with how many.</summary>
    public IReadOnlyDictionary<Guid, int> Needs { get; }

    /// <summary>Limits at a rise over nothing added, with its standard uncertainty, mm.</summary>
    public IEnumerable<LimitUse> Uses(double riseMm, double u) =>
        _limits?.Uses(riseMm, u, Bare!.ToppedOut) ?? [];

    /// <summary>No rise between two, known no better than to <paramref name="u"/>, uses less of the limit that is used most.</summary>
    public double LeastUse(double leastMm, double mostMm, double u) =>
        _limits?.LeastUse(leastMm, mostMm, u, Bare!.ToppedOut) ?? 0;

    /// <summary>Share of the droop that is left; null when it is not known.</summary>
    public double? DroopKept(double riseMm) => _limits?.DroopKept(riseMm);

    /// <summary>The stack, or why it cannot stand there.</summary>
    public static (CornerOption? Option, string? Why) Of(
        Corner corner,
        IReadOnlyList<PlacedPart> parts,
        IReadOnlyList<PlacedPart> old,
        Vehicles.Vehicle vehicle,
        AxleState axle,
        TravelEnds ends,
        SearchPool pool
    )
    {
        if (LiftLaw.Refusals(corner, parts, axle).FirstOrDefault() is { } refused)
        {
            return (null, refused);
        }
        if (pool.WhyNotTogether(parts, old, axle.Axle) is { } apart)
        {
            return (null, apart);
        }
        var (rise, why) = CornerRise.Of(corner, old, parts, vehicle, axle);
        if (rise is null)
        {
            return (null, why);
        }
        var (bare, _) = CornerRise.Of(corner, [], parts, vehicle, axle);
        return (new CornerOption(corner, parts, old, rise, bare, axle, ends, pool), null);
    }

    /// <summary>What must be cut for pieces that come in.</summary>
    private static IEnumerable<string> Cuts(
        Corner corner,
        IReadOnlyList<PlacedPart> come,
        AxleState axle
    )
    {
        foreach (var plate in come.Where(p => p.Kind == PartKind.StrutTopSpacer))
        {
            if (StudRoom.CutToMm(axle.Suspension, [plate]) is { } cut)
            {
                yield return $"{Vehicles.Corners.Said(corner)}: the strut's studs are cut to {LengthText.Both(cut)} for {plate.Name}";
            }
        }
    }
}
