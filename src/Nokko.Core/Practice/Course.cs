namespace Nokko.Core.Practice;

/// <summary>What is practised from start to score.</summary>
public enum Course
{
    /// <summary>Walk round a vehicle and find what makes its heights lie.</summary>
    Measure,

    /// <summary>Level a pickup: measure, plan, fit, settle, prove.</summary>
    Level,

    /// <summary>A lift that went wrong: somebody fitted it, and it does not sit as foretold.</summary>
    WentWrong,

    /// <summary>A finished job of the shop, without its names: plan it as it was found, then see what really came.</summary>
    OwnJob,
}

/// <summary>What a course is called and asks for.</summary>
/// <param name="Of">The course.</param>
/// <param name="Title">Its name.</param>
/// <param name="Task">What is to be done, in a fitter's words.</param>
/// <param name="Minutes">About how long it takes somebody new to it.</param>
/// <param name="Guide">Heading of the guide that helps, as its anchor.</param>
public sealed record CourseRule(Course Of, string Title, string Task, int Minutes, string Guide)
{
    /// <summary>Levels of difficulty, the least first.</summary>
    public const int Levels = 3;

    /// <summary>Least score with which a level is passed, of 100.</summary>
    public const double Passes = 80;

    /// <summary>All courses that ship.</summary>
    public static IReadOnlyList<CourseRule> All { get; } =
    [
        new(
            Course.Measure,
            "Measure",
            "Read all six stations off the tape, roll it first, and find what makes the heights lie. Then hand it in.",
            10,
            "walk-round"
        ),
        new(
            Course.Level,
            "Level a pickup",
            "Its owner wants it level, no higher than needed. Measure, plan from the practice shelf, fit it by the card, settle, measure again. Then hand it in.",
            30,
            "plan"
        ),
        new(
            Course.WentWrong,
            "A lift that went wrong",
            "A plate was fitted on both sides in front and the readings after it do not agree with what was foretold. Measure, check, say under Prove what it was, put it right, measure again. Then hand it in.",
            20,
            "prove"
        ),
    ];

    /// <summary>The rule of a course.</summary>
    /// <param name="course">The course.</param>
    public static CourseRule For(Course course) =>
        All.FirstOrDefault(c => c.Of == course)
        ?? new(
            Course.OwnJob,
            "One of our own jobs",
            "A job that this shop finished, without its names. Read what was found, plan it from the parts that lay there, hand it in, and see what really came.",
            10,
            "plan"
        );
}
