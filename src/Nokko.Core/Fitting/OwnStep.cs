using Nokko.Core.Units;

namespace Nokko.Core.Fitting;

/// <summary>A step that somebody put on the card: what this vehicle or this part asks for beside the usual.</summary>
public sealed record OwnStep : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The plan whose card it is on.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>Key of the step after which it stands; where the card has it no more, it stands at the end.</summary>
    public required string After { get; init; }

    /// <summary>LF, RF, LR, RR, front, rear or vehicle.</summary>
    public required string Where { get; init; }

    /// <summary>What, in a few words.</summary>
    public required string Title { get; init; }

    /// <summary>How.</summary>
    public required string Do { get; init; }

    /// <summary>Who put it there.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>It as a step of the card.</summary>
    public CardStep Step() =>
        new()
        {
            Key = $"{Where}/own-{Id}",
            Where = Where,
            Title = Title,
            Do = Do,
            Minutes = 5,
            Work = $"own: {Title}",
        };
}
