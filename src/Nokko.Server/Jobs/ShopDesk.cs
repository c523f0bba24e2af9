using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Server.Shelf;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Server.Jobs;

/// <summary>What a list of commands on the shop came to.</summary>
internal sealed record ShopAnswer(IReadOnlyList<Outcome> Outcomes);

/// <summary>The door for what is done in the shop outside a job, and for opening one.</summary>
internal sealed class ShopDesk(NokkoDb db, SignedIn me, TimeProvider clock, Meters meters)
{
    /// <summary>Carries out commands in order, each whole or not at all.</summary>
    public async Task<Results<Ok<ShopAnswer>, ProblemHttpResult>> Carry(
        HttpRequest request,
        CancellationToken cancel
    )
    {
        try
        {
            var outcomes = new List<Outcome>();
            foreach (var sent in await Sent<ShopCommand>.Read(request, cancel))
            {
                outcomes.Add(await One(sent, cancel));
            }
            meters.Count(outcomes);
            return TypedResults.Ok(new ShopAnswer(await db.WithNames(outcomes, null, cancel)));
        }
        catch (RefusedException e)
        {
            return Trouble.Of(e.Refusal).Answer();
        }
    }

    private async Task<Outcome> One(Sent<ShopCommand> sent, CancellationToken cancel)
    {
        if (sent is not { Command: { } command, CommandId: { } key })
        {
            return new Outcome(sent.CommandId, OutcomeStatus.Refused, sent.Why);
        }
        for (var left = 3; ; left--)
        {
            try
            {
                return await db.Last(() => Once(sent, command, key, cancel));
            }
            catch (DbUpdateException e)
                when (left > 1
                    && (
                        e is DbUpdateConcurrencyException
                        || e.InnerException
                            is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation }
                    )
                )
            {
                // The same came by another way at the same moment: decided anew.
            }
            catch (DbUpdateException e)
                when (e.InnerException
                        is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation }
                )
            {
                return new Outcome(
                    key,
                    OutcomeStatus.Refused,
                    new Refusal(
                        RefusalKind.Conflict,
                        "id",
                        "This was stored already, or its key is used elsewhere."
                    )
                );
            }
        }
    }

    private async Task<Outcome> Once(
        Sent<ShopCommand> sent,
        ShopCommand command,
        Guid key,
        CancellationToken cancel
    )
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var earlier = await db
            .Commands.Where(c => c.Id == key)
            .Select(c => new { c.Hash, c.JobId })
            .FirstOrDefaultAsync(cancel);
        var job = (command as TakeIn)?.JobId;
        if (
            Outcome.OfEarlier(
                key,
                sent.Hash,
                earlier?.JobId == job,
                earlier?.Hash,
                earlier is not null
            ) is
            { } used
        )
        {
            if (used.Status == OutcomeStatus.Repeated)
            {
                await db.Confirm();
                await transaction.CommitAsync(CancellationToken.None);
            }
            return used;
        }
        var (shop, versions) = await State(command, cancel);
        var decision = command.On(
            shop,
            new DecisionContext
            {
                PersonId = me.PersonId,
                PersonName = me.Name,
                Role = me.Role,
                Style = me.Style,
                Now = Instants.ToMicroseconds(clock.GetUtcNow()),
                Versions = versions,
            }
        );
        if (decision is not Decision.Made made)
        {
            return new Outcome(key, OutcomeStatus.Refused, ((Decision.Refused)decision).Why);
        }
        if (command is TakeIn takeIn)
        {
            db.WriteOf(takeIn.JobId, takeIn.VehicleId, made.Changes, versions);
            var opened = await db.SaveNew(takeIn.JobId, cancel);
            await db.KeepOthers(opened, made.Changes, cancel);
        }
        else
        {
            db.WriteShop(made.Changes, versions);
        }
        db.Put(StoredCommand.Of(made.Entry, job, (sent.Hash, sent.Body, made.Changes)));
        foreach (var move in StockMove.Of(made.Entry, made.Changes, job))
        {
            db.Put(move);
        }
        await db.SaveChangesAsync(CancellationToken.None);
        if (command is EraseOwner erased)
        {
            await db.KeepErased(
                erased.Id,
                [.. made.Changes.Select(c => c.Row).OfType<Attachment>().Select(a => a.Sha256)],
                CancellationToken.None
            );
        }
        await transaction.CommitAsync(CancellationToken.None);
        return new Outcome(key, OutcomeStatus.Stored);
    }

    private async Task<(ShopState, Dictionary<Guid, uint>)> State(
        ShopCommand command,
        CancellationToken cancel
    )
    {
        var versions = new Dictionary<Guid, uint>();
        switch (command)
        {
            case TakeIn c:
                var name = TypedText.Blank(c.OwnerName) ?? "";
                return (
                    new ShopState
                    {
                        Owners = await db
                            .Owners.AsNoTracking()
                            .Where(o => o.Name == name)
                            .ToListAsync(cancel),
                        Platforms = await db
                            .Platforms.AsNoTracking()
                            .Where(p => p.Id == c.PlatformId)
                            .ToListAsync(cancel),
                        Vehicle = await Known(c.VehicleId, versions, cancel),
                        Ways = await db.ShopWays.AsNoTracking().FirstOrDefaultAsync(cancel),
                    },
                    versions
                );
            case SetShopWays or KeepLimit or NoteTool:
                var ways = await db
                    .ShopWays.AsNoTracking()
                    .Select(w => new
                    {
                        Ways = w,
                        Version = EF.Property<uint>(w, NokkoDb.VersionColumn),
                    })
                    .FirstOrDefaultAsync(cancel);
                if (ways is not null)
                {
                    versions[ways.Ways.Id] = ways.Version;
                }
                return (new ShopState { Ways = ways?.Ways }, versions);
            case AddTip:
                return (new ShopState(), versions);
            case DropTip { Id: var tip }:
                return (
                    new ShopState
                    {
                        Tip = await db
                            .Tips.AsNoTracking()
                            .FirstOrDefaultAsync(t => t.Id == tip, cancel),
                    },
                    versions
                );
            case SaveInstrument c:
                return (await OfInstrument(c.Id), versions);
            case CheckInstrument { Id: var id }:
                return (await OfInstrument(id), versions);
            case NoteMishap { Id: var id }:
                return (await OfInstrument(id), versions);
            case DropInstrumentNote { Id: var id }:
                return (await OfInstrument(id), versions);
            case EraseOwner { Id: var id }:
                return (new ShopState { OwnersData = await Of(id, versions, cancel) }, versions);
            case SavePlatform c:
                var wanted = TypedText.Blank(c.Name) ?? "";
                return (
                    new ShopState
                    {
                        Platforms = await db
                            .Platforms.AsNoTracking()
                            .Where(p => p.Id == c.Id || p.Name == wanted)
                            .ToListAsync(cancel),
                    },
                    versions
                );
            case AddVariant { PlatformId: var id }:
                return (await OfPlatform(id), versions);
            case DropVariant { PlatformId: var id }:
                return (await OfPlatform(id), versions);
            case SavePart { Id: var id }:
                return (await OfPart(id), versions);
            case MoveStock { Id: var id }:
                return (await OfPart(id), versions);
            case BinPart { Id: var id }:
                return (await OfPart(id), versions);
            case PutPartBack { Id: var id }:
                return (await OfPart(id), versions);
            case ReadInShelf:
                var all = await db
                    .Parts.AsNoTracking()
                    .Where(p => p.BinnedAt == null)
                    .OrderBy(p => p.Id)
                    .Select(p => new
                    {
                        Part = p,
                        Version = EF.Property<uint>(p, NokkoDb.VersionColumn),
                    })
                    .ToListAsync(cancel);
                all.ForEach(p => versions[p.Part.Id] = p.Version);
                return (
                    new ShopState { Shelf = ShelfFiles.ByName(all.Select(p => p.Part)) },
                    versions
                );
            default:
                throw new ArgumentOutOfRangeException(nameof(command));
        }

        // Held until the command is stored: two who add to one list at once both succeed.
        async Task<ShopState> OfPlatform(Guid id) =>
            new()
            {
                Platforms = await db
                    .Platforms.FromSql($"select * from platforms where id = {id} for update")
                    .AsNoTracking()
                    .ToListAsync(cancel),
            };

        // Held, too: two who note something of one instrument both succeed.
        async Task<ShopState> OfInstrument(Guid id)
        {
            var found = await db
                .Instruments.FromSql($"select *, xmin from instruments where id = {id} for update")
                .AsNoTracking()
                .Select(i => new
                {
                    Instrument = i,
                    Version = EF.Property<uint>(i, NokkoDb.VersionColumn),
                })
                .FirstOrDefaultAsync(cancel);
            if (found is not null)
            {
                versions[id] = found.Version;
            }
            return new ShopState
            {
                Instrument = found?.Instrument,
                InstrumentNames = await db
                    .Instruments.Where(i => i.Id != id && i.PutAwayAt == null)
                    .Select(i => i.Name)
                    .ToListAsync(cancel),
            };
        }

        async Task<ShopState> OfPart(Guid id)
        {
            var found = await db
                .Parts.AsNoTracking()
                .Where(p => p.Id == id)
                .Select(p => new
                {
                    Part = p,
                    Version = EF.Property<uint>(p, NokkoDb.VersionColumn),
                })
                .FirstOrDefaultAsync(cancel);
            if (found is not null)
            {
                versions[id] = found.Version;
            }
            return new ShopState { Part = found?.Part };
        }
    }

    /// <summary>What there is of an owner, held until it is erased.</summary>
    private async Task<OwnersData?> Of(
        Guid id,
        Dictionary<Guid, uint> versions,
        CancellationToken cancel
    )
    {
        var owner = await db
            .Owners.FromSql($"select *, xmin from owners where id = {id} for update")
            .AsNoTracking()
            .Select(o => new { Owner = o, Version = EF.Property<uint>(o, NokkoDb.VersionColumn) })
            .FirstOrDefaultAsync(cancel);
        if (owner is null)
        {
            return null;
        }
        versions[id] = owner.Version;
        var vehicles = await db
            .Vehicles.AsNoTracking()
            .Where(v => v.OwnerId == id)
            .Select(v => new { Vehicle = v, Version = EF.Property<uint>(v, NokkoDb.VersionColumn) })
            .ToListAsync(cancel);
        vehicles.ForEach(v => versions[v.Vehicle.Id] = v.Version);
        var jobs = db.Jobs.Where(j => db.Vehicles.Any(v => v.Id == j.VehicleId && v.OwnerId == id));
        return new OwnersData(
            owner.Owner,
            [.. vehicles.Select(v => v.Vehicle)],
            await db
                .Steps.AsNoTracking()
                .Where(s =>
                    s.AgreedBy != null
                    && jobs.Any(j => j.Id == EF.Property<Guid>(s, NokkoDb.JobIdColumn))
                )
                .ToListAsync(cancel),
            await db.Set<Signature>()
                .AsNoTracking()
                .Where(s =>
                    s.As != SignedAs.Shop
                    && jobs.Any(j => j.Id == EF.Property<Guid>(s, NokkoDb.JobIdColumn))
                )
                .ToListAsync(cancel),
            await db.Set<Attachment>()
                .AsNoTracking()
                .Where(a => jobs.Any(j => j.Id == EF.Property<Guid>(a, NokkoDb.JobIdColumn)))
                .ToListAsync(cancel),
            await jobs.AnyAsync(j => j.HandedOverAt == null && j.BinnedAt == null, cancel)
        );
    }

    /// <summary>A vehicle of the shop, held until the command is stored: two jobs of it do not open at once.</summary>
    private async Task<KnownVehicle?> Known(
        Guid id,
        Dictionary<Guid, uint> versions,
        CancellationToken cancel
    )
    {
        var found = await db
            .Vehicles.FromSql($"select *, xmin from vehicles where id = {id} for update")
            .AsNoTracking()
            .Select(v => new { Vehicle = v, Version = EF.Property<uint>(v, NokkoDb.VersionColumn) })
            .FirstOrDefaultAsync(cancel);
        if (found is null)
        {
            return null;
        }
        versions[id] = found.Version;
        return new KnownVehicle(
            found.Vehicle,
            await db.Stages.AsNoTracking().Where(s => s.VehicleId == id).ToListAsync(cancel),
            await db.OpenJobOf(id, null, cancel)
        );
    }
}
