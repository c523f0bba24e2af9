using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Nokko.Storage.Migrations
{
    /// <inheritdoc />
    public partial class Bin : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "binned_at",
                table: "jobs",
                type: "timestamp with time zone",
                nullable: true
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(name: "binned_at", table: "jobs");
        }
    }
}
