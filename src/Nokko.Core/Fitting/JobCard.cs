using System.Text.Json.Serialization;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Fitting;

/// <summary>A joint that the card works on, before it is stored.</summary>
/// <param name="Where">LF, RF, LR, RR, front, rear or vehicle.</param>
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

/// <summary>Why the hand stops until a person confirms. There are no other hold points, so that they keep their meaning.</summary>
public enum HoldReason
{
    /// <summary>Weight is first held by stands or locks.</summary>
    Weight,

    /// <summary>What carries or locates a member last is about to go.</summary>
    LastHold,

    /// <summary>Stored energy is about to be let go.</summary>
    Energy,

    /// <summary>What is about to be done cannot be undone.</summary>
    Irreversible,

    /// <summary>Weight is about to go back on the wheels.</summary>
    WeightBack,

    /// <summary>Final passes at ride height.</summary>
    RideHeight,

    /// <summary>The first brake test.</summary>
    BrakeTest,
}

/// <summary>One step of the job card.</summary>
public sealed record CardStep
{
    /// <summary>Stable key: where and what, for example <c>LF/strut</c>.</summary>
    public required string Key { get; init; }

    /// <summary>LF, RF, LR, RR, front, rear or vehicle.</summary>
    public required string Where { get; init; }

    /// <summary>What, in a few words.</summary>
    public required string Title { get; init; }

    /// <summary>How.</summary>
    public required string Do { get; init; }

    /// <summary>The caution that stands here because the danger is here.</summary>
    public string? Caution { get; init; }

    /// <summary>Why the hand stops here until a person confirms; null where it goes on.</summary>
    public HoldReason? HoldFor { get; init; }

    /// <summary>Whether the hand stops here until a person confirms.</summary>
    public bool Hold => HoldFor is not null;

    /// <summary>What to look at or do one by one, each a short line.</summary>
    public IReadOnlyList<string> Lines { get; init; } = [];

    /// <summary>Places of the joints that are opened in this step.</summary>
    public IReadOnlyList<string> Opens { get; init; } = [];

    /// <summary>Places of the joints that are loosened in this step and stay in place.</summary>
    public IReadOnlyList<string> Loosens { get; init; } = [];

    /// <summary>What comes off in this step.</summary>
    public IReadOnlyList<string> TakesOff { get; init; } = [];

    /// <summary>Places of the joints that are closed in this step.</summary>
    public IReadOnlyList<string> Joints { get; init; } = [];

    /// <summary>The pass that this step makes on them.</summary>
    public Pass? Pass { get; init; }

    /// <summary>What is put under a member in this step, as said.</summary>
    public IReadOnlyList<string> Supports => [.. Under.Select(s => s.Said)];

    /// <summary>What is put under a member in this step.</summary>
    [JsonIgnore]
    public IReadOnlyList<Support> Under { get; init; } = [];

    /// <summary>Whether jacks and straps are taken away in this step.</summary>
    public bool ClearsSupports { get; init; }

    /// <summary>Members that leave the vehicle in this step.</summary>
    [JsonIgnore]
    public IReadOnlyList<Member> Out { get; init; } = [];

    /// <summary>The support that is in force once it is done, if it changes.</summary>
    public WheelPosition? Puts { get; init; }

    /// <summary>Usual minutes, a rule of thumb.</summary>
    public required int Minutes { get; init; }

    /// <summary>People needed.</summary>
    public int People { get; init; } = 1;

    /// <summary>What is cut in this step, as far as it follows from the plan.</summary>
    public IReadOnlyList<PlannedCut> Cuts { get; init; } = [];

    /// <summary>Tools to lay out.</summary>
    public IReadOnlyList<string> Tools { get; init; } = [];

    /// <summary>The operations for whose sake it is done.</summary>
    public IReadOnlyList<OperationKind> Operations { get; init; } = [];

    /// <summary>What it works on, without its side: steps that say the same are the same work, on either side and on any vehicle of the kind.</summary>
    [JsonIgnore]
    public string Work
    {
        get => field ?? Worked();
        init;
    }

    private string Worked()
    {
        var places = Opens.Concat(Loosens).Concat(Joints).Concat(Out.Select(m => m.Said));
        var what = places
            .Select(Sideless)
            .GroupBy(n => n)
            .OrderBy(g => g.Key, StringComparer.Ordinal)
            .Select(g => g.Count() > 1 ? $"{g.Count()} × {g.Key}" : g.Key);
        return $"{Key[(Key.LastIndexOf('/') + 1)..]}: {string.Join(", ", what)}";
    }

    /// <summary>A place without its corner or axle.</summary>
    internal static string Sideless(string place) =>
        place.IndexOf(' ', StringComparison.Ordinal) is > 0 and var at
        && place[..at] is var where
        && (Corners.Named(where) is not null || where is "front" or "rear")
            ? place[(at + 1)..]
            : place;
}

/// <summary>The steps from one stage to the next, for this vehicle, these parts and this equipment.</summary>
/// <param name="Steps">In order.</param>
/// <param name="Joints">Every joint that is worked on, in the order of closing.</param>
public sealed record JobCard(IReadOnlyList<CardStep> Steps, IReadOnlyList<CardJoint> Joints)
{
    /// <summary>A card on which nothing is to be done.</summary>
    public static JobCard Empty { get; } = new([], []);

    /// <summary>The vehicle as members and joints; null on an empty card.</summary>
    [JsonIgnore]
    public VehicleGraph? Graph { get; init; }

    /// <summary>Bolts that go through a part which comes or goes.</summary>
    [JsonIgnore]
    public IReadOnlyList<BoltRow> Bolts { get; init; } = [];

