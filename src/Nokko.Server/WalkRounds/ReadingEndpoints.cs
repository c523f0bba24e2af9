using Microsoft.AspNetCore.Http.HttpResults;
using Nokko.Core.Jobs;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Server.Hosting;
using Nokko.Server.Jobs;
using Nokko.Server.People;

namespace Nokko.Server.WalkRounds;

/// <summary>Stores readings: heights of stations, other measures, and what was passed over.</summary>
internal static class ReadingEndpoints
{
    /// <summary>A height as typed.</summary>
    /// <param name="Raised">Corners that the person says are raised, beside what the job's ledgers say.</param>
    /// <param name="Changed">Corners at which the person says a part is already in.</param>
    internal sealed record Store(
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
        IReadOnlyList<string>? Changed = null
    );

    /// <summary>A measure as typed; a note has its words in <paramref name="Typed"/>.</summary>
    internal sealed record StoreMeasure(
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
        string? Instrument = null
    );

    /// <summary>A station or a measure that is passed over, with the reason.</summary>
    internal sealed record Skip(
        Guid CommandId,
        Guid Id,
        Guid WalkRoundId,
        string? Station,
        string? Measure,
        string? Place,
        string Why,
        DateTimeOffset TakenAt
    );

    public static void Map(RouteGroupBuilder jobs)
    {
        jobs.MapPost("/{job:guid}/readings", StoreReading);
        jobs.MapPost("/{job:guid}/measures", StoreMeasured);
        jobs.MapPost("/{job:guid}/skips", StoreSkip);
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> StoreReading(
        Guid job,
        Store body,
        JobDesk desk,
        SignedIn me,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            body.Supersedes is null ? "reading stored" : "reading corrected",
            body,
            d => desk.Db.Put(job, Height(d, body, desk, me)),
            cancel
        );

    /// <summary>The reading that a height becomes.</summary>
    /// <exception cref="TroubleException">It cannot be taken, or must be asked about.</exception>
    internal static Reading Height(JobDocument d, Store body, JobDesk desk, SignedIn me)
    {
        var round = Round(d, body.WalkRoundId);
        if (body.Station is { } name)
        {
            KnownStation(d, name);
        }
        Correction(d, body.Supersedes, body.Reason);
        var mark = TakeIn.Blank(body.OwnMark);
        if (body.From == Datum.Own && mark is null)
        {
            throw new TroubleException(
                Trouble.At("ownMark", "Name the mark from which it is measured.")
            );
        }
        var read = HeightReader.Read(
            body.Typed,
            body.Station ?? "",
            body.From,
            me.Style,
            round.Division.In("mm"),
            d.Vehicle,
            Neighbours(d, round, body.Station, body.From),
            body.Answers
        );
        if (read.Reading is not TapeReading.Understood height)
        {
            throw new TroubleException(Trouble.Of("typed", read.Reading));
        }
        var state = ReadingState.Of(d, round.StageId);
        return new Reading
        {
            Id = body.Id,
            WalkRoundId = round.Id,
            Kind = ReadingKind.Height,
            Place = new Place { Kind = PlaceKind.Station, Name = body.Station },
            From = read.From,
            OwnMark = body.From == Datum.Own ? mark : null,
            Value = new Quantity
            {
                Value = UnitTable.Convert(height.Mm, "mm", height.Unit),
                Unit = height.Unit,
                Known = Known.Measured,
                Typed = body.Typed,
            },
            Nudged = height.Nudged,
            Answers = body.Answers,
            Instrument = TakeIn.Blank(body.Instrument),
            RaisedCorners = CornersOf(state.Raised, body.Raised),
            ChangedCorners = CornersOf(state.Changed, body.Changed),
            PersonId = desk.PersonId,
            TakenAt = Instants.ToMicroseconds(body.TakenAt),
            StoredAt = desk.Now,
            Supersedes = body.Supersedes,
            Reason = TakeIn.Blank(body.Reason),
        };
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> StoreMeasured(
        Guid job,
        StoreMeasure body,
        JobDesk desk,
        SignedIn me,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            body.Supersedes is null ? "measure stored" : "measure corrected",
            body,
            d => desk.Db.Put(job, Measured(d, body, desk, me)),
            cancel
        );

    /// <summary>The reading that a measure becomes.</summary>
    /// <exception cref="TroubleException">It cannot be taken, or must be asked about.</exception>
    internal static Reading Measured(JobDocument d, StoreMeasure body, JobDesk desk, SignedIn me)
    {
        var round = Round(d, body.WalkRoundId);
        var measure = KnownMeasure(body.Measure, body.Place);
        Correction(d, body.Supersedes, body.Reason);
        var reading = new Reading
        {
            Id = body.Id,
            WalkRoundId = round.Id,
            Kind = measure.Kind,
            Place = new Place { Kind = Measures.PlaceKindOf(measure), Name = body.Place },
            Measure = measure.Key,
            Answers = body.Answers,
            Instrument = TakeIn.Blank(body.Instrument),
            PersonId = desk.PersonId,
            TakenAt = Instants.ToMicroseconds(body.TakenAt),
            StoredAt = desk.Now,
            Supersedes = body.Supersedes,
            Reason = TakeIn.Blank(body.Reason),
        };
        if (measure.Kind == ReadingKind.Note)
        {
            return reading with
            {
                Note =
                    TakeIn.Blank(body.Typed)
                    ?? throw new TroubleException(Trouble.At("typed", "Write a few words.")),
            };
        }
        var over = QuantityInput.Read(body.Over, "over", "mm");
        if (measure is { Over: { } what, Key: Measures.CamberSquare } && over is null)
        {
            throw new TroubleException(
                Trouble.At("over", $"{what}: without it the gap says no angle.")
            );
        }
        var read = MeasureReader.Read(
            body.Typed,
            measure,
            me.Style,
            round.Division.In("mm"),
            body.Answers
        );
        return read.Value is { } value
            ? reading with
            {
                Value = value,
                Nudged = read.Nudged,
                Over = over,
            }
            : throw new TroubleException(Trouble.Of("typed", read.Trouble!));
    }

    private static Task<Results<Ok<JobView>, ProblemHttpResult>> StoreSkip(
        Guid job,
        Skip body,
        JobDesk desk,
        CancellationToken cancel
    ) =>
        desk.Do(
            job,
            body.CommandId,
            "passed over",
            body,
            d =>
            {
                var round = Round(d, body.WalkRoundId);
                var why =
                    TakeIn.Blank(body.Why)
                    ?? throw new TroubleException(
                        Trouble.At("why", "Say why it is passed over: it stands on the record.")
                    );
                var measure = body.Measure is null
                    ? null
                    : KnownMeasure(body.Measure, body.Place ?? "");
                if (measure is null)
                {
                    KnownStation(d, body.Station ?? "");
                }
                desk.Db.Put(
                    job,
                    new Reading
                    {
                        Id = body.Id,
                        WalkRoundId = round.Id,
                        Kind = measure?.Kind ?? ReadingKind.Height,
                        Place = new Place
                        {
                            Kind = measure is null
                                ? PlaceKind.Station
                                : Measures.PlaceKindOf(measure),
                            Name = measure is null ? body.Station : body.Place,
                        },
                        Measure = measure?.Key,
                        Skipped = true,
                        Note = why,
                        PersonId = desk.PersonId,
                        TakenAt = Instants.ToMicroseconds(body.TakenAt),
                        StoredAt = desk.Now,
                    }
                );
            },
            cancel
        );

    /// <summary>Other lips of the round that were read from the same datum, mm.</summary>
    internal static double[] Neighbours(
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
                    && Corners.All.Contains(name)
                )
                .Select(r => r.Value!.In("mm")),
        ];

    private static WalkRound Round(JobDocument d, Guid id) =>
        d.WalkRounds.FirstOrDefault(w => w.Id == id) ?? throw WalkRoundEndpoints.NoRound();

    internal static void KnownStation(JobDocument d, string name)
    {
        if (d.Vehicle.Stations.All(s => s.Name != name))
        {
            throw new TroubleException(
                Trouble.At("station", $"This vehicle has no station “{name}”.")
            );
        }
    }

    private static Measure KnownMeasure(string key, string place)
    {
        var measure =
            Measures.Find(key)
            ?? throw new TroubleException(Trouble.At("measure", $"There is no measure “{key}”."));
        return Measures.PlacesOf(measure).Contains(place)
            ? measure
            : throw new TroubleException(
                Trouble.At(
                    "place",
                    $"{measure.Title} is taken at: {string.Join(", ", Measures.PlacesOf(measure))}."
                )
            );
    }

    private static void Correction(JobDocument d, Guid? supersedes, string? reason)
    {
        if (supersedes is { } old && d.Readings.All(r => r.Id != old))
        {
            throw new TroubleException(
                Trouble.At("supersedes", "The reading to be corrected is not in this job.")
            );
        }
        if (supersedes is not null && TakeIn.Blank(reason) is null)
        {
            throw new TroubleException(
                Trouble.At(
                    "reason",
                    "Say why the first reading was wrong: both stay on the record."
                )
            );
        }
    }

    private static IReadOnlyList<string> CornersOf(
        IReadOnlyList<string> known,
        IReadOnlyList<string>? said
    ) => [.. Corners.All.Where(c => known.Contains(c) || said?.Contains(c) == true)];
}
