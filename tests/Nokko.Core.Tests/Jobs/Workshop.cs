using Nokko.Core.Evidence;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Xunit;

namespace Nokko.Core.Tests.Jobs;

/// <summary>A job that a test works on by commands alone, as a server would, without one.</summary>
internal sealed class Workshop
{
    private int _keys = 1000;
    private readonly Dictionary<Guid, Recorded> _past = [];

    public Workshop()
    {
        Document = Sample.Job([520, 1040, 570, 570, 1040, 520]) with
        {
            WalkRounds = [],
            Readings = [],
            Plans = [],
        };
    }

    public JobDocument Document { get; set; }
    public Dictionary<Guid, Part> Shelf { get; } = [];

    /// <summary>Pieces that plans want which are served before this job.</summary>
    public Dictionary<Guid, int> Wanted { get; } = [];
    public DateTimeOffset Now { get; set; } = Sample.At(10);
    public Guid Round { get; private set; }

    /// <summary>Who works.</summary>
    public Guid PersonId { get; set; } = Sample.Id(5);

    /// <summary>What that person may do.</summary>
    public PersonRole Role { get; set; } = PersonRole.Fitter;

    /// <summary>The shop's bays and people, as far as a command asks for them.</summary>
    public ShopRoster? Roster { get; set; }

    /// <summary>A platform of the shop beside the vehicle's.</summary>
    public Platform? Platform { get; set; }

    /// <summary>An owner whom the shop knows beside the vehicle's.</summary>
    public Owner? Owner { get; set; }

    /// <summary>Instruments of the shop.</summary>
    public List<Instrument> Instruments { get; } = [];

    /// <summary>Versions that the rows have in the database; none is checked while this is empty.</summary>
    public Dictionary<Guid, uint> Versions { get; } = [];

    public Guid Key() => Sample.Id(++_keys);

    public DecisionContext Context(JobCommand? command = null) =>
        new()
        {
            PersonId = PersonId,
            PersonName = "Brenna",
            Role = Role,
            Style = LengthStyle.Inches,
            Now = Now,
            Shelf = Shelf,
            Wanted = Wanted,
            Versions = Versions,
            Roster = Roster,
            Others = PlatformEvidence.None with { Instruments = Instruments },
            PlatformNamed = command?.PlatformNamed() == Platform?.Id ? Platform : null,
            OwnerNamed = command?.OwnerNamed() == Owner?.Name ? Owner : null,
            Recorded = command?.Undoes() is { } id ? _past.GetValueOrDefault(id) : null,
        };

    public Decision Try(JobCommand command) => Decision.Of(Document, command, Context(command));

    /// <summary>Carries out a command and answers with what it changed.</summary>
    public Decision.Made Do(JobCommand command)
    {
        var decision = Try(command);
        var made = Assert.IsType<Decision.Made>(decision);
        Document = made.On(Document);
        foreach (var part in made.Changes.Select(c => c.Row).OfType<Part>())
        {
            Shelf[part.Id] = part;
        }
        _past[command.CommandId] = new Recorded(
            made.Entry,
            [.. made.Changes.Select(RecordedChange.Of)],
            false
        );
        if (command.Undoes() is { } back)
        {
            _past[back] = _past[back] with { TakenBack = true };
        }
        Now = Now.AddMinutes(1);
        return made;
    }

    /// <summary>A command is refused for this, at this field, in a sentence.</summary>
    public void AssertRefused(JobCommand command, RefusalKind kind, string field)
    {
        var why = Refused(command);
        Assert.Equal((kind, field), (why.Kind, why.Field));
        Assert.Matches(@"[.?:]$", why.Message);
    }

    public Refusal Refused(JobCommand command) => Assert.IsType<Decision.Refused>(Try(command)).Why;

    public static RoundConditionsInput Conditions(Settled settled = Settled.Rolled) =>
        new(Datum.Hub, 16, settled, false, true, "bay 1", null, null, null, null);

    public void Walk()
    {
        Round = Key();
        Do(new BeginWalkRound(Key(), Round, Document.CurrentStage()!.Id, Conditions()));
    }

    public StoreReading Reading(
        string station,
        string typed,
        Guid? wrong = null,
        string? reason = null
    ) =>
        new(
            Key(),
            Key(),
            Round,
            station,
            station is "LM" or "RM" ? Datum.Floor : Datum.Hub,
            typed,
            [HeightReader.AsRead],
            Now,
            wrong,
            reason
        );

    public void ReadAll(params (string Station, string Typed)[] readings)
    {
        Walk();
        foreach (var (station, typed) in readings)
        {
            Do(Reading(station, typed));
        }
    }

