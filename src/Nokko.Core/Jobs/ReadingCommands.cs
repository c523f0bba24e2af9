using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>Stores a height as typed.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of what is made or meant.</param>
/// <param name="WalkRoundId">The walk-round.</param>
/// <param name="Station">The station.</param>
/// <param name="From">The datum.</param>
/// <param name="Typed">The text as typed.</param>
/// <param name="Answers">Answers to questions that were asked.</param>
/// <param name="TakenAt">When it was taken.</param>
/// <param name="Supersedes">The reading that was wrong; both stay on the record.</param>
/// <param name="Reason">Why it was wrong.</param>
/// <param name="OwnMark">The mark from which it is measured, when the datum is its own.</param>
/// <param name="Instrument">The instrument that gave it; null is a tape.</param>
/// <param name="Raised">Corners that the person says are raised, beside what the job's ledgers say.</param>
/// <param name="Changed">Corners at which the person says a part is already in.</param>
/// <param name="InstrumentId">The shop's instrument with which it was read; null where nobody names one.</param>
public sealed record StoreReading(
    Guid CommandId,
    Guid Id,
    Guid WalkRoundId,
    string? Station,
    Datum From,
    string Typed,
    IReadOnlyList<string> Answers,
    DateTimeOffset TakenAt,
    Guid? Supersedes,
    string? Reason,
    string? OwnMark = null,
    string? Instrument = null,
    IReadOnlyList<string>? Raised = null,
    IReadOnlyList<string>? Changed = null,
    Guid? InstrumentId = null
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override IEnumerable<Guid> InstrumentsNamed() => ReadingRules.Named(InstrumentId);

    /// <inheritdoc/>
    public override string Does() => Supersedes is null ? "reading stored" : "reading corrected";

    internal override void Decide(JobWork work) => work.Add(Read(work));

    internal Reading Read(JobWork work)
    {
        var d = work.Document;
        var round = ReadingRules.RoundOf(d, WalkRoundId);
        if (Station is { } name)
        {
            ReadingRules.KnownStation(d, name);
        }
        ReadingRules.Correction(d, Supersedes, Reason);
        var mark = TypedText.Blank(OwnMark);
        if (From == Datum.Own && mark is null)
        {
            throw Refuse.Value("ownMark", "Name the mark from which it is measured.");
        }
        var read = HeightReader.Read(
            Typed,
            Station ?? "",
            From,
            work.Context.Style,
            round.Division.In(Unit.Mm),
            d.Vehicle,
            ReadingRules.Neighbours(d, round, Station, From),
            Answers
        );
        if (read.Reading is not TapeReading.Understood height)
        {
            throw new RefusedException(Refusal.Of("typed", read.Reading));
        }
        var state = ReadingState.Of(d, round.StageId);
        return new Reading
        {
            Id = Id,
            WalkRoundId = round.Id,
            Kind = ReadingKind.Height,
            Place = new Place { Kind = PlaceKind.Station, Name = Station },
            From = read.From,
            OwnMark = From == Datum.Own ? mark : null,
            Value = new Quantity
            {
                Value = Unit.Mm.To(height.Unit, height.Mm),
                Unit = height.Unit,
                Known = Known.Measured,
                Typed = Typed,
            },
            Nudged = height.Nudged,
            Answers = Answers,
            Instrument = TypedText.Blank(Instrument),
            By = work.By(InstrumentId, Unit.Mm, TakenAt),
            RaisedCorners = CornersOf(state.Raised, Raised),
            ChangedCorners = CornersOf(state.Changed, Changed),
            PersonId = work.PersonId,
            TakenAt = Instants.ToMicroseconds(TakenAt),
            StoredAt = work.Now,
            Supersedes = Supersedes,
            Reason = TypedText.Blank(Reason),
        };
    }

    private static IReadOnlyList<string> CornersOf(
        IReadOnlyList<string> known,
        IReadOnlyList<string>? said
    ) =>
        [
            .. Corners
                .All.Select(c => c.Name())
                .Where(c => known.Contains(c) || said?.Contains(c) == true),
        ];
}

