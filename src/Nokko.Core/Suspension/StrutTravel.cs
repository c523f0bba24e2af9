using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>The lengths between which a coil-over works, foot to top, mm.</summary>
/// <param name="ExtendedMm">Fully extended.</param>
/// <param name="CollapsedMm">Fully collapsed.</param>
/// <param name="BindMm">At which its coil binds; null is not known.</param>
public sealed record StrutLengths(double ExtendedMm, double CollapsedMm, double? BindMm = null)
{
    /// <summary>The lengths of the strut that a stack has, in the measure of the axle's linkage; null when they are not known.</summary>
    /// <param name="axle">The axle.</param>
    /// <param name="stack">The stack; a whole coil-over brings its own lengths.</param>
    public static StrutLengths? Of(AxleState axle, IReadOnlyList<PlacedPart> stack)
    {
        var s = axle.Suspension;
        if (!s.Kind.HasCoilOver())
        {
            return null;
        }
        var whole = stack.FirstOrDefault(p => p.Kind == PartKind.CoilOver);
        // Lengths are taped between bolts, the linkage between points: only differences from ride height are common to both.
        var shift = axle.Corner.Linkage.RideLengthMm - s.Get(SuspensionSizes.SpringLength);
        return
            (whole?.Get(PartSizes.ExtendedLength) ?? s.Get(SuspensionSizes.StrutExtended)) + shift
                is { } extended
            && (whole?.Get(PartSizes.CollapsedLength) ?? s.Get(SuspensionSizes.StrutCollapsed))
                + shift
                is { } collapsed
            ? new StrutLengths(
                extended,
                collapsed,
                (whole?.Get(PartSizes.BindLength) ?? s.Get(SuspensionSizes.CoilBind)) + shift
            )
            : null;
    }
}

/// <summary>Travel that is left at the wheel from ride height.</summary>
/// <param name="DroopMm">Down to full droop, mm.</param>
/// <param name="BumpMm">Up to solid, mm.</param>
/// <param name="BindsFirst">Whether the coil binds before the strut is collapsed.</param>
/// <param name="ToppedOut">Whether the strut stands at its full length at ride height: the lift is capped there.</param>
public sealed record TravelLeft(double DroopMm, double BumpMm, bool BindsFirst, bool ToppedOut);

/// <summary>What a spacer leaves of a strut's travel.</summary>
/// <remarks>Source: docs/computation/lifts.md#coil-over-on-a-lower-arm. Above or below the strut a spacer shifts both limits; inside it (preload, raised collar) the strut keeps its own, and the coil is squeezed sooner.</remarks>
public static class StrutTravel
{
    /// <summary>Travel left, or null: the arms cannot reach one of the limits.</summary>
    /// <param name="linkage">The linkage at the ride height without the spacer.</param>
    /// <param name="strut">The strut.</param>
    /// <param name="outsideMm">Thickness of spacers above or below the strut, mm.</param>
    /// <param name="preloadMm">Thickness of a preload spacer, or how far the collar was raised, mm.</param>
    public static TravelLeft? Left(
        ILinkage linkage,
        StrutLengths strut,
        double outsideMm,
        double preloadMm
    )
    {
        var extended = strut.ExtendedMm + outsideMm;
        var bind = (strut.BindMm ?? double.NegativeInfinity) + preloadMm;
        var solid = Math.Max(strut.CollapsedMm, bind) + outsideMm;
        var wanted = linkage.RideLengthMm + outsideMm + preloadMm;
        var ride = Math.Min(wanted, extended);
        return
            linkage.WheelAt(ride) is { } now
            && linkage.WheelAt(extended) is { } droop
            && linkage.WheelAt(solid) is { } bump
            ? new TravelLeft(
                now.HeightMm - droop.HeightMm,
                bump.HeightMm - now.HeightMm,
                bind > strut.CollapsedMm,
                wanted > extended
            )
            : null;
    }
}
