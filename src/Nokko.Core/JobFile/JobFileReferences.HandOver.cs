using Nokko.Core.Jobs;

namespace Nokko.Core.JobFile;

internal static partial class JobFileReferences
{
    /// <summary>What was offered, driven and signed.</summary>
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
