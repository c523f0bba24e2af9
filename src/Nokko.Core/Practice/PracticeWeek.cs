namespace Nokko.Core.Practice;

/// <summary>An exercise that was handed in.</summary>
/// <param name="At">When.</param>
/// <param name="Points">Its points, 0 … 100.</param>
public sealed record ExerciseDone(DateTimeOffset At, double Points);

/// <summary>What somebody practised in one week.</summary>
/// <param name="Monday">Its first day, UTC.</param>
/// <param name="Drills">Drills that were done.</param>
/// <param name="Right">Answers in them that were right.</param>
/// <param name="Of">Answers that could be.</param>
/// <param name="Exercises">Exercises that were handed in.</param>
/// <param name="Points">Mean of their points; null of none.</param>
public sealed record PracticeWeek(
    DateOnly Monday,
    int Drills,
    int Right,
    int Of,
    int Exercises,
    double? Points
)
{
    /// <summary>The weeks in which somebody practised, the latest first.</summary>
    /// <param name="drills">Drills of one person.</param>
    /// <param name="exercises">Exercises of that person that were handed in.</param>
    /// <param name="most">Most weeks.</param>
    public static IReadOnlyList<PracticeWeek> All(
        IEnumerable<DrillDone> drills,
        IEnumerable<ExerciseDone> exercises,
        int most
    )
    {
        var (drilled, handedIn) = (
            drills.ToLookup(d => MondayOf(d.At)),
            exercises.ToLookup(e => MondayOf(e.At))
        );
        return
        [
            .. drilled
                .Select(d => d.Key)
                .Union(handedIn.Select(e => e.Key))
                .OrderDescending()
                .Take(most)
                .Select(monday => new PracticeWeek(
                    monday,
                    drilled[monday].Count(),
                    drilled[monday].Sum(d => d.Right),
                    drilled[monday].Sum(d => d.Of),
                    handedIn[monday].Count(),
                    handedIn[monday].Any() ? handedIn[monday].Average(e => e.Points) : null
                )),
        ];
    }

    private static DateOnly MondayOf(DateTimeOffset at)
    {
        var day = DateOnly.FromDateTime(at.UtcDateTime);
        return day.AddDays(-(((int)day.DayOfWeek + 6) % 7));
    }
}
