using System.Globalization;
using Microsoft.EntityFrameworkCore;

namespace Nokko.Storage;

/// <summary>The place of a job in the order of the yard.</summary>
/// <param name="Closed">Whether nothing of it needs a person any more.</param>
/// <param name="Due">The day by which something is due.</param>
/// <param name="Id">The job.</param>
public sealed record YardKey(bool Closed, DateOnly Due, Guid Id)
{
    /// <summary>The key of a summary.</summary>
    public static YardKey Of(JobSummary s) => new(s.Closed, s.Due, s.Id);

    /// <summary>Reads a key as it was given out; null where there is none.</summary>
    public static YardKey? Read(string? text) =>
        text?.Split('_') is [var closed, var due, var id]
        && DateOnly.TryParseExact(
            due,
            "yyyy-MM-dd",
            CultureInfo.InvariantCulture,
            DateTimeStyles.None,
            out var day
        )
        && Guid.TryParse(id, out var key)
            ? new YardKey(closed == "1", day, key)
            : null;

    /// <inheritdoc/>
    public override string ToString() =>
        string.Create(CultureInfo.InvariantCulture, $"{(Closed ? 1 : 0)}_{Due:yyyy-MM-dd}_{Id}");
}

/// <summary>Reads the yard, page by page over all jobs, from their summaries alone.</summary>
public static class YardStore
{
    /// <summary>From this many characters on whatever holds the text is found; shorter texts find beginnings of words.</summary>
    public const int LeastForAnywhere = 3;

    /// <summary>A page of summaries.</summary>
    /// <param name="db">The database.</param>
    /// <param name="find">Text that is searched; null or blank is all.</param>
    /// <param name="after">The last one of the page before.</param>
    /// <param name="size">How many.</param>
    /// <param name="cancel">Cancels.</param>
    public static async Task<List<JobSummary>> YardPage(
        this NokkoDb db,
        string? find,
        YardKey? after,
        int size,
        CancellationToken cancel
    )
    {
        // What is handed over with nothing to come, and what was thrown away, is found by search.
        var text = find?.Replace("\0", "", StringComparison.Ordinal).Trim().ToLowerInvariant();
        if (string.IsNullOrEmpty(text))
        {
            return await Page(After(db.Summaries).Where(s => !s.Closed));
        }
        var jobs = After(db.Summaries);
        var (query, anywhere) = Asked(text);
        // What a text finds is many or few, and the database cannot know which. Many are found among the first of the yard; few through the index, whose rows are taken before they are put in order.
        var among = InOrder(jobs).Take(FirstOfTheYard);
        var first = await Page(
            anywhere
                ? among.Where(s => EF.Functions.Like(s.Search, query, "\\"))
                : among.Where(s => s.Words.Matches(EF.Functions.ToTsQuery("simple", query)))
        );
        if (first.Count == size)
        {
            return first;
        }
        return await Page(
            After(
                db.Summaries.FromSql(
                    $"select * from job_summaries where id in (select found_jobs({query}, {anywhere}))"
                )
            )
        );

        IQueryable<JobSummary> After(IQueryable<JobSummary> of) =>
            after is null
                ? of.AsNoTracking()
                : of.AsNoTracking()
                    .Where(s =>
                        EF.Functions.GreaterThan(
                            ValueTuple.Create(s.Closed, s.Due, s.Id),
                            ValueTuple.Create(after.Closed, after.Due, after.Id)
                        )
                    );

        Task<List<JobSummary>> Page(IQueryable<JobSummary> of) =>
            InOrder(of).Take(size).ToListAsync(cancel);
    }

    /// <summary>So many of the yard are looked through in its own order before the index of words is asked.</summary>
    private const int FirstOfTheYard = 1_000;

    private static IQueryable<JobSummary> InOrder(IQueryable<JobSummary> of) =>
        of.OrderBy(s => s.Closed).ThenBy(s => s.Due).ThenBy(s => s.Id);

    /// <summary>How found_jobs is asked for a text in lower case: anywhere where it is long enough for the index, else at the beginning of words.</summary>
    public static (string Query, bool Anywhere) Asked(string text) =>
        text.Length >= LeastForAnywhere ? (Holding(text), true) : (Beginning(text), false);

    /// <summary>A pattern for texts that hold it anywhere.</summary>
    private static string Holding(string text) => $"%{Patterns.Plain(text)}%";

    /// <summary>A query for words that begin so; quoted, so that no character of it is an operator.</summary>
    private static string Beginning(string text) =>
        $"'{text.Replace("\\", "\\\\", StringComparison.Ordinal).Replace("'", "''", StringComparison.Ordinal)}':*";
}
