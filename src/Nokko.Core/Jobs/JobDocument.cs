using System.Text.Json.Serialization;
using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;
using Nokko.Core.Week;

namespace Nokko.Core.Jobs;

/// <summary>Somebody who worked on the job.</summary>
public sealed record Person : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Name as printed on the record.</summary>
    [Personal]
    public required string Name { get; init; }
}

/// <summary>A file that belongs to the job, named by its content.</summary>
public sealed record Attachment : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>SHA-256 of the content, lower-case hex; the file lies beside the job file as files/{sha256}.</summary>
    public required string Sha256 { get; init; }

    /// <summary>Media type.</summary>
    public required string MediaType { get; init; }

    /// <summary>What it belongs to: a reading, a mark, a joint, a place.</summary>
    public string? Of { get; init; }

    /// <summary>Caption.</summary>
    public string? Caption { get; init; }

    /// <summary>Where both hubs of the side are that it shows: the front one's x and y, then the rear one's, as shares of its width and height from its upper left corner, 0 … 1. Null while nobody marked them.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<double>? Pins { get; init; }

    /// <summary>Who added it.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>One change of a job, as people see its history: text. What it changed is kept beside it in the database only.</summary>
public sealed record HistoryEntry : IRow
{
    /// <summary>Key, made by the client; repeating it changes nothing.</summary>
    public required Guid Id { get; init; }

    /// <summary>What was done, in a few words.</summary>
    public required string Kind { get; init; }

    /// <summary>Who.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>The change that this one took back.</summary>
    public Guid? TakesBack { get; init; }
}

/// <summary>A whole job: what the job file holds, what the core computes from, and what the browser shows.</summary>
/// <remarks>Flat lists with keys. In canonical form every list of keyed rows is sorted by key.</remarks>
public sealed record JobDocument
{
    /// <summary>The name of the format.</summary>
    public const string FormatName = "nokko.job";

    /// <summary>The version that this core writes.</summary>
    public const int CurrentVersion = 1;

    /// <summary>Always <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>Version of the format.</summary>
    public required int Version { get; init; }

    /// <summary>The job.</summary>
    public required Job Job { get; init; }

    /// <summary>The owner.</summary>
    public required Owner Owner { get; init; }

    /// <summary>The vehicle.</summary>
    public required Vehicle Vehicle { get; init; }

    /// <summary>Its platform.</summary>
    public required Platform Platform { get; init; }

    /// <summary>People named in the job, and those who walked the vehicle on earlier visits.</summary>
    public IReadOnlyList<Person> People { get; init; } = [];

    /// <summary>Stages of the vehicle up to this job's last one, those of earlier jobs too.</summary>
    public IReadOnlyList<Stage> Stages { get; init; } = [];

    /// <summary>Walk-rounds of this job, and those of earlier jobs of the vehicle.</summary>
    public IReadOnlyList<WalkRound> WalkRounds { get; init; } = [];

    /// <summary>Readings, superseded ones included.</summary>
    public IReadOnlyList<Reading> Readings { get; init; } = [];

    /// <summary>Plans.</summary>
    public IReadOnlyList<Plan> Plans { get; init; } = [];

    /// <summary>Predictions as they stood when the fitting began.</summary>
    public IReadOnlyList<FrozenPrediction> FrozenPredictions { get; init; } = [];

    /// <summary>Kits.</summary>
    public IReadOnlyList<Kit> Kits { get; init; } = [];

    /// <summary>Joints of the vehicle, with what earlier jobs found out of them.</summary>
    public IReadOnlyList<Joint> Joints { get; init; } = [];

    /// <summary>Passes over joints.</summary>
    public IReadOnlyList<TorqueEntry> TorqueEntries { get; init; } = [];

    /// <summary>What came off and went back on.</summary>
    public IReadOnlyList<OffLine> OffLines { get; init; } = [];

    /// <summary>Steps done and hold points confirmed.</summary>
    public IReadOnlyList<StepEntry> Steps { get; init; } = [];

    /// <summary>What held the vehicle up, in order.</summary>
    public IReadOnlyList<SupportEntry> Supports { get; init; } = [];

    /// <summary>Marks made before undoing.</summary>
    public IReadOnlyList<Mark> Marks { get; init; } = [];

    /// <summary>Which way parts sit.</summary>
    public IReadOnlyList<Orientation> Orientations { get; init; } = [];

