using Nokko.Core.Units;

namespace Nokko.Core.Suspension;

/// <summary>What is believed about a lift line before any job has been seen.</summary>
/// <param name="OffsetMm">o: bushings that let go and settle at the new height, mm.</param>
/// <param name="Ratio">ρ: free rise per thickness.</param>
/// <param name="VehicleSd">Standard deviation of one vehicle's own ratio about ρ.</param>
/// <param name="ThicknessUMm">Standard uncertainty of a part's thickness, mm.</param>
public sealed record LiftPrior(
    Estimate OffsetMm,
    Estimate Ratio,
    double VehicleSd,
    double ThicknessUMm
)
{
    /// <summary>What it says of a vehicle that was never seen.</summary>
    public LiftBelief Belief() =>
        new(
            OffsetMm,
            new Estimate(Ratio.Mean, Math.Sqrt((Ratio.Sd * Ratio.Sd) + (VehicleSd * VehicleSd))),
            0
        );
}

/// <summary>What is believed of one vehicle's lift line, h = offset + ratio·t.</summary>
/// <param name="OffsetMm">o, mm.</param>
/// <param name="Ratio">ρ + v: the vehicle's own ratio.</param>
/// <param name="Covariance">Between the two, mm.</param>
public sealed record LiftBelief(Estimate OffsetMm, Estimate Ratio, double Covariance)
{
    /// <summary>Jobs on this platform that it rests on.</summary>
    public int Jobs { get; init; }

    /// <summary>Those of them on this very vehicle.</summary>
    public int OfThisVehicle { get; init; }
}
