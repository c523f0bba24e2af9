using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Papers;

/// <summary>What the next shop needs to set the wheels: as found, expected, wanted, what was moved and what was marked. What it sets comes back as readings.</summary>
/// <remarks>Source: docs/computation/job-card.md#alignment-sheet.</remarks>
public static class AlignmentPaper
{
    /// <summary>Angles that a shop sets, by the key of their measure.</summary>
    private static readonly (string Key, string Set)[] Angles =
    [
        (Measures.Caster, Measures.CasterSet),
        (Measures.CamberAngle, Measures.CamberSet),
        (Measures.ToeAngle, Measures.ToeSet),
    ];

    /// <summary>Writes it; null while nothing was fitted, because there is nothing to set yet.</summary>
    /// <param name="d">The job.</param>
    /// <param name="results">What was computed from it.</param>
    /// <param name="reader">Who reads it.</param>
    /// <param name="shown">What of a person stands on it.</param>
    public static Paper? Of(JobDocument d, JobResults results, PaperReader reader, Shown shown)
    {
        if (d.BegunPlan() is not { } plan)
        {
            return null;
        }
        // Since the job began, in however many passes.
        var came = d.Stages.First(s => s.Id == d.Job.StageId);
        var after = RecordPaper.Latest(results, plan.ToStageId!.Value);
        PaperSection[] sections =
        [
            Heights(d, results, reader),
            .. Corners.Axles.Select(axle => OfAxle(d, results, axle, after, reader)),
            new("What was moved") { Lines = [.. Moved(d, plan, came)] },
            new("Marks made before undoing")
            {
                Lines = [.. d.Marks.Select(m => $"{m.Where}: {m.What}")],
            },
            new("Before it is set")
            {
                Lines =
                [
                    "Tyres at the pressures above, tank and load as above, rolled in and settled: at another height the angles are others.",
                    "Caster and camber before toe; toe last, with the steering wheel straight and held.",
                    "Rubber that is slackened is tightened at ride height.",
                    "Write both columns: as it came to you, and as it left. Where a range cannot be reached, write how far it went.",
                ],
            },
        ];
        return new(
            "Alignment sheet",
            RecordPaper.Heading(d, shown),
            [.. Facts(d, results, reader)],
            [.. sections.Where(s => !s.IsEmpty)],
            "Allowed ranges are those that were entered from the maker’s service information; where none stands, yours decides. ± is at k = 2."
        );
    }

    private static IEnumerable<string> Facts(JobDocument d, JobResults results, PaperReader reader)
    {
        var now = d.CurrentStage()!;
        var round = JobEvaluator.Speaks(results.WalkRounds, now.Id) is { } stance
            ? d.WalkRounds.First(w => w.Id == stance.WalkRoundId)
            : null;
        yield return string.Join(
            " · ",
            new[]
            {
                $"front: {now.Front.Kind.Said()}",
                $"rear: {now.Rear.Kind.Said()}",
                d.Vehicle.TyreSize is { } size ? $"tyres {size}" : null,
                (d.Job.OdometerOut ?? d.Job.OdometerIn) is { } odometer
                    ? reader.Says(odometer)
                    : null,
            }.Where(x => x is not null)
        );
        if (round is not null)
        {
            yield return string.Join(
                " · ",
                new[]
                {
                    $"read {reader.Day(round.At)}",
                    round.Fuel is { } fuel ? $"fuel {fuel}" : null,
                    round.Load is { } load ? $"load: {load}" : null,
                    round.Tyres.Where(t => t.Pressure is not null).ToArray()
                        is { Length: > 0 } tyres
                        ? $"tyres {string.Join(", ", tyres.Select(t => $"{t.Wheel.Name()} {t.Pressure!.AsTyped()}"))}"
                        : null,
                }.Where(x => x is not null)
            );
        }
    }

    private static PaperSection Heights(JobDocument d, JobResults results, PaperReader reader)
    {
        var stance = JobEvaluator.Speaks(results.WalkRounds, d.CurrentStage()!.Id);
        return new("It stands so; set it at these heights")
        {
            Table = new(
                [
                    "Fender lip",
                    $"Above {(stance?.Datum ?? d.Job.Target.Datum).ToString().ToLowerInvariant()}",
                ],
                [
                    .. Corners.All.Select(c =>
                        (IReadOnlyList<string>)
                            [
                                RecordPaper.Sentence(c.Said()),
                                stance?.At(c.Name()) is { } h ? reader.Says(h.Height) : "not read",
                            ]
                    ),
                ]
            ),
        };
    }

