using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>Turns parts into the lengths that the lift laws work on.</summary>
/// <remarks>Source: docs/computation/lifts.md#laws.</remarks>
public static class StackAmounts
{
    /// <summary>One part's share in the families: mostly one; a bracket that lowers the pivots acts at the wheel and takes from the strut.</summary>
    /// <param name="Family">The family.</param>
    /// <param name="Inside">Whether it works inside the strut.</param>
    /// <param name="Mm">How much, mm.</param>
    /// <param name="OwnU">Standard uncertainty that is this piece's own, mm.</param>
    /// <param name="CommonU">Standard uncertainty that both sides have in common: loads and rates, mm.</param>
    /// <param name="Sag">What a new spring gives back of one that has sagged, mm at the wheel; null where nothing comes back, or it is in the amount already.</param>
    /// <param name="OtherVehicleU">Of <paramref name="CommonU"/>, what comes from a maker's lift of which nobody knows to which engine, load and trim it belongs, mm.</param>
    public readonly record struct Share(
        LiftFamily Family,
        bool Inside,
        double Mm,
        double OwnU,
        double CommonU = 0,
        Estimate? Sag = null,
        double OtherVehicleU = 0
    );

    /// <summary>The shares of a part, or the reason why they cannot be told.</summary>
    /// <param name="part">The part.</param>
    /// <param name="axle">The axle that it is on.</param>
    /// <param name="shares">Its shares; empty when it has no part in ride height.</param>
    public static string? Of(PlacedPart part, AxleState axle, out IReadOnlyList<Share> shares)
    {
        shares = [];
        var rule = PartRule.Of(part.Kind);
        // Where a controller holds the height, springs and what stands on them do not.
        if (axle.Suspension.HeightControl is not null && rule.Family.ThroughSprings())
        {
            return null;
        }
        switch (rule.Acts)
        {
            case PartActs.Not or PartActs.ByDiameter:
                return null;
            case PartActs.Untold:
                return $"What {part.Name} does cannot be foretold.";
            case PartActs.AsCoil:
                return Coil(part, axle, out shares);
            case PartActs.AsLeaves:
                return Leaves(part, axle, out shares);
            case PartActs.ByAmountOrDesign when part.Thickness is null:
                return ByDesign(part, axle, out shares);
            case PartActs.ByTurns:
                return Turned(part, axle, out shares);
            case PartActs.BySensorLink:
                return Linked(part, axle, out shares);
            case PartActs.ByRenewal:
                shares = [Renewed(part, axle)];
                return null;
            case PartActs.ByAmount
                when rule.Family == LiftFamily.Shackle && axle.Suspension.ShacklePivot is null:
                return $"Say under Vehicle whether the {axle.Axle.Said()} shackle's pivot on the frame stands above or below the spring's eye: {part.Name} lifts or lowers by it.";
        }
        if (part.Thickness is not { } thickness)
        {
            return part.Claim is null
                ? $"Nobody has measured how thick {part.Name} is, so there is no prediction."
                : $"{part.Name} has a claim but no thickness: measure it, then there is a prediction.";
        }
        var u = thickness.UIn(
            Unit.Mm,
            thickness.Known == Known.Measured
                ? LiftLaw.MeasuredThicknessUMm
                : LiftLaw.UnmeasuredThicknessUMm
        );
        var mm = thickness.In(Unit.Mm);
        shares = rule.Acts switch
        {
            PartActs.ByAmount or PartActs.ByAmountOrDesign => [new(rule.Family, false, mm, u)],
            PartActs.ByAmountInside => [new(rule.Family, true, mm, u)],
            PartActs.ByAmountInsideLeaning =>
            [
                new(
                    rule.Family,
                    true,
                    mm * Math.Cos(double.DegreesToRadians(part.Get(PartSizes.FaceLean) ?? 0)),
                    u
                ),
            ],
            // Pivots that go down by d carry the wheel along by d, and leave the strut too short by its own share of it.
            // A torsion bar goes down with its arm.
            PartActs.ByLoweredPivots when axle.Suspension.Kind == SuspensionKind.TorsionBarArm =>
            [
                new(rule.Family, false, mm, u),
            ],
            PartActs.ByLoweredPivots =>
            [
                new(rule.Family, false, mm, u),
                new(LiftFamily.Spring, false, -mm * StandingShare(axle), 0),
            ],
            _ => throw new ArgumentOutOfRangeException(nameof(part), rule.Acts, "No such way."),
        };
        return null;
    }

