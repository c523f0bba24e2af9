using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.People;

/// <summary>Links that work once: an owner makes them, a colleague comes by them or chooses another password.</summary>
internal static class Links
{
    /// <summary>How long a link for a colleague holds.</summary>
    public static readonly TimeSpan ForColleague = TimeSpan.FromDays(7);

    /// <summary>How long a link for a password holds.</summary>
    public static readonly TimeSpan ForPassword = TimeSpan.FromHours(24);

    internal sealed record LinkBody(PersonRole Role);

    /// <summary>What stands behind # in the link: it is shown once.</summary>
    internal sealed record MadeLink(string Token, DateTimeOffset EndsAt);

    /// <summary>A link that nobody has used yet; what stands in it is kept nowhere.</summary>
    /// <param name="Id">Its key.</param>
    /// <param name="Role">What its colleague will be.</param>
    /// <param name="For">Whose password it changes; null where it makes a colleague.</param>
    /// <param name="By">Who made it.</param>
    /// <param name="MadeAt">When.</param>
    /// <param name="EndsAt">Until when it holds.</param>
    internal sealed record OpenLink(
        Guid Id,
        PersonRole Role,
        string? For,
        string? By,
        DateTimeOffset MadeAt,
        DateTimeOffset EndsAt
    );

    internal sealed record TokenBody(string Token);

    /// <summary>What a link is for.</summary>
    /// <param name="Shop">The shop's name.</param>
    /// <param name="Role">What its colleague will be.</param>
    /// <param name="UserName">Whose password it changes; null where it makes a colleague.</param>
    internal sealed record LinkView(string Shop, PersonRole Role, string? UserName);

    internal sealed record UseBody(
        string Token,
        string Password,
        string? Name = null,
        string? UserName = null
    );

    public static void Map(RouteGroupBuilder api, RouteGroupBuilder owners)
    {
        owners.MapPost("/people/links", MakeForColleague);
        owners.MapPost("/people/{person:guid}/links", MakeForPassword);
        owners.MapPost("/people/links/{link:guid}/end", End);
        // The link's own part goes in bodies only: addresses end up in logs.
        api.MapPost("/links/look", Look).AllowAnonymous().RequireRateLimiting(Guards.Door);
        api.MapPost("/links/use", Use).AllowAnonymous().RequireRateLimiting(Guards.Door);
    }

