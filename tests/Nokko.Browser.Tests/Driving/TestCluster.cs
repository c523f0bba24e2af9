using System.Text.RegularExpressions;
using Npgsql;

namespace Nokko.Driving;

/// <summary>The database cluster that ./nokko started: every test has a database of its own in it.</summary>
public static partial class TestCluster
{
    private static readonly SemaphoreSlim Seeding = new(1);

    /// <summary>Connection to one of its databases.</summary>
    public static string On(string database) =>
        Database()
            .Replace(
                Environment.GetEnvironmentVariable("NOKKO_TEST_DB")
                    ?? throw new InvalidOperationException(
                        "Run through ./nokko: it starts the database."
                    ),
                $"Database={database}"
            );

    /// <summary>Makes a database that holds the demo shop: a copy of one that is seeded once for all who run in this cluster.</summary>
    /// <param name="database">Its name.</param>
    /// <param name="seed">Starts a server on a connection, which fills an empty database, and ends it.</param>
    public static async Task CopyDemo(string database, Func<string, Task> seed)
    {
        const string template = "demo_template";
        await using var connection = new NpgsqlConnection(On("postgres"));
        await connection.OpenAsync();
        await Seeding.WaitAsync();
        try
        {
            if (!await Exists(connection, template))
            {
                // It has its name when it is whole.
                await seed(On($"{template}_unfinished"));
                NpgsqlConnection.ClearAllPools();
                await Run(connection, $"alter database {template}_unfinished rename to {template}");
            }
        }
        finally
        {
            Seeding.Release();
        }
        await Run(connection, $"create database \"{database}\" template {template}");
    }

    /// <summary>Does something to a database from outside it.</summary>
    /// <param name="sql">A statement.</param>
    public static async Task FromOutside(string sql)
    {
        await using var connection = new NpgsqlConnection(On("postgres"));
        await connection.OpenAsync();
        await Run(connection, sql);
    }

    private static async Task<bool> Exists(NpgsqlConnection connection, string database)
    {
        await using var command = new NpgsqlCommand(
            "select exists (select from pg_database where datname = $1)",
            connection
        );
        command.Parameters.Add(new() { Value = database });
        return (bool)(await command.ExecuteScalarAsync())!;
    }

    private static async Task Run(NpgsqlConnection connection, string sql)
    {
        await using var command = new NpgsqlCommand(sql, connection);
        await command.ExecuteNonQueryAsync();
    }

    [GeneratedRegex("Database=[^;]*")]
    private static partial Regex Database();
}
