using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;
using Nokko.Core.Jobs;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;

namespace Nokko.Storage;

/// <summary>Writes the statement that loads a job: every list of the document as JSON, as the job file writes it.</summary>
/// <remarks>Every name in it comes from the model itself, none from a person.</remarks>
internal static class JobStatement
{
    /// <summary>So many causes that the shop found last are counted: the habits of years ago are not today's.</summary>
    private const int LastFound = 1_000;

    /// <summary>So many vehicles that settled last on one kind of spring are counted.</summary>
    private const int LastSettled = 200;

    private const string Mark = "/* a job */";

    /// <summary>Whether this is the statement.</summary>
    public static bool Is(string sql) => sql.StartsWith(Mark, StringComparison.Ordinal);

    /// <summary>The statement.</summary>
    public static string Write(IModel model)
    {
        var document = string.Join(
            ",\n  ",
            JobRows.Lists.Select(l => $"'{l.Name}', {List(model, l)}")
        );
        var (jobs, vehicles, stages) = (Name<Job>(model), Name<Vehicle>(model), Name<Stage>(model));
        var (summaries, commands) = (Name<JobSummary>(model), Name<StoredCommand>(model));
        var (files, evidence) = (Name<StoredFile>(model), Name<JobEvidence>(model));
        var entry = Row(Table<StoredCommand>(model), "c", typeof(HistoryEntry));
        var (wanted, found) = (Wanted(model), Name<CheckedCause>(model));
        var (parts, trials, sums) = (
            Table<Part>(model),
            Table<KeptTrial>(model),
            Table<KeptSums>(model)
        );
        var instruments = Table<Core.WalkRounds.Instrument>(model);
        var (readings, torques) = (
            Name<Core.WalkRounds.Reading>(model),
            Name<Core.Fitting.TorqueEntry>(model)
        );
        return $"""
            {Mark}
            with j as (select * from {jobs} where id = @job and shop_id = @shop),
            v as (select v.* from {vehicles} v join j on v.id = j.vehicle_id),
            last as (
              select coalesce(
                (select max(s.ordinal) from {stages} s join j on s.job_id = j.id and s.vehicle_id = j.vehicle_id),
                (select s.ordinal from {stages} s join j on s.id = j.stage_id and s.vehicle_id = j.vehicle_id)
              ) as ordinal
            )
            select json_build_object(
              'format', '{JobDocument.FormatName}',
              'version', {JobDocument.CurrentVersion},
              {document}
            )::text as document,
            coalesce((select s.revision from {summaries} s where s.id = j.id), 0) as version,
            (select json_object_agg(r.id, r.version)::text from ({Versions(model)}) r) as versions,
            (select coalesce(json_agg(json_build_object('id', c.id, 'jobId', c.job_id, 'shopId', c.shop_id, 'hash', c.hash)), '[]')::text
              from {commands} c where c.id = any(@keys)) as used,
            (select coalesce(json_agg({Row(parts, "t")}), '[]')::text from {parts.GetTableName()} t
              where t.shop_id = @shop and {wanted}) as parts,
            (select coalesce(json_agg({Row(instruments, "t")}), '[]')::text from {instruments.GetTableName()} t
              where t.shop_id = @shop and (t.id = any(@instruments)
                or t.id in (select (r.by ->> 'id')::uuid from {readings} r where r.vehicle_id = v.id and r.by is not null)
                or t.id in (select (e.by ->> 'id')::uuid from {torques} e where e.job_id = j.id and e.by is not null))) as instruments,
            array(select f.sha256 from {files} f where f.shop_id = @shop and f.sha256 = any(@files)) as files,
            (select coalesce(json_agg(json_build_object(
                'entry', {entry},
                'changes', c.changes,
                'takenBack', exists (select 1 from {commands} o where o.job_id = j.id and o.takes_back = c.id))), '[]')::text
              from {commands} c where c.job_id = j.id and c.id = any(@undone)) as undone,
            (select coalesce(json_agg({Row(
                trials,
                "t"
            )}), '[]')::text from {trials.GetTableName()} t
              where t.vehicle_id = v.id and t.shop_id = @shop) as trials,
            (select coalesce(json_agg({Row(sums, "t")}), '[]')::text from {sums.GetTableName()} t
              where t.platform_id = v.platform_id and t.shop_id = @shop) as sums,
            (select coalesce(json_object_agg(f.kind, f.times), json_build_object())::text from (
                select l.kind, count(*) as times from (
                  select c.kind from {found} c
                  where c.shop_id = @shop and c.was_it and c.job_id <> j.id order by c.at desc limit {LastFound}) l
                group by l.kind) f) as confirmed,
            exists (select 1 from {evidence} e where e.id = j.id) as has_evidence,
            {Settled(
                model
            )},
            (select json_build_object('handedOverAt', y.handed_over_at, 'facts', y.facts, 'id', y.id)::text from {Name<JobYear>(
                model
            )} y where y.id = j.id) as year,
            (select w.load::text from {Name<JobWorkload>(
                model
            )} w where w.id = j.id) as workload
            from j, v, last
            """;
    }

