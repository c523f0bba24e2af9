using Nokko.Core.Fitting;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>In what state the vehicle is when a reading is taken: what the job's own ledgers say.</summary>
/// <param name="Raised">Corners that hang or are raised.</param>
/// <param name="Changed">Corners at which the part of a later stage is already in, seen from the stage that is read.</param>
/// <remarks>Source: docs/computation/stages.md#stages-chain: such a reading is marked and not subtracted without a word.</remarks>
public sealed record ReadingState(IReadOnlyList<string> Raised, IReadOnlyList<string> Changed)
{
    /// <summary>The state for a reading at one stage.</summary>
    /// <param name="d">The job.</param>
    /// <param name="stage">The stage to which the reading belongs.</param>
    public static ReadingState Of(JobDocument d, Guid stage)
    {
        var raised = d.Supports.OrderBy(s => s.At).ThenBy(s => s.Id).LastOrDefault() switch
        {
            { Position: WheelPosition.Hanging, Where: "front" } => Corners.Of(Axle.Front),
            { Position: WheelPosition.Hanging, Where: "rear" } => Corners.Of(Axle.Rear),
            { Position: WheelPosition.Hanging } => Corners.All,
            _ => [],
        };
        var now = d.CurrentStage();
        if (
            now is null
            || now.Id == stage
            || d.BegunPlan() is not { } plan
            || d.Stages.FirstOrDefault(s => s.Id == stage) is not { } read
        )
        {
            return new ReadingState([.. raised.Select(c => c.Name())], []);
        }
        var fitted = d
            .Steps.Where(s => s.PlanId == plan.Id)
            .SelectMany(s => Corners.All.Where(c => FittingRules.WhereOf(s.Step) == c.Name()))
            .ToHashSet();
        // Of the stage just left, a corner counts as changed once work on it was noted; of older stages, every corner that differs does.
        return new ReadingState(
            [.. raised.Select(c => c.Name())],
            [
                .. Corners
                    .All.Where(c =>
                        !Parts(read, c).SetEquals(Parts(now, c))
                        && (plan.FromStageId != stage || fitted.Contains(c))
                    )
                    .Select(c => c.Name()),
            ]
        );

        static HashSet<Guid> Parts(Plans.Stage stage, Corner corner) =>
            [
                .. stage
                    .Stacks.Where(s => s.Corner == corner)
                    .SelectMany(s => s.Parts)
                    .Select(p => p.Id),
            ];
    }
}
