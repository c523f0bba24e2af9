using Nokko.Core.Suspension;

namespace Nokko.Core.Geometry;

/// <summary>One end of an anti-roll bar with its link, from the side: level with its link upright as the vehicle was without added parts.</summary>
/// <param name="ArmMm">The bar's arm, square to its straight part, mm; above zero.</param>
/// <param name="LinkMm">The link, hole to hole, mm; above zero.</param>
/// <remarks>Source: docs/computation/geometry.md#anti-roll-bar-and-its-links.</remarks>
public readonly record struct SwayBar(double ArmMm, double LinkMm)
{
    /// <summary>The bar's end against its pivots on the frame: along the arm, and up, mm; null where the link cannot reach.</summary>
    /// <param name="downMm">How far the link's foot went down against the frame, mm; below zero is up.</param>
    /// <param name="longerMm">How much longer the link is, mm.</param>
    public PlanePoint? EndAt(double downMm, double longerMm = 0) =>
        LinkMm + longerMm > 0
            ? PlanePoint.Meeting(
                new(0, 0),
                ArmMm,
                Foot(downMm),
                LinkMm + longerMm,
                new(ArmMm, Foot(downMm).Z + LinkMm + longerMm)
            )
            : null;

    /// <summary>The link's foot against the bar's pivots on the frame, mm.</summary>
    /// <param name="downMm">How far it went down, mm.</param>
    public PlanePoint Foot(double downMm) => new(ArmMm, -LinkMm - downMm);

    /// <summary>How far the arm slopes down, rad; null where the link cannot reach.</summary>
    /// <param name="downMm">How far the link's foot went down, mm.</param>
    /// <param name="longerMm">How much longer the link is, mm.</param>
    public double? SlopeRad(double downMm, double longerMm = 0) =>
        EndAt(downMm, longerMm) is { } end ? -Math.Atan2(end.Z, end.Y) : null;

    /// <summary>How far arm and link are from lying in one line, past which the bar snaps over, rad; null where the link cannot reach.</summary>
    /// <param name="downMm">How far the link's foot went down, mm.</param>
    /// <param name="longerMm">How much longer the link is, mm.</param>
    public double? FromLineRad(double downMm, double longerMm = 0)
    {
        if (EndAt(downMm, longerMm) is not { } end)
        {
            return null;
        }
        var foot = Foot(downMm);
        var link = Math.Atan2(foot.Z - end.Z, foot.Y - end.Y);
        return Math.Abs(Math.IEEERemainder(link - Math.Atan2(end.Z, end.Y), Math.PI));
    }
}
