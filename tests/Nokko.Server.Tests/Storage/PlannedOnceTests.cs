using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Nokko.Storage;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>To plan the statement that loads a job takes longer than to carry it out.</summary>
public class PlannedOnceTests(Hosted server) : IClassFixture<Hosted>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task A_connection_plans_once_what_loads_a_job_and_lists_by_what_is_asked(
        bool saves
    )
    {
        await using var scope = server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<NokkoDb>();
        db.ShopId = await db.Shops.Select(s => s.Id).SingleAsync(Cancel);
        var job = await db.Jobs.Select(j => j.Id).FirstAsync(Cancel);
        await db.Database.OpenConnectionAsync(Cancel);
        // The first uses are not prepared yet; PostgreSQL plans each of the first five of a prepared one for its values.
        for (var i = 0; i < 9; i++)
        {
            await using var transaction = saves
                ? await db.Database.BeginTransactionAsync(Cancel)
                : null;
            Assert.NotNull(await db.LoadJob(job, new JobWanted(), Cancel));
        }
        Assert.Equal(
            0,
            await db
                .Database.SqlQuery<long>(
                    $"select custom_plans as \"Value\" from pg_prepared_statements where statement like '/* a job */%'"
                )
                .SingleAsync(Cancel)
        );
        // It is over with the statement, or with what is saved.
        Assert.Equal(
            "auto",
            await db
                .Database.SqlQuery<string>(
                    $"select current_setting('plan_cache_mode') as \"Value\""
                )
                .SingleAsync(Cancel)
        );
    }
}
