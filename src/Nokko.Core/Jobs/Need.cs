using Nokko.Core.Proof;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;
using Nokko.Core.WalkRounds;

namespace Nokko.Core.Jobs;

/// <summary>What a job needs from a person next.</summary>
public enum NeedKind
{
    /// <summary>Nothing but the follow-ups.</summary>
    FollowUps,

    /// <summary>Corners read before anything is undone.</summary>
    WalkBefore,

    /// <summary>Parts chosen.</summary>
    ChooseParts,

    /// <summary>The fitting begun.</summary>
    BeginFitting,

    /// <summary>A plan mended that cannot be begun as it stands.</summary>
    MendPlan,

    /// <summary>The fitting of a second pass begun.</summary>
    BeginSecondPass,

    /// <summary>The next step of the card.</summary>
    NextStep,

    /// <summary>Corners read after the work.</summary>
    WalkAfter,

    /// <summary>A miss looked at.</summary>
    Miss,

    /// <summary>Work closed that moves the heights: no verdict before.</summary>
    CloseRubber,

    /// <summary>It sits right; ledgers closed.</summary>
    CloseLedgers,

    /// <summary>It sits right; handed over.</summary>
    HandOver,

    /// <summary>One reading taken again.</summary>
    ReadAgain,

    /// <summary>Settled and measured again.</summary>
    SettleAgain,

    /// <summary>The result looked at.</summary>
    Look,

    /// <summary>Eye and tape brought together.</summary>
    EyeAndTape,

    /// <summary>The owner chooses from the quote.</summary>
    OwnerChooses,

    /// <summary>Nothing: it was thrown away.</summary>
    Binned,
}

