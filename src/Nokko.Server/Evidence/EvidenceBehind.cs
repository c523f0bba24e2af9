using Microsoft.EntityFrameworkCore;
using Nokko.Storage;

namespace Nokko.Server.Evidence;

/// <summary>Works out behind what jobs have proved where it was kept by earlier rules or a vehicle's sizes were mended since. Job by job, so that it goes on where it was stopped; nobody waits for it.</summary>
public sealed partial class EvidenceBehind(
    IServiceScopeFactory scopes,
    TimeProvider clock,
    ILogger<EvidenceBehind> log
) : BackgroundService
{
    private static readonly TimeSpan Rest = TimeSpan.FromSeconds(20);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                while (await Next(scopes, stoppingToken)) { }
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                // Whatever it is, nobody who works must notice; it is tried again after a rest.
                Later(log, e);
            }
            await Task.Delay(Rest, clock, stoppingToken);
        }
    }

    /// <summary>Works out one job that needs it; false when none does.</summary>
    public static async Task<bool> Next(IServiceScopeFactory scopes, CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<NokkoDb>();
        var next = await db
            .Evidence.IgnoreQueryFilters()
            .Where(e => e.Rules < JobEvidence.CurrentRules)
            .OrderBy(e => e.Id)
            .Select(e => new { e.Id, Shop = EF.Property<Guid>(e, NokkoDb.ShopIdColumn) })
            .FirstOrDefaultAsync(cancel);
        if (next is null)
        {
            return false;
        }
        db.ShopId = next.Shop;
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await db.Database.ExecuteSqlAsync(
            $"select 1 from jobs where id = {next.Id} for update",
            cancel
        );
        await db.WorkOutEvidence(next.Id, cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    [LoggerMessage(
        Level = LogLevel.Warning,
        Message = "Evidence could not be worked out now; tried again."
    )]
    private static partial void Later(ILogger log, Exception why);
}
