namespace Nokko.Core.Plans;

/// <summary>What a vehicle comes back for.</summary>
public enum ComebackFor
{
    /// <summary>It sits higher or lower than was agreed.</summary>
    Height,

    /// <summary>It leans.</summary>
    Lean,

    /// <summary>It makes a noise.</summary>
    Noise,

    /// <summary>Something rubs or hits.</summary>
    Rubs,

    /// <summary>It pulls, wanders or shakes.</summary>
    Steers,

    /// <summary>It rides hard, or hits its stops.</summary>
    Rides,

    /// <summary>A warning lamp, or where the headlights point.</summary>
    Lamps,

    /// <summary>Something came loose or leaks.</summary>
    Loose,

    /// <summary>Something else.</summary>
    Other,
}

/// <summary>What it came back by.</summary>
public enum ComebackCause
{
    /// <summary>Other parts should have been chosen.</summary>
    Plan,

    /// <summary>A part was faulty, or not what its maker says.</summary>
    Part,

    /// <summary>It was fitted otherwise than it should be.</summary>
    Fitting,

    /// <summary>Something was read or counted wrong.</summary>
    Reading,

    /// <summary>It settled further than was foretold.</summary>
    Settled,

    /// <summary>Load, damage or wear since it left.</summary>
    Use,

    /// <summary>It has nothing to do with the work.</summary>
    NotOurs,

    /// <summary>Nobody found it.</summary>
    Unknown,
}

/// <summary>The words of comebacks.</summary>
public static class ComebackWords
{
    /// <summary>What it comes back for, in a fitter's words.</summary>
    public static string Said(this ComebackFor what) =>
        what switch
        {
            ComebackFor.Height => "sits higher or lower than agreed",
            ComebackFor.Lean => "leans",
            ComebackFor.Noise => "makes a noise",
            ComebackFor.Rubs => "rubs or hits",
            ComebackFor.Steers => "pulls, wanders or shakes",
            ComebackFor.Rides => "rides hard or hits its stops",
            ComebackFor.Lamps => "warning lamp, or headlights",
            ComebackFor.Loose => "something loose or leaking",
            ComebackFor.Other => "something else",
            _ => throw new ArgumentOutOfRangeException(nameof(what)),
        };

    /// <summary>What it came back by, in a fitter's words.</summary>
    public static string Said(this ComebackCause cause) =>
        cause switch
        {
            ComebackCause.Plan => "other parts should have been chosen",
            ComebackCause.Part => "a part was faulty or not as claimed",
            ComebackCause.Fitting => "fitted otherwise than it should be",
            ComebackCause.Reading => "read or counted wrong",
            ComebackCause.Settled => "settled further than foretold",
            ComebackCause.Use => "load, damage or wear since it left",
            ComebackCause.NotOurs => "nothing to do with the work",
            ComebackCause.Unknown => "nobody found it",
            _ => throw new ArgumentOutOfRangeException(nameof(cause)),
        };

    /// <summary>Whether the shop's own work, parts or word brought it back.</summary>
    public static bool IsOurs(this ComebackCause cause) =>
        cause is not (ComebackCause.Use or ComebackCause.NotOurs);
}

/// <summary>That a vehicle came back for work that was done here.</summary>
public sealed record Comeback
{
    /// <summary>What for.</summary>
    public required ComebackFor For { get; init; }

    /// <summary>In the owner's words.</summary>
    public string? Words { get; init; }

    /// <summary>What it came back by; null until it is found.</summary>
    public ComebackCause? Cause { get; init; }

    /// <summary>What was found.</summary>
    public string? Found { get; init; }
}
