using System.Text.Json;
using Nokko.Core.Evidence;
using Nokko.Core.Finding;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Server.Demo;

/// <summary>Writes one made-up job as people would have, step by step.</summary>
internal sealed partial class DemoJob
{
    private static readonly string[] Lips = ["LF", "RF", "LR", "RR"];
    private static readonly string[] Mids = ["LM", "RM"];
    private readonly Person _by;
    private readonly Dictionary<Guid, Part> _shelf = [];
    private DateTimeOffset _now;

    /// <summary>What the odometer showed when it came.</summary>
    private readonly double _miles = 48_200;

    public JobDocument Document { get; private set; }

    public DemoJob(
        Owner owner,
        Platform platform,
        Person by,
        string make,
        string name,
        string plate,
        DateTimeOffset at,
        DemoVehicle? built = null,
        Guid? key = null
    )
    {
        _by = by;
        _now = Instants.ToMicroseconds(at);
        built ??= DemoVehicle.Pickup;
        var sizes = VehicleDefaults.Fill(built.Sizes, built.Kind);
        var vehicle = new Vehicle
        {
            Id = NewId(),
            OwnerId = owner.Id,
            PlatformId = platform.Id,
            Make = make,
            Name = name,
            Plate = plate,
            Engine = built.Engine,
            Drive = built.Drive,
            Kind = built.Kind,
            BodyKind = built.Body,
            Dimensions = sizes,
            TyreSize = built.Tyre,
            TyreKnown = Known.Document,
            Stations = VehicleDefaults.Stations(sizes, built.Kind),
        };
        var (job, stage) = (key ?? NewId(), NewId());
        Document = new JobDocument
        {
            Format = JobDocument.FormatName,
            Version = JobDocument.CurrentVersion,
            Owner = owner,
            Platform = platform,
            Vehicle = vehicle,
            People = [by],
            Job = new Job
            {
                Id = job,
                VehicleId = vehicle.Id,
                StageId = stage,
                Wish = built.Wish,
                Carries = built.Carries,
                Loads = built.Loads,
                Target = new Target
                {
                    Datum = Datum.Hub,
                    Rake = Quantity.Mm(0, Known.Told),
                    Loaded = built.LevelLoaded,
                    Tolerance = Quantity.Mm(Target.UsualToleranceMm, Known.Estimated),
                },
                PromisedOn = Day(5),
                OdometerIn = QuantityInput.Read(Miles(_miles), "", Unit.Km),
                Equipment = Equipment.TwoPostLift,
                TakenInAt = _now,
            },
            Stages =
            [
                new Stage
                {
                    Id = stage,
                    VehicleId = vehicle.Id,
                    JobId = job,
                    Front = built.Front,
                    Rear = built.Rear,
                    Ordinal = 0,
                    Name = "as found",
                    OpenedAt = _now,
                    Stacks = [],
                },
            ],
        };
        Document = Document with
        {
            History =
            [
                new HistoryEntry
                {
                    Id = NewId(),
                    Kind = TakeIn.Said,
                    PersonId = by.Id,
                    At = _now,
                },
            ],
        };
    }

    /// <summary>The next visit of a vehicle that was here: its stages, joints and readings come along.</summary>
    /// <param name="before">The visit before, handed over.</param>
    /// <param name="by">Who takes it in.</param>
    /// <param name="at">When.</param>
    /// <param name="miles">What the odometer shows.</param>
    /// <param name="wish">What is wanted.</param>
    public DemoJob(JobDocument before, Person by, DateTimeOffset at, double miles, string wish)
    {
        _by = by;
        _now = Instants.ToMicroseconds(at);
        _miles = miles;
        var mine = JobRows
            .Lists.Where(l =>
                l.Type == typeof(Stage)
                || l.Type == typeof(WalkRound)
                || l.Type == typeof(Reading)
                || l.Type == typeof(Joint)
            )
            .ToArray();
        var begun = new JobDocument
        {
            Format = JobDocument.FormatName,
            Version = JobDocument.CurrentVersion,
            Owner = before.Owner,
            Platform = before.Platform,
            Vehicle = before.Vehicle,
            People = [by],
            Job = before.Job with
            {
                Id = NewId(),
                StageId = before.CurrentStage()!.Id,
                Wish = wish,
                PromisedOn = Day(4),
                OdometerIn = QuantityInput.Read(Miles(miles), "", Unit.Km),
                OdometerOut = null,
                OwnerNotes = null,
                TakenInAt = _now,
                HandedOverAt = null,
                HandedOverBy = null,
            },
            History =
            [
                new HistoryEntry
                {
                    Id = NewId(),
                    Kind = TakeIn.Said,
                    PersonId = by.Id,
                    At = _now,
                },
            ],
        };
        Document = mine.Aggregate(begun, (d, list) => list.With(d, list.Get(before)));
    }

    /// <summary>Promises it for another day.</summary>
    public void Promise(int days) =>
        Document = Document with { Job = Document.Job with { PromisedOn = Day(days) } };

    /// <summary>Its owner wants something else.</summary>
    public void Wants(Func<Target, Target> change) =>
        Document = Document with
        {
            Job = Document.Job with { Target = change(Document.Job.Target) },
        };

    private DateOnly Day(int days) => DateOnly.FromDateTime(_now.AddDays(days).UtcDateTime);

