using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Parts;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Storage;

namespace Nokko.Server.Shelf;

/// <summary>The parts at hand and the shop's list of platforms.</summary>
internal static class ShelfEndpoints
{
    internal sealed record ShelfPart(Part Part, uint Version);

    internal sealed record SavePart(
        uint? Version,
        string Number,
        string Name,
        PartKind Kind,
        QuantityInput? Thickness,
        QuantityInput? Claim,
        int Count,
        decimal? Price,
        string? Currency,
        string? Notes
    );

    internal sealed record SavePlatform(Guid Id, string Name);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/parts", Parts);
        api.MapPut("/parts/{id:guid}", Save);
        api.MapGet("/platforms", Platforms);
        api.MapPost("/platforms", AddPlatform);
    }

    private static async Task<Ok<ShelfPart[]>> Parts(
        NokkoDb db,
        Guid? after,
        CancellationToken cancel
    ) =>
        TypedResults.Ok(
            await db
                .Parts.AsNoTracking()
                .Where(p => after == null || p.Id > after)
                .OrderBy(p => p.Id)
                .Take(200)
                .Select(p => new ShelfPart(p, EF.Property<uint>(p, NokkoDb.VersionColumn)))
                .ToArrayAsync(cancel)
        );

    private static async Task<Results<Ok<ShelfPart>, ProblemHttpResult>> Save(
        Guid id,
        SavePart body,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        try
        {
            if (body.Count is < 0 or > 100_000)
            {
                throw new TroubleException(Trouble.At("count", "Count the pieces: 0 or more."));
            }
            var part = new Part
            {
                Id = id,
                Number = TakeIn.Text(body.Number, "number", "What is its number?"),
                Name = TakeIn.Text(body.Name, "name", "What is it called?"),
                Kind = body.Kind,
                Thickness = QuantityInput.Read(body.Thickness, "thickness", "mm"),
                Claim = QuantityInput.Read(body.Claim, "claim", "mm"),
                Count = body.Count,
                Price = body.Price,
                Currency = TakeIn.Blank(body.Currency),
                Notes = TakeIn.Blank(body.Notes),
            };
            var existing = await db.Parts.FirstOrDefaultAsync(p => p.Id == id, cancel);
            if (existing is null)
            {
                db.Put(part);
            }
            else
            {
                db.Entry(existing).Property(NokkoDb.VersionColumn).OriginalValue =
                    body.Version ?? 0;
                db.Entry(existing)
                    .CurrentValues.SetValues(part with { Extension = existing.Extension });
            }
            await db.SaveChangesAsync(cancel);
            return TypedResults.Ok(
                new ShelfPart(
                    part,
                    (uint)db.Entry(existing ?? part).Property(NokkoDb.VersionColumn).CurrentValue!
                )
            );
        }
        catch (TroubleException e)
        {
            return e.Trouble.Answer();
        }
        catch (DbUpdateConcurrencyException e)
        {
            var theirs = await e.Entries[0].GetDatabaseValuesAsync(cancel);
            return (
                Trouble.Gate(
                    "version",
                    "Somebody else changed this part meanwhile. Look at both and choose."
                ) with
                {
                    Theirs = theirs?.ToObject(),
                }
            ).Answer();
        }
    }

    private static async Task<Ok<Platform[]>> Platforms(NokkoDb db, CancellationToken cancel) =>
        TypedResults.Ok(
            await db.Platforms.AsNoTracking().OrderBy(p => p.Name).ToArrayAsync(cancel)
        );

    private static async Task<Results<Ok<Platform>, ProblemHttpResult>> AddPlatform(
        SavePlatform body,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (TakeIn.Blank(body.Name) is not { } name)
        {
            return Trouble.At("name", "Name the platform.").Answer();
        }
        if (await db.Platforms.FirstOrDefaultAsync(p => p.Name == name, cancel) is { } there)
        {
            return TypedResults.Ok(there);
        }
        var platform = db.Put(new Platform { Id = body.Id, Name = name });
        await db.SaveChangesAsync(cancel);
        return TypedResults.Ok(platform);
    }
}
