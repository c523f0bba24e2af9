using System.Data;
using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Vehicles;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Server.Practice;
using Nokko.Server.Week;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Server.Jobs;

/// <summary>A row of the document that changed.</summary>
/// <param name="List">Name of its list.</param>
/// <param name="Id">Its key.</param>
/// <param name="Row">The row as it is now; null when it is gone.</param>
internal sealed record ChangedRow(string List, Guid Id, JsonElement? Row);

/// <summary>What a list of commands came to: what became of each, and what changed in the job.</summary>
/// <param name="Outcomes">What became of each command, in order.</param>
/// <param name="From">Version of the job before; whoever has another one asks for the job anew.</param>
/// <param name="Version">Version of the job now.</param>
/// <param name="Rows">Rows that changed.</param>
/// <param name="Versions">Versions of rows that are edited and changed.</param>
/// <param name="Sections">What is computed and changed, by the name of its place in the view.</param>
internal sealed record JobAnswer(
    IReadOnlyList<Outcome> Outcomes,
    long From,
    long Version,
    IReadOnlyList<ChangedRow> Rows,
    IReadOnlyDictionary<Guid, uint> Versions,
    IReadOnlyDictionary<string, JsonElement> Sections
);

/// <summary>The one door for changes of a job: under its lock it loads, lets the core decide, stores, and answers.</summary>
internal sealed class JobDesk(NokkoDb db, SignedIn me, TimeProvider clock, Meters meters)
{
    private const int Tries = 4;

    /// <summary>Carries out commands in order, each whole or not at all.</summary>
    public async Task<Results<Ok<JobAnswer>, ProblemHttpResult>> Carry(
        Guid job,
        HttpRequest request,
        CancellationToken cancel
    )
    {
        try
        {
            if (
                await Carry(job, await Sent<JobCommand>.Read(request, cancel), cancel)
                is not { } answer
            )
            {
                return Trouble.Missing("There is no such job in this shop.").Answer();
            }
            meters.Count(answer.Outcomes);
            return TypedResults.Ok(answer);
        }
        catch (RefusedException e)
        {
            return Trouble.Of(e.Refusal).Answer();
        }
    }

    /// <summary>Carries out commands in order, each whole or not at all; null where there is no such job.</summary>
    public async Task<JobAnswer?> Carry(
        Guid job,
        IReadOnlyList<Sent<JobCommand>> sent,
        CancellationToken cancel
    )
    {
        for (var left = Tries; ; left--)
        {
            try
            {
                return await db.Last(() => Once(job, sent, cancel));
            }
            catch (DbUpdateException e) when (left > 1 && Raced(e))
            {
                // Another job took from the same shelf, or the same key came by another way: decided anew.
            }
            catch (DbUpdateException e) when (Raced(e) || CannotBeStored(e))
            {
                return await OneByOne(job, sent, cancel);
            }
        }
    }

    private static bool Raced(DbUpdateException e) =>
        e is DbUpdateConcurrencyException
        || e.InnerException
            is PostgresException
            {
                SqlState: PostgresErrorCodes.UniqueViolation
                    or PostgresErrorCodes.SerializationFailure
                    or PostgresErrorCodes.DeadlockDetected
            };

    /// <summary>Whether the database refuses what is in it (classes 22 and 23): sending it again would not help.</summary>
    private static bool CannotBeStored(DbUpdateException e) =>
        e.InnerException is PostgresException { SqlState: ['2', '2' or '3', ..] };

    /// <summary>Finds the command that cannot be stored, so that it does not keep the others back. Whoever asked looks at the job anew.</summary>
    private async Task<JobAnswer> OneByOne(
        Guid job,
        IReadOnlyList<Sent<JobCommand>> sent,
        CancellationToken cancel
    )
    {
        var outcomes = new List<Outcome>();
        var version = 0L;
        foreach (var one in sent)
        {
            try
            {
                if (await db.Last(() => Once(job, [one], cancel)) is { } answer)
                {
                    outcomes.AddRange(answer.Outcomes);
                    version = answer.Version;
                }
            }
            catch (DbUpdateException e) when (Raced(e) || CannotBeStored(e))
            {
                outcomes.Add(
                    new Outcome(
                        one.CommandId,
                        OutcomeStatus.Refused,
                        new Refusal(
                            RefusalKind.Conflict,
                            "",
                            "This could not be stored: somebody stored the same thing, or something that it names is not there. Look at the job as it is now."
                        )
                    )
                );
            }
        }
        return Anew(outcomes, version);
    }

