using Nokko.Core.Jobs;
using Nokko.Core.Practice;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Nokko.Core.Week;
using Nokko.Server.People;
using Nokko.Storage;

namespace Nokko.Server.Jobs;

/// <summary>Commands of one request, decided one after the other on the job as the ones before left it.</summary>
internal sealed class JobBatch(
    LoadedJob loaded,
    IReadOnlyDictionary<Guid, int> wanted,
    ShopRoster? roster,
    Guid? otherOpenJob,
    IReadOnlyDictionary<Guid, Platform> platforms,
    IReadOnlyDictionary<string, Owner> owners,
    SignedIn me,
    LevelAsked? levelAsked,
    DateTimeOffset now,
    Guid shop
)
{
    private readonly Dictionary<Guid, Part> _shelf = loaded.Parts.ToDictionary(p => p.Id);
    private readonly Dictionary<Guid, Recorded> _past = loaded.Undone.ToDictionary(r => r.Entry.Id);
    private readonly Dictionary<Guid, UsedKey> _used = loaded.Used.ToDictionary(u => u.Id);
    private readonly List<(Sent<JobCommand> Sent, Decision.Made Made)> _stored = [];
    private readonly List<RowChange> _changes = [];

    /// <summary>The job as it is after them.</summary>
    public JobDocument Document { get; private set; } = loaded.Document;

    /// <summary>What is to be stored.</summary>
    public IReadOnlyList<(Sent<JobCommand> Sent, Decision.Made Made)> Stored => _stored;

    /// <summary>All changes, in order.</summary>
    public IReadOnlyList<RowChange> Changes => _changes;

    /// <summary>Decides one command.</summary>
    public Outcome Carry(Sent<JobCommand> sent)
    {
        if (sent is not { Command: { } command, CommandId: { } key })
        {
            return new Outcome(sent.CommandId, OutcomeStatus.Refused, sent.Why);
        }
        if (_used.TryGetValue(key, out var used))
        {
            return Outcome.OfEarlier(
                key,
                sent.Hash,
                used.ShopId == shop && used.JobId == loaded.Document.Job.Id,
                used.Hash,
                true
            )!;
        }
        var decision = Decision.Of(
            Document,
            command,
            new DecisionContext
            {
                PersonId = me.PersonId,
                PersonName = me.Name,
                // In the practice bay a learner is the fitter.
                Role = PracticeKey.Is(loaded.Document.Job.Id) ? PersonRole.Fitter : me.Role,
                LevelAsked = levelAsked,
                Style = me.Style,
                Now = now,
                Versions = loaded.Versions,
                Shelf = _shelf,
                Wanted = wanted,
                Files = loaded.Files,
                Others = loaded.Others,
                Roster = roster,
                OtherOpenJob = otherOpenJob,
                PlatformNamed = command.PlatformNamed() is { } platform
                    ? platforms.GetValueOrDefault(platform)
                    : null,
                OwnerNamed = command.OwnerNamed() is { } owner
                    ? owners.GetValueOrDefault(owner)
                    : null,
                Recorded = command.Undoes() is { } undone ? _past.GetValueOrDefault(undone) : null,
            }
        );
        if (decision is not Decision.Made made)
        {
            return new Outcome(key, OutcomeStatus.Refused, ((Decision.Refused)decision).Why);
        }
        Document = made.On(Document);
        _stored.Add((sent, made));
        _changes.AddRange(made.Changes);
        _used[key] = new UsedKey(key, loaded.Document.Job.Id, shop, sent.Hash);
        foreach (var part in made.Changes.Select(c => c.Row).OfType<Part>())
        {
            _shelf[part.Id] = part;
        }
        _past[key] = new Recorded(made.Entry, [.. made.Changes.Select(RecordedChange.Of)], false);
        if (command.Undoes() is { } back && _past.TryGetValue(back, out var gone))
        {
            _past[back] = gone with { TakenBack = true };
        }
        return new Outcome(key, OutcomeStatus.Stored);
    }
}
