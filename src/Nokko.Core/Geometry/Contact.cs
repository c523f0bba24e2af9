using Nokko.Core.Units;

namespace Nokko.Core.Geometry;

/// <summary>What a tyre may touch.</summary>
public enum ContactWith
{
    /// <summary>Liner or arch above it.</summary>
    Above,

    /// <summary>Bumper, liner or lip ahead of it.</summary>
    Ahead,

    /// <summary>Liner, lip or seam behind it.</summary>
    Behind,

    /// <summary>What hangs on frame or body beside it: frame, exhaust.</summary>
    Frame,

    /// <summary>What goes up and down with it: arm, spring, strut, brake line.</summary>
    Arm,
}

/// <summary>Where the wheel is.</summary>
public enum ContactAt
{
    /// <summary>On its wheels.</summary>
    Ride,

    /// <summary>At full bump.</summary>
    Bump,
}

/// <summary>Whether a gap at a tyre is enough.</summary>
public enum ContactStands
{
    /// <summary>What should be left is left.</summary>
    Enough,

    /// <summary>Less is left.</summary>
    Tight,

    /// <summary>Nothing is left.</summary>
    Touches,
}

/// <summary>A gap at a tyre.</summary>
/// <param name="With">To what.</param>
/// <param name="At">Where the wheel is.</param>
/// <param name="Turned">Whether it is the least while the wheel turns to both locks; straight otherwise.</param>
/// <param name="Said">In a few words.</param>
/// <param name="Gap">The gap, mm; below zero it touches.</param>
/// <param name="KeepMm">What must be left, mm: a rule of thumb.</param>
public sealed record Contact(
    ContactWith With,
    ContactAt At,
    bool Turned,
    string Said,
    Result Gap,
    double KeepMm
)
{
    /// <summary>Whether it is enough; null where it is not known.</summary>
    public ContactStands? Stands =>
        Gap.Value switch
        {
            null => null,
            < 0 => ContactStands.Touches,
            { } mm when mm < KeepMm => ContactStands.Tight,
            _ => ContactStands.Enough,
        };
}

/// <summary>A tyre through its lock, from above: forward up, the kingpin of the tyre that was on at zero.</summary>
/// <param name="Tyre">The tyre.</param>
/// <param name="Degrees">Angles of lock, °, front edge outward above zero.</param>
/// <param name="GapMm">The least gap there, mm; below zero it touches.</param>
/// <param name="AheadMm">How far ahead of zero something stands, mm; null where nobody taped it.</param>
/// <param name="BehindMm">The same behind.</param>
/// <param name="InsideMm">The same inboard.</param>
public sealed record TyreThroughLock(
    TyreSweep Tyre,
    IReadOnlyList<double> Degrees,
    IReadOnlyList<double> GapMm,
    double? AheadMm,
    double? BehindMm,
    double? InsideMm
);
