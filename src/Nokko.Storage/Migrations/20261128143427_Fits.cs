using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    [DbContext(typeof(NokkoDb))]
    [Migration("20261128143427_Fits")]
    public class Fits : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "bed",
                table: "vehicles",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<int>(
                name: "built",
                table: "vehicles",
                type: "integer",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "mates",
                table: "vehicles",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "trim",
                table: "vehicles",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "variants",
                table: "platforms",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "anyway",
                table: "plans",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "fit",
                table: "parts",
                type: "jsonb",
                nullable: true
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "bed", table: "vehicles");

            migrationBuilder.DropColumn(name: "built", table: "vehicles");

            migrationBuilder.DropColumn(name: "mates", table: "vehicles");

            migrationBuilder.DropColumn(name: "trim", table: "vehicles");

            migrationBuilder.DropColumn(name: "variants", table: "platforms");

            migrationBuilder.DropColumn(name: "anyway", table: "plans");

            migrationBuilder.DropColumn(name: "fit", table: "parts");
        }
    }
}
