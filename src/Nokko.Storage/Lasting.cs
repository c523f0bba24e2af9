using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;
using Npgsql;
using Npgsql.EntityFrameworkCore.PostgreSQL;

namespace Nokko.Storage;

/// <summary>What is tried again where the connection was lost in the middle: PostgreSQL was started anew, or its standby has taken over. Whatever is done so has a key of its own, so that what was stored before the connection went is not stored twice.</summary>
public static class Lasting
{
    /// <summary>So often it is tried again; whoever waits longer is told, and the outbox goes on.</summary>
    private const int Again = 3;

    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(1);

    /// <summary>Does something whole, its transaction within it, and again where its connection was lost.</summary>
    /// <param name="db">The database; forgets what it tracks before each try.</param>
    /// <param name="act">What is done.</param>
    /// <exception cref="RetryLimitExceededException">The database does not come back.</exception>
    public static Task<T> Last<T>(this NokkoDb db, Func<Task<T>> act) =>
        new Strategy(db).ExecuteAsync(() =>
        {
            db.ChangeTracker.Clear();
            return act();
        });

    /// <summary>Makes this transaction wait for a standby, as one that saves does, before it is answered that something is stored: what was stored before may have reached none yet, because its own wait was cut off (docs/operations.md#two-machines).</summary>
    /// <param name="db">The database, in a transaction that is committed next.</param>
    public static Task Confirm(this NokkoDb db) =>
        // PostgreSQL waits only for who has written: this writes a line into its log, and no row.
        db.Database.ExecuteSqlAsync(
            $"select pg_logical_emit_message(true, 'nokko', '')",
            CancellationToken.None
        );

    private sealed class Strategy(NokkoDb db)
        : NpgsqlRetryingExecutionStrategy(db, Again, Longest, errorCodesToAdd: null)
    {
        /// <summary>Races are decided anew by whoever knows what they mean; a full disk is not emptied by asking again.</summary>
        protected override bool ShouldRetryOn(Exception? exception) =>
            exception switch
            {
                PostgresException { SqlState: ['5', '7', ..] or ['0', '8', ..] } => true,
                PostgresException => false,
                _ => base.ShouldRetryOn(exception),
            };
    }
}