    /// <summary>Angles of an axle: of one that cannot be set, what was read of it alone.</summary>
    private static PaperSection OfAxle(
        JobDocument d,
        JobResults results,
        Axle axle,
        IReadOnlyList<MeasureValue> after,
        PaperReader reader
    )
    {
        var vehicle = d.VehicleNow();
        var live = vehicle.SuspensionOf(axle).Kind.IsLiveAxle();
        var set = axle == Axle.Front || !live;
        return new($"{RecordPaper.Sentence(axle.Said())} axle")
        {
            Table = new(
                ["Angle", "Before the work", "Expected now", "Allowed", "As it came", "As it left"],
                [
                    .. from angle in Angles
                    let key = angle.Key
                    where set && (axle == Axle.Front || key != Measures.Caster)
                    from corner in Corners.Of(axle)
                    let was = Before(d, results, angle, corner)
                    select (IReadOnlyList<string>)
                        [
                            $"{MeasureValues.Said(key)}, {corner.Said()}",
                            was is null ? "not read" : reader.Says(was.Value.Angle),
                            Expected(d, was, key, axle, live, reader),
                            AngleRange.Allowed(vehicle, key, corner.Name()) ?? "by its maker",
                            Found(after, key, corner) is { } came ? reader.Says(came) : "",
                            Found(after, angle.Set, corner) is { } left ? reader.Says(left) : "",
                        ],
                ]
            ),
        };
    }

    private static Result? Found(IReadOnlyList<MeasureValue> all, string key, Corner corner) =>
        all.FirstOrDefault(m =>
            m.Value.Value is not null
            && (
                m.Place == corner.Name()
                    ? m.Measure == key
                        || (
                            key == Measures.CamberAngle && m.Measure == MeasureValues.CamberBySquare
                        )
                    : m.Place == Corners.AxleOf(corner).Said()
                        && key == Measures.ToeAngle
                        && m.Measure == MeasureValues.ToeByTape
            )
        )?.Value;

    /// <summary>The angle as it was read last before the work that stands now, as an alignment left it before any other; and the stage of that reading.</summary>
    private static (Result Angle, Stage At)? Before(
        JobDocument d,
        JobResults results,
        (string Key, string Set) angle,
        Corner corner
    ) =>
        (
            from stage in d.Stages
            where stage.Ordinal >= 0 && stage.Ordinal < d.CurrentStage()!.Ordinal
            orderby stage.Ordinal descending
            let read = RecordPaper.Latest(results, stage.Id)
            let found = Found(read, angle.Set, corner) ?? Found(read, angle.Key, corner)
            where found is not null
            select ((Result, Stage)?)(found, stage)
        ).FirstOrDefault();

    /// <summary>The angle as it was with what every pass since was foretold to do to it. The passes rest on the same sizes: their uncertainties add up; that of the gauge does not depend on them.</summary>
    private static string Expected(
        JobDocument d,
        (Result Angle, Stage At)? was,
        string key,
        Axle axle,
        bool live,
        PaperReader reader
    )
    {
        if (key == Measures.CamberAngle && live)
        {
            return was is null ? "as before" : $"as before, {reader.Says(was.Value.Angle)}";
        }
        if (key == Measures.ToeAngle)
        {
            return "moved; read it";
        }
        var kind = key == Measures.CamberAngle ? MechanismKind.Arms : MechanismKind.Caster;
        var since = (was?.At ?? d.Stages.First(s => s.Id == d.Job.StageId)).Ordinal;
        var changes = (
            from plan in d.Plans
            join made in d.Stages on plan.ToStageId equals (Guid?)made.Id
            where made.Ordinal > since
            select d
                .FrozenPredictions.FirstOrDefault(f => f.PlanId == plan.Id)
                ?.Prediction.Moves?.FirstOrDefault(m => m.Kind == kind && m.Where == axle.Said())
                ?.Change
        ).ToArray();
        if (changes.Length == 0 || changes.Any(c => c?.Value is null))
        {
            return "read it";
        }
        var (by, u) = (changes.Sum(c => c!.Have().Mean), changes.Sum(c => c!.U ?? 0));
        return was is { } before
            ? reader.Says(
                Result.Of(
                    before.Angle.Have().Mean + by,
                    Unit.Degree,
                    double.Hypot(before.Angle.U ?? 0, u),
                    [],
                    Known.Estimated
                )
            )
            : $"{reader.Says(Result.Of(by, Unit.Degree, u, [], Known.Estimated), true)} from before";
    }

    /// <summary>Parts of the plan that move angles, or that let them be set, and axles that came.</summary>
    private static IEnumerable<string> Moved(JobDocument d, Plan plan, Stage came)
    {
        foreach (var axle in Corners.Axles)
        {
            var parts = Corners
                .Of(axle)
                .SelectMany(c =>
                    CornerStack.Change(c, came.Stacks, plan.Stacks).Come.Select(p => p.Name)
                )
                .Distinct()
                .ToArray();
            if (plan.Of(axle) is { } conversion)
            {
                yield return $"{RecordPaper.Sentence(axle.Said())}: {conversion.To.Kind.Said()} came{(conversion.To.Sheet is { } sheet ? $", by {sheet}" : "")}.";
            }
            if (parts.Length > 0)
            {
                yield return $"{RecordPaper.Sentence(axle.Said())}: {string.Join(", ", parts)}.";
            }
        }
        foreach (
            var off in d.OffLines.Where(o =>
                o.Fate is Fitting.Fate.Replaced or Fitting.Fate.RefitElsewhere
            )
        )
        {
            yield return $"{off.What}: {off.Fate!.Value.Said()}.";
        }
    }
}
