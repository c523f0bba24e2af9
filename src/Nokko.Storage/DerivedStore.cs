using Microsoft.EntityFrameworkCore;
using Nokko.Core.Jobs;

namespace Nokko.Storage;

/// <summary>Keeps what is derived from jobs, in the transaction that changes them: the yard's summary and what they have proved.</summary>
public static class DerivedStore
{
    /// <summary>Keeps what follows from a job as it is now. What followed before is replaced.</summary>
    /// <param name="db">The database; saved by the caller.</param>
    /// <param name="d">The job.</param>
    /// <param name="results">What is computed from it.</param>
    /// <param name="version">How many times it was changed, this change counted.</param>
    /// <param name="hadEvidence">Whether something that it proved is kept already.</param>
    public static void KeepDerived(
        this NokkoDb db,
        JobDocument d,
        JobResults results,
        long version,
        bool hadEvidence
    )
    {
        var facts = YardFacts.Of(d, results);
        Set(
            version > 1,
            new JobSummary
            {
                Id = d.Job.Id,
                Revision = version,
                Closed = facts.IsClosed(),
                Due = facts.Due(),
                Search = JobSummary.SearchText(d),
                Facts = facts,
            }
        );
        if (hadEvidence || d.Plans.Any(p => p.BegunAt is not null))
        {
            Set(
                hadEvidence,
                new JobEvidence
                {
                    Id = d.Job.Id,
                    PlatformId = d.Vehicle.PlatformId,
                    Trials = results.Trials,
                }
            );
        }

        void Set<T>(bool there, T row)
            where T : class
        {
            if (!there)
            {
                db.Put(row);
                return;
            }
            var entry = db.Attach(row);
            entry.Property(NokkoDb.ShopIdColumn).CurrentValue = db.ShopId;
            entry.State = EntityState.Modified;
        }
    }
}
