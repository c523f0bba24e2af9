using Nokko.Core.Plans;
using Nokko.Core.Tape;
using Nokko.Core.Units;

namespace Nokko.Core.Jobs;

/// <summary>What of an offer can be laid beside the other ones.</summary>
/// <param name="What">What: how it sits, what it costs.</param>
/// <param name="Says">What is offered.</param>
public sealed record OfferFact(string What, string Says);

/// <summary>A plan as it was offered to the owner: these words are what was offered, whatever becomes of the plan.</summary>
public sealed record Offer
{
    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The plan.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>Its name.</summary>
    public required string Name { get; init; }

    /// <summary>What goes in and comes out, and where.</summary>
    public required IReadOnlyList<string> GoesIn { get; init; }

    /// <summary>How it will sit, and what it takes.</summary>
    public required IReadOnlyList<OfferFact> Facts { get; init; }

    /// <summary>What else moves.</summary>
    public required IReadOnlyList<string> Moves { get; init; }

    /// <summary>What the price leaves out.</summary>
    public required IReadOnlyList<string> LeavesOut { get; init; }

    /// <summary>What cannot be undone.</summary>
    public required IReadOnlyList<string> NoWayBack { get; init; }

    /// <summary>All of it, sentence by sentence: what somebody signs.</summary>
    public IReadOnlyList<string> Told() =>
        [
            Name,
            .. GoesIn,
            .. Facts.Select(f => $"{f.What}: {f.Says}"),
            .. Moves,
            .. LeavesOut.Select(x => $"Not in the price: {x}"),
            .. NoWayBack,
        ];
}

/// <summary>Stacks that were offered to the owner side by side, and the one that was chosen.</summary>
public sealed record Quote : IRow
{
    /// <summary>Most stacks of one quote.</summary>
    public const int Most = 3;

    /// <summary>Key.</summary>
    public required Guid Id { get; init; }

    /// <summary>The offers, 1 to <see cref="Most"/>, in the order in which they were made.</summary>
    public required IReadOnlyList<Offer> Offers { get; init; }

    /// <summary>The last day on which one of them can be chosen; null holds until there is another quote.</summary>
    public DateOnly? HoldsUntil { get; init; }

    /// <summary>The offer that was chosen; null while none was.</summary>
    public Guid? ChosenOffer { get; init; }

    /// <summary>Who made it.</summary>
    public required Guid PersonId { get; init; }

    /// <summary>When.</summary>
    public required DateTimeOffset At { get; init; }

    /// <summary>The offer that was chosen; null while none was.</summary>
    public Offer? Chosen() => Offers.FirstOrDefault(o => o.Id == ChosenOffer);

    /// <summary>Why an offer of it cannot be chosen any more; null where it can.</summary>
    /// <param name="offer">The offer.</param>
    /// <param name="d">The job.</param>
    /// <param name="now">This instant.</param>
    public string? WhyNot(Offer offer, JobDocument d, DateTimeOffset now) =>
        Chosen() is { } chosen
            ? $"“{chosen.Name}” was chosen already. Who wants another one asks for a new quote."
        // Somewhere it is still the day before.
        : HoldsUntil is { } day && DateOnly.FromDateTime(now.UtcDateTime) > day.AddDays(1)
            ? "It held until a day that is past: ask for a new quote."
        : d.DraftPlans().FirstOrDefault(p => p.Id == offer.PlanId) is not { } plan
            ? $"“{offer.Name}” is offered no more: ask for a new quote."
        : Differs(offer, plan, d)
            ? $"The parts of “{offer.Name}” were changed since it was offered: ask for a new quote."
        : null;

    /// <summary>Why a plan is not what the owner agreed to; null where it is, or where the owner was offered nothing.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="d">The job.</param>
    internal static string? NotAgreed(Plan plan, JobDocument d) =>
        d.QuoteNow() is not { } quote ? null
        : quote.Chosen() is not { } chosen ? "The owner has a quote and has not chosen yet."
        : chosen.PlanId != plan.Id ? $"The owner chose “{chosen.Name}”, not this plan."
        : Differs(chosen, plan, d)
            ? $"The parts of this plan are not those of “{chosen.Name}”, which the owner chose."
        : null;

    private static bool Differs(Offer offer, Plan plan, JobDocument d) =>
        !OfferWords.GoesIn(d, plan).SequenceEqual(offer.GoesIn);
}

