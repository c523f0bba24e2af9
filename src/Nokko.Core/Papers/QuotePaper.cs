using Nokko.Core.Jobs;

namespace Nokko.Core.Papers;

/// <summary>An offer of the quote that stands.</summary>
/// <param name="Id">Its key.</param>
/// <param name="Name">Its name.</param>
/// <param name="Told">The sentences under which its signature stands.</param>
/// <param name="WhyNot">Why it cannot be chosen any more; null where it can.</param>
public sealed record Choice(Guid Id, string Name, IReadOnlyList<string> Told, string? WhyNot);

/// <summary>The quote of a job: what the owner can choose between, side by side, and what was chosen.</summary>
public static class QuotePaper
{
    private const string Foot =
        "Heights are foretold from what was measured on this vehicle; ± is at k = 2, about 95 %. They are proved by measuring again, settled.";

    /// <summary>Writes it; null while nothing was offered since work was begun last.</summary>
    /// <param name="d">The job.</param>
    /// <param name="reader">Who reads it.</param>
    /// <param name="shown">What of a person stands on it.</param>
    public static Paper? Of(JobDocument d, PaperReader reader, Shown shown)
    {
        if (d.QuoteNow() is not { } quote)
        {
            return null;
        }
        var by = d.People.FirstOrDefault(p => p.Id == quote.PersonId)?.Name;
        return new(
            "Quote",
            RecordPaper.Heading(d, shown),
            [
                string.Join(
                    " · ",
                    new[]
                    {
                        d.Owner.Name,
                        shown.Contact ? d.Owner.Contact : null,
                        $"offered {reader.Day(quote.At)}{(by is null ? "" : $" by {by}")}",
                        quote.HoldsUntil is { } day ? $"holds until {PaperReader.Day(day)}" : null,
                    }.Where(x => !string.IsNullOrEmpty(x))
                ),
                .. quote.Chosen() is { } chosen ? [$"Chosen: {chosen.Name}"]
                : d.Job.Wish is { } wish ? [$"Wanted: {wish}"]
                : Array.Empty<string>(),
            ],
            [
                new("Side by side")
                {
                    Table = new(
                        ["", .. quote.Offers.Select(o => o.Name)],
                        [
                            .. from what in quote
                                .Offers.SelectMany(o => o.Facts)
                                .Select(f => f.What)
                                .Distinct()
                            select (IReadOnlyList<string>)
                                [
                                    what,
                                    .. quote.Offers.Select(o =>
                                        o.Facts.FirstOrDefault(f => f.What == what)?.Says ?? "–"
                                    ),
                                ],
                        ]
                    ),
                },
                .. quote.Offers.SelectMany(o =>
                    new PaperSection[]
                    {
                        new(o.Name) { Lines = [.. o.GoesIn, .. o.Moves, .. o.NoWayBack] },
                        new($"{o.Name}: what the price leaves out") { Lines = o.LeavesOut },
                    }
                ),
                .. Signed(d, quote, reader),
            ],
            Foot
        );
    }

    /// <summary>The offers of the quote that stands, with why one cannot be chosen any more; none where nothing is offered.</summary>
    /// <param name="d">The job.</param>
    /// <param name="now">This instant.</param>
    public static IReadOnlyList<Choice> Choices(JobDocument d, DateTimeOffset now) =>
        d.QuoteNow() is { } quote
            ?
            [
                .. quote.Offers.Select(o => new Choice(
                    o.Id,
                    o.Name,
                    o.Told(),
                    quote.WhyNot(o, d, now)
                )),
            ]
            : [];

    /// <summary>The signature under the offer that was chosen.</summary>
    private static IEnumerable<PaperSection> Signed(
        JobDocument d,
        Quote quote,
        PaperReader reader
    ) =>
        from s in d.Signatures
        where s.OfferId is { } offer && offer == quote.ChosenOffer
        select new PaperSection("Chosen")
        {
            Lines = [$"{quote.Chosen()!.Name}, as it is written here."],
            Signatures = [RecordPaper.Drawn(s, reader)],
        };
}