    /// <summary>Derives the card from what changes.</summary>
    /// <param name="from">What is fitted now.</param>
    /// <param name="plan">What shall be fitted.</param>
    /// <param name="vehicle">The vehicle.</param>
    /// <param name="equipment">How it is lifted.</param>
    /// <param name="schools">The ways that are followed; null follows the defaults.</param>
    /// <param name="kept">What is kept of its joints.</param>
    /// <param name="added">Steps that somebody put on the card.</param>
    /// <remarks>Source: docs/computation/job-card.md#how-a-card-is-made.</remarks>
    public static JobCard Derive(
        Stage from,
        Plan plan,
        Vehicle vehicle,
        Equipment equipment,
        FittingSchools? schools = null,
        IReadOnlyList<Joint>? kept = null,
        IReadOnlyList<OwnStep>? added = null
    )
    {
        var changed = Corners
            .All.Select(c =>
            {
                var (gone, come) = CornerStack.Change(c, from.Stacks, plan.Stacks);
                return new CornerChange(
                    c,
                    gone,
                    come,
                    CornerStack.At(from.Stacks, c),
                    CornerStack.At(plan.Stacks, c)
                );
            })
            .Where(c => c.Gone.Count + c.Come.Count > 0)
            .ToArray();
        if (changed.Length == 0 && plan.Conversions is null)
        {
            return Empty;
        }
        var conversions = plan.Conversions ?? [];
        var made = new CardMaker(
            vehicle,
            VehicleGraph.Of(
                vehicle,
                kept ?? [],
                plan.Conversions is null ? null : vehicle.Converted(plan),
                plan.BegunAt is null
            ),
            equipment,
            schools ?? new FittingSchools(),
            changed,
            conversions
        ).Make();
        return made.With(
                BoltTable.Of(made, changed, vehicle, conversions, plan.BegunAt is not null)
            )
            .With([.. (kept ?? []).Where(j => j.AddedUnder == plan.Id && !j.None)], added ?? []);
    }

    /// <summary>The card with the bolts where hands need them: old ones kept as they come out, each length as it goes in.</summary>
    private JobCard With(IReadOnlyList<BoltRow> bolts) =>
        this with
        {
            Bolts = bolts,
            Steps =
            [
                .. Steps.Select(step =>
                {
                    string[] lines =
                    [
                        .. from row in bolts
                        from old in row.Old
                        where step.Opens.Contains(old.From)
                        select $"{old.From}: keep {old.Count} of its bolts for {row.Place}",
                        .. from row in bolts
                        where
                            step.Pass == Pass.Hand
                            && step.Joints.Contains(row.Place)
                            && row is { Another: true, NeededMm: not null }
                        select $"{row.Place}: {row.Fastener.Position} {LengthText.Both(row.NeededMm!.Value)} long{string.Concat(row.Old.Select(o => $", {o.Count} old of {o.From}"))}",
                    ];
                    return lines.Length == 0
                        ? step
                        : step with
                        {
                            Lines = [.. step.Lines, .. lines],
                        };
                }),
            ],
        };

    /// <summary>The card with the joints and steps that somebody added.</summary>
    private JobCard With(IReadOnlyList<Joint> joints, IReadOnlyList<OwnStep> added)
    {
        var steps = Steps.ToList();
        foreach (var own in added)
        {
            var after = steps.FindIndex(s => s.Key == own.After);
            steps.Insert(after < 0 ? steps.Count : after + 1, own.Step());
        }
        return this with
        {
            Steps = steps,
            Joints =
            [
                .. Joints,
                .. joints.Select(j => new CardJoint(
                    j.Where,
                    j.Place,
                    j.Kind,
                    j.Fasteners,
                    j.Order
                )),
            ],
        };
    }

    /// <summary>What holds each heavy member that is held otherwise than on an untouched vehicle.</summary>
    /// <param name="done">Keys of the steps that are done.</param>
    public IReadOnlyList<BoardLine> Board(IReadOnlySet<string> done) => After(done)?.Lines() ?? [];

    /// <summary>Places of joints that are open, or loosened and not yet home.</summary>
    /// <param name="done">Keys of the steps that are done.</param>
    public IReadOnlyList<string> Loose(IReadOnlySet<string> done)
    {
        var loose = new List<string>();
        foreach (var step in Steps.Where(s => done.Contains(s.Key)))
        {
            loose.RemoveAll(step.Joints.Contains);
            loose.AddRange(step.Opens.Concat(step.Loosens).Except(loose));
        }
        // What left with the old suspension is not loose.
        loose.RemoveAll(p => Graph!.Changes.Going.Contains(p));
        return loose;
    }

    internal Board? After(IReadOnlySet<string> done)
    {
        if (Graph is null)
        {
            return null;
        }
        var board = new Board(Graph);
        foreach (var step in Steps.Where(s => done.Contains(s.Key)))
        {
            board.Do(step);
        }
        return board;
    }
}

/// <summary>What changes at one corner.</summary>
internal sealed record CornerChange(
    Corner Corner,
    IReadOnlyList<PlacedPart> Gone,
    IReadOnlyList<PlacedPart> Come,
    IReadOnlyList<PlacedPart> Before,
    IReadOnlyList<PlacedPart> After
)
{
    /// <summary>What comes or goes.</summary>
    public IEnumerable<PlacedPart> Parts => Gone.Concat(Come);

    /// <summary>Whether a part of a kind is fitted before or after.</summary>
    public bool Has(PartKind kind, bool after) => (after ? After : Before).Any(p => p.Kind == kind);
}
