using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Server.Hosting;
using Nokko.Server.Week;
using Nokko.Storage;

namespace Nokko.Server.People;

/// <summary>The shop: made at the first start, its name, its people and what each may do.</summary>
internal static class ShopEndpoints
{
    private const int MostPeople = 200;

    /// <summary>Key of the lock under which the first shop is made; any number that nothing else takes.</summary>
    private const long FirstLock = 0x6E6F6B6B6F;

    internal sealed record FirstStart(bool Open);

    internal sealed record FirstBody(
        string Code,
        string Shop,
        string Name,
        string UserName,
        string Password,
        string LengthUnit,
        string? TimeZone = null
    );

    internal sealed record ShopBody(uint Version, string Name, ShopSettingsInput Settings);

    /// <summary>The shop as its people see it.</summary>
    /// <param name="Name">Its name.</param>
    /// <param name="Settings">What it has settled.</param>
    /// <param name="Version">Version of both, to change them.</param>
    /// <param name="DateLanguages">Languages in which dates can be written.</param>
    /// <param name="People">Who is there.</param>
    /// <param name="Left">Who has left and stands on records by name.</param>
    /// <param name="Links">Links that nobody has used yet, for its owners.</param>
    /// <param name="Roles">What each may do.</param>
    internal sealed record ShopPage(
        string Name,
        ShopSettings Settings,
        uint Version,
        IReadOnlyList<DateLanguage> DateLanguages,
        IReadOnlyList<Colleague> People,
        IReadOnlyList<LeftColleague> Left,
        IReadOnlyList<Links.OpenLink> Links,
        IReadOnlyList<RoleView> Roles
    );

    /// <summary>Somebody who has left, and whose name still stands on records.</summary>
    internal sealed record LeftColleague(Guid Id, string Name, DateTimeOffset LeftAt);

    internal sealed record RoleView(PersonRole Role, string Said, string May);

    private static readonly RoleView[] AllRoles =
    [
        .. Enum.GetValues<PersonRole>().Select(r => new RoleView(r, r.Said(), r.May())),
    ];

