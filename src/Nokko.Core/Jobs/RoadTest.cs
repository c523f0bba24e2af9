using Nokko.Core.Fitting;
using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Jobs;

/// <summary>What is asked on every road test.</summary>
public enum RoadQuestion
{
    /// <summary>Noise that does not belong there.</summary>
    Noise,

    /// <summary>Pulling to a side.</summary>
    Pull,

    /// <summary>Wandering.</summary>
    Wander,

    /// <summary>Steering that does not come back by itself.</summary>
    Return,

    /// <summary>Vibration.</summary>
    Vibration,

    /// <summary>Steering wheel off its middle.</summary>
    WheelOffCentre,

    /// <summary>Warning lamps.</summary>
    WarningLamps,

    /// <summary>Brakes.</summary>
    Brakes,
}

/// <summary>How much of a trouble was there.</summary>
public enum RoadTrouble
{
    /// <summary>None.</summary>
    None,

    /// <summary>A little.</summary>
    Some,

    /// <summary>Clearly.</summary>
    Much,
}

/// <summary>One answer of a road test.</summary>
/// <param name="Question">The question.</param>
/// <param name="Trouble">How much of it was there.</param>
/// <param name="Note">What, where, how fast; may be empty.</param>
public sealed record RoadAnswer(RoadQuestion Question, RoadTrouble Trouble, string? Note);

/// <summary>A drive before or after the work, with the same questions.</summary>
public sealed record RoadTest : IRow
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>Whether it was driven after the work.</summary>
    public required bool After { get; init; }

    /// <summary>Answers, each question once; one that was not tried is left out.</summary>
    public required IReadOnlyList<RoadAnswer> Answers { get; init; }

    /// <summary>Who drove.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When it was noted.</summary>
    public required DateTimeOffset At { get; init; }
}

/// <summary>Notes a road test before or after the work; noted again, it takes the place of what was noted.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the road test.</param>
/// <param name="After">Whether it was driven after the work.</param>
/// <param name="Answers">The answers.</param>
/// <param name="Version">Version of the one that it takes the place of, as seen; null where there was none.</param>
public sealed record NoteRoadTest(
    Guid CommandId,
    Guid Id,
    bool After,
    IReadOnlyList<RoadAnswer> Answers,
    uint? Version = null
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() =>
        After ? "road test after the work" : "road test before the work";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        if (!After && d.BegunPlan() is not null)
        {
            throw Refuse.Gate(
                "after",
                "The work has begun: what it drove like before can only be noted before."
            );
        }
        if (After && d.BegunPlan() is null)
        {
            throw Refuse.Gate("after", "Nothing was fitted yet: this is a drive before the work.");
        }
        if (Answers.Count == 0)
        {
            throw Refuse.Value("answers", "Answer at least one question.");
        }
        var seen = new HashSet<RoadQuestion>();
        var answers = Answers
            .Select(
                (a, i) =>
                    !Enum.IsDefined(a.Question)
                    || !Enum.IsDefined(a.Trouble)
                    || !seen.Add(a.Question)
                        ? throw Refuse.Value(
                            $"answers[{i}]",
                            "Each question once: none, some or much."
                        )
                        : a with
                        {
                            Note = TypedText.Line(a.Note, $"answers[{i}].note"),
                        }
            )
            .OrderBy(a => a.Question)
            .ToArray();
        var known = d.RoadTests.FirstOrDefault(t => t.After == After);
        var row = new RoadTest
        {
            Id = known?.Id ?? Id,
            After = After,
            Answers = answers,
            PersonId = work.PersonId,
            At = work.Now,
        };
        if (known is null)
        {
            work.Add(row);
        }
        else
        {
            work.Edit(known, Version ?? 0, row);
        }
    }
}

/// <summary>How a trouble came out of the work.</summary>
public enum RoadChange
{
    /// <summary>There was none, and there is none.</summary>
    Fine,

    /// <summary>It is gone.</summary>
    Gone,

    /// <summary>It is less than it was.</summary>
    Less,

    /// <summary>It is as it was.</summary>
    Same,

    /// <summary>It is more than it was.</summary>
    More,

    /// <summary>It came with the work.</summary>
    New,

    /// <summary>It is there, and nobody noted how it was before.</summary>
    There,
}

/// <summary>One question before and after.</summary>
/// <param name="Question">The question.</param>
/// <param name="Before">The answer before the work; null is not tried.</param>
/// <param name="After">The answer after it.</param>
/// <param name="Change">What came of it; null while it was not tried after the work.</param>
/// <param name="Look">Where to look on this vehicle after this work; null where nothing got worse.</param>
public sealed record RoadCompared(
    RoadQuestion Question,
    RoadAnswer? Before,
    RoadAnswer? After,
    RoadChange? Change,
    string? Look
)
{
    /// <summary>Whether it must be looked at before it leaves.</summary>
    public bool Worse => Change is RoadChange.New or RoadChange.More or RoadChange.There;

    /// <summary>Every question of a job, in order.</summary>
    public static IReadOnlyList<RoadCompared> Of(JobDocument d)
    {
        var (before, after) = (d.Drive(false), d.Drive(true));
        return [.. Enum.GetValues<RoadQuestion>().Select(One)];

        RoadCompared One(RoadQuestion question)
        {
            var was = before?.Answers.FirstOrDefault(a => a.Question == question);
            var now = after?.Answers.FirstOrDefault(a => a.Question == question);
            var line = new RoadCompared(
                question,
                was,
                now,
                ChangeOf(was?.Trouble, now?.Trouble),
                null
            );
            return line.Worse ? line with { Look = RoadWords.Look(question, d) } : line;
        }
    }

    private static RoadChange? ChangeOf(RoadTrouble? was, RoadTrouble? now) =>
        (was, now) switch
        {
            (_, null) => null,
            (null, RoadTrouble.None) => RoadChange.Fine,
            (null, _) => RoadChange.There,
            (RoadTrouble.None, RoadTrouble.None) => RoadChange.Fine,
            (RoadTrouble.None, _) => RoadChange.New,
            (_, RoadTrouble.None) => RoadChange.Gone,
            _ => now < was ? RoadChange.Less
            : now > was ? RoadChange.More
            : RoadChange.Same,
        };
}

