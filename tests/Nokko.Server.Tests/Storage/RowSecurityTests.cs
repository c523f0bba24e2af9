using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Nokko.Storage;
using Npgsql;
using NpgsqlTypes;
using Xunit;

namespace Nokko.Server.Tests;

/// <summary>The second lock, tried without the first: what PostgreSQL shows and takes when no query leaves out another shop's rows.</summary>
public sealed class RowSecurityTests : IAsyncLifetime
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private readonly Hosted _server = new();
    private readonly Guid _other = Guid.CreateVersion7();
    private Guid _shop;
    private int _jobs;
    private string _asServer = "";
    private string[] _tables = [];

    /// <summary>Tables whose rows are of no shop: the keys that sign cookies, and the list of changes of the tables.</summary>
    private static readonly string[] OfNoShop = ["data_protection_keys", "__EFMigrationsHistory"];

    /// <summary>Tables that are looked into before it is known who comes.</summary>
    private static readonly string[] AtTheDoor =
    [
        "shops",
        "accounts",
        "account_claims",
        "account_logins",
        "account_tokens",
        "devices",
        "one_time_links",
        "shared_addresses",
    ];

    public async ValueTask InitializeAsync()
    {
        await _server.SignIn();
        _shop = await _server.Ask<Guid>("select id from shops");
        _jobs = (int)await _server.Ask<long>("select count(*) from jobs");
        await _server.Ask<object>(
            $"insert into shops (id, name) values ('{_other}', 'Other') returning 1"
        );
        _asServer = _server.Services.GetRequiredService<DatabaseRoles>().Server;
        _tables = (
            await _server.Ask<string[]>(
                "select array_agg(relname::text order by relname) from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace"
            )
        )
            .Except(OfNoShop)
            .ToArray();
    }

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    [Fact]
    public async Task Every_table_is_closed_to_its_owner_too()
    {
        Assert.True(_tables.Length > 35);
        Assert.Equal(
            _tables,
            await _server.Ask<string[]>(
                "select array_agg(relname::text order by relname) from pg_class where relkind = 'r' and relrowsecurity and relforcerowsecurity"
            )
        );
    }

    [Fact]
    public async Task The_server_is_neither_superuser_nor_owner()
    {
        await using var open = await Open();
        Assert.Equal(
            0L,
            await Ask(
                open,
                "select (select count(*) from pg_class where relowner = current_user::regrole) + (select count(*) from pg_roles where rolname = current_user and (rolsuper or rolbypassrls or rolcreaterole or rolcreatedb))"
            )
        );
        foreach (
            var attempt in new[]
            {
                "alter table jobs disable row level security",
                "drop policy of_shop on jobs",
                "truncate jobs cascade",
                "create table public.mine (id int)",
                "set role postgres",
                "set session_replication_role = replica",
                "delete from \"__EFMigrationsHistory\"",
                "create or replace function current_shop() returns uuid language sql as 'select null::uuid'",
                "set row_security = off; select count(*) from jobs",
            }
        )
        {
            Assert.NotNull(await Refused(open, attempt));
        }
    }

    [Fact]
    public async Task A_told_shop_sees_and_writes_nothing_of_another()
    {
        var filled = 0;
        foreach (var table in _tables)
        {
            var all = await _server.Ask<long>($"select count(*) from {table}");
            var mine = table == "shops" ? 1L : 0L;
            await using var open = await Open();
            await using var transaction = await open.BeginTransactionAsync(Cancel);
            await Tell(open, _other.ToString());
            Assert.True(mine == await Ask(open, $"select count(*) from {table}"), table);
            var any = await AnyColumn(table);
            Assert.Equal((int)mine, await Do(open, $"update {table} set \"{any}\" = \"{any}\""));
            await Tell(open, _shop.ToString());
            Assert.True(all - mine == await Ask(open, $"select count(*) from {table}"), table);
            await Tell(open, _other.ToString());
            if (all > mine)
            {
                filled++;
                // A row of the other's, as it stands there, and as a new one.
                var row = await _server.Ask<string>(
                    $"select to_jsonb(t)::text from {table} t {(table == "shops" ? $"where id = '{_shop}'" : "")} limit 1"
                );
                Assert.Equal(
                    PostgresErrorCodes.InsufficientPrivilege,
                    await Refused(open, await Insert(table), row)
                );
            }
            await transaction.RollbackAsync(Cancel);
            await using var fresh = await Open();
            await using var second = await fresh.BeginTransactionAsync(Cancel);
            await Tell(fresh, _other.ToString());
            Assert.Equal(
                0,
                await Do(
                    fresh,
                    $"delete from {table} {(table == "shops" ? $"where id = '{_shop}'" : "")}"
                )
            );
            await second.RollbackAsync(Cancel);
        }
        Assert.True(filled >= 25, $"only {filled} tables had rows");
    }

    [Fact]
    public async Task Nothing_is_told_nothing_is_seen_also_on_a_connection_that_told_before()
    {
        await using var open = await Open();
        await NothingSeen();
        await using (var transaction = await open.BeginTransactionAsync(Cancel))
        {
            await Tell(open, _shop.ToString());
            Assert.NotEqual(0L, await Ask(open, "select count(*) from jobs"));
            await transaction.CommitAsync(Cancel);
        }
        // After the transaction the setting is there, and empty.
        await NothingSeen();

        async Task NothingSeen()
        {
            foreach (var table in _tables.Except(AtTheDoor))
            {
                Assert.True(0L == await Ask(open, $"select count(*) from {table}"), table);
            }
        }
    }

    [Fact]
    public async Task A_query_that_forgets_the_shop_sees_its_own_only()
    {
        await using var scope = _server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<NokkoDb>();
        Assert.Equal(0, await db.Jobs.IgnoreQueryFilters().CountAsync(Cancel));
        db.ShopId = _other;
        Assert.Equal(0, await db.Jobs.IgnoreQueryFilters().CountAsync(Cancel));
        Assert.Equal(0, await db.Jobs.IgnoreQueryFilters().ExecuteDeleteAsync(Cancel));
        db.ShopId = _shop;
        Assert.True(_jobs > 10);
        Assert.Equal(_jobs, await db.Jobs.IgnoreQueryFilters().CountAsync(Cancel));
        // In a transaction it is told once, and again when it is another one.
        await using (await db.Database.BeginTransactionAsync(Cancel))
        {
            Assert.Equal(_jobs, await db.Jobs.IgnoreQueryFilters().CountAsync(Cancel));
            db.ShopId = _other;
            Assert.Equal(0, await db.Jobs.IgnoreQueryFilters().CountAsync(Cancel));
        }
        // A save outside any transaction tells, too; for another shop it is refused.
        db.Put(new Core.Vehicles.Platform { Id = Guid.CreateVersion7(), Name = "Own" });
        await db.SaveChangesAsync(Cancel);
        var strange = new Core.Vehicles.Platform { Id = Guid.CreateVersion7(), Name = "Strange" };
        db.Put(strange);
        db.Entry(strange).Property(NokkoDb.ShopIdColumn).CurrentValue = _shop;
        var refused = await Assert.ThrowsAsync<DbUpdateException>(() =>
            db.SaveChangesAsync(Cancel)
        );
        Assert.Equal(
            PostgresErrorCodes.InsufficientPrivilege,
            Assert.IsType<PostgresException>(refused.InnerException).SqlState
        );
        Assert.Equal(
            1L,
            await _server.Ask<long>($"select count(*) from platforms where shop_id = '{_other}'")
        );
    }

    [Fact]
    public async Task A_search_finds_the_told_shops_jobs_only()
    {
        await using var open = await Open();
        Assert.Equal(0L, await Ask(open, "select count(*) from found_jobs('%o%', true)"));
        await using var transaction = await open.BeginTransactionAsync(Cancel);
        await Tell(open, _other.ToString());
        Assert.Equal(0L, await Ask(open, "select count(*) from found_jobs('%', true)"));
        Assert.Equal(0L, await Ask(open, "select count(*) from found_jobs('o:*', false)"));
        await Tell(open, _shop.ToString());
        Assert.Equal(_jobs, await Ask(open, "select count(*) from found_jobs('%', true)"));
    }

    [Fact]
    public async Task A_server_that_would_pass_the_lock_does_not_start()
    {
        var roles = new DatabaseRoles(_server.Connection, _server.Connection);
        var refused = await Assert.ThrowsAsync<CannotStartException>(() => roles.Prepare(Cancel));
        Assert.Contains("row-level security", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    [Trait("Trial", "long")]
    public async Task An_owner_that_may_make_no_roles_is_held_by_its_own_tables()
    {
        var name = $"plain_{Guid.NewGuid():N}";
        await Alone($"create role {name} login password 'plain'");
        await Alone($"create database {name} owner {name}");
        var plain = new NpgsqlConnectionStringBuilder(_server.Connection)
        {
            Database = name,
            Username = name,
            Password = "plain",
        }.ConnectionString;
        await using var server = Hosted.OnDatabase(plain);
        var caller = await server.SignIn();
        // What is handed over with nothing to come is found by search alone.
        Assert.InRange((await caller.Get("/api/yard"))["jobs"]!.AsArray().Count, 1, _jobs);
        Assert.Single((await caller.Get("/api/yard?find=TM+60"))["jobs"]!.AsArray());
        await using var open = new NpgsqlConnection(plain);
        await open.OpenAsync(Cancel);
        Assert.Equal(0L, await Ask(open, "select count(*) from jobs"));
    }

    [Fact]
    [Trait("Trial", "long")]
    public async Task An_owner_that_may_make_roles_and_is_no_superuser_makes_the_servers_own()
    {
        var name = $"maker_{Guid.NewGuid():N}";
        await Alone($"create role {name} login createrole password 'plain'");
        await Alone($"create database {name} owner {name}");
        var maker = new NpgsqlConnectionStringBuilder(_server.Connection)
        {
            Database = name,
            Username = name,
            Password = "plain",
        }.ConnectionString;
        // Another server that starts beside it finds the role.
        foreach (var _ in new[] { "first", "second" })
        {
            await using var server = Hosted.OnDatabase(maker);
            var caller = await server.SignIn();
            Assert.NotEmpty((await caller.Get("/api/yard"))["jobs"]!.AsArray());
            await using var open = new NpgsqlConnection(
                server.Services.GetRequiredService<DatabaseRoles>().Server
            );
            await open.OpenAsync(Cancel);
            Assert.Equal(
                1L,
                await Ask(
                    open,
                    $"select count(*) from pg_roles where rolname = current_user and rolname <> '{name}' and not (rolsuper or rolbypassrls or rolcreaterole or rolcreatedb or rolreplication)"
                )
            );
            // Nothing that the server asks is compiled first.
            Assert.Equal(
                1L,
                await Ask(
                    open,
                    "select count(*) from pg_settings where name = 'jit' and setting = 'off'"
                )
            );
        }
    }

    private async Task Alone(string sql)
    {
        await using var open = new NpgsqlConnection(_server.Connection);
        await open.OpenAsync();
        await Do(open, sql);
    }

    private async Task<NpgsqlConnection> Open()
    {
        var open = new NpgsqlConnection(_asServer);
        await open.OpenAsync(Cancel);
        return open;
    }

    private static Task<int> Tell(NpgsqlConnection open, string shop) =>
        Do(open, $"select set_config('nokko.shop', '{shop}', true)");

    private static async Task<long> Ask(NpgsqlConnection open, string sql)
    {
        await using var command = new NpgsqlCommand(sql, open);
        return (long)(await command.ExecuteScalarAsync())!;
    }

    private static async Task<int> Do(NpgsqlConnection open, string sql)
    {
        await using var command = new NpgsqlCommand(sql, open);
        return await command.ExecuteNonQueryAsync();
    }

    /// <summary>With what the database refuses; null where it does not.</summary>
    private static async Task<string?> Refused(
        NpgsqlConnection open,
        string sql,
        string? row = null
    )
    {
        await using var command = new NpgsqlCommand(sql, open);
        if (row is not null)
        {
            command.Parameters.Add(new() { Value = row, NpgsqlDbType = NpgsqlDbType.Jsonb });
        }
        try
        {
            await command.ExecuteNonQueryAsync();
            return null;
        }
        catch (PostgresException e)
        {
            return e.SqlState;
        }
    }

    private async Task<string> AnyColumn(string table) => (await Columns(table))[0];

    private async Task<string> Insert(string table)
    {
        var columns = string.Join(", ", (await Columns(table)).Select(c => $"\"{c}\""));
        return $"insert into {table} ({columns}) select {columns} from jsonb_populate_record(null::{table}, $1)";
    }

    private Task<string[]> Columns(string table) =>
        _server.Ask<string[]>(
            $"select array_agg(column_name::text order by ordinal_position) from information_schema.columns where table_name = '{table}' and is_generated = 'NEVER' and table_schema = 'public'"
        );
}