    /// <summary>Deviations.</summary>
    public IReadOnlyList<Deviation> Deviations { get; init; } = [];

    /// <summary>Promises.</summary>
    public IReadOnlyList<Promised> Promises { get; init; } = [];

    /// <summary>Follow-ups.</summary>
    public IReadOnlyList<FollowUp> FollowUps { get; init; } = [];

    /// <summary>Choices between schools.</summary>
    public IReadOnlyList<SchoolChoice> Schools { get; init; } = [];

    /// <summary>What was cut or drilled.</summary>
    public IReadOnlyList<Cut> Cuts { get; init; } = [];

    /// <summary>Joints that a second pair of eyes looked at.</summary>
    public IReadOnlyList<Look> Looks { get; init; } = [];

    /// <summary>Causes of a miss that somebody checked.</summary>
    public IReadOnlyList<CheckedCause> CheckedCauses { get; init; } = [];

    /// <summary>Steps that somebody put on the card.</summary>
    public IReadOnlyList<OwnStep> OwnSteps { get; init; } = [];

    /// <summary>Road tests, at most one before and one after the work.</summary>
    public IReadOnlyList<RoadTest> RoadTests { get; init; } = [];

    /// <summary>What the owner was offered.</summary>
    public IReadOnlyList<Quote> Quotes { get; init; } = [];

    /// <summary>Where and when it is booked, at most one.</summary>
    public IReadOnlyList<Booking> Bookings { get; init; } = [];

    /// <summary>Signatures under the offer that was chosen, and under what was told at the hand-over.</summary>
    public IReadOnlyList<Signature> Signatures { get; init; } = [];

    /// <summary>Attachments.</summary>
    public IReadOnlyList<Attachment> Attachments { get; init; } = [];

    /// <summary>Every change, in the order of its key.</summary>
    public IReadOnlyList<HistoryEntry> History { get; init; } = [];

    /// <summary>The stage in which the vehicle is now: the last of the chain.</summary>
    public Stage? CurrentStage() => Stages.MaxBy(s => s.Ordinal);

    /// <summary>The stage in which the vehicle came first: what was noted of it before lies before its chain.</summary>
    public Stage? FirstStage() => Stages.Where(s => s.Ordinal >= 0).MinBy(s => s.Ordinal);

    /// <summary>The vehicle as it was put together at a stage.</summary>
    /// <param name="stage">The stage.</param>
    public Vehicle VehicleAt(Stage stage) => Vehicle.On(stage.Front, stage.Rear);

    /// <summary>The vehicle as it is put together at a stage of this key.</summary>
    /// <exception cref="InvalidOperationException">There is no such stage.</exception>
    public Vehicle VehicleAt(Guid stage) => VehicleAt(Stages.First(s => s.Id == stage));

    /// <summary>The vehicle as it is put together now.</summary>
    public Vehicle VehicleNow() => CurrentStage() is { } now ? VehicleAt(now) : Vehicle;

    /// <summary>The walk-rounds of this job; those of earlier jobs of the vehicle are beside them in <see cref="WalkRounds"/>.</summary>
    public IEnumerable<WalkRound> OwnRounds() => WalkRounds.Where(w => w.JobId == Job.Id);

    /// <summary>The plan that made the current stage.</summary>
    public Plan? BegunPlan() =>
        CurrentStage() is { } now ? Plans.FirstOrDefault(p => p.ToStageId == now.Id) : null;

    /// <summary>The stage from which a plan starts; of a plan that is being fitted, with the sizes of its suspension as they are known now: they are those without added parts, and one that is taped meanwhile counts. Null where there is no such stage.</summary>
    /// <param name="plan">The plan.</param>
    public Stage? StartOf(Plan plan)
    {
        var begin = Stages.FirstOrDefault(s => s.Id == plan.FromStageId);
        return begin is not null && CurrentStage() is { } now && now.Id == plan.ToStageId
            ? begin with
            {
                Front = Known(Axle.Front),
                Rear = Known(Axle.Rear),
            }
            : begin;

        // A conversion makes another axle of it, of whatever kind.
        Vehicles.Suspension Known(Axle axle) =>
            plan.Of(axle) is null && now.SuspensionOf(axle).Kind == begin.SuspensionOf(axle).Kind
                ? now.SuspensionOf(axle)
                : begin.SuspensionOf(axle);
    }