/// <summary>Stores a measure as typed; a note has its words in <paramref name="Typed"/>.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of what is made or meant.</param>
/// <param name="WalkRoundId">The walk-round.</param>
/// <param name="Measure">Key of the measure.</param>
/// <param name="Place">Where it is taken.</param>
/// <param name="Typed">The text as typed.</param>
/// <param name="Over">Over what length a gap was taken.</param>
/// <param name="Answers">Answers to questions that were asked.</param>
/// <param name="TakenAt">When it was taken.</param>
/// <param name="Supersedes">The reading that was wrong; both stay on the record.</param>
/// <param name="Reason">Why it was wrong.</param>
/// <param name="Instrument">The instrument that gave it; null is a tape.</param>
/// <param name="InstrumentId">The shop's instrument with which it was read; null where nobody names one.</param>
public sealed record StoreMeasure(
    Guid CommandId,
    Guid Id,
    Guid WalkRoundId,
    string Measure,
    string Place,
    string Typed,
    QuantityInput? Over,
    IReadOnlyList<string> Answers,
    DateTimeOffset TakenAt,
    Guid? Supersedes,
    string? Reason,
    string? Instrument = null,
    Guid? InstrumentId = null
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override IEnumerable<Guid> InstrumentsNamed() => ReadingRules.Named(InstrumentId);

    /// <inheritdoc/>
    public override string Does() => Supersedes is null ? "measure stored" : "measure corrected";

    internal override void Decide(JobWork work) => work.Add(Read(work));

    internal Reading Read(JobWork work)
    {
        var d = work.Document;
        var round = ReadingRules.RoundOf(d, WalkRoundId);
        var measure = ReadingRules.KnownMeasure(Measure, Place);
        ReadingRules.Correction(d, Supersedes, Reason);
        var reading = new Reading
        {
            Id = Id,
            WalkRoundId = round.Id,
            Kind = measure.Kind,
            Place = new Place { Kind = Measures.PlaceKindOf(measure), Name = Place },
            Measure = measure.Key,
            Answers = Answers,
            Instrument = TypedText.Blank(Instrument),
            By = work.By(InstrumentId, measure.Unit, TakenAt),
            PersonId = work.PersonId,
            TakenAt = Instants.ToMicroseconds(TakenAt),
            StoredAt = work.Now,
            Supersedes = Supersedes,
            Reason = TypedText.Blank(Reason),
        };
        if (measure.Kind == ReadingKind.Note)
        {
            return reading with
            {
                Note =
                    TypedText.Lines(Typed, "typed")
                    ?? throw Refuse.Value("typed", "Write a few words."),
            };
        }
        var over = QuantityInput.Read(Over, "over", Unit.Mm);
        if (measure is { Over: { } what, Key: Measures.CamberSquare } && over is null)
        {
            throw Refuse.Value("over", $"{what}: without it the gap says no angle.");
        }
        var read = MeasureReader.Read(
            Typed,
            measure,
            work.Context.Style,
            round.Division.In(Unit.Mm),
            Answers
        );
        return read.Value is { } value
            ? reading with
            {
                Value = value,
                Nudged = read.Nudged,
                Over = over,
            }
            : throw new RefusedException(Refusal.Of("typed", read.Trouble!));
    }
}

/// <summary>Passes over a station or a measure, with the reason.</summary>
public sealed record PassOver(
    Guid CommandId,
    Guid Id,
    Guid WalkRoundId,
    string? Station,
    string? Measure,
    string? Place,
    string Why,
    DateTimeOffset TakenAt
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "passed over";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var round = ReadingRules.RoundOf(d, WalkRoundId);
        var why = TypedText.Needed(
            Why,
            "why",
            "Say why it is passed over: it stands on the record."
        );
        var measure = Measure is null ? null : ReadingRules.KnownMeasure(Measure, Place ?? "");
        if (measure is null)
        {
            ReadingRules.KnownStation(d, Station ?? "");
        }
        work.Add(
            new Reading
            {
                Id = Id,
                WalkRoundId = round.Id,
                Kind = measure?.Kind ?? ReadingKind.Height,
                Place = new Place
                {
                    Kind = measure is null ? PlaceKind.Station : Measures.PlaceKindOf(measure),
                    Name = measure is null ? Station : Place,
                },
                Measure = measure?.Key,
                Skipped = true,
                Note = why,
                PersonId = work.PersonId,
                TakenAt = Instants.ToMicroseconds(TakenAt),
                StoredAt = work.Now,
            }
        );
    }
}

