using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Papers;

/// <summary>Makes, finds and takes back addresses that open one thing without signing in.</summary>
internal static class SharedAddresses
{
    /// <summary>Most that hold at once for one thing.</summary>
    private const int Most = 20;

    /// <summary>An address as it was made: what is secret in it is shown once.</summary>
    /// <param name="Token">What stands in the address.</param>
    /// <param name="EndsAt">When it ends; null holds until it is taken back.</param>
    internal sealed record MadeAddress(string Token, DateTimeOffset? EndsAt);

    /// <summary>An address that holds.</summary>
    /// <param name="Id">Its key.</param>
    /// <param name="By">Who made it.</param>
    /// <param name="MadeAt">When.</param>
    /// <param name="EndsAt">When it ends.</param>
    /// <param name="SeenAt">When it was asked for last.</param>
    /// <param name="Plates">Whether plates are shown.</param>
    /// <param name="Owners">Whether owners are shown.</param>
    /// <param name="Pictures">Whether photographs are shown.</param>
    internal sealed record OpenAddress(
        Guid Id,
        string? By,
        DateTimeOffset MadeAt,
        DateTimeOffset? EndsAt,
        DateTimeOffset? SeenAt,
        bool Plates,
        bool Owners,
        bool Pictures
    );

    /// <summary>Makes one, on a fitter's word.</summary>
    public static async Task<Results<Ok<MadeAddress>, ProblemHttpResult>> Make(
        NokkoDb db,
        SignedIn me,
        DateTimeOffset now,
        SharedThing opens,
        Guid? job,
        (bool Plates, bool Owners, bool Pictures) shown,
        TimeSpan? holds,
        CancellationToken cancel
    )
    {
        if (!me.Role.Answers())
        {
            return Trouble.At("", "What leaves the shop leaves on a fitter’s word.").Answer();
        }
        // What has ended is nobody's any more.
        await db
            .SharedAddresses.Where(a => a.ShopId == me.ShopId && a.EndsAt <= now)
            .ExecuteDeleteAsync(cancel);
        if (await Of(db, me, opens, job).CountAsync(cancel) >= Most)
        {
            return Trouble
                .At("", $"There are {Most} links to it already: take some back first.")
                .Answer();
        }
        var token = SecretToken.Make();
        var made = new SharedAddress
        {
            Id = Guid.CreateVersion7(),
            ShopId = me.ShopId,
            Hash = SecretToken.HashOf(token),
            Opens = opens,
            JobId = job,
            Plates = shown.Plates,
            Owners = shown.Owners,
            Pictures = shown.Pictures,
            LengthUnit = me.Style.Unit.Symbol,
            MadeBy = me.PersonId,
            MadeAt = now,
            EndsAt = now + holds,
        };
        db.SharedAddresses.Add(made);
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(new MadeAddress(token, made.EndsAt));
    }

    /// <summary>Addresses of one thing that hold.</summary>
    public static Task<List<OpenAddress>> Open(
        NokkoDb db,
        SignedIn me,
        DateTimeOffset now,
        SharedThing opens,
        Guid? job,
        CancellationToken cancel
    ) =>
        Of(db, me, opens, job)
            .AsNoTracking()
            .Where(a => a.EndsAt == null || a.EndsAt > now)
            .OrderBy(a => a.MadeAt)
            .Select(a => new OpenAddress(
                a.Id,
                db.Users.Where(u => u.Id == a.MadeBy).Select(u => u.PersonName).FirstOrDefault(),
                a.MadeAt,
                a.EndsAt,
                a.SeenAt,
                a.Plates,
                a.Owners,
                a.Pictures
            ))
            .ToListAsync(cancel);

    /// <summary>Takes one back: from then on it opens nothing.</summary>
    public static async Task<bool> End(
        NokkoDb db,
        SignedIn me,
        Guid address,
        CancellationToken cancel
    ) =>
        await db
            .SharedAddresses.Where(a => a.Id == address && a.ShopId == me.ShopId)
            .ExecuteDeleteAsync(cancel) == 1;

    /// <summary>What an address opens, and from then on its shop's rows alone; null where it opens nothing, or nothing any more.</summary>
    public static async Task<SharedAddress?> Find(
        NokkoDb db,
        string? token,
        SharedThing opens,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var hash = SecretToken.HashOf(token);
        var found = await db.SharedAddresses.SingleOrDefaultAsync(
            a => a.Hash == hash && a.Opens == opens && (a.EndsAt == null || a.EndsAt > now),
            cancel
        );
        if (found is null)
        {
            return null;
        }
        db.ShopId = found.ShopId;
        // Once an hour is enough to see whether anybody still comes.
        if (!(now - found.SeenAt < TimeSpan.FromHours(1)))
        {
            await db
                .SharedAddresses.Where(a => a.Id == found.Id)
                .ExecuteUpdateAsync(a => a.SetProperty(x => x.SeenAt, now), cancel);
        }
        return found;
    }

    /// <summary>Said where an address opens nothing.</summary>
    public static Trouble Over() =>
        Trouble.Missing(
            "This address was taken back, or its time is over. Ask the shop for another."
        );

    private static IQueryable<SharedAddress> Of(
        NokkoDb db,
        SignedIn me,
        SharedThing opens,
        Guid? job
    ) => db.SharedAddresses.Where(a => a.ShopId == me.ShopId && a.Opens == opens && a.JobId == job);
}
