using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Stance;

/// <summary>How free rises of single springs move weight across, from one diagonal of the wheels to the other.</summary>
/// <remarks>
/// Source: docs/computation/geometry.md#corner-scales. On a rigid body that is the only load that one spring can take from another; anti-roll bars are unhooked, as they are while it is weighed.
/// </remarks>
public sealed class CrossWeight
{
    /// <summary>Off the half, of 100, at which the diagonals count as even: a rule of thumb.</summary>
    public const double EvenWithin = 0.5;

    private readonly double[] _tracks;

    /// <summary>Moment for each radian that the body rolls over an axle, N·mm.</summary>
    private readonly double[] _stiffness;
    private readonly double _rearX;

    private CrossWeight(double[] tracks, double[] bases, double[] compliance, double rearX)
    {
        (_tracks, _stiffness, _rearX) = (tracks, [1 / compliance[0], 1 / compliance[1]], rearX);
        // A mm under one spring twists the axles against each other by 1/base; the moment that this makes puts 1/track of it onto a wheel of each axle: right front and left rear.
        var perTwist = ((1 / tracks[0]) + (1 / tracks[1])) / (compliance[0] + compliance[1]);
        double[] Over(double[] between) =>
            [
                -perTwist / between[0],
                perTwist / between[0],
                perTwist / between[1],
                -perTwist / between[1],
            ];
        (NPerMm, TyreNPerMm) = (Over(bases), Over(tracks));
    }

    /// <summary>What moves onto right front and left rear together for each mm of free rise, N/mm, in the order of <see cref="Corners.All"/>.</summary>
    public IReadOnlyList<double> NPerMm { get; }

    /// <summary>The same for each mm that a tyre is higher.</summary>
    public IReadOnlyList<double> TyreNPerMm { get; }

    /// <summary>What a vehicle's springs do; or the size that is missing.</summary>
    /// <param name="vehicle">The vehicle.</param>
    public static (CrossWeight? Moves, string? Missing) Of(Vehicle vehicle)
    {
        var (supports, missing) = VehicleSupports.Of(vehicle);
        if (supports is null)
        {
            return (null, missing);
        }
        var d = vehicle.Dimensions;
        double[] tracks = [d.FrontTrack!.In(Unit.Mm), d.RearTrack!.In(Unit.Mm)];
        double[] bases = [2 * supports[0].YMm, 2 * supports[2].YMm];
        // How far an axle lets the body roll for each newton millimetre, rad: through its springs, unless a controller holds each side, and its tyres.
        double Roll(Axle axle)
        {
            var i = (int)axle;
            var held = vehicle.SuspensionOf(axle).HeightControl == HeightControl.TwoSensors;
            return (held ? 0 : 2 / (supports[2 * i].RateNPerMm * bases[i] * bases[i]))
                + (2 / (Datums.TyreRateNPerMm * tracks[i] * tracks[i]));
        }
        return (
            new CrossWeight(tracks, bases, [Roll(Axle.Front), Roll(Axle.Rear)], supports[2].XMm),
            null
        );
    }

    /// <summary>What a load puts on right front and left rear together, N: each axle carries it as it lies between them, and rolls against it as stiffly as it stands.</summary>
    /// <param name="load">The load.</param>
    public double Onto(BodyLoad load)
    {
        var rear = load.DownN * load.XMm / _rearX;
        var roll = load.DownN * load.YMm / _stiffness.Sum();
        return ((load.DownN - rear) / 2)
            - (roll * _stiffness[0] / _tracks[0])
            + (rear / 2)
            + (roll * _stiffness[1] / _tracks[1]);
    }

    /// <summary>What right front and left rear carry, of 100, as four scales tell it.</summary>
    /// <param name="kg">Weights on the wheels in the order of <see cref="Corners.All"/>, kg, each with its own ±; above zero together.</param>
    /// <returns>Their share with its ±. What all scales have in common, a factor, goes out with the quotient.</returns>
    public static Estimate Share(IReadOnlyList<Estimate> kg)
    {
        var all = kg.Sum(k => k.Mean);
        var share = 100 * (kg[1].Mean + kg[2].Mean) / all;
        var variance = kg.Select(
                (k, i) => Math.Pow(((i is 1 or 2 ? 100 : 0) - share) / all * k.Sd, 2)
            )
            .Sum();
        return new(share, Math.Sqrt(variance));
    }
}
