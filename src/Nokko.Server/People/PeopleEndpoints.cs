using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.People;

/// <summary>The people of a shop, by its owners: a role, leaving, and being forgotten.</summary>
internal static class PeopleEndpoints
{
    internal sealed record RoleBody(PersonRole Role);

    public static void Map(RouteGroupBuilder owners)
    {
        owners.MapPut("/people/{person:guid}/role", SetRole);
        owners.MapPost("/people/{person:guid}/remove", Remove);
        owners.MapPost("/people/{person:guid}/erase", Erase);
    }

    private static async Task<Results<Ok, ProblemHttpResult>> SetRole(
        Guid person,
        RoleBody body,
        SignedIn me,
        UserManager<Account> users,
        Sessions sessions,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        await using var transaction = await OneAtATime(db, me.ShopId, cancel);
        if (await Of(db, me, person, cancel) is not { } account)
        {
            return Nobody().Answer();
        }
        if (!Enum.IsDefined(body.Role))
        {
            return Trouble.At("role", "Owner, fitter, apprentice or viewer.").Answer();
        }
        if (body.Role != PersonRole.Owner && await IsLastOwner(db, account, cancel))
        {
            return NoOwner().Answer();
        }
        account.Role = body.Role;
        // Sign-ins of the old role end.
        await users.UpdateSecurityStampAsync(account);
        await transaction.CommitAsync(cancel);
        sessions.Forget(account.Id);
        return TypedResults.Ok();
    }

    private static async Task<Results<Ok, ProblemHttpResult>> Remove(
        Guid person,
        SignedIn me,
        UserManager<Account> users,
        Sessions sessions,
        TimeProvider clock,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        await using var transaction = await OneAtATime(db, me.ShopId, cancel);
        if (await Of(db, me, person, cancel) is not { } account)
        {
            return Nobody().Answer();
        }
        if (await IsLastOwner(db, account, cancel))
        {
            return NoOwner().Answer();
        }
        account.RemovedAt = clock.GetUtcNow();
        account.PasswordHash = null;
        // The name to sign in with is free again; the name on the record stays.
        account.UserName = $"gone-{account.Id:N}";
        await users.UpdateSecurityStampAsync(account);
        await users.UpdateAsync(account);
        await sessions.End(db, account.Id, _ => true);
        await db.OneTimeLinks.Where(l => l.AccountId == person).ExecuteDeleteAsync(cancel);
        await transaction.CommitAsync(cancel);
        sessions.Forget(account.Id);
        return TypedResults.Ok();
    }

    /// <summary>Takes the name of somebody who has left out of every record; that somebody did it stays.</summary>
    private static async Task<Results<Ok, ProblemHttpResult>> Erase(
        Guid person,
        SignedIn me,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        await using var transaction = await OneAtATime(db, me.ShopId, cancel);
        var account = await db.Users.SingleOrDefaultAsync(
            a => a.Id == person && a.ShopId == me.ShopId,
            cancel
        );
        if (account is null)
        {
            return Nobody().Answer();
        }
        if (account.RemovedAt is null)
        {
            return Trouble
                .Gate("", "Whoever is still here keeps the name: first “Leaves”.")
                .Answer();
        }
        account.PersonName = EraseOwner.Colleague;
        await db.SaveChangesAsync(cancel);
        await db.Devices.Where(d => d.AccountId == person).ExecuteDeleteAsync(cancel);
        await db.UserTokens.Where(t => t.UserId == person).ExecuteDeleteAsync(cancel);
        await db
            .Tips.Where(t => t.PersonId == person)
            .ExecuteUpdateAsync(
                set => set.SetProperty(t => t.PersonName, EraseOwner.Colleague),
                cancel
            );
        // Whoever looks at such a job asks for it anew.
        await db
            .Summaries.Where(s =>
                db.PeopleOnJobs.Any(p =>
                    p.Id == person && EF.Property<Guid>(p, NokkoDb.JobIdColumn) == s.Id
                )
            )
            .ExecuteUpdateAsync(
                set => set.SetProperty(s => s.Revision, s => s.Revision + 1),
                cancel
            );
        await db
            .PeopleOnJobs.Where(p => p.Id == person)
            .ExecuteUpdateAsync(set => set.SetProperty(p => p.Name, EraseOwner.Colleague), cancel);
        // What was told stays; the name that was drawn under it for the shop does not.
        await db.Set<Signature>()
            .Where(s => s.PersonId == person && s.As == SignedAs.Shop)
            .ExecuteUpdateAsync(
                set =>
                    set.SetProperty(s => s.Name, EraseOwner.Colleague)
                        .SetProperty(s => s.Strokes, Array.Empty<IReadOnlyList<int>>()),
                cancel
            );
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok();
    }

    /// <summary>Two owners that take each other's role at once would leave none: changes of a shop's people wait for each other.</summary>
    private static async Task<Microsoft.EntityFrameworkCore.Storage.IDbContextTransaction> OneAtATime(
        NokkoDb db,
        Guid shop,
        CancellationToken cancel
    )
    {
        var transaction = await db.Database.BeginTransactionAsync(cancel);
        await db.Database.ExecuteSqlAsync(
            $"select 1 from shops where id = {shop} for update",
            cancel
        );
        return transaction;
    }

    /// <summary>Somebody of the own shop who is still there; null where there is no such person.</summary>
    internal static Task<Account?> Of(
        NokkoDb db,
        SignedIn me,
        Guid person,
        CancellationToken cancel
    )
    {
        var shop = me.ShopId;
        return db.Users.SingleOrDefaultAsync(
            a => a.Id == person && a.ShopId == shop && a.RemovedAt == null,
            cancel
        );
    }

    internal static Trouble Nobody() => Trouble.Missing("There is no such person in this shop.");

    private static Trouble NoOwner() =>
        Trouble.Gate("role", "A shop has an owner at least: make somebody else one first.");

    private static async Task<bool> IsLastOwner(
        NokkoDb db,
        Account account,
        CancellationToken cancel
    ) =>
        account.Role == PersonRole.Owner
        && !await db.Users.AnyAsync(
            a =>
                a.ShopId == account.ShopId
                && a.Id != account.Id
                && a.Role == PersonRole.Owner
                && a.RemovedAt == null,
            cancel
        );
}
