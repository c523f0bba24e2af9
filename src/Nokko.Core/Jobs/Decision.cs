using Nokko.Core.Evidence;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>What a decision may know beside the job: no clock, no chance, no store.</summary>
public sealed record DecisionContext
{
    /// <summary>Who does it, from the sign-in.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>The person's name, as it stands on the record.</summary>
    public required string PersonName { get; init; }

    /// <summary>What the person may do; a fitter where nobody says.</summary>
    public PersonRole Role { get; init; } = PersonRole.Fitter;

    /// <summary>The level of practice that the shop asks of apprentices, and who has not passed it; null where it asks for none, or where the command does not.</summary>
    public LevelAsked? LevelAsked { get; init; }

    /// <summary>How the person reads lengths.</summary>
    public required LengthStyle Style { get; init; }

    /// <summary>This instant, UTC to the microsecond.</summary>
    public required DateTimeOffset Now { get; init; }

    /// <summary>Versions of rows that are edited, by key; a row without one is not checked.</summary>
    public IReadOnlyDictionary<Guid, uint> Versions { get; init; } = new Dictionary<Guid, uint>();

    /// <summary>Parts of the shelf that the command names, by key.</summary>
    public IReadOnlyDictionary<Guid, Part> Shelf { get; init; } = new Dictionary<Guid, Part>();

    /// <summary>Pieces that the chosen plans of jobs want which are served before this one, by part.</summary>
    public IReadOnlyDictionary<Guid, int> Wanted { get; init; } = new Dictionary<Guid, int>();

    /// <summary>Photographs that are stored, by SHA-256.</summary>
    public IReadOnlySet<string> Files { get; init; } = new HashSet<string>();

    /// <summary>The shop's bays and people; null where the command asks for none of it.</summary>
    public ShopRoster? Roster { get; init; }

    /// <summary>The platform that the command names; null where there is none of the key.</summary>
    public Platform? PlatformNamed { get; init; }

    /// <summary>The owner whose name the command says; null where nobody is called so.</summary>
    public Owner? OwnerNamed { get; init; }

    /// <summary>Another job of the same vehicle that is open; null where there is none, or where the command does not ask.</summary>
    public Guid? OtherOpenJob { get; init; }

    /// <summary>What other jobs of the shop have proved.</summary>
    public PlatformEvidence Others { get; init; } = PlatformEvidence.None;

    /// <summary>The change that shall be taken back, with what it changed; null when this job has no such change.</summary>
    public Recorded? Recorded { get; init; }
}

/// <summary>The level of practice that a shop asks of its apprentices before what they confirm or read alone counts.</summary>
/// <param name="Level">The level of “Level a pickup”, from 1.</param>
/// <param name="NotPassed">Apprentices who have not passed it.</param>
public sealed record LevelAsked(int Level, IReadOnlySet<Guid> NotPassed);

/// <summary>A change of the past, as it is kept.</summary>
/// <param name="Entry">Its line in the history.</param>
/// <param name="Changes">What it changed; null where that is not kept, as for history that came with a file.</param>
/// <param name="TakenBack">Whether it was taken back already.</param>
public sealed record Recorded(
    HistoryEntry Entry,
    IReadOnlyList<RecordedChange>? Changes,
    bool TakenBack
);

/// <summary>What became of a command.</summary>
public abstract record Decision
{
    /// <summary>Decides a command on a job. Pure.</summary>
    /// <param name="d">The job with its vehicle.</param>
    /// <param name="command">What a person does.</param>
    /// <param name="context">What it may know beside.</param>
    public static Decision Of(JobDocument d, JobCommand command, DecisionContext context)
    {
        var work = new JobWork(d, command.CommandId, context);
        try
        {
            context.Role.MustWork();
            if (d.Job.BinnedAt is not null && command is not (RestoreJob or TakeBack))
            {
                throw Refuse.Gate("job", "This job lies in the bin: bring it back first.");
            }
            command.Decide(work);
        }
        catch (RefusedException e)
        {
            return new Refused(e.Refusal);
        }
        if (d.People.All(p => p.Id != context.PersonId))
        {
            work.Add(new Person { Id = context.PersonId, Name = context.PersonName });
        }
        return new Made(
            new HistoryEntry
            {
                Id = command.CommandId,
                Kind = command.Does(),
                PersonId = context.PersonId,
                At = context.Now,
                TakesBack = command.Undoes(),
            },
            work.Changes
        );
    }

    /// <summary>It is done.</summary>
    /// <param name="Entry">Its line in the history.</param>
    /// <param name="Changes">What it changes.</param>
    public sealed record Made(HistoryEntry Entry, IReadOnlyList<RowChange> Changes) : Decision
    {
        /// <summary>The job after it.</summary>
        public JobDocument On(JobDocument d) => d.Apply([.. Changes, new RowChange.Added(Entry)]);
    }

    /// <summary>It is refused, and nothing of it is kept.</summary>
    /// <param name="Why">Why.</param>
    public sealed record Refused(Refusal Why) : Decision;
}
