using Nokko.Core.Proof;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Practice;

/// <summary>What can be wrong with a practice vehicle without anybody saying so.</summary>
public enum Fault
{
    /// <summary>A spring that is tired: its corner hangs.</summary>
    TiredSpring,

    /// <summary>A load that was left in behind.</summary>
    LoadLeftIn,

    /// <summary>A tyre with too little air.</summary>
    SoftTyre,

    /// <summary>A floor that is low under one wheel.</summary>
    FloorOff,

    /// <summary>Body mounts crushed on one side.</summary>
    MountCrushed,

    /// <summary>A spring that does not sit in its pocket since the work.</summary>
    NotSeated,

    /// <summary>Rubber that was made final hanging, by whoever fitted it.</summary>
    TightenedHanging,

    /// <summary>Parts of left and right that stand on each other's side.</summary>
    SidesSwapped,

    /// <summary>An axle that does not sit in the middle.</summary>
    OffCentre,

    /// <summary>A front whose cams are at their end.</summary>
    WillNotAlign,
}

/// <summary>Where somebody can look beside the tape.</summary>
public enum LookAt
{
    /// <summary>Into bed and cab.</summary>
    Bed,

    /// <summary>At the tyres, with a gauge.</summary>
    Tyres,

    /// <summary>At the floor, with a level.</summary>
    Floor,

    /// <summary>At the body's mounts.</summary>
    Mounts,

    /// <summary>At the height that this variant had when it was new.</summary>
    Standard,

    /// <summary>At the springs in their pockets.</summary>
    Pockets,

    /// <summary>At the rubber: slackened and closed at ride height.</summary>
    Rubber,

    /// <summary>At the marks on the parts.</summary>
    Marks,

    /// <summary>At the gaps from body to tyre, left and right.</summary>
    Sides,

    /// <summary>At the alignment shop's printout.</summary>
    Printout,
}

/// <summary>A fault of one vehicle.</summary>
/// <param name="Of">Which.</param>
/// <param name="Where">LF … RR, front, rear, left, right or vehicle.</param>
/// <param name="Mm">By how much, mm: it lowers, but what stands high since the work.</param>
public sealed record HiddenFault(Fault Of, string Where, double Mm);

/// <summary>A look, and what it finds.</summary>
/// <param name="At">The look.</param>
/// <param name="Finds">What it finds where it is.</param>
/// <param name="Says">What is done, in a fitter's words.</param>
/// <param name="Clear">What is said where nothing is found.</param>
/// <param name="Minutes">Minutes that it takes.</param>
/// <param name="Mend">What puts it right; null where the plan must reckon with it.</param>
/// <param name="MendMinutes">Minutes of that.</param>
public sealed record LookRule(
    LookAt At,
    Fault Finds,
    string Says,
    string Clear,
    int Minutes,
    string? Mend,
    int MendMinutes
)
{
    /// <summary>Every look.</summary>
    /// <remarks>Minutes are rules of thumb, those of checks as in <see cref="CauseRule"/>.</remarks>
    public static IReadOnlyList<LookRule> All { get; } =
    [
        new(
            LookAt.Bed,
            Fault.LoadLeftIn,
            "Look into bed and cab",
            "Bed and cab are empty.",
            2,
            "Take it out",
            5
        ),
        new(
            LookAt.Tyres,
            Fault.SoftTyre,
            "Gauge all four tyres",
            "All four stand at the door sticker’s pressure.",
            5,
            "Fill it",
            5
        ),
        new(
            LookAt.Floor,
            Fault.FloorOff,
            "Lay the straight edge over the floor",
            "The four pads lie in one plane.",
            10,
            "Stand it on the level spot",
            10
        ),
        new(
            LookAt.Mounts,
            Fault.MountCrushed,
            "Tape body to frame at the mounts",
            "All mounts are of one height.",
            15,
            null,
            0
        ),
        new(
            LookAt.Standard,
            Fault.TiredSpring,
            "Hold the heights beside this variant’s standard heights",
            "All four corners stand where this variant stood when it was new.",
            10,
            null,
            0
        ),
        new(
            LookAt.Pockets,
            Fault.NotSeated,
            "Look at the springs in their pockets",
            "Every spring lies in its pocket, one isolator each.",
            10,
            "Seat it",
            90
        ),
        new(
            LookAt.Rubber,
            Fault.TightenedHanging,
            "Slacken the rubber at ride height",
            "Nothing moved when the rubber was slackened; it is closed again.",
            35,
            "Roll it and close the rubber there",
            10
        ),
        new(
            LookAt.Marks,
            Fault.SidesSwapped,
            "Read the marks on both parts",
            "Left is left and right is right.",
            5,
            "Change them over",
            120
        ),
        new(
            LookAt.Sides,
            Fault.OffCentre,
            "Tape body to tyre, left and right",
            "Left and right gaps are alike.",
            5,
            null,
            0
        ),
        new(
            LookAt.Printout,
            Fault.WillNotAlign,
            "Ask for the alignment shop’s printout",
            "Both cams stand about the middle.",
            2,
            null,
            0
        ),
    ];

    /// <summary>The rule of a look.</summary>
    /// <param name="look">The look.</param>
    public static LookRule Of(LookAt look) => All.First(l => l.At == look);

    /// <summary>The look that finds a fault.</summary>
    /// <param name="fault">The fault.</param>
    public static LookRule For(Fault fault) => All.First(l => l.Finds == fault);

    /// <summary>What a look shows on a vehicle with the fault.</summary>
    /// <param name="fault">The fault that it finds.</param>
    public static string Found(HiddenFault fault)
    {
        var at = Corners.Named(fault.Where) is { } corner ? Corners.Said(corner) : fault.Where;
        var by = Units.LengthText.Both(Math.Abs(fault.Mm));
        return fault.Of switch
        {
            Fault.LoadLeftIn => "Sandbags lie at the back of the bed.",
            Fault.SoftTyre => $"The {at} tyre has 18 psi (124 kPa); the others 35 (241).",
            Fault.FloorOff => $"The floor under the {at} wheel is {by} low.",
            Fault.MountCrushed => $"On the {at} the body lies {by} nearer to its frame.",
            Fault.TiredSpring => $"The {at} corner stands {by} under this variant’s height.",
            Fault.NotSeated => $"The {at} spring’s end stands on the step beside its pocket.",
            Fault.TightenedHanging =>
                $"With the {at} rubber slackened it sighs and comes down by about {by}.",
            Fault.SidesSwapped =>
                $"The part marked L stands on the right at the {at}, and the other way round.",
            Fault.OffCentre =>
                $"At the {at} the left gap is {by} wider than the right one: the axle sits off-centre.",
            Fault.WillNotAlign =>
                "Camber -1.1° left, -1.2° right, and both cams are at their end: more lift goes beyond them. An arm with room is needed, or less lift.",
            _ => throw new ArgumentOutOfRangeException(nameof(fault), fault, "No fault."),
        };
    }

    /// <summary>The cause of a miss that a fault is, as it is said under Prove; null where it was there before the work.</summary>
    /// <param name="fault">The fault.</param>
    public static CauseKind? CauseOf(Fault fault) =>
        fault switch
        {
            Fault.NotSeated => CauseKind.NotSeated,
            Fault.TightenedHanging => CauseKind.TightenedHanging,
            Fault.SidesSwapped => CauseKind.SidesSwapped,
            _ => null,
        };
}
