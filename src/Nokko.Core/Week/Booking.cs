using System.Text.Json.Serialization;
using Nokko.Core.Units;

namespace Nokko.Core.Week;

/// <summary>Where and when a job shall be worked on, and by whom. A job has at most one.</summary>
public sealed record Booking : IRow
{
    /// <summary>Most people that one job can be booked for.</summary>
    public const int MostPeople = 4;

    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The bay, by its name in the shop; null in a shop without bays.</summary>
    public string? Bay { get; init; }

    /// <summary>The day on which it shall begin.</summary>
    public required DateOnly Day { get; init; }

    /// <summary>When on that day, minutes after midnight in the shop's own time, 0 to 1439.</summary>
    public required int From { get; init; }

    /// <summary>Who works on it; the first leads, the others lend a hand where a step needs two.</summary>
    public required IReadOnlyList<Guid> People { get; init; }

    /// <summary>How long the whole is thought to take; null is what its card and the shop's own times say.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Quantity? Hours { get; init; }

    /// <summary>Who booked it.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>When it shall begin, in the shop's own time.</summary>
    public DateTime Begins() => Day.ToDateTime(TimeOnly.MinValue).AddMinutes(From);
}
