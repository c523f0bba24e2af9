namespace Nokko.Core.Geometry;

/// <summary>How far a headlight's cut-off climbs on a wall.</summary>
/// <remarks>Source: docs/computation/geometry.md#headlights.</remarks>
/// <param name="TiltRad">How far the body tilts nose up, rad.</param>
/// <param name="LampMm">How far the lamp itself rises, mm.</param>
/// <param name="TiltMm">How much of the climb is tilt, mm: that alone is turned down at the screw.</param>
public readonly record struct Headlights(double TiltRad, double LampMm, double TiltMm)
{
    /// <summary>Distance of the wall where nobody taped another, mm: 25 ft.</summary>
    public const double UsualWallMm = 7620;

    /// <summary>How far the cut-off climbs in all, mm.</summary>
    public double ClimbMm => LampMm + TiltMm;

    /// <summary>The lamps after a lift.</summary>
    /// <param name="frontMm">Rise of the body over the floor at the front axle, mm.</param>
    /// <param name="rearMm">The same at the rear axle, mm.</param>
    /// <param name="wheelbaseMm">Wheelbase, mm; above zero.</param>
    /// <param name="aheadMm">How far the lamps lie ahead of the front axle, mm.</param>
    /// <param name="wallMm">Lamp to wall, mm; above zero.</param>
    public static Headlights Of(
        double frontMm,
        double rearMm,
        double wheelbaseMm,
        double aheadMm = 0,
        double wallMm = UsualWallMm
    )
    {
        var slope = (frontMm - rearMm) / wheelbaseMm;
        return new Headlights(Math.Atan(slope), frontMm + (slope * aheadMm), slope * wallMm);
    }
}
