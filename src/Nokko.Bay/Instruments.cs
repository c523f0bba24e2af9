using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Bay;

/// <summary>A stand-in for an instrument that a bay may have.</summary>
/// <param name="Key">Key, as in lines.</param>
/// <param name="Name">Name as said.</param>
/// <param name="Serial">Serial number; a stand-in says that it is one.</param>
/// <param name="Measures">Keys of the measures that it takes; empty is heights of stations, or a torque.</param>
public sealed record StandIn(
    string Key,
    string Name,
    string Serial,
    IReadOnlyList<string> Measures
);

/// <summary>The stand-ins and the lines that they send.</summary>
public static class Instruments
{
    /// <summary>Height gauge: station heights to 0.1 mm.</summary>
    public const string HeightGauge = "height-gauge";

    /// <summary>Digital torque wrench.</summary>
    public const string TorqueWrench = "torque-wrench";

    /// <summary>Alignment rack.</summary>
    public const string AlignmentRack = "alignment-rack";

    /// <summary>Inclinometer.</summary>
    public const string Inclinometer = "inclinometer";

    /// <summary>Corner scales: one under each wheel.</summary>
    public const string CornerScales = "corner-scales";

    /// <summary>All stand-ins.</summary>
    public static IReadOnlyList<StandIn> All { get; } =
    [
        new(HeightGauge, "Height gauge", "HG-STAND-IN", []),
        new(
            Inclinometer,
            "Inclinometer",
            "IN-STAND-IN",
            [
                Core.WalkRounds.Measures.BodyAngle,
                Core.WalkRounds.Measures.PinionAngle,
                Core.WalkRounds.Measures.ShaftAngle,
                "armSlope",
                "dragLinkSlope",
            ]
        ),
        new(TorqueWrench, "Torque wrench", "TW-STAND-IN", []),
        new(
            AlignmentRack,
            "Alignment rack",
            "AR-STAND-IN",
            ["camberAngle", Core.WalkRounds.Measures.Caster, "toeAngle", "thrustAngle"]
        ),
        new(CornerScales, "Corner scales", "CS-STAND-IN", [Core.WalkRounds.Measures.WheelWeight]),
    ];

    /// <summary>The n-th line of a height gauge that is brought to a station: it moves, then stands still.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="station">The station.</param>
    /// <param name="from">The datum.</param>
    /// <param name="n">Number of the line, from 0.</param>
    /// <param name="at">The instant.</param>
    /// <param name="secondsDown">Seconds since the vehicle was let down; null is settled.</param>
    public static BayLine Height(
        VirtualVehicle vehicle,
        string station,
        Datum from,
        int n,
        DateTimeOffset at,
        double? secondsDown = null
    )
    {
        var approach = n < 3 ? (3 - n) * 22.0 : 0;
        return new BayLine(
            at,
            HeightGauge,
            "HG-STAND-IN",
            $"height.{from.ToString().ToLowerInvariant()}",
            station,
            Math.Round(vehicle.ReadMm(station, from, secondsDown) - approach, 1),
            Unit.Mm,
            n < 3 ? LineState.Moving : LineState.Steady
        );
    }

    /// <summary>The n-th line of the alignment rack or the inclinometer.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="instrument">Key of the instrument.</param>
    /// <param name="measure">Key of the measure.</param>
    /// <param name="place">The place.</param>
    /// <param name="n">Number of the line, from 0.</param>
    /// <param name="at">The instant.</param>
    /// <exception cref="ArgumentException">The instrument does not take this measure.</exception>
    public static BayLine Angle(
        VirtualVehicle vehicle,
        string instrument,
        string measure,
        string place,
        int n,
        DateTimeOffset at
    )
    {
        var kind = All.First(i => i.Key == instrument);
        if (!kind.Measures.Contains(measure))
        {
            throw new ArgumentException($"A {kind.Name} takes no {measure}.", nameof(measure));
        }
        return new BayLine(
            at,
            instrument,
            kind.Serial,
            measure,
            place,
            Math.Round(vehicle.ReadDegrees(measure, place) + (n < 2 ? 1.5 - n : 0), 2),
            Unit.Degree,
            n < 2 ? LineState.Moving : LineState.Steady
        );
    }

    /// <summary>The n-th line of the scale under a wheel: it swings, then stands still, to half a kilogram.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="corner">The wheel.</param>
    /// <param name="n">Number of the line, from 0.</param>
    /// <param name="at">The instant.</param>
    public static BayLine Weight(VirtualVehicle vehicle, Corner corner, int n, DateTimeOffset at) =>
        new(
            at,
            CornerScales,
            "CS-STAND-IN",
            Core.WalkRounds.Measures.WheelWeight,
            corner.Name(),
            Math.Round(2 * (vehicle.ReadKg(corner) + (n < 3 ? (n % 2 == 0 ? 12 : -7) : 0))) / 2,
            Unit.Kg,
            n < 3 ? LineState.Moving : LineState.Steady
        );

    /// <summary>The n-th line of a torque wrench on a joint: it climbs to the target, then holds its peak.</summary>
    /// <param name="joint">The joint's place.</param>
    /// <param name="target">The torque at which the hand stops.</param>
    /// <param name="unit">Its unit.</param>
    /// <param name="n">Number of the line, from 0.</param>
    /// <param name="at">The instant.</param>
    /// <param name="chance">Chance: a hand stops within about a percent.</param>
    public static BayLine Torque(
        string joint,
        double target,
        Unit unit,
        int n,
        DateTimeOffset at,
        Random chance
    )
    {
        const int pull = 6;
        var reached = target * (1.004 + (0.01 * chance.NextDouble()));
        return new BayLine(
            at,
            TorqueWrench,
            "TW-STAND-IN",
            "torque",
            joint,
            Math.Round(n < pull ? reached * n / pull : reached, 1),
            unit,
            n < pull ? LineState.Moving : LineState.Peak
        );
    }
}
