using Microsoft.EntityFrameworkCore;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.Evidence;

/// <summary>Works out behind what jobs have proved where it was kept by earlier rules or a vehicle's sizes were mended since. Job by job, so that it goes on where it was stopped; nobody waits for it.</summary>
public sealed partial class EvidenceBehind(
    IServiceScopeFactory scopes,
    TimeProvider clock,
    Meters meters,
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
                do
                {
                    meters.EvidenceWaits(await Waiting(scopes, stoppingToken));
                } while (await Next(scopes, stoppingToken));
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
        foreach (var shop in await Real(db, cancel))
        {
            db.ShopId = shop;
            if (await NextOfShop(db, cancel))
            {
                return true;
            }
        }
        return false;
    }

    /// <summary>In how many jobs what was proved is still to be worked out.</summary>
    private static async Task<long> Waiting(IServiceScopeFactory scopes, CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<NokkoDb>();
        var waiting = 0L;
        foreach (var shop in await Real(db, cancel))
        {
            db.ShopId = shop;
            waiting += await db.Evidence.LongCountAsync(
                e => e.Rules < JobEvidence.CurrentRules,
                cancel
            );
        }
        return waiting;
    }

    /// <summary>Shops in which something is proved: what is practised teaches nothing.</summary>
    private static Task<List<Guid>> Real(NokkoDb db, CancellationToken cancel) =>
        db.Shops.Where(s => s.PracticeOf == null).Select(s => s.Id).ToListAsync(cancel);

    private static async Task<bool> NextOfShop(NokkoDb db, CancellationToken cancel)
    {
        var next = await db
            .Evidence.Where(e => e.Rules < JobEvidence.CurrentRules)
            .OrderBy(e => e.Id)
            .Select(e => e.Id)
            .FirstOrDefaultAsync(cancel);
        if (next == Guid.Empty)
        {
            return false;
        }
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await db.Database.ExecuteSqlAsync(
            $"select 1 from jobs where id = {next} for update",
            cancel
        );
        await db.WorkOutEvidence(next, cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    [LoggerMessage(
        Level = LogLevel.Warning,
        Message = "Evidence could not be worked out now; tried again."
    )]
    private static partial void Later(ILogger log, Exception why);
}