/// <summary>Stores many readings at once, as a file brings them: all or none.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Heights">Heights; their own keys of commands count for nothing.</param>
/// <param name="Measures">Measures, likewise.</param>
public sealed record BringInReadings(
    Guid CommandId,
    IReadOnlyList<StoreReading> Heights,
    IReadOnlyList<StoreMeasure> Measures
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "readings brought in";

    /// <inheritdoc/>
    public override IEnumerable<Guid> InstrumentsNamed() =>
        Heights
            .SelectMany(h => h.InstrumentsNamed())
            .Concat(Measures.SelectMany(m => m.InstrumentsNamed()));

    internal override void Decide(JobWork work)
    {
        if (Heights.Count + Measures.Count == 0)
        {
            throw Refuse.Value("csv", "No row of this file can be stored.");
        }
        foreach (var height in Heights)
        {
            work.Add(height.Read(work));
        }
        foreach (var measure in Measures)
        {
            work.Add(measure.Read(work));
        }
    }
}

/// <summary>What the commands on readings have in common.</summary>
internal static class ReadingRules
{
    /// <summary>Other lips of the round that were read from the same datum, mm.</summary>
    public static double[] Neighbours(
        JobDocument d,
        WalkRound round,
        string? station,
        Datum from
    ) =>
        [
            .. d
                .Readings.Where(r =>
                    r.WalkRoundId == round.Id && r.Kind == ReadingKind.Height && r.From == from
                )
                .Where(r =>
                    r.Value is not null
                    && r.Place.Name is { } name
                    && name != station
                    && Corners.Named(name) is not null
                )
                .Select(r => r.Value!.In(Unit.Mm)),
        ];

    /// <summary>The instrument that is named, if one is.</summary>
    public static IEnumerable<Guid> Named(Guid? instrument) => instrument is { } id ? [id] : [];

    /// <summary>A walk-round of this job.</summary>
    public static WalkRound RoundOf(JobDocument d, Guid id) =>
        d.OwnRounds().FirstOrDefault(w => w.Id == id)
        ?? throw Refuse.Gone("This job has no such walk-round.");

    /// <summary>Refuses a station that the vehicle has not.</summary>
    public static void KnownStation(JobDocument d, string name)
    {
        if (d.Vehicle.Stations.All(s => s.Name != name))
        {
            throw Refuse.Value("station", $"This vehicle has no station “{name}”.");
        }
    }

    /// <summary>A measure that can be taken at a place.</summary>
    public static Measure KnownMeasure(string key, string place)
    {
        var measure =
            Measures.Find(key) ?? throw Refuse.Value("measure", $"There is no measure “{key}”.");
        return Measures.PlacesOf(measure).Contains(place)
            ? measure
            : throw Refuse.Value(
                "place",
                $"{measure.Title} is taken at: {string.Join(", ", Measures.PlacesOf(measure))}."
            );
    }

    /// <summary>Refuses a correction of what is not there, of what was corrected already, and one without a reason.</summary>
    public static void Correction(JobDocument d, Guid? supersedes, string? reason)
    {
        if (supersedes is not { } old)
        {
            return;
        }
        if (d.Readings.All(r => r.Id != old))
        {
            throw Refuse.Value("supersedes", "The reading to be corrected is not in this job.");
        }
        if (TypedText.Blank(reason) is null)
        {
            throw Refuse.Value(
                "reason",
                "Say why the first reading was wrong: both stay on the record."
            );
        }
        if (d.Readings.FirstOrDefault(r => r.Supersedes == old) is { } first)
        {
            throw Refuse.Conflict(
                "supersedes",
                first.IsTakenBack()
                    ? "That reading was taken back already."
                    : "Somebody corrected this reading already. Look at both and choose.",
                first.Id,
                first
            );
        }
    }
}
