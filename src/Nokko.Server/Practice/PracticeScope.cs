using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Practice;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Practice;

/// <summary>Tells of which shop a request is: of the person's own, or, where it names an exercise, of that exercise.</summary>
/// <remarks>
/// The job of an exercise lies in a shop that has the exercise's key. Rows of one shop only are seen by a request,
/// and the database holds that by itself: so no yard, evidence, count or follow-up of the real shop ever meets practice.
/// </remarks>
internal sealed class PracticeScope
{
    /// <summary>What names an exercise in requests that are about no job: what lies on its shelf.</summary>
    public const string Header = "Nokko-Practice";

    /// <summary>Where it is heeded: shelf and ways lie in the bay, people and settings do not.</summary>
    private static readonly PathString[] OfTheBay =
    [
        "/api/parts",
        "/api/platforms",
        "/api/instruments",
        "/api/owners",
        "/api/fitting",
        "/api/commands",
    ];

    private const int MostKnown = 10_000;

    private readonly ConcurrentDictionary<Guid, (Guid Shop, Guid Person)> _known = new();

    /// <summary>Sets the shop of a request, or refuses it.</summary>
    /// <returns>Why it is refused; null where it goes on.</returns>
    public async Task<Trouble?> Enter(HttpContext context, NokkoDb db, SignedIn me)
    {
        db.ShopId = me.ShopId;
        if (Named(context) is not { } key || !PracticeKey.Is(key))
        {
            return null;
        }
        if (!_known.TryGetValue(key, out var whose))
        {
            var person = await db
                .Exercises.Where(e => e.Id == key)
                .Select(e => (Guid?)e.PersonId)
                .FirstOrDefaultAsync(context.RequestAborted);
            if (person is not { } learner)
            {
                return null;
            }
            if (_known.Count >= MostKnown)
            {
                _known.Clear();
            }
            _known[key] = whose = (me.ShopId, learner);
        }
        if (whose.Shop != me.ShopId)
        {
            return null;
        }
        if (Changes(context.Request))
        {
            if (whose.Person != me.PersonId)
            {
                return new Trouble(
                    StatusCodes.Status403Forbidden,
                    "",
                    "This is somebody else’s exercise: you can look on. Begin one of your own under Practice."
                );
            }
            // What was scored stays as it was scored.
            if (
                await db.Exercises.AnyAsync(
                    e => e.Id == key && e.HandedInAt != null,
                    context.RequestAborted
                )
            )
            {
                return HandedIn;
            }
        }
        db.ShopId = key;
        return null;
    }

    /// <summary>Why nothing is changed any more in an exercise that was handed in.</summary>
    public static Trouble HandedIn { get; } =
        Trouble.Gate("", "It is handed in. Begin the same vehicle again from its score.");

    /// <summary>Whether a request may change something; what is foretold of a plan or a file is only looked at.</summary>
    private static bool Changes(HttpRequest request) =>
        !HttpMethods.IsGet(request.Method)
        && !HttpMethods.IsHead(request.Method)
        && !request.Path.Value!.EndsWith("/preview", StringComparison.Ordinal);

    private static Guid? Named(HttpContext context) =>
        Guid.TryParse(
            context.GetRouteValue("job") as string
                ?? (
                    OfTheBay.Any(p => context.Request.Path.StartsWithSegments(p))
                        ? context.Request.Headers[Header].ToString()
                        : ""
                ),
            out var key
        )
            ? key
            : null;
}
