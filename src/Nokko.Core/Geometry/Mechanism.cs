using System.Text.Json.Serialization;
using Nokko.Core.Shelf;
using Nokko.Core.Units;

namespace Nokko.Core.Geometry;

/// <summary>Something of a vehicle that a lift moves.</summary>
public enum MechanismKind
{
    /// <summary>Track bar (panhard) of a live axle, from behind.</summary>
    TrackBar,

    /// <summary>Drag link against track bar of a steered live axle.</summary>
    Steering,

    /// <summary>Caster of a live axle in front, from the side.</summary>
    Caster,

    /// <summary>Pinion of a live axle behind, from the side.</summary>
    Pinion,

    /// <summary>Propshaft to a live axle, from the side.</summary>
    Propshaft,

    /// <summary>Anti-roll bar with its links, from the side.</summary>
    SwayBar,

    /// <summary>Brake hose, sensor lead and breather at full droop.</summary>
    Hoses,

    /// <summary>What a tyre may touch, straight and turned.</summary>
    Contacts,

    /// <summary>Half-shaft with its CV joints, from behind.</summary>
    CvShaft,

    /// <summary>Arms and upright of an independent corner, from behind.</summary>
    Arms,

    /// <summary>Whether an independent front can be set back to its angles.</summary>
    Alignment,

    /// <summary>Headlights on a wall, from the side.</summary>
    Headlights,

    /// <summary>What its axles carry, against what their plates allow.</summary>
    AxleLoads,

    /// <summary>What both diagonals of the wheels carry on corner scales.</summary>
    CornerScales,

    /// <summary>On which side slope it tips.</summary>
    SideSlope,
}

/// <summary>How a mechanism stands.</summary>
public enum WayKind
{
    /// <summary>As it was, nothing added.</summary>
    Before,

    /// <summary>Lifted, nothing taken back.</summary>
    Lifted,

    /// <summary>Lifted, with what the plan has for it.</summary>
    Planned,

    /// <summary>Lifted, with something that could be done.</summary>
    Cure,
}

/// <summary>A bar or line of a drawing through the travel.</summary>
/// <param name="Name">What it is: the drawing knows it by that.</param>
/// <param name="Ends">Four numbers for each place: one end across (from behind, to the right) or along (from the side, to the right), the same end up, then the other end; mm, to a hundredth.</param>
public sealed record MechanismRod(string Name, IReadOnlyList<double> Ends);

/// <summary>A mechanism through its travel, as far as it reaches; the lowest place first.</summary>
/// <param name="UpMm">The wheel above its own ride height at each place, mm; below zero in droop.</param>
/// <param name="Figure">The number that matters there, in the mechanism's unit.</param>
/// <param name="Rods">What to draw.</param>
public sealed record MechanismTravel(
    IReadOnlyList<double> UpMm,
    IReadOnlyList<double> Figure,
    IReadOnlyList<MechanismRod> Rods
);

/// <summary>One way in which a mechanism stands.</summary>
public sealed record MechanismWay
{
    /// <summary>Before, lifted, as planned or a cure.</summary>
    public required WayKind Kind { get; init; }

    /// <summary>In a few words.</summary>
    public required string Said { get; init; }

    /// <summary>The number that matters, with its ±.</summary>
    public required Result Figure { get; init; }

    /// <summary>What else it moves.</summary>
    public IReadOnlyList<LabelledResult> Also { get; init; } = [];

    /// <summary>Gaps at the tyre; empty where it is about another thing.</summary>
    public IReadOnlyList<Contact> Contacts { get; init; } = [];

    /// <summary>The tyre through its lock; null where nobody asked, or there is none.</summary>
    public TyreThroughLock? Lock { get; init; }

    /// <summary>What part does it; null where none is needed.</summary>
    public PartKind? Part { get; init; }

    /// <summary>Which of them on the shelf; null where any of the kind is meant.</summary>
    public Guid? PartId { get; init; }

    /// <summary>At what it is set, of a part that is a setting; null where it has none.</summary>
    public Result? SetAt { get; init; }

    /// <summary>What must be heeded; null where nothing.</summary>
    public Caution? Care { get; init; }

    /// <summary>Through the travel; null where nobody asked, or there is none.</summary>
    public MechanismTravel? Travel { get; init; }
}

/// <summary>A size that nobody taped, and what taping it would do to the ± of the number that matters.</summary>
/// <param name="Size">Name of the size.</param>
/// <param name="NowU">Standard uncertainty now, in the mechanism's unit; null where there is no number without it.</param>
/// <param name="ThenU">The same once it is taped.</param>
public sealed record AskedSize(string Size, double? NowU, double? ThenU);

/// <summary>What a plan moves at one mechanism, and what takes it back.</summary>
/// <remarks>Source: docs/computation/geometry.md.</remarks>
public sealed record Mechanism
{
    /// <summary>Which.</summary>
    public required MechanismKind Kind { get; init; }

    /// <summary>front, rear or vehicle.</summary>
    public required string Where { get; init; }

    /// <summary>How it stands and what brings it back, in one sentence.</summary>
    public required string Says { get; init; }

    /// <summary>What the number that matters is.</summary>
    public required string FigureLabel { get; init; }

    /// <summary>Before, lifted, as planned where the plan has something for it, and the cures.</summary>
    public required IReadOnlyList<MechanismWay> Ways { get; init; }

    /// <summary>Sizes that were not taped: those that sharpen it most first.</summary>
    public IReadOnlyList<AskedSize> Asks { get; init; } = [];

    /// <summary>Most that the number may be on either side, in its unit; a rule of thumb where nobody entered another. Null where there is none.</summary>
    public double? Limit { get; init; }

    /// <summary>Whether the limit is a rule of thumb.</summary>
    public bool LimitIsRule { get; init; }

    /// <summary>The rule of thumb that an own limit stands instead of, and where it comes from; null where the number has none.</summary>
    public LimitRule? Rule { get; init; }

    /// <summary>The same held against its own limit or the rule of thumb; what has no rule stays as it is.</summary>
    /// <param name="limits">What is left alone.</param>
    public Mechanism HeldAgainst(GeometryLimits limits) =>
        GeometryLimits.RuleOf(Kind) is { } rule
            ? this with
            {
                Limit = limits.Of(Kind),
                LimitIsRule = !limits.IsOwn(Kind),
                Rule = rule,
            }
            : this;

    /// <summary>Whether it is beyond its limit, lifted and with what the plan has for it, and by more than a tenth of the limit worse than it was. What rests on an invented axle is never beyond it: it asks for a tape.</summary>
    public bool Beyond =>
        Judged
        ?? Stands
            is {
                Kind: not WayKind.Before,
                Figure: { Value: { } value, Known: not Known.Archetype }
            }
            && Math.Abs(value) > Limit
            && Math.Abs(value) > Math.Abs(Ways[0].Figure.Value ?? 0) + (0.1 * Limit);

    /// <summary>Whether it is beyond what can be set, where that and no limit of its number decides; null otherwise.</summary>
    [JsonIgnore]
    public bool? Judged { get; init; }

    /// <summary>The way in which it will stand: with what the plan has for it, else lifted, else as it was.</summary>
    [JsonIgnore]
    public MechanismWay Stands =>
        Ways.FirstOrDefault(w => w.Kind == WayKind.Planned)
        ?? Ways.FirstOrDefault(w => w.Kind == WayKind.Lifted)
        ?? Ways[0];

    /// <summary>How it is checked by tape, gauge or mark, and what to heed while it is open.</summary>
    public IReadOnlyList<string> Checks { get; init; } = [];
}
