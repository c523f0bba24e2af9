using Nokko.Core.Units;

namespace Nokko.Core.Fitting;

/// <summary>What is done to metal for good.</summary>
public enum CutKind
{
    /// <summary>Cut off.</summary>
    Cut,

    /// <summary>Drilled.</summary>
    Drill,

    /// <summary>Trimmed away.</summary>
    Trim,
}

/// <summary>A cut whose dimensions follow from the parts and what was taped, to be confirmed before it is made.</summary>
/// <param name="What">What is cut, drilled or trimmed.</param>
/// <param name="Kind">How.</param>
/// <param name="From">From where it is measured.</param>
/// <param name="DistanceMm">How far from there, mm.</param>
/// <param name="Count">How many.</param>
public sealed record PlannedCut(
    string What,
    CutKind Kind,
    string From,
    double DistanceMm,
    int Count
);

/// <summary>A cut or a row of holes, by dimension: noted before it is made.</summary>
public sealed record Cut : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The plan under whose work it is made.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>Corner, axle or vehicle.</summary>
    public required string Where { get; init; }

    /// <summary>What is cut, drilled or trimmed.</summary>
    public required string What { get; init; }

    /// <summary>How.</summary>
    public required CutKind Kind { get; init; }

    /// <summary>From where it is measured.</summary>
    public required string From { get; init; }

    /// <summary>How far from there, mm.</summary>
    public required Quantity Distance { get; init; }

    /// <summary>Diameter of a hole, mm; null for a cut.</summary>
    public Quantity? Size { get; init; }

    /// <summary>How many.</summary>
    public required int Count { get; init; }

    /// <summary>Who noted it.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}
