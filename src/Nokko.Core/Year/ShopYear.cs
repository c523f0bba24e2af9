using Nokko.Core.Plans;
using Nokko.Core.Proof;

namespace Nokko.Core.Year;

/// <summary>A share of cases, with the range in which the shop's own share lies with 95 of 100.</summary>
/// <remarks>Source: docs/computation/year.md#shares.</remarks>
/// <param name="Count">Cases that count.</param>
/// <param name="Of">All cases.</param>
public sealed record Share(int Count, int Of)
{
    private const double Z = 1.959964;

    /// <summary>The share, 0 … 1; null of no case.</summary>
    public double? Value => Of == 0 ? null : (double)Count / Of;

    /// <summary>Lower end of the range, 0 … 1; null of no case.</summary>
    public double? Low => Range(-1);

    /// <summary>Upper end of the range, 0 … 1; null of no case.</summary>
    public double? High => Range(1);

    /// <summary>Wilson's score interval.</summary>
    private double? Range(int side)
    {
        if (Of == 0)
        {
            return null;
        }
        var (n, p) = ((double)Of, (double)Count / Of);
        var middle = p + (Z * Z / (2 * n));
        var half = Z * Math.Sqrt((p * (1 - p) / n) + (Z * Z / (4 * n * n)));
        return Math.Clamp((middle + (side * half)) / (1 + (Z * Z / n)), 0, 1);
    }
}

/// <summary>A job in the shop's year.</summary>
/// <param name="Day">The day on which it was handed over, in the shop's time.</param>
/// <param name="Facts">What it adds.</param>
public sealed record YearJob(DateOnly Day, YearFacts Facts);

/// <summary>A month of the shop's year.</summary>
/// <param name="Month">1 … 12.</param>
/// <param name="Right">Jobs that were right at the first try.</param>
/// <param name="Missed">Jobs that were not.</param>
/// <param name="Untold">Jobs of which nobody can tell, and those in which nothing was fitted.</param>
/// <param name="Comebacks">How many of all of them were comebacks.</param>
public sealed record YearMonth(int Month, int Right, int Missed, int Untold, int Comebacks);

/// <summary>How often one thing was the case.</summary>
/// <typeparam name="T">What.</typeparam>
/// <param name="Of">Which.</param>
/// <param name="Times">How often.</param>
public sealed record Counted<T>(T Of, int Times)
    where T : struct;

/// <summary>Hours that were usual for what was done, beside those that it took.</summary>
/// <param name="Jobs">Jobs in which somebody noted how long steps took.</param>
/// <param name="Usual">Usual hours of those steps.</param>
/// <param name="Taken">Hours that they took.</param>
/// <param name="Quarter">A quarter of the jobs took no more than this of the usual; null of fewer than four jobs.</param>
/// <param name="ThreeQuarters">Three quarters took no more than this; null of fewer than four jobs.</param>
public sealed record YearHours(
    int Jobs,
    double Usual,
    double Taken,
    double? Quarter,
    double? ThreeQuarters
);

/// <summary>A shop's year, from the jobs that were handed over in it.</summary>
/// <remarks>Source: docs/computation/year.md.</remarks>
/// <param name="Year">The year.</param>
/// <param name="Jobs">Jobs that were handed over.</param>
/// <param name="Right">Of those that can be told, how many were right at the first try.</param>
/// <param name="Untold">Jobs in which something was fitted and nobody can tell.</param>
/// <param name="NotFitted">Jobs in which nothing was fitted.</param>
/// <param name="Comebacks">Comebacks for the shop's own work among all jobs: what load, wear or something else brought back is not among them.</param>
/// <param name="ComebackFor">What vehicles came back for, all comebacks, the most frequent first.</param>
/// <param name="ComebackCauses">What they came back by, the most frequent first.</param>
/// <param name="Unexplained">Comebacks of which nobody noted a cause.</param>
/// <param name="Causes">Causes of a miss that were found by their check, the most frequent first.</param>
/// <param name="Hours">Planned and taken hours.</param>
/// <param name="Months">Its twelve months.</param>
public sealed record ShopYear(
    int Year,
    int Jobs,
    Share Right,
    int Untold,
    int NotFitted,
    Share Comebacks,
    IReadOnlyList<Counted<ComebackFor>> ComebackFor,
    IReadOnlyList<Counted<ComebackCause>> ComebackCauses,
    int Unexplained,
    IReadOnlyList<Counted<CauseKind>> Causes,
    YearHours Hours,
    IReadOnlyList<YearMonth> Months
)
{
    /// <summary>Puts a year together.</summary>
    /// <param name="year">The year.</param>
    /// <param name="jobs">Jobs that were handed over in it.</param>
    public static ShopYear Of(int year, IReadOnlyCollection<YearJob> jobs)
    {
        var facts = jobs.Select(j => j.Facts).ToArray();
        var right = facts.Count(f => f.First == FirstTime.Right);
        var back = facts.Select(f => f.Comeback).OfType<YearComeback>().ToArray();
        return new ShopYear(
            year,
            facts.Length,
            new Share(right, right + facts.Count(f => f.First == FirstTime.Missed)),
            facts.Count(f => f.First == FirstTime.Untold),
            facts.Count(f => f.First == FirstTime.NotFitted),
            new Share(back.Count(b => b.Cause is not { } c || c.IsOurs()), facts.Length),
            Most(back.Select(b => b.For)),
            Most(back.Select(b => b.Cause).OfType<ComebackCause>()),
            back.Count(b => b.Cause is null),
            Most(facts.SelectMany(f => f.Causes)),
            HoursOf(facts),
            [
                .. Enumerable
                    .Range(1, 12)
                    .Select(m =>
                        MonthOf(m, [.. jobs.Where(j => j.Day.Month == m).Select(j => j.Facts)])
                    ),
            ]
        );
    }

    private static YearMonth MonthOf(int month, YearFacts[] facts)
    {
        var right = facts.Count(f => f.First == FirstTime.Right);
        var missed = facts.Count(f => f.First == FirstTime.Missed);
        return new(
            month,
            right,
            missed,
            facts.Length - right - missed,
            facts.Count(f => f.Comeback is not null)
        );
    }

    private static YearHours HoursOf(YearFacts[] facts)
    {
        var noted = facts.Where(f => f is { UsualMinutes: > 0, TakenMinutes: > 0 }).ToArray();
        var shares = noted.Select(f => f.TakenMinutes / f.UsualMinutes).Order().ToArray();
        return new(
            noted.Length,
            noted.Sum(f => f.UsualMinutes) / 60,
            noted.Sum(f => f.TakenMinutes) / 60,
            At(0.25),
            At(0.75)
        );

        // The smallest that at least that share of them does not exceed.
        double? At(double share) =>
            shares.Length < 4 ? null : shares[(int)Math.Ceiling(share * shares.Length) - 1];
    }

    private static IReadOnlyList<Counted<T>> Most<T>(IEnumerable<T> all)
        where T : struct =>
        [
            .. all.GroupBy(v => v)
                .OrderByDescending(g => g.Count())
                .ThenBy(g => g.Key)
                .Select(g => new Counted<T>(g.Key, g.Count())),
        ];
}