    /// <summary>Whether a part is a new spring that gives back what the old one has sagged.</summary>
    /// <param name="part">The part.</param>
    /// <param name="axle">The axle that it is on.</param>
    public static bool GivesSagBack(PlacedPart part, AxleState axle) =>
        Of(part, axle, out var shares) is null && shares.Any(s => s.Sag is not null);

    /// <summary>Standard uncertainty of a maker's lift of which nobody knows to which engine, load and trim it belongs, mm; zero where that is known.</summary>
    /// <param name="part">The part.</param>
    /// <param name="axle">The axle that it is on.</param>
    public static double OtherVehicleUMm(PlacedPart part, AxleState axle) =>
        Of(part, axle, out var shares) is null ? shares.Sum(s => s.OtherVehicleU) : 0;

    /// <summary>Cosine of the spring's lean: how much of a lowered pivot the leaning strut feels.</summary>
    private static double StandingShare(AxleState axle) =>
        Math.Cos(
            double.DegreesToRadians(
                axle.Suspension.Get(SuspensionSizes.SpringLean) ?? UsualLean(axle.Suspension)
            )
        );

    private static double UsualLean(Vehicles.Suspension suspension)
    {
        if (Archetype.Of(suspension.Kind) is not { } archetype)
        {
            return 0;
        }
        var points =
            CornerLinkage.Points(suspension, archetype) ?? [.. archetype.Points.Select(p => p.At)];
        PlanePoint Named(string name) =>
            points[archetype.Points.Select(p => p.Name).ToList().IndexOf(name)];
        var strut = Named("strutTop") - Named("strutFoot");
        return double.RadiansToDegrees(Math.Atan2(Math.Abs(strut.Y), strut.Z));
    }

    /// <summary>Turns of an adjuster, as they are counted.</summary>
    private static string? Turned(PlacedPart part, AxleState axle, out IReadOnlyList<Share> shares)
    {
        shares = [];
        if (part.Get(PartSizes.Turns) is not { } turns)
        {
            return $"By how many turns is {part.Name} tightened?";
        }
        if (axle.Torsion is not { Tells: true })
        {
            return $"What a turn of the {axle.Axle.Said()} adjusters does is not known: turn both alike, roll, read again, and enter the rise for each turn under Vehicle; or arm, its slope, bar, lever and pitch.";
        }
        // A turn is counted to a sixth of it, by the bolt's flats.
        shares = [new(LiftFamily.Adjuster, false, turns, 1 / (6 * Math.Sqrt(3)))];
        return null;
    }

    /// <summary>Another link of the sensor that holds an axle's height; elsewhere a sensor only tells lamps or dampers.</summary>
    private static string? Linked(PlacedPart part, AxleState axle, out IReadOnlyList<Share> shares)
    {
        shares = [];
        if (axle.Suspension.HeightControl is null)
        {
            return null;
        }
        if (part.Thickness is not { } longer)
        {
            return $"By how much is {part.Name} longer or shorter than the link that is in?";
        }
        if (
            axle.Suspension.Get(SuspensionSizes.SensorArmShare) is not { } share
            || Math.Abs(share) < LeastSensorShare
        )
        {
            return $"What {part.Name} does needs the share of the {axle.Axle.Said()} sensor's arm: tape under Vehicle how far its end goes for each mm of the axle.";
        }
        var mm = longer.In(Unit.Mm) / share;
        shares =
        [
            new(
                LiftFamily.Sensor,
                false,
                mm,
                Hypot(longer.UIn(Unit.Mm, LiftLaw.UnmeasuredThicknessUMm) / share, 0.05 * mm)
            ),
        ];
        return null;
    }

