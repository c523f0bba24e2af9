using Microsoft.EntityFrameworkCore;

namespace Nokko.Storage;

/// <summary>Reads what plans want of the shelf.</summary>
public static class StockStore
{
    /// <summary>How many pieces of a part plans want.</summary>
    /// <param name="PartId">The part.</param>
    /// <param name="Count">How many.</param>
    public sealed record WantedPart(Guid PartId, int Count);

    /// <summary>What the chosen plans of open jobs take from the shelf once they are begun: pieces that do not stand on their vehicle already, and boxes.</summary>
    /// <param name="db">The database.</param>
    /// <param name="before">A job: only what is served before it counts, those promised earlier, then those taken in earlier; null counts all.</param>
    /// <param name="cancel">Cancels.</param>
    public static Task<WantedPart[]> WantedParts(
        this NokkoDb db,
        Guid? before,
        CancellationToken cancel
    ) =>
        db
            .Database.SqlQuery<WantedPart>(
                $"""
                with wanted as (
                  select l.* from plans l join jobs j on j.id = l.job_id
                  where l.shop_id = {db.ShopId} and l.chosen and l.to_stage_id is null
                    and j.handed_over_at is null and ({before}::uuid is null
                      or (coalesce(j.promised_on, 'infinity'), j.taken_in_at, j.id)
                        < (select coalesce(o.promised_on, 'infinity'), o.taken_in_at, o.id
                           from jobs o where o.id = {before} and o.shop_id = {db.ShopId}))
                    -- A plan from which the work went on by another way waits for nothing.
                    and not exists (
                      select 1 from plans b
                      where b.job_id = l.job_id and b.from_stage_id = l.from_stage_id and b.to_stage_id is not null)
                )
                select part_id, count(*)::int as count from (
                  select (p ->> 'partId')::uuid as part_id
                  from wanted l join stages f on f.id = l.from_stage_id,
                    jsonb_array_elements(l.stacks) s, jsonb_array_elements(s -> 'parts') p
                  where p ->> 'partId' is not null
                    and not jsonb_path_exists(f.stacks, '$[*].parts[*].id ? (@ == $id)', jsonb_build_object('id', p -> 'id'))
                  union all
                  select k.part_id from kits k join wanted l on l.id = k.plan_id and l.job_id = k.job_id
                  where k.part_id is not null
                ) parts group by part_id
                """
            )
            .ToArrayAsync(cancel);
}
