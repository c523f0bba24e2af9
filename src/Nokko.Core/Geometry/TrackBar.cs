namespace Nokko.Core.Geometry;

/// <summary>What takes back the sideways shift of a lifted axle.</summary>
public enum TrackBarCure
{
    /// <summary>Nothing: the bar as it was.</summary>
    None,

    /// <summary>A longer bar, or an adjustable one set longer.</summary>
    LongerBar,

    /// <summary>Its end at the axle raised by a bracket.</summary>
    RaisedAxleEnd,

    /// <summary>Its end at the body lowered by a bracket.</summary>
    LoweredBodyEnd,
}

/// <summary>A track bar (panhard) between body and live axle, seen from behind.</summary>
/// <remarks>Source: docs/computation/geometry.md#track-bar.</remarks>
/// <param name="RunMm">H: across from end to end, mm; above zero.</param>
/// <param name="DropMm">V: the end at the body above the end at the axle, mm; below zero where it stands lower.</param>
public sealed record TrackBar(double RunMm, double DropMm)
{
    /// <summary>L = √(H² + V²), mm.</summary>
    public double LengthMm => double.Hypot(RunMm, DropMm);

    /// <summary>The bar after a lift, with a cure.</summary>
    /// <param name="liftMm">δ: how far the frame rises over the axle, mm.</param>
    /// <param name="cure">What is done about it.</param>
    /// <param name="movedMm">r: how far a bracket moves its end, mm; zero without one.</param>
    /// <returns>The bar as it stands; null where it cannot reach.</returns>
    public LiftedTrackBar? Lifted(
        double liftMm,
        TrackBarCure cure = TrackBarCure.None,
        double movedMm = 0
    )
    {
        var drop =
            DropMm
            + liftMm
            - (cure is TrackBarCure.RaisedAxleEnd or TrackBarCure.LoweredBodyEnd ? movedMm : 0);
        var centring = double.Hypot(RunMm, drop);
        var bar = cure == TrackBarCure.LongerBar ? centring : LengthMm;
        return Across(bar, drop) is { } now
            ? new LiftedTrackBar(
                RunMm - now,
                drop,
                bar,
                centring,
                cure switch
                {
                    TrackBarCure.RaisedAxleEnd => (liftMm - movedMm) / 2,
                    TrackBarCure.LoweredBodyEnd => (liftMm + movedMm) / 2,
                    _ => liftMm / 2,
                }
            )
            : null;
    }

    /// <summary>How far a bar of a length reaches across at a drop, mm; null where it is shorter than that.</summary>
    internal static double? Across(double barMm, double dropMm) =>
        Math.Abs(dropMm) < barMm ? Math.Sqrt((barMm * barMm) - (dropMm * dropMm)) : null;
}

/// <summary>A track bar at its new ride height.</summary>
/// <remarks>Source: docs/computation/geometry.md#track-bar, docs/computation/geometry.md#roll-centre.</remarks>
/// <param name="ShiftMm">How far the axle stands from where it was, toward the bar's end at the body above zero, mm. The gaps beside the tyres differ by twice that.</param>
/// <param name="DropMm">V₁: the end at the body above the end at the axle, mm.</param>
/// <param name="BarMm">Length of the bar that is in, mm.</param>
/// <param name="CentringBarMm">Length of the bar that brings the axle back, mm.</param>
/// <param name="BodyOverRollCentreMm">By how much higher the body stands over its roll centre, mm: it leans the more for it.</param>
public sealed record LiftedTrackBar(
    double ShiftMm,
    double DropMm,
    double BarMm,
    double CentringBarMm,
    double BodyOverRollCentreMm
)
{
    /// <summary>The bar's slope, rising to its end at the body above zero, rad.</summary>
    public double SlopeRad => Math.Asin(DropMm / BarMm);

    /// <summary>How far the axle stands aside of its place at ride height, toward the body's end above zero, mm; null beyond the bar's reach.</summary>
    /// <param name="upMm">The wheel above ride height, mm; below zero in droop.</param>
    public double? AsideMm(double upMm) =>
        TrackBar.Across(BarMm, DropMm - upMm) is { } now
        && TrackBar.Across(BarMm, DropMm) is { } ride
            ? ride - now
            : null;

    /// <summary>How far the axle goes from side to side through its travel, mm; null beyond the bar's reach.</summary>
    /// <param name="bumpMm">Travel up, mm; zero or above.</param>
    /// <param name="droopMm">Travel down, mm; zero or above.</param>
    public double? SwingMm(double bumpMm, double droopMm)
    {
        if (AsideMm(bumpMm) is not { } up || AsideMm(-droopMm) is not { } down)
        {
            return null;
        }
        // Where the bar lies level, it reaches farthest.
        var level = DropMm >= -droopMm && DropMm <= bumpMm ? AsideMm(DropMm)!.Value : 0;
        return Math.Max(Math.Max(up, down), 0) - Math.Min(Math.Min(up, down), level);
    }
}
