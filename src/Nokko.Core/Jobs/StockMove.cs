using Nokko.Core.Shelf;
using Nokko.Core.Units;

namespace Nokko.Core.Jobs;

/// <summary>Pieces that came to the shelf or left it.</summary>
public sealed record StockMove : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The part.</summary>
    public required Guid PartId { get; init; }

    /// <summary>The job for which they left, or from which they came back; null outside a job.</summary>
    public Guid? JobId { get; init; }

    /// <summary>Who.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>What was done, in a few words.</summary>
    public required string Does { get; init; }

    /// <summary>How many came, below zero left.</summary>
    public required int By { get; init; }

    /// <summary>How many lay there after it.</summary>
    public required int Left { get; init; }

    /// <summary>What a command moved on the shelf.</summary>
    /// <param name="entry">Its line in the history.</param>
    /// <param name="changes">What it changed.</param>
    /// <param name="job">The job; null outside one.</param>
    public static IReadOnlyList<StockMove> Of(
        HistoryEntry entry,
        IEnumerable<RowChange> changes,
        Guid? job
    )
    {
        var keys = new RowKeys(entry.Id, entry.At);
        return
        [
            .. from change in changes
            let now = change.Row as Part
            where now is not null
            let before = change is RowChange.Replaced { Was: Part was } ? was.Count : 0
            where now.Count != before
            select new StockMove
            {
                Id = keys.Next(),
                PartId = now.Id,
                JobId = job,
                PersonId = entry.PersonId,
                At = entry.At,
                Does = entry.Kind,
                By = now.Count - before,
                Left = now.Count,
            },
        ];
    }
}
