using Nokko.Core.Measuring;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Stance;

/// <summary>The points on which a vehicle's body rests, with rates estimated from its masses.</summary>
/// <remarks>Source: computation.md, section 6: at the wheel for independent suspension, at the spring for a solid axle.</remarks>
public static class VehicleSupports
{
    /// <summary>The body's four supports without free rise, in the order of <see cref="Corners.All"/>; or the size that is missing.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="onTyres">Whether the tyres give too, as they do under a load in floor datum; else they are rigid, as in hub datum.</param>
    public static (IReadOnlyList<Support>? Supports, string? Missing) Of(
        Vehicle vehicle,
        bool onTyres = false
    )
    {
        var d = vehicle.Dimensions;
        var unknown = d.Named()
            .Where(n => n.Value is null && Needed(n.Name, vehicle))
            .Select(n => n.Name)
            .ToArray();
        if (unknown.Length > 0)
        {
            return (null, $"The prediction needs {string.Join(", ", unknown)}.");
        }
        var (front, rear) = (Rate(vehicle, Corners.Front), Rate(vehicle, Corners.Rear));
        if (onTyres)
        {
            front = Series(front, Datums.TyreRateNPerMm);
            rear = Series(rear, Datums.TyreRateNPerMm);
        }
        var x = -d.Wheelbase!.In("mm");
        var f = (vehicle.Front.Kind.IsLiveAxle() ? d.FrontSpringBase! : d.FrontTrack!).In("mm") / 2;
        var r = (vehicle.Rear.Kind.IsLiveAxle() ? d.RearSpringBase! : d.RearTrack!).In("mm") / 2;
        return (
            [
                new Support(0, f, front, 0),
                new Support(0, -f, front, 0),
                new Support(x, r, rear, 0),
                new Support(x, -r, rear, 0),
            ],
            null
        );
    }

    /// <summary>Whether an axle's rate was measured by a ballast test.</summary>
    public static bool RateIsMeasured(Vehicle vehicle, string axle) =>
        vehicle.SuspensionOf(axle).Dimensions.TryGetValue(SuspensionSizes.WheelRate, out var q)
        && q.Known == Known.Measured;

    private static bool Needed(string name, Vehicle vehicle) =>
        name switch
        {
            "sillHeight" or "midMark" => false,
            "frontSpringBase" => vehicle.Front.Kind.IsLiveAxle(),
            "rearSpringBase" => vehicle.Rear.Kind.IsLiveAxle(),
            _ => true,
        };

    private static double Rate(Vehicle vehicle, string axle)
    {
        var suspension = vehicle.SuspensionOf(axle);
        if (suspension.Get(SuspensionSizes.WheelRate) is { } measured)
        {
            return measured;
        }
        var front = axle == Corners.Front;
        var d = vehicle.Dimensions;
        var mass = (front ? d.FrontAxleMass! : d.RearAxleMass!).In("kg");
        var unsprung = (front ? d.FrontUnsprungShare! : d.RearUnsprungShare!).In("1");
        return RateEstimate.NPerMm(
            mass * (1 - unsprung) / 2,
            RateEstimate.UsualHertz(suspension.Kind, axle)
        );
    }

    private static double Series(double a, double b) => a * b / (a + b);
}
