using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>Where one corner's travel ends with a stack, and what happens on the way.</summary>
/// <remarks>
/// Source: docs/computation/lifts.md#coil-over-on-a-lower-arm, docs/computation/geometry.md#taped-geometry. Places of the wheel are counted from ride height without added parts, up positive: w, mm.
/// All sizes of the suspension are those without added parts.
/// </remarks>
internal sealed class TravelEnds
{
    /// <summary>A stop that is pressed solid.</summary>
    public const string StopSolid = "bump stop solid";

    /// <summary>A tyre that touches what is above it.</summary>
    public const string TyreTouches = "tyre touches";

    /// <summary>A coil that leaves its seat.</summary>
    public const string CoilLoose = "coil comes loose";

    /// <summary>A bump stop on an arm moves less than the wheel: a rule of thumb.</summary>
    private const double StopShareOnArm = 0.65;

    /// <summary>Share of its height by which a rubber stop is squeezed: a rule of thumb.</summary>
    private const double StopSqueeze = 0.4;

    private readonly AxleState _axle;
    private readonly IReadOnlyList<PlacedPart> _stack;

    /// <summary>Finds the ends.</summary>
    /// <param name="axle">The axle.</param>
    /// <param name="stack">What stands there.</param>
    /// <param name="puckMm">Rise of the body on its mounts there, mm.</param>
    /// <param name="tyreMm">By how much the tyre's radius is greater, mm.</param>
    public TravelEnds(AxleState axle, IReadOnlyList<PlacedPart> stack, double puckMm, double tyreMm)
    {
        (_axle, _stack) = (axle, stack);
        Collect(puckMm, tyreMm);
    }

    /// <summary>Where travel ends without added parts.</summary>
    public static TravelEnds Bare(AxleState axle) => new(axle, [], 0, 0);

    /// <summary>What ends the droop, each at its w; the highest decides.</summary>
    public List<(string What, double W)> Droop { get; } = [];

    /// <summary>What ends the bump, each at its w; the lowest decides.</summary>
    public List<(string What, double W)> Bump { get; } = [];

    /// <summary>What happens on the way and ends nothing.</summary>
    public List<(string What, double W)> OnTheWay { get; } = [];

    /// <summary>Full droop, w; null is not known.</summary>
    public double? Lowest => Droop.Count == 0 ? null : Droop.Max(e => e.W);

    /// <summary>Full bump, w; null is not known.</summary>
    public double? Highest => Bump.Count == 0 ? null : Bump.Min(e => e.W);

    /// <summary>Where the tyre touches what is above it; null where nobody taped it.</summary>
    public double? AboveTyre =>
        Bump.FirstOrDefault(e => e.What == TyreTouches) is { What: not null } e ? e.W : null;

    /// <summary>Where the travel up would end without what is above the tyre; null where nothing is known.</summary>
    public double? HighestButTyre =>
        Bump.Where(e => e.What != TyreTouches).Select(e => (double?)e.W).Min();

    /// <summary>How far a bump stop moves for the wheel.</summary>
    public double StopShare =>
        Suspension.Kind
            is SuspensionKind.CoilOverArm
                or SuspensionKind.MultiLink
                or SuspensionKind.TransverseLeaf
            ? StopShareOnArm
            : 1;

    private Vehicles.Suspension Suspension => _axle.Suspension;

    /// <summary>A length taped on the spring or strut, in the measure of the linkage: only differences from ride height are common to both.</summary>
    private double? Shift =>
        _axle.Corner.Linkage.RideLengthMm - Suspension.Get(SuspensionSizes.SpringLength);

