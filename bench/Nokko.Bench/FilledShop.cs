using Microsoft.EntityFrameworkCore;
using Nokko.Core.Evidence;
using Nokko.Core.Shelf;
using Nokko.Core.Vehicles;
using Nokko.Storage;
using Npgsql;

namespace Nokko.Bench;

/// <summary>Fills a shop by SQL with copies of one real job: what orders, finds and teaches differs from one to the next.</summary>
internal static class FilledShop
{
    /// <summary>Adds copies of a job, each with a vehicle and a stage of its own.</summary>
    /// <param name="connection">The database.</param>
    /// <param name="job">The job that is copied.</param>
    /// <param name="copies">How many.</param>
    public static async Task AddJobs(string connection, Guid job, int copies)
    {
        await using var source = NpgsqlDataSource.Create(connection);
        await using var open = await source.OpenConnectionAsync();
        // Copies of rows that hold: nothing is gained by checking each again, and indexes are made once.
        await Run(open, "set session_replication_role = replica");
        await Run(
            open,
            // No two rows of a job have one key.
            $"create temp table n as select gen_random_uuid() as id, gen_random_uuid() as vehicle_id, gen_random_uuid() as stage_id, i from generate_series(1, {copies}) i"
        );
        var indexes = await Indexes(open, "job_summaries");
        foreach (var (name, _) in indexes)
        {
            await Run(open, $"drop index {name}");
        }
        await Copy(
            open,
            "vehicles",
            $"t.id = (select vehicle_id from jobs where id = '{job}')",
            ("id", "n.vehicle_id")
        );
        await Copy(
            open,
            "stages",
            $"t.job_id = '{job}' and t.ordinal = 0",
            ("id", "n.stage_id"),
            ("vehicle_id", "n.vehicle_id"),
            ("job_id", "n.id")
        );
        await Copy(
            open,
            "jobs",
            $"t.id = '{job}'",
            ("id", "n.id"),
            ("vehicle_id", "n.vehicle_id"),
            ("stage_id", "n.stage_id")
        );
        await Copy(
            open,
            "job_summaries",
            $"t.id = '{job}'",
            ("id", "n.id"),
            ("closed", "n.i % 3 > 0"),
            ("due", "date '2026-01-01' + n.i % 400"),
            ("search", "'owner ' || n.i % 5000 || ' sv ' || n.i || ' ostrel drover'")
        );
        await Copy(open, "job_workloads", $"t.id = '{job}'", ("id", "n.id"));
        foreach (var (_, made) in indexes)
        {
            await Run(open, made);
        }
        await Run(open, "analyze");
    }

    /// <summary>Adds trials of as many vehicles to a line, and what they come to.</summary>
    /// <param name="db">The database, seeing the shop.</param>
    /// <param name="platform">The platform.</param>
    /// <param name="vehicles">How many vehicles, out of those that <see cref="AddJobs"/> has added.</param>
    public static async Task AddTrials(NokkoDb db, Guid platform, int vehicles)
    {
        var random = new Random(20261);
        var ids = await db
            .Vehicles.OrderBy(v => v.Id)
            .Take(vehicles)
            .Select(v => v.Id)
            .ToListAsync();
        // A vehicle may have been here more than once.
        var jobs = (await db.Jobs.Select(j => new { j.VehicleId, j.Id }).ToListAsync())
            .DistinctBy(j => j.VehicleId)
            .ToDictionary(j => j.VehicleId, j => j.Id);
        var line = new LineKey(platform, Axle.Front, SuspensionKind.CoilOverArm, LiftFamily.Spring);
        var sums = LiftSums.None;
        var start = DateTimeOffset.UtcNow.AddYears(-5);
        foreach (var (vehicle, i) in ids.Select((v, i) => (v, i)))
        {
            var t = 15 + (random.NextDouble() * 35);
            var trial = new LiftTrial(
                t,
                3 + (t * (1.9 + (0.2 * (random.NextDouble() - 0.5)))),
                2,
                1.9
            );
            sums = sums.Plus(VehicleSums.Of([trial]));
            db.Put(
                new KeptTrial
                {
                    PlanId = Guid.CreateVersion7(),
                    Axle = line.Axle,
                    JobId = jobs[vehicle],
                    VehicleId = vehicle,
                    PlatformId = platform,
                    Suspension = line.Suspension,
                    Family = line.Family,
                    Ordinal = 1,
                    At = start.AddHours(i),
                    Parts = ["Alder plate 1"],
                    ClaimMm = 2 * t,
                    PredictedMm = 1.9 * t,
                    PredictedUMm = 6,
                    MeasuredMm = trial.FreeRiseMm,
                    MeasuredUMm = 2,
                    ThicknessMm = t,
                    FreeRiseMm = trial.FreeRiseMm,
                    FreeRiseUMm = 2,
                    ForetoldRatio = 1.9,
                    IsNew = true,
                }
            );
        }
        db.Sums.RemoveRange(await db.Sums.Where(s => s.PlatformId == platform).ToListAsync());
        db.Put(
            new KeptSums
            {
                Id = Guid.CreateVersion7(),
                PlatformId = platform,
                Axle = line.Axle,
                Suspension = line.Suspension,
                Family = line.Family,
                Trials = sums.Trials,
                Vehicles = sums.Vehicles,
                Values = sums.Values.ToArray(),
            }
        );
        await db.SaveChangesAsync();
        db.ChangeTracker.Clear();
        await db.Database.ExecuteSqlAsync($"analyze");
    }

