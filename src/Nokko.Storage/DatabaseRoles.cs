using System.Security.Cryptography;
using System.Text;
using Npgsql;

namespace Nokko.Storage;

/// <summary>Two roles work with the database: its owner makes and changes tables; the server's own is neither superuser nor owner, and sees rows of one shop at a time (<see cref="RowSecurity"/>).</summary>
/// <param name="owner">Connection of the role that owns the tables.</param>
/// <param name="given">Connection of the server's own role, where somebody made one.</param>
public sealed class DatabaseRoles(string owner, string? given = null)
{
    /// <summary>Connection of the owner, needed at the start alone: none is kept open.</summary>
    public string Owner { get; } =
        new NpgsqlConnectionStringBuilder(owner) { Pooling = false }.ConnectionString;

    /// <summary>Connection of the server's own role, once it is <see cref="Prepare">there</see>.</summary>
    public string Server { get; private set; } =
        Planned(given ?? OwnRole(new NpgsqlConnectionStringBuilder(owner))).ConnectionString;

    /// <summary>Sees to it that the server's role is there and may do what it must, and no more. The tables are there already.</summary>
    /// <exception cref="CannotStartException">No role can be had that row-level security holds.</exception>
    public async Task Prepare(CancellationToken cancel = default)
    {
        await using (var open = new NpgsqlConnection(Owner))
        {
            await open.OpenAsync(cancel);
            var may = await Ask(
                open,
                "select (rolsuper or rolcreaterole)::text || ' ' || (rolsuper or rolbypassrls)::text from pg_roles where rolname = current_user",
                cancel
            );
            if (given is not null || may.StartsWith("true", StringComparison.Ordinal))
            {
                await Grant(open, cancel);
            }
            else
            {
                // An owner that may make no roles works itself: its own tables hold it too.
                Server = Planned(owner).ConnectionString;
            }
        }
        await using var server = new NpgsqlConnection(Server);
        try
        {
            await server.OpenAsync(cancel);
        }
        catch (PostgresException e)
            when (e.SqlState is PostgresErrorCodes.InvalidPassword or "28000" && given is null)
        {
            throw new CannotStartException(
                $"The server's own role cannot sign in to the database: {e.MessageText}. Give a connection for it as ConnectionStrings:NokkoServer.",
                e
            );
        }
        if (
            await Ask(
                server,
                "select (rolsuper or rolbypassrls)::text from pg_roles where rolname = current_user",
                cancel
            ) != "false"
        )
        {
            throw new CannotStartException(
                "The server would work as a role that passes row-level security. Give it a connection of a role that is neither superuser nor BYPASSRLS, as ConnectionStrings:NokkoServer."
            );
        }
    }

    private async Task Grant(NpgsqlConnection open, CancellationToken cancel)
    {
        var server = new NpgsqlConnectionStringBuilder(Server);
        var role = $"\"{server.Username!.Replace("\"", "\"\"", StringComparison.Ordinal)}\"";
        if (given is null)
        {
            // The name was free or is taken by another server that starts at this moment. A role that is made so may do nothing more;
            // who is no superuser may not even say so.
            var password = server.Password is { Length: > 0 } p
                ? $"'{p}'" // hexadecimal
                : "null";
            await Do(
                open,
                $"""
                do $do$ begin
                  create role {role};
                exception when duplicate_object or unique_violation then null;
                end $do$
                """,
                cancel
            );
            if (!await SignsIn(server.ConnectionString, cancel))
            {
                await Do(open, $"alter role {role} with login password {password}", cancel);
            }
        }
        await using var asked = new NpgsqlCommand(
            """
            select (select bool_and(has_table_privilege($1, c.oid, 'select, insert') and has_table_privilege($1, c.oid, 'update') and has_table_privilege($1, c.oid, 'delete'))
              from pg_class c where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace and c.relname <> '__EFMigrationsHistory')
              and has_function_privilege($1, 'found_jobs(text, boolean)', 'execute')
            """,
            open
        )
        {
            Parameters = { new() { Value = server.Username } },
        };
        if (await asked.ExecuteScalarAsync(cancel) is not true)
        {
            await Do(
                open,
                $"""
                begin;
                grant usage on schema public to {role};
                grant select, insert, update, delete on all tables in schema public to {role};
                revoke all on "__EFMigrationsHistory" from {role};
                grant usage on all sequences in schema public to {role};
                grant execute on function {RowSecurity.FoundJobs}(text, boolean) to {role};
                commit;
                """,
                cancel
            );
        }
    }

    private static async Task<bool> SignsIn(string connection, CancellationToken cancel)
    {
        await using var open = new NpgsqlConnection(connection);
        try
        {
            await open.OpenAsync(cancel);
            return true;
        }
        catch (PostgresException)
        {
            return false;
        }
    }

    private static async Task<string> Ask(
        NpgsqlConnection open,
        string sql,
        CancellationToken cancel
    )
    {
        await using var command = new NpgsqlCommand(sql, open);
        return (string)(await command.ExecuteScalarAsync(cancel))!;
    }

    private static async Task Do(NpgsqlConnection open, string sql, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand(sql, open);
        await command.ExecuteNonQueryAsync(cancel);
    }

    /// <summary>The role that belongs to a database. All servers of it know its password from the owner's; without one it has none either.</summary>
    private static string OwnRole(NpgsqlConnectionStringBuilder owner)
    {
        var database = owner.Database ?? owner.Username ?? "nokko";
        // A name has 63 bytes; what is longer keeps its own end as a sum.
        var name =
            database.Length > 50
                ? $"{database[..40]}_{Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(database)))[..9]}_server"
                : $"{database}_server";
        return new NpgsqlConnectionStringBuilder(owner.ConnectionString)
        {
            Username = name,
            Password = owner.Password is { Length: > 0 } password
                ? Convert.ToHexStringLower(
                    HMACSHA256.HashData(
                        Encoding.UTF8.GetBytes(password),
                        Encoding.UTF8.GetBytes($"nokko server {name}")
                    )
                )
                : null,
        }.ConnectionString;
    }

    private static NpgsqlConnectionStringBuilder Planned(string connection)
    {
        var planned = new NpgsqlConnectionStringBuilder(connection);
        if (planned.MaxAutoPrepare == 0)
        {
            // To plan the one statement that loads a job takes longer than to carry it out.
            (planned.MaxAutoPrepare, planned.AutoPrepareMinUsages) = (64, 2);
        }
        if (!planned.ShouldSerialize("Maximum Pool Size"))
        {
            // Each connection has yet to plan what it is asked: many of them are slower than the wait for one of a few (docs/operations.md, "What it needs").
            planned.MaxPoolSize = 4 + (4 * Environment.ProcessorCount);
        }
        if (planned.Options?.Contains("jit", StringComparison.Ordinal) != true)
        {
            // Few rows are read by key, but in a shop of many jobs PostgreSQL expects thousands of them and compiles the statement first: five seconds for each opening of a job.
            planned.Options = $"{planned.Options} -c jit=off".TrimStart();
        }
        return planned;
    }
}
