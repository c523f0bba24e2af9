using System.Text.Json.Serialization;
using Nokko.Core.Plans;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Proof;

/// <summary>A verdict: on what was wanted, or on what was foretold.</summary>
public enum Verdict
{
    /// <summary>It sits as wanted; it landed where it was foretold.</summary>
    Reached,

    /// <summary>It does not, by more than the measurement can be wrong.</summary>
    NotReached,

    /// <summary>Unsettled, flagged, or too unsure or too near the edge to tell: settle and measure again.</summary>
    MeasureAgain,

    /// <summary>Something is missing: a reading, a figure, or work that is still open.</summary>
    CannotTell,
}

/// <summary>One station: before, planned, now.</summary>
public sealed record StationProof
{
    /// <summary>Name of the station.</summary>
    public required string Station { get; init; }

    /// <summary>Height before, mm.</summary>
    public required Result Before { get; init; }

    /// <summary>Height planned when the fitting began, mm.</summary>
    public required Result Planned { get; init; }

    /// <summary>Height now, mm.</summary>
    public required Result Now { get; init; }

    /// <summary>Now minus planned, mm; its u combines measurement and prediction.</summary>
    public required Result Difference { get; init; }

    /// <summary>Whether it is within the tolerance of the plan, which is no verdict; null when it was not read.</summary>
    public required bool? Near { get; init; }

    /// <summary>Whether the prediction was right: |d| ≤ 2√(u_pred² + u_meas²); null when it cannot be told.</summary>
    public required bool? PredictionRight { get; init; }
}

/// <summary>Whether the vehicle sits as its owner wants.</summary>
/// <param name="What">rake, rakeLoaded, frontLift, rearLift (at least), frontMost, rearMost, leanFront or leanRear.</param>
/// <param name="Wanted">What was wanted, mm.</param>
/// <param name="Now">What was measured, mm.</param>
/// <param name="Reached">The verdict.</param>
public sealed record TargetProof(string What, double Wanted, Result Now, Verdict Reached);

/// <summary>What a stack lifted on one axle.</summary>
/// <param name="Axle">front or rear.</param>
/// <param name="Parts">Names of the parts that came and went.</param>
/// <param name="Thickness">Change of thickness, mm.</param>
/// <param name="Claim">Change of claimed lift, mm.</param>
/// <param name="Measured">Mean rise of the two lips, mm.</param>
/// <param name="Ratio">Measured rise over thickness.</param>
public sealed record AxleLift(
    Axle Axle,
    IReadOnlyList<string> Parts,
    Result Thickness,
    Result Claim,
    Result Measured,
    Result Ratio
);

/// <summary>The proof of one plan: settled readings judged against the stored prediction and the target.</summary>
public sealed record PlanProof
{
    /// <summary>The plan.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>The walk-round on which it rests.</summary>
    public required Guid WalkRoundId { get; init; }

    /// <summary>Whether the readings may carry a verdict.</summary>
    public required bool Decides { get; init; }

    /// <summary>Why they may not; empty when they may.</summary>
    public required IReadOnlyList<string> WhyNot { get; init; }

    /// <summary>What else the plan moved, foretold and measured.</summary>
    public IReadOnlyList<MovedProof> Moved { get; init; } = [];

    /// <summary>Stations.</summary>
    public required IReadOnlyList<StationProof> Stations { get; init; }

    /// <summary>The target.</summary>
    public required IReadOnlyList<TargetProof> Target { get; init; }

    /// <summary>Observed lift against thickness and claim.</summary>
    public required IReadOnlyList<AxleLift> Lifts { get; init; }

    /// <summary>Claims of its kits beside what came.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<KitClaim>? Kits { get; init; }

    /// <summary>What may have moved it off its plan; null where every lip is near it and as foretold, or nobody can tell yet.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public Causes? Causes { get; init; }

    /// <summary>Walk-rounds that were read since the work.</summary>
    public int Rounds { get; init; } = 1;

    /// <summary>What is best done next.</summary>
    public NextAct Next => NextAct.Of(this);

    /// <summary>Rises and the rigid-body check.</summary>
    public required Comparison? Comparison { get; init; }

    /// <summary>Work that is still open, so that there is no verdict yet; in it and in <see cref="WhyNot"/>.</summary>
    public required IReadOnlyList<string> HeldBack { get; init; }

    /// <summary>What was done otherwise than it should be and may show in the heights: the verdict stands with this mark.</summary>
    public required IReadOnlyList<string> Marks { get; init; }

    /// <summary>Whether it sits as its owner wants: the worst of the target; null when nothing was wanted in numbers.</summary>
    public required Verdict? AsWanted { get; init; }

    /// <summary>Whether it landed where it was foretold when the fitting began.</summary>
    public required Verdict AsForetold { get; init; }

    /// <summary>The verdict that decides what comes next: as wanted; as foretold where nothing was wanted in numbers.</summary>
    public Verdict Overall => AsWanted ?? AsForetold;

    /// <summary>Both verdicts in one sentence.</summary>
    public string Says =>
        (AsWanted, AsForetold) switch
        {
            _ when HeldBack.Count > 0 => "No verdict while work is open that moves the heights.",
            (Verdict.Reached, Verdict.NotReached) =>
                "It landed off the plan, but as wanted. The lift line has learnt from it.",
            (Verdict.NotReached, Verdict.Reached) =>
                "It landed within what was foretold, and that is not as wanted.",
            (Verdict.NotReached, Verdict.NotReached) =>
                "Neither as wanted nor where it was foretold.",
            (Verdict.Reached, Verdict.Reached) => "As wanted, and where it was foretold.",
            (Verdict.Reached, _) =>
                "As wanted; whether it landed where it was foretold cannot be told yet.",
            (Verdict.NotReached, _) =>
                "Not as wanted; whether it landed where it was foretold cannot be told yet.",
            (null, Verdict.Reached) =>
                "Nothing was wanted in numbers; it landed where it was foretold.",
            (null, Verdict.NotReached) =>
                "Nothing was wanted in numbers; it did not land where it was foretold.",
            _ => "Read what is missing or in doubt, then there is a verdict.",
        };
}
