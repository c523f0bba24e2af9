using Nokko.Core.Practice;
using Nokko.Core.Shelf;

namespace Nokko.Storage;

/// <summary>An exercise of somebody in the practice bay. Its job lies in a shop of its own that has the exercise's key, so that nothing of it reaches the real one.</summary>
public sealed record Exercise
{
    /// <summary>Key: of the exercise, of its job and of its shop.</summary>
    public required Guid Id { get; init; }

    /// <summary>Who practises.</summary>
    public required Guid PersonId { get; init; }
    public required Course Course { get; init; }
    public required int Level { get; init; }

    /// <summary>What is true of its vehicle.</summary>
    public required HiddenTruth Truth { get; init; }

    /// <summary>The practice shelf as it was at first.</summary>
    public required IReadOnlyList<Part> Shelf { get; init; }

    /// <summary>Where the learner looked, and what was put right.</summary>
    public IReadOnlyList<PracticeAct> Acts { get; set; } = [];
    public required DateTimeOffset StartedAt { get; init; }

    /// <summary>When it was handed in; null while it is worked on.</summary>
    public DateTimeOffset? HandedInAt { get; set; }

    /// <summary>What it came to; null while it is worked on.</summary>
    public PracticeScore? Score { get; set; }

    /// <summary>Points of that, 0 … 100.</summary>
    public double? Points { get; set; }
}

/// <summary>A drill that somebody did.</summary>
public sealed record DrillEntry
{
    /// <summary>Key, made by the device that did it: sent again it changes nothing.</summary>
    public required Guid Id { get; init; }
    public required Guid PersonId { get; init; }
    public required DrillKind Kind { get; init; }
    public required int Seed { get; init; }
    public required int Right { get; init; }
    public required int Of { get; init; }
    public required DateTimeOffset At { get; init; }
}
