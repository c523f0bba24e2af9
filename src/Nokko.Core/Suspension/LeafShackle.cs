namespace Nokko.Core.Suspension;

/// <summary>A leaf spring between a fixed eye and a shackle, at ride height, in side view.</summary>
/// <param name="ChordMm">Eye to eye, mm; above zero.</param>
/// <param name="ArchMm">Main leaf below the chord at the axle, mm; below zero above it.</param>
/// <param name="ShackleMm">Shackle, eye to eye, mm; above zero.</param>
/// <param name="ShackleAngleRad">Between the shackle and the chord's normal, rad; positive leans away from the fixed eye.</param>
/// <param name="AxleFraction">The axle's place from the fixed eye over the chord, 0 … 1.</param>
/// <param name="Tension">Whether the frame's pivot lies below the eye, so that the shackle pulls.</param>
public sealed record LeafGeometry(
    double ChordMm,
    double ArchMm,
    double ShackleMm,
    double ShackleAngleRad,
    double AxleFraction,
    bool Tension = false
);

/// <summary>What a shackle of another length or a leaf of another arch does to the axle.</summary>
/// <param name="LiftMm">How far the body rises over the axle, mm.</param>
/// <param name="ChordTurnRad">Turn of the chord, rad; positive lowers the shackle's end, which turns a rear pinion up when the shackle is at the rear.</param>
/// <param name="ShackleAngleRad">The shackle's new angle against the old chord's normal, rad.</param>
public readonly record struct LeafMove(double LiftMm, double ChordTurnRad, double ShackleAngleRad);

/// <summary>Arch and shackle of a leaf spring, solved together.</summary>
/// <remarks>
/// Source: docs/computation/lifts.md#leaf-springs: the axle rises by f/cos(angle) per added length, to first order; the chord follows the arch, c = L_s − 8a²/(3L_s).
/// Here exact for the shackle: the eye lies on a circle of the chord about the fixed eye and one of the shackle about the frame's pivot.
/// </remarks>
public static class LeafShackle
{
    /// <summary>The movement, or null: the shackle cannot reach.</summary>
    /// <param name="leaf">As it is.</param>
    /// <param name="shackleMm">New shackle, mm.</param>
    /// <param name="archMm">New arch under load, mm.</param>
    public static LeafMove? Move(LeafGeometry leaf, double shackleMm, double archMm)
    {
        // Fixed eye at the origin, chord to the right; the pivot above the eye (compression) or below it.
        PlanePoint eye = new(leaf.ChordMm, 0);
        var (sin, cos) = Math.SinCos(leaf.ShackleAngleRad);
        var up = leaf.Tension ? -1 : 1;
        var pivot = eye + (leaf.ShackleMm * new PlanePoint(-sin, up * cos));
        var along = Length(leaf.ChordMm, leaf.ArchMm);
        var chord = Chord(along, archMm);
        // On the old side of the line between the centres: a shackle never passes through it.
        if (PlanePoint.Meeting(new(0, 0), chord, pivot, shackleMm, eye) is not { } next)
        {
            return null;
        }
        var turn = next.Angle;
        // The axle hangs under the chord by the arch, square to it.
        var before = new PlanePoint(leaf.AxleFraction * leaf.ChordMm, -leaf.ArchMm);
        var after = new PlanePoint(leaf.AxleFraction * chord, -archMm).Turned(turn);
        var shackle = next - pivot;
        return new LeafMove(before.Z - after.Z, -turn, Math.Atan2(shackle.Y, -up * shackle.Z));
    }

    /// <summary>Length along the main leaf, mm: L_s from the chord and the arch.</summary>
    private static double Length(double chord, double arch) =>
        // c = L − 8a²/(3L) solved for L.
        (chord + Math.Sqrt((chord * chord) + (32 * arch * arch / 3))) / 2;

    private static double Chord(double length, double arch) =>
        length - (8 * arch * arch / (3 * length));
}