    /// <summary>An answer after which the job is fetched anew.</summary>
    private static JobAnswer Anew(IReadOnlyList<Outcome> outcomes, long version) =>
        new(
            outcomes,
            -1,
            version,
            [],
            new Dictionary<Guid, uint>(),
            new Dictionary<string, JsonElement>()
        );

    private async Task<JobAnswer?> Once(
        Guid job,
        IReadOnlyList<Sent<JobCommand>> sent,
        CancellationToken cancel
    )
    {
        var commands = sent.Select(s => s.Command).OfType<JobCommand>().ToArray();
        // A save is whole or not at all: nothing is gained by a point to go back to in the middle.
        db.Database.AutoSavepointsEnabled = false;
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        // Its own statement: what is loaded must be seen after the lock is had.
        await db.Database.ExecuteSqlAsync(
            $"select set_config('lock_timeout', '10s', true), 1 from jobs where id = {job} and shop_id = {db.ShopId} for update",
            cancel
        );
        var loaded = await db.LoadJob(
            job,
            new JobWanted
            {
                Keys = [.. sent.Select(s => s.CommandId).OfType<Guid>().Distinct()],
                Parts = [.. commands.SelectMany(c => c.PartsNamed()).Distinct()],
                PartsOfPlans = [.. commands.Select(c => c.PlanNamed()).OfType<Guid>().Distinct()],
                Files = [.. commands.SelectMany(c => c.FilesNamed()).Distinct()],
                Instruments = [.. commands.SelectMany(c => c.InstrumentsNamed()).Distinct()],
                Undone = [.. commands.Select(c => c.Undoes()).OfType<Guid>().Distinct()],
            },
            cancel
        );
        if (loaded is null)
        {
            return null;
        }
        // Whose the pieces are is asked only where some are taken.
        var wanted = commands.Any(c => c is BeginFitting) ? await db.WantedParts(job, cancel) : [];
        var roster = commands.Any(c => c.NamesShop()) ? await WeekRows.Roster(db, cancel) : null;
        var other = commands.Any(c => c is RestoreJob)
            ? await OtherOpenJob(loaded.Document, cancel)
            : null;
        var batch = new JobBatch(
            loaded,
            wanted.ToDictionary(w => w.PartId, w => w.Count),
            roster,
            other,
            await PlatformsNamed(commands, cancel),
            await OwnersNamed(commands, cancel),
            me,
            await db.LevelAsked(me, job, commands, cancel),
            Instants.ToMicroseconds(clock.GetUtcNow()),
            db.ShopId
        );
        var outcomes = sent.Select(batch.Carry).ToArray();
        if (batch.Stored.Count == 0)
        {
            if (outcomes.Any(o => o.Status == OutcomeStatus.Repeated))
            {
                await db.Confirm();
            }
            await transaction.CommitAsync(CancellationToken.None);
            return new JobAnswer(
                await db.WithNames(outcomes, job, cancel),
                loaded.Version,
                loaded.Version,
                [],
                new Dictionary<Guid, uint>(),
                new Dictionary<string, JsonElement>()
            );
        }
        var before = JobEvaluator.Evaluate(loaded.Document, loaded.Others);
        var after = JobEvaluator.Moves(batch.Changes)
            ? JobEvaluator.Evaluate(batch.Document, loaded.Others)
            : JobEvaluator.Kept(before, batch.Document, loaded.Others);
        var net = RowChanges.Net(batch.Changes);
        db.Write(batch.Document, net, loaded.Versions);
        foreach (var (command, made) in batch.Stored)
        {
            db.Put(StoredCommand.Of(made.Entry, job, (command.Hash, command.Body, made.Changes)));
            foreach (var move in StockMove.Of(made.Entry, made.Changes, job))
            {
                db.Put(move);
            }
        }
        await db.KeepDerived(loaded, batch.Document, after, cancel);
        // From here on a client that hangs up changes nothing.
        await db.SaveChangesAsync(CancellationToken.None);
        await db.KeepOthers(batch.Document, net, CancellationToken.None);
        if (batch.Document.Owner.Id != loaded.Document.Owner.Id)
        {
            await db.LetGo(loaded.Document.Owner.Id, CancellationToken.None);
        }
        var moved = batch.Document.Platform.Id != loaded.Document.Platform.Id;
        if (moved)
        {
            // Another platform teaches other things: whoever looks at the job looks anew.
            await db.DeriveAnew(job, CancellationToken.None);
        }
        await transaction.CommitAsync(CancellationToken.None);
        if (moved)
        {
            return Anew(await db.WithNames(outcomes, job, cancel), loaded.Version + 2);
        }
        return new JobAnswer(
            await db.WithNames(outcomes, job, cancel),
            loaded.Version,
            loaded.Version + 1,
            [.. net.Where(c => c.Row is not Part).Select(Changed)],
            db.ChangeTracker.Entries()
                .Where(e =>
                    e.Metadata.FindProperty(NokkoDb.VersionColumn) is not null
                    && e.Entity is Core.Units.IRow and not Part
                )
                .ToDictionary(
                    e => ((Core.Units.IRow)e.Entity).Id,
                    e => (uint)e.Property(NokkoDb.VersionColumn).CurrentValue!
                ),
            JobView.Differences(
                JobView.Of(loaded.Document, before, loaded.Version, loaded.Versions, me.Style),
                JobView.Of(batch.Document, after, loaded.Version + 1, loaded.Versions, me.Style)
            )
        );
    }

