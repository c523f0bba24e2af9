using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>The rate of an axle from a known weight at a known place.</summary>
/// <remarks>Source: docs/computation/body-on-springs.md#equilibrium: hub readings without and with it, mean of loading and unloading, so that friction goes out.</remarks>
public static class BallastTest
{
    /// <summary>Standard uncertainty of a mean of two hub readings, mm.</summary>
    private const double ReadingUMm = 1;

    /// <summary>Least drop from which a rate can be told, mm.</summary>
    private const double LeastDropMm = 6;

    /// <summary>Rate of one side, N/mm, at the wheel (at the spring on a live axle: both go down alike); or the field that is wrong, and why.</summary>
    /// <param name="axle">front or rear.</param>
    /// <param name="massKg">Weight put on, kg; above zero.</param>
    /// <param name="behindMm">Behind the front axle, mm.</param>
    /// <param name="wheelbaseMm">Wheelbase, mm; above zero.</param>
    /// <param name="withoutMm">Hub to lip before, mean of both sides, mm.</param>
    /// <param name="withMm">With the weight on, mm.</param>
    /// <param name="afterMm">Once it is off again, mm.</param>
    public static (Quantity? Rate, (string Field, string Says)? Why) Rate(
        Axle axle,
        double massKg,
        double behindMm,
        double wheelbaseMm,
        double withoutMm,
        double withMm,
        double afterMm
    )
    {
        var rearShare = behindMm / wheelbaseMm;
        var share = axle == Axle.Front ? 1 - rearShare : rearShare;
        if (share < 0.2)
        {
            return (
                null,
                (
                    "behind",
                    $"Hardly any of the weight is on the {axle.Said()} axle there: put it nearer."
                )
            );
        }
        var drop = ((withoutMm - withMm) + (afterMm - withMm)) / 2;
        if (drop < LeastDropMm)
        {
            return (
                null,
                (
                    "with",
                    "The weight must bring it down by 1/4 in (6 mm) at least: use more weight."
                )
            );
        }
        if (Math.Abs(withoutMm - afterMm) > Math.Max(drop / 2, LeastDropMm))
        {
            return (
                null,
                ("after", "It did not come back: bounce and roll it each time, and read again.")
            );
        }
        var rate = massKg * Gravity.NPerKg * share / 2 / drop;
        // Half of what friction held back is not known, beside the tape; the weight to 2 %.
        var u = Math.Sqrt(
            Math.Pow(ReadingUMm * Math.Sqrt(1.5), 2)
                + Math.Pow(Math.Abs(withoutMm - afterMm) / 4, 2)
        );
        return (
            new Quantity
            {
                Value = rate,
                Unit = Unit.NewtonPerMm,
                U = rate * Math.Sqrt(Math.Pow(u / drop, 2) + (0.02 * 0.02)),
                Known = Known.Measured,
            },
            null
        );
    }
}
