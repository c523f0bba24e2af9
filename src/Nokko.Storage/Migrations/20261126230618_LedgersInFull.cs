using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261126230618_LedgersInFull")]
    public class LedgersInFull : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "angle",
                table: "torque_entries",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "why",
                table: "torque_entries",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<bool>(
                name: "none",
                table: "joints",
                type: "boolean",
                nullable: false,
                defaultValue: false
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "angle", table: "torque_entries");

            migrationBuilder.DropColumn(name: "why", table: "torque_entries");

            migrationBuilder.DropColumn(name: "none", table: "joints");
        }
    }
}
