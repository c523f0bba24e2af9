using Nokko.Core.Geometry;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>A measure that this vehicle and its plan call for.</summary>
/// <param name="Measure">Key of the measure.</param>
/// <param name="Place">Where.</param>
/// <param name="Why">Why, in a sentence.</param>
/// <param name="NowOrNever">Whether it cannot be had later: once something is undone, the value as found is gone.</param>
/// <param name="Done">Whether it was read, or passed over with a reason, at the present stage.</param>
public sealed record AskedMeasure(
    string Measure,
    string Place,
    string Why,
    bool NowOrNever,
    bool Done
);

/// <summary>Asks for what is worth measuring now because a plan touches it or it cannot be measured later.</summary>
/// <remarks>Source: docs/computation/stages.md#what-is-asked-for, docs/computation/geometry.md#taped-geometry.</remarks>
public static class AskedMeasures
{
    /// <summary>What is asked for at the present stage, what cannot wait first.</summary>
    public static IReadOnlyList<AskedMeasure> Of(JobDocument d)
    {
        if (d.CurrentStage() is not { } stage)
        {
            return [];
        }
        var rounds = d.WalkRounds.Where(w => w.StageId == stage.Id).Select(w => w.Id).ToHashSet();
        var done = d
            .Readings.Where(r => r.Measure is not null && rounds.Contains(r.WalkRoundId))
            .Select(r => (r.Measure!, r.Place.Name))
            .ToHashSet();
        var wanted = d.BegunPlan() is null ? Before(d) : After(d, rounds);
        return
        [
            .. wanted
                .DistinctBy(a => (a.Measure, a.Place))
                .Select(a => a with { Done = done.Contains((a.Measure, a.Place)) })
                .OrderByDescending(a => a.NowOrNever),
        ];
    }

    private static IEnumerable<AskedMeasure> Before(JobDocument d)
    {
        var changed = Changed(d);
        foreach (var lamp in (string[])["left lamp", "right lamp"])
        {
            yield return Ask(
                Measures.LampCutOff,
                lamp,
                "The nose angle moves the lights; only a mark made before the work is a baseline.",
                true
            );
        }
        foreach (var asked in Scales(d, true))
        {
            yield return asked;
        }
        foreach (var asked in Tyres(d, d.DraftPlan(), true))
        {
            yield return asked;
        }
        foreach (var axle in Corners.Axles)
        {
            var suspension = d.VehicleNow().SuspensionOf(axle).Kind;
            var touched = Corners.Of(axle).Any(changed.Contains);
            foreach (var corner in Corners.Of(axle))
            {
                if (!suspension.IsLiveAxle())
                {
                    yield return Ask(
                        Measures.CamberSquare,
                        corner.Name(),
                        "Height moves camber; the cams may turn while the arm is off.",
                        true
                    );
                }
                else
                {
                    yield return Ask(
                        Measures.Overhang,
                        corner.Name(),
                        "Left against right shows whether the axle sits off-centre, before and after.",
                        true
                    );
                }
                if (
                    axle == Axle.Front
                    && touched
                    && suspension.IsLiveAxle()
                    && !suspension.IsLeaf()
                )
                {
                    yield return Ask(
                        Measures.Caster,
                        corner.Name(),
                        "Its arms turn the axle as it goes down: only the pair tells how far.",
                        true
                    );
                }
                // A live axle droops as one; an independent corner by itself.
                if (!suspension.IsLiveAxle() ? changed.Contains(corner) : touched)
                {
                    yield return Ask(
                        Measures.BumpStopGap,
                        corner.Name(),
                        "How much bump travel is there to begin with.",
                        false
                    );
                    yield return Ask(
                        Measures.HoseSlack,
                        corner.Name(),
                        "The hose must follow the new droop; taped at the old one.",
                        true
                    );
                }
            }
            if (touched && SwayBarMechanism.IsTaped(d.VehicleNow().SuspensionOf(axle)))
            {
                yield return Ask(
                    Measures.BarArmSlope,
                    axle.Said(),
                    "The lift turns the bar's arm; the pair shows what longer links gave back.",
                    true
                );
            }
            foreach (var asked in touched ? Slopes(d.VehicleNow().SuspensionOf(axle), axle) : [])
            {
                yield return asked;
            }
            if (!suspension.IsLiveAxle())
            {
                foreach (var toe in (string[])[Measures.ToeFront, Measures.ToeRear])
                {
                    yield return Ask(
                        toe,
                        axle.Said(),
                        "Height moves toe; without it nobody knows how far.",
                        true
                    );
                }
            }
            else if (touched)
            {
                foreach (var angle in (string[])[Measures.PinionAngle, Measures.ShaftAngle])
                {
                    yield return Ask(
                        angle,
                        axle.Said(),
                        "A block tilts or lowers the pinion against the shaft.",
                        true
                    );
                }
            }
        }
    }