    /// <summary>A sensor's arm that moves less than this for the axle holds no height.</summary>
    private const double LeastSensorShare = 0.05;

    /// <summary>What a new body mount gives back of what the old one is crushed by: taped, else a rule of thumb.</summary>
    private static Share Renewed(PlacedPart mount, AxleState axle) =>
        mount.Thickness is { } fresh && axle.Suspension.Get(SuspensionSizes.MountFound) is { } found
            ? new(
                LiftFamily.Puck,
                false,
                fresh.In(Unit.Mm) - found,
                LiftLaw.UnmeasuredThicknessUMm,
                LiftLaw.UnmeasuredThicknessUMm
            )
            : new(
                LiftFamily.Puck,
                false,
                CrushedMount.Mean,
                CrushedMount.Sd / Math.Sqrt(2),
                CrushedMount.Sd / Math.Sqrt(2)
            );

    /// <summary>What a renewed body mount gives back where nobody taped the old one, mm: a rule of thumb. Half of its variance is each mount's own, half is the age that all have in common.</summary>
    public static Estimate CrushedMount { get; } = new(5, 5);

    /// <summary>How far an old body mount that goes in again may sit otherwise than before, mm, standard uncertainty: a rule of thumb; likewise half its own.</summary>
    /// <param name="axle">The axle.</param>
    public static double KeptMountUMm(AxleState axle) =>
        axle.Suspension.Get(SuspensionSizes.MountFound) is null ? 3 : 1;

    private static string? Coil(PlacedPart part, AxleState axle, out IReadOnlyList<Share> shares)
    {
        shares = [];
        if (part.Get(PartSizes.SecondRate) is null != part.Get(PartSizes.CrossoverLoad) is null)
        {
            return $"{part.Name} has two rates: both the second one and the load at which it begins are needed.";
        }
        if (CoilSpring.Of(part) is not { } next || CoilSpring.Of(axle.Suspension) is not { } old)
        {
            return ByDesign(part, axle, out shares);
        }
        if (axle.SpringLoadN is not { } load)
        {
            return $"What {part.Name} does depends on the load: enter the axle's mass.";
        }
        var longer = SpringChange.LongerMm(old, next, load);
        // Two rates known to 3 % and a load to 5 %.
        var u = Hypot(
            0.03 * (next.FreeLengthMm - next.LengthMm(load)),
            0.03 * (old.FreeLengthMm - old.LengthMm(load)),
            0.05 * load * ((1 / next.RateAt(load)) - (1 / old.RateAt(load)))
        );
        // Taped off the vehicle, the old free length holds its sag already.
        var taped =
            axle.Suspension.Dimensions[SuspensionSizes.SpringFreeLength].Known == Known.Measured;
        shares =
        [
            new(
                LiftFamily.Spring,
                true,
                longer,
                0,
                u,
                taped ? null : SpringSag.Of(axle, part.Get(PartSizes.DesignLoad))
            ),
        ];
        return null;
    }

