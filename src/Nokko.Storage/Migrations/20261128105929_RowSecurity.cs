using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261128105929_RowSecurity")]
    public class RowSecurity : Migration
    {
        private static readonly string[] OfShop =
        [
            "attachments",
            "commands",
            "cuts",
            "deviations",
            "files",
            "follow_ups",
            "frozen_predictions",
            "job_evidence",
            "job_summaries",
            "jobs",
            "joints",
            "kits",
            "lift_sums",
            "lift_trials",
            "looks",
            "marks",
            "off_lines",
            "orientations",
            "own_steps",
            "owners",
            "parts",
            "people_on_jobs",
            "plans",
            "platforms",
            "promises",
            "readings",
            "school_choices",
            "shop_ways",
            "stages",
            "step_entries",
            "supports",
            "tips",
            "torque_entries",
            "vehicles",
            "walk_rounds",
        ];

        private static readonly string[] OfAccount =
        [
            "account_claims",
            "account_logins",
            "account_tokens",
        ];

        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql(
                $"""
                create function {Storage.RowSecurity.CurrentShop}() returns uuid language sql stable parallel safe
                as $$ select nullif(current_setting('{Storage.RowSecurity.Setting}', true), '')::uuid $$;

                -- A search by an index of text is not allowed before the rows of others are left out: its operators could tell of them.
                -- This function asks nothing else of them than whether they hold the text, and only of the told shop.
                create function {Storage.RowSecurity.FoundJobs}(query text, anywhere boolean) returns setof uuid
                language plpgsql stable security definer set search_path = public, pg_catalog
                as $$ begin
                  if anywhere then
                    return query select s.id from job_summaries s
                      where s.shop_id = current_shop() and s.search like query escape '\';
                  else
                    return query select s.id from job_summaries s
                      where s.shop_id = current_shop() and s.words @@ to_tsquery('simple', query);
                  end if;
                end $$;
                revoke all on function {Storage.RowSecurity.FoundJobs}(text, boolean) from public;
                """
            );
            foreach (var table in OfShop)
            {
                migrationBuilder.Guard(table, Storage.RowSecurity.OfShop);
            }
            // Who signs in is looked up before it is known of which shop; from then on these, too, are of one shop.
            migrationBuilder.Guard(
                "shops",
                Storage.RowSecurity.AtTheDoor("id = (select current_shop())")
            );
            migrationBuilder.Guard(
                "accounts",
                Storage.RowSecurity.AtTheDoor(Storage.RowSecurity.OfShop)
            );
            migrationBuilder.Guard(
                "one_time_links",
                Storage.RowSecurity.AtTheDoor(Storage.RowSecurity.OfShop)
            );
            migrationBuilder.Guard(
                "devices",
                Storage.RowSecurity.AtTheDoor("account_id in (select id from accounts)")
            );
            foreach (var table in OfAccount)
            {
                migrationBuilder.Guard(
                    table,
                    Storage.RowSecurity.AtTheDoor("user_id in (select id from accounts)")
                );
            }
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            foreach (
                var table in OfShop
                    .Concat(OfAccount)
                    .Concat(["shops", "accounts", "one_time_links", "devices"])
            )
            {
                migrationBuilder.Unguard(table);
            }
            migrationBuilder.Sql(
                $"drop function {Storage.RowSecurity.FoundJobs}(text, boolean); drop function {Storage.RowSecurity.CurrentShop}();"
            );
        }
    }
}
