using System.Security.Claims;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using Nokko.Core.Units;
using Nokko.Storage;

namespace Nokko.Server.People;

/// <summary>Who is signed in: person and shop come from the sign-in, never from a request.</summary>
internal sealed class SignedIn(IHttpContextAccessor http)
{
    public const string ShopClaim = "shop";
    public const string NameClaim = "person";
    public const string UnitClaim = "unit";

    private ClaimsPrincipal User =>
        http.HttpContext?.User ?? throw new InvalidOperationException("Nobody is signed in.");

    public Guid PersonId => Guid.Parse(Claim(ClaimTypes.NameIdentifier));
    public Guid ShopId => Guid.Parse(Claim(ShopClaim));
    public string Name => Claim(NameClaim);

    /// <summary>How this person reads lengths.</summary>
    public LengthStyle Style =>
        Claim(UnitClaim) == Unit.Mm.Symbol ? LengthStyle.Millimetres : LengthStyle.Inches;

    private string Claim(string type) =>
        User.FindFirstValue(type) ?? throw new InvalidOperationException("Nobody is signed in.");
}

/// <summary>Puts shop, name and unit into the sign-in.</summary>
internal sealed class ClaimsOfAccount(UserManager<Account> users, IOptions<IdentityOptions> options)
    : UserClaimsPrincipalFactory<Account>(users, options)
{
    protected override async Task<ClaimsIdentity> GenerateClaimsAsync(Account user)
    {
        var identity = await base.GenerateClaimsAsync(user);
        identity.AddClaim(new Claim(SignedIn.ShopClaim, user.ShopId.ToString()));
        identity.AddClaim(new Claim(SignedIn.NameClaim, user.PersonName));
        identity.AddClaim(new Claim(SignedIn.UnitClaim, user.LengthUnit));
        return identity;
    }
}
