using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    public partial class StacksAndShelf : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "chosen",
                table: "plans",
                type: "boolean",
                nullable: false,
                defaultValue: false
            );

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "binned_at",
                table: "parts",
                type: "timestamp with time zone",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "dimensions",
                table: "parts",
                type: "jsonb",
                nullable: false,
                defaultValue: "{}"
            );

            migrationBuilder.AddColumn<string>(
                name: "hours",
                table: "parts",
                type: "jsonb",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "leaves",
                table: "parts",
                type: "jsonb",
                nullable: false,
                defaultValue: "[]"
            );

            migrationBuilder.AddColumn<string>(
                name: "limits",
                table: "parts",
                type: "text",
                nullable: true
            );

            migrationBuilder.AddColumn<string>(
                name: "loads",
                table: "jobs",
                type: "jsonb",
                nullable: false,
                defaultValue: "[]"
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "chosen", table: "plans");

            migrationBuilder.DropColumn(name: "binned_at", table: "parts");

            migrationBuilder.DropColumn(name: "dimensions", table: "parts");

            migrationBuilder.DropColumn(name: "hours", table: "parts");

            migrationBuilder.DropColumn(name: "leaves", table: "parts");

            migrationBuilder.DropColumn(name: "limits", table: "parts");

            migrationBuilder.DropColumn(name: "loads", table: "jobs");
        }
    }
}
