using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Nokko.Server.Hosting;
using Nokko.Storage;

namespace Nokko.Server.People;

/// <summary>Sign in and out, and what a person has set.</summary>
internal static class AccountEndpoints
{
    internal sealed record SignInBody(string UserName, string Password);

    internal sealed record SetUnitBody(string LengthUnit);

    internal sealed record Me(Guid PersonId, string Name, string Shop, string LengthUnit);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapPost("/sign-in", SignIn).AllowAnonymous();
        api.MapPost("/sign-out", SignOut);
        api.MapGet("/me", Show);
        api.MapPut("/me/unit", SetUnit);
    }

    private static async Task<Results<Ok, ProblemHttpResult>> SignIn(
        SignInBody body,
        SignInManager<Account> signIn
    )
    {
        var result = await signIn.PasswordSignInAsync(
            body.UserName,
            body.Password,
            isPersistent: true,
            lockoutOnFailure: true
        );
        return result.Succeeded
            ? TypedResults.Ok()
            : (
                result.IsLockedOut
                    ? Trouble.At("password", "Too many tries. Wait five minutes, then try again.")
                    : Trouble.At("password", "Name and password do not belong together.")
            ).Answer();
    }

    private static async Task<Ok> SignOut(SignInManager<Account> signIn)
    {
        await signIn.SignOutAsync();
        return TypedResults.Ok();
    }

    private static async Task<Ok<Me>> Show(SignedIn me, NokkoDb db, CancellationToken cancel) =>
        TypedResults.Ok(
            new Me(
                me.PersonId,
                me.Name,
                await db
                    .Shops.Where(s => s.Id == me.ShopId)
                    .Select(s => s.Name)
                    .SingleAsync(cancel),
                me.Style.Unit.Symbol
            )
        );

    private static async Task<Results<Ok, ProblemHttpResult>> SetUnit(
        SetUnitBody body,
        SignedIn me,
        UserManager<Account> users,
        SignInManager<Account> signIn
    )
    {
        if (body.LengthUnit is not ("in" or "mm"))
        {
            return Trouble.At("lengthUnit", "Inches or millimetres.").Answer();
        }
        var account = (await users.FindByIdAsync(me.PersonId.ToString()))!;
        account.LengthUnit = body.LengthUnit;
        await users.UpdateAsync(account);
        await signIn.RefreshSignInAsync(account);
        return TypedResults.Ok();
    }
}
