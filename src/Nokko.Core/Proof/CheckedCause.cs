using Nokko.Core.Units;

namespace Nokko.Core.Proof;

/// <summary>A cause that somebody checked, and whether it was that.</summary>
public sealed record CheckedCause : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The plan that missed.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>The walk-round by which it had missed.</summary>
    public required Guid WalkRoundId { get; init; }

    /// <summary>The cause.</summary>
    public required CauseKind Kind { get; init; }

    /// <summary>LF … RR, front, rear, left, right or vehicle.</summary>
    public required string Where { get; init; }

    /// <summary>Whether it was that.</summary>
    public required bool WasIt { get; init; }

    /// <summary>What was found; may be empty.</summary>
    public string? Note { get; init; }

    /// <summary>Who looked.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>A check and what it can tell.</summary>
/// <param name="Kind">The cause that it finds.</param>
/// <param name="Where">Where: of springs that have not settled the whole vehicle, else as the cause says.</param>
/// <param name="Says">What to do, in a fitter's words.</param>
/// <param name="ByReading">Whether readings are its outcome.</param>
/// <param name="Minutes">Usual minutes, a rule of thumb.</param>
/// <param name="Bits">What it tells on average of which cause it is, bits; 0 where it was made already.</param>
/// <param name="IfIt">Chance of its cause should it find it, 0 … 1.</param>
/// <param name="IfNot">Chance of its cause should it not, 0 … 1.</param>
/// <param name="WasIt">What came of it; null while nobody made it.</param>
public sealed record CauseCheck(
    CauseKind Kind,
    string Where,
    string Says,
    bool ByReading,
    int Minutes,
    double Bits,
    double IfIt,
    double IfNot,
    bool? WasIt
)
{
    /// <summary>What it tells a minute, bits.</summary>
    public double BitsAMinute => Minutes > 0 ? Bits / Minutes : 0;
}
