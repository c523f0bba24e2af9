using Microsoft.EntityFrameworkCore;
using Nokko.Core.Tape;
using Nokko.Storage;

namespace Nokko.Server.Jobs;

/// <summary>Whose change stands where another one was refused because of it.</summary>
internal static class WhoWasFirst
{
    /// <summary>Says of each conflict who was first, and when.</summary>
    /// <param name="db">The shop's database.</param>
    /// <param name="outcomes">What became of commands.</param>
    /// <param name="job">The job that they were sent to; null where it was the shop.</param>
    /// <param name="cancel">Ends it.</param>
    public static async Task<IReadOnlyList<Outcome>> WithNames(
        this NokkoDb db,
        IReadOnlyList<Outcome> outcomes,
        Guid? job,
        CancellationToken cancel
    )
    {
        var named = new List<Outcome>();
        foreach (var outcome in outcomes)
        {
            if (outcome.Refusal is not { Kind: RefusalKind.Conflict, Row: { } row })
            {
                named.Add(outcome);
                continue;
            }
            var key = row.ToString();
            var of = job is { } id
                ? db.Commands.FromSql(
                    $"select * from commands where job_id = {id} and changes::text like '%' || {key} || '%'"
                )
                : db.Commands.FromSql(
                    $"select * from commands where job_id is null and changes::text like '%' || {key} || '%'"
                );
            var first = await of.OrderByDescending(c => c.At)
                .Select(c => new
                {
                    c.At,
                    Name = db
                        .Users.Where(u => u.Id == c.PersonId)
                        .Select(u => u.PersonName)
                        .FirstOrDefault(),
                })
                .FirstOrDefaultAsync(cancel);
            named.Add(outcome with { By = first?.Name, At = first?.At });
        }
        return named;
    }
}
