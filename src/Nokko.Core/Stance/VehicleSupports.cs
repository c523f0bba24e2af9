using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Stance;

/// <summary>The points on which a vehicle's body rests, with rates estimated from its masses.</summary>
/// <remarks>Source: docs/computation/body-on-springs.md#equilibrium: at the wheel for independent suspension, at the spring for a solid axle.</remarks>
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
        var front = AxleState.WheelRateOf(vehicle, Axle.Front)!.Value;
        var rear = AxleState.WheelRateOf(vehicle, Axle.Rear)!.Value;
        if (onTyres)
        {
            front = Series(front, Datums.TyreRateNPerMm);
            rear = Series(rear, Datums.TyreRateNPerMm);
        }
        var x = -d.Wheelbase!.In(Unit.Mm);
        var f =
            (vehicle.Front.Kind.IsLiveAxle() ? d.FrontSpringBase! : d.FrontTrack!).In(Unit.Mm) / 2;
        var r = (vehicle.Rear.Kind.IsLiveAxle() ? d.RearSpringBase! : d.RearTrack!).In(Unit.Mm) / 2;
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

    /// <summary>The axles whose height a controller holds.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="onTyres">Whether the tyres give under it.</param>
    public static IReadOnlyList<HeldHeight> Held(Vehicle vehicle, bool onTyres = false) =>
        [
            .. Corners
                .Axles.Where(a => vehicle.SuspensionOf(a).HeightControl is not null)
                .Select(a =>
                {
                    var left = a == Axle.Front ? 0 : 2;
                    return new HeldHeight(
                        left,
                        left + 1,
                        vehicle.SuspensionOf(a).HeightControl == HeightControl.TwoSensors,
                        onTyres ? Datums.TyreRateNPerMm : null
                    );
                }),
        ];

    /// <summary>The anti-roll bars of a vehicle on its supports, front then rear, with the standard uncertainty of each rate, N/mm.</summary>
    /// <param name="vehicle">The vehicle; its sizes are known.</param>
    /// <param name="supports">Its supports, in the order of <see cref="Corners.All"/>.</param>
    /// <remarks>Source: docs/computation/body-on-springs.md#anti-roll-bars.</remarks>
    public static IReadOnlyList<(AntiRollBar Bar, double U)> Bars(
        Vehicle vehicle,
        IReadOnlyList<Support> supports
    )
    {
        return [Of(Axle.Front, 0), Of(Axle.Rear, 2)];

        (AntiRollBar, double) Of(Axle axle, int left)
        {
            var rate = RollBar.AtWheels(vehicle, axle, supports[left].RateNPerMm);
            var d = vehicle.Dimensions;
            var track = (axle == Axle.Front ? d.FrontTrack! : d.RearTrack!).In(Unit.Mm);
            // On a solid axle the supports are its springs, nearer to the middle than the wheels.
            var lever = Math.Pow(track / (2 * supports[left].YMm), 2);
            return (new AntiRollBar(left, left + 1, lever * rate.Mean), lever * rate.Sd);
        }
    }

    /// <summary>Whether both axles' rates were measured by ballast tests.</summary>
    public static bool RatesAreMeasured(Vehicle vehicle) =>
        new[] { vehicle.Front, vehicle.Rear }.All(s =>
            s.Dimensions.TryGetValue(SuspensionSizes.WheelRate, out var q)
            && q.Known == Known.Measured
        );

    private static bool Needed(string name, Vehicle vehicle) =>
        name switch
        {
            "sillHeight" or "midMark" => false,
            _ when VehicleDimensions.OnPapers.Contains(name) => false,
            "frontSpringBase" => vehicle.Front.Kind.IsLiveAxle(),
            "rearSpringBase" => vehicle.Rear.Kind.IsLiveAxle(),
            _ => true,
        };

    private static double Series(double a, double b) => a * b / (a + b);
}
