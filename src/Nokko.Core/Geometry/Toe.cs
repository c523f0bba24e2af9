namespace Nokko.Core.Geometry;

/// <summary>Toe by tape.</summary>
/// <remarks>Source: docs/computation/geometry.md#toe-and-camber-by-tape.</remarks>
/// <param name="TotalMm">Rear edges less front edges of both tyres, mm: toe-in above zero.</param>
/// <param name="AcrossMm">D: over which it was taped, mm; above zero.</param>
public readonly record struct Toe(double TotalMm, double AcrossMm)
{
    /// <summary>Toe of one wheel where both are alike, asin(total/(2D)), rad; null where no tyre is so crooked.</summary>
    public double? PerWheelRad =>
        Math.Abs(TotalMm) < 2 * AcrossMm ? Math.Asin(TotalMm / (2 * AcrossMm)) : null;

    /// <summary>How far each side must move so that both together come to what is wanted, mm: the fronts outward above zero.</summary>
    /// <param name="wantedMm">Wanted total, mm.</param>
    public double EachSideMm(double wantedMm) => (TotalMm - wantedMm) / 2;
}
