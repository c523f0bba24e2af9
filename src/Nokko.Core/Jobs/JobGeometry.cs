using Nokko.Core.Evidence;
using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>What the plans of a job move besides the height.</summary>
public static class JobGeometry
{
    /// <summary>What a plan moves besides the height; without a plan what stands there now has moved.</summary>
    /// <param name="d">The job.</param>
    /// <param name="plan">The plan; null is what is fitted now.</param>
    /// <param name="known">What this and other jobs have proved.</param>
    /// <param name="shelf">Parts at hand.</param>
    /// <param name="travel">Whether to work out every place of the travel.</param>
    /// <param name="higher">The axle over which the frame stands higher than foretold, by a millimetre; null is as foretold.</param>
    /// <exception cref="InvalidOperationException">The job has no stage.</exception>
    public static PlanGeometry Of(
        JobDocument d,
        Plan? plan,
        PlatformEvidence known,
        IReadOnlyList<Part>? shelf = null,
        bool travel = false,
        Axle? higher = null
    )
    {
        var from =
            (plan is null ? d.CurrentStage() : d.StartOf(plan))
            ?? throw new InvalidOperationException("A job has a stage.");
        var stances = JobEvaluator.StancesOf(d);
        return PlanGeometry.Of(
            plan
                ?? new Plan
                {
                    Id = Guid.Empty,
                    Name = from.Name,
                    FromStageId = from.Id,
                    Stacks = from.Stacks,
                },
            JobEvaluator.SituationOf(
                d,
                from,
                stances,
                known.With(JobEvaluator.TrialsOf(d, stances))
            ),
            shelf,
            travel,
            higher
        );
    }

    /// <summary>How far every mechanism is foretold to move from what is fitted now.</summary>
    /// <param name="d">The job.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="known">What this and other jobs have proved.</param>
    public static IReadOnlyList<ForetoldMove> MovesOf(
        JobDocument d,
        Plan plan,
        PlatformEvidence known
    )
    {
        var (now, then) = (Of(d, null, known), Of(d, plan, known));
        var front = Of(d, plan, known, higher: Axle.Front);
        var rear = Of(d, plan, known, higher: Axle.Rear);
        return
        [
            .. then.Mechanisms.Select(m => new ForetoldMove(
                m.Kind,
                m.Where,
                Change(m, Same(now, m)),
                m.Kind == MechanismKind.Headlights ? then.LampRise : null,
                More(m, Same(front, m), Same(rear, m))
            )),
        ];

        static Mechanism? Same(PlanGeometry of, Mechanism m) =>
            of.Mechanisms.FirstOrDefault(n => n.Kind == m.Kind && n.Where == m.Where);

        // Of what an axle's rise moves, and a gauge reads: a lamp, a scale and the least of several lines are not that, nor camber, which a rack sets anew.
        static MovedPerMm? More(Mechanism m, Mechanism? front, Mechanism? rear) =>
            m.Kind
                is MechanismKind.TrackBar
                    or MechanismKind.Caster
                    or MechanismKind.Pinion
                    or MechanismKind.Propshaft
                    or MechanismKind.Steering
                    or MechanismKind.SwayBar
                    or MechanismKind.CvShaft
            && Compared(m) is { Value: { } at }
            && (front is null ? null : Compared(front))?.Value is { } byFront
            && (rear is null ? null : Compared(rear))?.Value is { } byRear
                ? new MovedPerMm(byFront - at, byRear - at)
                : null;

        // What both rest on is the same: the later one's ± holds for the difference.
        static Result Change(Mechanism then, Mechanism? now) =>
            Compared(then) is { Value: { } b } to
            && (now is null ? null : Compared(now)) is { Value: { } a } from
            && then.Kind != MechanismKind.Headlights
                ? Result.Of(
                    b - a,
                    to.Unit,
                    // What the scales were wrong by is in both.
                    then.Kind == MechanismKind.CornerScales
                    && from.U is { } shared
                        ? Math.Sqrt(Math.Max(0, (to.U!.Value * to.U.Value) - (shared * shared)))
                        : to.U,
                    to.RestsOn,
                    to.Known
                )
                : Compared(then);

        // What both joints leave over cannot be gauged, nor what a bump steers; the joint at the axle and the link's slope can.
        static Result Compared(Mechanism m) =>
            m.Kind switch
            {
                MechanismKind.Propshaft => Also(m, PropshaftMechanism.AxleJoint),
                MechanismKind.Steering => Also(m, SteeringMechanism.LinkSlope),
                MechanismKind.Contacts => TyreContacts.LeastAtFender(m.Stands.Contacts),
                _ => m.Stands.Figure,
            };

        static Result Also(Mechanism m, string label) =>
            m.Stands.Also.First(a => a.Label == label).Result;
    }

    /// <summary>What the plan that is being fitted and the chosen draft move.</summary>
    public static IReadOnlyList<PlanGeometry> OfAll(JobDocument d) =>
        [
            .. new[] { d.BegunPlan(), d.DraftPlan() }
                .OfType<Plan>()
                .DistinctBy(p => p.Id)
                .Select(p => Of(d, p, PlatformEvidence.None)),
        ];
}
