using Microsoft.EntityFrameworkCore.Migrations;

namespace Nokko.Storage;

/// <summary>The second lock: PostgreSQL itself shows and takes rows of one shop only, the one that the running transaction has told (<see cref="ShopScope"/>).</summary>
public static class RowSecurity
{
    /// <summary>The setting in which a transaction tells its shop.</summary>
    public const string Setting = "nokko.shop";

    /// <summary>The function that answers with the shop that was told. A pooled connection hands on an empty setting: that is none.</summary>
    internal const string CurrentShop = "current_shop";

    /// <summary>The function that looks for text among all summaries of the shop that was told.</summary>
    internal const string FoundJobs = "found_jobs";

    /// <summary>Rows of the told shop.</summary>
    internal static readonly string OfShop = $"shop_id = (select {CurrentShop}())";

    /// <summary>Rows that are needed before it is known who comes: all, until a shop was told.</summary>
    /// <param name="of">What holds of rows of the told shop.</param>
    internal static string AtTheDoor(string of) => $"(select {CurrentShop}()) is null or {of}";

    /// <summary>Closes a table: for whoever is no superuser only these rows are there, its owner among them.</summary>
    /// <param name="migration">The change of the database.</param>
    /// <param name="table">The table.</param>
    /// <param name="rows">Which rows are seen and may be written.</param>
    internal static void Guard(this MigrationBuilder migration, string table, string rows) =>
        migration.Sql(
            $"""
            alter table {table} enable row level security;
            alter table {table} force row level security;
            create policy of_shop on {table} using ({rows}) with check ({rows});
            """
        );

    /// <summary>Opens a table again.</summary>
    internal static void Unguard(this MigrationBuilder migration, string table) =>
        migration.Sql(
            $"""
            drop policy of_shop on {table};
            alter table {table} no force row level security;
            alter table {table} disable row level security;
            """
        );
}
