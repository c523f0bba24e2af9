using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>An axle as the arithmetic of stacks sees it: its linkage, its loads and its springs, each as well as it is known.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="Suspension">The suspension.</param>
/// <param name="Corner">Its linkage.</param>
/// <param name="WheelLoadN">Sprung load on one wheel, N; null when the axle's mass is not known.</param>
/// <param name="Leaf">Shape of its leaf springs; null when it has none or it was not taped, or nobody said where the shackle hangs.</param>
/// <param name="Sag">How far its springs have sagged since they were new, as somebody entered it, mm, with the standard uncertainty; null when nobody did.</param>
public sealed record AxleState(
    Axle Axle,
    Vehicles.Suspension Suspension,
    CornerLinkage Corner,
    double? WheelLoadN,
    LeafGeometry? Leaf,
    Estimate? Sag
)
{
    /// <summary>Least slack that a brake hose keeps at full droop where nobody said another, mm: a rule of thumb.</summary>
    public const double UsualHoseMm = 12;

    /// <summary>Least slack that its brake hoses keep, mm.</summary>
    public double LeastHoseMm { get; init; } = UsualHoseMm;

    /// <summary>The state of an axle.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="axle">front or rear.</param>
    public static AxleState Of(Vehicle vehicle, Axle axle)
    {
        var suspension = vehicle.SuspensionOf(axle);
        return new AxleState(
            axle,
            suspension,
            CornerLinkage.Of(suspension),
            SprungLoadN(vehicle, axle),
            LeafOf(suspension),
            suspension.Dimensions.TryGetValue(SuspensionSizes.Sag, out var told)
                ? new Estimate(
                    told.In(Unit.Mm),
                    told.UIn(Unit.Mm, told.Known == Known.Measured ? 2 : 5)
                )
                : null
        );
    }

    /// <summary>Standard height less today's by the readings, mm; null when it was not measured, or something was added.</summary>
    public Estimate? BelowStandard { get; init; }

    /// <summary>Odometer, km; null is not known.</summary>
    public double? OdometerKm { get; init; }

    /// <summary>Lift lines that our own jobs have proved, for this vehicle; null where there is only the prior.</summary>
    public IReadOnlyDictionary<Shelf.LiftFamily, LiftBelief>? Learned { get; init; }

    /// <summary>The adjuster of its torsion bars; null where it has none.</summary>
    public TorsionAdjuster? Torsion { get; init; } = TorsionAdjuster.Of(Suspension, WheelLoadN);

    /// <summary>Motion ratio at ride height.</summary>
    public double MotionRatio => 1 / Corner.Ratio.Mean;

    /// <summary>Load along the spring, N; null when the wheel's is not known.</summary>
    public double? SpringLoadN => WheelLoadN * Corner.Ratio.Mean;

    /// <summary>Rate of the spring that is in, at the wheel (at the spring on a live axle), N/mm; null when nothing tells it.</summary>
    public double? WheelRate => RateOf(Suspension, Axle, WheelLoadN, () => MotionRatio);

    /// <summary>The same of a vehicle's axle: from a ballast test, from the spring's own rate, or estimated from the mass that it carries.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="axle">front or rear.</param>
    public static double? WheelRateOf(Vehicle vehicle, Axle axle)
    {
        var suspension = vehicle.SuspensionOf(axle);
        return RateOf(
            suspension,
            axle,
            SprungLoadN(vehicle, axle),
            () => 1 / CornerLinkage.Of(suspension).Ratio.Mean
        );
    }

    // The motion ratio is asked for only where a spring's own rate is known: it may need a linkage.
    private static double? RateOf(
        Vehicles.Suspension suspension,
        Axle axle,
        double? loadN,
        Func<double> motionRatio
    )
    {
        if (suspension.Get(SuspensionSizes.WheelRate) is { } measured)
        {
            return measured;
        }
        if (suspension.Get(SuspensionSizes.SpringRate) is { } spring)
        {
            var ratio = suspension.Kind.IsLeaf() ? 1 : motionRatio();
            // A dual-rate coil has the rate of the side of its crossover on which it rides.
            return CoilSpring.RateAt(spring, CoilSpring.BeyondOf(suspension), loadN / ratio)
                * ratio
                * ratio;
        }
        if (TorsionAdjuster.Of(suspension, loadN)?.Bar is { RateNPerMm: > 0 } bar)
        {
            return bar.RateNPerMm;
        }
        return loadN is { } load
            ? RateEstimate.NPerMm(
                load / Gravity.NPerKg,
                RateEstimate.UsualHertz(suspension.Kind, axle)
            )
            : null;
    }

    private static double? SprungLoadN(Vehicle vehicle, Axle axle)
    {
        var d = vehicle.Dimensions;
        var unsprung = axle == Axle.Front ? d.FrontUnsprungShare : d.RearUnsprungShare;
        return vehicle.WheelLoadN(axle) * (1 - (unsprung?.In(Unit.One) ?? UsualUnsprungShare));
    }

    /// <summary>Share of an axle's mass that no spring carries: a rule of thumb.</summary>
    private const double UsualUnsprungShare = 0.15;

    private static LeafGeometry? LeafOf(Vehicles.Suspension s) =>
        s.Kind.IsLeaf()
        && s.ShacklePivot is { } pivot
        && s.Get(SuspensionSizes.LeafChord) is { } chord
        && s.Get(SuspensionSizes.ShackleLength) is { } shackle
            ? new LeafGeometry(
                chord,
                s.Get(SuspensionSizes.LeafArch) ?? 0,
                shackle,
                double.DegreesToRadians(s.Get(SuspensionSizes.ShackleAngle) ?? 0),
                s.Get(SuspensionSizes.AxleFraction) ?? 0.5,
                pivot == ShacklePivot.BelowEye
            )
            : null;
}
