using Nokko.Core.Jobs;
using Nokko.Core.Practice;

namespace Nokko.Server.Practice;

/// <content>What is sent and answered.</content>
internal static partial class PracticeEndpoints
{
    /// <summary>What begins an exercise.</summary>
    /// <param name="Id">Key of the request: sent again it begins nothing new.</param>
    /// <param name="Course">The course.</param>
    /// <param name="Level">1 to 3.</param>
    /// <param name="Seed">Draws the vehicle of this seed; null draws any.</param>
    /// <param name="FromJob">A finished job of the shop, of an exercise from own jobs.</param>
    internal sealed record ExerciseInput(
        Guid Id,
        Course Course,
        int Level = 1,
        int? Seed = null,
        Guid? FromJob = null
    );

    /// <summary>An exercise that was begun.</summary>
    internal sealed record Begun(Guid Id);

    /// <summary>A look or what puts right, as it is sent.</summary>
    internal sealed record ActInput(Guid Id, LookAt At, bool Mends);

    /// <summary>A look as the learner has it.</summary>
    /// <param name="At">The look.</param>
    /// <param name="Says">What is done.</param>
    /// <param name="Minutes">Minutes that it takes.</param>
    /// <param name="Shows">What it showed; null while nobody looked.</param>
    /// <param name="Mend">What puts it right, where it showed something that can be; null where not, and once it is.</param>
    /// <param name="MendMinutes">Minutes of that.</param>
    /// <param name="Mended">Whether it was put right.</param>
    internal sealed record LookView(
        LookAt At,
        string Says,
        int Minutes,
        string? Shows,
        string? Mend,
        int MendMinutes,
        bool Mended
    );

    /// <summary>An exercise while it is worked on.</summary>
    /// <param name="Id">Key.</param>
    /// <param name="Title">Name of its course.</param>
    /// <param name="Level">Its level.</param>
    /// <param name="Task">What is to be done.</param>
    /// <param name="Mine">Whether it is the asker's own.</param>
    /// <param name="HandedIn">Whether it was handed in.</param>
    /// <param name="Spent">Hours and money so far.</param>
    /// <param name="Looks">Where can be looked.</param>
    /// <param name="PassedOver">Hold points that were passed over, and what would have happened.</param>
    internal sealed record ExerciseView(
        Guid Id,
        string Title,
        int Level,
        string Task,
        bool Mine,
        bool HandedIn,
        PracticeSpent Spent,
        IReadOnlyList<LookView> Looks,
        IReadOnlyList<WouldHaveHappened> PassedOver
    );

    /// <summary>What an exercise came to.</summary>
    /// <param name="Id">Key.</param>
    /// <param name="Person">Who did it.</param>
    /// <param name="Title">Name of its course.</param>
    /// <param name="Level">Its level.</param>
    /// <param name="Seed">Its seed: the same vehicle can be had again; null of an own job.</param>
    /// <param name="Course">Its course.</param>
    /// <param name="HandedInAt">When it was handed in.</param>
    /// <param name="Score">The score.</param>
    /// <param name="Spent">Hours and money that it took.</param>
    /// <param name="Came">What was really fitted and came, of an own job.</param>
    /// <param name="Best">The best run, step by step.</param>
    internal sealed record ScoreView(
        Guid Id,
        string Person,
        string Title,
        int Level,
        int? Seed,
        Course Course,
        DateTimeOffset HandedInAt,
        PracticeScore Score,
        PracticeSpent Spent,
        string? Came,
        IReadOnlyList<BestStep> Best
    );

    /// <summary>A course, and how far somebody came in it.</summary>
    /// <param name="Rule">The course.</param>
    /// <param name="Points">Best points by level, from the first; null where none was handed in.</param>
    internal sealed record CourseView(CourseRule Rule, IReadOnlyList<double?> Points);

    /// <summary>An exercise in a list.</summary>
    internal sealed record ExerciseLine(
        Guid Id,
        Course Course,
        string Title,
        int Level,
        DateTimeOffset StartedAt,
        DateTimeOffset? HandedInAt,
        double? Points
    );

    /// <summary>What somebody of the shop has passed.</summary>
    internal sealed record Passed(
        string Person,
        PersonRole Role,
        Course Course,
        int Level,
        double Points,
        DateTimeOffset At
    );

    /// <summary>The practice bay as somebody comes in.</summary>
    /// <param name="Courses">The courses.</param>
    /// <param name="Drills">When each drill is best done again.</param>
    /// <param name="DrillTitles">What drills are called, in the same order.</param>
    /// <param name="Weeks">What was practised in the last weeks in which it was, the latest first.</param>
    /// <param name="Mine">Own exercises, the latest first.</param>
    /// <param name="Shop">What people of the shop have passed; null for all but its owner.</param>
    /// <param name="Passes">Least points with which a level is passed.</param>
    internal sealed record PracticeHome(
        IReadOnlyList<CourseView> Courses,
        IReadOnlyList<DrillAgain> Drills,
        IReadOnlyList<string> DrillTitles,
        IReadOnlyList<PracticeWeek> Weeks,
        IReadOnlyList<ExerciseLine> Mine,
        IReadOnlyList<Passed>? Shop,
        double Passes
    );
}
