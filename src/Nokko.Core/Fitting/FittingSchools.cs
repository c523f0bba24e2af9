using Nokko.Core.Plans;

namespace Nokko.Core.Fitting;

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

    /// <summary>Caliper left on or hung.</summary>
    public CaliperWay Caliper { get; init; }

    /// <summary>Separator or blows.</summary>
    public TaperWay Taper { get; init; }

    /// <summary>What draws holes together.</summary>
    public LineUpWay LineUp { get; init; }

    /// <summary>How coils come loose.</summary>
    public CoilsLooseWay CoilsLoose { get; init; }

    /// <summary>What locks threads.</summary>
    public ThreadsWay Threads { get; init; }

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
        new(
            "caliper",
            "The caliper while a strut comes out?",
            [
                new(
                    "leftOn",
                    "left on, its hose watched",
                    "the hose must have slack at full droop"
                ),
                new("hung", "off and hung up", "two more bolts to torque; never on its hose"),
            ]
        ),
        new(
            "taper",
            "How are tapers parted?",
            [
                new("separator", "with a separator", "the boot may be pinched: look at it"),
                new(
                    "blows",
                    "blows on the eye, the nut left on",
                    "the eye is struck, never the pin; the boot stays whole"
                ),
            ]
        ),
        new(
            "coilsLoose",
            "How do the coils of a live axle come loose?",
            [
                new(
                    "level",
                    "the axle let down level",
                    "hoses and propshaft go down the whole way"
                ),
                new(
                    "tilted",
                    "the axle tilted, one side at a time",
                    "the other side's hose and shock are stretched: watch them"
                ),
                new(
                    "compressor",
                    "squeezed with compressors",
                    "stored energy in your hands: a rated compressor, nobody over its ends"
                ),
            ]
        ),
        new(
            "lineUp",
            "What draws together holes that do not meet?",
            [
                new("strap", "a strap", "a loaded strap: nobody in its line"),
                new("pryBar", "a pry bar", "it slips: no fingers in a hole, nobody in its way"),
                new(
                    "steer",
                    "turning the steering",
                    "one person in the seat, the engine off, hands out before it turns"
                ),
            ]
        ),
        new(
            "threads",
            "What keeps threads from turning?",
            [
                new("asTheSheet", "as the service information says", "each joint by its own line"),
                new(
                    "locker",
                    "threadlocker on all that was opened",
                    "the torque value may be for dry threads: ask the sheet"
                ),
                new("dryNewNuts", "dry, with new locking nuts", "more new parts to have at hand"),
            ]
        ),
    ];

    /// <summary>The questions that make a difference to a card: another way gives another card.</summary>
    /// <param name="card">The card by choices; the last word on each question counts.</param>
    /// <param name="choices">What is chosen now.</param>
    public static IReadOnlyList<SchoolQuestion> ThatMatter(
        Func<IReadOnlyList<SchoolChoice>, JobCard> card,
        IReadOnlyList<SchoolChoice> choices
    )
    {
        var now = Said(choices);
        return
        [
            .. Questions.Where(q =>
                q.Ways.Any(w =>
                    Said([
                        .. choices,
                        new SchoolChoice
                        {
                            Id = Guid.Empty,
                            School = q.School,
                            Choice = w.Choice,
                            PersonId = Guid.Empty,
                        },
                    ]) != now
                )
            ),
        ];

        string Said(IReadOnlyList<SchoolChoice> by) => string.Join('\n', CardText.Of(card(by)));
    }

    /// <summary>Whether a question has a way.</summary>
    public static bool Has(string school, string choice) =>
        Questions.Any(q => q.School == school && q.Ways.Any(w => w.Choice == choice));

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
            Caliper = Way<CaliperWay>("caliper"),
            Taper = Way<TaperWay>("taper"),
            CoilsLoose = Way<CoilsLooseWay>("coilsLoose"),
            LineUp = Way<LineUpWay>("lineUp"),
            Threads = Way<ThreadsWay>("threads"),
        };
    }
}
