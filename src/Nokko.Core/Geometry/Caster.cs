namespace Nokko.Core.Geometry;

/// <summary>Caster and pinion of a live axle: one rotation of one axle.</summary>
/// <remarks>Source: docs/computation/geometry.md#caster-and-pinion.</remarks>
public static class Caster
{
    /// <summary>Change of caster on radius arms, to the ground, rad; below zero is caster lost. Null beyond the arm's reach.</summary>
    /// <param name="armMm">R: pivot to axle centre, mm; above zero.</param>
    /// <param name="dropMm">v₀: the pivot above the axle centre, mm.</param>
    /// <param name="pivotMm">How far the pivot rises over the axle centre, mm: of the frame at the pivot, not at the axle.</param>
    /// <param name="ahead">Whether the pivot lies ahead of the axle: then caster is gained.</param>
    public static double? OfRadiusArmRad(
        double armMm,
        double dropMm,
        double pivotMm,
        bool ahead = false
    ) =>
        Math.Abs(dropMm) < armMm && Math.Abs(dropMm + pivotMm) < armMm
            ? (ahead ? 1 : -1) * (Math.Asin((dropMm + pivotMm) / armMm) - Math.Asin(dropMm / armMm))
            : null;

    /// <summary>How far the frame rises at a radius arm's pivot, mm.</summary>
    /// <param name="frontMm">Rise of the frame over the front axle, mm.</param>
    /// <param name="rearMm">Rise of the frame over the rear axle, mm.</param>
    /// <param name="behindMm">How far the pivot lies behind the front axle, mm.</param>
    /// <param name="wheelbaseMm">Wheelbase, mm; above zero.</param>
    public static double PivotRiseMm(
        double frontMm,
        double rearMm,
        double behindMm,
        double wheelbaseMm
    ) => frontMm + ((rearMm - frontMm) * behindMm / wheelbaseMm);

    /// <summary>How far offset bushes turn an axle, rad.</summary>
    /// <param name="offsetMm">e: how far a bush's hole is off its middle, square to the line of holes, mm.</param>
    /// <param name="apartMm">d: between the two holes of an arm, mm; above zero.</param>
    /// <param name="pair">Whether both holes have one, opposed; else one.</param>
    public static double BushRad(double offsetMm, double apartMm, bool pair) =>
        Math.Atan((pair ? 2 : 1) * offsetMm / apartMm);

    /// <summary>Offset that bushes need to turn an axle by an angle, mm.</summary>
    /// <param name="turnRad">The angle, rad.</param>
    /// <param name="apartMm">Between the two holes of an arm, mm; above zero.</param>
    /// <param name="pair">Whether both holes get one, opposed.</param>
    public static double OffsetMm(double turnRad, double apartMm, bool pair) =>
        Math.Tan(turnRad) * apartMm / (pair ? 2 : 1);
}
