using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261126200141_ToldGainsAndLooks")]
    public class ToldGainsAndLooks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "looks_front",
                table: "walk_rounds",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "looks_rear",
                table: "walk_rounds",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "told_gains",
                table: "jobs",
                type: "jsonb",
                nullable: false,
                defaultValueSql: "'[]'::jsonb"
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "looks_front", table: "walk_rounds");

            migrationBuilder.DropColumn(name: "looks_rear", table: "walk_rounds");

            migrationBuilder.DropColumn(name: "told_gains", table: "jobs");
        }
    }
}
