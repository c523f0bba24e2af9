using System.Collections.Concurrent;
using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Server.People;

/// <summary>A sign-in as it stands in the database.</summary>
/// <param name="DeviceId">The device.</param>
/// <param name="PersonId">Who.</param>
/// <param name="ShopId">Of which shop.</param>
/// <param name="Name">The name on the record.</param>
/// <param name="Role">What the person may do.</param>
/// <param name="LengthUnit">How the person reads lengths.</param>
/// <param name="Stamp">Changes with password, role and removal: a cookie with another one has ended.</param>
internal sealed record Standing(
    Guid DeviceId,
    Guid PersonId,
    Guid ShopId,
    string Name,
    PersonRole Role,
    string LengthUnit,
    string Stamp
);

/// <summary>Sign-ins, each on its device: they end when their row says so, on every server within <see cref="Trusted"/>.</summary>
internal sealed class Sessions(
    IServiceScopeFactory scopes,
    TimeProvider clock,
    IConfiguration configuration
)
{
    /// <summary>For how long a server believes what it last read of a sign-in.</summary>
    public TimeSpan Trusted { get; } =
        TimeSpan.FromSeconds(configuration.GetValue("Nokko:SignInTrustedSeconds", 20));

    /// <summary>How long a sign-in lasts from when its device was last seen; the cookie's own time.</summary>
    public static readonly TimeSpan Lasts = TimeSpan.FromDays(30);

    /// <summary>How finely it is kept when a device was last seen.</summary>
    private static readonly TimeSpan Seen = TimeSpan.FromMinutes(5);

    private const int MostKnown = 10_000;
    private const string DeviceClaim = "device";
    private static readonly object Key = new();

    private readonly ConcurrentDictionary<Guid, (DateTimeOffset At, Standing? Standing)> _known =
        new();

    /// <summary>The sign-in of a request; null where there is none.</summary>
    public static Standing? Of(HttpContext context) => context.Items[Key] as Standing;

    /// <summary>For this request somebody stands for what comes by a link of theirs.</summary>
    public static void Stands(HttpContext context, Standing standing) =>
        context.Items[Key] = standing;

    /// <summary>Signs somebody in on a new device.</summary>
    public async Task Begin(HttpContext context, Account account, NokkoDb db)
    {
        var now = clock.GetUtcNow();
        // What has ended long ago is nobody's any more.
        await db
            .Devices.Where(d => d.AccountId == account.Id && d.SeenAt < now - (2 * Lasts))
            .ExecuteDeleteAsync();
        var device = new Device
        {
            Id = Guid.CreateVersion7(),
            AccountId = account.Id,
            Said = DeviceName.Of(context.Request.Headers.UserAgent),
            SignedInAt = now,
            SeenAt = now,
        };
        db.Devices.Add(device);
        await db.SaveChangesAsync();
        await Keep(context, account, device.Id);
    }

    /// <summary>Writes the cookie of a device anew, after what it holds has changed.</summary>
    public async Task Keep(HttpContext context, Account account, Guid device)
    {
        _known.TryRemove(device, out _);
        await context
            .RequestServices.GetRequiredService<SignInManager<Account>>()
            .SignInWithClaimsAsync(
                account,
                isPersistent: true,
                [new Claim(DeviceClaim, device.ToString())]
            );
    }

    /// <summary>Ends sign-ins of a person: one, or all but one.</summary>
    /// <param name="db">The database.</param>
    /// <param name="person">Whose.</param>
    /// <param name="which">Which of them end.</param>
    public async Task End(NokkoDb db, Guid person, Func<Device, bool> which)
    {
        foreach (
            var device in await db
                .Devices.Where(d => d.AccountId == person && d.EndedAt == null)
                .ToListAsync()
        )
        {
            if (which(device))
            {
                device.EndedAt = clock.GetUtcNow();
                _known.TryRemove(device.Id, out _);
            }
        }
        await db.SaveChangesAsync();
    }

    /// <summary>Reads a person's sign-ins anew when they are next asked for.</summary>
    public void Forget(Guid person)
    {
        foreach (var (device, known) in _known)
        {
            if (known.Standing?.PersonId == person)
            {
                _known.TryRemove(device, out _);
            }
        }
    }

    /// <summary>Refuses the cookie of a sign-in that has ended.</summary>
    public async Task Validate(CookieValidatePrincipalContext cookie)
    {
        var principal = cookie.Principal!;
        var standing = Guid.TryParse(principal.FindFirstValue(DeviceClaim), out var device)
            ? await Look(device)
            : null;
        if (
            standing is null
            || standing.Stamp
                != principal.FindFirstValue(new ClaimsIdentityOptions().SecurityStampClaimType)
        )
        {
            cookie.RejectPrincipal();
            await cookie.HttpContext.SignOutAsync(IdentityConstants.ApplicationScheme);
            return;
        }
        cookie.HttpContext.Items[Key] = standing;
    }

    /// <summary>A token that ends with the sign-in of a request, for streams that outlive the moment in which it was looked at.</summary>
    /// <param name="context">The request.</param>
    /// <param name="cancel">What ends it earlier.</param>
    public CancellationToken WhileSignedIn(HttpContext context, CancellationToken cancel)
    {
        var standing = Of(context)!;
        var ends = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        context.Response.RegisterForDispose(ends);
        _ = Watch();
        return ends.Token;

        async Task Watch()
        {
            try
            {
                using var timer = new PeriodicTimer(Trusted);
                while (await timer.WaitForNextTickAsync(cancel))
                {
                    if (!await Stands())
                    {
                        await ends.CancelAsync();
                        return;
                    }
                }
            }
            catch (OperationCanceledException)
            {
                // The stream was over before.
            }
        }

        async Task<bool> Stands()
        {
            try
            {
                return await Look(standing.DeviceId) is { } now && now.Stamp == standing.Stamp;
            }
            catch (NpgsqlException)
            {
                // A database that is away says nothing of a sign-in.
                return true;
            }
        }
    }

    private async Task<Standing?> Look(Guid device)
    {
        var now = clock.GetUtcNow();
        if (_known.TryGetValue(device, out var known) && now - known.At < Trusted)
        {
            return known.Standing;
        }
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<NokkoDb>();
        var row = await db
            .Devices.Where(d => d.Id == device && d.EndedAt == null && d.SeenAt > now - Lasts)
            .Join(
                db.Users.Where(a => a.RemovedAt == null),
                d => d.AccountId,
                a => a.Id,
                (d, a) =>
                    new
                    {
                        d.SeenAt,
                        Standing = new Standing(
                            d.Id,
                            a.Id,
                            a.ShopId,
                            a.PersonName,
                            a.Role,
                            a.LengthUnit,
                            a.SecurityStamp!
                        ),
                    }
            )
            .SingleOrDefaultAsync();
        if (row is not null && now - row.SeenAt > Seen)
        {
            await db
                .Devices.Where(d => d.Id == device)
                .ExecuteUpdateAsync(set => set.SetProperty(d => d.SeenAt, now));
        }
        if (_known.Count >= MostKnown)
        {
            _known.Clear();
        }
        _known[device] = (now, row?.Standing);
        return row?.Standing;
    }
}
