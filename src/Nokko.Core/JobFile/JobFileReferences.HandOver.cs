using Nokko.Core.Jobs;
using Nokko.Core.Week;

namespace Nokko.Core.JobFile;

internal static partial class JobFileReferences
{
    /// <summary>What was offered, booked, driven and signed.</summary>
    private static JobFileError? HandOver(JobDocument d, HashSet<Guid> people) =>
        First(
            Each(
                d.RoadTests,
                "roadTests",
                (t, p) =>
                    First(
                        Known(
                            d.RoadTests.Count(x => x.After == t.After) == 1,
                            $"{p}.after",
                            "One road test before the work and one after it."
                        ),
                        Known(
                            t.Answers.Select(a => a.Question).Distinct().Count() == t.Answers.Count,
                            $"{p}.answers",
                            "Each question is answered once."
                        ),
                        Someone(people, t.PersonId, p)
                    )
            ),
            Each(
                d.Quotes,
                "quotes",
                (q, p) =>
                    First(
                        Known(
                            q.Offers.Count is >= 1 and <= Quote.Most
                                && q.Offers.Select(o => o.Id).Distinct().Count() == q.Offers.Count,
                            $"{p}.offers",
                            "One, two or three offers."
                        ),
                        Known(
                            q.ChosenOffer is null || q.Chosen() is not null,
                            $"{p}.chosenOffer",
                            "Chosen is one of the offers."
                        ),
                        Someone(people, q.PersonId, p)
                    )
            ),
            Each(
                d.Bookings,
                "bookings",
                (b, p) =>
                    First(
                        Known(d.Bookings.Count == 1, p, "A job is booked once."),
                        Known(
                            b.From is >= 0 and < 24 * 60,
                            $"{p}.from",
                            "A time of the day: 0 to 1439 minutes."
                        ),
                        Known(
                            b.People.Count <= Booking.MostPeople
                                && b.People.Distinct().Count() == b.People.Count,
                            $"{p}.people",
                            "At most four people, each once."
                        ),
                        Known(
                            b.Hours is null or { Value: > 0 },
                            $"{p}.hours",
                            "Hours are above zero."
                        ),
                        First([
                            .. b.People.Select((one, i) => Someone(people, one, p, $"people[{i}]")),
                        ]),
                        Someone(people, b.PersonId, p)
                    )
            ),
            Each(
                d.Signatures,
                "signatures",
                (s, p) =>
                    First(
                        // One that was erased has none.
                        s.Strokes.Count > 0
                        && Signature.WhyNot(s.Strokes) is { } why
                            ? new JobFileError($"{p}.strokes", why)
                            : null,
                        Known(
                            s.OfferId is null || d.Quotes.Any(q => q.ChosenOffer == s.OfferId),
                            $"{p}.offerId",
                            "It stands under the offer that was chosen."
                        ),
                        Someone(people, s.PersonId, p)
                    )
            )
        );
}