/// <summary>Questions and answers of a road test as said in a bay.</summary>
public static class RoadWords
{
    /// <summary>A question.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is none.</exception>
    public static string Said(this RoadQuestion question) =>
        question switch
        {
            RoadQuestion.Noise => "Noise that does not belong",
            RoadQuestion.Pull => "Pulls to a side",
            RoadQuestion.Wander => "Wanders",
            RoadQuestion.Return => "Steering does not come back",
            RoadQuestion.Vibration => "Vibrates",
            RoadQuestion.WheelOffCentre => "Steering wheel off centre",
            RoadQuestion.WarningLamps => "Warning lamps on",
            RoadQuestion.Brakes => "Brakes: long pedal, pull or soft",
            _ => throw new ArgumentOutOfRangeException(nameof(question), question, "No question."),
        };

    /// <summary>How much.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is nothing of it.</exception>
    public static string Said(this RoadTrouble trouble) =>
        trouble switch
        {
            RoadTrouble.None => "no",
            RoadTrouble.Some => "a little",
            RoadTrouble.Much => "clearly",
            _ => throw new ArgumentOutOfRangeException(nameof(trouble), trouble, "No answer."),
        };

    /// <summary>What came of it.</summary>
    /// <exception cref="ArgumentOutOfRangeException">It is none of them.</exception>
    public static string Said(this RoadChange change) =>
        change switch
        {
            RoadChange.Fine => "fine",
            RoadChange.Gone => "gone",
            RoadChange.Less => "less than before",
            RoadChange.Same => "as before",
            RoadChange.More => "more than before",
            RoadChange.New => "new since the work",
            RoadChange.There => "there; not tried before the work",
            _ => throw new ArgumentOutOfRangeException(nameof(change), change, "No change."),
        };

    /// <summary>Where to look first, from what this vehicle has and what this work opened.</summary>
    /// <remarks>Source: docs/computation/job-card.md#road-test. Rules of thumb.</remarks>
    internal static string Look(RoadQuestion question, JobDocument d)
    {
        var now = d.VehicleNow();
        var front = now.Front.Kind;
        var plan = d.BegunPlan();
        var from = plan is null ? null : d.StartOf(plan);
        bool Lifted(Axle axle) => plan is not null && from is not null && plan.MayLift(axle, from);
        var card = Progress.CardOf(d);
        string Opened(Func<JointKind, bool> of, string otherwise) =>
            card.Joints.Where(j => of(j.Kind)).Select(j => j.Place).Take(4).ToArray()
                is { Length: > 0 } places
                ? $"First at what was opened: {string.Join(", ", places)}."
                : otherwise;
        const string wheels = "Tyre pressures left against right, and the wheels’ seats and nuts.";
        return question switch
        {
            RoadQuestion.Noise => Opened(
                k => k is not JointKind.Wheel,
                "Shields, exhaust and hoses that were moved by hand."
            ),
            RoadQuestion.Pull => Lifted(Axle.Front) && !front.IsLiveAxle()
                ? "Camber and toe, left against right: the lift moved both. Then tyre pressures and a brake that drags."
                : "Tyre pressures left against right, then a brake that drags.",
            RoadQuestion.Wander => Lifted(Axle.Front)
                ? front.IsLiveAxle()
                    ? "Caster: the lift took some of it. Then play in track bar and drag link."
                    : "Toe first, then caster: the lift moved both."
                : Lifted(Axle.Rear)
                    ? "Caster: a rear that stands higher takes some of it. Then tyre pressures."
                    : wheels,
            RoadQuestion.Return => Lifted(Axle.Front)
                ? "Caster: the lift took some of it. Then joints of the steering that were tightened turned."
            : Lifted(Axle.Rear) ? "Caster: a rear that stands higher takes some of it."
            : "Joints of the steering, and tyre pressures.",
            RoadQuestion.Vibration => Lifted(Axle.Rear) && now.Rear.Kind.IsLiveAxle()
                ? "Pinion and propshaft angles at the rear: the shaft stands steeper now. Then wheels’ seats and balance."
                : Opened(k => k is JointKind.Wheel, wheels),
            RoadQuestion.WheelOffCentre => front.IsLiveAxle()
                ? "The drag link’s length: set it with the wheels straight and the vehicle on them."
                : "Toe, set with the steering wheel straight and held.",
            RoadQuestion.WarningLamps => now.Front.HeightControl is not null
            || now.Rear.HeightControl is not null
                ? "Level sensors first, then the leads at the hubs: read out what they say."
                : "Leads at the hubs that were unclipped or stretched: read out what they say.",
            RoadQuestion.Brakes => Opened(
                k => k is JointKind.Union or JointKind.CaliperBolts or JointKind.Bracket,
                "Hoses: not twisted, not tight at full droop, clipped again; then the pedal."
            ) + " It is not driven on before.",
            _ => throw new ArgumentOutOfRangeException(nameof(question), question, "No question."),
        };
    }
}
