using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>A body of the vehicle that moves as one and holds, or is held. Hoses, leads and breathers bend: they are no members, so nothing can hang on them.</summary>
public enum MemberKind
{
    /// <summary>The frame, or the body of a vehicle that has none: everything hangs on it.</summary>
    Frame,

    /// <summary>The body on a frame.</summary>
    Body,

    /// <summary>A subframe under the body.</summary>
    Subframe,

    /// <summary>A differential that hangs on frame or subframe.</summary>
    Differential,

    /// <summary>A live axle.</summary>
    Axle,

    /// <summary>Lower arm, or the lower link that carries the spring.</summary>
    LowerArm,

    /// <summary>Upper arm or upper links.</summary>
    UpperArm,

    /// <summary>Trailing arm with its hub.</summary>
    TrailingArm,

    /// <summary>Link or radius arm of a live axle.</summary>
    Link,

    /// <summary>Ball joint with its bracket on the lower arm.</summary>
    BallBracket,

    /// <summary>Upright with hub and brake.</summary>
    Upright,

    /// <summary>Strut or coil-over.</summary>
    Strut,

    /// <summary>Leaf pack, along or across.</summary>
    LeafPack,

    /// <summary>Shackle of a leaf pack.</summary>
    Shackle,

    /// <summary>Shock that stands by itself.</summary>
    Shock,

    /// <summary>Track bar.</summary>
    TrackBar,

    /// <summary>Brake caliper.</summary>
    Caliper,
}

/// <summary>A member of one vehicle.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Where">LF, RF, LR, RR, front, rear or vehicle.</param>
public readonly record struct Member(MemberKind Kind, string Where)
{
    /// <summary>The root that everything hangs on.</summary>
    public static Member Frame { get; } = new(MemberKind.Frame, "vehicle");

    /// <summary>As said in a bay.</summary>
    public string Said => Where == "vehicle" ? Kind.Said() : $"{Where} {Kind.Said()}";
}

/// <summary>What a joint holds of a member, or a member needs.</summary>
[Flags]
public enum Holds
{
    /// <summary>Nothing: it only leads, or turns with it.</summary>
    Nothing = 0,

    /// <summary>Carries it, or stops its droop, on the left.</summary>
    Left = 1,

    /// <summary>Carries it, or stops its droop, on the right.</summary>
    Right = 2,

    /// <summary>Carries all of it, or stops its droop.</summary>
    Carries = Left | Right,

    /// <summary>Locates it forward and back.</summary>
    X = 4,

    /// <summary>Locates it sideways.</summary>
    Y = 8,

    /// <summary>Keeps it from turning or tipping over.</summary>
    Turn = 16,

    /// <summary>Locates it in the plane of the ground and keeps it from turning.</summary>
    Locates = X | Y | Turn,

    /// <summary>All of it.</summary>
    All = Carries | Locates,
}

/// <summary>That one member hangs on another through a joint.</summary>
/// <param name="Hung">What is held.</param>
/// <param name="By">What holds it.</param>
/// <param name="What">In which way.</param>
public readonly record struct Hold(Member Hung, Member By, Holds What);

/// <summary>What members have in common.</summary>
public static class Members
{
    /// <summary>What a heavy member must have at every step; nothing for one that a hand holds.</summary>
    /// <remarks>Source: docs/computation/job-card.md#what-holds-it.</remarks>
    public static Holds Needs(this MemberKind kind) =>
        kind switch
        {
            MemberKind.Body
            or MemberKind.Subframe
            or MemberKind.Differential
            or MemberKind.Axle
            or MemberKind.Upright => Holds.All,
            MemberKind.LowerArm or MemberKind.TrailingArm => Holds.Carries | Holds.X | Holds.Y,
            MemberKind.Caliper => Holds.Carries,
            _ => Holds.Nothing,
        };

    /// <summary>Whether it goes with its suspension when the axle gets another one; a live axle stays.</summary>
    public static bool OfSuspension(MemberKind kind) =>
        kind
            is MemberKind.LowerArm
                or MemberKind.UpperArm
                or MemberKind.TrailingArm
                or MemberKind.Link
                or MemberKind.BallBracket
                or MemberKind.Upright
                or MemberKind.Strut
                or MemberKind.LeafPack
                or MemberKind.Shackle
                or MemberKind.Shock
                or MemberKind.TrackBar;

    /// <summary>As said in a bay.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is no member.</exception>
    public static string Said(this MemberKind kind) =>
        kind switch
        {
            MemberKind.Frame => "frame",
            MemberKind.Body => "body",
            MemberKind.Subframe => "subframe",
            MemberKind.Differential => "differential",
            MemberKind.Axle => "axle",
            MemberKind.LowerArm => "lower arm",
            MemberKind.UpperArm => "upper arm",
            MemberKind.TrailingArm => "trailing arm",
            MemberKind.Link => "links",
            MemberKind.BallBracket => "ball-joint bracket",
            MemberKind.Upright => "upright",
            MemberKind.Strut => "strut",
            MemberKind.LeafPack => "leaf pack",
            MemberKind.Shackle => "shackle",
            MemberKind.Shock => "shock",
            MemberKind.TrackBar => "track bar",
            MemberKind.Caliper => "caliper",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No member."),
        };

    /// <summary>The side of a corner, as a share of what is carried.</summary>
    internal static Holds Side(Corner corner) =>
        corner is Corner.LF or Corner.LR ? Holds.Left : Holds.Right;
}
