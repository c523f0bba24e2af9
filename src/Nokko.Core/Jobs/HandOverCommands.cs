using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Stance;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>A follow-up as typed: due by a day, at an odometer reading, or both.</summary>
public sealed record FollowUpInput(
    Guid Id,
    string What,
    string? Why,
    DateOnly? DueOn,
    QuantityInput? DueAt
);

/// <summary>Hands the vehicle over and keeps what is to come.</summary>
public sealed record HandOver(
    Guid CommandId,
    uint Version,
    QuantityInput? Odometer,
    string? OwnerNotes,
    IReadOnlyList<FollowUpInput> FollowUps,
    string? Reason = null
) : JobCommand(CommandId)
{
    /// <summary>What the history calls it.</summary>
    public const string Said = "handed over";

    /// <inheritdoc/>
    public override string Does() => Said;

    internal override void Decide(JobWork work)
    {
        work.MustAnswer("A vehicle leaves on a fitter's word.");
        var job = work.Document.Job;
        if (job.HandedOverAt is not null)
        {
            throw Refuse.Conflict("job", "It was handed over already.", job.Id, job);
        }
        var odometer = QuantityInput.Read(Odometer, "odometer", Unit.Km);
        if (
            odometer is not null
            && job.OdometerIn is { } before
            && odometer.In(Unit.Km) < before.In(Unit.Km)
        )
        {
            throw Refuse.Value("odometer", "The odometer reads less than when it was taken in.");
        }
        work.Pass([.. Gates(work)], Reason);
        work.Edit(
            job,
            Version,
            job with
            {
                HandedOverAt = work.Now,
                HandedOverBy = work.PersonId,
                OdometerOut = odometer,
                OwnerNotes = TypedText.Lines(OwnerNotes, "ownerNotes"),
            }
        );
        foreach (var (f, i) in FollowUps.Select((f, i) => (f, i)))
        {
            var dueAt = QuantityInput.Read(f.DueAt, $"followUps[{i}].dueAt", Unit.Km);
            if (f.DueOn is null && dueAt is null)
            {
                throw Refuse.Value(
                    $"followUps[{i}].dueOn",
                    "Due by a day, at an odometer reading, or both."
                );
            }
            work.Add(
                new FollowUp
                {
                    Id = f.Id,
                    What = TypedText.Needed(f.What, $"followUps[{i}].what", "What is to be done?"),
                    Why = TypedText.Blank(f.Why),
                    DueOn = f.DueOn,
                    DueAt = dueAt,
                }
            );
        }
    }

    /// <summary>What stands against it.</summary>
    private static IEnumerable<Gate> Gates(JobWork work)
    {
        var open = Progress.OpenLinesOf(work.Document);
        if (open.Count > 0)
        {
            yield return new(
                "vehicle",
                $"{open.Count} {(open.Count == 1 ? "line is" : "lines are")} still open. Close them, or say why it leaves like this: it is printed.",
                "Handed over with open lines."
            );
        }
        if (work.Document.Job.Comeback is { Cause: null } back)
        {
            yield return new(
                "vehicle",
                $"It came back: {back.For.Said()}. Note above what it came back by, or say why nobody can: the shop learns from it.",
                "Handed over without a cause of its comeback."
            );
        }
        string[] doubted =
        [
            .. InstrumentMark
                .Of(
                    // What was read on an earlier visit left with that one.
                    work.Document with
                    {
                        WalkRounds = [.. work.Document.OwnRounds()],
                    },
                    work.Context.Others.Instruments
                )
                .Where(m => m.Stops())
                .Select(m => m.Name)
                .Distinct(),
        ];
        if (doubted.Length > 0)
        {
            yield return new(
                "vehicle",
                $"Something was read with {string.Join(" and ", doubted)}, and {(doubted.Length == 1 ? "it is" : "they are")} doubted. Read it again with another one, or say why it leaves like this: it is printed.",
                "Handed over with readings that are doubted."
            );
        }
        if (
            work.Context.LevelAsked is { } asked
            && ReadAlone(work.Document, asked) is { Count: > 0 } alone
        )
        {
            yield return new(
                "vehicle",
                $"The heights after the work are {string.Join(" and ", alone)}’s alone, and an apprentice’s prove it here once level {asked.Level} of “Level a pickup” is passed under Practice. Read one corner at each end again, or say why it leaves like this: it is printed.",
                "Handed over on heights that an apprentice read alone."
            );
        }
    }

    /// <summary>Names of the apprentices who alone read the lips after the work at an end of the vehicle; none where somebody else read one there, too.</summary>
    private static IReadOnlyList<string> ReadAlone(JobDocument d, LevelAsked asked)
    {
        if (d.BegunPlan() is not { } plan)
        {
            return [];
        }
        var hands = d.OwnRounds()
            .Where(w => w.StageId == plan.ToStageId)
            .SelectMany(w => StanceOf.Standing(w, d.Readings))
            .Where(r => r.Value is not null)
            .Select(r => (Corner: Corners.Named(r.Place.Name), r.PersonId))
            .Where(r => r.Corner is not null)
            .ToLookup(r => Corners.AxleOf(r.Corner!.Value), r => r.PersonId);
        var alone = hands
            .Where(end => end.All(asked.NotPassed.Contains))
            .SelectMany(end => end)
            .ToHashSet();
        return [.. d.People.Where(p => alone.Contains(p.Id)).Select(p => p.Name)];
    }
}

