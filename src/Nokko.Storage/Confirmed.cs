using System.Data.Common;
using System.Runtime.CompilerServices;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Npgsql;

namespace Nokko.Storage;

/// <summary>Holds that a commit whose wait for the standby was cut off (a time-out, an administrator) is not answered as stored: PostgreSQL calls it a success with a warning, although one machine alone has it.</summary>
internal sealed class Confirmed : DbTransactionInterceptor
{
    /// <summary>Where PostgreSQL waits for a standby: the name comes with its warning, whatever the language of that.</summary>
    private const string Waiting = "SyncRepWaitForLSN";

    private readonly ConditionalWeakTable<DbConnection, NoticeEventHandler> _heard = [];
    private readonly ConditionalWeakTable<DbConnection, object> _cutOff = [];

    public override ValueTask<InterceptionResult> TransactionCommittingAsync(
        DbTransaction transaction,
        TransactionEventData eventData,
        InterceptionResult result,
        CancellationToken cancellationToken = default
    )
    {
        if (transaction.Connection is NpgsqlConnection connection)
        {
            void Hear(object sender, NpgsqlNoticeEventArgs e)
            {
                if (e.Notice.Routine == Waiting)
                {
                    _cutOff.AddOrUpdate(connection, e.Notice);
                }
            }
            _heard.AddOrUpdate(connection, Hear);
            connection.Notice += Hear;
        }
        return ValueTask.FromResult(result);
    }

    public override Task TransactionCommittedAsync(
        DbTransaction transaction,
        TransactionEndEventData eventData,
        CancellationToken cancellationToken = default
    )
    {
        if (Forget(eventData.Context?.Database.GetDbConnection()))
        {
            throw new NpgsqlException(
                "The wait for the standby was cut off: whether it has this is not known."
            );
        }
        return Task.CompletedTask;
    }

    public override Task TransactionFailedAsync(
        DbTransaction transaction,
        TransactionErrorEventData eventData,
        CancellationToken cancellationToken = default
    )
    {
        Forget(eventData.Context?.Database.GetDbConnection());
        return Task.CompletedTask;
    }

    /// <summary>Listens no longer; whether a wait was cut off.</summary>
    private bool Forget(DbConnection? connection)
    {
        if (connection is not NpgsqlConnection npgsql)
        {
            return false;
        }
        if (_heard.TryGetValue(npgsql, out var hear))
        {
            npgsql.Notice -= hear;
            _heard.Remove(npgsql);
        }
        return _cutOff.Remove(npgsql);
    }
}