    private static async Task<Results<Ok<MadeLink>, ProblemHttpResult>> MakeForColleague(
        LinkBody body,
        SignedIn me,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        Enum.IsDefined(body.Role)
            ? TypedResults.Ok(await Make(db, me, clock, body.Role, null, ForColleague, cancel))
            : Trouble.At("role", "Owner, fitter, apprentice or viewer.").Answer();

    private static async Task<Results<Ok<MadeLink>, ProblemHttpResult>> MakeForPassword(
        Guid person,
        SignedIn me,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        await PeopleEndpoints.Of(db, me, person, cancel) is { } account
            ? TypedResults.Ok(
                await Make(db, me, clock, account.Role, account.Id, ForPassword, cancel)
            )
            : PeopleEndpoints.Nobody().Answer();

    /// <summary>Takes back a link that nobody has used.</summary>
    private static async Task<Results<Ok, ProblemHttpResult>> End(
        Guid link,
        SignedIn me,
        NokkoDb db,
        CancellationToken cancel
    ) =>
        await db
            .OneTimeLinks.Where(l => l.Id == link && l.ShopId == me.ShopId && l.UsedAt == null)
            .ExecuteDeleteAsync(cancel) == 1
            ? TypedResults.Ok()
            : Trouble.Missing("This link was used already, or taken back.").Answer();

    /// <summary>Links of a shop that still open something.</summary>
    internal static Task<List<OpenLink>> Open(
        NokkoDb db,
        Guid shop,
        DateTimeOffset now,
        CancellationToken cancel
    ) =>
        db
            .OneTimeLinks.AsNoTracking()
            .Where(l => l.ShopId == shop && l.UsedAt == null && l.EndsAt > now)
            .OrderBy(l => l.MadeAt)
            .Select(l => new OpenLink(
                l.Id,
                l.Role,
                db.Users.Where(a => a.Id == l.AccountId).Select(a => a.PersonName).FirstOrDefault(),
                db.Users.Where(a => a.Id == l.MadeBy).Select(a => a.PersonName).FirstOrDefault(),
                l.MadeAt,
                l.EndsAt
            ))
            .Take(100)
            .ToListAsync(cancel);

    private static async Task<MadeLink> Make(
        NokkoDb db,
        SignedIn me,
        TimeProvider clock,
        PersonRole role,
        Guid? account,
        TimeSpan holds,
        CancellationToken cancel
    )
    {
        // What was used or has ended is nobody's any more.
        var past = clock.GetUtcNow();
        await db
            .OneTimeLinks.Where(l =>
                l.ShopId == me.ShopId && (l.UsedAt != null || l.EndsAt <= past)
            )
            .ExecuteDeleteAsync(cancel);
        var token = SecretToken.Make();
        var now = clock.GetUtcNow();
        db.OneTimeLinks.Add(
            new OneTimeLink
            {
                Id = Guid.CreateVersion7(),
                ShopId = me.ShopId,
                Hash = SecretToken.HashOf(token),
                Role = role,
                AccountId = account,
                MadeBy = me.PersonId,
                MadeAt = now,
                EndsAt = now + holds,
            }
        );
        await db.SaveChangesAsync(cancel);
        return new MadeLink(token, now + holds);
    }

    private static async Task<Results<Ok<LinkView>, ProblemHttpResult>> Look(
        TokenBody body,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await Find(db, body.Token, clock, cancel) is not { } link)
        {
            return Over().Answer();
        }
        var shop = await db
            .Shops.Where(s => s.Id == link.ShopId)
            .Select(s => s.Name)
            .SingleAsync(cancel);
        var userName = await db
            .Users.Where(a => a.Id == link.AccountId)
            .Select(a => a.UserName)
            .SingleOrDefaultAsync(cancel);
        return TypedResults.Ok(new LinkView(shop, link.Role, userName));
    }

    private static async Task<Results<Ok, ProblemHttpResult>> Use(
        UseBody body,
        NokkoDb db,
        UserManager<Account> users,
        Sessions sessions,
        TimeProvider clock,
        HttpContext context,
        CancellationToken cancel
    )
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var hash = SecretToken.HashOf(body.Token);
        // Two that use it at once: the second waits here, and finds it used.
        await db.Database.ExecuteSqlAsync(
            $"select 1 from one_time_links where hash = {hash} for update",
            cancel
        );
        if (await Find(db, body.Token, clock, cancel) is not { } link)
        {
            return Over().Answer();
        }
        var (account, trouble) = link.AccountId is { } person
            ? await Again(person, body, users)
            : await Come(link, body, users, db);
        if (trouble is not null)
        {
            return trouble.Answer();
        }
        link.UsedAt = clock.GetUtcNow();
        await db.SaveChangesAsync(cancel);
        await sessions.End(db, account!.Id, _ => true);
        await transaction.CommitAsync(cancel);
        sessions.Forget(account.Id);
        await sessions.Begin(context, account, db);
        return TypedResults.Ok();
    }

    private static async Task<(Account?, Trouble?)> Come(
        OneTimeLink link,
        UseBody body,
        UserManager<Account> users,
        NokkoDb db
    )
    {
        if (
            (
                ShopEndpoints.Named(body.Name, "name")
                ?? PasswordRules.WhyNot(body.UserName ?? "", body.Password)
            ) is
            { } why
        )
        {
            return (null, why);
        }
        var account = new Account
        {
            Id = Guid.CreateVersion7(),
            ShopId = link.ShopId,
            PersonName = body.Name!.Trim(),
            UserName = body.UserName!.Trim(),
            Role = link.Role,
            LengthUnit = (await db.Shops.AsNoTracking().SingleAsync(s => s.Id == link.ShopId))
                .Settings
                .LengthUnit
                .Symbol,
        };
        var made = await users.CreateAsync(account, body.Password);
        return made.Succeeded ? (account, null) : (null, PasswordRules.Of(made));
    }

    /// <summary>Another password; a lost device is no reason to stay out, so codes are off with it.</summary>
    private static async Task<(Account?, Trouble?)> Again(
        Guid person,
        UseBody body,
        UserManager<Account> users
    )
    {
        var account = (await users.FindByIdAsync(person.ToString()))!;
        if (PasswordRules.WhyNot(account.UserName, body.Password) is { } why)
        {
            return (null, why);
        }
        await users.RemovePasswordAsync(account);
        var set = await users.AddPasswordAsync(account, body.Password);
        if (!set.Succeeded)
        {
            return (null, PasswordRules.Of(set));
        }
        if (account.TwoFactorEnabled)
        {
            await users.SetTwoFactorEnabledAsync(account, false);
            await users.ResetAuthenticatorKeyAsync(account);
        }
        return (account, null);
    }

    private static Task<OneTimeLink?> Find(
        NokkoDb db,
        string? token,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var (hash, now) = (SecretToken.HashOf(token), clock.GetUtcNow());
        return db.OneTimeLinks.SingleOrDefaultAsync(
            l => l.Hash == hash && l.UsedAt == null && l.EndsAt > now,
            cancel
        );
    }

    private static Trouble Over() =>
        Trouble.Missing(
            "This link was used, or its time is over. Ask the shop's owner for another."
        );
}