/// <summary>Says that a follow-up is done.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">The follow-up.</param>
/// <param name="Note">What came of it; may be empty once it was read again after the hand-over.</param>
public sealed record FinishFollowUp(Guid CommandId, Guid Id, string? Note) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "follow-up done";

    internal override void Decide(JobWork work)
    {
        var followUp =
            work.Document.FollowUps.FirstOrDefault(f => f.Id == Id)
            ?? throw Refuse.Gone("This job has no such follow-up.");
        if (followUp.DoneAt is not null)
        {
            throw Refuse.Conflict("done", "This was done already.", followUp.Id, followUp);
        }
        var d = work.Document;
        if (
            TypedText.Blank(Note) is null
            && !d.WalkRounds.Any(w =>
                w.At > d.Job.HandedOverAt && d.Readings.Any(r => r.WalkRoundId == w.Id)
            )
        )
        {
            throw Refuse.Value("note", "What came of it? A word, or read the heights first.");
        }
        work.Replace(
            followUp,
            followUp with
            {
                DoneAt = work.Now,
                DoneBy = work.PersonId,
                Note = TypedText.Lines(Note, "note"),
            }
        );
    }
}

/// <summary>Adds a photograph whose content is stored.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of what is made or meant.</param>
/// <param name="Sha256">SHA-256 of the content, lower-case hex.</param>
/// <param name="MediaType">Media type.</param>
/// <param name="Of">What it belongs to.</param>
/// <param name="Caption">Caption.</param>
public sealed record AddPhotograph(
    Guid CommandId,
    Guid Id,
    string Sha256,
    string MediaType,
    string? Of,
    string? Caption
) : JobCommand(CommandId)
{
    /// <summary>Media types of photographs.</summary>
    public static IReadOnlyList<string> MediaTypes { get; } =
    ["image/jpeg", "image/png", "image/webp"];

    /// <inheritdoc/>
    public override string Does() => "photograph added";

    /// <inheritdoc/>
    public override IEnumerable<string> FilesNamed() => [Sha256];

    internal override void Decide(JobWork work)
    {
        if (!MediaTypes.Contains(MediaType))
        {
            throw Refuse.Value("photograph", "Photographs are JPEG, PNG or WebP.");
        }
        if (!work.Context.Files.Contains(Sha256))
        {
            throw Refuse.Gone("The picture itself is not stored: take it again.");
        }
        work.Add(
            new Attachment
            {
                Id = Id,
                Sha256 = Sha256,
                MediaType = MediaType,
                Of = TypedText.Blank(Of),
                Caption = TypedText.Blank(Caption),
                PersonId = work.PersonId,
                At = work.Now,
            }
        );
    }
}
