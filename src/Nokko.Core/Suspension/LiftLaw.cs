using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>What a family of parts does to a corner of a kind of suspension, before any job has been seen.</summary>
/// <remarks>Source: docs/computation/lifts.md#laws, docs/computation/learning.md#lift-line.</remarks>
public static class LiftLaw
{
    /// <summary>Standard uncertainty of a measured thickness, mm.</summary>
    public const double MeasuredThicknessUMm = 0.2;

    /// <summary>Standard uncertainty of a thickness that nobody measured, mm.</summary>
    public const double UnmeasuredThicknessUMm = 1;

    private static readonly Estimate Elsewhere = new(0, 2);

    /// <summary>The prior of the lift line of a family on an axle.</summary>
    /// <param name="family">The family; not <see cref="LiftFamily.None"/>.</param>
    /// <param name="axle">The axle.</param>
    /// <remarks>The offset is what bushings give that let go and settle at the new height: arm-mounted struts let more go.</remarks>
    public static LiftPrior Prior(LiftFamily family, AxleState axle) =>
        family switch
        {
            LiftFamily.Spring when axle.Corner.Grade == RatioGrade.RuleOfThumb =>
                LiftPrior.OfPlatform(SpringOffset(axle), axle.Corner.Ratio),
            LiftFamily.Spring => LiftPrior.OfVehicle(SpringOffset(axle), axle.Corner.Ratio),
            // A block moves the axle by its own thickness; what is left is seat and pad, about 2 %. Under an underslung spring it lowers.
            LiftFamily.Block => LiftPrior.OfVehicle(
                Elsewhere,
                new Estimate(axle.Suspension.Kind == SuspensionKind.LeafUnderslung ? -1 : 1, 0.02)
            ),
            // By its size: where the shackle is pulled, a longer one counts below zero on this line.
            LiftFamily.Shackle => LiftPrior.OfVehicle(
                Elsewhere,
                axle.Leaf is null ? new Estimate(0.5, 0.08) : new Estimate(0.5, 0.025)
            ),
            // By turns: what one of them does, as it was read or follows from the bar's figures.
            LiftFamily.Adjuster
                when axle.Torsion is { Tells: true } torsion && torsion.LiftMm(1) is { } turn =>
                LiftPrior.OfVehicle(Elsewhere, new Estimate(turn, torsion.Share * Math.Abs(turn))),
            // The controller comes to rest anywhere within its dead band.
            LiftFamily.Sensor => LiftPrior.OfVehicle(new Estimate(0, 0), new Estimate(1, 0.03)),
            _ => LiftPrior.OfVehicle(Elsewhere, new Estimate(1, 0.03)),
        };

    /// <summary>How far a controller that holds an axle's height comes to rest from where it was before, mm, standard uncertainty of the axle or of a side with a sensor of its own: a rule of thumb for its dead band.</summary>
    public const double DeadBandUMm = 4;

    private static Estimate SpringOffset(AxleState axle) =>
        axle.Suspension.Kind is SuspensionKind.CoilOverArm or SuspensionKind.TrailingArm
            ? new Estimate(3, 6)
            : Elsewhere;

    /// <summary>What is believed of a family's lift line on an axle: what our own jobs proved, else the prior.</summary>
    /// <param name="family">The family; not <see cref="LiftFamily.None"/>.</param>
    /// <param name="axle">The axle.</param>
    public static LiftBelief Belief(LiftFamily family, AxleState axle) =>
        axle.Learned?.GetValueOrDefault(family) ?? Prior(family, axle).Belief();

