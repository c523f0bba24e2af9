using System.Globalization;
using System.Text.Json.Serialization;
using Nokko.Core.Stance;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Proof;

/// <summary>What is best done next with a vehicle that was measured after its work.</summary>
public enum NextActKind
{
    /// <summary>Leave it as it sits.</summary>
    Accept,

    /// <summary>Close work that is open on the card.</summary>
    CloseWork,

    /// <summary>Settle it and read it again.</summary>
    SettleAndRead,

    /// <summary>Read one station again.</summary>
    ReadAgain,

    /// <summary>Check one cause.</summary>
    Check,

    /// <summary>Put right what a check found, then read again.</summary>
    Mend,

    /// <summary>Change the stack.</summary>
    SecondPass,

    /// <summary>Leave it, and measure after some distance.</summary>
    MeasureLater,
}

/// <summary>What is best done next, and why.</summary>
/// <remarks>Source: docs/computation/causes.md#what-to-do-next.</remarks>
/// <param name="Kind">What.</param>
/// <param name="Says">What to do, in a few words.</param>
/// <param name="Why">Why, in one sentence or two.</param>
public sealed record NextAct(NextActKind Kind, string Says, string Why)
{
    /// <summary>The station that is read again, or where the cause sits that is checked.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Where { get; init; }

    /// <summary>The cause that is checked.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public CauseKind? Cause { get; init; }

    /// <summary>The next act after a proof.</summary>
    /// <param name="proof">The proof.</param>
    public static NextAct Of(PlanProof proof) =>
        proof switch
        {
            { HeldBack: [var open, ..] } => new(
                NextActKind.CloseWork,
                "Close what is open on the card",
                open
            ),
            { Overall: Verdict.Reached, AsWanted: null } => new(
                NextActKind.Accept,
                "Accept it",
                "Nothing was wanted in numbers, and it landed where it was foretold."
            ),
            { Overall: Verdict.Reached } => new(
                NextActKind.Accept,
                "Accept it",
                "It sits as wanted: whatever it is off its plan by, nobody asked for that."
            ),
            {
                Overall: Verdict.MeasureAgain or Verdict.CannotTell,
                Comparison.Rigid.ReadAgain: { } station
            } => ReadAgain(station, "It does not fit the others: without it there is no verdict."),
            { Decides: true, Overall: Verdict.MeasureAgain, Rounds: > 1 } => new(
                NextActKind.Accept,
                "Accept it, or say with the owner what else is wanted",
                "It was read again and is still too near the edge of what was wanted: no tape tells these apart."
            ),
            { Overall: Verdict.MeasureAgain or Verdict.CannotTell } => new(
                NextActKind.SettleAndRead,
                "Roll it, settle it, read again",
                proof.WhyNot is [var why, ..]
                    ? why
                    : "It is too near the edge of what was wanted to tell: once more, then it is decided."
            ),
            { Causes: { } causes } => OfMiss(causes),
            _ => new(
                NextActKind.SecondPass,
                "Change the stack",
                "It landed where it was foretold, which is not as wanted: there is nothing to look for."
            ),
        };

    private static NextAct OfMiss(Causes causes)
    {
        if (causes.Checks.FirstOrDefault(c => c.WasIt == true) is { } found)
        {
            return CauseRule.Of(found.Kind).Stays > 0.5
                ? new(
                    NextActKind.SecondPass,
                    "Change the stack",
                    $"Found: {Lower(CauseWords.Said(found.Kind, found.Where))}. That stays: a second pass counts on what came with it."
                )
                : new(
                    NextActKind.Mend,
                    "Put it right, settle it, read again",
                    $"Found: {Lower(CauseWords.Said(found.Kind, found.Where))}. Until that is right no other stack is worth its hours."
                );
        }
        if (!causes.CheckFirst || causes.Checks is not [{ Bits: > 0 } next, ..])
        {
            return new(
                NextActKind.SecondPass,
                "Change the stack",
                $"What is left stays as it is, and a second pass counts on it: about {Hours(causes.PassHours)} until it sits right, and no check makes that less."
            );
        }
        var chance = causes
            .Classes.SelectMany(c => c.Causes)
            .Where(c => c.Kind == next.Kind && (c.Where == next.Where || next.Where == "vehicle"))
            .Sum(c => c.Chance);
        var why =
            $"{Lower(CauseWords.Said(next.Kind, next.Where), capital: true)}: {InHundred(chance)} in 100. It tells most for its {next.Minutes} min. To look first takes about {Hours(causes.CheckHours)} on average until it sits right, another stack at once {Hours(causes.PassHours)}.";
        return next.Kind switch
        {
            CauseKind.Slip => ReadAgain(next.Where, why),
            CauseKind.NotSettled when next.Minutes >= CauseRule.ComesBackMinutes => new(
                NextActKind.MeasureLater,
                "Leave it, and measure after 100 miles (160 km)",
                why
            ),
            CauseKind.NotSettled or CauseKind.OtherCargo => new(
                NextActKind.SettleAndRead,
                next.Kind == CauseKind.OtherCargo
                    ? "Load it as it was, roll it, read again"
                    : "Roll it, settle it, read again",
                why
            ),
            _ => new(NextActKind.Check, next.Says, why) { Where = next.Where, Cause = next.Kind },
        };
    }

    private static NextAct ReadAgain(string station, string why) =>
        new(NextActKind.ReadAgain, $"Read {Corners.Said(station)} again", why) { Where = station };

    private static string Lower(string said, bool capital = false) =>
        capital ? said : char.ToLowerInvariant(said[0]) + said[1..];

    private static string InHundred(double chance) =>
        Math.Round(100 * chance).ToString(CultureInfo.InvariantCulture);

    private static string Hours(double hours) =>
        string.Create(CultureInfo.InvariantCulture, $"{hours:0.0} h");
}