    internal sealed record Colleague(
        Guid Id,
        string Name,
        string UserName,
        PersonRole Role,
        bool IsMe,
        DateTimeOffset? SeenAt
    );

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/first", First).AllowAnonymous();
        api.MapPost("/first", MakeShop).AllowAnonymous().RequireRateLimiting(Guards.Door);
        api.MapGet("/shop", Show);
        var owners = api.MapGroup("").RequireAuthorization(Roles.Owners);
        owners.MapPut("/shop", Settle);
        PeopleEndpoints.Map(owners);
        Links.Map(api, owners);
    }

    private static async Task<Ok<FirstStart>> First(NokkoDb db, CancellationToken cancel) =>
        TypedResults.Ok(new FirstStart(!await db.Shops.AnyAsync(cancel)));

    private static async Task<Results<Ok, ProblemHttpResult>> MakeShop(
        FirstBody body,
        IConfiguration configuration,
        SignInTries tries,
        Sessions sessions,
        UserManager<Account> users,
        NokkoDb db,
        HttpContext context,
        CancellationToken cancel
    )
    {
        // Two that come at once: the second finds the shop of the first.
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        await db.Database.ExecuteSqlAsync($"select pg_advisory_xact_lock({FirstLock})", cancel);
        if (await db.Shops.AnyAsync(cancel))
        {
            return Trouble.Gate("", "This Nokko has its shop already. Sign in.").Answer();
        }
        var address = SignInTries.From(context);
        if (
            !tries.MayTry(address, "")
            || configuration["Nokko:FirstCode"] is not { Length: > 0 } code
            || !CryptographicOperations.FixedTimeEquals(
                Encoding.UTF8.GetBytes(code),
                Encoding.UTF8.GetBytes((body.Code ?? "").Trim())
            )
        )
        {
            tries.WasWrong(address, "");
            return Trouble
                .At(
                    "code",
                    "That is not the code that the start printed. Five wrong ones, and it waits five minutes."
                )
                .Answer();
        }
        if (Named(body.Shop, "shop") is { } noShop)
        {
            return noShop.Answer();
        }
        if (
            (
                Named(body.Name, "name") ?? PasswordRules.WhyNot(body.UserName ?? "", body.Password)
            ) is
            { } why
        )
        {
            return why.Answer();
        }
        if (body.LengthUnit is not ("in" or "mm"))
        {
            return Trouble.At("lengthUnit", "Inches or millimetres.").Answer();
        }
        var shop = new Shop
        {
            Id = Guid.CreateVersion7(),
            Name = body.Shop.Trim(),
            Settings = (
                body.LengthUnit == Unit.Mm.Symbol
                    ? new ShopSettings { LengthUnit = Unit.Mm, Denominator = 1 }
                    : ShopSettings.Usual
            ) with
            {
                TimeZone = ShopTime.IsZone(body.TimeZone) ? body.TimeZone : null,
            },
        };
        db.Shops.Add(shop);
        await db.SaveChangesAsync(cancel);
        var account = new Account
        {
            Id = Guid.CreateVersion7(),
            ShopId = shop.Id,
            PersonName = body.Name.Trim(),
            UserName = body.UserName!.Trim(),
            LengthUnit = body.LengthUnit,
            Role = PersonRole.Owner,
        };
        var made = await users.CreateAsync(account, body.Password);
        if (!made.Succeeded)
        {
            return PasswordRules.Of(made).Answer();
        }
        await transaction.CommitAsync(cancel);
        await sessions.Begin(context, account, db);
        return TypedResults.Ok();
    }

    private static async Task<Ok<ShopPage>> Show(
        SignedIn me,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var shop = me.ShopId;
        var people = await db
            .Users.AsNoTracking()
            .Where(a => a.ShopId == shop && a.RemovedAt == null)
            .OrderBy(a => a.PersonName)
            .Select(a => new Colleague(
                a.Id,
                a.PersonName,
                a.UserName!,
                a.Role,
                a.Id == me.PersonId,
                db.Devices.Where(d => d.AccountId == a.Id).Max(d => (DateTimeOffset?)d.SeenAt)
            ))
            .Take(MostPeople)
            .ToListAsync(cancel);
        var settled = await db
            .Shops.AsNoTracking()
            .Where(s => s.Id == shop)
            .Select(s => new
            {
                s.Name,
                s.Settings,
                Version = EF.Property<uint>(s, NokkoDb.VersionColumn),
            })
            .SingleAsync(cancel);
        return TypedResults.Ok(
            new ShopPage(
                settled.Name,
                settled.Settings,
                settled.Version,
                ShopSettings.DateLanguages,
                people,
                await db
                    .Users.AsNoTracking()
                    .Where(a =>
                        a.ShopId == shop
                        && a.RemovedAt != null
                        && a.PersonName != EraseOwner.Colleague
                    )
                    .OrderBy(a => a.PersonName)
                    .Select(a => new LeftColleague(a.Id, a.PersonName, a.RemovedAt!.Value))
                    .Take(MostPeople)
                    .ToListAsync(cancel),
                me.Role == PersonRole.Owner
                    ? await Links.Open(db, shop, clock.GetUtcNow(), cancel)
                    : [],
                AllRoles
            )
        );
    }

    /// <summary>Version of the shop as it is kept now.</summary>
    internal sealed record KeptShop(uint Version);

    private static async Task<Results<Ok<KeptShop>, ProblemHttpResult>> Settle(
        ShopBody body,
        SignedIn me,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (Named(body.Name, "name") is { } why)
        {
            return why.Answer();
        }
        try
        {
            var settings = body.Settings.Read();
            if (settings.TimeZone is { } zone && !ShopTime.IsZone(zone))
            {
                return Trouble.At("timeZone", "No such time zone is known.").Answer();
            }
            var shop = await db.Shops.SingleAsync(s => s.Id == me.ShopId, cancel);
            (shop.Name, shop.Settings) = (body.Name.Trim(), settings);
            db.Entry(shop).Property(NokkoDb.VersionColumn).OriginalValue = body.Version;
            await db.SaveChangesAsync(cancel);
            return TypedResults.Ok(
                new KeptShop((uint)db.Entry(shop).Property(NokkoDb.VersionColumn).CurrentValue!)
            );
        }
        catch (RefusedException e)
        {
            return Trouble.Of(e.Refusal).Answer();
        }
        catch (DbUpdateConcurrencyException)
        {
            return Trouble
                .Gate(
                    "version",
                    "Somebody settled this differently while you wrote. What you wrote is still here."
                )
                .Answer();
        }
    }

    /// <summary>Why a name cannot be.</summary>
    internal static Trouble? Named(string? name, string field) =>
        (name ?? "").Trim().Length is 0 or > 80
            ? Trouble.At(field, "A name has 1 to 80 letters.")
            : null;
}