/// <summary>What a job needs next, as facts: the words are made when somebody reads them.</summary>
/// <param name="Kind">What.</param>
/// <param name="Count">How many: corners, steps, lines or follow-ups.</param>
/// <param name="Text">A step, the station that is read again, the axle that looks otherwise, or what stands in the way of a plan.</param>
/// <param name="RakeMm">Rake now, mm; null when it is not known.</param>
/// <param name="RakeUMm">Its standard uncertainty, mm.</param>
/// <param name="Datum">Its datum.</param>
public sealed record Need(
    NeedKind Kind,
    int Count = 0,
    string? Text = null,
    double? RakeMm = null,
    double? RakeUMm = null,
    Datum? Datum = null
)
{
    /// <summary>The phase in which it is done.</summary>
    public Phase Phase =>
        Kind switch
        {
            NeedKind.FollowUps or NeedKind.HandOver => Phase.HandOver,
            NeedKind.WalkBefore
            or NeedKind.WalkAfter
            or NeedKind.ReadAgain
            or NeedKind.EyeAndTape
            or NeedKind.SettleAgain => Phase.WalkRound,
            NeedKind.ChooseParts
            or NeedKind.BeginFitting
            or NeedKind.MendPlan
            or NeedKind.BeginSecondPass
            or NeedKind.OwnerChooses => Phase.Plan,
            NeedKind.NextStep or NeedKind.CloseLedgers or NeedKind.CloseRubber => Phase.Fit,
            NeedKind.Miss or NeedKind.Look => Phase.Prove,
            NeedKind.Binned => Phase.TakeIn,
            _ => throw new InvalidOperationException($"No phase is known for {Kind}."),
        };

    /// <summary>Derives what a job needs.</summary>
    /// <param name="d">The job.</param>
    /// <param name="results">What is computed from it.</param>
    public static Need Of(JobDocument d, JobResults results)
    {
        var stance = d.CurrentStage() is { } stage
            ? JobEvaluator.Speaks(results.WalkRounds, stage.Id)
            : null;
        return Next(d, results) with
        {
            RakeMm = stance?.Rake.Value,
            RakeUMm = stance?.Rake.U,
            Datum = stance?.Datum,
        };
    }

    /// <summary>What to do, in at most eight words with the verb first: as it is called across a yard.</summary>
    public string Does() =>
        Kind switch
        {
            NeedKind.FollowUps => Count > 0
                ? $"Follow it up: {Counted("look")} to come"
                : "Leave it: nothing is left to do",
            NeedKind.WalkBefore => $"Walk round it: {Counted("corner")} to read",
            NeedKind.ChooseParts => "Choose the parts",
            NeedKind.OwnerChooses => $"Wait for the owner: {Counted("stack")} offered",
            NeedKind.BeginFitting when Text is not null => "Begin the fitting",
            NeedKind.BeginFitting => "Agree the plan, begin the fitting",
            NeedKind.BeginSecondPass when Text is not null => "Begin the second pass",
            NeedKind.BeginSecondPass => "Agree the second pass, begin it",
            NeedKind.MendPlan => "Mend the plan",
            NeedKind.NextStep => $"Fit: {Counted("step")} left",
            NeedKind.WalkAfter => $"Settle it, walk round: {Counted("corner")} to read",
            NeedKind.Miss => "See what is off",
            NeedKind.CloseRubber => "Close what is open",
            NeedKind.CloseLedgers => $"Close {Counted("open line")}",
            NeedKind.HandOver => "Hand it over",
            NeedKind.ReadAgain => $"Read the {Corners.Said(Text!)} again",
            NeedKind.EyeAndTape => $"Read both {Text} lips again",
            NeedKind.SettleAgain => "Settle it and measure again",
            NeedKind.Look => "See what can be told",
            NeedKind.Binned => "Leave it: thrown away",
            _ => throw new InvalidOperationException($"No words are known for {Kind}."),
        };

    /// <summary>What more is to be known before it is done: the next step, what is open, what stands in the way; null where the rest shows on the vehicle.</summary>
    public string? Why() =>
        Kind
            is NeedKind.NextStep
                or NeedKind.MendPlan
                or NeedKind.CloseRubber
                or NeedKind.BeginFitting
                or NeedKind.BeginSecondPass
            ? Text
            : null;

    /// <summary>One sentence: how things stand and what comes next.</summary>
    /// <param name="style">How the reader reads lengths.</param>
    public string Say(LengthStyle style)
    {
        var sits =
            RakeMm is { } rake && RakeUMm is { } u && Datum is { } datum
                ? StanceWords.SayRake(Result.Of(rake, Unit.Mm, u, []), datum, style) + " "
                : "";
        return Kind switch
        {
            NeedKind.FollowUps => Count > 0
                ? $"Handed over; {Counted("follow-up")} to come."
                : "Handed over; nothing is left to do.",
            NeedKind.WalkBefore =>
                $"{sits}Walk round it before anything is undone: {Counted("corner")} to read.",
            NeedKind.ChooseParts => $"{sits}Choose the parts that make it sit right.",
            NeedKind.OwnerChooses =>
                $"{sits}The owner has a quote, {Counted("stack")}: it waits for the choice.",
            NeedKind.BeginFitting or NeedKind.BeginSecondPass when Text is not null =>
                $"{sits}{Text} Begin the fitting.",
            NeedKind.BeginFitting => $"{sits}The plan stands: begin the fitting when it is agreed.",
            NeedKind.MendPlan => $"{sits}The plan cannot be begun as it stands. {Text}",
            NeedKind.BeginSecondPass =>
                $"{sits}A second pass is planned: begin the fitting when it is agreed.",
            NeedKind.NextStep => $"Next on the card: {Text}. {Counted("step")} to go.",
            NeedKind.WalkAfter => $"Fitted. Settle it and walk round: {Counted("corner")} to read.",
            NeedKind.Miss =>
                $"{sits}That is not as wanted: see what is off, then change the stack or accept it.",
            NeedKind.CloseRubber => $"{sits}No verdict yet. {Text}",
            NeedKind.CloseLedgers =>
                $"{sits}As wanted; {Counted("open line")} left in the ledgers.",
            NeedKind.HandOver => $"{sits}As wanted: hand it over.",
            NeedKind.ReadAgain =>
                $"{sits}The {Corners.Said(Text!)} reading does not fit the others: read it again.",
            NeedKind.EyeAndTape =>
                $"{sits}At the {Text} the eye sees another lean than the tape: read both lips again, or look again.",
            NeedKind.SettleAgain => $"{sits}Too near to tell: settle it and measure again.",
            NeedKind.Look => $"{sits}See what can be told of the result.",
            NeedKind.Binned => "Thrown away. Bring it back to go on with it.",
            _ => throw new InvalidOperationException($"No words are known for {Kind}."),
        };
    }

    private static Need Next(JobDocument d, JobResults results)
    {
        if (d.Job.BinnedAt is not null)
        {
            return new Need(NeedKind.Binned);
        }
        if (d.Job.HandedOverAt is not null)
        {
            return new Need(NeedKind.FollowUps, d.FollowUps.Count(f => f.DoneAt is null));
        }
        var unread = Progress.Unread(d, results);
        if (d.BegunPlan() is not { } begun)
        {
            return unread > 0 ? new Need(NeedKind.WalkBefore, unread)
                : Progress.DraftChanges(d) == 0 ? new Need(NeedKind.ChooseParts)
                : Draft(d, results, NeedKind.BeginFitting);
        }
        if (Progress.DraftChanges(d) > 0)
        {
            return Draft(d, results, NeedKind.BeginSecondPass);
        }
        var left = Progress.CardOf(d).Steps.Where(s => !Progress.IsDone(d, s.Key)).ToArray();
        if (left.Length > 0)
        {
            var where = left[0].Where == "vehicle" ? "" : $"{left[0].Where}: ";
            return new Need(NeedKind.NextStep, left.Length, $"{where}{left[0].Title}");
        }
        if (unread > 0)
        {
            return new Need(NeedKind.WalkAfter, unread);
        }
        var proof = results.Proofs.FirstOrDefault(p => p.PlanId == begun.Id);
        return proof?.Overall switch
        {
            _ when proof is { HeldBack: [var open, ..] } => new Need(
                NeedKind.CloseRubber,
                Text: open
            ),
            Verdict.NotReached => new Need(NeedKind.Miss),
            Verdict.Reached when Progress.OpenLinesOf(d).Count is > 0 and var open => new Need(
                NeedKind.CloseLedgers,
                open
            ),
            Verdict.Reached => new Need(NeedKind.HandOver),
            Verdict.MeasureAgain
                when results.WalkRounds.First(w => w.WalkRoundId == proof.WalkRoundId)
                    is { AgainstEye: [var axle, ..] } => new Need(
                NeedKind.EyeAndTape,
                Text: axle.Said()
            ),
            Verdict.MeasureAgain when proof.Comparison?.Rigid is { Suspects: [var suspect, ..] } =>
                new Need(NeedKind.ReadAgain, Text: suspect),
            Verdict.MeasureAgain => new Need(NeedKind.SettleAgain),
            _ => new Need(NeedKind.Look),
        };
    }

    /// <summary>What a drafted plan needs: mended first, where it cannot be begun.</summary>
    private static Need Draft(JobDocument d, JobResults results, NeedKind begin) =>
        d.DraftPlan() is { } plan
        && PlanRules.WhyNotBegun(
            d,
            plan,
            results.Predictions.FirstOrDefault(p => p.PlanId == plan.Id)
        )
            is { } why
            ? new Need(NeedKind.MendPlan, Text: why)
        : d.QuoteNow() is not { } quote ? new Need(begin)
        : quote.Chosen() is not { } chosen ? new Need(NeedKind.OwnerChooses, quote.Offers.Count)
        : new Need(
            begin,
            Text: d.DraftPlan() is { } next && Quote.NotAgreed(next, d) is { } not
                ? not
                : $"The owner chose “{chosen.Name}”."
        );

    private string Counted(string what) => Count == 1 ? $"1 {what}" : $"{Count} {what}s";
}
