using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>Rates estimated from the mass they carry.</summary>
/// <remarks>k = m(2πf)²/1000. Source: docs/computation/body-on-springs.md#equilibrium.</remarks>
public static class RateEstimate
{
    /// <summary>Usual natural frequency of a front corner, Hz.</summary>
    public const double FrontHz = 1.3;

    /// <summary>Usual natural frequency of a coil-sprung rear corner, Hz.</summary>
    public const double CoilRearHz = 1.5;

    /// <summary>Usual natural frequency of an unladen leaf-sprung rear corner, Hz.</summary>
    public const double LeafRearHz = 1.9;

    /// <summary>Usual natural frequency of an unladen leaf-sprung front corner, Hz.</summary>
    public const double LeafFrontHz = 1.6;

    /// <summary>Usual natural frequency of a corner of a kind.</summary>
    /// <param name="kind">The suspension.</param>
    /// <param name="axle">front or rear.</param>
    public static double UsualHertz(SuspensionKind kind, Axle axle) =>
        (kind.Rubs(), axle == Axle.Front) switch
        {
            (true, true) => LeafFrontHz,
            (true, false) => LeafRearHz,
            (false, true) => FrontHz,
            (false, false) => CoilRearHz,
        };

    /// <summary>Rate in N/mm of a corner that carries <paramref name="sprungMassKg"/> at <paramref name="hertz"/>.</summary>
    public static double NPerMm(double sprungMassKg, double hertz) =>
        sprungMassKg * Math.Pow(2 * Math.PI * hertz, 2) / 1000;
}