    /// <summary>Lets every job that has none leave on a day of the last ten years, and every trial show what its springs settled.</summary>
    /// <param name="connection">The database, after <see cref="AddTrials"/>.</param>
    public static async Task AddYears(string connection)
    {
        await using var source = NpgsqlDataSource.Create(connection);
        await using var open = await source.OpenConnectionAsync();
        await Run(
            open,
            """
            insert into job_years (id, handed_over_at, facts, shop_id)
            select j.id, now() - (row_number() over (order by j.id) % 3650) * interval '1 day',
              (select facts from job_years limit 1), j.shop_id
            from jobs j where not exists (select from job_years y where y.id = j.id)
            """
        );
        await Run(
            open,
            """
            insert into settled_springs (plan_id, axle, job_id, name, is_new, spring_of, family, at, km, mm, u_mm, weight, shop_id)
            select t.plan_id, t.axle, t.job_id, 'its own springs', false, t.platform_id, t.family, t.at, 805, 2, 1, 0.5, t.shop_id
            from lift_trials t on conflict do nothing
            """
        );
        await Run(open, "analyze");
    }

    /// <summary>Gives every copied job and vehicle a dozen steps and joints of one that was fitted.</summary>
    /// <param name="connection">The database, after <see cref="AddJobs"/>.</param>
    /// <param name="fitted">The job whose steps and joints are copied.</param>
    public static async Task AddFittings(string connection, Guid fitted)
    {
        await using var source = NpgsqlDataSource.Create(connection);
        await using var open = await source.OpenConnectionAsync();
        await Run(open, "set session_replication_role = replica");
        await Run(
            open,
            "create temp table n as select j.id, j.vehicle_id from jobs j where not exists (select from walk_rounds w where w.job_id = j.id)"
        );
        await Copy(
            open,
            "step_entries",
            $"t.job_id = '{fitted}'",
            12,
            ("id", "gen_random_uuid()"),
            ("job_id", "n.id"),
            ("plan_id", "n.id")
        );
        await Copy(
            open,
            "joints",
            $"t.vehicle_id = (select vehicle_id from jobs where id = '{fitted}')",
            12,
            ("id", "gen_random_uuid()"),
            ("vehicle_id", "n.vehicle_id")
        );
        await Run(open, "analyze");
    }

    /// <summary>Gives every copied job a walk-round with readings of one that was measured.</summary>
    /// <param name="connection">The database, after <see cref="AddJobs"/>.</param>
    /// <param name="measured">The job whose round and readings are copied.</param>
    /// <param name="each">How many readings a job gets, about.</param>
    public static async Task AddReadings(string connection, Guid measured, int each)
    {
        const int ofOne = 6;
        await using var source = NpgsqlDataSource.Create(connection);
        await using var open = await source.OpenConnectionAsync();
        await Run(open, "set session_replication_role = replica");
        await Run(
            open,
            "create temp table n as select j.id, j.vehicle_id, j.stage_id, gen_random_uuid() as round from jobs j where not exists (select from walk_rounds w where w.job_id = j.id)"
        );
        await Copy(
            open,
            "walk_rounds",
            $"t.job_id = '{measured}'",
            1,
            ("id", "n.round"),
            ("job_id", "n.id"),
            ("vehicle_id", "n.vehicle_id"),
            ("stage_id", "n.stage_id")
        );
        var indexes = await Indexes(open, "readings");
        foreach (var (name, _) in indexes)
        {
            await Run(open, $"drop index {name}");
        }
        await Run(open, $"insert into n select n.* from n, generate_series(2, {each / ofOne})");
        await Copy(
            open,
            "readings",
            $"t.walk_round_id in (select id from walk_rounds where job_id = '{measured}')",
            ofOne,
            ("id", "gen_random_uuid()"),
            ("walk_round_id", "n.round"),
            ("vehicle_id", "n.vehicle_id")
        );
        foreach (var (_, made) in indexes)
        {
            await Run(open, made);
        }
        await Run(open, "analyze");
    }

    /// <summary>Copies a row as often as there are keys, some columns changed.</summary>
    private static async Task Copy(
        NpgsqlConnection open,
        string table,
        string which,
        params (string Column, string Value)[] changed
    ) => await Copy(open, table, which, 1, changed);

    private static async Task Copy(
        NpgsqlConnection open,
        string table,
        string which,
        int rows,
        params (string Column, string Value)[] changed
    )
    {
        await using var command = open.CreateCommand();
        command.CommandText =
            $"select column_name from information_schema.columns where table_name = '{table}' and is_generated = 'NEVER' order by ordinal_position";
        var columns = new List<string>();
        await using (var reader = await command.ExecuteReaderAsync())
        {
            while (await reader.ReadAsync())
            {
                columns.Add(reader.GetString(0));
            }
        }
        var values = columns.Select(c =>
            changed.Where(x => x.Column == c).Select(x => x.Value).FirstOrDefault() ?? $"t.\"{c}\""
        );
        await Run(
            open,
            $"insert into {table} ({string.Join(", ", columns.Select(c => $"\"{c}\""))}) select {string.Join(", ", values)} from (select * from {table} t where {which} limit {rows}) t, n"
        );
    }

    private static async Task<List<(string Name, string Made)>> Indexes(
        NpgsqlConnection open,
        string table
    )
    {
        await using var command = open.CreateCommand();
        command.CommandText =
            $"select indexname, indexdef from pg_indexes where tablename = '{table}' and indexname not like 'pk%'";
        await using var reader = await command.ExecuteReaderAsync();
        var found = new List<(string, string)>();
        while (await reader.ReadAsync())
        {
            found.Add((reader.GetString(0), reader.GetString(1)));
        }
        return found;
    }

    private static async Task Run(NpgsqlConnection open, string sql)
    {
        await using var command = open.CreateCommand();
        command.CommandText = sql;
        command.CommandTimeout = 600;
        await command.ExecuteNonQueryAsync();
    }
}
