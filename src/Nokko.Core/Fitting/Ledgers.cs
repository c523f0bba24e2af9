using System.Text.Json.Serialization;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Fitting;

/// <summary>Where the wheels are while somebody works.</summary>
public enum WheelPosition
{
    /// <summary>The suspension hangs.</summary>
    Hanging,

    /// <summary>Full weight at ride height.</summary>
    OnWheels,

    /// <summary>The hub raised on its arm to the taped height of hub to lip.</summary>
    RaisedToHeight,
}

/// <summary>What a joint must reach, as typed from the service information.</summary>
public sealed record JointSpec
{
    /// <summary>Torque; null when only a criterion is given.</summary>
    public Quantity? Torque { get; init; }

    /// <summary>Angle after the torque.</summary>
    public Quantity? Angle { get; init; }

    /// <summary>What to see where no wrench fits.</summary>
    public string? Criterion { get; init; }

    /// <summary>Whether the threads are oiled.</summary>
    public bool? Oiled { get; init; }

    /// <summary>Where the value comes from.</summary>
    public required string Source { get; init; }
}

/// <summary>Fasteners of a joint that are alike.</summary>
public sealed record Fastener
{
    /// <summary>Where they sit in the joint.</summary>
    public required string Position { get; init; }

    /// <summary>How many.</summary>
    public required int Count { get; init; }

    /// <summary>Diameter × pitch as said.</summary>
    public string? Thread { get; init; }

    /// <summary>Grade as it is stamped on its head, as said; null is not read.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Grade { get; init; }

    /// <summary>Length found.</summary>
    public Quantity? LengthFound { get; init; }

    /// <summary>Length needed.</summary>
    public Quantity? LengthNeeded { get; init; }

    /// <summary>Wrench size as said.</summary>
    public string? Wrench { get; init; }

    /// <summary>Whether it must be a new part.</summary>
    public bool NewPartOnly { get; init; }

    /// <summary>Threadlocker as said.</summary>
    public string? Threadlocker { get; init; }
}

/// <summary>A named place where things meet; keeps its name across jobs.</summary>
public sealed record Joint : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Corner or axle.</summary>
    public required string Where { get; init; }

    /// <summary>What meets what.</summary>
    public required string Place { get; init; }

    /// <summary>What holds it.</summary>
    public required JointKind Kind { get; init; }

    /// <summary>Fasteners.</summary>
    public required IReadOnlyList<Fastener> Fasteners { get; init; }

    /// <summary>Order of tightening as said, for example criss-cross.</summary>
    public string? Order { get; init; }

    /// <summary>Spec; none is an open line.</summary>
    public JointSpec? Spec { get; init; }

    /// <summary>Whether this vehicle has no such joint.</summary>
    public bool None { get; init; }

    /// <summary>The plan under which somebody added it to the card; null for a joint of the usual set.</summary>
    public Guid? AddedUnder { get; init; }
}

/// <summary>How far a joint was tightened.</summary>
public enum Pass
{
    /// <summary>Started by hand.</summary>
    Hand,

    /// <summary>Snug.</summary>
    Snug,

    /// <summary>Final.</summary>
    Final,
}

/// <summary>One pass over a joint; never overwritten.</summary>
public sealed record TorqueEntry : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The joint.</summary>
    public required Guid JointId { get; init; }

    /// <summary>The plan under whose work it was made.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>How far.</summary>
    public required Pass Pass { get; init; }

    /// <summary>Value reached; none for hand and snug, or where a criterion was seen.</summary>
    public Quantity? Value { get; init; }

    /// <summary>Angle turned after the torque, where the spec asks for one.</summary>
    public Quantity? Angle { get; init; }

    /// <summary>Whether the criterion was seen.</summary>
    public bool CriterionSeen { get; init; }

    /// <summary>Why it stayed off its spec; null where it did not.</summary>
    public string? Why { get; init; }

    /// <summary>Tool as said.</summary>
    public string? Tool { get; init; }

    /// <summary>The shop's own wrench with which it was pulled, as it was known then; null where nobody named one.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public ReadBy? By { get; init; }

    /// <summary>The torque that was reached, the wrench's known error taken off; null where none was noted.</summary>
    public Quantity? Reached() => Value is { } value ? By?.Corrected(value) ?? value : null;

    /// <summary>Hanging or on its wheels.</summary>
    public required WheelPosition Position { get; init; }

    /// <summary>Who.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>What became of a removed piece.</summary>