    /// <summary>Slopes that prove what was foretold of links and shafts that somebody taped.</summary>
    private static IEnumerable<AskedMeasure> Slopes(Vehicles.Suspension suspension, Axle axle)
    {
        if (suspension.Get(SuspensionSizes.DragLinkRun) is not null)
        {
            yield return Ask(
                Measures.DragLinkSlope,
                axle.Said(),
                "A steeper link steers over bumps; the pair shows what arm or bracket gave back.",
                true
            );
        }
        foreach (
            var corner in suspension.Get(SuspensionSizes.CvRun) is not null ? Corners.Of(axle) : []
        )
        {
            yield return Ask(
                Measures.HalfShaftSlope,
                corner.Name(),
                "Its joints bend by as much; the pair shows what a lower differential gave back.",
                true
            );
        }
    }

    /// <summary>All four scales where the diagonals are wanted even.</summary>
    private static IEnumerable<AskedMeasure> Scales(JobDocument d, bool before) =>
        (d.Job.Target.EvenDiagonals ? Corners.All : []).Select(c =>
            Ask(
                Measures.WheelWeight,
                c.Name(),
                before
                    ? "The diagonals are wanted even: only all four scales, before and after, tell it."
                    : "The diagonals are wanted even: all four scales judge it.",
                before
            )
        );

    /// <summary>Where another tyre comes: how far it stands out, and in front what is left while it turns.</summary>
    private static IEnumerable<AskedMeasure> Tyres(JobDocument d, Plan? plan, bool before)
    {
        var from = plan is null ? null : d.Stages.FirstOrDefault(s => s.Id == plan.FromStageId);
        if (from is null)
        {
            yield break;
        }
        HashSet<Guid> had = [.. from.Stacks.SelectMany(s => s.Parts).Select(p => p.Id)];
        foreach (
            var corner in plan!
                .Stacks.Where(s =>
                    s.Parts.Any(p =>
                        p.Kind is PartKind.Tyre or PartKind.WheelSpacer && !had.Contains(p.Id)
                    )
                )
                .Select(s => s.Corner)
        )
        {
            if (Corners.AxleOf(corner) == Axle.Front)
            {
                yield return Ask(
                    Measures.FenderAtLock,
                    corner.Name(),
                    before
                        ? "Another tyre takes of this gap; only with the one that is on is it known what is left."
                        : "Another tyre is on: turned to both locks, it is seen whether it touches.",
                    before
                );
            }
            yield return Ask(
                Measures.Overhang,
                corner.Name(),
                "Another tyre, or its rim, stands out otherwise: before and after.",
                before
            );
        }
    }

    /// <summary>Whatever was read before is read again after, and what another tyre leaves is looked at.</summary>
    private static IEnumerable<AskedMeasure> After(JobDocument d, HashSet<Guid> now) =>
        d
            .Readings.Where(r =>
                r.Measure is not null
                && r.Measure is not (Measures.RimRadius or "shockCollapsed" or "shockExtended")
                && Measures.Find(r.Measure)?.Kind is not (null or ReadingKind.Note)
                && r.Value is not null
                && r.Place.Name is not null
                && !now.Contains(r.WalkRoundId)
            )
            .Select(r =>
                Ask(
                    r.Measure!,
                    r.Place.Name!,
                    "It was read before: only the pair tells what moved.",
                    false
                )
            )
            .Concat(Tyres(d, d.BegunPlan(), false))
            .Concat(Scales(d, false));

    /// <summary>Corners at which the drafted plan puts in or takes out a part.</summary>
    private static HashSet<Corner> Changed(JobDocument d)
    {
        if (d.DraftPlan() is not { } draft || d.CurrentStage() is not { } stage)
        {
            return [];
        }
        return
        [
            .. Corners.All.Where(c => !Parts(stage.Stacks, c).SetEquals(Parts(draft.Stacks, c))),
        ];

        static HashSet<Guid> Parts(IEnumerable<CornerStack> stacks, Corner corner) =>
            [.. stacks.Where(s => s.Corner == corner).SelectMany(s => s.Parts).Select(p => p.Id)];
    }

    private static AskedMeasure Ask(string measure, string place, string why, bool nowOrNever) =>
        new(measure, place, why, nowOrNever, false);
}
