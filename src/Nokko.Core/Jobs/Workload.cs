using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Week;

namespace Nokko.Core.Jobs;

/// <summary>What of a job is still to be done, as facts: how long that takes is worked out when somebody asks, with the shop's pace of that day.</summary>
/// <remarks>Source: docs/computation/week.md#what-is-left.</remarks>
public sealed record Workload
{
    /// <summary>The rules by which it is made; what older ones made is made anew.</summary>
    public const int CurrentRules = 1;

    /// <summary>Conditions and corners before the work, min. Rule of thumb.</summary>
    public const double WalkBefore = 25;

    /// <summary>Rolled, settled and read after the work, min. Rule of thumb.</summary>
    public const double WalkAfter = 35;

    /// <summary>Road test, papers and words with the owner, min. Rule of thumb.</summary>
    public const double HandingOver = 30;

    /// <summary>The work itself where nobody chose parts yet, min. Rule of thumb.</summary>
    public const double NoPlan = 240;

    /// <summary>The rules by which it was made.</summary>
    public required int Rules { get; init; }

    /// <summary>The plan that is being fitted; null where none is.</summary>
    public Guid? Fitting { get; init; }

    /// <summary>When its first step was done or the fitting begun; null where it is not begun, or its card is done.</summary>
    public DateTimeOffset? BegunAt { get; init; }

    /// <summary>What is left; nothing once it is handed over.</summary>
    public required IReadOnlyList<WorkLeft> Left { get; init; }

    /// <summary>How much of the whole that is by the rules of thumb, 0 … 1.</summary>
    public required double Share { get; init; }

    /// <summary>The workload of a job.</summary>
    /// <param name="d">The job.</param>
    /// <param name="results">What is computed from it.</param>
    public static Workload Of(JobDocument d, JobResults results)
    {
        if (d.Job.HandedOverAt is not null)
        {
            return new Workload
            {
                Rules = CurrentRules,
                Left = [],
                Share = 0,
            };
        }
        var begun = d.BegunPlan();
        var unread = Progress.Unread(d, results) > 0;
        var next = Progress.DraftChanges(d) > 0 ? d.DraftPlan() : null;
        var card = begun is null ? [] : Steps(d, begun).ToArray();
        var left = new List<WorkLeft>();
        if (begun is null)
        {
            if (unread)
            {
                left.Add(new("walk-round before", false, WalkBefore));
            }
        }
        else
        {
            left.AddRange(card.Where(s => !Progress.IsDone(d, s.Key)).Select(s => s.Left));
        }
        if (next is not null)
        {
            left.AddRange(Steps(d, next).Select(s => s.Left));
        }
        else if (begun is null)
        {
            left.Add(new("nobody knows yet", false, NoPlan, Guess: true));
        }
        if (begun is null || next is not null || left.Count > 0 || unread)
        {
            left.Add(new("walk-round after", false, WalkAfter));
        }
        left.Add(new("hand-over", false, HandingOver));
        var rest = left.Sum(l => l.Usual);
        var done =
            card.Where(s => Progress.IsDone(d, s.Key)).Sum(s => s.Left.Usual)
            + (begun is not null || !unread ? WalkBefore : 0);
        return new Workload
        {
            Rules = CurrentRules,
            Fitting = begun?.Id,
            BegunAt = begun?.BegunAt,
            Left = left,
            Share = rest / (rest + done),
        };
    }

    private static IEnumerable<(string Key, WorkLeft Left)> Steps(JobDocument d, Plan plan) =>
        EarlierFittings
            .Sided(Progress.CardOf(d, plan))
            .Where(s => s.Step.Minutes > 0)
            .Select(s =>
                (s.Step.Key, new WorkLeft(s.Step.Work, s.Second, s.Step.Minutes, s.Step.People))
            );
}
