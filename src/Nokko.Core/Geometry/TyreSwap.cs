using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Geometry;

/// <summary>The tyre that is on at a corner, and the one that will be, both about the kingpin of the one that is on.</summary>
/// <remarks>Source: docs/computation/geometry.md#tyre-contacts, docs/computation/geometry.md#wheel-offset-and-width.</remarks>
/// <param name="Was">The one that is on: its middle is where places are counted from.</param>
/// <param name="Next">The one that will be; the same where none comes.</param>
/// <param name="RadiusU">Standard uncertainty of the change of its radius, mm.</param>
/// <param name="HalfWidthU">The same of half its width, mm.</param>
/// <param name="OutU">The same of where its middle goes, mm.</param>
internal sealed record TyreSwap(
    TyreSweep Was,
    TyreSweep Next,
    double RadiusU,
    double HalfWidthU,
    double OutU
)
{
    /// <summary>Standard uncertainty of a tyre's radius as its maker prints it, mm: a rule of thumb.</summary>
    public const double PrintedU = 2;

    /// <summary>The same of half a width that was told, mm.</summary>
    public const double ToldWidthU = 2;

    /// <summary>The same of half a width that nobody told: as wide as the one that is on, or nearly.</summary>
    private const double UntoldWidthU = 8;

    /// <summary>The same of where other rims hold it, mm.</summary>
    public const double OffsetU = 1;

    /// <summary>The tyre of a side that comes with a plan, or the one that is on, with the spacers behind its wheel.</summary>
    /// <param name="size">Size of the tyre that is on.</param>
    /// <param name="suspension">The axle, with its rims.</param>
    /// <param name="side">What a plan has on the side.</param>
    /// <returns>The swap; or why it cannot be told.</returns>
    public static (TyreSwap? Swap, string? Why) Of(
        TyreSize? size,
        Vehicles.Suspension suspension,
        IReadOnlyList<PlacedPart> side
    )
    {
        if (size is null)
        {
            return (null, "Enter the size of the tyres that are on (Take in).");
        }
        var rim = suspension.Get(SuspensionSizes.RimWidth);
        var was = new TyreSweep(size.DiameterMm / 2, Math.Max(size.WidthMm, rim ?? 0) / 2, 0);
        PlacedPart[] spacers = [.. side.Where(p => p.Kind == PartKind.WheelSpacer)];
        if (spacers.FirstOrDefault(p => p.Thickness is null) is { } untold)
        {
            return (null, $"The thickness of {untold.Name} was not entered.");
        }
        var spaced = spacers.Sum(p => p.Thickness!.In(Unit.Mm));
        var spacedU = Math.Sqrt(spacers.Sum(p => Math.Pow(p.Thickness!.UIn(Unit.Mm), 2)));
        if (side.FirstOrDefault(p => p.Kind == PartKind.Tyre) is not { } tyre)
        {
            return (new TyreSwap(was, was with { OutMm = spaced }, 0, 0, spacedU), null);
        }
        if (tyre.Get(PartSizes.Diameter) is not { } diameter)
        {
            return (null, $"The outer diameter of {tyre.Name} was not entered.");
        }
        var (offset, now) = (
            tyre.Get(PartSizes.RimOffset),
            suspension.Get(SuspensionSizes.RimOffset)
        );
        if (offset is not null && now is null)
        {
            return (null, "Enter the offset (ET) of the rims that are on.");
        }
        var width = tyre.Get(PartSizes.Width);
        var half = Math.Max(width ?? size.WidthMm, tyre.Get(PartSizes.RimWidth) ?? rim ?? 0) / 2;
        return (
            new TyreSwap(
                was,
                new TyreSweep(
                    diameter / 2,
                    half,
                    (offset is { } et ? now!.Value - et : 0) + spaced
                ),
                diameter == size.DiameterMm ? 0 : PrintedU,
                width is null ? UntoldWidthU : ToldWidthU,
                double.Hypot(offset is null ? 0 : OffsetU, spacedU)
            ),
            null
        );
    }

    /// <summary>Another size on the rims that are on.</summary>
    /// <param name="size">Size of the tyre that is on.</param>
    /// <param name="next">Size of the one that comes.</param>
    /// <param name="suspension">The axle, with its rims.</param>
    public static TyreSwap Of(TyreSize size, TyreSize next, Vehicles.Suspension suspension)
    {
        var was = Of(size, suspension, []).Swap!;
        var rim = suspension.Get(SuspensionSizes.RimWidth) ?? 0;
        return was with
        {
            Next = new TyreSweep(next.DiameterMm / 2, Math.Max(next.WidthMm, rim) / 2, 0),
            RadiusU = PrintedU,
            HalfWidthU = ToldWidthU,
        };
    }

    /// <summary>Whether another tyre comes, or the same elsewhere.</summary>
    public bool Changes => Next != Was;

    /// <summary>What that does to the place of its faces and to the scrub radius.</summary>
    public WheelFit Fit =>
        WheelFit.Of(2 * Was.HalfWidthMm, -Was.OutMm, 2 * Next.HalfWidthMm, -Next.OutMm);
}
