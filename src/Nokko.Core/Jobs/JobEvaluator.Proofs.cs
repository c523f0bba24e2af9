using Nokko.Core.Evidence;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <content>What a job proves.</content>
public static partial class JobEvaluator
{
    /// <summary>The proof of one plan by this job alone; null while nothing was measured after it.</summary>
    /// <param name="d">The job.</param>
    /// <param name="plan">The plan.</param>
    public static PlanProof? ProofOf(JobDocument d, Plan plan) => ProofOf(d, plan, StancesOf(d));

    /// <summary>The proof of one plan by some of the job's walk-rounds; null while none of them was walked after it.</summary>
    /// <param name="d">The job.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="stances">Stances of those rounds, in the order of time.</param>
    public static PlanProof? ProofOf(
        JobDocument d,
        Plan plan,
        IReadOnlyList<WalkRoundStance> stances
    ) => Prove(d, plan, stances, PlatformEvidence.None.Confirmed);

    /// <summary>Stances of the rounds that were walked until the vehicle was handed over; all of them while it was not.</summary>
    /// <param name="d">The job.</param>
    /// <param name="stances">Its stances, in the order of time.</param>
    public static IReadOnlyList<WalkRoundStance> UntilItLeft(
        JobDocument d,
        IReadOnlyList<WalkRoundStance> stances
    )
    {
        if (d.Job.HandedOverAt is not { } left)
        {
            return stances;
        }
        var until = d.WalkRounds.Where(w => w.At <= left).Select(w => w.Id).ToHashSet();
        return [.. stances.Where(s => until.Contains(s.WalkRoundId))];
    }

    /// <summary>The proofs by what was read until the vehicle left, where anything was: what it settled afterwards is learned by itself, and would be counted twice.</summary>
    /// <remarks>Source: docs/computation/learning.md#lift-line.</remarks>
    private static PlanProof[] AsItLeft(
        JobDocument d,
        IReadOnlyList<WalkRoundStance> stances,
        PlanProof[] proofs
    )
    {
        var until = UntilItLeft(d, stances);
        return until.Count == stances.Count
            ? proofs
            :
            [
                .. proofs.Select(p =>
                    ProofOf(d, d.Plans.First(plan => plan.Id == p.PlanId), until) ?? p
                ),
            ];
    }

    private static PlanProof[] ProofsOf(
        JobDocument d,
        IReadOnlyList<WalkRoundStance> stances,
        IReadOnlyDictionary<CauseKind, int> confirmed
    ) => [.. d.Plans.Select(p => Prove(d, p, stances, confirmed)).OfType<PlanProof>()];

    private static PlanProof? Prove(
        JobDocument d,
        Plan plan,
        IReadOnlyList<WalkRoundStance> stances,
        IReadOnlyDictionary<CauseKind, int> confirmed
    )
    {
        if (
            plan.ToStageId is not { } made
            || Speaks(stances, made) is not { } now
            || d.FrozenPredictions.FirstOrDefault(f => f.PlanId == plan.Id) is not { } frozen
            || d.Stages.FirstOrDefault(s => s.Id == plan.FromStageId) is not { } from
        )
        {
            return null;
        }
        var before =
            stances.FirstOrDefault(s => s.WalkRoundId == frozen.Prediction.WalkRoundId)
            ?? Speaks(stances, from.Id);
        var comparison = before is null ? null : Compare(d, before, now);
        var to = d.Stages.First(s => s.Id == plan.ToStageId);
        var (heldBack, marks, hanging) = Progress.StillOpen(d, plan);
        var round = d.WalkRounds.First(w => w.Id == now.WalkRoundId);
        if (round.Told)
        {
            // What was done years ago has no card.
            (heldBack, marks) = (
                [],
                ["These heights were told, from paper or a spreadsheet, and not measured here."]
            );
        }
        var proof = Proof.Prove.Of(
            plan,
            frozen,
            from,
            now,
            comparison,
            Achieved(d, to, stances),
            heldBack,
            marks,
            stances
                .Where(s => s.StageId == made)
                .SelectMany(s => s.Measures)
                .LastOrDefault(m => m.Measure == MeasureValues.CrossWeight)
                ?.Value,
            LimitsOf(d).Of(MechanismKind.CornerScales),
            d.KitsOf(plan)
        );
        var moved = MovedProof.Of(
            frozen.Prediction,
            d.VehicleAt(to.Id),
            [.. stances.Where(s => s.StageId == from.Id)],
            [.. stances.Where(s => s.StageId == made)],
            [.. Corners.Axles.Where(a => plan.Of(a) is not null)],
            d.Readings.LastOrDefault(r =>
                    r.Measure == WalkRounds.Measures.LampCutOff && r.Over is not null
                )
                ?.Over!.In(Unit.Mm)
        );
        return proof with
        {
            Rounds = stances.Count(s => s.StageId == made && s.Stations.Count > 0),
            Causes = Causes.Of(
                proof,
                frozen.Prediction,
                plan,
                from,
                d.VehicleAt(to.Id) with
                {
                    Dimensions = frozen.Dimensions,
                },
                new Causes.Beside
                {
                    Now = now,
                    Before = before,
                    Settled = round.Settled,
                    Hanging = hanging,
                    CargoDiffers = CargoDiffers(
                        d.WalkRounds.FirstOrDefault(w => w.Id == before?.WalkRoundId),
                        round,
                        comparison
                    ),
                    DrivenKm = DrivenKm(d, round, from),
                    Moved = moved,
                    Checked =
                    [
                        .. d.CheckedCauses.Where(c => c.PlanId == plan.Id).OrderBy(c => c.At),
                    ],
                    Confirmed = confirmed,
                }
            ),
            Moved = moved,
        };
    }

    /// <summary>Whether two rounds differ in what stood in the vehicle; null where one of them does not note load and fuel.</summary>
    private static bool? CargoDiffers(WalkRound? before, WalkRound now, Comparison? comparison) =>
        comparison?.Differences.Any(d => d.Key is "load" or "fuel" or "peopleIn") == true ? true
        : before is { Load: not null, Fuel: not null } && now is { Load: not null, Fuel: not null }
            ? false
        : null;

    /// <summary>How far it was driven between the last reading before the work and a round after it, km; 0 where either odometer is not noted.</summary>
    private static double DrivenKm(JobDocument d, WalkRound round, Stage from) =>
        round.Odometer is { } now
        && (
            d.WalkRounds.Where(w => w.StageId == from.Id && w.Odometer is not null)
                .MaxBy(w => w.At)
                ?.Odometer
            ?? d.Job.OdometerIn
        )
            is { } before
            ? Math.Max(0, now.In(Unit.Km) - before.In(Unit.Km))
            : 0;
}
