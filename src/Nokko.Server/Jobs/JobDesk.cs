using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Nokko.Core.Jobs;
using Nokko.Server.Hosting;
using Nokko.Server.People;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Server.Jobs;

/// <summary>Where commands on jobs are carried out: once each, whole or not at all, with what they replaced.</summary>
internal sealed class JobDesk(NokkoDb db, SignedIn me, TimeProvider clock)
{
    public NokkoDb Db => db;
    public Guid PersonId => me.PersonId;

    /// <summary>This instant, as the database keeps it.</summary>
    public DateTimeOffset Now { get; } = Instants.ToMicroseconds(clock.GetUtcNow());

    /// <summary>Carries out one command on a job and answers with the job as it is then.</summary>
    /// <param name="job">The job.</param>
    /// <param name="command">Key of the command; repeating it changes nothing.</param>
    /// <param name="kind">What is done, in a few words for the history.</param>
    /// <param name="body">The command as sent.</param>
    /// <param name="act">Changes rows; throws <see cref="TroubleException"/> to refuse.</param>
    /// <param name="cancel">Cancels.</param>
    public async Task<Results<Ok<JobView>, ProblemHttpResult>> Do<T>(
        Guid job,
        Guid command,
        string kind,
        T body,
        Func<JobDocument, Task> act,
        CancellationToken cancel
    )
    {
        if (await db.LoadJob(job, JobExtent.Work, cancel) is not { } document)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        return await Once(
            job,
            command,
            kind,
            body,
            () => act(document),
            document.People.Any(p => p.Id == me.PersonId),
            cancel
        );
    }

    /// <summary>Carries out one command on a job that asks the database nothing more.</summary>
    public Task<Results<Ok<JobView>, ProblemHttpResult>> Do<T>(
        Guid job,
        Guid command,
        string kind,
        T body,
        Action<JobDocument> act,
        CancellationToken cancel
    ) =>
        Do(
            job,
            command,
            kind,
            body,
            d =>
            {
                act(d);
                return Task.CompletedTask;
            },
            cancel
        );

    /// <summary>Carries out the command that creates a job.</summary>
    public Task<Results<Ok<JobView>, ProblemHttpResult>> Create<T>(
        Guid job,
        Guid command,
        string kind,
        T body,
        Func<Task> act,
        CancellationToken cancel
    ) => Once(job, command, kind, body, act, false, cancel);

    /// <summary>The job as a screen shows it.</summary>
    /// <param name="job">The job.</param>
    /// <param name="cancel">Cancels.</param>
    /// <param name="changed">Whether it was changed just now: then what it proves is kept anew.</param>
    public async Task<Results<Ok<JobView>, ProblemHttpResult>> Show(
        Guid job,
        CancellationToken cancel,
        bool changed = false
    )
    {
        db.ChangeTracker.Clear();
        var versions = new Dictionary<Guid, uint>();
        if (await db.LoadJob(job, JobExtent.Work, cancel, versions) is not { } document)
        {
            return Trouble.Missing("There is no such job in this shop.").Answer();
        }
        var results = JobEvaluator.Evaluate(
            document,
            await db.TrialsFor(document, own: false, cancel)
        );
        if (changed)
        {
            await db.KeepTrials(document, results.Trials, cancel);
        }
        return TypedResults.Ok(JobView.Of(document, results, versions, me.Style));
    }

    /// <summary>Edits a row that was loaded without tracking.</summary>
    /// <param name="row">The row as loaded.</param>
    /// <param name="version">The version that the person saw; a newer one in the database refuses the edit.</param>
    /// <param name="edited">The row as it shall be.</param>
    public void Edit<T>(T row, uint version, T edited)
        where T : class
    {
        var entry = db.Attach(row);
        entry.Property(NokkoDb.VersionColumn).OriginalValue = version;
        entry.CurrentValues.SetValues(edited);
    }

    /// <summary>Changes a ledger row that only ever gains an ending.</summary>
    public void Amend<T>(T row, T amended)
        where T : class => db.Attach(row).CurrentValues.SetValues(amended);

    private async Task<Results<Ok<JobView>, ProblemHttpResult>> Once<T>(
        Guid job,
        Guid command,
        string kind,
        T body,
        Func<Task> act,
        bool isOnJob,
        CancellationToken cancel
    )
    {
        if (await db.History.AnyAsync(h => h.Id == command, cancel))
        {
            return await Show(job, cancel);
        }
        try
        {
            await act();
            if (!isOnJob)
            {
                db.Put(job, new PersonOnJob { Id = me.PersonId, Name = me.Name });
            }
            db.Put(
                job,
                new HistoryEntry
                {
                    Id = command,
                    Kind = kind,
                    PersonId = me.PersonId,
                    At = Now,
                    Body = JsonSerializer.SerializeToElement(body, JobJson.Options),
                    Replaced = JsonSerializer.SerializeToElement(Replaced(), JobJson.Options),
                }
            );
            await db.SaveChangesAsync(cancel);
        }
        catch (TroubleException e)
        {
            return e.Trouble.Answer();
        }
        catch (DbUpdateConcurrencyException e)
        {
            return await Stale(e, cancel);
        }
        catch (DbUpdateException e)
            when (e.InnerException
                    is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation }
            )
        {
            db.ChangeTracker.Clear();
            if (
                !isOnJob
                && e.InnerException is PostgresException { ConstraintName: "pk_people_on_jobs" }
            )
            {
                // Two commands of one person came at once, and the other one has put the person on the job.
                return await Once(job, command, kind, body, act, true, cancel);
            }
            // The same command may have come in by another way at the same moment: then it is done.
            return await db.History.AnyAsync(h => h.Id == command, cancel)
                ? await Show(job, cancel)
                : Trouble
                    .Gate(
                        "",
                        "This was already stored, or somebody stored the same thing at the same moment. Look at the job as it is now."
                    )
                    .Answer();
        }
        return await Show(job, cancel, changed: true);
    }

    private static async Task<ProblemHttpResult> Stale(
        DbUpdateConcurrencyException e,
        CancellationToken cancel
    )
    {
        var theirs = await e.Entries[0].GetDatabaseValuesAsync(cancel);
        return (
            Trouble.Gate(
                "version",
                "Somebody else changed this meanwhile. Look at both and choose."
            ) with
            {
                Theirs = theirs?.ToObject(),
            }
        ).Answer();
    }

    /// <summary>Rows as they were and as they are left: what an undo needs. Content of files and people are no part of it.</summary>
    private List<ReplacedRow> Replaced() =>
        [
            .. db
                .ChangeTracker.Entries()
                .Where(e =>
                    (e.State is EntityState.Added or EntityState.Modified or EntityState.Deleted)
                    && e.Entity is not (HistoryEntry or StoredFile or PersonOnJob)
                )
                .Select(e => new ReplacedRow(
                    e.Metadata.GetTableName()!,
                    e.State == EntityState.Added ? null : e.OriginalValues.ToObject(),
                    e.State == EntityState.Deleted ? null : e.CurrentValues.ToObject()
                )),
        ];

    /// <summary>A row before a command (null: it was not there) and after it (null: it is gone).</summary>
    private sealed record ReplacedRow(string Table, object? Row, object? Left);
}
