using Nokko.Core.Jobs;

namespace Nokko.Core.JobFile;

internal static partial class JobFileReferences
{
    /// <summary>What was driven and signed.</summary>
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
                d.Signatures,
                "signatures",
                (s, p) =>
                    First(
                        // One that was erased has none.
                        s.Strokes.Count > 0
                        && Signature.WhyNot(s.Strokes) is { } why
                            ? new JobFileError($"{p}.strokes", why)
                            : null,
                        Someone(people, s.PersonId, p)
                    )
            )
        );
}
