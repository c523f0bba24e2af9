using MathNet.Numerics.RootFinding;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Suspension;

/// <summary>A bar that is twisted by an arm, with the anchor that an adjuster bolt turns.</summary>
/// <remarks>Source: docs/computation/lifts.md#torsion-bars.</remarks>
/// <param name="LoadN">W: sprung load at the arm's ball joint, N; above zero.</param>
/// <param name="ArmMm">L: pivot to ball joint, mm; above zero.</param>
/// <param name="DropRad">β₀: how far the arm slopes down to the ball joint at ride height, rad; below zero where it slopes up.</param>
/// <param name="RateNmmPerRad">k_t, N·mm/rad; above zero.</param>
public sealed record TorsionBar(double LoadN, double ArmMm, double DropRad, double RateNmmPerRad)
{
    /// <summary>How far the frame rises when the bar's anchor is turned, mm; null where the bar does not carry the load at any height.</summary>
    /// <param name="anchorRad">Δψ: turn of the anchor, tightening above zero, rad.</param>
    /// <remarks>k_t(Δψ − Δβ) = W·L·(cos β₁ − cos β₀); the rise is L(sin β₁ − sin β₀).</remarks>
    public double? LiftMm(double anchorRad)
    {
        var moment = LoadN * ArmMm;
        double Unbalanced(double drop) =>
            (RateNmmPerRad * (anchorRad - (drop - DropRad)))
            - (moment * (Math.Cos(drop) - Math.Cos(DropRad)));
        // Beyond, the load's lever shrinks faster than the bar slackens: no height there is stable.
        var steepest = Math.Asin(Math.Min(1, RateNmmPerRad / moment));
        return
            DropRad < steepest
            && Brent.TryFindRoot(Unbalanced, -Math.PI / 2, steepest, 1e-10, 100, out var drop)
            ? ArmMm * (Math.Sin(drop) - Math.Sin(DropRad))
            : null;
    }

    /// <summary>Rate at the ball joint at ride height, N/mm: k_t/(L cos β)² − W·tan β/(L cos β).</summary>
    public double RateNPerMm
    {
        get
        {
            var lever = ArmMm * Math.Cos(DropRad);
            return (RateNmmPerRad / (lever * lever)) - (LoadN * Math.Tan(DropRad) / lever);
        }
    }
}

/// <summary>The adjuster of an axle's torsion bars, as well as it is known.</summary>
/// <remarks>Source: docs/computation/lifts.md#torsion-bars. Both sides are alike.</remarks>
/// <param name="Bar">The bar with its arm; null when its figures are not known.</param>
/// <param name="LeverMm">Bar's axis to the adjuster bolt, mm; null when not known.</param>
/// <param name="PitchMm">How far the bolt goes in a turn, mm; null when not known.</param>
/// <param name="PerTurnMm">Rise for each turn, from readings before and after, mm, not zero; null when nobody read it.</param>
public sealed record TorsionAdjuster(
    TorsionBar? Bar,
    double? LeverMm,
    double? PitchMm,
    Estimate? PerTurnMm
)
{
    /// <summary>Said where the bar does not carry its load with these turns.</summary>
    /// <param name="where">The corner, or null.</param>
    public static string NoHeight(Corner? where = null) =>
        $"With so many turns the torsion bar carries its load at no height{(where is { } c ? $" ({Corners.Said(c)})" : "")}: fewer, or a stiffer bar.";

    /// <summary>Share of a rise that is its standard uncertainty where it was read by turning before.</summary>
    private const double ReadShare = 0.06;

    /// <summary>The same where it follows from the bar's figures: arms and joints are not as in a drawing. A rule of thumb.</summary>
    private const double FiguresShare = 0.15;

    /// <summary>Whether turns can be turned into a height.</summary>
    public bool Tells =>
        PerTurnMm is not null || (Bar, LeverMm, PitchMm) is (not null, not null, not null);

    /// <summary>Share of a rise that is its standard uncertainty.</summary>
    public double Share =>
        PerTurnMm is { } read ? Math.Max(ReadShare, read.Sd / Math.Abs(read.Mean)) : FiguresShare;

    /// <summary>How far the frame rises for turns of the bolt, mm; null where the bar does not carry its load at any height, or the bolt's lever would pass beyond its stop.</summary>
    /// <param name="turns">Turns, tightening above zero.</param>
    /// <exception cref="InvalidOperationException">Neither a reading nor the figures are known: ask <see cref="Tells"/> first.</exception>
    public double? LiftMm(double turns) =>
        PerTurnMm is { } read ? turns * read.Mean
        : (Bar, LeverMm, PitchMm) is ({ } bar, { } lever, { } pitch)
            ? bar.LiftMm(Math.Atan(turns * pitch / lever))
        : throw new InvalidOperationException("Nobody knows what a turn does.");

    /// <summary>The adjuster of a suspension, or null: it has no torsion bars.</summary>
    /// <param name="suspension">The suspension.</param>
    /// <param name="wheelLoadN">Sprung load on one wheel, N; null is not known.</param>
    public static TorsionAdjuster? Of(Vehicles.Suspension suspension, double? wheelLoadN)
    {
        if (suspension.Kind != SuspensionKind.TorsionBarArm)
        {
            return null;
        }
        return new TorsionAdjuster(
            wheelLoadN is { } load
            && suspension.Get(SuspensionSizes.ArmLength) is { } arm
            && suspension.Get(SuspensionSizes.ArmDrop) is { } drop
            && suspension.Get(SuspensionSizes.TorsionRate) is { } rate
                ? new TorsionBar(
                    load,
                    arm,
                    double.DegreesToRadians(drop),
                    rate * 1000 * 180 / Math.PI
                )
                : null,
            suspension.Get(SuspensionSizes.AdjusterLever),
            suspension.Get(SuspensionSizes.AdjusterPitch),
            // A turn that lifted nothing tells nothing: the bolt was slack.
            suspension.Dimensions.TryGetValue(SuspensionSizes.LiftPerTurn, out var read)
            && read.Value != 0
                ? new Estimate(read.In(Unit.Mm), read.UIn(Unit.Mm, 0))
                : null
        );
    }
}
