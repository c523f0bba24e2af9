using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Fitting;

/// <summary>A joint that the card works on, before it is stored.</summary>
/// <param name="Where">Corner or axle.</param>
/// <param name="Place">What meets what.</param>
/// <param name="Kind">What holds it.</param>
/// <param name="Fasteners">Its fasteners.</param>
/// <param name="Order">Order of tightening.</param>
public sealed record CardJoint(
    string Where,
    string Place,
    JointKind Kind,
    IReadOnlyList<Fastener> Fasteners,
    string? Order
);

/// <summary>One step of the job card.</summary>
public sealed record CardStep
{
    /// <summary>Stable key: where and what, for example <c>LF/strut-out</c>.</summary>
    public required string Key { get; init; }

    /// <summary>Corner, axle or vehicle.</summary>
    public required string Where { get; init; }

    /// <summary>What, in a few words.</summary>
    public required string Title { get; init; }

    /// <summary>How.</summary>
    public required string Do { get; init; }

    /// <summary>The caution that stands here because the danger is here.</summary>
    public string? Caution { get; init; }

    /// <summary>Whether the hand stops here until a person confirms.</summary>
    public bool Hold { get; init; }

    /// <summary>What comes off in this step.</summary>
    public IReadOnlyList<string> TakesOff { get; init; } = [];

    /// <summary>Places of the joints that are closed in this step.</summary>
    public IReadOnlyList<string> Joints { get; init; } = [];

    /// <summary>The pass that this step makes on them.</summary>
    public Pass? Pass { get; init; }

    /// <summary>The support that is in force once it is done, if it changes.</summary>
    public WheelPosition? Puts { get; init; }

    /// <summary>Usual minutes, a rule of thumb.</summary>
    public required int Minutes { get; init; }

    /// <summary>People needed.</summary>
    public int People { get; init; } = 1;

    /// <summary>Tools to lay out.</summary>
    public IReadOnlyList<string> Tools { get; init; } = [];
}

/// <summary>The steps from one stage to the next, for this vehicle, these parts and this equipment.</summary>
/// <param name="Steps">In order.</param>
/// <param name="Joints">Every joint that is worked on.</param>
public sealed record JobCard(IReadOnlyList<CardStep> Steps, IReadOnlyList<CardJoint> Joints)
{
    /// <summary>Derives the card from what changes.</summary>
    /// <param name="from">What is fitted now.</param>
    /// <param name="plan">What shall be fitted.</param>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="equipment">How it is lifted.</param>
    public static JobCard Derive(Stage from, Plan plan, Vehicle vehicle, Equipment equipment)
    {
        var changed = Corners
            .All.Select(c =>
            {
                var (gone, come) = CornerStack.Change(c, from.Stacks, plan.Stacks);
                return new CornerChange(c, gone, come);
            })
            .Where(c => c.Gone.Count + c.Come.Count > 0)
            .ToArray();
        if (changed.Length == 0)
        {
            return new JobCard([], []);
        }
        var writer = new CardWriter(equipment);
        writer.Prepare(changed);
        var body = changed.Where(c => c.Only(LiftFamily.Puck)).ToArray();
        if (changed.Any(c => c.Has(LiftFamily.Puck)))
        {
            writer.Body([.. changed.Where(c => c.Has(LiftFamily.Puck))]);
        }
        foreach (var axle in Corners.Axles)
        {
            var kind = vehicle.SuspensionOf(axle).Kind;
            CornerChange[] mine =
            [
                .. changed.Except(body).Where(c => Corners.AxleOf(c.Corner) == axle),
            ];
            if (mine.Length == 0)
            {
                continue;
            }
            if (kind.HasCoilOver())
            {
                foreach (var corner in mine)
                {
                    writer.Strut(corner, kind);
                }
            }
            else if (kind.IsLeaf())
            {
                writer.Leaf(axle, mine);
            }
            else
            {
                writer.Coil(axle, kind, mine);
            }
        }
        writer.Finish(
            changed,
            wheelsTurn: changed
                .Except(body)
                .Any(c =>
                    Corners.AxleOf(c.Corner) == Axle.Front
                    || !vehicle.SuspensionOf(Corners.AxleOf(c.Corner)).Kind.IsLiveAxle()
                )
        );
        return new JobCard(writer.Steps, writer.Joints);
    }
}

/// <summary>What changes at one corner.</summary>
internal sealed record CornerChange(
    Corner Corner,
    IReadOnlyList<PlacedPart> Gone,
    IReadOnlyList<PlacedPart> Come
)
{
    /// <summary>Whether a part of a family comes or goes.</summary>
    public bool Has(LiftFamily family) => Gone.Concat(Come).Any(p => Of(p) == family);

    /// <summary>Whether nothing else comes or goes.</summary>
    public bool Only(LiftFamily family) => Gone.Concat(Come).All(p => Of(p) == family);

    private static LiftFamily Of(PlacedPart part) => PartRule.Of(part.Kind).Family;

    /// <summary>Which way each part that comes must sit.</summary>
    public string Which =>
        string.Concat(
            Come.Select(p => PartRule.Of(p.Kind).Orientation)
                .OfType<string>()
                .Distinct()
                .Select(o => " " + o)
        );

    /// <summary>The change as an instruction.</summary>
    public string Said =>
        string.Join(
            "; ",
            [.. Gone.Select(p => $"take out {p.Name}"), .. Come.Select(p => $"put in {p.Name}")]
        );
}
