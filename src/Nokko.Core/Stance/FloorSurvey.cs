using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Stance;

/// <summary>What an uneven floor did to a walk-round's readings.</summary>
/// <remarks>
/// A pad that stands p higher lifts its wheel by p, which is a free rise of p at that wheel; the body follows by section 6.
/// A height above the hub, the rim or the wheel's own pad reads body minus pad too much, which is taken off again.
/// A floor that merely slopes turns the whole vehicle and changes no reading. On a solid axle the wheels' pads are carried to its springs.
/// Source: docs/computation/uncertainty.md#one-station, docs/computation/body-on-springs.md#equilibrium.
/// </remarks>
public sealed class FloorSurvey
{
    private readonly double[] _pads;
    private readonly BodyMotion _body;
    private readonly Vehicle _vehicle;

    private FloorSurvey(double[] pads, BodyMotion body, Vehicle vehicle) =>
        (_pads, _body, _vehicle) = (pads, body, vehicle);

    /// <summary>The survey of a round, or null when it has no height for every wheel, or a size of the vehicle is missing.</summary>
    public static FloorSurvey? Of(WalkRound round, Vehicle vehicle) => Of(round.Pads, vehicle);

    /// <summary>A floor by its pads, or null when it has no height for every wheel, or a size of the vehicle is missing.</summary>
    public static FloorSurvey? Of(IReadOnlyList<WheelPad> floor, Vehicle vehicle)
    {
        var pads = Corners
            .All.Select(c => floor.FirstOrDefault(p => p.Wheel == c)?.Height.In(Unit.Mm))
            .ToArray();
        if (pads.Any(p => p is null) || VehicleSupports.Of(vehicle).Supports is not { } supports)
        {
            return null;
        }
        double[] heights = [.. pads.Select(p => p!.Value)];
        var half = HalfTrack(vehicle);
        // Along a solid axle the height runs straight from wheel to wheel; its springs stand further in.
        double[] ground =
        [
            .. supports.Select(
                (s, i) =>
                {
                    var (left, right) = (heights[i & ~1], heights[i | 1]);
                    return ((left + right) / 2) + ((left - right) / 2 * s.YMm / half[i / 2]);
                }
            ),
        ];
        return new FloorSurvey(
            heights,
            new BodyOnSprings(
                supports,
                [.. VehicleSupports.Bars(vehicle, supports).Select(b => b.Bar)],
                VehicleSupports.Held(vehicle)
            ).Follow(ground),
            vehicle
        );
    }

    /// <summary>What must be added to a reading, mm.</summary>
    /// <param name="station">The station.</param>
    /// <param name="from">Its datum; frame and own marks move with the body and need nothing.</param>
    public double CorrectionMm(Station station, Datum from)
    {
        if (from is Datum.Frame or Datum.Own)
        {
            return 0;
        }
        var (x, y) = (station.X.In(Unit.Mm), station.Y.In(Unit.Mm));
        return FloorAt(x, y) - _body.RiseAt(x, y);
    }

    /// <summary>How far the body itself rises at a place when the ground under its wheels does, mm.</summary>
    /// <param name="station">The place.</param>
    public double BodyMm(Station station) =>
        _body.RiseAt(station.X.In(Unit.Mm), station.Y.In(Unit.Mm));

    /// <summary>The floor between the pads: straight along and across.</summary>
    private double FloorAt(double x, double y)
    {
        var half = HalfTrack(_vehicle);
        var back = -x / _vehicle.Dimensions.Wheelbase!.In(Unit.Mm);
        var front = Across(0, y / half[0]);
        var rear = Across(2, y / half[1]);
        return front + (back * (rear - front));
    }

    private double Across(int left, double share) =>
        ((_pads[left] + _pads[left + 1]) / 2) + ((_pads[left] - _pads[left + 1]) / 2 * share);

    private static double[] HalfTrack(Vehicle vehicle) =>
        [
            vehicle.Dimensions.FrontTrack!.In(Unit.Mm) / 2,
            vehicle.Dimensions.RearTrack!.In(Unit.Mm) / 2,
        ];
}
