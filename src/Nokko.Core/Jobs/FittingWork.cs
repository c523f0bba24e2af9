using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Core.Jobs;

/// <summary>What the commands on the fitting have in common.</summary>
internal static class FittingWork
{
    /// <summary>The plan that is being fitted.</summary>
    public static Plan Begun(JobDocument d) =>
        d.BegunPlan()
        ?? throw Refuse.Gate("plan", "The fitting has not begun: begin it in the plan.");

    /// <summary>A joint of the vehicle.</summary>
    public static Joint JointOf(JobDocument d, Guid id) =>
        d.Joints.FirstOrDefault(j => j.Id == id)
        ?? throw Refuse.Gone("This job has no such joint.");

    /// <summary>The first four of what a gate names, and how many more there are.</summary>
    public static string FirstOf(IReadOnlyCollection<string> places) =>
        $"{string.Join(", ", places.Take(4))}{(places.Count > 4 ? $" and {places.Count - 4} more" : "")}";

    /// <summary>Stores the joints of a card that the vehicle has not yet.</summary>
    public static void AddJoints(JobWork work, JobCard card)
    {
        var known = work.Document.Joints.Select(j => j.Place).ToHashSet();
        foreach (var joint in card.Joints.Where(j => !known.Contains(j.Place)))
        {
            work.Add(
                new Joint
                {
                    Id = work.NewKey(),
                    Where = joint.Where,
                    Place = joint.Place,
                    Kind = joint.Kind,
                    Fasteners = joint.Fasteners,
                    Order = joint.Order,
                }
            );
        }
    }

    /// <summary>Makes the pass of a closing step on its joints, or refuses; and lets no weight back on what is not snug.</summary>
    public static void Close(
        JobWork work,
        Plan plan,
        JobCard card,
        CardStep step,
        IReadOnlyList<ReachedInput> reached,
        string? reason,
        List<Gate> gates
    )
    {
        var d = work.Document;
        var position = FittingRules.Position(d.Supports, step.Where);
        if (step.HoldFor == HoldReason.WeightBack && NotSnug(d, plan, card, step) is [_, ..] loose)
        {
            gates.Add(
                new(
                    step.Where,
                    $"Not snug yet: {FirstOf(loose)}. Nothing goes back on its wheels before it is.",
                    "Let the weight back all the same."
                )
            );
        }
        if (step.Pass is not { } pass)
        {
            return;
        }
        var left = new List<string>();
        foreach (var (place, i) in step.Joints.Select((p, i) => (p, i)))
        {
            var joint = d.Joints.FirstOrDefault(j => j.Place == place && !j.None);
            if (joint is null || d.PassesOver(joint.Id, plan.Id).Any(e => e.Pass >= pass))
            {
                continue;
            }
            var its = reached.FirstOrDefault(r => r.JointId == joint.Id);
            if (pass == Pass.Final && !IsTold(joint, its))
            {
                left.Add(place);
                continue;
            }
            Tighten(
                work,
                plan,
                joint,
                work.NewKey(),
                pass,
                its ?? new ReachedInput(joint.Id, null, null, false, null),
                position,
                reason,
                its is null ? "reached" : $"reached[{reached.ToList().IndexOf(its)}].value",
                gates
            );
        }
        if (left.Count > 0)
        {
            gates.Add(
                new(
                    step.Where,
                    $"Not final yet: {FirstOf(left)}. Type what each reached, or say why it is left.",
                    "Left without a final pass."
                )
            );
        }
    }

    /// <summary>Whether it is said how a joint became final: seen where nothing is to be torqued, else with its value.</summary>
    private static bool IsTold(Joint joint, ReachedInput? its) =>
        joint.Kind.IsLookedAt() || joint.Spec is { Torque: null }
            ? its is { Seen: true }
            : its is { Value: not null };

    /// <summary>Joints that were opened by then and are not snug: what is looked at has no such pass.</summary>
    private static IReadOnlyList<string> NotSnug(
        JobDocument d,
        Plan plan,
        JobCard card,
        CardStep step
    )
    {
        var closing = card
            .Steps.TakeWhile(s => s.Key != step.Key)
            .Where(s => s.Pass == Pass.Snug)
            .SelectMany(s => s.Joints)
            .ToHashSet();
        return
        [
            .. d
                .Joints.Where(j =>
                    (closing.Contains(j.Place) || j.AddedUnder == plan.Id)
                    && !j.Kind.IsLookedAt()
                    && !j.None
                    && d.PassesOver(j.Id, plan.Id).All(e => e.Pass < Pass.Snug)
                )
                .Select(j => j.Place),
        ];
    }

    /// <summary>Notes a pass over a joint; what stands against it is passed with a reason.</summary>
    public static void Tighten(
        JobWork work,
        Plan plan,
        Joint joint,
        Guid id,
        Pass pass,
        ReachedInput reached,
        WheelPosition position,
        string? reason,
        string field,
        List<Gate> gates
    )
    {
        var said = pass.ToString().ToLowerInvariant();
        var before = work.Document.PassesOver(joint.Id, plan.Id);
        if (FittingRules.Refusal(joint, before, pass, position) is { } gate)
        {
            gates.Add(new(joint.Place, gate, $"Recorded {said} all the same."));
        }
        var value = QuantityInput.Read(reached.Value, field, Unit.NewtonMetre);
        var angle = QuantityInput.Read(reached.Angle, "angle", Unit.Degree);
        var by = value is null ? null : work.By(reached.InstrumentId, Unit.NewtonMetre, work.Now);
        var off = new List<Gate>();
        if (pass == Pass.Final)
        {
            Off(
                joint.Spec?.Torque,
                value is null ? null : by?.Corrected(value) ?? value,
                "its spec"
            );
            Off(joint.Spec?.Angle, angle, "its angle");
        }
        gates.AddRange(off);
        work.Add(
            new TorqueEntry
            {
                Id = id,
                JointId = joint.Id,
                PlanId = plan.Id,
                Pass = pass,
                Value = value,
                Angle = angle,
                CriterionSeen = reached.Seen,
                Why = off.Count > 0 ? TypedText.Blank(reason) : null,
                Tool = TypedText.Blank(reached.Tool),
                By = by,
                Position = position,
                PersonId = work.PersonId,
                At = work.Now,
            }
        );

        void Off(Quantity? spec, Quantity? got, string what)
        {
            if (
                spec is not null
                && got is not null
                && FittingRules.OffSpec(spec, got, work.Document.TorqueBand()) is { } share
            )
            {
                off.Add(
                    new(
                        joint.Place,
                        FormattableString.Invariant(
                            $"{joint.Place}: {Math.Abs(share):0 %} {(share < 0 ? "short of" : "over")} {what}. Pull it again, or say why it stays so."
                        ),
                        share < 0 ? $"Left short of {what}." : $"Left over {what}."
                    )
                );
            }
        }
    }
}