    private void Collect(double puckMm, double tyreMm)
    {
        var lowered = Sum(PartKind.DropBracket, PartKind.SubframeBlock);
        var (outside, inside) = SpringAmounts();
        var strut = StrutLengths.Of(_axle, _stack);
        if (strut is not null)
        {
            Add(Droop, "strut at full length", Wheel(strut.ExtendedMm + outside) - lowered);
            Add(Bump, "strut collapsed", Wheel(strut.CollapsedMm + outside) - lowered);
            if (strut.BindMm is { } bind)
            {
                Add(Bump, "coil binds", Wheel(bind + inside + outside) - lowered);
            }
        }
        else if (!Suspension.Kind.HasCoilOver())
        {
            Shock();
            Add(Bump, "coil binds", Wheel(Bind() + Shift + inside + outside) - lowered);
        }
        if (Suspension.Get(SuspensionSizes.StrapSlack) is { } strap)
        {
            Add(Droop, "limit strap tight", -strap);
        }
        if (Suspension.Get(SuspensionSizes.BumpStopGap) is { } gap)
        {
            var meets = (gap - Sum(PartKind.BumpStopExtension)) / StopShare;
            Add(OnTheWay, "bump stop meets", meets);
            if (Suspension.Get(SuspensionSizes.BumpStopHeight) is { } height)
            {
                Add(Bump, StopSolid, meets + (StopSqueeze * height / StopShare));
            }
        }
        if (Suspension.Get(SuspensionSizes.TyreGap) is { } tyre)
        {
            Add(Bump, TyreTouches, tyre + puckMm - tyreMm);
        }
        if (UnseatMm(inside + outside) is { } loose)
        {
            Add(OnTheWay, CoilLoose, loose - lowered);
        }
    }

    private void Shock()
    {
        var shock = _stack.LastOrDefault(p => p.Kind == PartKind.Shock);
        if (Suspension.Get(SuspensionSizes.ShockLength) is not { } now)
        {
            return;
        }
        if (
            (
                shock?.Get(PartSizes.ExtendedLength)
                ?? Suspension.Get(SuspensionSizes.ShockExtended)
            ) is
            { } extended
        )
        {
            Add(Droop, "shock at full length", now - extended);
        }
        if (
            (
                shock?.Get(PartSizes.CollapsedLength)
                ?? Suspension.Get(SuspensionSizes.ShockCollapsed)
            ) is
            { } collapsed
        )
        {
            Add(Bump, "shock collapsed", now - collapsed);
        }
    }

    private double? Bind() =>
        _stack.LastOrDefault(p => p.Kind == PartKind.Coil)?.Get(PartSizes.BindLength)
        ?? Suspension.Get(SuspensionSizes.CoilBind);

    /// <summary>Where a coil that stands by itself leaves its seat.</summary>
    private double? UnseatMm(double spacers)
    {
        if (Suspension.Kind.HasCoilOver() || !Suspension.Kind.HasCoil())
        {
            return null;
        }
        var coil = _stack.LastOrDefault(p => p.Kind == PartKind.Coil);
        var free =
            coil?.Get(PartSizes.FreeLength) ?? Suspension.Get(SuspensionSizes.SpringFreeLength);
        // Another coil's own length is in the amounts already: only plates move its free end.
        var plates = coil is null ? spacers : Sum(PartKind.CoilSpacer);
        return Wheel(free + Shift + plates);
    }

    /// <summary>Place of the wheel at a length of the linkage's spring; null out of reach.</summary>
    public double? Wheel(double? length)
    {
        var linkage = _axle.Corner.Linkage;
        return
            length is { } l
            && linkage.WheelAt(l) is { } at
            && linkage.WheelAt(linkage.RideLengthMm) is { } ride
            ? at.HeightMm - ride.HeightMm
            : null;
    }

    private (double Outside, double Inside) SpringAmounts()
    {
        var (outside, inside) = (0.0, 0.0);
        foreach (var part in _stack)
        {
            if (StackAmounts.Of(part, _axle, out var shares) is not null)
            {
                continue;
            }
            foreach (var share in shares.Where(s => s.Family == LiftFamily.Spring))
            {
                // Another coil squeezes no more room out of the strut: only its own bind counts.
                (outside, inside) =
                    part.Kind is PartKind.Coil or PartKind.CoilOver ? (outside, inside)
                    : share.Inside ? (outside, inside + share.Mm)
                    : (outside + share.Mm, inside);
            }
        }
        return (outside, inside);
    }

    /// <summary>Sizes of all parts of some kinds together, mm.</summary>
    public double Sum(params ReadOnlySpan<PartKind> kinds)
    {
        var sum = 0.0;
        foreach (var part in _stack)
        {
            sum += kinds.Contains(part.Kind) ? part.Thickness?.In(Unit.Mm) ?? 0 : 0;
        }
        return sum;
    }

    private static void Add(List<(string, double)> to, string what, double? w)
    {
        if (w is { } at)
        {
            to.Add((what, at));
        }
    }
}
