using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>On what a lift ratio rests.</summary>
public enum RatioGrade
{
    /// <summary>A rule of thumb for the kind of suspension.</summary>
    RuleOfThumb,

    /// <summary>An invented suspension of the kind, scaled by what was taped.</summary>
    Archetype,

    /// <summary>This suspension's own points.</summary>
    Taped,
}

/// <summary>An axle's linkage as well as it is known.</summary>
/// <param name="Linkage">The linkage; of constant ratio when only that is known.</param>
/// <param name="Grade">On what it rests.</param>
/// <param name="Ratio">Lift per mm of spring length at ride height, with its standard deviation.</param>
public sealed record CornerLinkage(ILinkage Linkage, RatioGrade Grade, Estimate Ratio)
{
    /// <summary>Standard deviation of a ratio from taped points, as a share of it.</summary>
    public const double TapedShare = 0.05;

    /// <summary>Standard deviation of a ratio from a scaled archetype, as a share of it.</summary>
    public const double ArchetypeShare = 0.15;

    /// <summary>The rule of thumb for a kind.</summary>
    /// <remarks>Source: docs/computation/lifts.md#coil-over-on-a-lower-arm, docs/computation/lifts.md#struts-and-links, docs/computation/lifts.md#coils-on-a-solid-axle; those that it does not give (leaf across, trailing arm, radius arm) follow from the archetypes with a wide band.</remarks>
    public static Estimate RuleOfThumb(SuspensionKind kind) =>
        kind switch
        {
            SuspensionKind.CoilOverArm => new(1.9, 0.3),
            SuspensionKind.Strut => new(1.07, 0.08),
            SuspensionKind.MultiLink => new(1.45, 0.25),
            SuspensionKind.TransverseLeaf => new(1.65, 0.3),
            SuspensionKind.TrailingArm => new(1.45, 0.25),
            SuspensionKind.CoilFourLink => new(1, 0.03),
            SuspensionKind.CoilRadiusArm => new(1.05, 0.07),
            SuspensionKind.CoilOverAxle => new(1.04, 0.05),
            _ => new(1, 0.02),
        };

    /// <summary>The best that is known of an axle.</summary>
    public static CornerLinkage Of(Vehicles.Suspension suspension)
    {
        if (Archetype.Of(suspension.Kind) is { } archetype)
        {
            if (
                Points(suspension, archetype) is { } points
                && Made(archetype, points, RatioGrade.Taped, TapedShare) is { } taped
            )
            {
                return taped;
            }
            if (
                archetype.Lengths.Any(suspension.Dimensions.ContainsKey)
                && Made(
                    archetype,
                    Scaled(suspension, archetype),
                    RatioGrade.Archetype,
                    Share(suspension)
                )
                    is { } scaled
            )
            {
                return scaled;
            }
        }
        var rule = RuleOfThumb(suspension.Kind);
        return new CornerLinkage(
            new ConstantRatio(
                rule.Mean,
                suspension.Get(SuspensionSizes.SpringLength)
                    ?? (
                        Archetype.Of(suspension.Kind) is { } a
                            ? Made(
                                a,
                                [.. a.Points.Select(p => p.At)],
                                default,
                                0
                            )!.Linkage.RideLengthMm
                            : 300
                    )
            ),
            RatioGrade.RuleOfThumb,
            rule
        );
    }

    /// <summary>The taped points of a suspension in its archetype's order, or null when one of them was not measured.</summary>
    /// <param name="suspension">The suspension; y may be of either side.</param>
    /// <param name="archetype">The archetype of its kind.</param>
    public static IReadOnlyList<PlanePoint>? Points(
        Vehicles.Suspension suspension,
        Archetype archetype
    )
    {
        var points = archetype
            .Points.Select(wanted =>
                suspension.Points.FirstOrDefault(p => p.Name == wanted.Name) is { } p
                && (archetype.View == PlaneView.Across ? p.Y : p.X)
                    is { Known: Known.Measured } across
                && p.Z is { Known: Known.Measured } z
                    ? new PlanePoint(
                        archetype.View == PlaneView.Across
                            ? Math.Abs(across.In(Unit.Mm))
                            : across.In(Unit.Mm),
                        z.In(Unit.Mm)
                    )
                    : (PlanePoint?)null
            )
            .OfType<PlanePoint>()
            .ToArray();
        return points.Length == archetype.Points.Count ? points : null;
    }

    private static IReadOnlyList<PlanePoint> Scaled(
        Vehicles.Suspension suspension,
        Archetype archetype
    ) =>
        archetype.Scaled(
            suspension.Get(SuspensionSizes.ArmLength),
            suspension.Get(SuspensionSizes.FootDistance),
            suspension.Get(SuspensionSizes.SpringLean)
        );

    // A coil that stands on the axle itself has nothing but its lean to go by; with it taped the rule of thumb's own band is wider than the truth.
    private static double Share(Vehicles.Suspension suspension) =>
        suspension.Kind is SuspensionKind.CoilFourLink or SuspensionKind.CoilOverAxle
            ? 0.02
            : ArchetypeShare;

    /// <summary>The linkage of points, or null when they cannot be put together or give no ratio that can be.</summary>
    private static CornerLinkage? Made(
        Archetype archetype,
        IReadOnlyList<PlanePoint> points,
        RatioGrade grade,
        double share
    )
    {
        var linkage = archetype.Linkage(points);
        if (linkage.WheelAt(linkage.RideLengthMm) is not { MotionRatio: > 0.2 and < 1.3 } ride)
        {
            return null;
        }
        var ratio = 1 / ride.MotionRatio;
        return new CornerLinkage(linkage, grade, new Estimate(ratio, share * ratio));
    }
}
