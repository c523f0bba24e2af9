using Nokko.Core.Learning;
using Nokko.Core.Parts;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>What a kind of part does to its corner on a kind of suspension, before any job has been seen.</summary>
/// <remarks>
/// Source: computation.md, sections 7.2, 7.5 and 10: a spacer on a strut that stands on an arm multiplies, a block is one to one.
/// The grade is "ratio only"; taped points narrow it.
/// </remarks>
public static class LiftLaw
{
    /// <summary>Standard uncertainty of a measured thickness, mm.</summary>
    public const double MeasuredThicknessUMm = 0.2;

    /// <summary>Standard uncertainty of a thickness that nobody measured, mm.</summary>
    public const double UnmeasuredThicknessUMm = 1;

    private static readonly LiftPrior StrutOnArm = new(
        new Estimate(3, 6),
        new Estimate(1.9, 0.3),
        0.05 * 1.9,
        MeasuredThicknessUMm
    );

    // A block moves the axle by its own thickness; what is left is seat and pad, about 2 %.
    private static readonly LiftPrior BlockOnLeaf = new(
        new Estimate(0, 2),
        new Estimate(1, 0.02),
        0,
        MeasuredThicknessUMm
    );

    /// <summary>The prior of the lift line, or null when this part does nothing that can be foretold there.</summary>
    public static LiftPrior? Prior(PartKind part, SuspensionKind suspension) =>
        (part, suspension) switch
        {
            (PartKind.StrutTopSpacer, SuspensionKind.CoilOverArm) => StrutOnArm,
            (PartKind.Block, SuspensionKind.LeafOverslung) => BlockOnLeaf,
            _ => null,
        };

    /// <summary>Share of a ratio from taped points that is its standard uncertainty.</summary>
    public const double TapedRatioShare = 0.05;

    /// <summary>The prior of the lift line for one corner's change, with the ratio of taped points where there are some.</summary>
    /// <param name="part">The kind of part.</param>
    /// <param name="suspension">The suspension of the axle.</param>
    /// <param name="fromMm">Thickness of this kind before, mm.</param>
    /// <param name="toMm">Thickness of it after, mm.</param>
    /// <returns>Null when it cannot be foretold, also when the arms cannot reach that far.</returns>
    /// <remarks>
    /// Source: computation.md, section 7.2. The points are taken as those without a spacer; a spacer that was in when they were taped moves the ratio by about 1 %, far within its 5 %.
    /// </remarks>
    public static LiftPrior? Prior(
        PartKind part,
        Vehicles.Suspension suspension,
        double fromMm,
        double toMm
    )
    {
        if (Prior(part, suspension.Kind) is not { } prior)
        {
            return null;
        }
        if (
            (part, suspension.Kind) != (PartKind.StrutTopSpacer, SuspensionKind.CoilOverArm)
            || WishbonePoints.Of(suspension) is not { } points
            || toMm == fromMm
        )
        {
            return prior;
        }
        var linkage = new DoubleWishbone(points);
        if (linkage.LiftMm(fromMm) is not { } before || linkage.LiftMm(toMm) is not { } after)
        {
            return null;
        }
        var ratio = (after - before) / (toMm - fromMm);
        return prior with { Ratio = new Estimate(ratio, TapedRatioShare * ratio), VehicleSd = 0 };
    }

    /// <summary>Why a stack must not be fitted, or null. Said once for each corner, in a fitter's words.</summary>
    /// <param name="corner">LF, RF, LR or RR.</param>
    /// <param name="parts">The stack.</param>
    /// <param name="suspension">The suspension of that axle.</param>
    public static string? Refusal(
        string corner,
        IReadOnlyList<PlacedPart> parts,
        SuspensionKind suspension
    )
    {
        var said = Corners.Said(corner);
        if (parts.Any(p => p.Kind == PartKind.Block))
        {
            if (Corners.AxleOf(corner) == Corners.Front)
            {
                return $"No block goes on a steered axle ({said}).";
            }
            if (parts.Count(p => p.Kind == PartKind.Block) > 1)
            {
                return $"Blocks are never stacked ({said}): take one of the height you need.";
            }
        }
        return
            parts.FirstOrDefault(p =>
                p.Kind != PartKind.Unknown && Prior(p.Kind, suspension) is null
            )
                is { } wrong
            ? $"{wrong.Name} has no place on this suspension ({said})."
            : null;
    }
}
