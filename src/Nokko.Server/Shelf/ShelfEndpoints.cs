using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Shelf;
using Nokko.Core.Suspension;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Storage;

namespace Nokko.Server.Shelf;

/// <summary>The parts at hand and the shop's list of platforms.</summary>
internal static class ShelfEndpoints
{
    /// <summary>For how long a part that was taken off the shelf can be put back.</summary>
    private static readonly TimeSpan BinKeeps = TimeSpan.FromDays(90);

    internal sealed record ShelfPart(Part Part, uint Version);

    /// <summary>A kind of part with its rule and where it has a place.</summary>
    internal sealed record PartKindView(
        PartRule Rule,
        IReadOnlyList<PartSize> Sizes,
        IReadOnlyList<SuspensionKind> Fits
    );

    internal sealed record PartSizeInput(string Name, QuantityInput? Value);

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
        string? Notes,
        QuantityInput? Extension = null,
        IReadOnlyList<PartSizeInput>? Sizes = null,
        IReadOnlyList<Leaf>? Leaves = null,
        QuantityInput? Hours = null,
        string? Limits = null
    );

    internal sealed record SavePlatform(Guid Id, string Name);

    private static readonly PartKindView[] Kinds =
    [
        .. PartRule.All.Select(r => new PartKindView(
            r,
            [.. r.Sizes.Select(s => PartSizes.Find(s)!)],
            [.. Enum.GetValues<SuspensionKind>().Where(r.Fits)]
        )),
    ];

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/parts", Parts);
        api.MapGet("/parts/bin", Binned);
        api.MapGet("/part-kinds", () => TypedResults.Ok(Kinds));
        api.MapPut("/parts/{id:guid}", Save);
        api.MapDelete("/parts/{id:guid}", TakeOff);
        api.MapPost("/parts/{id:guid}/put-back", PutBack);
        api.MapGet("/platforms", Platforms);
        api.MapPost("/platforms", AddPlatform);
        ShelfFiles.Map(api);
    }

    private static async Task<Ok<ShelfPart[]>> Parts(
        NokkoDb db,
        Guid? after,
        CancellationToken cancel
    ) => TypedResults.Ok(await List(db.Parts.Where(p => p.BinnedAt == null), after, cancel));

    private static async Task<Ok<ShelfPart[]>> Binned(
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var since = clock.GetUtcNow() - BinKeeps;
        return TypedResults.Ok(await List(db.Parts.Where(p => p.BinnedAt > since), null, cancel));
    }

    private static Task<ShelfPart[]> List(
        IQueryable<Part> parts,
        Guid? after,
        CancellationToken cancel
    ) =>
        parts
            .AsNoTracking()
            .Where(p => after == null || p.Id > after)
            .OrderBy(p => p.Id)
            .Take(200)
            .Select(p => new ShelfPart(p, EF.Property<uint>(p, NokkoDb.VersionColumn)))
            .ToArrayAsync(cancel);

    private static async Task<Results<Ok<ShelfPart>, ProblemHttpResult>> Save(
        Guid id,
        SavePart body,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        try
        {
            var part = Read(id, body);
            var existing = await db.Parts.FirstOrDefaultAsync(p => p.Id == id, cancel);
            if (existing is null)
            {
                existing = db.Put(part);
            }
            else
            {
                db.Entry(existing).Property(NokkoDb.VersionColumn).OriginalValue =
                    body.Version ?? 0;
                db.Entry(existing)
                    .CurrentValues.SetValues(part with { BinnedAt = existing.BinnedAt });
            }
            await db.SaveChangesAsync(cancel);
            return Answer(db, existing);
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

    private static Ok<ShelfPart> Answer(NokkoDb db, Part part) =>
        TypedResults.Ok(
            new ShelfPart(part, (uint)db.Entry(part).Property(NokkoDb.VersionColumn).CurrentValue!)
        );

    /// <summary>Reads a part as typed.</summary>
    /// <exception cref="TroubleException">Something that was typed cannot be taken.</exception>
    internal static Part Read(Guid id, SavePart body)
    {
        if (body.Count is < 0 or > 100_000)
        {
            throw new TroubleException(Trouble.At("count", "Count the pieces: 0 or more."));
        }
        if (body.Price is < 0 or > 1_000_000)
        {
            throw new TroubleException(Trouble.At("price", "That is no price of one piece."));
        }
        var rule = PartRule.Of(body.Kind);
        var sizes = new Dictionary<string, Quantity>();
        foreach (var (name, value) in body.Sizes ?? [])
        {
            if (!rule.Sizes.Contains(name))
            {
                throw new TroubleException(
                    Trouble.At("sizes", $"A {rule.Said} has no size “{name}”.")
                );
            }
            var size = PartSizes.Find(name)!;
            if (QuantityInput.Read(value, name, size.Unit, positive: false) is { } read)
            {
                if (PartSizes.WhyNot(name, read.In(size.Unit)) is { } why)
                {
                    throw new TroubleException(Trouble.At(name, why));
                }
                sizes[name] = read;
            }
        }
        var leaves = body.Leaves ?? [];
        if (leaves.Count > 0)
        {
            if (body.Kind != PartKind.LeafPack)
            {
                throw new TroubleException(Trouble.At("leaves", $"A {rule.Said} has no leaves."));
            }
            if (LeafPackBuild.WhyNot(leaves) is { } why)
            {
                throw new TroubleException(Trouble.At("leaves", why));
            }
        }
        if (rule.Amount is null && !string.IsNullOrWhiteSpace(body.Thickness?.Typed))
        {
            throw new TroubleException(
                Trouble.At(
                    "thickness",
                    $"A {rule.Said} has no thickness that lifts: is it the claim, or one of its other sizes?"
                )
            );
        }
        return new Part
        {
            Id = id,
            Number = TakeIn.Text(body.Number, "number", "What is its number?"),
            Name = TakeIn.Text(body.Name, "name", "What is it called?"),
            Kind = body.Kind,
            Thickness = QuantityInput.Read(body.Thickness, "thickness", "mm"),
            Claim = QuantityInput.Read(body.Claim, "claim", "mm"),
            Extension = QuantityInput.Read(body.Extension, "extension", "mm"),
            Dimensions = sizes,
            Leaves = leaves,
            Count = body.Count,
            Price = body.Price,
            Currency = Currency(body),
            Hours = QuantityInput.Read(body.Hours, "hours", "h"),
            Limits = Long(body.Limits, "limits"),
            Notes = Long(body.Notes, "notes"),
        };
    }

    private static string? Currency(SavePart body) =>
        TakeIn.Blank(body.Currency)?.ToUpperInvariant() switch
        {
            null => null,
            { Length: 3 } code when code.All(char.IsAsciiLetterUpper) => code,
            _ => throw new TroubleException(
                Trouble.At("currency", "Write the currency with its three letters.")
            ),
        };

    private static string? Long(string? text, string field) =>
        TakeIn.Blank(text) is { Length: > 2_000 }
            ? throw new TroubleException(
                Trouble.At(field, "That is too long: 2,000 characters at most.")
            )
            : TakeIn.Blank(text);

    /// <summary>Takes a part off the shelf; stacks keep their own copy of it, and it can be put back for 90 days.</summary>
    private static Task<Results<Ok<ShelfPart>, ProblemHttpResult>> TakeOff(
        Guid id,
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) => Bin(id, clock.GetUtcNow(), db, cancel);

    private static Task<Results<Ok<ShelfPart>, ProblemHttpResult>> PutBack(
        Guid id,
        NokkoDb db,
        CancellationToken cancel
    ) => Bin(id, null, db, cancel);

    private static async Task<Results<Ok<ShelfPart>, ProblemHttpResult>> Bin(
        Guid id,
        DateTimeOffset? at,
        NokkoDb db,
        CancellationToken cancel
    )
    {
        if (await db.Parts.FirstOrDefaultAsync(p => p.Id == id, cancel) is not { } part)
        {
            return Trouble.Missing("There is no such part on the shelf.").Answer();
        }
        db.Entry(part).CurrentValues.SetValues(part with { BinnedAt = at });
        await db.SaveChangesAsync(cancel);
        return Answer(db, part);
    }

    private static async Task<Ok<Platform[]>> Platforms(NokkoDb db, CancellationToken cancel) =>
        TypedResults.Ok(
            await db
                .Platforms.AsNoTracking()
                .OrderBy(p => p.Name)
                .ThenBy(p => p.Id)
                .ToArrayAsync(cancel)
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
