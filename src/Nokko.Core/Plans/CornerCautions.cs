using Nokko.Core.Geometry;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>Says each caution where its danger is.</summary>
/// <remarks>Source: docs/computation/companions.md#cautions, docs/computation/lifts.md#coil-over-on-a-lower-arm, docs/computation/geometry.md#taped-geometry.</remarks>
internal static class CornerCautions
{
    /// <summary>Above this a stack of plates is tall: a rule of thumb, mm.</summary>
    private const double TallStackMm = 50.8;

    /// <summary>Less droop than this and a wheel leaves the ground early: a rule of thumb, mm.</summary>
    private const double LittleDroopMm = 50;

    public static IEnumerable<Caution> Of(
        CornerOutlook o,
        AxleState axle,
        IReadOnlyList<PlacedPart> stack,
        string? whatEndsDroop,
        bool looseCoil
    )
    {
        if (stack.Count == 0)
        {
            return [];
        }
        return
        [
            .. Travel(o, axle, stack, whatEndsDroop, looseCoil),
            .. Angles(o, axle.Suspension),
            .. Fit(axle, stack),
        ];
    }

    private static IEnumerable<Caution> Travel(
        CornerOutlook o,
        AxleState axle,
        IReadOnlyList<PlacedPart> stack,
        string? whatEndsDroop,
        bool looseCoil
    )
    {
        if (o.ToppedOut)
        {
            yield return Stop(
                "The strut would stand at its full length: it lifts no further, and knocks at every hole."
            );
        }
        if (
            stack.Any(p => p.Kind is PartKind.StrutTopSpacer or PartKind.StrutLowerSpacer)
            && whatEndsDroop == "strut at full length"
        )
        {
            yield return Look(
                "A plate outside the strut lets the wheel hang lower than it ever did: arm, ball joint, CV joint and hose get there before the strut stops it. Look at full droop, both locks."
            );
        }
        if (o.Droop is { Value: { } droop } && droop < LittleDroopMm && !o.ToppedOut)
        {
            yield return Look(
                $"Only {LengthText.Both(droop)} of droop is left{(whatEndsDroop is null ? "" : $" ({whatEndsDroop})")}: it tops out early and rides hard."
            );
        }
        if (looseCoil)
        {
            yield return Stop(
                "At full droop the coil comes loose from its seat: a shorter shock or a strap must hold the axle, or a longer coil."
            );
        }
        if (o.StopExtension is { Value: > 1 and var more })
        {
            yield return Look(
                $"The bump stop meets too late: make it {LengthText.Both(Math.Ceiling(more))} longer, so that it meets before metal does."
            );
        }
        if (o.HoseSlack.Value is { } slack && slack < axle.LeastHoseMm)
        {
            yield return Stop(
                slack < 0
                    ? $"The brake hose is {LengthText.Both(-slack)} too short at full droop: a longer hose or a lowered bracket."
                    : $"Only {LengthText.Both(slack)} of hose slack is left at full droop; {LengthText.Both(axle.LeastHoseMm)} is the least: a longer hose or a lowered bracket."
            );
        }
    }

    private static IEnumerable<Caution> Angles(CornerOutlook o, Vehicles.Suspension s)
    {
        var ride = s.Get(SuspensionSizes.CvRideLimit);
        if (
            o.CvRide.Value is { } atRide
            && Math.Abs(atRide) > (ride ?? CvShaftMechanism.RideDegrees)
        )
        {
            yield return Look(
                $"The CV joints run at {Math.Abs(atRide):0.0}° at ride height; {(ride is null ? "8° is the rule of thumb" : $"{ride:0.#}° is their limit")}: a lower differential helps."
            );
        }
        var full = s.Get(SuspensionSizes.CvDroopLimit);
        if (
            o.CvDroop.Value is { } atDroop
            && Math.Abs(atDroop) > (full ?? CvShaftMechanism.DroopDegrees)
        )
        {
            yield return new Caution(
                full is null ? Heed.Look : Heed.Stop,
                $"The CV joints bend to {Math.Abs(atDroop):0.0}° at full droop; {(full is null ? "18° is the rule of thumb" : $"{full:0.#}° is their limit")}: less droop, or a lower differential."
            );
        }
        if (
            s.Get(SuspensionSizes.BallJointLimit) is { } limit
            && o.BallJoint.Value is { } swing
            && swing > limit
        )
        {
            yield return Stop(
                $"The ball joint swings {swing:0.0}° to full droop; its limit is {limit:0.#}°: less droop, or another arm."
            );
        }
    }

    private static IEnumerable<Caution> Fit(AxleState axle, IReadOnlyList<PlacedPart> stack)
    {
        var tall = stack
            .Where(p => PartRule.Of(p.Kind) is { Family: LiftFamily.Spring, Amount: "Thickness" })
            .Sum(p => p.Thickness?.In(Unit.Mm) ?? 0);
        if (tall > TallStackMm)
        {
            yield return Look(
                $"{LengthText.Both(tall)} of plates on one strut: beyond about 2 in (50 mm) lower the pivots, or fit a longer strut."
            );
        }
        if (stack.Any(p => PartRule.Of(p.Kind).OpensSpring) && axle.Suspension.Kind.HasCoilOver())
        {
            yield return Look(
                "The strut is opened: rated compressor, hooks opposite each other, away from the face, no impact gun on it or its nut."
            );
        }
        foreach (var plate in stack.Where(p => p.Kind == PartKind.StrutTopSpacer))
        {
            if (StudRoom.CutToMm(axle.Suspension, [plate]) is { } cut)
            {
                yield return Stop(
                    $"The strut's studs stand {LengthText.Both(axle.Suspension.Get(SuspensionSizes.StudLength)!.Value)}, {plate.Name} has room for {LengthText.Both(plate.Get(PartSizes.Recess)!.Value)}: cut them to {LengthText.Both(cut)} (not undone again), or choose another plate."
                );
            }
        }
        foreach (var pack in stack.Where(p => p.Kind == PartKind.LeafPack))
        {
            foreach (var said in LeafPackBuild.Checks(pack))
            {
                yield return Stop(said);
            }
        }
        var order = stack.Select(p => PartRule.Of(p.Kind).Order).ToArray();
        if (!order.SequenceEqual(order.Order()))
        {
            yield return Look(
                $"From the body down it goes together as {string.Join(", ", stack.OrderBy(p => PartRule.Of(p.Kind).Order).Select(p => p.Name))}."
            );
        }
        foreach (var part in stack.Where(p => !string.IsNullOrWhiteSpace(p.Limits)))
        {
            yield return Look($"{part.Name}, its maker: {part.Limits}");
        }
    }

    private static Caution Look(string says) => new(Heed.Look, says);

    private static Caution Stop(string says) => new(Heed.Stop, says);
}
