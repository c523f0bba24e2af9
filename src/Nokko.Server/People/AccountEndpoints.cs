using System.Globalization;
using System.Text.Encodings.Web;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.People;

/// <summary>Sign in and out, and a person's own page: unit, password, devices, one-time codes.</summary>
internal static class AccountEndpoints
{
    /// <summary>How many codes stand in for a lost device.</summary>
    private const int RecoveryCodes = 8;

    internal sealed record SignInBody(string UserName, string Password, string? Code = null);

    internal sealed record SetUnitBody(string LengthUnit);

    internal sealed record SetPasswordBody(string Now, string Password);

    internal sealed record CodeBody(string Code);

    internal sealed record PasswordBody(string Password);

    internal sealed record Me(
        Guid PersonId,
        string Name,
        string UserName,
        string Shop,
        PersonRole Role,
        string LengthUnit,
        ShopSettings Settings
    );

    /// <summary>Somebody's own page.</summary>
    /// <param name="Devices">Where the person is signed in, last seen first.</param>
    /// <param name="HasCodes">Whether a one-time code is asked for at sign-in.</param>
    /// <param name="CodesLeft">Recovery codes that were not used.</param>
    internal sealed record OwnPage(
        IReadOnlyList<SignedInDevice> Devices,
        bool HasCodes,
        int CodesLeft
    );

    internal sealed record SignedInDevice(
        Guid Id,
        string Said,
        DateTimeOffset SignedInAt,
        DateTimeOffset SeenAt,
        bool IsThis
    );

    /// <summary>What an app for one-time codes is told: the key, and the same as an address.</summary>
    internal sealed record CodeKey(string Key, string Address);

