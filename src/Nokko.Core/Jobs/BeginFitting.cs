using System.Globalization;
using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>Begins the fitting of a plan: its prediction is kept as it is now, its parts leave the shelf, a new stage opens.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The plan.</param>
/// <param name="Version">Its version as seen.</param>
/// <param name="StageId">Key of the new stage.</param>
/// <param name="FrozenId">Key of the kept prediction.</param>
/// <param name="DeviationId">Key of the deviation, where it is begun without a prediction.</param>
/// <param name="Reason">Why it is begun all the same.</param>
public sealed record BeginFitting(
    Guid CommandId,
    Guid Id,
    uint Version,
    Guid StageId,
    Guid FrozenId,
    Guid DeviationId,
    string? Reason
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "fitting begun";

    /// <inheritdoc/>
    public override Guid? PlanNamed() => Id;

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var plan =
            d.Plans.FirstOrDefault(p => p.Id == Id)
            ?? throw Refuse.Gone("This job has no such plan.");
        if (plan.BegunAt is not null || d.CurrentStage()?.Id != plan.FromStageId)
        {
            throw Refuse.Conflict(
                "plan",
                "The fitting of this plan has begun already.",
                plan.Id,
                plan
            );
        }
        var results = JobEvaluator.Evaluate(d, work.Context.Others);
        var prediction = JobEvaluator.Predict(
            d,
            plan,
            results.WalkRounds,
            work.Context.Others.With(results.Trials)
        )!;
        Gates(work, plan, prediction);
        NoteMisfits(work, prediction);
        TakeFromShelf(work, plan);
        var from = d.CurrentStage()!;
        work.Add(
            new Stage
            {
                Id = StageId,
                VehicleId = d.Vehicle.Id,
                JobId = d.Job.Id,
                Front = plan.Of(Axle.Front)?.To ?? from.Front,
                Rear = plan.Of(Axle.Rear)?.To ?? from.Rear,
                Ordinal = d.Stages.Max(s => s.Ordinal) + 1,
                Name = $"after stack {d.Stages.Count(s => s.Ordinal > 0) + 1}",
                OpenedAt = work.Now,
                Stacks = plan.Stacks,
            }
        );
        work.Add(
            new FrozenPrediction
            {
                Id = FrozenId,
                PlanId = plan.Id,
                At = work.Now,
                Core = JobEvaluator.CoreVersion,
                Prediction = prediction with
                {
                    Moves = JobGeometry.MovesOf(d, plan, work.Context.Others),
                },
                Target = d.Job.Target,
                Dimensions = d.Vehicle.Dimensions,
            }
        );
        var begun = plan with { ToStageId = StageId, BegunAt = work.Now };
        var card = Progress.CardOf(d, plan);
        AskAnew(work, plan, card);
        FittingWork.AddJoints(work, card);
        KeepLengths(work, plan, card);
        work.Edit(plan, Version, begun);
    }

    /// <summary>A torque of the old suspension holds nothing of the new one: those of its own joints are asked anew.</summary>
    private static void AskAnew(JobWork work, Plan plan, JobCard card)
    {
        foreach (
            var (joint, fresh) in work
                .Document.Joints.Where(j => !j.None)
                .Join(card.Joints, j => j.Place, c => c.Place, (j, c) => (j, c))
        )
        {
            if (plan.At(joint.Where) is not null && card.Graph!.Find(joint.Place)!.OfSuspension)
            {
                work.Replace(
                    joint,
                    joint with
                    {
                        Kind = fresh.Kind,
                        Fasteners = fresh.Fasteners,
                        Order = fresh.Order,
                        Spec = null,
                    }
                );
            }
        }
    }

    /// <summary>The length that was in a joint, and the one that it needs from now on, stay with its fasteners; those of another suspension are new.</summary>
    private static void KeepLengths(JobWork work, Plan plan, JobCard card)
    {
        var opened = card.Joints.Select(j => j.Place).ToHashSet();
        foreach (
            var joint in work.Document.Joints.Where(j =>
                opened.Contains(j.Place) && plan.At(j.Where) is null
            )
        )
        {
            Fastener[] kept =
            [
                .. joint.Fasteners.Select(f =>
                    f with
                    {
                        LengthFound = f.LengthNeeded ?? f.LengthFound,
                        LengthNeeded = card.Bolts.FirstOrDefault(r =>
                            r.Place == joint.Place && r.Fastener == f
                        )
                            is { Another: true, NeededMm: { } mm }
                            ? Quantity.Mm(mm, Known.Computed)
                            : null,
                    }
                ),
            ];
            if (!kept.SequenceEqual(joint.Fasteners))
            {
                work.Replace(joint, joint with { Fasteners = kept });
            }
        }
    }

    private void Gates(JobWork work, Plan plan, Prediction prediction)
    {
        if (PlanRules.WhyNotBegun(work.Document, plan, prediction) is { } not)
        {
            throw Refuse.Value("plan", not);
        }
        var why =
            prediction.Cannot
            ?? (
                work.Document.OwnRounds().Any(w => w.Id == prediction.WalkRoundId)
                    ? null
                    : "Nobody walked round it in this job."
            );
        var owed = Owed(work, plan);
        // With all of them in view: a reason never covers one that nobody saw.
        string?[] says =
        [
            why is null ? null : $"There is no prediction to prove against. {why}",
            owed.Length == 0
                ? null
                : $"Jobs that are served first, promised or taken in earlier, want {string.Join(", ", owed)} of what this one takes.",
            Quote.NotAgreed(plan, work.Document),
        ];
        var reason = TypedText.Blank(Reason);
        if (says.Any(s => s is not null) && reason is null)
        {
            throw Refuse.Gate(
                "reason",
                $"{string.Join(" ", says.OfType<string>())} Begin all the same? Then write why."
            );
        }
        if (why is not null)
        {
            work.Add(
                new Deviation
                {
                    Id = DeviationId,
                    Where = "vehicle",
                    SheetSays = "Measure and predict before anything is undone.",
                    Did = "Began the fitting without a prediction.",
                    Why = reason!,
                    PersonId = work.PersonId,
                    At = work.Now,
                }
            );
        }
        if (says[1] is { } earlier)
        {
            work.Pass("vehicle", earlier, "Took them for this one.", reason);
        }
        if (says[2] is { } notAgreed)
        {
            work.Pass("vehicle", notAgreed, "Began the fitting all the same.", reason);
        }
    }

    /// <summary>What it takes of pieces that plans want which are served before it.</summary>
    private static string[] Owed(JobWork work, Plan plan) =>
        [
            .. from needed in Taken(work.Document, plan).CountBy(id => id)
            let part = work.Context.Shelf.GetValueOrDefault(needed.Key)
            // Too few for this one alone are refused without a question.
            where part is not null && part.Count >= needed.Value
            let free = Math.Max(0, part.Count - work.Context.Wanted.GetValueOrDefault(part.Id))
            where free < needed.Value
            orderby part.Name
            select $"{needed.Value - free} of {part.Name}",
        ];

    /// <summary>Parts and boxes that leave the shelf, one for each piece. A piece that only moves does not.</summary>
    private static IEnumerable<Guid> Taken(JobDocument d, Plan plan)
    {
        var fitted = d.CurrentStage()!
            .Stacks.SelectMany(s => s.Parts)
            .Select(p => p.Id)
            .ToHashSet();
        return plan
            .Stacks.SelectMany(s => s.Parts)
            .Where(p => !fitted.Contains(p.Id))
            .Select(p => p.PartId)
            .Concat(d.KitsOf(plan).Select(k => k.PartId))
            .OfType<Guid>();
    }

    /// <summary>What goes in although it does not fit stays on the record as a deviation, with who decided it.</summary>
    private void NoteMisfits(JobWork work, Prediction prediction)
    {
        foreach (var misfit in (prediction.Misfits ?? []).Where(m => m.Known))
        {
            var anyway = work
                .Document.Plans.First(p => p.Id == Id)
                .Anyway!.First(a => a.Part == misfit.Part && a.Says == misfit.Says);
            work.Add(
                new Deviation
                {
                    Id = work.NewKey(),
                    Where = misfit.Where,
                    SheetSays = $"{misfit.Part}: {misfit.Says}.",
                    Did = "Fitted all the same.",
                    Why = anyway.Reason,
                    PersonId = anyway.PersonId,
                    At = work.Now,
                }
            );
        }
    }

    private static void TakeFromShelf(JobWork work, Plan plan)
    {
        var stands = work.Document.CurrentStage()!.Stacks;
        if (
            plan.Conversions is null
            && Corners.All.All(c =>
                CornerStack.Change(c, stands, plan.Stacks) is { Gone.Count: 0, Come.Count: 0 }
            )
        )
        {
            throw Refuse.Value(
                "plan",
                "Nothing changes in this plan: place or take out a part first."
            );
        }
        foreach (var needed in Taken(work.Document, plan).CountBy(id => id).OrderBy(n => n.Key))
        {
            if (!work.Context.Shelf.TryGetValue(needed.Key, out var part))
            {
                continue;
            }
            if (part.Count < needed.Value)
            {
                throw Refuse.Value(
                    "plan",
                    $"The plan needs {needed.Value} of {part.Name}, the shelf holds {part.Count}{(part.DueOn is { } day ? $"; more is to come on {day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)}" : "")}."
                );
            }
            work.Replace(part, part with { Count = part.Count - needed.Value });
        }
        foreach (var kit in work.Document.KitsOf(plan))
        {
            // What stands in the stack that is fitted is used; bolts and sleeves are ticked off.
            work.Replace(
                kit,
                kit with
                {
                    Pieces =
                    [
                        .. kit.Pieces.Select(p =>
                            p.Stacks.Count > 0 && p.End != KitPieceEnd.LeftOut
                                ? p with
                                {
                                    End = KitPieceEnd.Used,
                                }
                                : p
                        ),
                    ],
                }
            );
        }
    }
}