    /// <summary>A walk-round: lips from the hub, mids from the floor, in inches, read to the sixteenth; tyres and odometer where somebody looked at them.</summary>
    public void Round(
        Settled settled,
        double[] lips,
        double[] mids,
        string? tyres = null,
        double? miles = null
    )
    {
        Later(30);
        Do(
            new BeginWalkRound(
                NewId(),
                NewId(),
                Document.CurrentStage()!.Id,
                new RoundConditionsInput(
                    Datum.Hub,
                    16,
                    settled,
                    false,
                    true,
                    "bay 1",
                    "half",
                    "empty",
                    miles is { } odometer ? Miles(odometer) : null,
                    null,
                    Tyres: tyres is null
                        ? null
                        : [.. Corners.All.Select(c => new TyreInput(c, tyres, null))]
                )
            )
        );
        foreach (var (station, inches) in Lips.Zip(lips))
        {
            Read(station, Datum.Hub, inches);
        }
        foreach (var (station, inches) in Mids.Zip(mids))
        {
            Read(station, Datum.Floor, inches);
        }
    }

    /// <summary>A piece that is on the vehicle already, to stand elsewhere.</summary>
    public PlacingInput Moved(Corner from) =>
        new(Document.CurrentStage()!.Stacks.Single(s => s.Corner == from).Parts[0].Id, null);

    /// <summary>A collar turned up.</summary>
    public PlacingInput Raise(string inches) =>
        new(NewId(), null, new QuantityInput(inches, Unit.Inch, Known.Measured));

    public PlacingInput Turn(string turns) =>
        new(NewId(), null, null, new QuantityInput(turns, Unit.One, Known.Told));

    public void Choose(string school, string choice, string why) =>
        Do(new ChooseSchool(NewId(), NewId(), school, choice, why));

    public void Begin()
    {
        Later(15);
        Do(new BeginFitting(NewId(), Document.DraftPlan()!.Id, 0, NewId(), NewId(), NewId(), null));
        foreach (var joint in Document.Joints.Where(j => j.Spec is null && !j.Kind.IsLookedAt()))
        {
            Do(
                new SetSpec(
                    NewId(),
                    joint.Id,
                    0,
                    new QuantityInput(TorqueOf(joint.Kind), Unit.PoundFoot, Known.Document),
                    null,
                    null,
                    "shop's sheet SV-12 (made up)"
                )
            );
        }
    }

    /// <summary>Who looks a second time.</summary>
    public required Person Eyes { get; init; }

    /// <summary>The tape that it is read with; null where nobody names one.</summary>
    public Instrument? Tape { get; set; }

    /// <summary>What others of its platform have proved when it is planned.</summary>
    public IReadOnlyDictionary<LineKey, LiftSums> Proved { get; set; } =
        PlatformEvidence.None.OfOthers;

    /// <summary>How long steps take on this job, by their rule of thumb.</summary>
    public double Pace { get; init; } = 1;

    /// <summary>How far one step lies from the next: hands are no clockwork.</summary>
    private static readonly double[] Scatter = [1.3, 0.8, 1, 0.7, 1.25, 0.95];

    /// <summary>Minutes as somebody would note them, on each vehicle otherwise.</summary>
    private double Took(double usual, int step) =>
        Math.Ceiling(
            usual
                * Pace
                * Scatter[(step + (Document.Vehicle.Plate ?? "").Sum(c => c)) % Scatter.Length]
        );

    /// <summary>Holes to drill, by dimension in inches.</summary>
    public void Cut(
        string where,
        string what,
        string from,
        string distance,
        string size,
        int count
    ) =>
        Do(
            new NoteCut(
                NewId(),
                NewId(),
                where,
                what,
                CutKind.Drill,
                from,
                new QuantityInput(distance, Unit.Inch, Known.Document),
                new QuantityInput(size, Unit.Inch, Known.Document),
                count
            )
        );

    /// <summary>The other person looks at every joint that is closed.</summary>
    private void LookOver()
    {
        var plan = Document.BegunPlan()!;
        var places = Progress.CardOf(Document).Joints.Select(j => j.Place).ToHashSet();
        foreach (
            var joint in Document
                .Joints.Where(j =>
                    places.Contains(j.Place)
                    && FittingRules.Open(j, Document.PassesOver(j.Id, plan.Id)) is null
                )
                .ToArray()
        )
        {
            Do(new LookOver(NewId(), NewId(), joint.Id), Eyes);
        }
    }

    public void FitAll(string? leaveOpen = null)
    {
        FitTo(null, leaveOpen);
        foreach (var line in Document.OffLines.Where(o => o.Fate is null))
        {
            Do(new CloseOffLine(NewId(), line.Id, Fate.RefitHere, null));
        }
    }

    /// <summary>Does the steps of the card up to one, with every entry that they call for.</summary>
    public void FitTo(string? last, string? leaveOpen = null)
    {
        foreach (var (step, n) in Progress.CardOf(Document).Steps.Select((s, i) => (s, i)))
        {
            Later(step.Minutes);
            if (step.Key == DoStep.SecondEyes)
            {
                LookOver();
            }
            var left =
                leaveOpen is { } open && step.Pass == Pass.Final && step.Joints.Contains(open);
            Do(
                new DoStep(
                    NewId(),
                    NewId(),
                    step.Key,
                    Took(step.Minutes, n),
                    left ? "Its bolt does not pass by hand yet: again after the drive."
                        : step.Key == DoStep.SecondEyes && leaveOpen is not null
                            ? $"{leaveOpen} is looked at when it is final."
                        : null,
                    Reached(step, leaveOpen)
                ),
                step.Key == DoStep.SecondEyes ? Eyes : _by
            );
            if (step.Key == last)
            {
                return;
            }
        }
        if (last is not null)
        {
            throw new InvalidOperationException($"The card has no step {last}.");
        }
    }
}
