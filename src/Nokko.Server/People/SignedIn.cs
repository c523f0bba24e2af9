using Nokko.Core.Jobs;
using Nokko.Core.Units;

namespace Nokko.Server.People;

/// <summary>Who is signed in: person, shop and role come from the sign-in, never from a request.</summary>
internal sealed class SignedIn(IHttpContextAccessor http)
{
    private Standing Standing =>
        (http.HttpContext is { } context ? Sessions.Of(context) : null)
        ?? throw new InvalidOperationException("Nobody is signed in.");

    public Guid PersonId => Standing.PersonId;
    public Guid ShopId => Standing.ShopId;
    public Guid DeviceId => Standing.DeviceId;
    public string Name => Standing.Name;
    public PersonRole Role => Standing.Role;

    /// <summary>How this person reads lengths.</summary>
    public LengthStyle Style => LengthStyle.Of(Standing.LengthUnit);
}
