using Nokko.Core.Suspension;

namespace Nokko.Core.Geometry;

/// <summary>What was taped of an axle's bars and arms, as it is without added parts.</summary>
/// <remarks>Source: docs/computation/geometry.md#track-bar, docs/computation/geometry.md#caster-and-pinion.</remarks>
public static class TapedAxle
{
    /// <summary>Its track bar, where both lengths were taped.</summary>
    /// <param name="suspension">The suspension.</param>
    public static TrackBar? TrackBarOf(Vehicles.Suspension suspension) =>
        suspension.Get(SuspensionSizes.TrackBarRun) is { } run
        && suspension.Get(SuspensionSizes.TrackBarDrop) is { } drop
            ? new TrackBar(run, drop)
            : null;

    /// <summary>How much caster, to the ground, a lift takes from radius arms, rad, below zero is lost; null where the arm was not taped, or cannot reach.</summary>
    /// <param name="suspension">The suspension of the front axle, its pivots behind it.</param>
    /// <param name="frontMm">Rise of the frame over the front axle, mm.</param>
    /// <param name="rearMm">Rise of the frame over the rear axle, mm.</param>
    /// <param name="wheelbaseMm">Wheelbase, mm.</param>
    public static double? CasterRad(
        Vehicles.Suspension suspension,
        double frontMm,
        double rearMm,
        double wheelbaseMm
    ) =>
        suspension.Get(SuspensionSizes.ArmLength) is { } arm
        && suspension.Get(SuspensionSizes.RadiusArmDrop) is { } drop
        && Math.Abs(drop) < arm
            ? Caster.OfRadiusArmRad(
                arm,
                drop,
                Caster.PivotRiseMm(
                    frontMm,
                    rearMm,
                    Math.Sqrt((arm * arm) - (drop * drop)),
                    wheelbaseMm
                )
            )
            : null;
}