public enum Fate
{
    /// <summary>Back where it was.</summary>
    RefitHere,

    /// <summary>Fitted elsewhere.</summary>
    RefitElsewhere,

    /// <summary>Replaced by a new one.</summary>
    Replaced,

    /// <summary>Scrap.</summary>
    Scrap,

    /// <summary>Kept for undoing.</summary>
    KeptForUndo,
}

/// <summary>Something that came off; open until it has a fate.</summary>
public sealed record OffLine : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The plan under whose work it came off.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>Corner or axle.</summary>
    public required string Where { get; init; }

    /// <summary>What came off.</summary>
    public required string What { get; init; }

    /// <summary>Who took it off.</summary>
    public required Guid OffBy { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset OffAt { get; init; }

    /// <summary>What became of it; null while open.</summary>
    public Fate? Fate { get; init; }

    /// <summary>Words on its fate.</summary>
    public string? FateNote { get; init; }

    /// <summary>Who closed the line.</summary>
    public Guid? ClosedBy { get; init; }

    /// <summary>When.</summary>
    public DateTimeOffset? ClosedAt { get; init; }
}

/// <summary>A step of the job card that was done, or a hold point that was confirmed.</summary>
public sealed record StepEntry : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The plan whose card it is.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>The step's key on the card.</summary>
    public required string Step { get; init; }

    /// <summary>Minutes taken.</summary>
    public double? Minutes { get; init; }

    /// <summary>What the step worked on, as <see cref="CardStep.Work"/> says it; null where nobody kept it.</summary>
    public string? Work { get; init; }

    /// <summary>The rule of thumb that stood on the card for it, min; null where nobody kept it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public double? Usual { get; init; }

    /// <summary>Who of the owner's side agreed to what cannot be undone; null elsewhere.</summary>
    [Personal]
    public string? AgreedBy { get; init; }

    /// <summary>Who.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>What holds an axle up, from now on.</summary>
public sealed record SupportEntry : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>front, rear or all.</summary>
    public required string Where { get; init; }

    /// <summary>Hanging or on its wheels.</summary>
    public required WheelPosition Position { get; init; }

    /// <summary>On what: stands under the frame, lift arms, its wheels.</summary>
    public required string On { get; init; }

    /// <summary>Who said so.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>A mark made before undoing.</summary>
public sealed record Mark : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Corner or axle.</summary>
    public required string Where { get; init; }

    /// <summary>What was marked and how.</summary>
    public required string What { get; init; }

    /// <summary>Who.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>Which way a part sits and how that was proved.</summary>
public sealed record Orientation : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The placed part.</summary>
    public required Guid PlacedPartId { get; init; }

    /// <summary>Which way out, front, up.</summary>
    public required string Way { get; init; }

    /// <summary>How it was proved.</summary>
    public string? Proved { get; init; }

    /// <summary>Who.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>What the sheet or the tool says, what was done instead, and why.</summary>
public sealed record Deviation : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Corner, axle or place.</summary>
    public required string Where { get; init; }

    /// <summary>What the sheet says.</summary>
    public required string SheetSays { get; init; }

    /// <summary>What was done.</summary>
    public required string Did { get; init; }

    /// <summary>Why.</summary>
    public required string Why { get; init; }

    /// <summary>When to look again.</summary>
    public string? LookAgain { get; init; }

    /// <summary>Who.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>Something promised for later.</summary>
public sealed record Promised : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>What.</summary>
    public required string What { get; init; }

    /// <summary>Who promised.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>When it was kept.</summary>
    public DateTimeOffset? KeptAt { get; init; }
}

/// <summary>Something to be done after the hand-over, by date or distance, whichever comes first.</summary>
public sealed record FollowUp : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>What.</summary>
    public required string What { get; init; }

    /// <summary>Why.</summary>
    public string? Why { get; init; }

    /// <summary>Due by this day.</summary>
    public DateOnly? DueOn { get; init; }

    /// <summary>Due at this odometer reading.</summary>
    public Quantity? DueAt { get; init; }

    /// <summary>When it was done.</summary>
    public DateTimeOffset? DoneAt { get; init; }

    /// <summary>Who did it.</summary>
    public Guid? DoneBy { get; init; }

    /// <summary>Words.</summary>
    public string? Note { get; init; }
}