    /// <summary>A measure beside the heights, in the round that is walked.</summary>
    public void Measure(string measure, string place, string typed) =>
        Do(new StoreMeasure(Key(), Key(), Round, measure, place, typed, null, [], Now, null, null));

    public void ReadBefore() =>
        ReadAll(
            ("LF", "20 1/2"),
            ("LM", "41"),
            ("LR", "22 7/8"),
            ("RR", "22 7/8"),
            ("RM", "41"),
            ("RF", "20 1/2")
        );

    /// <summary>A plate as it is typed at the shelf.</summary>
    public static SavePart SavePlate(int count = 2, decimal? price = 35) =>
        new(
            Sample.Id(200),
            Sample.Id(201),
            null,
            "T-1",
            "plate",
            PartKind.StrutTopSpacer,
            Typed("1", Unit.Inch),
            null,
            count,
            price,
            "eur",
            null
        );

    public Part Plates(int count = 4)
    {
        var part = new Part
        {
            Id = Key(),
            Number = "T-1",
            Name = "plate",
            Kind = PartKind.StrutTopSpacer,
            Thickness = Sample.Mm(25.4),
            Claim = Sample.Mm(50),
            Count = count,
        };
        Shelf[part.Id] = part;
        return part;
    }

    public SavePlan PlanWith(
        Part part,
        Guid? id = null,
        string name = "Plan A",
        params Corner[] corners
    ) =>
        new(
            Key(),
            id ?? Key(),
            null,
            Document.CurrentStage()!.Id,
            name,
            [
                .. (corners.Length == 0 ? [Corner.LF, Corner.RF] : corners).Select(
                    c => new CornerPlacingsInput(c, [new PlacingInput(Key(), part.Id)])
                ),
            ]
        );

    public BeginFitting Begin(string? reason = null) =>
        new(Key(), Document.DraftPlan()!.Id, 0, Key(), Key(), Key(), reason);

    /// <summary>Measured, planned and begun.</summary>
    public void Begun()
    {
        ReadBefore();
        Do(PlanWith(Plates()));
        Do(Begin());
    }

    /// <summary>A track-bar bracket behind, measured and planned.</summary>
    public void PlanBracket()
    {
        Document = Document with
        {
            Vehicle = Sample.Pickup with { Rear = new() { Kind = SuspensionKind.CoilFourLink } },
            Stages = [Sample.AsFound with { Rear = new() { Kind = SuspensionKind.CoilFourLink } }],
        };
        var part = new Part
        {
            Id = Key(),
            Number = "B-1",
            Name = "track-bar bracket",
            Kind = PartKind.TrackBarBracket,
            Count = 1,
        };
        Shelf[part.Id] = part;
        ReadBefore();
        Do(PlanWith(part, corners: [Corner.LR]));
    }

    /// <summary>A track-bar bracket behind, begun and done up to where it is drilled.</summary>
    public void BegunWithBracket()
    {
        PlanBracket();
        Do(Begin("it is wanted"));
        var card = Progress.CardOf(Document);
        DoUntil(s =>
            card.Steps.SkipWhile(x => x.Key != s.Key).Skip(1).FirstOrDefault()?.HoldFor
            == HoldReason.Irreversible
        );
    }

    /// <summary>Every step up to the last one that opens a joint or takes something off.</summary>
    public void DoTheWork()
    {
        var last = Progress.CardOf(Document).Steps.Last(s => s.Joints.Count + s.TakesOff.Count > 0);
        DoUntil(s => s.Key == last.Key);
    }

    public void DoUntil(Func<CardStep, bool> last)
    {
        foreach (var step in Progress.CardOf(Document).Steps)
        {
            if (Document.Steps.All(s => s.Step != step.Key))
            {
                Do(new DoStep(Key(), Key(), step.Key, null, null, Reached(step)));
            }
            if (last(step))
            {
                return;
            }
        }
    }

    /// <summary>What every joint of a final step reached: 101 lb·ft, or looked at.</summary>
    public IReadOnlyList<ReachedInput> Reached(CardStep step) =>
        step.Pass != Pass.Final
            ? []
            :
            [
                .. Document
                    .Joints.Where(j => step.Joints.Contains(j.Place))
                    .Select(j => new ReachedInput(
                        j.Id,
                        j.Kind.IsLookedAt() ? null : Typed("101", Unit.PoundFoot),
                        null,
                        j.Kind.IsLookedAt(),
                        "wrench"
                    )),
            ];

    public static QuantityInput Typed(string text, Unit unit) => new(text, unit, Known.Measured);
}
