using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Proof;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.JobFile;

/// <summary>Whatever a job file names must be in it.</summary>
internal static partial class JobFileReferences
{
    /// <summary>Checks that whatever is named is there.</summary>
    public static JobFileError? Check(JobDocument d)
    {
        var people = d.People.Select(p => p.Id).ToHashSet();
        var stages = d.Stages.Select(s => s.Id).ToHashSet();
        var rounds = d.WalkRounds.Select(w => w.Id).ToHashSet();
        var readings = d.Readings.DistinctBy(r => r.Id).ToDictionary(r => r.Id);
        var plans = d.Plans.Select(p => p.Id).ToHashSet();
        var joints = d.Joints.Select(j => j.Id).ToHashSet();
        var stations = d.Vehicle.Stations.Select(s => s.Name).ToHashSet();
        return First(
            Known(
                d.Job.VehicleId == d.Vehicle.Id,
                "$.job.vehicleId",
                "The job is on another vehicle."
            ),
            Known(
                stages.Contains(d.Job.StageId),
                "$.job.stageId",
                "The file does not define the stage in which the vehicle came."
            ),
            Known(
                d.Vehicle.OwnerId == d.Owner.Id,
                "$.vehicle.ownerId",
                "The vehicle has another owner."
            ),
            Known(
                d.Vehicle.PlatformId == d.Platform.Id,
                "$.vehicle.platformId",
                "The vehicle has another platform."
            ),
            Known(
                TyreIsKnown(d.Vehicle),
                "$.vehicle.tyreSize",
                "That is no tyre size. Write it as on the tyre, for example 265/70R17."
            ),
            Known(
                stations.Count == d.Vehicle.Stations.Count,
                "$.vehicle.stations",
                "Two stations have the same name."
            ),
            Known(
                d.Job.TorqueBand is null or (> 0 and <= 0.2),
                "$.job.torqueBand",
                "A torque lies within 20 in 100 of its spec."
            ),
            Each(
                d.Job.Limits ?? [],
                "job.limits",
                (l, p) =>
                    GeometryLimits.WhyNot(l) is { } why ? new JobFileError($"{p}.most", why) : null
            ),
            Known(
                (d.Job.Limits ?? []).DistinctBy(l => l.Kind).Count() == (d.Job.Limits ?? []).Count,
                "$.job.limits",
                "One limit for each mechanism."
            ),
            Unique(d),
            JobFileParts.Check(d),
            Each(
                d.Stages,
                "stages",
                (s, p) =>
                    First(
                        Known(
                            s.VehicleId == d.Vehicle.Id,
                            $"{p}.vehicleId",
                            "The stage is of another vehicle."
                        )
                    )
            ),
            Each(
                d.WalkRounds,
                "walkRounds",
                (w, p) =>
                    First(
                        Known(
                            stages.Contains(w.StageId),
                            $"{p}.stageId",
                            "The file does not define this stage."
                        ),
                        Known(
                            w.Order.All(stations.Contains),
                            $"{p}.order",
                            "The file does not define a station that is walked to here."
                        ),
                        Known(
                            w.Pads.All(x =>
                                Corners.All.Contains(x.Wheel) && x.Height.Unit.SameKind(Unit.Mm)
                            ),
                            $"{p}.pads",
                            "A pad is under a wheel (LF, RF, LR or RR), and its height is a length."
                        ),
                        Known(
                            w.Tyres.All(t =>
                                Corners.All.Contains(t.Wheel)
                                && (t.Size is null || TyreSize.Parse(t.Size) is not null)
                            ),
                            $"{p}.tyres",
                            "A tyre is on a wheel (LF, RF, LR or RR) and has a size as printed on it."
                        ),
                        Someone(people, w.PersonId, p)
                    )
            ),
            Each(
                d.Readings,
                "readings",
                (r, p) =>
                    First(
                        Known(
                            rounds.Contains(r.WalkRoundId),
                            $"{p}.walkRoundId",
                            "The file does not define this walk-round."
                        ),
                        Known(
                            r.Place.Kind != PlaceKind.Station
                                || r.Place.Name is null
                                || stations.Contains(r.Place.Name),
                            $"{p}.place.name",
                            $"The file does not define the station “{r.Place.Name}”."
                        ),
                        Known(
                            r.Measure is null || Measures.Find(r.Measure) is not null,
                            $"{p}.measure",
                            $"There is no measure “{r.Measure}”."
                        ),
                        Known(
                            Measures.Find(r.Measure) is not { } measure || measure.Kind == r.Kind,
                            $"{p}.kind",
                            $"The measure “{r.Measure}” is of another kind."
                        ),
                        Known(
                            r.Supersedes is null || readings.ContainsKey(r.Supersedes.Value),
                            $"{p}.supersedes",
                            "The file does not hold the reading that this one corrects."
                        ),
                        Known(
                            !ComesBack(r, readings),
                            $"{p}.supersedes",
                            "These corrections go round in a ring."
                        ),
                        Someone(people, r.PersonId, p)
                    )
            ),
            Each(
                d.Plans,
                "plans",
                (x, p) =>
                    First(
                        Known(
                            stages.Contains(x.FromStageId),
                            $"{p}.fromStageId",
                            "The file does not define this stage."
                        ),
                        Known(
                            x.ToStageId is null || stages.Contains(x.ToStageId.Value),
                            $"{p}.toStageId",
                            "The file does not define this stage."
                        ),
                        (x.Anyway ?? [])
                            .Select((a, i) => Someone(people, a.PersonId, $"{p}.anyway[{i}]"))
                            .FirstOrDefault(e => e is not null)
                    )
            ),
            Each(
                d.FrozenPredictions,
                "frozenPredictions",
                (f, p) =>
                    First(
                        OfPlan(f.PlanId, p),
                        Known(
                            f.Prediction.Stations.All(s =>
                                s
                                    is {
                                        Before: { Value: not null, U: not null },
                                        Rise: { Value: not null, U: not null },
                                        Height: { Value: not null, U: not null }
                                    }
                            ),
                            $"{p}.prediction.stations",
                            "A predicted station has a height before, a rise and a height, each with its u."
                        )
                    )
            ),
            Each(d.Kits, "kits", (k, p) => OfPlan(k.PlanId, p)),
            Each(
                d.TorqueEntries,
                "torqueEntries",
                (t, p) =>
                    First(
                        Known(
                            joints.Contains(t.JointId),
                            $"{p}.jointId",
                            "The file does not define this joint."
                        ),
                        OfPlan(t.PlanId, p),
                        Known(
                            t.Value is null || t.Value.Unit.SameKind(Unit.NewtonMetre),
                            $"{p}.value.unit",
                            "A value reached is a torque."
                        ),
                        Someone(people, t.PersonId, p)
                    )
            ),
            Each(
                d.OffLines,
                "offLines",
                (o, p) =>
                    First(
                        OfPlan(o.PlanId, p),
                        Someone(people, o.OffBy, p, "offBy"),
                        Someone(people, o.ClosedBy, p, "closedBy")
                    )
            ),
            Each(d.Supports, "supports", (s, p) => Someone(people, s.PersonId, p)),
            Each(d.Marks, "marks", (m, p) => Someone(people, m.PersonId, p)),
            Each(d.Orientations, "orientations", (o, p) => Someone(people, o.PersonId, p)),
            Each(d.Deviations, "deviations", (x, p) => Someone(people, x.PersonId, p)),
            Each(d.Promises, "promises", (x, p) => Someone(people, x.PersonId, p)),
            Each(d.FollowUps, "followUps", (f, p) => Someone(people, f.DoneBy, p, "doneBy")),
            Each(
                d.Cuts,
                "cuts",
                (c, p) => First(OfPlan(c.PlanId, p), Someone(people, c.PersonId, p))
            ),
            Each(
                d.Looks,
                "looks",
                (l, p) =>
                    First(
                        Known(
                            joints.Contains(l.JointId),
                            $"{p}.jointId",
                            "The file does not define this joint."
                        ),
                        OfPlan(l.PlanId, p),
                        Someone(people, l.PersonId, p)
                    )
            ),
            Each(
                d.CheckedCauses,
                "checkedCauses",
                (c, p) =>
                    First(
                        OfPlan(c.PlanId, p),
                        Known(
                            rounds.Contains(c.WalkRoundId),
                            $"{p}.walkRoundId",
                            "The file does not define this walk-round."
                        ),
                        Known(
                            CauseRule.Of(c.Kind).HasCheck,
                            $"{p}.kind",
                            "Nothing checks this cause."
                        ),
                        Someone(people, c.PersonId, p)
                    )
            ),
            HandOver(d, people),
            Each(
                d.OwnSteps,
                "ownSteps",
                (s, p) => First(OfPlan(s.PlanId, p), Someone(people, s.PersonId, p))
            ),
            Each(d.Schools, "schools", (s, p) => Someone(people, s.PersonId, p)),
            Each(
                d.Steps,
                "steps",
                (s, p) => First(OfPlan(s.PlanId, p), Someone(people, s.PersonId, p))
            ),
            Each(
                d.Attachments,
                "attachments",
                (a, p) =>
                    First(
                        Known(
                            IsSha256(a.Sha256),
                            $"{p}.sha256",
                            "A file is named by its SHA-256 in lower-case hex."
                        ),
                        a.Pins is not null && PinPhotograph.WhyNot(a.Pins) is { } why
                            ? new JobFileError($"{p}.pins", why)
                            : null,
                        Someone(people, a.PersonId, p)
                    )
            )
        );

        JobFileError? OfPlan(Guid id, string p) =>
            Known(plans.Contains(id), $"{p}.planId", "The file does not define this plan.");
    }

