namespace Nokko.Core.Geometry;

/// <summary>A rod that swings between body and axle, seen from behind.</summary>
/// <param name="RunMm">Across from end to end, mm; above zero.</param>
/// <param name="DropMm">The end at the body above the end at the axle, mm.</param>
public readonly record struct SwingingRod(double RunMm, double DropMm)
{
    /// <summary>Its slope to the floor, rad, the axle's end low above zero.</summary>
    public double SlopeRad => Math.Atan2(DropMm, RunMm);

    /// <summary>How much less it reaches across with the frame higher, √(run² + drop² − (drop + z)²) − run, mm; null beyond its reach.</summary>
    /// <param name="upMm">z: how far the frame stands higher over the axle, mm.</param>
    public double? AcrossChangeMm(double upMm) =>
        TrackBar.Across(double.Hypot(RunMm, DropMm), DropMm + upMm) is { } now ? now - RunMm : null;
}

/// <summary>Drag link and track bar of a steered live axle, both ends at the body on one side.</summary>
/// <remarks>Source: docs/computation/geometry.md#steering.</remarks>
/// <param name="Bar">The track bar.</param>
/// <param name="Link">The drag link.</param>
/// <param name="ArmMm">Steering arm, kingpin to the link's joint, mm; above zero.</param>
public sealed record SteeringLinks(SwingingRod Bar, SwingingRod Link, double ArmMm)
{
    /// <summary>How far the knuckle turns when the frame stands higher, rad; below zero the arm's end is drawn toward the ends at the body. Null beyond a rod's reach.</summary>
    /// <param name="upMm">z: how far the frame stands higher over the axle than where the wheels were straight, mm.</param>
    public double? SteerRad(double upMm) => SteerRad(upMm, upMm);

    /// <summary>The same where the ends at the body rose by different amounts: brackets and arms lower them.</summary>
    /// <param name="linkUpMm">How far the link's end stands higher, mm.</param>
    /// <param name="barUpMm">How far the bar's end stands higher, mm.</param>
    public double? SteerRad(double linkUpMm, double barUpMm) =>
        Link.AcrossChangeMm(linkUpMm) is { } link && Bar.AcrossChangeMm(barUpMm) is { } bar
            ? Turn(link - bar)
            : null;

    /// <summary>The same at rest once a longer bar has brought the axle back to the middle: the link is drawn alone.</summary>
    /// <param name="upMm">How far the link's end stands higher, mm.</param>
    public double? SteerRadCentred(double upMm) => SteerRad(upMm, 0);

    private double? Turn(double acrossMm) =>
        Math.Abs(acrossMm) < ArmMm ? Math.Asin(acrossMm / ArmMm) : null;
}
