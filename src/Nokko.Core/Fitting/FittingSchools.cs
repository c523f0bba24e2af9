using Nokko.Core.Plans;

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

/// <summary>A way that good fitters differ on.</summary>
/// <param name="Choice">Its key.</param>
/// <param name="Said">As said in a bay.</param>
/// <param name="Disturbs">What it disturbs or asks for.</param>
public sealed record SchoolWay(string Choice, string Said, string Disturbs);

/// <summary>A question that good fitters answer differently; the first way is the default, the safer one.</summary>
/// <param name="School">Its key.</param>
/// <param name="Asks">The question.</param>
/// <param name="Ways">The ways.</param>
public sealed record SchoolQuestion(string School, string Asks, IReadOnlyList<SchoolWay> Ways);

/// <summary>The ways that a card follows.</summary>
/// <remarks>Source: docs/computation/job-card.md#schools.</remarks>
public sealed record FittingSchools
{
    /// <summary>Which joint to open on an independent corner.</summary>
    public OpenArm OpenArm { get; init; }

    /// <summary>Both sides together or one after the other.</summary>
    public SidesWay Sides { get; init; }

    /// <summary>How a subframe comes down.</summary>
    public SubframeWay Subframe { get; init; }

    /// <summary>Track bar off or left.</summary>
    public TrackBarWay TrackBar { get; init; }

    /// <summary>Half-shaft freed or tied.</summary>
    public HalfShaftWay HalfShaft { get; init; }

    /// <summary>Front or rear first.</summary>
    public EndFirst First { get; init; }

    /// <summary>One end at a time or four stands.</summary>
    public StandsWay Stands { get; init; }

    /// <summary>Every question, with its ways.</summary>
    public static IReadOnlyList<SchoolQuestion> Questions { get; } =
    [
        new(
            "openArm",
            "Which joint comes apart so that the coil-over leaves its arm?",
            [
                new(
                    "upperBall",
                    "upper ball joint",
                    "the upright tips: tie it; a taper to part, a new pin"
                ),
                new(
                    "lowerBracket",
                    "lower ball-joint bracket",
                    "the tie rod comes off too; toe is looked at"
                ),
                new(
                    "innerPivots",
                    "inner pivots of the lower arm",
                    "camber and caster go with the cams: mark them"
                ),
                new("none", "none, the arm is long enough", "the half-shaft may bind: watch it"),
            ]
        ),
        new(
            "sides",
            "Both sides together, or one after the other?",
            [
                new("oneByOne", "one after the other", "the other side shows how it was"),
                new(
                    "together",
                    "both together",
                    "the bar is loose on both sides; nothing to compare with"
                ),
            ]
        ),
        new(
            "firstEnd",
            "Which end first?",
            [
                new("front", "front", "the steered end while you are fresh"),
                new("rear", "rear", "the simpler end first"),
            ]
        ),
        new(
            "stands",
            "Both ends with a jack: how does it stand?",
            [
                new("oneEnd", "one end at a time", "the other end stays chocked on its wheels"),
                new(
                    "fourStands",
                    "four full-height stands",
                    "nothing is left to chock: stands on firm ground only"
                ),
            ]
        ),
        new(
            "trackBar",
            "The track bar while coils come out?",
            [
                new("left", "left on", "the axle goes sideways as it drops"),
                new(
                    "off",
                    "off at the axle",
                    "the axle is strapped first; one more joint for ride height"
                ),
            ]
        ),
        new(
            "subframe",
            "How does the subframe come down?",
            [
                new("oneSide", "one side at a time", "the other side's bolts keep it"),
                new("allOut", "all of it at once", "only its jack knows where it is"),
            ]
        ),
        new(
            "halfShaft",
            "The half-shaft while a strut comes out?",
            [
                new(
                    "tied",
                    "left in its hub, tied level",
                    "its joint binds if the arm drops too far"
                ),
                new(
                    "freed",
                    "freed at the hub",
                    "a new axle nut, final before the bearing carries"
                ),
            ]
        ),
    ];

    /// <summary>What was chosen; the last word on each question counts, the default where nobody chose.</summary>
    public static FittingSchools Of(IReadOnlyList<SchoolChoice> choices)
    {
        T Way<T>(string school)
            where T : struct, Enum =>
            choices.LastOrDefault(c => c.School == school) is { } chosen
            && Enum.TryParse<T>(chosen.Choice, ignoreCase: true, out var way)
            && Enum.IsDefined(way)
                ? way
                : default;
        return new()
        {
            OpenArm = Way<OpenArm>("openArm"),
            Sides = Way<SidesWay>("sides"),
            First = Way<EndFirst>("firstEnd"),
            Stands = Way<StandsWay>("stands"),
            TrackBar = Way<TrackBarWay>("trackBar"),
            Subframe = Way<SubframeWay>("subframe"),
            HalfShaft = Way<HalfShaftWay>("halfShaft"),
        };
    }
}