    /// <summary>By the maker's lift at his design load.</summary>
    private static string? ByDesign(
        PlacedPart part,
        AxleState axle,
        out IReadOnlyList<Share> shares
    )
    {
        shares = [];
        if (
            part.Get(PartSizes.DesignLift) is not { } lift
            || part.Get(PartSizes.DesignLoad) is not { } design
            || part.Get(PartSizes.Rate) is not { } first
        )
        {
            return part.Claim is null
                ? $"What {part.Name} does needs its rate with its free length and that of the old one, or its lift at a design load."
                : $"{part.Name} has a claim but no load to it: enter its rate and the load for which it was made, then there is a prediction.";
        }
        if (axle.WheelLoadN is not { } load || axle.WheelRate is not { } oldRate)
        {
            return $"What {part.Name} does depends on the load: enter the axle's mass.";
        }
        var rate = CoilSpring.RateAt(first, CoilSpring.BeyondOf(part), axle.SpringLoadN);
        var wheelRate =
            part.Kind == PartKind.LeafPack ? rate : rate * axle.MotionRatio * axle.MotionRatio;
        var unsagged = SpringChange.OverTodayMm(lift, design, load, wheelRate, oldRate, 0);
        // Measured against standard height, what the old spring does under the load is measured with it.
        var byStandard = axle.Sag is null && axle.BelowStandard is not null;
        // A maker's lift belongs to an engine, load and trim: of another vehicle the standard spring may stand elsewhere.
        var other = part.MadeFor is null ? Math.Abs(load - design) / oldRate : 0;
        var u = Hypot(
            2,
            0.05 * load * ((1 / wheelRate) - (byStandard ? 0 : 1 / oldRate)),
            byStandard ? 0 : 0.15 * (load - design) / oldRate,
            other
        );
        shares = [new(LiftFamily.Wheel, false, unsagged, 0, u, SpringSag.Of(axle, design), other)];
        return null;
    }

    private static string? Leaves(PlacedPart part, AxleState axle, out IReadOnlyList<Share> shares)
    {
        shares = [];
        if (part.Leaves.Count == 0)
        {
            return ByDesign(part, axle, out shares);
        }
        if (
            axle.WheelLoadN is not { } load
            || axle.Suspension.Get(SuspensionSizes.LeafArch) is not { } arch
        )
        {
            return $"What {part.Name} does needs the arch of the spring that is in, taped on its wheels, and the axle's mass.";
        }
        var pack = LeafPackBuild.Of(part);
        var rate = part.Get(PartSizes.Rate) ?? pack.RateNPerMm;
        var next = pack.FreeArchMm - (load / rate);
        var arched = axle.Leaf is { } leaf
            ? LeafShackle.Move(leaf, leaf.ShackleMm, next)?.LiftMm
            : next - arch;
        if (arched is not { } rise)
        {
            return $"With {part.Name} the shackle cannot reach: check the arch and the shackle.";
        }
        var share = part.Get(PartSizes.Rate) is null ? LeafPackBuild.RateShare : 0.05;
        var (thicker, thickerU) = ThickerUnderMain(pack, axle);
        var u = Hypot(share * load / rate, 0.05 * load / rate, 3, thickerU);
        // The taped arch is the old spring as it stands today: its sag is in it.
        shares = [new(LiftFamily.Wheel, false, rise + thicker, 0, u)];
        return null;
    }

    /// <summary>How much more stands between main leaf and axle seat than under the pack that is in, mm: the main leaf is lifted by as much. Nothing where the axle sits on the main leaf.</summary>
    private static (double Mm, double U) ThickerUnderMain(LeafPackSprings pack, AxleState axle) =>
        axle.Suspension.Kind != SuspensionKind.LeafOverslung ? (0, 0)
        : axle.Suspension.Get(SuspensionSizes.LeavesUnderMain) is { } old
            ? (pack.UnderMainMm - old, LiftLaw.UnmeasuredThicknessUMm)
        : (0, UntapedPackUMm);

    /// <summary>Standard uncertainty of the thickness under the main leaf where nobody taped the old pack: it is taken as thick as the new one, mm. A rule of thumb.</summary>
    public const double UntapedPackUMm = 10;

    /// <summary>Root of the sum of squares.</summary>
    internal static double Hypot(params ReadOnlySpan<double> terms)
    {
        var sum = 0.0;
        foreach (var t in terms)
        {
            sum += t * t;
        }
        return Math.Sqrt(sum);
    }
}
