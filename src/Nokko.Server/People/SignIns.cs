using Microsoft.AspNetCore.Identity;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.People;

/// <summary>Name, password and, where it is on, a one-time code.</summary>
internal sealed class SignIns(
    UserManager<Account> users,
    SignInTries tries,
    Sessions sessions,
    NokkoDb db,
    IHttpContextAccessor http
)
{
    private const string Wrong = "Name and password do not belong together.";

    /// <summary>Somebody who is nobody: an unknown name is checked against it, so that it takes as long as a known one.</summary>
    private static readonly Account Nobody = new() { ShopId = Guid.Empty, PersonName = "" };

    private static string? _hashOfNobody;

    /// <summary>Signs in; null when it is done.</summary>
    public async Task<Trouble?> Try(string userName, string password, string? code)
    {
        var context = http.HttpContext!;
        var address = SignInTries.From(context);
        if (!tries.MayTry(address, userName))
        {
            return Trouble.At(
                "password",
                "Too many wrong tries from here. Wait five minutes, then try again."
            );
        }
        var account = await users.FindByNameAsync(userName);
        if (account is null || account.RemovedAt is not null)
        {
            _hashOfNobody ??= users.PasswordHasher.HashPassword(Nobody, "nobody's");
            users.PasswordHasher.VerifyHashedPassword(Nobody, _hashOfNobody, password);
            return No("password", Wrong);
        }
        if (!await users.CheckPasswordAsync(account, password))
        {
            return No("password", Wrong);
        }
        if (account.TwoFactorEnabled && !await HasCode(account, code))
        {
            return string.IsNullOrWhiteSpace(code)
                ? Trouble.At("code", "Type the six digits that your app shows now.")
                : No(
                    "code",
                    "This code does not hold, or no more. Type the one that it shows now."
                );
        }
        tries.WasRight(address, userName);
        await sessions.Begin(context, account, db);
        return null;

        Trouble No(string field, string why)
        {
            tries.WasWrong(address, userName);
            return Trouble.At(field, why);
        }
    }

    private async Task<bool> HasCode(Account account, string? code)
    {
        var typed = (code ?? "").Replace(" ", "", StringComparison.Ordinal);
        return typed.Length > 0
            && (
                await users.VerifyTwoFactorTokenAsync(
                    account,
                    TokenOptions.DefaultAuthenticatorProvider,
                    typed
                ) || (await users.RedeemTwoFactorRecoveryCodeAsync(account, typed)).Succeeded
            );
    }
}