/// <summary>Offers plans to the owner, side by side.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the quote.</param>
/// <param name="Plans">The plans, 1 to <see cref="Quote.Most"/>.</param>
/// <param name="HourRate">What an hour costs, in the money of the parts; null offers hours alone.</param>
/// <param name="HoldsUntil">The last day on which it can be chosen.</param>
public sealed record MakeQuote(
    Guid CommandId,
    Guid Id,
    IReadOnlyList<Guid> Plans,
    double? HourRate,
    DateOnly? HoldsUntil
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "quote made";

    internal override void Decide(JobWork work)
    {
        work.MustAnswer("What the owner is offered leaves the shop on a fitter’s word.");
        var d = work.Document;
        if (
            Plans is not { Count: >= 1 and <= Quote.Most }
            || Plans.Distinct().Count() != Plans.Count
        )
        {
            throw Refuse.Value("plans", "Offer one, two or three plans.");
        }
        if (HourRate is not (null or >= 0 and <= ShopSettings.MostForAnHour))
        {
            throw Refuse.Value("hourRate", "What does an hour cost? A number from 0 to 100,000.");
        }
        if (HoldsUntil < DateOnly.FromDateTime(work.Now.UtcDateTime).AddDays(-1))
        {
            throw Refuse.Value("holdsUntil", "That day is past.");
        }
        var results = JobEvaluator.Evaluate(d, work.Context.Others);
        var known = work.Context.Others.With(results.Trials);
        work.Add(
            new Quote
            {
                Id = Id,
                Offers = [.. Plans.Select(Offered)],
                HoldsUntil = HoldsUntil,
                PersonId = work.PersonId,
                At = work.Now,
            }
        );

        Offer Offered(Guid id)
        {
            var plan = PlanRules.Draft(d, id);
            var prediction = JobEvaluator.Predict(d, plan, results.WalkRounds, known)!;
            var offer = OfferWords.Of(
                work.NewKey(),
                d,
                plan,
                prediction,
                JobGeometry.Of(d, plan, known),
                work.Context.Style,
                HourRate
            );
            return offer.GoesIn.Count == 0
                    ? throw Refuse.Value(
                        "plans",
                        $"“{plan.Name}” changes nothing: there is nothing to offer."
                    )
                : PlanRules.WhyNotBegun(d, plan, prediction) is { } not
                    ? throw Refuse.Value(
                        "plans",
                        $"“{plan.Name}” cannot be fitted as it stands. {not}"
                    )
                : offer;
        }
    }
}

/// <summary>Chooses an offer, signed: its plan becomes the one that shall be fitted.</summary>
/// <param name="CommandId">Key of the command; repeating it changes nothing.</param>
/// <param name="Id">Key of the signature.</param>
/// <param name="Offer">The offer.</param>
/// <param name="Name">Who chooses.</param>
/// <param name="As">The owner, or who drives it for the owner.</param>
/// <param name="Told">The sentences that the signer had in view: signed is what was read.</param>
/// <param name="Strokes">What was drawn.</param>
public sealed record ChooseOffer(
    Guid CommandId,
    Guid Id,
    Guid Offer,
    [property: Personal] string Name,
    SignedAs As,
    IReadOnlyList<string> Told,
    [property: Personal] IReadOnlyList<IReadOnlyList<int>> Strokes
) : JobCommand(CommandId)
{
    /// <inheritdoc/>
    public override string Does() => "offer chosen by the owner";

    internal override void Decide(JobWork work)
    {
        var d = work.Document;
        var quote = d.QuoteNow();
        if (quote?.Offers.FirstOrDefault(o => o.Id == Offer) is not { } offer)
        {
            throw Refuse.Value(
                "offer",
                "This is not offered any more: look at the quote as it is now."
            );
        }
        if (quote.WhyNot(offer, d, work.Now) is { } not)
        {
            throw Refuse.Value("offer", not);
        }
        if (As is not (SignedAs.Owner or SignedAs.Driver))
        {
            throw Refuse.Value("as", "The owner chooses, or who drives it for the owner.");
        }
        Signature.Under(work, offer.Told(), Told, Id, Name, As, Strokes, offer.Id);
        work.Replace(quote, quote with { ChosenOffer = offer.Id });
        PlanRules.Choose(work, PlanRules.Draft(d, offer.PlanId));
    }
}
