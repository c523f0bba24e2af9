using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Bench;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Storage;

namespace Nokko.Server.Shelf;

/// <summary>The parts at hand and the shop's list of platforms.</summary>
internal static class ShelfEndpoints
{
    /// <summary>For how long a part that was taken off the shelf can be put back.</summary>
    /// <summary>A part with its version.</summary>
    /// <param name="Part">The part.</param>
    /// <param name="Version">Version of its row.</param>
    /// <param name="Fits">For which vehicles it is, in one line; null where nobody noted it.</param>
    internal sealed record ShelfPart(Part Part, uint Version, string? Fits);

    /// <summary>A kind of part with its rule and where it has a place.</summary>
    internal sealed record PartKindView(
        PartRule Rule,
        IReadOnlyList<PartSize> Sizes,
        IReadOnlyList<SuspensionKind> Fits,
        IReadOnlyList<PartTemplate> Templates
    );

    /// <summary>A template of a kind.</summary>
    /// <param name="Sheet">The calculator's sheet.</param>
    /// <param name="Said">As said in a bay.</param>
    internal sealed record PartTemplate(string Sheet, string Said);

    private static readonly PartKindView[] Kinds =
    [
        .. PartRule.All.Select(r => new PartKindView(
            r,
            [.. r.Sizes.Select(s => PartSizes.Find(s)!)],
            [.. Enum.GetValues<SuspensionKind>().Where(r.FitsOn)],
            [.. r.Templates.Select(t => new PartTemplate(t, BenchSheets.Find(t)!.Said))]
        )),
    ];

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/parts", Parts);
        api.MapGet("/parts/bin", Binned);
        api.MapGet("/parts/wanted", Wanted);
        api.MapGet("/parts/{part:guid}/moves", Moves);
        api.MapGet("/part-kinds", () => TypedResults.Ok(Kinds));
        api.MapGet("/platforms", Platforms);
        ShelfFiles.Map(api);
    }

    /// <summary>Of the last moves so many are shown.</summary>
    private const int MovesShown = 50;

    /// <summary>Pieces that came or left, with who moved them.</summary>
    /// <param name="At">When.</param>
    /// <param name="By">How many came, below zero left.</param>
    /// <param name="Left">How many lay there after it.</param>
    /// <param name="Does">What was done.</param>
    /// <param name="Person">Who; null where the account is gone.</param>
    /// <param name="JobId">The job; null outside one.</param>
    internal sealed record StockLine(
        DateTimeOffset At,
        int By,
        int Left,
        string Does,
        string? Person,
        Guid? JobId
    );

    /// <summary>What the chosen plans of open jobs take once they are begun.</summary>
    private static async Task<Ok<StockStore.WantedPart[]>> Wanted(
        NokkoDb db,
        CancellationToken cancel
    ) => TypedResults.Ok(await db.WantedParts(null, cancel));

    private static async Task<Ok<StockLine[]>> Moves(
        Guid part,
        NokkoDb db,
        CancellationToken cancel
    ) =>
        TypedResults.Ok(
            await db
                .StockMoves.AsNoTracking()
                .Where(m => m.PartId == part)
                .OrderByDescending(m => m.At)
                .ThenByDescending(m => m.Id)
                .Take(MovesShown)
                .Select(m => new StockLine(
                    m.At,
                    m.By,
                    m.Left,
                    m.Does,
                    db.Users.Where(u => u.Id == m.PersonId)
                        .Select(u => u.PersonName)
                        .FirstOrDefault(),
                    m.JobId
                ))
                .ToArrayAsync(cancel)
        );

    /// <summary>The whole shelf: a device keeps it, and finds in it without asking again.</summary>
    private static async Task<Ok<ShelfPart[]>> Parts(NokkoDb db, CancellationToken cancel) =>
        TypedResults.Ok(await List(db.Parts.Where(p => p.BinnedAt == null), cancel));

    private static async Task<Ok<ShelfPart[]>> Binned(
        NokkoDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var since = clock.GetUtcNow() - Bin.Keeps;
        return TypedResults.Ok(await List(db.Parts.Where(p => p.BinnedAt > since), cancel));
    }

    private static Task<ShelfPart[]> List(IQueryable<Part> parts, CancellationToken cancel) =>
        parts
            .AsNoTracking()
            .OrderBy(p => p.Id)
            .Take(ReadInShelf.Most)
            .Select(p => new ShelfPart(
                p,
                EF.Property<uint>(p, NokkoDb.VersionColumn),
                p.Fit == null ? null : p.Fit.Said()
            ))
            .ToArrayAsync(cancel);

    private static async Task<Ok<Platform[]>> Platforms(NokkoDb db, CancellationToken cancel) =>
        TypedResults.Ok(
            await db
                .Platforms.AsNoTracking()
                .OrderBy(p => p.Name)
                .ThenBy(p => p.Id)
                .ToArrayAsync(cancel)
        );
}
