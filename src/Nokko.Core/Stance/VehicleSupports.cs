using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Stance;

/// <summary>The points on which a vehicle's body rests, with rates estimated from its masses.</summary>
/// <remarks>Source: computation.md, section 6: at the wheel for independent suspension, at the spring for a solid axle.</remarks>
public static class VehicleSupports
{
    /// <summary>The body's four supports without free rise, in the order of <see cref="Corners.All"/>; or the size that is missing.</summary>
    public static (IReadOnlyList<Support>? Supports, string? Missing) Of(Vehicle vehicle)
    {
        var d = vehicle.Dimensions;
        var unknown = d.Named()
            .Where(n => n.Value is null && n.Name is not ("sillHeight" or "midMark"))
            .Select(n => n.Name)
            .ToArray();
        if (unknown.Length > 0)
        {
            return (null, $"The prediction needs {string.Join(", ", unknown)}.");
        }
        var front = Rate(d.FrontAxleMass!, d.FrontUnsprungShare!, RateEstimate.FrontHz);
        var rear = Rate(
            d.RearAxleMass!,
            d.RearUnsprungShare!,
            vehicle.Rear.Kind == SuspensionKind.LeafOverslung
                ? RateEstimate.LeafRearHz
                : RateEstimate.CoilRearHz
        );
        var x = -d.Wheelbase!.In("mm");
        var f = d.FrontTrack!.In("mm") / 2;
        var r =
            (
                vehicle.Rear.Kind == SuspensionKind.LeafOverslung ? d.RearSpringBase! : d.RearTrack!
            ).In("mm") / 2;
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

    private static double Rate(Quantity axleMass, Quantity unsprung, double hertz) =>
        RateEstimate.NPerMm(axleMass.In("kg") * (1 - unsprung.In("1")) / 2, hertz);
}
