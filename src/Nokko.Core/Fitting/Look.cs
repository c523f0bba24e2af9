using Nokko.Core.Units;

namespace Nokko.Core.Fitting;

/// <summary>A joint that a second pair of eyes looked at: not those of the person who tightened it.</summary>
public sealed record Look : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The joint.</summary>
    public required Guid JointId { get; init; }

    /// <summary>The plan under whose work it was looked at.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>Who.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}