    internal sealed record Recovery(IReadOnlyList<string> Codes);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/sign-in", SignIn).AllowAnonymous().RequireRateLimiting(Guards.Door);
        api.MapPost("/sign-out", SignOut).OpenToViewers();
        api.MapGet("/me", Show);
        var me = api.MapGroup("/me").OpenToViewers();
        me.MapGet("/page", Page);
        me.MapPut("/unit", SetUnit);
        me.MapPut("/password", SetPassword);
        me.MapPost("/devices/{device:guid}/end", EndDevice);
        me.MapPost("/devices/end", EndOthers);
        me.MapPost("/codes", BeginCodes);
        me.MapPost("/codes/confirm", ConfirmCodes);
        me.MapPost("/codes/end", EndCodes);
    }

    private static async Task<Results<Ok, ProblemHttpResult>> SignIn(
        SignInBody body,
        SignIns signIns
    ) =>
        await signIns.Try(body.UserName ?? "", body.Password ?? "", body.Code) is { } trouble
            ? trouble.Answer()
            : TypedResults.Ok();

    private static async Task<Ok> SignOut(
        SignedIn me,
        Sessions sessions,
        NokkoDb db,
        HttpContext context
    )
    {
        var device = me.DeviceId;
        await sessions.End(db, me.PersonId, d => d.Id == device);
        await context.SignOutAsync(IdentityConstants.ApplicationScheme);
        return TypedResults.Ok();
    }

    private static async Task<Ok<Me>> Show(
        SignedIn me,
        HttpContext context,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        var shop = await db.Shops.AsNoTracking().SingleAsync(s => s.Id == me.ShopId, cancel);
        return TypedResults.Ok(
            new Me(
                me.PersonId,
                me.Name,
                context.User.Identity?.Name ?? "",
                shop.Name,
                me.Role,
                me.Style.Unit.Symbol,
                shop.Settings
            )
        );
    }

    private static async Task<Ok<OwnPage>> Page(
        SignedIn me,
        UserManager<Account> users,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var account = await Own(users, me);
        var last = clock.GetUtcNow() - Sessions.Lasts;
        var devices = await db
            .Devices.AsNoTracking()
            .Where(d => d.AccountId == account.Id && d.EndedAt == null && d.SeenAt > last)
            .OrderByDescending(d => d.SeenAt)
            .Take(100)
            .ToListAsync(cancel);
        return TypedResults.Ok(
            new OwnPage(
                [
                    .. devices.Select(d => new SignedInDevice(
                        d.Id,
                        d.Said,
                        d.SignedInAt,
                        d.SeenAt,
                        d.Id == me.DeviceId
                    )),
                ],
                account.TwoFactorEnabled,
                account.TwoFactorEnabled ? await users.CountRecoveryCodesAsync(account) : 0
            )
        );
    }

    private static async Task<Results<Ok, ProblemHttpResult>> SetUnit(
        SetUnitBody body,
        SignedIn me,
        UserManager<Account> users,
        Sessions sessions
    )
    {
        if (body.LengthUnit is not ("in" or "mm"))
        {
            return Trouble.At("lengthUnit", "Inches or millimetres.").Answer();
        }
        var account = await Own(users, me);
        account.LengthUnit = body.LengthUnit;
        await users.UpdateAsync(account);
        sessions.Forget(account.Id);
        return TypedResults.Ok();
    }

    private static async Task<Results<Ok, ProblemHttpResult>> SetPassword(
        SetPasswordBody body,
        SignedIn me,
        UserManager<Account> users,
        Sessions sessions,
        SignInTries tries,
        NokkoDb db,
        HttpContext context
    )
    {
        var account = await Own(users, me);
        if (await Guessed(body.Now, "now", account, users, tries, context) is { } wrong)
        {
            return wrong.Answer();
        }
        if (PasswordRules.WhyNot(account.UserName, body.Password) is { } why)
        {
            return why.Answer();
        }
        var device = me.DeviceId;
        var changed = await users.ChangePasswordAsync(account, body.Now, body.Password);
        if (!changed.Succeeded)
        {
            return PasswordRules.Of(changed).Answer();
        }
        // Whoever had the old one is out; this device stays.
        await sessions.End(db, account.Id, d => d.Id != device);
        await sessions.Keep(context, account, device);
        return TypedResults.Ok();
    }

    private static async Task<Results<Ok, ProblemHttpResult>> EndDevice(
        Guid device,
        SignedIn me,
        Sessions sessions,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        var person = me.PersonId;
        if (!await db.Devices.AnyAsync(d => d.Id == device && d.AccountId == person, cancel))
        {
            return Trouble.Missing("You are not signed in on such a device.").Answer();
        }
        await sessions.End(db, person, d => d.Id == device);
        return TypedResults.Ok();
    }

    private static async Task<Ok> EndOthers(SignedIn me, Sessions sessions, NokkoDb db)
    {
        var device = me.DeviceId;
        await sessions.End(db, me.PersonId, d => d.Id != device);
        return TypedResults.Ok();
    }

    private static async Task<Results<Ok<CodeKey>, ProblemHttpResult>> BeginCodes(
        SignedIn me,
        UserManager<Account> users,
        Sessions sessions,
        HttpContext context
    )
    {
        var account = await Own(users, me);
        if (account.TwoFactorEnabled)
        {
            return Trouble.Gate("", "Codes are on already.").Answer();
        }
        var device = me.DeviceId;
        await users.ResetAuthenticatorKeyAsync(account);
        await sessions.Keep(context, account, device);
        var key = (await users.GetAuthenticatorKeyAsync(account))!;
        return TypedResults.Ok(
            new CodeKey(
                key,
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"otpauth://totp/Nokko:{UrlEncoder.Default.Encode(account.UserName!)}?secret={key}&issuer=Nokko&digits=6"
                )
            )
        );
    }

    private static async Task<Results<Ok<Recovery>, ProblemHttpResult>> ConfirmCodes(
        CodeBody body,
        SignedIn me,
        UserManager<Account> users,
        Sessions sessions,
        HttpContext context
    )
    {
        var account = await Own(users, me);
        if (
            account.TwoFactorEnabled
            || !await users.VerifyTwoFactorTokenAsync(
                account,
                TokenOptions.DefaultAuthenticatorProvider,
                (body.Code ?? "").Replace(" ", "", StringComparison.Ordinal)
            )
        )
        {
            return Trouble
                .At("code", "This code does not hold. Type the one that the app shows now.")
                .Answer();
        }
        var device = me.DeviceId;
        await users.SetTwoFactorEnabledAsync(account, true);
        var codes = (
            await users.GenerateNewTwoFactorRecoveryCodesAsync(account, RecoveryCodes)
        )!.ToArray();
        await sessions.Keep(context, account, device);
        return TypedResults.Ok(new Recovery(codes));
    }

    private static async Task<Results<Ok, ProblemHttpResult>> EndCodes(
        PasswordBody body,
        SignedIn me,
        UserManager<Account> users,
        Sessions sessions,
        SignInTries tries,
        HttpContext context
    )
    {
        var account = await Own(users, me);
        if (await Guessed(body.Password, "password", account, users, tries, context) is { } wrong)
        {
            return wrong.Answer();
        }
        var device = me.DeviceId;
        await users.SetTwoFactorEnabledAsync(account, false);
        await users.ResetAuthenticatorKeyAsync(account);
        await sessions.Keep(context, account, device);
        return TypedResults.Ok();
    }

    private static async Task<Account> Own(UserManager<Account> users, SignedIn me) =>
        (await users.FindByIdAsync(me.PersonId.ToString()))!;

    /// <summary>Why a password that a signed-in person typed again is not taken; a device left lying about is no way to guess it.</summary>
    private static async Task<Trouble?> Guessed(
        string? password,
        string field,
        Account account,
        UserManager<Account> users,
        SignInTries tries,
        HttpContext context
    )
    {
        var address = SignInTries.From(context);
        if (!tries.MayTry(address, account.UserName!))
        {
            return Trouble.At(field, "Too many wrong tries. Wait five minutes, then try again.");
        }
        if (await users.CheckPasswordAsync(account, password ?? ""))
        {
            return null;
        }
        tries.WasWrong(address, account.UserName!);
        return Trouble.At(field, "That is not your password.");
    }
}
