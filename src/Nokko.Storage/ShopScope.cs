using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Npgsql;

namespace Nokko.Storage;

/// <summary>Tells PostgreSQL with each command of which shop the rows are. Its policies (<see cref="RowSecurity"/>) hold to it whatever a query forgets. It is told for one transaction only, so that a connection from the pool hands nothing on, and it goes with the command, so that it costs no way of its own.</summary>
internal sealed class ShopScope : DbCommandInterceptor
{
    public static readonly ShopScope Instance = new();

    private const string Parameter = "nokko_shop";
    private const string Tells = $"select set_config('{RowSecurity.Setting}', @{Parameter}, true)";

    /// <summary>What loads a job reads by key, and what else goes with it in one transaction: a plan for the values at hand is worth nothing there, though PostgreSQL expects it to be. To make it takes 13 ms at each opening, to carry it out 4. Lists keep a plan of their own: how many rows they want decides.</summary>
    private const string PlannedOnce =
        ", set_config('plan_cache_mode', 'force_generic_plan', true)";

    private static void Tell(DbCommand command, CommandEventData data)
    {
        // What saves counts the answers to its statements; the context tells before it.
        if (
            data.Context is NokkoDb db
            && data.CommandSource != CommandSource.SaveChanges
            && db.Tells()
        )
        {
            var once =
                db.Database.CurrentTransaction is not null || JobStatement.Is(command.CommandText);
            command.CommandText = $"{Tells}{(once ? PlannedOnce : "")};\n{command.CommandText}";
            command.Parameters.Add(new NpgsqlParameter(Parameter, db.ShopId.ToString()));
        }
    }

    private static bool Told(DbCommand command) =>
        command.CommandText.StartsWith(Tells, StringComparison.Ordinal);

    public override InterceptionResult<DbDataReader> ReaderExecuting(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<DbDataReader> result
    )
    {
        Tell(command, eventData);
        return result;
    }

    public override ValueTask<InterceptionResult<DbDataReader>> ReaderExecutingAsync(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<DbDataReader> result,
        CancellationToken cancellationToken = default
    )
    {
        Tell(command, eventData);
        return ValueTask.FromResult(result);
    }

    public override DbDataReader ReaderExecuted(
        DbCommand command,
        CommandExecutedEventData eventData,
        DbDataReader result
    )
    {
        if (Told(command))
        {
            result.NextResult();
        }
        return result;
    }

    public override async ValueTask<DbDataReader> ReaderExecutedAsync(
        DbCommand command,
        CommandExecutedEventData eventData,
        DbDataReader result,
        CancellationToken cancellationToken = default
    )
    {
        if (Told(command))
        {
            await result.NextResultAsync(cancellationToken);
        }
        return result;
    }

    public override InterceptionResult<int> NonQueryExecuting(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<int> result
    )
    {
        Tell(command, eventData);
        return result;
    }

    public override ValueTask<InterceptionResult<int>> NonQueryExecutingAsync(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<int> result,
        CancellationToken cancellationToken = default
    )
    {
        Tell(command, eventData);
        return ValueTask.FromResult(result);
    }
}