    private static ChangedRow Changed(RowChange change) =>
        new(
            JobRows.ListOf(change.Row.GetType()).Name,
            change.Row.Id,
            change is RowChange.Withdrawn
                ? null
                : JsonSerializer.SerializeToElement(
                    change.Row,
                    change.Row.GetType(),
                    JobJson.Options
                )
        );

    private async Task<IReadOnlyDictionary<Guid, Platform>> PlatformsNamed(
        IEnumerable<JobCommand> commands,
        CancellationToken cancel
    )
    {
        Guid[] named = [.. commands.Select(c => c.PlatformNamed()).OfType<Guid>().Distinct()];
        return named.Length == 0
            ? new Dictionary<Guid, Platform>()
            : await db
                .Platforms.AsNoTracking()
                .Where(p => named.Contains(p.Id))
                .ToDictionaryAsync(p => p.Id, cancel);
    }

    private async Task<IReadOnlyDictionary<string, Owner>> OwnersNamed(
        IEnumerable<JobCommand> commands,
        CancellationToken cancel
    )
    {
        string[] named = [.. commands.Select(c => c.OwnerNamed()).OfType<string>().Distinct()];
        return named.Length == 0
            ? new Dictionary<string, Owner>()
            : (
                await db
                    .Owners.AsNoTracking()
                    .Where(o => named.Contains(o.Name))
                    .OrderBy(o => o.Id)
                    .ToListAsync(cancel)
            )
                .DistinctBy(o => o.Name)
                .ToDictionary(o => o.Name);
    }

    /// <summary>Another open job of the same vehicle; the vehicle is held, so that none opens meanwhile.</summary>
    private async Task<Guid?> OtherOpenJob(JobDocument d, CancellationToken cancel)
    {
        await db.Database.ExecuteSqlAsync(
            $"select 1 from vehicles where id = {d.Vehicle.Id} for update",
            cancel
        );
        return await db.OpenJobOf(d.Vehicle.Id, d.Job.Id, cancel);
    }

    /// <summary>The job as a screen shows it.</summary>
    public async Task<Results<Ok<JobView>, ProblemHttpResult>> Show(
        Guid job,
        CancellationToken cancel
    ) =>
        await db.LoadJob(job, new JobWanted(), cancel) is { } loaded
            ? TypedResults.Ok(
                JobView.Of(
                    loaded.Document,
                    JobEvaluator.Evaluate(loaded.Document, loaded.Others),
                    loaded.Version,
                    loaded.Versions,
                    me.Style
                )
            )
            : Trouble.Missing("There is no such job in this shop.").Answer();
}
