using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Server.Demo;

/// <summary>Brings the database to its newest form and, once, seeds the shop.</summary>
internal static class Seeding
{
    public static async Task Prepare(WebApplication app)
    {
        var roles = app.Services.GetRequiredService<DatabaseRoles>();
        try
        {
            await Migrate(roles.Owner);
            await roles.Prepare();
        }
        catch (Exception e) when (WhyNoDatabase(e) is { } why)
        {
            throw new CannotStartException(why, e);
        }
        await using var scope = app.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<NokkoDb>();
        if (await db.Shops.AnyAsync())
        {
            return;
        }
        if (app.Configuration.GetValue<bool>("Nokko:Empty"))
        {
            // The first person makes the shop, with the code that the start printed.
            return;
        }
        var users = scope.ServiceProvider.GetRequiredService<UserManager<Account>>();
        // Whole or not at all: a start that is cut short seeds again.
        await using var transaction = await db.Database.BeginTransactionAsync();
        await DemoShop.Seed(
            db,
            users,
            scope.ServiceProvider.GetRequiredService<TimeProvider>().GetUtcNow()
        );
        await transaction.CommitAsync();
    }

    /// <summary>What PostgreSQL said, or that it said nothing; null where something else went wrong.</summary>
    private static string? WhyNoDatabase(Exception e) =>
        e switch
        {
            CannotStartException => null,
            PostgresException p =>
                $"PostgreSQL refused what Nokko needs at its start: {p.MessageText} ({p.SqlState}). Look at the connection, and at what its role may do.",
            NpgsqlException =>
                $"PostgreSQL cannot be reached: {e.GetBaseException().Message}. Look at the connection, and whether PostgreSQL runs.",
            _ => e.InnerException is { } inner ? WhyNoDatabase(inner) : null,
        };

    /// <summary>Brings the tables to their newest form, as their owner.</summary>
    private static async Task Migrate(string owner)
    {
        var options = new DbContextOptionsBuilder<NokkoDb>();
        NokkoDb.Configure(options, owner);
        await using var db = new NokkoDb(options.Options);
        var known = db.Database.GetMigrations().ToHashSet();
        if (
            (await db.Database.GetAppliedMigrationsAsync()).FirstOrDefault(m =>
                !known.Contains(m)
            ) is
            { } strange
        )
        {
            throw new CannotStartException(
                $"The database was made by another Nokko than this one (it knows the change {strange}). Nothing was touched. Start that Nokko again, or begin anew: move the database's folder away, or name an empty database with --connection."
            );
        }
        // Migrating compares the whole model even when there is nothing to do; most starts have nothing to do.
        if ((await db.Database.GetPendingMigrationsAsync()).Any())
        {
            try
            {
                await db.Database.MigrateAsync();
            }
            catch (PostgresException e)
            {
                throw new CannotStartException(
                    $"The database could not be brought to the form that this Nokko needs: {e.MessageText} ({e.SqlState}). The change that failed was undone whole, and nothing that you stored is lost. Put right what stands in the way and start again, or put the backup back.",
                    e
                );
            }
        }
    }

    public static async Task<IReadOnlyList<Guid>> AddShop(
        NokkoDb db,
        UserManager<Account> users,
        Guid shop,
        string name,
        IReadOnlyList<(string UserName, string Name, PersonRole Role)> people,
        string password
    )
    {
        db.Shops.Add(new Shop { Id = shop, Name = name });
        await db.SaveChangesAsync();
        db.ShopId = shop;
        var ids = new List<Guid>();
        foreach (var person in people)
        {
            var account = new Account
            {
                Id = Guid.CreateVersion7(),
                ShopId = shop,
                PersonName = person.Name,
                UserName = person.UserName,
                Role = person.Role,
            };
            var created = await users.CreateAsync(account, password);
            if (!created.Succeeded)
            {
                throw new InvalidOperationException(
                    string.Join(" ", created.Errors.Select(e => e.Description))
                );
            }
            ids.Add(account.Id);
        }
        return ids;
    }
}