    /// <summary>Why a stack must not be fitted, or nothing. Said once for each corner and reason, in a fitter's words.</summary>
    /// <param name="corner">LF, RF, LR or RR.</param>
    /// <param name="parts">The stack.</param>
    /// <param name="axle">The axle.</param>
    public static IEnumerable<string> Refusals(
        Corner corner,
        IReadOnlyList<PlacedPart> parts,
        AxleState axle
    )
    {
        var said = Corners.Said(corner);
        var kind = axle.Suspension.Kind;
        var blocks = parts.Count(p => p.Kind == PartKind.Block);
        if (parts.Count(p => p.Kind == PartKind.TorsionAdjuster) > 1)
        {
            yield return $"One adjuster has one setting ({said}): say its turns in all.";
        }
        if (parts.Count(p => p.Kind == PartKind.SteeringStops) > 1)
        {
            yield return $"Steering stops have one setting ({said}): say by how much earlier in all.";
        }
        if (parts.Count(p => p.Kind == PartKind.WheelSpacer) > 1)
        {
            yield return $"Wheel spacers are never stacked ({said}): take one of the thickness you need.";
        }
        if (parts.Count(p => p.Kind == PartKind.Tyre) > 1)
        {
            yield return $"One wheel has one tyre ({said}): take the other out of the plan.";
        }
        if (
            axle.Torsion is { Tells: true } torsion
            && parts.Any(p => p.Get(PartSizes.Turns) is { } turns && torsion.LiftMm(turns) is null)
        )
        {
            yield return TorsionAdjuster.NoHeight(corner);
        }
        if (blocks > 0 && Corners.AxleOf(corner) == Axle.Front)
        {
            yield return $"No block goes on a steered axle ({said}).";
        }
        else if (blocks > 1)
        {
            yield return $"Blocks are never stacked ({said}): take one of the height you need.";
        }
        if (blocks > 0 && kind == SuspensionKind.LeafUnderslung)
        {
            yield return $"The axle sits above its spring ({said}): a block there lowers, it is no lift.";
        }
        // The block on a steered axle has been said.
        foreach (
            var wrong in parts.Where(p =>
                !PartRule.Of(p.Kind).FitsOn(kind)
                && !(p.Kind == PartKind.Block && Corners.AxleOf(corner) == Axle.Front)
            )
        )
        {
            yield return $"{wrong.Name} has no place on this suspension ({said}).";
        }
        foreach (
            var wrong in parts.Where(p =>
                PartRule.Of(p.Kind).SteeredOnly && Corners.AxleOf(corner) == Axle.Rear
            )
        )
        {
            yield return $"{wrong.Name} has a place at the steered axle alone ({said}).";
        }
        if (axle.Suspension.Medium == SpringMedium.Air)
        {
            foreach (
                var wrong in parts.Where(p =>
                    PartRule.Of(p.Kind).OpensSpring || p.Kind == PartKind.RaisedCollar
                )
            )
            {
                yield return $"{wrong.Name} has no place on an air spring ({said}).";
            }
        }
        else
        {
            foreach (var air in parts.Where(p => p.Kind == PartKind.AirSpring))
            {
                yield return $"{air.Name} goes where air springs the axle ({said}): say so under Vehicle, or take a coil.";
            }
        }
        foreach (var (part, why) in SpringsOutOfRange(parts, axle))
        {
            yield return $"{part.Name} {why} ({said}): another spring.";
        }
        if (MostPlatesMm(parts) is { } most && PlatesMm(parts) > most + 0.01)
        {
            yield return $"The stack is thicker than its maker allows ({said}): {LengthText.Both(most)} at most.";
        }
    }

    /// <summary>Most that the makers of a stack's parts allow at one corner, mm; null when none of them says.</summary>
    public static double? MostPlatesMm(IReadOnlyList<PlacedPart> parts) =>
        parts.Min(p => p.Get(PartSizes.MaxStack));

    /// <summary>All plates of a stack together, mm.</summary>
    public static double PlatesMm(IReadOnlyList<PlacedPart> parts) =>
        parts
            .Where(p => PartRule.Of(p.Kind).Family == LiftFamily.Spring)
            .Sum(p => p.Thickness?.In(Unit.Mm) ?? 0);

    /// <summary>Springs that this load would push shut, or leave loose.</summary>
    private static IEnumerable<(PlacedPart Part, string Why)> SpringsOutOfRange(
        IReadOnlyList<PlacedPart> parts,
        AxleState axle
    )
    {
        foreach (var part in parts.Where(p => p.Kind == PartKind.Coil))
        {
            if (CoilSpring.Of(part) is { } coil && axle.SpringLoadN is { } load)
            {
                if (coil.LengthMm(load) <= (part.Get(PartSizes.BindLength) ?? 0))
                {
                    yield return (part, "is pushed shut by this load");
                }
            }
            else if (
                part.Get(PartSizes.DesignLoad) is { } design
                && axle.WheelLoadN is { } wheel
                && (wheel > 1.6 * design || wheel < 0.5 * design)
            )
            {
                yield return (
                    part,
                    FormattableString.Invariant(
                        $"was made for {design:0} N on the wheel and would carry {wheel:0} N"
                    )
                );
            }
        }
    }
}
