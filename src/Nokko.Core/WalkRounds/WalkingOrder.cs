using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.WalkRounds;

/// <summary>Ways to walk round a vehicle, on which good fitters differ.</summary>
public enum WalkingOrder
{
    /// <summary>Down the left side from the front, up the right.</summary>
    LeftSideBack,

    /// <summary>Up the left side from the rear, down the right.</summary>
    LeftSideForward,

    /// <summary>Down the right side from the front, up the left.</summary>
    RightSideBack,

    /// <summary>Across each axle from the front, left before right: both sides of a lean at once.</summary>
    AxleByAxle,
}

/// <summary>Puts stations into walking order.</summary>
public static class WalkingOrders
{
    /// <summary>Key of the choice among a job's schools.</summary>
    public const string School = "walkingOrder";

    /// <summary>Stations in the order in which a person comes to them; a place in the middle counts to the left.</summary>
    public static IReadOnlyList<Station> Sort(IEnumerable<Station> stations, WalkingOrder order)
    {
        var places = stations
            .Select(s => (Station: s, X: s.X.In(Unit.Mm), Left: s.Y.In(Unit.Mm) >= 0))
            .ToArray();
        return order switch
        {
            WalkingOrder.LeftSideBack => [.. Side(true, false), .. Side(false, true)],
            WalkingOrder.LeftSideForward => [.. Side(true, true), .. Side(false, false)],
            WalkingOrder.RightSideBack => [.. Side(false, false), .. Side(true, true)],
            WalkingOrder.AxleByAxle =>
            [
                .. places
                    .OrderByDescending(p => p.X)
                    .ThenByDescending(p => p.Left)
                    .Select(p => p.Station),
            ],
            _ => throw new ArgumentOutOfRangeException(nameof(order)),
        };

        IEnumerable<Station> Side(bool left, bool forward) =>
            (
                forward
                    ? places.Where(p => p.Left == left).OrderBy(p => p.X)
                    : places.Where(p => p.Left == left).OrderByDescending(p => p.X)
            ).Select(p => p.Station);
    }
}
