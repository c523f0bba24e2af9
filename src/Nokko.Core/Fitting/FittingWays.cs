namespace Nokko.Core.Fitting;

/// <summary>Which joint is opened so that a coil-over comes off its arm.</summary>
public enum OpenArm
{
    /// <summary>The upper ball joint.</summary>
    UpperBall,

    /// <summary>The bracket of the lower ball joint.</summary>
    LowerBracket,

    /// <summary>The inner pivots of the lower arm.</summary>
    InnerPivots,

    /// <summary>None: long arms go down far enough.</summary>
    None,
}

/// <summary>Whether the sides of an independent axle are opened together.</summary>
public enum SidesWay
{
    /// <summary>One after the other.</summary>
    OneByOne,

    /// <summary>Both together.</summary>
    Together,
}

/// <summary>How a subframe comes down.</summary>
public enum SubframeWay
{
    /// <summary>One side lowered, the other held.</summary>
    OneSide,

    /// <summary>All of it down at once.</summary>
    AllOut,
}

/// <summary>What is done with the track bar while coils come out.</summary>
public enum TrackBarWay
{
    /// <summary>Left on.</summary>
    Left,

    /// <summary>Off at the axle.</summary>
    Off,
}

/// <summary>What is done with a half-shaft while a strut comes out.</summary>
public enum HalfShaftWay
{
    /// <summary>Left in its hub, watched and tied.</summary>
    Tied,

    /// <summary>Freed at the hub.</summary>
    Freed,
}

/// <summary>Which end comes first.</summary>
public enum EndFirst
{
    /// <summary>The front.</summary>
    Front,

    /// <summary>The rear.</summary>
    Rear,
}

/// <summary>How it stands when both ends are worked on with a jack.</summary>
public enum StandsWay
{
    /// <summary>One end at a time, the other chocked.</summary>
    OneEnd,

    /// <summary>Four full-height stands.</summary>
    FourStands,
}

/// <summary>What is done with the caliper while a strut or coil-over comes out.</summary>
public enum CaliperWay
{
    /// <summary>Left on, its hose's slack checked.</summary>
    LeftOn,

    /// <summary>Off and hung up.</summary>
    Hung,
}

/// <summary>How a taper is parted.</summary>
public enum TaperWay
{
    /// <summary>With a separator.</summary>
    Separator,

    /// <summary>With blows on the eye.</summary>
    Blows,
}

/// <summary>What draws together what does not meet.</summary>
public enum LineUpWay
{
    /// <summary>A strap.</summary>
    Strap,

    /// <summary>A pry bar.</summary>
    PryBar,

    /// <summary>The steering, by a person in the seat.</summary>
    Steer,
}

/// <summary>How the coils of a live axle come loose.</summary>
public enum CoilsLooseWay
{
    /// <summary>The axle let down level.</summary>
    Level,

    /// <summary>The axle tilted, one side further down.</summary>
    Tilted,

    /// <summary>Squeezed with compressors.</summary>
    Compressor,
}

/// <summary>What keeps threads from turning.</summary>
public enum ThreadsWay
{
    /// <summary>What the service information says of each.</summary>
    AsTheSheet,

    /// <summary>Threadlocker on every bolt that was opened.</summary>
    Locker,

    /// <summary>Dry threads, new locking nuts.</summary>
    DryNewNuts,
}
