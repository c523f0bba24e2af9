namespace Nokko.Core.Geometry;

/// <summary>What both axles carry, kg.</summary>
/// <remarks>Source: docs/computation/geometry.md#axle-loads.</remarks>
/// <param name="FrontKg">On the front axle.</param>
/// <param name="RearKg">On the rear axle.</param>
public readonly record struct AxleLoads(double FrontKg, double RearKg)
{
    /// <summary>The same with a load put on.</summary>
    /// <param name="kg">Its mass; below zero is taken off.</param>
    /// <param name="behindMm">How far behind the front axle it stands, mm; below zero is ahead.</param>
    /// <param name="wheelbaseMm">Wheelbase, mm; above zero.</param>
    public AxleLoads With(double kg, double behindMm, double wheelbaseMm)
    {
        var rear = kg * behindMm / wheelbaseMm;
        return new(FrontKg + kg - rear, RearKg + rear);
    }
}