    /// <summary>Whether an axle got another suspension between two stages.</summary>
    public bool Converted(Guid before, Guid after, Axle axle)
    {
        var (from, to) = (Stages.First(s => s.Id == before), Stages.First(s => s.Id == after));
        return Plans.Any(p =>
            p.Of(axle) is not null
            && Stages.FirstOrDefault(s => s.Id == p.ToStageId) is { } made
            && made.Ordinal > Math.Min(from.Ordinal, to.Ordinal)
            && made.Ordinal <= Math.Max(from.Ordinal, to.Ordinal)
        );
    }

    /// <summary>Those of its people who worked on this visit: who read, fitted, looked or handed over.</summary>
    public IEnumerable<Person> Hands()
    {
        var own = OwnRounds().Select(w => w.Id).ToHashSet();
        var hands = OwnRounds()
            .Select(w => w.PersonId)
            .Concat(Readings.Where(r => own.Contains(r.WalkRoundId)).Select(r => r.PersonId))
            .Concat(Steps.Select(s => s.PersonId))
            .Concat(TorqueEntries.Select(t => t.PersonId))
            .Concat(Looks.Select(l => l.PersonId))
            .Append(Job.HandedOverBy ?? Guid.Empty)
            .ToHashSet();
        return People.Where(p => hands.Contains(p.Id));
    }

    /// <summary>The road test before the work, or after the work that stands now: a drive before a second pass tells nothing of it. Null where none was noted.</summary>
    public RoadTest? Drive(bool after) =>
        RoadTests.FirstOrDefault(t => t.After == after && (!after || t.At >= BegunPlan()?.BegunAt));

    /// <summary>Signatures under what was told of the work that stands now, in order.</summary>
    public IEnumerable<Signature> SignedNow() =>
        Signatures.Where(s => s.OfferId is null && s.At >= BegunPlan()?.BegunAt).OrderBy(s => s.At);

    /// <summary>The quote that stands: the last one since work was begun last. Null where the owner was offered nothing.</summary>
    public Quote? QuoteNow() => Quotes.Where(q => !(q.At < BegunPlan()?.BegunAt)).MaxBy(q => q.At);

    /// <summary>The offer that the owner chose of a plan; null where none was chosen.</summary>
    public Offer? Agreed(Plan plan) =>
        Quotes.OrderBy(q => q.At).Select(q => q.Chosen()).LastOrDefault(o => o?.PlanId == plan.Id);

    /// <summary>Where and when it is booked; null where it is not.</summary>
    public Booking? Booked() => Bookings is [var booking, ..] ? booking : null;

    /// <summary>The kits of a plan.</summary>
    public IEnumerable<Kit> KitsOf(Plan plan) => Kits.Where(k => k.PlanId == plan.Id);

    /// <summary>Passes over a joint under one plan, in order; what was noted at one instant goes on from pass to pass.</summary>
    /// <param name="joint">Key of the joint.</param>
    /// <param name="plan">Key of the plan.</param>
    public IReadOnlyList<TorqueEntry> PassesOver(Guid joint, Guid? plan) =>
        [
            .. TorqueEntries
                .Where(t => t.JointId == joint && t.PlanId == plan)
                .OrderBy(t => t.At)
                .ThenBy(t => t.Pass)
                .ThenBy(t => t.Id),
        ];

    /// <summary>How far a torque may lie from its spec on this job, as a share, before somebody is asked why.</summary>
    public double TorqueBand() => Job.TorqueBand ?? FittingRules.Band;

    /// <summary>The plans that are being drawn up from the current stage, side by side, by name.</summary>
    public IReadOnlyList<Plan> DraftPlans() =>
        CurrentStage() is { } now
            ?
            [
                .. Plans
                    .Where(p => p.ToStageId is null && p.FromStageId == now.Id)
                    .OrderBy(p => p.Name, StringComparer.Ordinal)
                    .ThenBy(p => p.Id),
            ]
            : [];

    /// <summary>The plan that shall be fitted next: the chosen one, else the first.</summary>
    public Plan? DraftPlan() =>
        DraftPlans() is { Count: > 0 } drafts
            ? drafts.FirstOrDefault(p => p.Chosen) ?? drafts[0]
            : null;
}
