namespace Nokko.Core.Geometry;

/// <summary>A propshaft with a single cardan joint at each end, phased, seen from the side.</summary>
/// <remarks>Source: docs/computation/geometry.md#driveline.</remarks>
/// <param name="RunMm">Joint to joint along, mm; above zero.</param>
/// <param name="DropMm">The joint at the axle below the one at the gearbox, mm.</param>
/// <param name="OutputRad">How far the gearbox's output slopes down toward the axle, rad.</param>
/// <param name="PinionRad">How far the pinion points up toward the shaft, rad.</param>
/// <param name="AsideMm">The joint at the axle aside of the one at the gearbox, seen from above, mm.</param>
public sealed record Driveline(
    double RunMm,
    double DropMm,
    double OutputRad,
    double PinionRad,
    double AsideMm = 0
)
{
    /// <summary>Most that the residual of both joints may shake: θ_r²ω², rad/s². A rule of thumb.</summary>
    private const double ResidualLimit = 300;

    /// <summary>Most that one joint may: θ²ω², rad/s². A rule of thumb.</summary>
    private const double JointLimit = 1000;

    /// <summary>Slope of the shaft down toward the axle, rad.</summary>
    public double ShaftRad => Math.Atan2(DropMm, RunMm);

    /// <summary>Angle of the joint at the gearbox, rad; zero or above.</summary>
    public double FrontJointRad => Joint(ShaftRad - OutputRad);

    /// <summary>Angle of the joint at the axle, rad; zero or above.</summary>
    public double RearJointRad => Joint(ShaftRad - PinionRad);

    /// <summary>θ_r = √|θ₁² − θ₂²|: what the two joints leave over of each other's unevenness, rad.</summary>
    public double ResidualRad =>
        Math.Sqrt(Math.Abs(Math.Pow(FrontJointRad, 2) - Math.Pow(RearJointRad, 2)));

    /// <summary>How far the pinion must turn up to make both joints alike, rad; below zero down.</summary>
    public double EqualisingTurnRad => OutputRad - PinionRad;

    /// <summary>Shaft speed up to which residual and joints stay within the rules of thumb, rad/s; infinite where all is straight.</summary>
    public double LimitRadPerS =>
        Math.Min(
            Math.Sqrt(ResidualLimit) / ResidualRad,
            Math.Sqrt(JointLimit) / Math.Max(FrontJointRad, RearJointRad)
        );

    /// <summary>tan²θ = tan²θ_v + tan²θ_h.</summary>
    private double Joint(double inSideViewRad) =>
        Math.Atan(double.Hypot(Math.Tan(inSideViewRad), AsideMm / RunMm));

    /// <summary>How much longer a shaft becomes between its joints, mm: the slip yoke comes out by it.</summary>
    /// <param name="before">Run and drop before, mm.</param>
    /// <param name="after">The same after.</param>
    public static double LongerMm(
        (double RunMm, double DropMm) before,
        (double RunMm, double DropMm) after
    ) => double.Hypot(after.RunMm, after.DropMm) - double.Hypot(before.RunMm, before.DropMm);
}