    private static string List(IModel model, RowList list)
    {
        var table = model.FindEntityType(
            list.Type == typeof(Person) ? typeof(PersonOnJob)
            : list.Type == typeof(HistoryEntry) ? typeof(StoredCommand)
            : list.Type
        )!;
        var row = Row(table, "t", list.Type);
        var from = $"from {table.GetTableName()} t where t.shop_id = @shop and";
        return list.Name switch
        {
            "job" => $"(select {row} {from} t.id = j.id)",
            "vehicle" => $"(select {row} {from} t.id = v.id)",
            "owner" => $"(select {row} {from} t.id = v.owner_id)",
            "platform" => $"(select {row} {from} t.id = v.platform_id)",
            // Of those who walked it on an earlier visit, too: their readings are in the document. Visits first, so that their people are found by key.
            "people" =>
                $"""
                (select coalesce(json_agg({row} order by t.id), '[]') from (
                  select distinct on (p.id) p.* from (
                    select j.id as job
                    union select w.job_id from {Name<Core.WalkRounds.WalkRound>(
                    model
                )} w where {Round("w")}) visit
                  join {table.GetTableName()} p on p.job_id = visit.job
                  where p.shop_id = @shop
                  order by p.id, (p.job_id = j.id) desc) t)
                """,
            "stages" => Many("t.vehicle_id = v.id and t.ordinal <= last.ordinal"),
            "walkRounds" => Many(Round("t")),
            "readings" => Many(
                $"t.walk_round_id in (select w.id from {Name<Core.WalkRounds.WalkRound>(model)} w where {Round("w")})"
            ),
            "joints" => Many("t.vehicle_id = v.id"),
            "history" => Many("@history and t.job_id = j.id"),
            _ => Many("t.job_id = j.id"),
        };

        string Many(string where) =>
            $"(select coalesce(json_agg({row} order by t.id), '[]') {from} {where})";

        // Of other jobs of the vehicle, what was walked before this one came.
        string Round(string w) =>
            $"{w}.vehicle_id = v.id and ({w}.job_id = j.id or {w}.at < j.taken_in_at)";
    }

    /// <summary>Parts that are named, that a plan or a kit of it names, and that a change took which shall be taken back.</summary>
    private static string Wanted(IModel model)
    {
        var (plans, commands) = (Name<Plan>(model), Name<StoredCommand>(model));
        var kits = Name<Kit>(model);
        return $"""
            (t.id = any(@parts)
              or t.id in (
                select (p ->> 'partId')::uuid
                from {plans} l, jsonb_array_elements(l.stacks) s, jsonb_array_elements(s -> 'parts') p
                where l.job_id = j.id and l.id = any(@plans))
              or t.id in (
                select k.part_id from {kits} k where k.job_id = j.id and k.plan_id = any(@plans))
              or t.id in (
                select (h -> 'now' ->> 'id')::uuid
                from {commands} c, jsonb_array_elements(c.changes) h
                where c.job_id = j.id and c.id = any(@undone) and h ->> 'list' = '{RecordedChange.Shelf}'))
            """;
    }

    /// <summary>What the job showed of its springs, and what the last vehicles on springs showed that its plans or its platform have.</summary>
    private static string Settled(IModel model)
    {
        var (rows, plans) = (Table<KeptSettled>(model), Name<Plan>(model));
        return $"""
            (select coalesce(json_agg({Row(rows, "t")}), '[]')::text from {rows.GetTableName()} t
              where t.job_id = j.id) as settled,
            (select coalesce(json_agg(json_build_object(
                'spring', json_build_object('of', g.spring_of, 'axle', g.axle, 'family', g.family),
                'vehicles', g.vehicles, 'weight', g.weight, 'weighted', g.weighted)), '[]')::text from (
                select s.spring_of, s.axle, s.family, count(*) as vehicles,
                  sum(s.weight) as weight, sum(s.weight * s.mm) as weighted
                from (
                  select v.platform_id as id union select unnest(@parts)
                  union select (p ->> 'partId')::uuid
                    from {plans} l, jsonb_array_elements(l.stacks) c, jsonb_array_elements(c -> 'parts') p
                    where l.job_id = j.id) k
                cross join lateral (
                  select * from {rows.GetTableName()} t
                  where t.shop_id = @shop and t.spring_of = k.id and t.job_id <> j.id
                  order by t.at desc limit {LastSettled}) s
                group by 1, 2, 3) g) as settling
            """;
    }

    private static string Versions(IModel model) =>
        string.Join(
            " union all ",
            model
                .GetEntityTypes()
                .Where(t => t.FindProperty(NokkoDb.VersionColumn) is not null)
                .Select(t =>
                {
                    var of =
                        t.ClrType == typeof(Job) ? "t.id = j.id"
                        : t.ClrType == typeof(Vehicle) ? "t.id = v.id"
                        : t.ClrType == typeof(Owner) ? "t.id = v.owner_id"
                        : t.FindProperty(NokkoDb.JobIdColumn) is { } job && job.IsShadowProperty()
                            ? "t.job_id = j.id"
                        : t.FindProperty(NokkoDb.VehicleIdColumn) is not null
                            ? "t.vehicle_id = v.id"
                        : t.ClrType == typeof(Part) ? Wanted(model)
                        : t.ClrType == typeof(KeptSums) ? "t.platform_id = v.platform_id"
                        : null;
                    return of is null
                        ? null
                        : $"select t.id, t.xmin::text::bigint as version from {t.GetTableName()} t where t.shop_id = @shop and {of}";
                })
                .OfType<string>()
        );

    /// <summary>A row as the job file writes it.</summary>
    private static string Row(ITypeBase table, string alias, Type? type = null)
    {
        type ??= table.ClrType;
        var id = StoreObjectIdentifier.Table(((IEntityType)table).GetTableName()!);
        return "json_build_object("
            + string.Join(
                ", ",
                table
                    .GetProperties()
                    .Where(p => !p.IsShadowProperty() && type.GetProperty(p.Name) is not null)
                    .Select(p =>
                        $"'{JsonNamingPolicy.CamelCase.ConvertName(p.Name)}', {alias}.\"{p.GetColumnName(id)}\""
                    )
            )
            + ")";
    }

    private static IEntityType Table<T>(IModel model) => model.FindEntityType(typeof(T))!;

    private static string Name<T>(IModel model) => Table<T>(model).GetTableName()!;
}
