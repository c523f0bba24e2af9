using Nokko.Core.Tape;

namespace Nokko.Core.Jobs;

/// <summary>What is thrown away lies in the bin: it can be brought back for as long, and nothing of it is deleted.</summary>
public static class Bin
{
    /// <summary>For how long it is offered to be brought back.</summary>
    public static readonly TimeSpan Keeps = TimeSpan.FromDays(90);
}

/// <summary>Throws a job away on which no work was begun. Its vehicle and owner stay; it leaves yard, week and what the shelf owes.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Version">Version of the job's row as it was seen.</param>
public sealed record BinJob(Guid CommandId, uint Version) : JobCommand(CommandId)
{
    /// <summary>As the history says it.</summary>
    public const string Said = "job thrown away";

    /// <inheritdoc/>
    public override string Does() => Said;

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        if (d.Job.HandedOverAt is not null)
        {
            throw Refuse.Gate("job", "It is handed over: its record stays.");
        }
        if (d.BegunPlan() is not null)
        {
            throw Refuse.Gate(
                "job",
                "Its fitting was begun: what was done to a vehicle is not thrown away. Finish it, or take the beginning back within the hour."
            );
        }
        if (d.Signatures.Count > 0)
        {
            throw Refuse.Gate("job", "Something of it is signed: its record stays.");
        }
        if (d.Booked() is { } booked)
        {
            work.Withdraw(booked);
        }
        work.Edit(d.Job, Version, d.Job with { BinnedAt = work.Now });
    }
}

/// <summary>Brings a job back out of the bin.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
public sealed record RestoreJob(Guid CommandId) : JobCommand(CommandId)
{
    /// <summary>As the history says it.</summary>
    public const string Said = "job brought back";

    /// <inheritdoc/>
    public override string Does() => Said;

    internal override void Decide(JobWork work)
    {
        var job = work.Document.Job;
        if (job.BinnedAt is null)
        {
            throw Refuse.Gone("It does not lie in the bin.");
        }
        if (work.Context.OtherOpenJob is not null)
        {
            throw Refuse.Gate(
                "job",
                "Another job of this vehicle is open: hand that one over first, or throw it away."
            );
        }
        work.Replace(job, job with { BinnedAt = null });
    }
}

/// <summary>Throws a walk-round away with all that was read in it.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The walk-round.</param>
/// <param name="Version">Version of the row as it was seen.</param>
public sealed record BinWalkRound(Guid CommandId, Guid Id, uint Version) : JobCommand(CommandId)
{
    /// <summary>As the history says it.</summary>
    public const string Said = "walk-round thrown away";

    /// <inheritdoc/>
    public override string Does() => Said;

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var round = ReadingRules.RoundOf(d, Id);
        if (round.JobId != d.Job.Id)
        {
            throw Refuse.Gate("walkRound", "It was walked in an earlier job: that record stays.");
        }
        if (d.Job.HandedOverAt is not null)
        {
            throw Refuse.Gate("walkRound", "It is handed over: its record stays.");
        }
        if (d.FrozenPredictions.Any(f => f.Prediction.WalkRoundId == Id))
        {
            throw Refuse.Gate(
                "walkRound",
                "The fitting was begun by it: what was agreed rests on it. Correct single readings instead."
            );
        }
        work.Seen(round, Version);
        foreach (var cause in d.CheckedCauses.Where(c => c.WalkRoundId == Id))
        {
            work.Withdraw(cause);
        }
        foreach (var reading in d.Readings.Where(r => r.WalkRoundId == Id))
        {
            work.Withdraw(reading);
        }
        work.Withdraw(round);
    }
}
