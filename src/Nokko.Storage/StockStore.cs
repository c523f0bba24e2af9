using Microsoft.EntityFrameworkCore;

namespace Nokko.Storage;

/// <summary>Reads what plans want of the shelf.</summary>
public static class StockStore
{
    /// <summary>How many pieces of a part plans want.</summary>
    /// <param name="PartId">The part.</param>
    /// <param name="Count">How many.</param>
    public sealed record WantedPart(Guid PartId, int Count);

    /// <summary>What a job waits for: parts of its chosen plan of which too few are here, after those that are served before it took theirs.</summary>
    /// <param name="JobId">The job.</param>
    /// <param name="Parts">How many parts are too few.</param>
    /// <param name="ToOrder">Of those, how many nobody has ordered.</param>
    /// <param name="Until">When the last of those that are ordered comes; null where none is.</param>
    public sealed record WaitingJob(Guid JobId, int Parts, int ToOrder, DateOnly? Until);

    /// <summary>Who is served first: promised earlier, then taken in earlier.</summary>
    private const string Turn = "coalesce(promised_on, 'infinity'), taken_in_at, job_id";

    /// <summary>Pieces that the chosen plans of open jobs take from the shelf once they are begun, by job and part, with the job's turn: what does not stand on its vehicle already, and boxes. {0} is the shop.</summary>
    private const string Taken = """
        with chosen as (
          select l.id, l.job_id, l.stacks, l.from_stage_id, j.promised_on, j.taken_in_at
          from plans l join jobs j on j.id = l.job_id
          where l.shop_id = {0} and l.chosen and l.to_stage_id is null and j.handed_over_at is null and j.binned_at is null
            -- A plan from which the work went on by another way waits for nothing.
            and not exists (
              select 1 from plans b
              where b.job_id = l.job_id and b.from_stage_id = l.from_stage_id and b.to_stage_id is not null)
        ),
        taken as (
          select job_id, promised_on, taken_in_at, part_id, count(*)::int as count from (
            select l.job_id, l.promised_on, l.taken_in_at, (p ->> 'partId')::uuid as part_id
            from chosen l join stages f on f.id = l.from_stage_id,
              jsonb_array_elements(l.stacks) s, jsonb_array_elements(s -> 'parts') p
            where p ->> 'partId' is not null
              and not jsonb_path_exists(f.stacks, '$[*].parts[*].id ? (@ == $id)', jsonb_build_object('id', p -> 'id'))
            union all
            select l.job_id, l.promised_on, l.taken_in_at, k.part_id
            from kits k join chosen l on l.id = k.plan_id and l.job_id = k.job_id
            where k.part_id is not null
          ) pieces group by job_id, promised_on, taken_in_at, part_id
        )
        """;

    /// <summary>What the chosen plans of open jobs take from the shelf once they are begun.</summary>
    /// <param name="db">The database.</param>
    /// <param name="before">A job: only what is served before it counts; null counts all.</param>
    /// <param name="cancel">Cancels.</param>
    public static Task<WantedPart[]> WantedParts(
        this NokkoDb db,
        Guid? before,
        CancellationToken cancel
    ) =>
        db
            .Database.SqlQueryRaw<WantedPart>(
                $$"""
                {{Taken}}
                select part_id, sum(count)::int as count from taken
                where {1}::uuid is null or ({{Turn}}) < (
                  select coalesce(o.promised_on, 'infinity'), o.taken_in_at, o.id
                  from jobs o where o.id = {1} and o.shop_id = {0})
                group by part_id
                """,
                db.ShopId,
                (object?)before ?? DBNull.Value
            )
            .ToArrayAsync(cancel);

    /// <summary>Those of some jobs that wait for parts.</summary>
    /// <param name="db">The database.</param>
    /// <param name="jobs">Keys of the jobs.</param>
    /// <param name="cancel">Cancels.</param>
    public static Task<WaitingJob[]> WaitingJobs(
        this NokkoDb db,
        Guid[] jobs,
        CancellationToken cancel
    ) =>
        db
            .Database.SqlQueryRaw<WaitingJob>(
                $$"""
                {{Taken}},
                served as (
                  select *, sum(count) over (partition by part_id order by {{Turn}}) as upto from taken
                )
                select t.job_id, count(*)::int as parts,
                  count(*) filter (where p.due_on is null)::int as to_order, max(p.due_on) as until
                from served t join parts p on p.id = t.part_id and p.shop_id = {0}
                where t.upto > p.count and t.job_id = any({1})
                group by t.job_id
                """,
                db.ShopId,
                jobs
            )
            .ToArrayAsync(cancel);
}
