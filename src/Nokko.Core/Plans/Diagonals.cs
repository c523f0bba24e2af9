using MathNet.Numerics.LinearAlgebra;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Plans;

/// <summary>What right front and left rear carry of a weighed vehicle, of 100, and how free rises change it.</summary>
/// <remarks>Source: docs/computation/geometry.md#corner-scales.</remarks>
internal sealed record Diagonals
{
    /// <summary>Why there is none.</summary>
    public const string NotWeighed =
        "Not weighed at this stage: the weight on each wheel's scale (Walk round, other measures).";

    /// <summary>As it was weighed, of 100.</summary>
    public required Estimate Weighed { get; init; }

    /// <summary>What the loads that stay add to it.</summary>
    public required double OfLoads { get; init; }

    /// <summary>All four wheels with those loads, kg.</summary>
    public required double AllKg { get; init; }

    /// <summary>Change for each mm of free rise at each spring, of 100.</summary>
    public required double[] PerMm { get; init; }

    /// <summary>The same for each mm that a tyre is higher.</summary>
    public required double[] TyrePerMm { get; init; }

    /// <summary>What free rises add to it, of 100, with the parts' own ± and that of the springs' rates.</summary>
    /// <param name="rises">The free rises.</param>
    /// <param name="rateShare">Share of the springs' rates that is their standard uncertainty.</param>
    public Estimate MovedBy(FreeRises rises, double rateShare)
    {
        var per = Vector<double>.Build.Dense(FreeRises.Count);
        per.SetSubVector(0, 4, Vector<double>.Build.Dense(PerMm));
        per.SetSubVector(FreeRises.Tyres, 4, Vector<double>.Build.Dense(TyrePerMm));
        var moved = per * rises.MeanMm;
        return new(
            moved,
            double.Hypot(
                Math.Sqrt(Math.Max(0, per * rises.Covariance * per)),
                rateShare * (moved + OfLoads)
            )
        );
    }

    /// <summary>The diagonals of a vehicle; or why they cannot be told.</summary>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="weighed">The weights on its wheels, kg, in the order of <see cref="Corners.All"/>; null where nobody weighed it.</param>
    /// <param name="loads">Loads that come and stay.</param>
    public static (Diagonals? Of, string? Why) Of(
        Vehicle vehicle,
        IReadOnlyList<Estimate>? weighed,
        IEnumerable<StatedLoad> loads
    )
    {
        if (weighed is null)
        {
            return (null, NotWeighed);
        }
        var (moves, missing) = CrossWeight.Of(vehicle);
        if (moves is null)
        {
            return (null, missing);
        }
        BodyLoad[] on = [.. loads.Where(l => l.Stays).Select(l => l.OnBody())];
        var share = CrossWeight.Share(weighed);
        var was = weighed.Sum(w => w.Mean);
        var all = was + (on.Sum(l => l.DownN) / Gravity.NPerKg);
        var ontoKg = on.Sum(moves.Onto) / Gravity.NPerKg;
        double[] OfAll(IEnumerable<double> newtons) =>
            [.. newtons.Select(n => 100 * n / (Gravity.NPerKg * all))];
        return (
            new Diagonals
            {
                Weighed = share,
                OfLoads = (((share.Mean * was) + (100 * ontoKg)) / all) - share.Mean,
                AllKg = all,
                PerMm = OfAll(moves.NPerMm),
                TyrePerMm = OfAll(moves.TyreNPerMm),
            },
            null
        );
    }
}
