using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>How far an axle came down after a plan was fitted, as the springs' story keeps it.</summary>
/// <param name="PlanId">The plan.</param>
/// <param name="Axle">The axle.</param>
/// <param name="Name">On what it stands, as said.</param>
/// <param name="IsNew">Whether the spring came in new.</param>
/// <param name="Spring">Springs that settle alike; null where nobody could find them again.</param>
/// <param name="At">When it was read.</param>
/// <param name="Km">Driven since the work, km.</param>
/// <param name="Mm">Down by 500 miles, mm.</param>
/// <param name="U">Its standard uncertainty, mm.</param>
public sealed record JobSettled(
    Guid PlanId,
    Axle Axle,
    string Name,
    bool IsNew,
    SpringKey? Spring,
    DateTimeOffset At,
    double Km,
    double Mm,
    double U
)
{
    /// <summary>What the job's vehicle showed, plan by plan: by the round nearest to 500 miles that decides, against the first after the work.</summary>
    /// <param name="d">The job.</param>
    /// <param name="stances">Its stances, in the order of time.</param>
    public static IReadOnlyList<JobSettled> Shown(
        JobDocument d,
        IReadOnlyList<WalkRoundStance> stances
    )
    {
        var rounds = d.WalkRounds.ToDictionary(w => w.Id);
        var shown = new List<JobSettled>();
        foreach (var plan in d.Plans.Where(p => p.ToStageId is not null))
        {
            WalkRoundStance[] mine =
            [
                .. stances.Where(s => s.StageId == plan.ToStageId && s.Decides),
            ];
            if (mine.FirstOrDefault() is not { } first || d.StartOf(plan) is not { } from)
            {
                continue;
            }
            var later = mine.Skip(1)
                .Select(r => new
                {
                    Stance = r,
                    Round = rounds[r.WalkRoundId],
                    Km = Settling.Driven(rounds[first.WalkRoundId], rounds[r.WalkRoundId]),
                })
                .Where(r => r.Km >= Settling.Apart && r.Km <= SpringSettling.Latest)
                .Where(r => !(r.Round.At <= d.Job.CopiedAt))
                .MinBy(r => Math.Abs(r.Km!.Value - SpringSettling.Told));
            if (later is not { Km: { } km })
            {
                continue;
            }
            var comparison = JobEvaluator.Compare(d, first, later.Stance);
            foreach (var axle in SettlingAxle.Of(d.Vehicle, from, plan))
            {
                if (comparison.MeanRise(axle.Axle) is { Value: { } rise, U: > 0 and { } u })
                {
                    var trial = SpringSettling.Trial(
                        axle.Spring ?? default,
                        axle.IsNew,
                        new Estimate(-rise, u),
                        km
                    );
                    shown.Add(
                        new JobSettled(
                            plan.Id,
                            axle.Axle,
                            axle.Name,
                            axle.IsNew,
                            axle.Spring,
                            later.Round.At,
                            km,
                            trial.Mm,
                            trial.U
                        )
                    );
                }
            }
        }
        return shown;
    }
}