    private static bool TyreIsKnown(Vehicle vehicle) =>
        vehicle.TyreSize is null || TyreSize.Parse(vehicle.TyreSize) is not null;

    private static bool IsSha256(string text) =>
        text.Length == 64 && text.All(c => c is (>= '0' and <= '9') or (>= 'a' and <= 'f'));

    private static JobFileError? Unique(JobDocument d)
    {
        var seen = new HashSet<Guid>();
        foreach (var (list, ids) in JobRows.Ids(d))
        {
            foreach (var (id, index) in ids.Select((x, i) => (x, i)))
            {
                if (!seen.Add(id))
                {
                    return new JobFileError(
                        $"$.{list}[{index}].id",
                        "This key stands twice in the file."
                    );
                }
            }
        }
        return null;
    }

    private static JobFileError? Someone(
        HashSet<Guid> people,
        Guid? id,
        string path,
        string field = "personId"
    ) =>
        Known(
            id is not { } someone || people.Contains(someone),
            $"{path}.{field}",
            "The file does not name this person."
        );

    /// <summary>Whether a chain of corrections leads back to where it began.</summary>
    private static bool ComesBack(Reading from, Dictionary<Guid, Reading> readings)
    {
        var seen = new HashSet<Guid>();
        for (var r = from; r is not null; )
        {
            if (!seen.Add(r.Id))
            {
                return true;
            }
            r = r.Supersedes is { } old ? readings.GetValueOrDefault(old) : null;
        }
        return false;
    }

    private static JobFileError? Known(bool ok, string path, string message) =>
        ok ? null : new JobFileError(path, message);

    private static JobFileError? First(params ReadOnlySpan<JobFileError?> errors)
    {
        foreach (var error in errors)
        {
            if (error is not null)
            {
                return error;
            }
        }
        return null;
    }

    private static JobFileError? Each<T>(
        IReadOnlyList<T> rows,
        string list,
        Func<T, string, JobFileError?> check
    ) => rows.Select((r, i) => check(r, $"$.{list}[{i}]")).FirstOrDefault(e => e is not null);
}
