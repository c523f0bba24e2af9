using System.Text.Json;
using System.Text.Json.Nodes;
using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Suspension;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>Takes a change of the last hour back, or brings back what was thrown away. What was read stays on the record as taken back.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Change">Key of the command that made the change.</param>
/// <remarks>
/// It reverses what that command changed of this job's own rows, and its own share of a shelf count. Of what is kept of the change nothing is trusted:
/// a row is found by its key among the rows of this job, and is touched only while it is still as the change left it.
/// </remarks>
public sealed record TakeBack(Guid CommandId, Guid Change) : JobCommand(CommandId)
{
    /// <summary>For how long a change can be taken back: what was thrown away longer than what was done.</summary>
    /// <param name="kind">What the history calls it.</param>
    public static TimeSpan Within(string kind) =>
        kind is DropPlan.Said or BinWalkRound.Said ? Bin.Keeps : TimeSpan.FromHours(1);

    /// <summary>What may not be taken back, with the reason.</summary>
    private static readonly Dictionary<string, string> Never = new()
    {
        [TakeIn.Said] = "A job is not undone by undoing its first step.",
        [CorrectTakenIn.Said] =
            "Names, phones and plates are not kept in the record of changes: correct them anew.",
        [BinJob.Said] = "Bring the job back out of the bin.",
        [RestoreJob.Said] = "Throw the job away anew.",
        [HandOver.Said] = "What was handed over is not taken back: note what changed after it.",
    };

    /// <inheritdoc/>
    public override string Does() => "change taken back";

    /// <inheritdoc/>
    public override Guid? Undoes() => Change;

    /// <summary>Why a change cannot be taken back, as far as its line in the history tells; null when it can.</summary>
    /// <param name="change">The change.</param>
    /// <param name="now">This instant.</param>
    public static string? WhyNot(Recorded change, DateTimeOffset now) =>
        Never.TryGetValue(change.Entry.Kind, out var never) ? never
        : change.TakenBack ? "It is taken back already."
        : now - change.Entry.At > Within(change.Entry.Kind)
            ? "Only changes of the last hour are taken back; older ones are in the history."
        : change.Entry.TakesBack is not null
            ? "What was taken back is done anew, not taken back again."
        : change.Changes is null ? "It came with a file: its history is text."
        : change.Changes.Count == 0 ? "It changed nothing."
        : null;

    internal override void Decide(JobWork work)
    {
        var change = work.Context.Recorded ?? throw Refuse.Gone("That change is not in this job.");
        if (WhyNot(change, work.Now) is { } why)
        {
            throw Refuse.Gate("change", why);
        }
        if (
            work.Document.Job.HandedOverAt is { } gone
            && change.Entry.At < gone
            && Within(change.Entry.Kind) == Bin.Keeps
        )
        {
            throw Refuse.Gate("change", "It is handed over: its record stays as it went.");
        }
        var own = change.Changes!.Select(c => c.Key).OfType<Guid>().ToHashSet();
        foreach (var one in change.Changes!.Reverse())
        {
            Reverse(work, one, own);
        }
    }

    private static void Reverse(JobWork work, RecordedChange change, HashSet<Guid> own)
    {
        var d = work.Document;
        if (change.List == RecordedChange.Shelf)
        {
            GiveBack(work, change);
            return;
        }
        if (change.List == "people")
        {
            // Whoever worked on a job has worked on it.
            return;
        }
        var list = JobRows.Find(change.List) ?? throw Cannot();
        var row = list.Get(d).FirstOrDefault(r => r.Id == change.Key);
        switch (change.Was, change.Now)
        {
            case (_, null):
                Again(work, (IRow?)change.Before(list.Type, null) ?? throw Cannot(), row);
                break;
            case (_, not null) when row is null || !change.Left(row):
                throw Refuse.Conflict(
                    "change",
                    "It was changed again since: take the later change back first.",
                    change.Key ?? Guid.Empty,
                    row
                );
            case (not null, not null):
                work.Replace(row, change.Before(list.Type, row)!);
                break;
            default:
                Remove(work, row, own);
                break;
        }
    }

    /// <summary>Other jobs draw on the same shelf: only the change's own share goes back.</summary>
    private static void GiveBack(JobWork work, RecordedChange change)
    {
        if (
            change is { Key: { } key, Was: { } was, Now: { } now }
            && work.Context.Shelf.TryGetValue(key, out var part)
            && was.TryGetProperty("count", out var before)
            && now.TryGetProperty("count", out var after)
        )
        {
            work.Replace(
                part,
                part with
                {
                    Count = part.Count + before.GetInt32() - after.GetInt32(),
                }
            );
        }
    }

    /// <summary>Puts a row back that the change took away.</summary>
    private static void Again(JobWork work, IRow row, IRow? there)
    {
        if (
            there is not null
            || row is Plan plan
                && (
                    work.Document.CurrentStage()?.Id != plan.FromStageId
                    || plan.BegunAt is not null
                    || plan.ToStageId is not null
                )
        )
        {
            throw Refuse.Conflict(
                "change",
                "The work has gone on since: draw it up anew.",
                row.Id,
                there
            );
        }
        work.Add(
            row is Plan { Chosen: true } chosen && work.Document.DraftPlans().Any(p => p.Chosen)
                ? chosen with
                {
                    Chosen = false,
                }
                : row
        );
    }

    private static void Remove(JobWork work, IRow row, HashSet<Guid> own)
    {
        switch (row)
        {
            case Reading reading:
                TakeReadingBack(work, reading);
                break;
            case TorqueEntry:
                throw Refuse.Gate(
                    "change",
                    "A pass over a joint stays on the record: note another pass."
                );
            default:
                Unused(work.Document, row.Id, own);
                work.Withdraw(row);
                break;
        }
    }

    /// <summary>Readings are never removed: a row of its own says that this one does not count.</summary>
    private static void TakeReadingBack(JobWork work, Reading reading)
    {
        if (work.Document.Readings.FirstOrDefault(r => r.Supersedes == reading.Id) is { } later)
        {
            throw Refuse.Conflict(
                "change",
                "That reading was corrected since: take the correction back first.",
                later.Id,
                later
            );
        }
        work.Add(
            new Reading
            {
                Id = work.NewKey(),
                WalkRoundId = reading.WalkRoundId,
                Kind = reading.Kind,
                Place = reading.Place,
                Measure = reading.Measure,
                From = reading.From,
                OwnMark = reading.OwnMark,
                PersonId = work.PersonId,
                TakenAt = work.Now,
                StoredAt = work.Now,
                Supersedes = reading.Id,
                Reason = "taken back",
            }
        );
    }

    /// <summary>Refuses to take away a row that another row of the job names.</summary>
    private static void Unused(JobDocument d, Guid id, HashSet<Guid> own)
    {
        var text = id.ToString();
        var used = JobRows
            .Lists.Where(l => l.Name is not ("history" or "people"))
            .SelectMany(l => l.Get(d))
            .Where(r => r.Id != id && !own.Contains(r.Id))
            .Any(r =>
                JsonSerializer
                    .Serialize(r, r.GetType(), JobJson.Log)
                    .Contains(text, StringComparison.Ordinal)
            );
        if (used)
        {
            throw Refuse.Gate("change", "Other entries rest on it since: take those back first.");
        }
    }

    private static RefusedException Cannot() =>
        Refuse.Gate("change", "What it changed is not kept: it cannot be taken back.");
}
